// From a first plan to better ones with the learning solver: shorter until that is proved impossible (style `shortest`), or cheaper under a
// cap on the regret that leaps as far as it still succeeds. What the solver finds is placed, verified and priced like every plan.
import { componentOf } from "../../dish/model";
import { type Random, seededRandom } from "../../random";
import { extractPlan } from "../extract";
import { neighbourhood, type Scene } from "../improve";
import type { Model } from "../model";
import type { Plan } from "../plan";
import { EARLY, EASY_DAY_MINUTES, hoursOutside, LAST_HOURS_MINUTES, LATE, WEIGHTS } from "../regret";
import type { Solution } from "../search";
import type { Answer, Learner, Mode } from "./learner";
import { COST_SCALE } from "./objective";

interface WithLearner extends Scene {
  readonly learner: Learner;
}

interface Learning extends WithLearner {
  /** Changes of bounds that may be spent. */
  readonly work: number;
  /** A bound on the regret is looked for as well. */
  readonly bounded?: boolean;
  readonly onBetter?: (plan: Plan, done: number) => void;
}

/** Conflicts spent on one question, and on a proof. */
const CONFLICTS_A_QUESTION = 100;
const CONFLICTS_A_ROUND = 60;
const CONFLICTS_NEARBY = 60;
/** Minutes by which the order of a first plan is shaken. */
const FIRST_NOISES = [600, 2880, 300, 1440, 5760, 2880];
/** Share of the work that is left for going on from the best of them. */
const LEFT_FOR_GOING_ON = 0.8;
/** Minutes by which what is free is tried elsewhere: days, since evenings repeat, and hours. */
const SHIFTS = [-1440, -1440, -2880, -7 * 1440, 1440, 2880, -240, 240];
/** Days of beginning that are tried. */
const MOST_DAYS = 6;
/** How far the cap is lowered below the best plan, as a share of it: at first, at most, at least. */
const LEAP = { first: 0.04, most: 0.12, least: 0.0003 };

/**
 * A solution as a plan. Where what the solver does not see stands in the way (a pot of the right size, a heat between two others), the
 * quick search looks nearby. Undefined where it finds nothing either, or the verifier says no.
 */
export function planOf(solution: Solution, bench: Scene): Plan | undefined {
  if (!bench.search.place(solution)) {
    const starts = new Map(solution.starts.map((start, activity) => [activity, start]));
    if (bench.search.run(CONFLICTS_NEARBY, { starts }, bench.stop).status === "none") return undefined;
  }
  const plan = extractPlan(bench.model, bench.search.engine, bench.frame);
  return plan && bench.check(plan);
}

/** A first plan by the learning solver. "refuted" is a proof that there is none. */
export function firstByLearning(bench: WithLearner, conflicts: number): Plan | "refuted" | undefined {
  const { learner, stop } = bench;
  for (const mode of ["found", "sure"] as const) {
    const answer = learner.first(conflicts, stop, mode);
    const plan = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    if (plan) return plan;
    if (answer.status === "refuted" && mode === "found") break;
  }
  return learner.first(conflicts, stop, "proof").status === "refuted" ? "refuted" : undefined;
}

/**
 * The shortest plan that can be found, and the lead below which there is none.
 * Targets go from the bound up towards the best plan: half the way again and again, then minute by minute.
 */
