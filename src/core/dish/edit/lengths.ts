// The length of a step put in the place of what the dish says, in the dish's own terms.
import { durationText } from "../../time/duration";
import type { PatchOperation } from "../patch";
import type { TimeSpread } from "../planned-length";
import type { DishFile } from "../schema";

/**
 * The change that gives a step another three-point length.
 * @param ref "component.step"
 * @param length minutes as the file has them, for its own number of guests
 * @returns undefined where the dish has no such step
 */
export function lengthChange(document: DishFile, ref: string, length: TimeSpread): PatchOperation[] | undefined {
  const [component, id] = ref.split(".");
  const c = document.components.findIndex((x) => x.id === component);
  for (const [m, method] of (document.components[c]?.methods ?? []).entries()) {
    const s = method.steps.findIndex((x) => x.id === id);
    if (s < 0) continue;
    const text = (minutes: number) => durationText(Math.max(1, Math.round(minutes)));
    const { min, likely, max } = length;
    const value = min === max ? text(likely) : { min: text(min), likely: text(likely), max: text(max) };
    return [{ op: "replace", path: `/components/${c}/methods/${m}/steps/${s}/time`, value }];
  }
  return undefined;
}
