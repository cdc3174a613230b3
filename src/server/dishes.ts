import "server-only";
// Dishes and kitchens as the interface changes them: read, checked, written as a new version, undone.
import { z } from "zod";
import { DEFAULT_KITCHEN } from "../core/dish/default-kitchen";
import { applyPatch, guarded, PatchOperation } from "../core/dish/patch";
import { type DishPreview, dishPreview } from "../core/dish/preview";
import type { Problem } from "../core/dish/problem";
import { readDish, readDishValue } from "../core/dish/read";
import { type DishFile, KitchenSchema } from "../core/dish/schema";
import { hazardBetween } from "../core/safety/view";
import { Zone } from "../core/time/zone";
import type { Queryable } from "../db/db";
import {
  findDish,
  findHistoryMoment,
  findKitchenLike,
  insertDish,
  insertKitchen,
  type StoredDish,
  stepHistory,
  updateDocument,
} from "../db/queries/dishes";
import { changesSince, findDocumentAt } from "../db/queries/history";
import { findNewestPlan, findPlanById } from "../db/queries/runs";
import { NOTEBOOK } from "../words/notebook";
import { database } from "./database";
import { acceptPlan, isCurrent, refused } from "./planning";

interface Versions {
  readonly version: number;
  readonly kitchenVersion: number;
}

export type Outcome<T> =
  /** `versions`: those that the dish and its kitchen have now, where it changed them. */
  | { readonly status: "done"; readonly value: T; readonly versions?: Versions }
  | { readonly status: "refused"; readonly problems: readonly Problem[] }
  /** Made for what no longer is; `changed` names what was changed meanwhile. */
  | { readonly status: "stale"; readonly changed?: readonly string[] }
  | { readonly status: "missing" };

/** Reads a dish file and keeps it whole, or says all that is wrong and keeps nothing. */
export async function importDish(text: string): Promise<Outcome<{ slug: string; warnings: readonly Problem[] }>> {
  const read = readDish(text);
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const db = await database();
  const slug = await db.transaction((tx) => storeDish(tx, read.document));
  return { status: "done", value: { slug, warnings: read.problems } };
}

/** What a dish file holds, without keeping it: components with their steps, guests, hour, and what should be looked at. */
export function previewDish(text: string): Outcome<DishPreview> {
  const read = readDish(text);
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  return { status: "done", value: dishPreview(read.document, read.problems) };
}

/** Keeps a document that has been read; dishes whose kitchens are alike share one. @returns the slug */
export async function storeDish(tx: Queryable, document: DishFile): Promise<string> {
  const { kitchen, ...rest } = document;
  const content = kitchen ?? DEFAULT_KITCHEN;
  const kitchenId = (await findKitchenLike(tx, content)) ?? (await insertKitchen(tx, "Kitchen", content));
  return insertDish(tx, document.dish.id, document.dish.name, rest, kitchenId);
}

/** Guests and the hour of serving; the rest of a dish is changed by later tools. */
export async function changeServing(
  slug: string,
  seen: number,
  change: { serves?: number | undefined; serveAt?: string | undefined },
): Promise<Outcome<number>> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const { kitchen, ...rest } = stored.document;
  const dish = {
    ...rest.dish,
    ...(change.serves === undefined ? {} : { serves: change.serves }),
    // Where nothing has an amount yet, what will be written is meant for the guests who come.
    ...(change.serves !== undefined && isBare(rest.components) ? { baseServes: change.serves } : {}),
    ...(change.serveAt === undefined ? {} : { serveAt: change.serveAt }),
  };
  const skipped = change.serveAt === undefined ? undefined : skippedHour(change.serveAt, dish.timezone);
  if (skipped) return refused("dish.serveAt", skipped);
  const read = readDishValue({ ...rest, dish, kitchen });
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const label = change.serves !== undefined ? `${change.serves} guests` : "another serving time";
  const version = await db.transaction((tx) => updateDocument(tx, "dish", stored.id, seen, { ...rest, dish }, label));
  if (version === undefined) return { status: "stale" };
  return { status: "done", value: version, versions: { version, kitchenVersion: stored.kitchenVersion } };
}

/** Nothing goes in yet, and nothing that is used has a size. */
const isBare = (components: DishFile["components"]): boolean =>
  components.every((c) =>
    c.methods.every((m) => !m.ingredients?.length && m.steps.every((s) => !s.makes?.length && !s.takes?.length && !s.uses?.length)),
  );

