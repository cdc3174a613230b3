// Why there is no plan and what would help, within so long: the smallest conflict gets its share of the time, the ways out the rest.
import type { DishFile } from "../core/dish/schema";
import type { Infeasible, PlanOptions } from "../core/planner";
import { type Diagnosis, diagnose } from "../core/planner/explain";

const SHARE_OF_THE_CONFLICT = 0.4;

/** @param ms the most that is spent; the options' own `stop` ends it earlier */
export function explainWithin(ms: number, document: DishFile, options: PlanOptions, refusal: Infeasible): Diagnosis {
  const began = Date.now();
  const since = (limit: number) => () => options.stop?.() === true || Date.now() - began > limit;
  return diagnose(document, { ...options, stop: since(ms) }, refusal, since(ms * SHARE_OF_THE_CONFLICT));
}
