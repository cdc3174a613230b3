// Why a step stands where it stands: what keeps it from starting later and from starting earlier, and its slack both ways.
// The plan's own order of hands, pots and heats is kept; waits, calendars and that order are carried to a fixed point from both ends.
// Source: latest and earliest starts of the critical path method on a network with time lags (Bartusch, Möhring, Radermacher 1988).
import { type Dish, HEATED } from "../../dish/model";
import { lower } from "../../sentence";
import { earliestAtOrAfter, latestAtOrBefore } from "../../time/interval";
import { compile } from "../compile";
import { minutesToChange } from "../heat-settings";
import { EMPTY_LOG, type Log, withWishes } from "../log";
import { type Activity, type Because, endOf, type Model, startOf, type TimeLag } from "../model";
import type { Plan, PlannedStep } from "../plan";
import { momentText } from "./words";

export interface Why {
  readonly step: string;
  /** The first and the last minute at which it could start, all others giving way in the plan's order. */
  readonly earliest: number;
  readonly latest: number;
  readonly notLater: string;
  readonly notEarlier: string;
  /** The steps that hold it, one after another: towards the table, and back from it. */
  readonly laterChain: readonly Hold[];
  readonly earlierChain: readonly Hold[];
  /** No slack at all towards the table. */
  readonly critical: boolean;
}

/** A step of a tight chain, and what ties the one before to it. */
export interface Hold {
  readonly step: string;
  readonly text: string;
}

interface Cause {
  readonly because: Because;
  readonly other: number;
}

/** For every step of a plan that has not begun. @param now what the plan was made at, if not given */
export function whyHere(dish: Dish, plan: Plan, given: Log = EMPTY_LOG, now = plan.now): Why[] {
  const log = withWishes(dish, given);
  const compiled = compile({ dish, now, serveAt: plan.serveAt, planAt: plan.planAt, methods: plan.methods, log, ...bentAs(dish, plan) });
  if (compiled.status === "impossible") return [];
  const { model } = compiled;
  const steps = new Map(plan.steps.map((s) => [s.step, s]));
  const lags = [...model.lags, ...orderOf(model, plan)];
  const late = bounds(model, lags, steps, "latest");
  const early = bounds(model, lags, steps, "earliest");
  return model.inForce.flatMap((step): Why[] => {
    const index = model.first.get(step.ref);
    const planned = steps.get(step.ref);
    if (index === undefined || !planned || log.events.has(step.ref)) return [];
    const v = startOf(index);
    const held = log.pins.find((p) => p.step === step.ref && p.at === planned.start);
    const [latest, earliest] = [Math.max(late.at[v] as number, planned.start), Math.min(early.at[v] as number, planned.start)];
    return [
      {
        step: step.ref,
        earliest,
        latest,
        notLater: held ? heldAt(dish, planned.start) : sentence(model, late, v, latest),
        notEarlier: held ? heldAt(dish, planned.start) : sentence(model, early, v, earliest),
        laterChain: chainOf(model, late, v),
        earlierChain: chainOf(model, early, v),
        critical: latest === planned.start,
      },
    ];
  });
}

const heldAt = (dish: Dish, minute: number) => `${momentText(dish, minute)}: you hold it there.`;

/** The terms under which a plan was made that bends: its shorter lengths, and what goes past hours and waits. */
function bentAs(dish: Dish, plan: Plan) {
  const steps = new Map(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref, s] as const))));
  const lengths = new Map(
    plan.steps.flatMap((s) =>
      s.shortenedFrom === undefined ? [] : [[s.step, Math.round(s.minutes / (steps.get(s.step)?.batches ?? 1))] as const],
    ),
  );
  const past = Math.max(0, ...(plan.exceptions ?? []).map((e) => e.to - e.from));
  const bought = new Map(plan.fallbacks.map((f) => [f.component, f.decidedAt] as const));
  return { lengths, bought, ...(past > 0 ? { lenience: { hours: past, waits: past } } : {}) };
}