export function shortened(start: Plan, bench: Learning): { plan: Plan; boundMinutes: number } {
  const { learner, stop } = bench;
  let best = start;
  let bound = learner.leadBound();
  const begun = learner.work;
  const left = () => bench.work - (learner.work - begun);
  const beginning = (lead: number) => start.serveAt - lead;
  const ask = (lead: number, conflicts: number, mode: Mode): Answer["status"] => {
    const answer = learner.shorter(beginning(lead), conflicts, stop, mode);
    const plan = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    if (plan && plan.leadMinutes < best.leadMinutes) {
      best = plan;
      learner.keep();
      bench.onBetter?.(best, 1 - left() / bench.work);
      return "found";
    }
    return answer.status === "found" ? "spent" : answer.status;
  };
  for (let mode: Mode | undefined = "found"; mode && best.leadMinutes > bound && left() > 0 && !stop(); ) {
    let share = 1;
    let conflicts = CONFLICTS_A_QUESTION;
    let status: Answer["status"] = "found";
    // What a refusal under assumptions rules out for them, not for good.
    let floor = bound;
    while (best.leadMinutes > floor && left() > 0 && !stop()) {
      const target = best.leadMinutes - Math.max(1, Math.floor((best.leadMinutes - floor) * share));
      status = ask(target, conflicts, mode);
      if (status === "found") share = Math.min(1, share * 2);
      else if (status === "refuted") floor = target + 1;
      else if (target < best.leadMinutes - 1) share /= 4;
      else if (conflicts > 16 * CONFLICTS_A_QUESTION) break;
      else conflicts *= 4;
    }
    mode = mode === "found" && best.leadMinutes > bound ? "sure" : undefined;
  }
  // The proof assumes nothing: from the best downwards, by halves.
  for (let share = 1 / 64, conflicts = CONFLICTS_A_QUESTION; best.leadMinutes > bound && left() > 0 && !stop(); ) {
    const target = best.leadMinutes - Math.max(1, Math.floor((best.leadMinutes - bound) * share));
    const status = learner.shorter(beginning(target), conflicts, stop, "proof").status;
    if (status === "refuted") {
      bound = Math.max(bound, target + 1);
      share = Math.max(0, share / 4);
    } else if (status === "found") {
      // A solution that may not be a plan: the bound is below it.
      if (share >= 1) break;
      share = Math.min(1, share * 4);
    } else if (conflicts > 64 * CONFLICTS_A_QUESTION) {
      if (share >= 1) break;
      share = Math.min(1, share * 4);
      conflicts = CONFLICTS_A_QUESTION;
    } else conflicts *= 4;
  }
  return { plan: best, boundMinutes: Math.max(bound, learner.leadBound()) };
}

/** Rounds without a better plan after which a dearer one is accepted, by what share at first, and how fast that shrinks (simulated annealing by rounds). */
const STUCK_ROUNDS = 30;
const FIRST_HEAT = 0.03;
const COOLING = 0.93;
const LEAST_HEAT = 0.002;

/** Shares of a plan's regret below which it is asked whether there is none, and conflicts spent on each. */
const BOUND_SHARES = [0.3, 0.5, 0.65, 0.75, 0.85, 0.92, 0.96, 0.98, 0.99];
const CONFLICTS_OF_A_BOUND = 120;

/**
 * A regret below which no plan with these methods lies: the sum is refuted without any assumption, in steps upwards as long as that succeeds.
 * Changes of the oven's setting are not in the sum, so the bound counts none.
 */
function regretBound(best: Plan, bench: Learning): number {
  const { learner, model, stop } = bench;
  if (!learner.objective) return 0;
  const sum = best.regret.total - best.regret.S5 - best.regret.S7;
  let proved = 0;
  for (const share of BOUND_SHARES) {
    const cap = sum * share;
    const answer = stop()
      ? undefined
      : learner.cheaper(
          solutionOf(best, model),
          Math.round(cap * COST_SCALE),
          undefined,
          "starts",
          new Map(),
          CONFLICTS_OF_A_BOUND,
          stop,
          "proof",
        );
    if (answer?.status !== "refuted") break;
    proved = cap;
  }
  return Math.floor(proved + best.regret.S5);
}

/**
 * The plan of least regret that can be found for the work given. Where it is stuck for the first time, the bound on the regret is asked for:
 * a clock that ends the search later leaves no time for it.
 */
