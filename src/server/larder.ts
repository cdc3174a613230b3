import "server-only";
// What is kept in the house: made by runs, or put in by hand; what happened to it; the room that it and the plans take.
import { z } from "zod";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { type Decision, decisionsOf } from "../core/larder/decisions";
import { LarderBody, LarderItemId } from "../core/larder/events";
import { itemsOfRun } from "../core/larder/from-run";
import { type LarderItem, larderItems } from "../core/larder/items";
import { type LarderOffer, offersFor } from "../core/larder/offers";
import { larderUntil, type Room, roomOf } from "../core/larder/room";
import { type Takes, usesOf } from "../core/larder/uses";
import { PlanFile, planFromFile } from "../core/planner";
import { progressOf } from "../core/record/progress";
import { occupancyOf } from "../core/view/occupancy";
import type { Queryable } from "../db/db";
import { findDish, findNewestKitchen, listDishIngredients, listPlaced } from "../db/queries/dishes";
import { insertLarderEvent, listLarderEvents, listRecentRuns } from "../db/queries/larder";
import { findNewestFeasible, findPlanBefore, listRunEvents } from "../db/queries/runs";
import { remembered } from "../db/remembered";
import { nowMinute, nowMs, wallNow } from "./clock";
import { database } from "./database";
import { libraryIngredients } from "./library";
import { followable } from "./state";

/** What a run left over is looked for so long after its end; what is put in by hand has no such bound. */
const RUNS_FOR_DAYS = 120;
const MOST_RUNS = 40;
/** After all events of a run. */
const LAST_SEQUENCE = 2_147_483_647;
/** Past its limit for longer than this nobody has it any more, whether or not they said so. */
const FORGOTTEN_MINUTES = 14 * 1440;
const MOST_PLANS = 12;
/** Dishes whose ingredients are looked through for what to do with something. */
const MOST_LOOKED_AT = 100;
const MOST_AT_ONCE = 100;

export const NewLarderEvents = z.object({
  events: z
    .array(z.object({ key: z.uuid(), item: LarderItemId, body: LarderBody }))
    .min(1)
    .max(MOST_AT_ONCE),
});

/** Writes events down, all or none; what was sent before is passed over. @returns their ids, in order */
export async function writeLarder({ events }: z.output<typeof NewLarderEvents>): Promise<number[]> {
  const db = await database();
  const now = new Date(nowMs());
  return db.transaction(async (tx) => {
    const ids: number[] = [];
    for (const { key, item, body } of events) ids.push(await insertLarderEvent(tx, { key, item, at: now, body, recordedAt: now }));
    return ids;
  });
}

/** What each run made, as long as its dish, plan and log are what they were: Home asks for it each time that it is opened. */
const madeBy = remembered<string, readonly LarderItem[]>(200);

/** All that is kept, by its limit. */
export async function loadLarderItems(): Promise<LarderItem[]> {
  const db = await database();
  const now = nowMinute();
  const made: LarderItem[] = [];
  for (const run of await listRecentRuns(db, new Date(nowMs() - RUNS_FOR_DAYS * 86_400_000), MOST_RUNS)) {
    const known = madeBy.get(run.stamp) ?? (await itemsOf(db, run));
    madeBy.set(run.stamp, known);
    made.push(...known);
  }
  return larderItems(made, await listLarderEvents(db))
    .filter((i) => i.until === undefined || i.until > now - FORGOTTEN_MINUTES)
    .sort((a, b) => (a.until ?? Number.POSITIVE_INFINITY) - (b.until ?? Number.POSITIVE_INFINITY) || a.name.localeCompare(b.name));
}

async function itemsOf(db: Queryable, run: { readonly id: string; readonly slug: string; readonly ended: boolean }): Promise<LarderItem[]> {
  const stored = await findDish(db, run.slug);
  if (!stored) return [];
  const found = run.ended ? await findPlanBefore(db, stored.id, run.id, LAST_SEQUENCE) : await findNewestFeasible(db, stored.id);
  if (found?.status !== "feasible") return [];
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(found.document), dish.zone);
  if (!followable(dish, plan)) return [];
  return itemsOfRun({
    runId: run.id,
    slug: run.slug,
    name: stored.document.dish.name,
    dish,
    plan,
    progress: progressOf(await listRunEvents(db, run.id)),
    ended: run.ended,
  });
}

/** What of a dish is kept in the house already. */
export async function loadLarderOffers(document: DishFile): Promise<LarderOffer[]> {
  return offersFor(document, await loadLarderItems(), nowMinute());
}

/** What is past its limit or will be within a day, and stands in no plan: for Home. */
export async function loadUseSoon(): Promise<LarderItem[]> {
  const soon = nowMinute() + 1440;
  return (await loadLarderItems()).filter((i) => !i.source?.underway && i.until !== undefined && i.until < soon);
}

type Idea = Pick<Takes, "name" | "href">;

export interface Larder {
  readonly items: readonly LarderItem[];
  /** What those that spoil soon go into, by item. */
  readonly ideas: Readonly<Record<string, readonly Idea[]>>;
  readonly room: Room | undefined;
  readonly decisions: readonly Decision[];
  readonly now: number;
}

export async function loadLarder(): Promise<Larder> {
  const db = await database();
  const now = nowMinute();
  const items = await loadLarderItems();
  const kitchen = await findNewestKitchen(db);
  const fridges = (kitchen?.equipment ?? []).filter((e) => e.kind === "fridge");
  const litres = fridges.reduce((sum, e) => sum + (e.litres ?? 0) * (e.count ?? 1), 0);
  const everyday = fridges.reduce((sum, e) => sum + (e.everydayLitres ?? 0), 0);
  const room =
    litres > 0
      ? roomOf({ place: "fridge", litres, everyday, plans: await plansOf(db), items, from: now, to: larderUntil(now) })
      : undefined;
  const decisions = decisionsOf(items, room, now);
  return { items, room, decisions, ideas: await ideasFor(db, decisions, items), now };
}

/** What somebody could make of each item that spoils soon; a dish that made it is no idea. */
async function ideasFor(db: Queryable, decisions: readonly Decision[], items: readonly LarderItem[]): Promise<Record<string, Idea[]>> {
  const soon = decisions.filter((d) => d.kind === "soon" && d.item !== undefined);
  if (soon.length === 0) return {};
  const own = (await listDishIngredients(db, MOST_LOOKED_AT)).map((d): Takes => ({ ...d, href: `/d/${d.slug}/dish` }));
  const all = [...own, ...libraryIngredients().map((l): Takes => ({ ...l, href: undefined }))];
  return Object.fromEntries(
    soon.map(({ item = "", name }) => {
      const made = items.find((i) => i.id === item)?.source?.slug;
      const uses = usesOf(
        name,
        all.filter((t) => made === undefined || t.href !== `/d/${made}/dish`),
      );
      return [item, uses.map(({ name: what, href }) => ({ name: what, href }))];
    }),
  );
}

async function plansOf(db: Queryable) {
  const plans: { dish: string; places: ReturnType<typeof occupancyOf> }[] = [];
  for (const placed of await listPlaced(db, "ahead", wallNow(), { from: 0, most: MOST_PLANS })) {
    const stored = await findDish(db, placed.slug);
    const plan = stored && (await findNewestFeasible(db, stored.id));
    if (!stored || !plan) continue;
    const dish = dishModel(stored.document);
    const read = planFromFile(PlanFile.parse(plan.document), dish.zone);
    if (followable(dish, read)) plans.push({ dish: placed.name, places: occupancyOf(dish, read) });
  }
  return plans;
}
