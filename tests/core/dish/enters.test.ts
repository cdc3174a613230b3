// Where an ingredient comes in, and what a cook reads at the stove.
import { expect, test } from "vitest";
import { addComponent } from "../../../src/core/dish/edit/components";
import { removeStep } from "../../../src/core/dish/edit/steps";
import { entersAt } from "../../../src/core/dish/enters";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { withAmounts } from "../../../src/core/view/with-amounts";
import type { Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const steps = [
  { id: "shred", name: "Shred the cabbage" },
  { id: "salt", name: "Massage with the salt and caraway" },
  { id: "pack", name: "Pack", note: "Pour olive oil on top." },
  { id: "stand", name: "Ferment" },
];

test.each([
  ["White cabbage", "shred"],
  ["Sea salt", "salt"],
  ["Caraway seeds, toasted", "salt"],
  ["Cabbages, two small ones", "shred"],
  ["Extra virgin olive oil", "pack"],
  ["Juniper berries", "shred"],
])("%s comes in at %s", (name, id) => expect(steps[entersAt({ name }, steps)]?.id).toBe(id));

test("the step that the ingredient says goes before its words; one that is not there does not count", () => {
  expect(entersAt({ name: "Sea salt", step: "stand" }, steps)).toBe(3);
  expect(entersAt({ name: "Sea salt", step: "gone" }, steps)).toBe(1);
  expect(entersAt({ name: "Sea salt" }, [])).toBe(0);
});

test("amounts stand at the step, for the guests that come, without what is left out", () => {
  const document = smallDish((d: Loose) => {
    d.dish.serves = 8;
    d.components[0].methods[0].ingredients = [
      { id: "b", name: "Bones", amount: { amount: 2, unit: "kg" } },
      { id: "s", name: "Salt", step: "simmer", amount: { amount: 10, unit: "g" } },
      { id: "p", name: "Pepper for the simmer", asNeeded: true },
      { id: "x", name: "Bay", leftOut: true },
    ];
  });
  const model = dishModel(document as never).components[0]?.methods[0]?.steps ?? [];
  expect(model[0]?.goesIn).toEqual([{ name: "Bones", quantity: expect.objectContaining({ value: 4000 }) }]);
  expect(model[1]?.goesIn.map((i) => i.name)).toEqual(["Salt", "Pepper for the simmer"]);
});

test("nine things are read with hands full; of more the rest is counted", () => {
  const goesIn = Array.from({ length: 12 }, (_, i) => ({ name: `Item ${i}`, amount: "1 g" }));
  expect(withAmounts({ goesIn, takes: [] })).toMatch(/^1 g item 0, .*1 g item 8 and 3 more$/);
  expect(withAmounts({ goesIn: [], takes: [{ name: "Stock", component: "s", amount: "2 L" }] })).toBe("2 L stock");
  expect(withAmounts({ goesIn: [], takes: [] })).toBe("");
});

test("a typed component writes down where a later step takes an ingredient; taken out, that step takes its word with it", () => {
  const { document, id } = addComponent(smallDish() as DishFile, {
    name: "Onion jam",
    steps: ["Slice the onions 10 min", "Simmer with the vinegar 40 min", "Stir in the butter 5 min"],
    ingredients: ["1 kg onions", "200 ml vinegar", "50 g butter", "5 g pepper"],
  });
  const made = (d: typeof document) => d.components.find((c) => c.id === id)?.methods[0];
  const [, simmer, stir] = made(document)?.steps ?? [];
  expect(made(document)?.ingredients?.map((i) => i.step)).toEqual([undefined, simmer?.id, stir?.id, undefined]);
  const without = removeStep(document, { component: id, method: "usual", step: stir?.id ?? "" });
  expect(made(without)?.ingredients?.map((i) => i.step)).toEqual([undefined, simmer?.id, undefined, undefined]);
});
