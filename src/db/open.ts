// Opens PGlite in a data directory: lock first, from the migrated template where the directory is new.
import { closeSync, cpSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync } from "node:fs";
import path from "node:path";
import { PGlite, types } from "@electric-sql/pglite";
import type { Db, Param, Queryable } from "./db";
import { lockDirectory } from "./lock";
import { migrate } from "./migrate";

const int8 = (text: string) => {
  const number = Number(text);
  if (!Number.isSafeInteger(number)) throw new RangeError(`open: ${text} is no safe integer`);
  return number;
};
const asText = (text: string) => text;
const parsers = { [types.INT8]: int8, [types.DATE]: asText, [types.TIMESTAMP]: asText, [types.INTERVAL]: asText };

export interface OpenOptions {
  /** Directory of the data; "memory" keeps nothing. */
  readonly directory: string;
  readonly migrations: string;
  /** Directory of a migrated, empty cluster that new data starts from; makes the first start quick. */
  readonly template?: string | undefined;
}

/** @throws DirectoryInUse where another process has the directory */
export async function openDatabase({ directory, migrations, template }: OpenOptions): Promise<Db> {
  if (directory === "memory") {
    const db = await PGlite.create({ parsers });
    await migrate(db, migrations);
    return face(db, undefined, () => {});
  }
  mkdirSync(directory, { recursive: true });
  const unlock = await lockDirectory(directory);
  try {
    const cluster = path.join(directory, "pg");
    const half = path.join(directory, "pg.new");
    if (!existsSync(path.join(cluster, "PG_VERSION"))) {
      // Made beside and renamed when whole: a kill in the middle leaves nothing that looks like a database.
      rmSync(half, { recursive: true, force: true });
      rmSync(cluster, { recursive: true, force: true });
      if (template && existsSync(path.join(template, "PG_VERSION"))) cpSync(template, half, { recursive: true });
      else await (await PGlite.create({ dataDir: half })).close();
      renameSync(half, cluster);
    }
    const db = await PGlite.create({ dataDir: cluster, parsers });
    await migrate(db, migrations);
    return face(db, path.join(cluster, "pg_wal"), unlock);
  } catch (error) {
    unlock();
    throw error;
  }
}

/**
 * PGlite runs without fsync of its own. After each transaction the write-ahead log is synced by hand, so that a power cut
 * loses nothing confirmed that a replay of the log can bring back (docs/data.md says what remains).
 */
function syncLog(directory: string | undefined): void {
  if (!directory) return;
  for (const file of readdirSync(directory)) {
    if (!/^[0-9A-F]{24}$/.test(file)) continue;
    const handle = openSync(path.join(directory, file), "r");
    try {
      fsyncSync(handle);
    } finally {
      closeSync(handle);
    }
  }
}

function face(db: PGlite, log: string | undefined, unlock: () => void): Db {
  const wrap = (target: Pick<PGlite, "query">): Queryable => ({
    query: (text: string, params: readonly Param[] = []) => target.query(text, [...params]).then((r) => r.rows),
  });
  return {
    ...wrap(db),
    async transaction(work) {
      const result = await db.transaction((tx) => work(wrap(tx as unknown as Pick<PGlite, "query">)));
      syncLog(log);
      return result;
    },
    async dump() {
      return new Uint8Array(await (await db.dumpDataDir("gzip")).arrayBuffer());
    },
    async close() {
      await db.close();
      unlock();
    },
  };
}
