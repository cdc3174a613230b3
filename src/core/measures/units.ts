// Units: masses, volumes by the system that a recipe was written in, lengths, temperatures.
// Sources: NIST Handbook 44, appendix C, 2019; UK Weights and Measures Act 1985; AS 1325, 1972; 21 CFR 101.9 for label measures.
import { CalculationError, checked, row } from "./calculation-error";
import { rounded } from "./rounding";

export const MASS_G = {
  mg: 0.001,
  g: 1,
  kg: 1000,
  oz: 28.349523125,
  lb: 453.59237,
  stick_butter: 113.3980925,
  jin: 500,
  liang: 50,
} as const;

/**
 * A mass in another unit. An ounce here is always one of mass; volume needs fl oz.
 * @param input value 0–1e7; from and to: mg g kg oz lb stick_butter jin liang
 * @returns value (4 decimals) and its unit
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example convertMass({ value: 2.1875, from: "lb", to: "g" }) // { value: 992.2333, unit: "g" }
 */
export function convertMass({ value, from, to }: { readonly value: number; readonly from: string; readonly to: string }) {
  const v = checked("value", value, 0, 1e7);
  return { value: rounded((v * row("from", MASS_G, from)) / row("to", MASS_G, to), 4), unit: to };
}

const METRIC_ML = { mL: 1, cL: 10, dL: 100, L: 1000 };
/** Millilitres of household measures, by the system of the book. The Australian tablespoon is four teaspoons. */
export const VOLUME_ML: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  us: {
    ...METRIC_ML,
    tsp: 4.92892159375,
    tbsp: 14.78676478125,
    cup: 236.5882365,
    floz: 29.5735295625,
    pint: 473.176473,
    quart: 946.352946,
    gallon: 3785.411784,
  },
  us_label: { ...METRIC_ML, tsp: 5, tbsp: 15, cup: 240, floz: 30 },
  metric: { ...METRIC_ML, tsp: 5, tbsp: 15, cup: 250 },
  uk: { ...METRIC_ML, tsp: 5, dessertspoon: 10, tbsp: 15, cup: 250, floz: 28.4130625, pint: 568.26125, quart: 1136.5225, gallon: 4546.09 },
  imperial_old: {
    ...METRIC_ML,
    tsp: 3.55,
    tbsp: 17.76,
    cup: 284.130625,
    floz: 28.4130625,
    pint: 568.26125,
    quart: 1136.5225,
    gallon: 4546.09,
  },
  au: { ...METRIC_ML, tsp: 5, tbsp: 20, cup: 250, floz: 28.4130625, pint: 568.26125, quart: 1136.5225, gallon: 4546.09 },
  jp: { ...METRIC_ML, tsp: 5, tbsp: 15, cup: 200, go: 180.39 },
};

/**
 * A volume in another unit, from the system of one book into that of another.
 * @param input value 0–1e7; units of the system (us, us_label, metric, uk, imperial_old, au, jp) and mL cL dL L
 * @returns value (4 decimals) and its unit
 * @throws {CalculationError} E_UNKNOWN also for a unit that the system has not; E_NOT_FINITE, E_RANGE
 * @example convertVolume({ value: 3, from: "tbsp", to: "mL", system: "au" }) // { value: 60, unit: "mL" }
 */
export function convertVolume({
  value,
  from,
  to,
  system = "us",
  toSystem = system,
}: {
  readonly value: number;
  readonly from: string;
  readonly to: string;
  readonly system?: string;
  readonly toSystem?: string;
}) {
  const v = checked("value", value, 0, 1e7);
  const a = row("from", row("system", VOLUME_ML, system), from);
  const b = row("to", row("toSystem", VOLUME_ML, toSystem), to);
  return { value: rounded((v * a) / b, 4), unit: to };
}

const LENGTH_MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };

/**
 * A length in another unit.
 * @param input value 0–1e7; mm cm m in ft
 * @returns value (3 decimals) and its unit
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example convertLength({ value: 24, from: "cm", to: "in" }) // { value: 9.449, unit: "in" }
 */
export function convertLength({ value, from, to }: { readonly value: number; readonly from: string; readonly to: string }) {
  const v = checked("value", value, 0, 1e7);
  return { value: rounded((v * row("from", LENGTH_MM, from)) / row("to", LENGTH_MM, to), 3), unit: to };
}

type Scale = "C" | "F" | "K";
const TO_C = { C: (x: number) => x, F: (x: number) => ((x - 32) * 5) / 9, K: (x: number) => x - 273.15 };
const FROM_C = { C: (c: number) => c, F: (c: number) => (c * 9) / 5 + 32, K: (c: number) => c + 273.15 };
const DEGREE = { C: 1, F: 5 / 9, K: 1 };

/**
 * A temperature on another scale.
 * @param input value, at or above absolute zero; from and to: C F K
 * @returns value (2 decimals) and its unit
 * @throws {CalculationError} E_RANGE below absolute zero, E_NOT_FINITE, E_UNKNOWN
 * @example convertTemperature({ value: 350, from: "F", to: "C" }) // { value: 176.67, unit: "C" }
 */
export function convertTemperature({ value, from, to }: { readonly value: number; readonly from: Scale; readonly to: Scale }) {
  const v = checked("value", value, -1000, 1e5);
  const c = row("from", TO_C, from)(v);
  if (!(c >= -273.15)) throw new CalculationError("value", "E_RANGE", `value: ${value} °${from} is below absolute zero.`);
  return { value: rounded(row("to", FROM_C, to)(c), 2), unit: to };
}

/**
 * A difference of temperatures on another scale: for friction factors and tolerances, where the zero must not be moved.
 * @param input value −1e4…1e4; from and to: C F K
 * @returns value (2 decimals) and its unit
 * @throws {CalculationError} E_NOT_FINITE, E_RANGE, E_UNKNOWN
 * @example convertTemperatureDelta({ value: 26, from: "F", to: "C" }) // { value: 14.44, unit: "C" }
 */
export function convertTemperatureDelta({ value, from, to }: { readonly value: number; readonly from: Scale; readonly to: Scale }) {
  const v = checked("value", value, -1e4, 1e4);
  return { value: rounded((v * row("from", DEGREE, from)) / row("to", DEGREE, to), 2), unit: to };
}

/**
 * A British gas mark: 250 °F and 25 more a mark; ¼ and ½ are 225 and 250 °F.
 * @param input mark 0.25, 0.5 or 1–10
 * @returns celsius (whole), celsiusOven (to 5), fahrenheit
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example gasMarkToCelsius({ mark: 4 }) // { celsius: 177, celsiusOven: 175, fahrenheit: 350 }
 */
export function gasMarkToCelsius({ mark }: { readonly mark: number }) {
  const m = checked("mark", mark, 0.25, 10);
  if (m < 1 && m !== 0.25 && m !== 0.5) throw new CalculationError("mark", "E_RANGE", "mark: give ¼, ½ or 1 to 10.");
  const fahrenheit = m === 0.25 ? 225 : m === 0.5 ? 250 : 250 + 25 * m;
  const c = ((fahrenheit - 32) * 5) / 9;
  return { celsius: rounded(c, 0), celsiusOven: rounded(c / 5, 0) * 5, fahrenheit };
}
