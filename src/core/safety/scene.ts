// What the rules of safety look at: the methods in force, amounts at the number of guests, and the plan where there is one.

import { isBought } from "../dish/edit/larder";
import { type DishIngredient, type DishMethod, type DishOutput, mainOutput, type StepPlace } from "../dish/edit/places";
import { MEAT } from "../dish/meat";
import { methodInForce } from "../dish/method-in-force";
import type { DishComponent, DishFile, DishStep } from "../dish/schema";
import { scaledOutput } from "../dish/units";
import { gramsNamed, kOf, mLNamed } from "../dish/weights";
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

/** One component by the method in force. */
export interface Part {
  readonly component: DishComponent;
  readonly method: DishMethod;
  readonly k: number;
  readonly steps: readonly PartStep[];
  readonly ingredients: readonly DishIngredient[];
}

export interface SafetyScene {
  readonly document: DishFile;
  readonly parts: readonly Part[];
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
  const planned = new Map(view?.steps.map((s) => [s.ref, s]));
  const parts = document.components.flatMap((component): Part[] => {
    if (component.onHand?.length || isBought(document, component.id)) return [];
    const method = methodInForce(component, chosen);
    if (!method) return [];
    return [
      {
        component,
        method,
        k: kOf(document, component),
        ingredients: (method.ingredients ?? []).filter((i) => !i.leftOut),
        steps: method.steps.map((step) => ({
          step,
          place: { component: component.id, method: method.id, step: step.id },
          ref: `${component.id}.${step.id}`,
          name: step.name ?? step.id,
          words: `${step.name ?? step.id} ${step.note ?? ""} ${step.done?.cue ?? ""}`,
          planned: planned.get(`${component.id}.${step.id}`),
        })),
      },
    ];
  });
  return { document, parts, view, asleep };
}

/** Grams of the ingredients so named, for the guests that come. */
export const gramsOf = (part: Part, name: RegExp, but?: RegExp): number => gramsNamed(part.ingredients, part.k, name, but);
/** Millilitres of the ingredients so named. */
export const mLOf = (part: Part, name: RegExp, but?: RegExp): number => mLNamed(part.ingredients, part.k, name, but);

/** Litres that an output is, for the guests that come; a kilo counts as a litre. Undefined where it is not said. */
export function litresOf(output: DishOutput | undefined, k: number): number | undefined {
  const q = output && scaledOutput(output, k);
  return q && q.dimension !== "count" ? q.value / 1000 : undefined;
}

export const outputOfPart = (part: Part): DishOutput | undefined => mainOutput(part.component, part.method);
export const likelyMinutes = (step: DishStep): number => minutesOf(typeof step.time === "string" ? step.time : step.time.likely);
export const whole = (ref: string, component: string) => (ref.includes(".") ? ref : `${component}.${ref}`);

const HEAT_VERB =
  /\b(?:boil|simmer|blanch|braise|poach|stew|fry|saut|sear|roast|bake|grill|griddle|render|steam|brown|cook|scald|pasteuri|caramelis|toast)/i;
/** Whether a step heats what it holds through: it boils, it is probed hot, or it cooks for long enough in real heat. */
export function killsGerms({ step, name }: PartStep): boolean {
  if (step.boils) return true;
  const probe = Math.max(step.done?.probeC ?? 0, step.done?.restToC ?? 0);
  if (probe > 0) return probe >= 63;
  const minutes = likelyMinutes(step);
  return (step.uses ?? []).some(
    (u) =>
      ((u.what === "oven" || u.what === "grill") && ((u.tempC ?? 0) >= 110 ? minutes >= 12 : (u.tempC ?? 0) >= 85 && minutes >= 60)) ||
      (u.what === "bath" && (u.tempC ?? 0) >= 54.5 && minutes >= 60) ||
      (u.what === "burner" && HEAT_VERB.test(name) && minutes >= 8),
  );
}

const PERISHABLE_WORDS =
  /\b(?:eggs?|yolks?|milk|cream|custard|butter ?milk|ricotta|curd|rice|beans?|lentils?|chickpeas|peas|potato(?:es)?|stock|broth|tofu|mushrooms?)\b/i;
/** What keeps on a shelf though its name says bean or milk. */
const KEEPS_ON_A_SHELF = /ferment|paste|powder|flour|vanilla|coffee|cocoa|condensed|starch/i;
const LASTING: ReadonlySet<string> = new Set(["dough", "ferment", "pickle", "dry", "oil"]);
/** Whether a component is food in which things grow between 5 and 60 °C. */
export function isGrowing(part: Part): boolean {
  if (LASTING.has(part.component.kind)) return false;
  return part.ingredients.some(
    (i) => (MEAT.test(i.name) && !/cured|dried|smoked/.test(i.name)) || (PERISHABLE_WORDS.test(i.name) && !KEEPS_ON_A_SHELF.test(i.name)),
  );
}
