// The planner: a dish, a moment and a wish become a plan, or a reason why there is none. See docs/planner.md.
import { balanceOf, isOverTaken } from "../dish/balance";
import { componentOf, DEFAULT_LEAD_MINUTES, type Dish } from "../dish/model";
import { seededRandom } from "../random";
import { bent, planUnderWay } from "./bend";
import { choicesOfMethods } from "./choices";
import { compile } from "./compile";
import { explainRoot, explainSearch, rejectedBy } from "./explain/refusal";
import { extractPlan, type PlanFrame } from "./extract";
import { followedOn } from "./followed-on";
import { DEFAULT_ROUNDS, guideFrom, improve, placementsFrom } from "./improve";
import { cheapened, firstByLearning, shortened } from "./learn/better";
import { Learner } from "./learn/learner";
import { EMPTY_LOG, type Log, withWishes } from "./log";
import type { Because, Model } from "./model";
import { gainingCycle } from "./network";
import { boughtBefore, type Planned, type PlanOptions } from "./options";
import type { Infeasible, Plan, Style } from "./plan";
import { lostQuality, WEIGHTS } from "./regret";
import { type Found, Search } from "./search";
import { type Broken, verifyPlan, withExceptions } from "./verify";

/** Conflicts that the quick search may spend before the learning solver is asked. */
const QUICK_CONFLICTS = 60;
/** Conflicts that the learning solver may spend on a first plan, and those that it may spend whatever the clock says. */
const LEARNERS_CONFLICTS = 1_500;
const CONFLICTS_AT_LEAST = 150;
/** Other choices of methods that are planned with, once a plan is there. */
const MOST_OTHERS = 4;
/** From so many rounds on, a bound on the regret is looked for as well. */
const ROUNDS_OF_A_BOUND = 100;
/** Changes of bounds that stand for one round of improvement: some milliseconds. */
const WORK_A_ROUND = 1_500;
/** Conflicts spent on one choice of methods. */
const CONFLICTS_A_CHOICE = 3_000;

/** The moment before which nothing starts, for a dish and options. */
export function planningNow(dish: Dish, options: Pick<PlanOptions, "now" | "serveAt">): number {
  return options.now ?? dish.startNotBefore ?? (options.serveAt ?? dish.serveAt) - DEFAULT_LEAD_MINUTES;
}

/**
 * Plans a dish.
 *
 * What the dish's wishes fix counts beside the log; its style and way of taking lengths stand where the options name none.
 * Deterministic in dish, options, seed and rounds; `stop` can only end it earlier. Every plan has passed the verifier.
 */
export function planDish(dish: Dish, asked: PlanOptions = {}): Planned {
  const log = withWishes(dish, asked.log ?? EMPTY_LOG);
  const options = { ...asked, log, style: asked.style ?? dish.wishes.style, planAt: asked.planAt ?? dish.wishes.planAt };
  const now = planningNow(dish, options);
  return log.events.size ? planUnderWay(dish, options, log, now, planChoices) : bent(dish, options, planChoices);
}

/** A plan with the first choice of methods that has one under these terms, or one that is better worth its loss of quality. */
function planChoices(dish: Dish, options: PlanOptions): Planned {
  const log = options.log ?? EMPTY_LOG;
  const choices = choicesOfMethods(dish, options);
  const rounds = options.rounds ?? DEFAULT_ROUNDS;
  let first: Infeasible | undefined;
  let proved = choices.complete;
  for (const [at, methods] of choices.list.entries()) {
    // Following a plan, the cook is not asked to change the way of making something.
    const others = rounds > 0 && !options.previous && !options.lengths?.size ? choices.list.slice(at + 1) : [];
    let better: Weighed | undefined;
    const planned = planWith(dish, methods, options, log, (plan) => {
      if (plan.style !== "shortest") better = weighMethods(dish, plan, others, options, log);
      return better === undefined || better.methods === plan.methods;
    });
    if (planned.status === "feasible") {
      if (planned.plan.style === "shortest") return { status: "feasible", plan: shortestOfAll(dish, planned.plan, others, options, log) };
      const chosen = better && better.methods !== planned.plan.methods ? planWith(dish, better.methods, options, log) : planned;
      const plan = chosen.status === "feasible" ? chosen.plan : planned.plan;
      return {
        status: "feasible",
        plan: { ...plan, boundMinutes: Math.min(plan.boundMinutes, better?.boundMinutes ?? plan.boundMinutes) },
      };
    }
    first ??= planned;
    proved &&= planned.proved;
    if (options.stop?.() || options.firstChoiceOnly) break;
  }
  return (
    (first && { ...first, proved }) ?? {
      status: "infeasible",
      proved: true,
      conflict: [{ rule: "H5", steps: [], text: "No choice of methods makes what the others need." }],
    }
  );
}

