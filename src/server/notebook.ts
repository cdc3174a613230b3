import "server-only";
// The notebook: what was done in each run, beside what was planned, and what can be learned from it.
import { lengthChange } from "../core/dish/edit/lengths";
import { type ReachedTemperature, reachedTemperature } from "../core/dish/edit/reached-temperatures";
import { type UsedAmount, usedAmount } from "../core/dish/edit/used-amounts";
import type { PatchOperation } from "../core/dish/patch";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { PlanFile, planFromFile } from "../core/planner";
import { type Entry, readingsOf, standing, type Verdict, verdictsOf } from "../core/record/entries";
import { isWorthTelling, learnedLengths } from "../core/record/learned";
import { logLines } from "../core/record/log-lines";
import { progressOf } from "../core/record/progress";
import { hazardsOf } from "../core/safety/view";
import { mannerOf } from "../core/spoken/conventions";
import { offsetsOf, WallClock } from "../core/time/wall-clock";
import { besideRuns, MOST_BESIDE, type OtherRun, shareSteps } from "../core/view/beside-runs";
import { likedMethods, realWaits } from "../core/view/liked";
import { miniRoute } from "../core/view/mini-route";
import { planView } from "../core/view/plan-view";
import type { KeptRun, LengthProposal, Proposed, RunPage } from "../core/view/run-page";
import { type ReviewRow, reviewRows, timedOf } from "../core/view/run-review";
import { spokenTexts } from "../core/view/spoken-texts";
import { findDish } from "../db/queries/dishes";
import { listLastNotes, listRunEntries } from "../db/queries/entries";
import { findRun, findVersionBegun, findVersionsOfLengths, listRuns, listRunsAlike, listRunsOfDish } from "../db/queries/notebook";
import { findPlanBefore, listRunEvents } from "../db/queries/runs";
import { nowMinute } from "./clock";
import { readerConventions } from "./conventions";
import { database } from "./database";
import { followable } from "./state";

export const RUNS_A_PAGE = 60;
/** So many runs are looked through for the same steps. */
const MOST_LOOKED_AT = 40;
const MONTH_MINUTES = 31 * 1440;

/** A stretch of the runs, the newest first. @param from so many of them are passed over */
export async function loadRuns(words: string, from = 0): Promise<{ readonly runs: readonly KeptRun[]; readonly more: boolean }> {
  const found = await listRuns(await database(), words.slice(0, 200), RUNS_A_PAGE + 1, from);
  return { runs: found.slice(0, RUNS_A_PAGE), more: found.length > RUNS_A_PAGE };
}

/** Undefined where there is no such run. */
export async function loadRunPage(id: string): Promise<RunPage | undefined> {
  const db = await database();
  const run = await findRun(db, id);
  const stored = run && (await findDish(db, run.slug));
  if (!run || !stored) return undefined;
  const dish = dishModel(stored.document);
  const conventions = await readerConventions();
  const events = await listRunEvents(db, run.id);
  const entries = await listRunEntries(db, run.id);
  const progress = progressOf(events);
  const first = await findPlanBefore(db, stored.id, run.id, 1);
  const plan = first && planFromFile(PlanFile.parse(first.document), dish.zone);
  const rows = reviewRows(dish, plan, progress);
  const verdicts = verdictsOf(entries);
  const liked = (component: string) => verdicts.get(component)?.verdict;
  const from = Math.min(run.startedAt, plan?.steps[0]?.start ?? run.startedAt, ...rows.map((r) => r.really?.start ?? run.startedAt));
  const to = run.endedAt ?? nowMinute();
  const offsets = offsetsOf(dish.zone, from - MONTH_MINUTES, to + MONTH_MINUTES, to - from, mannerOf(conventions));
  const clock = new WallClock(offsets);
  const view = plan && followable(dish, plan) ? planView(dish, plan, new Map()) : undefined;
  const really = plan && view ? planView(dish, plan, progress) : undefined;
  return {
    run,
    dishVersion: stored.version,
    kitchenVersion: stored.kitchenVersion,
    serves: stored.document.dish.serves,
    baseServes: stored.document.dish.baseServes,
    rows: spokenTexts(rows, conventions),
    log: spokenTexts(logLines(dish, events), conventions),
    entries,
    amounts: judged(stored.document, amountsOf(stored.document, entries)),
    temperatures: judged(stored.document, temperaturesOf(stored.document, entries, rows)),
    waits: judged(stored.document, realWaits(stored.document, dish, plan, rows, liked)),
    methods: judged(stored.document, likedMethods(stored.document, dish, rows, liked)),
    components: dish.components.map((c) => ({ id: c.id, name: c.name })),
    lengths: judged(stored.document, await lengthsOf(stored, dish)),
    beside: spokenTexts(besideRuns(rows, await othersOf(run, dish, rows)), conventions),
    served: { planned: plan?.serveAt, really: progress.get(dish.serve)?.ended },
    charts:
      view && really
        ? { planned: miniRoute(view, clock, from - 1440, 640), really: miniRoute(really, clock, from - 1440, 640) }
        : undefined,
    offsets,
  };
}

