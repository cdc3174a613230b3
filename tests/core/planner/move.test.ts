// Steps dragged about: whatever a drag leaves behind, the verifier accepts; what it refuses, it says why.

import { describe, expect, test } from "vitest";
import type { Dish } from "../../../src/core/dish/model";
import { applyPatch } from "../../../src/core/dish/patch";
import { pinStepChange } from "../../../src/core/dish/wishes";
import { type Plan, planDish, verifyPlan } from "../../../src/core/planner";
import { EMPTY_LOG } from "../../../src/core/planner/log";
import { Mover, movedSteps } from "../../../src/core/planner/move";
import { seededRandom } from "../../../src/core/random";
import { deep } from "../../support/deep";
import { DEMO, demoDocument, dishOf, type Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const planned = (document: Loose, rounds = 0): Plan => {
  const found = planDish(dishOf(document), { rounds });
  if (found.status !== "feasible") throw new Error(found.conflict[0]?.text);
  return found.plan;
};
const sceneOf = (dish: Dish, plan: Plan, now: number) => ({ dish, plan, now, log: EMPTY_LOG });
const startOf = (plan: Plan, step: string) => plan.steps.find((s) => s.step === step)?.start ?? Number.NaN;

describe("a step that is dragged", () => {
  test("takes with it what hangs on it, and leaves the rest where it is", () => {
    const document = smallDish();
    const dish = dishOf(document);
    const plan = planned(document);
    const at = startOf(plan, "stock.simmer") - 60;
    const move = new Mover(sceneOf(dish, plan, plan.now)).settle("stock.simmer", at);
    if (move.status !== "moved") throw new Error(move.because);
    expect(startOf(move.plan, "stock.simmer")).toBe(at);
    expect(startOf(move.plan, "stock.chop")).toBeLessThanOrEqual(at - 20);
    expect(startOf(move.plan, "sauce.reduce")).toBe(startOf(plan, "sauce.reduce"));
    expect(move.moved).toEqual(["stock.simmer", "stock.chop"]);
  });
  test("stops where it may not go, and the reason names the next step and its hour", () => {
    const document = smallDish();
    const plan = planned(document);
    const mover = new Mover(sceneOf(dishOf(document), plan, plan.now));
    const late = mover.drag("sauce.reduce", plan.serveAt - 30);
    expect(late).toMatchObject({ status: "stuck", because: expect.stringMatching(/^Not later than Sun .*Put together/) });
    const early = mover.drag("stock.simmer", plan.now - 600);
    expect(early).toMatchObject({ status: "stuck", because: expect.stringMatching(/^Not earlier than/) });
  });
  test("past what a safety limit allows it is refused, whatever else would move", () => {
    const document = smallDish();
    const plan = planned(document);
    const move = new Mover(sceneOf(dishOf(document), plan, plan.now)).drag("sauce.reduce", plan.serveAt - 15 - 60 - 2 * 1440 - 300);
    expect(move.status).toBe("stuck");
  });
});

describe("random drags over the demo, five hundred in a deep run", () => {
  // Each that is accepted is kept as a pin and becomes the plan that the next one starts from, as a cook would go on; now and then one is
  // freed. The verifier reads the dish anew, with the pins as the document has them.
  for (const [name, drags] of [
    [DEMO[0], deep(36, 220)],
    [DEMO[1], deep(40, 140)],
    [DEMO[2], deep(40, 140)],
  ] as const) {
    test(`${name}: ${drags} of them leave no plan that breaks a rule`, { timeout: 180_000 }, () => {
      const random = seededRandom(20);
      const base = demoDocument(name);
      let document: Loose = base;
      const first = planned(base);
      let plan = first;
      const now = plan.now;
      let moved = 0;
      for (let i = 0; i < drags; i++) {
        const steps = plan.steps.filter((s) => s.end > s.start);
        const { step, start } = steps[Math.floor(random() * steps.length)] as Plan["steps"][number];
        const near = random() < 0.6;
        const at = Math.round((start + (random() * 2 - 1) * (near ? 90 : 900)) / 5) * 5;
        const move = new Mover(sceneOf(dishOf(document), plan, now)).drag(step, at);
        if (move.status === "stuck") {
          expect(move.because.length).toBeGreaterThan(20);
          if (random() < 0.5) {
            document = base;
            plan = first;
          }
          continue;
        }
        moved++;
        const zone = dishOf(document).zone;
        document = applyPatch(document, pinStepChange(document, step, { at: zone.toInstant(at) }));
        expect(verifyPlan(dishOf(document), move.plan, { now }).broken).toEqual([]);
        expect(startOf(move.plan, step)).toBe(at);
        expect(move.moved).toEqual(expect.arrayContaining(movedSteps(plan, move.plan)));
        plan = move.plan;
      }
      // It is no test of refusals: a good share of the drags goes through.
      expect(moved).toBeGreaterThan(drags / 8);
    });
  }
});
