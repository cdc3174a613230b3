// Can I still make it?: the earliest serving is one that a plan exists for and the quarter before is not; the choices are a frontier.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { reachOf } from "../../../src/core/planner/reach";
import { demoDish, dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

describe("reach", () => {
  const two = () =>
    smallDish((d) =>
      d.components[0].methods.push({
        id: "bought",
        name: "From the tin",
        quality: 0.7,
        steps: [{ id: "open", name: "Open the tin", time: "5m", makes: stepOf(d, "stock.simmer").makes }],
      }),
    );
  test("the earliest serving can be planned, a quarter of an hour before it cannot", () => {
    const dish = dishOf(two());
    const now = dish.zone.toMinute("2026-10-18T09:10");
    const { earliestServing } = reachOf(dish, { now });
    const status = (serveAt: number) => planDish(dish, { now, serveAt, rounds: 0 }).status;
    expect(status(earliestServing as number)).toBe("feasible");
    expect(status((earliestServing as number) - 15)).toBe("infeasible");
    expect(dish.zone.toWallInstant(earliestServing as number)).toBe("2026-10-18T10:30");
  });
  test("the latest start lies between now and the bound, and is none where it is too late", () => {
    const dish = demoDish("spiced-duck");
    const { latestStart } = reachOf(dish, { rounds: 10 });
    expect(latestStart?.found).toBeLessThanOrEqual(latestStart?.bound ?? 0);
    expect(reachOf(dish, { now: dish.serveAt - 300 }).latestStart).toBeUndefined();
  });
  test("the choices trade lead and hands against quality, and none is beaten by another", () => {
    const { choices } = reachOf(dishOf(two()));
    expect(choices.map((c) => c.methods.stock)).toEqual(["slow", "bought"]);
    expect(choices[1]?.leadMinutes).toBeLessThan(choices[0]?.leadMinutes ?? 0);
    expect(choices[0]?.lostQuality).toBe(0);
    expect(choices[1]?.lostQuality).toBeCloseTo(0.3, 6);
    const lunch = reachOf(demoDish("harvest-lunch")).choices;
    expect(lunch.length).toBeGreaterThan(2);
    for (const a of lunch)
      for (const b of lunch)
        if (a !== b)
          expect(a.leadMinutes <= b.leadMinutes && a.lostQuality <= b.lostQuality && a.handsMinutes < b.handsMinutes).toBe(false);
  });
});
