// A dish as it stands, as GET /api/dishes/…/scene gives it to a worker: the document, the hour, the log and the plan in force.
import { z } from "zod";
import type { Dish } from "../core/dish/model";
import { dishModel } from "../core/dish/read-model";
import { DishFile } from "../core/dish/schema";
import { type Log, LogFile, logFromFile, type Plan, PlanFile, planFromFile } from "../core/planner";

const Scene = z.object({
  version: z.number().int(),
  document: DishFile,
  now: z.number().int(),
  log: LogFile,
  plan: PlanFile.nullable(),
});

interface OpenScene {
  readonly document: DishFile;
  readonly dish: Dish;
  readonly now: number;
  readonly log: Log;
  readonly plan: Plan | undefined;
}

/** @throws {ZodError} where it is no scene */
export function openScene(scene: unknown): OpenScene {
  const { document, now, log, plan } = Scene.parse(scene);
  const dish = dishModel(document);
  return { document, dish, now, log: logFromFile(log, dish.zone), plan: plan ? planFromFile(plan, dish.zone) : undefined };
}
