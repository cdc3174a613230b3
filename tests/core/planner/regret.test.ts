// Each term of the regret, counted by hand on a plan made by hand.
import { describe, expect, test } from "vitest";
import type { Dish, Step } from "../../../src/core/dish/model";
import type { Plan, PlannedStep, Style } from "../../../src/core/planner";
import { priceOf, WEIGHTS } from "../../../src/core/planner/regret";
import { dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const zone = dishOf(smallDish()).zone;
const at = (text: string) => zone.toMinute(`2026-10-${text}`);

/** A step as a plan has it, by hand from start to end unless said otherwise. */
function planned(step: string, from: string, to: string, hands: readonly [string, string][] = [[from, to]], cook = "ada"): PlannedStep {
  const [start, end] = [at(from), at(to)];
  return {
    step,
    start,
    end,
    minutes: end - start,
    pieces: [[start, end]],
    rounds: [],
    equipment: [],
    hands: hands.map(([a, b]) => ({ cook, from: at(a), to: at(b) })),
  };
}

const STEPS = [
  planned("stock.chop", "17T10:00", "17T10:20"),
  planned("stock.simmer", "17T10:20", "17T14:20", []),
  planned("sauce.reduce", "18T11:00", "18T12:00", []),
  planned("plate.put", "18T12:45", "18T13:00"),
];

interface Given {
  readonly dish?: (d: Loose) => void;
  readonly steps?: readonly PlannedStep[];
  readonly plan?: Partial<Plan>;
  readonly style?: Style;
}

function price({ dish: change, steps = STEPS, plan = {}, style = "late" }: Given = {}) {
  const dish: Dish = dishOf(smallDish(change));
  const inForce: Step[] = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
  return priceOf({ steps, holds: [], settings: [], methods: {}, serveAt: dish.serveAt, ...plan }, dish, inForce, style);
}

describe("the terms of the regret", () => {
  test("S1 counts the hours from the earliest start to serving", () => {
    expect(price().leadMinutes).toBe(27 * 60);
    expect(price().regret.S1).toBe(27 * WEIGHTS.late.S1);
    expect(price({ style: "ahead" }).regret.S1).toBeCloseTo(27 * WEIGHTS.ahead.S1, 6);
  });
  test("S2 counts the hours of a wait outside its best, too early or too late, of the chosen hold", () => {
    const best = (d: Loose) => {
      stepOf(d, "stock.simmer").makes[0].holds = [
        { place: "fridge", best: ["24h", "48h"] },
        { place: "freezer", best: ["1h", "2h"] },
      ];
    };
    const hold = (index: number) => [
      {
        output: "stock.stock",
        taker: "sauce.reduce",
        hold: index,
        place: "fridge",
        from: at("17T14:20"),
        to: at("18T11:00"),
        state: "early" as const,
      },
    ];
    const wait = (at("18T11:00") - at("17T14:20")) / 60;
    expect(price({ dish: best, plan: { holds: hold(0) } }).regret.S2).toBeCloseTo((24 - wait) * 10, 4);
    expect(price({ dish: best, plan: { holds: hold(1) } }).regret.S2).toBeCloseTo((wait - 2) * 10, 4);
    expect(price({ plan: { holds: hold(0) } }).regret.S2).toBe(0);
  });
  test("S2 counts a link's best too", () => {
    const linked = (d: Loose) => (stepOf(d, "stock.simmer").after = [{ step: "chop", best: ["1h", "2h"] }]);
    expect(price({ dish: linked }).regret.S2).toBeCloseTo(10, 6);
  });
  test("S3 counts hands in the last four hours, those of the assembly left out", () => {
    const late = [planned("stock.chop", "18T09:30", "18T09:50"), ...STEPS.slice(1)];
    expect(price({ steps: late }).regret.S3).toBeCloseTo(20 * 0.2, 6);
    expect(price({ steps: [planned("stock.chop", "18T08:50", "18T09:10"), ...STEPS.slice(1)] }).regret.S3).toBeCloseTo(10 * 0.2, 6);
    expect(price().regret.S3).toBe(0);
  });
  test("S4 counts the busiest day beyond three hours, all cooks together", () => {
    const busy = [
      planned("stock.chop", "17T09:00", "17T11:30"),
      planned("sauce.reduce", "17T12:00", "17T13:30", undefined, "ben"),
      ...STEPS.slice(3),
    ];
    expect(price({ steps: busy }).regret.S4).toBeCloseTo((240 - 180) * 0.1, 6);
    expect(price({ steps: busy, style: "even" }).regret.S4).toBeCloseTo((240 - 180) * 2, 6);
    expect(price().regret.S4).toBe(0);
  });
  test("S5 counts what a method or the replacement loses in quality", () => {
    const two = (d: Loose) => {
      d.components[0].methods.push({
        id: "bought",
        quality: 0.75,
        steps: [{ id: "open", time: "5m", makes: stepOf(d, "stock.simmer").makes }],
      });
      d.components[1].fallback = { name: "A jar", lead: "1h", quality: 0.6 };
    };
    expect(price({ dish: two, plan: { methods: { stock: "bought" } } }).regret.S5).toBeCloseTo(150, 6);
    expect(price({ dish: two, plan: { methods: { stock: "slow", sauce: "fallback" } } }).regret.S5).toBeCloseTo(240, 6);
  });
  test("S6 counts hands before half past seven and after half past nine in the evening", () => {
    expect(price({ steps: [planned("stock.chop", "17T21:20", "17T21:50"), ...STEPS.slice(2)] }).regret.S6).toBe(20);
    expect(price({ steps: [planned("stock.chop", "17T07:00", "17T07:40"), ...STEPS.slice(1)] }).regret.S6).toBe(30);
    expect(price({ steps: [planned("stock.chop", "17T23:50", "18T00:10"), ...STEPS.slice(2)] }).regret.S6).toBe(20);
  });
  test("S7 counts changes of an oven's setting, not the first heating, and no bath", () => {
    const setting = (id: string, tempC: number, from: string, mode = "any") => ({ id, tempC, mode, from: at(from), to: at(from) + 30 });
    const settings = [
      setting("oven", 200, "17T11:00"),
      setting("oven", 200, "17T12:00"),
      setting("oven", 160, "17T13:00"),
      setting("oven", 160, "17T14:00", "fan"),
    ];
    expect(price({ plan: { settings } }).regret.S7).toBe(10);
    expect(price({ plan: { settings: [setting("fridge", 3, "17T11:00"), setting("fridge", 5, "17T12:00")] } }).regret.S7).toBe(0);
  });
  test("S8 counts once each step less than a quarter of an hour after an uncertain one that it needs", () => {
    const close = [...STEPS.slice(0, 2), planned("sauce.reduce", "17T14:30", "17T15:30", []), ...STEPS.slice(3)];
    expect(price({ steps: close }).regret.S8).toBe(3);
    expect(price({ steps: [...STEPS.slice(0, 2), planned("sauce.reduce", "17T14:35", "17T15:35", []), ...STEPS.slice(3)] }).regret.S8).toBe(
      0,
    );
    const certain = (d: Loose) => (stepOf(d, "stock.simmer").time = "4h");
    expect(price({ dish: certain, steps: close }).regret.S8).toBe(0);
  });
  test("the total is their sum; the style `shortest` knows the lead alone", () => {
    const { total, ...terms } = price({ steps: [planned("stock.chop", "17T21:20", "17T21:50"), ...STEPS.slice(2)] }).regret;
    expect(total).toBeCloseTo(
      Object.values(terms).reduce((sum, t) => sum + t, 0),
      6,
    );
    expect(price({ style: "shortest" }).regret).toEqual({ total: 1620, S1: 1620, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0 });
  });
  test("a day has 25 hours when the clocks go back, and the early morning is that of the wall", () => {
    const change = (d: Loose) => (d.dish.serveAt = "2026-10-25T13:00");
    expect(
      price({
        dish: change,
        steps: [planned("stock.chop", "25T07:00", "25T07:30"), planned("plate.put", "25T12:45", "25T13:00")],
        plan: { serveAt: at("25T13:00") },
      }).regret.S6,
    ).toBe(30);
    expect(
      price({
        dish: change,
        steps: [planned("stock.chop", "24T13:00", "24T13:20"), planned("plate.put", "25T12:45", "25T13:00")],
        plan: { serveAt: at("25T13:00") },
      }).leadMinutes,
    ).toBe(25 * 60);
  });
});
