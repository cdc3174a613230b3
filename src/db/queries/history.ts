// What a dish and its kitchen were at versions that somebody saw, and what was changed since.
import { z } from "zod";
import type { Queryable } from "../db";

const Document = z.object({ document: z.looseObject({}) });
const Label = z.object({ change: z.string() });
type Owned = { readonly id: string; readonly kitchenId: string };

/** The document of a dish with its kitchen as they were; undefined where there were no such versions. */
export async function findDocumentAt(db: Queryable, dish: Owned, version: number, kitchenVersion: number): Promise<object | undefined> {
  const [own] = Document.array().parse(
    await db.query("select document from dish_history where dish_id = $1 and version = $2", [dish.id, version]),
  );
  const [kitchen] = Document.array().parse(
    await db.query("select document from kitchen_history where kitchen_id = $1 and version = $2", [dish.kitchenId, kitchenVersion]),
  );
  return own && kitchen && { ...own.document, kitchen: kitchen.document };
}

const MOST_NAMED = 5;

/** Names of the changes of dish and kitchen after such versions, the latest first. */
export async function changesSince(db: Queryable, dish: Owned, version: number, kitchenVersion: number): Promise<string[]> {
  const rows = await db.query(
    `select change from (
       select change, at from dish_history where dish_id = $1 and version > $2
       union all select change, at from kitchen_history where kitchen_id = $3 and version > $4) c
     order by at desc limit ${MOST_NAMED}`,
    [dish.id, version, dish.kitchenId, kitchenVersion],
  );
  return [
    ...new Set(
      Label.array()
        .parse(rows)
        .map((r) => r.change),
    ),
  ];
}
