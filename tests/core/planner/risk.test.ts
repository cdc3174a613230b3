// How sure a plan is: certain plans are sure, uncertain ones as sure as the distribution says, and the blame falls where it belongs.
import { describe, expect, test } from "vitest";
import { pertQuantile } from "../../../src/core/dish/planned-length";
import { EMPTY_LOG, type Plan, type PlanOptions, planDish } from "../../../src/core/planner";
import { riskOf } from "../../../src/core/planner/risk";
import { demoDish, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const planned = (value: Loose, options: PlanOptions = {}) => {
  const dish = dishOf(value);
  const found = planDish(dish, { planAt: "likely", rounds: 0, ...options });
  if (found.status !== "feasible") throw new Error("no plan");
  return { dish, plan: found.plan as Plan };
};

describe("the chance of being on time", () => {
  test("is one where nothing is uncertain", () => {
    const { dish, plan } = planned(smallDish((d) => (stepOf(d, "stock.simmer").time = "4h")));
    const risk = riskOf(dish, plan, { runs: 500 });
    expect(risk).toMatchObject({ onTime: 1, within15: 1, bufferMinutes95: 0, blame: [], overtime: 0, brokenWaits: [] });
    expect(risk.lateness).toEqual({ p50: 0, p80: 0, p95: 0 });
  });
  test("of one uncertain step at the end is the share of the distribution below its planned length", () => {
    const last = smallDish((d) => {
      stepOf(d, "stock.simmer").time = "4h";
      stepOf(d, "sauce.reduce").time = { min: "40m", likely: "60m", max: "120m" };
      stepOf(d, "sauce.reduce").makes[0].holds = [{ place: "counter", max: "0m" }];
      d.kitchen.cooks[0] = {
        id: "ada",
        hours: [{ days: "all", from: "00:00", to: "24:00" }],
        awake: [{ days: "all", from: "00:00", to: "24:00" }],
      };
    });
    const { dish, plan } = planned(last);
    let share = 0;
    while (pertQuantile({ min: 40, likely: 60, max: 120 }, share + 0.001) <= 60) share += 0.001;
    const risk = riskOf(dish, plan, { runs: 20_000 });
    expect(risk.onTime).toBeGreaterThan(share - 0.02);
    expect(risk.onTime).toBeLessThan(share + 0.02);
    expect(risk.blame[0]).toMatchObject({ step: "sauce.reduce" });
    expect(risk.blame[0]?.share).toBeCloseTo(1, 1);
    expect(Math.abs(risk.bufferMinutes95 - (pertQuantile({ min: 40, likely: 60, max: 120 }, 0.95) - 60))).toBeLessThan(3);
  });
  test("grows with caution, and a plan by the longest lengths is never late", () => {
    const dish = demoDish("spiced-duck");
    const sure = (["likely", "cautious", "longest"] as const).map((planAt) => {
      const found = planDish(dish, { planAt, rounds: 5 });
      if (found.status !== "feasible") throw new Error(planAt);
      return riskOf(dish, found.plan, { runs: 4000 }).onTime;
    });
    expect(sure[1]).toBeGreaterThan(sure[0] as number);
    expect(sure[2]).toBe(1);
  });
  test("is the same for the same seed, and steady between seeds", () => {
    const { dish, plan } = planned(smallDish());
    expect(riskOf(dish, plan, { runs: 2000, seed: 5 })).toEqual(riskOf(dish, plan, { runs: 2000, seed: 5 }));
    expect(Math.abs(riskOf(dish, plan, { runs: 8000, seed: 5 }).onTime - riskOf(dish, plan, { runs: 8000, seed: 6 }).onTime)).toBeLessThan(
      0.03,
    );
  });
});

describe("what happens on the way", () => {
  test("a longest wait that can be kept is kept: what follows at once follows early too", () => {
    const tied = smallDish((d) => {
      stepOf(d, "sauce.reduce").attention = "unattended";
      stepOf(d, "plate.put").takes = [];
      d.components[1].methods[0].steps.push({
        id: "strain",
        time: "5m",
        after: [{ step: "reduce", max: "0m" }],
        takes: [],
        makes: stepOf(d, "sauce.reduce").makes,
      });
      stepOf(d, "sauce.reduce").makes = [];
      stepOf(d, "sauce.reduce").time = { min: "30m", likely: "60m", max: "90m" };
      stepOf(d, "plate.put").takes = [{ from: "sauce.sauce", amount: { amount: 400, unit: "mL" } }];
    });
    const { dish, plan } = planned(tied, { planAt: "longest" });
    expect(riskOf(dish, plan, { runs: 2000 }).brokenWaits).toEqual([]);
  });
  test("work that slips past the cook's evening is told", () => {
    const evening = smallDish((d) => {
      d.dish.serveAt = "2026-10-18T21:00";
      d.kitchen.cooks[0].hours = [{ days: "all", from: "12:00", to: "21:00" }];
      stepOf(d, "sauce.reduce").time = { min: "40m", likely: "60m", max: "100m" };
      stepOf(d, "sauce.reduce").makes[0].holds = [{ place: "counter", max: "0m" }];
    });
    const { dish, plan } = planned(evening);
    expect(riskOf(dish, plan, { runs: 2000 }).overtime).toBeGreaterThan(0.2);
  });
  test("components are ready about when planned, and stand-ins have a last moment", () => {
    const dish = demoDish("harvest-lunch");
    const found = planDish(dish, { rounds: 0 });
    if (found.status !== "feasible") throw new Error("no plan");
    const told: number[] = [];
    const risk = riskOf(dish, found.plan, { runs: 3000, onProgress: (done) => told.push(done) });
    for (const c of risk.components) {
      expect(c.p50).toBeLessThanOrEqual(c.p80);
      expect(c.p80).toBeLessThanOrEqual(c.p95);
      expect(c.p50 - c.planned).toBeLessThan(90);
    }
    expect(risk.fallbacks.length).toBeGreaterThan(0);
    for (const f of risk.fallbacks) expect(f.decideBy).toBeLessThan(dish.serveAt);
    expect(told.at(-1)).toBe(1);
  });
});

describe("a plan under way", () => {
  const dish = demoDish("spiced-duck");
  const found = planDish(dish, { rounds: 0, planAt: "likely" });
  if (found.status !== "feasible") throw new Error("no plan");
  const { plan } = found;
  const logOfAll = (change: (step: (typeof plan.steps)[number]) => { ended: number | undefined } | undefined) => ({
    ...EMPTY_LOG,
    events: new Map(
      plan.steps.flatMap((s) => {
        const event = change(s);
        return event ? [[s.step, { step: s.step, started: s.start, estimate: undefined, ...event }] as const] : [];
      }),
    ),
  });
  test("what is done is no longer uncertain: with all but the last certain steps done, it is on time", () => {
    const before = riskOf(dish, plan, { runs: 2000 });
    const done = logOfAll((s) => (s.end <= plan.serveAt - 20 ? { ended: s.end } : undefined));
    const after = riskOf(dish, { ...plan, now: plan.serveAt - 20 }, { runs: 2000, log: done });
    expect(before.onTime).toBeLessThan(1);
    expect(after.onTime).toBeGreaterThan(before.onTime);
    const duck = after.components.find((c) => c.component === "duck");
    expect(duck?.p50).toBe(duck?.p95);
  });
  test("a running step is not over before now, nor before the cook's estimate", () => {
    const dry = plan.steps.find((s) => s.step === "duck.dry");
    if (!dry) throw new Error("no drying");
    const now = dry.end + 600;
    const log = logOfAll((s) => (s.step === "duck.dry" ? { ended: undefined } : s.end <= dry.start ? { ended: s.end } : undefined));
    const overdue = riskOf(dish, { ...plan, now }, { runs: 500, log });
    expect(overdue.components.find((c) => c.component === "duck")?.p50).toBeGreaterThan(now);
  });
});
