// Edits give a new document and leave the old one as it was; nothing dangles afterwards.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { checkDish } from "../../../src/core/dish/check";
import {
  addComponent,
  addIngredientLines,
  addMethod,
  duplicateComponent,
  kindOfName,
  newDish,
  removeComponent,
  removeMethod,
  takeComponents,
  withFallback,
} from "../../../src/core/dish/edit/components";
import { boughtInstead, isBought, madeAnew, onHandAlready } from "../../../src/core/dish/edit/larder";
import { EditRefused } from "../../../src/core/dish/edit/refused";
import { setField, valueAt } from "../../../src/core/dish/edit/set";
import { duplicateStep, insertTyped, moveStep, removeStep, retype } from "../../../src/core/dish/edit/steps";
import { addOutput, amountTaken, entryStep, join, outputOf, part, redirect } from "../../../src/core/dish/edit/streams";
import { applyPatch, patchBetween } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { DEMO, demoDocument } from "../../support/dishes";

const empty = newDish({ name: "Sunday pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
const errors = (d: DishFile) => readDishValue(d).problems.filter((p) => p.severity === "error");
const pie = () => {
  let d = addComponent(empty, {
    name: "Jelly stock",
    steps: ["simmer 4h, 10 L pot", "strain 10m, makes 1.2 L jelly stock, makes 400 g spent bones"],
    ingredients: ["1 kg bones", "3 L water"],
  }).document;
  d = addComponent(d, {
    name: "Shortcrust",
    steps: ["rub in 15m", "rest 2h in the fridge"],
    ingredients: ["300 g flour", "150 g butter"],
  }).document;
  return d;
};
const stepsOf = (d: DishFile, c: string) => d.components.find((x) => x.id === c)?.methods[0]?.steps ?? [];
const takesOf = (d: DishFile) =>
  d.components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => (s.takes ?? []).map((t) => `${t.from}>${c.id}.${s.id}`))));

test("a dish from nothing, component by component, is sound at every point", () => {
  expect(errors(empty)).toEqual([]);
  const d = pie();
  expect(errors(d)).toEqual([]);
  expect(d.components.map((c) => [c.id, c.kind])).toEqual([
    ["jelly-stock", "stock"],
    ["shortcrust", "dough"],
    ["table", "assembly"],
  ]);
  expect(stepsOf(d, "jelly-stock")[0]).toMatchObject({ attention: "nearby", uses: [{ what: "burner" }, { what: "pot", litres: 10 }] });
  expect(takesOf(d)).toEqual(["jelly-stock.jelly-stock>table.serve", "shortcrust.shortcrust>table.serve"]);
  const bare = addComponent(d, { name: "Greens", steps: [], ingredients: [] }).document;
  expect(errors(bare)).toEqual([]);
  expect(() => addComponent(d, { name: " ", steps: [], ingredients: [] })).toThrow(EditRefused);
});

test.each([
  ["Seeded loaf", "dough"],
  ["Piccalilli", "pickle"],
  ["Duck confit", "braise"],
  ["Blackcurrant ice", "sweet"],
  ["Thing", "other"],
])("%s is a %s by its name", (name, kind) => expect(kindOfName(name)).toBe(kind));

