// A feast: two dishes on one table and one kitchen, each still what it was, and the first again when the other is taken off.
import { describe, expect, test } from "vitest";
import { coursesOf, documentChange, joinDishes, leaveOut } from "../../../src/core/dish/feast";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { planDish, verifyPlan } from "../../../src/core/planner";
import { demoDocument, type Loose } from "../../support/dishes";
import { longFeast } from "../../support/long-feast";
import { smallDish } from "../../support/small-dish";

const sound = (value: Loose): DishFile => {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join("\n"));
  return read.document;
};
const other = (change: (d: Loose) => void = () => {}) =>
  sound(
    smallDish((d) => {
      d.dish.id = "soup";
      d.dish.name = "Soup";
      change(d);
    }),
  );

describe("joining two dishes", () => {
  const first = sound(smallDish());
  test("keeps the steps of both apart, also where they have the same ids", () => {
    const feast = sound(joinDishes(first, other(), { after: 45 }));
    expect(feast.components.map((c) => c.id)).toEqual(["stock", "sauce", "plate", "soup-stock", "soup-sauce", "soup-plate"]);
    const reduce = feast.components[4]?.methods[0]?.steps[0];
    expect(reduce?.takes?.[0]?.from).toBe("soup-stock.stock");
    expect(feast.dish.courses).toEqual([{ name: "Soup", serve: "soup-plate.put", after: "45m" }]);
    expect(coursesOf(feast)).toEqual(["Small", "Soup"]);
  });
  test("amounts of the added dish stay those that its own guests need", () => {
    const twelve = other((d) => (d.dish.serves = 12));
    const feast = dishModel(sound(joinDishes(first, twelve, { after: 0 })));
    const made = (component: string) =>
      feast.components.find((c) => c.id === component)?.methods[0]?.steps.at(-1)?.makes[0]?.quantity?.value;
    expect(made("stock")).toBeCloseTo(2000, 6);
    expect(made("soup-stock")).toBeCloseTo(6000, 6);
  });
  test("what is served before becomes the moment that all hours count from", () => {
    const feast = sound(joinDishes(first, other(), { after: -90 }));
    expect(feast.dish.serveAt).toBe("2026-10-18T11:30");
    expect(feast.dish.serve).toBe("soup-plate.put");
    expect(feast.dish.courses).toEqual([{ name: "Small", serve: "plate.put", after: "1h30m" }]);
  });
  test("may begin as early as the earlier of the two", () => {
    const begins = (day: string) => (d: Loose) => (d.dish.startNotBefore = `${day}T08:00`);
    const of = (one: DishFile, two: DishFile) => joinDishes(one, two, { after: 0 }).dish.startNotBefore;
    const early = sound(smallDish(begins("2026-10-12")));
    expect(of(early, other(begins("2026-10-15")))).toBe("2026-10-12T08:00");
    expect(of(sound(smallDish(begins("2026-10-15"))), other(begins("2026-10-12")))).toBe("2026-10-12T08:00");
    expect(of(first, other(begins("2026-10-12")))).toBe("2026-10-12T08:00");
  });
  test("is planned as one: each course ends at its own minute, and no two works share a pair of hands", () => {
    const dish = dishModel(sound(joinDishes(first, other(), { after: 60 })));
    const planned = planDish(dish, { rounds: 10 });
    if (planned.status !== "feasible") throw new Error(planned.conflict[0]?.text);
    expect(verifyPlan(dish, planned.plan).broken).toEqual([]);
    const end = (step: string) => planned.plan.steps.find((s) => s.step === step)?.end;
    expect(end("plate.put")).toBe(dish.serveAt);
    expect(end("soup-plate.put")).toBe(dish.serveAt + 60);
  });
  test("what each has fixed by hand stays fixed, under its new name", () => {
    const pinned = other(
      (d) =>
        (d.wishes = {
          pins: [
            { step: "stock.simmer", notAfter: "2026-10-18T06:00" },
            { component: "stock", method: "slow" },
          ],
        }),
    );
    const feast = sound(joinDishes(first, pinned, { after: 30 }));
    expect(feast.wishes?.pins).toEqual([
      { step: "soup-stock.simmer", notAfter: "2026-10-18T06:00" },
      { component: "soup-stock", method: "slow" },
    ]);
  });
  test("who is to be cared for at either is cared for at both", () => {
    const a = { ...first, dish: { ...first.dish, guests: { avoid: ["nuts"], care: ["children"] } } };
    const b = other((d) => (d.dish.guests = { avoid: ["nuts", "gluten"], care: ["pregnant"] }));
    expect(joinDishes(a, b, { after: 0 }).dish.guests).toEqual({ avoid: ["nuts", "gluten"], care: ["children", "pregnant"] });
  });
  test("another time zone is refused", () => {
    expect(() =>
      joinDishes(
        first,
        other((d) => (d.dish.timezone = "Asia/Tokyo")),
        { after: 0 },
      ),
    ).toThrow(/time zones/);
  });
});