export function cheapened(start: Plan, bench: Learning): { plan: Plan; boundRegret: number } {
  const { learner, model, stop, frame } = bench;
  const random = seededRandom(frame.seed + 7);
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  const objective = learner.objective;
  let boundRegret = 0;
  if (!objective || movable.length === 0) return { plan: start, boundRegret };
  const begun = learner.work;
  const left = () => bench.work - (learner.work - begun);
  let best = start;
  // What the solver starts from must be one of its own solutions: the plan itself, where its split steps are cut evenly.
  let current = solutionOf(start, model);
  let plan = start;
  const adopted = learner.cheaper(current, 1e8, new Set(), "starts", new Map(), CONFLICTS_A_QUESTION, stop);
  if (adopted.status === "found") {
    current = adopted.solution;
    learner.keep();
  } else {
    const own = learner.first(4 * CONFLICTS_A_QUESTION, stop, "sure");
    const placed = own.status === "found" ? planOf(own.solution, bench) : undefined;
    if (own.status !== "found" || !placed) return { plan: start, boundRegret };
    current = own.solution;
    plan = placed;
    learner.keep();
  }
  if (plan.regret.total < best.regret.total) best = plan;
  const take = (solution: Solution, found: Plan) => {
    current = solution;
    plan = found;
    learner.keep();
    if (found.regret.total >= best.regret.total - 1e-9) return;
    best = found;
    bench.onBetter?.(best, 1 - left() / bench.work);
  };
  // A few quite different plans to begin from: which component has its pick of the evenings first decides much.
  for (const noise of FIRST_NOISES) {
    if (stop() || left() < bench.work * LEFT_FOR_GOING_ON) break;
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const answer = learner.afresh(Math.round(sum * COST_SCALE) - 1, noise, CONFLICTS_A_QUESTION, stop);
    const found = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    if (answer.status === "found" && found && found.regret.total < plan.regret.total) take(answer.solution, found);
  }
  // Begun a day later, two days later: another basin, which no exchange of two components leads to.
  for (const midnight of daysToBegin(plan, model)) {
    if (stop() || left() < bench.work * LEFT_FOR_GOING_ON) break;
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const answer = learner.afresh(Math.round(sum * COST_SCALE) - 1, 0, CONFLICTS_A_QUESTION, stop, midnight);
    if (answer.status === "refuted") break;
    const found = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    if (answer.status === "found" && found && found.regret.total < plan.regret.total) take(answer.solution, found);
  }
  let leap = LEAP.first;
  // Where nothing is found for long, a somewhat dearer plan is accepted and gone on from, the less so the longer; then back to the best.
  let since = 0;
  let heat = 0;
  let home = { solution: current, plan };
  while (left() > 0 && !stop()) {
    since++;
    heat *= COOLING;
    if (heat > 0 && heat < LEAST_HEAT) {
      heat = 0;
      since = 0;
      if (plan.regret.total > best.regret.total + 1e-9) ({ solution: current, plan } = home);
    } else if (heat === 0 && since > STUCK_ROUNDS) {
      heat = FIRST_HEAT;
      if (boundRegret === 0 && bench.bounded) boundRegret = regretBound(best, bench);
      home = { solution: current, plan };
    }
    const share = heat > 0 ? -heat : random() < 0.7 ? leap : LEAP.least;
    // Changes of setting are not in the solver's sum: nothing is expected of them.
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const cap = Math.round(sum * COST_SCALE) - 1 - Math.round(sum * COST_SCALE * share);
    const everything = random() < 0.03;
    const free = everything ? undefined : someNeighbourhood(movable, plan, model, random);
    const keep = random() < 0.65 ? "orders" : "starts";
    const kind = heat > 0 ? 0.7 + 0.3 * random() : random();
    // What is free stays near, goes as late as is easy, or is tried some days or hours elsewhere.
    const by = kind < 0.7 ? 0 : (SHIFTS[Math.floor(random() * SHIFTS.length)] as number);
    const wish = new Map<number, number>();
    for (const a of movable) {
      const isFree = !free || free.has(a.index);
      if (!isFree || kind < 0.35 || by) wish.set(a.index, (current.starts[a.index] as number) + (isFree && free ? by : 0));
    }
    const answer = learner.cheaper(current, cap, free, keep, wish, everything ? 2 * CONFLICTS_A_QUESTION : CONFLICTS_A_ROUND, stop);
    const found = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    const limit = heat > 0 ? plan.regret.total * (1 + heat) : plan.regret.total - 1e-9;
    if (answer.status === "found" && found && found.regret.total < limit) {
      if (found.regret.total < best.regret.total - 1e-9) {
        since = 0;
        home = { solution: answer.solution, plan: found };
      }
      take(answer.solution, found);
      leap = Math.min(LEAP.most, leap * 1.4);
    } else {
      leap = Math.max(LEAP.least, leap * 0.9);
      if (everything && answer.status === "refuted" && share === LEAP.least) break;
    }
  }
  if (boundRegret === 0 && bench.bounded) boundRegret = regretBound(best, bench);
  return { plan: best, boundRegret };
}

/** The midnights between the first and the last day of a plan. */
function daysToBegin(plan: Plan, { dish }: Model): number[] {
  const first = plan.steps[0];
  if (!first || plan.style === "shortest") return [];
  const days = dish.zone.dayNumber(plan.serveAt) - dish.zone.dayNumber(first.start);
  return Array.from({ length: Math.min(MOST_DAYS, Math.max(0, days - 1)) }, (_, i) => {
    return dish.zone.minuteOfDay(dish.zone.dayNumber(first.start) + i + 1, 0);
  });
}

