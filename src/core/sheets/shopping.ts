// What has to be bought for a plan: ingredients of the methods in force, scaled, the same thing of one section added up; from when on it may be
// bought so that it still keeps, by when it is wanted, and when it must be ordered.

import type { Dish } from "../dish/model";
import { scaledIngredient } from "../dish/scaled-ingredient";
import type { DishFile } from "../dish/schema";
import { type Quantity, quantityText } from "../dish/units";
import { kOf } from "../dish/weights";
import { understand, withoutPurpose } from "../foods/match";
import type { Plan } from "../planner";
import { minutesOf } from "../time/duration";
import { packsFor } from "./packs";

export interface ShoppingRow {
  readonly section: string;
  readonly ingredient: string;
  /** As a kitchen measures it; "to taste", or empty where the dish does not say. */
  readonly amount: string;
  /** What to ask for: "2 × 250 g"; empty where it is sold as it is needed. */
  readonly packs: string;
  /** What is left of the packs; empty for nothing. */
  readonly left: string;
  readonly components: readonly string[];
  /** When the first of it is used: by then it is in the house. */
  readonly wantedBy: number;
  /** It does not keep if bought before; undefined: any time. */
  readonly buyFrom: number | undefined;
  readonly orderBy: number | undefined;
  readonly note: string;
}

/** One ingredient of one component, before equal ones are added up. */
export interface Need {
  readonly row: Omit<ShoppingRow, "amount" | "packs" | "left">;
  /** The food that the cook has chosen for it. */
  readonly food: string | undefined;
  readonly quantity: Quantity | undefined;
  readonly asNeeded: boolean;
}

/** What comes out of the tap. */
const FROM_THE_TAP = "water";

/** Rows by section, then by when they are wanted. */
export function shoppingRows(document: DishFile, dish: Dish, plan: Pick<Plan, "methods" | "steps" | "fallbacks">): ShoppingRow[] {
  return rowsOf(needsOf(document, dish, plan));
}

/**
 * All that a plan needs from a shop, component by component; water is at home.
 * @param of name of the dish, told with each component where one list serves several dishes
 */
export function needsOf(document: DishFile, dish: Dish, plan: Pick<Plan, "methods" | "steps" | "fallbacks">, of?: string): Need[] {
  return document.components.flatMap((component): Need[] => {
    const model = dish.components.find((c) => c.id === component.id);
    if (component.onHand?.length || !model) return [];
    const fallback = plan.methods[component.id] === "fallback";
    const method = component.methods.find((m) => m.id === plan.methods[component.id]);
    const list = fallback ? (component.fallback?.buy ?? []) : (method?.ingredients ?? []);
    const starts = plan.steps.filter((s) => s.step.startsWith(`${component.id}.`)).map((s) => s.start);
    const decided = plan.fallbacks.find((f) => f.component === component.id)?.decidedAt;
    const first = fallback ? decided : Math.min(...starts);
    if (first === undefined || !Number.isFinite(first)) return [];
    // Only what says at which step it comes in is wanted later than the first: a guess by words might be too late.
    const wantedAt = (step: string | undefined): number =>
      (step === undefined ? undefined : plan.steps.find((s) => s.step === `${component.id}.${step}`)?.start) ?? first;
    const k = kOf(document, component);
    return list
      .filter((i) => !i.leftOut && understand(i.name, "food" in i ? i.food : undefined)?.food.id !== FROM_THE_TAP)
      .map((i): Need => {
        const wantedBy = wantedAt("step" in i ? i.step : undefined);
        return {
          quantity: scaledIngredient(i, k),
          asNeeded: i.asNeeded ?? false,
          food: "food" in i ? i.food : undefined,
          row: {
            section: i.section ?? "",
            ingredient: withoutPurpose(i.name),
            components: [of === undefined ? component.name : `${component.name} (${of})`],
            wantedBy,
            buyFrom: i.keeps ? wantedBy - minutesOf(i.keeps) : undefined,
            orderBy: i.orderAhead ? wantedBy - minutesOf(i.orderAhead) : undefined,
            note: [i.note, i.optional ? "optional" : undefined, i.allergens?.length ? `contains ${i.allergens.join(", ")}` : undefined]
              .filter(Boolean)
              .join("; "),
          },
        };
      });
  });
}

/** Needs of one dish or of several as rows: the same thing of one section added up, with the packs that it is sold in. */
export function rowsOf(needs: readonly Need[]): ShoppingRow[] {
  const merged = new Map<string, Need>();
  for (const need of needs) {
    const key = [
      need.row.section,
      need.row.ingredient.toLowerCase(),
      need.quantity?.dimension ?? "",
      need.quantity?.piece ?? "",
      need.asNeeded,
    ].join("\n");
    const known = merged.get(key);
    const both = known && together(known, need);
    if (!known || !both) merged.set(key, need);
    // What would not keep from the one use to the other is bought twice.
    else if (both.row.buyFrom !== undefined && both.row.buyFrom > both.row.wantedBy) merged.set(`${key}\n${merged.size}`, need);
    else merged.set(key, both);
  }
  return [...merged.values()]
    .map(
      ({ row, quantity, asNeeded, food }): ShoppingRow => ({
        ...row,
        amount: asNeeded ? "to taste" : quantity ? quantityText(quantity) : "",
        ...packsFor(row.ingredient, asNeeded ? undefined : quantity, food),
      }),
    )
    .sort((a, b) =>
      a.section < b.section ? -1 : a.section > b.section ? 1 : a.wantedBy - b.wantedBy || (a.ingredient < b.ingredient ? -1 : 1),
    );
}

/** One trip for both: the earlier need, and fresh enough for the later. */
function together(a: Need, b: Need): Need {
  const least = (x: number | undefined, y: number | undefined) => (x === undefined ? y : y === undefined ? x : Math.min(x, y));
  const most = (x: number | undefined, y: number | undefined) => (x === undefined ? y : y === undefined ? x : Math.max(x, y));
  return {
    asNeeded: a.asNeeded,
    food: a.food ?? b.food,
    quantity: a.quantity && b.quantity && { ...a.quantity, value: a.quantity.value + b.quantity.value },
    row: {
      ...a.row,
      components: [...new Set([...a.row.components, ...b.row.components])],
      wantedBy: Math.min(a.row.wantedBy, b.row.wantedBy),
      buyFrom: most(a.row.buyFrom, b.row.buyFrom),
      orderBy: least(a.row.orderBy, b.row.orderBy),
      note: [...new Set([a.row.note, b.row.note])].filter(Boolean).join("; "),
    },
  };
}
