// What an experienced cook would ask: each question is asked where it should be, not where it should not, and its answers settle it.
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../../src/core/dish/edit/components";
import { EditRefused } from "../../../src/core/dish/edit/refused";
import { askAgain, dismissQuestion, type Question, questionsOf } from "../../../src/core/dish/questions";
import { readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { DEMO, demoDocument, type Loose } from "../../support/dishes";

const base = newDish({ name: "Pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
const dish = (name: string, steps: string[], ingredients: string[] = ["1 kg flour"], more: { name: string; steps: string[] }[] = []) => {
  let d = addComponent(base, { name, steps, ingredients }).document;
  for (const m of more) d = addComponent(d, { ...m, ingredients: ["1 kg apples"] }).document;
  return d;
};
const ask = (d: DishFile, id: string): Question | undefined => questionsOf(d).open.find((q) => q.id === id);
const sound = (d: DishFile) => readDishValue(d).problems.filter((p) => p.severity === "error");

/** Each row: what is typed, the question's id, whether it is asked. */
describe("asked, and only where it should be", () => {
  test.each<[string, DishFile, string, boolean]>([
    ["stock on the counter for ten hours", dish("Stock", ["simmer 2h", "rest 10h"]), "counter:stock.rest", true],
    ["stock in the fridge", dish("Stock", ["simmer 2h", "rest 10h, fridge 4 L"]), "counter:stock.rest", false],
    ["dough on the counter for ten hours", dish("Bread dough", ["knead 10m", "rise 10h"]), "counter:bread-dough.rise", false],
    ["dough on the counter for a day", dish("Bread dough", ["knead 10m", "rise 24h"]), "counter:bread-dough.rise", true],
    ["kraut on the counter for days", dish("Red kraut", ["salt 20m", "ferment 6d"]), "counter:red-kraut.ferment", false],
    [
      "stock kept a week in the fridge",
      dish("Stock", ["simmer 2h, makes 1 L stock, keeps 7d fridge"]),
      "hold-long:stock.stock:fridge",
      true,
    ],
    [
      "stock kept two days in the fridge",
      dish("Stock", ["simmer 2h, makes 1 L stock, keeps 2d fridge"]),
      "hold-long:stock.stock:fridge",
      false,
    ],
    ["nobody said longest wait", dish("Filled dough parcels", ["fill 40m, makes 24 parcels"]), "hold:filled-dough-parcels.parcels", true],
    [
      "it is said",
      dish("Filled dough parcels", ["fill 40m, makes 24 parcels, keeps 2h fridge"]),
      "hold:filled-dough-parcels.parcels",
      false,
    ],
    ["hot stock into the fridge", dish("Stock", ["simmer 2h, makes 1 L stock, keeps 2d fridge"]), "cool:stock.stock", true],
    ["cooled stock", dish("Stock", ["simmer 2h", "cool 1h, makes 1 L stock, keeps 2d fridge"]), "cool:stock.stock", false],
    ["baked at what heat", dish("Loaf", ["bake 40m"]), "oven:loaf.bake", true],
    ["baked at 220", dish("Loaf", ["bake 40m, 220C"]), "oven:loaf.bake", false],
    ["simmered in what pot", dish("Stock", ["simmer 2h"]), "pot:stock.simmer", true],
    ["simmered in a pot of 5 L", dish("Stock", ["simmer 2h, 5 L pot"]), "pot:stock.simmer", false],
    ["ten hours on the heat", dish("Stock", ["simmer 10h"]), "night:stock.simmer", true],
    ["ten hours, only awake", dish("Stock", ["simmer 10h, not at night"]), "night:stock.simmer", false],
    ["what tells that it is done", dish("Loaf", ["bake 40m, 220C"]), "done:loaf.bake", true],
    ["it is told", dish("Loaf", ["bake 40m, 220C, until hollow when knocked"]), "done:loaf.bake", false],
    ["how hot in the middle", dish("Roast pork", ["roast 2h, 160C, until brown"]), "probe:roast-pork.roast", true],
    ["bread is not probed", dish("Loaf", ["bake 40m, 220C, until brown"]), "probe:loaf.bake", false],
    ["one time for a long braise", dish("Braised shin", ["braise 3h"]), "spread:braised-shin.braise", true],
    ["a span for a long braise", dish("Braised shin", ["braise 3-4h"]), "spread:braised-shin.braise", false],
    ["no steps at all", dish("Mystery", []), "steps:mystery.make", true],
    ["no ingredients", dish("Loaf", ["knead 10m"], []), "ingredients:loaf", true],
    ["an ingredient without an amount", dish("Loaf", ["knead 10m"], ["flour"]), "amount:loaf.usual.flour", true],
    ["one to taste", dish("Loaf", ["knead 10m"], ["flour for dusting"]), "amount:loaf.usual.flour", false],
    ["nothing if it fails", dish("Kraut", ["salt 20m", "ferment 5-8d"]), "fallback:kraut", true],
    ["a quick thing needs no way out", dish("Salad", ["toss 5m"]), "fallback:salad", false],
    [
      "a by-product that nobody takes",
      dish("Stock", ["simmer 2h, makes 300 g fat", "strain 5m, makes 1 L stock"]),
      "unused:stock.fat",
      true,
    ],
    ["guests", base, "guests", true],
  ])("%s", (_, d, id, asked) => {
    expect(ask(d, id) !== undefined).toBe(asked);
  });
});

test("every pressed answer, in every dish here, leaves a sound dish that is not asked the same again", () => {
  const dishes = [
    dish("Stock", ["simmer 10h, makes 300 g fat", "strain 5m, makes 2 L stock, keeps 9d fridge"], ["1 kg bones", "pepper"]),
    dish("Filled parcels", ["fill 40m, makes 24 parcels", "bake 40m"]),
    dish("Roast pork", ["roast 2h, 160C", "rest 6h"]),
    dish("Smoked ham", ["cure 4d", "smoke 9h, oven 110"]),
    ...DEMO.map((slug) => demoDocument(slug) as DishFile),
  ];
  let pressed = 0;
  for (const d of dishes)
    for (const q of questionsOf(d).open)
      for (const a of q.answers) {
        const after = a.apply(d);
        expect(sound(after), `${q.id}: ${a.label}`).toEqual([]);
        expect(ask(after, q.id), `${q.id}: ${a.label}`).toBeUndefined();
        pressed++;
      }
  expect(pressed).toBeGreaterThan(40);
});

test("what is typed in answer is read, and nonsense is refused with an example", () => {
  const d = dish("Filled parcels", ["fill 40m, makes 24 parcels", "bake 40m"], ["flour"]);
  const answer = (id: string, text: string) => ask(d, id)!.typed!.apply(d, text);
  expect(ask(answer("hold:filled-parcels.parcels", "2h fridge"), "hold:filled-parcels.parcels")).toBeUndefined();
  expect(answer("oven:filled-parcels.bake", "400F").components[0]?.methods[0]?.steps[1]?.uses).toEqual([
    { what: "oven", tempC: 205, racks: 1 },
  ]);
  expect(answer("done:filled-parcels.bake", "golden").components[0]?.methods[0]?.steps[1]?.done?.cue).toBe("golden");
  expect(answer("amount:filled-parcels.usual.flour", "1 1/2 cups").components[0]?.methods[0]?.ingredients?.[0]?.amount).toEqual({
    amount: 1.5,
    unit: "cup",
  });
  for (const q of questionsOf(d).open)
    if (q.typed) for (const text of ["", "   "]) expect(() => q.typed!.apply(d, text), q.id).toThrow(EditRefused);
  expect(() => answer("oven:filled-parcels.bake", "purple")).toThrow(/165C/);
});

test("a typed amount is meant for the guests at the table", () => {
  const twelve = { ...dish("Loaf", ["knead 10m"], ["flour"]), dish: { ...base.dish, serves: 12 } };
  const after = ask(twelve, "amount:loaf.usual.flour")!.typed!.apply(twelve, "1 kg");
  expect(after.components[0]?.methods[0]?.ingredients?.[0]?.amount).toEqual({ amount: 0.5, unit: "kg" });
});

test("the weightiest first; put aside with a reason, and asked again", () => {
  const d = dish("Stock", ["simmer 10h", "rest 10h"]);
  const { open } = questionsOf(d);
  expect(open.map((q) => q.weight)).toEqual(open.map((q) => q.weight).toSorted((a, b) => b - a));
  expect(open[0]?.id).toBe("counter:stock.rest");
  const aside = dismissQuestion(d, "counter:stock.rest", "our larder is at 6 °C");
  expect(ask(aside, "counter:stock.rest")).toBeUndefined();
  expect(questionsOf(aside).dismissed[0]).toMatchObject({ reason: "our larder is at 6 °C" });
  expect(sound(aside)).toEqual([]);
  expect(askAgain(aside, "counter:stock.rest")).toEqual(d);
});

test("a question about another way than the first says which: the first is cooled, the other goes into the fridge hot", () => {
  const lunch = demoDocument("harvest-lunch");
  const leaf = lunch.components.find((c: Loose) => c.id === "jelly").methods[1];
  const [soak, warm, cool] = leaf.steps;
  leaf.steps = [soak, { ...warm, makes: cool.makes }];
  const texts = questionsOf(lunch).open.map((q) => q.text);
  expect(texts).toContain("Jelly stock by “Leaf gelatine in cider stock” goes into the fridge hot: how is it cooled first?");
});
