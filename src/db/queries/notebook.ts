// Runs of the house, for the notebook.
import { z } from "zod";
import type { KeptRun } from "../../core/view/run-page";
import type { Queryable } from "../db";

const RunRow = z
  .object({
    id: z.uuid(),
    dish_id: z.uuid(),
    slug: z.string(),
    name: z.string(),
    started_at: z.date(),
    ended_at: z.date().nullable(),
    presses: z.number(),
    written: z.number(),
  })
  .transform(
    (r): KeptRun => ({
      id: r.id,
      dishId: r.dish_id,
      slug: r.slug,
      name: r.name,
      startedAt: Math.floor(r.started_at.getTime() / 60_000),
      endedAt: r.ended_at ? Math.floor(r.ended_at.getTime() / 60_000) : undefined,
      presses: r.presses,
      written: r.written,
    }),
  );

const RUNS = `select r.id, r.dish_id, d.slug, d.name, r.started_at, r.ended_at,
    (select count(*)::int4 from run_event e where e.run_id = r.id) as presses,
    (select count(*)::int4 from record_entry x where x.run_id = r.id and x.kind not in ('tick', 'withdrawn', 'timer-answer', 'caption')) as written
  from run r join dish d on d.id = r.dish_id`;

/**
 * Runs, the newest first.
 * @param words found in the dish's name, or in what was noted in the run; empty: all
 * @param from so many of the newest are passed over
 */
export async function listRuns(db: Queryable, words: string, most: number, from = 0): Promise<KeptRun[]> {
  const rows =
    words.trim() === ""
      ? await db.query(`${RUNS} order by r.started_at desc, r.id limit $1 offset $2`, [most, from])
      : await db.query(
          `${RUNS}
           where to_tsvector('simple', d.name) @@ websearch_to_tsquery('simple', $2)
              or r.id in (select x.run_id from record_entry x where x.kind in ('note', 'verdict', 'photograph', 'caption')
                          and to_tsvector('simple', coalesce(x.data->>'text', '')) @@ websearch_to_tsquery('simple', $2))
           order by r.started_at desc, r.id limit $1 offset $3`,
          [most, words, from],
        );
  return RunRow.array().parse(rows);
}

/** Undefined where there is none such. */
export async function findRun(db: Queryable, id: string): Promise<KeptRun | undefined> {
  return RunRow.array().parse(await db.query(`${RUNS} where r.id = $1 order by r.id`, [id]))[0];
}

const AlikeRow = z
  .object({ id: z.uuid(), slug: z.string(), name: z.string(), started_at: z.date() })
  .transform((r) => ({ id: r.id, slug: r.slug, name: r.name, startedAt: Math.floor(r.started_at.getTime() / 60_000) }));

/**
 * Other runs of this dish, and of dishes with a component that is called alike; the newest first.
 * @param names of components, in small letters
 */
export async function listRunsAlike(
  db: Queryable,
  { id, slug }: Pick<KeptRun, "id" | "slug">,
  names: readonly string[],
  most: number,
): Promise<z.output<typeof AlikeRow>[]> {
  return AlikeRow.array().parse(
    await db.query(
      `select r.id, d.slug, d.name, r.started_at from run r join dish d on d.id = r.dish_id
        where r.id <> $1 and (d.slug = $2 or exists (select 1 from jsonb_array_elements(d.summary->'components') c where lower(c->>'name') = any($3::text[])))
        order by r.started_at desc, r.id limit $4`,
      [id, slug, names, most],
    ),
  );
}

/** The version of the dish by which a run was begun; undefined where it had no plan. */
export async function findVersionBegun(db: Queryable, dishId: string, runId: string): Promise<number | undefined> {
  const [row] = await db.query(
    `select dish_version from plan where dish_id = $1 and status = 'feasible' and (run_id is null or run_id = $2) and run_sequence < 1
      order by id desc limit 1`,
    [dishId, runId],
  );
  return row === undefined ? undefined : z.object({ dish_version: z.number().int() }).parse(row).dish_version;
}

/** All runs of a dish, the oldest first. */
export async function listRunsOfDish(db: Queryable, dishId: string): Promise<KeptRun[]> {
  return RunRow.array().parse(await db.query(`${RUNS} where r.dish_id = $1 order by r.started_at, r.id`, [dishId]));
}

const Lengths = z.object({ version: z.number().int(), times: z.record(z.string(), z.unknown()).nullable() });

/** So many versions of a dish are looked through. */
const MOST_VERSIONS = 100;

/**
 * For each step of a dish the versions, from the one in force back, in which its length is what it is now. What was timed before says nothing about
 * that length: it is in it already, or the cook knew better.
 * @returns versions by "component.step"; nothing for a step whose length was never another
 */
export async function findVersionsOfLengths(
  db: Queryable,
  dishId: string,
  version: number,
): Promise<ReadonlyMap<string, ReadonlySet<number>>> {
  const rows = Lengths.array().parse(
    await db.query(
      `with recursive line as (
         select version, parent, document, 1 as n from dish_history where dish_id = $1 and version = $2
         union all
         select h.version, h.parent, h.document, l.n + 1 from dish_history h join line l on h.version = l.parent
          where h.dish_id = $1 and l.n < ${MOST_VERSIONS})
       select version,
              (select jsonb_object_agg((c->>'id') || '.' || (s->>'id'), s->'time')
                 from jsonb_array_elements(document->'components') c, jsonb_array_elements(c->'methods') m, jsonb_array_elements(m->'steps') s) as times
         from line order by n`,
      [dishId, version],
    ),
  );
  const found = new Map<string, Set<number>>();
  for (const [step, time] of Object.entries(rows[0]?.times ?? {})) {
    const now = JSON.stringify(time);
    const end = rows.findIndex((r) => JSON.stringify(r.times?.[step]) !== now);
    if (end >= 0) found.set(step, new Set(rows.slice(0, end).map((r) => r.version)));
  }
  return found;
}
