import "server-only";
// What the timetable says of a dish, in the few words that the pages of its breakdown show.
import { WallClock } from "../core/time/wall-clock";
import type { DishState } from "./state";

export function planNoteOf(state: DishState) {
  const clock = new WallClock(state.offsets);
  return {
    begins: state.plan && clock.dayTime(state.plan.begins),
    stale: state.stale,
    impossible: state.conflict ? (state.conflict.facts[0]?.text ?? "the steps do not fit into the time available.") : undefined,
  };
}

/** Methods in force, by component. */
export const chosenOf = (state: DishState): Record<string, string> =>
  Object.fromEntries(state.plan?.components.map((c) => [c.id, c.method]) ?? []);
