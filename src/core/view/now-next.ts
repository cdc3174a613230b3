// Now and next over all dishes at once: what wants hands, what runs by itself, what waits and how long it may.
import type { PlanView, StepView, ViewPlace } from "./plan-view";

export interface FollowedPlan {
  readonly slug: string;
  readonly dish: string;
  readonly view: PlanView;
  /** A run is open: what the plan says of the past has really been done. */
  readonly running: boolean;
}

/** Hands wanted at a step, of one cook. */
export interface Call {
  readonly slug: string;
  readonly dish: string;
  readonly step: string;
  readonly name: string;
  readonly cook: string;
  readonly from: number;
  readonly to: number;
  readonly cue: string | undefined;
}

export interface Running {
  readonly slug: string;
  readonly dish: string;
  readonly name: string;
  readonly until: number;
  /** It should be done by now. */
  readonly due: boolean;
}

export interface Waiting {
  readonly slug: string;
  readonly dish: string;
  readonly name: string;
  readonly place: ViewPlace;
  readonly from: number;
  /** Until when it is good; undefined where nothing is said. */
  readonly limit: number | undefined;
  readonly safety: boolean;
  /** When the next step takes it. */
  readonly taken: number;
}

export interface HouseNow {
  /** What each cook does now or next, soonest first: one of each cook. */
  readonly cooks: readonly Call[];
  /** All that wants hands from now on, soonest first. */
  readonly calls: readonly Call[];
  readonly running: readonly Running[];
  /** What waits in a run, the one with the soonest limit first; what has none last. */
  readonly waiting: readonly Waiting[];
}

/** Waits shorter than this are on their way to the next step. */
const PASSING_MINUTES = 10;

/** @param now the planner's minute */
export function houseNow(plans: readonly FollowedPlan[], now: number): HouseNow {
  const calls = plans
    .flatMap(({ slug, dish, view }) =>
      view.steps.flatMap((s) =>
        s.state === "done"
          ? []
          : s.hands.flatMap((h): Call[] =>
              h.to > now
                ? [{ slug, dish, step: s.ref, name: s.name, cook: cookName(view, h.cook), from: h.from, to: h.to, cue: s.cue }]
                : [],
            ),
      ),
    )
    .sort((a, b) => a.from - b.from || a.to - b.to);
  const cooks: Call[] = [];
  for (const call of calls) if (!cooks.some((c) => c.cook === call.cook)) cooks.push(call);
  const open = plans.filter((p) => p.running);
  return {
    cooks,
    calls,
    running: open.flatMap((p) => runningIn(p, now)).sort((a, b) => a.until - b.until),
    waiting: soonestFirst(open.flatMap((p) => waitingIn(p, now))),
  };
}

const cookName = (view: PlanView, id: string) => view.cooks.find((c) => c.id === id)?.name ?? id;

function runningIn({ slug, dish, view }: FollowedPlan, now: number): Running[] {
  const hands = (s: StepView) => s.hands.some((h) => h.from <= now && now < h.to);
  return view.steps
    .filter((s) => s.state === "running" && !hands(s))
    .map((s) => ({ slug, dish, name: s.name, until: s.end, due: s.end <= now }));
}

function waitingIn({ slug, dish, view }: FollowedPlan, now: number): Waiting[] {
  const state = new Map(view.steps.map((s) => [s.ref, s.state]));
  const found: Waiting[] = [];
  for (const w of view.waits) {
    if (w.from > now || state.get(w.fromStep) !== "done" || state.get(w.toStep) !== "planned" || w.to - w.from < PASSING_MINUTES) continue;
    const limit = w.window?.max === undefined ? undefined : w.from + w.window.max;
    const known = found.findIndex((f) => f.name === w.name && f.place === w.place);
    const one = { slug, dish, name: w.name, place: w.place, from: w.from, limit, safety: w.window?.limit === "safety", taken: w.to };
    // Several takers of one output: the one with the nearest limit stands for it.
    if (known < 0) found.push(one);
    else if ((limit ?? Number.POSITIVE_INFINITY) < (found[known]?.limit ?? Number.POSITIVE_INFINITY)) found[known] = one;
  }
  return found;
}

const soonestFirst = (all: readonly Waiting[]) =>
  [...all].sort((a, b) => (a.limit ?? Number.POSITIVE_INFINITY) - (b.limit ?? Number.POSITIVE_INFINITY) || a.taken - b.taken);
