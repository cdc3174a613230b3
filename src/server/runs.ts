import "server-only";
// A run: started, followed, ended. Every press is an event in the log before anything is answered.
import { z } from "zod";
import { progressOf, RunEventKind, standingEvents } from "../core/record/progress";
import { type FindingView, unacknowledged } from "../core/safety/view";
import type { Queryable } from "../db/db";
import { clearAcknowledgements } from "../db/queries/acknowledgements";
import { findDish } from "../db/queries/dishes";
import {
  findLastRecorded,
  findOpenRun,
  findPressScene,
  insertRun,
  insertRunEvent,
  isWritten,
  listRunEvents,
  type PressScene,
  updateRunEnded,
} from "../db/queries/runs";
import { remembered } from "../db/remembered";
import { nowMs } from "./clock";
import { database } from "./database";
import { findingsForPress, loadFindings } from "./safety";

export const NewEvent = z.object({
  key: z.uuid(),
  kind: RunEventKind,
  step: z.string().min(3).max(161),
  /** Minutes from now: negative for what happened earlier, positive for an estimate. */
  inMinutes: z.number().int().min(-100_000).max(100_000).default(0),
  /** Of a withdrawal: which entry of the log it undoes; without it the newest of the step. */
  of: z.number().int().min(1).optional(),
  /** The cook who pressed, where the device knows. */
  by: z.string().max(80).optional(),
});

type RunOutcome = "done" | "no-dish" | "no-run" | "no-step" | "no-event" | "other-press" | "clock-back" | Withheld;

/** Severe cautions that nobody has acknowledged: nothing begins before they are. */
interface Withheld {
  readonly withheld: readonly FindingView[];
}

/** In words, for whoever has no page before the eyes. */
export const withheldWords = ({ withheld }: Withheld): string => {
  const hard = withheld.filter((f) => f.hard);
  const names = (list: readonly FindingView[]) => list.map((f) => f.title.toLowerCase()).join("; ");
  return hard.length ? `Past a limit, fix this first: ${names(hard)}.` : `Read these before you start: ${names(withheld)}.`;
};

export async function startRun(slug: string): Promise<RunOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return "no-dish";
  const withheld = unacknowledged((await loadFindings(slug)) ?? []);
  if (withheld.length) return { withheld };
  await db.transaction((tx) => insertRun(tx, stored.id, new Date(nowMs())));
  return "done";
}

export async function endRun(slug: string): Promise<RunOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  const run = stored && (await findOpenRun(db, stored.id));
  if (!stored) return "no-dish";
  if (!run) return "no-run";
  await db.transaction(async (tx) => {
    await updateRunEnded(tx, run.id, new Date(nowMs()));
    await clearAcknowledgements(tx, stored.id);
  });
  return "done";
}

/** Whether a press begins a step: it says so, or says that one which nobody began is done. */
async function begins(db: Queryable, runId: string, { kind, step }: z.output<typeof NewEvent>): Promise<boolean> {
  if (kind === "started") return true;
  if (kind !== "ended") return false;
  const progress = progressOf(await listRunEvents(db, runId));
  return progress.get(step)?.started === undefined;
}

const stepsByVersion = remembered<string, ReadonlySet<string>>(100);

/** The steps of a dish as it is now. */
async function stepsOf(db: Queryable, slug: string, scene: PressScene): Promise<ReadonlySet<string>> {
  const key = `${scene.dishId} ${scene.dishVersion}`;
  const known = stepsByVersion.get(key);
  if (known) return known;
  const stored = await findDish(db, slug);
  const steps = new Set(stored?.document.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => `${c.id}.${s.id}`))));
  stepsByVersion.set(key, steps);
  return steps;
}

/** A clock may be set by some minutes; further back than this, presses would come before those that were made. */
const CLOCK_BACK_MS = 2 * 60_000;

/**
 * Writes a press down. Everything that speaks against it is looked at in the transaction that writes it.
 * @returns "done" also where the same press was sent before; "clock-back" where it is written, by a clock that has gone back
 */
export async function recordEvent(slug: string, event: z.output<typeof NewEvent>): Promise<RunOutcome> {
  const db = await database();
  // What the rules find is worked out before: inside, nobody else is answered.
  const before = await findPressScene(db, slug);
  const findings = before && (event.kind === "started" || event.kind === "ended") ? await findingsForPress(slug, before) : [];
  return db.transaction(async (tx): Promise<RunOutcome> => {
    // A press is looked at by what it needs and no more: the whole dish is read once for each of its versions.
    const scene = await findPressScene(tx, slug);
    if (!scene) return "no-dish";
    if (scene.runId === undefined) return "no-run";
    if (!(await stepsOf(tx, slug, scene)).has(event.step)) return "no-step";
    if (event.kind === "withdrawn") {
      const standing = standingEvents(await listRunEvents(tx, scene.runId)).filter((e) => e.step === event.step);
      if (event.of !== undefined && !standing.some((e) => e.sequence === event.of) && !(await isWritten(tx, event.key))) return "no-event";
    }
    if (await begins(tx, scene.runId, event)) {
      const withheld = unacknowledged(findings, event.step);
      if (withheld.length) return { withheld };
    }
    const now = nowMs();
    const last = await findLastRecorded(tx, scene.runId);
    const at = new Date((Math.floor(now / 60_000) + event.inMinutes) * 60_000);
    const { key, kind, step, of, by } = event;
    const written = await insertRunEvent(tx, scene.runId, { key, kind, step, at, of, by, recordedAt: new Date(now) });
    if (written === "other") return "other-press";
    return last && now < last.getTime() - CLOCK_BACK_MS ? "clock-back" : "done";
  });
}
