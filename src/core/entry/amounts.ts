// Amounts as people type and write them: "1 1/2 cups", "2 lb 3 oz", "500g", "1,5 kg", "2 x 400 g", "1 kg/2 lb 4 oz", "3 cloves".
// What comes out is an amount of the dish file: its units, or any other word as a named piece.
import { quantityOf } from "../dish/units";
import { type Found, numberAt } from "./numbers";

export interface ReadAmount {
  readonly amount: number;
  readonly unit: string;
  /** As written, where it is a range: "2 to 3". */
  readonly range: readonly [number, number] | undefined;
}

/** Words of units and what they come to in a unit of the dish file. */
const UNITS: readonly (readonly [words: string, unit: string, factor: number])[] = [
  ["kilograms?|kilogrammes?|kilos?|kgs?", "kg", 1],
  ["milligrams?|mg", "g", 0.001],
  ["grams?|grammes?|grs?|gms?|g", "g", 1],
  ["fluid ounces?|fl\\.?\\s?oz|floz", "floz", 1],
  ["ounces?|ozs?", "oz", 1],
  ["pounds?|lbs?|#", "lb", 1],
  ["millilit(?:er|re)s?|mls?|cc", "mL", 1],
  ["centilit(?:er|re)s?|cl", "mL", 10],
  ["decilit(?:er|re)s?|dl", "mL", 100],
  ["lit(?:er|re)s?|ltrs?|l", "L", 1],
  ["tablespoons?|tablespoonfuls?|tbsps?|tbs|tbls?", "tbsp", 1],
  ["teaspoons?|teaspoonfuls?|tsps?", "tsp", 1],
  ["cups?|cupfuls?", "cup", 1],
  ["pints?|pts?", "pint", 1],
  ["quarts?|qts?", "quart", 1],
  ["gallons?|gals?", "gallon", 1],
];
/** Named pieces that stand between a number and what is counted. */
const PIECES =
  "cm|cloves?|sprigs?|bunch(?:es)?|cans?|tins?|sheets?|slices?|pieces?|pcs?|heads?|stalks?|sticks?|lea(?:f|ves)|jars?|packets?|packs?|packages?|sachets?|handfuls?|pinch(?:es)?|dash(?:es)?|knobs?|ribs?|strips?|cubes?|balls?|bottles?|drops?|rashers?|fillets?|wedges?|splash(?:es)?|envelopes?|bulbs?|ears?|links?|scoops?|blocks?|loa(?:f|ves)|rolls?|squares?";
const UNIT_PATTERNS = UNITS.map(([words, unit, factor]) => [new RegExp(`(?:${words})\\.?(?![\\p{L}])`, "iuy"), unit, factor] as const);
const PIECE_PATTERN = new RegExp(`(?:${PIECES})\\.?(?![\\p{L}-])`, "iuy");
/** A lone capital T is a tablespoon, a lone small t a teaspoon, c a cup: older American cards. */
const CARD = /(T|t|c)\.?(?=\s)/y;
const SPACE = /[\s ]*-?\s*/y;
const RANGE = /\s*(?:-|–|—|‑|to|or)\s*/iy;

const sticky = (pattern: RegExp, text: string, index: number) => {
  pattern.lastIndex = index;
  return pattern.exec(text);
};

/** One leaf, two leaves: the word for one of them. */
function singular(word: string): string {
  const w = word.toLowerCase().replace(/\.$/, "");
  if (w === "pc" || w === "pcs") return "piece";
  if (w === "tin" || w === "tins") return "tin";
  if (/(?:lea|loa)ves$/.test(w)) return w.replace(/ves$/, "f");
  if (/(?:ches|shes)$/.test(w)) return w.slice(0, -2);
  return w.replace(/(?<!s)s$/, "");
}

interface Unit {
  readonly unit: string;
  readonly factor: number;
}

function unitAt(text: string, index: number): Found<Unit> | undefined {
  for (const [pattern, unit, factor] of UNIT_PATTERNS) {
    const m = sticky(pattern, text, index);
    if (m) return { value: { unit, factor }, start: index, end: index + m[0].length };
  }
  const card = sticky(CARD, text, index);
  if (card) {
    const unit = card[1] === "T" ? "tbsp" : card[1] === "t" ? "tsp" : "cup";
    return { value: { unit, factor: 1 }, start: index, end: index + card[0].length };
  }
  const piece = sticky(PIECE_PATTERN, text, index);
  return piece ? { value: { unit: singular(piece[0]), factor: 1 }, start: index, end: index + piece[0].length } : undefined;
}

