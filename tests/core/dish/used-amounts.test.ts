// Amounts as used: what a cook wrote becomes the dish's own amount, for its own number of guests, and only where it differs.
import { describe, expect, test } from "vitest";
import { usedAmount } from "../../../src/core/dish/edit/used-amounts";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import type { Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const dish = (change: (d: Loose) => void = () => {}): DishFile =>
  smallDish((d) => {
    d.dish.serves = 10;
    d.components[0].methods[0].ingredients = [
      { id: "bones", name: "Bones", amount: { amount: 2, unit: "kg" } },
      { id: "salt", name: "Salt", amount: { amount: 20, unit: "g" }, scale: "fixed" },
      { id: "onion", name: "Onions", amount: { amount: 2, unit: "piece" } },
    ];
    change(d);
  }) as DishFile;
const taken = (document: DishFile, name: string, text: string) => {
  const used = usedAmount(document, "stock", name, text);
  if (!used) return undefined;
  const next = applyPatch(document, used.change) as DishFile;
  expect(readDishValue(next).status).toBe("read");
  return next.components[0]?.methods[0]?.ingredients?.find((i) => i.name === name)?.amount;
};

describe("an amount as it was used", () => {
  test("is scaled back to the dish's own guests: 4.1 kg for ten is 1.64 kg for four", () => {
    expect(usedAmount(dish(), "stock", "Bones", "4.1 kg")).toMatchObject({ said: "5 kg", used: "4.1 kg", next: "1.64 kg" });
    expect(taken(dish(), "Bones", "4.1 kg")).toEqual({ amount: 1.64, unit: "kg" });
    expect(taken(dish(), "Bones", "9 lb")).toEqual({ amount: 3.6, unit: "lb" });
  });
  test("of what does not scale stays as it was used", () => {
    expect(taken(dish(), "Salt", "25 g")).toEqual({ amount: 25, unit: "g" });
  });
  test("is nothing to tell where it is what the dish says, within the weighing", () => {
    expect(usedAmount(dish(), "stock", "Bones", "5 kg")).toBeUndefined();
    expect(usedAmount(dish(), "stock", "Bones", "5.1 kg")).toBeUndefined();
    expect(usedAmount(dish(), "stock", "Bones", "5.11 kg")).toBeDefined();
  });
  test("is nothing where it can not be compared, is not understood, or is of something else", () => {
    expect(usedAmount(dish(), "stock", "Onions", "300 g")).toBeUndefined();
    expect(usedAmount(dish(), "stock", "Bones", "a good lot")).toBeUndefined();
    expect(usedAmount(dish(), "stock", "Leeks", "300 g")).toBeUndefined();
    expect(usedAmount(dish(), "no-such", "Bones", "300 g")).toBeUndefined();
  });
  test("is found in the method that has it, and not where it is left out", () => {
    const two = dish((d) => {
      d.components[0].methods.unshift({ id: "tin", steps: d.components[0].methods[0].steps.map((s: Loose) => ({ ...s })) });
    });
    expect(usedAmount(two, "stock", "Bones", "3 kg")?.change[0]?.path).toBe("/components/0/methods/1/ingredients/0/amount");
    const without = dish((d) => {
      d.components[0].methods[0].ingredients[0].leftOut = true;
    });
    expect(usedAmount(without, "stock", "Bones", "3 kg")).toBeUndefined();
  });
});
