import "server-only";
// The demo dishes, put on the calendar so that the harvest lunch is still ahead: by whole weeks, weekdays stay.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { readDish } from "../core/dish/read";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { shiftDates } from "../core/dish/shift-dates";
import { listDishes } from "../db/queries/dishes";
import { nowMinute } from "./clock";
import { database, root } from "./database";
import { storeDish } from "./dishes";
import { planAndStore } from "./planning";

/** Least time between the first start and the lunch. */
const AHEAD_DAYS = 7;

/** Fills an empty database with the demo, once. Plans are made after it answers. @returns whether it was empty */
export async function seedDemo(): Promise<boolean> {
  const db = await database();
  if ((await listDishes(db)).length > 0) return false;
  const directory = path.join(/*turbopackIgnore: true*/ root(), "demo");
  const documents = readdirSync(directory)
    .filter((f) => f.endsWith(".json"))
    .sort()
    .map((file): DishFile => {
      const read = readDish(readFileSync(path.join(directory, file), "utf8"));
      if (read.status === "refused") throw new Error(`demo: ${file}: ${read.problems[0]?.path} ${read.problems[0]?.message}`);
      return read.document;
    });
  const lunch = documents.find((d) => d.dish.id === "harvest-lunch") as DishFile;
  const days = (dishModel(lunch).serveAt - nowMinute()) / 1440;
  const weeks = Math.ceil((AHEAD_DAYS - days) / 7);
  const slugs: string[] = [];
  await db.transaction(async (tx) => {
    for (const document of [lunch, ...documents.filter((d) => d !== lunch)])
      slugs.push(await storeDish(tx, shiftDates(document, weeks * 7)));
  });
  void (async () => {
    for (const slug of slugs) await planAndStore(slug);
  })().catch((error) => console.error("demo: the first plans were not made", error));
  return true;
}
