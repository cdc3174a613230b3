// Pasted text: which line is what, and what comes of it.
import { expect, test } from "vitest";
import { checkDish } from "../../../src/core/dish/check";
import { readRecipes } from "../../../src/core/import/read";
import { dishOfRecipe } from "../../../src/core/import/to-dish";

const serving = { serves: 8, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" };
const read = (text: string) => {
  const got = readRecipes(text);
  if (got.status !== "read") throw new Error(got.because);
  return got.recipes[0]!;
};

const PIE = `Leek and barley pie
Serves 6
Total time: 3 hours

A pie for a wet day.

Ingredients
For the pastry:
300 g plain flour
150 g cold butter
1 egg yolk
For the filling:
1.2 kg leeks, sliced
200 g pearl barley
600 ml vegetable stock
salt to taste

Method
1. For the pastry, rub butter into flour, bind with the yolk and a little water.
2. Chill the pastry for 1 hour.
3. For the filling, simmer the barley in the stock for 35 minutes until soft.
4. Sweat the leeks for 20 minutes, season, mix and cool overnight in the fridge.
5. Assemble: line a tin with the pastry, fill, and bake at 190°C for 45-50 minutes until golden.
`;

test("a list and numbered steps are told apart, with their parts", () => {
  const recipe = read(PIE);
  expect(recipe).toMatchObject({ name: "Leek and barley pie", serves: 6, totalMinutes: 180 });
  const dish = dishOfRecipe(recipe, serving);
  const [pastry, filling, whole] = dish.document.components;
  expect(pastry).toMatchObject({ name: "Pastry", kind: "dough" });
  expect(pastry?.methods[0]?.ingredients?.map((i) => i.name)).toEqual(["plain flour", "cold butter", "egg yolk"]);
  expect(pastry?.methods[0]?.steps.at(-1)).toMatchObject({ time: "1h", attention: "unattended", uses: [{ what: "fridge" }] });
  expect(filling?.methods[0]?.ingredients?.map((i) => i.name)).toEqual(["leeks", "pearl barley", "vegetable stock", "salt"]);
  expect(filling?.methods[0]?.steps.map((s) => s.time)).toEqual(["35m", "20m", { min: "8h", likely: "10h", max: "14h" }]);
  expect(filling?.methods[0]?.steps[0]?.done?.cue).toBe("soft");
  // The leeks come in at the second step, which names them; what the first names, or none, says nothing.
  const second = filling?.methods[0]?.steps[1]?.id;
  expect(filling?.methods[0]?.ingredients?.map((i) => i.step)).toEqual([second, undefined, undefined, undefined]);
  const bake = whole?.methods[0]?.steps.at(-1);
  expect(bake).toMatchObject({ time: { min: "45m", max: "50m" }, uses: [{ what: "oven", tempC: 190 }], done: { cue: "golden" } });
  const taken = whole?.methods[0]?.steps.flatMap((s) => s.takes ?? []).map((t) => t.from);
  expect(taken).toEqual(["pastry.pastry", "filling.filling"]);
  expect(dish.document.dish).toMatchObject({ baseServes: 6, serves: 8 });
  expect(checkDish(dish.document).filter((p) => p.severity === "error")).toEqual([]);
});

test("paragraphs without numbers or headings", () => {
  const recipe = read(
    "Pickled pears\n6 firm pears\n500 ml cider vinegar\n300 g sugar\n\nBring vinegar and sugar to the boil for 5 minutes.\nAdd the pears and simmer for 15 minutes.\nLeave to stand for 2 weeks in the cellar.",
  );
  expect(recipe.sections[0]?.ingredients).toHaveLength(3);
  const steps = dishOfRecipe(recipe, serving).document.components[0]?.methods[0]?.steps ?? [];
  expect(steps.map((s) => [s.time, s.attention ?? "hands"])).toEqual([
    ["5m", "nearby"],
    ["15m", "nearby"],
    ["14d", "unattended"],
  ]);
});

test("what it does not say is a doubt, told before it is kept", () => {
  const { doubts, components } = dishOfRecipe(
    read("Green beans\n- 500 g green beans\n- butter\n1. Boil the beans, 6 minutes.\n2. Toss with butter until glossy."),
    serving,
  );
  expect(doubts.join(" ")).toMatch(/does not say for how many/);
  expect(components[0]?.ingredients[1]?.read.unclear).toBe("No amount.");
  expect(components[0]?.steps[1]?.guess).toMatch(/no time/i);
});

test("words of time that are no length of a step are left alone", () => {
  const steps = dishOfRecipe(
    read(
      "Cold soup\n1 l buttermilk\n1. Whisk the buttermilk smooth, 4 minutes. It keeps for 3 days.\n2. Take it out of the fridge 1 hour before serving.",
    ),
    serving,
  ).components[0]?.steps;
  expect(steps?.[0]?.step.time).toBe("4m");
  expect(steps?.every((s) => s.step.time !== "3d" && s.step.time !== "1h")).toBe(true);
});
