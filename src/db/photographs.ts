// Photographs as files beside the database: named by the SHA-256 of their bytes, written once, whole before they have their name.
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { PHOTOGRAPH_SUM } from "../core/record/entries";
import type { Queryable } from "./db";
import { replaceFile, sync } from "./disk";

/** DIRECTORY/photographs/SUM.jpg */
const NAME = /^[0-9a-f]{64}\.jpg$/;

export const sumOf = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

const directoryOf = (data: string): string => path.join(/*turbopackIgnore: true*/ data, "photographs");

/** Where the picture of a sum stands, whether or not it is there. */
export const photographFile = (data: string, sum: string): string => path.join(/*turbopackIgnore: true*/ directoryOf(data), `${sum}.jpg`);

/** Writes a picture down; once this returns it lasts. @returns its sum */
export function keepPhotograph(data: string, bytes: Uint8Array): string {
  const sum = sumOf(bytes);
  const directory = directoryOf(data);
  if (!existsSync(directory)) {
    mkdirSync(directory, { recursive: true });
    sync(data);
  }
  const file = photographFile(data, sum);
  // What is there under its sum is it, unless a failing disk has changed it.
  if (!existsSync(file) || sumOf(readFileSync(file)) !== sum) replaceFile(file, bytes);
  return sum;
}

/** The picture of a sum; undefined where it is not there, or is no longer what it was. */
export function readPhotograph(data: string, sum: string): Buffer | undefined {
  const file = photographFile(data, sum);
  const bytes = PHOTOGRAPH_SUM.test(sum) && existsSync(file) ? readFileSync(file) : undefined;
  return bytes && sumOf(bytes) === sum ? bytes : undefined;
}

/** A copy that stays when no entry names the picture any more: ARCHIVE/photographs/SUM.jpg. */
export function archivePhotograph(data: string, sum: string): void {
  const bytes = readPhotograph(data, sum);
  if (bytes) keepPhotograph(path.join(/*turbopackIgnore: true*/ data, "archive"), bytes);
}

/** The sums of all pictures that entries name, withdrawn entries included. */
export async function photographsNamed(db: Queryable): Promise<string[]> {
  const rows = (await db.query(
    `select data->>'sum' as sum from record_entry where kind = 'photograph'
     union select data->>'sum' from batch_entry where kind = 'photograph' order by 1`,
  )) as {
    sum: string;
  }[];
  return rows.map((r) => r.sum);
}

/** Removes pictures that no entry names: their dish was removed, or the server stopped between the picture and its entry. */
export function dropPhotographs(data: string, named: ReadonlySet<string>): void {
  const directory = directoryOf(data);
  if (!existsSync(directory)) return;
  for (const name of readdirSync(directory))
    if (!NAME.test(name) || !named.has(name.slice(0, 64))) rmSync(path.join(/*turbopackIgnore: true*/ directory, name), { force: true });
}
