// What a typed line has said of a step so far, while it is read part by part.
import type { DishStep, Hold } from "../dish/schema";
import { durationText } from "../time/duration";
import type { Length } from "./durations";

/** What a line can say of a step; everything else is left to the fields. */
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
  readonly words: string;
  readonly says: string;
  /** Concluded from a word, not said: it can be wrong. */
  readonly guess?: boolean;
}

export interface StepLine {
  readonly step: LineStep;
  readonly understood: readonly Understood[];
  /** Parts that were not understood; they stand in the note. */
  readonly unclear: readonly string[];
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
export type Take = NonNullable<DishStep["takes"]>[number];
export type Link = Exclude<NonNullable<DishStep["after"]>[number], string>;
export type Output = NonNullable<DishStep["makes"]>[number];

export interface Draft {
  name: string;
  time?: Length;
  attention?: NonNullable<DishStep["attention"]>;
  handsStart?: string;
  handsEnd?: string;
  uses: Use[];
  tends: Tend[];
  done: { cue?: string; probeC?: number; restToC?: number; checkFrom?: string; checkEvery?: string };
  makes: Output[];
  holds: Hold[];
  takes: Take[];
  after: Link[];
  batches?: DishStep["batches"];
  split?: { minPiece: string };
  sleepOk?: boolean;
  awayOk?: boolean;
  tags: string[];
  boils?: boolean;
  notes: string[];
  understood: Understood[];
}

export type Reader = (clause: string, draft: Draft, context: LineContext) => boolean;

/** A text without the quotation marks around it. */
export const unquoted = (text: string) => text.replace(/[“”"]/g, "").replace(/\s+/g, " ").trim();

export const say = (draft: Draft, words: string, says: string, guess = false) =>
  draft.understood.push(guess ? { words, says, guess } : { words, says });

/** A length as the file has it. */
export const spreadOf = (l: Length): DishStep["time"] =>
  l.min === l.max ? durationText(l.min) : { min: durationText(l.min), likely: durationText(l.likely), max: durationText(l.max) };
