// rondeau backup | restore | check-data: the data directory from the command line. Where the kitchen is open, it is asked; else the directory is opened.
import { createWriteStream, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { checkData } from "../db/backup/check-data";
import { backupTo } from "../db/backup/keep";
import { BadBackup, openBackup } from "../db/backup/read";
import { buildFromBackup, takePlace } from "../db/backup/restore";
import { DataDirectoryError } from "../db/directory/trouble";
import { sync } from "../db/disk";
import { DirectoryInUse, lockDirectory } from "../db/lock";
import { openDatabase } from "../db/open";

const root = process.env.RONDEAU_ROOT ?? process.cwd();
const ways = { migrations: path.join(root, "src/db/migrations"), template: path.join(root, "dist/template") };
const directory = path.resolve(process.env.RONDEAU_DATA_DIR ?? path.join(root, ".data/demo"));
const say = (text: string) => process.stderr.write(`rondeau: ${text}\n`);

class BadUse extends Error {}

const [command = "", ...args] = process.argv.slice(2);

async function backup(): Promise<void> {
  if (args.length > 1 || args[0]?.startsWith("-")) throw new BadUse("Use: rondeau backup [FILE]");
  const now = new Date();
  const file = path.resolve(args[0] ?? `rondeau-${now.toISOString().slice(0, 19).replaceAll(":", "-")}.zip`);
  if (existsSync(file)) throw new BadUse(`${file} is there already. Choose another name.`);
  if (!existsSync(directory)) throw new BadUse(`There is no data directory ${directory}. Set RONDEAU_DATA_DIR to yours.`);
  try {
    const db = await openDatabase({ directory, ...ways });
    try {
      const { rows } = await backupTo(db, directory, file, now);
      say(
        `${file} holds everything: ${rows.dish} ${rows.dish === 1 ? "dish" : "dishes"}, ${rows.run} runs, ${rows.run_event} presses. It was read back and is whole.`,
      );
    } finally {
      await db.close();
    }
  } catch (error) {
    if (!(error instanceof DirectoryInUse)) throw error;
    if (!error.url) throw error;
    await fromServer(error.url, file);
  }
}

/** The kitchen is open: it writes the backup, without being stopped. */
async function fromServer(url: string, file: string): Promise<void> {
  const part = `${file}.part`;
  const answer = await fetch(`${url}/api/backup`).catch(() => undefined);
  if (!answer?.ok || !answer.body) throw new BadUse(`The kitchen at ${url} is open but gave no backup. Stop it and try again.`);
  mkdirSync(path.dirname(file), { recursive: true });
  try {
    await pipeline(Readable.fromWeb(answer.body as Parameters<typeof Readable.fromWeb>[0]), createWriteStream(part));
    sync(part);
    const { manifest, close } = await openBackup(part);
    close();
    renameSync(part, file);
    sync(path.dirname(file));
    say(`${file} holds everything, from the kitchen that is open at ${url}: ${manifest.rows.dish} dishes. It was read back and is whole.`);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

async function restore(): Promise<void> {
  const into = args.indexOf("--into");
  const target = into < 0 ? directory : path.resolve(args[into + 1] ?? "");
  const [file, ...more] = into < 0 ? args : args.filter((_, i) => i !== into && i !== into + 1);
  if (!file || more.length || (into >= 0 && !args[into + 1])) throw new BadUse("Use: rondeau restore FILE [--into DIRECTORY]");
  if (!existsSync(file)) throw new BadUse(`There is no file ${path.resolve(file)}.`);
  if (into >= 0 && existsSync(target) && readdirSync(target).length)
    throw new BadUse(`${target} is not empty. Choose a directory that is new or empty.`);
  mkdirSync(target, { recursive: true });
  const unlock = await lockDirectory(target);
  try {
    const { building, madeAt, rows } = await buildFromBackup(file, target, ways);
    const replaced = takePlace(target, building, new Date());
    say(
      `${target} is as it was on ${madeAt.slice(0, 16).replace("T", " at ")} UTC: ${rows.dish} dishes, ${rows.run} runs, ${rows.run_event} presses.`,
    );
    if (replaced) say(`What was there before is kept in ${replaced}. Delete it once you are sure.`);
  } finally {
    unlock();
  }
}

async function check(): Promise<void> {
  if (args.length > 1) throw new BadUse("Use: rondeau check-data [DIRECTORY]");
  const which = path.resolve(args[0] ?? directory);
  if (!existsSync(which)) throw new BadUse(`There is no directory ${which}.`);
  const { rows, problems } = await checkData(which, ways);
  process.stdout.write(`${JSON.stringify({ directory: which, rows, problems }, null, 2)}\n`);
  for (const problem of problems) say(problem);
  if (problems.length) process.exitCode = 1;
}

const COMMANDS: Readonly<Record<string, () => Promise<void>>> = { backup, restore, "check-data": check };

try {
  const run = COMMANDS[command];
  if (!run) throw new BadUse(`There is no command "${command.slice(0, 80)}".`);
  await run();
} catch (error) {
  const known =
    error instanceof BadUse || error instanceof BadBackup || error instanceof DataDirectoryError || error instanceof DirectoryInUse;
  say(known ? (error as Error).message : `It did not work: ${(error as Error).message}`);
  process.exitCode = 2;
}
