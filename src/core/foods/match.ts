// Which food an ingredient's name means: the longest phrase of the table that ends where the name's first part ends, turned by the words
// around it ("vegan", "-free", "tinned", "minced"). English puts the kind last ("beef stock" is a stock), so the last phrase decides.
import pluralize from "pluralize";
import { FOODS, type Food, type FoodClass, foodOf } from "./table";

export interface Understood {
  readonly food: Food;
  /** The food's class, as the words around it leave it. */
  readonly class: FoodClass;
  /** The words that were understood, as they stand in the table. */
  readonly phrase: string;
  /** 1 where every word was understood, down to 0.4 where the name was guessed at. */
  readonly confidence: number;
  readonly allergens: readonly string[];
  /** Cooked before it comes into this kitchen. */
  readonly cooked: boolean;
  readonly frozen: boolean;
  readonly farmed: boolean;
  /** Picked or caught, by the cook or somebody. */
  readonly wild: boolean;
  readonly dried: boolean;
}

pluralize.addSingularRule(/chillies$/i, "chilli");
pluralize.addSingularRule(/chilies$/i, "chili");

/** Words of a phrase: small letters without accents, the singular, hyphens as spaces. */
function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .normalize("NFD")
    .replaceAll(/\p{M}/gu, "")
    .replaceAll(/[’‘]/g, "'")
    .replaceAll(/'s\b|s'(?=\s|$)/g, "")
    .replaceAll(/&/g, " and ")
    .split(/[^a-z0-9%#.]+/)
    .map((w) => w.replaceAll(/^\.+|\.+$/g, ""))
    .filter(Boolean)
    .map((w) => (w.length > 3 && /^[a-z]+$/.test(w) ? pluralize.singular(w) : w));
}

const PHRASES: ReadonlyMap<string, { readonly food: Food; readonly phrase: string }> = new Map(
  // The first of two that say the same stands.
  [...FOODS]
    .reverse()
    .flatMap((food) => [...food.names].reverse().map((name) => [wordsOf(name).join(" "), { food, phrase: name }] as const)),
);
const LONGEST = Math.max(...[...PHRASES.keys()].map((k) => k.split(" ").length));
const VOCABULARY: ReadonlySet<string> = new Set([...PHRASES.keys()].flatMap((k) => k.split(" ")));

/** What ends the part of a name that says what it is. */
const ASIDE =
  /[,;()[\]:–—]|\b(?:for|with|in|from|to|such as|plus|on|without|at|until|into|about|cut|each|per|if|see|left over|of your choice|weighed|bought|made)\b/i;
/** Ways of saying how it is cut that hold the name of another food. */
const CUTS =
  /\b(?:bone[- ]in|bone[- ]out|boned|off the bone|on the bone|skins?[- ]on|skins?[- ](?:off|removed)|skin[- ]side|fat[- ]cap|head[- ]on|shell[- ]on|in (?:the|their) shells?|rind[- ]on|rind[- ]off|egg[- ]sized|walnut[- ]sized|with (?:the )?(?:skin|bones?|fat|rind|leaves|shells?|tops?|greens)|tail[- ]on|fat removed|skin removed|steak[- ]cut|on the vine|pea[- ]sized|butter[- ]soft|matchsticks?|wine glass(?:es)?|egg ?cups?|salt ?spoons?|tea ?spoons?|tea ?cups?|coffee spoons?|stock pots?)\b/gi;
/** What says how much of it, or in what state: no food, and no reason for doubt. */
const PLAIN = new Set(
  "a an the of and or some small large medium big thick thin thinly thickly fine finely coarse coarsely roughly fresh freshly whole half piece chunk slice sliced chopped diced cubed peeled trimmed boneless skinless good best quality organic free range ripe raw dry dried warm cold hot chilled room temperature soft softened melted ground minced grated crushed cracked toasted roasted roast smoked cured salted unsalted pickled tinned canned jarred jar tin can bottle packet pack bag bunch handful sprig stalk stick head clove bulb knob thumb pinch dash splash drop spoon spoonful cup g kg ml l oz lb cooked leftover frozen thawed defrosted farmed wild caught picked foraged live washed rinsed drained soaked pitted stoned deseeded seeded shelled unshelled extra virgin light dark white black red green yellow brown golden pale sweet sour plain mixed baby young old mature strong mild sharp pasteurised unpasteurised vegan vegetarian plant based gluten dairy alcohol sugar lean fatty rolled tied butterflied filleted gutted scaled cleaned day very rather more about roughly lightly your own homemade home shop local new season seasonal 1 2 3 4 5 6 7 8 9 10 12 20 % uncooked blanched shredded julienned halved quartered torn picked leaves leaf spring summer winter autumn quick heaped level generous size sized medium-sized preferably plenty few little left remaining reserved optional".split(
    " ",
  ),
);
const CUT = /^(?:steak|wing|thigh|drumstick|tongue|tenderloin|rib|rump|skin|cutlet|joint)s?$/;
const SEVERAL = /\b(?:and|or|&|\/)\b/;

interface Found {
  readonly food: Food;
  readonly phrase: string;
  readonly from: number;
  readonly to: number;
}

/** Every longest phrase that begins at each word. */
function phrasesIn(words: readonly string[]): Found[] {
  return words.flatMap((_, from) => {
    for (let length = Math.min(LONGEST, words.length - from); length > 0; length--) {
      const hit = PHRASES.get(words.slice(from, from + length).join(" "));
      if (hit) return [{ ...hit, from, to: from + length }];
    }
    return [];
  });
}

/** "Shoulder of lamb" is a lamb shoulder; "cream of tartar" stays what it is. */
const turned = (text: string) =>
  text.replaceAll(
    /\b([a-z]+s?) of (?:the |a |an |half a |\d+ )?(?!tartar|your|about|a\b)([a-z]+)\b/gi,
    (all, part: string, whole: string) => (PHRASES.has(wordsOf(all).join(" ")) ? all : `${whole} ${part}`),
  );

/** A word misspelt by one letter, where only one word of the table is so near. */
function mended(word: string): string {
  if (word.length < 6 || VOCABULARY.has(word) || PLAIN.has(word) || /\d/.test(word)) return word;
  const near = [...VOCABULARY].filter((v) => v[0] === word[0] && Math.abs(v.length - word.length) <= 1 && isNear(v, word));
  return near.length === 1 ? (near[0] as string) : word;
}
/** One letter more, less, other, or two changed over. */
function isNear(a: string, b: string): boolean {
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  const [restA, restB] = [a.slice(i), b.slice(i)];
  return (
    restA.slice(1) === restB.slice(1) ||
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    (restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2))
  );
}

