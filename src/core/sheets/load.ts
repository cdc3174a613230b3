// Where a plan is heavy, said before it hurts: the late evening, the fullest day, the hour with too much at once, the last hour; and the
// quiet stretches of a working day with what could be done in them already. A sentence each, from the plan alone.

import type { Why } from "../planner/explain/why";
import { LATE } from "../planner/regret";
import { lower } from "../sentence";
import { spokenDuration } from "../time/duration";
import type { WallClock } from "../time/wall-clock";
import type { PlanView, StepView } from "../view/plan-view";

export interface LoadNote {
  readonly kind: "late-evening" | "full-day" | "crowded-hour" | "last-hour" | "quiet" | "boil";
  readonly at: number;
  readonly text: string;
  /** Steps that by their own bounds could be done then, and from when. */
  readonly offers: readonly Offer[];
}

export interface Offer {
  readonly step: string;
  readonly name: string;
  readonly at: number;
}

/** A few minutes past half past nine are nobody's trouble. */
const WORTH_TELLING_MINUTES = 10;
const FULL_DAY_MINUTES = 300;
const CROWDED = 3;
const FULL_LAST_HOUR_MINUTES = 45;
const QUIET_MINUTES = 75;
/** Of what comes so soon after a quiet stretch it is said whether it could be begun in it. */
const NEXT_MINUTES = 240;

/** Notes in the order of time. @param whys bounds of the steps; without them nothing is proposed for quiet stretches */
export function loadNotes(plan: PlanView, whys: readonly Why[], clock: WallClock): LoadNote[] {
  const open = plan.steps.filter((s) => s.state !== "done");
  const hands = open.flatMap((step) => step.hands.map((h) => ({ ...h, step }))).sort((a, b) => a.from - b.from);
  return [
    ...lateEvenings(hands, clock),
    ...fullDays(hands, clock),
    ...crowdedHours(open, clock),
    ...lastHour(hands, plan),
    ...quietStretches(hands, plan, whys, clock),
    ...longBoils(open, plan, whys, clock),
  ].sort((a, b) => a.at - b.at);
}

type Hands = { readonly from: number; readonly to: number; readonly cook: string; readonly step: StepView };

function byDay(hands: readonly Hands[], clock: WallClock): Map<number, Hands[]> {
  const days = new Map<number, Hands[]>();
  for (const h of hands) days.set(clock.dayNumber(h.from), [...(days.get(clock.dayNumber(h.from)) ?? []), h]);
  return days;
}

function lateEvenings(hands: readonly Hands[], clock: WallClock): LoadNote[] {
  return [...byDay(hands, clock).values()].flatMap((list): LoadNote[] => {
    const last = list.reduce((a, b) => (b.to > a.to ? b : a));
    const past = clock.timeOfDay(last.from) + last.to - last.from;
    if (past < LATE + WORTH_TELLING_MINUTES) return [];
    const late = list.reduce((sum, h) => sum + Math.max(0, h.to - Math.max(h.from, last.to - (past - LATE))), 0);
    return [
      {
        kind: "late-evening",
        at: last.to,
        offers: [],
        text: `${clock.weekday(last.from)} goes on until ${clock.time(last.to)}, ${spokenDuration(late)} of it after half past nine, with “${lower(last.step.name)}” at the end.`,
      },
    ];
  });
}

function fullDays(hands: readonly Hands[], clock: WallClock): LoadNote[] {
  return [...byDay(hands, clock).values()].flatMap((list): LoadNote[] => {
    const total = list.reduce((sum, h) => sum + h.to - h.from, 0);
    if (total < FULL_DAY_MINUTES || !list[0]) return [];
    const cooks = new Set(list.map((h) => h.cook)).size;
    return [
      {
        kind: "full-day",
        at: list[0].from,
        offers: [],
        text: `${clock.weekday(list[0].from)} has ${spokenDuration(total)} of hands-on work${cooks > 1 ? `, shared by ${cooks}` : " for one cook"}.`,
      },
    ];
  });
}

/** Hours in which three or more things want somebody: hands, or an eye on them. The worst of each day. */
function crowdedHours(steps: readonly StepView[], clock: WallClock): LoadNote[] {
  const watched = steps.filter((s) => s.attention === "hands" || s.attention === "nearby");
  const worst = new Map<number, { at: number; names: string[] }>();
  for (const step of watched) {
    const together = watched.filter((s) => s.start <= step.start && step.start < s.end);
    const day = clock.dayNumber(step.start);
    if (together.length >= CROWDED && together.length > (worst.get(day)?.names.length ?? 0))
      worst.set(day, { at: step.start, names: together.map((s) => `“${lower(s.name)}”`) });
  }
  return [...worst.values()].map(({ at, names }) => ({
    kind: "crowded-hour",
    at,
    offers: [],
    text: `${clock.dayTime(at)}: ${names.length} steps at once, ${names.slice(0, 3).join(", ")}${names.length > 3 ? " and more" : ""}.`,
  }));
}

