// Where everything of the route chart stands: places down the side, folded time across, one line for each component.
// Pure: a plan and a width in, coordinates out. The chart only draws what this says; tests read it too.
import { PLACES, type PlanView, type StepView, type ViewPlace, type WaitView } from "@/core/sheets/plan-view";
import { spokenDuration } from "@/core/time/duration";
import { type AxisPart, axisX, foldedAxis } from "@/core/time/folded-axis";
import type { WallClock } from "@/core/time/wall-clock";

export const LEFT = 74;
export const TOP = 54;
const LANE: Readonly<Record<ViewPlace, number>> = {
  freezer: 15,
  fridge: 13,
  cellar: 14,
  counter: 21,
  hob: 20,
  oven: 20,
  grill: 20,
  bath: 20,
};
const PAD = 9;
const HANDS_ROW = 27;
/** Lines closer than this share of their usual distance could not be told apart. */
const LEAST_SQUEEZE = 0.68;
/** Letters are about so wide at the sizes used; the fonts are measured once, here. */
const LETTER = { step: 5.3, name: 6.5 };

export interface Band {
  readonly place: ViewPlace;
  readonly y0: number;
  readonly y1: number;
  /** Temperatures with their heights, in an oven, grill or bath. */
  readonly scale: readonly { readonly tempC: number; readonly y: number }[];
}

export interface Segment {
  readonly step: StepView;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  readonly thick: readonly (readonly [number, number])[];
  readonly ticks: readonly { readonly x: number; readonly what: string; readonly at: number }[];
  readonly label: { readonly x: number; readonly y: number; readonly text: string } | undefined;
}

export interface Rest {
  readonly wait: WaitView;
  readonly path: string;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  /** Long enough to be seen as a wait of its own. */
  readonly visible: boolean;
  readonly joins: boolean;
}

export interface Route {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly segments: readonly Segment[];
  readonly rests: readonly Rest[];
  /** Undefined where its way is all behind and no place is free for the name. */
  readonly title: { readonly x: number; readonly y: number; readonly anchor: "start" | "end" } | undefined;
}

export interface HandsBar {
  readonly x0: number;
  readonly x1: number;
  readonly cook: number;
  readonly minutes: number;
  readonly of: number;
}

export interface Geometry {
  readonly width: number;
  readonly height: number;
  readonly axis: readonly AxisPart[];
  readonly bands: readonly Band[];
  readonly routes: readonly Route[];
  readonly tableY: number;
  readonly servings: readonly {
    readonly x: number;
    readonly y: number;
    readonly at: number;
    readonly name: string;
    readonly main: boolean;
  }[];
  readonly days: readonly { readonly x: number; readonly text: string }[];
  readonly hours: readonly { readonly x: number; readonly text: string }[];
  readonly pleats: readonly {
    readonly x0: number;
    readonly x1: number;
    readonly from: number;
    readonly to: number;
    readonly text: string;
    readonly night: boolean;
  }[];
  readonly hands: readonly HandsBar[];
  readonly handsY: readonly number[];
  readonly x: (minute: number) => number;
}

export interface GeometryOptions {
  readonly width: number;
  readonly open: ReadonlySet<number> | "all";
  readonly clock: WallClock;
  /** The height to fit into, as far as lines stay apart. */
  readonly fit?: number;
  /** What lies before this minute is past. */
  readonly now?: number;
}

