// What is hot and stands between two of its own steps only because the plan put the second one later: told, and mended by going on at once.
import { expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { planDish } from "../../../src/core/planner";
import { findingViews } from "../../../src/core/safety/view";
import { planView } from "../../../src/core/view/plan-view";
import { casesOf } from "../../support/safety-dishes";

const STOCK = casesOf("between-steps.txt")[0]?.dish;

function found(value: unknown) {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  const document: DishFile = read.document;
  const dish = dishModel(document);
  const planned = planDish(dish, { rounds: 1 });
  if (planned.status !== "feasible") throw new Error("no plan");
  const findings = findingViews({ document, dish, chosen: {}, view: planView(dish, planned.plan), acknowledged: new Map() });
  return { document, warm: findings.find((f) => f.id.startsWith("cooked-then-warm:")) };
}

test("a stock that waits hot for its straining is a danger of the plan, and the mend has it strained at once", () => {
  const { document, warm } = found(STOCK);
  expect(warm).toMatchObject({ severity: "stop", basis: "planned" });
  expect(warm?.mends.map((m) => m.label)).toEqual(["“Strain, cool in an ice bath, stirring” within half an hour of “Simmer”"]);
  const mended = applyPatch(document, warm?.mends[0]?.change ?? []);
  expect(found(mended).warm).toBeUndefined();
});
