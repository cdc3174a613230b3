// This run beside others that made the same components: the minutes of each step, and what was said of each component.
import Link from "next/link";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { VERDICT } from "@/words/record";

export function BesidePart({ page, clock }: { readonly page: RunPage; readonly clock: WallClock }) {
  const { others, rows } = page.beside;
  if (rows.length === 0) return null;
  const said = others.flatMap((o) => Object.entries(o.verdicts).map(([component, verdict]) => ({ run: o, component, verdict })));
  return (
    <section aria-label={NOTEBOOK.beside} className="pt-6">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{NOTEBOOK.beside}</h2>
      <p className="pb-2 text-[14px] text-quiet">{NOTEBOOK.besideLead}</p>
      <div className="overflow-x-auto">
        <table className="w-full text-[14.5px]">
          <thead>
            <tr className="text-left text-quiet">
              <th scope="col" className="py-1 pr-4 font-normal">
                {NOTEBOOK.step}
              </th>
              <th scope="col" className="py-1 pr-4 font-semibold text-ink">
                {NOTEBOOK.thisRun}
              </th>
              {others.map((o) => (
                <th key={o.id} scope="col" className="py-1 pr-4 font-normal">
                  <Link className="link" href={`/notebook/${o.id}`}>
                    {clock.date(o.startedAt)}
                  </Link>
                  {o.name !== page.run.name && <span className="block text-[13px]">{o.name}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={`${r.component} ${r.name}`} className="border-t border-rule align-baseline">
                <td className="py-1.5 pr-4">
                  {r.name} <span className="text-[13px] text-quiet">{r.component}</span>
                </td>
                {r.minutes.map((m, i) => (
                  <td key={i === 0 ? "this" : others[i - 1]?.id} className={`clock py-1.5 pr-4 ${i === 0 ? "font-semibold" : ""}`}>
                    {m === undefined ? "" : spokenDuration(m)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {said.length > 0 && (
        <ul className="pt-2 text-[14.5px]">
          {said.map((s) => (
            <li key={`${s.run.id} ${s.component}`}>
              {clock.date(s.run.startedAt)}, {s.component}: <b className="font-semibold">{VERDICT[s.verdict]}</b>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
