// Folded time: a long plan on one screen. Stretches in which nothing is done by hand become narrow pleats;
// stretches of work share the rest of the width, each hour by how much happens in it, the last hours before serving
// with more of it.
import { type Interval, union } from "./interval";

export interface AxisPart {
  readonly from: number;
  readonly to: number;
  readonly x0: number;
  readonly x1: number;
  readonly folded: boolean;
}

interface AxisOptions {
  readonly from: number;
  readonly to: number;
  readonly width: number;
  /** Work by hand; everything else may fold. */
  readonly busy: readonly Interval[];
  /** Pleats that are opened, by their beginning; "all" unfolds everything to true scale. */
  readonly open: ReadonlySet<number> | "all";
  /** Minutes kept flat around work, and the shortest stretch that folds. */
  readonly margin?: number;
  readonly shortestFold?: number;
  readonly foldWidth?: number;
  /** From here on minutes count double. */
  readonly lastHours?: number;
  /** Moments at which something begins or ends: an hour that holds many is drawn wider, so that they stay apart. */
  readonly moments?: readonly number[];
}

/** The axis as parts from left to right that touch one another. */
export function foldedAxis(options: AxisOptions): AxisPart[] {
  const {
    from,
    to,
    width,
    busy,
    open,
    margin = 12,
    shortestFold = 100,
    foldWidth = 26,
    lastHours = Number.POSITIVE_INFINITY,
    moments,
  } = options;
  const flat = union(busy.map(([a, b]) => [Math.max(from, a - margin), Math.min(to, b + margin)] as const));
  const cuts: { from: number; to: number; folded: boolean }[] = [];
  let at = from;
  for (const [a, b] of [...flat, [to, to] as const]) {
    if (a - at >= shortestFold) cuts.push({ from: at, to: a, folded: open !== "all" && !open.has(at) });
    else if (a > at) cuts.push({ from: at, to: a, folded: false });
    if (b > a) cuts.push({ from: a, to: b, folded: false });
    at = Math.max(at, b);
  }
  const merged: typeof cuts = [];
  for (const cut of cuts) {
    const last = merged.at(-1);
    if (last && !last.folded && !cut.folded && open !== "all") last.to = cut.to;
    else merged.push({ ...cut });
  }
  const parts = open === "all" || !moments ? merged : merged.flatMap((c) => (c.folded ? [c] : byTheHour(c)));
  const weigh = (c: { from: number; to: number }) => {
    const minutes = c.to - c.from + Math.max(0, c.to - Math.max(c.from, lastHours));
    if (!moments || open === "all") return minutes;
    const events = moments.filter((m) => m >= c.from && m < c.to).length;
    return minutes + MINUTES_FOR_A_MOMENT * Math.min(events, c.to - c.from);
  };
  const folds = parts.filter((c) => c.folded).length;
  const minutes = parts.filter((c) => !c.folded).reduce((sum, c) => sum + weigh(c), 0);
  const perMinute = Math.max(0.02, (width - folds * foldWidth) / Math.max(1, minutes));
  let x = 0;
  return parts.map((c) => {
    const x0 = x;
    x += c.folded ? foldWidth : weigh(c) * perMinute;
    return { ...c, x0, x1: x };
  });
}

const MINUTES_FOR_A_MOMENT = 14;

/** A stretch cut at the full hours of the planner's clock (zones of half hours shift the cuts, not the times). */
function byTheHour({ from, to, folded }: { from: number; to: number; folded: boolean }) {
  const cuts = [from];
  for (let hour = Math.ceil((from + 1) / 60) * 60; hour < to; hour += 60) cuts.push(hour);
  return cuts.map((at, i) => ({ from: at, to: cuts[i + 1] ?? to, folded }));
}

/** Where a minute stands on the axis; outside it, the nearest edge. */
export function axisX(parts: readonly AxisPart[], minute: number): number {
  const first = parts[0];
  const last = parts.at(-1);
  if (!first || !last || minute <= first.from) return first?.x0 ?? 0;
  if (minute >= last.to) return last.x1;
  const part = parts.find((p) => minute < p.to) ?? last;
  return part.x0 + ((minute - part.from) / Math.max(1, part.to - part.from)) * (part.x1 - part.x0);
}

/** The minute at a place of the axis. */
export function axisMinute(parts: readonly AxisPart[], x: number): number {
  const part = parts.find((p) => x < p.x1) ?? parts.at(-1);
  if (!part) return 0;
  return Math.round(part.from + Math.min(1, Math.max(0, (x - part.x0) / Math.max(1e-9, part.x1 - part.x0))) * (part.to - part.from));
}
