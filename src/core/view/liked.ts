// Proposals for holds and methods from a run, after the cook has judged its components.
import { type LikedMethod, likedMethod } from "../dish/edit/liked-methods";
import { type Liked, type RealWait, realWait } from "../dish/edit/real-waits";
import type { Dish } from "../dish/model";
import type { DishFile } from "../dish/schema";
import type { Plan } from "../planner/plan";
import type { ReviewRow } from "./run-review";

type LikedOf = (component: string) => Liked | undefined;

/**
 * Outputs that waited longer than the dish allows, or past their best. A wait is from the end of the step that makes the output to the start of the last
 * step that takes it, both as pressed.
 * @param plan the first plan of the run: it tells where an output waited; without it, the first hold of the dish is assumed
 */
export function realWaits(document: DishFile, dish: Dish, plan: Plan | undefined, rows: readonly ReviewRow[], liked: LikedOf): RealWait[] {
  const done = new Map(rows.flatMap((r) => (r.really && !r.really.skipped ? [[r.step, r.really] as const] : [])));
  const holdOf = new Map(plan?.holds.map((h) => [h.output, h.hold]));
  const steps = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((step) => ({ step, component: c.id }))));
  return steps.flatMap(({ step, component }) => {
    const made = done.get(step.ref);
    if (made?.minutes === undefined) return [];
    const from = made.start + made.minutes;
    return step.makes.flatMap((output) => {
      const taken = steps.flatMap(({ step: s }) => (s.takes.some((t) => t.from === output.ref) ? (done.get(s.ref)?.start ?? []) : []));
      const waited = Math.max(...taken) - from;
      const found = waited > 0 ? realWait(document, output.ref, holdOf.get(output.ref) ?? 0, waited, liked(component)) : undefined;
      return found ? [found] : [];
    });
  });
}

/** Methods that were liked or not, where a component has several. */
export function likedMethods(document: DishFile, dish: Dish, rows: readonly ReviewRow[], liked: LikedOf): LikedMethod[] {
  const done = new Set(rows.flatMap((r) => (r.really && !r.really.skipped ? [r.step] : [])));
  return dish.components.flatMap((c) => {
    const used = c.methods.filter((m) => m.steps.some((s) => done.has(s.ref)));
    // Where two were used in one run, such as when one was given up, the verdict fits neither.
    const found = used.length === 1 ? likedMethod(document, c.id, used[0]?.id ?? "", liked(c.id)) : undefined;
    return found ? [found] : [];
  });
}
