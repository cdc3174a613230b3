// A dish's runs out of the database, and into it again under numbers of their own.
import { z } from "zod";
import type { ArchiveFile } from "../../core/record/archive";
import type { Queryable } from "../db";

const Ids = z.array(z.object({ id: z.union([z.uuid(), z.number()]) }));
const idOf = <T>(rows: unknown[]): T => Ids.parse(rows)[0]?.id as T;

/**
 * Writes the runs of an archive down for a dish: in their order, each row under a key of its own, so that the dish may be there already. A run that was
 * under way has ended with the last thing that happened in it.
 */
export async function insertArchivedRuns(
  db: Queryable,
  dishId: string,
  { run: runs, run_event, record_entry }: ArchiveFile,
): Promise<void> {
  const numbers = new Map<string, string>();
  for (const run of [...runs].sort((a, b) => Date.parse(a.started_at) - Date.parse(b.started_at))) {
    const events = run_event.filter((e) => e.run_id === run.id);
    const last = Math.max(Date.parse(run.started_at), ...events.map((e) => Date.parse(e.recorded_at)));
    const ended = run.ended_at === null ? new Date(last) : new Date(run.ended_at);
    const id = idOf<string>(
      await db.query("insert into run (dish_id, started_at, ended_at) values ($1, $2, $3) returning id", [
        dishId,
        new Date(run.started_at),
        ended,
      ]),
    );
    numbers.set(run.id, id);
    for (const e of events.sort((a, b) => a.sequence - b.sequence))
      await db.query(
        "insert into run_event (run_id, sequence, key, kind, step, at, data, recorded_at) values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8)",
        [id, e.sequence, crypto.randomUUID(), e.kind, e.step, new Date(e.at), JSON.stringify(e.data), new Date(e.recorded_at)],
      );
  }
  // What one entry says of another goes by their numbers, which are others here.
  const entries = new Map<number, number>();
  for (const e of [...record_entry].sort((a, b) => a.id - b.id)) {
    const run = e.run_id === null ? null : numbers.get(e.run_id);
    const of = typeof e.data.of === "number" ? entries.get(e.data.of) : undefined;
    if (run === undefined || ("of" in e.data && of === undefined)) continue;
    const data = of === undefined ? e.data : { ...e.data, of };
    const id = idOf<number>(
      await db.query(
        `insert into record_entry (dish_id, run_id, key, kind, step, at, data, recorded_at)
         values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8) returning id::float8 as id`,
        [dishId, run, crypto.randomUUID(), e.kind, e.step, new Date(e.at), JSON.stringify(data), new Date(e.recorded_at)],
      ),
    );
    entries.set(e.id, id);
  }
}
