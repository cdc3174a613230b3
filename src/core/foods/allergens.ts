// Allergens: what ingredients bring, by their own word or by their name, held against what guests avoid.
// The EU's fourteen (Regulation 1169/2011, Annex II) and the nine of the United States (FALCPA 2004, FASTER Act 2021).
// A name is a hint: what no word betrays is said to be unknown, and nothing here ever says "free from".

import { methodInForce } from "../dish/method-in-force";
import type { DishFile } from "../dish/schema";
import { CalculationError } from "../measures/calculation-error";
import { isOfMeat } from "./groups";
import { foodsNamed, type Understood, withoutPurpose } from "./match";
import type { FoodClass } from "./table";

type Region = "EU" | "US";

const EU = [
  "gluten_cereals",
  "crustaceans",
  "eggs",
  "fish",
  "peanuts",
  "soybeans",
  "milk",
  "tree_nuts",
  "celery",
  "mustard",
  "sesame",
  "sulphites",
  "lupin",
  "molluscs",
] as const;
const US = ["milk", "eggs", "fish", "crustaceans", "tree_nuts", "peanuts", "wheat", "soybeans", "sesame"] as const;
type Allergen = (typeof EU)[number] | "wheat";

/** What a name betrays; undefined where no word of it is known. */
export function allergensOfName(name: string): readonly Allergen[] | undefined {
  const foods = foodsNamed(withoutPurpose(name.replaceAll("_", " ")));
  return foods.length ? ([...new Set(foods.flatMap((f) => f.allergens))] as Allergen[]) : undefined;
}

/**
 * Allergens of a list of ingredients, in the order of the region's list, and those names of which nothing is known.
 * @param input ingredients: keys or names; region EU (14) or US (9)
 * @throws {CalculationError} E_UNKNOWN for another region, E_NOT_FINITE without a list
 * @see Regulation (EU) 1169/2011, Annex II; FALCPA 2004 and FASTER Act 2021
 * @example allergensOf({ ingredients: ["soy_sauce", "wine", "celery"], region: "EU" }).contains // gluten_cereals, soybeans, celery, sulphites
 */
export function allergensOf({ ingredients, region }: { readonly ingredients: readonly string[]; readonly region: Region }) {
  if (region !== "EU" && region !== "US") throw new CalculationError("region", "E_UNKNOWN", "region: give EU or US.");
  if (!Array.isArray(ingredients) || ingredients.some((i) => typeof i !== "string"))
    throw new CalculationError("ingredients", "E_NOT_FINITE", "ingredients: give a list of names.");
  const found = new Set<Allergen>();
  const unknown: string[] = [];
  for (const name of ingredients as readonly string[]) {
    const brings = allergensOfName(name);
    if (!brings) unknown.push(name);
    else for (const a of brings) found.add(a);
  }
  const order: readonly Allergen[] = region === "EU" ? EU : US;
  return { contains: order.filter((a) => found.has(a)), unknown, ...(unknown.length ? { warnings: ["W_UNKNOWN_INGREDIENT"] } : {}) };
}

/** Words of dish files and of guests for one allergen. */
const SAME: Readonly<Record<string, Allergen>> = {
  gluten: "gluten_cereals",
  wheat: "gluten_cereals",
  egg: "eggs",
  eggs: "eggs",
  milk: "milk",
  dairy: "milk",
  lactose: "milk",
  nut: "tree_nuts",
  nuts: "tree_nuts",
  "tree nuts": "tree_nuts",
  peanut: "peanuts",
  peanuts: "peanuts",
  soya: "soybeans",
  soy: "soybeans",
  sesame: "sesame",
  mustard: "mustard",
  celery: "celery",
  fish: "fish",
  shellfish: "crustaceans",
  crustaceans: "crustaceans",
  molluscs: "molluscs",
  sulphites: "sulphites",
  sulfites: "sulphites",
  lupin: "lupin",
};
export const ALLERGEN_WORDS: Readonly<Record<Allergen, string>> = {
  gluten_cereals: "gluten",
  wheat: "wheat",
  crustaceans: "crustaceans",
  eggs: "egg",
  fish: "fish",
  peanuts: "peanuts",
  soybeans: "soya",
  milk: "milk",
  tree_nuts: "nuts",
  celery: "celery",
  mustard: "mustard",
  sesame: "sesame",
  sulphites: "sulphites",
  lupin: "lupin",
  molluscs: "molluscs",
};
const any =
  (...classes: FoodClass[]) =>
  (f: Understood) =>
    classes.includes(f.class);
const named = (ids: RegExp) => (f: Understood) => ids.test(`${f.food.id} ${f.phrase}`);
/** What guests may avoid beyond allergens. */
const AVOIDED: Readonly<Record<string, (f: Understood) => boolean>> = {
  pork: (f) =>
    (isOfMeat(f) && f.food.species === "pork") ||
    (named(/^(?:trotter|porkskin|ears|lard|backfat|caul|casing|gelatine|bones |mince )|pork|pig\b|ham\b|bacon/)(f) &&
      !any("plant-substitute")(f)),
  beef: (f) =>
    (isOfMeat(f) && (f.food.species === "beef" || /^(?:suet|beef|oxtail|veal)/.test(f.food.id))) || named(/\bbeef\b|\bveal\b/)(f),
  meat: (f) =>
    (isOfMeat(f) && !/fish/.test(f.food.species ?? "")) ||
    named(/^gelatine/)(f) ||
    (f.class === "stock" && !named(/vegetable|fish|mushroom|dashi|kombu/)(f)),
  alcohol: (f) => (f.food.abv ?? 0) > 0.5 && f.class !== "soft-drink",
  onion: named(/^(?:onion|shallot|leek|chive)/),
  garlic: named(/garlic/),
  chilli: (f) => f.class === "chilli" || named(/chilli|cayenne|harissa|gochu/)(f),
  honey: any("honey"),
};
export const AVOIDABLE: readonly string[] = [...new Set(Object.values(ALLERGEN_WORDS)), ...Object.keys(AVOIDED)].filter(
  (a) => a !== "wheat",
);

