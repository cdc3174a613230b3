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
  const findings = findingViews({ document, dish, chosen: {}, view: planView(dish, planned.plan), acknowledged: new Map() }).filter(
    (f) => f.severity !== "note",
  );
  return { document, warm: findings.find((f) => f.id.startsWith("cooked-then-warm:")) };
}

test("a stock that waits hot for its straining is a danger of the plan, and the mend has it strained at once", () => {
  const { document, warm } = found(STOCK);
  expect(warm).toMatchObject({ severity: "stop", basis: "planned" });
  expect(warm?.mends.map((m) => m.label)).toEqual(["“Strain, cool in an ice bath, stirring” within half an hour of “Simmer”"]);
  const mended = applyPatch(document, warm?.mends[0]?.change ?? []);
  expect(found(mended).warm).toBeUndefined();
});

test("what is not hot and waits in between goes into the fridge, and that is a Note", () => {
  const dish = structuredClone(STOCK) as { components: { id: string; methods: { steps: Record<string, unknown>[] }[] }[] };
  const read = readDishValue({
    ...dish,
    components: dish.components.map((c) =>
      c.id === "main"
        ? {
            ...c,
            methods: c.methods.map((m) => ({
              ...m,
              ingredients: [{ id: "eggs", name: "Eggs", amount: { amount: 6, unit: "piece" } }],
              steps: [
                { id: "whisk", name: "Whisk the eggs", time: "10m", attention: "hands" },
                {
                  ...m.steps.at(-1),
                  id: "bake",
                  name: "Bake",
                  time: "30m",
                  after: ["whisk"],
                  uses: [{ what: "oven", tempC: 180 }],
                  done: { probeC: 80 },
                },
              ],
            })),
          }
        : c,
    ),
  });
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  const model = dishModel(read.document);
  const planned = planDish(model, { rounds: 1 });
  if (planned.status !== "feasible") throw new Error("no plan");
  // Whisked the evening before, by the cook's own wish.
  const view = planView(model, planned.plan);
  const early = 10 * 60;
  const moved = {
    ...view,
    steps: view.steps.map((s) => (s.ref === "main.whisk" ? { ...s, start: s.start - early, end: s.end - early } : s)),
    waits: view.waits.map((w) => (w.fromStep === "main.whisk" ? { ...w, from: w.from - early } : w)),
  };
  const found = findingViews({ document: read.document, dish: model, chosen: {}, view: moved, acknowledged: new Map() });
  const said = found.filter((f) => f.id.startsWith("cooked-then-warm:"));
  expect(said.map((f) => [f.severity, f.id])).toEqual([["note", "cooked-then-warm:between:main"]]);
});
