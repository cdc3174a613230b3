// What a part without a heading is called: by the steps that use it, by its own, or by its first ingredient.
import { readIngredient } from "../entry/ingredient-line";
import { fold } from "../entry/lexicon/fold";
import { onOneLine } from "../plain-text";
import type { Recipe, RecipeSection } from "./recipe";
import { names } from "./sections";

const THE = "\\b(?:the|den|die|der|das|la|le|il|l'|el|dem) ";
const DOUGH = "pastry|dough|batter|crust|teig|pate|impasto|frolla|masa";
const DOUGHS = new RegExp(`${THE}(${DOUGH})\\b`);
/** What first parts without a heading are called by the steps that use them. */
const FIRST_PARTS = new RegExp(
  `${THE}(${DOUGH}|base|sponge|cake|custard|stock|broth|marinade|brine|cure|boden|bruhe|beize|fond|brodo|caldo)\\b`,
);
const FLOUR = /\b(?:flour|farine|farina|harina)\b|mehl\b/;

/** The name that its own steps give to a dough without a heading, or later parts to any: "line a tin with the pastry". Empty where none does. */
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

/** What a part is called that has no name: its first ingredient. */
export function firstFood({ ingredients }: RecipeSection, language: Recipe["language"]): string {
  const name = ingredients[0] ? readIngredient(onOneLine(ingredients[0].text), language).name : "";
  return name ? name.charAt(0).toUpperCase() + name.slice(1) : "Part";
}

/** A word in its own letters, which folding has taken: "Pâte". */
function asWritten(text: string, folded: string): string {
  const at = fold(text).indexOf(folded);
  const word = text.slice(at, at + folded.length);
  return word.charAt(0).toUpperCase() + word.slice(1);
}
