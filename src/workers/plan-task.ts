// What a planning worker is given and gives back: plain data, the same on the server and in a browser.
import { z } from "zod";
import { dishModel } from "../core/dish/model";
import { DishFile } from "../core/dish/schema";
import {
  EMPTY_LOG,
  LogFile,
  logFromFile,
  PLAN_ATS,
  PlanFile,
  type PlanOptions,
  type Progress,
  planDish,
  planFromFile,
  planToFile,
  STYLES,
} from "../core/planner";
import type { Diagnosis } from "../core/planner/explain";
import { explainWithin } from "./explain";
import { rehearse } from "./rehearse";

export const PlanTask = z.object({
  document: DishFile,
  now: z.number().int(),
  serveAt: z.number().int().optional(),
  style: z.enum(STYLES).optional(),
  planAt: z.enum(PLAN_ATS).optional(),
  log: LogFile.optional(),
  previous: PlanFile.optional(),
  rounds: z.number().int().optional(),
});
export type PlanTask = z.output<typeof PlanTask>;

export type PlanAnswer =
  | { readonly status: "feasible"; readonly file: PlanFile }
  | ({ readonly status: "infeasible" } & Omit<Diagnosis, "status">);

/** Why there is none, and what would help, is looked for so long at most. */
const EXPLAINING_MS = 12_000;

/** Plans a task; `stop` and `onProgress` as in the planner. */
export function runPlanTask(task: PlanTask, stop: () => boolean, onProgress: (progress: Progress) => void): PlanAnswer {
  const dish = dishModel(task.document);
  const options: PlanOptions = {
    now: task.now,
    serveAt: task.serveAt,
    style: task.style ?? "late",
    planAt: task.planAt ?? "cautious",
    log: task.log ? logFromFile(task.log, dish.zone) : EMPTY_LOG,
    previous: task.previous && planFromFile(task.previous, dish.zone),
    rounds: task.rounds ?? 240,
    stop,
    onProgress,
  };
  const planned = planDish(dish, options);
  if (planned.status === "feasible") {
    // A first, quick plan is shown as it is; the better one that follows is rehearsed.
    if (task.rounds === 0) return { status: "feasible", file: planToFile(planned.plan, dish.zone) };
    return {
      status: "feasible",
      file: { ...planToFile(planned.plan, dish.zone), rehearsed: rehearse(dish, planned.plan, options.log ?? EMPTY_LOG) },
    };
  }
  return explainWithin(EXPLAINING_MS, task.document, options, planned);
}
