// What is bought: to the gram against a list worked by hand, in the packs that there are, over several dishes, without what is at home.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { LarderBody } from "../../../src/core/larder/events";
import { larderItems } from "../../../src/core/larder/items";
import { planDish } from "../../../src/core/planner";
import { toBuy } from "../../../src/core/sheets/at-home";
import { packsFor } from "../../../src/core/sheets/packs";
import { needsOf, rowsOf, shoppingRows } from "../../../src/core/sheets/shopping";
import { demoDocument, dishOf } from "../../support/dishes";

const planOf = (name: string) => {
  const document = demoDocument(name);
  const dish = dishOf(document);
  const answer = planDish(dish, { rounds: 5 });
  if (answer.status !== "feasible") throw new Error("no plan");
  return {
    document,
    dish,
    plan: { ...answer.plan, methods: Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""])) },
  };
};

describe("the harvest lunch", () => {
  const { document, dish, plan } = planOf("harvest-lunch");
  const rows = shoppingRows(document, dish, plan);
  const table = readFileSync("tests/data/shopping/harvest-lunch.md", "utf8")
    .split("\n")
    .filter((l) => l.startsWith("| ") && !/^\| (?:What|---)/.test(l))
    .map((l) =>
      l
        .slice(2, -2)
        .split(" | ")
        .map((cell) => cell.trim()),
    );
  test("is right to the gram against the list worked by hand, packs and leftovers too", () => {
    const worked = Object.fromEntries(table.map(([what = "", , amount, packs, left]) => [what, { amount, packs, left }]));
    expect(Object.fromEntries(rows.map((r) => [r.ingredient, { amount: r.amount, packs: r.packs, left: r.left }]))).toEqual(worked);
    expect(rows).toHaveLength(table.length);
  });
  test("whose working is right: what the file says, added up, for ten in place of eight", () => {
    for (const [what, working = "", amount = ""] of table) {
      const sum =
        working
          .replace(/[^\d+.]/g, "")
          .split("+")
          .reduce((a, b) => a + Number(b), 0) * 1.25;
      const said = Number.parseFloat(amount) * (/ (?:kg|L)$/.test(amount) ? 1000 : 1);
      expect(Math.abs(said / sum - 1), what).toBeLessThan(0.006);
    }
  });
  test("wants nothing that comes out of the tap", () => {
    expect(rows.filter((r) => /^(?:boiling )?water$/i.test(r.ingredient))).toEqual([]);
  });
});

test("two dishes at once: the same thing once, with both dishes beside it and the packs of the sum", () => {
  const [pastries, duck] = [planOf("saturday-pastries"), planOf("spiced-duck")];
  const apart = [pastries, duck].map((p) => shoppingRows(p.document, p.dish, p.plan).find((r) => r.ingredient === "Sugar"));
  const together = rowsOf([
    ...needsOf(pastries.document, pastries.dish, pastries.plan, "pastries"),
    ...needsOf(duck.document, duck.dish, duck.plan, "duck"),
  ]);
  const sugar = together.find((r) => r.ingredient === "Sugar");
  const grams = (text = "") => Number.parseFloat(text) * (text.endsWith("kg") ? 1000 : 1);
  expect(grams(sugar?.amount)).toBeCloseTo(grams(apart[0]?.amount) + grams(apart[1]?.amount), 0);
  expect(sugar?.components.some((c) => c.endsWith("(pastries)"))).toBe(true);
  expect(sugar?.components.some((c) => c.endsWith("(duck)"))).toBe(true);
  expect(together.filter((r) => r.ingredient === "Sugar")).toHaveLength(1);
});

