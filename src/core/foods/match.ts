// Which food an ingredient's name means, and what it is there: the phrase that names it, turned by the words around it.
import { inEnglish, isWhollyForeign } from "./abroad";
import { CUTS, exactly, type Found, mended, phraseOf, phrasesIn, turned, wordsOf } from "./phrase";
import { type Food, type FoodClass, foodOf } from "./table";
import { turnedBy } from "./turns";

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

/** How sure a food is that was understood by its name in another language. */
const ABROAD_CONFIDENCE = 0.8;

function read(name: string, chosen: string | undefined): Understood | undefined {
  const foreign = chosen === undefined && isWhollyForeign(name) && !exactly(name) ? abroad(name) : undefined;
  return foreign ?? readEnglish(name, chosen) ?? (chosen === undefined ? abroad(name) : undefined);
}

function abroad(name: string): Understood | undefined {
  const english = inEnglish(name);
  const found = english === undefined ? undefined : readEnglish(english, undefined);
  return found && { ...found, confidence: Math.min(found.confidence, ABROAD_CONFIDENCE) };
}

/** From this confidence on a name is a food and nothing else, such as the heading of a part. */
const SURE = 0.9;
/** Whether a name is certainly a food: "Salt", and not "Filling". */
export const isSurelyFood = (name: string): boolean => (understand(name)?.confidence ?? 0) >= SURE;

/** Where wild food is found, as a pattern: "from the woods". */
export const FROM_OUTDOORS =
  "\\bfrom (?:the|our|a) (?:woods?|forests?|meadows?|fields?|pastures?|hedgerows?|hills?|paddocks?|copse|verges?|lawn|park|moors?|roadside|hillside|spinney|glade)\\b";
const WILD = new RegExp(
  `\\b(?:wild|foraged?|foragers?|(?:hand-?)?picked|gathered|found|caught|line-caught|hand-dived)\\b|${FROM_OUTDOORS}`,
);

function readEnglish(name: string, chosen: string | undefined): Understood | undefined {
  const text = turned(name.normalize("NFC").replaceAll(CUTS, " ").trim());
  const own = chosen === undefined ? undefined : foodOf(chosen);
  const exact = exactly(name);
  const hit = own ? { food: own, phrase: own.name, confidence: 1 } : exact ? { ...exact, confidence: 1 } : phraseOf(text);
  if (!hit) return undefined;
  const words = text.toLowerCase();
  // What the table names as it is, is not turned again by its own words.
  const rest = wordsOf(hit.phrase).reduce((left, w) => left.replace(new RegExp(`\\b${w.replaceAll(/[^a-z0-9]/g, ".")}\\w*`), " "), words);
  return {
    ...hit,
    ...turnedBy(hit.food, words, rest),
    frozen: /\b(?:frozen|deep-frozen|freezer)\b/.test(words),
    farmed: /\b(?:farmed|aquaculture|cultivated)\b/.test(words),
    wild: WILD.test(words),
    dried: /\bdried\b/.test(words),
  };
}

/**
 * A name without what it is for, where that leaves the same food: "Sugar for the currants" is sugar. What stands in brackets or behind a comma stays.
 * @example withoutPurpose("Butter for the block, 84 % fat") // "Butter, 84 % fat"
 */
export function withoutPurpose(name: string): string {
  const bare = name.replace(/\s+for\s+[^,(;]+/i, "").trim();
  const food = understand(bare)?.food.id;
  return food !== undefined && food === understand(name)?.food.id ? bare : name;
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
