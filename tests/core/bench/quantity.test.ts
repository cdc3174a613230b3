// Figures in and out: what a cook types, said again in the units that were chosen.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { inUnits } from "../../../src/core/bench/in-units";
import { bareUnit, type Quantity, readFigure, said, typedAs, type Units } from "../../../src/core/bench/quantity";

const asked = (of: Quantity, usual?: "g" | "kg" | "mL" | "L" | "mm" | "cm" | "min" | "h" | "d") => ({
  key: "it",
  label: "It",
  of,
  ...(usual ? { usual } : {}),
  low: -1e9,
  high: 1e9,
});

test("what is said, read again, is the same within what is shown", () => {
  const kinds: readonly Quantity[] = ["mass", "volume", "length", "time", "share", "ppm", "count", "number", "power", "bloom", "grams"];
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.constantFrom<Units>("metric", "us"),
      fc.double({ min: 0.5, max: 40_000, noNaN: true }),
      (of, units, value) => {
        const back = readFigure(asked(of), typedAs(value, of, units), units);
        // Three figures, or the step of the smallest unit that is shown.
        expect(Math.abs(back - value)).toBeLessThanOrEqual(
          0.006 * value + (of === "time" ? 0.6 : of === "mass" ? 1.5 : of === "length" ? 0.3 : of === "volume" ? 1.3 : 0.51),
        );
      },
    ),
  );
});

describe("typed", () => {
  it.each([
    ["mass", "2 lb 3 oz", "metric", 992.2],
    ["mass", "1,5 kg", "metric", 1500],
    ["mass", "12", "us", 340.2],
    ["water", "1 1/2 cups", "metric", 354.9],
    ["water", "2", "us", 473.2],
    ["volume", "½ L", "metric", 500],
    ["temp", "350F", "metric", 176.7],
    ["temp", "350", "us", 176.7],
    ["temp", "-18 °C", "us", -18],
    ["warmth", "9 F", "metric", 5],
    ["time", "1h30", "metric", 90],
    ["time", "2-3 h", "metric", 150],
    ["length", "10 in", "metric", 254],
    ["share", "12 %", "metric", 12],
    ["share", "12 per cent", "metric", 12],
    ["pH", "pH 4.6", "metric", 4.6],
    ["altitude", "5000 ft", "metric", 1524],
  ] as const)("%s: %s in %s", (of, text, units, want) => {
    expect(readFigure(asked(of, of === "mass" ? "g" : undefined), text, units)).toBeCloseTo(want, 0);
  });
  it.each([
    ["mass", "", /It: it is empty/],
    ["mass", "some", /“some” is not understood/],
    ["mass", "3 cm", /is not a weight/],
    ["temp", "3 kg", /is not a temperature/],
    ["mass", "3 kg of flour", /something after the number/],
  ] as const)("%s: “%s” is refused in words", (of, text, words) => {
    expect(() => readFigure(asked(of), text, "metric")).toThrow(words);
  });
  test("out of range it says the range in the units that were chosen", () => {
    const oven = { key: "oven", label: "Oven", of: "temp" as const, low: 60, high: 250 };
    expect(() => readFigure(oven, "700", "us")).toThrow("Oven: 700 °F is out of range. Give 140 °F to 482 °F.");
  });
});

test("estimates are rounded as far as they can be trusted, and never is a word", () => {
  expect(said(97, "time", "metric")).toBe("95 min");
  expect(said(517, "time", "metric")).toBe("8 h 30 min");
  expect(said(66.7, "temp", "metric")).toBe("66.5 °C");
  expect(said(Number.POSITIVE_INFINITY, "time", "metric")).toBe("never");
  expect(typedAs(97, "time", "metric")).toBe("97 min");
  expect(bareUnit("mass", "kg", "us")).toBe("lb");
});

test("temperatures in a sentence are those of the reader, pairs read whole", () => {
  expect(inUnits("From 57 to 21 °C within 2 hours, set at pH 4 and 7.", "us")).toBe("From 135 to 70 °F within 2 hours, set at pH 4 and 7.");
  expect(inUnits("poultry 74 °C, mince 71 °C", "us")).toBe("poultry 165 °F, mince 160 °F");
  expect(inUnits("at 4 °C", "metric")).toBe("at 4 °C");
});

test("days of an estimate are whole from ten on; what was typed keeps its hours", () => {
  expect(said(40.2 * 1440, "time", "metric")).toBe("40 days");
  expect(said(9.4 * 1440, "time", "metric")).toBe("9.4 days");
  expect(typedAs(40 * 1440 + 300, "time", "metric")).toBe("40 days 5 h");
  expect(said(Number.POSITIVE_INFINITY, "time", "metric")).toBe("never");
});

test.each([
  [2, "3/8 tsp"],
  [20, "1 1/3 tbsp"],
  [100, "3/8 cup"],
  [237, "1 cup"],
  [680, "2 7/8 cups"],
  [700, "3 cups"],
  [1500, "1 5/8 qt"],
])("%d mL is said in a cook's fractions: %s", (mL, text) => expect(said(mL, "volume", "us")).toBe(text));

test("a field keeps decimals where a fraction would be too far off to calculate with", () => {
  expect(typedAs(680, "water", "us")).toBe("2 7/8 cups");
  expect(typedAs(3000, "volume", "us")).toBe("3.17 qt");
  expect(typedAs(100, "volume", "us")).toBe("0.42 cups");
});
