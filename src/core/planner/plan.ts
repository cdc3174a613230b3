// A plan in the planner's minutes, and why there is none.
import type { PlanAt } from "../dish/planned-length";

export const STYLES = ["late", "ahead", "even", "shortest"] as const;
export type Style = (typeof STYLES)[number];
export const PLAN_ATS = ["likely", "cautious", "longest"] as const;

/** Weighted figures of regret; `total` is their sum, or the lead in minutes for the style `shortest`. */
export type Regret = Readonly<Record<"total" | "S1" | "S2" | "S3" | "S4" | "S5" | "S6" | "S7" | "S8", number>>;

export interface HandsSpan {
  readonly cook: string;
  readonly from: number;
  readonly to: number;
}
export interface EquipmentSpan {
  /** Index into the step's uses. */
  readonly use: number;
  readonly id: string;
  readonly from: number;
  readonly to: number;
  /** How many of that id; 1 unless the kitchen counts several under one id. */
  readonly count: number;
}
export interface PlannedStep {
  readonly step: string;
  readonly start: number;
  readonly end: number;
  /** Minutes of work; the gaps of a split step are left out. */
  readonly minutes: number;
  readonly pieces: readonly (readonly [number, number])[];
  readonly hands: readonly HandsSpan[];
  readonly rounds: readonly { readonly at: number; readonly tend: number }[];
  readonly equipment: readonly EquipmentSpan[];
  /** Where it is planned shorter than `planAt` says, inside its range: the minutes that it would have. */
  readonly shortenedFrom?: number;
  /** It is done again, since what it made has waited too long to be safe. */
  readonly again?: true;
}

/**
 * A rule that something begun, or made already, cannot keep any more: told, and not a reason to have no plan.
 * It covers one rule, one step or output and one stretch of time, nothing else.
 */
export interface PlanException {
  readonly rule: ExceptionRule;
  /** The step that has begun, or is tied by longest waits to the end of one that has. */
  readonly step?: string;
  /** The output that was made already. */
  readonly output?: string;
  readonly cook?: string;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}
export const EXCEPTION_RULES = ["H3", "H4", "H6", "H7", "H8", "H9", "H10", "H11", "H12"] as const;
export type ExceptionRule = (typeof EXCEPTION_RULES)[number];

/** What has waited past its safe time and must not be eaten. */
export interface Gone {
  readonly output: string;
  readonly since: number;
}
export interface PlannedHold {
  readonly output: string;
  readonly taker: string;
  /** Index into the output's holds. */
  readonly hold: number;
  readonly place: string;
  readonly from: number;
  readonly to: number;
  readonly state: "early" | "best" | "late";
}
export interface Setting {
  readonly id: string;
  readonly tempC: number;
  readonly mode: string;
  readonly from: number;
  readonly to: number;
}
export interface Plan {
  readonly dish: string;
  readonly style: Style;
  readonly planAt: PlanAt;
  readonly now: number;
  readonly seed: number;
  readonly serveAt: number;
  readonly leadMinutes: number;
  readonly boundMinutes: number;
  /** No plan with these methods has less regret, where that was looked for. */
  readonly boundRegret?: number;
  readonly regret: Regret;
  readonly methods: Readonly<Record<string, string>>;
  readonly fallbacks: readonly { readonly component: string; readonly decidedAt: number; readonly readyAt: number }[];
  readonly steps: readonly PlannedStep[];
  readonly holds: readonly PlannedHold[];
  readonly settings: readonly Setting[];
  /** Rules that what has begun cannot keep; absent where all are kept. */
  readonly exceptions?: readonly PlanException[];
  readonly gone?: readonly Gone[];
}

/** Why there is no plan. `proved` is false where the search gave up rather than showed that there is none. */
export interface Infeasible {
  readonly status: "infeasible";
  readonly proved: boolean;
  readonly conflict: readonly Clashing[];
}

/** One of the facts that cannot stand together. */
export interface Clashing {
  readonly rule: string;
  readonly steps: readonly string[];
  readonly text: string;
  /** What kind of fact it is, and the cook, thing or output that it speaks of, where that is known. */
  readonly kind?: string;
  readonly about?: string;
}
