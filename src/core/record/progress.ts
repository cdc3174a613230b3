// The append-only log of a run, and what follows from it: which steps run, which are done, since when.
// Nothing is ever changed in the log: a slip of the finger is taken back by a further event.
import { z } from "zod";
import type { Log, LogEvent } from "../planner/log";

export const RunEventKind = z.enum(["started", "ended", "estimate", "withdrawn", "put-down", "taken-up", "skipped", "void"]);
export type RunEventKind = z.output<typeof RunEventKind>;

/** `at` in the planner's minutes: the moment that the event speaks of, which for an estimate lies ahead. */
export interface RunEvent {
  readonly sequence: number;
  readonly kind: RunEventKind;
  readonly step: string;
  readonly at: number;
  /** Of a withdrawal: the sequence of the event that it takes back; without it the newest of its step that stands. */
  readonly of?: number;
  /** The cook who pressed, where that is known. */
  readonly by?: string;
}

export type Progress = ReadonlyMap<string, LogEvent>;

/** The events that stand, in their order: withdrawals and what they undo are left out. */
export function standingEvents(events: readonly RunEvent[]): RunEvent[] {
  const standing: RunEvent[] = [];
  for (const event of [...events].sort((a, b) => a.sequence - b.sequence)) {
    if (event.kind !== "withdrawn") {
      standing.push(event);
      continue;
    }
    const gone = standing.findLastIndex((e) => e.step === event.step && (event.of === undefined || e.sequence === event.of));
    if (gone >= 0) standing.splice(gone, 1);
  }
  return standing;
}

/**
 * Where each step that has been touched stands, from the events in their order.
 *
 * `ended` without `started` starts and ends at once; `withdrawn` takes back an event that still stands. `void` is for a step that will be done
 * again: what was pressed of it before stays in the log and counts no more. `skipped` leaves it out from then on.
 */
export function progressOf(events: readonly RunEvent[]): Progress {
  const byStep = new Map<string, RunEvent[]>();
  for (const event of standingEvents(events)) byStep.set(event.step, [...(byStep.get(event.step) ?? []), event]);
  const progress = new Map<string, LogEvent>();
  for (const [step, all] of byStep) {
    const list = all.slice(all.findLastIndex((e) => e.kind === "void") + 1);
    const skipped = list.findLast((e) => e.kind === "skipped");
    if (skipped) {
      const began = list.find((e) => e.kind === "started")?.at ?? skipped.at;
      progress.set(step, { step, started: began, ended: Math.max(began, skipped.at), estimate: undefined, skipped: true });
      continue;
    }
    const started = list.find((e) => e.kind === "started");
    const ended = list.findLast((e) => e.kind === "ended");
    const estimate = list.findLast((e) => e.kind === "estimate");
    const first = started ?? ended;
    if (!first) continue;
    const pieces = piecesOf(first.at, list);
    progress.set(step, {
      step,
      started: first.at,
      // Ended before it began, by a clock or a slip: it took no time, and what was pressed for its start stays.
      ended: ended && Math.max(first.at, ended.at),
      estimate: estimate?.at,
      ...(pieces ? { pieces } : {}),
    });
  }
  return progress;
}

/** The stretches worked of a step that was put down at some time; undefined where it never was. */
function piecesOf(started: number, list: readonly RunEvent[]): LogEvent["pieces"] {
  const turns = list.filter((e) => e.kind === "put-down" || e.kind === "taken-up").sort((a, b) => a.at - b.at || a.sequence - b.sequence);
  if (turns.length === 0) return undefined;
  const pieces: [number, number | undefined][] = [[started, undefined]];
  for (const turn of turns) {
    const open = pieces.at(-1) as [number, number | undefined];
    if (turn.kind === "put-down" && open[1] === undefined) open[1] = Math.max(open[0], turn.at);
    if (turn.kind === "taken-up" && open[1] !== undefined) pieces.push([Math.max(open[1], turn.at), undefined]);
  }
  return pieces;
}

/** The log that the planner takes. */
export function logOf(progress: Progress): Log {
  return { events: progress, pins: [], methods: {}, heat: [] };
}
