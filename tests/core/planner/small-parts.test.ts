// The planner's small parts against slow honest ways: a heap against sorting, dealing of pots against trying all, longest paths against Floyd and Warshall.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { Heap } from "../../../src/core/planner/learn/heap";
import type { Because, TimeLag, Unit } from "../../../src/core/planner/model";
import { gainingCycle, longestPathTo } from "../../../src/core/planner/network";
import { costlySpots } from "../../../src/core/planner/spots";
import { deal, isFree, type UnitSpan } from "../../../src/core/planner/unit-spans";
import { stepsInForce } from "../../../src/core/view/plan-view";
import { demoDish } from "../../support/dishes";

describe("the heap", () => {
  const doing = fc.array(
    fc.oneof(
      fc.record({ add: fc.nat(20) }),
      fc.record({ raise: fc.nat(20), by: fc.double({ min: 0.1, max: 9, noNaN: true }) }),
      fc.constant("take" as const),
    ),
    { maxLength: 200 },
  );
  test("always gives what a sorted list would", () => {
    fc.assert(
      fc.property(doing, (list) => {
        const heap = new Heap();
        const inside = new Set<number>();
        const activity = new Map<number, number>();
        for (const what of list) {
          if (what === "take") {
            const best = [...inside].sort((a, b) => (activity.get(b) ?? 0) - (activity.get(a) ?? 0) || a - b)[0];
            expect(heap.take()).toBe(best);
            if (best !== undefined) inside.delete(best);
          } else if ("add" in what) {
            heap.add(what.add);
            inside.add(what.add);
          } else {
            heap.raise(what.raise, what.by);
            activity.set(what.raise, (activity.get(what.raise) ?? 0) + what.by);
          }
        }
      }),
    );
  });
  test("keeps its order when all is scaled down", () => {
    const heap = new Heap();
    for (let v = 0; v < 5; v++) heap.add(v);
    heap.raise(3, 1e99);
    expect(heap.raise(1, 2e100)).toBe(true);
    heap.raise(4, 1e-100);
    expect([heap.take(), heap.take(), heap.take()]).toEqual([1, 3, 4]);
  });
});

const NO: Because = { rule: "H1", steps: [], text: "" };
const lagsOf = (n: number) =>
  fc
    .array(fc.record({ from: fc.nat(n - 1), to: fc.nat(n - 1), lag: fc.integer({ min: -30, max: 30 }) }), { maxLength: 3 * n })
    .map((list): TimeLag[] => list.filter((l) => l.from !== l.to).map((l) => ({ ...l, because: NO })));

describe("the network of waits", () => {
  const N = 6;
  /** Longest paths between all pairs, by trying every stop on the way. */
  function allPairs(lags: readonly TimeLag[]): number[][] {
    const d = Array.from({ length: N }, (_, i) => Array.from({ length: N }, (_, j) => (i === j ? 0 : Number.NEGATIVE_INFINITY)));
    const at = (i: number, j: number) => d[i]?.[j] as number;
    for (const { from, to, lag } of lags) (d[from] as number[])[to] = Math.max(at(from, to), lag);
    for (let k = 0; k < N; k++)
      for (let i = 0; i < N; i++) for (let j = 0; j < N; j++) (d[i] as number[])[j] = Math.max(at(i, j), at(i, k) + at(k, j));
    return d;
  }
  test("the longest path is the longest of all", () => {
    fc.assert(
      fc.property(lagsOf(N), fc.nat(N - 1), (lags, to) => {
        if (gainingCycle(N, lags)) return;
        const d = allPairs(lags);
        expect(longestPathTo(to, N, lags)).toBe(Math.max(0, ...d.map((row) => row[to] as number)));
      }),
      { numRuns: 300 },
    );
  });
});

describe("dealing out pots", () => {
  const span = (i: number, from: number, length: number, fitting: readonly number[]): UnitSpan => ({
    step: `s${i}`,
    activity: i,
    useIndex: 0,
    fitting,
    from,
    to: from + length,
    unit: -1,
  });
  const units = (n: number, clean: number): Unit[] =>
    Array.from({ length: n }, (_, i) => ({ id: `u${i}`, litres: 5, pieces: 10, clean, available: undefined }));
  const clash = (spans: readonly UnitSpan[], clean: number) =>
    spans.some((a, i) =>
      spans.some(
        (b, j) =>
          j > i && a.unit === b.unit && a.from < b.to + (a.step === b.step ? 0 : clean) && b.from < a.to + (a.step === b.step ? 0 : clean),
      ),
    );
  test("gives each span a unit that fits and is free, wherever trying all would find one", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ from: fc.nat(40), length: fc.integer({ min: 1, max: 15 }), fits: fc.subarray([0, 1, 2], { minLength: 1 }) }), {
          maxLength: 6,
        }),
        fc.constantFrom(0, 5),
        (list, clean) => {
          const spans = list.map((s, i) => span(i, s.from, s.length, s.fits));
          const dealt = deal(spans, units(3, clean));
          // All ways of giving three units to at most six spans.
          let possible = false;
          const all = (i: number, given: UnitSpan[]): void => {
            if (possible || clash(given, clean)) return;
            const next = spans[i];
            if (!next) {
              possible = true;
              return;
            }
            for (const unit of next.fitting) all(i + 1, [...given, { ...next, unit }]);
          };
          all(0, []);
          expect(dealt !== undefined).toBe(possible);
          if (!dealt) return;
          expect(dealt).toHaveLength(spans.length);
          expect(clash(dealt, clean)).toBe(false);
          for (const s of dealt) expect(s.fitting).toContain(s.unit);
        },
      ),
      { numRuns: 300 },
    );
  });
  test("cleaning lies between different steps, not between the rounds of one", () => {
    const first = { ...span(0, 0, 10, [0]), unit: 0 };
    expect(isFree([first], 0, 5, span(1, 12, 5, [0]), undefined)).toBe(false);
    expect(isFree([first], 0, 5, span(1, 15, 5, [0]), undefined)).toBe(true);
    expect(isFree([first], 0, 5, { ...span(0, 10, 5, [0]), activity: 1 }, undefined)).toBe(true);
    expect(isFree([first], 1, 5, span(1, 3, 5, [1]), undefined)).toBe(true);
  });
  test("a thing that is there only at times is dealt only then", () => {
    expect(isFree([], 0, 0, span(0, 5, 10, [0]), [[0, 14]])).toBe(false);
    expect(isFree([], 0, 0, span(0, 5, 10, [0]), [[0, 15]])).toBe(true);
  });
});

test("costly spots of a plan name steps of it, a shift that is one, and components that are freed", () => {
  for (const name of ["harvest-lunch", "spiced-duck"]) {
    const dish = demoDish(name);
    const planned = planDish(dish, { rounds: 0 });
    if (planned.status !== "feasible") throw new Error("no plan");
    const steps = new Set(planned.plan.steps.map((s) => s.step));
    const spots = costlySpots(planned.plan, dish, stepsInForce(dish, planned.plan));
    expect(spots.length).toBeGreaterThan(0);
    for (const spot of spots) {
      expect(spot.move.length).toBeGreaterThan(0);
      for (const step of spot.move) expect(steps.has(step), step).toBe(true);
      expect(Number.isFinite(spot.by) && spot.by !== 0).toBe(true);
      for (const c of spot.components) expect(dish.components.map((x) => x.id)).toContain(c);
    }
  }
});
