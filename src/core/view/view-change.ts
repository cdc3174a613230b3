// What differs between two views of one dish's plan: small enough to be sent thirty times a second while a step is dragged.
import type { PlanView, StepView, WaitView } from "./plan-view";

export interface ViewChange {
  readonly steps: readonly Pick<StepView, "ref" | "start" | "end" | "pieces" | "hands" | "rounds" | "equipment">[];
  readonly waits: readonly WaitView[];
}

const keyOf = (w: WaitView) => `${w.fromStep} ${w.toStep} ${w.name}`;
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Pre: both are of the same methods, so that the same steps and waits are in both. */
export function changeOfView(before: PlanView, after: PlanView): ViewChange {
  const steps = new Map(before.steps.map((s) => [s.ref, s]));
  const waits = new Map(before.waits.map((w) => [keyOf(w), w]));
  return {
    steps: after.steps
      .filter((s) => {
        const old = steps.get(s.ref);
        return !old || old.start !== s.start || old.end !== s.end || !same(old.hands, s.hands) || !same(old.equipment, s.equipment);
      })
      .map(({ ref, start, end, pieces, hands, rounds, equipment }) => ({ ref, start, end, pieces, hands, rounds, equipment })),
    waits: after.waits.filter((w) => {
      const old = waits.get(keyOf(w));
      return !old || old.from !== w.from || old.to !== w.to || old.place !== w.place || !same(old.window, w.window);
    }),
  };
}

/** The view with a change; what the change does not touch is the same object as before. */
export function changedView(view: PlanView, change: ViewChange): PlanView {
  const steps = new Map(change.steps.map((s) => [s.ref, s]));
  const waits = new Map(change.waits.map((w) => [keyOf(w), w]));
  const moved = view.steps
    .map((s) => {
      const now = steps.get(s.ref);
      return now ? { ...s, ...now } : s;
    })
    .sort((a, b) => a.start - b.start || a.end - b.end);
  return {
    ...view,
    begins: Math.min(view.serveAt, ...moved.map((s) => s.start)),
    ends: Math.max(view.serveAt, ...moved.map((s) => s.end)),
    steps: moved,
    waits: view.waits.map((w) => waits.get(keyOf(w)) ?? w).sort((a, b) => a.from - b.from),
  };
}
