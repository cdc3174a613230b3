// The way of making a component that was liked, or the other one, fixed in the dish.
import type { PatchOperation } from "../patch";
import type { DishFile } from "../schema";
import { isStepPin, pinMethodsChange } from "../wishes";
import type { Liked } from "./real-waits";

export interface LikedMethod {
  readonly component: string;
  readonly name: string;
  /** The names of the way that was taken, and of the one to take. */
  readonly was: string;
  readonly next: string;
  readonly change: readonly PatchOperation[];
}

/**
 * The change that fixes a way of making: the one that was taken, where the cook would make it so again; the only other one, where not at all.
 * @param component id
 * @param used id of the method by which it was made
 * @returns undefined where there is nothing to choose, or it is fixed so already
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