export function routeGeometry(plan: PlanView, { width, open, clock, fit, now = Number.NEGATIVE_INFINITY }: GeometryOptions): Geometry {
  const from = plan.begins - 20;
  const to = plan.ends + 8;
  const busy = plan.steps.flatMap((s) => s.hands.map((h) => [h.from, h.to] as const));
  const axis = foldedAxis({
    from,
    to,
    width: width - LEFT - 34,
    busy,
    open,
    lastHours: plan.serveAt - 180,
    moments: plan.steps.flatMap((s) => [s.start, s.end]),
  });
  const x = (minute: number) => LEFT + axisX(axis, minute);
  const lanes = dealLanes(plan, x);
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id)));
  const below = 26 + HANDS_ROW * cooks.length;
  const squeeze =
    fit === undefined ? 1 : Math.min(1, Math.max(LEAST_SQUEEZE, (fit - below - TOP) / (bandsOf(plan, lanes, 1).tableY - TOP)));
  const { bands, tableY } = bandsOf(plan, lanes, squeeze);
  const yOf = (key: string, place: ViewPlace, tempC: number | undefined) =>
    heightIn(bands, place, lanes.lane.get(key) ?? 0, tempC, squeeze);
  const taken = new Collisions();
  // The words of a pleat stand upright at its foot.
  for (const p of axis) if (p.folded) taken.add(LEFT + p.x0, tableY - 8 - LETTER.step * 12, LEFT + p.x1, tableY);
  const routes = plan.components.map((component): Route => {
    const steps = plan.steps.filter((s) => s.component === component.id);
    const segments = steps.map((step): Segment => {
      const y = yOf(step.ref, step.place, step.tempC);
      return {
        step,
        x0: x(step.start),
        x1: Math.max(x(step.end), x(step.start) + 2),
        y,
        thick: step.hands.map((h) => [x(h.from), Math.max(x(h.to), x(h.from) + 2.5)] as const),
        ticks: step.rounds.map((r) => ({ x: x(r.at), what: r.what, at: r.at })),
        label: undefined,
      };
    });
    const rests = plan.waits.filter((w) => w.component === component.id).map((wait) => restOf(wait, plan, x, yOf));
    const first = segments.reduce<Segment | undefined>((a, b) => (!a || b.x0 < a.x0 ? b : a), undefined);
    return {
      id: component.id,
      name: component.name,
      kind: component.kind,
      segments,
      rests,
      title: { x: first?.x0 ?? LEFT, y: first?.y ?? 0, anchor: "end" },
    };
  });
  for (const route of routes) for (const s of route.segments) taken.add(s.x0, s.y - 4, s.x1, s.y + 4);
  const titled = routes.map((route) => ({ ...route, title: titleOf(route, taken, width, x(now)) }));
  const labelled = titled.map((route) => ({ ...route, segments: route.segments.map((s) => ({ ...s, label: labelOf(s, taken, width) })) }));
  const handsY = cooks.map((_, i) => tableY + 24 + HANDS_ROW * (i + 1));
  return {
    width,
    axis,
    bands,
    routes: labelled,
    tableY,
    x,
    height: tableY + below + 2,
    servings: servingsOf(plan, x, yOf),
    days: daysOf(axis, x, clock),
    hours: hoursOf(axis, x, clock),
    pleats: axis
      .filter((p) => p.folded)
      .map((p) => ({
        x0: LEFT + p.x0,
        x1: LEFT + p.x1,
        from: p.from,
        to: p.to,
        text: `${spokenDuration(p.to - p.from)} ${p.to <= now ? "gone" : "rest"}`,
        night: holdsNight(p.from, p.to, clock),
      })),
    hands: handsOf(
      plan,
      cooks.map((c) => c.id),
      x,
    ),
    handsY,
  };
}

// --- Lanes and bands ----------------------------------------------------------------------------------------------

interface Lanes {
  readonly lane: ReadonlyMap<string, number>;
  readonly count: ReadonlyMap<ViewPlace, number>;
}

export const waitKey = (w: WaitView) => `${w.fromStep} ${w.name} ${w.place}`;

/** A lane of its own for all that is in a place at the same time; a component keeps its lane where it can. */
function dealLanes(plan: PlanView, x: (m: number) => number): Lanes {
  const stays: { key: string; component: string; place: ViewPlace; x0: number; x1: number }[] = [];
  for (const s of plan.steps)
    if (s.place !== "oven" && s.place !== "bath" && s.place !== "grill")
      stays.push({ key: s.ref, component: s.component, place: s.place, x0: x(s.start), x1: x(s.end) });
  const waits = new Map<string, { key: string; component: string; place: ViewPlace; x0: number; x1: number }>();
  for (const w of plan.waits) {
    if (w.to - w.from < 1) continue;
    const known = waits.get(waitKey(w));
    if (known) known.x1 = Math.max(known.x1, x(w.to));
    else waits.set(waitKey(w), { key: waitKey(w), component: w.component, place: w.place, x0: x(w.from), x1: x(w.to) });
  }
  stays.push(...waits.values());
  stays.sort((a, b) => a.x0 - b.x0 || a.x1 - b.x1);
  const lane = new Map<string, number>();
  const count = new Map<ViewPlace, number>();
  const ends = new Map<ViewPlace, { until: number; component: string }[]>();
  for (const stay of stays) {
    const list = ends.get(stay.place) ?? [];
    ends.set(stay.place, list);
    const own = list.findIndex((l) => l.component === stay.component && l.until <= stay.x0 + 0.5);
    const free = own >= 0 ? own : list.findIndex((l) => l.until + 10 <= stay.x0);
    const at = free >= 0 ? free : list.length;
    list[at] = { until: stay.x1, component: stay.component };
    lane.set(stay.key, at);
    count.set(stay.place, Math.max(count.get(stay.place) ?? 0, at + 1));
  }
  return { lane, count };
}

