// The hour before serving: every hand's turn in its order, what lies on each plate, what has to be eaten soon.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { lastHourOf } from "../../../src/core/view/last-hour";
import { planView } from "../../../src/core/view/plan-view";
import { demoDish, type Loose } from "../../support/dishes";
import { at, step, viewOf, wait } from "../../support/plan-views";

const dish = demoDish("harvest-lunch");
const planned = planDish(dish, { rounds: 0 });
if (planned.status !== "feasible") throw new Error("no plan");
const lunch = planView(dish, planned.plan, new Map());

describe("of the lunch", () => {
  const hour = lastHourOf(lunch, dish, 10, lunch.serveAt - 50);
  test("every step of the hour stands there once for its start, in order, up to the table", () => {
    const starts = hour.lines.filter((l) => l.kind === "start").map((l) => l.step);
    const wanted = lunch.steps.filter((s) => s.start >= lunch.serveAt - 60 && s.start <= lunch.serveAt).map((s) => s.ref);
    expect([...starts].sort()).toEqual([...wanted].sort());
    const times = hour.lines.map((l) => l.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(hour.at).toBe(lunch.serveAt);
  });
  test("a plate has what is served and not what went into it, scaled to those who come, each a tenth of all", () => {
    const names = hour.plates.map((p) => p.name);
    expect(names.join()).toMatch(/slaw/i);
    expect(names.join()).not.toMatch(/dressing|shredded/i);
    const pie = hour.plates.find((p) => /pie/i.test(p.name));
    expect([pie?.each, pie?.amount]).toEqual(["240 g", "2.38 kg"]);
  });
  test("the next course follows once the first is served", () => {
    const served = new Map(
      planned.status === "feasible"
        ? planned.plan.steps
            .filter((s) => s.end <= lunch.serveAt)
            .map((s) => [s.step, { step: s.step, started: s.start, ended: s.end, estimate: undefined }])
        : [],
    );
    const pudding = lastHourOf(planView(dish, (planned as Loose).plan, served), dish, 10, lunch.serveAt + 1);
    expect(pudding.course).toBe("Pudding");
    expect(pudding.at).toBeGreaterThan(lunch.serveAt);
    expect(pudding.lines.every((l) => l.at >= lunch.serveAt || l.done || l.kind !== "start")).toBe(true);
    expect(lastHourOf(lunch, dish, 10, lunch.serveAt + 10_000).course).toBe("Pudding");
  });
});

describe("of a small meal", () => {
  const steps = [
    step("roast.roast", "10:00", "12:40", { attention: "unattended", place: "oven", state: "running", name: "Roast", cue: "golden" }),
    step("roast.rest", "12:40", "12:55", { attention: "unattended", name: "Rest" }),
    step("serve.carve", "12:55", "13:00", { name: "Carve" }),
  ];
  const plan = {
    ...viewOf(steps, [wait("x", "Rice", "12:30", "13:00", { window: { max: 60, limit: "safety" } as Loose })]),
    serveAt: at("13:00"),
    serveStep: "serve.carve",
  };
  const hour = lastHourOf(plan, dish, 4, at("12:35"));
  test("what comes off the heat, rests and is carved has its line, and plates are warmed for what is hot", () => {
    expect(hour.lines.map((l) => [l.what, l.at - at("12:00")])).toEqual([
      ["Off the heat: Roast", 40],
      ["Rest", 40],
      ["Warm 4 plates", 45],
      ["Ready: Rest", 55],
      ["Carve", 55],
    ]);
    expect(hour.lines[0]).toMatchObject({ more: "golden", toStart: false });
    expect(hour.lines.find((l) => l.what === "Rest")?.toStart).toBe(true);
  });
  test("what is safe for a short time only is told with its minute", () => {
    expect(hour.limits).toEqual([{ name: "Rice", until: at("13:30") }]);
  });
  test("cold food warms no plates", () => {
    const cold = { ...plan, steps: steps.slice(2), waits: [] };
    expect(lastHourOf(cold, dish, 4, at("12:35")).lines.map((l) => l.what)).toEqual(["Carve"]);
  });
});
