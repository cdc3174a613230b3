// Opens the database in a data directory: lock first, then what is there is looked at, and nothing is deleted to get going.
//
//   DIRECTORY/rondeau.json            a data directory that has been made
//   DIRECTORY/pg                      the cluster, with the list of its files and how far it was confirmed
//   DIRECTORY/pg.making               a new one, not yet whole
//   DIRECTORY/pg.replaced-…           what a restore has replaced
//   DIRECTORY/backups
import { accessSync, constants, existsSync, mkdirSync, rmSync } from "node:fs";
import path from "node:path";
import type { PGlite } from "@electric-sql/pglite";
import type { Db, Param, Queryable } from "./db";
import { checkWhole, finishRestore, makeCluster, markDirectory } from "./directory/cluster";
import { confirmedPosition, HighWater, positionOf } from "./directory/high-water";
import { dropManifest, writeManifest } from "./directory/manifest";
import { DataDirectoryError, troubleOf } from "./directory/trouble";
import { sync, syncDirectories, syncTree } from "./disk";
import { DiskFull, isFull, isGone } from "./faults";
import { lockDirectory } from "./lock";
import { migrate, pendingMigrations } from "./migrate";
import { answerOf, openCluster } from "./synced-fs";

interface OpenOptions {
  /** Directory of the data; "memory" keeps nothing. */
  readonly directory: string;
  readonly migrations: string;
  /** Directory of a migrated, empty cluster that new data starts from; makes the first start quick. */
  readonly template?: string | undefined;
  /** The log may grow by so much before the data files are brought up to it. */
  readonly checkpointBytes?: bigint | undefined;
}

const CHECKPOINT_BYTES = 48n * 1024n * 1024n;

/**
 * @throws DirectoryInUse where another process has the directory
 * @throws DataDirectoryError where it cannot be opened; it is then left as it is
 */
export async function openDatabase({ directory, migrations, template, checkpointBytes = CHECKPOINT_BYTES }: OpenOptions): Promise<Db> {
  if (directory === "memory") {
    const db = await openCluster(undefined);
    await migrate(db, migrations);
    return new Face(db, undefined, undefined, () => {}, checkpointBytes);
  }
  const told = <T>(work: () => T): T => {
    try {
      return work();
    } catch (error) {
      const trouble = troubleOf(error);
      throw trouble ? new DataDirectoryError(directory, trouble) : error;
    }
  };
  told(() => {
    if (existsSync(directory)) return;
    mkdirSync(directory, { recursive: true });
    sync(path.dirname(directory));
  });
  const unlock = await lockDirectory(directory);
  try {
    const cluster = path.join(directory, "pg");
    // Asked before PostgreSQL is: what it says of a disk that takes nothing sounds like damage.
    told(() => accessSync(directory, constants.W_OK));
    told(() => finishRestore(directory));
    if (told(() => checkWhole(directory, cluster, template)) === "new") {
      try {
        await makeCluster(cluster, template);
      } catch (error) {
        const trouble = troubleOf(error);
        throw trouble ? new DataDirectoryError(directory, trouble) : error;
      }
    }
    const db = await openWhole(directory, cluster, migrations);
    told(() => markDirectory(directory));
    const again = () => openWhole(directory, cluster, migrations);
    return new Face(db, cluster, again, unlock, checkpointBytes);
  } catch (error) {
    unlock();
    throw error;
  }
}

const manifestOf = (cluster: string) => path.join(cluster, "rondeau-files.json");
/** A query that writes nothing. */
const READS = /^\s*select\b/i;
const highWaterOf = (cluster: string) => path.join(cluster, "rondeau-confirmed");

/** Opens a cluster that is known to be whole and brings its tables up to date. Everything is synced when this resolves. */
async function openWhole(directory: string, cluster: string, migrations: string): Promise<PGlite> {
  // The lock of the directory is ours: a process that is named here is no more.
  rmSync(path.join(cluster, "postmaster.pid"), { force: true });
  const listed = existsSync(manifestOf(cluster));
  if (!listed) syncTree(cluster);
  let db: PGlite;
  try {
    db = await openCluster(cluster);
  } catch (error) {
    const full = isFull(error);
    throw new DataDirectoryError(directory, full ? { kind: "full" } : { kind: "damaged", what: "PostgreSQL cannot start on it" });
  }
  try {
    const [row] = (await answerOf(db, db.query<{ lsn: string }>("select pg_current_wal_insert_lsn()::text as lsn"))).rows;
    if (row && positionOf(row.lsn) < confirmedPosition(highWaterOf(cluster)))
      throw new DataDirectoryError(directory, { kind: "rolled-back" });
    const pending = await answerOf(db, pendingMigrations(db, migrations));
    if (pending.newer !== undefined)
      throw new DataDirectoryError(directory, { kind: "newer", what: `change ${pending.newer} of the tables` });
    if (pending.files.length) {
      dropManifest(manifestOf(cluster));
      await answerOf(db, migrate(db, migrations));
    }
    if (pending.files.length || !listed) await answerOf(db, checkpoint(db, cluster));
    return db;
  } catch (error) {
    await answerOf(db, db.close()).catch(() => {});
    if (error instanceof DataDirectoryError) throw error;
    const full = isFull(error);
    throw new DataDirectoryError(
      directory,
      full ? { kind: "full" } : { kind: "damaged", what: String((error as Error).message).slice(0, 200) },
    );
  }
}

