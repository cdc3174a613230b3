// How sure a plan is: many runs of it with lengths as they may fall out, followed as a cook follows a plan.
// Policy: a step starts at its planned time (before it only where what may not wait is ready early), or as soon after it as what it needs is ready and the hands, pots and machines that
// the plan gives it are free (the plan's own order is kept). Work by hand waits for the cook's hours, but a cook stays up an hour for what
// has slipped (told as overtime). What would wait too long for a taker that is known to be late is itself held back, so that longest
// waits are kept where that can be done; where it cannot, the broken wait is counted.
// Lengths: PERT distribution by a table of quantiles. Source: Malcolm and others 1959; policy: right shift in plan order.
import { componentOf, type Dish, type Step } from "../dish/model";
import { pertQuantile } from "../dish/planned-length";
import { intervalsOfHours } from "../time/calendar";
import { type Intervals, intersect, startsFitting, subtract, union } from "../time/interval";
import type { Plan, PlannedStep } from "./plan";
import { seededRandom } from "./random";

const QUANTILES = 256;
/** So long a cook works on past the hours for what has slipped. */
const STAYS_UP_MINUTES = 60;
const WEEK = 7 * 1440;
/** Users of the same thing whose end a user waits for. */
const PREDECESSORS = 2;

export interface Risk {
  readonly runs: number;
  readonly seed: number;
  /** Shares of the runs in which the dish is at the table on time, at most 15 and at most 30 minutes late. */
  readonly onTime: number;
  readonly within15: number;
  readonly within30: number;
  /** Minutes earlier that the whole plan would have to begin to be on time in 95 of 100 runs; 0 where it is already. */
  readonly bufferMinutes95: number;
  readonly lateness: { readonly p50: number; readonly p80: number; readonly p95: number };
  /** When each component is ready (its last step ends), against the plan, in minutes. */
  readonly components: readonly {
    readonly component: string;
    readonly planned: number;
    readonly p50: number;
    readonly p80: number;
    readonly p95: number;
  }[];
  /** Of the late runs, the share in which the step was longer than planned and on the chain that made it late; most first. */
  readonly blame: readonly { readonly step: string; readonly share: number }[];
  /** Share of the runs in which somebody works past their hours. */
  readonly overtime: number;
  /** Share of the runs in which a longest wait is broken, by the step that comes too late; most first. */
  readonly brokenWaits: readonly { readonly step: string; readonly share: number; readonly safety: boolean }[];
  /** For each component that could be replaced: the last moment to decide for the stand-in. */
  readonly fallbacks: readonly { readonly component: string; readonly decideBy: number }[];
}

interface Node {
  readonly planned: PlannedStep;
  readonly step: Step;
  /** What must be over first: node, whether its end or its start counts, minutes after. */
  readonly before: readonly { readonly node: number; readonly end: boolean; readonly lag: number }[];
  /** The same, flat: twice the node, plus one for its end; and the minutes. */
  readonly beforeAt: Int32Array;
  readonly beforeLag: Float64Array;
  readonly longest: readonly { readonly node: number; readonly end: boolean; readonly lag: number; readonly safety: boolean }[];
  /** Starts at which its hands find their cook at work, sorted; undefined where it needs none. */
  readonly starts: Intervals | undefined;
  /** The same with the hour that a cook stays up. */
  readonly lateStarts: Intervals | undefined;
  /** Later steps that may not wait long for this one. */
  readonly holdsBack: { readonly node: number; readonly end: boolean; readonly lag: number }[];
  readonly earliestEnd: number;
  readonly table: Float64Array;
  readonly gap: number;
}

/**
 * Risk figures of a plan.
 * @param runs at least 1; 10,000 give shares to about a hundredth
 */