const is = (...classes: FoodClass[]) => {
  const set: ReadonlySet<FoodClass> = new Set(classes);
  return (c: FoodClass) => set.has(c);
};
/** Muscle, fresh. */
const isFreshMeat = is("meat", "poultry");
const isFresh = is("fish", "fish-freshwater", "fish-scombroid");
const isDairy = is(
  "milk",
  "milk-raw",
  "cream",
  "cultured",
  "butter",
  "cheese-hard",
  "cheese-soft",
  "cheese-blue",
  "cheese-fresh",
  "cheese-raw-milk",
  "whey",
);
const isAnimal = (c: FoodClass) =>
  isFreshMeat(c) ||
  isFresh(c) ||
  isDairy(c) ||
  is(
    "mince",
    "poultry-mince",
    "sausage",
    "cured-raw",
    "cured-cooked",
    "egg",
    "mayonnaise",
    "gelling",
    "stock",
    "fish-canned",
    "fish-smoked",
    "crustacean",
  )(c);

/** What the words around a food make of its class, in their order. */
const TURNS: readonly (readonly [words: RegExp, from: (c: FoodClass) => boolean, to: (c: FoodClass) => FoodClass])[] = [
  [
    /\b(?:vegan|vegetarian|veggie|plant[- ]based|meatless|meat[- ]free|mock|dairy[- ]free|egg[- ]free|fish[- ]free|imitation|non[- ]dairy)\b/,
    isAnimal,
    (c) => (c === "stock" ? "stock" : "plant-substitute"),
  ],
  [
    /\b(?:alcohol[- ]free|non[- ]alcoholic|0(?:\.0)? ?%|de-?alcoholi[sz]ed|low[- ]alcohol)/,
    is("wine", "beer", "spirit", "fortified"),
    () => "soft-drink",
  ],
  [/\bgluten[- ]free\b/, is("flour"), () => "flour-free"],
  [/\b(?:minced?|mince|ground|coarsely ground|finely ground)\b/, is("meat", "offal"), () => "mince"],
  [/\b(?:minced?|mince|ground)\b/, is("poultry", "poultry-offal"), () => "poultry-mince"],
  [/\b(?:tinned|canned|jarred|tins?|cans?|jars?|cooked|pre-?cooked|pouch|carton)\b/, is("pulse", "pulse-lectin"), () => "pulse-canned"],
  [/\b(?:tinned|canned|tin|can)\b/, (c) => isFresh(c) || c === "bivalve" || c === "crustacean", (c) => (isFresh(c) ? "fish-canned" : c)],
  [/\b(?:green|fresh|french|runner|broad|sprouted)\b/, is(), (c) => c],
  [/\b(?:smoked|cold[- ]smoked|hot[- ]smoked|kippered)\b/, isFresh, () => "fish-smoked"],
  [/\b(?:salted|cured|pickled|dried|marinated|soused)\b/, isFresh, () => "fish-cured"],
  [/\bsmoked\b/, isFreshMeat, () => "cured-cooked"],
  [/\b(?:cured|dry-cured|air-dried|salted|salt)\b/, is("meat"), () => "cured-raw"],
  [/\bpasteuri[sz]ed\b(?<!un\S*)/, is("egg"), () => "egg-safe"],
  [/\b(?:raw|unpasteuri[sz]ed|straight from the (?:cow|farm))\b/, is("milk", "cream"), () => "milk-raw"],
  [/\b(?:unpasteuri[sz]ed|raw[- ]milk|lait cru)\b/, (c) => c.startsWith("cheese"), () => "cheese-raw-milk"],
  [/\b(?:wild|foraged?|foragers?|(?:hand-?)?picked|gathered|forest|from the woods?)\b/, is("mushroom"), () => "mushroom-wild"],
  [/\b(?:powder(?:ed)?|granules|granulated)\b/, is("allium", "vegetable", "tomato", "mushroom", "chilli", "fruit"), () => "spice"],
  [/\b(?:sprouted|sprouting|sprouts)\b/, is("pulse", "pulse-lectin", "grain", "seed"), () => "vegetable"],
];