/** The steps without slack, from the first of the plan to the table. */
export function criticalChain(whys: readonly Why[], plan: Plan): string[] {
  const critical = new Set(whys.filter((w) => w.critical).map((w) => w.step));
  return plan.steps.filter((s) => critical.has(s.step)).map((s) => s.step);
}

interface Bounds {
  readonly at: Float64Array;
  readonly cause: (Cause | "calendar" | undefined)[];
  readonly calendar: (number | undefined)[];
}

function bounds(model: Model, lags: readonly TimeLag[], steps: ReadonlyMap<string, PlannedStep>, side: "latest" | "earliest"): Bounds {
  const count = 2 * model.activities.length;
  const latest = side === "latest";
  const at = new Float64Array(count).fill(latest ? Number.POSITIVE_INFINITY : Number.NEGATIVE_INFINITY);
  const cause: Bounds["cause"] = new Array(count).fill(undefined);
  const calendar: Bounds["calendar"] = new Array(count).fill(undefined);
  for (const activity of model.activities) {
    const fixed = activity.minPiece !== undefined || activity.fact ? steps.get(activity.step.ref) : undefined;
    const [starts, ends] = [activity.starts, activity.ends];
    const edge = (list: Activity["starts"]) => (latest ? (list.at(-1)?.[1] ?? 1) - 1 : (list[0]?.[0] ?? 0));
    at[startOf(activity.index)] = fixed ? fixed.start : edge(starts);
    at[endOf(activity.index)] = fixed ? fixed.end : edge(ends);
    cause[startOf(activity.index)] = "calendar";
    cause[endOf(activity.index)] = "calendar";
  }
  // Each round costs what the lags are; a plan that stands settles in as many rounds as its longest chain has links.
  for (let round = 0, changed = true; changed && round < count + 5; round++) {
    changed = false;
    for (const lag of lags) {
      const [from, to] = latest ? [lag.to, lag.from] : [lag.from, lag.to];
      const bound = latest ? (at[from] as number) - lag.lag : (at[from] as number) + lag.lag;
      if (latest ? bound < (at[to] as number) : bound > (at[to] as number)) {
        at[to] = bound;
        cause[to] = { because: lag.because, other: from };
        calendar[to] = undefined;
        changed = true;
      }
    }
    for (const activity of model.activities) {
      if (activity.fact || activity.minPiece !== undefined) continue;
      for (const [v, list] of [
        [startOf(activity.index), activity.starts],
        [endOf(activity.index), activity.ends],
      ] as const) {
        const wanted = at[v] as number;
        const snapped = latest ? latestAtOrBefore(list, wanted) : earliestAtOrAfter(list, wanted);
        if (snapped === undefined || snapped === wanted) continue;
        calendar[v] = wanted;
        at[v] = snapped;
        changed = true;
      }
    }
  }
  return { at, cause, calendar };
}

/** From bound to bound along what holds each of them, until hours or the table end it. */
function chainOf(model: Model, { cause, calendar }: Bounds, v: number): Hold[] {
  const chain: Hold[] = [];
  const seen = new Set<number>([v]);
  for (let here = v; ; ) {
    const found = cause[here];
    if (!found || found === "calendar" || calendar[here] !== undefined || seen.has(found.other)) return chain;
    const activity = model.activities[found.other >> 1];
    if (!activity) return chain;
    if (found.other >> 1 !== here >> 1 && activity.step.ref) chain.push({ step: activity.step.ref, text: found.because.text });
    seen.add(found.other);
    here = found.other;
  }
}

