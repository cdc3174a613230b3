// Planned lengths against points of the beta distribution computed elsewhere (numerical integration, 1e-6).
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { pertQuantile, plannedLength } from "../../../src/core/dish/planned-length";

/** The same quantile by plain summation of the density: slow, and nothing in common with the program's way. */
function bySumming(min: number, likely: number, max: number, q: number): number {
  const [a, b] = [1 + (4 * (likely - min)) / (max - min), 1 + (4 * (max - likely)) / (max - min)];
  const n = 200_000;
  let total = 0;
  const density = (x: number) => x ** (a - 1) * (1 - x) ** (b - 1);
  for (let i = 0; i < n; i++) total += density((i + 0.5) / n);
  let sum = 0;
  for (let i = 0; i < n; i++) {
    sum += density((i + 0.5) / n);
    if (sum >= q * total) return min + ((i + 0.5) / n) * (max - min);
  }
  return max;
}

describe("PERT", () => {
  test.each([
    [45, 60, 90],
    [0, 10, 100],
    [180, 240, 360],
    [100, 100, 200],
    [100, 200, 200],
  ])("the 80 % point of %i, %i, %i", (min, likely, max) => {
    expect(pertQuantile({ min, likely, max }, 0.8)).toBeCloseTo(bySumming(min, likely, max, 0.8), 1);
  });
  test("lies between least and longest and grows with q", () =>
    fc.assert(
      fc.property(fc.tuple(fc.nat(600), fc.nat(600), fc.nat(600)), (three) => {
        const [min = 0, likely = 0, max = 0] = [...three].sort((a, b) => a - b);
        const points = [0.1, 0.5, 0.8, 0.95].map((q) => pertQuantile({ min, likely, max }, q));
        return points.every((p, i) => p >= min - 1e-9 && p <= max + 1e-9 && (i === 0 || p >= (points[i - 1] as number) - 1e-9));
      }),
    ));
});

describe("planned lengths", () => {
  const time = { min: 45, likely: 60, max: 90 };
  test("likely, cautious and longest", () => {
    expect(plannedLength(time, "likely", 1, 0)).toBe(60);
    expect(plannedLength(time, "cautious", 1, 0)).toBe(70);
    expect(plannedLength(time, "longest", 1, 0)).toBe(90);
  });
  test("a step that grows takes k to that power, rounded up, and rounding noise is no minute", () => {
    expect(plannedLength(time, "likely", 1.5, 1)).toBe(90);
    expect(plannedLength(time, "likely", 2, 0.5)).toBe(85);
    expect(plannedLength({ min: 90, likely: 90, max: 90 }, "likely", 0.1 + 0.2, 1)).toBe(27);
  });
});
