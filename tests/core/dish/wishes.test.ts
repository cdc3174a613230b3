// How a dish is wished: pins and style in the document count for the planner, the verifier and whoever reads the file again.
import { describe, expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDish, readDishValue } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { freeAllChange, pinCookChange, pinMethodsChange, pinOfStep, pinStepChange, wishChange } from "../../../src/core/dish/wishes";
import { writeDish } from "../../../src/core/dish/write";
import { EMPTY_LOG, planDish, verifyPlan, withWishes } from "../../../src/core/planner";
import { dishOf, type Loose } from "../../support/dishes";
import { addTin, smallDish } from "../../support/small-dish";

const sound = (value: Loose): DishFile => {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return read.document;
};
const document = sound(smallDish());
const changed = (...changes: Parameters<typeof applyPatch>[1][]) => changes.reduce((d, c) => applyPatch(d, c), document);

describe("fixing by hand", () => {
  test("one step has one pin: the new one takes the place of the old", () => {
    const once = changed(pinStepChange(document, "stock.simmer", { at: "2026-10-17T10:00" }));
    const twice = applyPatch(once, pinStepChange(once, "stock.simmer", { notAfter: "2026-10-17T09:00", cook: undefined }));
    expect(twice.wishes?.pins).toEqual([{ step: "stock.simmer", notAfter: "2026-10-17T09:00" }]);
    expect(pinOfStep(twice, "stock.simmer")).toEqual({ step: "stock.simmer", notAfter: "2026-10-17T09:00" });
    expect(applyPatch(twice, pinStepChange(twice, "stock.simmer", undefined)).wishes?.pins).toEqual([]);
    expect(applyPatch(twice, pinStepChange(twice, "stock.simmer", { at: undefined })).wishes?.pins).toEqual([]);
  });
  test("a method is fixed and left open again without touching what else is fixed", () => {
    const pinned = changed(pinStepChange(document, "plate.put", { cook: "ada" }));
    const method = applyPatch(pinned, pinMethodsChange(pinned, { stock: "slow", sauce: "only" }));
    expect(method.wishes?.pins).toHaveLength(3);
    const open = applyPatch(method, pinMethodsChange(method, { stock: undefined }));
    expect(open.wishes?.pins).toEqual([
      { step: "plate.put", cook: "ada" },
      { component: "sauce", method: "only" },
    ]);
  });
  test("a cook takes steps over, hours that are fixed stay", () => {
    const pinned = changed(pinStepChange(document, "sauce.reduce", { notBefore: "2026-10-18T09:00" }));
    expect(applyPatch(pinned, pinCookChange(pinned, ["sauce.reduce", "plate.put"], "ada")).wishes?.pins).toEqual([
      { step: "sauce.reduce", notBefore: "2026-10-18T09:00", cook: "ada" },
      { step: "plate.put", cook: "ada" },
    ]);
  });
  test("style and pins do not get in each other's way", () => {
    const wished = changed(pinStepChange(document, "plate.put", { cook: "ada" }));
    const even = applyPatch(wished, wishChange(wished, { style: "even" }));
    expect(even.wishes).toEqual({ style: "even", pins: [{ step: "plate.put", cook: "ada" }] });
    expect(applyPatch(even, freeAllChange(even)).wishes).toEqual({ style: "even", pins: [] });
  });
});

describe("a dish with wishes", () => {
  const wished = (wishes: Loose, change: (d: Loose) => void = () => {}) =>
    dishOf(
      smallDish((d) => {
        d.wishes = wishes;
        change(d);
      }),
    );
  test("is planned by them: the minute, the edge, the style", () => {
    const dish = wished({ style: "ahead", pins: [{ step: "stock.simmer", at: "2026-10-16T10:00" }] });
    const planned = planDish(dish, { rounds: 4 });
    if (planned.status !== "feasible") throw new Error(planned.conflict[0]?.text);
    expect(planned.plan.style).toBe("ahead");
    expect(planned.plan.steps.find((s) => s.step === "stock.simmer")?.start).toBe(dish.zone.toMinute("2026-10-16T10:00"));
    // What the options say has the last word.
    const late = planDish(dish, { rounds: 0, style: "late" });
    expect(late.status === "feasible" && late.plan.style).toBe("late");
  });
  test("a plan that does not keep them is refused by the verifier", () => {
    const free = planDish(dishOf(smallDish()), { rounds: 0 });
    if (free.status !== "feasible") throw new Error("no plan");
    const dish = wished({ pins: [{ step: "stock.simmer", notAfter: "2026-10-15T10:00" }] });
    expect(verifyPlan(dish, free.plan).broken.map((b) => b.steps[0])).toContain("stock.simmer");
  });
  test("a method that is fixed is made so, and the log's word goes before the wish's", () => {
    const dish = wished({ pins: [{ component: "stock", method: "tin" }] }, addTin);
    const planned = planDish(dish, { rounds: 0 });
    expect(planned.status === "feasible" && planned.plan.methods.stock).toBe("tin");
    expect(withWishes(dish, { ...EMPTY_LOG, methods: { stock: "slow" } }).methods).toEqual({ stock: "slow" });
  });
  test("is written and read again with them", () => {
    const text = writeDish(
      sound(smallDish((d) => (d.wishes = { style: "even", planAt: "longest", pins: [{ component: "stock", method: "slow" }] }))),
    );
    const read = readDish(text);
    expect(read.status === "read" && writeDish(read.document)).toBe(text);
    expect(JSON.parse(text).wishes.planAt).toBe("longest");
  });
  test("what is fixed of a step that is gone does no harm and is told", () => {
    const value = smallDish(
      (d) =>
        (d.wishes = {
          pins: [
            { step: "stock.skim", at: "2026-10-16T10:00" },
            { component: "jam", method: "x" },
          ],
        }),
    );
    const read = readDishValue(value);
    expect(read.status).toBe("read");
    expect(read.problems.map((p) => [p.path, p.severity])).toEqual([
      ["wishes.pins[0]", "warning"],
      ["wishes.pins[1]", "warning"],
    ]);
    expect(planDish(dishOf(value), { rounds: 0 }).status).toBe("feasible");
  });
  test("a style that is none, a pin without a step, an hour that is none are refused where they stand", () => {
    for (const [wishes, path] of [
      [{ style: "lazy" }, "wishes.style"],
      [{ pins: [{ step: "stock.simmer", at: "soon" }] }, "wishes.pins[0].at"],
      [{ pins: [{ at: "2026-10-16T10:00" }] }, "wishes.pins[0]"],
    ] as const) {
      const read = readDishValue(smallDish((d) => (d.wishes = wishes)));
      expect(read.status).toBe("refused");
      expect(read.problems.map((p) => p.path).join()).toContain(path);
    }
  });
});
