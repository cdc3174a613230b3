// The reference's own vectors: each function that is built gives their figures within their tolerance.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import { countToMass, massToVolume, volumeToMass } from "../../../src/core/measures/density";
import { jarLiquid } from "../../../src/core/measures/jars";
import { doughPiecePlan, guestEquivalents, piecesFromDough, portionRaw } from "../../../src/core/measures/portions";
import { roundKitchen, toUsMeasure } from "../../../src/core/measures/rounding";
import { batchesNeeded, panScale, scaleAmount, scaleTime } from "../../../src/core/measures/scaling";
import { chainYield, rawNeeded } from "../../../src/core/measures/yields";
import type { Loose } from "../../support/dishes";

const FUNCTIONS: Readonly<Record<string, (input: Loose) => Loose>> = {
  volumeToMass,
  massToVolume,
  countToMass,
  scaleAmount,
  scaleTime,
  panScale,
  batchesNeeded,
  roundKitchen,
  toUsMeasure,
  guestEquivalents,
  portionRaw,
  doughPiecePlan,
  piecesFromDough,
  chainYield,
  rawNeeded,
  jarLiquid,
};
const vectors: Loose[] = JSON.parse(readFileSync(new URL("../../data/vectors-measures.json", import.meta.url), "utf8"));

const outcome = (run: (input: Loose) => Loose, input: Loose) => {
  try {
    return run(input);
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field };
    throw error;
  }
};

describe.each(Object.entries(FUNCTIONS))("%s", (name, run) => {
  const own = vectors.filter((v) => v.function === name);
  test.each(own.map((v) => [JSON.stringify(v.input), v] as const))("%s", (_, v) => {
    const got = outcome(run, v.input);
    for (const [key, want] of Object.entries(v.output)) {
      if (typeof want === "number") expect(Math.abs(got[key] - want)).toBeLessThanOrEqual(v.tolerance);
      else expect(got[key]).toEqual(want);
    }
  });
  test("has vectors", () => expect(own.length).toBeGreaterThan(0));
  test("says what is wrong with nonsense, and never gives NaN", () => {
    for (const broken of [{}, { ...own[0].input, ...Object.fromEntries(Object.keys(own[0].input).map((k) => [k, Number.NaN])) }]) {
      const got = outcome(run, broken);
      expect(got.error).toMatch(/^E_/);
    }
    expect(JSON.stringify(outcome(run, { ...own[0].input, constructor: 1 }))).not.toContain("null");
  });
});
