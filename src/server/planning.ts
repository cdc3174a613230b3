import "server-only";
// Planning off the main thread, and keeping what was found. A plan is verified again here before it is stored.
import { z } from "zod";
import { dishModel } from "../core/dish/read-model";
import { type Log, logToFile, PlanFile, type Progress as PlanProgress, planFromFile, verifyPlan } from "../core/planner";
import { heatOnAt } from "../core/record/heat-on";
import { logOf, progressOf, type RunEvent } from "../core/record/progress";
import type { Queryable } from "../db/db";
import { findDish, type StoredDish } from "../db/queries/dishes";
import {
  findNewestFeasible,
  findNewestPlan,
  findOpenRun,
  findPlanBefore,
  findPlanOfVersions,
  insertPlan,
  listRunEvents,
  type StoredPlan,
} from "../db/queries/runs";
import type { PlanAnswer, PlanTask } from "../workers/plan-task";
import { announce } from "./changes";
import { nowMinute, nowMs } from "./clock";
import { database } from "./database";
import { inThread } from "./planner-thread";

/** Rounds of improvement: near the plan so far, and of a plan made anew (about one and four seconds for the lunch). */
const ROUNDS_NEAR = 150;
const ROUNDS_AFRESH = 600;
/** Less where the setting asks for it: on a slow computer, or where pages are tested and not plans. */
const effort = (): number => {
  const share = Number(process.env.RONDEAU_PLANNING_EFFORT ?? 1);
  return share > 0 && share <= 1 ? share : 1;
};
/** The plan by default is within a quarter of an hour so often. */
const SURE = 0.95;

interface PlanRequest {
  /** Plan anew rather than near the plan so far. */
  readonly fresh?: boolean | undefined;
  /** Called once a first, quick answer is stored: a plan where there was none, or why there is none. */
  readonly onFirst?: (() => void) | undefined;
  readonly onProgress?: ((p: PlanProgress) => void) | undefined;
  readonly signal?: AbortSignal | undefined;
}

interface UnderWay {
  readonly answer: Promise<StoredPlan>;
  readonly stop: AbortController;
}
const underWay = new Map<string, UnderWay>();

/**
 * Plans a dish from now and stores the answer. A newer question about a dish replaces the one that is being worked on: that one is stopped,
 * and its answer, made for what no longer is, is not waited for longer than its last word takes.
 */
export async function planAndStore(slug: string, request: PlanRequest = {}): Promise<StoredPlan> {
  const before = underWay.get(slug);
  before?.stop.abort();
  const stop = new AbortController();
  if (request.signal?.aborted) stop.abort();
  request.signal?.addEventListener("abort", () => stop.abort());
  const answer = (async () => {
    await before?.answer.catch(() => {});
    return plan(slug, { ...request, signal: stop.signal });
  })();
  const mine: UnderWay = { answer, stop };
  underWay.set(slug, mine);
  try {
    return await answer;
  } catch (error) {
    // One that was stopped and said nothing more leaves the plan that stands.
    const stored = stop.signal.aborted ? await findDish(await database(), slug) : undefined;
    const newest = stored && (await findNewestPlan(await database(), stored.id));
    if (newest) return newest;
    throw error;
  } finally {
    if (underWay.get(slug) === mine) underWay.delete(slug);
    announce(slug, "plan");
  }
}

/** Ends all planning that is under way, and waits until it has. */
export async function stopPlanning(): Promise<void> {
  const all = [...underWay.values()];
  for (const { stop } of all) stop.abort();
  await Promise.allSettled(all.map(({ answer }) => answer));
}

const AFTER_THE_ANSWER_MS = 40;

/** Plans a dish in the background: whoever pressed is not kept waiting. The pages hear of it over their stream. */
export function planSoon(slug: string): void {
  announce(slug, "log");
  // After the answer is on its way: reading the dish for the planner takes this thread a moment.
  setTimeout(() => {
    void planAndStore(slug).catch((error) => console.error("planning: recorded, but not planned again", error));
  }, AFTER_THE_ANSWER_MS);
}

