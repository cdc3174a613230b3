// What is left of a step that is not done at this minute, against sampled truth: lengths drawn from its distribution, those that are over left out.
import { describe, expect, test } from "vitest";
import { pertQuantile, type TimeSpread } from "../../../src/core/dish/planned-length";
import { remainingLength } from "../../../src/core/dish/remaining-length";
import { looksFrom, looksOf } from "../../../src/core/view/looks";
import { at, step } from "../../support/plan-views";

const DRAWS = 10_000;
/** Evenly spread quantiles are as good as draws, and the same each time. */
const draws = (time: TimeSpread) => Array.from({ length: DRAWS }, (_, i) => pertQuantile(time, (i + 0.5) / DRAWS));
const CASES: readonly TimeSpread[] = [
  { min: 45, likely: 60, max: 90 },
  { min: 180, likely: 210, max: 360 },
  { min: 20, likely: 80, max: 90 },
  { min: 600, likely: 1200, max: 2400 },
];

describe.each(CASES)("$min to $max min, likely $likely", (time) => {
  const all = draws(time);
  test.each([0, 0.3, 0.5, 0.8, 0.95])("after its quantile %f, half of what is not done yet is done by then", (q) => {
    const elapsed = q === 0 ? 0 : Math.round(pertQuantile(time, q));
    const left = remainingLength(time, elapsed, "not-yet");
    const open = all.filter((l) => l > elapsed);
    const share = (minutes: number) => open.filter((l) => l <= elapsed + minutes).length / open.length;
    // Whole minutes: the share may be off by what half a minute holds.
    const slack = 0.02 + share(left.likely + 0.5) - share(left.likely - 0.5);
    expect(Math.abs(share(left.likely) - 0.5)).toBeLessThan(slack);
    expect(Math.abs(share(left.low) - 0.1)).toBeLessThan(0.02 + share(left.low + 0.5) - share(left.low - 0.5));
    expect(Math.abs(share(left.high) - 0.9)).toBeLessThan(0.02 + share(left.high + 0.5) - share(left.high - 0.5));
  });
  test("nearly is sooner than not yet; the later it is, the less is left", () => {
    const elapsed = Math.round(pertQuantile(time, 0.4));
    expect(remainingLength(time, elapsed, "nearly").likely).toBeLessThan(remainingLength(time, elapsed, "not-yet").likely);
    const later = [0.2, 0.5, 0.8].map((q) => remainingLength(time, Math.round(pertQuantile(time, q)), "not-yet").likely);
    expect(later).toEqual([...later].sort((a, b) => b - a));
  });
  test("past its longest length a fresh quarter of its spread lies ahead", () => {
    const left = remainingLength(time, time.max + 5, "not-yet");
    expect(left.over).toBe(true);
    expect(left.high).toBeLessThanOrEqual(Math.max(6, (time.max - time.min) / 4));
    expect(left.likely).toBeGreaterThan(0);
  });
});

test("a step of one certain length that is not done gets a few minutes, never none", () => {
  expect(remainingLength({ min: 30, likely: 30, max: 30 }, 30, "not-yet")).toMatchObject({ likely: 3, over: true });
  expect(remainingLength({ min: 30, likely: 30, max: 30 }, 10, "not-yet").likely).toBe(23);
});

describe("looks", () => {
  const roast = step("a.roast", "10:00", "11:10", { attention: "unattended", cue: "brown", uncertain: [45, 60, 90], state: "running" });
  test("follow from the length where the dish says nothing: from the least, about six up to the longest", () => {
    expect(looksOf(roast)).toEqual({ from: 45, every: 10, proposed: true });
    expect(looksFrom(roast, at("10:50"), at("11:30"))).toEqual([at("10:55"), at("11:05"), at("11:15"), at("11:25")]);
  });
  test("are those of the dish where it says them", () => {
    expect(looksOf({ ...roast, checkFrom: 50, checkEvery: 3 })).toEqual({ from: 50, every: 3, proposed: false });
  });
  test("are none for work by hand, for what the clock ends, and for a length that is nearly certain", () => {
    expect(looksOf({ ...roast, attention: "hands" })).toBeUndefined();
    expect(looksOf({ ...roast, cue: undefined })).toBeUndefined();
    expect(looksOf({ ...roast, uncertain: [58, 60, 63] })).toBeUndefined();
  });
});
