// What a recipe is called: by its title without the talk around it, by the line that sends it, or by its parts.
import { DAY_BEFORE } from "./days";
import { servesIn, withoutPictures } from "./heads";
import type { Aside, RecipeSection } from "./recipe";

/** "Title: Pasties", "Fiche technique : Ballottine". */
const TITLE_LABEL =
  /^(?:(?:recipe )?(?:title|name)|recipe|titel|rezept|titre|recette|fiche technique|subject(?:\s*:\s*(?:fwd?|re|fw))*|fwd?|re|betreff|objet|oggetto|asunto|titolo|ricetta|t[ií]tulo|receta)\s*:\s*(?=\S)/iu;
const TALK =
  /^(?:ok(?:ay)?,? )?(?:so,? )?(?:here(?:'s| is) )?(?:how (?:i|we|to) (?:do|make|cook|prepare)|my (?:recipe|way|version) (?:for|of)) (?:the |my |our |a |an )?/i;
/** "Right so the rabbit terrine". */
const SO = /^(?:(?:ok(?:ay)?|right),? )?so,? (?:this is (?:for )?)?(?:the |my |our )?(?=\S)/i;

/** The name of a dish without the talk around it ("ok so here's how I do the trout, for 6") and without for how many ("Duck (serves 4)"). */
export function titleName(line: string): string {
  const text = line.replace(/^[#*_=\s>]+|[#*_=\s:.]+$/g, "").replace(TITLE_LABEL, "");
  // "Goat and flatbreads – 8 people, eat at 19:00".
  const dash = text.search(/\s[–—|·-]\s[^–—|·]*$/u);
  const counted = dash > 0 ? servesIn(text.slice(dash)) : undefined;
  const plain = withoutPictures(counted?.serves !== undefined && !counted.pieces ? text.slice(0, dash) : text)
    .replace(DAY_BEFORE, (_, letter: string) => letter.toUpperCase())
    .replace(TALK, "")
    .replace(SO, "")
    .replace(/,?\s+(?:for|serves|feeds) (?:about )?\d{1,2}(?: people)?$/i, "");
  const bracket = /\s*\(([^()]*)\)$/.exec(plain);
  const name = bracket && servesIn(bracket[1] as string)?.serves !== undefined ? plain.slice(0, bracket.index) : plain;
  return withoutPictures(name).trim() || text;
}

/** "Hi Jo, here's the terrine I promised.": what somebody sends, by the line that greets. */
const SENT =
  /\b(?:here(?:['’]s| is| comes)|this is|voici|voil[aà]|hier (?:ist|kommt)|ecco|aqu[ií] (?:est[aá]|tienes|va)) (?:the|my|our|la|le|l['’]|mon|ma|das|der|die|mein(?:e|en)?|il|lo|el|mi) ?(?:(?:recipe|recette|ricetta|receta) (?:for|of|de|du|della|del|para) (?:the |my |our |la |le |il |el )?)?(\p{L}[\p{L}'’ -]{2,40}?)(?=\s(?:i|we|you|that|which|as|recipe|que|che|dont|du|wie)\b|[.,!:;(]|$)/iu;
export function greeted(aside: readonly Aside[]): string {
  const name = aside
    .filter((a) => a.role === "description")
    .map((a) => SENT.exec(a.text)?.[1])
    .find(Boolean);
  return name ? name.charAt(0).toUpperCase() + name.slice(1) : "";
}

/** Of a recipe without a title: what its parts are called. */
export const partNames = (sections: readonly RecipeSection[]) =>
  sections.length > 1 && sections.every((s) => s.name !== "")
    ? sections
        .map((s) => s.name)
        .join(", ")
        .slice(0, LONGEST_TITLE)
    : "";
const LONGEST_TITLE = 120;
