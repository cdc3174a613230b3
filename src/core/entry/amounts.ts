// Amounts as people type and write them: "1 1/2 cups", "2 lb 3 oz", "500g", "1,5 kg", "2 x 400 g", "1 kg/2 lb 4 oz", "3 cloves".
// What comes out is an amount of the dish file: its units, or any other word as a named piece.
import { quantityOf } from "../dish/units";
import { piecesOf, unitsOf } from "./lexicon/amount-words";
import { ENGLISH } from "./lexicon/english";
import { fold } from "./lexicon/fold";
import type { Language, Lexicon, Said } from "./lexicon/lexicon";
import { type Found, numberAt } from "./numbers";
import { saidAt } from "./patterns";

export interface ReadAmount {
  readonly amount: number;
  readonly unit: string;
  /** As written, where it is a range: "2 to 3". */
  readonly range: readonly [number, number] | undefined;
}

/** A lone capital T is a tablespoon, a lone small t a teaspoon, c or C a cup: older American cards. */
const CARD = /(T|t|c|C)\.?(?=\s)/y;
const SPACE = /[\s ]*-?\s*/y;
const RANGE = /\s*[-–—‑]\s*|\s+(?:to|or|bis|à|a|ou|o|oder)\s+/iy;

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

interface UnitTables {
  readonly units: Said<Unit>;
  readonly pieces: Said<Unit>;
}
const tables = new Map<Language, UnitTables>();
function tablesOf(language: Language): UnitTables {
  let table = tables.get(language);
  if (!table) {
    table = {
      units: unitsOf(language).map(([words, unit, factor]) => [words, { unit, factor }] as const),
      pieces: piecesOf(language).map(([words, unit]) => [words, { unit, factor: 1 }] as const),
    };
    tables.set(language, table);
  }
  return table;
}

function unitAt(text: string, index: number, lexicon: Lexicon): Found<Unit> | undefined {
  const folded = fold(text.slice(index, index + 40));
  const { units, pieces } = tablesOf(lexicon.language);
  const unit = saidAt(units, folded, 0);
  const card = lexicon.language === "en" && !unit ? sticky(CARD, text, index) : null;
  if (card) {
    const spoon = card[1] === "T" ? "tbsp" : card[1] === "t" ? "tsp" : "cup";
    return { value: { unit: spoon, factor: 1 }, start: index, end: index + card[0].length };
  }
  // A bunch of anything is counted in bunches; a bouquet garni is a thing of its own.
  const piece = /^bouquets? garnis?(?!\p{L})/u.test(folded) ? undefined : saidAt(pieces, folded, 0);
  // "Leaf-wrapped" is no leaf.
  const whole = piece && folded.charAt(piece.end) !== "-" ? piece : undefined;
  const best = (whole?.end ?? 0) > (unit?.end ?? 0) ? whole : unit;
  if (!best) return undefined;
  // The point of a shortened unit belongs to it: "2 pkgs. peas".
  const point = folded.charAt(best.end) === "." && folded.charAt(best.end - 1) !== "." && /^\.(?:\s|$)/.test(folded.slice(best.end));
  return { value: best.value, start: index, end: index + best.end + (point ? 1 : 0) };
}

const skipSpace = (text: string, index: number) => index + (sticky(SPACE, text, index)?.[0].length ?? 0);

/** A number or a range with a unit; a bare number counts pieces. */
function measureAt(text: string, index: number, words: boolean, lexicon: Lexicon): Found<ReadAmount> | undefined {
  const first = numberAt(text, index, words, lexicon);
  if (!first) return undefined;
  let end = first.end;
  let range: readonly [number, number] | undefined;
  const behind = unitAt(text, skipSpace(text, end), lexicon);
  // "2-3 lb", and "450 g to 500 g": the range may say its unit twice.
  const dash = sticky(RANGE, text, behind ? behind.end : end) ?? null;
  const second = dash && dash[0].trim() !== "" ? numberAt(text, (behind ? behind.end : end) + dash[0].length, words, lexicon) : undefined;
  if (second && second.value > first.value) {
    const unit = unitAt(text, skipSpace(text, second.end), lexicon);
    if (!behind || unit?.value.unit === behind.value.unit) {
      range = [first.value, second.value];
      end = second.end;
    }
  }
  const unit = unitAt(text, skipSpace(text, end), lexicon);
  const { unit: name, factor } = unit?.value ?? { unit: "piece", factor: 1 };
  // "1 litro y medio", "2 kilos et demi": a part of one more stands behind the unit.
  const part = unit && !range ? saidAt(lexicon.parts, fold(text), skipSpace(text, unit.end)) : undefined;
  const counted = quantityOf({ amount: 1, unit: name }).dimension === "count";
  // The middle of a range; of what is counted, the next whole one.
  const middle = range ? (range[0] + range[1]) / 2 : first.value;
  const amount = (counted && range ? Math.ceil(middle) : middle + (part?.value ?? 0)) * factor;
  return {
    value: { amount, unit: name, range: range && [range[0] * factor, range[1] * factor] },
    start: index,
    end: part?.end ?? unit?.end ?? end,
  };
}

/**
 * The amount that stands at a place of a text, with what is added to it ("2 lb 3 oz", "1 cup plus 2 tbsp") and multiplied ("2 x 400 g").
 * @param words also "one", "a", "half a"
 * @example amountAt("2 lb 3 oz", 0)?.value // { amount: 2.1875, unit: "lb", range: undefined }
 */
export function amountAt(text: string, index: number, words = false, lexicon: Lexicon = ENGLISH): Found<ReadAmount> | undefined {
  const times = numberAt(text, index, words, lexicon);
  const cross = times && sticky(/\s*[x×]\s*/iy, text, times.end);
  if (times && cross) {
    const each = measureAt(text, times.end + cross[0].length, false, lexicon);
    if (each && each.value.unit !== "piece")
      return { value: { amount: times.value * each.value.amount, unit: each.value.unit, range: undefined }, start: index, end: each.end };
  }
  let sum = measureAt(text, index, words, lexicon);
  if (!sum || sum.value.unit === "piece" || sum.value.range) return sum;
  for (let i = 0; i < 2; i++) {
    const join = sticky(/\s*(?:plus|\+|and)\s+|\s+/iy, text, sum.end);
    const more: Found<ReadAmount> | undefined = join ? measureAt(text, sum.end + join[0].length, false, lexicon) : undefined;
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
