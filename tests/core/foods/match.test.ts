// The table of foods and what a name means: every row whole, no name twice, and lines as cooks write them taken for what they are.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { allergensOfName } from "../../../src/core/foods/allergens";
import { keepingOf, proposedHolds } from "../../../src/core/foods/holds";
import { foodsNamed, understand, withoutPurpose } from "../../../src/core/foods/match";
import { FOODS, foodOf } from "../../../src/core/foods/table";
import { compact, recordsOf } from "../../support/records";

const LINES = readFileSync(new URL("../../data/foods/lines.txt", import.meta.url), "utf8")
  .split("\n")
  .filter((l) => l && !l.startsWith("#"))
  .flatMap((l) => {
    const [kind = "", rest = ""] = l.split(/:\s(.*)/);
    return rest.split(/;\s*/).map((line) => [line.trim(), kind] as const);
  });

describe("the table", () => {
  test("has five hundred foods and more, each with its own id, a source, and figures that a food can have", () => {
    expect(FOODS.length).toBeGreaterThanOrEqual(500);
    expect(new Set(FOODS.map((f) => f.id)).size).toBe(FOODS.length);
    for (const f of FOODS) {
      expect(f.source, f.id).not.toBe("");
      for (const part of [f.water, f.fat, f.salt, f.sugar]) expect(part, f.id).toSatisfy((x: number) => x >= 0 && x <= 100);
      expect(f.water + f.fat + f.salt + f.sugar, f.id).toBeLessThanOrEqual(103);
      if (f.ph) expect(f.ph[0], f.id).toBeLessThan(f.ph[1]);
      expect(foodOf(f.id)).toBe(f);
    }
  });
  test("gives no name to two foods", () => {
    const seen = new Map<string, string>();
    const twice = FOODS.flatMap((f) =>
      f.names.filter((n) => {
        const before = seen.get(n);
        seen.set(n, f.id);
        return before !== undefined;
      }),
    );
    expect(twice).toEqual([]);
  });
  test("knows each of its own names", () => {
    const wrong = FOODS.flatMap((f) =>
      f.names.filter((n) => understand(n)?.food.id !== f.id).map((n) => `${n}: ${understand(n)?.food.id}, not ${f.id}`),
    );
    expect(wrong.length, wrong.slice(0, 20).join("\n")).toBeLessThan(0.02 * FOODS.reduce((n, f) => n + f.names.length, 0));
  });
});

test(`of ${LINES.length} lines 98 in 100 and more are taken for what they are`, () => {
  const wrong = LINES.filter(([line, kind]) => understand(line)?.class !== kind).map(
    ([line, kind]) => `${line}: ${understand(line)?.class} for ${kind}`,
  );
  expect(LINES.length).toBeGreaterThan(1500);
  expect(1 - wrong.length / LINES.length, wrong.join("\n")).toBeGreaterThanOrEqual(0.98);
});

/** What a line was understood as, what else it names, and what that brings: the food, its words, how sure, its allergens and how long it keeps. */
function understoodAs(line: string): string {
  const told = (u: ReturnType<typeof understand>) => u && { ...u, food: u.food.id, class: u.class };
  return [
    compact(told(understand(line))),
    ...foodsNamed(line).map((u) => `+ ${compact(told(u))}`),
    compact({
      purpose: withoutPurpose(line),
      allergens: allergensOfName(line),
      keeping: keepingOf(line),
      holds: proposedHolds(line, "other"),
    }),
  ].join("\n");
}
const records = recordsOf("foods");
describe("a line is understood as before, word by word", () => {
  test.each([...new Set(LINES.map(([line]) => line))])("%s", (line) => records.check(line, understoodAs(line)));
});

