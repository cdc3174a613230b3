"use client";
// Rounds that are due, gathered: one walk serves several.
import type { Entry, EntryBody } from "@/core/record/entries";
import type { WallClock } from "@/core/time/wall-clock";
import type { StepView } from "@/core/view/plan-view";
import { type RoundDue, roundsDue } from "@/core/view/rounds-due";
import { missedMeans, ROUNDS } from "@/words/record";

interface RoundsCardProps {
  readonly steps: readonly StepView[];
  readonly entries: readonly Entry[];
  readonly now: number;
  readonly clock: WallClock;
  readonly write: (...bodies: readonly EntryBody[]) => void;
}

const entryOf = ({ step, what, at }: RoundDue): EntryBody => ({ kind: "round", step: step.ref, what, due: at });

export function RoundsCard({ steps, entries, now, clock, write }: RoundsCardProps) {
  const due = roundsDue(steps, entries, now);
  if (due.length === 0) return null;
  return (
    <section aria-label={ROUNDS.title} className="mb-4 border-l-[5px] border-saffron py-1 pl-4">
      <ul>
        {due.map((round) => (
          <li key={`${round.step.ref} ${round.what}`} className="flex items-center gap-3 border-t border-rule py-1.5 first:border-0">
            <span className="min-w-0 flex-1">
              <span className="text-[20px] font-medium first-letter:uppercase inline-block">{round.what}</span>{" "}
              <span className="text-[14px] text-quiet">
                {round.step.name}, {ROUNDS.since(clock.near(round.at, now))}
              </span>
              {round.missed > 0 && (
                <span className="block text-[15px]">
                  {ROUNDS.missed(round.missed)} {missedMeans(round.what)}
                </span>
              )}
            </span>
            <button
              type="button"
              className="act min-h-[56px] px-6 text-[18px]"
              aria-label={ROUNDS.doneNamed(round.what, round.step.name)}
              onClick={() => write(entryOf(round))}
            >
              {ROUNDS.done}
            </button>
          </li>
        ))}
      </ul>
      {due.length > 1 && (
        <button type="button" className="act mt-1 min-h-[56px] px-6 text-[18px]" data-main onClick={() => write(...due.map(entryOf))}>
          {ROUNDS.allDone}
        </button>
      )}
    </section>
  );
}