describe("streams", () => {
  test("are joined, measured, redirected and parted", () => {
    let d = pie();
    d = addComponent(d, { name: "Filled pie", steps: ["line and fill 30m", "bake 1h, 190C"], ingredients: [] }).document;
    const to = entryStep(d, "filled-pie")!;
    expect(to).toBe("filled-pie.line-and-fill");
    d = redirect(d, { from: "shortcrust.shortcrust", to: "table.serve" }, to);
    expect(takesOf(d)).toContain("shortcrust.shortcrust>filled-pie.line-and-fill");
    expect(takesOf(d)).not.toContain("shortcrust.shortcrust>table.serve");
    d = join(d, { from: "jelly-stock.jelly-stock", to }, { amount: 500, unit: "mL" });
    d = amountTaken(d, { from: "jelly-stock.jelly-stock", to }, { amount: 400, unit: "mL" });
    expect(errors(d)).toEqual([]);
    expect(stepsOf(d, "filled-pie")[0]?.takes).toEqual([
      { from: "shortcrust.shortcrust" },
      { from: "jelly-stock.jelly-stock", amount: { amount: 400, unit: "mL" } },
    ]);
    d = part(d, { from: "jelly-stock.jelly-stock", to });
    expect(takesOf(d)).not.toContain(`jelly-stock.jelly-stock>${to}`);
  });
  test("a circle is refused before it is made", () => {
    const d = pie();
    const round = join(d, { from: "jelly-stock.jelly-stock", to: "shortcrust.rub-in" });
    expect(() => join(round, { from: "shortcrust.shortcrust", to: "jelly-stock.simmer" })).toThrow(/wait for each other/);
    expect(() => join(d, { from: "jelly-stock.jelly-stock", to: "jelly-stock.simmer" })).toThrow(/before this is made/);
  });
  test("a by-product gets an id of its own", () => {
    const d = addOutput(pie(), "jelly-stock.simmer", "Jelly stock", { amount: 100, unit: "g" });
    expect(stepsOf(d, "jelly-stock")[0]?.makes?.[0]?.id).toBe("jelly-stock-2");
    expect(outputOf(d, "jelly-stock")).toBe("jelly-stock.jelly-stock");
    expect(errors(d)).toEqual([]);
  });
});

describe("steps", () => {
  const place = { component: "shortcrust", method: "usual" };
  test("are typed in, retyped, moved, doubled and taken out", () => {
    let d = insertTyped(pie(), place, "roll out 10m, at once", 1);
    expect(stepsOf(d, "shortcrust").map((s) => s.id)).toEqual(["rub-in", "roll-out", "rest"]);
    expect(stepsOf(d, "shortcrust")[1]?.after).toEqual([{ step: "rub-in", max: "0m", limit: "quality" }]);
    d = retype(d, { ...place, step: "rest" }, "Rest 1h in the fridge");
    expect(stepsOf(d, "shortcrust")[2]).toMatchObject({ id: "rest", time: "1h", makes: [{ id: "shortcrust" }] });
    d = moveStep(d, { ...place, step: "rest" }, -5);
    expect(stepsOf(d, "shortcrust")[0]?.id).toBe("rest");
    d = duplicateStep(d, { ...place, step: "rest" });
    expect(stepsOf(d, "shortcrust")[1]).toMatchObject({ id: "rest-2" });
    expect(stepsOf(d, "shortcrust")[1]?.makes).toBeUndefined();
    d = removeStep(d, { ...place, step: "rub-in" });
    // What waited for it follows the step before it again.
    expect(stepsOf(d, "shortcrust").find((s) => s.id === "roll-out")?.after).toBeUndefined();
    expect(errors(d)).toEqual([]);
  });
  test("what is served, and the last step of a way, stay", () => {
    expect(() => removeStep(empty, { component: "table", method: "table", step: "serve" })).toThrow(/serving step/);
    const one = addComponent(empty, { name: "Jam", steps: ["boil 1h"], ingredients: [] }).document;
    expect(() => removeStep(one, { component: "jam", method: "usual", step: "boil" })).toThrow(/only step/);
  });
});

