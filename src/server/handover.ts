import "server-only";
// Whether a night may be handed over: not while heat is on that may not stay on while everyone sleeps, unless that very step was confirmed.
import { dishModel } from "../core/dish/read-model";
import { PlanFile, planFromFile } from "../core/planner";
import type { EntryBody } from "../core/record/entries";
import { progressOf } from "../core/record/progress";
import { bedtimeOf, sleepOkOf } from "../core/view/bedtime";
import { planView } from "../core/view/plan-view";
import type { Queryable } from "../db/db";
import type { StoredDish } from "../db/queries/dishes";
import { findNewestFeasible, listRunEvents } from "../db/queries/runs";
import { nowMinute } from "./clock";
import { followable } from "./state";

/** Names of steps with heat that stand in the way of it. */
export async function hotAndUnconfirmed(
  db: Queryable,
  stored: StoredDish,
  runId: string | undefined,
  { bed, wake, confirmed }: Extract<EntryBody, { kind: "handover" }>,
): Promise<string[]> {
  const found = await findNewestFeasible(db, stored.id);
  if (!found || runId === undefined) return [];
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(found.document), dish.zone);
  if (!followable(dish, plan)) return [];
  const view = planView(dish, plan, progressOf(await listRunEvents(db, runId)));
  return bedtimeOf(view, nowMinute(), { bed, wake }, sleepOkOf(dish))
    .hot.filter((h) => !h.allowed && !confirmed.includes(h.step))
    .map((h) => h.name);
}
