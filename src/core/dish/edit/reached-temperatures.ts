// The temperature at which a step was really ended, put in the place of the one at which the dish has it done.
import type { PatchOperation } from "../patch";
import type { DishFile } from "../schema";

export interface ReachedTemperature {
  /** "component.step" */
  readonly ref: string;
  readonly name: string;
  /** In °C: done by the dish, and the last reading before the step was ended. */
  readonly saidC: number;
  readonly reachedC: number;
  readonly change: readonly PatchOperation[];
}

/** What lies nearer is a thermometer, not cooking otherwise. */
const SAME_C = 1;
/** As fine as a cook reads. */
const PARTS_OF_A_DEGREE = 2;

/**
 * The change that takes over the temperature that was read in the middle when a step was ended.
 * @param ref "component.step"
 * @param readC in °C
 * @returns undefined where the dish has no such step, or none that is done at a temperature, or it is what the dish says
 */
export function reachedTemperature(document: DishFile, ref: string, readC: number): ReachedTemperature | undefined {
  const [component, id] = ref.split(".");
  const c = document.components.findIndex((x) => x.id === component);
  for (const [m, method] of (document.components[c]?.methods ?? []).entries()) {
    const s = method.steps.findIndex((x) => x.id === id);
    const step = method.steps[s];
    const saidC = step?.done?.probeC;
    if (!step || saidC === undefined) continue;
    const reachedC = Math.round(readC * PARTS_OF_A_DEGREE) / PARTS_OF_A_DEGREE;
    if (Math.abs(reachedC - saidC) < SAME_C) return undefined;
    const path = `/components/${c}/methods/${m}/steps/${s}/done/probeC`;
    return { ref, name: step.name ?? id ?? "", saidC, reachedC, change: [{ op: "replace", path, value: reachedC }] };
  }
  return undefined;
}
