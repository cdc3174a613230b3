// Folded time: a long plan on one screen. Stretches in which nothing is done by hand become narrow pleats;
// stretches of work share the rest of the width by their minutes, the last hours before serving with more of it.
import { type Interval, union } from "./interval";

export interface AxisPart {
  readonly from: number;
  readonly to: number;
  readonly x0: number;
  readonly x1: number;
  readonly folded: boolean;
}

export interface AxisOptions {
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
}

/** The axis as parts from left to right that touch one another. */
export function foldedAxis(options: AxisOptions): AxisPart[] {
  const { from, to, width, busy, open, margin = 12, shortestFold = 100, foldWidth = 26, lastHours = Number.POSITIVE_INFINITY } = options;
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
  const weigh = (c: { from: number; to: number }) => c.to - c.from + Math.max(0, c.to - Math.max(c.from, lastHours));
  const folds = merged.filter((c) => c.folded).length;
  const minutes = merged.filter((c) => !c.folded).reduce((sum, c) => sum + weigh(c), 0);
  const perMinute = Math.max(0.02, (width - folds * foldWidth) / Math.max(1, minutes));
  let x = 0;
  return merged.map((c) => {
    const x0 = x;
    x += c.folded ? foldWidth : weigh(c) * perMinute;
    return { ...c, x0, x1: x };
  });
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
