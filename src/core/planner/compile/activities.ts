// Activities: one for each step in force (for each batch where batches are planned one by one) and each stand-in, with the starts and ends
// that hours, hands, equipment, closed windows, the log and pins leave it.
import { HEATED, isWare, type Step } from "../../dish/model";
import { spokenDuration } from "../../time/duration";
import { type Interval, type Intervals, intersect, shift, startsAvoiding, startsFitting, union } from "../../time/interval";
import { isPutDown, type LogEvent, type StepPin, workedMinutes } from "../log";
import { type Activity, type Because, endOf, type HandsPart, isHot, isUnitLike, type Need, startOf, type Unit } from "../model";
import type { Workspace } from "./workspace";

export function addStep(w: Workspace, step: Step): Because | undefined {
  const one = w.oneOf(step);
  const event = w.log.events.get(step.ref);
  const count = step.each && !event ? step.batches : 1;
  for (let batch = 0; batch < count; batch++) {
    const impossible = addActivity(w, step, batch, step.each && !event ? one : one * step.batches, one, event);
    if (impossible) return impossible;
    const index = w.activities.length - 1;
    const inOrder: Because = { rule: "H1", steps: [step.ref], text: `The batches of "${step.name}" come one after another.` };
    if (batch === 0) w.first.set(step.ref, index);
    else w.lag(endOf(index - 1), startOf(index), 0, inOrder);
    // Rounds keep their rhythm over all batches: they follow one another without a gap then.
    if (batch > 0 && step.tends.length) w.lag(startOf(index), endOf(index - 1), 0, inOrder);
    w.lastOf.set(step.ref, index);
  }
  return undefined;
}

function addActivity(
  w: Workspace,
  step: Step,
  batch: number,
  length: number,
  one: number,
  event: LogEvent | undefined,
): Because | undefined {
  const putDown = event !== undefined && step.minPiece !== undefined && isPutDown(event);
  const minutes = putDown ? Math.max(0, length - workedMinutes(event)) : length;
  const index = w.activities.length;
  const pins = w.log.pins.filter((p) => p.step === step.ref);
  const cooks = cooksFor(w, step, pins);
  if (cooks.length === 0) return { rule: "H6", steps: [step.ref], text: `No cook of this kitchen can do "${step.name}".` };
  const needs = needsOf(w, step);
  const tooBig = needs.find((n) => isUnitLike(n.use.what) && n.fitting.length < n.use.count);
  if (tooBig && !event?.ended) {
    const { use } = tooBig;
    const size = use.litres ? `${Number(use.litres.toPrecision(3))} L` : use.pieces ? `${use.pieces} pieces` : `${use.count} at once`;
    return { rule: "H9", steps: [step.ref], text: `"${step.name}" needs a ${use.what} of ${size}; the kitchen has none that large.` };
  }
  const parts = partsOf(step, one, step.each ? 1 : step.batches);
  const fact = event && !putDown ? factOf(w, step, event, minutes) : undefined;
  const works = cooks.map((c) => w.stretched(step, w.hours.worksOf(step, c)));
  const base: Interval = [w.now, w.last + 1];
  const maxStretch = w.lengths.has(step.ref) ? 0 : step.stretch;
  const rigid = maxStretch === 0 && step.minPiece === undefined;
  const allCover = w.hours.coverOf(step);
  const cover = allCover && w.stretched(step, allCover);
  let starts: Intervals = [base];
  let ends: Intervals = [base];
  let open = false;
  if (fact) {
    starts = [[fact.start, fact.start + 1]];
    ends = [[fact.end, fact.end + 1]];
    const later = fact.done ? [] : endsOfRunning(w, step, fact, parts, works);
    open = later.length > 0;
    if (open) ends = later;
  } else if (step.minPiece !== undefined) {
    const piece = Math.min(step.minPiece, minutes);
    const some = stretchedFits(w, step, cooks, works, piece);
    starts = intersect(starts, some);
    ends = intersect(ends, shift(some, piece));
  } else {
    for (const part of parts) {
      const some = stretchedFits(w, step, cooks, works, part.minutes);
      if (part.atEnd) ends = intersect(ends, shift(some, part.minutes));
      else starts = intersect(starts, shift(some, -part.offset));
    }
    for (const need of needs) starts = intersect(starts, startsOfNeed(w, step, need, parts, minutes));
    if (rigid) {
      if (cover) starts = intersect(starts, startsFitting(cover, minutes, w.all));
      if (batch === 0 && !w.tied.has(step.ref))
        starts = intersect(starts, w.hours.startsOfRounds(step, step.each ? one * step.batches : minutes));
      starts = intersect(starts, shift(ends, -minutes));
      ends = shift(starts, minutes);
    }
  }
  // Somebody is up and at home to put it there; whose hands do it is not counted.
  if (step.puts && !fact && batch === 0) {
    starts = intersect(starts, w.stretched(step, w.hours.here));
    if (rigid) ends = shift(starts, minutes);
  }
  for (const pin of fact ? [] : pins) {
    if (pin.at !== undefined && batch === 0) starts = intersect(starts, [[pin.at, pin.at + 1]]);
    if (pin.notBefore !== undefined) starts = intersect(starts, [[pin.notBefore, w.last + 1]]);
    if (pin.notAfter !== undefined && batch === 0) starts = intersect(starts, [[base[0], pin.notAfter + 1]]);
  }
  w.activities.push({
    index,
    step,
    batch,
    minutes,
    stretch: fact && !open ? 0 : maxStretch,
    minPiece: fact ? undefined : step.minPiece,
    parts,
    cooks,
    needs,
    starts,
    ends,
    cover: fact ? undefined : cover,
    works,
    fact,
    open,
  });
  const s = startOf(index);
  const e = endOf(index);
  const lasts: Because = { rule: "H1", steps: [step.ref], text: `"${step.name}" takes ${spokenDuration(minutes)}.` };
  if (fact) {
    w.lag(s, e, fact.end - fact.start, lasts);
    w.lag(e, s, fact.start - (open ? fact.end + maxStretch : fact.end), lasts);
  } else {
    w.lag(s, e, minutes, lasts);
    if (step.minPiece === undefined) w.lag(e, s, -minutes - maxStretch, lasts);
  }
  return undefined;
}

