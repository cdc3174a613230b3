// What the words around a food make of it: "vegan", "dairy-free", "tinned", "minced", "wild". Words that make it safer count only next
// to the food itself ("duck legs for confit" are raw); words that ask for care count anywhere.
import type { Food, FoodClass } from "./table";

type Is = (c: FoodClass) => boolean;
type Turn = readonly [words: RegExp, from: Is, to: FoodClass];

const is = (...classes: FoodClass[]): Is => {
  const set: ReadonlySet<FoodClass> = new Set(classes);
  return (c) => set.has(c);
};
const isMuscle = is("meat", "poultry");
const isFish = is("fish", "fish-freshwater", "fish-scombroid");
const isDairy: Is = (c) => c.startsWith("cheese") || is("milk", "milk-raw", "cream", "cultured", "butter", "whey")(c);
const isEgg = is("egg", "mayonnaise");
const isSeafood: Is = (c) => isFish(c) || is("fish-canned", "fish-smoked", "fish-cured", "crustacean", "bivalve", "cephalopod")(c);
const isFlesh: Is = (c) =>
  isMuscle(c) || isSeafood(c) || is("mince", "poultry-mince", "sausage", "cured-raw", "cured-cooked", "gelling", "fat")(c);

/** Words that say what it is made without: the classes that are something else then, and the allergens that go. */
const WITHOUT: readonly (readonly [words: RegExp, is: Is, drops: readonly string[]])[] = [
  [/\b(?:vegan|plant[- ]based)\b/, (c) => isFlesh(c) || isDairy(c) || isEgg(c), ["milk", "eggs", "fish", "crustaceans", "molluscs"]],
  [/\b(?:vegetarian|veggie|meatless|mock)\b|\bmeat[- ]free\b/, isFlesh, ["fish", "crustaceans", "molluscs"]],
  [/\b(?:dairy|milk)[- ]free\b|\bnon[- ]dairy\b/, isDairy, ["milk"]],
  [/\begg[- ]free\b|\beggless\b/, isEgg, ["eggs"]],
  [/\bfish[- ]free\b/, isSeafood, ["fish", "crustaceans", "molluscs"]],
  [/\b(?:gluten|wheat)[- ]free\b/, () => false, ["gluten_cereals", "wheat"]],
  [/\bnut[- ]free\b/, () => false, ["tree_nuts"]],
  [/\bsoya?[- ]free\b/, () => false, ["soybeans"]],
  [/\bsulphite[- ]free\b/, () => false, ["sulphites"]],
  [/\bcelery[- ]free\b/, () => false, ["celery"]],
];

/** What it is by itself, whatever is done with it later. */
const KINDS: readonly Turn[] = [
  [
    /\b(?:alcohol[- ]free|non[- ]alcoholic|0(?:\.0)? ?%|de-?alcoholi[sz]ed|low[- ]alcohol)/,
    is("wine", "beer", "spirit", "fortified"),
    "soft-drink",
  ],
  [/\bgluten[- ]free\b/, is("flour"), "flour-free"],
  [/\b(?:powder(?:ed)?|granules|granulated)\b/, is("allium", "vegetable", "tomato", "mushroom", "chilli", "fruit"), "spice"],
  [/\b(?:sprouted|sprouting|sprouts)\b/, is("pulse", "pulse-lectin", "grain", "seed"), "vegetable"],
];
/** What asks for more care than the food alone. */
const CAREFUL: readonly Turn[] = [
  [/\b(?:minced?|mince|ground)\b/, is("meat", "offal"), "mince"],
  [/\b(?:minced?|mince|ground)\b/, is("poultry", "poultry-offal"), "poultry-mince"],
  [/\b(?:raw|unpasteuri[sz]ed|straight from the (?:cow|farm))\b/, is("milk", "cream"), "milk-raw"],
  [/\b(?:unpasteuri[sz]ed|raw[- ]milk|lait cru)\b/, (c) => c.startsWith("cheese"), "cheese-raw-milk"],
  [/\b(?:wild|foraged?|foragers?|(?:hand-?)?picked|gathered|forest|from the woods?)\b/, is("mushroom"), "mushroom-wild"],
];
/** What makes it safer than the food alone. */
const SAFER: readonly Turn[] = [
  [
    /^(?!.*\bdried\b).*\b(?:tinned|canned|jarred|tins?|cans?|jars?|cooked|pre-?cooked|pouch|carton)\b/,
    is("pulse", "pulse-lectin"),
    "pulse-canned",
  ],
  [/\b(?:tinned|canned|tins?|cans?)\b/, isFish, "fish-canned"],
  [/\b(?:smoked|cold[- ]smoked|hot[- ]smoked|kippered)\b/, isFish, "fish-smoked"],
  [/\b(?:salted|cured|pickled|dried|marinated|soused)\b/, isFish, "fish-cured"],
  [/\bsmoked\b/, isMuscle, "cured-cooked"],
  [/\b(?:cured|dry-cured|air-dried|salted|salt)\b/, is("meat"), "cured-raw"],
  [/(?<!un)pasteuri[sz]ed\b/, is("egg"), "egg-safe"],
];

const COOKED =
  /\b(?:cooked|pre-?cooked|ready-cooked|leftover|left-over|roasted|rotisserie|poached|boiled|hard-boiled|steamed|fried|baked|braised|confit|canned|tinned|from yesterday|cold roast)\b/;
const UNCOOKED = /\b(?:un-?cooked|raw|fresh)\b(?! (?:cooked|boiled|smoked|roasted)\b)/;
/** "Ready to eat" says what it is, not what becomes of it. */
const READY = /\bready[- ]to[- ](?:eat|serve|use)\b/g;
/** From here on a name says what becomes of it, or what it might be instead. */
const LATER = /\b(?:for|to|until|till|if|or|before|not|instead|later)\b.*$/;

interface Turned {
  readonly class: FoodClass;
  readonly allergens: readonly string[];
  readonly cooked: boolean;
}

/**
 * @param words the whole name, in small letters
 * @param rest the name without the words that the table itself has for the food
 */
export function turnedBy(food: Food, words: string, rest: string): Turned {
  const without = WITHOUT.filter(([said]) => said.test(words));
  const dropped = new Set(without.flatMap(([, , drops]) => drops));
  const soFar = rest.replaceAll(READY, " ").replace(LATER, "");
  const turn = (kind: FoodClass, text: string, turns: readonly Turn[]) =>
    turns.reduce((c, [said, from, to]) => (said.test(text) && from(c) ? to : c), kind);
  let kind: FoodClass = without.some(([, of]) => of(food.class)) ? "plant-substitute" : food.class;
  kind = turn(kind, rest, KINDS);
  kind = turn(kind, rest, CAREFUL);
  if (!UNCOOKED.test(rest)) kind = turn(kind, soFar, SAFER);
  return {
    class: kind,
    allergens: food.allergens.filter((a) => !dropped.has(a)),
    cooked: COOKED.test(words.replaceAll(READY, " ").replace(LATER, "")) && !UNCOOKED.test(words),
  };
}