describe("leaving out", () => {
  const lunch = sound(demoDocument("harvest-lunch"));
  test("what was added gives the dish as it was", () => {
    const feast = sound(joinDishes(lunch, sound(demoDocument("spiced-duck")), { after: 30 }));
    const left = sound(leaveOut(feast, "Spiced duck with pancakes"));
    expect(left.components).toEqual(lunch.components.map((c) => ({ ...c, course: c.course ?? lunch.dish.name })));
    expect(left.dish.serve).toBe(lunch.dish.serve);
    expect(left.dish.courses).toEqual(lunch.dish.courses);
  });
  test("the first course leaves the others at their own minutes", () => {
    const feast = sound(joinDishes(sound(smallDish()), other(), { after: 45 }));
    const left = leaveOut(feast, "Small");
    expect(left?.dish.serveAt).toBe("2026-10-18T13:45");
    expect(left?.dish.serve).toBe("soup-plate.put");
    expect(left?.dish.courses).toBeUndefined();
  });
  test("what stood on the plate of the one that goes, goes with it", () => {
    const plated = (d: Loose) => (d.dish.plate = [{ output: "stock.stock", perServing: { amount: 20, unit: "mL" } }]);
    const feast = sound(joinDishes(sound(smallDish(plated)), other(plated), { after: 45 }));
    expect(feast.dish.plate?.map((p) => p.output)).toEqual(["stock.stock", "soup-stock.stock"]);
    expect(sound(leaveOut(feast, "Soup")).dish.plate?.map((p) => p.output)).toEqual(["stock.stock"]);
  });
  test("a course that is not there, or the only one, cannot be left out", () => {
    expect(leaveOut(lunch, "Soup")).toBeUndefined();
    expect(leaveOut({ ...lunch, components: lunch.components.map((c) => ({ ...c, course: "All" })) }, "All")).toBeUndefined();
  });
  test("the change from one document to another is what leads there", () => {
    const feast = joinDishes(lunch, sound(demoDocument("saturday-pastries")), { after: 90 });
    const wished = { ...feast, wishes: { style: "even" as const } };
    for (const [a, b] of [
      [lunch, wished],
      [wished, lunch],
    ] as const)
      expect(applyPatch(a, documentChange(a, b))).toEqual(b);
  });
});

test("the weekend's table has the size that it is made for, and holds together", () => {
  const feast = longFeast();
  expect(feast.components.flatMap((c) => c.methods[0]?.steps ?? []).length).toBeGreaterThanOrEqual(120);
  const dish = dishModel(feast);
  const planned = planDish(dish, { rounds: 0 });
  if (planned.status !== "feasible") throw new Error(planned.conflict[0]?.text);
  expect(verifyPlan(dish, planned.plan).broken).toEqual([]);
  expect(planned.plan.leadMinutes).toBeGreaterThan(8 * 1440);
});
