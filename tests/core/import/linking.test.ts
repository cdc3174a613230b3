// Which part goes into which: by the words that tell parts of one dish apart, by days, or into what puts all together.
import { describe, expect, test } from "vitest";
import { readRecipes } from "../../../src/core/import/read";
import { dishOfRecipe } from "../../../src/core/import/to-dish";

function imported(text: string) {
  const got = readRecipes(text);
  if (got.status !== "read") throw new Error(got.because);
  return dishOfRecipe(got.recipes[0]!, { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" }).document;
}
/** "component.step <- component" of everything that is taken. */
const links = (text: string) =>
  imported(text).components.flatMap((c) =>
    c.methods[0]!.steps.flatMap((s) => (s.takes ?? []).map((t) => `${c.id}.${s.id} <- ${t.from.split(".")[0]}`)),
  );

describe("a part", () => {
  test("is known by the words that it does not share with the dish", () => {
    const text = `Walnut tart

For the walnut filling:
300 g walnuts
Chop the walnuts for 5 minutes.

For the walnut crust:
200 g flour
Knead the flour for 5 minutes.
Line a tin for 10 minutes.

To assemble:
Put the filling in the crust.
Bake for 40 minutes.`;
    // "Walnut" stands in all of them, "filling" and "crust" each in one.
    expect(links(text)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/assemble\.put.* <- walnut-filling$/),
        expect.stringMatching(/assemble\.put.* <- walnut-crust$/),
      ]),
    );
  });
  test("that shares all its words with the dish is known by them", () => {
    const text = `Celeriac

Celeriac:
1 celeriac
Boil the celeriac for 30 minutes.

Sauce:
200 ml cream
Simmer the cream for 10 minutes.
Pour over the celeriac.`;
    expect(links(text)).toContainEqual(expect.stringMatching(/^sauce\..* <- celeriac$/));
  });
  test("goes to the first later part that speaks of it, not to each", () => {
    const text = `Feast

Stock:
2 kg bones
Simmer the bones for 3 hours.

Gravy:
50 g butter
Boil down with the stock for 20 minutes.

Greens:
500 g kale
Braise the kale in some stock for 15 minutes.`;
    expect(links(text).filter((l) => l.endsWith("<- stock"))).toEqual([expect.stringMatching(/^gravy\./)]);
  });
  test("of one day goes on the next", () => {
    const text = `Cured trout

Day 1
1 kg trout
Salt the fish for 10 minutes.

Day 2
20 g dill
Slice and dress for 10 minutes.`;
    expect(links(text)).toContainEqual(expect.stringMatching(/^day-2\..* <- day-1$/));
  });
  test("that nothing speaks of goes into what puts all together, and to the table where nothing does", () => {
    const crumble = (last: string) => `Rhubarb bowl

Compote:
500 g rhubarb
Simmer the rhubarb for 20 minutes.

${last}:
Layer in glasses for 10 minutes.`;
    expect(links(crumble("Assembly"))).toContainEqual(expect.stringMatching(/^assembly\..* <- compote$/));
    expect(links(crumble("Crunch"))).not.toContainEqual(expect.stringMatching(/^crunch\..* <- compote$/));
  });
});

test("a first sentence runs beside nothing, whatever it says", () => {
  const [first, second] = imported(`Stew

1 kg beans
Meanwhile, soak the beans for 8 hours.
Meanwhile, chop the onions for 10 minutes.`).components[0]!.methods[0]!.steps;
  expect(first?.after).toBeUndefined();
  expect(second?.after).toEqual([]);
});