describe("a word that turns the meaning", () => {
  test.each([
    ["butter beans", "pulse-lectin"],
    ["cocoa butter", "oil"],
    ["cream of tartar", "vinegar"],
    ["beef stock", "stock"],
    ["vegan cheese", "plant-substitute"],
    ["alcohol-free wine", "soft-drink"],
    ["gluten-free bread flour", "flour-free"],
    ["wine vinegar", "vinegar"],
    ["ground beef", "mince"],
    ["ground cumin", "spice"],
    ["smoked trout", "fish-smoked"],
    ["smoked paprika", "spice"],
    ["tinned kidney beans", "pulse-canned"],
    ["green beans", "vegetable"],
    ["unpasteurised cream", "milk-raw"],
    ["pork and leek sausages", "sausage"],
    ["salt and black pepper", "salt"],
  ])("%s", (name, kind) => expect(understand(name)?.class).toBe(kind));

  test("drops what it is said to be free of, and names what stands beside", () => {
    expect(understand("gluten-free oats")?.allergens).toEqual([]);
    expect(understand("dairy-free butter")?.allergens).toEqual([]);
    expect(understand("fish-free fish sauce")?.allergens).toEqual([]);
    expect(foodsNamed("olives stuffed with almonds").flatMap((f) => f.allergens)).toEqual(["tree_nuts"]);
    expect(foodsNamed("eggplant").flatMap((f) => f.allergens)).toEqual([]);
  });
});

describe("a word says what it is without, and no more", () => {
  test.each([
    ["dairy-free mayonnaise", "mayonnaise", ["eggs"]],
    ["egg-free butter", "butter", ["milk"]],
    ["vegetarian parmesan", "cheese-hard", ["milk"]],
    ["imitation crab", "fish-canned", ["fish", "crustaceans", "eggs", "gluten_cereals"]],
    ["nut-free pesto", "condiment", ["milk"]],
    ["egg-free pasta", "pasta", ["gluten_cereals", "wheat"]],
    ["vegan mayonnaise", "plant-substitute", []],
    ["meat-free mince", "plant-substitute", []],
    ["eggless mayonnaise", "plant-substitute", []],
    ["vegetarian Worcestershire sauce", "condiment", []],
  ])("%s", (name, kind, allergens) => {
    const food = understand(name);
    expect(food?.class).toBe(kind);
    expect(food?.allergens).toEqual(expect.arrayContaining(allergens));
    if (allergens.length === 0) expect(food?.allergens).toEqual([]);
  });
});

describe("what makes it safe must be said of the food as it comes in", () => {
  test.each([
    ["duck legs for confit", "poultry", false],
    ["chicken thighs for fried chicken", "poultry", false],
    ["pork belly, to be smoked", "meat", false],
    ["salmon to be smoked", "fish", false],
    ["mackerel fillets until salted", "fish-scombroid", false],
    ["dried kidney beans, or a tin", "pulse-lectin", false],
    ["kidney beans, dried or tinned", "pulse-lectin", false],
    ["dried beans, if you can get no cans", "pulse-lectin", false],
    ["eggs, unpasteurised", "egg", false],
    ["eggs, pasteurised", "egg-safe", false],
    ["kidney beans (tinned)", "pulse-canned", true],
    ["braised duck legs", "poultry", true],
    ["leftover roast lamb", "meat", true],
    ["ready-cooked chicken", "poultry", true],
    ["ready-to-eat cooked prawns", "crustacean", true],
    ["fresh cooked crab", "crustacean", true],
    ["fresh crab", "crustacean", false],
  ])("%s", (name, kind, cooked) => expect(understand(name)).toMatchObject({ class: kind, cooked }));
});

test("what is not known is undefined, what is misspelt is guessed at with doubt, and the cook's own word goes before all", () => {
  expect(understand("flux capacitor")).toBeUndefined();
  expect(understand("")).toBeUndefined();
  const guessed = understand("parmezan");
  expect(guessed?.phrase).toBe("parmesan");
  expect(guessed?.confidence).toBeLessThan(1);
  expect(understand("grandfather's special", "beef.mince")).toMatchObject({ class: "mince", confidence: 1 });
  expect(understand("grandfather's special", "no.such")).toBeUndefined();
});