/** Brings the data files up to the log. Names of new files are synced before, since PostgreSQL leaves that to the file system. */
async function checkpoint(db: PGlite, cluster: string): Promise<void> {
  syncDirectories(cluster);
  await db.exec("checkpoint");
  writeManifest(manifestOf(cluster), cluster);
}

/** The face of the database: what is confirmed is on disk, and a fault that ends PostgreSQL is followed by opening it anew. */
class Face implements Db {
  #db: PGlite;
  readonly #cluster: string | undefined;
  readonly #again: (() => Promise<PGlite>) | undefined;
  readonly #unlock: () => void;
  readonly #checkpointBytes: bigint;
  readonly #confirmed: HighWater | undefined;
  #reopening: Promise<void> | undefined;
  #checked = 0n;
  #closed = false;
  /** PostgreSQL has ended in the middle of its work. */
  #ended = false;

  constructor(db: PGlite, cluster: string | undefined, again: (() => Promise<PGlite>) | undefined, unlock: () => void, bytes: bigint) {
    [this.#db, this.#cluster, this.#again, this.#unlock, this.#checkpointBytes] = [db, cluster, again, unlock, bytes];
    if (cluster) {
      this.#confirmed = new HighWater(highWaterOf(cluster));
      sync(cluster);
    }
  }

  query(text: string, params: readonly Param[] = []): Promise<unknown[]> {
    return this.#guarded(async (db) => {
      const { rows } = await db.query(text, [...params]);
      if (!READS.test(text)) await this.#confirm(db);
      return rows;
    });
  }

  async transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T> {
    return this.#guarded(async (db) => {
      const result = await db.transaction((tx) =>
        work({ query: (text, params = []) => tx.query(text, [...params]).then((r) => r.rows as unknown[]) }),
      );
      await this.#confirm(db);
      return result;
    });
  }

  /** Records the position of the log after a write, so that the next start can tell whether its end is missing. */
  async #confirm(db: PGlite): Promise<void> {
    if (!this.#confirmed) return;
    const [row] = (await db.query<{ lsn: string }>("select pg_current_wal_flush_lsn()::text as lsn")).rows;
    const position = positionOf(row?.lsn ?? "0/0");
    this.#confirmed.raise(position);
    if (this.#checked === 0n) this.#checked = position;
    if (position - this.#checked > this.#checkpointBytes) await this.#checkpoint(db, position);
  }

  async close(): Promise<void> {
    if (this.#closed) return;
    this.#closed = true;
    try {
      if (this.#cluster) syncDirectories(this.#cluster);
      // One that has ended has nothing left to say.
      if (!this.#ended) await answerOf(this.#db, this.#db.close());
      if (this.#cluster && !this.#ended) writeManifest(manifestOf(this.#cluster), this.#cluster);
    } finally {
      this.#confirmed?.close();
      this.#unlock();
    }
  }

  async #checkpoint(db: PGlite, position: bigint): Promise<void> {
    this.#checked = position;
    // Confirmed already: a checkpoint that finds no room is tried again later.
    await checkpoint(db, this.#cluster as string).catch((error) => console.error("database: no checkpoint", error));
  }

  /** Runs something on the database that is open; where a fault has ended PostgreSQL, it is opened anew for whoever comes next. */
  async #guarded<T>(work: (db: PGlite) => Promise<T>): Promise<T> {
    if (this.#ended && !this.#closed) await this.#reopen();
    const db = this.#db;
    try {
      return await answerOf(db, work(db));
    } catch (error) {
      if (this.#again && db === this.#db && (isGone(error) || db.closed)) this.#ended = true;
      throw isFull(error) ? new DiskFull(error) : error;
    }
  }

  /** Once for all who wait. @throws DiskFull where there is still no room */
  async #reopen(): Promise<void> {
    this.#reopening ??= (this.#again as () => Promise<PGlite>)()
      .then((opened) => {
        [this.#db, this.#ended] = [opened, false];
      })
      .catch((error) => {
        throw isFull(error) || (error instanceof DataDirectoryError && error.trouble.kind === "full") ? new DiskFull(error) : error;
      })
      .finally(() => {
        this.#reopening = undefined;
      });
    await this.#reopening;
  }
}
