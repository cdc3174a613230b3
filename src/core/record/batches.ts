// A batch that is followed without a plan, over weeks: a starter and its feedings, a vinegar, a ham that dries. What is written of it, and when it
// will be where the cook wants it.
import { z } from "zod";
import { PhotographBody, QUANTITIES, READING_QUANTITIES, type ReadingQuantity, ReadingValue, text } from "./entries";

export const BatchBody = z.union([
  ReadingValue,
  /** Something was done to it: fed, turned, topped up. */
  z.object({ kind: z.literal("done"), what: text(200) }),
  z.object({ kind: z.literal("note"), text: text(2000) }),
  PhotographBody,
  z.object({ kind: z.literal("withdrawn"), of: z.number().int().min(1) }),
]);
export type BatchBody = z.output<typeof BatchBody>;
export const BATCH_KINDS = ["reading", "done", "note", "photograph", "withdrawn"] as const;

/** A loss that can be wanted, in per cent of the first weight: a sausage loses 30, herbs nine tenths. */
export const LOSS_PERCENT = { low: 1, high: 90 } as const;

/** When a batch is ready: after a loss of this share of its first weight, or when a reading reaches a value. */
export const Aim = z.union([
  z.object({ kind: z.literal("loss"), percent: z.number().min(LOSS_PERCENT.low).max(LOSS_PERCENT.high) }),
  z
    .object({
      kind: z.literal("value"),
      quantity: z.enum(READING_QUANTITIES),
      value: z.number(),
    })
    .refine((a) => a.value >= QUANTITIES[a.quantity].low && a.value <= QUANTITIES[a.quantity].high, { path: ["value"] }),
]);
export type Aim = z.output<typeof Aim>;

export interface BatchEntry {
  /** Rises with each entry that is written. */
  readonly id: number;
  /** Milliseconds since 1970: when it happened. */
  readonly at: number;
  readonly body: BatchBody;
}

/** The entries that stand, by when they happened. */
export function batchStanding(entries: readonly BatchEntry[]): BatchEntry[] {
  const gone = new Set(entries.flatMap((e) => (e.body.kind === "withdrawn" ? [e.body.of] : [])));
  return entries.filter((e) => e.body.kind !== "withdrawn" && !gone.has(e.id)).sort((a, b) => a.at - b.at || a.id - b.id);
}

interface BatchReading {
  readonly at: number;
  readonly value: number;
}

/** Readings of one quantity, the oldest first. */
export const batchReadings = (entries: readonly BatchEntry[], quantity: ReadingQuantity): BatchReading[] =>
  batchStanding(entries).flatMap(({ at, body }) =>
    body.kind === "reading" && body.quantity === quantity ? [{ at, value: body.value }] : [],
  );

export interface BatchProgress {
  /** Per cent of the first weight that is lost, or the newest reading. */
  readonly now: number;
  readonly reached: boolean;
  /** Milliseconds since 1970; undefined where the readings do not say. */
  readonly likely: number | undefined;
  readonly soonest: number | undefined;
  readonly latest: number | undefined;
}

const DAY_MS = 86_400_000;
/** Readings within one day say little about weeks. */
const LEAST_DAYS = 1;
const MOST_DAYS = 730;
/** Tolerance for rounding errors. */
const ROUNDING = 1e-9;
/** Number of newest readings that the line goes through. */
const NEWEST = 4;

/**
 * How far a batch is, and when it is likely to be ready. A loss of weight is fitted with the square root of time, since the water has to diffuse to
 * the surface (Crank, The Mathematics of Diffusion, 1975), and with a straight line through the newest readings; the two give the range. Any other
 * reading is fitted with the line alone.
 * @returns undefined where nothing was read yet, or the first weight is none
 */
export function batchProgress(entries: readonly BatchEntry[], aim: Aim): BatchProgress | undefined {
  const readings = batchReadings(entries, aim.kind === "loss" ? "weight" : aim.quantity);
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return undefined;
  // What weighed nothing has nothing to lose: the scale was not set.
  if (aim.kind === "loss" && first.value <= 0) return undefined;
  const losses = aim.kind === "loss";
  const target = losses ? aim.percent : aim.value;
  const points = readings.map((r) => ({ days: (r.at - first.at) / DAY_MS, y: losses ? 100 * (1 - r.value / first.value) : r.value }));
  const now = points.at(-1)?.y ?? 0;
  const falling = !losses && target < (points[0]?.y ?? 0);
  const reached = falling ? now <= target + ROUNDING : now >= target - ROUNDING;
  const none = { now, reached, likely: undefined, soonest: undefined, latest: undefined };
  const days = points.at(-1)?.days ?? 0;
  if (reached || days < LEAST_DAYS) return none;
  const line = byLine(points.slice(-NEWEST), target);
  const root = losses ? byRoot(points, target) : undefined;
  const found = [line, root].filter((d): d is number => d !== undefined && d > days && d <= MOST_DAYS);
  const likely = root !== undefined && found.includes(root) ? root : found[0];
  if (likely === undefined) return none;
  const at = (d: number) => Math.round(first.at + d * DAY_MS);
  return { now, reached, likely: at(likely), soonest: at(Math.min(...found)), latest: at(Math.max(...found)) };
}

type Point = { readonly days: number; readonly y: number };

/** The day at which the least-squares line through points comes to a value. */
function byLine(points: readonly Point[], target: number): number | undefined {
  const n = points.length;
  const mean = (of: (p: Point) => number) => points.reduce((sum, p) => sum + of(p), 0) / n;
  const [x, y] = [mean((p) => p.days), mean((p) => p.y)];
  const spread = points.reduce((sum, p) => sum + (p.days - x) ** 2, 0);
  if (spread === 0) return undefined;
  const slope = points.reduce((sum, p) => sum + (p.days - x) * (p.y - y), 0) / spread;
  return slope === 0 ? undefined : x + (target - y) / slope;
}

/** The day at which y = a √days, fitted by least squares, comes to a value. */
function byRoot(points: readonly Point[], target: number): number | undefined {
  const days = points.reduce((sum, p) => sum + p.days, 0);
  const a = days > 0 ? points.reduce((sum, p) => sum + p.y * Math.sqrt(p.days), 0) / days : 0;
  return a > 0 ? (target / a) ** 2 : undefined;
}