describe("packs", () => {
  const g = (value: number) => ({ dimension: "mass", value }) as const;
  const mL = (value: number) => ({ dimension: "volume", value }) as const;
  const n = (value: number, piece = "piece") => ({ dimension: "count", value, piece }) as const;
  test.each([
    ["Butter", g(250), "250 g", ""],
    ["Butter", g(251), "2 × 250 g", "249 g"],
    ["Butter", g(375), "2 × 250 g", "125 g"],
    ["Butter", { ...mL(100) }, "250 g", "154 g"],
    ["Milk", mL(1000), "1 L", ""],
    ["Milk", mL(1001), "1 L + 500 mL", "499 mL"],
    ["Double cream", mL(500), "500 mL", ""],
    ["Plain flour", g(2400), "2 × 1 kg + 500 g", "100 g"],
    ["Eggs", n(6), "box of 6", ""],
    ["Eggs", n(7), "box of 10", "3"],
    ["Eggs", n(11), "1 dozen", "1"],
    ["Eggs", n(13), "2 dozen", "11"],
    ["Egg whites", n(3), "3 eggs", "3 yolks"],
    ["Egg yolk", n(1), "1 egg", "1 white"],
    ["Lemons", n(2.25), "3", ""],
    ["Lemons", n(2), "", ""],
    ["Beef shin", g(820), "", ""],
    ["Parsley", n(1.5, "bunch"), "2 bunches", ""],
    ["Quite unknown stuff", g(90), "", ""],
    ["Butter", undefined, "", ""],
    ["Butter", g(0), "", ""],
    ["Plain flour", g(90_000), "", ""],
    ["Garden peas, frozen", g(300), "500 g", "200 g"],
  ] as const)("%s %j is %s, %s left", (name, quantity, packs, left) => {
    expect(packsFor(name, quantity)).toEqual({ packs, left });
  });
});

describe("what is at home", () => {
  const { document, dish, plan } = planOf("harvest-lunch");
  const needs = needsOf(document, dish, plan);
  const kept = (...bodies: object[]) =>
    larderItems(
      [],
      bodies.map((b, i) => ({
        id: i + 1,
        item: `item-${i}`,
        at: dish.serveAt - 20_000,
        body: LarderBody.parse({ kind: "added", place: "cellar", ...b }),
      })),
    );
  const row = (name: string, ...bodies: object[]) => toBuy(needs, kept(...bodies)).find((r) => r.ingredient === name);
  test("is taken off where there is an amount, and the packs follow", () => {
    expect(row("Sugar", { name: "sugar", amount: { amount: 300, unit: "g" } })).toMatchObject({
      amount: "188 g",
      packs: "500 g",
      atHome: "300 g",
    });
    expect(row("Dark sugar", { name: "Sugar", amount: { amount: 300, unit: "g" } })).toMatchObject({ amount: "113 g", atHome: "" });
    expect(row("Sugar", { name: "White sugar", amount: { amount: 2, unit: "kg" } })).toBeUndefined();
  });
  test("without an amount is told and takes nothing off", () => {
    expect(row("Honey", { name: "Honey", about: "about half a jar" })).toMatchObject({ amount: "50 g", atHome: "about half a jar" });
  });
  test("does not count where it spoils before the need, is promised, or is another food", () => {
    const soon = { name: "Butter", amount: { amount: 200, unit: "g" }, until: dish.serveAt - 10_000 };
    expect(row("Butter", soon)).toMatchObject({ amount: "25 g", atHome: "" });
    expect(row("Butter", { name: "Peanut butter", amount: { amount: 200, unit: "g" } })).toMatchObject({ amount: "25 g", atHome: "" });
    const butter = kept({ name: "Butter", amount: { amount: 200, unit: "g" } }).map((i) => ({ ...i, reserved: "Another dish" }));
    expect(toBuy(needs, butter).find((r) => r.ingredient === "Butter")).toMatchObject({ amount: "25 g", atHome: "" });
  });
  test("is used up once: what one component takes is not there for the next", () => {
    const salt = needs.filter((n) => n.row.ingredient === "Salt").length;
    expect(salt).toBe(3);
    expect(row("Salt", { name: "Salt", amount: { amount: 10, unit: "g" } })?.amount).toBe("23.8 g");
  });
});
