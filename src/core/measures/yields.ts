// Yields: what is left of a weight after trimming, boning, cooking, soaking, draining. Each factor has a basis: trim is edible over as
// bought, boneout boneless over as bought, cook cooked over raw of the same cut, hydrate cooked over dry.
// Sources: USDA AH-102 (Matthews & Garrison 1975); USDA Cooking Yields for Meat and Poultry (Showell 2012); Bognár 2002.
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { ceilTo, rounded } from "./rounding";
import table from "./tables/yields.json";

const YIELD = Object.fromEntries(table.map((y) => [y.key, y]));
export const YIELD_KEYS: readonly string[] = Object.keys(YIELD);
/** A yield by its key, or a factor of one's own. */
type YieldStep = string | number;

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

/**
 * What is left after drying, by the balance of dry matter. A target for the scale, not a proof that it keeps: water activity is not computed.
 * @param input startG 1–1e6; moistureStartPct 1–99; moistureEndPct 0–98, below the start
 * @returns endG, waterLostG (1 decimal), factor (4)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example dryingYield({ startG: 2000, moistureStartPct: 94, moistureEndPct: 20 }) // { endG: 150, factor: 0.075, waterLostG: 1850 }
 */
export function dryingYield(input: { readonly startG: number; readonly moistureStartPct: number; readonly moistureEndPct: number }) {
  const start = checked("startG", input.startG, 1, 1e6, "g");
  const before = checked("moistureStartPct", input.moistureStartPct, 1, 99, "%");
  const after = checked("moistureEndPct", input.moistureEndPct, 0, 98, "%");
  if (after >= before)
    throw new CalculationError("moistureEndPct", "E_RANGE", `moistureEndPct: give less than the ${before} % it starts with.`);
  const factor = (100 - before) / (100 - after);
  return { endG: rounded(start * factor, 1), factor: rounded(factor, 4), waterLostG: rounded(start * (1 - factor), 1) };
}

interface StockInput {
  readonly water_mL: number;
  readonly solidsG: number;
  readonly retentionPct?: number;
  readonly evaporation_mLph: number;
  readonly hours: number;
  readonly topUp_mL?: number;
}

/**
 * Stock that a pot gives: water and top-ups less what boils off and what the solids keep.
 * @param input water_mL 50–1e5; solidsG 0–1e5; retentionPct 0–60 (12); evaporation_mLph 0–20000; hours 0–48; topUp_mL 0–1e5
 * @returns stock_mL and its ratio to the water (3 decimals); warned of below 0.3
 * @throws {CalculationError} E_BOILS_DRY where nothing would be left: a fire, not a stock. E_RANGE, E_NOT_FINITE
 * @example stockYield({ water_mL: 4000, solidsG: 2500, evaporation_mLph: 220, hours: 4 }) // { stock_mL: 2820, ratio: 0.705 }
 */
export function stockYield(input: StockInput) {
  const water = checked("water_mL", input.water_mL, 50, 1e5, "mL");
  const topUp = checked("topUp_mL", input.topUp_mL ?? 0, 0, 1e5, "mL");
  const boiledOff = checked("evaporation_mLph", input.evaporation_mLph, 0, 20_000, "mL/h") * checked("hours", input.hours, 0, 48, "h");
  const kept = (checked("solidsG", input.solidsG, 0, 1e5, "g") * checked("retentionPct", input.retentionPct ?? 12, 0, 60, "%")) / 100;
  const left = water + topUp - boiledOff - kept;
  if (left <= 0)
    throw new CalculationError("water_mL", "E_BOILS_DRY", "water_mL: the pot boils dry. Give more water, top-ups, a lid or fewer hours.");
  return withWarnings({ stock_mL: rounded(left, 0), ratio: rounded(left / water, 3) }, { W_LOW_LIQUID: left / water < 0.3 });
}
