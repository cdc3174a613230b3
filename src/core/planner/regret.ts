// What makes one feasible plan better than another: minutes of regret, summed over eight terms.
// Hard rules are not looked at here (verify/), nor is anything searched: this file only counts.
import type { Dish, Step } from "../dish/model";
import { componentOf } from "../dish/model";
import type { Plan, PlannedStep, Regret, Style } from "./plan";

type Term = Exclude<keyof Regret, "total">;

/** Weight of each term's unit, by style. The one place where they stand. `shortest` counts the lead in minutes alone. */
export const WEIGHTS: Readonly<Record<Exclude<Style, "shortest">, Readonly<Record<Term, number>>>> = {
  late: { S1: 6, S2: 10, S3: 0.2, S4: 0.1, S5: 600, S6: 1, S7: 5, S8: 3 },
  ahead: { S1: 0.2, S2: 10, S3: 2, S4: 0.2, S5: 600, S6: 1, S7: 5, S8: 3 },
  even: { S1: 0.5, S2: 10, S3: 1, S4: 2, S5: 600, S6: 1, S7: 5, S8: 3 },
};

/** Hands-on minutes of one day that nobody minds. */
export const EASY_DAY_MINUTES = 180;
export const LAST_HOURS_MINUTES = 240;
/** Work before and after these times of day costs (S6). */
export const EARLY = 7 * 60 + 30;
export const LATE = 21 * 60 + 30;
/** So soon after an uncertain step nothing should hang on it. */
export const BREATHING_SPACE_MINUTES = 15;

/** What of a plan its price follows from. */
type Priceable = Pick<Plan, "steps" | "settings" | "methods" | "serveAt"> & {
  readonly holds: readonly Pick<Plan["holds"][number], "output" | "hold" | "from" | "to">[];
};

export interface Priced {
  readonly leadMinutes: number;
  readonly regret: Regret;
}

/**
 * Lead time and regret of a plan, counted anew from its steps, holds and settings.
 * Pre: every step of the plan belongs to a method in force (others are passed over).
 */
export function priceOf(plan: Priceable, dish: Dish, inForce: readonly Step[], style: Style): Priced {
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const earliest = plan.steps.reduce((least, s) => Math.min(least, s.start), plan.serveAt);
  const leadMinutes = plan.serveAt - earliest;
  const counts: Record<Term, number> = {
    S1: leadMinutes / 60,
    S2: hoursOutsideBest(plan, dish, inForce, planned),
    S3: 0,
    S4: 0,
    S5: lostQuality(plan, dish),
    S6: 0,
    S7: changesOfSetting(plan, dish),
    S8: hardOnTheHeels(inForce, planned),
  };
  const perDay = new Map<number, number>();
  const quiet = putTogetherLast(dish);
  for (const step of plan.steps) {
    for (const { from, to } of step.hands) {
      if (!quiet.has(componentOf(step.step))) counts.S3 += overlap(from, to, plan.serveAt - LAST_HOURS_MINUTES, plan.serveAt);
      for (let day = dish.zone.dayNumber(from); day <= dish.zone.dayNumber(to - 1); day++) {
        const at = (timeOfDay: number) => dish.zone.minuteOfDay(day, timeOfDay);
        perDay.set(day, (perDay.get(day) ?? 0) + overlap(from, to, at(0), at(1440)));
      }
      counts.S6 += unsocialMinutes(dish, from, to);
    }
  }
  counts.S4 = Math.max(0, ...[...perDay.values()].map((m) => m - EASY_DAY_MINUTES));
  if (style === "shortest") {
    return { leadMinutes, regret: { total: leadMinutes, S1: leadMinutes, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0 } };
  }
  const weights = WEIGHTS[style];
  const regret = { total: 0, S1: 0, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0 };
  for (const term of Object.keys(counts) as Term[]) {
    regret[term] = rounded(counts[term] * weights[term]);
    regret.total += regret[term];
  }
  regret.total = rounded(regret.total);
  return { leadMinutes, regret };
}

/** Components whose work in the last hours is as it should be (S3): what puts together, and what serves. */
export const putTogetherLast = (dish: Dish): ReadonlySet<string> =>
  new Set(dish.components.filter((c) => c.kind === "assembly").map((c) => c.id)).add(componentOf(dish.serve));

