import { saltOfDish } from "@/core/dish/salt";
import type { DishFile } from "@/core/dish/schema";
import { SALT_PART } from "@/words/recipe";

/** The salt of the whole dish for one guest, and where it comes from. */
export function SaltPart({ document, chosen }: { readonly document: DishFile; readonly chosen: Readonly<Record<string, string>> }) {
  const salt = saltOfDish(document, chosen);
  if (!salt) return <p className="text-[14px] text-quiet">{SALT_PART.noIngredientIsKnownTo}</p>;
  const each = (g: number) => `${(g / document.dish.serves).toFixed(2)} g`;
  return (
    <div className="text-[14px]">
      <p className="font-serif text-[19px]">
        {salt.perGuestG.toFixed(1)} {SALT_PART.gOfSaltPerGuest} {salt.pctOf5g} {SALT_PART.ofThe5GAdvised}
      </p>
      <p className="text-quiet">
        {SALT_PART.countsWhatIsServedNot} {salt.sodiumMg} {SALT_PART.mgOfSodiumAdviceOf}
      </p>
      <table className="mt-2 w-full max-w-[46rem]">
        <caption className="sr-only">{SALT_PART.whereTheSaltComesFrom}</caption>
        <thead>
          <tr className="caps text-left">
            <th className="font-normal">{SALT_PART.from}</th>
            <th className="font-normal">{SALT_PART.inIt}</th>
            <th className="text-right font-normal">{SALT_PART.total}</th>
            <th className="pl-4 text-right font-normal">{SALT_PART.perGuest}</th>
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
                      {Math.round(r.eaten * 100)} {SALT_PART.ofItIsEaten} {r.because}
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
