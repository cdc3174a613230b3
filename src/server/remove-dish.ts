import "server-only";
// A dish that is deleted on purpose: written to the archive with its history, runs and photographs, then removed with them.
import { mkdirSync } from "node:fs";
import path from "node:path";
import { ARCHIVE_FORMAT } from "../core/record/archive";
import { replaceFile, sync } from "../db/disk";
import { archivePhotograph } from "../db/photographs";
import { findDish, getDishRows } from "../db/queries/dishes";
import { nowMs } from "./clock";
import { database, dataDirectory } from "./database";

type Removed =
  | { readonly status: "done"; readonly archive: string }
  | { readonly status: "missing" }
  | { readonly status: "running" }
  | { readonly status: "other-name" };

/** @param name as the dish is called, typed by whoever wants it gone */
export async function removeDish(slug: string, name: string): Promise<Removed> {
  const db = await database();
  return db.transaction(async (tx): Promise<Removed> => {
    const stored = await findDish(tx, slug);
    if (!stored) return { status: "missing" };
    if (name.trim() !== stored.name.trim()) return { status: "other-name" };
    const rows = await getDishRows(tx, stored.id);
    if (rows.run.some((r) => r.ended_at === null)) return { status: "running" };
    const directory = path.join(/*turbopackIgnore: true*/ dataDirectory(), "archive");
    mkdirSync(directory, { recursive: true });
    sync(dataDirectory());
    const stamp = new Date(nowMs()).toISOString().slice(0, 19).replaceAll(":", "-");
    const archive = path.join(/*turbopackIgnore: true*/ directory, `${slug}-${stamp}.json`);
    replaceFile(archive, `${JSON.stringify({ format: ARCHIVE_FORMAT, dish: stored.document, ...rows }, null, 1)}\n`);
    for (const { kind, data } of rows.record_entry)
      if (kind === "photograph" && typeof data.sum === "string") archivePhotograph(dataDirectory(), data.sum);
    await tx.query("select remove_dish($1)", [stored.id]);
    return { status: "done", archive };
  });
}