/** Minutes of [from, to) before half past seven or after half past nine. */
export function unsocialMinutes(dish: Dish, from: number, to: number): number {
  let sum = 0;
  for (let day = dish.zone.dayNumber(from); day <= dish.zone.dayNumber(Math.max(from, to - 1)); day++) {
    const at = (timeOfDay: number) => dish.zone.minuteOfDay(day, timeOfDay);
    sum += overlap(from, to, at(0), at(EARLY)) + overlap(from, to, at(LATE), at(1440));
  }
  return sum;
}

const rounded = (x: number) => Math.round(x * 1e6) / 1e6;

export const overlap = (a: number, b: number, from: number, to: number) => Math.max(0, Math.min(b, to) - Math.max(a, from));

/** Hours by which a wait lies outside what is best for it. */
export function hoursOutside(wait: number, best: readonly [number, number] | undefined): number {
  return best ? Math.max(0, best[0] - wait, wait - best[1]) / 60 : 0;
}

function hoursOutsideBest(
  plan: Pick<Priceable, "holds">,
  dish: Dish,
  inForce: readonly Step[],
  planned: ReadonlyMap<string, PlannedStep>,
): number {
  const holds = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, o.holds] as const)));
  for (const component of dish.components) for (const o of component.onHand) holds.set(o.ref, o.holds);
  for (const component of dish.components) {
    for (const output of component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)))
      if (!holds.has(output.ref)) holds.set(output.ref, output.holds);
  }
  let hours = 0;
  for (const hold of plan.holds) hours += hoursOutside(hold.to - hold.from, holds.get(hold.output)?.[hold.hold]?.best);
  for (const step of inForce) {
    const here = planned.get(step.ref);
    for (const link of step.links) {
      const other = planned.get(link.step);
      if (here && other) hours += hoursOutside(here.start - (link.from === "end" ? other.end : other.start), link.best);
    }
  }
  return hours;
}

/** The sum of 1 − quality over the components. */
export function lostQuality(plan: Pick<Plan, "methods">, dish: Dish): number {
  return dish.components.reduce((sum, component) => {
    if (component.onHand.length) return sum;
    const id = plan.methods[component.id];
    if (id === "fallback") return sum + 1 - (component.fallback?.quality ?? 1);
    return sum + 1 - ((component.methods.find((m) => m.id === id) ?? component.methods[0])?.quality ?? 1);
  }, 0);
}

function changesOfSetting(plan: Pick<Plan, "settings">, dish: Dish): number {
  let changes = 0;
  for (const oven of dish.equipment) {
    if (oven.kind !== "oven") continue;
    const settings = plan.settings.filter((s) => s.id === oven.id).sort((a, b) => a.from - b.from);
    for (let i = 1; i < settings.length; i++) {
      const [a, b] = [settings[i - 1], settings[i]];
      if (a && b && (a.tempC !== b.tempC || a.mode !== b.mode)) changes++;
    }
  }
  return changes;
}

/** Pairs of an uncertain step and one that needs it, once each (S8). */
export function uncertainPairs(inForce: readonly Step[]): { readonly earlier: Step; readonly later: Step }[] {
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, s] as const)));
  const byRef = new Map(inForce.map((s) => [s.ref, s]));
  const pairs = new Map<string, { earlier: Step; later: Step }>();
  for (const later of inForce) {
    const needed = [
      ...later.links.filter((l) => l.from === "end").map((l) => byRef.get(l.step)),
      ...later.takes.map((t) => makers.get(t.from)),
    ];
    for (const earlier of needed)
      if (earlier && earlier.time.max > earlier.time.likely) pairs.set(`${earlier.ref} ${later.ref}`, { earlier, later });
  }
  return [...pairs.values()];
}

/** Those of the pairs that lie less than a quarter of an hour apart. */
function hardOnTheHeels(inForce: readonly Step[], planned: ReadonlyMap<string, PlannedStep>): number {
  return uncertainPairs(inForce).filter(({ earlier, later }) => {
    const [a, b] = [planned.get(earlier.ref), planned.get(later.ref)];
    return a && b && b.start - a.end < BREATHING_SPACE_MINUTES;
  }).length;
}
