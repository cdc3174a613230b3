// How long a pot still cools, by what may be around it.
import { describe, expect, test } from "vitest";
import { type Around, coolingTime } from "../../../src/core/measures/heat/cooling-curve";

const AIR: Around[] = [{ tempC: 18, weight: 1, rate: 0.006 }];
/** Newton's law: the difference falls by a share of itself each minute. */
const newton = (around: number, rate: number, from: number, minutes: readonly number[]) =>
  minutes.map((m) => [m, around + (from - around) * Math.exp(-rate * m)] as const);
const MINUTES = [0, 5, 10, 15, 20, 25, 30];

describe("by what is around it", () => {
  test("a curve that is known is carried on, a little sooner than it says, as pots that also lose steam come to", () => {
    const rate = 0.02;
    const truth = Math.log((90 - 18) / (40 - 18)) / rate - 30;
    const found = coolingTime(newton(18, rate, 90, MINUTES), 40, AIR);
    expect(found?.minutes).toBeGreaterThan(0.7 * truth);
    expect(found?.minutes).toBeLessThan(1.1 * truth);
    expect(found?.low as number).toBeLessThanOrEqual(found?.minutes as number);
    expect(found?.high as number).toBeGreaterThanOrEqual(found?.minutes as number);
  });
  test("a higher limit comes sooner, a cold bath sooner than air", () => {
    const points = newton(18, 0.02, 90, MINUTES);
    expect(coolingTime(points, 50, AIR)?.minutes as number).toBeLessThan(coolingTime(points, 40, AIR)?.minutes as number);
    const both: Around[] = [...AIR, { tempC: 2, weight: 1, rate: 0.03 }];
    const iced = newton(2, 0.04, 80, MINUTES);
    expect(coolingTime(iced, 21, both)?.minutes as number).toBeLessThan(30);
    // Air at 18 °C could not have brought it below that: only the bath is left.
    expect(coolingTime(newton(2, 0.06, 60, MINUTES), 8, both)?.minutes).toBeDefined();
  });
  test("how fast a thing cools tells air from water, where the readings alone would not", () => {
    const both: Around[] = [...AIR, { tempC: 2, weight: 1, rate: 0.03 }];
    const slow = newton(18, 0.004, 30, MINUTES);
    const fast = newton(2, 0.05, 90, MINUTES);
    expect(coolingTime(slow, 10, both)?.minutes).toBeUndefined();
    expect(coolingTime(fast, 10, both)?.minutes).toBeDefined();
  });
  test("what lies at or below all that is around it never comes", () => {
    expect(coolingTime(newton(18, 0.02, 90, MINUTES), 18, AIR)).toEqual({ minutes: undefined, low: undefined, high: undefined });
    expect(coolingTime(newton(18, 0.02, 90, MINUTES), 18.5, AIR)?.minutes).toBeGreaterThan(60);
  });
  test("nothing is said of what does not cool, or is as cold as what is around it", () => {
    expect(coolingTime([[0, 40] as const, [10, 45] as const], 20, AIR)).toBeUndefined();
    expect(coolingTime([[0, 18.5] as const, [10, 18.2] as const], 10, AIR)).toBeUndefined();
    expect(coolingTime(newton(18, 0.02, 90, MINUTES), 40, [])).toBeUndefined();
  });
  test.each([-31, 101, Number.NaN])("a limit of %s °C is refused", (limit) => {
    expect(() => coolingTime(newton(18, 0.02, 90, MINUTES), limit, AIR)).toThrow();
  });
});
