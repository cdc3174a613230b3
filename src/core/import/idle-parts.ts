// Parts that are none by themselves: a list without steps, or a sentence that only says how long something keeps.
import type { Language } from "../entry/lexicon/lexicon";
import { methodOf } from "./method";
import type { RecipeLine, RecipeSection } from "./recipe";

const guessed = (why: string) => (line: RecipeLine) => ({ ...line, guess: line.guess ?? why });

/** Two parts as one, under the name of the first or the second. */
function both(a: RecipeSection, b: RecipeSection, name: string): RecipeSection {
  return {
    name,
    headings: [...a.headings, ...b.headings],
    ingredients: [...a.ingredients, ...b.ingredients],
    instructions: [...a.instructions, ...b.instructions],
  };
}

/** Every part with steps of its own: a list without steps goes to the part behind it, words about keeping to the one before. */
export function withoutIdle(sections: readonly RecipeSection[], language: Language): RecipeSection[] {
  if (sections.length < 2) return [...sections];
  const works = sections.map((s, i) => {
    const { steps } = methodOf(s.instructions, language);
    // A line above the first part that says neither how long nor how hot is no part of its own.
    const opens = i === 0 && s.name === "" && s.ingredients.length === 0 && steps.length === 1;
    return steps.length > 0 && !(opens && steps.every((step) => !step.reading.said.minutes && !step.reading.said.heat));
  });
  if (!works.includes(true)) return [sections.reduce((a, b) => both(a, b, a.name || b.name))];
  const parts: RecipeSection[] = [];
  let waiting: RecipeSection | undefined;
  sections.forEach((section, i) => {
    const last = parts.at(-1);
    if (works[i]) {
      parts.push(waiting ? both(waiting, section, section.name) : section);
      waiting = undefined;
      return;
    }
    const why = guessed(`no steps for “${section.name || "this part"}” were found`);
    const loose =
      section.ingredients.length > 0
        ? { ...section, headings: section.headings.map(why), ingredients: section.ingredients.map(why) }
        : section;
    if (section.ingredients.length === 0 && last) parts[parts.length - 1] = both(last, loose, last.name);
    else waiting = waiting ? both(waiting, loose, waiting.name) : loose;
  });
  const last = parts.at(-1);
  if (waiting && last) parts[parts.length - 1] = both(last, waiting, last.name);
  return parts;
}
