// The append-only log of a run, and what follows from it: which steps run, which are done, since when.
// Nothing is ever changed in the log: a slip of the finger is taken back by a further event.
import { z } from "zod";
import type { Log, LogEvent } from "../planner/plan";

export const RunEventKind = z.enum(["started", "ended", "estimate", "withdrawn"]);
export type RunEventKind = z.output<typeof RunEventKind>;

/** `at` in the planner's minutes: the moment that the event speaks of, which for an estimate lies ahead. */
export interface RunEvent {
  readonly sequence: number;
  readonly kind: RunEventKind;
  readonly step: string;
  readonly at: number;
}

export type Progress = ReadonlyMap<string, LogEvent>;

/**
 * Where each step that has been touched stands, from the events in their order.
 *
 * `ended` without `started` starts and ends at once; `withdrawn` takes back the newest event of its step that still stands.
 */
export function progressOf(events: readonly RunEvent[]): Progress {
  const standing = new Map<string, RunEvent[]>();
  for (const event of [...events].sort((a, b) => a.sequence - b.sequence)) {
    const list = standing.get(event.step) ?? [];
    standing.set(event.step, event.kind === "withdrawn" ? list.slice(0, -1) : [...list, event]);
  }
  const progress = new Map<string, LogEvent>();
  for (const [step, list] of standing) {
    const started = list.find((e) => e.kind === "started");
    const ended = list.findLast((e) => e.kind === "ended");
    const estimate = list.findLast((e) => e.kind === "estimate");
    const first = started ?? ended;
    if (!first) continue;
    progress.set(step, {
      step,
      started: ended ? Math.min(first.at, ended.at) : first.at,
      ended: ended?.at,
      estimate: estimate?.at,
    });
  }
  return progress;
}

/** The log that the planner takes. */
export function logOf(progress: Progress): Log {
  return { events: progress, pins: [], methods: {}, heat: [] };
}