/** A whole kitchen, checked together with the dish it is seen from. */
export async function changeKitchen(slug: string, seen: number, value: unknown, label: string): Promise<Outcome<number>> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const kitchen = KitchenSchema.safeParse(value);
  const read = readDishValue({ ...stored.document, kitchen: value });
  if (read.status === "refused" || !kitchen.success) return { status: "refused", problems: read.problems };
  const version = await db.transaction((tx) => updateDocument(tx, "kitchen", stored.kitchenId, seen, kitchen.data, label));
  if (version === undefined) return { status: "stale" };
  return { status: "done", value: version, versions: { version: stored.version, kitchenVersion: version } };
}

/** An hour that the clock passes over when it is put forward: there is none such, and another is asked for. */
function skippedHour(serveAt: string, timezone: string): string | undefined {
  try {
    const zone = new Zone(timezone);
    const real = zone.toWallInstant(zone.toMinute(serveAt));
    if (real.slice(0, 16) === serveAt.slice(0, 16)) return undefined;
    return `There is no ${serveAt.slice(11, 16)} on that day: the clocks go forward. Choose ${real.slice(11, 16)}, or another time.`;
  } catch {
    // What is no time at all is told by the check of the file.
    return undefined;
  }
}

class Overtaken extends Error {}

const Repairs = z.looseObject({ repairs: z.array(z.looseObject({ text: z.string(), change: z.array(PatchOperation) })) });

/** Does what a repair of the planner's newest answer proposes, as one change of the dish, the kitchen or both. */
export async function acceptRepair(slug: string, answerId: string, index: number): Promise<Outcome<Changed>> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const newest = await findNewestPlan(db, stored.id);
  const plan = /^\d{1,15}$/.test(answerId) ? await findPlanById(db, stored.id, Number(answerId)) : undefined;
  const repair = plan && Repairs.safeParse(plan.document).data?.repairs[index];
  if (!newest || !plan || !repair || !isCurrent(plan, stored)) return { status: "stale" };
  // More may have been found while the cook read: what was shown then still stands, as long as the question is the same.
  const same =
    plan.id === newest.id || (newest.status === "infeasible" && newest.runSequence === plan.runSequence && newest.runId === plan.runId);
  if (!same) return { status: "stale" };
  const { dishVersion, kitchenVersion } = plan;
  return changeDocument(slug, { version: dishVersion, kitchenVersion, change: repair.change, label: repair.text });
}

export interface Change {
  /** The versions of the dish and of its kitchen that the change was made for; a change of the kitchen says both. */
  readonly version: number;
  readonly kitchenVersion?: number | undefined;
  /** JSON Patch on the document, kitchen included. */
  readonly change: readonly PatchOperation[];
  readonly label: string;
  /** Refused where it would make the dish less safe. */
  readonly safe?: boolean | undefined;
  /** A plan of the changed dish, made elsewhere: kept if the verifier accepts it. */
  readonly plan?: unknown;
}

export interface Changed {
  readonly label: string;
  readonly version: number;
  readonly kitchenVersion: number;
}

/**
 * Any change of a dish and its kitchen, checked, and undone as one. A plan that comes with it is verified against the changed dish and is
 * then the plan in force; without one the dish is planned again by whoever looks at it.
 * @returns the label under which it is undone, and the version that the dish then has
 */
