import type { FindingView } from "@/core/safety/view";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { READY_TO_START } from "@/words/cook";
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
      <h2 className="text-[26px]">{READY_TO_START.readyWhenYouAre}</h2>
      <p className="max-w-[46ch] pt-1 pb-3 text-[16px]">
        {first && READY_TO_START.theFirstHandsOnStepIs(lower(first.name), clock.dayTime(first.start))}
        {READY_TO_START.whatYouPressIsRecorded}
      </p>
      {severe.length > 0 && (
        <div className="pb-4">
          <h3 className="text-[19px]">{open.length ? READY_TO_START.readTheseBeforeYouStart : READY_TO_START.youHaveReadThese}</h3>
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
        {READY_TO_START.startTheRun}
      </button>
      {open.length > 0 && (
        <p className="pt-1 text-[14px] text-quiet">
          {open.some((f) => f.hard) ? READY_TO_START.fixWhatIsPastA : READY_TO_START.stillToRead(open.length)}
        </p>
      )}
    </div>
  );
}
