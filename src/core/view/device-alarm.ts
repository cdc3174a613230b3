// When a device at a step has to be heard: the core is there, it has fallen, the probe is out, nothing comes any more, or the cold is not cold.
import type { Taken } from "../record/entries";
import { type DeviceView, isSilent } from "./device-view";
import type { StepView } from "./plan-view";

export interface DeviceAlarm {
  readonly kind: "reached" | "fallen" | "out" | "silent" | "too-warm" | "too-cold";
  /** °C: what it is at, and what it was or should be. */
  readonly now?: number;
  readonly than?: number;
}

/** A core does not lose so much in an oven that works: the probe has slipped, or the fire is out. */
const FALLEN_C = 5;
/** Food spoils above it: FDA Food Code 2022, 3-501.16, with the play of a door that was opened. */
const FRIDGE_C = 8;
/** Frozen food is kept at −18 °C; retail freezers may rise by 6 °C: Directive 89/108/EEC, article 5. */
const FREEZER_C = -12;
/** So far under its setting a heat is no longer what the plan counts on; while it comes up it is not told. */
const UNDER_SETTING_C = 25;

const MOST_C: Readonly<Record<string, number>> = { fridge: FRIDGE_C, freezer: FREEZER_C };
const HEATED = new Set(["oven", "grill", "bath"]);

/**
 * @param taken readings of the step so far, in their order
 * @param nowMs by the server's clock
 * @returns undefined where all is as it should be
 */
export function deviceAlarm(
  step: Pick<StepView, "probeC" | "place" | "tempC">,
  device: Pick<DeviceView, "quantity" | "value" | "at">,
  taken: readonly Taken[],
  nowMs: number,
): DeviceAlarm | undefined {
  if (isSilent(device, nowMs)) return { kind: "silent" };
  if (device.value === null) return { kind: "out" };
  const { value } = device;
  const before = taken.filter((t) => t.quantity === device.quantity).map((t) => t.value);
  const highest = Math.max(Number.NEGATIVE_INFINITY, ...before);
  if (device.quantity === "core") {
    if (step.probeC !== undefined && value >= step.probeC) return { kind: "reached", now: value, than: step.probeC };
    // What is cooled is meant to fall.
    if (step.probeC !== undefined && HEATED.has(step.place) && highest - value >= FALLEN_C)
      return { kind: "fallen", now: value, than: highest };
    return undefined;
  }
  if (device.quantity !== "temperature") return undefined;
  const most = MOST_C[step.place];
  if (most !== undefined && value > most) return { kind: "too-warm", now: value, than: most };
  if (HEATED.has(step.place) && step.tempC !== undefined && highest >= step.tempC - UNDER_SETTING_C && value < step.tempC - UNDER_SETTING_C)
    return { kind: "too-cold", now: value, than: step.tempC };
  return undefined;
}
