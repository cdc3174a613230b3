import "server-only";
// What every page of a dish needs to draw: the dish, the plan in force read for people, the run, the hour.
import { cache } from "react";
import { z } from "zod";
import { PatchOperation } from "../core/dish/patch";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { PlanFile, planFromFile } from "../core/planner";
import { type Why, whyHere } from "../core/planner/explain/why";
import { heatOnAt } from "../core/record/heat-on";
import { type LogLine, logLines } from "../core/record/log-lines";
import { logOf, progressOf } from "../core/record/progress";
import type { Conflict } from "../core/sheets/conflict";
import { mannerOf } from "../core/spoken/conventions";
import { type Offsets, offsetsOf } from "../core/time/wall-clock";
import { type Occupancy, occupancyOf } from "../core/view/occupancy";
import { type PlanView, planView } from "../core/view/plan-view";
import { spokenTexts } from "../core/view/spoken-texts";
import { findDish, findHistorySteps } from "../db/queries/dishes";
import { findNewestFeasible, findNewestPlan, findOpenRun, listRunEvents, type StoredPlan } from "../db/queries/runs";
import { Rehearsed } from "../workers/rehearse";
import { newsMark } from "./changes";
import { nowMinute } from "./clock";
import { readerConventions } from "./conventions";
import { database } from "./database";
import { isCurrent, isOutOfDate } from "./planning";

/** Plans to choose from, and whether the one in force is on time as often as was wished. */
export interface Choices {
  readonly reached: boolean;
  readonly wish: number;
  readonly plans: readonly {
    readonly view: PlanView;
    readonly file: PlanFile;
    readonly onTime: number;
    readonly within15: number;
    readonly chosen: boolean;
  }[];
}

export interface DishState {
  readonly slug: string;
  readonly name: string;
  readonly document: DishFile;
  readonly dishVersion: number;
  readonly kitchenVersion: number;
  readonly serves: number;
  readonly serveAt: number;
  /** As this request's cook reads it. */
  readonly plan: PlanView | undefined;
  /** The same view in the words of the file, for rules that read it. */
  readonly plainPlan: PlanView | undefined;
  /** Changes with the plan in force, the dish, the kitchen and the run. */
  readonly stamp: string;
  /** Changes with the plan in force, the dish and the kitchen. */
  readonly planStamp: string;
  /** The plan was made for an older version of the dish or kitchen, or before a press that it does not know. */
  readonly stale: boolean;
  /** The planner's newest answer was that there is none. */
  readonly conflict: Conflict | undefined;
  readonly running: boolean;
  /** What else could be done about what the plan in force cannot keep; each is taken up like a way out of a conflict. */
  readonly around: Pick<Conflict, "answer" | "repairs"> | undefined;
  /** What was pressed in the run that is open, or in the last one where it has ended since the plan was made. */
  readonly log: readonly LogLine[];
  readonly choices: Choices | undefined;
  /** The last news that this knows of. */
  readonly news: string;
  readonly now: number;
  readonly offsets: Offsets;
  readonly history: Record<"dish" | "kitchen", { readonly undo: string | undefined; readonly redo: string | undefined }>;
}

/** Undefined where there is no such dish. Read once for a request. */
export const loadState = cache(async (slug: string): Promise<DishState | undefined> => {
  // Before anything is read: what changes meanwhile is told again.
  const news = newsMark(slug);
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return undefined;
  const dish = dishModel(stored.document);
  const [newest, feasible, run] = [
    await findNewestPlan(db, stored.id),
    await findNewestFeasible(db, stored.id),
    await findOpenRun(db, stored.id),
  ];
  const events = run ? await listRunEvents(db, run.id) : [];
  const plan = feasible && planFromFile(PlanFile.parse(feasible.document), dish.zone);
  const progress = progressOf(events);
  const view = plan && followable(dish, plan) ? planView(dish, plan, progress) : undefined;
  const conventions = await readerConventions();
  const now = nowMinute();
  const from = Math.min(now, view?.begins ?? dish.serveAt) - 2880;
  const conflict = newest?.status === "infeasible" ? spokenTexts(conflictOf(newest), conventions) : undefined;
  return {
    slug: stored.slug,
    name: stored.name,
    document: stored.document,
    dishVersion: stored.version,
    kitchenVersion: stored.kitchenVersion,
    serves: stored.document.dish.serves,
    serveAt: dish.serveAt,
    plan: spokenTexts(view, conventions),
    plainPlan: view,
    stamp: [stored.version, stored.kitchenVersion, feasible?.id ?? 0, newest?.id ?? 0, events.length].join("."),
    planStamp: [stored.version, stored.kitchenVersion, feasible?.id ?? 0].join("."),
    stale: isOutOfDate({ stored, newest, run, presses: events.length }),
    conflict,
    running: run !== undefined,
    around: newest && newest.id === feasible?.id ? spokenTexts(aroundOf(newest), conventions) : undefined,
    log: spokenTexts(logLines(dish, events), conventions),
    choices: feasible && isCurrent(feasible, stored) && !run ? choicesOf(dish, feasible) : undefined,
    news,
    now,
    offsets: offsetsOf(
      dish.zone,
      from,
      Math.max(dish.serveAt, view?.ends ?? 0, now) + 2880,
      view ? view.ends - view.begins : 0,
      mannerOf(conventions),
    ),
    history: { dish: await findHistorySteps(db, "dish", stored.id), kitchen: await findHistorySteps(db, "kitchen", stored.kitchenId) },
  };
});

