// Backups that are made by themselves: one a day beside the data, opened and verified once it is written, and those kept that are worth keeping.
import { copyFileSync, createWriteStream, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import type { Db } from "../db";
import { BACKUP_NAME, backupsOf, newestBackup } from "../directory/trouble";
import { sync } from "../disk";
import { type Manifest, writeBackup } from "./archive";
import { openBackup } from "./read";

const DAY_MS = 24 * 3600_000;
const LAST = 7;

/** Writes a backup of a data directory to a file: verified by opening it, and in its place only then. */
export async function backupTo(db: Db, data: string, file: string, now: Date): Promise<Manifest> {
  const part = `${file}.part`;
  mkdirSync(path.dirname(file), { recursive: true });
  try {
    const manifest = await writeBackup(db, data, createWriteStream(part), now);
    sync(part);
    (await openBackup(part)).close();
    renameSync(part, file);
    sync(path.dirname(file));
    return manifest;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/** A copy of a backup in another directory, verified there like the first. */
export async function copyBackup(file: string, directory: string): Promise<void> {
  const copy = path.join(directory, path.basename(file));
  const part = `${copy}.part`;
  try {
    copyFileSync(file, part);
    sync(part);
    (await openBackup(part)).close();
    renameSync(part, copy);
    sync(directory);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

const dayOf = (file: string): string => path.basename(file).slice("rondeau-".length, "rondeau-".length + 10);

/** Which of the names of backups are kept: the last seven, and the first of each month. */
export function worthKeeping(names: readonly string[]): Set<string> {
  const sorted = names.filter((name) => BACKUP_NAME.test(name)).sort();
  const monthly = new Map<string, string>();
  for (const name of sorted) if (!monthly.has(dayOf(name).slice(0, 7))) monthly.set(dayOf(name).slice(0, 7), name);
  return new Set([...sorted.slice(-LAST), ...monthly.values()]);
}

/** When the newest backup beside the data was made; undefined where there is none. */
export function newestAt(directory: string): Date | undefined {
  const newest = newestBackup(directory);
  return newest && existsSync(newest) ? statSync(newest).mtime : undefined;
}

/** Makes the backup of the day where the newest is a day old, and drops those that are not worth keeping. @returns the file, if one was made */
export async function keepBackups(db: Db, directory: string, now: Date, force = false): Promise<string | undefined> {
  const newest = newestAt(directory);
  if (!force && newest && now.getTime() - newest.getTime() < DAY_MS) return undefined;
  const file = path.join(backupsOf(directory), `rondeau-${now.toISOString().slice(0, 10)}.zip`);
  await backupTo(db, directory, file, now);
  const names = readdirSync(backupsOf(directory));
  const keep = worthKeeping(names);
  for (const name of names) if (BACKUP_NAME.test(name) && !keep.has(name)) rmSync(path.join(backupsOf(directory), name));
  return file;
}
