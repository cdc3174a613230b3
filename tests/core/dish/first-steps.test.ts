// What helps a new dish along: what its plan still needs, what usually goes with it, lines to start from.
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../../src/core/dish/edit/components";
import { likelyNext, planNeeds, sampleLines } from "../../../src/core/dish/edit/first-steps";
import { COMPONENT_KINDS } from "../../../src/core/dish/kinds";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { planDish } from "../../../src/core/planner";

const start = (name: string) => newDish({ name, serves: 6, serveAt: "2026-12-13T13:00", timezone: "Europe/Dublin" });
const add = (d: DishFile, name: string, steps: readonly string[] = [], ingredients: readonly string[] = []) =>
  addComponent(d, { name, steps, ingredients }).document;

describe("what the plan still needs", () => {
  test("shrinks as the dish grows, and is empty once there is enough", () => {
    let d = start("Sunday pie");
    expect(planNeeds(d).map((n) => n.id)).toEqual(["component"]);
    d = add(d, "Crust");
    expect(planNeeds(d).map((n) => n.id)).toEqual(["steps", "holds", "second"]);
    d = add(start("Sunday pie"), "Crust", ["mix 10m", "rest 1h, fridge, makes 500 g crust, keeps up to 2d fridge"]);
    expect(planNeeds(d).map((n) => n.id)).toEqual(["second"]);
    d = add(d, "Filling", ["chop 20m", "cook 20m, makes 800 g filling, keeps up to 2d fridge"]);
    expect(planNeeds(d)).toEqual([]);
  });
  test("names the components that it is about, three at most", () => {
    const d = ["Crust", "Filling", "Sauce", "Pickle", "Salad"].reduce((dish, name) => add(dish, name), start("Pie"));
    expect(planNeeds(d)[0]?.text).toBe("Steps of Crust, Filling, Sauce and 2 more: one per line, with how long it takes.");
  });
});

describe("what usually goes with it", () => {
  test("a pie needs a crust and a filling; what is there is not offered again", () => {
    const d = start("Venison pie");
    expect(likelyNext(d)).toEqual(expect.arrayContaining(["Crust", "Filling"]));
    expect(likelyNext(add(d, "Hot-water crust"))).not.toContain("Crust");
    expect(likelyNext(add(add(d, "Filling"), "Suet crust"))).not.toEqual(expect.arrayContaining(["Filling"]));
  });
  test("the newest component comes before the dish, and a name that says nothing offers nothing", () => {
    const d = add(start("Sunday lunch"), "Lamb curry");
    expect(likelyNext(d)[0]).toBe("Spice paste");
    expect(likelyNext(start("Thing"))).toEqual([]);
  });
});

test.each(COMPONENT_KINDS)("the sample lines of %s are understood without a doubt and can be planned", (kind) => {
  const d = addComponent(start("Trial"), { name: "Something", kind, steps: sampleLines(kind), ingredients: [] }).document;
  const component = d.components[0];
  const steps = component?.methods[0]?.steps ?? [];
  expect(steps).toHaveLength(sampleLines(kind).length);
  for (const [i, s] of steps.entries()) {
    expect(s.note, sampleLines(kind)[i]).toBeUndefined();
    expect(s.time).toBeDefined();
  }
  const read = readDishValue(d);
  if (read.status !== "read") throw new Error(read.problems[0]?.message);
  const dish = dishModel(read.document);
  expect(planDish(dish, { now: dish.serveAt - 14 * 1440, rounds: 3 }).status).toBe("feasible");
});
