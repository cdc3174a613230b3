// A finish foretold from what a cook wrote down of the probe.
import { describe, expect, test } from "vitest";
import type { Taken } from "../../../src/core/record/entries";
import { probeForecast } from "../../../src/core/record/probe-forecast";

const START = 100_000;
const roast = { start: START, probeC: 60, tempC: 160 };
const taken = (...list: readonly (readonly [minute: number, value: number, quantity?: Taken["quantity"]])[]): Taken[] =>
  list.map(([minute, value, quantity = "core"], i) => ({ id: i + 1, at: (START + minute) * 60_000, quantity, value, device: undefined }));
const TRUE_END = 98;
/** The core of a sphere whose surface is as hot as its oven, another model than the forecast's: at 60 °C after 98 minutes. */
const warm = (minute: number) => {
  const x = (1.0745 / TRUE_END) * Math.max(1, minute);
  return 160 - 152 * 2 * [1, 2, 3, 4, 5, 6, 7, 8, 9].reduce((sum, n) => sum - (-1) ** n * Math.exp(-n * n * x), 0);
};

describe("from readings of a roast", () => {
  test("the true end lies in the band, which narrows as readings come", () => {
    const widths = [40, 60, 80].map((until) => {
      const minutes = Array.from({ length: until / 10 }, (_, i) => (i + 1) * 10);
      const found = probeForecast(roast, taken(...minutes.map((m) => [m, warm(m)] as const)));
      if (!found) throw new Error("no forecast");
      expect(found.low - START).toBeLessThanOrEqual(TRUE_END);
      expect(found.high - START).toBeGreaterThanOrEqual(TRUE_END);
      expect(found.at).toBeGreaterThanOrEqual(found.low);
      expect(found.at).toBeLessThanOrEqual(found.high);
      return found.high - found.low;
    });
    expect(widths[2]).toBeLessThan(widths[0] as number);
  });
  test("it is there once it is there", () => {
    const found = probeForecast(roast, taken([10, 20], [90, 61]));
    expect(found && [found.low, found.at, found.high].map((m) => m - START)).toEqual([90, 90, 90]);
  });
  test.each([
    ["one reading", roast, taken([30, 30])],
    ["readings of something else", roast, taken([30, 30, "temperature"], [40, 33, "temperature"])],
    ["no core temperature asked for", { ...roast, probeC: undefined }, taken([30, 30], [40, 34])],
    ["no heat known", { ...roast, tempC: undefined }, taken([30, 30], [40, 34])],
    ["an oven below the target", { ...roast, tempC: 55 }, taken([30, 30], [40, 34])],
    ["a target that the method does not cover", { ...roast, probeC: 20 }, taken([10, 12], [20, 14])],
  ])("%s: none", (_, step, readings) => {
    expect(probeForecast(step, readings)).toBeUndefined();
  });
});

describe("from a probe that reads every other minute", () => {
  const every = (from: number, to: number, at: (minute: number) => number) => {
    const minutes = Array.from({ length: (to - from) / 2 + 1 }, (_, i) => from + 2 * i);
    return taken(...minutes.map((m) => [m, at(m)] as const));
  };
  test("its band is narrower than that of a few readings by hand", () => {
    const hand = probeForecast(roast, taken(...[10, 20, 30, 40, 50, 60, 70].map((m) => [m, warm(m)] as const)));
    const probe = probeForecast(roast, every(2, 70, warm));
    const width = (f: typeof hand) => (f ? f.high - f.low : Number.NaN);
    expect(width(probe)).toBeLessThan(0.7 * width(hand));
  });
  test("a joint that is bare in low heat is given time for its stall; one in foil is not", () => {
    const smoked = { start: START, probeC: 92, tempC: 115, name: "Smoke the shoulder" };
    const readings = every(0, 200, (m) => 8 + 0.22 * m);
    const bare = probeForecast(smoked, readings);
    const foil = probeForecast({ ...smoked, note: "wrapped in foil" }, readings);
    expect((bare?.at as number) - START).toBeGreaterThan((foil?.at as number) - START);
  });
});
