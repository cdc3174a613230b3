// What cannot be had: substitutes for an ingredient with what each costs and what else changes, leaving it out, and the way back.
// The dish's own `instead` comes first; the table is common kitchen practice. What was chosen stays written in the dish (`standsFor`).

import type { DishFile } from "../schema";
import type { Amount } from "../schema-values";
import type { DishIngredient, MethodPlace } from "./places";
import { withMethod } from "./places";
import { EditRefused } from "./refused";
import table from "./substitutes.json";

export interface Substitute {
  readonly name: string;
  readonly amount: Amount | undefined;
  /** 0 to 1, against the ingredient itself. */
  readonly quality: number;
  /** What else changes: water, salt, acid, time. */
  readonly also: string;
  readonly allergens: readonly string[] | undefined;
  /** Not a like for like: read before choosing. */
  readonly caution: boolean;
  readonly own: boolean;
}

interface Row {
  readonly for: string;
  readonly with: string;
  readonly ratio: number;
  readonly quality: number;
  readonly also: string;
  readonly allergens?: readonly string[];
  readonly caution?: boolean;
}

const ROWS = (table.items as readonly Row[]).map((r) => ({
  ...r,
  pattern: new RegExp(
    `\\b(?:${r.for
      .split("|")
      .map((w) => w.replaceAll(" ", "[ -]"))
      .join("|")})(?:e?s)?\\b`,
    "i",
  ),
  length: Math.max(...r.for.split("|").map((w) => w.length)),
}));

/** Names in which a word means another thing than its row. */
const NOT: readonly (readonly [RegExp, string])[] = [
  [/buttermilk|peanut butter|cocoa butter|butter beans|butternut/i, "butter"],
  [/sour(?:ed)? cream|ice cream|cream of tartar|cream cheese/i, "cream"],
  [/cider vinegar/i, "cider|dry cider"],
  [/wine vinegar/i, "white wine"],
  [/wine vinegar/i, "red wine"],
  [/egg yolk|egg noodles|eggplant/i, "egg"],
  [/brown sugar|muscovado|icing sugar/i, "sugar|caster sugar|granulated sugar"],
  [/duck fat|duck leg/i, "duck"],
];

/** What can stand for an ingredient, best first; those of the dish itself before those of the table. */
export function substitutesFor(ingredient: DishIngredient): Substitute[] {
  const wanted = ingredient.standsFor ?? ingredient;
  const own = (ingredient.instead ?? []).map(
    (i): Substitute => ({
      name: i.name,
      amount: i.amount,
      quality: i.quality ?? 0.8,
      also: i.note ?? "",
      allergens: undefined,
      caution: false,
      own: true,
    }),
  );
  const name = wanted.name;
  const rows = ROWS.filter((r) => r.pattern.test(name) && !NOT.some(([pattern, row]) => r.for === row && pattern.test(name)));
  // "Egg yolk" is no egg: the most particular rows that fit.
  const longest = Math.max(0, ...rows.map((r) => matched(r, name)));
  const fromTable = rows
    .filter((r) => matched(r, name) === longest)
    .sort((a, b) => b.quality - a.quality)
    .map(
      (r): Substitute => ({
        name: r.with,
        amount:
          r.ratio > 0 && wanted.amount ? { ...wanted.amount, amount: Number((wanted.amount.amount * r.ratio).toPrecision(4)) } : undefined,
        quality: r.quality,
        also: r.also,
        allergens: r.allergens,
        caution: r.caution === true,
        own: false,
      }),
    );
  return [...own, ...fromTable.filter((s) => !own.some((o) => o.name.toLowerCase() === s.name.toLowerCase()))];
}

const matched = (r: (typeof ROWS)[number], name: string) => r.pattern.exec(name)?.[0].length ?? 0;

function withIngredient(document: DishFile, place: MethodPlace, id: string, change: (i: DishIngredient) => DishIngredient): DishFile {
  return withMethod(document, place, (m) => {
    if (!m.ingredients?.some((i) => i.id === id)) throw new EditRefused("That ingredient no longer exists.");
    return { ...m, ingredients: m.ingredients.map((i) => (i.id === id ? change(i) : i)) };
  });
}

/** The substitute in the place of the ingredient; what it was is kept beside it. */
export function putInstead(document: DishFile, place: MethodPlace, id: string, substitute: Substitute): DishFile {
  return withIngredient(document, place, id, (i) => {
    const was = i.standsFor ?? {
      name: i.name,
      ...(i.amount ? { amount: i.amount } : {}),
      ...(i.note ? { note: i.note } : {}),
      ...(i.allergens ? { allergens: i.allergens } : {}),
    };
    const { note: _, allergens: __, amount: ___, leftOut: ____, ...rest } = i;
    return {
      ...rest,
      name: substitute.name,
      ...(substitute.amount ? { amount: substitute.amount } : {}),
      ...(substitute.also ? { note: substitute.also } : {}),
      ...(substitute.allergens ? { allergens: [...substitute.allergens] } : {}),
      standsFor: { ...was, quality: substitute.quality },
    };
  });
}

/** The ingredient is done without. */
export function leaveOutIngredient(document: DishFile, place: MethodPlace, id: string): DishFile {
  return withIngredient(document, place, id, (i) => ({ ...i, leftOut: true }));
}

/** Back to what it was before a substitute was chosen or it was left out. */
export function restoreIngredient(document: DishFile, place: MethodPlace, id: string): DishFile {
  return withIngredient(document, place, id, (i) => {
    const { leftOut: _, standsFor: was, ...rest } = i;
    if (!was) return rest;
    const { name: __, amount: ___, note: ____, allergens: _____, ...kept } = rest;
    return {
      ...kept,
      name: was.name,
      ...(was.amount ? { amount: was.amount } : {}),
      ...(was.note ? { note: was.note } : {}),
      ...(was.allergens ? { allergens: was.allergens } : {}),
    };
  });
}
