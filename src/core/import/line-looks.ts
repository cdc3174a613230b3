// What a line of a text looks like: numbered, with a bullet, a sentence, work, an ingredient.
import { readIngredient } from "../entry/ingredient-line";
import { lexiconOf } from "../entry/lexicon";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { saidAt } from "../entry/patterns";
import { TAKES_MINUTES } from "./lists";
import type { SourceLine } from "./recipe";

export const NUMBERED =
  /^\d\uFE0F?\u20E3\s*(?=\S)|^(?:(?:step|schritt|[ée]tape|passo|paso)\s*)?\d{1,2}\s*(?:[.):–/-]|[ºª](?=\s))\s+(?=\S)|^(?:step|schritt|[ée]tape|passo|paso)\s*\d{1,2}\s*[:.]?\s+(?=\S)/iu;
/** A step without its number: "1. ", "2º ", "3/ ", "Step 4: ". */
export const withoutNumber = (text: string): string => text.replace(NUMBERED, "");
export const BULLET = /^(?:[-–—•*·▢☐□◦▪●✓+]\uFE0F?\s+|[•·▢☐□◦▪●✓]\uFE0F?|\[[ x]?\]\s*)/u;

export const indent = (line: SourceLine) => line.text.length - line.text.trimStart().length;

/** Whether a line begins with a verb of a kitchen, or with words that open an instruction. */
export function opensWithVerb(text: string, language: Language): boolean {
  const folded = fold(withoutNumber(text).replace(BULLET, ""));
  if (
    /^(?:in a|in an|in the|on a|using|with a|once|when|while|meanwhile|after|before|then|next|finally|now|to (?:make|serve|assemble|finish)|for the .*,|if|as soon|without|gently|carefully|slowly|quickly|lightly|just|always|do not|don't|add|make|pre-?heat|remove|cover|set|return|repeat|turn|check|taste|adjust|den|die|das|in einer|in einem|zuerst|dann|danach|inzwischen|wahrend|backofen|ofen|dans un|dans une|pendant|prechauff|ajout|in una|in un|nel|preriscald|aggiung|quando|mentre|en un|en una|cuando|mientras|precal|anad|agreg)\b/.test(
      folded,
    )
  )
    return true;
  return saidAt(lexiconOf(language).verbs, folded, 0) !== undefined;
}

export const isSentence = (text: string) => /[.!?]$/.test(text) && text.split(/\s+/).length > 4;

export function looksLikeIngredient(line: SourceLine, language: Language): boolean {
  const text = line.text.trim();
  if (NUMBERED.test(text) && !BULLET.test(text) && !/^\d{1,2}\.\s*\d/.test(text)) return false;
  if (text.length > 140 || /[.!?]\s+\p{Lu}/u.test(text) || isSentence(text)) return false;
  // What takes minutes is work, unless it begins with its amount and says them behind a comma: "250 g butter, out of the fridge for 1 hour".
  if (TAKES_MINUTES.test(text) && (!/^[\d½¼¾⅓⅔]/u.test(text.replace(BULLET, "")) || TAKES_MINUTES.test(text.split(/[,(]/)[0] ?? "")))
    return false;
  // "2 kg shin, 4 lime leaves. simmer 3 hrs": a list, and then what is done.
  if (TAKES_MINUTES.test(text) && /\p{L}{2}[.!]\s+\p{L}/u.test(text)) return false;
  const read = readIngredient(text, language);
  if (read.heading) return false;
  const bulleted = BULLET.test(text) || line.hint === "item";
  // "A pie for a wet day": an article is no amount.
  if (read.amount?.unit === "piece" && /^(?:an?|one|ein|eine|une?|uno|una)\s/i.test(text)) return false;
  if (read.amount && !opensWithVerb(text, language)) return true;
  if (read.amount && /^[\d½¼¾⅓⅔]/u.test(text.replace(BULLET, ""))) return true;
  if (read.asNeeded) return text.split(/\s+/).length <= 9;
  return bulleted && text.length < 80 && (!opensWithVerb(text, language) || text.split(/\s+/).length <= 3);
}
