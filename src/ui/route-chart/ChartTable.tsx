import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { CHART_TABLE } from "@/words/route-chart";
import { Spoken } from "../shell/conventions";
import { PLACE_NAMES } from "./place-names";
import { handsWords, placeWords, windowWords } from "./words";

/** The chart for whoever does not see it: every step and every wait in the order of time. */
export function ChartTable({ plan, clock }: { plan: PlanView; clock: WallClock }) {
  const component = (id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
  const rows = [
    ...plan.steps.map((s) => ({
      key: s.ref,
      from: s.start,
      to: s.end,
      what: s.name,
      component: component(s.component),
      where: placeWords(s),
      more: `${handsWords(s, plan)}${s.uncertain ? CHART_TABLE.to(spokenDuration(s.uncertain[0]), spokenDuration(s.uncertain[2])) : ""}`,
    })),
    ...plan.waits
      .filter((w) => w.to - w.from >= 20)
      .map((w) => ({
        key: `${w.fromStep} ${w.toStep} ${w.name}`,
        from: w.from,
        to: w.to,
        what: CHART_TABLE.waits(w.name),
        component: component(w.component),
        where: PLACE_NAMES[w.place],
        more: windowWords(w),
      })),
  ].sort((a, b) => a.from - b.from || a.to - b.to);
  return (
    <details className="mx-5 mt-4 border-t border-rule pt-4 sm:mx-7" data-screen>
      <summary className="cursor-pointer font-serif text-[22px] font-semibold">{CHART_TABLE.allStepsAsATable}</summary>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what is pushed sideways must be reached by keys */}
      <section className="overflow-x-auto" tabIndex={0} aria-label={CHART_TABLE.allStepsAsATable}>
        <table className="mt-3 w-full min-w-[46rem] text-[14px]">
          <thead className="caps text-left">
            <tr>
              {["from", "to", "what", "component", "where", CHART_TABLE.handsOrTheWindowOf].map((h) => (
                <th key={h} scope="col" className="pr-4 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.key} className="border-t border-rule align-top">
                <td className="clock pr-4 text-[13px] whitespace-nowrap">{clock.dayTime(row.from)}</td>
                <td className="clock pr-4 text-[13px] whitespace-nowrap">{clock.near(row.to, row.from)}</td>
                <th scope="row" className="pr-4 text-left font-medium">
                  {row.what}
                </th>
                <td className="pr-4">{row.component}</td>
                <td className="pr-4 whitespace-nowrap">
                  <Spoken>{row.where}</Spoken>
                </td>
                <td className="text-[13.5px] text-quiet">{row.more}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </details>
  );
}
