// Curing salt with 6.25 % sodium nitrite, and only that: doses by process, ingoing ppm, injection. Nitrate is not computed at all.
// Limits in ppm of ingoing NaNO₂: 9 CFR 424.21(c), 424.22(b); FSIS Processing Inspectors' Calculations Handbook, Directive 7620.3, 1995.
// Nothing here computes past a limit, and no dose is ever scaled from another: it is computed anew.
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { ceilTo, rounded } from "./rounding";

interface Process {
  readonly limitPpm: number;
  /** Lower than the limit where no home has need of it. */
  readonly homeCapPpm: number;
  readonly usualPpm: number;
  /** Meat and liquid together, where the liquid is held to equilibrium. */
  readonly withLiquid: boolean;
}
const process = (limitPpm: number, homeCapPpm: number, usualPpm: number, withLiquid = false): Process => ({
  limitPpm,
  homeCapPpm,
  usualPpm,
  withLiquid,
});
const PROCESSES: Readonly<Record<string, Process>> = {
  comminuted: process(156, 156, 150),
  immersion: process(200, 200, 150, true),
  dry: process(625, 200, 150),
  bacon_pumped: process(120, 120, 120),
  bacon_immersion: process(120, 120, 120, true),
  bacon_dry: process(200, 200, 120),
};
const NITRITE = 0.0625;
/** As curing salt is sold, % of nitrite: the strong one, which the calculations take, and the weak one, ready mixed with table salt. */
export const CURING_SALT_PCT = { strong: NITRITE * 100, weak: 0.5 } as const;
const PLAIN = 0.9375;

function onlyThisSalt(strength: unknown): void {
  if (checked("cureStrengthPct", strength, 0, 100, "%") !== NITRITE * 100)
    throw new CalculationError(
      "cureStrengthPct",
      "E_CURE_TYPE",
      "cureStrengthPct: only curing salt with 6.25 % sodium nitrite is computed. Doses for another kind differ up to tenfold: follow its own label.",
    );
}

/** The weight that the dose is calculated on. @throws {CalculationError} E_USE_INJECTION, E_RANGE */
function basisOf(product: unknown, meatG: unknown, liquidG: unknown): { readonly process: Process; readonly basis: number } {
  const p = row("product", PROCESSES, product);
  const meat = checked("meatG", meatG, 50, 1e5, "g");
  const liquid = checked("liquidG", liquidG, 0, 1e5, "g");
  if (product === "bacon_pumped")
    throw new CalculationError(
      "product",
      "E_USE_INJECTION",
      "product: what is pumped is computed by injectionCure, from the brine it takes up.",
    );
  if (p.withLiquid && liquid === 0)
    throw new CalculationError("liquidG", "E_RANGE", "liquidG: an immersion cure needs its liquid; give its weight.");
  return { process: p, basis: p.withLiquid ? meat + liquid : meat };
}

const overLimit = (field: string, ppm: number, limit: number) =>
  new CalculationError(
    field,
    "E_NITRITE_LIMIT",
    `${field}: ${rounded(ppm, 1)} ppm of nitrite is above the limit of ${limit} ppm. Nothing is computed past it; weigh less curing salt.`,
  );

interface CuringInput {
  /** comminuted, immersion, dry, bacon_immersion, bacon_dry; bacon_pumped goes by injectionCure. */
  readonly product: string;
  readonly meatG: number;
  readonly liquidG?: number;
  readonly cureStrengthPct?: number;
}

/**
 * Ingoing nitrite of a dose.
 * @param input product; cureG 0–1e4; meatG 50–1e5; liquidG 0–1e5; cureStrengthPct 6.25 only
 * @returns ppm (1 decimal), limitPpm, homeCapPpm, withinHomeCap: where false, no plan may be kept with it
 * @throws {CalculationError} E_NITRITE_LIMIT, E_CURE_TYPE (hard stops), E_USE_INJECTION, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example nitritePpm({ product: "comminuted", cureG: 2.4, meatG: 1000 }).ppm // 150
 */
export function nitritePpm(input: CuringInput & { readonly cureG: number }) {
  onlyThisSalt(input.cureStrengthPct ?? NITRITE * 100);
  const { process: p, basis } = basisOf(input.product, input.meatG, input.liquidG ?? 0);
  const ppm = (checked("cureG", input.cureG, 0, 1e4, "g") * NITRITE * 1e6) / basis;
  if (ppm > p.limitPpm + 1e-9) throw overLimit("cureG", ppm, p.limitPpm);
  const within = ppm <= p.homeCapPpm + 1e-9;
  return withWarnings(
    { ppm: rounded(ppm, 1), limitPpm: p.limitPpm, homeCapPpm: p.homeCapPpm, withinHomeCap: within },
    { W_ABOVE_HOME_CAP: !within },
  );
}