const COOKED =
  /\b(?:cooked|pre-?cooked|ready-cooked|leftover|left-over|roasted|rotisserie|poached|boiled|hard-boiled|steamed|fried|baked|braised|confit|canned|tinned|from yesterday|cold roast)\b/i;
const UNCOOKED = /\b(?:un-?cooked|to be cooked|raw)\b/i;

/** Pages and rules ask for the same names again and again. */
const MOST_KEPT = 5000;
function kept<T>(known: Map<string, T>, key: string, read: () => T): T {
  if (!known.has(key)) {
    if (known.size >= MOST_KEPT) known.clear();
    known.set(key, read());
  }
  return known.get(key) as T;
}
const UNDERSTOOD = new Map<string, Understood | undefined>();
const NAMED = new Map<string, readonly Understood[]>();

/**
 * @param name an ingredient's name as a cook wrote it, with or without an amount
 * @param chosen the food that the cook has chosen for it, by its id in the table: no words are asked then but those that turn it
 * @returns undefined where no word of it is in the table: nothing is known of it then, and that is no sign that it is harmless
 */
export function understand(name: string, chosen?: string): Understood | undefined {
  return kept(UNDERSTOOD, `${chosen ?? ""}|${name}`, () => read(name, chosen));
}

function read(name: string, chosen: string | undefined): Understood | undefined {
  const text = turned(name.normalize("NFC").replaceAll(CUTS, " ").trim());
  const own = chosen === undefined ? undefined : foodOf(chosen);
  const exact = PHRASES.get(wordsOf(name).join(" "));
  const hit = own ? { food: own, phrase: own.name, confidence: 1 } : exact ? { ...exact, confidence: 1 } : phraseOf(text);
  if (!hit) return undefined;
  const { food, phrase, confidence } = hit;
  const words = text.toLowerCase();
  let kind = food.class;
  // What the table names as it is, is not turned again by its own words.
  const rest = wordsOf(phrase).reduce((left, w) => left.replace(new RegExp(`\\b${w.replaceAll(/[^a-z0-9]/g, ".")}\\w*`), " "), words);
  for (const [turn, from, to] of TURNS) if (turn.test(rest) && from(kind)) kind = to(kind);
  const free = [...words.matchAll(/\b(\w+)[- ]free\b/g)].map((m) => m[1] as string);
  const drops = new Set(free.flatMap((w) => FREE_OF[w] ?? []));
  const vegan = kind === "plant-substitute" && food.class !== "plant-substitute";
  return {
    food,
    class: kind,
    phrase,
    confidence,
    allergens: vegan
      ? []
      : kind === "soft-drink" && food.class !== "soft-drink"
        ? food.allergens
        : food.allergens.filter((a) => !drops.has(a)),
    cooked: COOKED.test(words) && !UNCOOKED.test(words),
    frozen: /\b(?:frozen|deep-frozen|freezer)\b/.test(words),
    farmed: /\b(?:farmed|aquaculture|cultivated)\b/.test(words),
    wild: /\b(?:wild|foraged?|foragers?|(?:hand-?)?picked|gathered|from the woods?|caught|line-caught|hand-dived)\b/.test(words),
    dried: /\bdried\b/.test(words),
  };
}

