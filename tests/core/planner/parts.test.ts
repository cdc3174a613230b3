// Parts of the planner against slow ways of doing the same: time lags, heat settings, pieces of a split step.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Equipment, Use } from "../../../src/core/dish/model";
import { type HeatUser, minutesToChange, settle } from "../../../src/core/planner/heat-settings";
import { gainingCycle } from "../../../src/core/planner/network";
import { luby, piecesBackwards } from "../../../src/core/planner/search";
import { type Interval, union } from "../../../src/core/time/interval";

describe("a gaining cycle of time lags", () => {
  const lags = fc.array(fc.record({ from: fc.nat(6), to: fc.nat(6), lag: fc.integer({ min: -20, max: 10 }) }), { maxLength: 16 });
  const because = { rule: "H3", steps: [], text: "" };
  /** Floyd–Warshall on longest ways: there is a gaining cycle where some variable reaches itself with a gain. */
  const bySlowMeans = (list: readonly { from: number; to: number; lag: number }[]): boolean => {
    const far = Array.from({ length: 7 }, (_, i) => Array.from({ length: 7 }, (_, j) => (i === j ? 0 : Number.NEGATIVE_INFINITY)));
    const cell = (i: number, j: number) => far[i]?.[j] as number;
    for (const l of list) (far[l.from] as number[])[l.to] = Math.max(cell(l.from, l.to), l.lag);
    for (let k = 0; k < 7; k++)
      for (let i = 0; i < 7; i++) for (let j = 0; j < 7; j++) (far[i] as number[])[j] = Math.max(cell(i, j), cell(i, k) + cell(k, j));
    return far.some((row, i) => (row[i] as number) > 0);
  };
  test("is found where there is one, and is one", () =>
    fc.assert(
      fc.property(lags, (list) => {
        const cycle = gainingCycle(
          7,
          list.map((l) => ({ ...l, because })),
        );
        if (bySlowMeans(list) !== (cycle !== undefined)) return false;
        if (!cycle) return true;
        const joined = cycle.every((l, i) => l.to === cycle[(i + 1) % cycle.length]?.from);
        return joined && cycle.reduce((sum, l) => sum + l.lag, 0) > 0;
      }),
      { numRuns: 1000 },
    ));
});

