import type { KeptRehearsal } from "@/core/view/rehearsed-plan";

/** What was rehearsed: the dots are drawn while it goes on, and what is weak is known at its end. */
export interface Rehearsed extends Omit<KeptRehearsal, "weak"> {
  readonly of: number;
  readonly weak: KeptRehearsal["weak"] | undefined;
}
