// The reference's own vectors: each function that is built gives their figures within their tolerance.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { boilingPoint, pressureCookerTemp, sugarStageTemp, sugarSyrup } from "../../../src/core/measures/boiling";
import {
  brineStrength,
  cureTimeRule,
  desalt,
  drySalt,
  equilibriumBrine,
  gradientBrine,
  turnSchedule,
  vegetableSalt,
} from "../../../src/core/measures/brine";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import { curingSaltDose, injectionCure, nitritePpm } from "../../../src/core/measures/curing-salt";
import { countToMass, massToVolume, volumeToMass } from "../../../src/core/measures/density";
import { diffusionCoefficient, diffusionDays, diffusionFraction } from "../../../src/core/measures/diffusion";
import {
  alkalineNoodle,
  bakedSoda,
  bakersToGrams,
  frictionFromTrial,
  gramsToBakers,
  iceForWater,
  prefermentSplit,
  starterBuild,
  totalHydration,
  waterTemperature,
  yeastConvert,
} from "../../../src/core/measures/dough";
import { culturedDairy, fermentCheck, fermentDaysToPh, fermentPh } from "../../../src/core/measures/ferment";
import { jarLiquid } from "../../../src/core/measures/jars";
import { parseAmount } from "../../../src/core/measures/parse-amount";
import { pickleAcidity, pickleKeep, pickleReady, shelfStableClaim, vinegarForAcidity } from "../../../src/core/measures/pickle";
import { doughPiecePlan, guestEquivalents, piecesFromDough, portionRaw } from "../../../src/core/measures/portions";
import {
  doughCoolingTau,
  fermentFinishTime,
  fermentRate,
  fermentSchedule,
  fermentTimeConstant,
  starterPeak,
  yeastForSchedule,
} from "../../../src/core/measures/proofing";
import { evaporationRate, reductionTime, saltAfterReduction, saltToFinish, topUpPlan } from "../../../src/core/measures/reduction";
import { roundKitchen, toUsMeasure } from "../../../src/core/measures/rounding";
import { batchesNeeded, panScale, scaleAmount, scaleTime } from "../../../src/core/measures/scaling";
import { alcoholRetained, saltPerServing } from "../../../src/core/measures/serving";
import { gelatinBloomSwap, gelatinDose, starchDose, stockGelatin, stockSetCheck } from "../../../src/core/measures/thickening";
import {
  convertLength,
  convertMass,
  convertTemperature,
  convertTemperatureDelta,
  convertVolume,
  gasMarkToCelsius,
} from "../../../src/core/measures/units";
import { chainYield, dryingYield, rawNeeded, stockYield } from "../../../src/core/measures/yields";
import { allergensOf } from "../../../src/core/safety/allergens";
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
  convertMass,
  convertVolume,
  convertLength,
  convertTemperature,
  convertTemperatureDelta,
  gasMarkToCelsius,
  parseAmount,
  bakersToGrams,
  gramsToBakers,
  prefermentSplit,
  starterBuild,
  totalHydration,
  waterTemperature,
  frictionFromTrial,
  iceForWater,
  yeastConvert,
  bakedSoda,
  alkalineNoodle,
  fermentRate,
  fermentTimeConstant,
  doughCoolingTau,
  fermentSchedule,
  fermentFinishTime,
  yeastForSchedule,
  starterPeak,
  brineStrength,
  cureTimeRule,
  desalt,
  drySalt,
  equilibriumBrine,
  gradientBrine,
  turnSchedule,
  vegetableSalt,
  curingSaltDose,
  injectionCure,
  nitritePpm,
  diffusionCoefficient,
  diffusionDays,
  diffusionFraction,
  pickleAcidity,
  pickleKeep,
  pickleReady,
  shelfStableClaim,
  vinegarForAcidity,
  culturedDairy,
  fermentCheck,
  fermentDaysToPh,
  fermentPh,
  evaporationRate,
  reductionTime,
  saltAfterReduction,
  saltToFinish,
  topUpPlan,
  gelatinBloomSwap,
  gelatinDose,
  starchDose,
  stockGelatin,
  stockSetCheck,
  boilingPoint,
  pressureCookerTemp,
  sugarStageTemp,
  sugarSyrup,
  alcoholRetained,
  saltPerServing,
  allergensOf,
  dryingYield,
  stockYield,
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

/** No input at all is an answer here: nothing is known in favour of the shelf. */
const ALL_OPTIONAL = ["shelfStableClaim"];

const figures = (value: unknown): number[] =>
  typeof value === "number" ? [value] : typeof value === "object" && value !== null ? Object.values(value).flatMap(figures) : [];

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
