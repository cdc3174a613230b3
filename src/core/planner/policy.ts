// What a cook does who follows a plan, as a pure function: which press comes next, and when.
// The rehearsal (core/rehearse) drives it with the real re-plan; risk.ts is its fast form, without re-planning.
//   A step is started when the plan says so. Its true length shows when it is over: it is then pressed as done, but not before the plan has it
//   where it may run longer with no harm (`stretch`). Where it is not over at its planned end the cook says how much longer it is likely
//   to need, given that it is not over yet (the median of what is left of its distribution).
//   A split step is put down where the plan breaks it and taken up where it goes on.
import type { Step } from "../dish/model";
import { pertQuantile, pertShare } from "../dish/planned-length";
import type { Random } from "../random";
import { type Log, type LogEvent, workedMinutes } from "./log";
import type { Plan, PlannedStep } from "./plan";

/** How a cook departs from the plan; all zero, and slow 1: follows it. */
export interface Policy {
  /** Work by hand takes so many times as long. */
  readonly slow: number;
  /** On one evening, drawn anew for each run, everything that hands begin is begun so many minutes late. */
  readonly lateMinutes: number;
  /** Share of the presses at a start that come only a quarter of an hour later. */
  readonly forget: number;
  /** Share of the rounds (turn, skim, feed) that are missed. */
  readonly missRounds: number;
  /** A thermometer stands in what is roasted, and the cook goes by it. */
  readonly probe: boolean;
}

/** What a thermometer says of a step after so many minutes: how long it will take in all. Undefined without one, or before it can tell. */
export type Forecasts = (step: string, ran: number) => { readonly inAll: number; readonly coreC: number } | undefined;

export const FOLLOW: Policy = { slow: 1, lateMinutes: 0, forget: 0, missRounds: 0, probe: false };
/** A press that was forgotten is made so much later. */
export const FORGOTTEN_MINUTES = 15;

/** A cook looks at the thermometer after so many minutes first, then again and again. */
const [FIRST_LOOK, LOOK_EVERY] = [30, 10];
/** What it says is taken over where it differs by so many minutes and by this share of what is left: less is no reason to move a plan. */
const [TELLS_FROM, TELLS_SHARE] = [5, 0.1];

/** Reads `follow`, `slow=1.1`, `late=20m`, `forget=1/8`, `rounds=1/8`, `probe`, several joined by commas; undefined where it is none of these. */
export function policyOf(text: string): Policy | undefined {
  let policy = FOLLOW;
  for (const part of text.split(",")) {
    const [, word, value = ""] = /^(follow|slow|late|forget|rounds|probe)(?:=(.+))?$/.exec(part.trim()) ?? [];
    const [, over, under = "1"] = /^(\d+(?:\.\d+)?)(?:\/(\d+))?m?$/.exec(value) ?? [];
    const number = Number(over) / Number(under);
    if (word === "follow" && value === "") continue;
    if (word === "probe" && value === "") {
      policy = { ...policy, probe: true };
      continue;
    }
    if (!(number >= 0)) return undefined;
    if (word === "slow" && number > 0 && number <= 5) policy = { ...policy, slow: number };
    else if (word === "late" && number <= 600) policy = { ...policy, lateMinutes: number };
    else if (word === "forget" && number <= 1) policy = { ...policy, forget: number };
    else if (word === "rounds" && number <= 1) policy = { ...policy, missRounds: number };
    else return undefined;
  }
  return policy;
}

/** Whole minutes that a step really takes at a point of its distribution, batches and scale counted. */
export function trueMinutes(step: Step, share: number, { slow }: Policy): number {
  const by = step.k ** step.grows * step.batches * (step.attention === "hands" ? slow : 1);
  return Math.max(step.time.max > 0 ? 1 : 0, Math.round(pertQuantile(step.time, share) * by));
}

/** A step whose length is a range to choose from, not a point that it must reach: no work, no heat, no probe. It may be taken as it is within it. */
export const mayBeTaken = (step: Step): boolean =>
  step.attention !== "hands" &&
  step.time.max > step.time.min &&
  !step.usesHeat &&
  step.minPiece === undefined &&
  step.file.done?.probeC === undefined;

/** The least that a step takes, in whole minutes. */
export const leastMinutes = (step: Step): number => Math.ceil(step.time.min * step.k ** step.grows * step.batches - 1e-6);

/** Minutes that a step is likely to need in all, given that it is not over after so many. */
export function likelyInAll(step: Step, ran: number): number {
  const by = step.k ** step.grows * step.batches;
  const over = pertShare(step.time, ran / by);
  // Past its longest: a quarter of its spread more, or a tenth of its length where it has none.
  if (over > 0.999) return ran + Math.max(1, Math.ceil(Math.max((step.time.max - step.time.min) / 4, step.time.likely / 10) * by));
  return Math.max(ran + 1, Math.ceil(pertQuantile(step.time, (1 + over) / 2) * by));
}

export type Press =
  | { readonly kind: "started" | "ended" | "put-down" | "taken-up"; readonly step: string; readonly at: number }
  | { readonly kind: "estimate"; readonly step: string; readonly at: number; readonly until: number; readonly coreC?: number };

