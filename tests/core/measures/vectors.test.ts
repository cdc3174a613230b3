// The reference's own vectors: each function that is built gives their figures within their tolerance.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { MEASURES } from "../../../src/core/catalogue";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import type { Loose } from "../../support/dishes";

const vectors: Loose[] = JSON.parse(readFileSync(new URL("../../data/vectors-measures.json", import.meta.url), "utf8"));

const outcome = (run: (input: Loose) => Loose, input: Loose) => {
  try {
    return run(input);
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field };
    throw error;
  }
};

/** No input at all is an answer here: nothing is known in favour of the shelf. */
const ALL_OPTIONAL = ["shelfStableClaim"];

const figures = (value: unknown): number[] =>
  typeof value === "number" ? [value] : typeof value === "object" && value !== null ? Object.values(value).flatMap(figures) : [];

test("there is a calculation for every vector, none is passed over", () => {
  expect(vectors.map((v) => v.function).filter((name) => !Object.hasOwn(MEASURES, name))).toEqual([]);
});

describe.each([...new Set(vectors.map((v) => v.function as string))])("%s", (name) => {
  const run = MEASURES[name]?.run as (input: Loose) => Loose;
  const own = vectors.filter((v) => v.function === name);
  test.each(own.map((v) => [JSON.stringify(v.input), v] as const))("%s", (_, v) => {
    const got = outcome(run, v.input);
    for (const [key, want] of Object.entries(v.output)) {
      if (typeof want === "number") expect(Math.abs(got[key] - want)).toBeLessThanOrEqual(v.tolerance);
      else expect(got[key]).toEqual(want);
    }
  });
  test("says what is wrong with nonsense, and never gives a figure that is none", () => {
    const nan = Object.fromEntries(Object.keys(own[0].input).map((k) => [k, Number.NaN]));
    expect(outcome(run, nan).error).toMatch(/^E_/);
    if (!ALL_OPTIONAL.includes(name)) expect(outcome(run, {}).error).toMatch(/^E_/);
    // A key that objects have by themselves must not be found in a table.
    for (const key of Object.keys(own[0].input))
      for (const value of ["constructor", "__proto__", null, [], {}, Number.POSITIVE_INFINITY])
        for (const figure of figures(outcome(run, { ...own[0].input, [key]: value }))) expect(Number.isFinite(figure)).toBe(true);
  });
});
