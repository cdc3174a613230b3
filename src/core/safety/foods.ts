// What was understood of each ingredient of a dish: shown beside it, to be put right where it is wrong.
import type { DishFile } from "../dish/schema";
import type { FoodClass } from "../foods/table";
import { partsOf } from "./part";

interface FoodLine {
  readonly component: string;
  /** As the cook wrote it. */
  readonly ingredient: string;
  /** Id of the table of foods; null where no word of the name is known. */
  readonly food: string | null;
  /** The words that were understood. */
  readonly name: string | null;
  readonly class: FoodClass | null;
  /** 0 to 1 */
  readonly confidence: number;
}

/** @param chosen ids or names of methods in force, by component */
export const foodsOf = (document: DishFile, chosen: Readonly<Record<string, string>> = {}): FoodLine[] =>
  partsOf(document, chosen, undefined).flatMap((part) =>
    part.items.map(({ ingredient, food }) => ({
      component: part.component.id,
      ingredient: ingredient.name,
      food: food?.food.id ?? null,
      name: food?.phrase ?? null,
      class: food?.class ?? null,
      confidence: food?.confidence ?? 0,
    })),
  );
