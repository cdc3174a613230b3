// Brines and dry salting: both schools of brining, salt on vegetables, days in the cure, and getting salt out again.
// Sources: balances of mass; Graiver 2006 (salt in the water of meat); Nummer & Andress 2002 (days); Pederson & Albury 1969 (cabbage).
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { diffusivityAt, type Geometry, halfOf, saturation } from "./diffusion";
import { rounded } from "./rounding";

const MEAT_WATER = 0.75;

/**
 * A brine that cannot over-salt: meat and water come to one strength.
 * @param input meatG 1–1e5; waterG 0–1e5; targetPct 0.3–6 of meat and water; boneFraction 0–0.6; sugarPct 0–20; meatWaterFraction 0.4–0.9 (0.75)
 * @returns saltG, sugarG (1 decimal), brineStrengthPctOfWater, predictedMeatSaltPct (2): what the water phases settle at, a little below the target
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example equilibriumBrine({ meatG: 1000, waterG: 1000, targetPct: 1.5 }).saltG // 30
 */
export function equilibriumBrine(input: {
  readonly meatG: number;
  readonly waterG: number;
  readonly targetPct: number;
  readonly boneFraction?: number;
  readonly sugarPct?: number;
  readonly meatWaterFraction?: number;
}) {
  const meat = checked("meatG", input.meatG, 1, 1e5, "g") * (1 - checked("boneFraction", input.boneFraction ?? 0, 0, 0.6));
  const water = checked("waterG", input.waterG, 0, 1e5, "g");
  const target = checked("targetPct", input.targetPct, 0.3, 6, "%");
  const sugar = checked("sugarPct", input.sugarPct ?? 0, 0, 20, "%");
  const wet = checked("meatWaterFraction", input.meatWaterFraction ?? MEAT_WATER, 0.4, 0.9);
  const salt = ((meat + water) * target) / 100;
  return withWarnings(
    {
      saltG: rounded(salt, 1),
      sugarG: rounded(((meat + water) * sugar) / 100, 1),
      brineStrengthPctOfWater: water > 0 ? rounded((salt / water) * 100, 2) : null,
      predictedMeatSaltPct: rounded(((wet * salt) / (wet * meat + water)) * 100, 2),
    },
    { W_VERY_SALTY: target > 3.5 },
  );
}

/**
 * A strong brine for a short time, infinite beside the meat; it goes on salting as long as the meat is in it.
 * @param input waterG 1–1e5; pctOfWater 0.5–26.4; thicknessMm 1–300; hours 0–240; geometry (slab); tempC 0–5 (4); meatWaterFraction
 * @returns saltG, predictedMeatSaltPct (2 decimals); warned of above 48 h
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example gradientBrine({ waterG: 2000, pctOfWater: 6, thicknessMm: 35, hours: 4 }) // { saltG: 120, predictedMeatSaltPct: 0.49 }
 */
export function gradientBrine(input: {
  readonly waterG: number;
  readonly pctOfWater: number;
  readonly thicknessMm: number;
  readonly hours: number;
  readonly geometry?: Geometry;
  readonly tempC?: number;
  readonly meatWaterFraction?: number;
}) {
  const water = checked("waterG", input.waterG, 1, 1e5, "g");
  const strength = checked("pctOfWater", input.pctOfWater, 0.5, 26.4, "%");
  const hours = checked("hours", input.hours, 0, 240, "h");
  const half = halfOf(input.thicknessMm);
  const d = diffusivityAt(checked("tempC", input.tempC ?? 4, 0, 5, "°C"));
  const wet = checked("meatWaterFraction", input.meatWaterFraction ?? MEAT_WATER, 0.4, 0.9);
  const share = saturation(input.geometry ?? "slab", half, d, hours * 3600).average;
  return withWarnings(
    {
      saltG: rounded((water * strength) / 100, 2),
      predictedMeatSaltPct: rounded(((share * strength) / (100 + strength)) * 100 * wet, 2),
    },
    { W_USE_EQUILIBRIUM: hours > 48 },
  );
}

/** Grams of salt that 100 g of water take up at 20 °C. */
const SATURATED = 35.9;

/**
 * One brine in the three ways that books give it.
 * @param input saltG 0–1e5; waterG 1–1e6
 * @returns pctOfWater, pctByWeight (2 decimals), salometer degrees (1)
 * @throws {CalculationError} E_SATURATED above 35.9 g in 100 g of water; E_RANGE, E_NOT_FINITE
 * @example brineStrength({ saltG: 60, waterG: 1000 }) // { pctOfWater: 6, pctByWeight: 5.66, salometer: 21.4 }
 */