export async function changeDocument(slug: string, asked: Change): Promise<Outcome<Changed>> {
  const { version, kitchenVersion, change, label } = asked;
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const ofKitchen = change.some((o) => [o.path, "from" in o ? o.from : ""].some((p) => /^\/kitchen(\/|$)/.test(p)));
  if (ofKitchen && kitchenVersion === undefined)
    return refused("kitchenVersion", "A change of the kitchen says which version of it was seen.");
  const current = stored.version === version && (kitchenVersion === undefined || stored.kitchenVersion === kitchenVersion);
  // Made for an older version, it is done if it touches nothing that was changed since; a plan that came with it is of no use then.
  const plan = current ? asked.plan : undefined;
  const seen = current ? stored.document : await findDocumentAt(db, stored, version, kitchenVersion ?? stored.kitchenVersion);
  const changed = current ? [] : await changesSince(db, stored, version, kitchenVersion ?? stored.kitchenVersion);
  if (!seen) return { status: "stale", changed };
  let patched: unknown;
  try {
    const operations = guarded(seen, change);
    try {
      patched = applyPatch(stored.document, current ? change : operations);
    } catch (error) {
      if (current) throw error;
      return { status: "stale", changed };
    }
  } catch (error) {
    return refused("change", error instanceof Error ? error.message : "The change does not fit this dish.");
  }
  const read = readDishValue(patched);
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const hazard = asked.safe ? hazardBetween(stored.document, read.document) : undefined;
  if (hazard !== undefined) return refused("change", NOTEBOOK.hazard(hazard));
  const { kitchen, ...document } = read.document;
  const { kitchen: kitchenBefore, ...documentBefore } = stored.document;
  const differs = (a: unknown, b: unknown) => JSON.stringify(a) !== JSON.stringify(b);
  const short = label.replace(/\.$/, "").slice(0, 120);
  const accepted =
    plan === undefined ? undefined : await acceptPlan({ ...stored, document: read.document as typeof stored.document }, plan);
  if (accepted?.status === "refused") return accepted;
  try {
    await db.transaction(async (tx) => {
      const write = async (what: "dish" | "kitchen", id: string, seen: number, value: unknown) => {
        // Both or neither: whoever was faster on one of them undoes the other too.
        const written = await updateDocument(tx, what, id, seen, value, short);
        if (written === undefined) throw new Overtaken();
        return written;
      };
      const dishVersion = differs(document, documentBefore) ? await write("dish", stored.id, stored.version, document) : stored.version;
      const kitchenVersion = differs(kitchen, kitchenBefore)
        ? await write("kitchen", stored.kitchenId, stored.kitchenVersion, kitchen)
        : stored.kitchenVersion;
      if (accepted) await accepted.insert(tx, dishVersion, kitchenVersion);
    });
  } catch (error) {
    if (error instanceof Overtaken) return { status: "stale" };
    throw error;
  }
  const after = await findDish(db, slug);
  return {
    status: "done",
    value: { label: short, version: after?.version ?? version, kitchenVersion: after?.kitchenVersion ?? stored.kitchenVersion },
  };
}

/**
 * Undo or redo of the kitchen, or of the latest change of dish or kitchen: what was changed in one go is taken back in one go.
 * @returns the label of what was undone or redone, or undefined
 */
export async function walkHistory(
  slug: string,
  what: "latest" | "kitchen",
  direction: "undo" | "redo",
  seen: { readonly version?: number | undefined; readonly kitchenVersion?: number | undefined } = {},
): Promise<Outcome<string | undefined>> {
  const db = await database();
  const found = await findDish(db, slug);
  if (!found) return { status: "missing" };
  return db.transaction(async (tx) => {
    const stored = (await findDish(tx, slug)) as StoredDish;
    const { version = stored.version, kitchenVersion = stored.kitchenVersion } = seen;
    // Somebody else's newest change is not undone by who has not seen it.
    if (version !== stored.version || kitchenVersion !== stored.kitchenVersion)
      return { status: "stale", changed: await changesSince(tx, stored, version, kitchenVersion) };
    const value = await walk(tx);
    const after = (await findDish(tx, slug)) as StoredDish;
    return { status: "done", value, versions: { version: after.version, kitchenVersion: after.kitchenVersion } };
  });

  async function walk(tx: Queryable): Promise<string | undefined> {
    const stored = found as StoredDish;
    if (what === "kitchen") return stepHistory(tx, "kitchen", stored.kitchenId, direction);
    const dish = await findHistoryMoment(tx, "dish", stored.id, direction);
    const kitchen = await findHistoryMoment(tx, "kitchen", stored.kitchenId, direction);
    const both = dish !== undefined && dish === kitchen;
    // Undo takes what was done last, redo what was done first.
    const dishFirst = kitchen === undefined || (dish !== undefined && (direction === "undo" ? dish > kitchen : dish < kitchen));
    const changes: (string | undefined)[] = [];
    if (dish !== undefined && (both || dishFirst)) changes.push(await stepHistory(tx, "dish", stored.id, direction));
    if (kitchen !== undefined && (both || !dishFirst)) changes.push(await stepHistory(tx, "kitchen", stored.kitchenId, direction));
    return changes.find((c) => c !== undefined);
  }
}
