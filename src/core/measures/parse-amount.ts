// An amount as it is typed, in one unit of its kind: "1 1/2 cups", "2 lb 3 oz", "350F", "1h30", "2-3 tbsp", "1,5 kg".
import { CalculationError } from "./calculation-error";
import { rounded } from "./rounding";
import { VOLUME_ML } from "./units";

interface ParseAmountInput {
  readonly text: string;
  readonly system?: string;
  /** Which comma: en groups thousands with it (and reads "1,5" as 1.5), eu the other way round. */
  readonly locale?: "en" | "eu";
  readonly hint?: "temperature";
}

interface ParsedAmount {
  readonly kind: "mass" | "volume" | "length" | "time" | "temp" | "count";
  /** g, mL, mm, min, C or count; 3 decimals. */
  readonly value: number;
  readonly unit: string;
  readonly min?: number;
  readonly max?: number;
  readonly approx?: boolean;
  readonly rest?: string;
}

const FRACTIONS: Readonly<Record<string, string>> = {
  "½": "1/2",
  "⅓": "1/3",
  "⅔": "2/3",
  "¼": "1/4",
  "¾": "3/4",
  "⅕": "1/5",
  "⅖": "2/5",
  "⅗": "3/5",
  "⅘": "4/5",
  "⅙": "1/6",
  "⅚": "5/6",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};
const MASS: Readonly<Record<string, number>> = {
  mg: 0.001,
  milligram: 0.001,
  g: 1,
  gram: 1,
  gramme: 1,
  gr: 1,
  kg: 1000,
  kilo: 1000,
  kilogram: 1000,
  oz: 28.349523125,
  ounce: 28.349523125,
  lb: 453.59237,
  pound: 453.59237,
  stick: 113.3980925,
};
const METRIC: Readonly<Record<string, number>> = {
  ml: 1,
  millilitre: 1,
  milliliter: 1,
  cc: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  litre: 1000,
  liter: 1000,
};
const HOUSEHOLD: Readonly<Record<string, string>> = {
  tsp: "tsp",
  teaspoon: "tsp",
  tbsp: "tbsp",
  tablespoon: "tbsp",
  tbs: "tbsp",
  cup: "cup",
  floz: "floz",
  "fl oz": "floz",
  "fluid ounce": "floz",
  pint: "pint",
  pt: "pint",
  quart: "quart",
  qt: "quart",
  gallon: "gallon",
  gal: "gallon",
  dessertspoon: "dessertspoon",
  go: "go",
};
const LENGTH: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inche: 25.4,
  ft: 304.8,
  foot: 304.8,
  feet: 304.8,
};
const TIME: Readonly<Record<string, number>> = {
  s: 1 / 60,
  sec: 1 / 60,
  second: 1 / 60,
  min: 1,
  minute: 1,
  h: 60,
  hr: 60,
  hour: 60,
  d: 1440,
  day: 1440,
  week: 10080,
};
const BASE = { mass: "g", volume: "mL", length: "mm", time: "min", temp: "C", count: "count" } as const;

const bad = (code: string, message: string) => new CalculationError("text", code, message);

/**
 * Reads an amount. Ranges give their middle with min and max; further parts must be of the same kind and smaller ("2 lb 3 oz").
 * @param input text of at most 120 characters; system of household measures; locale; hint "temperature" for a bare C
 * @returns kind, value, unit; rest: what stands behind it
 * @throws {CalculationError} E_PARSE, E_MIXED_UNITS, E_UNIT (a unit that the system has not), E_AMBIGUOUS ("2 C"), E_UNKNOWN
 * @example parseAmount({ text: "1h30" }) // { kind: "time", value: 90, unit: "min" }
 */
