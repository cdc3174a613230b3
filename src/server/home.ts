import "server-only";
// What Home shows: all dishes in the order in which they are needed, each with its state and a small chart of its plan; now and next over all of them.
import { dishModel } from "../core/dish/read-model";
import { PlanFile, planFromFile } from "../core/planner";
import { progressOf } from "../core/record/progress";
import { lower } from "../core/sentence";
import { mannerOf } from "../core/spoken/conventions";
import { inConventions } from "../core/spoken/in-conventions";
import { spokenDuration } from "../core/time/duration";
import { type Offsets, offsetsOf, WallClock } from "../core/time/wall-clock";
import { Zone } from "../core/time/zone";
import type { HomeDish, HomePart, HomeState } from "../core/view/home";
import { miniRoute } from "../core/view/mini-route";
import { type FollowedPlan, type HouseNow, houseNow } from "../core/view/now-next";
import { type PlanView, planView } from "../core/view/plan-view";
import { spokenTexts } from "../core/view/spoken-texts";
import type { Queryable } from "../db/db";
import { countPlaced, findDish, listPlaced, type PlacedDish } from "../db/queries/dishes";
import { findNewestFeasible, findNewestPlan, findOpenRun, listRunEvents } from "../db/queries/runs";
import { HOME } from "../words/home";
import { nowMinute, wallNow } from "./clock";
import { readerConventions } from "./conventions";
import { database } from "./database";
import { isCurrent } from "./planning";
import { conflictOf, followable } from "./state";

interface Read {
  readonly placed: PlacedDish;
  readonly view: PlanView | undefined;
  readonly conflict: string | undefined;
  /** Dish or kitchen were changed since the newest answer of the planner. */
  readonly changed: boolean;
  readonly clock: WallClock;
  readonly offsets: Offsets;
}

const FIRST = 8;
const LATER = 16;

async function readPlaced(db: Queryable, placed: PlacedDish, now: number): Promise<Read> {
  const manner = mannerOf(await readerConventions());
  const zone = new Zone(placed.timezone);
  const serveAt = zone.toMinute(placed.serveAt);
  const stored = placed.status === null ? undefined : await findDish(db, placed.slug);
  const [feasible, newest] = stored ? [await findNewestFeasible(db, stored.id), await findNewestPlan(db, stored.id)] : [];
  let view: PlanView | undefined;
  if (stored && feasible) {
    const dish = dishModel(stored.document);
    const plan = planFromFile(PlanFile.parse(feasible.document), dish.zone);
    const run = placed.runOpen ? await findOpenRun(db, stored.id) : undefined;
    if (followable(dish, plan)) {
      const events = run ? await listRunEvents(db, run.id) : [];
      view = spokenTexts(planView(dish, plan, progressOf(events)), await readerConventions());
    }
  }
  const offsets = offsetsOf(
    zone,
    Math.min(now, view?.begins ?? now) - 2880,
    Math.max(serveAt, view?.ends ?? 0, now) + 2880,
    view ? view.ends - view.begins : 0,
    manner,
  );
  return {
    placed,
    view,
    conflict: newest?.status === "infeasible" ? conflictOf(newest).facts[0]?.text : undefined,
    changed: stored !== undefined && newest !== undefined && !isCurrent(newest, stored),
    clock: new WallClock(offsets),
    offsets,
  };
}

function stateOf({ placed, view }: Read, past: boolean): HomeState {
  if (placed.runOpen) return past ? "served" : "underway";
  if (past) return placed.runs > 0 ? "done" : "idea";
  return view ? "planned" : "idea";
}

function homeDish(read: Read, now: number, spoken: (text: string) => string): HomeDish {
  const { placed, view, conflict, changed, clock } = read;
  const serveAt = new Zone(placed.timezone).toMinute(placed.serveAt);
  const past = serveAt < now;
  const state = stateOf(read, past);
  const steps = view?.steps ?? [];
  const done = steps.filter((s) => s.state === "done").length;
  const left = steps
    .filter((s) => s.state !== "done")
    .reduce((sum, s) => sum + s.hands.reduce((m, h) => m + Math.max(0, h.to - Math.max(now, h.from)), 0), 0);
  const first = steps.flatMap((s) => s.hands.map((h) => ({ at: h.from, name: s.name }))).sort((a, b) => a.at - b.at)[0];
  const fact = (): string => {
    if (state === "underway" || state === "served") return HOME.progress(done, steps.length, spokenDuration(left));
    if (past) return placed.runs > 0 ? HOME.cooked(placed.runs) : HOME.notCooked;
    if (placed.components === 0) return HOME.noComponents;
    if (changed) return HOME.changed;
    if (conflict) return `${HOME.noPlan} ${spoken(conflict)}`;
    if (!view) return HOME.planning;
    return first ? (first.at < now ? HOME.overdue : HOME.starts)(clock.fromNow(first.at, now), lower(first.name)) : HOME.planned;
  };
  return {
    slug: placed.slug,
    name: placed.name,
    state,
    share: steps.length ? done / steps.length : 0,
    when: HOME.when(past ? undefined : spokenDuration(serveAt - now), clock.dateTime(serveAt), placed.serves),
    fact: fact(),
    warn: conflict !== undefined && !past,
    mini: view && (!past || state === "served") ? miniRoute(view, clock, now) : undefined,
  };
}

/** A stretch of the dishes ahead or of the past ones. */
export async function homePart(part: "ahead" | "past", from: number): Promise<HomePart> {
  const db = await database();
  const now = nowMinute();
  const found = await listPlaced(db, part, wallNow(), { from, most: LATER + 1 });
  const conventions = await readerConventions();
  const dishes: HomeDish[] = [];
  for (const placed of found.slice(0, LATER))
    dishes.push(homeDish(await readPlaced(db, placed, now), now, (t) => inConventions(t, conventions)));
  return { dishes, more: found.length > LATER };
}

export interface Home {
  readonly total: number;
  readonly ahead: HomePart;
  readonly past: HomePart;
  readonly house: HouseNow;
  /** The plans that are followed or come next, for the ruler. */
  readonly plans: readonly FollowedPlan[];
  readonly offsets: Offsets;
  readonly now: number;
}

export async function loadHome(): Promise<Home> {
  const db = await database();
  const now = nowMinute();
  const conventions = await readerConventions();
  const spoken = (text: string) => inConventions(text, conventions);
  const today = wallNow();
  const { ahead, past } = await countPlaced(db, today);
  const nearest: Read[] = [];
  for (const placed of await listPlaced(db, "ahead", today, { from: 0, most: FIRST })) nearest.push(await readPlaced(db, placed, now));
  const gone: HomeDish[] = [];
  for (const placed of await listPlaced(db, "past", today, { from: 0, most: FIRST }))
    gone.push(homeDish(await readPlaced(db, placed, now), now, spoken));
  const plans = nearest.flatMap(({ placed, view }) =>
    view ? [{ slug: placed.slug, dish: placed.name, view, running: placed.runOpen }] : [],
  );
  const zone = new Zone(nearest[0]?.placed.timezone ?? Intl.DateTimeFormat().resolvedOptions().timeZone);
  const last = Math.max(now, ...plans.map((p) => p.view.ends));
  return {
    total: ahead + past,
    ahead: { dishes: nearest.map((r) => homeDish(r, now, spoken)), more: ahead > nearest.length },
    past: { dishes: gone, more: past > gone.length },
    house: houseNow(plans, now),
    plans,
    offsets: offsetsOf(zone, now - 2880, last + 2880, 0, mannerOf(conventions)),
    now,
  };
}