function sentence(model: Model, { at, cause, calendar }: Bounds, v: number, moment: number): string {
  let here = v;
  // What its own end is held by holds its start too.
  for (let hops = 0; hops < 3; hops++) {
    const found = cause[here];
    if (found && found !== "calendar" && found.other >> 1 === here >> 1) here = found.other;
    else break;
  }
  const found = cause[here];
  if (calendar[here] !== undefined || found === "calendar" || found === undefined) {
    const hours = calendar[here] !== undefined && found && found !== "calendar" ? ` (${found.because.text.replace(/\.$/, "")})` : "";
    return `${soon(model, moment)}: hours, sleep or a quiet time leave no other${hours}.`;
  }
  const other = model.activities[found.other >> 1];
  const moved = `${found.other & 1 ? "ends" : "begins"} ${soon(model, at[found.other] as number)}.`;
  const when = !other?.step.ref
    ? ""
    : found.because.text.includes(`"${other.step.name}"`)
      ? ` That ${moved}`
      : ` "${other.step.name}" ${moved}`;
  return `${soon(model, moment)}: ${found.because.text}${when}`;
}

/** Day and time; the date too where the weekday alone could be another week's. */
function soon(model: Model, minute: number): string {
  const text = momentText(model.dish, minute);
  return model.serveAt - minute < 6 * 1440 ? text.replace(/ \d+\/\d+/, "") : text;
}

/** The plan's order on each pair of hands, each thing and each oven, as time lags. */
function orderOf(model: Model, plan: Plan): TimeLag[] {
  const lags: TimeLag[] = [];
  const spans = new Map<
    string,
    { what: string; rule: string; step: PlannedStep; from: number; to: number; clean: number; tempC: number | undefined }[]
  >();
  const nameOf = (ref: string) => model.inForce.find((s) => s.ref === ref)?.name ?? ref;
  for (const step of plan.steps) {
    if (!model.first.has(step.step)) continue;
    for (const h of step.hands) {
      const cook = model.dish.cooks.find((c) => c.id === h.cook)?.name ?? h.cook;
      push(spans, `cook ${h.cook}`, { what: `the hands of ${cook}`, rule: "H6", step, from: h.from, to: h.to, clean: 0, tempC: undefined });
    }
    for (const e of step.equipment) {
      const equipment = model.dish.equipment.find((x) => x.id === e.id);
      const use = model.inForce.find((s) => s.ref === step.step)?.uses[e.use];
      if (!equipment || !use) continue;
      const heated = (HEATED as readonly string[]).includes(use.what);
      // Of several of a kind the plan's order is one of many: nothing hangs on it.
      if (!heated && equipment.count > 1) continue;
      push(spans, `thing ${e.id}`, {
        what: `the ${lower(equipment.name)}`,
        rule: heated ? "H10" : "H9",
        step,
        from: e.from,
        to: e.to,
        clean: equipment.cleanTakes,
        tempC: heated ? use.tempC : undefined,
      });
    }
  }
  for (const [key, list] of spans) {
    list.sort((a, b) => a.from - b.from || a.to - b.to);
    const equipment = model.dish.equipment.find((e) => `thing ${e.id}` === key);
    list.forEach((later, i) => {
      for (const earlier of list.slice(Math.max(0, i - 4), i)) {
        if (earlier.to > later.from || earlier.step === later.step) continue;
        const change =
          earlier.tempC !== undefined && later.tempC !== undefined && equipment && earlier.tempC !== later.tempC
            ? minutesToChange(equipment, earlier.tempC, later.tempC)
            : 0;
        const gap = Math.min(Math.max(later.clean, change), later.from - earlier.to);
        const [from, to] = [model.first.get(earlier.step.step) as number, model.first.get(later.step.step) as number];
        lags.push({
          from: startOf(from),
          to: startOf(to),
          lag: earlier.to - earlier.step.start + gap - (later.from - later.step.start),
          because: {
            rule: earlier.rule,
            steps: [earlier.step.step, later.step.step],
            text: `${earlier.what.charAt(0).toUpperCase()}${earlier.what.slice(1)}: first "${nameOf(earlier.step.step)}", then "${nameOf(later.step.step)}".`,
          },
        });
      }
    });
  }
  return lags;
}

function push<T>(map: Map<string, T[]>, key: string, value: T): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
