"use client";
import { useEffect, useState } from "react";
import { pinMethodsChange, type Wished } from "@/core/dish/wishes";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { REACH_PANEL } from "@/words/timetable-panels";
import type { Reached } from "@/workers/plan-desk";
import type { Desk } from "../planning/desk";
import type { Trials } from "../planning/use-trial";
import { Frontier } from "./Frontier";

interface ReachPanelProps {
  readonly serveAt: number;
  readonly wished: Wished;
  readonly plan: PlanView | undefined;
  readonly clock: WallClock;
  readonly stamp: string;
  readonly desk: () => Desk;
  readonly trials: Trials;
}

/** Can it still be made: the earliest table from now, the latest start for the one that is wished, and what quicker ways buy. */
export function ReachPanel({ serveAt, wished, plan, clock, stamp, desk, trials }: ReachPanelProps) {
  const [reach, setReach] = useState<Reached | "asking" | "failed">();
  // biome-ignore lint/correctness/useExhaustiveDependencies: an answer belongs to the plan that it was asked of
  useEffect(() => setReach(undefined), [stamp]);
  const ask = async () => {
    setReach("asking");
    try {
      setReach((await (await desk().mind()).reach()) as Reached);
    } catch {
      setReach("failed");
    }
  };
  if (reach === undefined)
    return (
      <button type="button" className="act" onClick={() => void ask()}>
        {REACH_PANEL.canIStillMakeIt}
      </button>
    );
  if (reach === "asking")
    return (
      <p role="status" className="flex items-center gap-3 text-[14px]">
        {REACH_PANEL.workingItOut} <progress className="h-1.5 w-24 accent-(--saffron)" aria-label={REACH_PANEL.workingItOut} />
        <button
          type="button"
          className="link"
          onClick={() => {
            desk().giveUp();
            setReach(undefined);
          }}
        >
          {REACH_PANEL.stop}
        </button>
      </p>
    );
  if (reach === "failed") return <p role="alert">{REACH_PANEL.thePlannerCouldNotBe}</p>;
  const { earliestServing, latestStart, choices } = reach;
  const take = (choice: Reached["choices"][number]) =>
    void trials.attempt(
      choice.names.length ? choice.names.join("; ") : REACH_PANEL.everyComponentByItsFirstMethod,
      pinMethodsChange(wished, { ...choice.methods }),
    );
  return (
    <div className="text-[14px]" role="status">
      <p>
        {earliestServing === undefined
          ? REACH_PANEL.startedNowItCannotBe
          : REACH_PANEL.startedNowItCanBeServed(clock.date(earliestServing), clock.time(earliestServing))}
      </p>
      <p>
        {latestStart
          ? REACH_PANEL.toServeStartBy(
              clock.dayTime(serveAt),
              clock.dayTime(latestStart.found),
              latestStart.bound > latestStart.found
                ? `; no plan starts later than ${clock.dayTime(latestStart.bound)}`
                : ", and no plan starts later",
            )
          : REACH_PANEL.itIsTooLateToServe(clock.dayTime(serveAt))}
      </p>
      {choices.length > 1 && (
        <>
          <h4 className="caps mt-3 mb-1 font-sans font-normal">{REACH_PANEL.whatQuickerMethodsSave}</h4>
          <Frontier choices={choices} onChoose={take} />
          <ul>
            {choices.map((choice) => (
              <li key={JSON.stringify(choice.methods)} className="border-t border-rule py-1">
                <button
                  type="button"
                  className="w-full cursor-pointer text-left hover:underline"
                  aria-pressed={plan !== undefined && choice.current}
                  onClick={() => take(choice)}
                >
                  {choice.names.length ? choice.names.join("; ") : REACH_PANEL.everyComponentByItsFirstMethod}
                  <span className="block text-[13px] text-quiet">
                    {spokenDuration(choice.leadMinutes)} {REACH_PANEL.ofLead} {spokenDuration(choice.handsMinutes)} {REACH_PANEL.byHand}
                    {choice.lostQuality ? REACH_PANEL.givesUpOfQuality(choice.lostQuality.toFixed(2)) : REACH_PANEL.noLossOfQuality}
                    {choice.current ? REACH_PANEL.asItIsPlanned : ""}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
