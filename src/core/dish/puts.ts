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

const HOT: ReadonlySet<string> = new Set(["oven", "burner", "grill", "smoker", "fryer", "steamer"]);
const isHot = (step: DishStep | undefined) => (step?.uses ?? []).some((u) => HOT.has(u.what));
const ANOTHER_DAY =
  /\b(?:next|following|day|days|morning|tomorrow|later|cold|overnight|(?:am )?nachsten|nächsten|tags? darauf|lendemain|jour j|giorno (?:dopo|seguente)|dia siguiente|día siguiente)\b/i;
/** "Simmer 3 h", "strain": a step after a hot one follows within half an hour, unless the text speaks of another day or of a hold. */
function followsHot(step: DishStep, before: DishStep | undefined): DishStep {
  if (!before || !isHot(before) || step.after !== undefined || (step.takes ?? []).length > 0) return step;
  if (ANOTHER_DAY.test(`${step.name ?? ""} ${step.note ?? ""}`)) return step;
  if ((before.makes ?? []).length > 0) return step;
  return { ...step, after: [{ step: before.id, max: FOLLOWS_WITHIN, limit: "quality" }] };
}

/** The steps of a method as it was read, in their order. */
export const methodWithPuts = (steps: readonly DishStep[]): DishStep[] =>
  steps.map((step, i) => followsHot(withPuts(step, steps[i - 1]), steps[i - 1]));
