import "server-only";
// A run: started, followed, ended. Every press is an event in the log before anything is answered.
import { z } from "zod";
import { RunEventKind } from "../core/record/progress";
import { findDish } from "../db/queries/dishes";
import { findOpenRun, insertRun, insertRunEvent, updateRunEnded } from "../db/queries/runs";
import { nowMs } from "./clock";
import { database } from "./database";

export const NewEvent = z.object({
  key: z.uuid(),
  kind: RunEventKind,
  step: z.string().min(3).max(161),
  /** Minutes from now: negative for what happened earlier, positive for an estimate. */
  inMinutes: z.number().int().min(-100_000).max(100_000).default(0),
});

export type RunOutcome = "done" | "no-dish" | "no-run" | "no-step";

export async function startRun(slug: string): Promise<RunOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return "no-dish";
  await db.transaction((tx) => insertRun(tx, stored.id, new Date(nowMs())));
  return "done";
}

export async function endRun(slug: string): Promise<RunOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  const run = stored && (await findOpenRun(db, stored.id));
  if (!stored) return "no-dish";
  if (!run) return "no-run";
  await db.transaction((tx) => updateRunEnded(tx, run.id, new Date(nowMs())));
  return "done";
}

export async function recordEvent(slug: string, event: z.output<typeof NewEvent>): Promise<RunOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return "no-dish";
  const run = await findOpenRun(db, stored.id);
  if (!run) return "no-run";
  const [component, step] = event.step.split(".");
  const known = stored.document.components.find((c) => c.id === component)?.methods.some((m) => m.steps.some((s) => s.id === step));
  if (!known) return "no-step";
  const at = new Date((Math.floor(nowMs() / 60_000) + event.inMinutes) * 60_000);
  await db.transaction((tx) => insertRunEvent(tx, run.id, { key: event.key, kind: event.kind, step: event.step, at }));
  return "done";
}