function cooksFor(w: Workspace, step: Step, pins: readonly StepPin[]): number[] {
  const named = pins.map((p) => p.cook).filter((c) => c !== undefined);
  return w.dish.cooks.flatMap((c, i) => ((!step.cooks || step.cooks.includes(c.id)) && named.every((n) => n === c.id) ? [i] : []));
}

/** Starts at which one of the cooks has so many minutes in one stretch, with what a tied step may go past. */
function stretchedFits(w: Workspace, step: Step, cooks: readonly number[], works: readonly Intervals[], minutes: number): Intervals {
  if (!w.tied.has(step.ref)) return w.hours.someFit(step, cooks, minutes);
  return union(works.flatMap((hours) => startsFitting(hours, minutes, w.all)));
}

function factOf(w: Workspace, step: Step, event: LogEvent, minutes: number): NonNullable<Activity["fact"]> {
  if (event.ended !== undefined) return { start: event.started, end: event.ended, done: true };
  // What lies between the pieces of a split step is not worked.
  const paused = step.minPiece === undefined || !event.pieces ? 0 : pausedMinutes(event.pieces);
  const end = event.estimate ?? event.started + paused + minutes;
  return { start: event.started, end: Math.max(end, w.now, event.started), done: false };
}

/** Where a running step with a stretch may end: from when it is expected, where hands can see it out. */
function endsOfRunning(
  w: Workspace,
  step: Step,
  fact: { readonly end: number },
  parts: readonly HandsPart[],
  works: readonly Intervals[],
): Intervals {
  if (step.stretch === 0 || step.minPiece !== undefined || step.each || w.lengths.has(step.ref)) return [];
  const all: Intervals = [[fact.end, fact.end + step.stretch + 1]];
  let ends = all;
  for (const part of parts)
    if (part.atEnd) ends = intersect(ends, shift(union(works.flatMap((hours) => startsFitting(hours, part.minutes, w.all))), part.minutes));
  const cover = w.hours.coverOf(step);
  if (cover)
    ends = intersect(
      ends,
      cover.filter(([a, b]) => a <= w.now && w.now < b).map(([a, b]) => [a, b + 1] as const),
    );
  // Once it has begun it is seen out, hours or not: where none of its ends suits them, the first does.
  return ends.length ? ends : w.lenience.hours > 0 ? all : [[fact.end, fact.end + 1]];
}

function needsOf(w: Workspace, step: Step): Need[] {
  return step.uses.map((use, useIndex): Need => {
    const units = w.units.get(use.what) ?? [];
    const fitting = isUnitLike(use.what)
      ? units.flatMap((u, i) => (u.litres + 1e-6 >= use.litres && u.pieces >= use.pieces ? [i] : []))
      : [];
    // The smallest that is big enough goes first, so that the large pot stays free.
    fitting.sort((a, b) => (units[a] as Unit).litres - (units[b] as Unit).litres || a - b);
    const span = use.until !== undefined ? { until: -1 } : use.part === "hands" ? ("hands" as const) : ("run" as const);
    return { use, useIndex, fitting, span, throughout: use.until === undefined && use.part !== "hands" && isWare(use.what) };
  });
}