export function parseAmount({ text, system = "us", locale = "en", hint }: ParseAmountInput): ParsedAmount {
  if (typeof text !== "string" || text.trim() === "" || text.length > 120)
    throw bad("E_PARSE", "text: write an amount of at most 120 characters, such as “1 1/2 cups”.");
  if (!Object.hasOwn(VOLUME_ML, system))
    throw new CalculationError("system", "E_UNKNOWN", `system: “${system}” is not known. Known: ${Object.keys(VOLUME_ML).join(", ")}.`);
  if (locale !== "en" && locale !== "eu") throw new CalculationError("locale", "E_UNKNOWN", "locale: give en or eu.");
  // Vulgar fractions become " 1/2" before anything else: "1½" must not become 11/2.
  let s = text
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/g, (c) => ` ${FRACTIONS[c]}`)
    .replace(/⁄/g, "/")
    .replace(/[–—−‑]/g, "-")
    .replace(/º|˚/g, "°")
    .trim()
    .replace(/\s+/g, " ");
  let approx = false;
  const about = /^(?:about|approximately|approx\.?|ca\.?|circa|~|scant|heaped|heaping)\s*/i.exec(s);
  if (about) {
    approx = true;
    s = s.slice(about[0].length);
  }
  const done = (a: Omit<ParsedAmount, "approx" | "rest">, rest: string): ParsedAmount => ({
    ...a,
    value: rounded(a.value, 3),
    ...(approx ? { approx } : {}),
    ...(rest.trim() ? { rest: rest.trim().replace(/^of\s+/i, "") } : {}),
  });
  const clock = /^(\d{1,3})(?:h|:)(\d{2})(?!\d)\s*(.*)$/i.exec(s);
  if (clock && Number(clock[2]) < 60)
    return done({ kind: "time", value: Number(clock[1]) * 60 + Number(clock[2]), unit: "min" }, clock[3] ?? "");
  const times = /^(\d{1,4}(?:\.\d+)?)\s*[x×]\s*(?=\d)/i.exec(s);
  if (times) {
    const each = parseAmount({ text: s.slice(times[0].length), system, locale, ...(hint ? { hint } : {}) });
    const n = Number(times[1]);
    return {
      ...each,
      value: rounded(each.value * n, 3),
      ...(each.min === undefined ? {} : { min: rounded(each.min * n, 3), max: rounded((each.max ?? each.min) * n, 3) }),
      ...(approx ? { approx } : {}),
    };
  }
  const word = /^(half an?|an?)\s+(?=[a-z])/i.exec(s);
  if (word) s = `${/half/i.test(word[0]) ? "0.5" : "1"} ${s.slice(word[0].length)}`;
  const first = numberIn(s, locale);
  if (!first) throw bad("E_PARSE", `text: no figure was found in “${text}”.`);
  let rest = s.slice(first.length);
  let range: [number, number] | undefined;
  const to = /^\s*(?:-|to|or)\s*(?=\d)/i.exec(rest);
  if (to) {
    const second = numberIn(rest.slice(to[0].length), locale);
    if (second) {
      if (!(second.value > first.value)) throw bad("E_PARSE", `text: “${text}” runs from more to less.`);
      range = [first.value, second.value];
      rest = rest.slice(to[0].length + second.length);
    }
  }
  const middle = range ? (range[0] + range[1]) / 2 : first.value;
  const unit = unitIn(rest, system, middle, hint);
  if (!unit) {
    if (first.value < 0) throw bad("E_PARSE", "text: only temperatures may be below 0.");
    return done({ kind: "count", value: middle, unit: "count", ...(range ? { min: range[0], max: range[1] } : {}) }, rest);
  }
  if (unit.kind !== "temp" && first.value < 0) throw bad("E_PARSE", "text: only temperatures may be below 0.");
  rest = rest.slice(unit.length);
  const size = (x: number) => (unit.kind === "temp" ? unit.convert(x) : x * unit.size);
  let value = size(middle);
  let last = unit.size;
  while (!range && unit.kind !== "temp") {
    const gap = /^(?:\s|,|and|plus)*\s*(?=\d)/i.exec(rest);
    const more = gap && numberIn(rest.slice(gap[0].length), locale);
    const moreUnit = more && unitIn(rest.slice(gap[0].length + more.length), system, more.value, hint);
    if (!gap || !more || !moreUnit || more.value < 0) break;
    if (moreUnit.kind !== unit.kind || !(moreUnit.size < last))
      throw bad("E_MIXED_UNITS", `text: “${text}” mixes kinds of units, or puts the smaller one first.`);
    value += more.value * moreUnit.size;
    last = moreUnit.size;
    rest = rest.slice(gap[0].length + more.length + moreUnit.length);
  }
  return done(
    {
      kind: unit.kind,
      value,
      unit: BASE[unit.kind],
      ...(range ? { min: rounded(size(range[0]), 3), max: rounded(size(range[1]), 3) } : {}),
    },
    rest,
  );
}

