// The log of a run, to be read: one line for each event that stands, the newest first.
import type { Dish } from "../dish/model";
import { type RunEvent, type RunEventKind, standingEvents } from "./progress";

export interface LogLine {
  readonly sequence: number;
  readonly kind: RunEventKind;
  readonly step: string;
  readonly name: string;
  readonly component: string;
  /** The minute that it speaks of. */
  readonly at: number;
  /** The cook who pressed, by name, where that is known. */
  readonly by: string | undefined;
}

export function logLines(dish: Dish, events: readonly RunEvent[]): LogLine[] {
  const names = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref, { name: s.name, component: c.name }] as const))),
  );
  return standingEvents(events)
    .map(({ sequence, kind, step, at, by }): LogLine => {
      const known = names.get(step);
      return {
        sequence,
        kind,
        step,
        at,
        name: known?.name ?? step,
        component: known?.component ?? "",
        by: dish.cooks.find((c) => c.id === by)?.name,
      };
    })
    .sort((a, b) => b.sequence - a.sequence);
}
