// How long things keep, by what they are called: the particular before the general, nothing proposed past a limit of safety, no word for what is not known.
import { describe, expect, test } from "vitest";
import { COMPONENT_KINDS } from "../../../src/core/dish/kinds";
import { keepingOf, keepingRow, longestMinutes, proposedHolds } from "../../../src/core/foods/holds";
import { minutesOf } from "../../../src/core/time/duration";

describe("what a name means", () => {
  test.each([
    ["Fish stock", "stockFish"],
    ["Brown chicken stock", "stockMeat"],
    ["Vegetable broth", "stockVegetable"],
    ["Béchamel", "bechamel"],
    ["Cooked rice", "cookedRice"],
    ["Fermented red cabbage", "lactoDone"],
    ["Custard base", "cremeAnglaise"],
    ["Shaped loaves", "doughYeastShaped"],
    ["Garlic oil", "garlicConfitOil"],
    ["Rendered lard", "renderedFat"],
  ])("“%s” is %s", (name, row) => expect(keepingRow(name)?.id).toBe(row));
  test.each(["Pie filling", "Butter", "Fruit juices", "Treasure"])("nothing is known of “%s”", (name) =>
    expect(keepingRow(name)).toBeUndefined(),
  );
  test("where no word tells, the kind does, for proposals only", () => {
    expect(keepingRow("Mixture", "stock")?.id).toBe("stockMeat");
    expect(longestMinutes("Mixture", "fridge")).toBeUndefined();
  });
});

describe("proposals", () => {
  test.each(COMPONENT_KINDS)("of a %s are sound waits that nobody has to put right", (kind) => {
    for (const h of proposedHolds("Something", kind)) {
      const [min, max] = [h.min ? minutesOf(h.min) : 0, minutesOf(h.max as string)];
      expect(max).toBeGreaterThan(min);
      if (h.best) expect(minutesOf(h.best[0])).toBeLessThan(minutesOf(h.best[1]));
      expect(["safety", "quality"]).toContain(h.limit);
      expect(["fridge", "counter", "freezer"]).toContain(h.place);
    }
  });
  test("never past what the table calls safe", () => {
    for (const [name, place] of [
      ["Cooked rice", "fridge"],
      ["Chicken stock", "fridge"],
      ["Custard", "fridge"],
      ["Garlic oil", "fridge"],
      ["Beans", "counter"],
    ] as const) {
      const most = longestMinutes(name, place);
      const proposed = proposedHolds(name, "other").find((h) => h.place === place);
      if (proposed && most?.safety) expect(minutesOf(proposed.max as string)).toBeLessThanOrEqual(most.minutes);
    }
    expect(longestMinutes("Cooked rice", "fridge")?.safety).toBe(true);
  });
});

test("says how a thing is warmed up again, where the table does", () => {
  expect(keepingOf("Brown chicken stock")?.warmUp).toMatch(/boil/);
  expect(keepingOf("Treasure")).toBeUndefined();
});

test("a proposed hold says whether safety or quality sets its longest", () => {
  const limits = (name: string) => Object.fromEntries(proposedHolds(name, "other").map((h) => [h.place, h.limit]));
  expect(limits("Beef stock")).toMatchObject({ fridge: "safety", freezer: "quality" });
  expect(limits("Tomato sauce")).toMatchObject({ fridge: "quality", freezer: "quality" });
});
