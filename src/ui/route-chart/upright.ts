// The route chart for a narrow screen: time runs down, the places are lanes side by side, and every step that somebody does has a row of words.
// Pure coordinates: a plan and a width in, positions out.
import { union } from "@/core/time/interval";
import type { WallClock } from "@/core/time/wall-clock";
import { PLACES } from "@/core/view/places";
import type { PlanView, StepView, ViewPlace, WaitView } from "@/core/view/plan-view";
import { dealLanes, waitKey } from "./lanes";

interface UprightRow {
  readonly step: StepView;
  readonly y: number;
  /** The hour stands only beside the first of several rows of one minute. */
  readonly time: string | undefined;
}

export interface UprightPleat {
  readonly from: number;
  readonly to: number;
  readonly y0: number;
  readonly y1: number;
  readonly night: boolean;
  /** What waits meanwhile, by component. */
  readonly waiting: readonly string[];
}

export interface Upright {
  readonly height: number;
  readonly lanes: readonly { readonly place: ViewPlace; readonly x0: number; readonly x1: number }[];
  readonly rows: readonly UprightRow[];
  readonly pleats: readonly UprightPleat[];
  /** SVG paths by component: thick where hands work, thin where it goes by itself or moves, dotted where it waits. */
  readonly lines: readonly {
    readonly component: string;
    readonly kind: string;
    readonly hands: string;
    readonly moves: string;
    readonly waits: string;
  }[];
  readonly hands: readonly { readonly y0: number; readonly y1: number; readonly cook: number }[];
  readonly days: readonly { readonly day: number; readonly minute: number; readonly y: number }[];
  readonly serve: number;
  readonly now: number | undefined;
}

/** Left of the lanes: the clock, then the strip of hands. */
export const CLOCK_WIDTH = 46;
export const HANDS_WIDTH = 16;
const LANE_WIDTH: Readonly<Record<ViewPlace, number>> = {
  freezer: 40,
  fridge: 40,
  cellar: 36,
  counter: 46,
  hob: 24,
  oven: 28,
  grill: 20,
  bath: 20,
};
const ROW = 24;
const MOST_GAP = 52;
const PIXELS_PER_MINUTE = 0.7;
const REST_MINUTES = 100;
const NIGHT_MINUTES = 240;
const PLEAT = { rest: 30, night: 46 };
const MARGIN = 10;

interface UprightOptions {
  readonly clock: WallClock;
  readonly now: number;
  /** Pleats that are opened, by the minute at which they begin. */
  readonly open: ReadonlySet<number>;
}

/** A step has words of its own where hands work, where it has a setting, or where the food goes to another place. */
function isSaid(step: StepView, before: StepView | undefined): boolean {
  return step.hands.length > 0 || step.tempC !== undefined || (before !== undefined && before.place !== step.place);
}

export function uprightChart(plan: PlanView, { clock, now, open }: UprightOptions): Upright {
  const inOrder = [...plan.steps].sort((a, b) => a.start - b.start || a.end - b.end);
  const said = inOrder.filter((s) =>
    isSaid(
      s,
      inOrder.findLast((b) => b.component === s.component && b.end <= s.start),
    ),
  );
  const busy = union([
    ...plan.steps.flatMap((s) => s.hands.map((h) => [h.from, h.to] as const)),
    ...said.map((s) => [s.start, s.start + 1] as const),
    [plan.serveAt - 1, plan.serveAt + 1] as const,
  ]);
  const { knots, rows, pleats, serve } = downTheDay(said, busy, plan, { clock, now, open });
  const y = (minute: number) => yAt(knots, minute);
  const lanes = lanesOf(plan);
  const dealt = dealLanes(plan, (m) => m);
  const range = plan.ovenRange;
  const xOf = (key: string, place: ViewPlace, tempC: number | undefined): number => {
    const lane = lanes.find((l) => l.place === place);
    if (!lane) return CLOCK_WIDTH + HANDS_WIDTH;
    const [from, to] = [lane.x0 + 5, lane.x1 - 5];
    // In the oven the place across is the setting: hotter to the right.
    if (tempC !== undefined && range && range[1] > range[0]) return from + ((to - from) * (tempC - range[0])) / (range[1] - range[0]);
    const count = Math.max(1, dealt.count.get(place) ?? 1);
    return count === 1 ? (from + to) / 2 : from + ((to - from) * Math.min(count - 1, dealt.lane.get(key) ?? 0)) / (count - 1);
  };
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id)));
  return {
    height: (knots.at(-1)?.[1] ?? 0) + ROW,
    lanes,
    rows,
    pleats,
    lines: plan.components.map((c) => ({ component: c.id, kind: c.kind, ...pathsOf(plan, c.id, xOf, y) })),
    hands: plan.steps.flatMap((s) =>
      s.hands.map((h) => ({
        y0: y(h.from),
        y1: Math.max(y(h.to), y(h.from) + 2),
        cook: Math.max(
          0,
          cooks.findIndex((c) => c.id === h.cook),
        ),
      })),
    ),
    days: daysOf(said, clock, y),
    serve,
    now: now >= plan.begins - 60 && now <= plan.ends ? y(now) : undefined,
  };
}

type Knots = readonly (readonly [minute: number, y: number])[];

/** Where a minute stands; between two knots in proportion, beyond them at the nearer one. */
function yAt(knots: Knots, minute: number): number {
  const after = knots.findIndex(([m]) => m > minute);
  if (after < 0) return knots.at(-1)?.[1] ?? 0;
  const [m1, y1] = knots[after] as readonly [number, number];
  const before = knots[after - 1];
  if (!before) return y1;
  return before[1] + ((minute - before[0]) / Math.max(1, m1 - before[0])) * (y1 - before[1]);
}

