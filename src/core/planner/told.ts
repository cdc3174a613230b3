// What a cook says has happened to steps, over a log: a step left out, or one that will be done again.
import type { Log, LogEvent } from "./log";

export interface Told {
  readonly kind: "skipped" | "void" | "estimate";
  readonly step: string;
  /** The minute from which it holds; of an estimate, the end that is expected. */
  readonly at: number;
}

/** The log as it will be once that has been written down. */
export function withTold(log: Log, told: readonly Told[]): Log {
  if (told.length === 0) return log;
  const events = new Map<string, LogEvent>(log.events);
  for (const { kind, step, at } of told) {
    const before = events.get(step);
    if (kind === "void") events.delete(step);
    else if (kind === "skipped") {
      const started = before?.started ?? at;
      events.set(step, { step, started, ended: Math.max(started, before?.ended ?? at), estimate: undefined, skipped: true });
    } else if (before && before.ended === undefined) events.set(step, { ...before, estimate: at });
  }
  return { ...log, events };
}
