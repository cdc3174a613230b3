// When a step is looked at whose end is a cue and not the clock: from the earliest sensible moment, then in a rhythm of its own.
import type { StepView } from "./plan-view";

interface Looks {
  /** Minutes after the start. */
  readonly from: number;
  readonly every: number;
  /** The dish does not say it: it follows from the three-point length. */
  readonly proposed: boolean;
}

/** About so many looks between the least and the longest length. */
const LOOKS = 6;
const LEAST_MINUTES = 5;

/** @returns undefined for a step that the clock ends, or that hands end by working */
export function looksOf(
  step: Pick<StepView, "cue" | "probeC" | "checkFrom" | "checkEvery" | "uncertain" | "attention" | "start" | "end">,
): Looks | undefined {
  const spread = step.uncertain && step.uncertain[2] > step.uncertain[0] ? step.uncertain[2] - step.uncertain[0] : 0;
  const rhythm = Math.max(LEAST_MINUTES, Math.round(spread / LOOKS / 5) * 5);
  if (step.checkFrom !== undefined) return { from: step.checkFrom, every: step.checkEvery ?? rhythm, proposed: false };
  if (step.attention === "hands" || !step.uncertain || spread < LEAST_MINUTES * 2) return undefined;
  if (step.cue === undefined && step.probeC === undefined) return undefined;
  return { from: step.uncertain[0], every: step.checkEvery ?? rhythm, proposed: true };
}

/** Minutes at which a running step is looked at, from now on and up to a moment: its end moves on while it is not done. */
export function looksFrom(step: StepView, now: number, until: number): number[] {
  const looks = looksOf(step);
  if (!looks) return [];
  const found: number[] = [];
  for (let at = step.start + looks.from; at <= until && found.length < 60; at += looks.every) if (at >= now) found.push(at);
  return found;
}
