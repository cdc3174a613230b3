// Weights, volumes and lengths that stand in a sentence, in United States measures. The panels of the Bench say theirs themselves.
import { type Quantity, said } from "../bench/quantity";

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
/** What is weighed in grams in every kitchen: too little of it matters for an ounce. */
const GRAM_WORDS = String.raw`\b(?:salt|nitrite|yeast|gelatine|gelatin|agar|pectin)\b`;
const IN_GRAMS = `(?![^,.;:]{0,24}${GRAM_WORDS})`;
const WEIGHED = new RegExp(GRAM_WORDS, "i");
/** Whether an amount of this is told in grams by every cook. */
export const isWeighedInGrams = (name: string): boolean => WEIGHED.test(name);
// Not a rate ("g/kg", "g per kg") and no part of a word.
const MEASURE = new RegExp(
  String.raw`(?<![\d./,])(?:(${FIGURE})( to | and | or |–|-))?(${FIGURE}) ?(kg|g${IN_GRAMS}|litres?|[Ll]|m[Ll]|mm|cm)(?![\w/²³]| per | a (?:kg|litre))`,
  "g",
);
/** "20 × 30 × 5 cm": the unit stands once, behind the last side. */
const SIDES = new RegExp(String.raw`${FIGURE}(?: [×x] ${FIGURE})+ ?(mm|cm)(?![\w/²³])`, "g");
const SIDE = new RegExp(FIGURE, "g");

/**
 * "1.2 kg" becomes "2 lb 10.3 oz", "2 to 3 L" "2 1/8 qt to 3 1/8 qt". Sides of a tin go together; "2 × 250 g" are two packs. Under 15 g, and for salts, yeast and what sets a jelly, a weight stays in grams.
 * @example inUsMeasures("500 g flour, 20 g salt") // "1 lb 1.6 oz flour, 20 g salt"
 */
export function inUsMeasures(text: string): string {
  const tell = (n: string, unit: string) => {
    const [of, size] = METRIC[unit] as readonly [Quantity, number];
    return said(Number(n) * size, of, "us");
  };
  const sided = text.replace(SIDES, (sides, unit: string) => (sides.match(SIDE) ?? []).map((n) => tell(n, unit)).join(" × "));
  return sided.replace(MEASURE, (_, first: string | undefined, word: string | undefined, last: string, unit: string) => {
    if (first === undefined) return tell(last, unit);
    return `${tell(first, unit)}${word?.trim() === word ? " to " : word}${tell(last, unit)}`;
  });
}
