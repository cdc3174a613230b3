// What is found of something that has to fit: what is asked, what there is, what it was computed from, and the ways out.
import type { Remedy } from "./remedies";

export interface Fit {
  /** "component.step", or the place for a whole plan's stores. */
  readonly about: string;
  readonly component: string | undefined;
  readonly name: string;
  readonly what: string;
  /** "fits", "full" (above nine tenths), "over", "none" (the kitchen has no such thing). */
  readonly verdict: "fits" | "full" | "over" | "none";
  readonly said: string;
  /** What it was computed from. */
  readonly because: string;
  /** The contents were calculated from what goes in, not written in the dish. */
  readonly calculated: boolean;
  readonly remedies: readonly Remedy[];
}

export const litresText = (n: number) => `${Number(n.toPrecision(2))} L`;
