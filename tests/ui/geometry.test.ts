// The chart while it is used: one day of it, two plans on it, a step in the hand; and what crosses from the worker while one is.
import { describe, expect, test } from "vitest";
import { planDish } from "../../src/core/planner";
import { EMPTY_LOG } from "../../src/core/planner/log";
import { Mover } from "../../src/core/planner/move";
import { offsetsOf, WallClock } from "../../src/core/time/wall-clock";
import { planView } from "../../src/core/view/plan-view";
import { changedView, changeOfView } from "../../src/core/view/view-change";
import { LEFT, routeGeometry } from "../../src/ui/route-chart/geometry";
import { zoomWindow } from "../../src/ui/route-chart/ZoomRow";
import { demoDish } from "../support/dishes";

const dish = demoDish("harvest-lunch");
const planned = planDish(dish, { rounds: 20 });
if (planned.status !== "feasible") throw new Error("no plan");
const { plan } = planned;
const view = planView(dish, plan);
const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880));
const how = { width: 920, open: new Set<number>(), clock, fit: 590 };

/** Some step that can go half an hour earlier, with the plan that comes of it. */
function oneMoved() {
  const mover = new Mover({ dish, plan, now: plan.now, log: EMPTY_LOG });
  for (const step of plan.steps.toReversed()) {
    const move = mover.drag(step.step, step.start - 30);
    if (move.status === "moved" && move.moved.length < 12) return { step: step.step, moved: move.moved, view: planView(dish, move.plan) };
  }
  throw new Error("nothing can be moved");
}
const { step, moved, view: after } = oneMoved();

describe("what crosses from the worker", () => {
  test("is only what changed, and gives the very plan again", () => {
    const change = changeOfView(view, after);
    expect(change.steps.length).toBeLessThan(view.steps.length / 2);
    expect(change.steps.map((s) => s.ref)).toEqual(expect.arrayContaining([...moved]));
    const again = changedView(view, change);
    expect(again.steps).toEqual(after.steps);
    expect(new Set(again.waits.map((w) => JSON.stringify(w)))).toEqual(new Set(after.waits.map((w) => JSON.stringify(w))));
    expect([again.begins, again.ends]).toEqual([after.begins, after.ends]);
    const untouched = view.steps.find((s) => !change.steps.some((c) => c.ref === s.ref));
    expect(again.steps).toContain(untouched);
    expect(changeOfView(view, view)).toEqual({ steps: [], waits: [] });
  });
});

describe("a step in the hand", () => {
  const base = routeGeometry(view, how);
  const held = routeGeometry(after, { ...how, also: view, frozen: base });
  test("moves with what hangs on it; days, hours, places and all other lines are the very same", () => {
    expect([held.axis, held.bands, held.days, held.hours, held.pleats]).toEqual([
      base.axis,
      base.bands,
      base.days,
      base.hours,
      base.pleats,
    ]);
    const components = new Set(moved.map((m) => m.split(".")[0]));
    const same = held.routes.filter((r) => base.routes.includes(r)).map((r) => r.id);
    expect(same.length).toBeGreaterThan(2);
    const other = held.routes.filter((r) => !base.routes.includes(r)).map((r) => r.id);
    expect(other).toEqual(expect.arrayContaining([...components]));
  });
  test("leaves an outline where it stood, at the same height", () => {
    const ghost = held.ghosts.find((g) => g.step === step);
    const was = base.routes.flatMap((r) => r.segments).find((s) => s.step.ref === step);
    expect(ghost?.x0).toBeCloseTo(was?.x0 ?? Number.NaN, 6);
    expect(held.ghosts.map((g) => g.step).sort()).toEqual([...moved].sort());
    expect(base.ghosts).toEqual([]);
  });
});

describe("a part of the chart", () => {
  test("the last three hours are all that is drawn, by the quarter hour", () => {
    const window = zoomWindow("last", view, clock);
    const part = routeGeometry(view, { ...how, window });
    const steps = part.routes.flatMap((r) => r.segments.map((s) => s.step));
    expect(steps.length).toBeGreaterThan(3);
    for (const s of steps) expect(s.end).toBeGreaterThan(view.serveAt - 180);
    expect(part.hours.some((h) => h.text.endsWith(":15") || h.text.endsWith(":45"))).toBe(true);
    for (const r of part.routes) for (const s of r.segments) expect(s.x0).toBeGreaterThanOrEqual(LEFT);
  });
  test("a day reaches from midnight to midnight and no further than the plan; a day without work shows all", () => {
    const day = clock.dayNumber(view.serveAt) - 1;
    const [from, to] = zoomWindow(String(day), view, clock) ?? [0, 0];
    expect(clock.dayNumber(from + 20)).toBe(day);
    expect(to - from).toBeLessThanOrEqual(1440);
    expect(zoomWindow("1", view, clock)).toBeUndefined();
    expect(zoomWindow(undefined, view, clock)).toBeUndefined();
  });
  test("names of lines never lie on one another, whole or in part", () => {
    for (const window of [undefined, zoomWindow("last", view, clock)]) {
      const titles = routeGeometry(view, { ...how, window }).routes.flatMap((r) => {
        if (!r.title) return [];
        const length = r.name.length * 6.5;
        const x0 = r.title.anchor === "start" ? r.title.x : r.title.x - length;
        return [{ x0, x1: x0 + length, y: r.title.y }];
      });
      expect(titles.length).toBeGreaterThan(5);
      for (const [i, a] of titles.entries())
        for (const b of titles.slice(i + 1)) expect(a.x1 <= b.x0 || b.x1 <= a.x0 || Math.abs(a.y - b.y) >= 10).toBe(true);
    }
  });
});

test("an uncertain end reaches from its least length to its longest, and is settled once the step is done", () => {
  const soft = routeGeometry(view, how).routes.flatMap((r) => r.segments.filter((s) => s.soft));
  expect(soft.length).toBeGreaterThan(5);
  for (const s of soft) expect(s.soft?.[1]).toBeGreaterThanOrEqual(s.soft?.[0] ?? 0);
  const done = { ...view, steps: view.steps.map((s) => ({ ...s, state: "done" as const })) };
  expect(routeGeometry(done, how).routes.flatMap((r) => r.segments.filter((s) => s.soft))).toEqual([]);
});
