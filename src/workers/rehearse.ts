// How a plan went when it was rehearsed, as it is kept beside the plan and drawn on the chart.
import { z } from "zod";
import type { Dish } from "../core/dish/model";
import type { Log, Plan } from "../core/planner";
import { riskOf } from "../core/planner/risk";

export const Rehearsed = z.object({
  onTime: z.number(),
  within15: z.number(),
  within30: z.number().optional(),
  /** The step that made it late most often. */
  blame: z.string().optional(),
  /** So many minutes more would bring it to 95 of 100. */
  buffer: z.number().optional(),
  /** When each component is ready in all but five of 100 runs. */
  ready: z.array(z.object({ component: z.string(), planned: z.number(), late: z.number() })).optional(),
  /** The last moment to decide for a stand-in. */
  fallbacks: z.array(z.object({ component: z.string(), decideBy: z.number() })).optional(),
});
export type Rehearsed = z.output<typeof Rehearsed>;

/** Enough runs for a share in hundredths, in a fifth of a second. */
const REHEARSALS = 2_000;
const LEAST_REHEARSALS = 200;

/** @param effort share of the usual number of runs, above 0 and up to 1 */
export function rehearse(dish: Dish, plan: Plan, log: Log, effort = 1): Rehearsed {
  const risk = riskOf(dish, plan, { runs: Math.max(LEAST_REHEARSALS, Math.ceil(REHEARSALS * effort)), log });
  return {
    onTime: risk.onTime,
    within15: risk.within15,
    within30: risk.within30,
    ...(risk.blame[0] ? { blame: risk.blame[0].step } : {}),
    buffer: risk.bufferMinutes95,
    ready: risk.components.map((c) => ({ component: c.component, planned: c.planned, late: c.p95 })),
    fallbacks: risk.fallbacks.map((f) => ({ component: f.component, decideBy: f.decideBy })),
  };
}
