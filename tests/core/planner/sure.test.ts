// A wished probability: what is asked for is reached where it can be, with no more lead than another that reaches it too.
import { describe, expect, test } from "vitest";
import { planDish, verifyPlan } from "../../../src/core/planner";
import { riskOf } from "../../../src/core/planner/risk";
import { planSure } from "../../../src/core/planner/sure";
import { demoDish, dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

/** A simmer that may take twice as long, on a day with time to spare. */
const uncertain = () =>
  dishOf(
    smallDish((d) => {
      stepOf(d, "stock.simmer").time = { min: "2h", likely: "3h", max: "8h" };
      d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "22:00" }];
    }),
  );

describe("a plan on time as often as wished", () => {
  test("the surer the wish, the more lead, and never less sure than asked where it is reached", () => {
    const dish = uncertain();
    const leads = [0, 0.7, 0.95].map((wish) => {
      const sure = planSure(dish, wish, { rounds: 10 });
      if (sure.status === "infeasible") throw new Error("no plan");
      expect(verifyPlan(dish, sure.plan).broken).toEqual([]);
      if (sure.status === "reached") expect(sure.onTime).toBeGreaterThanOrEqual(wish);
      return sure.plan.leadMinutes;
    });
    expect(leads).toEqual([...leads].sort((a, b) => a - b));
    const likely = planDish(dish, { planAt: "likely", rounds: 10 });
    if (likely.status === "feasible") expect(leads[0]).toBeLessThanOrEqual(likely.plan.leadMinutes);
  });
  test("what nobody can promise is told as the nearest", () => {
    const sure = planSure(demoDish("spiced-duck"), 1.01, { rounds: 0 });
    expect(sure.status).toBe("nearest");
    if (sure.status !== "nearest") return;
    expect(sure.onTime).toBeCloseTo(riskOf(demoDish("spiced-duck"), sure.plan, { runs: 2_000, seed: 1 }).onTime, 6);
  });
  test("a dish without a plan stays without", () => {
    const dish = uncertain();
    expect(planSure(dish, 0.5, { now: dish.serveAt - 60, rounds: 0 }).status).toBe("infeasible");
  });
});
