// Batches that are followed without a plan, and what is written of them.
import { z } from "zod";
import { Aim, BatchBody, type BatchEntry } from "../../core/record/batches";
import type { Queryable } from "../db";

const BatchRow = z
  .object({
    id: z.uuid(),
    name: z.string(),
    aim: Aim.nullable(),
    started_at: z.date(),
    ended_at: z.date().nullable(),
    entries: z.number(),
    last_at: z.date().nullable(),
  })
  .transform((r) => ({
    id: r.id,
    name: r.name,
    aim: r.aim ?? undefined,
    /** Milliseconds since 1970. */
    startedAt: r.started_at.getTime(),
    endedAt: r.ended_at?.getTime(),
    /** What was written of it, withdrawals left out. */
    entries: r.entries,
    lastAt: r.last_at?.getTime(),
  }));
export type Batch = z.output<typeof BatchRow>;

const BATCHES = `select b.id, b.name, b.aim, b.started_at, b.ended_at, coalesce(e.n, 0)::int4 as entries, e.last_at
  from batch b left join lateral (
    select count(*) as n, max(at) as last_at from batch_entry x where x.batch_id = b.id and x.kind <> 'withdrawn') e on true`;

/**
 * Those that go on first, then the newest.
 * @param words found in the name, or in what was noted; empty: all
 */
export async function listBatches(db: Queryable, words: string, most: number): Promise<Batch[]> {
  const order = "order by (b.ended_at is null) desc, b.started_at desc, b.id limit $1";
  const rows =
    words.trim() === ""
      ? await db.query(`${BATCHES} ${order}`, [most])
      : await db.query(
          `${BATCHES}
           where to_tsvector('simple', b.name) @@ websearch_to_tsquery('simple', $2)
              or exists (select 1 from batch_entry x where x.batch_id = b.id
                          and to_tsvector('simple', coalesce(x.data->>'text', x.data->>'what', '')) @@ websearch_to_tsquery('simple', $2))
           ${order}`,
          [most, words],
        );
  return BatchRow.array().parse(rows);
}

/** Undefined where there is none such. */
export async function findBatch(db: Queryable, id: string): Promise<Batch | undefined> {
  return BatchRow.array().parse(await db.query(`${BATCHES} where b.id = $1 order by b.id`, [id]))[0];
}

export async function insertBatch(db: Queryable, name: string, aim: Aim | undefined, at: Date): Promise<string> {
  const rows = await db.query("insert into batch (name, aim, started_at) values ($1, $2::jsonb, $3) returning id", [
    name,
    aim === undefined ? null : JSON.stringify(aim),
    at,
  ]);
  return (rows[0] as { id: string }).id;
}

export async function updateBatch(db: Queryable, id: string, name: string, aim: Aim | undefined, endedAt: Date | undefined): Promise<void> {
  await db.query("update batch set name = $2, aim = $3::jsonb, ended_at = $4 where id = $1", [
    id,
    name,
    aim === undefined ? null : JSON.stringify(aim),
    endedAt ?? null,
  ]);
}

const EntryRow = z
  .object({ id: z.number(), at: z.date(), kind: z.string(), data: z.looseObject({}) })
  .transform((r): BatchEntry => ({ id: r.id, at: r.at.getTime(), body: BatchBody.parse({ ...r.data, kind: r.kind }) }));

/** So many of the newest are read. */
const MOST_READ = 5_000;

export async function listBatchEntries(db: Queryable, id: string): Promise<BatchEntry[]> {
  return EntryRow.array().parse(
    await db.query(
      `select * from (select id::float8 as id, at, kind, data from batch_entry where batch_id = $1
         order by batch_entry.id desc limit ${MOST_READ}) newest order by id`,
      [id],
    ),
  );
}

interface NewBatchEntry {
  readonly batchId: string;
  readonly key: string;
  readonly at: Date;
  readonly body: BatchBody;
  readonly recordedAt: Date;
}

/** Writes an entry down once: the same key a second time changes nothing. */
export async function insertBatchEntry(db: Queryable, { batchId, key, at, body, recordedAt }: NewBatchEntry): Promise<void> {
  const { kind, ...data } = body;
  await db.query(
    `insert into batch_entry (batch_id, key, kind, at, data, recorded_at) values ($1, $2, $3, $4, $5::jsonb, $6) on conflict (key) do nothing`,
    [batchId, key, kind, at, JSON.stringify(data), recordedAt],
  );
}
