import "server-only";
// A dish with its runs as one file: given away, and brought in like a dish file.
import { type DishPreview, dishPreview } from "../core/dish/preview";
import type { Problem } from "../core/dish/problem";
import { readDishValue } from "../core/dish/read";
import type { DishFile } from "../core/dish/schema";
import { ARCHIVE_FORMAT, ArchiveFile } from "../core/record/archive";
import { EntryBody } from "../core/record/entries";
import { keepPhotograph, readPhotograph, sumOf } from "../db/photographs";
import { insertArchivedRuns } from "../db/queries/archive";
import { findDish, getDishRows } from "../db/queries/dishes";
import { ARCHIVE } from "../words/server";
import { database, dataDirectory } from "./database";
import { type Outcome, storeDish } from "./dishes";
import { refused } from "./planning";

/** All of a dish but its plans, with its pictures, as the text of a file; undefined where there is no such dish. */
export async function archiveText(slug: string): Promise<string | undefined> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return undefined;
  const archive = { format: ARCHIVE_FORMAT, dish: stored.document, ...(await getDishRows(db, stored.id)) };
  const sums = archive.record_entry.flatMap(({ kind, data }) => (kind === "photograph" && typeof data.sum === "string" ? [data.sum] : []));
  const photographs = Object.fromEntries(
    [...new Set(sums)].flatMap((sum) => {
      const picture = readPhotograph(dataDirectory(), sum);
      return picture ? [[sum, picture.toString("base64")]] : [];
    }),
  );
  return `${JSON.stringify({ ...archive, photographs }, null, 1)}\n`;
}

/** What an archive holds, checked; nothing is saved yet. */
function readArchive(
  value: unknown,
): Outcome<{ readonly archive: ArchiveFile; readonly dish: DishFile; readonly warnings: readonly Problem[] }> {
  const parsed = ArchiveFile.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return refused(issue?.path.join(".") ?? "", issue?.path[0] === "format" ? ARCHIVE.newer : ARCHIVE.broken(issue?.message ?? ""));
  }
  const read = readDishValue(parsed.data.dish);
  if (read.status === "refused") return { status: "refused", problems: read.problems };
  const wrong = parsed.data.record_entry.find(
    (e) => !EntryBody.safeParse({ ...e.data, kind: e.kind, ...(e.step === null ? {} : { step: e.step }) }).success,
  );
  if (wrong) return refused("record_entry", ARCHIVE.broken(wrong.kind));
  const altered = Object.entries(parsed.data.photographs).find(([sum, text]) => sumOf(Buffer.from(text, "base64")) !== sum);
  if (altered) return refused(`photographs.${altered[0].slice(0, 8)}`, ARCHIVE.altered);
  return { status: "done", value: { archive: parsed.data, dish: read.document, warnings: read.problems } };
}

/** What the dish of an archive holds, without keeping it. */
export function previewArchive(value: unknown): Outcome<DishPreview> {
  const read = readArchive(value);
  return read.status === "done" ? { status: "done", value: dishPreview(read.value.dish, read.value.warnings) } : read;
}

/** Brings a dish in with its runs: all of it, or nothing. Pictures are on disk before a row names them. */
export async function importArchive(value: unknown): Promise<Outcome<{ slug: string; warnings: readonly Problem[] }>> {
  const read = readArchive(value);
  if (read.status !== "done") return read;
  const { archive, dish, warnings } = read.value;
  for (const text of Object.values(archive.photographs)) keepPhotograph(dataDirectory(), Buffer.from(text, "base64"));
  const db = await database();
  const slug = await db.transaction(async (tx) => {
    const stored = await storeDish(tx, dish);
    await insertArchivedRuns(tx, (await findDish(tx, stored))?.id ?? "", archive);
    return stored;
  });
  return { status: "done", value: { slug, warnings } };
}
