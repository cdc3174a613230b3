// Yields: what is left of a weight after trimming, boning, cooking, soaking, draining. Each factor has a basis: trim is edible over as
// bought, boneout boneless over as bought, cook cooked over raw of the same cut, hydrate cooked over dry.
// Sources: USDA AH-102 (Matthews & Garrison 1975); USDA Cooking Yields for Meat and Poultry (Showell 2012); Bognár 2002.
import { CalculationError, checked, row } from "./calculation-error";
import { ceilTo, rounded } from "./rounding";
import table from "./tables/yields.json";

const YIELD = Object.fromEntries(table.map((y) => [y.key, y]));
export const YIELD_KEYS: readonly string[] = Object.keys(YIELD);
/** A yield by its key, or a factor of one's own. */
export type YieldStep = string | number;

/**
 * Several losses one after another: the product of their factors.
 * @param input yields: 1–8 keys of the table or factors 0.02–15, in any order
 * @returns factor, low, high (4 decimals)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example chainYield({ yields: ["boneout_pork_butt", "cook_pork_shoulder_slow"] }).factor // 0.54
 */
export function chainYield({ yields }: { readonly yields: readonly YieldStep[] }) {
  if (!Array.isArray(yields) || yields.length < 1 || yields.length > 8)
    throw new CalculationError("yields", "E_RANGE", "yields: give a list of 1 to 8 keys or factors.");
  let [factor, low, high] = [1, 1, 1];
  (yields as readonly YieldStep[]).forEach((step, i) => {
    const y = typeof step === "number" ? own(step, i) : row(`yields.${i}`, YIELD, step);
    factor *= y.factor;
    low *= y.low;
    high *= y.high;
  });
  return { factor: rounded(factor, 4), low: rounded(low, 4), high: rounded(high, 4) };
}

function own(step: number, i: number) {
  const f = checked(`yields.${i}`, step, 0.02, 15);
  return { factor: f, low: f, high: f };
}

/**
 * What has to be bought so that so much reaches the plate.
 * @param input finalG 1–1e6; yields as for chainYield; safetyPct 0–50 (5)
 * @returns rawG (rounded up to 5 g) and the factor
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example rawNeeded({ finalG: 900, yields: ["boneout_pork_butt", "cook_pork_shoulder_slow"] }) // { rawG: 1750, factor: 0.54 }
 */
export function rawNeeded({
  finalG,
  yields,
  safetyPct = 5,
}: {
  readonly finalG: number;
  readonly yields: readonly YieldStep[];
  readonly safetyPct?: number;
}) {
  const final = checked("finalG", finalG, 1, 1e6, "g");
  const safety = checked("safetyPct", safetyPct, 0, 50, "%");
  const { factor } = chainYield({ yields });
  return { rawG: ceilTo((final / factor) * (1 + safety / 100), 5), factor };
}