interface Weighed {
  readonly methods: Readonly<Record<string, string>>;
  /** The least lead of all choices looked at. */
  readonly boundMinutes: number;
}

/**
 * Whether another way of making one component is worth its loss of quality, by first plans. A choice is planned only where the lead that it
 * can save weighs more than the quality that it loses.
 */
function weighMethods(
  dish: Dish,
  start: Plan,
  others: readonly Readonly<Record<string, string>>[],
  options: PlanOptions,
  log: Log,
): Weighed {
  const single = others.filter((methods) => Object.keys(methods).filter((c) => methods[c] !== start.methods[c]).length === 1);
  const own = single.length > 0 ? leastOf(dish, start.methods, options, log) : undefined;
  let best = start;
  let boundMinutes = start.boundMinutes;
  const hopes = single.flatMap((methods) => {
    const bound = options.stop?.() ? undefined : leastOf(dish, methods, options, log);
    if (bound) boundMinutes = Math.min(boundMinutes, bound.leadMinutes);
    return bound && own && bound.regret < own.regret ? [{ methods, ...bound }] : [];
  });
  for (const { methods } of hopes.sort((a, b) => a.regret - b.regret).slice(0, MOST_OTHERS)) {
    if (options.stop?.()) break;
    const planned = planWith(dish, methods, { ...options, rounds: 0 }, log);
    if (planned.status === "feasible" && planned.plan.regret.total < best.regret.total) best = planned.plan;
  }
  return { methods: best.methods, boundMinutes };
}

/** The shortest plan of all choices of methods, and the lead below which none of them has a plan. */
function shortestOfAll(dish: Dish, start: Plan, others: readonly Readonly<Record<string, string>>[], options: PlanOptions, log: Log): Plan {
  let best = start;
  let boundMinutes = start.boundMinutes;
  for (const methods of others) {
    const bound = leastOf(dish, methods, options, log);
    if (!bound) continue;
    const planned = bound.leadMinutes < best.leadMinutes && !options.stop?.() ? planWith(dish, methods, options, log) : undefined;
    boundMinutes = Math.min(boundMinutes, planned?.status === "feasible" ? planned.plan.boundMinutes : bound.leadMinutes);
    if (planned?.status === "feasible" && planned.plan.leadMinutes < best.leadMinutes) best = planned.plan;
  }
  return { ...best, boundMinutes };
}

/** The least lead and regret that a choice of methods can come to, by links, waits and calendars; undefined where they leave no plan. */
function leastOf(dish: Dish, methods: Readonly<Record<string, string>>, options: PlanOptions, log: Log) {
  const serveAt = options.serveAt ?? dish.serveAt;
  const style = options.style ?? "late";
  const compiled = compile({
    dish,
    now: planningNow(dish, options),
    serveAt,
    planAt: options.planAt ?? "cautious",
    methods,
    log,
    ...termsOf(options),
  });
  if (compiled.status === "impossible") return undefined;
  const { model } = compiled;
  if (gainingCycle(2 * model.activities.length, model.lags)) return undefined;
  const search = new Search(model, seededRandom(1));
  if (search.root()) return undefined;
  const leadMinutes = serveAt - search.latestBeginning();
  return {
    leadMinutes,
    regret: style === "shortest" ? leadMinutes : (leadMinutes / 60) * WEIGHTS[style].S1 + lossOf(methods, dish, style),
  };
}

/** What a choice of methods costs in quality, as regret. */
const lossOf = (methods: Readonly<Record<string, string>>, dish: Dish, style: Style) =>
  style === "shortest" ? 0 : lostQuality({ methods }, dish) * WEIGHTS[style].S5;

function planWith(
  dish: Dish,
  methods: Readonly<Record<string, string>>,
  options: PlanOptions,
  log: Log,
  /** Told of the first plan; false where it is not to be improved. */
  onFirst?: (plan: Plan) => boolean,
): Planned {
  const still = stillHolding(dish, methods, options, log);
  const planned = searchWith(dish, methods, options, log, still, onFirst);
  // What the verifier accepts is a plan, whatever the model makes of the log (it takes a step that was put down to go on without a pause).
  return planned.status === "infeasible" && still ? { status: "feasible", plan: still } : planned;
}

