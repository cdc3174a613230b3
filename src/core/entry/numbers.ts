// Numbers as cooks write them: "1 1/2", "2½", "1,5", "1,500", "1.500", "3/4", "one", "half a", "a dozen".
// In English a comma before exactly three digits groups thousands, in the other languages a point does; before any other number of
// digits either of them is a decimal sign.
import { ENGLISH } from "./lexicon/english";
import { fold } from "./lexicon/fold";
import type { Lexicon } from "./lexicon/lexicon";
import { saidAt, skipBlanks } from "./patterns";

/** Something read out of a text, and where: `[start, end)`. */
export interface Found<T> {
  readonly value: T;
  readonly start: number;
  readonly end: number;
}

const VULGAR: Readonly<Record<string, number>> = {
  "½": 1 / 2,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "¼": 1 / 4,
  "¾": 3 / 4,
  "⅕": 1 / 5,
  "⅖": 2 / 5,
  "⅗": 3 / 5,
  "⅘": 4 / 5,
  "⅙": 1 / 6,
  "⅚": 5 / 6,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};
const V = Object.keys(VULGAR).join("");
const MIXED = /(\d{1,6})(?:\s+|\s?-\s?|\s?&\s?|\s+and\s+)(\d{1,2})\s?[/⁄]\s?(\d{1,2})(?!\d)/y;
const FRACTION = /(\d{1,3})\s?[/⁄]\s?(\d{1,3})(?![\d/])/y;
const WITH_VULGAR = new RegExp(`(\\d{1,6})?(?:\\s?|\\s?-\\s?|\\s?&\\s?|\\s?and\\s?)([${V}])`, "y");
const GROUPED_BY_COMMA = /\d{1,3}(?:,\d{3})+(?![\d,])(?:\.\d{1,6})?/y;
const GROUPED_BY_POINT = /\d{1,3}(?:\.\d{3})+(?![\d.])(?:,\d{1,6})?/y;
const PLAIN = /\d{1,7}(?:[.,]\d{1,6})?/y;

const at = (pattern: RegExp, text: string, index: number) => {
  pattern.lastIndex = index;
  return pattern.exec(text);
};

const numberWords = new Map<Lexicon, RegExp>();
/** The number word that stands at the head of a folded text, the longest first; words that end in an apostrophe join what follows. */
function wordAt(folded: string, lexicon: Lexicon): string | undefined {
  let regex = numberWords.get(lexicon);
  if (!regex) {
    const words = Object.keys(lexicon.numbers).sort((a, b) => b.length - a.length);
    regex = new RegExp(`^(?:${words.map((w) => (w.endsWith("'") ? w : `${w}(?![\\p{L}\\p{N}])`)).join("|")})`, "u");
    numberWords.set(lexicon, regex);
  }
  return regex.exec(folded)?.[0];
}

/**
 * The number that stands at a place of a text.
 * @param words also "one", "a", "half a": only where a number is looked for, since "a" is mostly an article
 * @example numberAt("1 1/2 cups", 0) // { value: 1.5, start: 0, end: 5 }
 */
export function numberAt(text: string, index: number, words = false, lexicon: Lexicon = ENGLISH): Found<number> | undefined {
  const number = wholeNumberAt(text, index, words, lexicon);
  if (!number || !words) return number;
  // "One and a half cups", "two and a quarter".
  const folded = fold(text.slice(number.end, number.end + 24));
  const part = saidAt(lexicon.numberParts, folded, skipBlanks(folded, 0));
  return part && /^\s/.test(folded) ? { ...number, value: number.value + part.value, end: number.end + part.end } : number;
}

function wholeNumberAt(text: string, index: number, words: boolean, lexicon: Lexicon): Found<number> | undefined {
  const found = (value: number, length: number) => (Number.isFinite(value) ? { value, start: index, end: index + length } : undefined);
  let m = at(MIXED, text, index);
  // "3-1/2" is three and a half; "1-3/4" as well; "4 and 3/2" is nothing.
  if (m && Number(m[3]) > 0 && Number(m[2]) < Number(m[3])) return found(Number(m[1]) + Number(m[2]) / Number(m[3]), m[0].length);
  m = at(FRACTION, text, index);
  if (m && Number(m[2]) > 0 && Number(m[2]) <= 16) return found(Number(m[1]) / Number(m[2]), m[0].length);
  m = at(WITH_VULGAR, text, index);
  if (m) return found(Number(m[1] ?? 0) + (VULGAR[m[2] as string] ?? 0), m[0].length);
  const byPoint = lexicon.language !== "en";
  m = at(byPoint ? GROUPED_BY_POINT : GROUPED_BY_COMMA, text, index);
  if (m) return found(Number(byPoint ? m[0].replaceAll(".", "").replace(",", ".") : m[0].replaceAll(",", "")), m[0].length);
  m = at(PLAIN, text, index);
  if (m) return found(Number(m[0].replace(",", ".")), m[0].length);
  if (!words) return undefined;
  const folded = fold(text.slice(index, index + 24));
  const word = wordAt(folded, lexicon);
  // "Twenty five", as it is dictated.
  const ones =
    word && /^(?:twenty|thirty|forty|fifty)$/.test(word)
      ? /^\s(one|two|three|four|five|six|seven|eight|nine)(?!\p{L})/u.exec(folded.slice(word.length))
      : null;
  if (word && ones)
    return found((lexicon.numbers[word] as number) + (lexicon.numbers[ones[1] as string] ?? 0), word.length + ones[0].length);
  return word ? found(lexicon.numbers[word] as number, word.length) : undefined;
}

/** A number in the fewest characters that kitchens need: at most four figures. */
export const shortNumber = (n: number): string => String(Number(n.toPrecision(4)));
