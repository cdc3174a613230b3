import { type Comparison, comparePlans } from "@/core/sheets/differences";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { TRIAL_BAR } from "@/words/route-chart";
import type { Trials } from "../planning/use-trial";
import { hundred } from "./words";

interface TrialBarProps {
  readonly trials: Trials;
  /** The plan in force, to compare with. */
  readonly plan: PlanView | undefined;
  readonly onTime: number | undefined;
  readonly clock: WallClock;
}

/** What is being tried, what it would change, and the choice to save or discard it. Nothing has changed yet while this is shown. */
export function TrialBar({ trials, plan, onTime, clock }: TrialBarProps) {
  const { trial, problem } = trials;
  if (!trial) {
    if (!problem?.label) return null;
    return (
      <Bar tone="border-beet" title={TRIAL_BAR.noPlanWithThis} label={problem.label}>
        <div className="flex gap-2 pt-1">
          <button type="button" className="act" onClick={trials.leave}>
            {TRIAL_BAR.discard}
          </button>
        </div>
      </Bar>
    );
  }
  // What is kept at once is seen on the chart itself: nothing is pushed down for a moment.
  if (trial.status !== "failed" && trial.auto) return null;
  if (trial.status === "working")
    return (
      <Bar tone="border-rim" title={TRIAL_BAR.trying} label={trial.label}>
        <div className="flex items-center gap-4">
          <progress value={trial.done} className="h-1.5 w-40 accent-(--saffron)" aria-label={TRIAL_BAR.trying} />
          <button type="button" className="link text-[13.5px]" onClick={trials.leave}>
            {TRIAL_BAR.discard}
          </button>
        </div>
      </Bar>
    );
  if (trial.status === "failed")
    return (
      <Bar tone="border-beet" title={TRIAL_BAR.notPossible} label={trial.label}>
        <p role="alert" className="text-[14px]">
          {trial.because}
        </p>
        <button type="button" className="act mt-1" onClick={trials.leave}>
          {TRIAL_BAR.discard}
        </button>
      </Bar>
    );
  const comparison = plan && comparePlans(plan, trial.view, clock);
  return (
    <Bar tone="border-saffron" title={TRIAL_BAR.previewNotSavedYet} label={trial.label}>
      {trial.note && <p className="text-[14px]">{trial.note}</p>}
      <Differences comparison={comparison} />
      <p className="text-[13.5px] text-quiet">
        {TRIAL_BAR.onTimeIn} {hundred(trial.rehearsed.onTime)} {TRIAL_BAR.of100Rehearsals}
        {onTime === undefined ? "" : TRIAL_BAR.now(hundred(onTime))}.{plan ? TRIAL_BAR.dashedOutlinesShowWhereSteps : ""}
      </p>
      <div className="flex gap-2 pt-1.5">
        <button type="button" className="act" data-main disabled={trial.keeping} onClick={() => void trials.keep()}>
          {trial.keeping ? TRIAL_BAR.saving : TRIAL_BAR.save}
        </button>
        <button type="button" className="act" disabled={trial.keeping} onClick={trials.leave}>
          {TRIAL_BAR.discard}
        </button>
      </div>
    </Bar>
  );
}

function Bar({ tone, title, label, children }: { tone: string; title: string; label: string; children: React.ReactNode }) {
  return (
    <section
      aria-label={TRIAL_BAR.preview}
      aria-live="polite"
      className={`mb-3 border-l-[4px] bg-saffron-wash/40 py-2 pr-3 pl-4 ${tone}`}
      data-screen
    >
      <h2 className="text-[17px]">
        <span className="caps mr-2 align-[1px] font-sans font-normal">{title}</span>
        {label}
      </h2>
      {children}
    </section>
  );
}

/** Only what differs, in words. */
function Differences({ comparison }: { comparison: Comparison | undefined }) {
  if (!comparison) return null;
  if (comparison.differences.length === 0) return <p className="text-[14px]">{TRIAL_BAR.thePlanStaysAsItIs}</p>;
  return (
    <ul className="flex flex-wrap gap-x-5 text-[14px]">
      {comparison.differences.map((d) => (
        <li key={d.text}>{d.text}</li>
      ))}
    </ul>
  );
}