describe("settings of an oven", () => {
  const oven = { id: "oven", kind: "oven", racks: 2, maxC: 250, idleC: 20, heatCPerMin: 10, coolCPerMin: 4 } as unknown as Equipment;
  const free = { heat: () => [], lighting: () => [] };
  const user = (step: string, from: number, to: number, tempC: number, more: Partial<Use> = {}): HeatUser => ({
    step,
    component: step.split(".")[0] as string,
    from,
    to,
    begun: false,
    use: { what: "oven", tempC, toleranceC: 5, mode: "any", racks: 1, ramp: false, litres: 0, count: 1, ...more } as unknown as Use,
  });
  test("are shared by what agrees, inside every tolerance", () => {
    const settings = settle(oven, [user("a.x", 100, 160, 180), user("b.x", 130, 200, 186)], 0, free);
    expect(settings).toHaveLength(1);
    expect(settings?.[0]).toMatchObject({ to: 200 });
    expect(Math.abs((settings?.[0]?.tempC as number) - 186)).toBeLessThanOrEqual(5);
  });
  test("change between what does not, if there is time to heat or cool", () => {
    expect(settle(oven, [user("a.x", 100, 160, 180), user("b.x", 175, 200, 230)], 0, free)).toHaveLength(2);
    expect(settle(oven, [user("a.x", 100, 160, 180), user("b.x", 162, 200, 240)], 0, free)).toBeUndefined();
    expect(settle(oven, [user("a.x", 100, 160, 230), user("b.x", 163, 200, 150)], 0, free)).toBeUndefined();
  });
  test("cannot be two at once, nor hold more than the racks", () => {
    expect(settle(oven, [user("a.x", 100, 160, 180), user("b.x", 120, 200, 230)], 0, free)).toBeUndefined();
    expect(settle(oven, [user("a.x", 100, 160, 180, { racks: 2 }), user("b.x", 120, 200, 180)], 0, free)).toBeUndefined();
  });
  test("need time from cold, none from warm, and less from half way up", () => {
    const bake = [user("a.x", 10, 60, 180)];
    expect(settle(oven, bake, 0, free)).toBeUndefined();
    expect(settle(oven, bake, 0, free, { tempC: 180, since: -30 })).toHaveLength(1);
    expect(settle(oven, bake, 0, free, { tempC: 80, since: 0 })).toHaveLength(1);
    expect(settle(oven, bake, 0, free, { tempC: 180, since: -90 })).toBeUndefined();
  });
  test("let food stay in while the heat is turned down for the step that goes on", () => {
    const down = [user("pie.hot", 100, 130, 220), user("pie.low", 130, 200, 160, { ramp: true })];
    expect(settle(oven, down, 0, free)?.map((s) => s.tempC)).toEqual([220, 160]);
  });
  test("are not begun while lighting is forbidden, but may be begun before", () => {
    const closed = { heat: () => [], lighting: () => [[60, 95] as const] };
    expect(settle(oven, [user("a.x", 100, 160, 180)], 0, closed)?.[0]?.from).toBeLessThanOrEqual(76);
    expect(settle(oven, [user("a.x", 100, 160, 180)], 61, closed)).toBeUndefined();
  });
  test("whatever is settled fits all, at every minute", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            from: fc.integer({ min: 60, max: 500 }),
            length: fc.integer({ min: 5, max: 90 }),
            tempC: fc.integer({ min: 80, max: 250 }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        (list) => {
          const users = list.map((u, i) => user(`c${i}.x`, u.from, u.from + u.length, u.tempC));
          const settings = settle(oven, users, 0, free);
          if (!settings) return true;
          const sorted = [...settings].sort((a, b) => a.from - b.from);
          const fits = users.every((u) => {
            for (let minute = u.from; minute < u.to; minute++) {
              const now = settings.filter((s) => s.from <= minute && minute < s.to);
              if (now.length !== 1 || Math.abs((now[0] as { tempC: number }).tempC - u.use.tempC) > 5 + 1e-6) return false;
            }
            return true;
          });
          return fits && sorted.every((s, i) => i === 0 || s.from >= (sorted[i - 1] as { to: number }).to);
        },
      ),
      { numRuns: 400 },
    ));
  test("minutes to change are whole and one-sided", () => {
    expect(minutesToChange(oven, 20, 180)).toBe(16);
    expect(minutesToChange(oven, 180, 160)).toBe(5);
    expect(minutesToChange(oven, 180, 180)).toBe(0);
  });
});

describe("pieces of a step that may be put down", () => {
  const free = fc
    .array(fc.tuple(fc.nat(200), fc.integer({ min: 1, max: 60 })), { minLength: 1, maxLength: 6 })
    .map((l) => union(l.map(([a, n]): Interval => [a, a + n])));
  test("end where asked, lie in free time, are long enough and make up the work", () =>
    fc.assert(
      fc.property(free, fc.integer({ min: 1, max: 120 }), fc.integer({ min: 1, max: 30 }), (list, minutes, least) => {
        const end = list.at(-1)?.[1] as number;
        const pieces = piecesBackwards(list, end, minutes, least);
        if (!pieces) return true;
        return (
          pieces.at(-1)?.[1] === end &&
          pieces.reduce((sum, [a, b]) => sum + b - a, 0) === minutes &&
          pieces.every(([a, b]) => b - a >= Math.min(least, minutes) && list.some(([c, d]) => c <= a && b <= d))
        );
      }),
      { numRuns: 1000 },
    ));
  test("are found where one free stretch is enough", () => {
    expect(piecesBackwards([[0, 100]], 100, 60, 20)).toEqual([[40, 100]]);
    expect(
      piecesBackwards(
        [
          [0, 30],
          [70, 100],
        ],
        100,
        50,
        20,
      ),
    ).toEqual([
      [10, 30],
      [70, 100],
    ]);
    expect(
      piecesBackwards(
        [
          [0, 10],
          [70, 100],
        ],
        100,
        40,
        20,
      ),
    ).toBeUndefined();
  });
  test("restarts follow the Luby sequence", () => expect([1, 2, 3, 4, 5, 6, 7, 8].map(luby)).toEqual([1, 1, 2, 1, 1, 2, 4, 1]));
});