/**
 * The dose of curing salt for a process, and the plain salt that goes with it. Rounded down, never up.
 * @param input product, meatG, liquidG as for nitritePpm; targetPpm 40–1000 (150, bacon 120); totalSaltPct 0.5–10
 * @returns cureG (to 0.01), pctOfBasis (3 decimals), ppm, and plainSaltG where totalSaltPct is given
 * @throws {CalculationError} E_NITRITE_LIMIT above the home cap, E_CURE_TYPE (hard stops), E_USE_INJECTION, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example curingSaltDose({ product: "bacon_dry", meatG: 1500, totalSaltPct: 2.5 }).cureG // 2.88
 */
export function curingSaltDose(input: CuringInput & { readonly targetPpm?: number; readonly totalSaltPct?: number }) {
  onlyThisSalt(input.cureStrengthPct ?? NITRITE * 100);
  const { process: p, basis } = basisOf(input.product, input.meatG, input.liquidG ?? 0);
  const target = checked("targetPpm", input.targetPpm ?? p.usualPpm, 40, 1000, "ppm");
  if (target > p.homeCapPpm) throw overLimit("targetPpm", target, p.homeCapPpm);
  const cure = Math.floor(((target * basis) / 1e6 / NITRITE) * 100 + 1e-9) / 100;
  const dose = { cureG: cure, pctOfBasis: rounded((cure / basis) * 100, 3), ppm: rounded((cure * NITRITE * 1e6) / basis, 1) };
  if (input.totalSaltPct === undefined) return withWarnings(dose, { W_SCALE_0_01G: cure < 1 });
  const plain = (basis * checked("totalSaltPct", input.totalSaltPct, 0.5, 10, "%")) / 100 - PLAIN * cure;
  return withWarnings({ ...dose, plainSaltG: rounded(Math.max(0, plain), 1) }, { W_SCALE_0_01G: cure < 1 });
}

const PUMPED = { immersion: "immersion", bacon_pumped: "bacon_pumped" } as const;

/**
 * A brine pumped into a piece: what it takes up, what to prepare, the nitrite that goes in. One route a piece: what is pumped is not also soaked.
 * @param input greenG 50–1e5; pumpPct 3–25; brineG 10–1e5 with its salts; cureG 0–1e4; saltG 0–1e4; product immersion or bacon_pumped;
 *   sprayLossPct 0–40
 * @returns pickupG, brineToPrepareG (up to 10), ingoingPpm (1 decimal), saltPctInPumped (2)
 * @throws {CalculationError} E_NITRITE_LIMIT (hard stop), E_NOT_ENOUGH_BRINE, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example injectionCure({ greenG: 3000, pumpPct: 10, brineG: 1000, cureG: 30, saltG: 150 }).ingoingPpm // 187.5
 */
export function injectionCure(input: {
  readonly greenG: number;
  readonly pumpPct: number;
  readonly brineG: number;
  readonly cureG: number;
  readonly saltG: number;
  readonly product?: keyof typeof PUMPED;
  readonly sprayLossPct?: number;
}) {
  const green = checked("greenG", input.greenG, 50, 1e5, "g");
  const pump = checked("pumpPct", input.pumpPct, 3, 25, "%") / 100;
  const brine = checked("brineG", input.brineG, 10, 1e5, "g");
  const cure = checked("cureG", input.cureG, 0, 1e4, "g");
  const salt = checked("saltG", input.saltG, 0, 1e4, "g");
  const lost = checked("sprayLossPct", input.sprayLossPct ?? 0, 0, 40, "%") / 100;
  const limit = (PROCESSES[row("product", PUMPED, input.product ?? "immersion")] as Process).limitPpm;
  const ppm = ((cure * NITRITE * 1e6) / brine) * pump;
  if (ppm > limit + 1e-9) throw overLimit("cureG", ppm, limit);
  const taken = green * pump;
  const prepare = ceilTo(taken / (1 - lost), 10);
  if (taken / (1 - lost) > brine + 1e-9)
    throw new CalculationError(
      "brineG",
      "E_NOT_ENOUGH_BRINE",
      `brineG: this pump needs ${prepare} g of brine. Prepare more at the same strength.`,
    );
  return {
    pickupG: rounded(taken, 0),
    brineToPrepareG: prepare,
    ingoingPpm: rounded(ppm, 1),
    saltPctInPumped: rounded(((salt + PLAIN * cure) / brine) * (taken / (green + taken)) * 100, 2),
  };
}
