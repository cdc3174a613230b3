// The planner: a dish, a moment and a wish become a plan, or a reason why there is none. See docs/planner.md.
import { balanceOf, isOverTaken } from "../dish/balance";
import { DEFAULT_LEAD_MINUTES, type Dish, type Method } from "../dish/model";
import type { PlanAt } from "../dish/planned-length";
import { type Because, compile, type Model } from "./compile";
import { explainRoot, explainSearch } from "./explain/refusal";
import { extractPlan } from "./extract";
import { gainingCycle } from "./network";
import { EMPTY_LOG, type Infeasible, type Log, type Plan, type Style } from "./plan";
import { type Random, seededRandom } from "./random";
import { type Guide, Search } from "./search";
import { costlySpots, type Spot } from "./spots";
import { verifyPlan } from "./verify";

export interface PlanOptions {
  /** Nothing starts before. Default: the dish's `startNotBefore`, else 21 days before serving. No clock is read. */
  readonly now?: number | undefined;
  readonly serveAt?: number | undefined;
  readonly style?: Style | undefined;
  readonly planAt?: PlanAt | undefined;
  /** Methods that the cook has fixed, by component; "fallback" included. */
  readonly methods?: Readonly<Record<string, string>> | undefined;
  readonly log?: Log | undefined;
  readonly seed?: number | undefined;
  /** The plan so far: steps stay where they were as far as they can. */
  readonly previous?: Plan | undefined;
  /** Rounds of improvement; default 120. Decides, with the seed, what plan is found. */
  readonly rounds?: number | undefined;
  /** Conflicts spent on one choice of methods before it is given up; default 3,000. */
  readonly conflicts?: number | undefined;
  /** Asked often; true ends the search with the best plan so far. */
  readonly stop?: (() => boolean) | undefined;
  readonly onProgress?: ((progress: Progress) => void) | undefined;
}

export interface Progress {
  readonly phase: "first" | "improving";
  /** From 0 to 1. */
  readonly done: number;
  readonly leadMinutes?: number;
  readonly regret?: number;
}

export type Planned = { readonly status: "feasible"; readonly plan: Plan } | Infeasible;

/** Conflicts spent on one choice of methods, and choices tried beyond the preferred one. */
const CONFLICTS_A_CHOICE = 3_000;
const MOST_CHOICES = 24;
export const DEFAULT_ROUNDS = 120;

/** The moment before which nothing starts, for a dish and options. */
export function planningNow(dish: Dish, options: Pick<PlanOptions, "now" | "serveAt">): number {
  return options.now ?? dish.startNotBefore ?? (options.serveAt ?? dish.serveAt) - DEFAULT_LEAD_MINUTES;
}

/**
 * Plans a dish.
 *
 * Deterministic in dish, options, seed and rounds; `stop` can only end it earlier. Every plan has passed the verifier.
 */
export function planDish(dish: Dish, options: PlanOptions = {}): Planned {
  const log = options.log ?? EMPTY_LOG;
  const fixed = { ...(options.previous ? methodsBegun(dish, options.previous, log) : {}), ...log.methods, ...options.methods };
  const choices = choicesOfMethods(dish, fixed, log);
  let first: Infeasible | undefined;
  let proved = choices.complete;
  for (const methods of choices.list) {
    const planned = planWith(dish, methods, options, log);
    if (planned.status === "feasible") return planned;
    first ??= planned;
    proved &&= planned.proved;
    if (options.stop?.()) break;
  }
  return (
    (first && { ...first, proved }) ?? {
      status: "infeasible",
      proved: true,
      conflict: [{ rule: "H5", steps: [], text: "No choice of methods makes what the others take." }],
    }
  );
}

/** Methods of components that have been begun: they are finished as they were begun. */
function methodsBegun(dish: Dish, previous: Plan, log: Log): Record<string, string> {
  const begun = new Set([...log.events.keys()].map((ref) => ref.slice(0, ref.indexOf("."))));
  return Object.fromEntries(
    dish.components.filter((c) => begun.has(c.id) && previous.methods[c.id]).map((c) => [c.id, previous.methods[c.id] as string]),
  );
}