describe("components", () => {
  test("are taken out with all that pointed at them", () => {
    const d = removeComponent(pie(), "jelly-stock");
    expect(takesOf(d)).toEqual(["shortcrust.shortcrust>table.serve"]);
    expect(errors(d)).toEqual([]);
    expect(() => removeComponent(d, "table")).toThrow(/what is served/);
  });
  test("any component of the demo but what is served can be taken out, and the rest is sound", () => {
    for (const slug of DEMO) {
      const document = readDishValue(demoDocument(slug));
      if (document.status !== "read") throw new Error(slug);
      for (const c of document.document.components) {
        if (
          document.document.dish.serve.startsWith(`${c.id}.`) ||
          document.document.dish.courses?.some((x) => x.serve.startsWith(`${c.id}.`))
        )
          continue;
        expect([slug, c.id, errors(removeComponent(document.document, c.id))]).toEqual([slug, c.id, []]);
      }
    }
  });
  test("a copy takes the same, and is taken by nobody", () => {
    const { document, id } = duplicateComponent(pie(), "shortcrust");
    expect(errors(document)).toEqual([]);
    expect(takesOf(document).some((t) => t.startsWith(`${id}.`))).toBe(false);
  });
  test("taken from another dish: scaled to the guests, links within kept, others dropped", () => {
    const lunch = readDishValue(demoDocument("harvest-lunch"));
    if (lunch.status !== "read") throw new Error("demo");
    const { document, ids } = takeComponents(empty, lunch.document, ["bread"], { scale: 2 });
    expect(errors(document)).toEqual([]);
    expect(document.components.find((c) => c.id === ids[0])?.factor).toBe(2);
    expect(takesOf(document).some((t) => t.endsWith(">table.serve"))).toBe(true);
  });
  test("a second way is a copy, and takes its outputs with it when it goes", () => {
    const { document, id } = addMethod(pie(), { component: "shortcrust", method: "usual" }, "Quick");
    expect(errors(document)).toEqual([]);
    expect(removeMethod(document, { component: "shortcrust", method: id })).toEqual(pie());
    expect(() => removeMethod(pie(), { component: "shortcrust", method: "usual" })).toThrow(EditRefused);
  });
  test("ingredient lines: headings are no ingredients, the same name gets another id", () => {
    const d = addIngredientLines(pie(), { component: "shortcrust", method: "usual" }, ["For the glaze:", "1 egg", "50 g butter"]);
    expect(d.components[1]?.methods[0]?.ingredients?.map((i) => i.id)).toEqual(["flour", "butter", "egg", "butter-2"]);
  });
});

describe("not made this time", () => {
  test("in the larder: listed with how it keeps, taken as before, and made anew by taking that back", () => {
    const there = onHandAlready(pie(), "jelly-stock", "2026-12-04T20:00", { amount: 1, unit: "L" });
    expect(errors(there)).toEqual([]);
    expect(there.components[0]?.onHand).toMatchObject([
      { output: "jelly-stock", amount: { amount: 1, unit: "L" } },
      { output: "spent-bones", amount: { amount: 400, unit: "g" } },
    ]);
    expect(madeAnew(there, "jelly-stock")).toEqual(pie());
    expect(() => onHandAlready(pie(), "table", "2026-12-04T20:00", undefined)).toThrow(/cannot be on hand/);
  });
  test("bought: its fallback is fixed as the way of this time, and let go again", () => {
    expect(() => boughtInstead(pie(), "shortcrust", true)).toThrow(/if it fails/);
    const d = withFallback(pie(), "shortcrust", { name: "Bought shortcrust", lead: "1h" });
    const bought = boughtInstead(d, "shortcrust", true);
    expect(isBought(bought, "shortcrust")).toBe(true);
    expect(errors(bought)).toEqual([]);
    expect(isBought(boughtInstead(bought, "shortcrust", false), "shortcrust")).toBe(false);
  });
});

describe("fields", () => {
  test("setting, emptying, and never the prototype", () => {
    const d = pie();
    const path = ["components", 0, "methods", 0, "steps", 0, "done", "cue"] as const;
    const set = setField(d, path, "tastes round");
    expect(valueAt(set, path)).toBe("tastes round");
    expect(setField(set, path, undefined)).toEqual(d);
    expect(valueAt(d, path)).toBeUndefined();
    expect(() => setField(d, ["__proto__", "x"], 1)).toThrow();
  });
  test("the difference of two documents, applied to the first, is the second", () => {
    const words = fc.constantFrom("boil 1h", "rest 2h, fridge 2 L", "bake 40m, 200C, makes 1 kg loaf", "turn 5m, keeps 2d fridge");
    fc.assert(
      fc.property(fc.array(words, { maxLength: 4 }), fc.array(words, { maxLength: 4 }), (a, b) => {
        const one = addComponent(empty, { name: "One", steps: a, ingredients: ["1 kg flour"] }).document;
        const two = addComponent(one, { name: "Two", steps: b, ingredients: [] }).document;
        expect(applyPatch(one, patchBetween(one, two))).toEqual(JSON.parse(JSON.stringify(two)));
        expect(applyPatch(two, patchBetween(two, one))).toEqual(JSON.parse(JSON.stringify(one)));
        expect(checkDish(two).filter((p) => p.severity === "error")).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
});
