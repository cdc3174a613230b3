// What a rule of safety has found: where, what was computed, the usual caution, what would mend it, and whose word it is.
// A rule that finds nothing says nothing: the absence of a finding is never a promise that food is safe.
import type { DishFile } from "../dish/schema";
import { cautionOf } from "../foods/cautions";
import type { StepCheck } from "../view/step-check";

/** stop: acknowledged by name before the step can start; warn: shown on the step and in the plan; note: said once. */
export type Severity = "stop" | "warn" | "note";

export interface Mend {
  readonly label: string;
  /** @throws EditRefused where it does not fit any more */
  readonly apply: (document: DishFile) => DishFile;
}

export interface Finding {
  /** Rule and place: the same as long as it is about the same thing. */
  readonly id: string;
  readonly severity: Severity;
  /** Past a hard limit: it is not acknowledged, only mended. */
  readonly hard?: boolean;
  readonly title: string;
  readonly component?: string;
  /** "component.step" */
  readonly step?: string;
  /** Whether it is so in the plan, or may come to be so by what the dish allows. */
  readonly basis?: "planned" | "allowed";
  /** What is to be looked at while the step runs, at its hour. */
  readonly check?: StepCheck;
  /** What was found and calculated, with its figures. */
  readonly computed: string;
  readonly caution: string;
  /** What would mend it, in words. */
  readonly way: string;
  readonly mends: readonly Mend[];
  readonly source: string;
  /** What an acknowledgement stands for, where the figures shift with every plan by some minutes; else they themselves. */
  readonly known?: string;
}

/** Minutes in steps of doubling: to tell far more of something from a little more. */
export const doublings = (minutes: number): string => `2^${Math.ceil(Math.log2(Math.max(1, minutes / 60)))} h`;

/** A finding with title, caution, severity and source of a row of cautions.json, as far as the rule does not say its own. */
export function cautioned(
  caution: string,
  about: string,
  found: Pick<Finding, "computed"> &
    Partial<Pick<Finding, "severity" | "hard" | "title" | "basis" | "known" | "component" | "step" | "mends" | "way" | "check">>,
): Finding {
  const row = cautionOf(caution);
  if (!row) throw new Error(`safety: no caution "${caution}"`);
  const { severity, title, mends, way, ...rest } = found;
  return {
    id: `${caution}:${about}`,
    severity: severity ?? (row.severity as Severity),
    title: title ?? row.title,
    caution: row.text,
    way: way ?? row.mend,
    mends: mends ?? [],
    source: row.source,
    ...rest,
  };
}
