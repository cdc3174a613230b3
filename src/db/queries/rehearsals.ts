// Rehearsals of a dish, kept apart from its record.
import { z } from "zod";
import { KeptRehearsal } from "../../core/view/rehearsed-plan";
import type { Queryable } from "../db";

const Stored = z.object({ plan_stamp: z.string(), data: KeptRehearsal, at: z.date() }).transform((r) => ({
  planStamp: r.plan_stamp,
  at: Math.floor(r.at.getTime() / 60_000),
  rehearsal: r.data,
}));

/** The newest; undefined where it was never rehearsed. */
export async function findLastRehearsal(db: Queryable, dishId: string): Promise<z.output<typeof Stored> | undefined> {
  return Stored.array().parse(
    await db.query("select plan_stamp, data, at from rehearsal where dish_id = $1 order by id desc limit 1", [dishId]),
  )[0];
}

/** So many of a dish are kept. */
const MOST_KEPT = 20;

export async function insertRehearsal(db: Queryable, dishId: string, planStamp: string, rehearsal: KeptRehearsal, at: Date): Promise<void> {
  await db.query("insert into rehearsal (dish_id, plan_stamp, data, at) values ($1, $2, $3::jsonb, $4)", [
    dishId,
    planStamp,
    JSON.stringify(rehearsal),
    at,
  ]);
  await db.query(
    "delete from rehearsal where dish_id = $1 and id not in (select id from rehearsal where dish_id = $1 order by id desc limit $2)",
    [dishId, MOST_KEPT],
  );
}
