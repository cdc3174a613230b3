// Evaporation, reduction and topping up, and the salt that reduction gathers. Weigh the pot before and after half an hour to make it one's own.
// Sources: latent heat 2257 kJ/kg; open-tank losses of ASHRAE's kind below 98 °C. The flux of a boil is an estimate: see the bands.
import { checked, row, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

/** L/m²h from an open surface. */
const FLUX: Readonly<Record<string, number>> = { hot80: 2.5, bareSimmer: 5, simmer: 9, gentleBoil: 20, rollingBoil: 40 };
const LID: Readonly<Record<string, number>> = { off: 1, ajar: 0.35, on: 0.08 };
const LATENT = 2257;

export interface Pot {
  /** Inside. */
  readonly diameterMm: number;
  readonly vigour: string;
  readonly lid?: string;
  /** What reaches the water: it bounds what can boil off. */
  readonly netPowerW?: number;
}

function millilitresPerHour(pot: Pot): number {
  const d = checked("diameterMm", pot.diameterMm, 80, 600, "mm") / 1000;
  const open = (Math.PI / 4) * d ** 2 * row("vigour", FLUX, pot.vigour) * row("lid", LID, pot.lid ?? "off") * 1000;
  if (pot.netPowerW === undefined) return open;
  return Math.min(open, ((checked("netPowerW", pot.netPowerW, 50, 10_000, "W") * 3600) / LATENT / 1000) * 1000);
}

/**
 * What boils off a pot in an hour.
 * @param input diameterMm 80–600 inside; vigour hot80, bareSimmer, simmer, gentleBoil, rollingBoil; lid off (default), ajar, on; netPowerW 50–10000
 * @returns mLph, low, high (whole mL)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example evaporationRate({ diameterMm: 240, vigour: "simmer" }) // { mLph: 407, low: 244, high: 611 }
 */
export function evaporationRate(pot: Pot) {
  const rate = millilitresPerHour(pot);
  return { mLph: rounded(rate, 0), low: rounded(rate * 0.6, 0), high: rounded(rate * 1.5, 0) };
}

/**
 * Minutes until so much is left. The mark in the pot or the weight decides; this is the planner's estimate.
 * @param input start_mL 10–1e5; fraction 0.05–0.99 that is left; the pot
 * @returns minutes, low, high, end_mL; warned of below a fifth
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example reductionTime({ start_mL: 2000, fraction: 0.5, diameterMm: 240, vigour: "gentleBoil" }).minutes // 66
 */
export function reductionTime({ start_mL, fraction, ...pot }: Pot & { readonly start_mL: number; readonly fraction: number }) {
  const start = checked("start_mL", start_mL, 10, 1e5, "mL");
  const left = checked("fraction", fraction, 0.05, 0.99);
  const minutes = ((start * (1 - left)) / millilitresPerHour(pot)) * 60;
  return withWarnings(
    { minutes: rounded(minutes, 0), low: rounded(minutes / 1.5, 0), high: rounded(minutes / 0.6, 0), end_mL: rounded(start * left, 0) },
    { W_SCORCH_WATCH: left < 0.2 },
  );
}

/**
 * Boiling water to add over a long boil, so that the level never falls below a mark. An alarm for each; never overnight on gas.
 * @param input start_mL 50–1e5; minFraction 0.3–0.98 (0.8); hours 0–48; mLph 0–20000
 * @returns totalLoss_mL, topUps, each_mL, everyMin (null where none), end_mL; warned of oftener than each half hour
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example topUpPlan({ start_mL: 6000, hours: 12, mLph: 900 }).topUps // 8
 */
export function topUpPlan(input: {
  readonly start_mL: number;
  readonly minFraction?: number;
  readonly hours: number;
  readonly mLph: number;
}) {
  const start = checked("start_mL", input.start_mL, 50, 1e5, "mL");
  const allowance = start * (1 - checked("minFraction", input.minFraction ?? 0.8, 0.3, 0.98));
  const rate = checked("mLph", input.mLph, 0, 20_000, "mL/h");
  const loss = rate * checked("hours", input.hours, 0, 48, "h");
  if (loss <= allowance + 1e-9)
    return { totalLoss_mL: rounded(loss, 0), topUps: 0, each_mL: 0, everyMin: null, end_mL: rounded(start - loss, 0) };
  const topUps = Math.ceil((loss - allowance) / allowance - 1e-9);
  const everyMin = rounded((allowance / rate) * 60, 0);
  return withWarnings(
    {
      totalLoss_mL: rounded(loss, 0),
      topUps,
      each_mL: rounded(allowance, 0),
      everyMin,
      end_mL: rounded(start - loss + topUps * allowance, 0),
    },
    { W_OFTEN: everyMin < 30 },
  );
}

/**
 * How salty a liquid is once reduced: all its salt stays.
 * @param input saltPct 0–30; fraction 0.03–1 that is left
 * @returns saltPct (2 decimals); warned of above 1.5 %
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example saltAfterReduction({ saltPct: 0.2, fraction: 0.25 }) // { saltPct: 0.8 }
 */
export function saltAfterReduction({ saltPct, fraction }: { readonly saltPct: number; readonly fraction: number }) {
  const salt = checked("saltPct", saltPct, 0, 30, "%") / checked("fraction", fraction, 0.03, 1);
  return withWarnings({ saltPct: rounded(salt, 2) }, { W_TOO_SALTY: salt > 1.5 });
}

/**
 * Salt to add at the end, or liquid where it is too salty already.
 * @param input finalG 1–1e6; currentSaltPct 0–30; targetSaltPct 0.1–5
 * @returns saltG (1 decimal), diluteG (whole)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example saltToFinish({ finalG: 2000, currentSaltPct: 0.3, targetSaltPct: 1 }) // { saltG: 14.1, diluteG: 0 }
 */
export function saltToFinish(input: { readonly finalG: number; readonly currentSaltPct: number; readonly targetSaltPct: number }) {
  const mass = checked("finalG", input.finalG, 1, 1e6, "g");
  const now = checked("currentSaltPct", input.currentSaltPct, 0, 30, "%");
  const target = checked("targetSaltPct", input.targetSaltPct, 0.1, 5, "%");
  if (now > target) return { saltG: 0, diluteG: rounded(mass * (now / target - 1), 0), warnings: ["W_ALREADY_OVER"] };
  return { saltG: rounded((mass * (target - now)) / (100 - target), 1), diluteG: 0 };
}
