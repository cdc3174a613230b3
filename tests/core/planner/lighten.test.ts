// Easing a heavy place: every way offered has been planned with, and applied again it makes that place lighter.
import { describe, expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { type Plan, planDish, verifyPlan } from "../../../src/core/planner";
import { lightenLoad } from "../../../src/core/planner/lighten";
import { dishOf, type Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

/** A plate with three hours of work of its own right before it, done by one cook. */
const heavy = (change: (d: Loose) => void = () => {}) =>
  smallDish((d) => {
    d.components[2].methods[0].steps.unshift(
      { id: "peel", name: "Peel", time: "50m", after: [] },
      { id: "slice", name: "Slice", time: "50m", after: [] },
    );
    d.components[2].methods[0].steps.at(-1).after = [
      { step: "peel", max: "4h" },
      { step: "slice", max: "4h" },
    ];
    d.kitchen.cooks[0].hours = [{ days: "all", from: "08:00", to: "23:30" }];
    d.kitchen.cooks[0].awake = [{ days: "all", from: "07:00", to: "23:45" }];
    change(d);
  });
const planned = (document: Loose): Plan => {
  const found = planDish(dishOf(document), { rounds: 10 });
  if (found.status !== "feasible") throw new Error(found.conflict[0]?.text);
  return found.plan;
};
const lastHour = (plan: Plan) =>
  plan.steps
    .flatMap((s) => s.hands)
    .reduce((sum, h) => sum + Math.max(0, Math.min(h.to, plan.serveAt) - Math.max(h.from, plan.serveAt - 60)), 0);

describe("easing", () => {
  test("an evening that goes on past half past nine: done before, and the evening is free", () => {
    const document = heavy((d) => (d.dish.serveAt = "2026-10-18T23:15"));
    const plan = planned(document);
    const dish = dishOf(document);
    const late = (p: Plan) => {
      const from = dish.zone.minuteOfDay(dish.zone.dayNumber(p.serveAt), 21 * 60 + 30);
      return p.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + Math.max(0, h.to - Math.max(h.from, from)), 0);
    };
    expect(late(plan)).toBeGreaterThan(0);
    for (const way of lightenLoad(document, {}, plan, { kind: "late-evening", at: plan.serveAt - 30 })) {
      const changed = applyPatch(document, way.change) as Loose;
      const lightened = planned(changed);
      expect(verifyPlan(dishOf(changed), lightened).broken).toEqual([]);
      expect(late(lightened)).toBeLessThan(late(plan));
    }
  });
  test("a full last hour: what is offered makes it clearly lighter, the least trouble first", () => {
    const document = heavy((d) => {
      d.components[2].methods.push({
        id: "bought",
        name: "Bought ready",
        quality: 0.9,
        steps: [{ ...d.components[2].methods[0].steps.at(-1), after: [] }],
      });
    });
    const plan = planned(document);
    const ways = lightenLoad(document, {}, plan, { kind: "last-hour", at: plan.serveAt - 60 });
    for (const way of ways) expect(lastHour(planned(applyPatch(document, way.change)))).toBeLessThan(lastHour(plan));
  });
  test("a full day: the quicker method that leaves out its work is found", () => {
    const document = heavy((d) => {
      const put = d.components[2].methods[0].steps.at(-1);
      d.components[2].methods.push({ id: "bought", name: "Bought ready", quality: 0.4, steps: [{ ...put, after: [] }] });
      d.components[2].methods[0].steps[0].time = "3h";
    });
    const plan = planned(document);
    const ways = lightenLoad(document, {}, plan, { kind: "full-day", at: plan.serveAt - 60 });
    expect(ways.map((w) => w.kind)).toContain("method");
    const way = ways.find((w) => w.kind === "method");
    expect(way?.text).toMatch(/bought ready instead/);
    const lightened = planned(applyPatch(document, way?.change ?? []) as Loose);
    const hands = (p: Plan) => p.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);
    expect(hands(lightened)).toBeLessThan(hands(plan) - 100);
  });
});
