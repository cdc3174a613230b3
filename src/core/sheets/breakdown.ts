// The dish read as a breakdown: what each component is made of, what it makes, who takes it and what is left over.

import { balanceOf } from "../dish/balance";
import { componentOf, type Dish, type Hold, type Step } from "../dish/model";
import { scaledIngredient } from "../dish/scaled-ingredient";
import type { DishFile } from "../dish/schema";
import { quantityText } from "../dish/units";
import { kOf } from "../dish/weights";
import { minutesOf, spokenDuration } from "../time/duration";

export interface OutputRow {
  readonly ref: string;
  readonly name: string;
  readonly amount: string;
  readonly holds: readonly Hold[];
  readonly takers: readonly { readonly component: string; readonly step: string; readonly amount: string }[];
  /** "0.1 kg left over", "all used", "not used", or nothing where amounts are not stated. */
  readonly left: string;
}

interface IngredientRow {
  readonly name: string;
  readonly amount: string;
  readonly note: string | undefined;
}

/** Ingredients of a method, scaled to the guests. */
export function ingredientRows(document: DishFile, componentId: string, methodId: string): IngredientRow[] {
  const component = document.components.find((c) => c.id === componentId);
  const method = component?.methods.find((m) => m.id === methodId);
  const k = component ? kOf(document, component) : 1;
  return (method?.ingredients ?? []).map((i) => {
    const quantity = scaledIngredient(i, k);
    const amount = i.leftOut ? "left out" : i.asNeeded ? "to taste" : quantity ? quantityText(quantity) : "";
    const details = [
      i.standsFor && `instead of ${i.standsFor.name}`,
      i.note,
      i.section && `from the ${i.section}`,
      i.orderAhead && `order ${spokenDuration(minutesOf(i.orderAhead))} ahead`,
      i.allergens?.length ? `contains ${i.allergens.join(", ")}` : undefined,
    ].filter(Boolean);
    return { name: i.name, amount, note: details.length ? details.join("; ") : undefined };
  });
}

/** What the steps of one method make, with takers among the given steps in force. */
export function outputRows(dish: Dish, steps: readonly Step[], inForce: readonly Step[]): OutputRow[] {
  const names = new Map(dish.components.map((c) => [c.id, c.name]));
  return steps.flatMap((step) =>
    step.makes.map((output): OutputRow => {
      const balance = balanceOf(dish, output.ref, output.quantity, inForce);
      const rest = balance.made ? balance.made.value - balance.taken : 0;
      const left =
        balance.takers.length === 0
          ? "not used"
          : balance.open || !balance.made
            ? ""
            : rest > balance.made.value * 0.005
              ? `${quantityText({ ...balance.made, value: rest })} left over`
              : "all used";
      return {
        ref: output.ref,
        name: output.name,
        amount: output.quantity ? quantityText(output.quantity) : "",
        holds: output.holds,
        takers: balance.takers.map((t) => ({
          component: t.step === "plate" ? "the plate" : (names.get(componentOf(t.step)) ?? t.step),
          step: inForce.find((s) => s.ref === t.step)?.name ?? "",
          amount: t.quantity ? quantityText(t.quantity) : "",
        })),
        left,
      };
    }),
  );
}