interface AllergenRow {
  readonly allergen: string;
  /** Components that bring it, and by which ingredients. */
  readonly brought: readonly {
    readonly component: string;
    readonly name: string;
    readonly ingredients: readonly string[];
    readonly guessed: boolean;
  }[];
}

interface AllergenSheet {
  readonly rows: readonly AllergenRow[];
  /** What guests avoid and the dish has; nobody may be served this without a word. */
  readonly clashes: readonly (AllergenRow & { readonly avoided: string })[];
  /** Names that betray nothing and carry no word of their own. */
  readonly unknown: readonly { readonly component: string; readonly ingredient: string }[];
}

type Ingredient = { readonly name: string; readonly allergens?: readonly string[] | undefined; readonly leftOut?: boolean | undefined };

const keyOf = (avoided: string) => avoided.toLowerCase().trim();
/** The word of dish files for what a guest avoids. */
const wordOf = (avoided: string): string => {
  const key = keyOf(avoided);
  return Object.hasOwn(SAME, key) ? ALLERGEN_WORDS[SAME[key] as Allergen] : key;
};
const wordsOf = (i: Ingredient) => i.allergens?.map(wordOf);

/** Allergens of one ingredient, by its own words and by its name, in the words of dish files. */
export function allergenWordsOf(i: Ingredient): readonly string[] {
  const byName = (allergensOfName(i.name) ?? []).filter((a) => a !== "wheat").map((a) => ALLERGEN_WORDS[a]);
  return [...new Set([...(wordsOf(i) ?? []), ...byName])];
}

/**
 * Whether an ingredient brings what a guest avoids: by its own words, or by what its name betrays.
 * @returns undefined where nothing betrays it, which never means that it is free of it
 */
export function howItBrings(i: Ingredient, avoided: string): "said" | "guessed" | undefined {
  const [key, word] = [keyOf(avoided), wordOf(avoided)];
  if (wordsOf(i)?.includes(word)) return "said";
  const byName = allergensOfName(i.name);
  const foods = foodsNamed(i.name);
  if (byName?.some((a) => a !== "wheat" && ALLERGEN_WORDS[a] === word)) return "guessed";
  if (Object.hasOwn(AVOIDED, key)) return foods.some((f) => AVOIDED[key]?.(f)) ? "guessed" : undefined;
  // What the names of an allergen are is known; anything else is looked for as a word.
  if (Object.hasOwn(SAME, key) && byName) return undefined;
  return key.length >= 3 && new RegExp(`\\b${key.replace(/s$/, "").replaceAll(/[^a-z ]/g, ".")}`).test(i.name.toLowerCase())
    ? "guessed"
    : undefined;
}

/**
 * What the whole dish brings to the table, component by component.
 * @param chosen names or ids of methods in force, by component
 */
export function allergenSheet(document: DishFile, chosen: Readonly<Record<string, string>> = {}): AllergenSheet {
  const brought = new Map<string, Map<string, { ingredients: string[]; guessed: boolean }>>();
  const unknown: { component: string; ingredient: string }[] = [];
  const avoidedAt = new Map<string, Map<string, { ingredients: string[]; guessed: boolean }>>();
  const avoids = document.dish.guests?.avoid ?? [];
  const put = (where: typeof brought, what: string, component: string, ingredient: string, guessed: boolean) => {
    const at = where.get(what) ?? new Map();
    const row = at.get(component) ?? { ingredients: [], guessed: true };
    if (!row.ingredients.includes(ingredient)) row.ingredients.push(ingredient);
    at.set(component, { ...row, guessed: row.guessed && guessed });
    where.set(what, at);
  };
  for (const c of document.components) {
    const method = methodInForce(c, chosen);
    for (const i of (method?.ingredients ?? []) as readonly Ingredient[]) {
      if (i.leftOut) continue;
      const own = wordsOf(i);
      const byName = allergensOfName(i.name);
      for (const a of own ?? []) put(brought, a, c.id, i.name, false);
      for (const a of byName ?? [])
        if (a !== "wheat" && !own?.includes(ALLERGEN_WORDS[a])) put(brought, ALLERGEN_WORDS[a], c.id, i.name, true);
      if (!own && !byName) unknown.push({ component: c.name, ingredient: i.name });
      for (const avoided of avoids) {
        const how = howItBrings(i, avoided);
        if (how) put(avoidedAt, avoided, c.id, i.name, how === "guessed");
      }
    }
  }
  const nameOf = new Map(document.components.map((c) => [c.id, c.name]));
  const rowOf = (what: string, at: ReadonlyMap<string, { ingredients: string[]; guessed: boolean }>): AllergenRow => ({
    allergen: what,
    brought: [...at].map(([component, row]) => ({ component, name: nameOf.get(component) ?? component, ...row })),
  });
  const order = Object.values(ALLERGEN_WORDS);
  const rows = [...brought]
    .map(([what, at]) => rowOf(what, at))
    .sort((a, b) => ((order.indexOf(a.allergen) + 99) % 99) - ((order.indexOf(b.allergen) + 99) % 99));
  const clashes = [...new Set(avoids)].flatMap((avoided) => {
    const at = avoidedAt.get(avoided);
    return at?.size ? [{ avoided, ...rowOf(wordOf(avoided), at) }] : [];
  });
  return { rows, clashes, unknown };
}
