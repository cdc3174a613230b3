// Details of the rules that small changes had passed unnoticed (./rondeau test mutants src/core/safety): what is left out, what is said, and
// heat that a step has by its words alone.
import { describe, expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import type { Finding } from "../../../src/core/safety/finding";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import type { Loose } from "../../support/dishes";
import { caseOf } from "../../support/safety-dishes";

function found(lines: string, kind = "other", change: (d: Loose) => void = () => {}): readonly Finding[] {
  const { dish } = caseOf(`== | Dish | ${kind}\n${lines}`);
  change(dish);
  const read = readDishValue(dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document));
}
const of = (list: readonly Finding[], id: string) => list.find((f) => f.id.startsWith(id));

test("what is in the larder already has been made: its steps are not looked at", () => {
  const pink = "in: 4 chicken breasts\ndo: Roast | 18m | oven 180 | probe 60 | makes chicken: fridge 2d";
  expect(of(found(pink), "undercooked")).toBeDefined();
  const onHand = (d: Loose) => {
    d.components[0].onHand = [{ output: "chicken", amount: { amount: 4, unit: "piece" }, madeAt: "2026-10-18T09:00" }];
  };
  expect(of(found(pink, "other", onHand), "undercooked")).toBeUndefined();
});

test("without a plan a wait is one that may come", () => {
  expect(of(found("in: 400 g rice\ndo: Boil | 20m | burner | makes rice: counter 5h"), "rice-cooling")?.computed).toMatch(/can wait/);
});

describe("rice", () => {
  test.each([
    ["cellar", true],
    ["counter", true],
    ["hot", false],
    ["freezer", false],
  ])("for three days in the %s: %s", (place, is) => {
    expect(of(found(`in: 400 g rice\ndo: Boil | 20m | burner | makes rice: ${place} 3d`), "rice-cooling") !== undefined).toBe(is);
  });
});

test("a bag with curing salt may lie for its days, one without may not", () => {
  const bag = (more: string) =>
    found(`in: 1 kg pork belly; 20 g salt${more}\ndo: Vacuum pack and keep in the fridge | 7d | | makes belly: fridge 2d`, "cure");
  expect(of(bag(""), "vacuum-raw")).toMatchObject({ severity: "stop" });
  expect(of(bag("; 2.4 g curing salt #1"), "vacuum-raw")).toBeUndefined();
});

describe("heat by the words of a step, without a thing that it uses", () => {
  test.each([
    ["Grill over the fire", 15, true],
    ["Barbecue", 15, true],
    ["Fry in the wok", 12, true],
    ["Stir-fry", 12, true],
    ["Bake", 40, true],
    ["Simmer", 30, true],
    ["Let it murmur", 30, true],
    ["Thread onto skewers", 20, false],
    ["Preheat the oven", 30, false],
    ["Tie the roast", 20, false],
    ["Season and rest", 30, false],
  ])("%s for %i min cooks a chicken breast: %s", (words, minutes, cooks) => {
    const list = found(`in: 4 chicken breasts\ndo: ${words} | ${minutes}m | | makes chicken: counter 10m`);
    expect(of(list, "undercooked:main") === undefined).toBe(cooks);
  });
});

test("a thickness in centimetres and in millimetres is the same, and the minutes that are missing are said", () => {
  const bath = (thick: string) =>
    of(
      found(`in: 1 kg beef fillet\ndo: Cook in the bath, ${thick} thick | 20m | bath 55 | makes beef: counter 10m`),
      "low-temperature-cook",
    );
  const said = bath("50 mm")?.computed ?? "";
  expect(said).toContain("50 mm thick");
  expect(bath("5 cm")?.computed).toBe(said);
  const needed = Number(/about (\d+) min/.exec(said)?.[1]);
  expect(needed % 5).toBe(0);
  expect(needed).toBeGreaterThan(60);
  expect(needed).toBeLessThan(1000);
});

test("a big pie that may go into the fridge or the freezer goes cold in either", () => {
  const pie = "in: 3 kg minced pork; 500 g flour\ndo: Bake one raised pie | 2h | oven 160 | probe 75 | makes pie: fridge 2d, freezer 30d";
  expect(of(found(pie), "large-pot-cooling")).toMatchObject({ severity: "warn" });
  expect(of(found(pie.replace("fridge 2d, freezer 30d", "counter 1h")), "large-pot-cooling")).toBeUndefined();
});

describe("meat that the cook chops fine is mince, whatever stands beside it", () => {
  test.each([
    ["Chop the beef very finely with the capers", true],
    ["Finely chop the beef fillet and the shallots", true],
    ["Hand-chop the beef", true],
    ["Chop the capers and shallots finely", false],
    ["Chop the garlic finely and rub it into the meat", false],
    ["Cut the beef into steaks", false],
  ])("%s: %s", (words, minced) => {
    const list = found(
      `in: 600 g beef fillet; 20 g capers; 2 shallots\ndo: ${words} | 20m\ndo: Sear | 2m | burner | makes beef: counter 20m`,
    );
    expect(of(list, "raw-mince") !== undefined).toBe(minced);
  });
});
