// Why a step stands where it stands, checked against moving it: nothing stands outside its bounds, and what is critical really is.
import { describe, expect, test } from "vitest";
import { type Plan, planDish } from "../../../src/core/planner";
import { criticalChain, whyHere } from "../../../src/core/planner/explain/why";
import { DEMO, demoDish, dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";
import { randomDish } from "../generate";

const planOf = (dish: ReturnType<typeof dishOf>): Plan | undefined => {
  const found = planDish(dish, { rounds: 5 });
  return found.status === "feasible" ? found.plan : undefined;
};

describe("why here", () => {
  test.each(DEMO)("%s: every step has its two bounds around it, and a sentence for each", (name) => {
    const dish = demoDish(name);
    const plan = planOf(dish) as Plan;
    const whys = whyHere(dish, plan);
    expect(whys.map((w) => w.step).sort()).toEqual(plan.steps.map((s) => s.step).sort());
    for (const w of whys) {
      const start = plan.steps.find((s) => s.step === w.step)?.start ?? 0;
      expect(w.earliest).toBeLessThanOrEqual(start);
      expect(w.latest).toBeGreaterThanOrEqual(start);
      expect(w.notLater).toMatch(/^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) (\d+\/\d+ )?\d\d:\d\d: .+\.$/);
      expect(w.notEarlier).toMatch(/\.$/);
    }
    const chain = criticalChain(whys, plan);
    expect(chain).toContain(dish.serve);
    expect(chain.length).toBeGreaterThan(1);
  });
  test("names the wait and the neighbour that hold it", () => {
    const dish = dishOf(
      smallDish((d) => (stepOf(d, "sauce.reduce").makes[0].holds = [{ place: "counter", min: "30m", max: "50m", limit: "quality" }])),
    );
    const why = whyHere(dish, planOf(dish) as Plan).find((w) => w.step === "sauce.reduce");
    expect(why?.notLater).toMatch(/waits at least 30 min before "Put together"/);
    expect(why?.notEarlier).toMatch(/at most 50 min before "Put together"/);
    expect((why?.latest ?? 0) - (why?.earliest ?? 0)).toBeLessThanOrEqual(20);
  });
  test("names whose hands go where", () => {
    const dish = dishOf(
      smallDish((d) => {
        d.components[2].methods[0].steps.unshift(
          { id: "a", name: "Whip", time: "30m", after: [] },
          { id: "b", name: "Pipe", time: "30m", after: [] },
        );
        stepOf(d, "plate.put").after = [
          { step: "a", max: "2h" },
          { step: "b", max: "2h" },
        ];
      }),
    );
    const text = whyHere(dish, planOf(dish) as Plan)
      .map((w) => w.notLater)
      .join("\n");
    expect(text).toMatch(/The hands of ada: first "(Whip|Pipe)", then/);
  });
  test("no plan of the same order can start a step later than its latest: pinned past it, the order has to change or there is none", () => {
    let checked = 0;
    for (let seed = 1; seed <= 45; seed++) {
      const dish = dishOf(randomDish(seed, { steps: 8, cooks: 1 }));
      const plan = planOf(dish);
      if (!plan) continue;
      for (const w of whyHere(dish, plan).filter((x) => x.critical)) {
        // What is critical by waits alone cannot move at all.
        if (!/takes|comes|waits/.test(w.notLater) || !w.notLater.includes("Put together")) continue;
        checked++;
        const pin = { step: w.step, at: undefined, notBefore: w.latest + 1, notAfter: undefined, cook: undefined };
        const again = planDish(dish, {
          rounds: 0,
          conflicts: 300,
          log: { events: new Map(), pins: [pin], methods: plan.methods, heat: [] },
        });
        expect(again.status, `seed ${seed} ${w.step}: ${w.notLater}`).toBe("infeasible");
      }
    }
    expect(checked).toBeGreaterThan(4);
  });
});
