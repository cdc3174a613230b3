// What a planning worker is given and gives back: plain data, the same on the server and in a browser.
import { z } from "zod";
import { dishModel } from "../core/dish/read-model";
import { DishFile } from "../core/dish/schema";
import {
  EMPTY_LOG,
  LogFile,
  logFromFile,
  PLAN_ATS,
  type Plan,
  PlanFile,
  type PlanOptions,
  type Progress,
  planDish,
  planFromFile,
  planToFile,
  STYLES,
} from "../core/planner";
import type { Diagnosis } from "../core/planner/explain";
import { type WayAround, waysAround } from "../core/planner/ways-around";
import { type WayOn, waysOn } from "../core/planner/ways-on";
import { defaultPlan } from "../core/rehearse/default-plan";
import { withWords } from "../words/exceptions";
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
  baseline: PlanFile.optional(),
  rounds: z.number().int().optional(),
  /** Share of the usual work that is given to the search for a plan that comes out in time, and to its rehearsals: 1 where nothing is said. */
  effort: z.number().positive().max(1).optional(),
  /** The plan of least regret that is within a quarter of an hour in this share of the runs, whatever lengths it takes. */
  sure: z.number().min(0).max(1).optional(),
});
export type PlanTask = z.output<typeof PlanTask>;

export type PlanAnswer =
  | { readonly status: "feasible"; readonly file: PlanFile }
  /** `looking`: ways out are still being looked for, and another answer follows. */
  | ({ readonly status: "infeasible"; readonly looking?: true } & Omit<Diagnosis, "status">);

/** Why there is none, and what would help, is looked for so long at most. */
const EXPLAINING_MS = 12_000;
/** What else could be done about exceptions is looked for so long at most. */
const AROUND_MS = 2_000;
/** Plans are found and executed for so long, where the one that comes out in time is asked for. */
const SURE_MS = 10_000;

const repairOf = ({ kind, text, change, press, plan, spares }: WayOn & Partial<Pick<WayAround, "spares">>) => ({
  kind,
  text,
  change,
  leadMinutes: plan.leadMinutes,
  regret: plan.regret,
  ...(press === undefined ? {} : { press }),
  ...(spares === undefined ? {} : { spares }),
});

/**
 * Plans a task; `stop` and `onProgress` as in the planner.
 * @param words told why there is none while what would help is still looked for
 */
export function runPlanTask(
  task: PlanTask,
  stop: () => boolean,
  onProgress: (progress: Progress) => void,
  words: (answer: PlanAnswer) => void = () => {},
): PlanAnswer {
  const dish = dishModel(task.document);
  const options: PlanOptions = {
    now: task.now,
    serveAt: task.serveAt,
    style: task.style ?? "late",
    planAt: task.planAt ?? "cautious",
    log: task.log ? logFromFile(task.log, dish.zone) : EMPTY_LOG,
    previous: task.previous && planFromFile(task.previous, dish.zone),
    baseline: task.baseline && planFromFile(task.baseline, dish.zone),
    rounds: task.rounds ?? 240,
    stop,
    onProgress,
  };
  const log = options.log ?? EMPTY_LOG;
  const whole = (plan: Plan): PlanFile => ({
    ...planToFile(withWords(dish, plan), dish.zone),
    rehearsed: rehearse(dish, plan, log, task.effort),
  });
  if (task.sure !== undefined && task.rounds !== 0) {
    const { planAt: _, ...open } = options;
    const sure = defaultPlan(task.document, task.sure, { ...open, time: { clock: () => Date.now(), ms: SURE_MS * (task.effort ?? 1) } });
    if (sure.status !== "infeasible") {
      const choices = sure.choices.map((c) => ({
        file: whole(c.plan),
        onTime: c.onTime,
        within15: c.within15,
        chosen: c.plan === sure.plan,
      }));
      return { status: "feasible", file: { ...whole(sure.plan), sure: { reached: sure.status === "reached", wish: task.sure }, choices } };
    }
  }
  const planned = planDish(dish, options);
  if (planned.status === "feasible") {
    // A first, quick plan is shown as it is; the better one that follows is rehearsed.
    if (task.rounds === 0) return { status: "feasible", file: { ...planToFile(withWords(dish, planned.plan), dish.zone), first: true } };
    const { plan } = planned;
    if (!plan.exceptions?.length || log.events.size === 0) return { status: "feasible", file: whole(plan) };
    // Beside what goes past the rules stands what else could be done.
    const began = Date.now();
    const around = waysAround(task.document, { ...options, rounds: 0, stop: () => stop() || Date.now() - began > AROUND_MS }, plan);
    return { status: "feasible", file: { ...whole(plan), repairs: around.map(repairOf) } };
  }
  // Under way the cook is asked at once what is to give; why in so many facts comes only where nothing is found.
  if (log.events.size && options.previous) {
    words({ ...planned, repairs: [], looking: true });
    const began = Date.now();
    const ways = waysOn(task.document, { ...options, rounds: 0, stop: () => stop() || Date.now() - began > EXPLAINING_MS });
    if (ways.length) return { ...planned, repairs: ways.map(repairOf) };
  }
  return explainWithin(EXPLAINING_MS, task.document, options, planned, (sofar) => words({ ...sofar, looking: true }));
}