/** The plan so far, if it keeps every rule now as well. */
function stillHolding(dish: Dish, methods: Readonly<Record<string, string>>, options: PlanOptions, log: Log): Plan | undefined {
  const { previous } = options;
  const style = options.style ?? "late";
  const planAt = options.planAt ?? "cautious";
  const serveAt = options.serveAt ?? dish.serveAt;
  if (!previous || previous.planAt !== planAt || previous.serveAt !== serveAt) return undefined;
  if (dish.components.some((c) => c.onHand.length === 0 && previous.methods[c.id] !== methods[c.id])) return undefined;
  const now = planningNow(dish, options);
  const moved = followedOn(dish, previous, log, now);
  const held = withExceptions(dish, { ...moved, now, style }, { now, serveAt, log });
  if (held.status === "broken") return undefined;
  const { leadMinutes, regret } = verifyPlan(dish, held.plan, { now, serveAt, log });
  return { ...held.plan, now, style, seed: options.seed ?? 1, leadMinutes, regret };
}

function searchWith(
  dish: Dish,
  methods: Readonly<Record<string, string>>,
  options: PlanOptions,
  log: Log,
  still: Plan | undefined,
  onFirst?: (plan: Plan) => boolean,
): Planned {
  const now = planningNow(dish, options);
  const serveAt = options.serveAt ?? dish.serveAt;
  const style = options.style ?? "late";
  const seed = options.seed ?? 1;
  const stop = options.stop ?? (() => false);
  const compiled = compile({ dish, now, serveAt, planAt: options.planAt ?? "cautious", methods, log, ...termsOf(options) });
  if (compiled.status === "impossible") return refused(compiled.because);
  const { model } = compiled;
  const over = model.inForce.flatMap((s) => s.makes).find((o) => isOverTaken(balanceOf(dish, o.ref, o.quantity, model.inForce)));
  if (over) return refused({ rule: "H5", steps: [over.ref], text: `With these methods more is used of "${over.name}" than is made.` });
  const cycle = gainingCycle(2 * model.activities.length, model.lags);
  if (cycle) return { status: "infeasible", proved: true, conflict: cycle.map((l) => l.because) };
  const search = new Search(model, seededRandom(seed));
  const rootFailure = search.root();
  if (rootFailure?.status === "none") return explainRoot(model, rootFailure);
  const frame = { style, seed, boundMinutes: serveAt - search.latestBeginning() };
  const check = (plan: Plan) => {
    const held = withExceptions(dish, plan, { now, serveAt, log });
    if (held.status === "holds") return held.plan;
    rejected = held.broken[0];
    return undefined;
  };
  let rejected: Broken | undefined;
  const none = (found: Found, proved = false) =>
    rejected && found.status === "found" ? rejectedBy(rejected) : explainSearch(model, asNone(found, search), proved);
  options.onProgress?.({ phase: "first", done: 0 });
  const rounds = options.rounds ?? DEFAULT_ROUNDS;
  const conflicts = options.conflicts ?? CONFLICTS_A_CHOICE;
  let learner: Learner | undefined;
  const learning = () => {
    learner ??= new Learner(model, seed, style);
    return { model, search, learner, frame, check, stop };
  };
  // Most dishes fall to the quick search at once; what does not is asked of the solver that learns.
  // Both are short, and without them there is no plan at all: the clock has its say after them.
  const back = options.baseline && nearest(search, model, options.baseline, frame, check);
  // The plan so far stands where it keeps every rule; where it needs exceptions that it did not need before, another may need fewer.
  const asWas = still && exceptionMinutes(still) <= exceptionMinutes(options.previous) ? still : undefined;
  const near = back ?? asWas ?? (options.previous && nearest(search, model, options.previous, frame, check));
  let plan = near && still && exceptionMinutes(still) < exceptionMinutes(near) ? still : (near ?? still);
  const found: Found = plan
    ? { status: "found", engine: search.engine, conflicts: 0 }
    : search.run(Math.min(conflicts, QUICK_CONFLICTS), guideFrom(model, options.previous), () => false);
  plan ??= found.status === "found" ? checked(search, model, frame, check) : undefined;
  if (!plan && !options.quick) {
    const bench = learning();
    const hurried = () => bench.learner.conflicts >= CONFLICTS_AT_LEAST && stop();
    const first = firstByLearning({ ...bench, stop: hurried }, Math.min(conflicts, LEARNERS_CONFLICTS));
    if (first === "refuted") return none(found, true);
    plan = first;
  }
  if (!plan && conflicts > QUICK_CONFLICTS) {
    const again = search.run(conflicts, guideFrom(model, options.previous), stop);
    plan = again.status === "found" ? checked(search, model, frame, check) : undefined;
    if (!plan) return none(again);
  }
  if (!plan) return none(found);
  if (rounds === 0 || stop() || onFirst?.(plan) === false) return { status: "feasible", plan };
  // Near a plan that the cook follows already, few moves count for more than the last minute of regret.
  if (options.previous) return { status: "feasible", plan: improve(plan, { model, search, options, frame, check, stop }) };
  const onBetter = (better: Plan, done: number) =>
    options.onProgress?.({ phase: "improving", done, leadMinutes: better.leadMinutes, regret: better.regret.total });
  const bench = { ...learning(), work: rounds * WORK_A_ROUND, onBetter };
  if (style === "shortest") {
    const { plan: shortest, boundMinutes } = shortened(plan, bench);
    return { status: "feasible", plan: { ...shortest, boundMinutes: Math.max(frame.boundMinutes, boundMinutes) } };
  }
  const { plan: cheapest, boundRegret } = cheapened(plan, { ...bench, bounded: rounds >= ROUNDS_OF_A_BOUND });
  const bounded = { ...cheapest, boundMinutes: Math.max(frame.boundMinutes, bench.learner.leadBound()) };
  return { status: "feasible", plan: boundRegret > 0 ? { ...bounded, boundRegret } : bounded };
}

