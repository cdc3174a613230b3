// The verifier: whether a plan keeps every hard rule H1 to H12, minute by minute, and what it costs, counted anew.
// It shares the reading of the dish with the planner and nothing of the search.
import type { Dish } from "../../dish/model";
import { EMPTY_LOG, type Log, type Plan, withWishes } from "../plan";
import { type Priced, priceOf } from "../regret";
import { type Broken, contextOf, isDone } from "./context";
import { checkEquipment } from "./equipment";
import { checkHands } from "./hands";
import { checkHeat } from "./heat";
import { checkTimes } from "./times";

export type { Broken } from "./context";

export interface Verdict extends Priced {
  readonly broken: readonly Broken[];
}

export interface VerifyOptions {
  /** Nothing may start before; default: what the plan says. */
  readonly now?: number | undefined;
  /** The moment of serving; default: the dish's. */
  readonly serveAt?: number | undefined;
  readonly log?: Log | undefined;
}

/**
 * Every breach of a hard rule, and the plan's figures.
 * A breach among steps that are all done is no fault of the plan and is left out.
 */
export function verifyPlan(dish: Dish, plan: Plan, options: VerifyOptions = {}): Verdict {
  const log = withWishes(dish, options.log ?? EMPTY_LOG);
  const now = options.now ?? Math.max(plan.now, dish.startNotBefore ?? Number.NEGATIVE_INFINITY);
  const broken: Broken[] = [];
  const breaks = (rule: string, steps: readonly string[], from: number, to: number, why: string) => {
    broken.push({ rule, steps, from, to, why });
  };
  const ctx = contextOf(dish, plan, now, options.serveAt ?? dish.serveAt, log, breaks);
  checkTimes(ctx, breaks);
  checkHands(ctx, breaks);
  checkEquipment(ctx, breaks);
  checkHeat(ctx, breaks);
  const past = (b: Broken) => b.rule !== "H2" && b.steps.length > 0 && b.steps.every((s) => isDone(ctx, s));
  return { broken: broken.filter((b) => !past(b)), ...priceOf(plan, dish, ctx.inForce, plan.style) };
}