function numberIn(s: string, locale: "en" | "eu"): { readonly value: number; readonly length: number } | undefined {
  const mixed = /^(-?\d+)\s+(\d+)\s*\/\s*(\d+)/.exec(s) ?? /^(-?)(\d+)\s*\/\s*(\d+)/.exec(s);
  if (mixed) {
    const below = Number(mixed[3]);
    if (below === 0) throw bad("E_PARSE", "text: nothing can be divided by 0.");
    const whole = mixed[1] === "" || mixed[1] === "-" ? 0 : Number(mixed[1]);
    return { value: whole + Number(mixed[2]) / below, length: mixed[0].length };
  }
  const plain = /^-?\d[\d.,]*/.exec(s)?.[0].replace(/[.,]$/, "");
  if (plain === undefined) return undefined;
  const grouped = locale === "en" ? /^-?\d{1,3}(?:,\d{3})+(?:\.\d+)?$/ : /^-?\d{1,3}(?:\.\d{3})+(?:,\d+)?$/;
  const text = grouped.test(plain)
    ? locale === "en"
      ? plain.replaceAll(",", "")
      : plain.replaceAll(".", "").replace(",", ".")
    : plain.replace(",", ".");
  const value = Number(text);
  if (!Number.isFinite(value)) throw bad("E_PARSE", `text: “${plain}” is not a number.`);
  return { value, length: plain.length };
}

interface UnitFound {
  readonly kind: Exclude<ParsedAmount["kind"], "count">;
  readonly size: number;
  readonly length: number;
  readonly convert: (x: number) => number;
}

function unitIn(s: string, system: string, value: number, hint: ParseAmountInput["hint"]): UnitFound | undefined {
  const found = (kind: UnitFound["kind"], size: number, length: number, convert = (x: number) => x * size): UnitFound => ({
    kind,
    size,
    length,
    convert,
  });
  const degrees = /^\s*°\s*([CF])?(?![a-z])|^\s*degrees?\s*([CF])?(?![a-z])/i.exec(s);
  const fahrenheit = (x: number) => ((x - 32) * 5) / 9;
  if (degrees) return found("temp", 1, degrees[0].length, /f/i.test(degrees[1] ?? degrees[2] ?? "") ? fahrenheit : (x) => x);
  const bare = /^\s*([FC])(?![a-zA-Z])/.exec(s);
  if (bare?.[1] === "F") return found("temp", 1, bare[0].length, fahrenheit);
  if (bare?.[1] === "C") {
    if (value < 20 && hint !== "temperature") throw bad("E_AMBIGUOUS", "text: “C” may be cups or °C here. Write “cups” or “°C”.");
    return found("temp", 1, bare[0].length, (x) => x);
  }
  const card = /^\s*(T|t|c)\.?(?=\s|$)/.exec(s);
  const household = (name: string, length: number) => {
    const size = (VOLUME_ML[system] as Record<string, number>)[name];
    if (size === undefined) throw bad("E_UNIT", `text: the ${system} system has no ${name}.`);
    return found("volume", size, length);
  };
  if (card) return household(card[1] === "T" ? "tbsp" : card[1] === "t" ? "tsp" : "cup", card[0].length);
  const m = /^\s*-?\s*(fl\.?\s?oz|fluid ounces?|[a-zA-Z]+)\.?/.exec(s);
  if (!m) return undefined;
  const raw = (m[1] as string)
    .toLowerCase()
    .replace(/\.\s?|\s/g, " ")
    .trim();
  for (const name of [raw, raw.replace(/s$/, ""), raw.replace(/es$/, "")]) {
    if (Object.hasOwn(MASS, name)) return found("mass", MASS[name] as number, m[0].length);
    if (Object.hasOwn(METRIC, name)) return found("volume", METRIC[name] as number, m[0].length);
    if (Object.hasOwn(HOUSEHOLD, name)) return household(HOUSEHOLD[name] as string, m[0].length);
    if (Object.hasOwn(TIME, name)) return found("time", TIME[name] as number, m[0].length);
    if (Object.hasOwn(LENGTH, name)) return found("length", LENGTH[name] as number, m[0].length);
  }
  return undefined;
}
