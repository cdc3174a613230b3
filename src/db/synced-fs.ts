// PGlite with the syncs that PostgreSQL asks for. As it comes it runs without any (`-F`), and its file system answers a sync without doing one.
// Here the log is synced before a transaction is confirmed, data files before a checkpoint is relied on, and the control file after them.
import { fsyncSync } from "node:fs";
import { PGlite, type PGliteOptions, types } from "@electric-sql/pglite";
import { NodeFS } from "@electric-sql/pglite/nodefs";

interface NodeFiles {
  stream_ops: { fsync?: (stream: { nfd: number }) => number };
  tryFSOperation: <T>(operation: () => T) => T;
}

let fault: string | undefined;
/** The code of the last fault of the file system under a database, "ENOSPC" for one. Where PostgreSQL ends over it, it does not say why. */
export const lastFault = (): string | undefined => fault;

class SyncedFiles extends NodeFS {
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
            fault = (error as NodeJS.ErrnoException).code;
            throw error;
          }
        });
      NODEFS.stream_ops.fsync = ({ nfd }) => {
        NODEFS.tryFSOperation(() => fsyncSync(nfd));
        return 0;
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), withSync] } } as Awaited<
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

/** @param cluster directory of the cluster; undefined keeps nothing */
export function openCluster(cluster: string | undefined): Promise<PGlite> {
  const options: PGliteOptions = cluster === undefined ? { parsers } : { fs: new SyncedFiles(cluster), startParams: START, parsers };
  return PGlite.create(options);
}
