// Which words of an ingredient's name say what it is: the longest phrase of the table that ends where the name's first part ends. English
// puts the kind last ("beef stock" is a stock), so the last phrase decides.

import { singular } from "../plurals";
import { FOODS, type Food } from "./table";

/** Words of a phrase: small letters without accents, the singular, hyphens as spaces. */
export function wordsOf(text: string): string[] {
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
    .map((w) => (w.length > 3 && /^[a-z]+$/.test(w) ? singular(w) : w));
}

interface Index {
  readonly phrases: ReadonlyMap<string, { readonly food: Food; readonly phrase: string }>;
  /** Words of the longest phrase. */
  readonly longest: number;
  readonly vocabulary: ReadonlySet<string>;
}
let index: Index | undefined;
/** Made when a name is first asked for: it takes a fifth of a second, and many a command and page asks for none. */
function table(): Index {
  if (index) return index;
  const phrases = new Map(
    // The first of two that say the same stands.
    [...FOODS]
      .reverse()
      .flatMap((food) => [...food.names].reverse().map((name) => [wordsOf(name).join(" "), { food, phrase: name }] as const)),
  );
  const words = [...phrases.keys()].map((k) => k.split(" "));
  index = { phrases, longest: Math.max(...words.map((w) => w.length)), vocabulary: new Set(words.flat()) };
  return index;
}
/** The food whose name is just this. */
export const exactly = (name: string) => table().phrases.get(wordsOf(name).join(" "));

/** What ends the part of a name that says what it is. */
const ASIDE =
  /[,;()[\]:–—]|\b(?:for|with|in|from|to|such as|plus|on|without|at|until|into|about|cut|each|per|if|see|left over|of your choice|weighed|bought|made)\b/i;
/** Ways of saying how it is cut that hold the name of another food. */
export const CUTS =
  /\b(?:bone[- ]in|bone[- ]out|boned|off the bone|on the bone|skins?[- ]on|skins?[- ](?:off|removed)|skin[- ]side|fat[- ]cap|head[- ]on|shell[- ]on|in (?:the|their) shells?|rind[- ]on|rind[- ]off|egg[- ]sized|walnut[- ]sized|with (?:the )?(?:skin|bones?|fat|rind|leaves|shells?|tops?|greens)|tail[- ]on|fat removed|skin removed|steak[- ]cut|on the vine|pea[- ]sized|butter[- ]soft|matchsticks?|wine glass(?:es)?|egg ?cups?|salt ?spoons?|tea ?spoons?|tea ?cups?|coffee spoons?|stock pots?)\b/gi;
/** What says how much of it, or in what state: no food, and no reason for doubt. */
const PLAIN = new Set(
  "a an the of and or some small large medium big thick thin thinly thickly fine finely coarse coarsely roughly fresh freshly whole half piece chunk slice sliced chopped diced cubed peeled trimmed boneless skinless good best quality organic free range ripe raw dry dried warm cold hot chilled room temperature soft softened melted ground minced grated crushed cracked toasted roasted roast smoked cured salted unsalted pickled tinned canned jarred jar tin can bottle packet pack bag bunch handful sprig stalk stick head clove bulb knob thumb pinch dash splash drop spoon spoonful cup g kg ml l oz lb cooked leftover frozen thawed defrosted farmed wild caught picked foraged live washed rinsed drained soaked pitted stoned deseeded seeded shelled unshelled extra virgin light dark white black red green yellow brown golden pale sweet sour plain mixed baby young old mature strong mild sharp pasteurised unpasteurised vegan vegetarian plant based gluten dairy alcohol sugar lean fatty rolled tied butterflied filleted gutted scaled cleaned day very rather more about roughly lightly your own homemade home shop local new season seasonal 1 2 3 4 5 6 7 8 9 10 12 20 % uncooked blanched shredded julienned halved quartered torn picked leaves leaf spring summer winter autumn quick heaped level generous size sized medium-sized preferably plenty few little left remaining reserved optional".split(
    " ",
  ),
);
const CUT = /^(?:steak|wing|thigh|drumstick|tongue|tenderloin|rib|rump|skin|cutlet|joint)s?$/;
const SEVERAL = /\b(?:and|or|&|\/)\b/;

export interface Found {
  readonly food: Food;
  readonly phrase: string;
  readonly from: number;
  readonly to: number;
}

/** Every longest phrase that begins at each word. */
export function phrasesIn(words: readonly string[]): Found[] {
  const { phrases, longest } = table();
  return words.flatMap((_, from) => {
    for (let length = Math.min(longest, words.length - from); length > 0; length--) {
      const hit = phrases.get(words.slice(from, from + length).join(" "));
      if (hit) return [{ ...hit, from, to: from + length }];
    }
    return [];
  });
}

/** "Shoulder of lamb" is a lamb shoulder; "cream of tartar" stays what it is. */
export const turned = (text: string) =>
  text.replaceAll(
    /\b([a-z]+s?) of (?:the |a |an |half a |\d+ )?(?!tartar|your|about|a\b)([a-z]+)\b/gi,
    (all, part: string, whole: string) => (exactly(all) ? all : `${whole} ${part}`),
  );

/** A word misspelt by one letter, where only one word of the table is so near. */
export function mended(word: string): string {
  const { vocabulary } = table();
  if (word.length < 6 || vocabulary.has(word) || PLAIN.has(word) || /\d/.test(word)) return word;
  const near = [...vocabulary].filter((v) => v[0] === word[0] && Math.abs(v.length - word.length) <= 1 && isNear(v, word));
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

/** The phrase that says what it is, and how sure that is. */
export function phraseOf(text: string): { food: Food; phrase: string; confidence: number } | undefined {
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
  const { vocabulary } = table();
  const after = whole.slice(best.to, Math.max(firstPart, best.to)).some((w) => !PLAIN.has(w) && !vocabulary.has(w));
  const doubt = (inFirst.length ? 0 : 0.4) + (after ? 0.3 : 0) + (left.some((w) => !vocabulary.has(w)) ? 0.1 : 0);
  const misspelt = whole.slice(best.from, best.to).some((w) => !wordsOf(text).includes(w)) ? 0.2 : 0;
  return { food: best.food, phrase: best.phrase, confidence: Math.max(0.4, Math.round((1 - doubt - misspelt) * 10) / 10) };
}
