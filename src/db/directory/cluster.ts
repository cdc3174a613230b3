// The cluster in a data directory: whether it is whole, new, or to be left alone; how a new one is made; how a restore that was cut short is ended.
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmdirSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import { moveDurably, replaceFile, syncTree } from "../disk";
import { openCluster } from "../synced-fs";
import { confirmedPosition } from "./high-water";
import { lostSince } from "./manifest";
import { DataDirectoryError } from "./trouble";

const MARK = "rondeau.json";
const VERSION = "PG_VERSION";
/** Stands in a cluster that was made or restored and is whole, so that it may take its place. */
const WHOLE = "rondeau-whole";
const SEGMENT_BYTES = 16n * 1024n * 1024n;

/** @returns "new" where there is nothing yet @throws DataDirectoryError where there is something that is no whole cluster */
export function checkWhole(directory: string, cluster: string, template: string | undefined): "new" | "whole" {
  const refuse = (trouble: ConstructorParameters<typeof DataDirectoryError>[1]) => new DataDirectoryError(directory, trouble);
  if (!statSync(directory).isDirectory()) throw refuse({ kind: "not-a-directory" });
  if (!existsSync(cluster) || (statSync(cluster).isDirectory() && readdirSync(cluster).length === 0)) {
    if (existsSync(path.join(directory, MARK))) throw refuse({ kind: "lost", file: "pg" });
    return "new";
  }
  if (!statSync(cluster).isDirectory()) throw refuse({ kind: "not-a-directory" });
  const version = path.join(cluster, VERSION);
  if (!existsSync(version)) throw refuse({ kind: "lost", file: `pg/${VERSION}` });
  const has = Number(readFileSync(version, "utf8"));
  const knows = template && existsSync(path.join(template, VERSION)) ? Number(readFileSync(path.join(template, VERSION), "utf8")) : has;
  if (has > knows) throw refuse({ kind: "newer", what: `PostgreSQL ${has}` });
  if (!(has === knows)) throw refuse({ kind: "damaged", what: `pg/${VERSION}` });
  const lost = lostSince(path.join(cluster, "rondeau-files.json"), cluster) ?? lostLog(cluster);
  if (lost) throw refuse(lost);
  return "whole";
}

/** The segment of the log that holds what was confirmed last must be there, or the one after it. */
function lostLog(cluster: string) {
  const confirmed = confirmedPosition(path.join(cluster, "rondeau-confirmed"));
  if (confirmed === 0n) return undefined;
  const segment = (n: bigint) =>
    `00000001${(n >> 8n).toString(16).padStart(8, "0")}${(n & 0xffn).toString(16).padStart(8, "0")}`.toUpperCase();
  const last = (confirmed - 1n) / SEGMENT_BYTES;
  const names = [segment(last), segment(last + 1n)];
  if (names.some((name) => existsSync(path.join(cluster, "pg_wal", name)))) return undefined;
  return { kind: "lost" as const, file: `pg/pg_wal/${names[0]}` };
}

/** Makes a new cluster beside its place and moves it there once it is whole and on disk: a cut in the middle leaves nothing that looks like one. */
export async function makeCluster(cluster: string, template: string | undefined): Promise<void> {
  const making = `${cluster}.making`;
  // Nothing was ever saved in one that was not whole.
  rmSync(making, { recursive: true, force: true });
  if (template && existsSync(path.join(template, VERSION))) cpSync(template, making, { recursive: true });
  else {
    mkdirSync(making, { recursive: true });
    await (await openCluster(making)).close();
  }
  syncTree(making);
  if (existsSync(cluster)) rmdirSync(cluster);
  moveDurably(making, cluster);
}

/** From now on the directory is known to have held data. */
export function markDirectory(directory: string): void {
  const mark = path.join(directory, MARK);
  if (!existsSync(mark)) replaceFile(mark, `${JSON.stringify({ format: "rondeau-data/1" })}\n`);
}

/** Puts a whole cluster in the place of the one in force, which is kept beside it. @returns where that is now */
export function putInPlace(directory: string, whole: string, stamp: string): string | undefined {
  const cluster = path.join(directory, "pg");
  const restored = path.join(directory, `pg.restored-${stamp}`);
  const replaced = path.join(directory, `pg.replaced-${stamp}`);
  replaceFile(path.join(whole, WHOLE), `${stamp}\n`);
  syncTree(whole);
  moveDurably(whole, restored);
  const before = existsSync(cluster);
  if (before) moveDurably(cluster, replaced);
  moveDurably(restored, cluster);
  markDirectory(directory);
  return before ? replaced : undefined;
}

/** A restore that was cut between its two moves is ended: the cluster that was whole takes its place. */
export function finishRestore(directory: string): void {
  const cluster = path.join(directory, "pg");
  if (existsSync(cluster)) return;
  const restored = readdirSync(directory)
    .filter((name) => /^pg\.restored-/.test(name) && existsSync(path.join(directory, name, WHOLE)))
    .sort()
    .at(-1);
  if (restored) moveDurably(path.join(directory, restored), cluster);
}
