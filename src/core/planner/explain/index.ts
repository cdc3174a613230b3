// Why there is no plan and what would make one possible: the refusal of the planner, made small and given repairs.
import { dishModel } from "../../dish/model";
import type { DishFile } from "../../dish/schema";
import { choicesOfMethods } from "../choices";
import { type PlanOptions, planningNow } from "../index";
import { EMPTY_LOG, type Infeasible } from "../plan";
import { smallestConflict } from "./conflict";
import { findRepairs, type Repair } from "./repairs";

export type { Repair } from "./repairs";

export interface Diagnosis extends Infeasible {
  readonly repairs: readonly Repair[];
}

/**
 * The smallest conflict in place of the first that was met, and repairs that have each been planned with.
 * @param refusal what the planner said of this document with these options
 */
export function diagnose(document: DishFile, options: PlanOptions, refusal: Infeasible): Diagnosis {
  const dish = dishModel(document);
  const log = options.log ?? EMPTY_LOG;
  const methods = choicesOfMethods(dish, options).list[0] ?? {};
  const scene = {
    dish,
    now: planningNow(dish, options),
    serveAt: options.serveAt ?? dish.serveAt,
    planAt: options.planAt ?? "cautious",
    methods,
    log,
  };
  const conflict = smallestConflict(scene, options.stop);
  const facts = conflict?.facts ?? [];
  return {
    ...refusal,
    ...(facts.length ? { conflict: facts.map(({ rule, steps, text }) => ({ rule, steps, text })) } : {}),
    repairs: findRepairs({ document, options, facts, stop: options.stop }),
  };
}
