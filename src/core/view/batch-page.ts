// What a page of the notebook shows of one batch.
import type { Aim, BatchEntry, BatchProgress } from "../record/batches";
import type { Offsets } from "../time/wall-clock";

export interface BatchPage {
  readonly batch: {
    readonly id: string;
    readonly name: string;
    readonly aim: Aim | undefined;
    /** Milliseconds since 1970, like all of these. */
    readonly startedAt: number;
    readonly endedAt: number | undefined;
  };
  readonly entries: readonly BatchEntry[];
  readonly progress: BatchProgress | undefined;
  readonly offsets: Offsets;
}
