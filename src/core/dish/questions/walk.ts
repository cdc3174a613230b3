// Every step and output of a document with its place, as the rules look at them.

import { minutesOf } from "../../time/duration";
import { DEFAULT_KITCHEN } from "../default-kitchen";
import type { DishMethod, DishOutput, StepPlace } from "../edit/places";
import { stepOf, withMethod, withStep } from "../edit/places";
import type { DishComponent, DishFile, DishStep } from "../schema";

export interface SeenStep {
  readonly component: DishComponent;
  readonly method: DishMethod;
  readonly step: DishStep;
  readonly place: StepPlace;
  /** "component.step" */
  readonly ref: string;
  /** As it is named in a question. */
  readonly name: string;
  /** Only of the first method are all questions asked. */
  readonly first: boolean;
}

/** Names the way, where a question is not about the first of several: nothing else tells which pot is meant. */
export const byWay = ({ first, method }: SeenStep): string => (first ? "" : ` by “${method.name ?? method.id}”`);

export function stepsOf(document: DishFile): SeenStep[] {
  return document.components.flatMap((component) =>
    component.onHand?.length
      ? []
      : component.methods.flatMap((method, m) =>
          method.steps.map((step) => ({
            component,
            method,
            step,
            place: { component: component.id, method: method.id, step: step.id },
            ref: `${component.id}.${step.id}`,
            name: step.name ?? step.id,
            first: m === 0,
          })),
        ),
  );
}

/** Least and longest minutes of a step. */
export function spanOf(step: DishStep): { readonly min: number; readonly likely: number; readonly max: number } {
  if (typeof step.time === "string") {
    const m = minutesOf(step.time);
    return { min: m, likely: m, max: m };
  }
  return { min: minutesOf(step.time.min), likely: minutesOf(step.time.likely), max: minutesOf(step.time.max) };
}

export const setStep = (place: StepPlace, more: Partial<DishStep>) => (document: DishFile) =>
  withStep(document, place, (s) => ({ ...s, ...more }) as DishStep);

/** A hold added to an output of one step. */
export const addHolds = (place: StepPlace, output: string, holds: NonNullable<DishOutput["holds"]>) => (document: DishFile) =>
  withStep(document, place, (s) => ({
    ...s,
    makes: (s.makes ?? []).map((o) => (o.id === output ? { ...o, holds: [...(o.holds ?? []), ...holds] } : o)),
  }));

/** Whether the kitchen has a thing of a kind. */
export const hasKind = (document: DishFile, kind: string): boolean =>
  (document.kitchen?.equipment ?? DEFAULT_KITCHEN.equipment ?? []).some((e) => e.kind === kind);

/** A step put in behind another one; of what it would use, what the kitchen lists. */
const insertAfter = (place: StepPlace, wish: DishStep) => (document: DishFile) =>
  withMethod(document, place, (m) => {
    const { uses, ...rest } = wish;
    const own = uses?.filter((u) => hasKind(document, u.what));
    const step: DishStep = own?.length ? { ...rest, uses: own } : rest;
    const at = m.steps.findIndex((s) => s.id === place.step) + 1;
    let id = step.id;
    for (let n = 2; m.steps.some((s) => s.id === id); n++) id = `${step.id}-${n}`;
    return { ...m, steps: m.steps.toSpliced(at, 0, { ...step, id }) };
  });

/** A step that cools what the one before it made: the output moves on to the cooling. */
export const cooledBy = (place: StepPlace, output: string, step: DishStep) => (document: DishFile) => {
  const made = stepOf(document, place).makes?.find((o) => o.id === output);
  const without = withStep(document, place, (x) => {
    const makes = x.makes?.filter((o) => o.id !== output);
    const { makes: _, ...rest } = x;
    return makes?.length ? { ...rest, makes } : rest;
  });
  return insertAfter(place, made ? { ...step, makes: [made] } : step)(without);
};

/** Whole references of takes, with who takes them. */
export function takersOf(document: DishFile, output: string): readonly SeenStep[] {
  return stepsOf(document).filter((s) =>
    (s.step.takes ?? []).some((t) => (t.from.includes(".") ? t.from : `${s.component.id}.${t.from}`) === output),
  );
}

/** Whether a step's food is in a cold place, or on heat. */
export const isCold = (step: DishStep) => (step.uses ?? []).some((u) => ["fridge", "freezer", "cellar"].includes(u.what));
export const isHot = (step: DishStep) =>
  (step.uses ?? []).some((u) => ["burner", "oven", "bath", "grill", "slow-pot", "pressure-pot"].includes(u.what)) ||
  (step.tags ?? []).some((t) => t === "heat" || t === "flame");

const PERISHABLE = new Set<DishComponent["kind"]>([
  "stock",
  "braise",
  "roast",
  "cure",
  "sausage",
  "filling",
  "dairy",
  "sauce",
  "grain",
  "batter",
  "pasta",
]);
/** Kinds of food that warm hours spoil. */
export const isPerishable = (component: DishComponent) => PERISHABLE.has(component.kind);
