import { expect, test } from "vitest";
import { typedFigure } from "../../../src/core/measures/typed-figure";

test.each([
  ["6", "L", 6],
  ["6,5", "L", 6.5],
  ["3000 mL", "L", 3],
  ["5 qt", "L", 4.732],
  ["26 cm", "cm", 26],
  ["10 in", "cm", 25.4],
  ["95", "C", 95],
  ["200F", "C", 93.33],
] as const)("%s in a field of %s is %f", (text, unit, want) => {
  expect(typedFigure("It", text, unit, 0, 100)).toBeCloseTo(want, 1);
});

test.each([
  ["3 kg", "L"],
  ["", "L"],
  ["hot", "C"],
  ["500 L", "L"],
] as const)("“%s” in a field of %s is refused by a sentence that names the field", (text, unit) => {
  expect(() => typedFigure("How much", text, unit, 0, 100)).toThrow(/^How much: /);
});
