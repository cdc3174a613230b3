// When a running step will reach its core temperature, from the readings that were written down. The band of the grid method is mostly too wide,
// and too early in a stall, so it is calibrated against simulated joints to hold eight of ten (./rondeau bench forecasts).
import { CalculationError } from "../measures/calculation-error";
import { roastForecast } from "../measures/heat/forecast";
import type { Taken } from "./entries";

interface ProbeForecast {
  /** Minutes of the plan: most likely, and the band meant to hold eight of ten. */
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly readings: number;
}

/** Assumed half thickness until the readings tell more. Joints that are cooked low and slow are larger. */
const [HALF_M, SLOW_HALF_M] = [0.04, 0.06];
const LEAST_READINGS = 2;
/** The calibration is for a probe that reads every other minute. With fewer readings, taken by hand, the wider band of the method is kept. */
const READINGS_OF_A_DEVICE = 15;
/** An uncovered joint stalls where the heat is at most this and the core has to reach more than that: its wet surface has to dry first. */
const [STALLS_TO_C, STALLS_FROM_C] = [160, 75];
const COVERED = /\b(?:foil|wrap(?:ped)?|cover(?:ed)?|lid|closed|bag|parchment|braise|confit|water)\b/i;

/** Quantiles (10, 50 and 90 %) of ln(true time left / forecast time left). */
type Spread = readonly [p10: number, p50: number, p90: number];
/**
 * By the share of the temperature rise that is done (upper end of each class). From 400 simulated roasts, each asked between 25 and 85 % of its time.
 * In the first third the core has hardly moved, so the wide band of the method is kept.
 */
const ROASTS: readonly (readonly [share: number, Spread | undefined])[] = [
  [0.33, undefined],
  [0.45, [-0.16, -0.02, 0.18]],
  [0.65, [-0.11, 0.02, 0.13]],
  [1, [-0.15, -0.05, 0.08]],
];
/** By the status of the forecast. From 200 simulated joints of different size, draught and wetness. */
const SMOKED: Readonly<Record<string, Spread>> = {
  beforeStall: [1.03, 1.32, 1.64],
  stall: [0.09, 0.4, 0.72],
  forecast: [0.36, 0.68, 1.02],
};

/** Before the stall, long forecasts are too long and short ones too short: the true time goes with this power of the forecast. */
const BEFORE_STALL_POWER = 0.78;

interface ForecastStep {
  readonly start: number;
  readonly probeC: number | undefined;
  /** The heat round it. */
  readonly tempC: number | undefined;
  readonly name?: string | undefined;
  readonly note?: string | undefined;
  readonly cue?: string | undefined;
}

/** Whether it will stall: bare in low heat, and hotter in its core than where a wet surface holds it back. */
export function stallsUncovered({ probeC, tempC, name, note, cue }: Omit<ForecastStep, "start">): boolean {
  const bare = !COVERED.test(`${name ?? ""} ${note ?? ""} ${cue ?? ""}`);
  return bare && tempC !== undefined && probeC !== undefined && tempC <= STALLS_TO_C && probeC > STALLS_FROM_C;
}

/**
 * @param taken readings of the step in their order; only those of the core count
 * @returns undefined where there are too few, the step has no core temperature or no known heat round it, or it will not get there
 */
export function probeForecast(step: ForecastStep, taken: readonly Taken[]): ProbeForecast | undefined {
  const core = taken.filter((t) => t.quantity === "core");
  const [first, last] = [core[0], core.at(-1)];
  const { probeC, tempC } = step;
  if (core.length < LEAST_READINGS || !first || !last || probeC === undefined || tempC === undefined) return undefined;
  const stalls = stallsUncovered(step);
  try {
    const minute = (ms: number) => ms / 60_000 - step.start;
    const { etaMin, lowMin, highMin, status } = roastForecast({
      readings: core.map((t) => [minute(t.at), t.value]),
      targetC: probeC,
      chamberC: tempC,
      halfM: stalls ? SLOW_HALF_M : HALF_M,
      unwrapped: stalls,
    });
    if (etaMin === null || lowMin === null || highMin === null) return undefined;
    const from = last.at / 60_000;
    const risen = (last.value - first.value) / (probeC - first.value);
    const spread =
      core.length < READINGS_OF_A_DEVICE || status === "learning"
        ? undefined
        : stalls
          ? SMOKED[status]
          : ROASTS.find(([share]) => risen <= share)?.[1];
    const base = status === "beforeStall" ? etaMin ** BEFORE_STALL_POWER : etaMin;
    const left = spread ? spread.map((log) => base * Math.exp(log)) : [lowMin, etaMin, highMin];
    const [low, at, high] = left as [number, number, number];
    return { at: Math.round(from + at), low: Math.floor(from + low), high: Math.ceil(from + high), readings: core.length };
  } catch (error) {
    // A target or a heat that the method does not cover has no forecast.
    if (error instanceof CalculationError) return undefined;
    throw error;
  }
}
