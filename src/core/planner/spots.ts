// Where a plan costs what it need not: a wait outside its best, work early in the morning or late at night, a step on the heels of an
// uncertain one. Each is a place for the improvement to free and a shift to try there.
import { componentOf, type Dish, type Step } from "../dish/model";
import type { Plan } from "./plan";
import { BREATHING_SPACE_MINUTES, EARLY, LATE } from "./regret";

export interface Spot {
  /** Steps whose start is to be tried elsewhere, and by how much. */
  readonly move: readonly string[];
  readonly by: number;
  /** Components that are freed with them. */
  readonly components: readonly string[];
}

/** Spots of a plan, in no order of importance; the same may stand several times, with another shift. */
export function costlySpots(plan: Plan, dish: Dish, inForce: readonly Step[]): Spot[] {
  const spots: Spot[] = [];
  const makerOf = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, { step: s, output: o }] as const)));
  const at = new Map(plan.steps.map((s) => [s.step, s]));
  /** A step and all of its component that comes before it: they move together. */
  const upTo = (ref: string) => {
    const end = at.get(ref)?.end ?? 0;
    return plan.steps.filter((s) => componentOf(s.step) === componentOf(ref) && s.end <= end).map((s) => s.step);
  };
  for (const hold of plan.holds) {
    const made = makerOf.get(hold.output);
    const best = made?.output.holds[hold.hold]?.best;
    if (!made || !best || hold.state === "best") continue;
    const wait = hold.to - hold.from;
    const by = hold.state === "early" ? wait - best[0] : wait - best[1];
    spots.push({ move: upTo(made.step.ref), by, components: [componentOf(made.step.ref), componentOf(hold.taker)] });
    spots.push({ move: [made.step.ref], by, components: [componentOf(made.step.ref)] });
  }
  for (const step of plan.steps) {
    for (const { from, to } of step.hands) {
      const day = dish.zone.dayNumber(from);
      const late = to - Math.max(from, dish.zone.minuteOfDay(day, LATE));
      const early = Math.min(to, dish.zone.minuteOfDay(day, EARLY)) - from;
      const move = upTo(step.step);
      if (late > 0) for (const by of [-late, -1440]) spots.push({ move, by, components: [componentOf(step.step)] });
      if (early > 0) for (const by of [early, -600]) spots.push({ move: [step.step], by, components: [componentOf(step.step)] });
    }
  }
  for (const step of inForce) {
    const here = at.get(step.ref);
    for (const before of [...step.links.map((l) => l.step), ...step.takes.map((t) => makerOf.get(t.from)?.step.ref ?? "")]) {
      const maker = inForce.find((s) => s.ref === before);
      const end = at.get(before)?.end;
      if (!here || !maker || end === undefined || maker.time.max <= maker.time.likely || here.start - end >= BREATHING_SPACE_MINUTES)
        continue;
      spots.push({ move: upTo(before), by: here.start - end - BREATHING_SPACE_MINUTES, components: [componentOf(before)] });
    }
  }
  return spots;
}
