import "server-only";
// Backups of this kitchen: one a day by itself, one at a press, one sent to whoever asks, and a restore from the page.
import { createReadStream, createWriteStream, existsSync, mkdirSync, readdirSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { z } from "zod";
import { copyBackup, keepBackups, newestAt } from "../db/backup/keep";
import { BadBackup } from "../db/backup/read";
import { buildFromBackup, type Restored, takePlace } from "../db/backup/restore";
import { backupsOf, newestBackup } from "../db/directory/trouble";
import { prunePlans } from "../db/queries/runs";
import { findSetting, putSetting } from "../db/queries/settings";
import { closeDatabase, database, databaseWays, dataDirectory } from "./database";
import { stopPlanning } from "./planning";

const HOUR_MS = 3600_000;
const OLD_MS = 48 * HOUR_MS;
const FIRST_LOOK_MS = 60_000;
/** By then the first one is there, or something keeps it from being made. */
const FIRST_BY_SECONDS = 600;
const SECOND_PLACE = "backup.second";
/** A directory on another disk, or that none is wanted. */
const SecondPlace = z.union([z.strictObject({ directory: z.string().min(1).max(1000) }), z.literal("none")]);
type SecondPlace = z.output<typeof SecondPlace>;

interface BackupState {
  readonly directory: string;
  readonly newest: { readonly name: string; readonly at: string } | undefined;
  /** The newest is older than two days, or there is still none though there is something to keep. */
  readonly old: boolean;
  readonly second: SecondPlace | undefined;
  /** Clusters that restores have replaced. */
  readonly replaced: readonly string[];
}

export async function backupState(dishes: number): Promise<BackupState> {
  const directory = dataDirectory();
  const at = newestAt(directory);
  const file = newestBackup(directory);
  return {
    directory: backupsOf(directory),
    newest: at && file ? { name: path.basename(file), at: at.toISOString() } : undefined,
    old: dishes > 0 && (at === undefined ? process.uptime() > FIRST_BY_SECONDS : Date.now() - at.getTime() > OLD_MS),
    second: await findSetting(await database(), SECOND_PLACE, SecondPlace),
    replaced: replacedIn(directory),
  };
}

export const replacedIn = (directory: string): string[] =>
  existsSync(directory) ? readdirSync(directory).filter((name) => name.startsWith("pg.replaced-")) : [];

/** Deletes what a restore has replaced. @returns false where nothing of that name is kept */
export function deleteReplaced(name: string): boolean {
  const directory = dataDirectory();
  // Only what is listed: no path leads out of the directory.
  if (!replacedIn(directory).includes(name)) return false;
  rmSync(path.join(/*turbopackIgnore: true*/ directory, name), { recursive: true });
  return true;
}

/** A backup beside the data, and a copy in the second place where one was chosen. @throws where the one or the other cannot be written */
export async function backUpNow(force: boolean): Promise<string | undefined> {
  const db = await database();
  const made = await keepBackups(db, dataDirectory(), new Date(), force);
  const second = await findSetting(db, SECOND_PLACE, SecondPlace);
  if (made && second && second !== "none") await copyBackup(made, second.directory);
  return made;
}

/** @returns what is wrong with the place; undefined where it was taken */
export async function chooseSecondPlace(place: SecondPlace): Promise<string | undefined> {
  if (place !== "none") {
    const { directory } = place;
    if (!path.isAbsolute(directory)) return "Write the whole path of the directory, from / on.";
    if (!existsSync(directory) || !statSync(directory).isDirectory()) return "There is no such directory. Is the disk plugged in?";
    if (`${path.resolve(directory)}/`.startsWith(`${dataDirectory()}/`))
      return "That is the data directory. Choose a directory on another disk.";
  }
  const db = await database();
  await db.transaction((tx) => putSetting(tx, SECOND_PLACE, place));
  return undefined;
}

/** Once a day while the kitchen is open. */
export function backUpDaily(): void {
  const look = () => {
    backUpNow(false)
      .then(async () => {
        const db = await database();
        await db.transaction((tx) => prunePlans(tx, new Date()));
      })
      .catch((error) => console.error("backup: none was made", error))
      .finally(() => setTimeout(look, HOUR_MS).unref());
  };
  setTimeout(look, FIRST_LOOK_MS).unref();
}

/** Everything as a stream: from a file that is whole, so that a slow reader keeps nobody from the database. */
export async function backupStream(): Promise<ReadableStream> {
  const file = (await keepBackups(await database(), dataDirectory(), new Date(), true)) as string;
  return Readable.toWeb(createReadStream(file)) as ReadableStream;
}

const MOST_UPLOAD_BYTES = 2 * 1024 ** 3;

/** Puts a backup that was sent in the place of the data. @throws BadBackup where it is not whole; nothing has been changed then */
export async function restoreFrom(body: ReadableStream): Promise<Restored> {
  const directory = dataDirectory();
  const file = path.join(/*turbopackIgnore: true*/ directory, `sent-${process.pid}.zip`);
  try {
    mkdirSync(directory, { recursive: true });
    let bytes = 0;
    await pipeline(
      Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]),
      async function* (chunks) {
        for await (const chunk of chunks) {
          bytes += chunk.length;
          if (bytes > MOST_UPLOAD_BYTES) throw new BadBackup("It is too large for a backup.");
          yield chunk;
        }
      },
      createWriteStream(file),
    );
    const { building, madeAt, rows } = await buildFromBackup(file, directory, databaseWays());
    // What is being planned, and what was read of the data so far, is of a dish that may be another one now.
    await stopPlanning();
    await closeDatabase();
    const replaced = takePlace(directory, building, new Date());
    await database();
    return { madeAt, rows, replaced };
  } catch (error) {
    if (error instanceof BadBackup) throw new BadBackup(error.message.replaceAll(file, "The file"));
    throw error;
  } finally {
    rmSync(file, { force: true });
  }
}
