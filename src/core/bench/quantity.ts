// What a figure is of, how a cook's units are read into it, and how it is said again: every figure of the Bench passes here in and out.
import { CalculationError } from "../measures/calculation-error";
import { parseAmount } from "../measures/parse-amount";
import { CUP, MARKS, nearestMarked, TBSP, TSP } from "../measures/rounding";
import { MASS_G } from "../measures/units";

/** Metric with °C, or United States measures with °F. */
export type Units = "metric" | "us";

/** The unit in which a figure of that kind is kept. */
export const BASE = {
  mass: "g",
  water: "g",
  volume: "mL",
  length: "mm",
  temp: "°C",
  warmth: "°C",
  time: "min",
  share: "%",
  ppm: "ppm",
  pH: "pH",
  number: "",
  count: "",
  power: "W",
  altitude: "m",
  pressure: "kPa",
  bloom: "Bloom",
  grams: "g",
  brix: "°Bx",
} as const;
/** `water` is a mass that may be given as a volume; `warmth` a difference of temperatures; `grams` a mass that is always weighed in grams. */
export type Quantity = keyof typeof BASE;

const { lb: LB, oz: OZ } = MASS_G;
const QUART = [4 * CUP, "qt", "qt", Number.POSITIVE_INFINITY] as const;
/** American measures: what one holds, its names, and up to how many millilitres it is used. */
const US_MEASURES: readonly (readonly [size: number, one: string, many: string, upToMl: number])[] = [
  [TSP, "tsp", "tsp", TBSP],
  [TBSP, "tbsp", "tbsp", CUP / 4],
  [CUP, "cup", "cups", 4 * CUP],
  QUART,
];
/** A mark that is further off than this is no value for a field: other figures are calculated from it. */
const FAR = 0.004;

/** A figure with so many significant digits and without a tail of noughts. */
function digits(value: number, significant: number, most = 2): string {
  if (value === 0) return "0";
  const places = Math.max(0, Math.min(most, significant - 1 - Math.floor(Math.log10(Math.abs(value)))));
  return String(Number(value.toFixed(places)));
}

function minutesSaid(minutes: number): string {
  if (minutes < 1) return minutes <= 0 ? "0 min" : `${Math.max(1, Math.round(minutes * 60))} s`;
  const whole = Math.round(minutes);
  if (whole < 120) return `${whole} min`;
  if (whole < 2880) {
    const [hours, rest] = [Math.floor(whole / 60), whole % 60];
    return rest ? `${hours} h ${rest} min` : `${hours} h`;
  }
  return `${digits(minutes / 1440, 3, 1)} days`;
}

/** Days, hours and minutes, none of them rounded away. */
function minutesTyped(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 2880) return minutesSaid(minutes);
  const [days, hours, rest] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  return [`${days} days`, hours ? `${hours} h` : "", rest ? `${rest} min` : ""].filter(Boolean).join(" ");
}

function massSaid(grams: number, units: Units): string {
  if (units === "metric" || grams < 15) {
    if (grams >= 1000) return `${digits(grams / 1000, 4, 2)} kg`;
    return `${digits(grams, 3, grams < 10 ? 2 : 1)} g`;
  }
  if (grams < LB) return `${digits(grams / OZ, 3, 1)} oz`;
  const pounds = Math.floor(grams / LB + 1e-9);
  const ounces = Number(((grams - pounds * LB) / OZ).toFixed(1));
  if (ounces >= 16) return `${pounds + 1} lb`;
  return ounces > 0 ? `${pounds} lb ${ounces} oz` : `${pounds} lb`;
}

function volumeSaid(mL: number, units: Units): string {
  if (units === "metric") return mL >= 1000 ? `${digits(mL / 1000, 3, 2)} L` : `${digits(mL, 3, mL < 10 ? 1 : 0)} mL`;
  return usVolume(mL).marked.text;
}

/** A volume in the American measure that a cook takes for so much, to the nearest mark ("2 7/8 cups") and with decimals. */
function usVolume(mL: number) {
  const [size, one, many] = US_MEASURES.find(([, , , upTo]) => mL < upTo) ?? QUART;
  const decimals = `${digits(mL / size, 3, mL < TSP ? 3 : 2)} ${many}`;
  const { amount, text } = nearestMarked(mL / size, MARKS);
  // Less than the smallest spoon.
  if (amount === 0) return { marked: { text: decimals, mL }, decimals };
  return { marked: { text: `${text} ${amount > 1 ? many : one}`, mL: amount * size }, decimals };
}