/** The preferred choice first, then by what each loses in quality: one component changed, then two. */
export function choicesOfMethods(
  dish: Dish,
  fixed: Readonly<Record<string, string>>,
  log: Log,
): { readonly list: readonly Record<string, string>[]; readonly complete: boolean } {
  const begun = (ref: string) => [...log.events.keys()].find((key) => key.startsWith(`${ref}.`));
  const open = dish.components
    .filter((c) => c.onHand.length === 0)
    .map((c) => {
      const event = begun(c.id);
      const methods = c.methods.filter(
        (m) => (fixed[c.id] === undefined || fixed[c.id] === m.id) && (event === undefined || m.steps.some((s) => s.ref === event)),
      );
      return { id: c.id, methods, fixed: fixed[c.id] };
    });
  const preferred: Record<string, string> = {};
  for (const c of open) preferred[c.id] = c.fixed ?? c.methods[0]?.id ?? "";
  const singles = open.flatMap((c) =>
    c.methods.slice(1).map((m) => ({ id: c.id, method: m.id, loss: (c.methods[0]?.quality ?? 1) - m.quality })),
  );
  const count = open.reduce((product, c) => product * Math.max(1, c.methods.length), 1);
  const pairs = singles.flatMap((a, i) => singles.slice(i + 1).flatMap((b) => (b.id === a.id ? [] : [[a, b]])));
  // Few choices are all tried; of many, those with one or two changes and the quickest way of everything.
  const quickest = open.flatMap((c) => (c.methods.length > 1 ? [{ id: c.id, method: quickestOf(c.methods).id, loss: 0 }] : []));
  const changes =
    count <= MOST_CHOICES ? everySet(open.map((c) => singles.filter((s) => s.id === c.id))) : [...singles.map((s) => [s]), ...pairs];
  const loss = (set: typeof singles) => set.reduce((sum, s) => sum + s.loss, 0);
  const sorted = changes.filter((set) => set.length > 0).sort((a, b) => loss(a) - loss(b) || a.length - b.length);
  const list = [[], ...sorted.slice(0, MOST_CHOICES), ...(count > MOST_CHOICES ? [quickest] : [])];
  return {
    list: list.map((set) => ({ ...preferred, ...Object.fromEntries(set.map((s) => [s.id, s.method])) })),
    complete: count <= MOST_CHOICES,
  };
}

/** The method with the least time in all, waiting included. */
function quickestOf(methods: readonly Method[]): Method {
  const length = (m: Method) =>
    m.steps.reduce((sum, s) => sum + s.time.likely + Math.max(0, ...s.makes.flatMap((o) => o.holds.map((h) => h.min))), 0);
  return methods.reduce((a, b) => (length(b) < length(a) ? b : a));
}

/** Every way of taking at most one of each list. */
function everySet<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>((sets, list) => sets.flatMap((set) => [set, ...list.map((entry) => [...set, entry])]), [[]]);
}

