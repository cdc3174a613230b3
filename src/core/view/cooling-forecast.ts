// A pot that cools, watched against its limits: when it will reach the next one, and whether that is in time. Only the newest readings count, so that
// an ice bath is noticed soon after it began.
import { type Around, coolingTime } from "../measures/heat/cooling-curve";
import type { Taken } from "../record/entries";
import type { StepView, ViewPlace } from "./plan-view";
import type { StepCheck } from "./step-check";

interface CoolingForecast {
  readonly limitC: number;
  /** The minute by which it has to be there. */
  readonly by: number;
  /** The minute at which it will be; undefined where it never gets there in that place. */
  readonly at: number | undefined;
  /** The band meant to hold eight of ten. */
  readonly low: number | undefined;
  readonly high: number | undefined;
  /** Minutes past the limit; 0 in time, undefined where it never gets there. */
  readonly lateBy: number | undefined;
  /** What to do where it is not so. */
  readonly otherwise: string;
}

const air = (weight: number, ...temps: number[]): Around[] => temps.map((tempC) => ({ tempC, weight: weight / temps.length, rate: 0.006 }));
const water = (weight: number, ...temps: number[]): Around[] =>
  temps.map((tempC) => ({ tempC, weight: weight / temps.length, rate: 0.03 }));
/** "On the counter" can be the air of the kitchen, cold water or ice water: nobody writes down which. */
const KITCHEN = [...air(0.6, 16, 17, 18, 19, 20, 21, 22, 24), ...water(0.2, 8, 10, 12, 14, 16), ...water(0.2, 0.5, 2, 4)];
const AROUND: Readonly<Partial<Record<ViewPlace, readonly Around[]>>> = {
  counter: KITCHEN,
  hob: KITCHEN,
  oven: KITCHEN,
  cellar: air(1, 8, 10, 12, 14, 16),
  fridge: air(1, 2, 3, 4, 5, 6),
  freezer: air(1, -22, -18, -15),
};
/** Readings of the newest 40 % of the time count, over at least this span. */
const [LEAST_READINGS, LEAST_SPAN_MINUTES, NEWEST_SHARE] = [3, 8, 0.4];
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
  const first = all[0];
  if (!next || !first || !(last[1] < Math.max(...all.map(([, c]) => c)))) return undefined;
  const newest = newestOf(all, last[0] - Math.max(LEAST_SPAN_MINUTES, NEWEST_SHARE * (last[0] - first[0])));
  const start = newest[0];
  if (!start || newest.length < LEAST_READINGS || last[0] - start[0] < LEAST_SPAN_MINUTES) return undefined;
  const found = coolingTime(newest, next.limitC, AROUND[step.place] ?? KITCHEN);
  if (!found) return undefined;
  const moment = (minutes: number | undefined) => (minutes === undefined ? undefined : Math.round(last[0] + minutes));
  if (found.minutes === undefined) return { ...next, at: undefined, low: undefined, high: undefined, lateBy: undefined };
  const at = Math.round(last[0] + found.minutes);
  return { ...next, at, low: moment(found.low), high: moment(found.high), lateBy: Math.max(0, at - next.by) };
}

/** The readings from a minute on; the last three where there are fewer. */
function newestOf(all: readonly (readonly [number, number])[], from: number): readonly (readonly [number, number])[] {
  const since = all.filter(([minute]) => minute >= from);
  return since.length >= LEAST_READINGS ? since : all.slice(-LEAST_READINGS);
}