/** Conflicts spent on a plan in which all but what must moves stays where it was. */
const NEAR_CONFLICTS = 24;

/** The plan so far with as little moved as a look or two can find; undefined where that needs a freer hand. */
function nearest(
  search: Search,
  model: Model,
  previous: Plan,
  frame: PlanFrame,
  check: (plan: Plan) => Plan | undefined,
): Plan | undefined {
  const placements = placementsFrom(model, previous);
  const guide = guideFrom(model, previous);
  const all = new Set<number>();
  // Second look: whole components that cannot stand as they stood are left free from the beginning.
  for (const look of [0, 1]) {
    const found = search.near(placements, all, guide, NEAR_CONFLICTS, () => false);
    const plan = found.status === "found" ? checked(search, model, frame, check) : undefined;
    if (plan || look === 1) return plan;
    const moved = new Set(
      model.activities
        .filter((a) => {
          const was = placements.get(a.index)?.start;
          const now = search.engine.placements[a.index]?.start;
          return was !== undefined && was !== now && a.step.ref !== "";
        })
        .map((a) => componentOf(a.step.ref)),
    );
    for (const a of model.activities) if (a.step.ref !== "" && moved.has(componentOf(a.step.ref))) all.add(a.index);
  }
  return undefined;
}

/** What the search has placed, as a plan that has passed the verifier. */
function checked(search: Search, model: Model, frame: PlanFrame, check: (plan: Plan) => Plan | undefined): Plan | undefined {
  const plan = extractPlan(model, search.engine, frame);
  return plan && check(plan);
}

/** Minutes for which a plan cannot keep its rules. */
const exceptionMinutes = (plan: Plan | undefined): number => (plan?.exceptions ?? []).reduce((sum, e) => sum + e.to - e.from, 0);

const termsOf = (options: PlanOptions) => ({ lengths: options.lengths, lenience: options.lenience, bought: boughtBefore(options) });

/** A search that found what cannot be dealt out in rounds or pots has found nothing. */
function asNone(found: Found, search: Search): Extract<Found, { status: "none" }> {
  return found.status === "none"
    ? found
    : { status: "none", proved: false, activity: search.engine.failed.activity, rule: "H8", conflicts: found.conflicts };
}

function refused(because: Because, proved = true): Infeasible {
  return { status: "infeasible", proved, conflict: [because] };
}

export { EMPTY_LOG, type Log, LogFile, logFromFile, logToFile, withWishes } from "./log";
export type { Planned, PlanOptions, Progress } from "./options";
export {
  type Gone,
  type Infeasible,
  PLAN_ATS,
  type Plan,
  type PlanException,
  type PlannedHold,
  type PlannedStep,
  STYLES,
  type Style,
} from "./plan";
export { PlanFile, planFromFile, planToFile } from "./plan-file";
export { WEIGHTS } from "./regret";
export { type Verdict, verifyPlan, withExceptions } from "./verify";
