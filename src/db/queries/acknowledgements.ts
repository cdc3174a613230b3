// What a cook has acknowledged of the findings of safety, by dish and finding.
import { z } from "zod";
import type { Queryable } from "../db";

const Row = z.object({ finding: z.string(), print: z.string() });

/** Prints by finding; empty where nothing was acknowledged. */
export async function listAcknowledgements(db: Queryable, dishId: string): Promise<ReadonlyMap<string, string>> {
  const rows = Row.array().parse(await db.query("select finding, print from acknowledgement where dish_id = $1", [dishId]));
  return new Map(rows.map((r) => [r.finding, r.print]));
}

/** The next run is asked anew. */
export async function clearAcknowledgements(db: Queryable, dishId: string): Promise<void> {
  await db.query("delete from acknowledgement where dish_id = $1", [dishId]);
}

/** A later one of the same finding takes the place of the earlier. */
export async function putAcknowledgement(db: Queryable, dishId: string, finding: string, print: string, at: Date): Promise<void> {
  await db.query(
    `insert into acknowledgement (dish_id, finding, print, at) values ($1, $2, $3, $4)
     on conflict (dish_id, finding) do update set print = excluded.print, at = excluded.at`,
    [dishId, finding, print, at.toISOString()],
  );
}
