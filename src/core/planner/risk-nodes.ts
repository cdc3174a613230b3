// A plan made ready for rehearsal: its steps in order, with what each waits for (links, takes, the users of the same hands and things
// before it), when its hands may work, and a table of its lengths.
import type { Dish, Step } from "../dish/model";
import { intervalsOfHours } from "../time/calendar";
import { type Intervals, intersect, shift, startsFitting, subtract, union } from "../time/interval";
import type { Log } from "./log";
import type { Plan, PlannedStep } from "./plan";
import { FOLLOW, leastMinutes, mayBeTaken, trueMinutes } from "./policy";

/** Lengths in a step's table; each is as likely as the next. */
export const QUANTILES = 256;
/** So long a cook works on past the hours for what has slipped. */
const STAYS_UP_MINUTES = 60;
const WEEK = 7 * 1440;
/** Users of the same thing whose end a user waits for. */
const PREDECESSORS = 2;

interface Longest extends Wait {
  readonly safety: boolean;
}
interface Wait {
  readonly node: number;
  readonly end: boolean;
  readonly lag: number;
}

/** A step of the plan as the rehearsal follows it. */
export interface Node {
  readonly planned: PlannedStep;
  readonly step: Step;
  /** What must be over first: twice the node, plus one where its end counts; and minutes after that. Flat, since it is read in every run. */
  readonly beforeAt: Int32Array;
  readonly beforeLag: Float64Array;
  readonly longest: readonly Longest[];
  /** Starts at which its hands find their cook at work, sorted; undefined where it needs none. */
  readonly starts: Intervals | undefined;
  /** The same with the hour that a cook stays up. */
  readonly lateStarts: Intervals | undefined;
  /** Later steps that may not wait long for this one. */
  readonly holdsBack: { readonly node: number; readonly end: boolean; readonly lag: number }[];
  readonly earliestEnd: number;
  /** What the log says of it: begun then, and over then where it is done. */
  readonly begun: number | undefined;
  readonly ended: number | undefined;
  /** Its length in minutes, by equal shares of the runs. */
  readonly table: Float64Array;
  readonly gap: number;
  readonly split: boolean;
  /** After so long it may be taken as it is, where the table would wait otherwise; infinite where it may not. */
  readonly least: number;
}

