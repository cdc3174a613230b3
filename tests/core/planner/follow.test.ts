// A plan that is followed to the minute stays a plan: at every press the planner is asked again with the log so far.

import { describe, expect, test } from "vitest";
import { type Log, type Plan, planDish, planningNow, verifyPlan } from "../../../src/core/planner";
import { heatOnAt } from "../../../src/core/record/heat-on";
import { logOf, progressOf, type RunEvent } from "../../../src/core/record/progress";
import { deep } from "../../support/deep";
import { DEMO, demoDish, dishOf } from "../../support/dishes";
import { randomDish } from "../generate";

/** Presses start and done where the plan has them and plans again after every `stride`th. */
function follow(dish: ReturnType<typeof dishOf>, first: Plan, stride: number) {
  const troubles: string[] = [];
  const events: RunEvent[] = [];
  let plan = first;
  for (let presses = 0; ; presses++) {
    const log: Log = logOf(progressOf(events));
    const open = plan.steps.flatMap((s): Omit<RunEvent, "sequence">[] => {
      const event = log.events.get(s.step);
      return event?.ended !== undefined
        ? []
        : event
          ? [{ at: s.end, kind: "ended", step: s.step }]
          : [{ at: s.start, kind: "started", step: s.step }];
    });
    const next = open.sort((a, b) => a.at - b.at || (a.kind === "ended" ? -1 : 1))[0];
    if (!next) return { plan, troubles };
    events.push({ sequence: presses, ...next });
    if (presses % stride) continue;
    const options = {
      now: next.at,
      planAt: plan.planAt,
      rounds: 4,
      previous: plan,
      log: { ...logOf(progressOf(events)), heat: heatOnAt(dish, plan, next.at) },
    };
    const again = planDish(dish, options);
    if (again.status !== "feasible") {
      troubles.push(`${next.kind} ${next.step}: ${again.conflict.map((c) => `${c.steps.join(" ")} ${c.text}`).join(" ")}`);
      return { plan, troubles };
    }
    const { broken } = verifyPlan(dish, again.plan, options);
    troubles.push(...broken.map((b) => `${b.rule} ${b.steps.join(" ")} ${b.why}`));
    plan = again.plan;
  }
}

describe("following a plan", () => {
  test.each(DEMO)("%s stays on its way to serving from the first press to the last", (name) => {
    const dish = demoDish(name);
    const first = planDish(dish, { planAt: "cautious", rounds: 30 });
    if (first.status !== "feasible") throw new Error("no first plan");
    const end = follow(dish, first.plan, 1);
    expect(end.troubles).toEqual([]);
    expect(end.plan.steps.find((s) => s.step === dish.serve)?.end).toBe(dish.serveAt);
  });

  test("random dishes do too, but for the few searches that give up and say so", () => {
    const wrong: string[] = [];
    let [followed, gaveUp] = [0, 0];
    for (let seed = 1; seed <= deep(20, 60); seed++) {
      const dish = dishOf(randomDish(seed, { steps: 14 }));
      const first = planDish(dish, { now: planningNow(dish, {}), rounds: 10 });
      if (first.status !== "feasible") continue;
      followed++;
      for (const trouble of follow(dish, first.plan, 3).troubles) {
        if (trouble.includes("There may be a plan")) gaveUp++;
        else wrong.push(`seed ${seed}: ${trouble}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(followed).toBeGreaterThan(deep(10, 30));
    expect(gaveUp / followed).toBeLessThan(0.1);
  });
});