function planWith(dish: Dish, methods: Readonly<Record<string, string>>, options: PlanOptions, log: Log): Planned {
  const now = planningNow(dish, options);
  const serveAt = options.serveAt ?? dish.serveAt;
  const style = options.style ?? "late";
  const seed = options.seed ?? 1;
  const stop = options.stop ?? (() => false);
  const compiled = compile({ dish, now, serveAt, planAt: options.planAt ?? "cautious", methods, log });
  if (compiled.status === "impossible") return refused(compiled.because);
  const { model } = compiled;
  const over = model.inForce.flatMap((s) => s.makes).find((o) => isOverTaken(balanceOf(dish, o.ref, o.quantity, model.inForce)));
  if (over) return refused({ rule: "H5", steps: [over.ref], text: `With these methods more is taken of "${over.name}" than is made.` });
  const cycle = gainingCycle(2 * model.activities.length, model.lags);
  if (cycle) return { status: "infeasible", proved: true, conflict: cycle.map((l) => l.because) };
  const search = new Search(model, seededRandom(seed));
  const rootFailure = search.root();
  if (rootFailure?.status === "none") return explainRoot(model, rootFailure);
  const boundMinutes = serveAt - search.latestBeginning();
  options.onProgress?.({ phase: "first", done: 0 });
  const guide = guideFrom(model, options.previous);
  const found = search.run(options.conflicts ?? CONFLICTS_A_CHOICE, guide, stop);
  if (found.status === "none") return explainSearch(model, found);
  const frame = { style, seed, boundMinutes };
  const check = (plan: Plan) => verifyPlan(dish, plan, { now, serveAt, log }).broken;
  const plan = extractPlan(model, search.engine, frame);
  if (!plan) return refused({ rule: "H8", steps: [], text: "The rounds of a step cannot be dealt out in order (H8)." });
  const broken = check(plan);
  if (broken.length) {
    const b = broken[0] as (typeof broken)[number];
    return refused({ rule: b.rule, steps: b.steps, text: `This version found no plan that keeps rule ${b.rule}: ${b.why}` }, false);
  }
  return { status: "feasible", plan: improve(plan, { model, search, options, random: seededRandom(seed + 7), frame, check, stop }) };
}

function refused(because: Because, proved = true): Infeasible {
  return { status: "infeasible", proved, conflict: [because] };
}

function guideFrom(model: Model, previous: Plan | undefined): Guide {
  const starts = new Map<number, number>();
  const before = new Map(previous?.steps.map((s) => [s.step, s]));
  for (const activity of model.activities) {
    const planned = before.get(activity.step.ref);
    const start = activity.step.each ? planned?.pieces[activity.batch]?.[0] : planned?.start;
    if (start !== undefined) starts.set(activity.index, start);
  }
  return { starts };
}

interface Improving {
  readonly model: Model;
  readonly search: Search;
  readonly options: PlanOptions;
  readonly random: Random;
  readonly frame: { readonly style: Style; readonly seed: number; readonly boundMinutes: number };
  readonly check: (plan: Plan) => readonly unknown[];
  readonly stop: () => boolean;
}

/** Share of the rounds that look at a place that costs something. */
const SHARE_OF_SPOTS = 0.5;

const pickOne = <T>(list: readonly T[], random: Random): T | undefined => list[Math.floor(random() * list.length)];

/** What is freed about a spot, and what moves with it: its own steps, or half the time all work of that stretch of the day. */
function aroundSpot(spot: Spot, movable: Model["activities"], plan: Plan, random: Random): { free: Set<number>; moved: Set<string> } {
  const own = plan.steps.filter((s) => spot.move.includes(s.step));
  const from = Math.min(...own.map((s) => s.start)) + Math.min(0, spot.by) - 60;
  const to = Math.max(...own.map((s) => s.end)) + 60;
  const wide = random() < 0.5;
  const together = wide && random() < 0.6;
  const about = new Set(plan.steps.filter((s) => s.hands.length > 0 && s.end > from && s.start < to).map((s) => s.step));
  const free = movable.filter(
    (a) => spot.components.some((c) => a.step.ref.startsWith(`${c}.`)) || spot.move.includes(a.step.ref) || (wide && about.has(a.step.ref)),
  );
  return { free: new Set(free.map((a) => a.index)), moved: new Set(together ? [...spot.move, ...about] : spot.move) };
}

