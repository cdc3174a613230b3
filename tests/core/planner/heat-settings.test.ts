// Settings of an oven for users whose times are known: right for all inside, in time, and found with work that grows with the square of the users.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Equipment, Use } from "../../../src/core/dish/model";
import { EMPTY_LOG } from "../../../src/core/planner";
import { type HeatUser, minutesToChange, settle, warmthNow } from "../../../src/core/planner/heat-settings";
import { dishOf } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const oven = dishOf(
  smallDish((d) => {
    const own = d.kitchen.equipment.find((e: { kind: string }) => e.kind === "oven");
    Object.assign(own, { racks: 4, maxC: 260, heatCPerMin: 8, coolCPerMin: 3, idleC: 20 });
  }),
).equipment.find((e) => e.kind === "oven") as Equipment;
const OPEN = { heat: () => [], lighting: () => [] };
const use = (tempC: number, toleranceC: number, more: Partial<Use> = {}): Use =>
  ({
    what: "oven",
    tempC,
    toleranceC,
    racks: 1,
    mode: "any",
    litres: 0,
    pieces: 0,
    count: 1,
    part: "all",
    ramp: false,
    until: undefined,
    ...more,
  }) as Use;
const user = (n: number, from: number, to: number, u: Use): HeatUser => ({
  step: `s${n}`,
  component: `c${n}`,
  use: u,
  from,
  to,
  begun: false,
});

const someUsers = fc
  .array(
    fc.record({
      gap: fc.integer({ min: 0, max: 90 }),
      length: fc.integer({ min: 5, max: 80 }),
      temp: fc.constantFrom(120, 160, 180, 200, 230),
      tolerance: fc.constantFrom(5, 15, 40),
    }),
    { minLength: 1, maxLength: 40 },
  )
  .map((list) => {
    let at = 100;
    return list.map(({ gap, length, temp, tolerance }, i) => {
      at += gap;
      return user(i, at, at + length, use(temp, tolerance));
    });
  });

/** The slow honest way for a few users: every division into blocks in their order, each at the degrees that suit all inside. */
function anyDivision(users: readonly HeatUser[]): boolean {
  const sorted = [...users].sort((a, b) => a.from - b.from || a.to - b.to);
  const reach = (from: readonly number[], minutes: number, low: number, high: number): number[] =>
    Array.from({ length: 251 }, (_, i) => i + 10).filter(
      (t) => t >= low && t <= high && from.some((f) => minutesToChange(oven, f, t) <= minutes),
    );
  const go = (at: number, temps: readonly number[], last: number): boolean => {
    if (at === sorted.length) return true;
    let [low, high, to] = [0, oven.maxC, 0];
    for (let end = at; end < sorted.length; end++) {
      const u = sorted[end] as HeatUser;
      if (end > at && u.from - to > 60) break;
      low = Math.max(low, u.use.tempC - u.use.toleranceC);
      high = Math.min(high, u.use.tempC + u.use.toleranceC);
      to = Math.max(to, u.to);
      const from = (sorted[at] as HeatUser).from;
      if (low > high || from < last || sorted.slice(0, at).some((x) => x.to > from)) break;
      const warm = last > 0 && from - last <= 60;
      const next = reach(warm ? temps : [20], last > 0 ? from - last : from, low, high);
      if (next.length && go(end + 1, next, to)) return true;
    }
    return false;
  };
  // More trays at once than the oven has racks go in by no division.
  const fits = sorted.every(
    (u) => sorted.filter((x) => x.from <= u.from && u.from < x.to).reduce((n, x) => n + x.use.racks, 0) <= oven.racks,
  );
  return fits && go(0, [20], 0);
}