export function brineStrength({ saltG, waterG }: { readonly saltG: number; readonly waterG: number }) {
  const salt = checked("saltG", saltG, 0, 1e5, "g");
  const water = checked("waterG", waterG, 1, 1e6, "g");
  if ((salt / water) * 100 > SATURATED)
    throw new CalculationError("saltG", "E_SATURATED", `saltG: no more than ${SATURATED} g dissolve in 100 g of water.`);
  const byWeight = (salt / (salt + water)) * 100;
  return {
    pctOfWater: rounded((salt / water) * 100, 2),
    pctByWeight: rounded(byWeight, 2),
    salometer: rounded((byWeight / 26.395) * 100, 1),
  };
}

/**
 * Salt rubbed on, as % of what can take it up. A box of salt by the hour has no end that can be predicted, so it is not offered.
 * @param input meatG 1–1e5; saltPct 0.5–10; sugarPct 0–20; boneFraction 0–0.6
 * @returns saltG, sugarG (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example drySalt({ meatG: 1800, saltPct: 2.5, sugarPct: 1 }) // { saltG: 45, sugarG: 18 }
 */
export function drySalt(input: {
  readonly meatG: number;
  readonly saltPct: number;
  readonly sugarPct?: number;
  readonly boneFraction?: number;
}) {
  const meat = checked("meatG", input.meatG, 1, 1e5, "g") * (1 - checked("boneFraction", input.boneFraction ?? 0, 0, 0.6));
  const salt = checked("saltPct", input.saltPct, 0.5, 10, "%");
  const sugar = checked("sugarPct", input.sugarPct ?? 0, 0, 20, "%");
  return { saltG: rounded((meat * salt) / 100, 1), sugarG: rounded((meat * sugar) / 100, 1) };
}

/** What the percentage is of: the vegetables, vegetables and water, the water alone. */
const VEGETABLE_METHODS = {
  dry: (veg: number, _water: number) => veg,
  brineEquilibrium: (veg: number, water: number) => veg + water,
  brineOfWater: (_veg: number, water: number) => water,
};
/** Below this share of the whole a ferment is not kept from what spoils it: a hard stop. */
export const SAFE_SALT_PCT = 1.5;

/**
 * Salt for a ferment of vegetables. Stops where too little would be left to keep out what spoils it.
 * @param input vegG 1–1e5; waterG 0–1e5 (0); targetPct 1–12; method dry (default), brineEquilibrium, brineOfWater
 * @returns saltG (1 decimal), equilibriumPct (2), brinePctOfWater (2, null where there is no water)
 * @throws {CalculationError} E_SALT_TOO_LOW (hard stop) below 1.5 % of the whole; E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example vegetableSalt({ vegG: 1000, targetPct: 2.25 }) // { saltG: 22.5, equilibriumPct: 2.25, brinePctOfWater: null }
 */
export function vegetableSalt(input: {
  readonly vegG: number;
  readonly waterG?: number;
  readonly targetPct: number;
  readonly method?: keyof typeof VEGETABLE_METHODS;
}) {
  const veg = checked("vegG", input.vegG, 1, 1e5, "g");
  const water = checked("waterG", input.waterG ?? 0, 0, 1e5, "g");
  const target = checked("targetPct", input.targetPct, 1, 12, "%");
  const method = row("method", VEGETABLE_METHODS, input.method ?? "dry");
  if (input.method === "brineOfWater" && water === 0)
    throw new CalculationError("waterG", "E_RANGE", "waterG: a brine by its water needs water.");
  const salt = (method(veg, water) * target) / 100;
  const whole = (salt / (veg + water)) * 100;
  if (whole < SAFE_SALT_PCT)
    throw new CalculationError(
      "targetPct",
      "E_SALT_TOO_LOW",
      `targetPct: the whole would hold ${rounded(whole, 2)} % salt. Below ${SAFE_SALT_PCT} % a ferment is not safe; give more.`,
    );
  return withWarnings(
    { saltG: rounded(salt, 1), equilibriumPct: rounded(whole, 2), brinePctOfWater: water > 0 ? rounded((salt / water) * 100, 2) : null },
    { W_LOW_SALT: whole < 2, W_SLOW_SALTY: whole > 5 },
  );
}

const CURE_DAYS: Readonly<Record<string, (mm: number) => number>> = {
  extension: (mm) => (7 * mm) / 25.4,
  perQuarterInch: (mm) => mm / 6.35 + 2,
  injected: (mm) => Math.max(3, (3.5 * mm) / 25.4),
};

