// One fact of a planning problem, and the draft of a dish in which it can be let go.
import type { Cook, Equipment, Step, Window } from "../../dish/model";
import type { StepPin } from "../log";

/** Long enough that nothing before or after it matters. */
export const FOREVER = 60 * 1440;

/** A dish in which facts can be let go. */
export interface Draft {
  now: number;
  readonly steps: Map<string, Writable<Step>>;
  cooks: Writable<Cook>[];
  equipment: Writable<Equipment>[];
  windows: Window[];
  pins: readonly StepPin[];
}
export type Writable<T> = { -readonly [K in keyof T]: T[K] };

export type FactKind =
  | "link-max"
  | "link-min"
  | "hold-max"
  | "hold-min"
  | "take"
  | "within"
  | "length"
  | "hands"
  | "nearby"
  | "rounds"
  | "use"
  | "hours"
  | "awake"
  | "away"
  | "one-pair"
  | "equipment"
  | "available"
  | "window"
  | "pin"
  | "now";

export interface Fact {
  readonly kind: FactKind;
  readonly rule: string;
  readonly steps: readonly string[];
  readonly text: string;
  /** What it speaks of: a cook, an equipment, an output, a use; for repairs. */
  readonly about: string;
  /** True where a widening would touch a safety limit. */
  readonly safety: boolean;
  readonly letGo: (draft: Draft) => void;
}

/** The steps of a draft with that reference, under whichever method. */
export function each(draft: Draft, ref: string, change: (step: Writable<Step>) => void): void {
  for (const step of draft.steps.values()) if (step.ref === ref) change(step);
}

/** The list with a change to each wanted entry. */
export const changed = <T>(list: readonly T[], wanted: (entry: T) => boolean, change: Partial<T>): T[] =>
  list.map((e) => (wanted(e) ? { ...e, ...change } : e));