/** What a plan of a dish is made from now: the moment before which nothing begins, what has happened, the plan in force. */
export async function planningScene(stored: StoredDish) {
  const db = await database();
  const dish = dishModel(stored.document);
  const run = await findOpenRun(db, stored.id);
  const events = run ? await listRunEvents(db, run.id) : [];
  const newest = await findNewestFeasible(db, stored.id);
  const sofar = newest && PlanFile.parse(newest.document);
  const now = Math.max(nowMinute(), run ? Number.NEGATIVE_INFINITY : (dish.startNotBefore ?? Number.NEGATIVE_INFINITY));
  // Whoever has begun is taken to follow the plan: what it has on by now is hot.
  const heat = events.length && sofar ? heatOnAt(dish, planFromFile(sofar, dish.zone), now) : [];
  const log: Log = { ...logOf(progressOf(events)), heat };
  return { dish, run, events, newest, sofar, now, log };
}

/** The plan after an undo under way: steps go back to where they stood then. */
async function planOfVersions(stored: StoredDish, newest: number | undefined): Promise<PlanFile | undefined> {
  const db = await database();
  const latest = await findNewestFeasible(db, stored.id);
  if (!latest || (latest.dishVersion === stored.version && latest.kitchenVersion === stored.kitchenVersion)) return undefined;
  const before = await findPlanOfVersions(db, stored.id, stored.version, stored.kitchenVersion);
  return before && before.id !== newest ? PlanFile.parse(before.document) : undefined;
}

/** The plan from before a step ran late that is over now: what was put off for it may go back. */
async function planBeforeDelay(stored: StoredDish, events: readonly RunEvent[], runId: string | undefined): Promise<PlanFile | undefined> {
  const last = events.at(-1);
  if (!runId || last?.kind !== "ended") return undefined;
  const first = events.find((e) => e.step === last.step && e.kind === "estimate");
  const before = first && (await findPlanBefore(await database(), stored.id, runId, first.sequence));
  return before && PlanFile.parse(before.document);
}

async function plan(slug: string, request: PlanRequest): Promise<StoredPlan> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) throw new Error(`planning: no dish "${slug}"`);
  const { dish, run, events, newest, sofar, now, log } = await planningScene(stored);
  const style = dish.wishes.style ?? "late";
  const planAt = dish.wishes.planAt ?? (request.fresh ? undefined : sofar?.planAt) ?? "cautious";
  // Another style or way of taking lengths is another plan altogether: there is nothing to stay near to.
  const undone = run && !request.fresh ? await planOfVersions(stored, newest?.id) : undefined;
  const anew = request.fresh || (newest && events.length === 0 && isFirst(newest)) || sofar?.style !== style || sofar.planAt !== planAt;
  const previous = undone ?? (anew ? undefined : sofar);
  const task: PlanTask = {
    document: stored.document,
    now,
    style,
    planAt,
    log: logToFile(log, dish.zone),
    previous,
    baseline: previous && (await planBeforeDelay(stored, events, run?.id)),
    rounds: Math.ceil((previous ? ROUNDS_NEAR : ROUNDS_AFRESH) * effort()),
    effort: effort(),
    // Where the cook has not said how lengths are taken, the plan is chosen that comes out in time when it is followed.
    ...(!previous && dish.wishes.planAt === undefined && events.length === 0 ? { sure: SURE } : {}),
  };
  const keep = async (answer: PlanAnswer): Promise<StoredPlan> => {
    if (answer.status === "feasible") {
      const { broken } = verifyPlan(dish, planFromFile(answer.file, dish.zone), { now, log });
      if (broken.length) throw new Error(`planning: a plan broke ${broken[0]?.rule}: ${broken[0]?.why}`);
    }
    await db.transaction((tx) =>
      insertPlan(tx, {
        dishId: stored.id,
        dishVersion: stored.version,
        kitchenVersion: stored.kitchenVersion,
        runId: run?.id,
        runSequence: events.length,
        status: answer.status,
        document: answer.status === "feasible" ? answer.file : { format: "rondeau-plan/1", ...answer },
        madeAt: new Date(nowMs()),
      }),
    );
    return (await findNewestPlan(db, stored.id)) as StoredPlan;
  };
  // Undone to what was planned before: that plan comes back too, if it still holds.
  const before = run || request.fresh ? undefined : await findPlanOfVersions(db, stored.id, stored.version, stored.kitchenVersion);
  if (before && newest && before.id !== newest.id) {
    const file = PlanFile.parse(before.document);
    if (verifyPlan(dish, planFromFile(file, dish.zone), { now }).broken.length === 0) return keep({ status: "feasible", file });
  }
  // First words are kept like an answer, and said; the whole answer waits until they are.
  let said: Promise<unknown> = Promise.resolve();
  const words = (answer: PlanAnswer) => {
    said = keep(answer).then(() => {
      request.onFirst?.();
      announce(slug, "plan");
    });
    said.catch(() => {});
  };
  const found = async (asked: PlanTask) => {
    const answer = await inThread(asked, { words, ...(request.onProgress ? { progress: request.onProgress } : {}) }, request.signal);
    await said;
    // One that was stopped has not looked: that it found none says nothing, and what stands goes on standing.
    if (request.signal?.aborted && answer.status === "infeasible") return (await findNewestPlan(db, stored.id)) ?? keep(answer);
    return keep(answer);
  };
  if (!newest) {
    // A first plan at once, so that there is something to read while a better one is looked for.
    const first = await found({ ...task, rounds: 0 });
    request.onFirst?.();
    if (first.status === "infeasible" || request.signal?.aborted) return first;
  }
  return found(task);
}