export interface Reasons {
  /** For each step that has not begun: what keeps it from starting later and earlier. */
  readonly whys: readonly Why[];
  /** How often the plan came to the table on time when it was rehearsed; undefined for plans from before. */
  readonly rehearsed: Rehearsed | undefined;
  /** How full the places of the kitchen are. */
  readonly occupancy: readonly Occupancy[];
}

/** Why each step stands where it stands, and how sure the plan is. Nothing where there is no plan. */
export async function loadReasons(slug: string): Promise<Reasons> {
  const db = await database();
  const stored = await findDish(db, slug);
  const feasible = stored && (await findNewestFeasible(db, stored.id));
  if (!stored || !feasible) return { whys: [], rehearsed: undefined, occupancy: [] };
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(feasible.document), dish.zone);
  const run = await findOpenRun(db, stored.id);
  const events = run ? await listRunEvents(db, run.id) : [];
  const log = { ...logOf(progressOf(events)), heat: events.length ? heatOnAt(dish, plan, plan.now) : [] };
  const whys =
    isCurrent(feasible, stored) && followable(dish, plan) ? spokenTexts(whyHere(dish, plan, log), await readerConventions()) : [];
  const occupancy = followable(dish, plan) ? occupancyOf(dish, plan) : [];
  return { whys, occupancy, rehearsed: z.looseObject({ rehearsed: Rehearsed }).safeParse(feasible.document).data?.rehearsed };
}

const ChoicesFile = z.looseObject({
  sure: z.object({ reached: z.boolean(), wish: z.number() }),
  choices: z.array(z.object({ file: PlanFile, onTime: z.number(), within15: z.number(), chosen: z.boolean() })),
});

function choicesOf(dish: ReturnType<typeof dishModel>, stored: StoredPlan): Choices | undefined {
  const read = ChoicesFile.safeParse(stored.document);
  if (!read.success) return undefined;
  const { sure, choices } = read.data;
  return { ...sure, plans: choices.map((c) => ({ ...c, view: planView(dish, planFromFile(c.file, dish.zone)) })) };
}

const Refusal = z.looseObject({
  proved: z.boolean(),
  looking: z.boolean().optional(),
  conflict: z.array(
    z.object({
      rule: z.string(),
      steps: z.array(z.string()),
      text: z.string(),
      kind: z.string().optional(),
      about: z.string().optional(),
    }),
  ),
  repairs: z
    .array(
      z.object({
        kind: z.string(),
        text: z.string(),
        leadMinutes: z.number(),
        change: z.array(PatchOperation),
        press: z.string().optional(),
        spares: z.array(z.number().int()).optional(),
      }),
    )
    .default([]),
});

function aroundOf(plan: StoredPlan): Pick<Conflict, "answer" | "repairs"> | undefined {
  const read = Refusal.pick({ repairs: true }).safeParse(plan.document);
  return read.success && read.data.repairs.length ? { answer: String(plan.id), repairs: read.data.repairs } : undefined;
}

/** Why there is no plan, and what would help, of an answer that there is none. */
export function conflictOf(plan: StoredPlan): Conflict {
  const { proved, looking, conflict, repairs } = Refusal.parse(plan.document);
  return { proved, looking, facts: conflict as Conflict["facts"], repairs, answer: String(plan.id) };
}

/** A plan of an older version may name steps that are gone; then it is not shown. */
export function followable(dish: ReturnType<typeof dishModel>, plan: ReturnType<typeof planFromFile>): boolean {
  const known = new Set(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => s.ref))));
  return plan.steps.every((s) => known.has(s.step));
}
