// From a first plan to better ones with the learning solver: shorter until that is proved impossible (style `shortest`), or cheaper under a
// cap on the regret that leaps as far as it still succeeds. What the solver finds is placed, verified and priced like every plan.
import { componentOf } from "../../dish/model";
import { extractPlan, type PlanFrame } from "../extract";
import { neighbourhood } from "../improve";
import type { Model } from "../model";
import type { Plan } from "../plan";
import { type Random, seededRandom } from "../random";
import type { Search, Solution } from "../search";
import type { Answer, Learner, Mode } from "./learner";
import { COST_SCALE } from "./objective";

export interface Bench {
  readonly model: Model;
  readonly search: Search;
  readonly learner: Learner;
  readonly frame: PlanFrame;
  readonly check: (plan: Plan) => readonly unknown[];
  readonly stop: () => boolean;
  /** Changes of bounds that may be spent. */
  readonly work: number;
  readonly onBetter?: (plan: Plan, done: number) => void;
}

/** Conflicts spent on one question, and on a proof. */
const CONFLICTS_A_QUESTION = 100;
const CONFLICTS_A_ROUND = 60;
/** How far the cap is lowered below the best plan, as a share of it: at first, at most, at least. */
const LEAP = { first: 0.04, most: 0.12, least: 0.0003 };

/** A solution as a plan, or undefined where the engine that commits or the verifier says no. */
export function planOf(solution: Solution, bench: Omit<Bench, "work" | "onBetter" | "learner">): Plan | undefined {
  if (!bench.search.place(solution)) return undefined;
  const plan = extractPlan(bench.model, bench.search.engine, bench.frame);
  return plan && bench.check(plan).length === 0 ? plan : undefined;
}

/** A first plan by the learning solver. "refuted" is a proof that there is none. */
export function firstByLearning(bench: Omit<Bench, "work" | "onBetter">, conflicts: number): Plan | "refuted" | undefined {
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
export function shortened(start: Plan, bench: Bench): { plan: Plan; boundMinutes: number } {
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

/** The plan of least regret that can be found for the work given. */
export function cheapened(start: Plan, bench: Bench): Plan {
  const { learner, model, stop, frame } = bench;
  const random = seededRandom(frame.seed + 7);
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  const objective = learner.objective;
  if (!objective || movable.length === 0) return start;
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
    if (own.status !== "found" || !placed) return start;
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
  let leap = LEAP.first;
  while (left() > 0 && !stop()) {
    const share = random() < 0.7 ? leap : LEAP.least;
    // Changes of setting are not in the solver's sum: nothing is expected of them.
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const cap = Math.round(sum * COST_SCALE) - 1 - Math.round(sum * COST_SCALE * share);
    const everything = random() < 0.1;
    const free = everything ? undefined : randomNeighbourhood(movable, plan, random);
    const keep = random() < 0.65 ? "orders" : "starts";
    const near = random() < 0.4;
    const wish = new Map<number, number>();
    for (const a of movable) if (near || (free && !free.has(a.index))) wish.set(a.index, current.starts[a.index] as number);
    const answer = learner.cheaper(current, cap, free, keep, wish, everything ? 2 * CONFLICTS_A_QUESTION : CONFLICTS_A_ROUND, stop);
    const found = answer.status === "found" ? planOf(answer.solution, bench) : undefined;
    if (answer.status === "found" && found && found.regret.total < plan.regret.total - 1e-9) {
      take(answer.solution, found);
      leap = Math.min(LEAP.most, leap * 1.4);
    } else {
      leap = Math.max(LEAP.least, leap * 0.9);
      if (everything && answer.status === "refuted" && share === LEAP.least) break;
    }
  }
  return best;
}

function randomNeighbourhood(movable: Model["activities"], plan: Plan, random: Random): Set<number> {
  if (random() < 0.3) {
    const one = componentOf((movable[Math.floor(random() * movable.length)] as Model["activities"][number]).step.ref);
    const two = componentOf((movable[Math.floor(random() * movable.length)] as Model["activities"][number]).step.ref);
    return new Set(movable.filter((a) => [one, two].includes(componentOf(a.step.ref))).map((a) => a.index));
  }
  return neighbourhood(movable, plan, random);
}

/** The starts and ends of a plan, by the model's activities. */
function solutionOf(plan: Plan, model: Model): Solution {
  const byStep = new Map(plan.steps.map((s) => [s.step, s]));
  const fallbacks = new Map([...model.fallbacks].map(([component, index]) => [index, plan.fallbacks.find((f) => f.component === component)]));
  const times = model.activities.map((a) => {
    const fallback = fallbacks.get(a.index);
    if (fallback) return [fallback.decidedAt, fallback.readyAt] as const;
    const step = byStep.get(a.step.ref);
    const piece = a.step.each && !a.fact ? step?.pieces[a.batch] : undefined;
    return piece ?? ([step?.start ?? a.fact?.start ?? 0, step?.end ?? a.fact?.end ?? 0] as const);
  });
  return { starts: times.map((t) => t[0]), ends: times.map((t) => t[1]), cooks: new Map(), pieces: new Map() };
}