/** A refusal of one thing, in the form of a file's problems. */
export const refused = (path: string, message: string) => ({
  status: "refused" as const,
  problems: [{ path, message, severity: "error" as const }],
});

/** A plan made in a page is trusted as far as the verifier: so many minutes may have passed since, and it must keep every rule. */
const STILL_NOW_MINUTES = 60;

/** Checks a plan that came with a change, for the dish as changed; what accepts it writes it. */
export async function acceptPlan(changed: StoredDish, value: unknown) {
  const parsed = PlanFile.safeParse(value);
  if (!parsed.success) return refused("plan", parsed.error.issues[0]?.message ?? "That is not a plan.");
  const { dish, run, events, now, log } = await planningScene(changed);
  const plan = planFromFile(parsed.data, dish.zone);
  // One made longer ago holds as long as nothing of it was to begin meanwhile.
  const old = now - plan.now > STILL_NOW_MINUTES && (run !== undefined || plan.steps.some((s) => s.start < now));
  if (old || plan.now > now) return refused("plan", "The plan was made for another time. Try again.");
  const known = new Set(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => s.ref))));
  const stranger = plan.steps.find((s) => !known.has(s.step));
  if (stranger) return refused("plan", `The plan names "${stranger.step.slice(0, 80)}", which is not a step of this dish.`);
  const [broken] = verifyPlan(dish, plan, { now: plan.now, log }).broken;
  if (broken) return refused("plan", `The plan does not work: ${broken.why}`);
  const insert = (tx: Queryable, dishVersion: number, kitchenVersion: number) =>
    insertPlan(tx, {
      dishId: changed.id,
      dishVersion,
      kitchenVersion,
      runId: run?.id,
      runSequence: events.length,
      status: "feasible",
      document: parsed.data,
      madeAt: new Date(nowMs()),
    });
  return { status: "accepted" as const, insert };
}

/** What an answer of the planner is held against: the dish as it is, and the log of the run that is open. */
interface Standing {
  readonly stored: StoredDish;
  readonly newest: StoredPlan | undefined;
  readonly run: { readonly id: string } | undefined;
  readonly presses: number;
}

/** Whether whoever looks has to ask for another answer: there is none, it is for what no longer is, or it was only a first one. */
export function isOutOfDate({ stored, newest, run, presses }: Standing): boolean {
  if (!newest || !isCurrent(newest, stored) || LookingFile.safeParse(newest.document).success) return true;
  if (!run) return isFirst(newest);
  return presses > 0 && (newest.runId !== run.id || newest.runSequence !== presses);
}

/** Whether the newest answer is the last word for now: in force, and nothing is being planned. */
export async function isSettled(stored: StoredDish): Promise<boolean> {
  if (underWay.has(stored.slug)) return false;
  const db = await database();
  const [newest, run] = [await findNewestPlan(db, stored.id), await findOpenRun(db, stored.id)];
  const presses = run ? (await listRunEvents(db, run.id)).length : 0;
  return !isOutOfDate({ stored, newest, run, presses });
}

/** Ways out are still being looked for. */
const LookingFile = z.looseObject({ looking: z.literal(true) });
const FirstFile = z.looseObject({ first: z.literal(true) });

/** A first, quick plan: where whoever waited for the better one went away, the next one to look gets it. */
const isFirst = (plan: StoredPlan): boolean => FirstFile.safeParse(plan.document).success;

/** Whether the newest answer was made for what the dish and its kitchen say now. */
export function isCurrent(plan: StoredPlan, dish: StoredDish): boolean {
  return plan.dishVersion === dish.version && plan.kitchenVersion === dish.kitchenVersion;
}
