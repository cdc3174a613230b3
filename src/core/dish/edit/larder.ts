// A component that is not made this time: it stands in the larder already, or it is bought.

import { applyPatch } from "../patch";
import type { DishFile } from "../schema";
import type { Amount } from "../schema-values";
import { pinMethodsChange } from "../wishes";
import { componentOfDocument, mainOutput, withComponent } from "./places";
import { EditRefused } from "./refused";

/**
 * The component on hand: what others take of it is listed with how it keeps, from when it was made.
 * @param madeAt wall clock, "2026-10-10T20:00"
 * @param amount of its main output; undefined: not known
 */
export function onHandAlready(document: DishFile, id: string, madeAt: string, amount: Amount | undefined): DishFile {
  const component = componentOfDocument(document, id);
  if (document.dish.serve.startsWith(`${id}.`)) throw new EditRefused("The component that is served cannot be on hand.");
  const outputs = [...new Map(component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])).map((o) => [o.id, o])).values()];
  if (outputs.length === 0) throw new EditRefused("No other component uses what it makes. First enter what it makes.");
  const main = mainOutput(component);
  return withComponent(document, id, (c) => ({
    ...c,
    onHand: outputs.map((o) => ({
      output: o.id,
      madeAt,
      ...(o.id === main?.id && amount ? { amount } : o.amount && o.id !== main?.id ? { amount: o.amount } : {}),
      ...(o.holds ? { holds: o.holds } : {}),
    })),
  }));
}

/** The component made again. */
export function madeAnew(document: DishFile, id: string): DishFile {
  return withComponent(document, id, (c) => {
    const { onHand: _, ...rest } = c;
    return rest;
  });
}

/** Bought instead of made, or made again: its fallback fixed as the way of this time, or let go. */
export function boughtInstead(document: DishFile, id: string, bought: boolean): DishFile {
  if (bought && !componentOfDocument(document, id).fallback) throw new EditRefused("First enter what you would buy, under “if it fails”.");
  return applyPatch(document, pinMethodsChange(document, { [id]: bought ? "fallback" : undefined }));
}

/** Whether a component is fixed to be bought. */
export const isBought = (document: DishFile, id: string): boolean =>
  (document.wishes?.pins ?? []).some((p) => "component" in p && p.component === id && p.method === "fallback");