/** Starts for which one use of equipment meets no closed window, and its equipment is there and can be hot. */
function startsOfNeed(w: Workspace, step: Step, need: Need, parts: readonly HandsPart[], minutes: number): Intervals {
  const { use } = need;
  let starts: Intervals = [w.all];
  if (isHot(use.what)) {
    const lighting = w.hours.windowsFor(step, ["start-heat"]);
    const heat = w.hours.windowsFor(step, ["heat"]);
    const offsets =
      need.span === "hands" ? parts.filter((p) => !p.atEnd).map((p) => [p.offset, p.minutes] as const) : [[0, minutes] as const];
    for (const [offset, length] of offsets) {
      starts = intersect(starts, shift(startsAvoiding(lighting, 1, w.all), -offset));
      if (need.span === "hands") starts = intersect(starts, shift(startsAvoiding(heat, length, w.all), -offset));
    }
  }
  if ((HEATED as readonly string[]).includes(use.what) && !use.ramp && !isHotNow(w, use.what)) {
    const heaters = w.dish.equipment.filter((e) => e.kind === use.what && e.maxC >= use.tempC - use.toleranceC);
    const heatUp = Math.min(...heaters.map((e) => Math.ceil(Math.max(0, use.tempC - use.toleranceC - e.idleC) / e.heatCPerMin - 1e-6)));
    starts = intersect(starts, Number.isFinite(heatUp) ? [[w.now + heatUp, w.all[1]]] : []);
  }
  const units = (w.units.get(use.what) ?? []).filter((_, i) => need.fitting.length === 0 || need.fitting.includes(i));
  if (units.length && units.every((u) => u.available)) {
    const length = need.span === "hands" ? 0 : minutes;
    starts = intersect(starts, union(units.flatMap((u) => startsFitting(u.available as Intervals, length, w.all))));
  }
  return starts;
}

/** Whether some of a kind is warm or in use at `now`, so that what comes next may find it hot. */
function isHotNow(w: Workspace, kind: string): boolean {
  const warm = w.dish.equipment.some((e) => e.kind === kind && w.warmth.has(e.id));
  return warm || w.inForce.some((s) => w.log.events.has(s.ref) && s.uses.some((u) => u.what === kind));
}

/** @param decided when it was decided on, where that is over */
export function addFallback(w: Workspace, component: string, name: string, lead: number, decided: number | undefined): void {
  const index = w.activities.length;
  w.fallbacks.set(component, index);
  const starts: Intervals = decided === undefined ? [[w.now, w.last + 1]] : [[decided, decided + 1]];
  const ends: Intervals = decided === undefined ? starts : [[decided + lead, decided + lead + 1]];
  w.activities.push({
    index,
    step: FALLBACK_STEP(component, name),
    batch: 0,
    minutes: lead,
    stretch: 0,
    minPiece: undefined,
    parts: [],
    cooks: [],
    needs: [],
    starts,
    ends,
    cover: undefined,
    works: [],
    fact: undefined,
    open: false,
  });
  const lasts: Because = { rule: "H4", steps: [], text: `The replacement for "${name}" needs ${spokenDuration(lead)} from the decision.` };
  w.lag(startOf(index), endOf(index), lead, lasts);
  w.lag(endOf(index), startOf(index), -lead, lasts);
}

/** Minutes between the pieces worked so far. */
function pausedMinutes(pieces: NonNullable<LogEvent["pieces"]>): number {
  return pieces.reduce((sum, [a], i) => sum + (i > 0 ? a - (pieces[i - 1]?.[1] ?? a) : 0), 0);
}

function partsOf(step: Step, one: number, batches: number): HandsPart[] {
  const parts: HandsPart[] = [];
  for (let n = 0; n < batches; n++) {
    const from = n * one;
    const last = n === batches - 1;
    if (step.attention === "hands") {
      if (one > 0) parts.push({ offset: from, minutes: one, atEnd: false });
      continue;
    }
    const start = Math.min(step.handsStart, one);
    const end = Math.min(step.handsEnd, one - start);
    if (start > 0) parts.push({ offset: from, minutes: start, atEnd: false });
    if (end > 0) parts.push({ offset: from + one - end, minutes: end, atEnd: last });
  }
  return parts;
}

const FALLBACK_STEP = (component: string, name: string): Step => ({
  ref: "",
  id: "fallback",
  name: `the replacement for ${name}`,
  time: { min: 0, likely: 0, max: 0 },
  k: 1,
  grows: 0,
  stretch: 0,
  attention: "unattended",
  handsStart: 0,
  handsEnd: 0,
  tends: [],
  sleepOk: true,
  awayOk: true,
  puts: false,
  minPiece: undefined,
  batches: 1,
  each: false,
  uses: [],
  usesHeat: false,
  tags: new Set(),
  links: [],
  takes: [],
  goesIn: [],
  within: undefined,
  makes: [],
  cooks: undefined,
  file: { id: "fallback", time: "0m", note: component },
});
