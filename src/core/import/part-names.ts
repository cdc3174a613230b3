// What a part without a heading is called by the steps that use it.
import { fold } from "../entry/lexicon/fold";
import type { RecipeSection } from "./recipe";
import { names } from "./sections";

/** What first parts without a heading are called by the steps that use them. */
const FIRST_PARTS =
  /\b(?:the|den|die|der|das|la|le|il|l'|el|dem) (pastry|dough|batter|crust|base|sponge|cake|custard|stock|broth|marinade|brine|cure|teig|boden|bruhe|beize|pate|fond|impasto|frolla|base|brodo|masa|caldo)\b/;

const DOUGHS = /\b(?:the|den|die|der|das|la|le|il|l'|el|dem) (pastry|dough|batter|crust|teig|pate|impasto|frolla|masa)\b/;
const FLOUR = /\b(?:flour|farine|farina|harina)\b|mehl\b/;

/** The name that later parts give to one without a heading, where no other part has it: "line a tin with the pastry". */
export function calledLater(section: RecipeSection, sections: readonly RecipeSection[]): string {
  const behind = sections.slice(sections.indexOf(section) + 1);
  const free = (word: string) => !sections.some((s) => names(s.name, [word]));
  // "Roll the pastry out": a dough is called so by its own steps.
  const own = section.instructions.map((l) => ({ line: l, found: DOUGHS.exec(fold(l.text))?.[1] })).find((o) => o.found !== undefined);
  if (own?.found && free(own.found) && section.ingredients.some((i) => FLOUR.test(fold(i.text))))
    return asWritten(own.line.text, own.found);
  for (const { later, line } of behind.flatMap((later) => later.instructions.map((line) => ({ later, line })))) {
    const found = FIRST_PARTS.exec(fold(line.text))?.[1];
    if (!found || !free(found)) continue;
    // "300 ml Rinderbrühe" among its own ingredients: that one is meant.
    if (later.ingredients.some((i) => fold(i.text).includes(found))) continue;
    return asWritten(line.text, found);
  }
  return "";
}

/** A word in its own letters, which folding has taken: "Pâte". */
function asWritten(text: string, folded: string): string {
  const at = fold(text).indexOf(folded);
  const word = text.slice(at, at + folded.length);
  return word.charAt(0).toUpperCase() + word.slice(1);
}
