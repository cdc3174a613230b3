// When a running step that ends at a core temperature will be there, from the readings that were written down. The band is held against simulated
// joints, so that it holds eight of ten (./rondeau bench forecasts): the method's own is mostly wider, and in a stall it comes too soon.
import { CalculationError } from "../measures/calculation-error";
import { roastForecast } from "../measures/heat/forecast";
import type { Taken } from "../record/entries";
import type { StepView } from "./plan-view";

interface ProbeForecast {
  /** Minutes of the plan: most likely, and the band meant to hold eight of ten. */
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly readings: number;
}

/** Half the thickness of a joint of which nothing is known; the readings soon say more than it does. Low and slow is for large ones. */
const [HALF_M, SLOW_HALF_M] = [0.04, 0.06];
const LEAST_READINGS = 2;
/** Of a few readings by hand the method's own band stands, which is wider: what was simulated is a probe that reads every other minute. */
const READINGS_OF_A_DEVICE = 15;
/** A bare surface that is heated no further than this dries before the core is at such a temperature: it stalls. */
const [STALLS_TO_C, STALLS_FROM_C] = [160, 75];
const COVERED = /\b(?:foil|wrap(?:ped)?|cover(?:ed)?|lid|closed|bag|parchment|braise|confit|water)\b/i;

/** The true time left over the one foretold, in logarithms: one in ten is sooner than the first, half than the second, nine in ten than the third. */
type Spread = readonly [tenth: number, half: number, ninth: number];
/**
 * By the share of the rise that is done: to so much of it. Four hundred simulated roasts, read until a quarter to 85 % of their time. Before a third of
 * it the core has hardly moved, and the method's own wide band stands.
 */
const ROASTS: readonly (readonly [share: number, Spread | undefined])[] = [
  [0.33, undefined],
  [0.45, [-0.16, -0.02, 0.18]],
  [0.65, [-0.11, 0.02, 0.13]],
  [1, [-0.15, -0.05, 0.08]],
];
/** By where a joint in a smoker is. Two hundred of them, of other draughts, sizes and wetness each. */
const SMOKED: Readonly<Record<string, Spread>> = {
  beforeStall: [1.03, 1.32, 1.64],
  stall: [0.09, 0.4, 0.72],
  forecast: [0.36, 0.68, 1.02],
};

/** Before its stall a long time foretold is too long, and a short one too short: it goes by this power of the minutes. */
const BEFORE_STALL_POWER = 0.78;

type Foretold = Pick<StepView, "start" | "probeC" | "tempC"> & Partial<Pick<StepView, "name" | "note" | "cue">>;

/**
 * @param taken readings of the step in their order; only those of the core count
 * @returns undefined where there are too few, the step has no core temperature or no known heat round it, or it will not get there
 */
export function probeForecast(step: Foretold, taken: readonly Taken[]): ProbeForecast | undefined {
  const core = taken.filter((t) => t.quantity === "core");
  const [first, last] = [core[0], core.at(-1)];
  const { probeC, tempC } = step;
  if (core.length < LEAST_READINGS || !first || !last || probeC === undefined || tempC === undefined) return undefined;
  const bare = !COVERED.test(`${step.name ?? ""} ${step.note ?? ""} ${step.cue ?? ""}`);
  const stalls = bare && tempC <= STALLS_TO_C && probeC > STALLS_FROM_C;
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
    const foretold = status === "beforeStall" ? etaMin ** BEFORE_STALL_POWER : etaMin;
    const left = spread ? spread.map((log) => foretold * Math.exp(log)) : [lowMin, etaMin, highMin];
    const [low, at, high] = left as [number, number, number];
    return { at: Math.round(from + at), low: Math.floor(from + low), high: Math.ceil(from + high), readings: core.length };
  } catch (error) {
    // A target or a heat that the method does not cover has no forecast.
    if (error instanceof CalculationError) return undefined;
    throw error;
  }
}
