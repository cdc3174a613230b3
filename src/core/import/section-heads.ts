// Headings of the parts of a recipe, told from how a line looks and from the line below it.
import { readIngredient } from "../entry/ingredient-line";
import type { Language } from "../entry/lexicon/lexicon";
import { isDay } from "./days";
import { BULLET, indent, isSentence, looksLikeIngredient, NUMBERED, opensWithVerb } from "./line-looks";
import type { SourceLine } from "./recipe";

export const NUMBER_ALONE = /^[#*_\s]*(?:step|schritt|[ée]tape|passo|paso)?\s*\d{1,2}\s*[.):]?[*_\s]*$/i;
const MARKDOWN_HEADING =
  /^(?:\[[^\][]{2,40}\]:?$|[-–—=~*]{2,}\s*\p{L}[^-–—=~*]*[-–—=~*]{2,}$|#{1,6}\s+\S|\*\*[^*]+\*\*:?$|__[^_]+__:?$|={2,}.*={2,}$)/u;

export const NUMBERED_CAPITALS = /^\p{Lu}{4,}\s\d{1,2}(?:\s*(?:OF|\/|VON|DE|DI|SUR)\s*\d{1,2})?\s*[-–—:.]\s*\p{Lu}[\p{Lu}\s'’&-]{2,}$/u;

export type Mode = "top" | "ingredients" | "method" | "notes" | "nutrition" | "equipment" | "storage";

const MOST_HEAD_WORDS = 5;
/** A few words without a figure, and lines below that stand further in. */
const isIndentedHead = (line: SourceLine, next: SourceLine | undefined, bare: string): boolean =>
  next !== undefined &&
  !next.gap &&
  indent(next) > indent(line) &&
  /^\p{Lu}/u.test(bare) &&
  !/[\d,.]/.test(bare) &&
  bare.split(/\s+/).length <= MOST_HEAD_WORDS;

/**
 * A heading of a part: "For the dough:", "## Filling", "**Sauce**", "DOUGH", and a short line of its own above ingredients or steps.
 * @param betweenLists it stands bare between two lists with bullets
 */
export function isSection(line: SourceLine, next: SourceLine | undefined, mode: Mode, language: Language, betweenLists = false): boolean {
  const text = line.text.trim();
  if (text.length > 64 || NUMBER_ALONE.test(text)) return false;
  const marked = text.replace(/^[#*_=\s>~–—-]+|[#*_=\s~–—-]+$/g, "");
  // "Kimchi (day 1)": what stands in brackets says nothing of the kind of line.
  const bare = marked.replace(/\s*\([^()]*\)(?=:?$)/, "");
  const words = bare.replace(/:$/, "").split(/\s+/).length;
  if (words > 8 || /[.!?;]$/.test(bare) || /[.!?]\s/.test(bare)) return false;
  const amounts = /\d\s?(?:g|kg|ml|l|cl|dl|oz|lb|cups?|tbsp|tsp|el|tl)\b/i.test(bare);
  if (line.hint === "heading" || MARKDOWN_HEADING.test(text)) return !amounts;
  // "; Filling" above bullets, as wikis have it.
  if (/^;\s?\p{L}/u.test(text) && next !== undefined && BULLET.test(next.text.trim())) return !amounts;
  if (isDay(bare)) return true;
  if (/:$/.test(bare)) return !amounts && !/^\d/.test(bare);
  if (BULLET.test(text)) {
    // A bullet with others below it, further in: the heading of those.
    const name = bare.replace(BULLET, "");
    return next !== undefined && indent(next) > indent(line) && BULLET.test(next.text.trim()) && !/\d/.test(name) && words <= 5;
  }
  // "Ragù" above lines that stand further in.
  if (isIndentedHead(line, next, bare)) return true;
  // "MISE 1 - CONFIT", "STAGE 2 – FILLING": numbered, in capitals, behind a blank line.
  if (!amounts && line.gap && NUMBERED_CAPITALS.test(bare)) return true;
  if (amounts || /\d/.test(bare)) return false;
  if (
    /^(?:for the|to make the|f[üu]r (?:den|die|das)|pour (?:la|le|les|l')|per (?:la|il|lo|l'|i|le)|para (?:la|el|los|las))\b/i.test(bare) &&
    !bare.includes(",")
  )
    return true;
  if (bare === bare.toUpperCase() && /\p{Lu}{3}/u.test(bare)) return true;
  // A bare word or two: a heading where a blank line parts it from what was before and a list or a step follows.
  if (!line.gap || words > 4 || !next || next.gap) return false;
  // Who writes small letters puts a word above a list of bullets, or above amounts.
  if (/^\p{Ll}+$/u.test(bare) && /^[\d½¼¾]/u.test(next.text.trim()) && looksLikeIngredient(next, language)) return true;
  if (/^\p{Ll}/u.test(bare))
    return words <= 3 && BULLET.test(next.text.trim()) && (mode !== "method" || looksLikeIngredient(next, language));
  if (!/^\p{Lu}/u.test(bare)) return false;
  if (/,/.test(bare)) return false;
  const nextIngredient = looksLikeIngredient(next, language);
  if (mode === "method") {
    if (nextIngredient) return true;
    if (!NUMBERED.test(next.text.trim()) && !isSentence(next.text.trim())) return false;
    // "Finish" above a paragraph is a heading, "Chill the dough" a step.
    return words <= 2 || !opensWithVerb(bare, language);
  }
  // "Dough" above a paragraph, after the list.
  if (mode === "ingredients" && !nextIngredient && words <= 3 && isSentence(next.text.trim())) return true;
  // A word alone above what is weighed is a name, even where it could tell what to do ("Mash").
  const named = mode !== "top" || words === 1 || !opensWithVerb(bare, language) || (words <= 3 && !/\b(?:the|a|an|your|it)\b/i.test(bare));
  return nextIngredient && (betweenLists || readIngredient(next.text, language).amount !== undefined) && named;
}
