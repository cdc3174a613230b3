"use client";
// What comes later: who does it, with one press to give it to somebody else, and to start it now.
import { useState } from "react";
import { toast } from "sonner";
import { pinCookChange, type Wished } from "@/core/dish/wishes";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { COOK_VIEW } from "@/words/cook";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";

interface LaterListProps {
  readonly slug: string;
  readonly version: number;
  /** Undefined where nothing may be changed from here. */
  readonly wishes: Wished["wishes"];
  readonly plan: PlanView;
  readonly steps: readonly StepView[];
  readonly clock: WallClock;
  readonly onStart: (step: StepView) => void;
}

const MOST = 8;

export function LaterList({ slug, version, wishes, plan, steps, clock, onStart }: LaterListProps) {
  const [giving, setGiving] = useState<string>();
  const several = plan.cooks.length > 1;
  const name = (cook: string | undefined) => plan.cooks.find((c) => c.id === cook)?.name ?? "";
  const give = async (step: StepView, cook: string) => {
    setGiving(step.ref);
    const change = pinCookChange({ wishes }, [step.ref], cook);
    const label = COOK_VIEW.givenTo(lower(step.name), name(cook));
    const got = await ask(`/api/dishes/${slug}/change`, "POST", { version, change, label });
    setGiving(undefined);
    toast(got.ok ? label : reason(got));
  };
  if (steps.length === 0) return null;
  return (
    <>
      <h2 className="caps mt-6 mb-1 font-sans font-normal">{COOK_VIEW.later}</h2>
      <ol>
        {steps.slice(0, MOST).map((step) => {
          const cook = step.hands[0]?.cook;
          return (
            <li key={step.ref} className="grid grid-cols-[max-content_1fr_auto] items-center gap-x-2 border-t border-rule py-1.5">
              <span className="clock clock-column text-[15px]" data-day>
                {clock.dayTime(step.start)}
              </span>
              <span className="text-[16px]">
                {step.name}{" "}
                <span className="text-[13.5px] text-quiet">
                  {lower(plan.components.find((c) => c.id === step.component)?.name ?? step.component)}
                </span>
                {several && cook !== undefined && (
                  <span className="block">
                    <Choice
                      label={COOK_VIEW.whoDoes(step.name)}
                      className="min-h-[44px] border-0! bg-transparent! px-0! text-[14px] text-rim"
                      value={cook}
                      options={plan.cooks.map((c) => [c.id, c.name])}
                      disabled={giving !== undefined}
                      onChange={(to) => to !== cook && void give(step, to)}
                    />
                  </span>
                )}
              </span>
              <button
                type="button"
                className="link min-h-[44px] px-2 text-[14px]"
                onClick={() => onStart(step)}
                aria-label={COOK_VIEW.startNowNamed(step.name)}
              >
                {COOK_VIEW.startNow}
              </button>
            </li>
          );
        })}
      </ol>
    </>
  );
}
