// Figures as people type them: numbers, lengths of time, temperatures, amounts.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { readAmount } from "../../../src/core/entry/amounts";
import { findDurations, readLength } from "../../../src/core/entry/durations";
import { numberAt } from "../../../src/core/entry/numbers";
import { findTemperatures } from "../../../src/core/entry/temperatures";

describe("numbers", () => {
  test.each([
    ["1 1/2 cups", 1.5],
    ["2½", 2.5],
    ["2 ½", 2.5],
    ["¾", 0.75],
    ["3/4", 0.75],
    ["1,5 kg", 1.5],
    ["1,500 g", 1500],
    ["12,345.5", 12345.5],
    ["0.25", 0.25],
    ["1/0", 1],
  ])("%s is %d", (text, value) => {
    expect(numberAt(text, 0)?.value).toBeCloseTo(value, 9);
  });
  test("words count only where a number is looked for", () => {
    expect(numberAt("half a lemon", 0)).toBeUndefined();
    expect(numberAt("half a lemon", 0, true)?.value).toBe(0.5);
    expect(numberAt("an egg", 0, true)?.value).toBe(1);
    expect(numberAt("constructor", 0, true)).toBeUndefined();
  });
});

describe("lengths of time", () => {
  test.each([
    ["45m", 45, 45],
    ["90 min", 90, 90],
    ["1h30", 90, 90],
    ["1 h 30 min", 90, 90],
    ["1 hour and 20 minutes", 80, 80],
    ["1 1/2 hours", 90, 90],
    ["1½ hrs", 90, 90],
    ["an hour and a half", 90, 90],
    ["half an hour", 30, 30],
    ["2-3h", 120, 180],
    ["2 to 3 hours", 120, 180],
    ["30 minutes to 1 hour", 30, 60],
    ["20–25 minutes", 20, 25],
    ["3 days", 4320, 4320],
    ["1-2 weeks", 10080, 20160],
    ["36h", 2160, 2160],
    ["30 seconds", 1, 1],
    ["overnight", 480, 840],
    ["about 2 hours", 120, 120],
  ])("%s is %d to %d minutes", (text, min, max) => {
    expect(readLength(text)).toMatchObject({ min, max });
  });
  test.each([
    ["3 months", 90 * 1440],
    ["a month", 30 * 1440],
    ["a year", 365 * 1440],
    ["a fortnight", 14 * 1440],
  ])("%j, as kept things have it", (text, minutes) => {
    expect(readLength(text)).toEqual({ min: minutes, likely: minutes, max: minutes });
  });
  test.each(["", "soon", "500 days", "2 kg", "h", "18 months", "2 years"])("%j is none", (text) => {
    expect(readLength(text)).toBeUndefined();
  });
  test("they are found in running text, and neither weights nor temperatures are", () => {
    const text = "Brown 500 g for 8-10 minutes at 220 °C, then simmer 2 hours; chill overnight.";
    expect(findDurations(text).map((f) => text.slice(f.start, f.end))).toEqual(["8-10 minutes", "2 hours", "overnight"]);
  });
  test("whatever is typed, reading ends, and what it gives is in order", () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(..."0123456789 .,-–/½hmds to and half"), maxLength: 40 }), (text) => {
        for (const { value, start, end } of findDurations(text)) {
          expect(end).toBeGreaterThan(start);
          expect(value.min).toBeLessThanOrEqual(value.likely);
          expect(value.likely).toBeLessThanOrEqual(value.max);
          expect(Number.isInteger(value.min) && Number.isInteger(value.max)).toBe(true);
        }
      }),
    );
  });
});

describe("temperatures", () => {
  test.each([
    ["bake at 350F", [175]],
    ["at 180 °C", [180]],
    ["180°C/160°C fan", [180, 160]],
    ["350 degrees F (175 degrees C)", [175, 175]],
    ["gas mark 4", [175]],
    ["gas 6", [205]],
    ["400 degrees until brown", [205]],
    ["chill to 4C", [4]],
    ["-18 °C", [-18]],
    ["3 cups, 4 carrots", []],
  ])("%s", (text, celsius) => {
    expect(findTemperatures(text).map((f) => f.value)).toEqual(celsius);
  });
});

describe("amounts", () => {
  test.each([
    ["500g", 500, "g"],
    ["1 1/2 cups", 1.5, "cup"],
    ["2 lb 3 oz", 2.1875, "lb"],
    ["1 cup plus 2 tablespoons", 1.125, "cup"],
    ["2 x 400 g", 800, "g"],
    ["1,5 kg", 1.5, "kg"],
    ["4 fl oz", 4, "floz"],
    ["1½ dl", 150, "mL"],
    ["25 cl", 250, "mL"],
    ["250mg", 0.25, "g"],
    ["3 cloves", 3, "clove"],
    ["2 leaves", 2, "leaf"],
    ["2-3 lb", 2.5, "lb"],
    ["2-3 sprigs", 3, "sprig"],
    ["a pinch", 1, "pinch"],
    ["4 quinces", 4, "quince"],
    ["12", 12, "piece"],
    ["1 quart", 1, "quart"],
    ["2 Litres", 2, "L"],
  ])("%s", (text, amount, unit) => {
    const read = readAmount(text);
    expect(read?.unit).toBe(unit);
    expect(read?.amount).toBeCloseTo(amount, 9);
  });
  test.each(["", "some", "salt and pepper", "--"])("%j is none", (text) => {
    expect(readAmount(text)).toBeUndefined();
  });
});

test.each([
  ["roast 1h30 until golden", 90],
  ["1 hr 15", 75],
  ["2 hours 30 until tender", 150],
  ["1h30", 90],
  ["1 hour 20, turning once", 80],
  ["2 hours 30 g of salt", 120],
  ["1 h 20 °C", 60],
  ["1 hour 15 pieces", 60],
  ["1 hour 75", 60],
])("%s is %i minutes", (text, minutes) => {
  expect(findDurations(text)[0]?.value.likely).toBe(minutes);
});
