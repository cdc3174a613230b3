"use client";
// A component that is in the larder already: how much, until when, and one press to use it.
import { onHandAlready } from "@/core/dish/edit/larder";
import type { LarderOffer } from "@/core/larder/offers";
import type { WallClock } from "@/core/time/wall-clock";
import { LARDER } from "@/words/larder";
import { ask } from "../shell/ask";
import { Spoken } from "../shell/conventions";
import type { Edit } from "./use-editing";

interface FromLarderProps {
  readonly offers: readonly LarderOffer[];
  readonly component: { readonly id: string; readonly name: string };
  readonly dish: string;
  readonly clock: WallClock;
  readonly edit: Edit;
}

export function FromLarder({ offers, component, dish, clock, edit }: FromLarderProps) {
  const putOnHand = (offer: LarderOffer) => {
    edit(LARDER.takenFor(component.name), (d) => onHandAlready(d, component.id, offer.madeAt.slice(0, 16), offer.amount));
    void ask("/api/larder", "POST", { events: [{ key: crypto.randomUUID(), item: offer.item, body: { kind: "reserved", dish } }] });
  };
  return (
    <ul>
      {offers.map((offer) => (
        <li key={offer.item} className="mt-2 flex flex-wrap items-baseline gap-x-4 border-l-[3px] border-leaf py-0.5 pl-3 text-[14px]">
          <Spoken>{LARDER.inLarder(offer.text, offer.until === undefined ? "" : clock.dateTime(offer.until))}</Spoken>
          <button type="button" className="link min-h-[28px] font-medium" onClick={() => putOnHand(offer)}>
            {LARDER.use}
          </button>
        </li>
      ))}
    </ul>
  );
}
