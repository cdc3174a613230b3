// A run beside others that made the same components, of this dish or of another: how long each step took, and what was said of each component.
import type { Verdict } from "../record/entries";
import type { ReviewRow } from "./run-review";

export interface OtherRun {
  readonly id: string;
  readonly name: string;
  readonly startedAt: number;
  readonly rows: readonly ReviewRow[];
  /** By the component's name. */
  readonly verdicts: Readonly<Record<string, Verdict>>;
}

interface BesideRow {
  readonly component: string;
  /** Of the step. */
  readonly name: string;
  /** Minutes in this run and in each of the others, in their order; undefined where it was not timed. */
  readonly minutes: readonly (number | undefined)[];
}

export interface BesideRuns {
  readonly others: readonly Omit<OtherRun, "rows">[];
  readonly rows: readonly BesideRow[];
}

/** More columns are not read side by side. */
export const MOST_BESIDE = 4;

const keyOf = (r: Pick<ReviewRow, "component" | "name">) => `${r.component.toLowerCase()}\n${r.name.toLowerCase()}`;
const timed = (rows: readonly ReviewRow[]) =>
  new Map(rows.flatMap((r) => (r.really?.minutes === undefined || r.really.skipped ? [] : [[keyOf(r), r.really.minutes] as const])));

/** Whether two runs have timed a step of the same name in a component of the same name. */
export function shareSteps(a: readonly ReviewRow[], b: readonly ReviewRow[]): boolean {
  const own = timed(a);
  return [...timed(b).keys()].some((key) => own.has(key));
}

/**
 * Steps are the same where their component and they themselves are called alike.
 * @param rows of this run
 * @returns the steps that this run and at least one other have timed, in the order of this one; the first four others that share some
 */
export function besideRuns(rows: readonly ReviewRow[], others: readonly OtherRun[]): BesideRuns {
  const own = timed(rows);
  const kept = others
    .map((run) => ({ run, minutes: timed(run.rows) }))
    .filter(({ minutes }) => [...minutes.keys()].some((key) => own.has(key)))
    .slice(0, MOST_BESIDE);
  const table = rows.flatMap((r): BesideRow[] => {
    const key = keyOf(r);
    const mine = own.get(key);
    const theirs = kept.map(({ minutes }) => minutes.get(key));
    return mine === undefined || theirs.every((m) => m === undefined)
      ? []
      : [{ component: r.component, name: r.name, minutes: [mine, ...theirs] }];
  });
  return { others: kept.map(({ run: { rows: _, ...rest } }) => rest), rows: table };
}