export interface Kitchen {
  readonly plan: Plan;
  readonly log: Log;
  readonly now: number;
  readonly steps: ReadonlyMap<string, Step>;
  /** Minutes that each step will turn out to take. */
  readonly truth: ReadonlyMap<string, number>;
  /** When the cook gets to a step that is to begin at a minute: then, or later. */
  readonly gets: (step: PlannedStep) => number;
  readonly forecasts?: Forecasts | undefined;
}

/** At one minute what ends is pressed first, then what begins. */
const ORDER = { ended: 0, "put-down": 1, estimate: 2, "taken-up": 3, started: 4 } as const;

/** The next press; undefined when everything is done. */
export function nextPress(kitchen: Kitchen): Press | undefined {
  let next: Press | undefined;
  for (const planned of kitchen.plan.steps) {
    const press = pressOf(planned, kitchen);
    if (!press) continue;
    if (!next || press.at < next.at || (press.at === next.at && ORDER[press.kind] < ORDER[next.kind])) next = press;
  }
  return next;
}

function pressOf(planned: PlannedStep, { log, now, steps, truth, gets, forecasts }: Kitchen): Press | undefined {
  const { step: ref } = planned;
  const event = log.events.get(ref);
  if (!event) return { kind: "started", step: ref, at: Math.max(now, gets(planned)) };
  if (event.ended !== undefined) return undefined;
  const step = steps.get(ref);
  const total = truth.get(ref);
  if (!step || total === undefined) return undefined;
  if (event.pieces) return splitPress(planned, event, total, now);
  const over = event.started + total;
  const due = Math.max(planned.end, event.estimate ?? 0);
  const seen = forecasts && lookedAt(ref, event.started, due, now, Math.min(over, due), forecasts);
  if (seen) return seen;
  if (step.stretch > 0 && over <= due) return { kind: "ended", step: ref, at: Math.max(now, planned.end) };
  if (over <= due || over <= now) return { kind: "ended", step: ref, at: Math.max(now, over) };
  const at = Math.max(now, due);
  const read = forecasts?.(ref, at - event.started);
  const inAll = read ? Math.max(read.inAll, at - event.started + 2) : likelyInAll(step, at - event.started);
  return { kind: "estimate", step: ref, at, until: event.started + inAll, ...(read ? { coreC: read.coreC } : {}) };
}

/** The first look at the thermometer after now at which it says clearly something else than the plan. */
function lookedAt(step: string, started: number, due: number, now: number, before: number, forecasts: Forecasts): Press | undefined {
  const looks = Math.max(0, Math.ceil((now + 1 - started - FIRST_LOOK) / LOOK_EVERY));
  for (let at = started + FIRST_LOOK + looks * LOOK_EVERY; at < before; at += LOOK_EVERY) {
    const read = forecasts(step, at - started);
    if (!read) continue;
    const until = Math.max(at + 1, started + read.inAll);
    if (Math.abs(until - due) >= Math.max(TELLS_FROM, TELLS_SHARE * (due - at)))
      return { kind: "estimate", step, at, until, coreC: read.coreC };
  }
  return undefined;
}

/** A split step: worked in the plan's pieces until its true length is reached. */
function splitPress(planned: PlannedStep, event: LogEvent, total: number, now: number): Press {
  const pieces = event.pieces ?? [];
  const open = pieces.at(-1);
  const left = total - workedMinutes(event);
  if (open && open[1] === undefined) {
    const over = open[0] + left;
    const piece = planned.pieces.find(([, b]) => b > open[0]);
    const breaks = piece && piece !== planned.pieces.at(-1) ? piece[1] : Number.POSITIVE_INFINITY;
    return over <= breaks
      ? { kind: "ended", step: planned.step, at: Math.max(now, over) }
      : { kind: "put-down", step: planned.step, at: Math.max(now, breaks) };
  }
  const following = planned.pieces.find(([a], i) => i >= pieces.length && a >= (open?.[1] ?? planned.start));
  if (left <= 0 || !following) return { kind: "ended", step: planned.step, at: now };
  return { kind: "taken-up", step: planned.step, at: Math.max(now, following[0]) };
}

/** The log after a press. */
export function pressed(log: Log, press: Press, split: boolean): Log {
  const before = log.events.get(press.step);
  const event: LogEvent = { ...(before ?? { step: press.step, started: press.at, ended: undefined, estimate: undefined }) };
  const pieces = (before?.pieces ?? []).map(([a, b]) => [a, b ?? press.at] as const);
  const after = (): LogEvent => {
    if (press.kind === "started") return split ? { ...event, pieces: [[press.at, undefined]] } : event;
    if (press.kind === "estimate") return { ...event, estimate: press.until };
    if (press.kind === "put-down") return { ...event, pieces };
    if (press.kind === "taken-up") return { ...event, pieces: [...pieces, [press.at, undefined]] };
    return { ...event, ended: press.at, ...(before?.pieces ? { pieces } : {}) };
  };
  return { ...log, events: new Map(log.events).set(press.step, after()) };
}

/** The evening on which a run is late: one of the days on which hands begin something, by the plan. */
export function lateDayOf(plan: Plan, dayOf: (minute: number) => number, random: Random): number {
  const days = [...new Set(plan.steps.filter((s) => s.hands.length > 0).map((s) => dayOf(s.start)))];
  return days[Math.floor(random() * days.length)] ?? 0;
}
