// Results from the log of a run, and what is hot by the plan that is followed.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { heatOnAt } from "../../../src/core/record/heat-on";
import { logLines } from "../../../src/core/record/log-lines";
import { progressOf, type RunEvent, standingEvents } from "../../../src/core/record/progress";
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
  test("done without a start starts Stage ends at once", () =>
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

describe("left out, and done again", () => {
  test("what is skipped takes no time from then on, whether it had begun or not", () => {
    expect(progressOf(events(["skipped", "a.b", 40])).get("a.b")).toMatchObject({ started: 40, ended: 40, skipped: true });
    expect(progressOf(events(["started", "a.b", 10], ["skipped", "a.b", 40])).get("a.b")).toMatchObject({
      started: 10,
      ended: 40,
      skipped: true,
    });
  });
  test("what is done again has not begun, until it begins anew; its log keeps the first time", () => {
    const log = events(["started", "a.b", 10], ["ended", "a.b", 30], ["void", "a.b", 50]);
    expect(progressOf(log).has("a.b")).toBe(false);
    expect(
      progressOf(events(["started", "a.b", 10], ["ended", "a.b", 30], ["void", "a.b", 50], ["started", "a.b", 60])).get("a.b"),
    ).toMatchObject({
      started: 60,
      ended: undefined,
    });
    expect(standingEvents(log)).toHaveLength(3);
  });
  test("both are undone like any press", () => {
    const undone = events(["started", "a.b", 10], ["ended", "a.b", 30], ["void", "a.b", 50], ["withdrawn", "a.b", 51]);
    expect(progressOf(undone).get("a.b")).toMatchObject({ started: 10, ended: 30 });
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

describe("a withdrawal that names an entry", () => {
  test("takes back just that one, and what it took back cannot be taken back twice", () => {
    const log: RunEvent[] = [
      { sequence: 1, kind: "started", step: "a.b", at: 10 },
      { sequence: 2, kind: "ended", step: "a.b", at: 30 },
      { sequence: 3, kind: "withdrawn", step: "a.b", at: 31, of: 1 },
      { sequence: 4, kind: "started", step: "a.b", at: 12 },
    ];
    expect(progressOf(log).get("a.b")).toMatchObject({ started: 12, ended: 30 });
    expect(standingEvents(log).map((e) => e.sequence)).toEqual([2, 4]);
    expect(standingEvents([...log, { sequence: 5, kind: "withdrawn", step: "a.b", at: 40, of: 1 }]).map((e) => e.sequence)).toEqual([2, 4]);
  });
  test("a step put down and picked up has its pieces; the last is open while hands are on it", () => {
    const log = events(["started", "a.b", 10], ["put-down", "a.b", 40], ["taken-up", "a.b", 70]);
    expect(progressOf(log).get("a.b")?.pieces).toEqual([
      [10, 40],
      [70, undefined],
    ]);
    expect(progressOf(log.slice(0, 2)).get("a.b")?.pieces).toEqual([[10, 40]]);
  });
  test("the log to be read has the newest first, names instead of ids, and nothing that was taken back", () => {
    const dish = demoDish("spiced-duck");
    const lines = logLines(dish, [
      { sequence: 1, kind: "started", step: "duck.loosen", at: 10, by: dish.cooks[0]?.id as string },
      { sequence: 2, kind: "ended", step: "duck.loosen", at: 30 },
      { sequence: 3, kind: "ended", step: "duck.scald", at: 31 },
      { sequence: 4, kind: "withdrawn", step: "duck.scald", at: 32 },
    ]);
    expect(lines.map((l) => [l.kind, l.name, l.at, l.by])).toEqual([
      ["ended", expect.stringMatching(/^Loosen the skin/), 30, undefined],
      ["started", expect.stringMatching(/^Loosen the skin/), 10, dish.cooks[0]?.name],
    ]);
  });
});