/** As far as an estimate can be trusted: 5 min under two hours, 15 min under two days, a whole day from ten days on, half a degree. */
function trusted(value: number, of: Quantity): number {
  const to = (step: number) => Math.round(value / step) * step;
  if (of === "temp" && value < 200) return to(0.5);
  if (of === "time" && value >= 14_400 && Number.isFinite(value)) return to(1440);
  if (of !== "time" || value < 20 || value >= 2880) return value;
  return to(value < 120 ? 5 : 15);
}

/** A figure with its unit, as a cook of those units says it, rounded as far as an estimate can be trusted. Infinity is "never". */
export const said = (value: number, of: Quantity, units: Units): string => exactly(trusted(value, of), of, units);

function exactly(value: number, of: Quantity, units: Units): string {
  if (value === Number.POSITIVE_INFINITY) return of === "time" ? "never" : "without limit";
  const sign = value < 0 && of !== "temp" && of !== "warmth" ? "−" : "";
  const size = Math.abs(value);
  switch (of) {
    case "mass":
      return sign + massSaid(size, units);
    case "grams":
      return `${sign}${digits(size, 4, 2)} g`;
    case "water":
      return sign + (units === "us" ? volumeSaid(size, units) : massSaid(size, units));
    case "volume":
      return sign + volumeSaid(size, units);
    case "length":
      if (units === "us") return `${sign}${digits(size / 25.4, 3, 2)} in`;
      return sign + (size >= 100 ? `${digits(size / 10, 3, 1)} cm` : `${digits(size, 3, 1)} mm`);
    case "temp":
      return units === "us" ? `${Math.round(value * 1.8 + 32)} °F` : `${digits(value, 3, 1)} °C`;
    case "warmth":
      return units === "us" ? `${Math.round(value * 1.8)} °F` : `${digits(value, 2, 1)} °C`;
    case "time":
      return sign + minutesSaid(size);
    case "share":
      return `${sign}${digits(size, 3)} %`;
    case "altitude":
      return units === "us" ? `${Math.round(value / 0.3048)} ft` : `${Math.round(value)} m`;
    case "pH":
      return `pH ${value.toFixed(2)}`;
    case "ppm":
      return `${digits(size, 3, 1)} ppm`;
    case "count":
      return sign + digits(size, 4, 1);
    case "number":
      return sign + digits(size, 3);
    default:
      return `${sign}${digits(size, 3, 1)} ${BASE[of]}`;
  }
}

/** Units that a bare number may be meant in, by how many of the base they hold. */
const USUAL: Readonly<Record<string, number>> = {
  g: 1,
  kg: 1000,
  mL: 1,
  L: 1000,
  mm: 1,
  cm: 10,
  min: 1,
  h: 60,
  d: 1440,
  oz: OZ,
  lb: LB,
  cups: CUP,
  qt: 4 * CUP,
  in: 25.4,
};
export type Usual = "g" | "kg" | "mL" | "L" | "mm" | "cm" | "min" | "h" | "d";
/** What a cook of United States measures means by a bare number in such a field. */
const US_FOR: Readonly<Partial<Record<Usual, string>>> = { g: "oz", kg: "lb", mL: "cups", L: "qt", mm: "in", cm: "in" };
const KIND: Readonly<Partial<Record<Quantity, string>>> = {
  mass: "mass",
  grams: "mass",
  water: "mass",
  volume: "volume",
  length: "length",
  time: "time",
  altitude: "length",
};
const CALLED: Readonly<Record<string, string>> = { mass: "weight", volume: "volume", length: "length", time: "time", temp: "temperature" };

const wrong = (key: string, code: string, message: string) => new CalculationError(key, code, message);

/** The unit of a bare number, as it stands beside a field. */
export function bareUnit(of: Quantity, usual: Usual | undefined, units: Units): string {
  if (of === "temp" || of === "warmth") return units === "us" ? "°F" : "°C";
  if (of === "altitude") return units === "us" ? "ft" : "m";
  if (of === "water" && units === "us") return "cups";
  if (usual) return (units === "us" && US_FOR[usual]) || usual;
  return BASE[of];
}

