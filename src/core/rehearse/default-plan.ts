// The plan that the page gives by default: of the plans found over the three lengths and over more lead, the one of least regret that is at
// the table within a quarter of an hour as often as wished when it is executed, and breaks no safety wait. Beside it a small frontier:
// what more lead buys.
//
// Candidates are screened by the fast form (planner/risk.ts); what passes is executed (rehearse), the cheapest first, and given up as soon as it
// cannot reach the wish any more.
import type { Dish } from "../dish/model";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { EMPTY_LOG, PLAN_ATS, type Plan, type Planned, type PlanOptions, planDish, type Style } from "../planner";
import { calmed } from "../planner/calm";
import { priceOf } from "../planner/regret";
import { riskOf } from "../planner/risk";
import { followOnce, runSeed } from "./index";

interface Candidate {
  readonly plan: Plan;
  /** Shares of the runs; executed where it was executed, else by the fast form. */
  readonly onTime: number;
  readonly within15: number;
  readonly executed: number;
}

type Sure =
  | ({ readonly status: "reached"; readonly choices: readonly Candidate[] } & Candidate)
  /** No plan reaches the wish; this one comes nearest. */
  | ({ readonly status: "nearest"; readonly choices: readonly Candidate[] } & Candidate)
  | Extract<Planned, { status: "infeasible" }>;

const FAST_RUNS = 2_000;
/** Share of the time for finding plans; the rest executes them. */
const FINDING_SHARE = 0.6;
/** Of the time for one plan, so much finds it; the rest makes it calmer. */
const SEARCHING_SHARE = 0.75;
/** Runs that a candidate is executed whatever the clock says: fewer would say nothing. */
const LEAST_RUNS = 10;
/** Executed runs of one candidate; minutes of computing for large dishes, so the clock may end them earlier. */
const EXECUTED_RUNS = 100;
/** Where the fast form lies so far below the wish, a candidate is not executed. */
const SCREEN = 0.05;
const MOST_CHOICES = 5;
/** Minutes by which two leads count as the same. */
const SAME_LEAD_MINUTES = 45;

interface DefaultOptions extends Omit<PlanOptions, "planAt"> {
  /** Executed runs of a candidate at most. */
  readonly runs?: number | undefined;
  /** A clock and the milliseconds of it that may be spent: over the half of it on finding plans, an equal share for each. */
  readonly time?: { readonly clock: () => number; readonly ms: number } | undefined;
}

/**
 * @param wish share of the runs within 15 minutes, from 0 to 1
 * @param options as for a plan; how lengths are taken is chosen here. `stop` ends it with the best so far.
 */
export function defaultPlan(document: DishFile, wish: number, options: DefaultOptions = {}): Sure {
  const dish = dishModel(document);
  const { time } = options;
  const began = time?.clock() ?? 0;
  const stop = () => options.stop?.() === true || (time !== undefined && time.clock() - began > time.ms);
  const { found, refusal } = candidates(dish, options, began);
  if (found.length === 0) return refusal as Extract<Planned, { status: "infeasible" }>;
  const log = options.log ?? EMPTY_LOG;
  const screened = found
    .map((plan): Candidate & { readonly safe: boolean } => {
      const risk = riskOf(dish, plan, { runs: FAST_RUNS, seed: options.seed ?? 1, log });
      return {
        plan,
        onTime: risk.onTime,
        within15: risk.within15,
        executed: 0,
        safe: !risk.brokenWaits.some((b) => b.safety && b.share > 1 - wish),
      };
    })
    .sort((a, b) => a.plan.regret.total - b.plan.regret.total);
  const tried: Candidate[] = [];
  let reached: Candidate | undefined;
  for (const candidate of screened.filter((c) => c.safe && c.within15 >= wish - SCREEN)) {
    // When the time is over, one candidate has been executed, and the others keep the shares of the fast form.
    if (tried.length > 0 && stop()) break;
    const executed = execute(document, candidate, wish, options.runs ?? EXECUTED_RUNS, options, stop);
    tried.push(executed);
    if (executed.within15 < wish) continue;
    reached = executed;
    break;
  }
  const known = new Map(tried.map((t) => [t.plan, t]));
  const all = screened.map((c) => known.get(c.plan) ?? c);
  const best = reached ?? [...all].sort((a, b) => b.within15 - a.within15 || a.plan.regret.total - b.plan.regret.total)[0];
  const chosen = best as Candidate;
  return { status: reached ? "reached" : "nearest", ...chosen, choices: frontier(all, chosen) };
}

