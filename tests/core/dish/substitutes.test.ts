import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../../src/core/dish/edit/components";
import { leaveOutIngredient, putInstead, restoreIngredient, substitutesFor } from "../../../src/core/dish/edit/substitutes";
import table from "../../../src/core/dish/edit/substitutes.json";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { allergenSheet, allergensOf, allergensOfName } from "../../../src/core/foods/allergens";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import { ingredientRows } from "../../../src/core/sheets/breakdown";
import type { Loose } from "../../support/dishes";

const base = newDish({ name: "Pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
const dish = addComponent(base, {
  name: "Pastry",
  steps: ["rub in 15m"],
  ingredients: ["200 g butter", "3 egg yolks", "300 g strong white flour", "100 ml cider vinegar"],
}).document;
const place = { component: "pastry", method: "usual" };
const ingredient = (d: DishFile, id: string) => d.components[0]!.methods[0]!.ingredients!.find((i) => i.id === id)!;

describe("substitutes", () => {
  test.each([
    ["200 g butter", ["lard", "neutral oil"]],
    ["3 egg yolks", ["whole egg"]],
    ["100 ml buttermilk", ["plain yoghurt thinned with milk, two to one", "whole milk soured with lemon juice"]],
    ["100 ml cider vinegar", ["white wine vinegar"]],
    ["500 ml dry cider", ["apple juice with cider vinegar, ten to one"]],
    ["1 kg unicorn", []],
  ])("of %s", (line, names) => {
    const d = addComponent(base, { name: "X", steps: ["mix 5m"], ingredients: [line] }).document;
    expect(substitutesFor(d.components[0]!.methods[0]!.ingredients![0]!).map((s) => s.name)).toEqual(names);
  });
  test("one press puts it in with what else changes, one undoes it to the letter", () => {
    const [lard] = substitutesFor(ingredient(dish, "butter"));
    const changed = putInstead(dish, place, "butter", lard!);
    expect(ingredient(changed, "butter")).toMatchObject({
      name: "lard",
      amount: { amount: 170, unit: "g" },
      standsFor: { name: "butter", quality: 0.8 },
    });
    expect(ingredient(changed, "butter").note).toMatch(/15 g water/);
    expect(readDishValue(changed).problems).toEqual([]);
    expect(ingredientRows(changed, "pastry", "usual")[0]).toMatchObject({
      name: "lard",
      amount: "170 g",
      note: expect.stringContaining("instead of butter"),
    });
    // A second one still knows what it was at first, and is calculated from that.
    const oil = substitutesFor(ingredient(changed, "butter")).find((s) => s.name === "neutral oil")!;
    const twice = putInstead(changed, place, "butter", oil);
    expect(ingredient(twice, "butter")).toMatchObject({ amount: { amount: 160, unit: "g" }, standsFor: { name: "butter" } });
    expect(restoreIngredient(twice, place, "butter")).toEqual(dish);
  });
  test("left out it is not bought, and comes back", () => {
    const without = leaveOutIngredient(dish, place, "egg-yolks");
    expect(ingredientRows(without, "pastry", "usual")[1]?.amount).toBe("left out");
    expect(restoreIngredient(without, place, "egg-yolks")).toEqual(dish);
  });
  test("no row of the table makes curing salt interchangeable", () => {
    for (const r of table.items as Loose[]) if (/curing|nitrite/.test(r.for) || /curing|nitrite/.test(r.with)) expect(r.caution).toBe(true);
    expect(table.items.every((r) => r.quality > 0 && r.quality <= 1 && r.ratio >= 0)).toBe(true);
  });
});

describe("allergens", () => {
  const vectors: Loose[] = JSON.parse(readFileSync(new URL("../../data/vectors-measures.json", import.meta.url), "utf8")).filter(
    (v: Loose) => v.function === "allergensOf",
  );
  test.each(vectors.map((v) => [JSON.stringify(v.input), v] as const))("%s", (_, v) => expect(allergensOf(v.input)).toEqual(v.output));
  test("bad input is refused", () => {
    expect(() => allergensOf({ ingredients: [], region: "MARS" as "EU" })).toThrow(CalculationError);
    expect(() => allergensOf({ ingredients: "milk" as unknown as string[], region: "EU" })).toThrow(CalculationError);
  });
  test.each([
    ["butternut squash", []],
    ["coconut milk", []],
    ["rice flour", []],
    ["cream of tartar", []],
    ["peanut butter", ["peanuts"]],
    ["cider vinegar", []],
    ["dry cider", ["sulphites"]],
    ["soy sauce", ["soybeans", "gluten_cereals", "wheat"]],
    ["Pearl barley", ["gluten_cereals"]],
    ["nutmeg", []],
  ])("%s brings %j", (name, expected) => expect([...(allergensOfName(name) ?? ["?"])].sort()).toEqual([...expected].sort()));
  test("compared with what guests avoid, with the component that brings it", () => {
    const d: DishFile = { ...dish, dish: { ...dish.dish, guests: { avoid: ["milk", "pork", "kiwi"] } } };
    const sheet = allergenSheet(d);
    expect(sheet.clashes).toEqual([
      { avoided: "milk", allergen: "milk", brought: [{ component: "pastry", name: "Pastry", ingredients: ["butter"], guessed: true }] },
    ]);
    expect(sheet.rows.map((r) => r.allergen)).toEqual(["gluten", "egg", "milk"]);
    const lard = putInstead(d, place, "butter", substitutesFor(ingredient(d, "butter"))[0]!);
    expect(allergenSheet(lard).clashes.map((c) => c.avoided)).toEqual(["pork"]);
  });
  test("what no word betrays is unknown, never free", () => {
    const d = addComponent(dish, { name: "Dust", steps: ["mix 5m"], ingredients: ["5 g zorp"] }).document;
    expect(allergenSheet(d).unknown).toEqual([{ component: "Dust", ingredient: "zorp" }]);
  });
});
