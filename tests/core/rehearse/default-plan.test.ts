// A wished probability: what is asked for is reached where it can be, with no more lead than another that reaches it too.
import { describe, expect, test } from "vitest";
import type { DishFile } from "../../../src/core/dish/schema";
import { verifyPlan } from "../../../src/core/planner";
import { rehearse } from "../../../src/core/rehearse";
import { defaultPlan } from "../../../src/core/rehearse/default-plan";
import { demoDocument, dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

/** A simmer that may take twice as long, on a day with time to spare. */
const uncertain = () =>
  smallDish((d) => {
    stepOf(d, "stock.simmer").time = { min: "2h", likely: "3h", max: "8h" };
    d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "22:00" }];
  });

describe("a plan on time as often as wished", () => {
  test("reaches the wish when it is executed, and says so; the choices are ordered by lead and hold the one given", () => {
    for (const wish of [0.5, 0.95]) {
      const sure = defaultPlan(uncertain() as DishFile, wish, { rounds: 10, runs: 40 });
      if (sure.status === "infeasible") throw new Error("no plan");
      expect(sure.status).toBe("reached");
      expect(verifyPlan(dishOf(uncertain()), sure.plan).broken).toEqual([]);
      expect(sure.within15).toBeGreaterThanOrEqual(wish);
      const again = rehearse(uncertain() as DishFile, sure.plan, { runs: 40, seed: 5 });
      expect(again.within15).toBeGreaterThan(wish - 0.15);
      const leads = sure.choices.map((c) => c.plan.leadMinutes);
      expect(leads).toEqual([...leads].sort((a, b) => a - b));
      expect(sure.choices.some((c) => c.plan === sure.plan)).toBe(true);
    }
  });
  test("what nobody can promise is told as the nearest", () => {
    expect(defaultPlan(demoDocument("saturday-pastries"), 1.01, { rounds: 0, runs: 2 }).status).toBe("nearest");
  });
  test("when the time is over one plan has been executed, and the others keep the shares of the fast form", () => {
    const executed = (time?: { clock: () => number; ms: number }) => {
      const sure = defaultPlan(demoDocument("saturday-pastries"), 1.01, { rounds: 0, runs: 2, time });
      return sure.status === "infeasible" ? [] : sure.choices.map((c) => c.executed).filter((runs) => runs > 0);
    };
    expect(executed().length).toBeGreaterThan(1);
    let now = 0;
    expect(executed({ clock: () => now++, ms: 0 })).toHaveLength(1);
  });
  test("a dish without a plan stays without", () => {
    const dish = dishOf(uncertain());
    expect(defaultPlan(uncertain() as DishFile, 0.5, { now: dish.serveAt - 60, rounds: 0 }).status).toBe("infeasible");
  });
});
