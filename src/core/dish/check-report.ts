// What the checks of a dish are given and what they tell it to.
import type { Component, Step } from "./model";

export type Report = (path: string, message: string, severity?: "error" | "warning") => void;

/** A step with the place in the file where it stands. */
export interface PlacedStep {
  readonly step: Step;
  readonly path: string;
  readonly component: Component;
  readonly methodIndex: number;
}