/** Steps in the plan's order with what each waits for: links, takes, and the users of the same hands and things before it. */
export function nodesOf(dish: Dish, plan: Plan, log: Log): Node[] {
  const steps = new Map(
    dish.components.flatMap((c) =>
      c.methods
        .filter((m) => plan.methods[c.id] === undefined || plan.methods[c.id] === m.id)
        .flatMap((m) => m.steps.map((s) => [s.ref, s] as const)),
    ),
  );
  const order = plan.steps.filter((s) => steps.has(s.step)).sort((a, b) => a.start - b.start || a.end - b.end);
  const index = new Map(order.map((s, i) => [s.step, i]));
  const makerOf = new Map([...steps.values()].flatMap((s) => s.makes.map((o) => [o.ref, { ref: s.ref, output: o }] as const)));
  const lastUse = new Map<string, { node: number; to: number }[]>();
  const [from, to] = [Math.min(...order.map((s) => s.start)) - 1440, Math.max(...order.map((s) => s.end)) + WEEK];
  const works = new Map(
    dish.cooks.map((c) => {
      const hours = (list: Parameters<typeof intervalsOfHours>[0]) => intervalsOfHours(list, dish.zone, from, to);
      const away = hours(c.away);
      const own = hours(c.hours ?? c.awake);
      return [
        c.id,
        { hours: subtract(own, away), late: subtract(union(own.map(([a, b]) => [a, b + STAYS_UP_MINUTES] as const)), away) },
      ] as const;
    }),
  );
  const nodes = order.map((planned, i): Node => {
    const step = steps.get(planned.step) as Step;
    const before: Wait[] = [];
    const longest: Longest[] = [];
    const after = (ref: string, end: boolean, lag: number) => {
      const node = index.get(ref);
      if (node !== undefined && node < i) before.push({ node, end, lag });
    };
    for (const link of step.links) {
      after(link.step, link.from === "end", link.min);
      const node = index.get(link.step);
      if (link.max !== undefined && node !== undefined && node < i)
        longest.push({ node, end: link.from === "end", lag: link.max, safety: link.limit === "safety" });
    }
    for (const take of step.takes) {
      const made = makerOf.get(take.from);
      if (!made) continue;
      const hold = made.output.holds[plan.holds.find((h) => h.output === take.from && h.taker === step.ref)?.hold ?? 0];
      if (take.during !== undefined) after(made.ref, false, take.during);
      else after(made.ref, true, hold?.min ?? 0);
      const node = index.get(made.ref);
      if (hold?.max !== undefined && node !== undefined && node < i)
        longest.push({ node, end: true, lag: hold.max, safety: hold.limit === "safety" });
    }
    if (step.within) after(step.within, false, 0);
    // Hands and things in the order in which the plan gives them.
    const resources = [
      ...planned.hands.map((h) => ({ key: `cook ${h.cook}`, from: h.from, to: h.to })),
      ...planned.equipment.map((e) => ({ key: `thing ${e.id}`, from: e.from, to: e.to })),
    ];
    for (const r of resources) {
      const list = lastUse.get(r.key) ?? [];
      // The last few that are over before it: who came before them is over before they begin.
      const over = list.filter((o) => o.to <= r.from && o.node !== i && (order[o.node] as PlannedStep).end <= r.from);
      for (const other of over.sort((a, b) => b.to - a.to).slice(0, PREDECESSORS))
        before.push({ node: other.node, end: true, lag: Math.min(0, planned.start - r.from) });
      lastUse.set(r.key, [...list, { node: i, to: r.to }]);
    }
    const hands = planned.hands.filter((h) => h.to > h.from);
    const startsIn = (hours: (cook: string) => Intervals) =>
      hands.length
        ? hands
            .map((h) => startsFitting(shift(hours(h.cook), planned.start - h.from), h.to - h.from, [from, to]))
            .reduce((a, b) => intersect(a, b))
        : undefined;
    const starts = startsIn((cook) => works.get(cook)?.hours ?? []);
    const lateStarts = startsIn((cook) => works.get(cook)?.late ?? []);
    const table = Float64Array.from({ length: QUANTILES }, (_, q) => trueMinutes(step, (q + 0.5) / QUANTILES, FOLLOW));
    // A stretch that the plan uses, and the gaps of a split step, are waited out as planned.
    const gap = Math.max(0, planned.end - planned.start - planned.minutes);
    const waits = tightest(before);
    const event = log.events.get(step.ref);
    // A step with a stretch is seen out when the plan has it, though it may be ready before.
    const earliestEnd = step.stretch > 0 ? planned.end : Number.NEGATIVE_INFINITY;
    return {
      planned,
      step,
      beforeAt: Int32Array.from(waits, (b) => 2 * b.node + Number(b.end)),
      beforeLag: Float64Array.from(waits, (b) => b.lag),
      longest,
      starts,
      lateStarts,
      holdsBack: [],
      earliestEnd: Math.max(earliestEnd, event ? Math.max(plan.now, event.estimate ?? Number.NEGATIVE_INFINITY) : Number.NEGATIVE_INFINITY),
      begun: event?.started,
      ended: event?.ended,
      table,
      gap,
      split: step.minPiece !== undefined,
      least: mayBeTaken(step) ? leastMinutes(step) : Number.POSITIVE_INFINITY,
    };
  });
  nodes.forEach((node, i) => {
    for (const w of node.longest) nodes[w.node]?.holdsBack.push({ node: i, end: w.end, lag: w.lag });
  });
  return nodes;
}

/** The tightest of several waits on one node. */
function tightest(list: readonly Wait[]): Wait[] {
  const best = new Map<string, Wait>();
  for (const b of list) {
    const key = `${b.node} ${b.end}`;
    const known = best.get(key);
    if (!known || b.lag > known.lag) best.set(key, b);
  }
  return [...best.values()];
}
