// A pot that cools, watched against its limits: when it will be at the next of them by the readings so far, and whether that is in time.
// Newton's law of cooling, fitted by least squares to the newest readings, so that an ice bath counts from when it begins to tell.
import type { Taken } from "../record/entries";
import type { StepView, ViewPlace } from "./plan-view";
import type { StepCheck } from "./step-check";

interface CoolingForecast {
  readonly limitC: number;
  /** The minute by which it has to be there. */
  readonly by: number;
  /** The minute at which it will be; undefined where it never gets there in that place. */
  readonly at: number | undefined;
  /** Minutes past the limit; 0 in time, undefined where it never gets there. */
  readonly lateBy: number | undefined;
  /** What to do where it is not so. */
  readonly otherwise: string;
}

/** How warm it is around what cools there, °C. */
const AROUND: Readonly<Partial<Record<ViewPlace, number>>> = { counter: 20, cellar: 12, fridge: 4, freezer: -18, hob: 21, oven: 21 };
const [LEAST_READINGS, NEWEST, LEAST_SPAN_MINUTES] = [3, 6, 8];
const LIMIT = /^(-?\d+(?:\.\d+)?) °C or less\b/;

/**
 * @param taken readings of the step in their order; those of its temperature count
 * @param checks what is to be looked at while it cools, as the rules of safety have it
 * @returns undefined where there are too few readings, it does not cool, or it is at the last limit already
 */
export function coolingForecast(
  step: Pick<StepView, "start" | "place">,
  taken: readonly Taken[],
  checks: readonly StepCheck[],
): CoolingForecast | undefined {
  const all = taken.filter((t) => t.quantity === "temperature" || t.quantity === "core").map((t) => [t.at / 60_000, t.value] as const);
  const last = all.at(-1);
  if (!last) return undefined;
  const limits = checks
    .flatMap((c) => {
      const [, figure] = LIMIT.exec(c.ask) ?? [];
      return figure === undefined ? [] : [{ limitC: Number(figure), by: step.start + c.afterMinutes, otherwise: c.otherwise }];
    })
    .sort((a, b) => a.by - b.by);
  const next = limits.find((l) => l.limitC < last[1]);
  const around = AROUND[step.place] ?? 20;
  const newest = all.slice(-NEWEST).filter(([, c]) => c > around + 0.5);
  const first = newest[0];
  if (!next || !first || newest.length < LEAST_READINGS || last[0] - first[0] < LEAST_SPAN_MINUTES) return undefined;
  const rate = -slopeOf(newest.map(([minute, c]) => [minute - first[0], Math.log(c - around)] as const));
  if (!(rate > 0)) return undefined;
  if (next.limitC <= around) return { ...next, at: undefined, lateBy: undefined };
  const at = Math.round(last[0] + Math.log((last[1] - around) / (next.limitC - around)) / rate);
  return { ...next, at, lateBy: Math.max(0, at - next.by) };
}

/** Slope of the line of least squares. */
function slopeOf(points: readonly (readonly [x: number, y: number])[]): number {
  const n = points.length;
  const [mx, my] = [points.reduce((s, [x]) => s + x, 0) / n, points.reduce((s, [, y]) => s + y, 0) / n];
  const over = points.reduce((s, [x, y]) => s + (x - mx) * (y - my), 0);
  const under = points.reduce((s, [x]) => s + (x - mx) ** 2, 0);
  return under > 0 ? over / under : 0;
}
