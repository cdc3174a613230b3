// An ingredient's amount for the guests that come.
import type { DishComponent } from "./schema";
import { type Quantity, quantityOf } from "./units";

type Ingredient = NonNullable<DishComponent["methods"][number]["ingredients"]>[number];

/** An ingredient's exponent on k: 1 scales with the guests, 0 stays. */
export const exponentOf = (i: Ingredient): number =>
  i.scale === "fixed" || i.amount?.fixed ? 0 : typeof i.scale === "number" ? i.scale : 1;

/** An ingredient's amount for so many times the file. What is left out has none. */
export function scaledIngredient(i: Ingredient, k: number): Quantity | undefined {
  if (!i.amount || i.leftOut) return undefined;
  const base = quantityOf(i.amount);
  return { ...base, value: base.value * k ** exponentOf(i) };
}
