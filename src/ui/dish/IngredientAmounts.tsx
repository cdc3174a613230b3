import { COARSE_PCT, measuredIngredients } from "@/core/dish/edit/quantities";
import { methodInForce } from "@/core/dish/method-in-force";
import type { DishFile } from "@/core/dish/schema";
import { quantityText } from "@/core/dish/units";
import { INGREDIENT_AMOUNTS } from "@/words/recipe";
import { colourOf } from "../route-chart/colours";

/** What is measured, component by component: the kitchen's figure, the exact one beside it, and what rounding leaves. */
export function IngredientAmounts({ document, chosen }: { document: DishFile; chosen: Readonly<Record<string, string>> }) {
  return (
    <div data-both="">
      <p className="pb-2 text-[13.5px] text-quiet">
        {INGREDIENT_AMOUNTS.whereRoundingIsOffBy} {COARSE_PCT} {INGREDIENT_AMOUNTS.weighTheExactAmount}
      </p>
      <div className="gap-x-10 xl:columns-2">
        {document.components
          .filter((c) => !c.onHand?.length && c.methods.some((m) => m.ingredients?.length))
          .map((c) => {
            const method = methodInForce(c, chosen);
            if (!method?.ingredients?.length) return null;
            return (
              <table key={c.id} className="mb-4 w-full break-inside-avoid text-[14px]">
                <caption className="pb-0.5 text-left text-[15px] font-semibold" style={{ color: colourOf(c.kind) }}>
                  {c.name}
                </caption>
                <thead>
                  <tr className="caps text-left">
                    <th className="w-[24%] font-normal">{INGREDIENT_AMOUNTS.measure}</th>
                    <th className="w-[20%] font-normal">{INGREDIENT_AMOUNTS.exactly}</th>
                    <th className="w-[18%] font-normal">{INGREDIENT_AMOUNTS.us}</th>
                    <th className="font-normal">{INGREDIENT_AMOUNTS.ofIt}</th>
                  </tr>
                </thead>
                <tbody>
                  {measuredIngredients(document, c.id, method.id).map(({ ingredient: i, measured: m }) => (
                    <tr key={i.id} className="border-t border-rule align-baseline">
                      <td className="clock py-[2px] pr-3 text-[13px]">
                        {i.leftOut ? INGREDIENT_AMOUNTS.leftOut : i.asNeeded ? INGREDIENT_AMOUNTS.toTaste : (m?.text ?? "")}
                      </td>
                      <td className={`clock pr-3 text-[13px] ${m?.coarse ? "font-semibold text-saffron-ink" : "text-quiet"}`}>
                        {m
                          ? `${Number(m.exact.value.toPrecision(5))} ${m.exact.dimension === "mass" ? "g" : m.exact.dimension === "volume" ? "mL" : ""}`
                          : ""}
                        {m?.coarse ? ` (${m.errorPct > 0 ? "+" : ""}${m.errorPct} %)` : ""}
                      </td>
                      <td className="clock pr-3 text-[13px] text-quiet">{m?.us ?? ""}</td>
                      <td>
                        {i.name}
                        {i.standsFor && (
                          <span className="text-quiet">
                            {" "}
                            {INGREDIENT_AMOUNTS.insteadOf} {i.standsFor.name}
                          </span>
                        )}
                        {m && m.exact.dimension === "count" && m.left.value > 0.01 && (
                          <span className="text-quiet">
                            , {quantityText(m.left)} {INGREDIENT_AMOUNTS.over}
                          </span>
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            );
          })}
      </div>
    </div>
  );
}
