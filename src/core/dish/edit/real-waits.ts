// Changes the longest wait of an output to how long it really waited, or to its best time, by the cook's verdict.
import { durationText, minutesOf } from "../../time/duration";
import type { PatchOperation } from "../patch";
import type { DishFile } from "../schema";

export interface RealWait {
  /** "component.output" */
  readonly output: string;
  readonly name: string;
  readonly waitedMinutes: number;
  /** What the wait exceeded: the longest wait of the dish, or its best time. */
  readonly saidMinutes: number;
  /** The longest wait after the change. */
  readonly nextMinutes: number;
  readonly change: readonly PatchOperation[];
}

/** What the cook said of the component after the run. */
export type Liked = "again" | "change" | "drop";

/** Smaller differences are ignored. */
const SAME_MINUTES = 10;
/** Waits are rounded up to five minutes, from two hours on to whole hours. */
const STEP_MINUTES = 5;
const HOURS_FROM_MINUTES = 120;

/**
 * The change of the longest wait. Longer than the dish allows and liked: as long as it waited. Past its best and not liked: until the end of its best
 * time. A safety limit is never extended.
 * @param ref "component.output"
 * @param place index of the hold in which it waited
 * @returns undefined where there is no such hold, nobody judged the component, or the wait says nothing against the dish
 */
export function realWait(document: DishFile, ref: string, place: number, waited: number, liked: Liked | undefined): RealWait | undefined {
  const found = holdAt(document, ref, place);
  if (!found || liked === undefined) return undefined;
  const { hold, name, path } = found;
  const max = hold.max === undefined ? undefined : minutesOf(hold.max);
  const best = hold.best && minutesOf(hold.best[1]);
  const set = (nextMinutes: number, saidMinutes: number): RealWait => ({
    output: ref,
    name,
    waitedMinutes: waited,
    saidMinutes,
    nextMinutes,
    change: [{ op: max === undefined ? "add" : "replace", path: `${path}/max`, value: durationText(nextMinutes) }],
  });
  if (liked === "again")
    return max !== undefined && hold.limit !== "safety" && waited > max + SAME_MINUTES ? set(roundedUp(waited), max) : undefined;
  const pastBest = best !== undefined && waited > best + SAME_MINUTES && (max === undefined || best < max);
  return pastBest ? set(best, best) : undefined;
}

function roundedUp(minutes: number): number {
  const step = minutes < HOURS_FROM_MINUTES ? STEP_MINUTES : 60;
  return Math.ceil(minutes / step) * step;
}

function holdAt(document: DishFile, ref: string, place: number) {
  const [component, id] = ref.split(".");
  const c = document.components.findIndex((x) => x.id === component);
  for (const [m, method] of (document.components[c]?.methods ?? []).entries())
    for (const [s, step] of method.steps.entries())
      for (const [o, output] of (step.makes ?? []).entries()) {
        const hold = output.holds?.[place];
        if (output.id !== id || !hold) continue;
        const path = `/components/${c}/methods/${m}/steps/${s}/makes/${o}/holds/${place}`;
        return { hold, path, name: output.name ?? document.components[c]?.name ?? id };
      }
  return undefined;
}
