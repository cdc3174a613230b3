// A plan that is on time as often as the cook wishes: lengths are planned likely, cautious or at their longest, each plan is rehearsed, and
// of those that reach the wish the one with the least lead is taken.
import type { Dish } from "../dish/model";
import type { PlanAt } from "../dish/planned-length";
import { type Planned, type PlanOptions, planDish } from "./index";
import { EMPTY_LOG, PLAN_ATS, type Plan } from "./plan";
import { riskOf } from "./risk";

export interface Rehearsed {
  readonly plan: Plan;
  /** Share of the rehearsed runs in which it is on time. */
  readonly onTime: number;
}

export type Sure =
  | ({ readonly status: "reached" } & Rehearsed)
  /** No plan reaches the wish; this one comes nearest. */
  | ({ readonly status: "nearest" } & Rehearsed)
  | Extract<Planned, { status: "infeasible" }>;

const RUNS = 2_000;
/** Seeds tried for each way of taking the lengths: the plans differ in where their slack lies. */
const SEEDS = 2;

/**
 * The plan of least lead that is on time in at least so many of the runs.
 * @param wish from 0 to 1
 * @param options as for a plan; `planAt` is the planner's to choose
 */
export function planSure(dish: Dish, wish: number, options: Omit<PlanOptions, "planAt"> = {}): Sure {
  const rehearsed: Rehearsed[] = [];
  let refusal: Sure | undefined;
  for (const planAt of PLAN_ATS as readonly PlanAt[]) {
    for (let seed = 0; seed < SEEDS; seed++) {
      const planned = planDish(dish, { ...options, planAt, seed: (options.seed ?? 1) + seed });
      if (planned.status === "infeasible") {
        refusal ??= planned;
        break;
      }
      const { onTime } = riskOf(dish, planned.plan, { runs: RUNS, seed: options.seed ?? 1, log: options.log ?? EMPTY_LOG });
      rehearsed.push({ plan: planned.plan, onTime });
      if (options.stop?.()) break;
    }
  }
  const sure = rehearsed.filter((r) => r.onTime >= wish).sort((a, b) => a.plan.leadMinutes - b.plan.leadMinutes || b.onTime - a.onTime);
  if (sure[0]) return { status: "reached", ...sure[0] };
  const nearest = rehearsed.sort((a, b) => b.onTime - a.onTime || a.plan.leadMinutes - b.plan.leadMinutes)[0];
  return nearest ? { status: "nearest", ...nearest } : (refusal as Sure);
}
