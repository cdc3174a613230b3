// Small parts of the planner with answers worked out by hand: settings of an oven, the least lead, methods that stay or are weighed.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { choicesOfMethods } from "../../../src/core/planner/choices";
import { type HeatUser, settle } from "../../../src/core/planner/heat-settings";
import { leastLead } from "../../../src/core/planner/reach";
import { demoDish, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const oven = demoDish("harvest-lunch").equipment.find((e) => e.kind === "oven");
if (!oven) throw new Error("the lunch has no oven");
const use = demoDish("harvest-lunch")
  .components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => s.uses)))
  .find((u) => u.what === "oven");
const user = (step: string, from: number, to: number, tempC: number, toleranceC: number): HeatUser => {
  if (!use) throw new Error("the lunch does not bake");
  return { step, component: "c", use: { ...use, tempC, toleranceC, racks: 1, mode: "any", ramp: false }, from, to, begun: false };
};
const never = { heat: () => [], lighting: () => [] };

describe("settings of one oven", () => {
  const slow = { ...oven, heatCPerMin: 2, coolCPerMin: 2 };
  test("use the tolerances where wishes alone would leave no time to change: 180 ± 10, then 220 ± 10 ten minutes later", () => {
    const settings = settle(slow, [user("a", 200, 240, 180, 10), user("b", 250, 290, 220, 10)], 0, never);
    expect(settings).toHaveLength(2);
    const [first, second] = (settings ?? []).map((s) => s.tempC) as [number, number];
    expect(second - first).toBeLessThanOrEqual(20);
    expect(Math.abs(first - 180)).toBeLessThanOrEqual(10);
    expect(Math.abs(second - 220)).toBeLessThanOrEqual(10);
  });
  test("keep to the wish where there is time", () => {
    const settings = settle(slow, [user("a", 200, 240, 180, 10), user("b", 270, 290, 220, 10)], 0, never);
    expect(settings?.map((s) => s.tempC)).toEqual([180, 220]);
  });
  test("are none where even the tolerances are too far apart", () => {
    expect(settle(slow, [user("a", 200, 240, 180, 5), user("b", 250, 290, 230, 5)], 0, never)).toBeUndefined();
  });
  test("look ahead: the one in the middle leans towards the one after it", () => {
    const chain = [user("a", 200, 240, 180, 0), user("b", 250, 290, 195, 15), user("c", 295, 320, 210, 0)];
    // From 180 at most 20 up in ten minutes, then at most 10 in five: only 200 does.
    expect(settle(slow, chain, 0, never)?.map((s) => s.tempC)).toEqual([180, 200, 210]);
  });
});

describe("the least lead", () => {
  test("is the longest chain of lengths and waits, whatever the cooks' hours", () => {
    const of = (change: (d: Loose) => void) => leastLead(dishOf(smallDish(change)), { planAt: "likely" });
    const before = of(() => {});
    const longer = of((d) => (stepOf(d, "stock.simmer").time = "20h"));
    expect(before).toBeGreaterThan(0);
    expect(longer).toBeGreaterThan(20 * 60);
    expect(of((d) => (d.kitchen.cooks[0].hours = [{ days: "sat", from: "10:00", to: "12:00" }]))).toBe(before);
  });
  test("no plan of the demo dishes is below it", () => {
    for (const name of ["spiced-duck", "saturday-pastries"]) {
      const dish = demoDish(name);
      const planned = planDish(dish, { style: "shortest", rounds: 20 });
      if (planned.status === "feasible") expect(planned.plan.leadMinutes).toBeGreaterThanOrEqual(leastLead(dish, {}));
    }
  });
});

describe("methods", () => {
  /** A stock of two days and one of two hours, at so much loss of quality. */
  const twoWays = (quality: number) =>
    dishOf(
      smallDish((d) => {
        const stock = d.components.find((c: Loose) => c.id === "stock");
        const quick = structuredClone(stock.methods[0]);
        stepOf(d, "stock.simmer").time = "40h";
        stepOf(d, "stock.simmer").attention = "unattended";
        stepOf(d, "stock.simmer").sleepOk = true;
        stepOf(d, "stock.simmer").awayOk = true;
        stock.methods.push({ ...quick, id: "quick", quality });
      }),
    );
  const chosen = (quality: number, style: "late" | "ahead") => {
    const planned = planDish(twoWays(quality), { style, rounds: 10 });
    return planned.status === "feasible" ? planned.plan.methods.stock : "none";
  };
  test("a quick one is taken where the lead it saves weighs more than its loss, and only then", () => {
    expect(chosen(0.95, "late")).toBe("quick");
    expect(chosen(0.1, "late")).not.toBe("quick");
    expect(chosen(0.95, "ahead")).not.toBe("quick");
  });
  test("what was planned comes first when it is planned again, and every choice stands once", () => {
    const dish = twoWays(0.95);
    const first = planDish(dish, { rounds: 10 });
    if (first.status !== "feasible") throw new Error("no plan");
    const { list } = choicesOfMethods(dish, { previous: first.plan });
    expect(list[0]?.stock).toBe(first.plan.methods.stock);
    expect(new Set(list.map((m) => JSON.stringify(m))).size).toBe(list.length);
  });
});
