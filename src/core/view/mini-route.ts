// The route chart as small as a line of a list: where each component is, day by day, without words. Pure coordinates.
import { axisX, foldedAxis } from "../time/folded-axis";
import type { WallClock } from "../time/wall-clock";
import type { PlanView, ViewPlace } from "./plan-view";

export interface MiniRoute {
  readonly width: number;
  readonly height: number;
  readonly lines: readonly {
    readonly kind: string;
    /** SVG paths: thick where hands work, thin where it goes by itself or moves, dotted where it waits. */
    readonly hands: string;
    readonly moves: string;
    readonly waits: string;
  }[];
  readonly days: readonly { readonly x: number; readonly label: string }[];
  /** Nights, as stretches of the axis. */
  readonly nights: readonly (readonly [x0: number, x1: number])[];
  readonly serve: { readonly x: number; readonly label: string };
  /** Undefined where now is before or after all of it. */
  readonly now: number | undefined;
}

const HEIGHT = 62;
const ROWS: readonly ViewPlace[] = ["freezer", "fridge", "cellar", "counter", "hob", "oven"];
const TABLE = HEIGHT - 2;
const LEAST_LABEL = 32;
const NIGHT_MINUTES = 240;

const rowOf = (place: ViewPlace) => Math.max(0, ROWS.indexOf(place === "grill" || place === "bath" ? "oven" : place));

/** @param width in pixels of a viewBox whose height is 62 */
export function miniRoute(plan: PlanView, clock: WallClock, now: number, width = 420): MiniRoute {
  const used = new Set([
    ...plan.steps.map((s) => rowOf(s.place)),
    ...plan.waits.filter((w) => w.to - w.from > 5).map((w) => rowOf(w.place)),
  ]);
  const rows = [...used].sort((a, b) => a - b);
  const from = Math.min(plan.begins, ...plan.steps.map((s) => s.start));
  const axis = foldedAxis({
    from,
    to: Math.max(plan.ends, from + 60),
    width: width - 8,
    busy: plan.steps.flatMap((s) => s.hands.map((h) => [h.from, h.to] as const)),
    open: new Set(),
    margin: 10,
    foldWidth: Math.min(22, (width * 0.5) / Math.max(1, plan.steps.length)),
  });
  const x = (minute: number) => 4 + axisX(axis, minute);
  const n = (value: number) => String(Math.round(value * 10) / 10);
  const yOf = (place: ViewPlace, lane: number) =>
    6 + (rows.indexOf(rowOf(place)) * (TABLE - 14)) / Math.max(1, rows.length - 1 || 1) + (lane % 3) * 2.2;
  const lines = plan.components.map((c, lane) => {
    const stays = [
      ...plan.steps.filter((s) => s.component === c.id).map((s) => ({ from: s.start, to: s.end, y: yOf(s.place, lane), rest: false })),
      ...plan.waits
        .filter((w) => w.component === c.id && w.to > w.from)
        .map((w) => ({ from: w.from, to: w.to, y: yOf(w.place, lane), rest: true })),
    ].sort((a, b) => a.from - b.from || a.to - b.to);
    const level = (stay: (typeof stays)[number]) => `M${n(x(stay.from))} ${n(stay.y)}H${n(x(stay.to))}`;
    let moves = "";
    for (const [i, stay] of stays.entries()) {
      if (!stay.rest) moves += level(stay);
      const before = stays.slice(0, i).findLast((b) => b.to <= stay.from + 1);
      if (before && before.y !== stay.y) moves += `M${n(x(stay.from))} ${n(before.y)}V${n(stay.y)}`;
    }
    const own = plan.steps.filter((s) => s.component === c.id);
    return {
      kind: c.kind,
      hands: own
        .flatMap((s) => s.hands.map((h) => `M${n(x(h.from))} ${n(yOf(s.place, lane))}H${n(Math.max(x(h.to), x(h.from) + 1.5))}`))
        .join(""),
      moves,
      waits: stays
        .filter((s) => s.rest)
        .map(level)
        .join(""),
    };
  });
  return {
    width,
    height: HEIGHT,
    lines,
    days: daysOf(plan, clock, from, x),
    nights: nightsOf(axis, clock).map(([a, b]) => [4 + a, 4 + b] as const),
    serve: { x: x(plan.serveAt), label: clock.time(plan.serveAt) },
    now: now > from && now < plan.ends ? x(now) : undefined,
  };
}

/** Days on which something is done, as far as their names have room. */
function daysOf(plan: PlanView, clock: WallClock, from: number, x: (m: number) => number): MiniRoute["days"] {
  const found: { x: number; label: string }[] = [];
  const starts = [from, ...plan.steps.flatMap((s) => s.hands.map((h) => h.from))].sort((a, b) => a - b);
  let day: number | undefined;
  for (const at of starts) {
    if (clock.dayNumber(at) === day) continue;
    day = clock.dayNumber(at);
    const last = found.at(-1);
    const free = x(plan.serveAt) - 66;
    if (x(at) < free && (!last || x(at) - last.x >= LEAST_LABEL)) found.push({ x: x(at), label: clock.day(at) });
  }
  return found;
}

function nightsOf(axis: ReturnType<typeof foldedAxis>, clock: WallClock): (readonly [number, number])[] {
  return axis
    .filter((p) => p.folded && p.to - p.from >= NIGHT_MINUTES && clock.dayNumber(p.from) !== clock.dayNumber(p.to - 1))
    .map((p) => [p.x0, p.x1] as const);
}