/** Large neighbourhoods: part of the plan is freed and put elsewhere, the rest stays; what is cheaper and passes the verifier is kept. */
function improve(start: Plan, { model, search, options, random, frame, check, stop }: Improving): Plan {
  const rounds = options.rounds ?? DEFAULT_ROUNDS;
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  if (movable.length === 0) return start;
  const worth = (plan: Plan) => plan.regret.total + movedCost(plan, options.previous);
  let best = start;
  let bestWorth = worth(start);
  for (let round = 0; round < rounds && !stop(); round++) {
    if (round % 10 === 0)
      options.onProgress?.({ phase: "improving", done: round / rounds, leadMinutes: best.leadMinutes, regret: best.regret.total });
    const current = guideFrom(model, best).starts;
    const spot = random() < SHARE_OF_SPOTS ? pickOne(costlySpots(best, model.dish, model.inForce), random) : undefined;
    const { free, moved } = spot
      ? aroundSpot(spot, movable, best, random)
      : { free: neighbourhood(model, movable, best, random), moved: new Set<string>() };
    const starts = new Map<number, number>();
    const frozen = new Set<number>();
    const kind = random();
    for (const activity of model.activities) {
      const at = current.get(activity.index);
      if (at === undefined) continue;
      if (!free.has(activity.index)) {
        starts.set(activity.index, at);
        if (activity.minPiece === undefined) frozen.add(activity.index);
      } else if (moved.has(activity.step.ref)) starts.set(activity.index, at + (spot?.by ?? 0));
      else if (kind < 0.5) {
        // Half the rounds try somewhere else, most often near; the other half let the free steps go as late as they can.
        const reach = random() < 0.5 ? 240 : 2880;
        starts.set(activity.index, spot ? at : Math.round(at + (random() * 2 - 1) * reach));
      }
    }
    const found = search.run(40, { starts, frozen }, stop);
    if (found.status === "none") continue;
    const plan = extractPlan(model, search.engine, frame);
    if (!plan) continue;
    const cost = worth(plan);
    if (cost < bestWorth - 1e-9 && check(plan).length === 0) {
      best = plan;
      bestWorth = cost;
    }
  }
  return best;
}

/** Each step that moves costs 1 and an hour's worth for each hour, so that a new plan stays near the one that the cook knows. */
function movedCost(plan: Plan, previous: Plan | undefined): number {
  if (!previous) return 0;
  const before = new Map(previous.steps.map((s) => [s.step, s.start]));
  return plan.steps.reduce((sum, s) => {
    const was = before.get(s.step);
    return was === undefined || was === s.start ? sum : sum + 1 + Math.abs(s.start - was) / 60;
  }, 0);
}

/** Activities to free: a component, a stretch of time, or some at random. */
function neighbourhood(_model: Model, movable: Model["activities"], plan: Plan, random: Random): Set<number> {
  const pick = movable[Math.floor(random() * movable.length)] as Model["activities"][number];
  const kind = random();
  const share = Math.min(0.9, 0.1 + 4 / movable.length);
  if (kind < 0.35) {
    const component = pick.step.ref.slice(0, pick.step.ref.indexOf("."));
    const also = random() < 0.5 ? movable[Math.floor(random() * movable.length)]?.step.ref.split(".")[0] : component;
    return new Set(movable.filter((a) => a.step.ref.startsWith(`${component}.`) || a.step.ref.startsWith(`${also}.`)).map((a) => a.index));
  }
  if (kind < 0.75) {
    const at = plan.steps.find((s) => s.step === pick.step.ref)?.start ?? plan.serveAt;
    const width = 180 + random() * 1440;
    const inside = new Set(plan.steps.filter((s) => s.end > at - width / 2 && s.start < at + width / 2).map((s) => s.step));
    return new Set(movable.filter((a) => inside.has(a.step.ref)).map((a) => a.index));
  }
  return new Set(movable.filter((a) => a === pick || random() < share).map((a) => a.index));
}

export {
  EMPTY_LOG,
  type Infeasible,
  type Log,
  LogFile,
  logFromFile,
  PLAN_ATS,
  type Plan,
  PlanFile,
  type PlannedHold,
  type PlannedStep,
  planFromFile,
  planToFile,
  STYLES,
  type Style,
} from "./plan";
export { WEIGHTS } from "./regret";
export { type Verdict, verifyPlan } from "./verify";
