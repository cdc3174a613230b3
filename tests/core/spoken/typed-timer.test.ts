// A timer as it is typed in a hurry, and what is left of it.
import { describe, expect, test } from "vitest";
import { countdown, readTimer } from "../../../src/core/spoken/typed-timer";

describe("a timer as it is typed", () => {
  test.each([
    ["4", 240, ""],
    ["4 min, blanch", 240, "blanch"],
    ["blanch 4 min", 240, "blanch"],
    ["blanch for 4 minutes", 240, "blanch"],
    ["4:30 eggs", 270, "eggs"],
    ["1:10:00", 4200, ""],
    ["90 s", 90, ""],
    ["90s sear, other side", 90, "sear, other side"],
    ["1h10 rest", 4200, "rest"],
    ["1 h 10 min rest", 4200, "rest"],
    ["1.5 h proof", 5400, "proof"],
    ["2,5 min tea", 150, "tea"],
    ["10 second rise", 10, "rise"],
    ["12 tarts out", 720, "tarts out"],
    ["tray two 12", 720, "tray two"],
    ["3 m", 180, ""],
    ["steam 45'", 2700, "steam"],
  ])("%s is %d s, named “%s”", (text, seconds, name) => {
    expect(readTimer(text)).toEqual({ seconds, name });
  });
  test.each([["blanch"], [""], ["0 min"], ["2 s"], ["15 days and 400 h"], ["6mm dice"]])("“%s” is none", (text) => {
    expect(readTimer(text)).toBeUndefined();
  });
});

test.each([
  [245_000, "4:05"],
  [3_725_000, "1:02:05"],
  [400, "0:01"],
  [0, "0:00"],
  [-40_000, "−0:40"],
  [-3_700_000, "−1:01:40"],
])("%d ms are left as %s", (ms, told) => {
  expect(countdown(ms)).toBe(told);
});
