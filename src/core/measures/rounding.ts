// Rounding: of results, and to what a kitchen can measure.
import { CalculationError, checked, row } from "./calculation-error";

/** Half away from zero, to so many decimals; a whisker is added so that 2.675 rounds as it is read. */
export function rounded(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  const result = (Math.sign(value) * Math.floor(Math.abs(value) * scale + 0.5 + 1e-9)) / scale;
  return result === 0 ? 0 : result;
}

/** Up to the next whole multiple of a step; what is a multiple but for noise stays. */
export const ceilTo = (value: number, step: number): number => Math.ceil(value / step - 1e-9) * step;

type Steps = readonly (readonly [below: number, step: number])[];
/** Steps that scales, spoons, clocks and dials of a home kitchen have. */
const STEPS: Readonly<Record<string, Steps>> = {
  g: [
    [1, 0.01],
    [10, 0.1],
    [100, 1],
    [1000, 5],
    [Number.POSITIVE_INFINITY, 10],
  ],
  mL: [
    [5, 0.25],
    [15, 1],
    [250, 5],
    [1000, 10],
    [Number.POSITIVE_INFINITY, 50],
  ],
  min: [
    [10, 1],
    [120, 5],
    [720, 15],
    [Number.POSITIVE_INFINITY, 60],
  ],
  C_oven: [[Number.POSITIVE_INFINITY, 5]],
  C_water: [[Number.POSITIVE_INFINITY, 1]],
  count: [[Number.POSITIVE_INFINITY, 1]],
  mm: [[Number.POSITIVE_INFINITY, 1]],
};
const MODES = {
  nearest: (x: number) => Math.floor(x + 0.5 + 1e-9),
  floor: (x: number) => Math.floor(x + 1e-9),
  ceil: (x: number) => Math.ceil(x - 1e-9),
};

interface RoundKitchenInput {
  readonly value: number;
  readonly unit: string;
  readonly mode?: keyof typeof MODES;
}

/**
 * A figure as a kitchen can measure it. Not for curing salt, which has a rounding of its own.
 * @param input value 0–1e7; unit g, mL, min, C_oven, C_water, count, mm; mode nearest (default), floor, ceil
 * @returns the rounded value and the step it was rounded to
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE (value), E_UNKNOWN (unit, mode)
 * @example roundKitchen({ value: 183, unit: "g" }) // { value: 185, step: 5 }
 */
export function roundKitchen({ value, unit, mode = "nearest" }: RoundKitchenInput): { value: number; step: number } {
  const v = checked("value", value, unit === "C_oven" || unit === "C_water" ? -273.15 : 0, 1e7);
  const steps = row("unit", STEPS, unit);
  const rounding = row("mode", MODES, mode);
  const step = (steps.find(([below]) => Math.abs(v) < below) as readonly [number, number])[1];
  return { value: rounded(rounding(v / step) * step, 4), step };
}

/** Millilitres of the household measures of the United States. */
export const [TSP, TBSP, CUP] = [4.92892159375, 3 * 4.92892159375, 48 * 4.92892159375];
const FRACTIONS: readonly (readonly [number, string])[] = [
  [0, ""],
  [1 / 8, "1/8"],
  [1 / 4, "1/4"],
  [1 / 3, "1/3"],
  [3 / 8, "3/8"],
  [1 / 2, "1/2"],
  [5 / 8, "5/8"],
  [2 / 3, "2/3"],
  [3 / 4, "3/4"],
  [7 / 8, "7/8"],
];
/** Every fraction that has a text, without 0: eighths and thirds. */
export const MARKS: readonly number[] = FRACTIONS.slice(1).map(([part]) => part);

/**
 * An amount to the nearest of some fractions, as spoons and cups are marked.
 * @param parts fractions that the measure has, between 0 and 1
 * @returns the amount, and its text: "2 7/8"
 */
export function nearestMarked(amount: number, parts: readonly number[]): { readonly amount: number; readonly text: string } {
  const whole = Math.floor(amount + 1e-9);
  const rest = amount - whole;
  const nearest = [...parts, 1].reduce((best, p) => (Math.abs(rest - p) < Math.abs(rest - best) - 1e-12 ? p : best), 0);
  const [n, part] = nearest === 1 ? [whole + 1, 0] : [whole, nearest];
  const fraction = FRACTIONS.find(([f]) => Math.abs(f - part) < 1e-9)?.[1] ?? "";
  return { amount: n + part, text: [n || "", fraction].filter(Boolean).join(" ") || "0" };
}

/**
 * The nearest measure of American spoons and cups: eighths of a teaspoon below one, quarters below a tablespoon, half tablespoons below a
 * quarter cup, then quarters and thirds of cups.
 * @param input mL 0–4000
 * @returns the text, what it holds (mL, 2 decimals) and by how much that errs (%, 1 decimal)
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE
 * @see NIST Handbook 44, appendix C
 * @example toUsMeasure({ mL: 80 }) // { text: "1/3 cup", mL: 78.86, errorPct: -1.4 }
 */
export function toUsMeasure({ mL }: { readonly mL: number }): { text: string; mL: number; errorPct: number } {
  const v = checked("mL", mL, 0, 4000, "mL");
  const snap = (size: number, parts: readonly number[], name: string) => {
    const { amount, text } = nearestMarked(v / size, parts);
    return { text: `${text} ${name}${name === "cup" && amount > 1 ? "s" : ""}`, mL: amount * size };
  };
  const found =
    v < TSP
      ? snap(TSP, [1 / 8, 1 / 4, 3 / 8, 1 / 2, 5 / 8, 3 / 4, 7 / 8], "tsp")
      : v < TBSP
        ? snap(TSP, [1 / 4, 1 / 2, 3 / 4], "tsp")
        : v < CUP / 4
          ? snap(TBSP, [1 / 2], "tbsp")
          : snap(CUP, [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4], "cup");
  return { text: found.text, mL: rounded(found.mL, 2), errorPct: v === 0 ? 0 : rounded((found.mL / v - 1) * 100, 1) };
}

/** @throws {CalculationError} E_ONE_OF where not exactly one of two is given */
export function oneOf(names: string, ...values: readonly unknown[]): void {
  if (values.filter((v) => v !== undefined).length !== 1)
    throw new CalculationError(names.split(" ")[0] ?? "", "E_ONE_OF", `Give exactly one of ${names.split(" ").join(" and ")}.`);
}
