// One component by the method in force, as the rules look at it: its steps, and its ingredients with the food that each is.
import { isBought } from "../dish/edit/larder";
import { type DishIngredient, type DishMethod, type DishOutput, mainOutput, type StepPlace } from "../dish/edit/places";
import { entersAt, entersUnnamed } from "../dish/enters";
import { methodInForce } from "../dish/method-in-force";
import { scaledIngredient } from "../dish/scaled-ingredient";
import type { DishComponent, DishFile, DishStep } from "../dish/schema";
import { scaledOutput } from "../dish/units";
import { kOf, volumeOf, weightOf } from "../dish/weights";
import { isRawFlesh } from "../foods/groups";
import { type Understood, understand } from "../foods/match";
import type { FoodClass } from "../foods/table";
import { minutesOf } from "../time/duration";
import type { PlanView, StepView } from "../view/plan-view";

export interface PartStep {
  readonly step: DishStep;
  readonly place: StepPlace;
  /** "component.step" */
  readonly ref: string;
  readonly name: string;
  /** Name, note and cue: what a cook reads. */
  readonly words: string;
  readonly planned: StepView | undefined;
}

/** An ingredient, the food that it is, and the step at which it comes in. */
export interface Item {
  readonly ingredient: DishIngredient;
  /** Undefined where no word of its name is known. */
  readonly food: Understood | undefined;
  /** Index into the part's steps. */
  readonly enters: number;
  /** For the guests that come; 0 where no weight is known. */
  readonly grams: number;
  readonly mL: number;
}

export interface Part {
  readonly component: DishComponent;
  readonly method: DishMethod;
  readonly k: number;
  readonly steps: readonly PartStep[];
  readonly ingredients: readonly DishIngredient[];
  readonly items: readonly Item[];
}

export const likelyMinutes = (step: DishStep): number => minutesOf(typeof step.time === "string" ? step.time : step.time.likely);

/** What a step may call a food that it does not name. */
function calledBy(kind: FoodClass): readonly string[] {
  if (kind.startsWith("fish")) return ["fish", "fillet"];
  if (kind.startsWith("poultry")) return ["bird", "meat", "poultry"];
  if (["meat", "mince", "offal", "cured-raw"].includes(kind)) return ["meat", "joint", "mince", "roast"];
  if (kind === "crustacean" || kind === "bivalve") return ["shellfish", "shell"];
  if (kind.startsWith("pulse")) return ["bean", "pulse"];
  if (kind.startsWith("cheese")) return ["cheese"];
  return [];
}

/** Components by the methods in force; what is bought or on hand has none. */
export function partsOf(document: DishFile, chosen: Readonly<Record<string, string>>, view: PlanView | undefined): Part[] {
  const planned = new Map(view?.steps.map((s) => [s.ref, s]));
  return document.components.flatMap((component): Part[] => {
    if (component.onHand?.length || isBought(document, component.id)) return [];
    const method = methodInForce(component, chosen);
    if (!method) return [];
    const steps = method.steps.map((step) => ({
      step,
      place: { component: component.id, method: method.id, step: step.id },
      ref: `${component.id}.${step.id}`,
      name: step.name ?? step.id,
      words: [step.name ?? step.id, step.note, step.done?.cue].filter(Boolean).join(". "),
      planned: planned.get(`${component.id}.${step.id}`),
    }));
    const ingredients = (method.ingredients ?? []).filter((i) => !i.leftOut);
    const k = kOf(document, component);
    const items = ingredients.map((ingredient): Item => {
      const food = understand(ingredient.name, ingredient.food);
      const quantity = scaledIngredient(ingredient, k);
      return {
        ingredient,
        food,
        enters: isRawFlesh(food)
          ? entersUnnamed(
              ingredient,
              method.steps,
              food ? calledBy(food.class) : [],
              ingredients.filter((i) => i !== ingredient).map((i) => i.name),
            )
          : entersAt(ingredient, method.steps, food ? calledBy(food.class) : []),
        grams: (quantity && weightOf(quantity, ingredient.name)?.grams) ?? 0,
        mL: (quantity && volumeOf(quantity, ingredient.name)) ?? 0,
      };
    });
    return [{ component, method, k, steps, ingredients, items }];
  });
}

export const isOf =
  (...classes: FoodClass[]) =>
  (item: Item): boolean =>
    item.food !== undefined && classes.includes(item.food.class);

/** Grams of some items, for the guests that come; what has no weight counts as none. */
export const gramsOf = (part: Part, which: (item: Item) => boolean): number =>
  part.items.reduce((sum, item) => (which(item) ? sum + item.grams : sum), 0);
/** Millilitres of some items. */
export const mLOf = (part: Part, which: (item: Item) => boolean): number =>
  part.items.reduce((sum, item) => (which(item) ? sum + item.mL : sum), 0);

/** Litres that an output is, for the guests that come; a kilo counts as a litre. Undefined where it is not said. */
export function litresOf(output: DishOutput | undefined, k: number): number | undefined {
  const q = output && scaledOutput(output, k);
  return q && q.dimension !== "count" ? q.value / 1000 : undefined;
}
export const outputOfPart = (part: Part): DishOutput | undefined => mainOutput(part.component, part.method);
export const whole = (ref: string, component: string) => (ref.includes(".") ? ref : `${component}.${ref}`);