function lastHour(hands: readonly Hands[], plan: PlanView): LoadNote[] {
  const from = plan.serveAt - 60;
  const minutes = hands.reduce((sum, h) => sum + Math.max(0, Math.min(h.to, plan.serveAt) - Math.max(h.from, from)), 0);
  return minutes < FULL_LAST_HOUR_MINUTES
    ? []
    : [{ kind: "last-hour", at: from, offers: [], text: `The last hour before serving has ${spokenDuration(minutes)} of work.` }];
}

/** Between two works of one day: so long nothing calls, and what by its own bounds could be done then. */
function quietStretches(hands: readonly Hands[], plan: PlanView, whys: readonly Why[], clock: WallClock): LoadNote[] {
  const notes: LoadNote[] = [];
  let until = Number.NEGATIVE_INFINITY;
  for (const h of hands) {
    const [from, to] = [until, h.from];
    until = Math.max(until, h.to);
    if (to - from < QUIET_MINUTES || clock.dayNumber(from) !== clock.dayNumber(to)) continue;
    const offers = fitting(plan, whys, from, to);
    const could = offers.length ? `; ${quoted(offers)} could be done then` : "";
    const early = plan.steps
      .map((s) => ({ step: s, earliest: whys.find((w) => w.step === s.ref)?.earliest ?? Number.NEGATIVE_INFINITY }))
      .filter(
        ({ step, earliest }) => step.attention === "hands" && step.state === "planned" && step.start <= to + NEXT_MINUTES && earliest >= to,
      )
      .sort((a, b) => a.step.start - b.step.start)[0];
    const wait = early ? `; “${lower(early.step.name)}” must not start before ${clock.time(early.earliest)}` : "";
    notes.push({
      kind: "quiet",
      at: from,
      offers,
      text: `${clock.dayTime(from)} to ${clock.time(to)} no hands are needed${could}${wait}.`,
    });
  }
  return notes;
}

/** Later work by hand that would fit between two minutes, by its own bounds: the longest first. */
function fitting(plan: PlanView, whys: readonly Why[], from: number, to: number): Offer[] {
  return plan.steps
    .flatMap((s) => {
      const why = whys.find((w) => w.step === s.ref);
      const length = s.end - s.start;
      if (!why || s.attention !== "hands" || s.state !== "planned" || s.start < to || length > to - from) return [];
      const at = Math.max(why.earliest, from);
      return at + length <= to ? [{ step: s.ref, name: s.name, at, length }] : [];
    })
    .sort((a, b) => b.length - a.length)
    .slice(0, MOST_OFFERS)
    .map(({ step, name, at }) => ({ step, name, at }));
}

const MOST_OFFERS = 2;
const quoted = (offers: readonly Offer[]) => offers.map((o) => `“${lower(o.name)}”`).join(" or ");

const LONG_BOIL_MINUTES = 60;
const FREE_MINUTES = 20;

/** Long steps that go on alone while a cook's hands are free for some time, with the chores that would fit into it. */
function longBoils(open: readonly StepView[], plan: PlanView, whys: readonly Why[], clock: WallClock): LoadNote[] {
  const hands = plan.steps.flatMap((s) => s.hands.map((h) => [h.from, h.to] as const)).sort((a, b) => a[0] - b[0]);
  const told = new Set<string>();
  return open.flatMap((boil): LoadNote[] => {
    if (boil.attention !== "nearby" || boil.end - boil.start < LONG_BOIL_MINUTES) return [];
    const gap = longestGap(hands, boil.start, boil.end);
    if (!gap || gap[1] - gap[0] < FREE_MINUTES || gap[1] - gap[0] >= QUIET_MINUTES) return [];
    const offers = fitting(plan, whys, gap[0], gap[1]).filter((o) => !told.has(o.step));
    if (offers.length === 0) return [];
    for (const o of offers) told.add(o.step);
    return [
      {
        kind: "boil",
        at: gap[0],
        offers,
        text: `While “${lower(boil.name)}” runs, ${clock.dayTime(gap[0])} to ${clock.time(gap[1])} is free; ${quoted(offers)} could be done then.`,
      },
    ];
  });
}

/** The longest stretch between two minutes that nobody's hands are asked for. */
function longestGap(hands: readonly (readonly [number, number])[], from: number, to: number): readonly [number, number] | undefined {
  let best: readonly [number, number] | undefined;
  let until = from;
  for (const [a, b] of [...hands.filter(([x, y]) => y > from && x < to), [to, to] as const]) {
    if (a - until > (best ? best[1] - best[0] : 0)) best = [until, a];
    until = Math.max(until, b);
  }
  return best;
}
