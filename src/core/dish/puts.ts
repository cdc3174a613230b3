// Who moves the food? A step that nobody's hands begin, in which something is put somewhere, begins when somebody is up and at home.
import { minutesOf } from "../time/duration";
import type { DishStep } from "./schema";

/** It follows the line before within so long, where no wait is said. */
const FOLLOWS_WITHIN = "30m";
const FOLLOWS_WITHIN_MINUTES = 30;

/** Nobody's hands begin it, and nothing says that somebody is there: it could begin in the middle of the night. */
export function beginsAlone(step: DishStep): boolean {
  const hot = (step.uses ?? []).some((u) => ["burner", "oven", "bath", "grill"].includes(u.what));
  return (
    step.attention === "unattended" &&
    !step.puts &&
    !step.within &&
    !hot &&
    (step.handsStart === undefined || minutesOf(step.handsStart) === 0)
  );
}

/** Some link holds it so close behind another step that whoever did that is still there. */
export const isTiedTo = (step: DishStep): boolean =>
  (step.after ?? []).some((l) => typeof l !== "string" && l.max !== undefined && minutesOf(l.max) <= FOLLOWS_WITHIN_MINUTES);

/**
 * A step that was typed or read: where it begins alone it says that something is put somewhere, and follows the line before within half an
 * hour, unless a wait is said of it or a hold of what the line before makes.
 * @param before the line before it in its method
 */
export function withPuts(step: DishStep, before: DishStep | undefined): DishStep {
  if (!beginsAlone(step)) return step;
  const waits = step.after !== undefined || (step.takes ?? []).length > 0 || (before?.makes ?? []).some((o) => (o.holds ?? []).length > 0);
  return {
    ...step,
    puts: true,
    ...(before && !waits ? { after: [{ step: before.id, max: FOLLOWS_WITHIN, limit: "quality" as const }] } : {}),
  };
}

/** The same for all steps of a method, in their order. */
export const methodWithPuts = (steps: readonly DishStep[]): DishStep[] => steps.map((step, i) => withPuts(step, steps[i - 1]));