/** Plans over the three lengths, and over ways of laying them out that begin earlier, priced alike. */
function candidates(dish: Dish, options: DefaultOptions, began: number): { found: Plan[]; refusal: Planned | undefined } {
  const style: Style = options.style ?? dish.wishes.style ?? "late";
  const found: Plan[] = [];
  let refusal: Planned | undefined;
  const layouts = style === "late" ? [style, "even" as const] : [style];
  let asked = 0;
  for (const laid of layouts) {
    for (const planAt of PLAN_ATS) {
      if (options.stop?.() && found.length) break;
      const slice = FINDING_SHARE / (layouts.length * PLAN_ATS.length);
      const until = (share: number) => () =>
        options.stop?.() === true || (options.time !== undefined && options.time.clock() - began > options.time.ms * share);
      const searching = until(slice * (asked + SEARCHING_SHARE));
      const calming = until(slice * ++asked);
      const planned = planDish(dish, { ...options, stop: searching, style: laid, planAt });
      if (planned.status === "infeasible") {
        refusal ??= planned;
        continue;
      }
      const steps = dish.components.flatMap((c) => c.methods.flatMap((m) => (planned.plan.methods[c.id] === m.id ? m.steps : [])));
      const plan = laid === style ? planned.plan : { ...planned.plan, style, ...priceOf(planned.plan, dish, steps, style) };
      found.push((options.log?.events.size ?? 0) > 0 ? plan : calmed(dish, plan, calming));
    }
  }
  return { found, refusal };
}

/** The shares of a candidate when it is executed; it ends as soon as it can no longer reach the wish. */
function execute(
  document: DishFile,
  candidate: Candidate,
  wish: number,
  runs: number,
  options: DefaultOptions,
  stop: () => boolean,
): Candidate {
  let [onTime, within15, done] = [0, 0, 0];
  const allowed = Math.floor(runs * (1 - wish) + 1e-9);
  while (done < runs && !(stop() && done >= LEAST_RUNS)) {
    const run = followOnce(document, candidate.plan, { seed: runSeed(options.seed ?? 1, done), log: options.log });
    done++;
    const late = run.lateMinutes ?? Number.POSITIVE_INFINITY;
    if (late <= 0) onTime++;
    if (late <= 15 && !run.safetyBroken) within15++;
    if (done - within15 > allowed) break;
  }
  return { plan: candidate.plan, onTime: onTime / done, within15: within15 / done, executed: done };
}

/** Lead against how often it is on time: what no other beats in both, the chosen one always among them; by lead. */
function frontier(all: readonly Candidate[], chosen: Candidate): Candidate[] {
  const kept = all.filter(
    (a) =>
      a === chosen ||
      !all.some(
        (b) =>
          b !== a &&
          b.plan.leadMinutes <= a.plan.leadMinutes + SAME_LEAD_MINUTES &&
          (b.within15 > a.within15 || (b.within15 === a.within15 && b.plan.regret.total < a.plan.regret.total)),
      ),
  );
  const sorted = kept.sort((a, b) => a.plan.leadMinutes - b.plan.leadMinutes);
  while (sorted.length > MOST_CHOICES)
    sorted.splice(
      sorted.findIndex((c) => c !== chosen),
      1,
    );
  return sorted;
}
