// What a cook may do to a recipe before it is a dish: each change at its limits, where it is none.
import { expect, test } from "vitest";
import { readRecipes } from "../../../src/core/import/read";
import { merged, moved, renamed, rewritten, shifted, split } from "../../../src/core/import/rearranged";
import type { Recipe } from "../../../src/core/import/recipe";

function recipeOf(text: string): Recipe {
  const read = readRecipes(text);
  if (read.status !== "read" || !read.recipes[0]) throw new Error("not read");
  return read.recipes[0];
}
const TWO = recipeOf(`Leek tart

For the pastry:
200 g flour
100 g butter
Rub for 5 minutes.
Chill for 30 minutes.
Roll for 10 minutes.

For the filling:
3 leeks
Sweat the leeks for 20 minutes.
Bake for 30 minutes.`);
const names = (r: Recipe) => r.sections.map((s) => s.name);
const steps = (r: Recipe, at: number) => r.sections[at]?.instructions.map((l) => l.text);

test("a part is split before any line but its first, and nowhere else", () => {
  for (const [at, row] of [
    [0, 0],
    [0, -1],
    [0, 3],
    [0, 4],
    [2, 1],
    [-1, 1],
  ] as const)
    expect(split(TWO, at, row, "More")).toBe(TWO);
  const first = split(TWO, 0, 1, "More");
  expect(names(first)).toEqual(["Pastry", "More", "Filling"]);
  expect([steps(first, 0), steps(first, 1)]).toEqual([["Rub for 5 minutes."], ["Chill for 30 minutes.", "Roll for 10 minutes."]]);
  expect(first.sections[0]?.ingredients).toHaveLength(2);
  expect(first.sections[1]?.ingredients).toHaveLength(0);
  expect(steps(split(TWO, 0, 2, "More"), 1)).toEqual(["Roll for 10 minutes."]);
});

test("a part is joined to the one before it, of which the first has none", () => {
  expect(merged(TWO, 0)).toBe(TWO);
  expect(merged(TWO, 2)).toBe(TWO);
  const one = merged(TWO, 1);
  expect(names(one)).toEqual(["Pastry"]);
  expect(steps(one, 0)).toHaveLength(5);
  expect(one.sections[0]?.ingredients.map((l) => l.text)).toEqual(["200 g flour", "100 g butter", "3 leeks"]);
  // A part without a name takes that of the other.
  expect(names(merged(renamed(TWO, 0, ""), 1))).toEqual(["Filling"]);
});

test("a line moves to the end of another part, and to no part that there is not", () => {
  expect(moved(TWO, 0, "ingredients", 1, 0)).toBe(TWO);
  expect(moved(TWO, 0, "ingredients", 2, 1)).toBe(TWO);
  expect(moved(TWO, 0, "ingredients", 0, 2)).toBe(TWO);
  const there = moved(TWO, 0, "ingredients", 0, 1);
  expect(there.sections.map((s) => s.ingredients.map((l) => l.text))).toEqual([["100 g butter"], ["3 leeks", "200 g flour"]]);
});

test("a line goes up and down, over the edge of its part into the next, and not over the edge of all", () => {
  expect(steps(shifted(TWO, 0, "instructions", 1, -1), 0)?.[0]).toBe("Chill for 30 minutes.");
  expect(steps(shifted(TWO, 0, "instructions", 1, 1), 0)?.[2]).toBe("Chill for 30 minutes.");
  const over = shifted(TWO, 0, "instructions", 2, 1);
  expect([steps(over, 0)?.length, steps(over, 1)?.[0]]).toEqual([2, "Roll for 10 minutes."]);
  const back = shifted(TWO, 1, "instructions", 0, -1);
  expect([steps(back, 0)?.at(-1), steps(back, 1)?.length]).toEqual(["Sweat the leeks for 20 minutes.", 1]);
  expect(shifted(TWO, 0, "instructions", 0, -1)).toBe(TWO);
  expect(shifted(TWO, 1, "instructions", 1, 1)).toBe(TWO);
  expect(shifted(TWO, 0, "instructions", 7, 1)).toBe(TWO);
});

test("a line without words goes, and one that the cook has written is no guess any more", () => {
  expect(rewritten(TWO, 0, "ingredients", 0, "").sections[0]?.ingredients.map((l) => l.text)).toEqual(["100 g butter"]);
  const guessed: Recipe = {
    ...TWO,
    sections: TWO.sections.map((s) => ({ ...s, ingredients: s.ingredients.map((l) => ({ ...l, guess: "no part names it" })) })),
  };
  const written = rewritten(guessed, 0, "ingredients", 0, "250 g flour").sections[0]?.ingredients;
  expect(written?.map((l) => [l.text, l.guess])).toEqual([
    ["250 g flour", undefined],
    ["100 g butter", "no part names it"],
  ]);
});
