// A restore: the backup is verified whole, a new cluster is built from it beside the one in force and read back, and then takes its place in one move.
// Killed at any moment, the one or the other stands, and neither half.
import { existsSync, mkdirSync, readdirSync, rmSync } from "node:fs";
import path from "node:path";
import type { Db } from "../db";
import { putInPlace } from "../directory/cluster";
import { openDatabase } from "../open";
import { keepPhotograph } from "../photographs";
import { type Backup, BadBackup, openBackup } from "./read";
import { TABLES } from "./tables";

export interface Restored {
  readonly madeAt: string;
  readonly rows: Readonly<Record<string, number>>;
  /** Where what was replaced stands now; undefined where there was nothing. */
  readonly replaced: string | undefined;
}

interface Ways {
  readonly migrations: string;
  readonly template?: string | undefined;
}

/** Rows that are written at a time. */
const AT_ONCE = 50;

/**
 * Builds a cluster of a backup beside a data directory, not yet in its place.
 * @returns the directory it was built in, and the date and row counts of the backup
 * @throws BadBackup where it is not whole; nothing has been changed then
 */
export async function buildFromBackup(
  file: string,
  directory: string,
  ways: Ways,
): Promise<{ building: string } & Omit<Restored, "replaced">> {
  const backup = await openBackup(file);
  // One that a kill has left: it was never in its place.
  if (existsSync(directory))
    for (const name of readdirSync(directory)) if (/^building-/.test(name)) rmSync(path.join(directory, name), { recursive: true });
  const building = path.join(directory, `building-${process.pid}`);
  try {
    mkdirSync(building, { recursive: true });
    const db = await openDatabase({ directory: building, ...ways });
    try {
      await fill(db, backup, file);
      // Pictures are named by their contents, so those of the backup never overwrite others.
      for (const sum of backup.photographs) keepPhotograph(directory, await backup.photograph(sum));
    } finally {
      await db.close();
    }
    return { building, madeAt: backup.manifest.madeAt, rows: backup.manifest.rows };
  } catch (error) {
    rmSync(building, { recursive: true, force: true });
    throw error;
  } finally {
    backup.close();
  }
}

async function fill(db: Db, backup: Backup, file: string): Promise<void> {
  const [last] = (await db.query("select max(number)::int4 as number from migration")) as { number: number }[];
  if (backup.manifest.tables > (last?.number ?? 0))
    throw new BadBackup(`${file} was made by a newer version (tables ${backup.manifest.tables}). Restore it with that one.`);
  await db.transaction(async (tx) => {
    for (const { name } of TABLES) {
      let lines: string[] = [];
      const write = async () => {
        if (lines.length === 0) return;
        await tx.query(
          `insert into ${name} overriding system value select * from jsonb_populate_recordset(null::${name}, $1::text::jsonb)`,
          [`[${lines.join(",")}]`],
        );
        lines = [];
      };
      for await (const line of backup.rows(name)) {
        lines.push(line);
        if (lines.length >= AT_ONCE) await write();
      }
      await write();
      const [there] = (await tx.query(`select count(*)::int4 as n from ${name}`)) as { n: number }[];
      if (there?.n !== (backup.manifest.rows[name] ?? 0)) throw new BadBackup(`${file}: ${name} did not come back whole.`);
    }
    for (const numbered of ["plan", "record_entry", "rehearsal", "larder_event", "batch_entry"])
      await tx.query(
        `select setval(pg_get_serial_sequence('${numbered}', 'id'), greatest(1, (select coalesce(max(id), 1) from ${numbered})))`,
      );
  });
}

/** The built cluster takes its place; what was there is kept beside it. Nobody may have the directory open. */
export function takePlace(directory: string, building: string, now: Date): string | undefined {
  const stamp = now.toISOString().slice(0, 19).replaceAll(":", "-");
  const replaced = putInPlace(directory, path.join(building, "pg"), stamp);
  rmSync(building, { recursive: true, force: true });
  return replaced;
}
