// The flow of material says of every gram where it goes, and the Markdown everything that the dish says.
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../../src/core/dish/edit/components";
import { missingKinds, withBorrowed } from "../../../src/core/dish/edit/kitchen";
import { addOutput, join, part } from "../../../src/core/dish/edit/streams";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { dishMarkdown } from "../../../src/core/sheets/markdown";
import { materialFlow, weightText } from "../../../src/core/sheets/material-flow";
import { DEMO, demoDocument } from "../../support/dishes";

const base = newDish({ name: "Pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });

test("by hand: two litres of stock, half a litre into the sauce, fat that nobody takes", () => {
  let d = addComponent(base, {
    name: "Stock",
    steps: ["simmer 4h, makes 300 g fat", "strain 10m, makes 2 L stock"],
    ingredients: ["1 kg bones", "3 L water"],
  }).document;
  d = addComponent(d, { name: "Sauce", steps: ["reduce 20m, takes 500 mL stock"], ingredients: ["100 g butter"] }).document;
  d = part(d, { from: "stock.stock", to: "table.serve" });
  const { pools, streams } = materialFlow(d);
  expect(pools.map((p) => [p.id, Math.round(p.raw.grams), p.serves])).toEqual([
    ["stock", 4000, false],
    ["sauce", 100, false],
    ["table", 0, true],
  ]);
  const by = Object.fromEntries(streams.map((s) => [s.id, s]));
  expect(by["stock.stock>sauce.reduce"]).toMatchObject({ from: "stock", to: "sauce", grams: 500, amount: "500 mL", byProduct: false });
  expect(by["stock.stock>unused"]).toMatchObject({ to: undefined, grams: 1500, amount: "1.5 L" });
  expect(by["stock.fat>unused"]).toMatchObject({ grams: 300, byProduct: true, stated: true });
  // Nothing is said of what the sauce weighs: what went into it stands for it.
  expect(by["sauce.sauce>table.serve"]).toMatchObject({ grams: 600, stated: false });
  expect(weightText({ grams: 603, stated: false })).toBe("about 605 g");
});

test("more taken than made is seen", () => {
  let d = addComponent(base, { name: "Stock", steps: ["simmer 4h, makes 1 L stock"], ingredients: ["2 L water"] }).document;
  d = join(d, { from: "stock.stock", to: "table.serve" }, { amount: 2, unit: "L" });
  expect(materialFlow(d).streams[0]).toMatchObject({ short: true });
});

describe.each(DEMO)("%s", (slug) => {
  const read = readDishValue(demoDocument(slug));
  if (read.status !== "read") throw new Error(slug);
  const d = read.document;
  test("every stream begins in a pool and ends in one or runs out; what is made is not less than what runs", () => {
    const { pools, streams } = materialFlow(d);
    const ids = new Set(pools.map((p) => p.id));
    expect(streams.length).toBeGreaterThan(3);
    for (const s of streams) {
      expect(ids.has(s.from)).toBe(true);
      expect(s.to === undefined || ids.has(s.to)).toBe(true);
      expect(s.grams).toBeGreaterThanOrEqual(0);
      expect(Number.isFinite(s.grams)).toBe(true);
    }
    expect(new Set(streams.map((s) => s.id)).size).toBe(streams.length);
  });
  test("Download Markdown every component, step and caution is told, and nothing of it is markup of its own", () => {
    const text = dishMarkdown(d);
    for (const c of d.components) {
      expect(text).toContain(`## ${c.name.replace(/([\\`*_[\]<>|])/g, "\\$1")}`);
      for (const m of c.methods)
        for (const s of m.steps) expect(text).toContain((s.name ?? s.id).replace(/([\\`*_[\]<>|])/g, "\\$1").replace(/\s+/g, " "));
    }
    const odd = { ...d, dish: { ...d.dish, name: "A *pie* <script>" } } as DishFile;
    expect(dishMarkdown(odd)).toContain("# A \\*pie\\* \\<script\\>");
  });
});

test("what a dish asks for and the kitchen has not can be borrowed, all at once", () => {
  const d = addComponent(base, { name: "Ribs", steps: ["smoke 6h, grill 110"], ingredients: [] }).document;
  expect(missingKinds(d)).toEqual(["grill"]);
  const borrowed = withBorrowed(d);
  expect(readDishValue(borrowed).problems.filter((p) => p.severity === "error")).toEqual([]);
  const jar = { id: "jars", kind: "jar", litres: 1, count: 8 };
  const packed = addComponent({ ...base, kitchen: { ...base.kitchen, equipment: [...(base.kitchen?.equipment ?? []), jar] } } as DishFile, {
    name: "Relish",
    steps: ["ferment 7d, 3 L jar, counter"],
    ingredients: [],
  }).document;
  expect(withBorrowed(packed).kitchen?.equipment?.filter((e) => e.kind === "jar")).toMatchObject([
    { litres: 1 },
    { id: "borrowed-jar", litres: 3 },
  ]);
  expect(addOutput(borrowed, "ribs.smoke", "Drippings").components[0]?.methods[0]?.steps[0]?.makes).toHaveLength(2);
});
