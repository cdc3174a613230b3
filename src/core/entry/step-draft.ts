// What a typed line can say about a step, and what it may name.
import type { DishStep } from "../dish/schema";
import { durationText } from "../time/duration";
import type { Length } from "./durations";
import type { StepReading } from "./step/reading";

/** What a line can say about a step; everything else is left to the fields. */
export type LineStep = Pick<
  DishStep,
  | "name"
  | "time"
  | "attention"
  | "handsStart"
  | "handsEnd"
  | "uses"
  | "tend"
  | "done"
  | "makes"
  | "takes"
  | "after"
  | "batches"
  | "split"
  | "sleepOk"
  | "awayOk"
  | "tags"
  | "boils"
  | "note"
>;

export interface Understood {
  readonly field: string;
  readonly words: string;
  readonly says: string;
  /** Concluded from a word, not said: it can be wrong. */
  readonly guess?: boolean;
}

export interface StepLine {
  readonly step: LineStep;
  readonly understood: readonly Understood[];
  /** What each word became, and what is doubtful. */
  readonly reading: StepReading;
}

/** What a line may name: outputs that can be taken, steps that can be waited for, kinds of things in the kitchen. */
export interface LineContext {
  readonly outputs: readonly { readonly ref: string; readonly name: string }[];
  readonly steps: readonly { readonly ref: string; readonly name: string }[];
  /** Kinds of the kitchen beyond the common ones. */
  readonly kinds?: readonly string[];
}

export const NO_CONTEXT: LineContext = { outputs: [], steps: [] };
export type Tend = Exclude<NonNullable<DishStep["tend"]>, readonly unknown[]>;
export type Use = NonNullable<DishStep["uses"]>[number];
export type Link = Exclude<NonNullable<DishStep["after"]>[number], string>;
export type Output = NonNullable<DishStep["makes"]>[number];

/** A length as the file has it. */
export const spreadOf = (l: Length): DishStep["time"] =>
  l.min === l.max ? durationText(l.min) : { min: durationText(l.min), likely: durationText(l.likely), max: durationText(l.max) };
