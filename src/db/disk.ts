// Writing that a power cut does not undo: a file is safe once it and the directory that names it are synced.
import { closeSync, fsyncSync, lstatSync, openSync, readdirSync, renameSync, writeSync } from "node:fs";
import path from "node:path";

/** Syncs a file or a directory (the names in it). */
export function sync(file: string): void {
  const handle = openSync(file, "r");
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Syncs everything below a directory, files before the directories that name them, and the directory itself. */
export function syncTree(directory: string): void {
  for (const entry of readdirSync(directory, { withFileTypes: true })) {
    const at = path.join(/*turbopackIgnore: true*/ directory, entry.name);
    if (entry.isDirectory()) syncTree(at);
    else if (entry.isFile()) sync(at);
  }
  sync(directory);
}

/** Syncs the directories below one, not their files. */
export function syncDirectories(directory: string): void {
  for (const entry of readdirSync(directory, { withFileTypes: true }))
    if (entry.isDirectory()) syncDirectories(path.join(/*turbopackIgnore: true*/ directory, entry.name));
  sync(directory);
}

/** Puts a text in the place of a file: at any moment the file is the old one or the new one, whole. */
export function replaceFile(file: string, text: string | Uint8Array): void {
  const beside = `${file}.new`;
  const handle = openSync(beside, "w");
  try {
    const bytes = typeof text === "string" ? Buffer.from(text) : text;
    for (let done = 0; done < bytes.length; ) done += writeSync(handle, bytes, done, bytes.length - done);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(beside, file);
  sync(path.dirname(file));
}

/** Moves a directory beside another: the new name lasts once this returns. */
export function moveDurably(from: string, to: string): void {
  renameSync(from, to);
  sync(path.dirname(to));
  if (path.dirname(from) !== path.dirname(to)) sync(path.dirname(from));
}

/** Sizes of the files below a directory in bytes, by their paths within it. */
export function sizesBelow(directory: string, within = ""): Map<string, number> {
  const sizes = new Map<string, number>();
  for (const entry of readdirSync(path.join(/*turbopackIgnore: true*/ directory, within), { withFileTypes: true })) {
    const at = path.join(/*turbopackIgnore: true*/ within, entry.name);
    if (entry.isDirectory()) for (const [file, size] of sizesBelow(directory, at)) sizes.set(file, size);
    else if (entry.isFile()) sizes.set(at, lstatSync(path.join(/*turbopackIgnore: true*/ directory, at)).size);
  }
  return sizes;
}
