import "server-only";
// What has to be bought for the plan in force of a dish, or of all that are ahead; less what is at home.
import { z } from "zod";
import { dishModel } from "../core/dish/read-model";
import { PlanFile, planFromFile } from "../core/planner";
import { type HomeRow, toBuy } from "../core/sheets/at-home";
import { type Need, needsOf } from "../core/sheets/shopping";
import { shoppingCsv } from "../core/sheets/shopping-csv";
import type { Queryable } from "../db/db";
import { findDish, listPlaced } from "../db/queries/dishes";
import { findNewestFeasible } from "../db/queries/runs";
import { findSetting, putSetting } from "../db/queries/settings";
import { nowMinute, wallNow } from "./clock";
import { database } from "./database";
import { loadLarderItems } from "./larder";

const MOST_DISHES = 12;

async function needsOfDish(db: Queryable, slug: string, named: boolean) {
  const stored = await findDish(db, slug);
  const newest = stored && (await findNewestFeasible(db, stored.id));
  if (!stored || !newest) return undefined;
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(newest.document), dish.zone);
  return {
    dish,
    name: stored.document.dish.name,
    needs: needsOf(stored.document, dish, plan, named ? stored.document.dish.name : undefined),
  };
}

/** Undefined where there is no such dish or no plan of it. */
export async function loadShopping(
  slug: string,
): Promise<{ readonly rows: HomeRow[]; readonly dish: ReturnType<typeof dishModel> } | undefined> {
  const found = await needsOfDish(await database(), slug, false);
  return found && { rows: toBuy(found.needs, await loadLarderItems()), dish: found.dish };
}

interface ShoppingForAll {
  readonly rows: readonly HomeRow[];
  readonly dishes: readonly { readonly slug: string; readonly name: string }[];
  /** The clock of the nearest of them. */
  readonly zone: ReturnType<typeof dishModel>["zone"] | undefined;
}

/** For all dishes ahead that have a plan, the nearest first. */
export async function loadShoppingForAll(): Promise<ShoppingForAll> {
  const db = await database();
  const now = nowMinute();
  const needs: Need[] = [];
  const dishes: { slug: string; name: string }[] = [];
  let zone: ShoppingForAll["zone"];
  for (const placed of await listPlaced(db, "ahead", wallNow(), { from: 0, most: MOST_DISHES })) {
    const found = await needsOfDish(db, placed.slug, true);
    if (!found) continue;
    // What was wanted before now is bought, or was not needed.
    needs.push(...found.needs.filter((n) => n.row.wantedBy >= now));
    dishes.push({ slug: placed.slug, name: placed.name });
    zone ??= found.dish.zone;
  }
  return { rows: toBuy(needs, await loadLarderItems()), dishes, zone };
}

/** A list as a file, as on its page: what this house always has is on no list, and causes no trip. */
export async function shoppingFile(rows: readonly HomeRow[], clock: Parameters<typeof shoppingCsv>[1], list: string): Promise<Response> {
  const staples = new Set(await loadStaples());
  const bought = rows.filter((r) => !staples.has(r.ingredient.toLowerCase()));
  return new Response(shoppingCsv(bought, clock, await loadMostTrips(list)), {
    headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${list}-shopping.csv"` },
  });
}

const STAPLES = "staples";
const Staples = z.array(z.string().max(200)).max(1000);
export const StapleChange = z.object({ name: z.string().trim().min(1).max(200), always: z.boolean() });

/** Names of what this house always has, in small letters. */
export async function loadStaples(): Promise<string[]> {
  return (await findSetting(await database(), STAPLES, Staples)) ?? [];
}

export async function changeStaple({ name, always }: z.output<typeof StapleChange>): Promise<string[]> {
  const db = await database();
  return db.transaction(async (tx) => {
    const before = (await findSetting(tx, STAPLES, Staples)) ?? [];
    const without = before.filter((n) => n !== name.toLowerCase());
    const after = always ? [...without, name.toLowerCase()].sort() : without;
    await putSetting(tx, STAPLES, after);
    return after;
  });
}

const TRIPS = "shopping-trips";
/** Most lists whose number of trips is kept; the oldest choice goes. */
const MOST_LISTS = 200;
const TripsOfLists = z.record(z.string().max(200), z.number().int().min(1).max(60));
/** At most so many trips for a list (the dish's short name, or "all"); null: as many as keep everything fresh. */
export const TripsChange = z.object({ list: z.string().min(1).max(200), most: z.number().int().min(1).max(60).nullable() });

/** Undefined: as many trips as keep everything fresh. */
export async function loadMostTrips(list: string): Promise<number | undefined> {
  return (await findSetting(await database(), TRIPS, TripsOfLists))?.[list];
}

export async function changeMostTrips({ list, most }: z.output<typeof TripsChange>): Promise<void> {
  const db = await database();
  await db.transaction(async (tx) => {
    const { [list]: _, ...others } = (await findSetting(tx, TRIPS, TripsOfLists)) ?? {};
    const kept = Object.entries(others).slice(-(MOST_LISTS - 1));
    await putSetting(tx, TRIPS, Object.fromEntries(most === null ? kept : [...kept, [list, most]]));
  });
}