function someNeighbourhood(movable: Model["activities"], plan: Plan, model: Model, random: Random): Set<number> {
  const pick = () => componentOf((movable[Math.floor(random() * movable.length)] as Model["activities"][number]).step.ref);
  const kind = random();
  if (kind < 0.55) {
    const dear = pickByCost(costByComponent(plan, model), random) ?? pick();
    const other = random() < 0.5 ? (pickByCost(costByComponent(plan, model), random) ?? pick()) : pick();
    return new Set(movable.filter((a) => [dear, other].includes(componentOf(a.step.ref))).map((a) => a.index));
  }
  return neighbourhood(movable, plan, random);
}

function pickByCost(costs: ReadonlyMap<string, number>, random: Random): string | undefined {
  let left = random() * [...costs.values()].reduce((sum, c) => sum + c, 0);
  for (const [component, cost] of costs) {
    left -= cost;
    if (left <= 0) return component;
  }
  return undefined;
}

/** What each component adds to the regret of a plan, roughly: where to look for something cheaper. */
function costByComponent(plan: Plan, model: Model): Map<string, number> {
  if (plan.style === "shortest") return new Map();
  const { dish } = model;
  const weight = WEIGHTS[plan.style];
  const costs = new Map<string, number>();
  const add = (component: string, cost: number) => costs.set(component, (costs.get(component) ?? 0.5) + cost);
  const makers = new Map(model.inForce.flatMap((s) => s.makes.map((o) => [o.ref, o] as const)));
  const at = new Map(plan.steps.map((s) => [s.step, s]));
  for (const hold of plan.holds) {
    const best = makers.get(hold.output)?.holds[hold.hold]?.best;
    const wait = hold.to - hold.from;
    for (const ref of [hold.output, hold.taker]) add(componentOf(ref), hoursOutside(wait, best) * weight.S2);
  }
  for (const step of model.inForce) {
    for (const link of step.links) {
      const [here, other] = [at.get(step.ref), at.get(link.step)];
      if (!here || !other || !link.best) continue;
      const wait = here.start - (link.from === "end" ? other.end : other.start);
      add(componentOf(step.ref), hoursOutside(wait, link.best) * weight.S2);
    }
  }
  const perDay = new Map<number, number>();
  for (const step of plan.steps) {
    for (const { from, to } of step.hands) {
      const day = dish.zone.dayNumber(from);
      perDay.set(day, (perDay.get(day) ?? 0) + to - from);
      const minute = (t: number) => dish.zone.minuteOfDay(day, t);
      add(componentOf(step.step), Math.max(0, minute(EARLY) - from, to - minute(LATE)) * weight.S6);
      add(componentOf(step.step), Math.max(0, to - Math.max(from, plan.serveAt - LAST_HOURS_MINUTES)) * weight.S3);
    }
  }
  const busiest = [...perDay].reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0]);
  const over = busiest[1] > EASY_DAY_MINUTES ? (busiest[1] - EASY_DAY_MINUTES) / busiest[1] : 0;
  for (const step of plan.steps) {
    for (const { from, to } of step.hands)
      if (dish.zone.dayNumber(from) === busiest[0]) add(componentOf(step.step), (to - from) * over * weight.S4);
  }
  const first = plan.steps[0];
  if (first) add(componentOf(first.step), (plan.leadMinutes / 60) * weight.S1 * 0.3);
  return costs;
}

/** The starts and ends of a plan, by the model's activities. */
function solutionOf(plan: Plan, model: Model): Solution {
  const byStep = new Map(plan.steps.map((s) => [s.step, s]));
  const fallbacks = new Map(
    [...model.fallbacks].map(([component, index]) => [index, plan.fallbacks.find((f) => f.component === component)]),
  );
  const times = model.activities.map((a) => {
    const fallback = fallbacks.get(a.index);
    if (fallback) return [fallback.decidedAt, fallback.readyAt] as const;
    const step = byStep.get(a.step.ref);
    const piece = a.step.each && !a.fact ? step?.pieces[a.batch] : undefined;
    return piece ?? ([step?.start ?? a.fact?.start ?? 0, step?.end ?? a.fact?.end ?? 0] as const);
  });
  return { starts: times.map((t) => t[0]), ends: times.map((t) => t[1]), cooks: new Map(), pieces: new Map() };
}
