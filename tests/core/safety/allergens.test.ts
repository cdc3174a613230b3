// What a name betrays, and what it does not: words that mean another thing, things that hide, an empty answer that is no promise.
import { describe, expect, test } from "vitest";
import type { DishFile } from "../../../src/core/dish/schema";
import { AVOIDABLE, allergenSheet, allergensOf, allergensOfName, howItBrings } from "../../../src/core/foods/allergens";
import { demoDocument, type Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

describe("a name", () => {
  test.each([
    ["Strong bread flour", ["gluten_cereals", "wheat"]],
    ["Rye flour", ["gluten_cereals"]],
    ["Rice flour", []],
    ["Glass noodles", []],
    ["Egg noodles", ["gluten_cereals", "wheat", "eggs"]],
    ["Soy sauce", ["soybeans", "gluten_cereals", "wheat"]],
    ["Peanut butter", ["peanuts"]],
    ["Unsalted butter", ["milk"]],
    ["Coconut milk", []],
    ["Almond milk", ["tree_nuts"]],
    ["Oat cream", ["gluten_cereals"]],
    ["Butternut squash", []],
    ["Nutmeg", []],
    ["Cream of tartar", []],
    ["Worcester sauce", ["fish"]],
    ["Oyster sauce", ["molluscs"]],
    ["Stock cube", ["celery"]],
    ["White wine", ["sulphites"]],
    ["White wine vinegar", []],
    ["Malt vinegar", ["gluten_cereals"]],
    ["Dry cider", ["sulphites"]],
    ["Cider vinegar", []],
    ["Dried apricots", ["sulphites"]],
    ["English mustard", ["mustard"]],
    ["Tahini", ["sesame"]],
    ["Mayonnaise", ["eggs"]],
    ["Frangipane", ["tree_nuts"]],
    ["Surimi", expect.arrayContaining(["crustaceans", "fish"])],
  ])("“%s” brings %o", (name, wanted) => expect(allergensOfName(name)).toEqual(wanted));
  test.each(["Mystery powder", "Grandmother's secret", "E 471"])("“%s” says nothing, which is not the same as none", (name) => {
    expect(allergensOfName(name)).toBeUndefined();
    expect(allergensOf({ ingredients: [name], region: "EU" })).toMatchObject({
      contains: [],
      unknown: [name],
      warnings: ["W_UNKNOWN_INGREDIENT"],
    });
  });
  test("the United States know wheat and not gluten, and no molluscs, celery or mustard", () => {
    const list = { ingredients: ["rye flour", "oyster sauce", "celery", "mustard", "bread"] };
    expect(allergensOf({ ...list, region: "US" }).contains).toEqual(["wheat"]);
    expect(allergensOf({ ...list, region: "EU" }).contains).toEqual(["gluten_cereals", "celery", "mustard", "molluscs"]);
  });
});

describe("what a guest avoids", () => {
  test.each([
    ["wheat", { name: "Plain flour" }, "guessed"],
    ["Gluten ", { name: "Pearl barley" }, "guessed"],
    ["dairy", { name: "Double cream" }, "guessed"],
    ["lactose", { name: "Whey" }, "guessed"],
    ["nuts", { name: "Secret paste", allergens: ["nuts"] }, "said"],
    ["nuts", { name: "Nutmeg" }, undefined],
    ["egg", { name: "Aubergine" }, undefined],
    ["pork", { name: "Leaf gelatine" }, "guessed"],
    ["alcohol", { name: "Cider vinegar" }, undefined],
    ["alcohol", { name: "Brandy" }, "guessed"],
    ["onion", { name: "Chives" }, "guessed"],
    ["coriander", { name: "Ground coriander" }, "guessed"],
    ["shellfish", { name: "Shellfish essence" }, "guessed"],
    ["xx", { name: "Xxerry" }, undefined],
  ] as const)("%s: %o is %s", (avoided, ingredient, how) => expect(howItBrings(ingredient, avoided)).toBe(how));
  test("can be chosen from words that are each found in something", () => {
    const things = [
      "Bread",
      "Prawns",
      "Egg",
      "Cod",
      "Peanuts",
      "Tofu",
      "Milk",
      "Almonds",
      "Celery",
      "Mustard",
      "Sesame",
      "Wine",
      "Lupin",
      "Mussels",
      "Pork",
      "Beef",
      "Onion",
      "Garlic",
      "Chilli",
      "Honey",
      "Raisins",
    ];
    for (const word of AVOIDABLE) expect([word, things.some((name) => howItBrings({ name }, word))]).toEqual([word, true]);
  });
});

describe("the sheet of a dish", () => {
  const sheet = (alter: (d: Loose) => void, chosen = {}) => allergenSheet(smallDish(alter) as DishFile, chosen);
  const put = (d: Loose, ...names: string[]) => {
    d.components[0].methods[0].ingredients = names.map((name, i) => ({ id: `i${i}`, name, amount: { amount: 100, unit: "g" } }));
  };
  test("says which component brings what, and whether by its word or by its name", () => {
    const { rows, unknown } = sheet((d) => {
      put(d, "Butter", "Dust of ages");
      d.components[0].methods[0].ingredients.push({ id: "x", name: "House mix", allergens: ["egg"] });
    });
    expect(rows.map((r) => [r.allergen, r.brought[0]?.ingredients, r.brought[0]?.guessed])).toEqual([
      ["egg", ["House mix"], false],
      ["milk", ["Butter"], true],
    ]);
    expect(unknown).toEqual([{ component: "Stock", ingredient: "Dust of ages" }]);
  });
  test("leaves out what is left out, and looks at the way that is chosen", () => {
    const alter = (d: Loose) => {
      put(d, "Butter");
      d.components[0].methods[0].ingredients[0].leftOut = true;
      d.components[0].methods.push({ ...d.components[0].methods[0], id: "tin", ingredients: [{ id: "t", name: "Stock cube" }] });
      d.dish.guests = { avoid: ["celery"] };
    };
    expect(sheet(alter).rows).toEqual([]);
    expect(sheet(alter).clashes).toEqual([]);
    expect(sheet(alter, { stock: "tin" }).clashes.map((c) => c.avoided)).toEqual(["celery"]);
  });
  test("of the lunch finds every clash of its guests and nothing that nobody avoids", () => {
    const lunch = demoDocument("harvest-lunch");
    lunch.dish.guests = { avoid: ["mustard", "peanuts"] };
    const { clashes } = allergenSheet(lunch);
    expect(clashes.map((c) => c.avoided)).toEqual(["mustard"]);
    expect(clashes[0]?.brought.map((b) => b.component)).toContain("piccalilli");
  });
});
