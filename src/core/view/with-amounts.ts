// What goes into a step, as one reads it at the stove: ingredients and what comes from other steps, each with its amount.
import { lower } from "../sentence";
import type { StepView } from "./plan-view";

/** More than so many are not read with hands full. */
const MOST = 9;

/** @example withAmounts(step) // "1.2 kg beet, 24 g salt"; "" where nothing goes in */
export function withAmounts(step: Pick<StepView, "goesIn" | "takes">): string {
  // What stands behind a comma says how it is bought, not what it is.
  const all = [...step.goesIn, ...step.takes].map((t) => `${t.amount} ${lower(t.name.split(/,|\s\(/)[0] || t.name)}`.trim());
  return all.length > MOST ? `${all.slice(0, MOST).join(", ")} and ${all.length - MOST} more` : all.join(", ");
}
