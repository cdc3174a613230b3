// Food that goes from one component into another: what is done to it there counts, and what is not done anywhere is found.
import { expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import type { Loose } from "../../support/dishes";
import { caseOf } from "../../support/safety-dishes";

/** The first block's dish goes into the second's, at the second's first step, or at the step named. */
function both(first: string, second: string, at = 0): readonly string[] {
  const [a, b] = [first, second].map((text, i) => caseOf(`== | ${i ? "Second" : "First"} | other\n${text}`).dish) as [Loose, Loose];
  const [one] = a.components;
  const [two, plate] = b.components;
  one.id = "one";
  const made = one.methods[0].steps.at(-1).makes[0].id;
  const step = two.methods[0].steps[at];
  step.takes = [...(step.takes ?? []), { from: `one.${made}` }];
  b.components = [one, two, plate];
  const read = readDishValue(b);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document))
    .filter((f) => f.severity !== "note")
    .map((f) => `${f.severity} ${f.id.split(":")[0]}`);
}

const BEANS = "in: 500 g dried kidney beans\ndo: Soak | 12h | | makes beans: fridge 1d";
const MINCE = "in: 500 g minced pork\ndo: Mix with spice | 10m | | makes filling: fridge 8h";
const CREAM = "in: 4 egg yolks; 300 ml cream\ndo: Whisk | 10m | | makes cream: fridge 4h";
const CHICKEN = "in: 1 kg chicken thighs\ndo: Marinate | 4h | | makes chicken: fridge 12h";

test("beans soaked in one component are boiled in another", () => {
  expect(
    both(BEANS, "in: 2 onions\ndo: Boil hard with the onions | 15m | burner | boils\ndo: Simmer | 1h | burner | makes stew: counter 30m"),
  ).toEqual([]);
  expect(both(BEANS, "in: 2 onions\ndo: Cook in the slow cooker | 6h | slow-cooker | makes stew: counter 30m")).toEqual([
    "stop kidney-beans",
  ]);
});
test("a raw filling is steamed in its dumpling, or is served raw", () => {
  expect(both(MINCE, "in: 24 wonton wrappers\ndo: Fill the wrappers | 30m\ndo: Steam | 15m | burner | makes parcels: counter 10m")).toEqual(
    [],
  );
  expect(both(MINCE, "in: 24 wonton wrappers\ndo: Fill the wrappers and serve | 30m | | makes parcels: counter 10m")).toEqual([
    "warn raw-mince",
  ]);
});
test("a custard is baked in its tart, or is poured over cold", () => {
  expect(both(CREAM, "in: 300 g shortcrust pastry\ndo: Fill | 10m\ndo: Bake | 35m | oven 150 | probe 76 | makes tart: counter 1h")).toEqual(
    [],
  );
  expect(both(CREAM, "in: 500 g strawberries\ndo: Pour over the berries | 5m | | makes bowl: fridge 2h")).toEqual(["warn raw-egg"]);
});
test("what comes in after the oven is not cooked by it", () => {
  const tart =
    "in: 300 g shortcrust pastry\ndo: Bake blind | 25m | oven 180\ndo: Fill with the cream and chill | 10m | | makes tart: fridge 4h";
  expect(both(CREAM, tart, 1)).toEqual(["warn raw-egg"]);
});
test("a marinated bird is roasted in the next component, and a probe that stops short is told there", () => {
  expect(both(CHICKEN, "in: 2 lemons\ndo: Roast | 45m | oven 200 | probe 76 | makes bird: counter 20m")).toEqual([]);
  expect(both(CHICKEN, "in: 2 lemons\ndo: Roast | 45m | oven 200 | probe 66 | makes bird: counter 20m")).toEqual(["stop undercooked"]);
});

const served = (text: string) => {
  const read = readDishValue(caseOf(`== | Dish | other\n${text}`).dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document))
    .filter((f) => f.severity !== "note")
    .map((f) => f.id.split(":")[0]);
};
test.each([
  ["an air fryer is an oven, and no deep fat", "in: 800 g chicken wings\ndo: Cook in the air fryer | 25m | | makes it: counter 10m", []],
  ["a microwave heats through", "in: 400 g minced beef\ndo: Heat in the microwave | 12m | | makes it: counter 10m", []],
  ["a dehydrator dries and does not cook", "in: 500 g minced pork\ndo: Dry in the dehydrator | 5h | | makes it: fridge 2d", ["raw-mince"]],
  ["a rice cooker cooks", "in: 300 g minced pork; 300 g rice\ndo: Cook in the rice cooker | 30m | | makes it: hot 20m", []],
  [
    "steam comes out of a hole and cooks nothing",
    "in: 400 g minced pork\ndo: Cut a steam hole | 10m | | makes it: fridge 1d",
    ["raw-mince"],
  ],
  [
    "a spoonful fried to taste cooks none of the rest",
    "in: 400 g minced pork\ndo: Season, fry a small piece and taste | 15m | burner | makes it: fridge 1d",
    ["raw-mince"],
  ],
])("%s", (_, text, wanted) => expect(served(text)).toEqual(wanted));
