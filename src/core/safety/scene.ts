// What the rules of safety look at: the methods in force, amounts at the number of guests, and the plan where there is one.
import type { DishFile } from "../dish/schema";
import { isRawFlesh as isRawFood } from "../foods/groups";
import type { PlanView } from "../view/plan-view";
import { gramsOf, type Item, isOf, type Part, type PartStep, partsOf } from "./part";
import { type Journey, journeysOf } from "./states/journey";
import { cooksThrough, heatOf } from "./states/process";

export interface SafetyScene {
  readonly document: DishFile;
  readonly parts: readonly Part[];
  readonly journeys: readonly Journey[];
  readonly view: PlanView | undefined;
  /** Minutes in which nobody of the cooks is awake; empty without a plan. */
  readonly asleep: readonly (readonly [from: number, to: number])[];
}

/**
 * @param chosen ids or names of methods in force, by component
 * @param view the plan, with what has been done of it
 */
export function safetyScene(
  document: DishFile,
  chosen: Readonly<Record<string, string>> = {},
  view?: PlanView,
  asleep: SafetyScene["asleep"] = [],
): SafetyScene {
  const parts = partsOf(document, chosen, view);
  return { document, parts, journeys: journeysOf(parts, document), view, asleep };
}

/** Whether a step heats what it holds through: it boils, it is probed hot, or it cooks for long enough in real heat. */
export function killsGerms(step: PartStep): boolean {
  const heat = heatOf(step);
  return heat !== undefined && cooksThrough(heat);
}

/** Flesh that is raw as it is bought. */
export const isRawFlesh = (item: Item): boolean => isRawFood(item.food);

const LASTING: ReadonlySet<string> = new Set(["dough", "ferment", "pickle", "dry", "oil"]);
const GROWS = isOf(
  "egg",
  "milk",
  "milk-raw",
  "cream",
  "cheese-fresh",
  "rice",
  "pulse",
  "pulse-lectin",
  "pulse-canned",
  "soy",
  "stock",
  "mushroom",
  "mushroom-wild",
  "pasta",
  "cured-cooked",
  "fish-smoked",
);
/** Of all of it, sugar and dried fruit: a fruit pudding or a honey dough, in which they leave no water to grow in. */
const SUGARED = 0.4;
const isSugared = (part: Part) => {
  const all = gramsOf(part, () => true);
  return (
    all > 0 &&
    !part.items.some((i) => isRawFlesh(i) || isOf("cream", "milk", "milk-raw")(i)) &&
    gramsOf(part, (i) => isOf("sugar", "honey", "syrup", "fruit-dried")(i) || CANDIED.test(i.ingredient.name)) >= SUGARED * all
  );
};
const CANDIED = /\b(?:candied|mixed peel|crystallised)\b/i;
export const isPotato = (item: Item) => item.food?.food.id === "potato";
/** Whether a component is food in which things grow between 5 and 60 °C. */
export function isGrowing(part: Part): boolean {
  if (LASTING.has(part.component.kind) || isSugared(part)) return false;
  return part.items.some((i) => isRawFlesh(i) || (GROWS(i) && !/powder|vanilla/i.test(i.ingredient.name)) || isPotato(i));
}

/** What stands dry, whatever goes into the rest of its component: nothing grows in it. */
export const DRY = /\b(?:crumbs?|croutons?|crackers|crisps|brittle|praline|nuts|biscuits?|wafers?|tuiles?|meringues?)\b/i;

export const careOf = ({ document }: Pick<SafetyScene, "document">): readonly string[] => document.dish.guests?.care ?? [];
