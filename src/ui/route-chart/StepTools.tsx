"use client";
import { Hand, Pin, PinOff } from "lucide-react";
import { useState } from "react";
import { pinOfStep, pinStepChange, type Wished } from "@/core/dish/wishes";
import { lower } from "@/core/sentence";
import { spokenInstant, type WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { STEP_TOOLS } from "@/words/timetable-panels";
import type { Trials } from "../planning/use-trial";
import { Choice } from "../shell/Choice";
import { MomentField } from "../shell/MomentField";

interface StepToolsProps {
  readonly step: StepView;
  readonly plan: PlanView;
  readonly wished: Wished;
  readonly clock: WallClock;
  readonly trials: Trials;
  readonly onTake: () => void;
}

/** What the cook may fix of a step: its minute, an edge on either side, who does it. */
export function StepTools({ step, plan, wished, clock, trials, onTake }: StepToolsProps) {
  const pin = pinOfStep(wished, step.ref);
  const [open, setOpen] = useState(false);
  const name = `“${lower(step.name)}”`;
  const fix = (label: string, value: Parameters<typeof pinStepChange>[2]) =>
    void trials.attempt(label, pinStepChange(wished, step.ref, value), { keep: true });
  const { step: _, ...fixed } = pin ?? { step: "" };
  const local = (minute: number) => new Date(clock.wallMinute(minute) * 60_000).toISOString().slice(0, 16);
  const cooks = plan.cooks;
  const working = trials.trial !== undefined;
  return (
    <span className="mt-1.5 block" data-screen>
      <span className="flex flex-wrap gap-1.5">
        {pin ? (
          <button type="button" className="act text-[13px]" disabled={working} onClick={() => fix(STEP_TOOLS.released(name), undefined)}>
            <PinOff size={15} aria-hidden="true" /> {STEP_TOOLS.release}
          </button>
        ) : (
          <button
            type="button"
            className="act text-[13px]"
            disabled={working}
            onClick={() => fix(STEP_TOOLS.fixedAt(name, clock.dayTime(step.start)), { at: local(step.start) })}
          >
            <Pin size={15} aria-hidden="true" /> {STEP_TOOLS.fixItHere}
          </button>
        )}
        <button type="button" className="act text-[13px]" disabled={working} onClick={onTake}>
          <Hand size={15} aria-hidden="true" /> {STEP_TOOLS.move}
        </button>
        <button type="button" className="link px-1 text-[13px]" aria-expanded={open} onClick={() => setOpen(!open)}>
          {STEP_TOOLS.notBeforeNotAfterWho}
        </button>
      </span>
      {open && (
        <span className="mt-2 grid grid-cols-[5.2rem_1fr] items-center gap-x-2 gap-y-1.5">
          {(["notBefore", "notAfter"] as const).map((edge) => (
            <span key={edge} className="contents text-[13px]">
              <span>{edge === "notBefore" ? STEP_TOOLS.notBefore : STEP_TOOLS.notAfter}</span>
              <MomentField
                label={edge === "notBefore" ? STEP_TOOLS.notBefore : STEP_TOOLS.notAfter}
                className="w-full"
                value={(pin?.[edge] as string | undefined)?.slice(0, 16) ?? ""}
                disabled={working}
                onChange={(value) =>
                  fix(
                    value
                      ? `${name} ${edge === "notBefore" ? STEP_TOOLS.notBefore : STEP_TOOLS.notAfter} ${spokenInstant(value)}`
                      : STEP_TOOLS.withoutThatLimit(name),
                    { ...fixed, at: undefined, [edge]: value || undefined },
                  )
                }
              />
            </span>
          ))}
          {cooks.length > 1 && step.hands.length > 0 && (
            <span className="contents text-[13px]">
              <span>{STEP_TOOLS.by}</span>
              <Choice
                label={STEP_TOOLS.by}
                className="w-full text-[13px]"
                value={pin?.cook ?? ""}
                disabled={working}
                none={STEP_TOOLS.anybody}
                options={cooks.map((c) => [c.id, c.name])}
                onChange={(id) => {
                  const cook = cooks.find((c) => c.id === id);
                  fix(cook ? STEP_TOOLS.byNamed(name, cook.name) : STEP_TOOLS.byAnybody(name), { ...fixed, cook: cook?.id });
                }}
              />
            </span>
          )}
        </span>
      )}
    </span>
  );
}
