// How long a pot takes to cool to a limit, from its readings. A grid over what may be around it and over how its heat loss depends on the difference;
// each cell is fitted by least squares and weighted by how well it explains the readings. No random numbers. Calibrated against simulated pots
// (./rondeau bench forecasts).
// Sources: Newton's law of cooling; free convection and evaporation from an open surface rise faster than the difference (powers of 1.25 and more,
// Incropera and DeWitt 2007); the Bayesian method of grids.
import { checked } from "../calculation-error";

/** Possible surroundings: temperature, prior weight, and the usual cooling rate there (share of the temperature difference per minute). */
export interface Around {
  readonly tempC: number;
  readonly weight: number;
  readonly rate: number;
}

interface CoolingTime {
  /** Minutes after the last reading; undefined where the limit is more likely never reached. */
  readonly minutes: number | undefined;
  /** The band meant to hold eight of ten; undefined with them. */
  readonly low: number | undefined;
  readonly high: number | undefined;
}

const POWERS = [1, 1.25, 1.5, 1.8] as const;
/** Noise of a household probe and what a curve leaves out, °C. */
const SIGMA_C = 0.5;
/** Standard deviation of ln(rate) in one medium. */
const RATE_SPREAD = 0.9;
/** Closer to the surroundings than this, a curve tells nothing. */
const LEAST_ABOVE_C = 0.3;
const [LOW_SHARE, HIGH_SHARE] = [0.1, 0.9];
/**
 * Calibration by 600 simulated pots. They took `SOONER` of the median time of the grid. Its quantiles, as ratios to the median and cut to
 * [LEAST, MOST], are raised to the power `NARROWER`, because the raw band was too wide.
 */
const [SOONER, NARROWER, LEAST, MOST] = [0.835, 0.36, 0.2, 6];

type Points = readonly (readonly [minute: number, tempC: number])[];

/**
 * Minutes until a pot that cools is at a temperature.
 * @param points readings in their order, minutes rising, at least two, all of one way of cooling
 * @param limitC -30–100
 * @param arounds what may be around it
 * @returns undefined where it does not cool, or no way fits
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function coolingTime(points: Points, limitC: number, arounds: readonly Around[]): CoolingTime | undefined {
  const limit = checked("limitC", limitC, -30, 100, "°C");
  const ways: { minutes: number; score: number }[] = [];
  for (const around of arounds)
    for (const power of POWERS) {
      const fit = fitted(points, around.tempC, power);
      if (!fit) continue;
      const unlikely = Math.log(fit.rateNow / around.rate) / RATE_SPREAD;
      const score = Math.log(around.weight) - unlikely ** 2 / 2 - fit.misfit / (2 * SIGMA_C ** 2);
      const minutes = limit <= around.tempC ? Number.POSITIVE_INFINITY : fit.minutesTo(limit);
      ways.push({ minutes, score });
    }
  const best = Math.max(...ways.map((w) => w.score));
  if (!Number.isFinite(best)) return undefined;
  const weighted = ways.map((w) => ({ minutes: w.minutes, weight: Math.exp(w.score - best) })).sort((a, b) => a.minutes - b.minutes);
  const likely = quantile(weighted, 0.5);
  if (!Number.isFinite(likely)) return { minutes: undefined, low: undefined, high: undefined };
  const minutes = SOONER * likely;
  const end = (share: number) => minutes * (Math.min(MOST, Math.max(LEAST, quantile(weighted, share) / likely)) || 1) ** NARROWER;
  return { minutes, low: end(LOW_SHARE), high: end(HIGH_SHARE) };
}

function quantile(sorted: readonly { readonly minutes: number; readonly weight: number }[], share: number): number {
  const total = sorted.reduce((sum, w) => sum + w.weight, 0);
  let sum = 0;
  for (const { minutes, weight } of sorted) {
    sum += weight;
    if (sum >= share * total) return minutes;
  }
  return sorted.at(-1)?.minutes ?? Number.POSITIVE_INFINITY;
}

/** The curve dT/dt = -k (T - around)^power through the readings by least squares; undefined where it is not one that falls. */
function fitted(points: Points, around: number, power: number) {
  const last = points.at(-1);
  if (!last || points.some(([, t]) => t <= around + LEAST_ABOVE_C)) return undefined;
  // A straight line in time: the logarithm of the difference, or a power of it.
  const straight = (tempC: number) => (power === 1 ? -Math.log(tempC - around) : (tempC - around) ** (1 - power) / (power - 1));
  const back = (u: number) => around + (power === 1 ? Math.exp(-u) : (u * (power - 1)) ** (1 / (1 - power)));
  const n = points.length;
  const [mx, my] = [points.reduce((s, [x]) => s + x, 0) / n, points.reduce((s, [, y]) => s + straight(y), 0) / n];
  const over = points.reduce((s, [x, y]) => s + (x - mx) * (straight(y) - my), 0);
  const under = points.reduce((s, [x]) => s + (x - mx) ** 2, 0);
  const k = under > 0 ? over / under : 0;
  if (!(k > 0)) return undefined;
  const at = (minute: number) => my + k * (minute - mx);
  const now = at(last[0]);
  return {
    misfit: points.reduce((s, [x, y]) => s + (y - back(Math.max(at(x), 1e-9))) ** 2, 0) / n ** 0.5,
    rateNow: k * (last[1] - around) ** (power - 1),
    minutesTo: (limit: number) => Math.max(0, (straight(limit) - now) / k),
  };
}
