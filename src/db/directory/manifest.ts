// What a cluster's files were when it was last known to be whole: their names and sizes. PostgreSQL opens a cluster of which a file has been cut or
// lost and then simply finds fewer rows; held against this list it is told instead.
// Files only grow between two lists, so that a list which is older than the files still holds. Before tables are changed there is none.
import { readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { z } from "zod";
import type { DataTrouble } from "../../words/data";
import { replaceFile, sizesBelow, sync } from "../disk";

const Manifest = z.object({ format: z.literal("rondeau-files/1"), files: z.record(z.string(), z.number().int().min(0)) });

/** Made anew by PostgreSQL whenever they are missing, or of no lasting use. */
const PASSING =
  /^(postmaster\.(pid|opts)|pg_wal\/.*|pg_subtrans\/.*|pg_notify\/.*|pg_stat(_tmp)?\/.*|pg_logical\/.*|pg_replslot\/.*|pg_dynshmem\/.*)$|pgsql_tmp|pg_internal\.init/;
const SEGMENT = /^pg_wal\/[0-9A-F]{24}$/;
const SEGMENT_BYTES = 16 * 1024 * 1024;

export function writeManifest(file: string, cluster: string): void {
  const files = Object.fromEntries([...sizesBelow(cluster)].filter(([name]) => !PASSING.test(name)));
  replaceFile(file, JSON.stringify({ format: "rondeau-files/1", files }));
}

/** Tables are about to be changed: until the next list nothing is held against one. */
export function dropManifest(file: string): void {
  rmSync(file, { force: true });
  sync(path.dirname(file));
}

/** What is missing or shorter than it was; undefined where nothing is, or where there is no list. */
export function lostSince(file: string, cluster: string): DataTrouble | undefined {
  const sizes = sizesBelow(cluster);
  const name = (within: string) => path.join(path.basename(cluster), within);
  for (const [segment, bytes] of sizes)
    if (SEGMENT.test(segment) && bytes < SEGMENT_BYTES) return { kind: "shorter", file: name(segment), bytes, was: SEGMENT_BYTES };
  const known = readManifest(file);
  if (known === "damaged") return { kind: "damaged", what: path.basename(file) };
  for (const [within, was] of Object.entries(known ?? {})) {
    const bytes = sizes.get(within);
    if (bytes === undefined) return { kind: "lost", file: name(within) };
    if (bytes < was) return { kind: "shorter", file: name(within), bytes, was };
  }
  return undefined;
}

function readManifest(file: string): Readonly<Record<string, number>> | "damaged" | undefined {
  let text: string;
  try {
    text = readFileSync(file, "utf8");
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ENOENT") return undefined;
    throw error;
  }
  try {
    return Manifest.parse(JSON.parse(text)).files;
  } catch {
    return "damaged";
  }
}