/** Rows from the top, each with room for its words; long rests fold into pleats. */
function downTheDay(
  said: readonly StepView[],
  busy: readonly (readonly [number, number])[],
  plan: PlanView,
  { clock, open }: UprightOptions,
) {
  const knots: [number, number][] = [];
  const rows: UprightRow[] = [];
  const pleats: UprightPleat[] = [];
  let y = MARGIN;
  let at = Math.min(plan.begins, said[0]?.start ?? plan.begins);
  knots.push([at, y]);
  /** Goes on to a minute: through rests as pleats, else so far that work and waiting can be told apart. */
  const goTo = (minute: number, least: number) => {
    const start = y;
    for (const [from, to] of restsBetween(busy, at, minute)) {
      if (from > at) y += Math.min(MOST_GAP, (from - at) * PIXELS_PER_MINUTE);
      knots.push([from, y]);
      const night = to - from >= NIGHT_MINUTES && clock.dayNumber(from) !== clock.dayNumber(to - 1);
      if (open.has(from)) y += Math.min(420, (to - from) * 0.35);
      else {
        const y0 = y + 4;
        y = y0 + (night ? PLEAT.night : PLEAT.rest) + 4;
        pleats.push({ from, to, y0, y1: y - 4, night, waiting: waitingIn(plan, from, to) });
      }
      knots.push([to, y]);
      at = to;
    }
    if (minute > at) y += Math.min(MOST_GAP, (minute - at) * PIXELS_PER_MINUTE);
    y = Math.max(y, start + least);
    at = Math.max(at, minute);
    knots.push([at, y]);
  };
  let serve: number | undefined;
  const toServing = () => {
    goTo(plan.serveAt, ROW);
    serve ??= y;
  };
  for (const [i, step] of said.entries()) {
    // The line of serving has a row of its own, with what comes after it below.
    if (serve === undefined && step.start >= plan.serveAt) toServing();
    goTo(step.start, i === 0 ? 0 : ROW);
    const last = rows.at(-1);
    rows.push({ step, y, time: last && last.step.start === step.start ? undefined : clock.time(step.start) });
  }
  if (serve === undefined) toServing();
  goTo(Math.max(plan.ends, plan.serveAt + 1), ROW);
  return { knots, rows, pleats, serve: serve ?? y };
}

function restsBetween(busy: readonly (readonly [number, number])[], from: number, to: number): [number, number][] {
  const found: [number, number][] = [];
  let at = from;
  for (const [a, b] of [...busy, [to, to] as const]) {
    const end = Math.min(a, to);
    if (end - at >= REST_MINUTES) found.push([at, end]);
    at = Math.max(at, b);
    if (at >= to) break;
  }
  return found;
}

const waitingIn = (plan: PlanView, from: number, to: number): string[] => [
  ...new Set(
    plan.waits
      .filter((w) => w.from < to && w.to > from && w.to - w.from > 30)
      .flatMap((w) => plan.components.find((c) => c.id === w.component)?.name ?? []),
  ),
];

function lanesOf(plan: PlanView): Upright["lanes"] {
  const used = new Set<ViewPlace>([...plan.steps.map((s) => s.place), ...plan.waits.filter((w) => w.to - w.from > 1).map((w) => w.place)]);
  let x = CLOCK_WIDTH + HANDS_WIDTH + 4;
  return PLACES.filter((p) => used.has(p)).map((place) => {
    const x0 = x;
    x += LANE_WIDTH[place];
    return { place, x0, x1: x };
  });
}

interface Stay {
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly rest: boolean;
}

function pathsOf(
  plan: PlanView,
  component: string,
  xOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
  y: (m: number) => number,
) {
  const n = (value: number) => String(Math.round(value * 10) / 10);
  const steps = plan.steps.filter((s) => s.component === component);
  const stays: Stay[] = [
    ...steps.map((s) => ({ from: s.start, to: s.end, x: xOf(s.ref, s.place, s.tempC), rest: false })),
    ...plan.waits
      .filter((w: WaitView) => w.component === component && w.to > w.from)
      .map((w) => ({ from: w.from, to: w.to, x: xOf(waitKey(w), w.place, undefined), rest: true })),
  ].sort((a, b) => a.from - b.from || a.to - b.to);
  const down = (s: Stay) => `M${n(s.x)} ${n(y(s.from))}V${n(y(s.to))}`;
  let moves = "";
  for (const [i, stay] of stays.entries()) {
    if (!stay.rest) moves += down(stay);
    const before = stays.slice(0, i).findLast((b) => b.to <= stay.from + 1);
    if (before && Math.abs(before.x - stay.x) > 0.5) moves += `M${n(before.x)} ${n(y(stay.from))}H${n(stay.x)}`;
  }
  return {
    hands: steps
      .flatMap((s) => s.hands.map((h) => `M${n(xOf(s.ref, s.place, s.tempC))} ${n(y(h.from))}V${n(Math.max(y(h.to), y(h.from) + 3))}`))
      .join(""),
    moves,
    waits: stays
      .filter((s) => s.rest)
      .map(down)
      .join(""),
  };
}

function daysOf(said: readonly StepView[], clock: WallClock, y: (m: number) => number): Upright["days"] {
  const found: { day: number; minute: number; y: number }[] = [];
  for (const s of said) {
    const day = clock.dayNumber(s.start);
    if (found.at(-1)?.day !== day) found.push({ day, minute: s.start, y: y(s.start) });
  }
  return found;
}
