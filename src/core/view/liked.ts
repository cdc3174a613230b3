// What a run says of waits and ways of making, once the cook has judged its components.
import { type LikedMethod, likedMethod } from "../dish/edit/liked-methods";
import { type Liked, type RealWait, realWait } from "../dish/edit/real-waits";
import type { Dish } from "../dish/model";
import type { DishFile } from "../dish/schema";
import type { Plan } from "../planner/plan";
import type { ReviewRow } from "./run-review";

type LikedOf = (component: string) => Liked | undefined;

/** The place that was planned for each output: by its reference, index of the hold and where. */
const placesOf = (plan: Plan | undefined): ReadonlyMap<string, number> => new Map(plan?.holds.map((h) => [h.output, h.hold]));

/**
 * Outputs that waited longer than the dish lets them, or past their best, by the presses: from the end of the step that made one to the start of the last that took it.
 * @param plan the first of the run: where it says nothing of an output, the first place of the dish counts
 */
export function realWaits(document: DishFile, dish: Dish, plan: Plan | undefined, rows: readonly ReviewRow[], liked: LikedOf): RealWait[] {
  const done = new Map(rows.flatMap((r) => (r.really && !r.really.skipped ? [[r.step, r.really] as const] : [])));
  const places = placesOf(plan);
  const steps = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((step) => ({ step, component: c.id }))));
  return steps.flatMap(({ step, component }) => {
    const made = done.get(step.ref);
    if (made?.minutes === undefined) return [];
    const from = made.start + made.minutes;
    return step.makes.flatMap((output) => {
      const taken = steps.flatMap(({ step: s }) => (s.takes.some((t) => t.from === output.ref) ? (done.get(s.ref)?.start ?? []) : []));
      const waited = Math.max(...taken) - from;
      const found = waited > 0 ? realWait(document, output.ref, places.get(output.ref) ?? 0, waited, liked(component)) : undefined;
      return found ? [found] : [];
    });
  });
}

/** Ways of making that were liked or not, where a component has several. */
export function likedMethods(document: DishFile, dish: Dish, rows: readonly ReviewRow[], liked: LikedOf): LikedMethod[] {
  const done = new Set(rows.flatMap((r) => (r.really && !r.really.skipped ? [r.step] : [])));
  return dish.components.flatMap((c) => {
    const used = c.methods.filter((m) => m.steps.some((s) => done.has(s.ref)));
    // By two of them at once, as where one was given up, says nothing of either.
    const found = used.length === 1 ? likedMethod(document, c.id, used[0]?.id ?? "", liked(c.id)) : undefined;
    return found ? [found] : [];
  });
}
