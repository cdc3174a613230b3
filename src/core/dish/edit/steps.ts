// Steps: typed, changed, moved, copied, taken out.
import type { LineStep } from "../../entry/step-draft";
import { readStepLine } from "../../entry/step-line";
import { changeByLine } from "../../entry/step-line-text";
import { withPuts } from "../puts";
import { withoutReferences } from "../references";
import type { DishFile, DishStep } from "../schema";
import { freeId, lineContext, type MethodPlace, methodOf, type StepPlace, stepOf, withMethod, withStep } from "./places";
import { EditRefused } from "./refused";

/** Whole references of a component's steps and outputs, in whatever method. */
export function ownNames(document: DishFile, component: string): Record<"step" | "output", ReadonlySet<string>> {
  const steps = (document.components.find((c) => c.id === component)?.methods ?? []).flatMap((m) => m.steps);
  return {
    step: new Set(steps.map((s) => `${component}.${s.id}`)),
    output: new Set(steps.flatMap((s) => (s.makes ?? []).map((o) => `${component}.${o.id}`))),
  };
}

/** A step that was read, with an id of its own; its links to "the step before" find that step. */
function placed(step: LineStep, id: string, before: DishStep | undefined, takenOutputs: readonly string[]): DishStep {
  const after = step.after?.flatMap((l) => {
    if (typeof l === "string" || l.step !== "") return [l];
    return before ? [{ ...l, step: before.id }] : [];
  });
  const outputs = [...takenOutputs];
  const makes = step.makes?.map((o) => {
    const fresh = freeId(o.id, outputs);
    outputs.push(fresh);
    return { ...o, id: fresh };
  });
  const { after: _, makes: __, ...rest } = step;
  return { id, ...rest, ...(after?.length ? { after } : {}), ...(makes ? { makes } : {}) };
}

/**
 * A step from a line, at a place of a method.
 * @param at index at which it will stand; behind all others where it is missing
 */
export function insertTyped(document: DishFile, place: MethodPlace, line: string, at?: number): DishFile {
  const { step } = readStepLine(line, lineContext(document, place.component));
  return withMethod(document, place, (m) => {
    const index = Math.min(at ?? m.steps.length, m.steps.length);
    const id = freeId(
      step.name?.split(" ").slice(0, 3).join(" ") ?? "step",
      m.steps.map((s) => s.id),
    );
    const outputs = m.steps.flatMap((s) => (s.makes ?? []).map((o) => o.id));
    return { ...m, steps: m.steps.toSpliced(index, 0, withPuts(placed(step, id, m.steps[index - 1], outputs), m.steps[index - 1])) };
  });
}

/** A new step between another and what that one follows: what the other takes comes to the new one first. */
export function insertStepBefore(document: DishFile, place: StepPlace, step: Partial<DishStep> & Pick<DishStep, "time">): DishFile {
  return withMethod(document, place, (m) => {
    const index = m.steps.findIndex((s) => s.id === place.step);
    const next = stepOf(document, place);
    const id = freeId(
      step.name?.split(" ").slice(0, 3).join(" ") ?? "step",
      m.steps.map((s) => s.id),
    );
    const { takes, after, ...rest } = next;
    const before = { id, ...step, ...(after ? { after } : {}), ...(takes ? { takes } : {}) } as DishStep;
    return { ...m, steps: m.steps.toSpliced(index, 1, before, { ...rest, after: [id] } as DishStep) };
  });
}

/** A step changed by a new line; what no line can say stays. */
export function retype(document: DishFile, place: StepPlace, line: string): DishFile {
  const method = methodOf(document, place);
  const index = method.steps.findIndex((s) => s.id === place.step);
  const before = method.steps[index - 1];
  return withStep(document, place, (s) => {
    const changed = changeByLine(s, line, lineContext(document, place.component));
    const after = changed.after?.flatMap((l) => (typeof l === "string" || l.step !== "" ? [l] : before ? [{ ...l, step: before.id }] : []));
    const { after: _, ...rest } = changed;
    return after?.length || (after && s.after?.length === 0) ? { ...rest, after } : rest;
  });
}

/** The method without a step, and the document without what pointed at it. */
export function removeStep(document: DishFile, place: StepPlace): DishFile {
  const ref = `${place.component}.${place.step}`;
  const step = stepOf(document, place);
  if (document.dish.serve === ref) throw new EditRefused(`“${step.name ?? step.id}” is the serving step. Choose another one first.`);
  if (methodOf(document, place).steps.length < 2) throw new EditRefused("It is the only step. Change it, or remove the component.");
  const left = withMethod(document, place, (m) => ({
    ...m,
    steps: m.steps.filter((s) => s.id !== place.step),
    // What came in there comes in at the first step that names it.
    ...(m.ingredients
      ? { ingredients: m.ingredients.map(({ step, ...i }) => (step === undefined || step === place.step ? i : { ...i, step })) }
      : {}),
  }));
  const still = ownNames(left, place.component);
  const was = ownNames(document, place.component);
  return withoutReferences(left, (r, kind) => was[kind].has(r) && !still[kind].has(r));
}

/**
 * A step moved up or down among the steps of its method.
 * Steps without a written `after` follow whatever then stands before them; written ones keep what they wait for.
 */
export function moveStep(document: DishFile, place: StepPlace, by: number): DishFile {
  return withMethod(document, place, (m) => {
    const from = m.steps.findIndex((s) => s.id === place.step);
    const to = Math.max(0, Math.min(m.steps.length - 1, from + by));
    const step = m.steps[from];
    return step && to !== from ? { ...m, steps: m.steps.toSpliced(from, 1).toSpliced(to, 0, step) } : m;
  });
}

/** The same step once more, right behind it; it makes nothing, so that no output is made twice. */
export function duplicateStep(document: DishFile, place: StepPlace): DishFile {
  return withMethod(document, place, (m) => {
    const at = m.steps.findIndex((s) => s.id === place.step);
    const step = m.steps[at];
    if (!step) return m;
    const { makes: _, after: __, ...rest } = step;
    const copy = {
      ...rest,
      id: freeId(
        step.id,
        m.steps.map((s) => s.id),
      ),
    };
    return { ...m, steps: m.steps.toSpliced(at + 1, 0, copy) };
  });
}
