import "server-only";
// Dishes and kitchens as the interface changes them: read, checked, written as a new version, undone.
import { z } from "zod";
import { checkDish } from "../core/dish/check";
import { DEFAULT_KITCHEN } from "../core/dish/default-kitchen";
import { applyPatch, PatchOperation } from "../core/dish/patch";
import type { Problem } from "../core/dish/problem";
import { readDish, readDishValue } from "../core/dish/read";
import { type DishFile, KitchenSchema } from "../core/dish/schema";
import type { Queryable } from "../db/db";
import { findDish, findKitchenLike, insertDish, insertKitchen, stepHistory, updateDocument } from "../db/queries/dishes";
import { findNewestPlan } from "../db/queries/runs";
import { database } from "./database";

export type Outcome<T> =
  | { readonly status: "done"; readonly value: T }
  | { readonly status: "refused"; readonly problems: readonly Problem[] }
  | { readonly status: "stale" }
  | { readonly status: "missing" };

/** Reads a dish file and keeps it whole, or says all that is wrong and keeps nothing. */
export async function importDish(text: string): Promise<Outcome<{ slug: string; warnings: readonly Problem[] }>> {
  const read = readDish(text);
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const db = await database();
  const slug = await db.transaction((tx) => storeDish(tx, read.document));
  return { status: "done", value: { slug, warnings: read.problems } };
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
    ...(change.serveAt === undefined ? {} : { serveAt: change.serveAt }),
  };
  const read = readDishValue({ ...rest, dish, kitchen });
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const label = change.serves !== undefined ? `${change.serves} guests` : "another hour of serving";
  const version = await db.transaction((tx) => updateDocument(tx, "dish", stored.id, seen, { ...rest, dish }, label));
  return version === undefined ? { status: "stale" } : { status: "done", value: version };
}

/** A whole kitchen, checked together with the dish it is seen from. */
export async function changeKitchen(slug: string, seen: number, value: unknown, label: string): Promise<Outcome<number>> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const kitchen = KitchenSchema.safeParse(value);
  const read = readDishValue({ ...stored.document, kitchen: value });
  if (read.status === "refused" || !kitchen.success) return { status: "refused", problems: read.problems };
  const version = await db.transaction((tx) => updateDocument(tx, "kitchen", stored.kitchenId, seen, kitchen.data, label));
  return version === undefined ? { status: "stale" } : { status: "done", value: version };
}

class Overtaken extends Error {}

const Repairs = z.looseObject({ repairs: z.array(z.looseObject({ text: z.string(), change: z.array(PatchOperation) })) });

/** Does what a repair of the planner's newest answer proposes, as one change of the dish, the kitchen or both. */
export async function acceptRepair(slug: string, answerId: string, index: number): Promise<Outcome<string>> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return { status: "missing" };
  const plan = await findNewestPlan(db, stored.id);
  const repair = plan && Repairs.safeParse(plan.document).data?.repairs[index];
  if (
    !plan ||
    String(plan.id) !== answerId ||
    !repair ||
    plan.dishVersion !== stored.version ||
    plan.kitchenVersion !== stored.kitchenVersion
  ) {
    return { status: "stale" };
  }
  const read = readDishValue(applyPatch(stored.document, repair.change));
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const { kitchen, ...document } = read.document;
  const { kitchen: kitchenBefore, ...documentBefore } = stored.document;
  const differs = (a: unknown, b: unknown) => JSON.stringify(a) !== JSON.stringify(b);
  const label = repair.text.replace(/\.$/, "").slice(0, 120);
  try {
    await db.transaction(async (tx) => {
      const write = async (what: "dish" | "kitchen", id: string, seen: number, value: unknown) => {
        // Both or neither: whoever was faster on one of them undoes the other too.
        if ((await updateDocument(tx, what, id, seen, value, label)) === undefined) throw new Overtaken();
      };
      if (differs(document, documentBefore)) await write("dish", stored.id, stored.version, document);
      if (differs(kitchen, kitchenBefore)) await write("kitchen", stored.kitchenId, stored.kitchenVersion, kitchen);
    });
  } catch (error) {
    if (error instanceof Overtaken) return { status: "stale" };
    throw error;
  }
  return { status: "done", value: label };
}

/** Undo or redo of the dish or of its kitchen. @returns the label of what was undone or redone, or undefined */
export async function walkHistory(slug: string, what: "dish" | "kitchen", direction: "undo" | "redo"): Promise<string | undefined> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return undefined;
  return db.transaction((tx) => stepHistory(tx, what, what === "dish" ? stored.id : stored.kitchenId, direction));
}

/** Warnings that a dish carries with it. */
export function warningsOf(document: DishFile): Problem[] {
  return checkDish(document).filter((p) => p.severity === "warning");
}
