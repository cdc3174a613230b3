// What is written down beside the presses of a run.
import { z } from "zod";
import { type Entry, EntryBody } from "../../core/record/entries";
import type { Queryable } from "../db";

const StoredEntry = z
  .object({ id: z.number(), at: z.date(), kind: z.string(), step: z.string().nullable(), data: z.looseObject({}) })
  .transform(
    (r): Entry => ({
      id: r.id,
      at: r.at.getTime(),
      body: EntryBody.parse({ ...r.data, kind: r.kind, ...(r.step === null ? {} : { step: r.step }) }),
    }),
  );

/** So many readings of devices may stand in a run; the newest are read. */
const MOST_READ = 20_000;

/** Entries of the open run of a dish, and those written since its last run ended; in their order. */
export async function listEntries(db: Queryable, dishId: string, runId: string | undefined): Promise<Entry[]> {
  return StoredEntry.array().parse(
    await db.query(
      `select * from (
         select id::float8 as id, at, kind, step, data from record_entry
          where dish_id = $1 and (run_id = $2
             or (run_id is null and recorded_at >= coalesce((select max(ended_at) from run where dish_id = $1), '-infinity')))
          order by record_entry.id desc limit ${MOST_READ}) newest
        order by id`,
      [dishId, runId ?? null],
    ),
  );
}

interface NewEntry {
  readonly dishId: string;
  readonly runId: string | undefined;
  readonly key: string;
  readonly at: Date;
  readonly body: EntryBody;
  readonly recordedAt: Date;
}

/** Writes an entry down once: the same key a second time changes nothing. @returns whether it is new */
export async function insertEntry(db: Queryable, { dishId, runId, key, at, body, recordedAt }: NewEntry): Promise<boolean> {
  const { kind, ...data } = body;
  const step = "step" in body ? body.step : undefined;
  const rows = await db.query(
    `insert into record_entry (dish_id, run_id, key, kind, step, at, data, recorded_at)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8) on conflict (key) do nothing returning id`,
    [dishId, runId ?? null, key, kind, step ?? null, at, JSON.stringify(data), recordedAt],
  );
  return rows.length > 0;
}

/** Entries of one run, in their order. */
export async function listRunEntries(db: Queryable, runId: string): Promise<Entry[]> {
  return StoredEntry.array().parse(
    await db.query("select id::float8 as id, at, kind, step, data from record_entry where run_id = $1 order by record_entry.id", [runId]),
  );
}

/** Notes at steps in the newest run of a dish that has ended. */
export async function listLastNotes(db: Queryable, dishId: string): Promise<Entry[]> {
  return StoredEntry.array().parse(
    await db.query(
      `select id::float8 as id, at, kind, step, data from record_entry
        where kind in ('note', 'withdrawn')
          and run_id = (select id from run where dish_id = $1 and ended_at is not null order by ended_at desc, id limit 1)
        order by record_entry.id`,
      [dishId],
    ),
  );
}

const Bound = z.object({ dish_id: z.uuid(), run_id: z.uuid(), slug: z.string() });

/** Runs under way at which a device is read, or was. */
export async function listRunsWithDevices(db: Queryable): Promise<{ dishId: string; runId: string; slug: string }[]> {
  const rows = await db.query(
    `select distinct r.dish_id, r.id as run_id, d.slug from record_entry x join run r on r.id = x.run_id join dish d on d.id = r.dish_id
      where x.kind = 'device' and r.ended_at is null order by r.id`,
  );
  return Bound.array()
    .parse(rows)
    .map((r) => ({ dishId: r.dish_id, runId: r.run_id, slug: r.slug }));
}
