// The verifier: whether a plan keeps every hard rule H1 to H12, minute by minute, and what it costs, counted anew.
// It shares the reading of the dish with the planner and nothing of the search.
import type { Dish } from "../../dish/model";
import { EMPTY_LOG, type Log, withWishes } from "../log";
import type { Gone, Plan, PlanException } from "../plan";
import { type Priced, priceOf } from "../regret";
import { type Broken, type Context, contextOf, isDone } from "./context";
import { checkEquipment } from "./equipment";
import { excused, heldAgainst } from "./exceptions";
import { logForPlan } from "./gone";
import { checkHands } from "./hands";
import { checkHeat } from "./heat";
import { checkTimes, waitsOf } from "./times";

export type { Broken } from "./context";

export interface Verdict extends Priced {
  readonly broken: readonly Broken[];
  /** Rules that what has begun cannot keep, counted anew. */
  readonly exceptions: readonly PlanException[];
  /** Steps planned shorter than `planAt` says, inside their range. */
  readonly shortened: readonly { readonly step: string; readonly minutes: number; readonly from: number }[];
  readonly gone: readonly Gone[];
}

interface VerifyOptions {
  /** Nothing may start before; default: what the plan says. */
  readonly now?: number | undefined;
  /** The moment of serving; default: the dish's. */
  readonly serveAt?: number | undefined;
  readonly log?: Log | undefined;
}

/**
 * Every breach of a hard rule, and the plan's figures.
 * A breach among steps that are all done is no fault of the plan and is left out; one that something begun excuses is left out where the
 * plan lists it as an exception. An exception that nothing needs is a breach.
 */
export function verifyPlan(dish: Dish, plan: Plan, options: VerifyOptions = {}): Verdict {
  const { ctx, broken, gone } = examined(dish, plan, options);
  const held = heldAgainst(ctx, broken);
  const shortened = plan.steps.flatMap((s) =>
    s.shortenedFrom === undefined ? [] : [{ step: s.step, minutes: s.minutes, from: s.shortenedFrom }],
  );
  return { ...held, shortened, gone, ...priceOf({ ...plan, holds: waitsOf(ctx) }, dish, ctx.inForce, plan.style) };
}

/**
 * The plan with the exceptions that it needs, or the breaches that nothing excuses.
 * For the planner, which makes a plan first and then says what it costs in rules.
 */
export function withExceptions(
  dish: Dish,
  plan: Plan,
  options: VerifyOptions = {},
): { readonly status: "holds"; readonly plan: Plan } | { readonly status: "broken"; readonly broken: readonly Broken[] } {
  const { ctx, broken } = examined(dish, plan, options);
  const found = excused(ctx, broken);
  if (found.broken.length) return { status: "broken", broken: found.broken };
  const { exceptions: _, ...rest } = plan;
  return { status: "holds", plan: found.needed.length ? { ...rest, exceptions: found.needed } : rest };
}

function examined(dish: Dish, plan: Plan, options: VerifyOptions): { ctx: Context; broken: Broken[]; gone: readonly Gone[] } {
  const now = options.now ?? Math.max(plan.now, dish.startNotBefore ?? Number.NEGATIVE_INFINITY);
  const { log, gone, unfounded } = logForPlan(dish, plan, withWishes(dish, options.log ?? EMPTY_LOG), now);
  const broken: Broken[] = [];
  const breaks = (rule: string, steps: readonly string[], from: number, to: number, why: string, excuse?: Broken["excuse"]) => {
    broken.push({ rule, steps, from, to, why, ...(excuse ? { excuse } : {}) });
  };
  const ctx = contextOf(dish, plan, now, options.serveAt ?? dish.serveAt, log, breaks);
  for (const name of unfounded) breaks("H4", [], now, now, `"${name}" is said to be gone or made again, which does not match the log.`);
  checkTimes(ctx, breaks);
  checkHands(ctx, breaks);
  checkEquipment(ctx, breaks);
  checkHeat(ctx, breaks);
  const past = (b: Broken) => b.rule !== "H2" && b.steps.length > 0 && b.steps.every((s) => isDone(ctx, s));
  return { ctx, broken: broken.filter((b) => !past(b)), gone };
}
