import { expect, test } from "vitest";
import { readIngredient } from "../../../src/core/entry/ingredient-line";

test.each([
  ["1 1/2 cups all-purpose flour, sifted", 1.5, "cup", "all-purpose flour", "sifted"],
  ["2–3 lb chicken thighs (bone-in)", 2.5, "lb", "chicken thighs", "bone-in"],
  ["- ½ tsp salt", 0.5, "tsp", "salt", undefined],
  ["1 (14 oz) can tomatoes", 1, "can", "tomatoes", undefined],
  ["500g strong white flour", 500, "g", "strong white flour", undefined],
  ["2 large eggs", 2, "piece", "eggs", "large"],
  ["1,5 kg pork shoulder", 1.5, "kg", "pork shoulder", undefined],
  ["1 kg/2lb 4oz flour", 1, "kg", "flour", undefined],
  ["juice of 1 lemon", 1, "piece", "lemon", "juice"],
  ["2 x 400g tins tomatoes", 800, "g", "tomatoes", "tins"],
  ["250 ml (1 cup) milk", 250, "mL", "milk", undefined],
  ["3 cloves garlic, crushed", 3, "clove", "garlic", "crushed"],
  ["about 2 tablespoons oil", 2, "tbsp", "oil", "about"],
  ["1 cup plus 2 tablespoons sugar", 1.125, "cup", "sugar", undefined],
  ["10-12 peppercorns", 11, "piece", "peppercorns", undefined],
  ["one onion", 1, "piece", "onion", undefined],
  ["2 sprigs of thyme", 2, "sprig", "thyme", undefined],
  ["Butter: 200 g", 200, "g", "Butter", undefined],
  ["1½ dl cream", 150, "mL", "cream", undefined],
  ["4 quinces", 4, "piece", "quinces", undefined],
] as const)("%s", (line, amount, unit, name, note) => {
  const read = readIngredient(line);
  expect(read).toMatchObject({ name, unclear: undefined });
  expect(read.note).toBe(note);
  expect(read.amount?.unit).toBe(unit);
  expect(read.amount?.amount).toBeCloseTo(amount, 9);
});

test("to taste, optional, and headings", () => {
  expect(readIngredient("salt to taste")).toMatchObject({ name: "salt", asNeeded: true, note: "to taste", unclear: undefined });
  expect(readIngredient("Oil for deep-frying")).toMatchObject({ name: "Oil", asNeeded: true });
  expect(readIngredient("1 tsp chilli flakes (optional)")).toMatchObject({ name: "chilli flakes", optional: true });
  expect(readIngredient("For the dough:")).toMatchObject({ name: "dough", heading: true });
});

test("what is not clear is said, and nothing of the line is lost", () => {
  expect(readIngredient("Kosher salt").unclear).toBe("No amount.");
  expect(readIngredient("").unclear).toMatch(/no name/i);
  expect(readIngredient("flour with 200 g more for later").unclear).toBeDefined();
  const odd = readIngredient("2 tins (see page 41) of <b>things</b>, drained");
  expect(`${odd.name} ${odd.note}`).toContain("see page 41");
  expect(`${odd.name} ${odd.note}`).toContain("<b>things</b>");
});
