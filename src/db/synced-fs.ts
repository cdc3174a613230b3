// PGlite with the syncs that PostgreSQL asks for. As it comes it runs without any (`-F`), and its file system answers a sync without doing one.
// Here the log is synced before a transaction is confirmed, data files before a checkpoint is relied on, and the control file after them.
import { fsyncSync } from "node:fs";
import { PGlite, type PGliteOptions, types } from "@electric-sql/pglite";
import { NodeFS } from "@electric-sql/pglite/nodefs";

type Stream = { readonly nfd: number; readonly path?: string };
interface NodeFiles {
  stream_ops: { fsync?: (stream: Stream) => number; write: (stream: Stream, ...rest: never[]) => number };
  tryFSOperation: <T>(operation: () => T) => T;
}

const OF_THE_DISK: ReadonlySet<string> = new Set(["ENOSPC", "EDQUOT", "EIO", "EROFS"]);
let fault: string | undefined;
/** The code of the last fault of the file system under a database, "ENOSPC" for one. Where PostgreSQL ends over it, it does not say why. */
export const lastFault = (): string | undefined => fault;

/** PostgreSQL has ended in the middle of its work: what was asked of it is never answered. */
export class PostgresEnded extends Error {}

/** PGlite would go on asking a PostgreSQL that has ended, and wait for it for ever: it is told each time that it has. */
function silence(pg: PGlite, ended: PostgresEnded): void {
  const mute = () => {
    throw ended;
  };
  for (const name of ["execProtocol", "execProtocolRaw", "execProtocolRawSync", "execProtocolRawStream", "execProtocolStream"])
    Object.defineProperty(pg, name, { value: mute, configurable: true });
}

class SyncedFiles extends NodeFS {
  readonly #ended: (error: PostgresEnded) => void;
  /** Rejects when PostgreSQL ends in the middle of its work; resolves never. */
  readonly end: Promise<never>;

  constructor(directory: string) {
    super(directory);
    let ended: (error: PostgresEnded) => void = () => {};
    this.end = new Promise((_, reject) => {
      ended = reject;
    });
    // Where nothing is being asked, nobody is waiting for it.
    this.end.catch(() => {});
    this.#ended = ended;
  }

  override async init(pg: Parameters<NodeFS["init"]>[0], options: Parameters<NodeFS["init"]>[1]): ReturnType<NodeFS["init"]> {
    const { emscriptenOpts } = await super.init(pg, options);
    const withSync = (module: unknown) => {
      const { NODEFS } = module as { NODEFS: NodeFiles };
      const { tryFSOperation } = NODEFS;
      NODEFS.tryFSOperation = (operation) =>
        tryFSOperation(() => {
          try {
            return operation();
          } catch (error) {
            const { code } = error as NodeJS.ErrnoException;
            // Files that are not there are looked for all the time.
            if (code && OF_THE_DISK.has(code)) fault = code;
            throw error;
          }
        });
      // PostgreSQL ends itself where its log cannot be written or anything cannot be synced, and says so to nobody.
      const fatal = <T>(work: () => T): T => {
        try {
          return work();
        } catch (error) {
          const ended = new PostgresEnded(`PostgreSQL has ended: its files cannot be written (${fault})`);
          setTimeout(() => {
            silence(pg, ended);
            this.#ended(ended);
          }, 0);
          throw error;
        }
      };
      NODEFS.stream_ops.fsync = ({ nfd }) => {
        fatal(() => NODEFS.tryFSOperation(() => fsyncSync(nfd)));
        return 0;
      };
      const { write } = NODEFS.stream_ops;
      NODEFS.stream_ops.write = (stream, ...rest) =>
        stream.path?.includes("/pg_wal/") ? fatal(() => write(stream, ...rest)) : write(stream, ...rest);
    };
    const onAbort = (what: unknown) => {
      const ended = new PostgresEnded(`PostgreSQL has ended: ${String(what ?? "")}`);
      silence(pg, ended);
      this.#ended(ended);
    };
    return { emscriptenOpts: { ...emscriptenOpts, onAbort, preRun: [...(emscriptenOpts.preRun ?? []), withSync] } } as Awaited<
      ReturnType<NodeFS["init"]>
    >;
  }
}

/** `fdatasync` is answered without being done, so the log is synced by `fsync`. */
const START = [...PGlite.defaultStartParams.filter((p) => p !== "-F"), "-c", "fsync=on", "-c", "wal_sync_method=fsync"];

const int8 = (text: string) => {
  const number = Number(text);
  if (!Number.isSafeInteger(number)) throw new RangeError(`open: ${text} is no safe integer`);
  return number;
};
const asText = (text: string) => text;
const parsers = { [types.INT8]: int8, [types.DATE]: asText, [types.TIMESTAMP]: asText, [types.INTERVAL]: asText };

/** Whether a database has ended, and the queries that are waiting for an answer. */
interface Ending {
  error: unknown;
  readonly waiting: Set<(error: unknown) => void>;
}
const endings = new WeakMap<PGlite, Ending>();

/** @param cluster directory of the cluster; undefined keeps nothing */
export async function openCluster(cluster: string | undefined): Promise<PGlite> {
  if (cluster === undefined) return PGlite.create({ parsers });
  const fs = new SyncedFiles(cluster);
  const options: PGliteOptions = { fs, startParams: START, parsers };
  const db = await Promise.race([PGlite.create(options), fs.end]);
  const ending: Ending = { error: undefined, waiting: new Set() };
  endings.set(db, ending);
  fs.end.catch((error) => {
    ending.error = error;
    for (const tell of ending.waiting) tell(error);
  });
  return db;
}

/**
 * The answer to a query, or the error that PostgreSQL has ended. Not `Promise.race` with the end: a promise that never settles keeps every result that
 * was raced against it, for as long as the database is open.
 */
export function answerOf<T>(db: PGlite, asked: Promise<T>): Promise<T> {
  const ending = endings.get(db);
  if (!ending) return asked;
  if (ending.error !== undefined) {
    asked.catch(() => {});
    return Promise.reject(ending.error);
  }
  return new Promise<T>((resolve, reject) => {
    ending.waiting.add(reject);
    asked.then(resolve, reject).finally(() => ending.waiting.delete(reject));
  });
}
