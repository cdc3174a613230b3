// Characters that cannot be seen and change what is around them: they end lines in files, or turn the direction in which a line is read.

/** Control characters; marks that override or isolate the direction of writing. Marks that only say a direction are part of some languages' texts. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
const UNSEEN = /[\u0000-\u001f\u007f-\u009f\u2028\u2029\u202a-\u202e\u2066-\u2069\ufeff]/;
const ALL_UNSEEN = new RegExp(UNSEEN.source, "g");

export const hasUnseen = (text: string): boolean => UNSEEN.test(text);

/** A text on one line for another program: what cannot be seen becomes a space. */
export const onOneLine = (text: string): string => text.replace(ALL_UNSEEN, " ");

/** A text on one line, with single spaces between its words. */
export const singleSpaced = (text: string): string => onOneLine(text).replace(/\s+/g, " ").trim();

/** Whether a database and a file can keep it: no NUL, no half of a character. */
export const canBeKept = (text: string): boolean => !text.includes("\0") && text.isWellFormed();

/** The same of every text in a value. */
export function allOnOneLine<T>(value: T): T {
  if (typeof value === "string") return onOneLine(value) as T;
  if (Array.isArray(value)) return value.map(allOnOneLine) as T;
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, allOnOneLine(inner)])) as T;
}
