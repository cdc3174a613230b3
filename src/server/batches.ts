import "server-only";
// Batches of the notebook: begun, followed over weeks, ended.
import { z } from "zod";
import { Aim, BatchBody, type BatchEntry, batchProgress } from "../core/record/batches";
import { mannerOf } from "../core/spoken/conventions";
import { offsetsOf } from "../core/time/wall-clock";
import { Zone } from "../core/time/zone";
import type { BatchPage } from "../core/view/batch-page";
import { type Batch, findBatch, insertBatch, insertBatchEntry, listBatchEntries, listBatches, updateBatch } from "../db/queries/batches";
import { nowMs } from "./clock";
import { houseZone, readerConventions } from "./conventions";
import { database } from "./database";
import { pictureOf } from "./photographs";

const MOST_BATCHES = 200;
const MOST_DAYS_AGO = 366;
const DAY_MS = 86_400_000;

const name = z.string().trim().min(1).max(200);
export const NewBatch = z.object({ name, aim: Aim.optional() });
export const BatchChange = z.object({ name: name.optional(), aim: Aim.nullable().optional(), ended: z.boolean().optional() });

export const NewBatchEntry = z.object({
  key: z.uuid(),
  /** Milliseconds since it happened, by the clock of whoever sends it. */
  ago: z
    .number()
    .int()
    .min(0)
    .max(MOST_DAYS_AGO * DAY_MS)
    .default(0),
  // A photograph comes with its picture, by an address of its own.
  body: BatchBody.refine((b) => b.kind !== "photograph", { message: "A photograph is sent as a picture." }),
});

export async function loadBatches(words: string): Promise<Batch[]> {
  return listBatches(await database(), words.slice(0, 200), MOST_BATCHES);
}

/** @returns the number by which it is found */
export async function addBatch({ name, aim }: z.output<typeof NewBatch>): Promise<string> {
  const db = await database();
  return db.transaction((tx) => insertBatch(tx, name, aim, new Date(nowMs())));
}

/** @returns whether there is such a batch */
export async function changeBatch(id: string, change: z.output<typeof BatchChange>): Promise<boolean> {
  const db = await database();
  return db.transaction(async (tx) => {
    const batch = await findBatch(tx, id);
    if (!batch) return false;
    const ended = change.ended ?? batch.endedAt !== undefined;
    const aim = change.aim === undefined ? batch.aim : (change.aim ?? undefined);
    await updateBatch(tx, id, change.name ?? batch.name, aim, ended ? new Date(batch.endedAt ?? nowMs()) : undefined);
    return true;
  });
}

/** @returns all that is written of it; undefined where there is no such batch */
export async function writeBatchEntry(
  id: string,
  { key, ago, body }: { readonly key: string; readonly ago: number; readonly body: BatchBody },
): Promise<BatchEntry[] | undefined> {
  const db = await database();
  return db.transaction(async (tx) => {
    if (!(await findBatch(tx, id))) return undefined;
    const now = nowMs();
    await insertBatchEntry(tx, { batchId: id, key, at: new Date(now - ago), body, recordedAt: new Date(now) });
    return listBatchEntries(tx, id);
  });
}

/** @throws BadPhotograph */
export async function photographBatch(id: string, key: string, request: Request): Promise<BatchEntry[] | undefined> {
  if (!(await findBatch(await database(), id))) return undefined;
  return writeBatchEntry(id, { key, ago: 0, body: { kind: "photograph", ...(await pictureOf(request)) } });
}

/** Undefined where there is no such batch. */
export async function loadBatchPage(id: string): Promise<BatchPage | undefined> {
  const db = await database();
  const batch = await findBatch(db, id);
  if (!batch) return undefined;
  const entries = await listBatchEntries(db, id);
  const progress = batch.aim && batchProgress(entries, batch.aim);
  const conventions = await readerConventions();
  const minute = (ms: number) => Math.floor(ms / 60_000);
  const from = Math.min(batch.startedAt, ...entries.map((e) => e.at));
  const to = Math.max(nowMs(), progress?.latest ?? 0);
  const offsets = offsetsOf(new Zone(houseZone()), minute(from) - 1440, minute(to) + 1440, minute(to - from), mannerOf(conventions));
  return { batch, entries, progress, offsets };
}