/**
 * Every food that a name names, side by side: "olives stuffed with almonds" names two. What it says to be free of something, or made
 * without it, keeps that sense.
 */
export const foodsNamed = (name: string): readonly Understood[] => kept(NAMED, name, () => allNamed(name));

function allNamed(name: string): Understood[] {
  const text = turned(name.replaceAll(CUTS, " "));
  const whole = wordsOf(text).map(mended);
  const found = phrasesIn(whole);
  const apart: Found[] = [];
  for (const f of found.sort((a, b) => b.to - b.from - (a.to - a.from) || a.from - b.from))
    if (apart.every((x) => f.to <= x.from || f.from >= x.to)) apart.push(f);
  const main = understand(name);
  const rest = apart
    .filter(
      (f) =>
        f.food !== main?.food &&
        !new RegExp(`\\b${f.phrase.split(" ")[0]}\\w*[- ]free`, "i").test(text) &&
        !/^(?:seed|leaves|herb|roll|nut)$/.test(f.phrase),
    )
    .flatMap((f) => understand(f.phrase) ?? [])
    // "Vegan cheese", "beef stock": the words before a kind say what it is made of, or like.
    .filter(
      (u) =>
        main === undefined || (main.class !== "plant-substitute" && main.class !== "soft-drink") || u.class === "nut" || u.class === "soy",
    );
  return main ? [main, ...rest] : rest;
}

const FREE_OF: Readonly<Record<string, readonly string[]>> = {
  gluten: ["gluten_cereals", "wheat"],
  wheat: ["wheat", "gluten_cereals"],
  dairy: ["milk"],
  milk: ["milk"],
  egg: ["eggs"],
  nut: ["tree_nuts"],
  soy: ["soybeans"],
  soya: ["soybeans"],
  sulphite: ["sulphites"],
  celery: ["celery"],
};

/** The phrase that says what it is, and how sure that is. */
function phraseOf(text: string): { food: Food; phrase: string; confidence: number } | undefined {
  const whole = wordsOf(text).map(mended);
  const all = phrasesIn(whole);
  if (all.length === 0) return undefined;
  const cut = ASIDE.exec(text)?.index ?? text.length;
  const firstPart = wordsOf(text.slice(0, cut)).length;
  const inFirst = all.filter((f) => f.from < firstPart);
  const candidates = inFirst.length ? inFirst : all;
  // The first of several things that stand side by side says what it is ("salt and black pepper"), unless both belong to one kind that
  // comes last ("pork and fennel sausages"); within one, the last phrase does.
  const joint = SEVERAL.exec(text.slice(0, cut).toLowerCase())?.index;
  const before = joint === undefined ? undefined : wordsOf(text.slice(0, joint)).length;
  const ahead = before === undefined ? [] : candidates.filter((f) => f.to <= before);
  const behind = candidates.filter(
    (f) => before !== undefined && f.from >= before && !candidates.some((x) => x !== f && x.from <= f.from && x.to >= f.to),
  );
  const own = ahead.length === 0 || behind.length > 1 ? candidates : ahead;
  const last = own.reduce((a, b) => (b.to > a.to ? b : b.to === a.to && b.to - b.from > a.to - a.from ? b : a));
  // A cut by itself is of what stands before it: "hake steaks".
  const best = CUT.test(last.phrase) ? (own.findLast((f) => f.to === last.from) ?? last) : last;
  const left = whole.filter((w, i) => (i < best.from || i >= best.to) && i < Math.max(firstPart, best.to) && !PLAIN.has(w));
  const after = whole.slice(best.to, Math.max(firstPart, best.to)).some((w) => !PLAIN.has(w) && !VOCABULARY.has(w));
  const doubt = (inFirst.length ? 0 : 0.4) + (after ? 0.3 : 0) + (left.some((w) => !VOCABULARY.has(w)) ? 0.1 : 0);
  const misspelt = whole.slice(best.from, best.to).some((w) => !wordsOf(text).includes(w)) ? 0.2 : 0;
  return { food: best.food, phrase: best.phrase, confidence: Math.max(0.4, Math.round((1 - doubt - misspelt) * 10) / 10) };
}
