// Patterns of whole words, matched at one place of a folded text.
import type { Said } from "./lexicon/lexicon";

const compiled = new Map<string, RegExp>();

/**
 * Where a pattern that matches whole words at a place ends; undefined where it does not.
 * @param beforeDigits also where digits follow: the "h" of "1h30"
 */
export function endOf(pattern: string, folded: string, at: number, beforeDigits = false): number | undefined {
  const key = beforeDigits ? `${pattern}…` : pattern;
  let regex = compiled.get(key);
  if (!regex) {
    regex = new RegExp(`(?:${pattern})(?![\\p{L}${beforeDigits ? "" : "\\p{N}"}])`, "uy");
    compiled.set(key, regex);
  }
  regex.lastIndex = at;
  const match = regex.exec(folded);
  return match && match[0].length > 0 ? at + match[0].length : undefined;
}

const anyOf = new WeakMap<Said<unknown>, [plain: RegExp, beforeDigits: RegExp]>();

/** Whether any of the patterns stands at a place: one look instead of one for each, since mostly none does. */
function anyAt(said: Said<unknown>, folded: string, at: number, beforeDigits: boolean): boolean {
  let regex = anyOf.get(said);
  if (!regex) {
    const all = said.map(([pattern]) => `(?:${pattern})`).join("|");
    regex = [new RegExp(`(?:${all})(?![\\p{L}\\p{N}])`, "uy"), new RegExp(`(?:${all})(?![\\p{L}])`, "uy")];
    anyOf.set(said, regex);
  }
  const one = regex[beforeDigits ? 1 : 0];
  one.lastIndex = at;
  return one.test(folded);
}

/** The meaning whose pattern reaches farthest from a place. */
export function saidAt<T>(
  said: Said<T>,
  folded: string,
  at: number,
  beforeDigits = false,
): { readonly value: T; readonly end: number } | undefined {
  if (!anyAt(said, folded, at, beforeDigits)) return undefined;
  let best: { value: T; end: number } | undefined;
  for (const [pattern, value] of said) {
    const end = endOf(pattern, folded, at, beforeDigits);
    if (end !== undefined && end > (best?.end ?? at)) best = { value, end };
  }
  return best;
}

/** The first place at or behind `at` that is no blank. */
export function skipBlanks(text: string, at: number): number {
  let i = at;
  while (i < text.length && /\s/.test(text.charAt(i))) i++;
  return i;
}
