import { saltOfDish } from "@/core/dish/salt";
import type { DishFile } from "@/core/dish/schema";

/** The salt of the whole dish for one guest, and where it comes from. */
export function SaltPart({ document, chosen }: { readonly document: DishFile; readonly chosen: Readonly<Record<string, string>> }) {
  const salt = saltOfDish(document, chosen);
  if (!salt) return <p className="text-[14px] text-quiet">No ingredient is known to contain salt.</p>;
  const each = (g: number) => `${(g / document.dish.serves).toFixed(2)} g`;
  return (
    <div className="text-[14px]">
      <p className="font-serif text-[19px]">
        {salt.perGuestG.toFixed(1)} g of salt per guest, {salt.pctOf5g} % of the 5 g advised for a day.
      </p>
      <p className="text-quiet">
        Counts what is served, not what is left over. {salt.sodiumMg} mg of sodium. Advice of the WHO, 2012; the salt in a food is typical
        of what is sold.
      </p>
      <table className="mt-2 w-full max-w-[46rem]">
        <caption className="sr-only">Where the salt comes from</caption>
        <thead>
          <tr className="caps text-left">
            <th className="font-normal">From</th>
            <th className="font-normal">In</th>
            <th className="text-right font-normal">Total</th>
            <th className="pl-4 text-right font-normal">Per guest</th>
          </tr>
        </thead>
        <tbody>
          {[...salt.rows]
            .sort((a, b) => b.saltG * b.eaten - a.saltG * a.eaten)
            .map((r) => (
              <tr key={`${r.component} ${r.ingredient}`} className="border-t border-rule align-baseline">
                <td className="py-1 pr-3">
                  {r.ingredient}
                  {r.because && (
                    <span className="block text-[12.5px] text-quiet">
                      {Math.round(r.eaten * 100)} % of it is eaten: {r.because}
                    </span>
                  )}
                </td>
                <td className="py-1 pr-3 text-quiet">{r.name}</td>
                <td className="clock py-1 text-right">{r.saltG.toFixed(1)} g</td>
                <td className="clock py-1 pl-4 text-right">{each(r.saltG * r.eaten)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
