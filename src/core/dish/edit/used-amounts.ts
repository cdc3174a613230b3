// What was really used in a run put in the place of what the dish says, for the dish's own number of guests.
import { readAmount } from "../../entry/amounts";
import type { PatchOperation } from "../patch";
import { exponentOf } from "../scaled-ingredient";
import type { DishFile } from "../schema";
import { comparable, quantityOf, quantityText } from "../units";
import { kOf } from "../weights";

export interface UsedAmount {
  readonly ingredient: string;
  /** For the guests of that run: what the dish came to, and what was used. */
  readonly said: string;
  readonly used: string;
  /** What the dish says then, for its own number of guests. */
  readonly next: string;
  readonly change: readonly PatchOperation[];
}

/** What lies nearer is weighing, not cooking otherwise. */
const SAME_SHARE = 0.02;
const DIGITS = 3;

/**
 * The change that takes over an amount as it was used.
 * @param component id, the first part of the step's reference
 * @param name of the ingredient, as it stood on the step
 * @param text as the cook wrote it: "410 g"
 * @returns undefined where no ingredient is called so, the amount is not understood or is of another kind, or it is what the dish says
 */
export function usedAmount(document: DishFile, component: string, name: string, text: string): UsedAmount | undefined {
  const read = readAmount(text);
  const c = document.components.findIndex((x) => x.id === component);
  const found = document.components[c];
  if (!read || !found) return undefined;
  const k = kOf(document, found);
  for (const [m, method] of found.methods.entries()) {
    const i = (method.ingredients ?? []).findIndex((x) => x.name === name && !x.leftOut);
    const ingredient = method.ingredients?.[i];
    if (!ingredient?.amount) continue;
    const by = k ** exponentOf(ingredient);
    const [said, used] = [quantityOf(ingredient.amount), quantityOf({ amount: read.amount, unit: read.unit })];
    if (!comparable(said, used) || used.value <= 0) return undefined;
    if (Math.abs(used.value / (said.value * by) - 1) <= SAME_SHARE + 1e-9) return undefined;
    const amount = { ...ingredient.amount, amount: Number((read.amount / by).toPrecision(DIGITS)), unit: read.unit };
    return {
      ingredient: name,
      said: quantityText({ ...said, value: said.value * by }),
      used: quantityText(used),
      next: quantityText(quantityOf(amount)),
      change: [{ op: "replace", path: `/components/${c}/methods/${m}/ingredients/${i}/amount`, value: amount }],
    };
  }
  return undefined;
}