export function riskOf(dish: Dish, plan: Plan, runs = 10_000, seed = 1, onProgress?: (done: number) => void): Risk {
  const nodes = nodesOf(dish, plan);
  const random = seededRandom(seed);
  const count = nodes.length;
  const start = new Float64Array(count);
  const end = new Float64Array(count);
  const cause = new Int32Array(count);
  const servings = servingNodes(dish, plan, nodes);
  const lateness = new Float64Array(runs);
  const blame = new Float64Array(count);
  const broken = new Float64Array(count);
  let overtime = 0;
  const brokenSafety = new Uint8Array(count);
  const components = [...new Set(nodes.map((n) => componentOf(n.step.ref)))];
  const componentOfNode = nodes.map((n) => components.indexOf(componentOf(n.step.ref)));
  const ready = components.map(() => new Float64Array(runs));
  let lateRuns = 0;
  for (let run = 0; run < runs; run++) {
    let over = false;
    for (let i = 0; i < count; i++) {
      const node = nodes[i] as Node;
      // Not before its planned time, unless what may not wait for it is ready early.
      let at = node.planned.start;
      for (const w of node.longest) {
        const until = ((w.end ? end[w.node] : start[w.node]) as number) + w.lag;
        if (until < at) at = until;
      }
      let by = -1;
      const { beforeAt, beforeLag } = node;
      for (let b = 0; b < beforeAt.length; b++) {
        const key = beforeAt[b] as number;
        const from = ((key & 1 ? end[key >> 1] : start[key >> 1]) as number) + (beforeLag[b] as number);
        if (from > at) {
          at = from;
          by = key >> 1;
        }
      }
      if (at <= node.planned.start) by = -1;
      for (const held of node.holdsBack) {
        const until = heldUntil(nodes, held, i, node, start, end);
        if (until > at) at = until;
      }
      if (node.starts && node.lateStarts && at !== node.planned.start) {
        const strict = firstAtOrAfter(node.starts, at);
        at = firstAtOrAfter(node.lateStarts, at);
        if (strict > at + 1e-6) over = true;
      }
      start[i] = at;
      end[i] = Math.max(at + (node.table[Math.floor(random() * QUANTILES)] as number) + node.gap, node.earliestEnd);
      cause[i] = by;
      for (const w of node.longest) {
        if (at - ((w.end ? end[w.node] : start[w.node]) as number) <= w.lag + 1e-6) continue;
        broken[i] = (broken[i] as number) + 1;
        if (w.safety) brokenSafety[i] = 1;
        break;
      }
      const c = ready[componentOfNode[i] as number] as Float64Array;
      c[run] = Math.max(c[run] as number, end[i] as number);
    }
    let worst = 0;
    let at = -1;
    for (const { node, due } of servings) {
      const late = (end[node] as number) - due;
      if (late > worst + 1e-6) [worst, at] = [late, node];
    }
    lateness[run] = worst;
    if (worst > 0.5) lateRuns++;
    if (over) overtime++;
    // The chain that made it late, from the table back to where it left the plan.
    for (let i = at; worst > 0.5 && i >= 0; i = cause[i] as number) {
      const { planned } = nodes[i] as Node;
      if ((end[i] as number) - (start[i] as number) > planned.end - planned.start + 0.5) blame[i] = (blame[i] as number) + 1;
    }
    if (run % 1000 === 999) onProgress?.((run + 1) / runs);
  }
  const share = (n: number) => n / runs;
  const sorted = lateness.slice().sort();
  return {
    runs,
    seed,
    onTime: share(lateness.filter((l) => l <= 0.5).length),
    within15: share(lateness.filter((l) => l <= 15.5).length),
    within30: share(lateness.filter((l) => l <= 30.5).length),
    bufferMinutes95: Math.ceil(quantile(sorted, 0.95) - 0.5 > 0 ? quantile(sorted, 0.95) : 0),
    lateness: { p50: quantile(sorted, 0.5), p80: quantile(sorted, 0.8), p95: quantile(sorted, 0.95) },
    components: components.map((component, c) => {
      const ends = (ready[c] as Float64Array).slice().sort();
      const planned = Math.max(...nodes.filter((n) => componentOf(n.step.ref) === component).map((n) => n.planned.end));
      return {
        component,
        planned,
        p50: Math.round(quantile(ends, 0.5)),
        p80: Math.round(quantile(ends, 0.8)),
        p95: Math.round(quantile(ends, 0.95)),
      };
    }),
    blame: ranked(nodes, blame, Math.max(1, lateRuns)),
    overtime: share(overtime),
    brokenWaits: ranked(nodes, broken, runs).map((b) => ({
      ...b,
      safety: brokenSafety[nodes.findIndex((n) => n.step.ref === b.step)] === 1,
    })),
    fallbacks: fallbacksOf(dish, plan),
  };
}