function bandsOf(plan: PlanView, lanes: Lanes, squeeze: number): { bands: Band[]; tableY: number } {
  let y = TOP;
  const bands: Band[] = [];
  for (const place of PLACES) {
    const temperatures = [
      ...new Set(plan.steps.filter((s) => s.place === place && s.tempC !== undefined).map((s) => s.tempC as number)),
    ].sort((a, b) => a - b);
    const count = lanes.count.get(place) ?? 0;
    const resting = plan.steps.some((s) => s.place === place) || plan.waits.some((w) => w.place === place);
    if (!resting) continue;
    const height =
      squeeze * (temperatures.length ? Math.max(74, 30 + 15 * temperatures.length) : Math.max(26, count * LANE[place] + 2 * PAD));
    const low = (temperatures[0] ?? 0) - 12;
    const high = (temperatures.at(-1) ?? 0) + 12;
    bands.push({
      place,
      y0: y,
      y1: y + height,
      scale: temperatures.map((tempC) => ({ tempC, y: y + height - 10 - ((tempC - low) / Math.max(1, high - low)) * (height - 20) })),
    });
    y += height + 3;
  }
  return { bands, tableY: y + 10 };
}

function heightIn(bands: readonly Band[], place: ViewPlace, lane: number, tempC: number | undefined, squeeze: number): number {
  const band = bands.find((b) => b.place === place);
  if (!band) return TOP;
  const mark = band.scale.find((s) => s.tempC === tempC);
  return mark ? mark.y : band.y0 + squeeze * (PAD + LANE[place] * (lane + 0.62));
}

// --- Lines --------------------------------------------------------------------------------------------------------

function restOf(
  wait: WaitView,
  plan: PlanView,
  x: (m: number) => number,
  yOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
): Rest {
  const maker = plan.steps.find((s) => s.ref === wait.fromStep) as StepView;
  const taker = plan.steps.find((s) => s.ref === wait.toStep) as StepView;
  const yFrom = yOf(maker.ref, maker.place, maker.tempC);
  const yTo = yOf(taker.ref, taker.place, taker.tempC);
  const [x0, x1] = [x(wait.from), x(wait.to)];
  const visible = x1 - x0 >= 5;
  const y = visible ? yOf(waitKey(wait), wait.place, undefined) : yTo;
  const joins = taker.component !== wait.component;
  const path = visible
    ? `M${n(x0)} ${n(yFrom)}${travel(x0, yFrom, y, Math.min(6, (x1 - x0) / 2), true)}L${n(x1 - Math.min(6, (x1 - x0) / 2))} ${n(y)}${travel(x1, y, yTo, Math.min(6, (x1 - x0) / 2), false)}`
    : `M${n(x0)} ${n(yFrom)}L${n(x1)} ${n(yTo)}`;
  return { wait, path, x0, x1, y, visible, joins };
}

const n = (value: number) => value.toFixed(1);

/** From one height to another within a few pixels, leaving and arriving flat, as a line on a string chart does. */
function travel(x: number, yFrom: number, yTo: number, width: number, leaving: boolean): string {
  const [a, b] = leaving ? [x, x + width] : [x - width, x];
  return `C${n(a + width * 0.85)} ${n(yFrom)} ${n(b - width * 0.85)} ${n(yTo)} ${n(b)} ${n(yTo)}`;
}

function servingsOf(
  plan: PlanView,
  x: (m: number) => number,
  yOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
): Geometry["servings"] {
  return [{ step: plan.serveStep, at: plan.serveAt, name: "", main: true }, ...plan.courses.map((c) => ({ ...c, main: false }))].map(
    ({ step, at, name, main }) => {
      const last = plan.steps.find((s) => s.ref === step);
      return { x: x(at), y: last ? yOf(last.ref, last.place, last.tempC) : TOP, at, name, main };
    },
  );
}

// --- Words --------------------------------------------------------------------------------------------------------

/** Boxes that are taken; a label that would touch one is left out. */
class Collisions {
  readonly #boxes: (readonly [number, number, number, number])[] = [];

  add(x0: number, y0: number, x1: number, y1: number): void {
    this.#boxes.push([x0, y0, x1, y1]);
  }

  free(x0: number, y0: number, x1: number, y1: number): boolean {
    return this.#boxes.every(([a, b, c, d]) => x1 <= a || x0 >= c || y1 <= b || y0 >= d);
  }
}