/**
 * Days in the cure by thickness, and days to even out after it.
 * @param input thicknessMm 5–150; method extension (7 days an inch, the default), perQuarterInch, injected; tempC 0.5–5 (4)
 * @returns days (whole, at least 2), equaliseDays
 * @throws {CalculationError} E_TOO_WARM (hard stop) above 5 °C; E_TOO_COLD below 0.5 °C, where curing stops; E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example cureTimeRule({ thicknessMm: 40 }) // { days: 12, equaliseDays: 2 }
 */
export function cureTimeRule(input: { readonly thicknessMm: number; readonly method?: string; readonly tempC?: number }) {
  const mm = checked("thicknessMm", input.thicknessMm, 5, 150, "mm");
  const rule = row("method", CURE_DAYS, input.method ?? "extension");
  const t = checked("tempC", input.tempC ?? 4, -40, 60, "°C");
  if (t > 5) throw new CalculationError("tempC", "E_TOO_WARM", `tempC: at ${t} °C meat spoils before it is cured. Cure at 5 °C or below.`);
  if (t < 0.5) throw new CalculationError("tempC", "E_TOO_COLD", `tempC: at ${t} °C curing stops. Cure at 0.5 °C or above.`);
  return { days: Math.max(2, Math.ceil(rule(mm) - 1e-9)), equaliseDays: Math.ceil(mm / 25 - 1e-9) };
}

/**
 * Days on which a piece is turned; not on the last.
 * @param input days 0–365; everyDays 1–7 (2)
 * @returns turnDays, counted from the start
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example turnSchedule({ days: 11 }) // { turnDays: [2, 4, 6, 8, 10] }
 */
export function turnSchedule({ days, everyDays = 2 }: { readonly days: number; readonly everyDays?: number }) {
  const last = checked("days", days, 0, 365, "days");
  const every = checked("everyDays", everyDays, 1, 7, "days");
  const turnDays: number[] = [];
  for (let n = 1; n * every < last; n++) turnDays.push(rounded(n * every, 2));
  return { turnDays };
}

/**
 * What salt is left in a food after changes of fresh water; a little hopeful, since each change is counted from an even piece.
 * @param input saltPct 0.5–25; foodG, waterG 1–1e5; changes 1–12; hoursEach 0.25–24; thicknessMm 1–300; geometry (slab); tempC 0–7 (4);
 *   foodWaterFraction 0.2–0.95 (0.6)
 * @returns saltPct after all, steps after each (2 decimals)
 * @throws {CalculationError} E_TOO_WARM (hard stop) above 7 °C; E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example desalt({ saltPct: 8, foodG: 500, waterG: 3000, changes: 3, hoursEach: 8, thicknessMm: 25 }).saltPct // 4
 */
export function desalt(input: {
  readonly saltPct: number;
  readonly foodG: number;
  readonly waterG: number;
  readonly changes: number;
  readonly hoursEach: number;
  readonly thicknessMm: number;
  readonly geometry?: Geometry;
  readonly tempC?: number;
  readonly foodWaterFraction?: number;
}) {
  let salt = checked("saltPct", input.saltPct, 0.5, 25, "%");
  const food = checked("foodG", input.foodG, 1, 1e5, "g") * checked("foodWaterFraction", input.foodWaterFraction ?? 0.6, 0.2, 0.95);
  const water = checked("waterG", input.waterG, 1, 1e5, "g");
  const changes = checked("changes", input.changes, 1, 12);
  if (!Number.isInteger(changes)) throw new CalculationError("changes", "E_RANGE", "changes: give a whole number from 1 to 12.");
  const seconds = checked("hoursEach", input.hoursEach, 0.25, 24, "h") * 3600;
  const half = halfOf(input.thicknessMm);
  const t = checked("tempC", input.tempC ?? 4, -40, 60, "°C");
  if (t > 7) throw new CalculationError("tempC", "E_TOO_WARM", `tempC: at ${t} °C food spoils in the water. Soak it at 7 °C or below.`);
  checked("tempC", t, 0, 7, "°C");
  const out = saturation(input.geometry ?? "slab", half, diffusivityAt(t), seconds).average * (1 - food / (food + water));
  const steps = Array.from({ length: changes }, () => {
    salt -= out * salt;
    return rounded(salt, 2);
  });
  return { saltPct: steps[steps.length - 1] as number, steps };
}
