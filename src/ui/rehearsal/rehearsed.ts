import type { RehearsalNotes, RehearsedRun } from "@/workers/rehearsal-desk";

/** What was rehearsed: the dots of one are drawn while it goes on. */
export interface Rehearsed {
  readonly policy: string;
  readonly of: number;
  readonly runs: readonly RehearsedRun[];
  readonly weak: RehearsalNotes["weak"] | undefined;
}