function titleOf(route: Route, taken: Collisions, width: number, nowX: number): Route["title"] {
  const length = route.name.length * LETTER.name + 8;
  // Beside what is still to come, or where it waits; a way that is all behind is named where it ends.
  const ahead = route.segments.filter((s) => s.step.state !== "done").toSorted((a, b) => a.x0 - b.x0);
  const waiting = route.rests
    .filter((r) => r.visible && ahead.length === 0)
    .map((r) => ({ x0: Math.max(r.x0, nowX) + 8, x1: r.x1, y: r.y }));
  const behind = route.segments.toSorted((a, b) => b.x1 - a.x1).slice(0, 2);
  const candidates = [...ahead.slice(0, 3), ...waiting, ...behind].flatMap((s) => [
    { x: s.x0 - 6, y: s.y + 4, anchor: "end" as const, box: [s.x0 - length, s.y - 7, s.x0 - 4, s.y + 7] as const },
    { x: s.x0, y: s.y - 7, anchor: "start" as const, box: [s.x0, s.y - 18, s.x0 + length, s.y - 5] as const },
    { x: s.x0, y: s.y + 16, anchor: "start" as const, box: [s.x0, s.y + 5, s.x0 + length, s.y + 18] as const },
    { x: s.x1 + 6, y: s.y + 4, anchor: "start" as const, box: [s.x1 + 4, s.y - 7, s.x1 + length, s.y + 7] as const },
  ]);
  const found =
    candidates.find((c) => c.box[0] > (ahead.length ? 4 : LEFT) && c.box[2] < width && taken.free(...c.box)) ??
    (ahead.length || waiting.length ? (candidates.find((c) => c.anchor === "start") ?? candidates[0]) : undefined);
  if (!found) return undefined;
  taken.add(...found.box);
  return { x: found.x, y: found.y, anchor: found.anchor };
}

function labelOf(segment: Segment, taken: Collisions, width: number): Segment["label"] {
  if (segment.step.state === "done") return undefined;
  const words = segment.step.name.split(/[,;:]| and | until | with | into | over | on /)[0] as string;
  for (const text of [segment.step.name, words]) {
    if (text.length > 24) continue;
    const length = text.length * LETTER.step;
    const x = Math.min(segment.x0, width - 30 - length);
    const box = [x - 1, segment.y - 17, x + length + 3, segment.y - 5.5] as const;
    if (!taken.free(...box)) continue;
    taken.add(...box);
    return { x, y: segment.y - 7.5, text };
  }
  return undefined;
}

function daysOf(axis: readonly AxisPart[], x: (m: number) => number, clock: WallClock): Geometry["days"] {
  const days: { x: number; text: string }[] = [];
  const seen = new Set<number>();
  for (const part of axis) {
    if (part.folded) continue;
    for (let minute = part.from; minute < part.to; minute += 15) {
      const day = clock.dayNumber(minute);
      if (seen.has(day)) continue;
      seen.add(day);
      const at = Math.max(x(minute), (days.at(-1)?.x ?? -100) + 58);
      days.push({ x: at, text: clock.shortDate(minute) });
    }
  }
  return days;
}

function hoursOf(axis: readonly AxisPart[], x: (m: number) => number, clock: WallClock): Geometry["hours"] {
  const hours: { x: number; text: string }[] = [];
  for (const part of axis) {
    if (part.folded) continue;
    const perHour = ((part.x1 - part.x0) / (part.to - part.from)) * 60;
    const every = [1, 2, 3, 6, 12, 24].find((h) => h * perHour >= 46) ?? 24;
    for (let minute = part.from + ((60 - (clock.timeOfDay(part.from) % 60)) % 60); minute <= part.to; minute += 60) {
      if ((clock.timeOfDay(minute) / 60) % every !== 0 && every <= 24) continue;
      const at = x(minute);
      if (at - (hours.at(-1)?.x ?? -100) >= 42) hours.push({ x: at, text: clock.time(minute) });
    }
  }
  return hours;
}

function holdsNight(from: number, to: number, clock: WallClock): boolean {
  const firstNight = from + ((120 - clock.timeOfDay(from) + 1440) % 1440);
  return firstNight < to;
}

/** Minutes of work in each quarter hour, cook by cook. */
function handsOf(plan: PlanView, cooks: readonly string[], x: (m: number) => number): HandsBar[] {
  const bars: HandsBar[] = [];
  cooks.forEach((id, cook) => {
    const perQuarter = new Map<number, number>();
    for (const step of plan.steps) {
      for (const h of step.hands) {
        if (h.cook !== id) continue;
        for (let q = Math.floor(h.from / 15); q * 15 < h.to; q++) {
          const minutes = Math.min(h.to, q * 15 + 15) - Math.max(h.from, q * 15);
          perQuarter.set(q, (perQuarter.get(q) ?? 0) + minutes);
        }
      }
    }
    for (const [q, minutes] of perQuarter) bars.push({ x0: x(q * 15), x1: x(q * 15 + 15), cook, minutes, of: 15 });
  });
  return bars;
}
