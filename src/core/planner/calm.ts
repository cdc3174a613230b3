// Plans one can live with (R38): among plans whose regret is at most 1 % above the one found, calmer ones. Steps are moved one at a time, or an
// evening's work together, and a move is kept where it makes the plan calmer, keeps every rule and costs no more than that.
// What is calm, in this order: nothing that needs a watcher within an hour of bedtime; starts on five minutes; food moved when somebody
// is up and at home; work early in its evening.
import { type Dish, STORES, type Step } from "../dish/model";
import { intervalsOfHours } from "../time/calendar";
import { covers, type Intervals, intersect, subtract, union } from "../time/interval";
import type { Plan, PlannedStep } from "./plan";
import { shifted } from "./shift";

const MORE_REGRET = 0.01;
const MARK_MINUTES = 5;
const BEFORE_BED_MINUTES = 60;
/** An evening's work is moved forward by at most so much at a time. */
const EARLIER = [120, 90, 60, 45, 30, 15];
/** Passes over all steps; a step that could not move may once another has. */
const PASSES = 2;

interface House {
  readonly steps: ReadonlyMap<string, Step>;
  readonly here: Intervals;
  /** When the last of the house goes to bed. */
  readonly bedtimes: readonly number[];
}

/** A calmer plan of nearly the same regret; the plan itself where there is none. Plans under way are left alone. */
export function calmed(dish: Dish, plan: Plan, stop: () => boolean = () => false): Plan {
  const house = houseOf(dish, plan);
  const most = plan.regret.total * (1 + MORE_REGRET);
  let best = plan;
  let unrest = unrestOf(best, dish, house);
  const consider = (steps: ReadonlySet<string>, by: number) => {
    if (by === 0 || stop()) return;
    const moved = shifted(dish, best, steps, by);
    if (!moved || moved.regret.total > most + 1e-9 || moved.serveAt !== plan.serveAt) return;
    const now = unrestOf(moved, dish, house);
    if (now < unrest - 1e-9) [best, unrest] = [moved, now];
  };
  for (let pass = 0; pass < PASSES; pass++) {
    for (const { step } of plan.steps) {
      const planned = best.steps.find((s) => s.step === step) as PlannedStep;
      // One that begins when the clock says so, not when another step does.
      if (isTied(step, house)) continue;
      const off = offMark(planned.start);
      if (off === 0) continue;
      const group = tiedTogether(step, house);
      for (const steps of [group, touchingBefore(best, group), touchingAfter(best, group)])
        for (const by of [-off, MARK_MINUTES - off]) if (offMark(best.steps.find((s) => s.step === step)?.start ?? 0)) consider(steps, by);
    }
    for (const evening of eveningsOf(best, dish)) for (const by of EARLIER) consider(evening, -by);
    for (const { step } of plan.steps) {
      const planned = best.steps.find((s) => s.step === step) as PlannedStep;
      if (endsByBedtime(planned, house)) for (const by of EARLIER) consider(tiedTogether(step, house), -by);
    }
  }
  return best;
}

function houseOf(dish: Dish, plan: Plan): House {
  const [from, to] = [Math.min(...plan.steps.map((s) => s.start)) - 1440, plan.serveAt + 1440];
  const hours = (list: Parameters<typeof intervalsOfHours>[0]) => intervalsOfHours(list, dish.zone, from, to);
  const awake = dish.cooks.map((c) => hours(c.awake));
  const home = dish.cooks.map((c) => subtract([[from, to]], hours(c.away)));
  const steps = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => (plan.methods[c.id] === m.id ? m.steps.map((s) => [s.ref, s] as const) : []))),
  );
  return {
    steps,
    here: union(awake.flatMap((a, i) => intersect(a, home[i] as Intervals))),
    bedtimes: union(awake.flat()).map(([, b]) => b),
  };
}

/** Tied: it begins when another step says, not when the clock does. */
const isTied = (ref: string, { steps }: House) => steps.get(ref)?.links.some((l) => l.max !== undefined && l.max <= 10) ?? false;

/** A step with all that must follow it within minutes. */
function tiedTogether(ref: string, { steps }: House): ReadonlySet<string> {
  const group = new Set([ref]);
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of steps.values()) {
      if (group.has(step.ref) || !step.links.some((l) => group.has(l.step) && l.max !== undefined && l.max <= 10)) continue;
      group.add(step.ref);
      grew = true;
    }
  }
  return group;
}

const offMark = (minute: number): number => ((minute % MARK_MINUTES) + MARK_MINUTES) % MARK_MINUTES;

/** A group with all that ends where one of it starts, and so on back. */
function touchingBefore({ steps }: Plan, group: ReadonlySet<string>): ReadonlySet<string> {
  return grown(steps, group, (a, b) => a.end === b.start);
}

/** A group with all that starts where one of it ends, and so on. */
function touchingAfter({ steps }: Plan, group: ReadonlySet<string>): ReadonlySet<string> {
  return grown(steps, group, (a, b) => a.start === b.end);
}

function grown(steps: readonly PlannedStep[], group: ReadonlySet<string>, joins: (a: PlannedStep, inside: PlannedStep) => boolean) {
  const all = new Set(group);
  for (let grew = true; grew; ) {
    grew = false;
    for (const a of steps) {
      if (all.has(a.step) || !steps.some((b) => all.has(b.step) && joins(a, b))) continue;
      all.add(a.step);
      grew = true;
    }
  }
  return all;
}

/** The steps that hands begin on one day, with what is tied to them, day by day but the day of serving. */
function eveningsOf(plan: Plan, dish: Dish): ReadonlySet<string>[] {
  const last = dish.zone.dayNumber(plan.serveAt);
  const days = new Map<number, Set<string>>();
  for (const s of plan.steps) {
    const day = dish.zone.dayNumber(s.start);
    if (day === last || s.hands.length === 0) continue;
    days.set(day, (days.get(day) ?? new Set<string>()).add(s.step));
  }
  return [...days.values()];
}

const endsByBedtime = (planned: PlannedStep, { steps, bedtimes }: House): boolean => {
  const step = steps.get(planned.step);
  const watched = step && (step.attention === "nearby" || (step.attention === "unattended" && !step.sleepOk));
  return watched === true && bedtimes.some((bed) => planned.end > bed - BEFORE_BED_MINUTES && planned.end <= bed);
};

/** Food is put somewhere as the step begins, by nobody's hands. */
const movesFood = (step: Step) =>
  step.puts || (step.attention === "unattended" && step.uses.some((u) => (STORES as readonly string[]).includes(u.what)));

/** Points of unrest; the first kinds outweigh the later ones together. */
function unrestOf(plan: Plan, dish: Dish, house: House): number {
  let [bed, off, alone, late] = [0, 0, 0, 0];
  for (const planned of plan.steps) {
    const step = house.steps.get(planned.step);
    if (!step) continue;
    if (endsByBedtime(planned, house)) bed++;
    if (!isTied(planned.step, house) && offMark(planned.start)) off += planned.hands.length ? 1 : 0.5;
    if (movesFood(step) && !covers(house.here, planned.start, planned.start + 1)) alone++;
    for (const h of planned.hands) {
      const evening = dish.zone.wall(h.from).hour * 60 + dish.zone.wall(h.from).minute - 18 * 60;
      late += Math.max(0, evening) / 10_000;
    }
  }
  return bed * 100 + off * 1 + alone * 0.5 + late;
}
