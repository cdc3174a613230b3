import type { FactGroup } from "@/core/sheets/condense";
import type { Conflict } from "@/core/sheets/conflict";
import { spokenDuration } from "@/core/time/duration";
import { IMPOSSIBLE_PANEL } from "@/words/timetable-panels";
import type { Trials } from "../planning/use-trial";

interface Impossible extends Pick<Conflict, "proved" | "facts" | "looking"> {
  /** What was wished, if it is only tried; empty where the dish itself says so. */
  readonly label: string;
  readonly change: readonly Conflict["repairs"][number]["change"][number][];
  readonly repairs: readonly Pick<Conflict["repairs"][number], "kind" | "text" | "leadMinutes" | "change">[];
}

/** Why there is no plan: the few facts that clash, numbered as on the chart, and beside them what would help, cheapest first. */
export function ImpossiblePanel({ problem, groups, trials }: { problem: Impossible; groups: readonly FactGroup[]; trials: Trials }) {
  const { trial } = trials;
  const tried = trial?.status === "ready" || trial?.status === "working" ? trial.label : undefined;
  return (
    <section aria-label={IMPOSSIBLE_PANEL.whyThereIsNoPlan} className="pt-4 pb-6">
      <h2 className="text-[20px]">{problem.proved ? IMPOSSIBLE_PANEL.theseConflict : IMPOSSIBLE_PANEL.noPlanWasFound}</h2>
      <ol className="mt-2">
        {groups.map((fact, i) => (
          <li key={fact.text} className="grid grid-cols-[26px_1fr] gap-x-2 border-t border-rule py-1.5 text-[14px]">
            <span
              aria-hidden="true"
              className="mt-px grid h-[20px] w-[20px] place-items-center rounded-full bg-beet text-[11.5px] font-bold text-paper"
            >
              {i + 1}
            </span>
            <span>
              {fact.text}
              {fact.parts.length > 0 && (
                <details className="text-[13px] text-quiet">
                  <summary className="cursor-pointer">{IMPOSSIBLE_PANEL.oneByOne}</summary>
                  <ul>
                    {fact.parts.map((part) => (
                      <li key={part} className="py-0.5">
                        {part}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </span>
          </li>
        ))}
      </ol>
      {problem.looking && (
        <p role="status" className="pt-2 text-[13.5px] text-quiet">
          {problem.repairs.length ? IMPOSSIBLE_PANEL.lookingForMoreThatHelps : IMPOSSIBLE_PANEL.lookingForWhatHelps}
        </p>
      )}
      {problem.repairs.length > 0 ? (
        <>
          <h3 className="caps mt-4 mb-1 font-sans font-normal">{IMPOSSIBLE_PANEL.waysToFixItEach}</h3>
          <ul>
            {problem.repairs.map((repair) => {
              const chosen = tried === repair.text;
              return (
                <li
                  key={repair.text}
                  className={`border-t border-rule py-1.5 ${chosen ? "bg-saffron-wash" : ""}`}
                  data-repair={repair.kind}
                >
                  <button
                    type="button"
                    aria-pressed={chosen}
                    className="w-full cursor-pointer px-1.5 text-left text-[14.5px] hover:underline"
                    onClick={() => void trials.attempt(repair.text, [...problem.change, ...repair.change], { repair: true })}
                  >
                    {repair.text}
                    <span className="block text-[13px] text-quiet">
                      {IMPOSSIBLE_PANEL.starts} {spokenDuration(repair.leadMinutes)} {IMPOSSIBLE_PANEL.beforeServing}
                    </span>
                  </button>
                  {chosen && trial?.status === "ready" && (
                    <button
                      type="button"
                      className="act mx-1.5 mt-1"
                      data-main
                      disabled={trial.keeping}
                      onClick={() => void trials.keep()}
                      aria-label={IMPOSSIBLE_PANEL.doItNamed(repair.text)}
                    >
                      {trial.keeping ? IMPOSSIBLE_PANEL.working : IMPOSSIBLE_PANEL.doIt}
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      ) : (
        !problem.looking && <p className="pt-2 text-[13.5px] text-quiet">{IMPOSSIBLE_PANEL.nothingSimpleThatWasTried}</p>
      )}
    </section>
  );
}