/** Minute before which a step need not start, since the one that may not wait long for it is known to come late. */
function heldUntil(
  nodes: readonly Node[],
  held: Node["holdsBack"][number],
  index: number,
  node: Node,
  start: Float64Array,
  end: Float64Array,
): number {
  const taker = nodes[held.node] as Node;
  const { beforeAt, beforeLag } = taker;
  let at = taker.planned.start;
  for (let b = 0; b < beforeAt.length; b++) {
    const key = beforeAt[b] as number;
    if (key >> 1 >= index) continue;
    const from = ((key & 1 ? end[key >> 1] : start[key >> 1]) as number) + (beforeLag[b] as number);
    if (from > at) at = from;
  }
  if (at <= taker.planned.start) return 0;
  return at - held.lag - (held.end ? node.planned.end - node.planned.start : 0);
}

const quantile = (sorted: Float64Array, q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? 0;

function ranked(nodes: readonly Node[], counts: Float64Array, of: number): { step: string; share: number }[] {
  return nodes
    .map((n, i) => ({ step: n.step.ref, share: (counts[i] as number) / of }))
    .filter((b) => b.share >= 0.005)
    .sort((a, b) => b.share - a.share);
}

/** Steps in the plan's order with what each waits for: links, takes, and the users of the same hands and things before it. */
function nodesOf(dish: Dish, plan: Plan): Node[] {
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
  const made = order.map((planned, i): Node => {
    const step = steps.get(planned.step) as Step;
    const before: { node: number; end: boolean; lag: number }[] = [];
    const longest: { node: number; end: boolean; lag: number; safety: boolean }[] = [];
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
            .map((h) => startsFitting(shiftBy(hours(h.cook), planned.start - h.from), h.to - h.from, [from, to]))
            .reduce((a, b) => intersect(a, b))
        : undefined;
    const starts = startsIn((cook) => works.get(cook)?.hours ?? []);
    const lateStarts = startsIn((cook) => works.get(cook)?.late ?? []);
    const k = step.k ** step.grows * step.batches;
    const table = Float64Array.from({ length: QUANTILES }, (_, q) => pertQuantile(step.time, (q + 0.5) / QUANTILES) * k);
    // A stretch that the plan uses, and the gaps of a split step, are waited out as planned.
    const likely = planned.minutes;
    const gap = Math.max(0, planned.end - planned.start - likely);
    const waits = dense(before);
    // A step with a stretch is seen out when the plan has it, though it may be ready before.
    const earliestEnd = step.stretch > 0 ? planned.end : Number.NEGATIVE_INFINITY;
    return {
      planned,
      step,
      before: waits,
      beforeAt: Int32Array.from(waits, (b) => 2 * b.node + Number(b.end)),
      beforeLag: Float64Array.from(waits, (b) => b.lag),
      longest,
      starts,
      lateStarts,
      holdsBack: [],
      earliestEnd,
      table,
      gap,
    };
  });
  made.forEach((node, i) => {
    for (const w of node.longest) made[w.node]?.holdsBack.push({ node: i, end: w.end, lag: w.lag });
  });
  return made;
}

const shiftBy = (list: Intervals, by: number): Intervals => list.map(([a, b]) => [a + by, b + by]);

/** The tightest of several waits on one node. */
function dense<T extends { node: number; end: boolean; lag: number }>(list: readonly T[]): T[] {
  const best = new Map<string, T>();
  for (const b of list) {
    const key = `${b.node} ${b.end}`;
    const known = best.get(key);
    if (!known || b.lag > known.lag) best.set(key, b);
  }
  return [...best.values()];
}

function firstAtOrAfter(list: Intervals, minute: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as readonly [number, number])[1] > minute) high = middle;
    else low = middle + 1;
  }
  const found = list[low];
  return found ? Math.max(found[0], minute) : minute;
}

function servingNodes(dish: Dish, plan: Plan, nodes: readonly Node[]) {
  return [{ step: dish.serve, due: plan.serveAt }, ...dish.courses.map((c) => ({ step: c.serve, due: plan.serveAt + c.after }))].flatMap(
    ({ step, due }) => {
      const node = nodes.findIndex((n) => n.step.ref === step);
      return node < 0 ? [] : [{ node, due }];
    },
  );
}

/** The stand-in must be decided so long before its component is first taken. */
function fallbacksOf(dish: Dish, plan: Plan): Risk["fallbacks"] {
  return dish.components.flatMap((c) => {
    if (!c.fallback || plan.methods[c.id] === "fallback") return [];
    const taken = plan.holds.filter((h) => h.output.startsWith(`${c.id}.`) && !h.taker.startsWith(`${c.id}.`)).map((h) => h.to);
    return taken.length ? [{ component: c.id, decideBy: Math.min(...taken) - c.fallback.lead }] : [];
  });
}
