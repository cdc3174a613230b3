// Plan and log files: what is written is read back, in any season, and what is no such file is told.
import { describe, expect, test } from "vitest";
import { LogFile, logFromFile, logToFile, PlanFile, planDish, planFromFile, planToFile, verifyPlan } from "../../../src/core/planner";
import { DEMO, demoDish, dishOf } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";
import { randomDish } from "../generate";

describe("plan files", () => {
  test.each(DEMO)("%s: the plan is read back as it was written, and judged the same", (name) => {
    const dish = demoDish(name);
    const found = planDish(dish, { rounds: 2 });
    if (found.status !== "feasible") throw new Error("no plan");
    const file = JSON.parse(JSON.stringify(planToFile(found.plan, dish.zone)));
    const again = planFromFile(PlanFile.parse(file), dish.zone);
    expect(again).toEqual(found.plan);
    expect(planToFile(again, dish.zone)).toEqual(file);
    expect(verifyPlan(dish, again).regret).toEqual(found.plan.regret);
  });
  test("an hour that the clocks double is told apart by its offset", () => {
    const dish = dishOf(
      smallDish((d) => {
        d.dish.serveAt = "2026-10-25T13:00";
        d.kitchen.cooks[0] = {
          id: "ada",
          hours: [{ days: "all", from: "00:00", to: "24:00" }],
          awake: [{ days: "all", from: "00:00", to: "24:00" }],
        };
      }),
    );
    const found = planDish(dish, { rounds: 0, planAt: "likely" });
    if (found.status !== "feasible") throw new Error("no plan");
    const night = dish.zone.toMinute("2026-10-25T01:30");
    const moved = { ...found.plan, steps: found.plan.steps.map((s, i) => (i === 0 ? { ...s, start: night + 60, end: night + 80 } : s)) };
    const file = planToFile(moved, dish.zone);
    expect(file.steps.map((s) => s.start)).toContain("2026-10-25T01:30+00:00");
    expect(planFromFile(PlanFile.parse(file), dish.zone).steps.find((s) => s.start === night + 60)).toBeDefined();
    const bare = JSON.parse(JSON.stringify(file).replaceAll("2026-10-25T01:30+00:00", "2026-10-25T01:30"));
    expect(planFromFile(PlanFile.parse(bare), dish.zone).steps.find((s) => s.start === night)).toBeDefined();
  });
  test("figures of random plans agree with their steps", () => {
    for (let seed = 1; seed <= 30; seed++) {
      const dish = dishOf(randomDish(seed));
      const found = planDish(dish, { rounds: 1 });
      if (found.status !== "feasible") continue;
      const { plan } = found;
      expect(plan.leadMinutes).toBe(plan.serveAt - Math.min(...plan.steps.map((s) => s.start)));
      for (const s of plan.steps) expect(s.minutes).toBe(s.pieces.reduce((sum, [a, b]) => sum + b - a, 0));
      for (const h of plan.holds)
        expect(h.to).toBeGreaterThanOrEqual(Math.min(h.from, plan.steps.find((s) => s.step === h.taker)?.start ?? 0));
    }
  });
  test.each([{}, { format: "rondeau-plan/2" }, { format: "rondeau-plan/1", steps: "none" }, null, []])("%j is no plan", (value) =>
    expect(PlanFile.safeParse(value).success).toBe(false),
  );
});

describe("log files", () => {
  const { zone } = dishOf(smallDish());
  test("carry events, pins, methods and what is hot", () => {
    const log = logFromFile(
      LogFile.parse({
        format: "rondeau-log/1",
        events: [
          { step: "stock.chop", started: "2026-10-17T08:10", ended: "2026-10-17T08:40" },
          { step: "stock.simmer", started: "2026-10-17T08:45", estimate: "2026-10-17T13:00" },
        ],
        pins: [
          { component: "stock", method: "slow" },
          { step: "plate.put", notBefore: "2026-10-18T12:00", cook: "ada" },
        ],
        heat: [{ id: "oven", tempC: 200, since: "2026-10-17T08:30" }],
      }),
      zone,
    );
    expect(log.events.get("stock.simmer")).toMatchObject({
      started: zone.toMinute("2026-10-17T08:45"),
      ended: undefined,
      estimate: zone.toMinute("2026-10-17T13:00"),
    });
    expect(log.methods).toEqual({ stock: "slow" });
    expect(log.pins).toMatchObject([{ step: "plate.put", notBefore: zone.toMinute("2026-10-18T12:00"), cook: "ada", at: undefined }]);
    expect(logFromFile(LogFile.parse(JSON.parse(JSON.stringify(logToFile(log, zone)))), zone)).toEqual(log);
    expect(log.heat).toEqual([{ id: "oven", tempC: 200, since: zone.toMinute("2026-10-17T08:30") }]);
  });
  test.each([
    { format: "rondeau-log/1" },
    { format: "rondeau-log/1", events: [{ step: "a.b", started: "yesterday" }] },
    { format: "rondeau-log/1", events: [], pins: [{ step: 3 }] },
    { format: "rondeau-log/1", events: [], heat: [{ id: "oven", tempC: "hot", since: "2026-10-17T08:30" }] },
  ])("%j is no log", (value) => expect(LogFile.safeParse(value).success).toBe(false));
});

describe("a running step", () => {
  const dish = dishOf(smallDish());
  const at = (text: string) => dish.zone.toMinute(`2026-10-${text}`);
  const planWith = (event: object, now: number) => {
    const log = {
      events: new Map([
        ["stock.chop", { step: "stock.chop", started: at("17T09:00"), ended: at("17T09:20"), estimate: undefined }],
        ["stock.simmer", { step: "stock.simmer", started: at("17T09:20"), ended: undefined, estimate: undefined, ...event }],
      ]),
      pins: [],
      methods: {},
      heat: [],
    };
    const found = planDish(dish, { now, log, rounds: 0, planAt: "likely" });
    if (found.status !== "feasible") throw new Error(found.conflict[0]?.text);
    expect(verifyPlan(dish, found.plan, { now, log }).broken).toEqual([]);
    return found.plan.steps.find((s) => s.step === "stock.simmer");
  };
  test("ends when it is expected to, by its own length, by the cook's estimate, or now where it is overdue", () => {
    expect(planWith({}, at("17T10:00"))?.end).toBe(at("17T13:20"));
    expect(planWith({ estimate: at("17T15:00") }, at("17T10:00"))?.end).toBe(at("17T15:00"));
    expect(planWith({}, at("17T14:30"))?.end).toBe(at("17T14:30"));
  });
});
