import "server-only";
// What has to be bought for the plan in force of a dish.
import { dishModel } from "../core/dish/read-model";
import { PlanFile, planFromFile } from "../core/planner";
import { type ShoppingRow, shoppingRows } from "../core/sheets/shopping";
import { findDish } from "../db/queries/dishes";
import { findNewestFeasible } from "../db/queries/runs";
import { database } from "./database";

/** Undefined where there is no such dish or no plan of it. */
export async function loadShopping(
  slug: string,
): Promise<{ readonly rows: ShoppingRow[]; readonly dish: ReturnType<typeof dishModel> } | undefined> {
  const db = await database();
  const stored = await findDish(db, slug);
  const newest = stored && (await findNewestFeasible(db, stored.id));
  if (!stored || !newest) return undefined;
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(newest.document), dish.zone);
  return { rows: shoppingRows(stored.document, dish, plan), dish };
}
