// Open questions that fit what the food is: no juices of garlic, no tender tea, no cool wood oven, no frozen brine, and nobody is an answer.
import { describe, expect, test } from "vitest";
import { questionsOf } from "../../../src/core/dish/questions";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import type { Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const withStock = (kind: string, ingredients: string[], step: Loose): DishFile => {
  const document = smallDish((d) => {
    const stock = d.components[0];
    stock.kind = kind;
    stock.methods[0].ingredients = ingredients.map((name, i) => ({ id: `i${i}`, name, amount: { amount: 100, unit: "g" } }));
    Object.assign(stock.methods[0].steps[1], step);
    if (step.uses === undefined && "uses" in step) delete stock.methods[0].steps[1].uses;
  });
  const read = readDishValue(document);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return read.document;
};
const asked = (d: DishFile, id: RegExp) => questionsOf(d).open.find((q) => id.test(q.id));
const labels = (d: DishFile, id: RegExp) => asked(d, id)?.answers.map((a) => a.label) ?? [];

describe("what tells that it is done", () => {
  test.each([
    ["tea", "sauce", ["Black tea leaves", "Sugar", "Water"], "Simmer", /tender|juices/],
    ["garlic in oil", "oil", ["Garlic cloves", "Olive oil"], "Confit gently", /fork|juices/],
    ["carrots", "vegetable", ["Carrots", "Butter"], "Roast", /juices/],
    ["beef", "roast", ["Beef topside"], "Roast", /juices/],
  ])("%s", (_, kind, ingredients, name, never) => {
    const cues = labels(withStock(kind, ingredients, { name, done: undefined }), /^done:stock.simmer/);
    expect(cues.length).toBeGreaterThan(0);
    for (const cue of cues) expect(cue).not.toMatch(never);
  });
  test("a chicken's juices run clear, beans get tender", () => {
    expect(labels(withStock("roast", ["Chicken"], { name: "Roast", done: undefined }), /^done:stock.simmer/).join()).toMatch(
      /juices run clear/,
    );
    expect(labels(withStock("other", ["Dried borlotti beans"], { name: "Simmer", done: undefined }), /^done:stock.simmer/)).toEqual([
      "tender",
    ]);
  });
  test("a probe is asked of flesh, not of roast carrots", () => {
    expect(asked(withStock("roast", ["Pork loin"], { name: "Roast", done: undefined }), /^probe:/)).toBeDefined();
    expect(asked(withStock("roast", ["Carrots"], { name: "Roast", done: undefined }), /^probe:/)).toBeUndefined();
  });
});

test("a wood-fired oven is not offered 140 °C", () => {
  const bake = (name: string) => labels(withStock("dough", ["Flour"], { name, uses: [] }), /^oven:/);
  expect(bake("Bake in the wood-fired oven").join()).toMatch(/300 °C/);
  expect(bake("Bake in the wood-fired oven").join()).not.toMatch(/140/);
  expect(bake("Bake").join()).toMatch(/140 °C/);
});

test("nobody is an answer, and is not asked again", () => {
  const d = withStock("stock", ["Bones"], {});
  const nobody = asked(d, /^guests$/)?.answers.find((a) => a.label === "Nobody");
  expect(nobody).toBeDefined();
  const after = nobody?.apply(d) as DishFile;
  expect(readDishValue(after).status).not.toBe("refused");
  expect(asked(after, /^guests$/)).toBeUndefined();
});

test("a brine that nobody takes is thrown away, and not frozen", () => {
  const d = withStock("cure", ["Pork"], {});
  const withBrine = structuredClone(d) as Loose;
  withBrine.components[0].methods[0].steps[0].makes = [{ id: "brine", name: "Spent brine", amount: { amount: 2, unit: "L" } }];
  const question = asked(withBrine as unknown as DishFile, /^unused:stock.brine/);
  expect(question?.answers.map((a) => a.label).join()).not.toMatch(/freezer/i);
  const thrown = question?.answers.find((a) => /thrown away/.test(a.label))?.apply(withBrine as unknown as DishFile) as Loose;
  expect(thrown.components[0].methods[0].steps[0].makes).toBeUndefined();
});

describe("salt, water and the strength of a cure are asked where nothing says them", () => {
  const answered = (d: DishFile, id: RegExp, n = 0) =>
    (asked(d, id)?.answers[n]?.apply(d) ?? d).components[0]?.methods[0]?.ingredients ?? [];
  test("a ferment without salt: 2 % of all that is in the jar, and then no more", () => {
    const jar = withStock("ferment", ["White cabbage", "Carrots"], {});
    expect(labels(jar, /^salt:stock/)).toEqual(["4 g, 2 %", "5 g, 2.5 %", "6 g, 3 %"]);
    expect(answered(jar, /^salt:stock/).at(-1)).toMatchObject({ name: "fine salt", amount: { amount: 4, unit: "g" } });
    expect(asked(withStock("ferment", ["White cabbage", "Sea salt"], {}), /^salt:/)).toBeUndefined();
    expect(asked(withStock("ferment", ["White cabbage", "Fish sauce"], {}), /^salt:/)).toBeUndefined();
    expect(asked(withStock("vegetable", ["White cabbage"], {}), /^salt:/)).toBeUndefined();
  });
  test("a dough by its flour, not a sweet one and not a short one", () => {
    const bread = withStock("dough", ["Bread flour", "Yeast"], {});
    expect(labels(bread, /^salt:stock/)).toEqual(["1.8 g, 1.8 %", "2 g, 2 %", "2.2 g, 2.2 %"]);
    expect(labels(bread, /^water:stock/)).toEqual(["60 g, 60 %", "65 g, 65 %", "70 g, 70 %"]);
    expect(asked(withStock("dough", ["Bread flour", "Milk", "Salt"], {}), /^(?:salt|water):/)).toBeUndefined();
    expect(asked(withStock("dough", ["Plain flour", "Butter", "Sugar"], {}), /^(?:salt|water):/)).toBeUndefined();
  });
  test("a stock by its bones", () => {
    const stock = withStock("stock", ["Beef bones", "Onions"], {});
    expect(labels(stock, /^water:stock/)).toEqual(["0.1 L", "0.2 L", "0.2 L"]);
    expect(asked(withStock("stock", ["Beef bones", "Water"], {}), /^water:/)).toBeUndefined();
  });
  test("a curing salt whose name leaves it open, among the first", () => {
    const cure = withStock("cure", ["Pork belly", "Curing salt"], {});
    expect(
      questionsOf(cure)
        .open.slice(0, 2)
        .some((q) => q.id.startsWith("strength:")),
    ).toBe(true);
    expect(answered(cure, /^strength:/, 1).map((i) => i.name)).toContain("Curing salt, 0.5 % nitrite");
    for (const name of ["Curing salt #1", "Curing salt, 6.25 % nitrite", "Saltpetre"])
      expect(asked(withStock("cure", ["Pork belly", name], {}), /^strength:/), name).toBeUndefined();
  });
});
