import type { FindingView } from "@/core/safety/view";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { FindingCard } from "../safety/FindingCard";
import type { useSafety } from "../safety/use-safety";

interface ReadyToStartProps {
  readonly plan: PlanView;
  readonly findings: readonly FindingView[];
  readonly safety: ReturnType<typeof useSafety>;
  readonly clock: WallClock;
  readonly onStart: () => void;
}

const firstByHand = (plan: PlanView): StepView | undefined => plan.steps.find((s) => s.hands.length > 0 && s.state === "planned");

/** Before a run: its first hands-on step, the dangers to read, and the button that starts it once they are read. */
export function ReadyToStart({ plan, findings, safety, clock, onStart }: ReadyToStartProps) {
  const first = firstByHand(plan);
  const severe = findings.filter((f) => f.severity === "stop");
  const open = severe.filter((f) => !f.acknowledged);
  return (
    <div className="border-l-[3px] border-saffron pl-4">
      <h2 className="text-[26px]">Ready when you are</h2>
      <p className="max-w-[46ch] pt-1 pb-3 text-[16px]">
        {first && `The first hands-on step is ${lower(first.name)}, ${clock.dayTime(first.start)}. `}
        What you press is recorded, and the plan follows what happens.
      </p>
      {severe.length > 0 && (
        <div className="pb-4">
          <h3 className="text-[19px]">{open.length ? "Read these before you start" : "You have read these"}</h3>
          {safety.trouble && (
            <p role="alert" className="my-2 border-l-[3px] border-beet pl-3">
              {safety.trouble}
            </p>
          )}
          {severe.map((f) => (
            <FindingCard key={f.id} finding={f} onMend={safety.mend} onKnown={safety.known} />
          ))}
        </div>
      )}
      <button type="button" className="act min-h-[56px] px-7 text-[18px]" data-main disabled={open.length > 0} onClick={onStart}>
        Start the run
      </button>
      {open.length > 0 && (
        <p className="pt-1 text-[14px] text-quiet">
          {open.some((f) => f.hard) ? "Fix what is past a limit first." : `${open.length} still to read.`}
        </p>
      )}
    </div>
  );
}
