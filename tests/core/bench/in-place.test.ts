// Panels inside a component: filled from what the dish says, and their results written back into it, at the number of guests.
import { describe, expect, it, test } from "vitest";
import { benchAnswer } from "../../../src/core/bench/ask";
import { filledFrom, panelsFor, panelsForStep } from "../../../src/core/bench/in-place";
import { type Panel, startOf, type Write } from "../../../src/core/bench/panel";
import { PANELS, panelOf } from "../../../src/core/bench/panels";
import { meantSteps, written } from "../../../src/core/bench/write-into";
import { COMPONENT_KINDS } from "../../../src/core/dish/kinds";
import { readDish } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { demoDocument } from "../../support/dishes";

const lunch: DishFile = demoDocument("harvest-lunch");
const placeOf = (document: DishFile, component: string) => ({
  component,
  method: document.components.find((c) => c.id === component)?.methods[0]?.id ?? "",
});
const panel = (id: string) => panelOf(id) as Panel;
const filled = (component: string, id: string, step?: string) => filledFrom(lunch, placeOf(lunch, component), panel(id), "metric", step);
function calculated(component: string, id: string, changed: Readonly<Record<string, string>> = {}) {
  const { answer } = benchAnswer({
    panel: id,
    typed: { ...startOf(panel(id), "metric"), ...filled(component, id), ...changed },
    units: "metric",
  });
  if (!answer.ok) throw new Error(answer.message);
  return answer.result;
}
const method = (d: DishFile, component: string) =>
  d.components.find((c) => c.id === component)?.methods[0] as DishFile["components"][number]["methods"][number];

it("offers something for every kind of component, and all it offers is there", () => {
  for (const kind of COMPONENT_KINDS) expect(panelsFor(kind).length, kind).toBeGreaterThan(0);
  expect(panelsForStep("Chill the stock").map((p) => p.id)).toContain("cooling");
  expect(panelsForStep("Whistle")).toEqual([]);
});

describe("what the dish says stands in the fields, for its guests", () => {
  test("a cure: the meat at ten guests, not at the eight of the file", () => {
    expect(lunch.dish.serves / lunch.dish.baseServes).toBe(1.25);
    expect(filled("pork", "dry-cure").meat).toBe("938 g");
  });
  test("stock, sauce and fat are named after meat and are not cured with it", () => {
    const goes = [
      ["Pork belly, boned", 1000],
      ["Beef stock", 500],
      ["Fish sauce", 40],
      ["Duck fat", 60],
    ] as const;
    const document: DishFile = {
      ...lunch,
      dish: { ...lunch.dish, serves: 8, baseServes: 8 },
      components: lunch.components.map((c) =>
        c.id === "pork"
          ? {
              ...c,
              methods: c.methods.map((m) => ({
                ...m,
                ingredients: goes.map(([name, amount], i) => ({ id: `i${i}`, name, amount: { amount, unit: "g" } })),
              })),
            }
          : c,
      ),
    };
    const got = filledFrom(document, placeOf(document, "pork"), panel("curing-salt"), "metric");
    expect(got).toMatchObject({ meat: "1 kg", product: "bacon_dry" });
  });
  test("a dough by its percentages", () => {
    const got = filled("crust", "dough-percentages");
    expect(Number.parseFloat(got.water ?? "")).toBeGreaterThan(38);
    expect(Number.parseFloat(got.water ?? "")).toBeLessThan(43);
    expect(got.salt).toMatch(/^1\.\d+ %$/);
  });
  it.each(lunch.components.flatMap((c) => PANELS.map((p) => [c.id, p.id] as const)))("%s opens %s with an answer", (component, id) => {
    const typed = { ...startOf(panel(id), "metric"), ...filled(component, id) };
    const { answer } = benchAnswer({ panel: id, typed, units: "metric" });
    // Two readings are needed before a forecast can be made: the cook has not taken them yet.
    if (id === "forecast") return;
    expect(answer.ok ? "" : answer.message).toBe("");
  });
});

describe("written into the dish", () => {
  const place = placeOf(lunch, "pork");
  test("an amount goes in at the file's own number of guests, in the ingredient's own unit", () => {
    const write = calculated("pork", "dry-cure", { salt: "2" }).writes?.find((w) => w.kind === "ingredient" && w.name === "salt") as Write;
    const next = written(lunch, place, write);
    const salt = method(next, "pork").ingredients?.find((i) => /sea salt/i.test(i.name));
    expect(salt?.amount).toEqual({ amount: 15.04, unit: "g" });
    // The curing salt beside it is another thing.
    expect(method(next, "pork").ingredients?.find((i) => /nitrite/.test(i.name))).toEqual(
      method(lunch, "pork").ingredients?.find((i) => /nitrite/.test(i.name)),
    );
    // Salt comes to a tenth of a gram, which is a hundredth of a per cent here.
    expect(filledFrom(next, place, panel("dry-cure"), "metric").salt).toBe("2.01 %");
  });
  test("a time goes to the step that it is meant for, with its band, and the dish stays one that can be read", () => {
    const write = calculated("pork", "dry-cure").writes?.find((w) => w.kind === "time") as Extract<Write, { kind: "time" }>;
    expect(meantSteps(method(lunch, "pork"), write)[0]?.id).toBe("cure");
    const next = written(lunch, place, write);
    const time = method(next, "pork").steps.find((s) => s.id === "cure")?.time;
    expect(time).toMatchObject({ min: expect.stringMatching(/d/), likely: expect.any(String), max: expect.any(String) });
    expect(readDish(JSON.stringify(next)).status).not.toBe("refused");
    const elsewhere = written(lunch, place, write, "rinse");
    expect(method(elsewhere, "pork").steps.find((s) => s.id === "cure")).toEqual(method(lunch, "pork").steps.find((s) => s.id === "cure"));
  });
  test("a keeping goes to what the component makes, and its room in the fridge stays", () => {
    const next = written(lunch, place, { kind: "hold", label: "it", place: "fridge", min: 60, max: 2880, safety: true });
    const holds = (d: DishFile) =>
      method(d, "pork")
        .steps.flatMap((s) => s.makes ?? [])
        .filter((o) => /diced/i.test(o.name ?? ""))
        .flatMap((o) => o.holds ?? []);
    expect(holds(lunch).map((h) => [h.place, h.max, h.litres])).toEqual([["fridge", "36h", 1.5]]);
    expect(holds(next)).toEqual([{ place: "fridge", min: "1h", max: "2d", limit: "safety", litres: 1.5 }]);
    expect(readDish(JSON.stringify(next)).status).not.toBe("refused");
  });
  test("an ingredient that is not there yet is added", () => {
    const next = written(lunch, placeOf(lunch, "slaw"), { kind: "ingredient", name: "juniper", find: "juniper", grams: 12.5 });
    expect(method(next, "slaw").ingredients?.at(-1)).toMatchObject({ name: "juniper", amount: { amount: 10, unit: "g" } });
  });
  test("what never ends is not a time for a step", () => {
    expect(() => written(lunch, place, { kind: "time", label: "x", find: "cure", minutes: Number.POSITIVE_INFINITY })).toThrow(/never/);
  });
});
