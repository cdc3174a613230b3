import { type Comparison, comparePlans } from "@/core/sheets/differences";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
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
      <Bar tone="border-beet" title="No plan with this" label={problem.label}>
        <div className="flex gap-2 pt-1">
          <button type="button" className="act" onClick={trials.leave}>
            Discard
          </button>
        </div>
      </Bar>
    );
  }
  // What is kept at once is seen on the chart itself: nothing is pushed down for a moment.
  if (trial.status !== "failed" && trial.auto) return null;
  if (trial.status === "working")
    return (
      <Bar tone="border-rim" title="Trying" label={trial.label}>
        <div className="flex items-center gap-4">
          <progress value={trial.done} className="h-1.5 w-40 accent-(--saffron)" aria-label="Trying" />
          <button type="button" className="link text-[13.5px]" onClick={trials.leave}>
            Discard
          </button>
        </div>
      </Bar>
    );
  if (trial.status === "failed")
    return (
      <Bar tone="border-beet" title="Not possible" label={trial.label}>
        <p role="alert" className="text-[14px]">
          {trial.because}
        </p>
        <button type="button" className="act mt-1" onClick={trials.leave}>
          Discard
        </button>
      </Bar>
    );
  const comparison = plan && comparePlans(plan, trial.view, clock);
  return (
    <Bar tone="border-saffron" title="Preview, not saved yet" label={trial.label}>
      {trial.note && <p className="text-[14px]">{trial.note}</p>}
      <Differences comparison={comparison} />
      <p className="text-[13.5px] text-quiet">
        On time in {hundred(trial.rehearsed.onTime)} of 100 rehearsals
        {onTime === undefined ? "" : `, ${hundred(onTime)} now`}.{plan ? " Dashed outlines show where steps are now." : ""}
      </p>
      <div className="flex gap-2 pt-1.5">
        <button type="button" className="act" data-main disabled={trial.keeping} onClick={() => void trials.keep()}>
          {trial.keeping ? "Saving" : "Save"}
        </button>
        <button type="button" className="act" disabled={trial.keeping} onClick={trials.leave}>
          Discard
        </button>
      </div>
    </Bar>
  );
}

function Bar({ tone, title, label, children }: { tone: string; title: string; label: string; children: React.ReactNode }) {
  return (
    <section
      aria-label="Preview"
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
  if (comparison.differences.length === 0) return <p className="text-[14px]">The plan stays as it is.</p>;
  return (
    <ul className="flex flex-wrap gap-x-5 text-[14px]">
      {comparison.differences.map((d) => (
        <li key={d.text}>{d.text}</li>
      ))}
    </ul>
  );
}
