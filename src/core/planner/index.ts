// The planner: a dish, a moment and a wish become a plan, or a reason why there is none. See docs/planner.md.
import { balanceOf, isOverTaken } from "../dish/balance";
import { DEFAULT_LEAD_MINUTES, type Dish } from "../dish/model";
import type { PlanAt } from "../dish/planned-length";
import { choicesOfMethods } from "./choices";
import { compile } from "./compile";
import { explainRoot, explainSearch } from "./explain/refusal";
import { extractPlan } from "./extract";
import { guideFrom, improve } from "./improve";
import type { Because } from "./model";
import { gainingCycle } from "./network";
import { EMPTY_LOG, type Infeasible, type Log, type Plan, type Style } from "./plan";
import { seededRandom } from "./random";
import { Search } from "./search";
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

/** Conflicts spent on one choice of methods. */
const CONFLICTS_A_CHOICE = 3_000;

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
  const choices = choicesOfMethods(dish, options);
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
  // Another placement might have room for them: nothing is proved.
  if (!plan)
    return refused(
      { rule: "H8", steps: [], text: "This version found no plan that keeps rule H8: the rounds of a step cannot be dealt out in order." },
      false,
    );
  const broken = check(plan);
  if (broken.length) {
    const b = broken[0] as (typeof broken)[number];
    return refused({ rule: b.rule, steps: b.steps, text: `This version found no plan that keeps rule ${b.rule}: ${b.why}` }, false);
  }
  return { status: "feasible", plan: improve(plan, { model, search, options, frame, check, stop }) };
}

function refused(because: Because, proved = true): Infeasible {
  return { status: "infeasible", proved, conflict: [because] };
}

export {
  EMPTY_LOG,
  type Infeasible,
  type Log,
  LogFile,
  logFromFile,
  logToFile,
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
