// When a running step that ends at a core temperature will be there, from the readings that were written down.
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

/** Half the thickness of a joint of which nothing is known; the readings soon say more than it does. */
const HALF_M = 0.04;
const LEAST_READINGS = 2;

/**
 * @param taken readings of the step in their order; only those of the core count
 * @returns undefined where there are too few, the step has no core temperature or no known heat round it, or it will not get there
 */
export function probeForecast(step: Pick<StepView, "start" | "probeC" | "tempC">, taken: readonly Taken[]): ProbeForecast | undefined {
  const core = taken.filter((t) => t.quantity === "core");
  const last = core.at(-1);
  if (core.length < LEAST_READINGS || !last || step.probeC === undefined || step.tempC === undefined) return undefined;
  try {
    const minute = (ms: number) => ms / 60_000 - step.start;
    const { etaMin, lowMin, highMin } = roastForecast({
      readings: core.map((t) => [minute(t.at), t.value]),
      targetC: step.probeC,
      chamberC: step.tempC,
      halfM: HALF_M,
    });
    if (etaMin === null || lowMin === null || highMin === null) return undefined;
    const from = last.at / 60_000;
    return { at: Math.round(from + etaMin), low: Math.floor(from + lowMin), high: Math.ceil(from + highMin), readings: core.length };
  } catch (error) {
    // A target or a heat that the method does not cover has no forecast.
    if (error instanceof CalculationError) return undefined;
    throw error;
  }
}
