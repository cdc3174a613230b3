// @vitest-environment happy-dom
// The upright chart of a phone: rows with room for their words, rests folded, every line inside its lane.
import { createElement } from "react";
import { beforeAll, describe, expect, test, vi } from "vitest";
import { readDishValue } from "../../src/core/dish/read";
import { dishModel } from "../../src/core/dish/read-model";
import { planDish } from "../../src/core/planner";
import { offsetsOf, WallClock } from "../../src/core/time/wall-clock";
import { type PlanView, planView } from "../../src/core/view/plan-view";
import { shortName, UprightChart } from "../../src/ui/route-chart/UprightChart";
import { type Upright, uprightChart } from "../../src/ui/route-chart/upright";
import { DEMO, demoDocument } from "../support/dishes";
import { hands, inDocument, screen, stand } from "../support/dom";
import { smallDish } from "../support/small-dish";

const WORDS_LEFT = 390 - 105;

describe.each([...DEMO, "small"])("%s", (name) => {
  let plan: PlanView;
  let clock: WallClock;
  let chart: Upright;
  beforeAll(() => {
    const read = readDishValue(name === "small" ? smallDish() : demoDocument(name as (typeof DEMO)[number]));
    if (read.status !== "read") throw new Error(read.problems[0]?.message);
    const dish = dishModel(read.document);
    const answer = planDish(dish, { now: dish.serveAt - 20 * 1440, rounds: 20 });
    if (answer.status !== "feasible") throw new Error("no plan");
    plan = planView(dish, answer.plan);
    clock = new WallClock(offsetsOf(dish.zone, plan.begins - 1440, plan.ends + 1440));
    chart = uprightChart(plan, { clock, now: plan.begins + 30, open: new Set() });
  }, 60_000);
  test("has a row for every step with hands, in the order of time, none over another", () => {
    const rows = chart.rows.map((r) => r.step.ref);
    for (const s of plan.steps.filter((s) => s.hands.length)) expect(rows).toContain(s.ref);
    for (const [i, r] of chart.rows.entries()) {
      const before = chart.rows[i - 1];
      if (!before) continue;
      expect(r.step.start).toBeGreaterThanOrEqual(before.step.start);
      expect(r.y - before.y, r.step.ref).toBeGreaterThanOrEqual(23.9);
    }
  });
  test("leaves words their room at 390 px, and keeps every line inside the lanes", () => {
    const right = chart.lanes.at(-1)?.x1 ?? 0;
    expect(right).toBeLessThanOrEqual(WORDS_LEFT);
    const xs = chart.lines.flatMap((l) => [...`${l.hands}${l.moves}${l.waits}`.matchAll(/[MH](-?[\d.]+)/g)].map((m) => Number(m[1])));
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(chart.lanes[0]?.x0 ?? 0);
    expect(Math.max(...xs)).toBeLessThanOrEqual(right);
  });
  test("folds what rests, with rows beside no pleat, and unfolds one that is opened", () => {
    expect(chart.pleats.length).toBeGreaterThan(0);
    for (const p of chart.pleats) for (const r of chart.rows) expect(r.y < p.y0 || r.y > p.y1, r.step.ref).toBe(true);
    const first = chart.pleats[0]?.from as number;
    const opened = uprightChart(plan, { clock, now: plan.begins, open: new Set([first]) });
    expect(opened.pleats).toHaveLength(chart.pleats.length - 1);
  });
  test("ends below serving, and says where now is", () => {
    expect(chart.serve).toBeLessThan(chart.height);
    expect(chart.now).toBeGreaterThan(0);
    expect(uprightChart(plan, { clock, now: plan.begins - 5000, open: new Set() }).now).toBeUndefined();
  });
});

describe("on a phone", () => {
  inDocument();
  test("a row names time, component and step, and a tap selects it", async () => {
    const read = readDishValue(smallDish());
    if (read.status !== "read") throw new Error("small dish");
    const dish = dishModel(read.document);
    const answer = planDish(dish, { now: dish.serveAt - 5 * 1440, rounds: 5 });
    if (answer.status !== "feasible") throw new Error("no plan");
    const plan = planView(dish, answer.plan);
    const clock = new WallClock(offsetsOf(dish.zone, plan.begins - 1440, plan.ends + 1440));
    const onSelect = vi.fn();
    stand(createElement(UprightChart, { plan, clock, now: plan.begins - 1000, selected: undefined, focused: undefined, onSelect }));
    const step = plan.steps.find((s) => s.hands.length) as PlanView["steps"][number];
    const row = screen.getByRole("button", { name: new RegExp(`${clock.dayTime(step.start)}.*: ${step.name},`) });
    await hands().click(row);
    expect(onSelect).toHaveBeenCalledWith(step.component, step.ref);
  });
  test("short names leave out what says nothing", () => {
    expect(["The raised pie", "Blackcurrantandbrownbread ice", "Ice"].map(shortName)).toEqual(["Raised", "Blackcurran…", "Ice"]);
  });
});
