"use client";
// How many times to go shopping: the fewest trips that keep everything fresh, and what fewer would cost.
import type { ShoppingRow } from "@/core/sheets/shopping";
import type { TripChoice } from "@/core/sheets/trips";
import { spokenDuration } from "@/core/time/duration";
import { SHOPPING } from "@/words/shopping";

interface TripChoicesProps<R extends ShoppingRow> {
  readonly choices: readonly TripChoice<R>[];
  readonly chosen: TripChoice<R>;
  readonly onChoose: (choice: TripChoice<R>) => void;
  /** The day of a trip, in words. */
  readonly at: (minute: number) => string;
}

export function TripChoices<R extends ShoppingRow>({ choices, chosen, onChoose, at }: TripChoicesProps<R>) {
  return (
    <fieldset className="mb-4 border-t border-rule pt-2" data-screen>
      <legend className="caps float-left w-full pb-1">{SHOPPING.howMany}</legend>
      {choices.map((choice) => (
        <label key={choice.trips.length} className="clear-both flex min-h-11 cursor-pointer items-start gap-x-3 py-1.5">
          <input
            type="radio"
            name="trips"
            className="mt-0.5 size-5 shrink-0 accent-(--rim)"
            checked={choice === chosen}
            onChange={() => onChoose(choice)}
          />
          <span>
            <span className="text-[16px]">{SHOPPING.trips(choice.trips.length)}</span>{" "}
            <span className="clock text-[13.5px] text-quiet">{choice.trips.map((t) => at(t.by)).join(" · ")}</span>
            <span className={`block text-[13.5px] ${choice.early.length > 0 ? "" : "text-quiet"}`}>{costOf(choice)}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

function costOf<R extends ShoppingRow>({ early }: TripChoice<R>): string {
  const [worst] = early;
  return worst ? SHOPPING.early(worst.row.ingredient, spokenDuration(worst.minutes), early.length - 1) : SHOPPING.allFresh;
}
