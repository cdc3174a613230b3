// Measures that stand in a sentence, in the units of whoever reads it.
import { type Quantity, said, type Units } from "./quantity";

/** Metric units as sentences write them, what they measure, and how many of the base they hold. */
const METRIC: Readonly<Record<string, readonly [of: Quantity, size: number]>> = {
  kg: ["mass", 1000],
  g: ["mass", 1],
  L: ["volume", 1000],
  l: ["volume", 1000],
  litre: ["volume", 1000],
  litres: ["volume", 1000],
  mL: ["volume", 1],
  ml: ["volume", 1],
  mm: ["length", 1],
  cm: ["length", 10],
};
const FIGURE = String.raw`\d+(?:\.\d+)?`;
const TEMPERATURE = new RegExp(`(?:([-−]?${FIGURE})( to | and | or |–|-))?([-−]?${FIGURE}) ?°C`, "g");
// Not a rate ("g/kg", "g per kg") and no part of a word.
const MEASURE = new RegExp(
  `(?<![\\d./,])(?:(${FIGURE})( to | and | or |–|-))?(${FIGURE}) ?(kg|g|litres?|[Ll]|m[Ll]|mm|cm)(?![\\w/²³]| per | a (?:kg|litre))`,
  "g",
);

/**
 * "to 21 °C" becomes "to 70 °F" and "1.2 kg" "2 lb 10.3 oz" for a cook of United States measures; a pair "57 to 21 °C" is read whole.
 * Under 15 g a weight stays in grams: no kitchen has an ounce for a salt, a yeast or a gelling agent.
 */
export function inUnits(text: string, units: Units): string {
  if (units === "metric") return text;
  // A frost is written with a hyphen or a minus sign; either is part of its figure.
  const f = (c: string) => String(Math.round(Number(c.replace("−", "-")) * 1.8 + 32)).replace("-", "−");
  const warm = text.replace(TEMPERATURE, (_, first: string | undefined, word: string | undefined, last: string) =>
    first === undefined ? `${f(last)} °F` : `${f(first)}${word}${f(last)} °F`,
  );
  return warm.replace(MEASURE, (_, first: string | undefined, word: string | undefined, last: string, unit: string) => {
    const [of, size] = METRIC[unit] as readonly [Quantity, number];
    const tell = (n: string) => said(Number(n) * size, of, units);
    if (first === undefined) return tell(last);
    return `${tell(first)}${word?.trim() === word ? " to " : word}${tell(last)}`;
  });
}
