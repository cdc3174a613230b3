// What follows from the log of a run, and what is hot by the plan that is followed.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { heatOnAt } from "../../../src/core/record/heat-on";
import { progressOf, type RunEvent } from "../../../src/core/record/progress";
import { demoDish } from "../../support/dishes";

const events = (...list: [RunEvent["kind"], string, number][]): RunEvent[] =>
  list.map(([kind, step, at], sequence) => ({ sequence, kind, step, at }));

describe("progress", () => {
  test("a step runs from start to end, with the newest estimate", () => {
    const progress = progressOf(
      events(["started", "a.b", 10], ["estimate", "a.b", 60], ["estimate", "a.b", 80], ["started", "c.d", 20], ["ended", "c.d", 25]),
    );
    expect(progress.get("a.b")).toEqual({ step: "a.b", started: 10, ended: undefined, estimate: 80 });
    expect(progress.get("c.d")).toEqual({ step: "c.d", started: 20, ended: 25, estimate: undefined });
  });
  test("done without a start starts and ends at once", () =>
    expect(progressOf(events(["ended", "a.b", 40])).get("a.b")).toMatchObject({ started: 40, ended: 40 }));
  test("taking back undoes the newest press of that step, and a second taking back the one before", () => {
    const log = events(["started", "a.b", 10], ["ended", "a.b", 30], ["withdrawn", "a.b", 31], ["withdrawn", "a.b", 32]);
    expect(progressOf(log.slice(0, 3)).get("a.b")).toMatchObject({ started: 10, ended: undefined });
    expect(progressOf(log).has("a.b")).toBe(false);
  });
  test("the order is that of the log, not of arrival", () => {
    const log = events(["started", "a.b", 10], ["ended", "a.b", 30]);
    expect(progressOf([...log].reverse())).toEqual(progressOf(log));
  });
});

describe("what is hot by the plan", () => {
  const dish = demoDish("harvest-lunch");
  const found = planDish(dish, { rounds: 5 });
  if (found.status !== "feasible") throw new Error("no plan");
  const { plan } = found;
  const setting = plan.settings.find((s) => s.id === "oven");
  test("an oven is on its way before its setting and at it during it, and cold long after", () => {
    if (!setting) throw new Error("the lunch bakes nothing");
    expect(heatOnAt(dish, plan, setting.from - 3).find((h) => h.id === "oven")?.since).toBeLessThanOrEqual(setting.from - 3);
    expect(heatOnAt(dish, plan, setting.from + 1).find((h) => h.id === "oven")?.tempC).toBe(setting.tempC);
    expect(heatOnAt(dish, plan, plan.steps[0]?.start ?? 0)).toEqual([]);
    expect(heatOnAt(dish, plan, plan.serveAt + 2000)).toEqual([]);
  });
});
