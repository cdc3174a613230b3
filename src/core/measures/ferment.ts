// Lactic ferments of vegetables and cultured dairy. The pH here is what to expect, never a verdict on safety: a meter or a strip gives that.
// Sources: Pederson & Albury 1969; Cheigh & Park 1994; Tamime & Robinson 2007; Walstra 2006. Meat, fish, beans and grain are out of its scope.
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

interface FermentInput {
  readonly tempC: number;
  readonly saltPct: number;
  readonly ph0?: number;
  readonly phEnd?: number;
}

const LAG_DAYS = 0.75;
const FALL_DAYS = 2.5;
const [FAST, SLOW] = [1.6, 0.6];
/** Below this no pathogen grows that a ferment has to fear; reached late, it is thrown away. */
const SAFE_PH = 4.6;

function course({ tempC, saltPct, ph0 = 6, phEnd = 3.5 }: FermentInput) {
  const t = checked("tempC", tempC, 3, 32, "°C");
  const salt = checked("saltPct", saltPct, 1.5, 8, "%");
  const start = checked("ph0", ph0, 5, 7);
  const end = checked("phEnd", phEnd, 3.1, 4.2);
  const k = Math.exp((-75_000 / 8.314) * (1 / (t + 273.15) - 1 / 293.15)) * Math.min(1.2, Math.max(0.5, 1 - 0.08 * (salt - 2.25)));
  const ph = (days: number, rate = 1) => {
    const x = days * k * rate;
    return x <= LAG_DAYS ? start : end + (start - end) * Math.exp(-(x - LAG_DAYS) / FALL_DAYS);
  };
  const days = (target: number, rate = 1) => (LAG_DAYS + FALL_DAYS * Math.log((start - end) / (target - end))) / (k * rate);
  return { ph, days, start, end, warned: { W_WARM_SOFT: t > 24, W_SLOW: t < 10 } };
}

/**
 * The pH to expect of a ferment after so many days, with its band.
 * @param input days 0–365; tempC 3–32; saltPct 1.5–8 of the whole; ph0 5–7 (6); phEnd 3.1–4.2 (3.5)
 * @returns ph, low, high (2 decimals); warned of above 24 °C and below 10 °C
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example fermentPh({ days: 3, tempC: 20, saltPct: 2.25 }) // { ph: 4.52, low: 3.99, high: 5.14 }
 */
export function fermentPh({ days, ...input }: FermentInput & { readonly days: number }) {
  const passed = checked("days", days, 0, 365, "days");
  const c = course(input);
  return withWarnings(
    { ph: rounded(c.ph(passed), 2), low: rounded(c.ph(passed, FAST), 2), high: rounded(c.ph(passed, SLOW), 2) },
    c.warned,
  );
}

/**
 * Days until a pH is to be expected.
 * @param input targetPh above phEnd and below ph0; the rest as for fermentPh
 * @returns days, low, high (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example fermentDaysToPh({ tempC: 20, saltPct: 2.25, targetPh: 4.6 }) // { days: 2.8, low: 1.8, high: 4.7 }
 */
export function fermentDaysToPh({ targetPh, ...input }: FermentInput & { readonly targetPh: number }) {
  const c = course(input);
  const target = checked("targetPh", targetPh, 3.1, 7);
  if (target <= c.end || target >= c.start)
    throw new CalculationError("targetPh", "E_RANGE", `targetPh: give a pH between ${c.end} and ${c.start}.`);
  return { days: rounded(c.days(target), 1), low: rounded(c.days(target, FAST), 1), high: rounded(c.days(target, SLOW), 1) };
}

interface FermentLook {
  readonly days: number;
  readonly tempC: number;
  readonly saltPct: number;
  readonly measuredPh?: number;
  readonly mould?: boolean;
  readonly putrid?: boolean;
  readonly slime?: boolean;
  readonly kahm?: boolean;
  readonly submerged?: boolean;
}
const READY_PH = 4.1;

/**
 * What to do with a ferment by what is seen, smelled and measured. Mould is thrown away: at home its kinds cannot be told apart.
 * @param input days 0–365; tempC 3–32; saltPct 1.5–8; measuredPh 2–8; mould, putrid, slime, kahm (a film of yeast), submerged
 * @returns verdict discard, act, unknown, continue, edible_keep_cold_or_continue or ready, with reasons
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function fermentCheck(input: FermentLook): { readonly verdict: string; readonly reasons: readonly string[] } {
  const days = checked("days", input.days, 0, 365, "days");
  const c = course({ tempC: input.tempC, saltPct: input.saltPct });
  const ph = input.measuredPh === undefined ? undefined : checked("measuredPh", input.measuredPh, 2, 8);
  const spoiled = [
    ...(input.mould === true ? ["MOULD"] : []),
    ...(input.putrid === true ? ["PUTRID"] : []),
    ...(input.slime === true ? ["SLIME"] : []),
  ];
  if (spoiled.length) return { verdict: "discard", reasons: spoiled };
  if (ph !== undefined && ph > SAFE_PH && days > c.days(SAFE_PH, SLOW)) return { verdict: "discard", reasons: ["PH_LATE"] };
  if (input.submerged === false) return { verdict: "act", reasons: ["SUBMERGE"] };
  if (input.kahm === true) return { verdict: "act", reasons: ["SKIM_KAHM"] };
  if (ph === undefined) return { verdict: "unknown", reasons: ["MEASURE_PH"] };
  if (ph > SAFE_PH) return { verdict: "continue", reasons: [] };
  return { verdict: ph <= READY_PH ? "ready" : "edible_keep_cold_or_continue", reasons: [] };
}

interface Culture {
  readonly best: number;
  readonly from: number;
  readonly to: number;
  readonly hours: number;
  readonly pct: number;
  readonly ph: number;
}
const culture = (best: number, from: number, to: number, hours: number, pct: number, ph: number): Culture => ({
  best,
  from,
  to,
  hours,
  pct,
  ph,
});
const CULTURES: Readonly<Record<string, Culture>> = {
  yogurt: culture(43, 38, 46, 6, 2.5, 4.5),
  creme_fraiche: culture(22, 19, 27, 18, 5, 4.6),
  buttermilk: culture(22, 19, 27, 16, 5, 4.5),
  kefir: culture(21, 17, 26, 24, 4, 4.4),
  quark: culture(24, 20, 28, 18, 2, 4.6),
  villi_type_mesophilic: culture(21, 18, 25, 20, 5, 4.4),
};

/**
 * Culture and hours for cultured dairy from pasteurised milk. What has not set by `high` is thrown away.
 * @param input type yogurt, creme_fraiche, buttermilk, kefir, quark, villi_type_mesophilic; milkG 50–50000; tempC in the culture's own range
 * @returns cultureG, hours, low, high (1 decimal), targetPh
 * @throws {CalculationError} E_UNKNOWN, E_RANGE (too warm kills it), E_NOT_FINITE
 * @example culturedDairy({ type: "yogurt", milkG: 1000, tempC: 43 }).hours // 6
 */
export function culturedDairy(input: { readonly type: string; readonly milkG: number; readonly tempC: number }) {
  const c = row("type", CULTURES, input.type);
  const milk = checked("milkG", input.milkG, 50, 50_000, "g");
  const t = checked("tempC", input.tempC, c.from, c.to, "°C");
  const hours = c.hours * 2 ** ((c.best - t) / 8);
  return {
    cultureG: rounded((milk * c.pct) / 100, 1),
    hours: rounded(hours, 1),
    low: rounded(hours * 0.67, 1),
    high: rounded(hours * 1.4, 1),
    targetPh: c.ph,
  };
}
