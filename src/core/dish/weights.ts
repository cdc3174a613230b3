// What things weigh: amounts in grams, where mass, density or pieces tell it. A weight says whether it was stated or calculated.

import { DENSITY, PIECE } from "../measures/density";
import { densityKey, pieceKey } from "../measures/ingredient-keys";
import { scaledIngredient } from "./scaled-ingredient";
import type { DishComponent, DishFile } from "./schema";
import { type Quantity, scaledOutput } from "./units";

type Ingredient = NonNullable<DishComponent["methods"][number]["ingredients"]>[number];
type Method = DishComponent["methods"][number];

export interface Weight {
  readonly grams: number;
  /** False where density, pieces or what went in had to stand for a weighed amount. */
  readonly stated: boolean;
}

/** Grams of a quantity of something. Volumes of unknown things count as water; pieces of unknown things have no weight. */
export function weightOf(quantity: Quantity, name: string): Weight | undefined {
  if (quantity.dimension === "mass") return { grams: quantity.value, stated: true };
  if (quantity.dimension === "volume") {
    const key = densityKey(name);
    return { grams: quantity.value * (key ? (DENSITY[key]?.gPerMl ?? 1) : 1), stated: false };
  }
  const key = pieceKey(name, quantity.piece ?? "piece");
  const grams = key && PIECE[key]?.asBoughtG;
  return grams ? { grams: grams * quantity.value, stated: false } : undefined;
}

/** Millilitres of a quantity of something. */
export function volumeOf(quantity: Quantity, name: string): number | undefined {
  if (quantity.dimension === "volume") return quantity.value;
  const weight = weightOf(quantity, name);
  const key = densityKey(name);
  return weight && weight.grams / (key ? (DENSITY[key]?.gPerMl ?? 1) : 1);
}

/** How many times the amounts of the file a component is made. */
export const kOf = (document: DishFile, component: DishComponent): number =>
  (document.dish.serves / document.dish.baseServes) * (component.factor ?? 1);

/** Grams of the ingredients so named, but for those that `but` names; what has no weight counts as none. */
export const gramsNamed = (list: readonly Ingredient[], k: number, name: RegExp, but?: RegExp): number =>
  sumNamed(list, k, name, but, (q, i) => weightOf(q, i.name)?.grams);
/** Millilitres of the ingredients so named. */
export const mLNamed = (list: readonly Ingredient[], k: number, name: RegExp, but?: RegExp): number =>
  sumNamed(list, k, name, but, (q, i) => volumeOf(q, i.name));

function sumNamed(
  list: readonly Ingredient[],
  k: number,
  name: RegExp,
  but: RegExp | undefined,
  of: (quantity: Quantity, i: Ingredient) => number | undefined,
): number {
  return list
    .filter((i) => name.test(i.name) && !but?.test(i.name))
    .reduce((sum, i) => {
      const quantity = scaledIngredient(i, k);
      return sum + ((quantity && of(quantity, i)) ?? 0);
    }, 0);
}

/**
 * Grams of rind, bones, fat and the like that the first steps of a method take off for something else. What a step of the method itself takes
 * again, such as the trimmed meat, stays in it.
 * @param before index of the step at which one asks
 */
export function gramsTakenOff({ steps }: Pick<Method, "steps">, component: string, before: number, k: number): number {
  const usedAgain = new Set(steps.flatMap((s) => (s.takes ?? []).map((t) => t.from.replace(`${component}.`, ""))));
  return steps
    .slice(0, before)
    .flatMap((s) => s.makes ?? [])
    .filter((o) => !usedAgain.has(o.id))
    .reduce((sum, o) => {
      const quantity = scaledOutput(o, k);
      return sum + (quantity?.dimension === "mass" ? quantity.value : 0);
    }, 0);
}

/** What the ingredients of a method weigh together, and how many of them have no weight that could be told. */
export function rawWeight(method: Method, k: number): Weight & { readonly unweighed: number } {
  let grams = 0;
  let stated = true;
  let unweighed = 0;
  for (const i of method.ingredients ?? []) {
    const quantity = scaledIngredient(i, k);
    const weight = quantity && weightOf(quantity, i.name);
    if (!weight) {
      if (!i.leftOut) unweighed++;
      continue;
    }
    grams += weight.grams;
    stated = stated && weight.stated;
  }
  return { grams, stated: stated && unweighed === 0, unweighed };
}
