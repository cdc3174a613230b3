// What a part without a heading is called by the steps that use it.
import { fold } from "../entry/lexicon/fold";
import type { RecipeSection } from "./recipe";
import { names } from "./sections";

/** What first parts without a heading are called by the steps that use them. */
const FIRST_PARTS =
  /\b(?:the|den|die|der|das|la|le|il|l'|el|dem) (pastry|dough|batter|crust|base|sponge|cake|custard|stock|broth|marinade|brine|cure|teig|boden|bruhe|beize|pate|fond|impasto|frolla|base|brodo|masa|caldo)\b/;

/** The name that later parts give to one without a heading, where no other part has it: "line a tin with the pastry". */
export function calledLater(section: RecipeSection, sections: readonly RecipeSection[]): string {
  const behind = sections.slice(sections.indexOf(section) + 1);
  for (const { later, line } of behind.flatMap((later) => later.instructions.map((line) => ({ later, line })))) {
    const found = FIRST_PARTS.exec(fold(line.text))?.[1];
    if (!found || sections.some((s) => names(s.name, [found]))) continue;
    // "300 ml Rinderbrühe" among its own ingredients: that one is meant.
    if (later.ingredients.some((i) => fold(i.text).includes(found))) continue;
    // Its own letters, which folding has taken: "Pâte".
    const at = fold(line.text).indexOf(found);
    const word = line.text.slice(at, at + found.length);
    return word.charAt(0).toUpperCase() + word.slice(1);
  }
  return "";
}
