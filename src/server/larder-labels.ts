import "server-only";
// Labels for the larder, with the allergens of each item by the dish that made it.
import type { DishFile } from "../core/dish/schema";
import { allergenWordsOf } from "../core/foods/allergens";
import type { LarderItem } from "../core/larder/items";
import { containsOf } from "../core/sheets/contains";
import { type KnownItem, labelsOfItems } from "../core/sheets/item-labels";
import type { Label } from "../core/sheets/labels";
import { WallClock } from "../core/time/wall-clock";
import { findDish } from "../db/queries/dishes";
import { nowMinute } from "./clock";
import { readerOffsets } from "./conventions";
import { database } from "./database";
import { loadLarderItems } from "./larder";

/** Whether the dish file marks an output as raw. */
const isRaw = (document: DishFile, ref: string): boolean =>
  document.components.some((c) =>
    c.methods.some((m) => m.steps.some((s) => s.makes?.some((o) => `${c.id}.${o.id}` === ref && o.raw === true))),
  );

/** What each item contains: from the dish that made it, or, for an item added by hand, from its name. */
async function knownOf(items: readonly LarderItem[]): Promise<Map<string, KnownItem>> {
  const db = await database();
  const dishes = new Map<string, Awaited<ReturnType<typeof findDish>>>();
  const known = new Map<string, KnownItem>();
  for (const { id, name, source } of items) {
    if (source && !dishes.has(source.slug)) dishes.set(source.slug, await findDish(db, source.slug));
    const document = source && dishes.get(source.slug)?.document;
    known.set(
      id,
      source && document
        ? {
            contains: containsOf(document, source.methods).get(source.output) ?? [],
            raw: isRaw(document, source.output),
            dish: document.dish.id,
          }
        : { contains: allergenWordsOf({ name }), raw: false, dish: undefined },
    );
  }
  return known;
}

/** A label for each item that is kept. */
export async function loadItemLabels(): Promise<Label[]> {
  const items = await loadLarderItems();
  const { offsets } = await readerOffsets();
  return labelsOfItems(items, nowMinute(), new WallClock(offsets), await knownOf(items));
}
