// Numbers as cooks write them: "1 1/2", "2½", "1,5", "1,500", "3/4", "one", "half a", "a dozen".
// A comma before exactly three digits groups thousands; before any other number of digits it is a decimal comma.

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
const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  half: 0.5,
  quarter: 0.25,
  dozen: 12,
};
const V = Object.keys(VULGAR).join("");
const MIXED = /(\d{1,6})\s+(\d{1,3})\s?[/⁄]\s?(\d{1,3})(?!\d)/y;
const FRACTION = /(\d{1,3})\s?[/⁄]\s?(\d{1,3})(?![\d/])/y;
const WITH_VULGAR = new RegExp(`(\\d{1,6})?\\s?([${V}])`, "y");
const GROUPED = /\d{1,3}(?:,\d{3})+(?![\d,])(?:\.\d{1,6})?/y;
const PLAIN = /\d{1,7}(?:[.,]\d{1,6})?/y;
const WORD = /(half an?|a half|a quarter|a dozen|half a dozen|[a-z]+)\b/iy;

const at = (pattern: RegExp, text: string, index: number) => {
  pattern.lastIndex = index;
  return pattern.exec(text);
};

/**
 * The number that stands at a place of a text.
 * @param words also "one", "a", "half a": only where a number is looked for, since "a" is mostly an article
 * @example numberAt("1 1/2 cups", 0) // { value: 1.5, start: 0, end: 5 }
 */
export function numberAt(text: string, index: number, words = false): Found<number> | undefined {
  const found = (value: number, match: RegExpExecArray) =>
    Number.isFinite(value) ? { value, start: index, end: index + match[0].length } : undefined;
  let m = at(MIXED, text, index);
  if (m && Number(m[3]) > 0) return found(Number(m[1]) + Number(m[2]) / Number(m[3]), m);
  m = at(FRACTION, text, index);
  if (m && Number(m[2]) > 0) return found(Number(m[1]) / Number(m[2]), m);
  m = at(WITH_VULGAR, text, index);
  if (m) return found(Number(m[1] ?? 0) + (VULGAR[m[2] as string] ?? 0), m);
  m = at(GROUPED, text, index);
  if (m) return found(Number(m[0].replaceAll(",", "")), m);
  m = at(PLAIN, text, index);
  if (m) return found(Number(m[0].replace(",", ".")), m);
  if (!words) return undefined;
  m = at(WORD, text, index);
  if (!m) return undefined;
  const word = (m[1] as string).toLowerCase();
  if (/^half an?$|^a half$/.test(word)) return found(0.5, m);
  if (word === "a quarter") return found(0.25, m);
  if (word === "a dozen") return found(12, m);
  if (word === "half a dozen") return found(6, m);
  return Object.hasOwn(WORDS, word) ? found(WORDS[word] as number, m) : undefined;
}

/** A number in the fewest characters that kitchens need: at most four figures. */
export const shortNumber = (n: number): string => String(Number(n.toPrecision(4)));
