// A run once it is over, or on its way: what was planned before its first press beside what was really done.
import type { Dish, Step } from "../dish/model";
import type { TimeSpread } from "../dish/planned-length";
import type { LogEvent } from "../planner/log";
import type { Plan } from "../planner/plan";
import type { Timed } from "../record/learned";

export interface ReviewRow {
  readonly step: string;
  readonly name: string;
  readonly component: string;
  /** Undefined where the first plan did not have the step. */
  readonly planned: { readonly start: number; readonly minutes: number } | undefined;
  /** Undefined where nobody pressed anything of it. */
  readonly really: { readonly start: number; readonly minutes: number | undefined; readonly skipped: boolean } | undefined;
}

const stepsOf = (dish: Dish): { step: Step; component: string }[] =>
  dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((step) => ({ step, component: c.name }))));

/** Every step that was planned or done, in the order in which it was done, else planned. */
export function reviewRows(dish: Dish, plan: Plan | undefined, progress: ReadonlyMap<string, LogEvent>): ReviewRow[] {
  const planned = new Map(plan?.steps.map((s) => [s.step, { start: s.start, minutes: s.end - s.start }]));
  return stepsOf(dish)
    .flatMap(({ step, component }): ReviewRow[] => {
      const event = progress.get(step.ref);
      const at = planned.get(step.ref);
      if (!event && !at) return [];
      const really = event && {
        start: event.started,
        minutes: event.ended === undefined ? undefined : event.ended - event.started,
        skipped: event.skipped === true,
      };
      return [{ step: step.ref, name: step.name, component, planned: at, really }];
    })
    .sort((a, b) => (a.really?.start ?? a.planned?.start ?? 0) - (b.really?.start ?? b.planned?.start ?? 0));
}

/** A length as the dish says it, for the guests that come. */
const scaled = ({ time, k, grows }: Step): TimeSpread => {
  const by = k ** grows;
  return { min: time.min * by, likely: time.likely * by, max: time.max * by };
};

/** How long each step took, by the presses of a run. */
export function timedOf(dish: Dish, progress: ReadonlyMap<string, LogEvent>): Timed[] {
  return stepsOf(dish).flatMap(({ step }): Timed[] => {
    const event = progress.get(step.ref);
    if (event?.ended === undefined || event.skipped) return [];
    const minutes = event.ended - event.started;
    // Pressed at its end only, it took no time by the log.
    const interrupted = (event.pieces?.length ?? 1) > 1 || minutes === 0;
    return [{ step: step.ref, kind: step.attention, minutes, said: scaled(step), interrupted }];
  });
}
