import "server-only";
// Timers, readings, notes and ticks of a dish: written once each, and told to every open page.
import { z } from "zod";
import { type Entry, EntryBody } from "../core/record/entries";
import { findDish } from "../db/queries/dishes";
import { insertEntry, listEntries } from "../db/queries/entries";
import { findRun } from "../db/queries/notebook";
import { findOpenRun } from "../db/queries/runs";
import { announce } from "./changes";
import { nowMs } from "./clock";
import { database } from "./database";
import { hotAndUnconfirmed } from "./handover";

const MOST_AT_ONCE = 200;

const newEntries = <T extends z.ZodType<EntryBody>>(body: T) =>
  z.object({
    /** A run of the dish that is over: what is said of it afterwards. Without it, the one that is open. */
    run: z.uuid().optional(),
    entries: z
      .array(
        z.object({
          key: z.uuid(),
          /** Milliseconds since it happened, by the clock of whoever sends it. */
          ago: z
            .number()
            .int()
            .min(0)
            .max(30 * 86_400_000)
            .default(0),
          body,
        }),
      )
      .min(1)
      .max(MOST_AT_ONCE),
  });
const AnyEntries = newEntries(EntryBody);
/** What a page may send: a photograph comes with its picture, by an address of its own. */
export const NewEntries = newEntries(EntryBody.refine((b) => b.kind !== "photograph", { message: "A photograph is sent as a picture." }));

/** What a run, or a dish before its run, has been written down so far; undefined where there is no such dish. */
export async function loadEntries(slug: string): Promise<Entry[] | undefined> {
  const db = await database();
  const stored = await findDish(db, slug);
  return stored && listEntries(db, stored.id, (await findOpenRun(db, stored.id))?.id);
}

/** A night that may not be handed over yet: heat is on, and nobody has confirmed it. */
export class StillHot extends Error {
  constructor(readonly names: readonly string[]) {
    super(`still hot: ${names.join(", ")}`);
  }
}

/**
 * Writes entries down, all or none, and tells the open pages. What was sent before is passed over.
 * @returns undefined where there is no such dish, or no such run of it; else all that is written
 * @throws {StillHot} nothing is written then
 */
export async function writeEntries(slug: string, { entries, run }: z.output<typeof AnyEntries>): Promise<Entry[] | undefined> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return undefined;
  if (run !== undefined && (await findRun(db, run))?.dishId !== stored.id) return undefined;
  const all = await db.transaction(async (tx) => {
    const runId = run ?? (await findOpenRun(tx, stored.id))?.id;
    for (const { body } of entries) {
      const hot = body.kind === "handover" ? await hotAndUnconfirmed(tx, stored, runId, body) : [];
      if (hot.length) throw new StillHot(hot);
    }
    const now = nowMs();
    for (const { key, ago, body } of entries)
      await insertEntry(tx, { dishId: stored.id, runId, key, at: new Date(now - ago), body, recordedAt: new Date(now) });
    return listEntries(tx, stored.id, runId);
  });
  announce(slug, "log");
  return all;
}