const skipSpace = (text: string, index: number) => index + (sticky(SPACE, text, index)?.[0].length ?? 0);

/** A number or a range with a unit; a bare number counts pieces. */
function measureAt(text: string, index: number, words: boolean): Found<ReadAmount> | undefined {
  const first = numberAt(text, index, words);
  if (!first) return undefined;
  let end = first.end;
  let range: readonly [number, number] | undefined;
  const behind = unitAt(text, skipSpace(text, end));
  // "2-3 lb", and "450 g to 500 g": the range may say its unit twice.
  const dash = sticky(RANGE, text, behind ? behind.end : end) ?? null;
  const second = dash && dash[0].trim() !== "" ? numberAt(text, (behind ? behind.end : end) + dash[0].length) : undefined;
  if (second && second.value > first.value) {
    const unit = unitAt(text, skipSpace(text, second.end));
    if (!behind || unit?.value.unit === behind.value.unit) {
      range = [first.value, second.value];
      end = second.end;
    }
  }
  const unit = unitAt(text, skipSpace(text, end));
  const { unit: name, factor } = unit?.value ?? { unit: "piece", factor: 1 };
  const counted = quantityOf({ amount: 1, unit: name }).dimension === "count";
  // The middle of a range; of what is counted, the next whole one.
  const middle = range ? (range[0] + range[1]) / 2 : first.value;
  const amount = (counted && range ? Math.ceil(middle) : middle) * factor;
  return { value: { amount, unit: name, range: range && [range[0] * factor, range[1] * factor] }, start: index, end: unit?.end ?? end };
}

/**
 * The amount that stands at a place of a text, with what is added to it ("2 lb 3 oz", "1 cup plus 2 tbsp") and multiplied ("2 x 400 g").
 * @param words also "one", "a", "half a"
 * @example amountAt("2 lb 3 oz", 0)?.value // { amount: 2.1875, unit: "lb", range: undefined }
 */
export function amountAt(text: string, index: number, words = false): Found<ReadAmount> | undefined {
  const times = numberAt(text, index, words);
  const cross = times && sticky(/\s*[x×]\s*/iy, text, times.end);
  if (times && cross) {
    const each = measureAt(text, times.end + cross[0].length, false);
    if (each && each.value.unit !== "piece")
      return { value: { amount: times.value * each.value.amount, unit: each.value.unit, range: undefined }, start: index, end: each.end };
  }
  let sum = measureAt(text, index, words);
  if (!sum || sum.value.unit === "piece" || sum.value.range) return sum;
  for (let i = 0; i < 2; i++) {
    const join = sticky(/\s*(?:plus|\+|and)\s+|\s+/iy, text, sum.end);
    const more: Found<ReadAmount> | undefined = join ? measureAt(text, sum.end + join[0].length, false) : undefined;
    if (!join || !more || more.value.range) break;
    const a = quantityOf({ amount: 1, unit: sum.value.unit });
    const b = quantityOf(more.value);
    const plus = /plus|\+|and/i.test(join[0]);
    if (a.dimension !== b.dimension || a.dimension === "count" || (!plus && more.value.unit === sum.value.unit)) break;
    sum = {
      value: { amount: sum.value.amount + b.value / a.value, unit: sum.value.unit, range: undefined },
      start: index,
      end: more.end,
    };
  }
  return sum;
}

/**
 * A text that is one amount and nothing else.
 * @example readAmount("1 1/2 cups") // { amount: 1.5, unit: "cup", range: undefined }
 */
export function readAmount(text: string): ReadAmount | undefined {
  const trimmed = text.trim();
  const found = amountAt(trimmed, 0, true);
  if (!found) return undefined;
  const rest = trimmed.slice(found.end).trim();
  if (rest === "") return found.value;
  // Any other single word names the piece: "4 quinces".
  return found.value.unit === "piece" && /^[\p{L}-]+$/u.test(rest) ? { ...found.value, unit: singular(rest) } : undefined;
}
