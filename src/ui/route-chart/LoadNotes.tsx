"use client";
import { useEffect, useState } from "react";
import { lower } from "@/core/sentence";
import type { LoadNote } from "@/core/sheets/load";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { LOAD_NOTES } from "@/words/route-chart";
import type { LighterPlan, Tried } from "@/workers/plan-desk";
import type { Desk } from "../planning/desk";
import type { Trials } from "../planning/use-trial";

interface LoadNotesProps {
  readonly notes: readonly LoadNote[];
  readonly plan: PlanView | undefined;
  readonly clock: WallClock;
  readonly stamp: string;
  readonly desk: () => Desk;
  readonly trials: Trials;
}

/** Where the plan is heavy and where it is quiet, a sentence each, with what would make it easier, in one press. */
export function LoadNotes(props: LoadNotesProps) {
  const { notes } = props;
  if (notes.length === 0) return null;
  const heavy = notes.filter((n) => n.kind !== "quiet" && n.kind !== "boil");
  const quiet = notes.filter((n) => n.kind === "quiet" || n.kind === "boil");
  return (
    <section aria-label={LOAD_NOTES.busyAndFreeTimes} className="mx-5 mt-4 border-t border-rule pt-4 sm:mx-7">
      <h2 className="mb-3 text-[22px]">{LOAD_NOTES.busyAndFreeTimes}</h2>
      <div className="grid max-w-[70rem] gap-x-10 gap-y-4 md:grid-cols-2">
        {heavy.length > 0 && (
          <div>
            <h3 className="caps mb-1 font-sans font-normal">{LOAD_NOTES.busy}</h3>
            <ul className="border-l-[3px] border-copper pl-3 text-[14.5px]">
              {heavy.map((note) => (
                <Heavy key={`${note.kind} ${note.at}`} note={note} {...props} />
              ))}
            </ul>
          </div>
        )}
        {quiet.length > 0 && (
          <div>
            <h3 className="caps mb-1 font-sans font-normal">{LOAD_NOTES.free}</h3>
            <ul className="border-l-[3px] border-leaf pl-3 text-[14.5px]">
              {quiet.map((note) => (
                <Quiet key={`${note.kind} ${note.at}`} note={note} {...props} />
              ))}
            </ul>
          </div>
        )}
      </div>
    </section>
  );
}

function Heavy({ note, stamp, desk, trials }: LoadNotesProps & { note: LoadNote }) {
  const [ways, setWays] = useState<readonly LighterPlan[] | "asking" | "failed">();
  // biome-ignore lint/correctness/useExhaustiveDependencies: ways belong to the plan that they were asked of
  useEffect(() => setWays(undefined), [stamp]);
  const ask = async () => {
    setWays("asking");
    try {
      const shell = await desk().mind();
      setWays((await shell.lighten({ kind: note.kind as "full-day", at: note.at })) as LighterPlan[]);
    } catch {
      setWays("failed");
    }
  };
  return (
    <li className="py-0.5">
      {note.text}{" "}
      <span data-screen>
        {ways === undefined && (
          <button
            type="button"
            className="link text-[13px]"
            onClick={() => void ask()}
            aria-label={LOAD_NOTES.makeItEasierNamed(note.text)}
          >
            {LOAD_NOTES.makeItEasier}
          </button>
        )}
        {ways === "asking" && (
          <span role="status" className="text-[13px] text-quiet">
            {LOAD_NOTES.trying} <progress className="h-1.5 w-16 accent-(--saffron)" aria-label={LOAD_NOTES.trying} />
          </span>
        )}
        {ways === "failed" && <span className="text-[13px] text-beet">{LOAD_NOTES.thePlannerCouldNotBeReached}</span>}
        {Array.isArray(ways) && ways.length === 0 && <span className="text-[13px] text-quiet">{LOAD_NOTES.nothingThatWasTriedMakes}</span>}
        {Array.isArray(ways) && ways.length > 0 && (
          <span className="block">
            {ways.map((way) => (
              <button
                key={way.text}
                type="button"
                className="mr-4 cursor-pointer py-0.5 text-left text-[13.5px] text-rim underline underline-offset-3"
                onClick={() => void look(() => trials.attempt(way.text, way.change))}
              >
                {way.text}
              </button>
            ))}
          </span>
        )}
      </span>
    </li>
  );
}

function Quiet({ note, clock, trials }: LoadNotesProps & { note: LoadNote }) {
  return (
    <li className="py-0.5">
      {note.text}{" "}
      <span data-screen>
        {note.offers.map((offer) => (
          <button
            key={offer.step}
            type="button"
            className="mr-3 cursor-pointer text-[13px] text-rim underline underline-offset-3"
            aria-label={LOAD_NOTES.moveTo(lower(offer.name), clock.dayTime(offer.at))}
            onClick={() =>
              void look(() =>
                trials.attempt(
                  LOAD_NOTES.at(lower(offer.name), clock.dayTime(offer.at)),
                  async (shell) => (await shell.settle(offer.step, offer.at)) as Tried,
                ),
              )
            }
          >
            {note.offers.length > 1 ? LOAD_NOTES.moveThere(lower(offer.name)) : LOAD_NOTES.moveItThere}
          </button>
        ))}
      </span>
    </li>
  );
}

/** What is tried from further down is looked at on the chart. */
function look(then: () => unknown) {
  document.querySelector("[data-timetable]")?.scrollIntoView({ block: "start" });
  return then();
}
