import "server-only";
// A run: started, followed, ended. Every press is an event in the log before anything is answered.
import { z } from "zod";
import { progressOf, RunEventKind, standingEvents } from "../core/record/progress";
import { type FindingView, unacknowledged } from "../core/safety/view";
import { clearAcknowledgements } from "../db/queries/acknowledgements";
import { findDish } from "../db/queries/dishes";
import { findOpenRun, findPressScene, insertRun, insertRunEvent, listRunEvents, type PressScene, updateRunEnded } from "../db/queries/runs";
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

export type RunOutcome = "done" | "no-dish" | "no-run" | "no-step" | "no-event" | Withheld;

/** Severe cautions that nobody has acknowledged: nothing begins before they are. */
export interface Withheld {
  readonly withheld: readonly FindingView[];
}

/** In words, for whoever has no page before the eyes. */
export const withheldWords = ({ withheld }: Withheld): string => {
  const hard = withheld.filter((f) => f.hard);
  const names = (list: readonly FindingView[]) => list.map((f) => f.title.toLowerCase()).join("; ");
  return hard.length ? `Past a limit, and to be mended first: ${names(hard)}.` : `To be acknowledged by name first: ${names(withheld)}.`;
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
async function begins(runId: string, { kind, step }: z.output<typeof NewEvent>): Promise<boolean> {
  if (kind === "started") return true;
  if (kind !== "ended") return false;
  const progress = progressOf(await listRunEvents(await database(), runId));
  return progress.get(step)?.started === undefined;
}

const stepsByVersion = new Map<string, ReadonlySet<string>>();

/** The steps of a dish as it is now. */
async function stepsOf(slug: string, scene: PressScene): Promise<ReadonlySet<string>> {
  const key = `${scene.dishId} ${scene.dishVersion}`;
  const known = stepsByVersion.get(key);
  if (known) return known;
  const stored = await findDish(await database(), slug);
  const steps = new Set(stored?.document.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => `${c.id}.${s.id}`))));
  if (stepsByVersion.size > 100) stepsByVersion.clear();
  stepsByVersion.set(key, steps);
  return steps;
}

export async function recordEvent(slug: string, event: z.output<typeof NewEvent>): Promise<RunOutcome> {
  const db = await database();
  // A press is looked at by what it needs and no more: the whole dish is read once for each of its versions.
  const scene = await findPressScene(db, slug);
  if (!scene) return "no-dish";
  const run = scene.runId === undefined ? undefined : { id: scene.runId };
  if (!run) return "no-run";
  if (!(await stepsOf(slug, scene)).has(event.step)) return "no-step";
  if (event.kind === "withdrawn") {
    const standing = standingEvents(await listRunEvents(db, run.id)).filter((e) => e.step === event.step);
    if (event.of !== undefined && !standing.some((e) => e.sequence === event.of)) return "no-event";
  }
  if (await begins(run.id, event)) {
    const withheld = unacknowledged(await findingsForPress(slug, scene), event.step);
    if (withheld.length) return { withheld };
  }
  const at = new Date((Math.floor(nowMs() / 60_000) + event.inMinutes) * 60_000);
  await db.transaction((tx) =>
    insertRunEvent(tx, run.id, { key: event.key, kind: event.kind, step: event.step, at, of: event.of, by: event.by }),
  );
  return "done";
}
