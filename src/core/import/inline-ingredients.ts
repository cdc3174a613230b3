// Prose without a list: the amounts that its sentences name, as ingredients.
import { readIngredient } from "../entry/ingredient-line";
import type { Language } from "../entry/lexicon/lexicon";
import { isSurelyFood } from "../foods/match";
import type { RecipeLine, RecipeSection } from "./recipe";

/** So many things weighed out in one line make a list of it. */
export const LEAST_LISTED = 3;
/** An amount within a sentence: "60 ml", "½ tsp", "2 eggs". */
const INLINE =
  /(?<![\p{L}\p{N}.,/])(?:\d+(?:[.,]\d+)?(?:\s?[/⁄]\s?\d+)?|[½¼¾⅓⅔])\s?(?:g|kg|ml|cl|dl|l|litres?|oz|lb|cups?|tbsp|tsp|tablespoons?|teaspoons?|el|tl|cuilleres?|cucharadas?|cucchiai|eggs?|onions?|cloves?)(?![\p{L}])/giu;

const IN_WORDS =
  "(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|half an?|a quarter of an?|a couple of|(?:one|two|three) and a half)";
const WORDED_UNITS =
  "(?:pounds?|ounces?|pints?|quarts?|gills?|tablespoon(?:ful)?s?|teaspoon(?:ful)?s?|cup(?:ful)?s?|tea-?cupfuls?|wine-?glass(?:ful)?s?|handfuls?|kilos?|litres?|dozen)";
/** "Half a pound of brown sugar", "a dozen eggs": amounts of older and of spoken recipes. */
const WORDED = new RegExp(
  `(?<![\\p{L}\\p{N}])${IN_WORDS}\\s${WORDED_UNITS}(?: and a (?:half|quarter))?(?:\\sof(?: the| your)?)?(?=\\s\\p{L})`,
  "giu",
);
/** "A ham of about ten pounds": what weighs stands before its weight. */
const WEIGHED_BEHIND = new RegExp(
  `(?<![\\p{L}])(?:an?|one|the|two|three|four)\\s(?<name>\\p{L}+(?: \\p{L}+)?) of (?:about |some |around )?(?<amount>(?:\\d+(?:[.,]\\d+)?|${IN_WORDS})\\s?(?:pounds?|lbs?|kilos?|kg|g))(?![\\p{L}])`,
  "giu",
);
/** How many amounts a line of prose names. */
export const amountsWithin = (text: string): number => [...text.matchAll(INLINE), ...text.matchAll(WORDED)].length;

const COUNTED = /(?<![\p{L}\p{N}.,/°@-])\d{1,2}\s(?=\p{Ll}{3})/gu;
/** "Take 8 quail": a figure before one or two words that are a food, and no unit. */
function countedFoods(text: string): RegExpExecArray[] {
  return [...text.matchAll(COUNTED)].filter((m) => {
    const [first = "", second = ""] = text.slice(m.index + m[0].length).match(/\p{L}+/gu) ?? [];
    const weighed = [...text.slice(m.index, m.index + 24).matchAll(INLINE)].some((x) => x.index === 0);
    return !weighed && [first, `${first} ${second}`].some((name) => isSurelyFood(name));
  });
}

/** Prose without a list: the amounts in its sentences are its ingredients, as guesses. Their words stay in the steps as well. */
export function inlineIngredients(sections: readonly RecipeSection[], language: Language): RecipeSection[] {
  const listed = sections.some((s) => s.ingredients.length > 0);
  // Where other parts have a list, one without any has to weigh out several things in its sentences.
  const bare = (section: RecipeSection) =>
    !listed || (section.ingredients.length === 0 && section.instructions.reduce((n, l) => n + amountsWithin(l.text), 0) >= LEAST_LISTED);
  return sections.map((section) =>
    !bare(section)
      ? section
      : {
          ...section,
          ingredients: section.instructions.flatMap((line) => [
            ...[...line.text.matchAll(WEIGHED_BEHIND)].map(
              (m): RecipeLine => ({
                from: line.from,
                to: line.from,
                text: `${m.groups?.amount} ${m.groups?.name}`,
                guess: "taken from the sentence",
              }),
            ),
            ...[...line.text.matchAll(INLINE), ...line.text.matchAll(WORDED), ...countedFoods(line.text)].flatMap((m): RecipeLine[] => {
              const behind = line.text.slice(m.index);
              // The first word is of the name, whatever it is: "200 g of chopped suet on top".
              const from = m[0].length + (/^\s*(?:of\s+)?\p{L}+(?=\s\p{L})/u.exec(behind.slice(m[0].length))?.[0].length ?? 0);
              // Up to where the sentence goes on: a comma, "and", a verb's "until", a full stop.
              const end =
                /[,;.:()@•·|]|\s\+\s|\s(?=\d)|\s(?:go(?:es)?|that|all|end|diced|chopped|sliced|mixed|stirred|added|and|with|in|into|to|until|over|for|at|on|then|und|mit|et|avec|dans|e|con|y|en)\s/i.exec(
                  behind.slice(from),
                );
              const text = behind.slice(0, from + (end?.index ?? behind.length)).trim();
              const read = readIngredient(text, language);
              return read.amount && read.name && !/^(?:each|an? )/.test(read.name) && read.name.split(" ").length <= 5
                ? [{ from: line.from, to: line.from, text, guess: "taken from the sentence" }]
                : [];
            }),
          ]),
        },
  );
}
