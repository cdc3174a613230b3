// Scaling: amounts, times, tins, batches. What scales with the guests, what with a surface, what not at all.
// Sources: W. Gisslen, Professional Cooking, 9th ed. 2018; J. Molt, Food for Fifty, 2017; P. Barham, The Science of Cooking, 2001.
import { CalculationError, checked, row } from "./calculation-error";
import { rounded } from "./rounding";

const RULES = { linear: 1, potent: 0.85, surface: 2 / 3, none: 0 } as const;
type ScaleRule = keyof typeof RULES;

/**
 * An amount for so many times as much: amount · factorᵉ. Strong spice (“potent”) follows 0.85 when more is made, since a big pot draws
 * longer and loses less, and more can always be added; going down it is linear. Crumbs and glazes follow the surface.
 * @param input amount ≥ 0; factor 0.05–100; rule linear (default), potent, surface, none
 * @returns the amount (3 decimals) and the exponent used
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example scaleAmount({ amount: 12, factor: 4, rule: "potent" }) // { amount: 38.988, exponent: 0.85 }
 */
export function scaleAmount({
  amount,
  factor,
  rule = "linear",
}: {
  readonly amount: number;
  readonly factor: number;
  readonly rule?: ScaleRule;
}) {
  const a = checked("amount", amount, 0, 1e7);
  const f = checked("factor", factor, 0.05, 100);
  const power = row("rule", RULES, rule);
  const exponent = rule === "potent" && f <= 1 ? 1 : power;
  return { amount: rounded(a * f ** exponent, 3), exponent: rounded(exponent, 3) };
}

const TIME_MODES = {
  none: 0,
  handwork: 1,
  reduceSamePot: 1,
  reduceSimilarPot: 1 / 3,
  heatUpSamePower: 1,
  roastByMass: 2 / 3,
  thicknessConduction: 2,
  thicknessSurface: 1,
} as const;

/**
 * A time for so many times as much: t · factorᵉ. For `roastByMass` the factor is the ratio of masses of one shape, for the two thickness
 * modes the ratio of thicknesses.
 * @param input minutes 0–1e5; factor 0.05–100; mode as listed
 * @returns whole minutes and the exponent; a warning where only a thermometer decides
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example scaleTime({ minutes: 90, factor: 2, mode: "roastByMass" }) // 143 minutes
 */
export function scaleTime({
  minutes,
  factor,
  mode,
}: {
  readonly minutes: number;
  readonly factor: number;
  readonly mode: keyof typeof TIME_MODES;
}) {
  const t = checked("minutes", minutes, 0, 1e5, "min");
  const f = checked("factor", factor, 0.05, 100);
  const exponent = row("mode", TIME_MODES, mode);
  const decides = ["roastByMass", "thicknessConduction", "thicknessSurface"].includes(mode);
  return {
    minutes: rounded(t * f ** exponent, 0),
    exponent: rounded(exponent, 3),
    ...(decides ? { warnings: ["W_THERMOMETER_DECIDES"] } : {}),
  };
}

export type Pan =
  | { readonly shape: "round"; readonly diameterMm: number }
  | { readonly shape: "rect"; readonly lengthMm: number; readonly widthMm: number };

const side = (field: string, value: number) => checked(field, value, 20, 2000, "mm");

/** Area of a tin's floor, mm². */
function areaMm2(field: string, pan: Pan): number {
  if (pan?.shape === "round") return (Math.PI / 4) * side(`${field}.diameterMm`, pan.diameterMm) ** 2;
  if (pan?.shape === "rect") return side(`${field}.lengthMm`, pan.lengthMm) * side(`${field}.widthMm`, pan.widthMm);
  throw new CalculationError(
    `${field}.shape`,
    "E_UNKNOWN",
    `${field}: say shape "round" with diameterMm, or "rect" with lengthMm and widthMm.`,
  );
}

/**
 * How many times as much fills another tin: the ratio of the areas, times that of the depths.
 * @param input sides 20–2000 mm; depthRatio 0.1–10, depth of the new over that of the old
 * @returns factor (3 decimals)
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example panScale({ from: { shape: "round", diameterMm: 200 }, to: { shape: "round", diameterMm: 260 } }) // { factor: 1.69 }
 */
export function panScale({ from, to, depthRatio = 1 }: { readonly from: Pan; readonly to: Pan; readonly depthRatio?: number }) {
  const depth = checked("depthRatio", depthRatio, 0.1, 10);
  return { factor: rounded((areaMm2("to", to) / areaMm2("from", from)) * depth, 3) };
}

/**
 * Into how many rounds a whole is divided, and how much each is. A pot is filled to two thirds, a fryer to half: give what it takes then.
 * @param input total 0–1e9 and capacity above 0, in one unit
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE
 * @example batchesNeeded({ total: 5200, capacity: 1500 }) // { batches: 4, each: 1300 }
 */
export function batchesNeeded({ total, capacity }: { readonly total: number; readonly capacity: number }) {
  const whole = checked("total", total, 0, 1e9);
  const room = checked("capacity", capacity, 1e-6, 1e9);
  const batches = Math.ceil(whole / room - 1e-9);
  return { batches, each: batches === 0 ? 0 : rounded(whole / batches, 2) };
}
