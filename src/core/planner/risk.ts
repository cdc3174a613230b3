// How sure a plan is: many runs of it with lengths as they may fall out, followed as a cook follows a plan.
// Policy: a step starts at its planned time (before it only where what may not wait is ready early), or as soon after it as what it needs
// is ready and the hands, pots and machines that the plan gives it are free (the plan's own order is kept). What the log has as done
// or begun stands; a running step ends as its length falls out, not before now. Work by hand waits for the cook's hours, but a cook stays up an hour for what
// has slipped (told as overtime). What would wait too long for a taker that is known to be late is itself held back, so that longest
// waits are kept where that can be done; where it cannot, the broken wait is counted.
// Lengths: PERT distribution by a table of quantiles. Source: Malcolm and others 1959; policy: right shift in plan order.
import { componentOf, type Dish } from "../dish/model";
import { seededRandom } from "../random";
import type { Intervals } from "../time/interval";
import { EMPTY_LOG, type Log } from "./log";
import type { Plan } from "./plan";
import { type Node, nodesOf, QUANTILES } from "./risk-nodes";

interface Risk {
  readonly runs: number;
  readonly seed: number;
  /** Shares of the runs in which the dish is at the table on time, at most 15 and at most 30 minutes late. */
  readonly onTime: number;
  readonly within15: number;
  readonly within30: number;
  /** How late the latest but five of 100 runs is: so much earlier everything would have to be, hours permitting. 0 where it is on time. */
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

interface RiskOptions {
  /** At least 1; 10,000, the default, give shares to about a hundredth. */
  readonly runs?: number | undefined;
  readonly seed?: number | undefined;
  /** What has happened already, for a plan under way. */
  readonly log?: Log | undefined;
  readonly onProgress?: ((done: number) => void) | undefined;
}

/** Risk figures of a plan. The same plan, runs, seed and log give the same figures. */
export function riskOf(dish: Dish, plan: Plan, { runs = 10_000, seed = 1, log = EMPTY_LOG, onProgress }: RiskOptions = {}): Risk {
  const nodes = nodesOf(dish, plan, log);
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
  const drawn = new Float64Array(count);
  const serves = new Uint8Array(count);
  for (const { node } of servings) serves[node] = 1;
  const brokenNow = new Uint8Array(count);
  const takeable = nodes.some((n) => Number.isFinite(n.least));
  /** One run with the lengths drawn: whether somebody worked past hours, how late it is at worst, and by which step. */
  const once = (taking: boolean): [over: boolean, worst: number, at: number] => {
    let over = false;
    for (let i = 0; i < count; i++) {
      const node = nodes[i] as Node;
      brokenNow[i] = 0;
      if (node.ended !== undefined) {
        [start[i], end[i], cause[i]] = [node.begun as number, node.ended, -1];
        continue;
      }
      // Not before its planned time, unless what may not wait for it is ready early; the table is laid when it was to be.
      let at = node.planned.start;
      for (const w of serves[i] ? [] : node.longest) {
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
      if (node.begun !== undefined) [at, by] = [node.begun, -1];
      start[i] = at;
      // The pauses of a split step take up what it runs over; else a stretch is waited out as planned.
      const ran = drawn[i] as number;
      const length = node.split ? Math.max(ran, Math.min(node.planned.end - node.planned.start, ran + node.gap)) : ran + node.gap;
      const enough = taking ? Math.max(node.planned.end - at, node.least) : length;
      end[i] = Math.max(at + Math.min(length, enough), node.earliestEnd);
      cause[i] = by;
      for (const w of node.longest) {
        if (at - ((w.end ? end[w.node] : start[w.node]) as number) <= w.lag + 1e-6) continue;
        brokenNow[i] = w.safety ? 2 : 1;
        break;
      }
    }
    let worst = 0;
    let at = -1;
    for (const { node, due } of servings) {
      const late = (end[node] as number) - due;
      if (late > worst + 1e-6) [worst, at] = [late, node];
    }
    return [over, worst, at];
  };
  for (let run = 0; run < runs; run++) {
    for (let i = 0; i < count; i++) drawn[i] = (nodes[i] as Node).table[Math.floor(random() * QUANTILES)] as number;
    let [over, worst, at] = once(false);
    // Where the table would wait, what is inside its range is taken as it is.
    if (worst > 0.5 && takeable) [over, worst, at] = once(true);
    if (over) overtime++;
    for (let i = 0; i < count; i++) {
      const c = ready[componentOfNode[i] as number] as Float64Array;
      c[run] = Math.max(c[run] as number, end[i] as number);
      if (brokenNow[i]) broken[i] = (broken[i] as number) + 1;
      if (brokenNow[i] === 2) brokenSafety[i] = 1;
    }
    lateness[run] = worst;
    if (worst > 0.5) lateRuns++;
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
