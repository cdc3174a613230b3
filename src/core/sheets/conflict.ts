import type { PatchOperation } from "../dish/patch";
import type { Clashing } from "../planner/plan";

/** Why there is no plan and what would help, as the pages say it. */
export interface Conflict {
  readonly proved: boolean;
  readonly facts: readonly Clashing[];
  readonly repairs: readonly {
    readonly kind: string;
    readonly text: string;
    readonly leadMinutes: number;
    readonly change: readonly PatchOperation[];
    /** A step that is pressed as done instead. */
    readonly press?: string | undefined;
    /** Which exceptions of the plan in force it does without, by their places. */
    readonly spares?: readonly number[] | undefined;
  }[];
  /** What would help is still being looked for. */
  readonly looking?: boolean | undefined;
  /** The stored answer that says so; a repair is chosen from it. */
  readonly answer: string;
}