describe("settings", () => {
  test("suit everybody inside, overlap nobody else's, and leave time to change", () => {
    fc.assert(
      fc.property(someUsers, (users) => {
        const settings = settle(oven, users, 0, OPEN);
        if (!settings) return;
        for (const u of users) {
          const setting = settings.find((s) => s.from <= u.from && s.to >= u.to);
          expect(setting, u.step).toBeDefined();
          expect(Math.abs((setting?.tempC ?? 0) - u.use.tempC)).toBeLessThanOrEqual(u.use.toleranceC + 1e-6);
        }
        settings.forEach((s, i) => {
          const before = settings[i - 1];
          if (!before) return;
          expect(s.from).toBeGreaterThanOrEqual(before.to);
          if (s.from - before.to <= 60) expect(s.from - before.to).toBeGreaterThanOrEqual(minutesToChange(oven, before.tempC, s.tempC));
        });
      }),
      { numRuns: 300 },
    );
  });
  test("are found where trying every division finds some, and only there", () => {
    let [none, some] = [0, 0];
    fc.assert(
      fc.property(
        someUsers.map((u) => u.slice(0, 6)),
        (users) => {
          const found = settle(oven, users, 0, OPEN) !== undefined;
          if (found) some++;
          else none++;
          // The honest way looks at whole degrees only.
          if (anyDivision(users)) expect(found).toBe(true);
          else if (found) expect(users.length).toBeGreaterThan(1);
        },
      ),
      { numRuns: 250 },
    );
    expect(Math.min(none, some)).toBeGreaterThan(20);
  });
  test("are worked out with at most as many joined blocks as there are pairs of users", () => {
    fc.assert(
      fc.property(someUsers, (users) => {
        const tally = { joins: 0 };
        settle(oven, users, 0, OPEN, undefined, tally);
        expect(tally.joins).toBeLessThanOrEqual((users.length * (users.length + 1)) / 2);
      }),
      { numRuns: 300 },
    );
  });
  test("of trays that all suit one heat are one", () => {
    const users = Array.from({ length: 30 }, (_, i) => user(i, 100 + 20 * i, 118 + 20 * i, use(i % 2 ? 180 : 185, 10)));
    expect(settle(oven, users, 0, OPEN)).toHaveLength(1);
  });
  test("a ramp step keeps its food in while the heat changes; others inside have to bear it", () => {
    const first = user(0, 100, 140, use(220, 10));
    const ramp = { ...user(1, 140, 200, use(160, 10, { ramp: true })), component: "c0" };
    expect(settle(oven, [first, ramp], 0, OPEN)?.map((s) => s.tempC)).toEqual([220, 160]);
    expect(settle(oven, [first, ramp, user(2, 120, 180, use(220, 10))], 0, OPEN)).toBeUndefined();
  });
});

test("an oven that three dozen trays ask for does not hang the planner", async () => {
  const { readFileSync } = await import("node:fs");
  const { planDish, verifyPlan } = await import("../../../src/core/planner");
  const dish = dishOf(JSON.parse(readFileSync("tests/data/repro/many-trays.json", "utf8")));
  const planned = planDish(dish, { planAt: "likely", rounds: 2 });
  if (planned.status !== "feasible") throw new Error("no plan");
  expect(verifyPlan(dish, planned.plan).broken).toEqual([]);
});

describe("room and warmth, to the minute", () => {
  const four = (from: number, to: number) => Array.from({ length: 4 }, (_, n) => user(n, from, to, use(180, 10)));
  test("a tray goes in the minute another comes out of a full oven, and not one before", () => {
    expect(settle(oven, [...four(100, 140), user(9, 140, 170, use(180, 10))], 0, OPEN)).toHaveLength(1);
    expect(settle(oven, [...four(100, 140), user(9, 139, 170, use(180, 10))], 0, OPEN)).toBeUndefined();
  });
  test("an oven is warm for an hour after its last user, and cold after", () => {
    const dish = dishOf(
      smallDish((d) => {
        d.components[0].methods[0].steps[0].uses = [{ what: "oven", tempC: 180, toleranceC: 10 }];
      }),
    );
    const chop = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === "stock.chop");
    const warm = (minutesAgo: number) =>
      warmthNow(
        dish,
        chop ? [chop] : [],
        {
          ...EMPTY_LOG,
          events: new Map([["stock.chop", { step: "stock.chop", started: 500, ended: 1000 - minutesAgo, estimate: undefined }]]),
        },
        1000,
      ).size;
    expect([warm(0), warm(60), warm(61), warm(90)]).toEqual([1, 1, 0, 0]);
  });
});
