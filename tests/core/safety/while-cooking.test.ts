// What only the cook can judge, asked at its hour: when, what, and for which dishes not.
import { expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import { caseOf } from "../../support/safety-dishes";

function checks(lines: string, kind = "other"): (readonly [string | undefined, number, string])[] {
  const read = readDishValue(caseOf(`== | Dish | ${kind}\n${lines}`).dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document)).flatMap((f) => {
    if (!f.check) return [];
    expect(f).toMatchObject({ severity: "note", mends: [] });
    expect(f.computed).toContain(f.check.ask);
    return [[f.step, f.check.afterMinutes, f.check.ask] as const];
  });
}
const DAY = 1440;

test("a vegetable ferment is measured on its fifth day, a shorter one at its end, and no wild yeast at all", () => {
  const kraut = (days: number) => `in: 2 kg white cabbage; 44 g salt\ndo: Ferment, lid loose | ${days}d | | makes kraut: fridge 30d`;
  expect(checks(kraut(14), "ferment")).toEqual([["main.s1", 5 * DAY, expect.stringContaining("pH 4.6")]]);
  expect(checks(kraut(3), "ferment")).toEqual([["main.s1", 3 * DAY, expect.stringContaining("pH 4.6")]]);
  expect(checks(kraut(1), "ferment")).toEqual([]);
  expect(checks("in: 1 L apple juice; 5 g wine yeast\ndo: Ferment under an airlock | 9d | | makes cider: fridge 30d", "ferment")).toEqual(
    [],
  );
});

test("a pot that cools is measured after two hours and after six, a bowl of it is not", () => {
  const stock = (litres: number) =>
    `in: 2 kg chicken wings; ${litres} L water\ndo: Simmer | 3h | burner, pot 10 | boils\ndo: Cool in an ice bath, stirring | 60m | | makes stock: fridge 2d`;
  expect(checks(stock(6), "stock").map((c) => c[1])).toEqual([120, 360]);
  expect(checks(stock(6), "stock").map((c) => c[2].slice(0, 5))).toEqual(["21 °C", "5 °C "]);
  expect(
    checks("in: 500 ml milk; 4 eggs\ndo: Cook to 82 °C | 10m | burner | probe 82\ndo: Cool over ice, stirring | 10m", "dairy"),
  ).toEqual([]);
});

test("flesh that is cooked by the clock is measured at the end; by a probe, boiled, or eaten pink it is not asked for", () => {
  const roast = (food: string, more = "") => `in: 1 ${food}\ndo: Roast | 80m | oven 190${more} | makes it: counter 20m`;
  expect(checks(roast("chicken"))).toEqual([["main.s1", 80, "74 °C or more in the thickest part"]]);
  expect(checks(roast("pork loin"))).toEqual([["main.s1", 80, "63 °C or more in the thickest part"]]);
  expect(checks(roast("chicken", " | probe 75"))).toEqual([]);
  expect(checks(roast("lamb leg"))).toEqual([]);
  expect(checks("in: 1 chicken\ndo: Simmer | 90m | burner | makes it: counter 20m")).toEqual([]);
});

test("mussels are looked at when they are steamed", () => {
  expect(checks("in: 1 kg mussels\ndo: Steam until open | 8m | burner | makes it: counter 10m")).toEqual([
    ["main.s1", 8, "every shell has opened"],
  ]);
});
