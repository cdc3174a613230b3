import { handsOf, leadOf } from "@/core/dish/edit/library";
import { dishModel } from "@/core/dish/read-model";
import type { DishFile } from "@/core/dish/schema";
import { ingredientRows } from "@/core/sheets/breakdown";
import { spokenDuration } from "@/core/time/duration";
import { WAYS_SIDE_BY_SIDE } from "@/words/recipe";

/** The ways of one component beside one another: what each asks for, and how good it is. */
export function WaysSideBySide({ document, component: id }: { document: DishFile; component: string }) {
  const component = dishModel(document).components.find((c) => c.id === id);
  if (!component || component.methods.length < 2) return null;
  const { methods } = component;
  const rows: readonly (readonly [string, (m: (typeof methods)[number]) => React.ReactNode])[] = [
    [WAYS_SIDE_BY_SIDE.quality, (m) => (m.quality < 1 ? `${Math.round(m.quality * 100)} %` : "best")],
    [WAYS_SIDE_BY_SIDE.shortestTime, (m) => spokenDuration(leadOf(m))],
    [WAYS_SIDE_BY_SIDE.handsOn, (m) => spokenDuration(handsOf(m))],
    ["needs", (m) => [...new Set(m.steps.flatMap((s) => s.uses.map((u) => u.what.replaceAll("-", " "))))].join(", ")],
    [
      WAYS_SIDE_BY_SIDE.ingredients,
      (m) =>
        ingredientRows(document, id, m.id)
          .map((i) => `${i.amount} ${i.name}`.trim())
          .join("; "),
    ],
    [WAYS_SIDE_BY_SIDE.steps, (m) => m.steps.map((s) => s.name).join("; ")],
  ];
  return (
    <details className="text-[13.5px]">
      <summary className="cursor-pointer text-rim">{WAYS_SIDE_BY_SIDE.compareMethods}</summary>
      <div className="overflow-x-auto">
        <table className="mt-1 w-full min-w-[26rem]">
          <thead>
            <tr className="text-left align-baseline">
              <td />
              {methods.map((m) => (
                <th key={m.id} scope="col" className="py-1 pr-4 font-semibold">
                  {m.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([label, cell]) => (
              <tr key={label} className="border-t border-rule align-baseline">
                <th scope="row" className="w-28 py-1 pr-3 text-left font-normal text-quiet">
                  {label}
                </th>
                {methods.map((m) => (
                  <td key={m.id} className="py-1 pr-4">
                    {cell(m)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
