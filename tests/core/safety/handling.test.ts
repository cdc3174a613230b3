// What hands come to grief by: told as a Note, and only where it is so.
import { expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import { CAUTION_IDS } from "../../../src/core/foods/cautions";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import { caseOf, casesOf } from "../../support/safety-dishes";

const found = (text: string) => {
  const read = readDishValue(caseOf(`== | Dish | other\n${text}`).dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document)).map((f) => `${f.severity} ${f.id.split(":")[0]}`);
};

test.each([
  ["in: 20 g habanero; 500 g tomatoes\ndo: Chop the chillies | 10m | | makes it: fridge 1d", "note hot-chillies"],
  ["in: 40 g red chillies; 500 g tomatoes\ndo: Chop the chillies | 10m | | makes it: fridge 1d", "note hot-chillies"],
  ["in: 500 g fennel\ndo: Shave on the mandoline | 10m | | makes it: fridge 1d", "note knife-mandolin"],
])("%s", (text, wanted) => expect(found(text)).toContain(wanted));

test.each([
  ["in: 39 g red chillies; 500 g tomatoes\ndo: Chop the chillies | 10m | | makes it: fridge 1d"],
  ["in: 5 g chilli flakes; 500 g fennel\ndo: Slice with a knife | 10m | | makes it: fridge 1d"],
])("nothing of %s", (text) => expect(found(text)).toEqual([]));

test("every caution has a dish that has it, but for those that only the cook can know", () => {
  const told = new Set([...casesOf("hazards.txt").map((c) => c.caution), "hot-chillies", "knife-mandolin"]);
  expect(CAUTION_IDS.filter((id) => !told.has(id)).sort()).toEqual(["mould", "tasting-spoons"]);
});
