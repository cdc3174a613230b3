// Pins the method of a component that was liked, or the only other one.
import type { PatchOperation } from "../patch";
import type { DishFile } from "../schema";
import { isStepPin, pinMethodsChange } from "../wishes";
import type { Liked } from "./real-waits";

export interface LikedMethod {
  readonly component: string;
  readonly name: string;
  /** Names of the method that was used and of the one to use. */
  readonly was: string;
  readonly next: string;
  readonly change: readonly PatchOperation[];
}

/**
 * The change that pins a method: the one that was used after "Again", the only other one after "Drop".
 * @param component id
 * @param used id of the method by which it was made
 * @returns undefined where there is no choice, or it is pinned already
 */
export function likedMethod(document: DishFile, component: string, used: string, liked: Liked | undefined): LikedMethod | undefined {
  const found = document.components.find((c) => c.id === component);
  const was = found?.methods.find((m) => m.id === used);
  const others = (found?.methods ?? []).filter((m) => m.id !== used);
  if (!found || !was || others.length === 0) return undefined;
  const next = liked === "again" ? was : liked === "drop" && others.length === 1 ? others[0] : undefined;
  const fixed = (document.wishes?.pins ?? []).find((p) => !isStepPin(p) && p.component === component);
  if (!next || (fixed && !isStepPin(fixed) && fixed.method === next.id)) return undefined;
  return {
    component,
    name: found.name,
    was: was.name ?? was.id,
    next: next.name ?? next.id,
    change: pinMethodsChange(document, { [component]: next.id }),
  };
}
