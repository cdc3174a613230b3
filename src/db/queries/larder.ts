// What was written of the larder, and the runs whose makings may still be kept.
import { z } from "zod";
import { LarderBody, type LarderEvent } from "../../core/larder/events";
import type { Queryable } from "../db";

const Stored = z.object({ id: z.number(), item: z.string(), kind: z.string(), at: z.date(), data: z.looseObject({}) }).transform(
  (r): LarderEvent => ({
    id: r.id,
    item: r.item,
    at: Math.floor(r.at.getTime() / 60_000),
    body: LarderBody.parse({ ...r.data, kind: r.kind }),
  }),
);

/** All of it, in its order. */
export async function listLarderEvents(db: Queryable): Promise<LarderEvent[]> {
  return Stored.array().parse(await db.query("select id::float8 as id, item, kind, at, data from larder_event order by larder_event.id"));
}

interface NewLarderEvent {
  readonly key: string;
  readonly item: string;
  readonly at: Date;
  readonly body: LarderBody;
  readonly recordedAt: Date;
}

/** Writes an event once: the same key a second time changes nothing. @returns its id, whether new or not */
export async function insertLarderEvent(db: Queryable, { key, item, at, body, recordedAt }: NewLarderEvent): Promise<number> {
  const { kind, ...data } = body;
  await db.query(
    `insert into larder_event (key, item, kind, at, data, recorded_at) values ($1, $2, $3, $4, $5::jsonb, $6) on conflict (key) do nothing`,
    [key, item, kind, at, JSON.stringify(data), recordedAt],
  );
  const [row] = await db.query("select id::float8 as id from larder_event where key = $1", [key]);
  return z.object({ id: z.number() }).parse(row).id;
}

const Recent = z.object({
  id: z.uuid(),
  slug: z.string(),
  ended: z.boolean(),
  /** The same as long as neither the dish, its newest plan nor the run's log have changed. */
  stamp: z.string(),
});

/** Runs under way, and those that ended after a moment; the newest first. */
export async function listRecentRuns(db: Queryable, since: Date, most: number): Promise<z.output<typeof Recent>[]> {
  return Recent.array().parse(
    await db.query(
      `select r.id, d.slug, r.ended_at is not null as ended,
              concat_ws(' ', r.id, d.version, r.ended_at is not null,
                        (select version from kitchen where id = d.kitchen_id),
                        (select max(p.id) from plan p where p.dish_id = d.id and p.status = 'feasible'),
                        (select max(e.sequence) from run_event e where e.run_id = r.id)) as stamp
         from run r join dish d on d.id = r.dish_id
        where r.ended_at is null or r.ended_at >= $1 order by r.started_at desc, r.id limit $2`,
      [since, most],
    ),
  );
}