/** Runs of this dish and of others with a component that is called alike, the newest first. */
async function othersOf(run: KeptRun, dish: ReturnType<typeof dishModel>, own: readonly ReviewRow[]): Promise<OtherRun[]> {
  const db = await database();
  const names = dish.components.map((c) => c.name.toLowerCase());
  const dishes = new Map([[run.slug, dish]]);
  const found: OtherRun[] = [];
  for (const other of await listRunsAlike(db, run, names, MOST_LOOKED_AT)) {
    if (found.length >= MOST_BESIDE) break;
    const stored = dishes.has(other.slug) ? undefined : await findDish(db, other.slug);
    const theirs = dishes.get(other.slug) ?? (stored && dishModel(stored.document));
    if (!theirs) continue;
    dishes.set(other.slug, theirs);
    const rows = reviewRows(theirs, undefined, progressOf(await listRunEvents(db, other.id)));
    if (!shareSteps(own, rows)) continue;
    const verdicts = verdictsOf(await listRunEntries(db, other.id));
    found.push({
      id: other.id,
      name: other.name,
      startedAt: other.startedAt,
      rows,
      verdicts: Object.fromEntries(
        theirs.components.flatMap((c) => (verdicts.has(c.id) ? [[c.name, (verdicts.get(c.id) as { verdict: Verdict }).verdict]] : [])),
      ),
    });
  }
  return found;
}

/** The newest amount of each ingredient that was used otherwise than the dish says. */
function amountsOf(document: DishFile, entries: readonly Entry[]): UsedAmount[] {
  const newest = new Map<string, UsedAmount>();
  for (const { body } of standing(entries)) {
    if (body.kind !== "amount") continue;
    const component = body.step.slice(0, body.step.indexOf("."));
    const key = `${component} ${body.ingredient}`;
    const found = usedAmount(document, component, body.ingredient, body.amount);
    if (found) newest.set(key, found);
    else newest.delete(key);
  }
  return [...newest.values()];
}

/** Proposals with the safety finding that each would bring: a change that makes a dish less safe is never offered. */
function judged<T extends { readonly change: readonly PatchOperation[] }>(document: DishFile, proposals: readonly T[]): Proposed<T>[] {
  const hazards = hazardsOf(
    document,
    proposals.map((p) => p.change),
  );
  return proposals.map((p, i) => ({ ...p, hazard: hazards[i] }));
}

/** A core temperature says at what a step was ended where it was read so shortly before, or just after. */
const READ_BEFORE_END_MINUTES = 15;
const READ_AFTER_END_MINUTES = 3;

/** Temperatures in the middle at which steps were ended, where the dish has them done at another. */
function temperaturesOf(document: DishFile, entries: readonly Entry[], rows: readonly ReviewRow[]): ReachedTemperature[] {
  return rows.flatMap(({ step, really }) => {
    if (really?.minutes === undefined || really.skipped) return [];
    const end = really.start + really.minutes;
    const last = readingsOf(entries, step).findLast(({ quantity, at }) => {
      const minute = at / 60_000;
      return quantity === "core" && minute >= end - READ_BEFORE_END_MINUTES && minute <= end + READ_AFTER_END_MINUTES;
    });
    const found = last && reachedTemperature(document, step, last.value);
    return found ? [found] : [];
  });
}

type Stored = NonNullable<Awaited<ReturnType<typeof findDish>>>;

/** Lengths that this cook's own runs of the dish speak for, with the change that takes each over. */
async function lengthsOf(stored: Stored, dish: ReturnType<typeof dishModel>): Promise<LengthProposal[]> {
  const db = await database();
  const versions = await findVersionsOfLengths(db, stored.id, stored.version);
  const timed = [];
  for (const run of await listRunsOfDish(db, stored.id)) {
    const began = await findVersionBegun(db, stored.id, run.id);
    // A length that was changed since the run, by hand or by accepting it here, is not moved by the same minutes again.
    const counts = (step: string) => began === undefined || (versions.get(step)?.has(began) ?? true);
    timed.push(...timedOf(dish, progressOf(await listRunEvents(db, run.id))).filter((t) => counts(t.step)));
  }
  const steps = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((step) => [step.ref, { step, component: c.name }] as const))),
  );
  return learnedLengths(timed)
    .filter(isWorthTelling)
    .flatMap((l): LengthProposal[] => {
      const known = steps.get(l.step);
      if (!known) return [];
      // The file's length is for its own number of guests.
      const by = known.step.k ** known.step.grows;
      const change = lengthChange(stored.document, l.step, { min: l.next.min / by, likely: l.next.likely / by, max: l.next.max / by });
      return change ? [{ ...l, name: known.step.name, component: known.component, change }] : [];
    });
}

/** What was noted at each step the last time the dish was made. */
export async function loadLastNotes(slug: string): Promise<Readonly<Record<string, readonly string[]>>> {
  const db = await database();
  const stored = await findDish(db, slug);
  const notes: Record<string, string[]> = {};
  const entries = stored ? await listLastNotes(db, stored.id) : [];
  const gone = new Set(entries.flatMap((e) => (e.body.kind === "withdrawn" ? [e.body.of] : [])));
  for (const { id, body } of entries)
    if (body.kind === "note" && body.step !== undefined && !gone.has(id)) {
      notes[body.step] ??= [];
      notes[body.step]?.push(body.text);
    }
  return notes;
}