export interface Asked {
  readonly key: string;
  readonly label: string;
  readonly of: Quantity;
  /** The unit of a bare number; the base where left out. */
  readonly usual?: Usual;
  readonly low: number;
  readonly high: number;
}

/**
 * What was typed into a field, in the base unit of its kind: "6", "2 lb 3 oz", "1 1/2 cups", "350F", "1h30", "12%".
 * @throws {CalculationError} E_PARSE, E_UNIT or E_RANGE, with a sentence for the cook and the field's key
 */
export function readFigure(asked: Asked, text: string, units: Units): number {
  const value = readUnchecked(asked, text.trim(), units);
  if (!(value >= asked.low && value <= asked.high))
    throw wrong(
      asked.key,
      "E_RANGE",
      `${asked.label}: ${said(value, asked.of, units)} is out of range. Give ${said(asked.low, asked.of, units)} to ${said(asked.high, asked.of, units)}.`,
    );
  return value;
}

const BARE = /^[-−]?\d+(?:[.,]\d+)?$/;
/** Signs that some kinds are written with and that the reader of amounts does not know. */
const SIGNS: Readonly<Partial<Record<Quantity, RegExp>>> = {
  share: /\s*(?:%|per ?cent)$/i,
  ppm: /\s*ppm$/i,
  pH: /^pH\s*/i,
  power: /\s*w(?:atts?)?$/i,
  pressure: /\s*kpa$/i,
  bloom: /\s*bloom$/i,
  brix: /\s*°?bx$/i,
  number: /\s*(?:×|times)$/i,
  count: /\s*(?:pieces?|pcs)$/i,
};

function readUnchecked({ key, label, of, usual }: Asked, text: string, units: Units): number {
  if (text === "") throw wrong(key, "E_PARSE", `${label}: it is empty. Write a number, or one with its unit.`);
  const sign = SIGNS[of];
  const bare = (sign ? text.replace(sign, "") : text).trim();
  if (BARE.test(bare)) {
    const n = Number(bare.replace("−", "-").replace(",", "."));
    const unit = bareUnit(of, usual, units);
    if (of === "temp" && unit === "°F") return (n - 32) / 1.8;
    if (of === "warmth" && unit === "°F") return n / 1.8;
    if (of === "altitude" && unit === "ft") return n * 0.3048;
    return n * (USUAL[unit] ?? 1);
  }
  if (of === "warmth") {
    const m = /^([-−]?\d+(?:[.,]\d+)?)\s*°?\s*([CFK])$/i.exec(text);
    if (m) return Number((m[1] as string).replace("−", "-").replace(",", ".")) / (/f/i.test(m[2] as string) ? 1.8 : 1);
  }
  let amount: ReturnType<typeof parseAmount>;
  try {
    amount = parseAmount({ text, ...(of === "temp" ? { hint: "temperature" as const } : {}) });
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    throw wrong(key, error.code, `${label}: “${text.slice(0, 30)}” is not understood. Write a number, or one with its unit.`);
  }
  if (amount.rest) throw wrong(key, "E_PARSE", `${label}: “${text.slice(0, 30)}” has something after the number. Write only the number.`);
  // A litre of water is a kilogram of it, and cooks say either.
  if (of === "water" && amount.kind === "volume") return amount.value;
  if (of === "temp" && amount.kind === "temp") return amount.value;
  if ((of === "number" || of === "count") && amount.kind === "count") return amount.value;
  const wanted = KIND[of];
  if (!wanted || amount.kind !== wanted)
    throw wrong(
      key,
      "E_UNIT",
      `${label}: “${text.slice(0, 30)}” is not a ${wanted ? CALLED[wanted] : of === "temp" ? "temperature" : "number of that kind"}.`,
    );
  return of === "altitude" ? amount.value / 1000 : amount.value;
}

/** A figure as it stands in a field: read again, it is the same within what is shown. */
export const typedAs = (value: number, of: Quantity, units: Units): string => {
  if (of === "time" && Number.isFinite(value) && value >= 0) return minutesTyped(value);
  if (units === "us" && (of === "volume" || of === "water") && Number.isFinite(value) && value >= 0) {
    const { marked, decimals } = usVolume(value);
    return Math.abs(marked.mL - value) <= FAR * value ? marked.text : decimals;
  }
  return exactly(value, of, units).replace("−", "-");
};
