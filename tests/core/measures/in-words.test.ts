// What the reference says in words beside its examples: schools, bands, warnings, rounding, edges. Figures by hand.
import { describe, expect, test } from "vitest";
import { measure } from "../../../src/core/catalogue";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import type { Loose } from "../../support/dishes";

const answer = (name: string, input: object): Loose => {
  try {
    return measure(name, input).result;
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field };
    throw error;
  }
};
type Row = readonly [why: string, name: string, input: object, wanted: object];
const rows = (list: readonly Row[]) =>
  test.each(list.map(([why, name, input, wanted]) => [name, why, input, wanted] as const))("%s: %s", (name, _, input, wanted) => {
    const got = answer(name, input);
    expect(got).toMatchObject(wanted);
    if (!("warnings" in wanted) && !("error" in wanted)) expect(got.warnings).toBeUndefined();
  });

describe("pickles and ferments", () => {
  rows([
    [
      "thin slices soften first: seven tenths of sixty days",
      "pickleKeep",
      { equilibriumAcidPct: 1.7, pour: "hot", fridgeC: 4, thicknessMm: 4 },
      { days: 42 },
    ],
    [
      "a low-acid thing in the jar: a fortnight at most",
      "pickleKeep",
      { equilibriumAcidPct: 2, pour: "hot", fridgeC: 4, lowAcidAddIn: true },
      { days: 14 },
    ],
    [
      "and of two limits the lower",
      "pickleKeep",
      { equilibriumAcidPct: 0.6, pour: "hot", fridgeC: 5, thicknessMm: 4, lowAcidAddIn: true },
      { days: 9 },
    ],
    [
      "thick and poured cold sours late in the middle",
      "pickleKeep",
      { equilibriumAcidPct: 1.8, pour: "cold", fridgeC: 4, thicknessMm: 26 },
      { days: 30, warnings: ["W_THICK_COLD"] },
    ],
    [
      "the fridge may be at five, not above",
      "pickleKeep",
      { equilibriumAcidPct: 1.8, pour: "hot", fridgeC: 5.1 },
      { error: "E_FRIDGE_WARM", field: "fridgeC" },
    ],
    ["warm is soft", "fermentPh", { days: 3, tempC: 25, saltPct: 2 }, { warnings: ["W_WARM_SOFT"] }],
    ["nothing sours in the first hours", "fermentPh", { days: 0, tempC: 20, saltPct: 2 }, { ph: 6, low: 6, high: 6 }],
    ["mould before all else", "fermentCheck", { days: 2, tempC: 20, saltPct: 2, mould: true, measuredPh: 3.9 }, { verdict: "discard" }],
    [
      "what floats is pushed under before it is judged",
      "fermentCheck",
      { days: 4, tempC: 20, saltPct: 2, measuredPh: 4.7, submerged: false },
      { verdict: "act" },
    ],
    [
      "a white film is skimmed",
      "fermentCheck",
      { days: 4, tempC: 20, saltPct: 2, measuredPh: 4, kahm: true },
      { verdict: "act", reasons: ["SKIM_KAHM"] },
    ],
    ["4.1 is ready", "fermentCheck", { days: 6, tempC: 20, saltPct: 2, measuredPh: 4.1 }, { verdict: "ready" }],
    [
      "4.6 is not above 4.6",
      "fermentCheck",
      { days: 2, tempC: 20, saltPct: 2, measuredPh: 4.6 },
      { verdict: "edible_keep_cold_or_continue" },
    ],
    [
      "a tested recipe followed, but a pH above 4.6",
      "shelfStableClaim",
      { testedSource: true, unmodified: true, processedAsWritten: true, altitudeAdjusted: true, measuredPh: 4.7 },
      { claim: "fridge_only" },
    ],
    [
      "a word that is not exactly yes is no",
      "shelfStableClaim",
      { testedSource: "yes", unmodified: true, processedAsWritten: true, altitudeAdjusted: true },
      { claim: "fridge_only" },
    ],
    [
      "less than 5 % of the water is the jar's 1.5",
      "vegetableSalt",
      { vegG: 1000, waterG: 1000, targetPct: 3, method: "brineOfWater" },
      { saltG: 30, equilibriumPct: 1.5, warnings: ["W_LOW_SALT"] },
    ],
    ["much salt is slow", "vegetableSalt", { vegG: 1000, targetPct: 6 }, { saltG: 60, warnings: ["W_SLOW_SALTY"] }],
  ]);
});

describe("cures and brines", () => {
  rows([
    [
      "a dose is floored, never rounded up past its target",
      "curingSaltDose",
      { product: "comminuted", meatG: 333, targetPpm: 150 },
      { cureG: 0.79, warnings: ["W_SCALE_0_01G"] },
    ],
    [
      "below a gram a fine scale",
      "curingSaltDose",
      { product: "dry", meatG: 300, targetPpm: 120 },
      { cureG: 0.57, warnings: ["W_SCALE_0_01G"] },
    ],
    ["bacon is 120 unless said", "curingSaltDose", { product: "bacon_dry", meatG: 1000 }, { ppm: expect.closeTo(120, 0) }],
    ["other kinds 150", "curingSaltDose", { product: "comminuted", meatG: 1000 }, { cureG: 2.4 }],
    [
      "a soak needs its liquid",
      "curingSaltDose",
      { product: "immersion", meatG: 1000 },
      { error: expect.stringMatching(/E_RANGE|E_NOT_FINITE/) },
    ],
    [
      "a salt of another strength is another salt",
      "nitritePpm",
      { product: "dry", cureG: 5, meatG: 1000, cureStrengthPct: 0.6 },
      { error: "E_CURE_TYPE" },
    ],
    ["two days are the least", "cureTimeRule", { thicknessMm: 5 }, { days: 2, equaliseDays: 1 }],
    ["pumped three days an inch and a half more", "cureTimeRule", { thicknessMm: 25.4, method: "injected" }, { days: 4 }],
    ["too cold to cure", "cureTimeRule", { thicknessMm: 40, tempC: 0.4 }, { error: "E_TOO_COLD", field: "tempC" }],
    ["turned each day, not on the last", "turnSchedule", { days: 4, everyDays: 1 }, { turnDays: [1, 2, 3] }],
    ["very salty is said", "equilibriumBrine", { meatG: 1000, waterG: 1000, targetPct: 4 }, { saltG: 80, warnings: ["W_VERY_SALTY"] }],
    [
      "longer than two days calls for the other school",
      "gradientBrine",
      { waterG: 2000, pctOfWater: 6, thicknessMm: 35, hours: 49 },
      { saltG: 120, warnings: ["W_USE_EQUILIBRIUM"] },
    ],
  ]);
});

describe("pots and sets", () => {
  rows([
    [
      "acid thins starch, and potato does not bear long boiling",
      "starchDose",
      { liquidG: 500, texture: "sauce", starch: "potato", ph: 3.5 },
      { starchG: 9.6, warnings: ["W_ACID_THINS", "W_DO_NOT_BOIL_LONG"] },
    ],
    [
      "a white roux of rice flour: fat by its weight",
      "starchDose",
      { liquidG: 500, texture: "light_coat", starch: "rice_flour", roux: "white" },
      { starchG: 13.6, fatG: 13.6, slurryWaterG: 0 },
    ],
    ["forty per cent of alcohol still sets", "gelatinDose", { liquidG: 500, set: "gummy", alcoholPct: 40 }, { gelatinG: 40 }],
    ["one more does not", "gelatinDose", { liquidG: 500, set: "gummy", alcoholPct: 41 }, { error: "E_NO_SET", field: "alcoholPct" }],
    [
      "a top-up each quarter hour is too often",
      "topUpPlan",
      { start_mL: 2000, hours: 6, mLph: 2000 },
      { topUps: 29, each_mL: 400, everyMin: 12, warnings: ["W_OFTEN"] },
    ],
    [
      "little is left",
      "stockYield",
      { water_mL: 1000, solidsG: 500, evaporation_mLph: 200, hours: 3.5 },
      { stock_mL: 240, ratio: 0.24, warnings: ["W_LOW_LIQUID"] },
    ],
    ["a pot without pressure is a pot", "pressureCookerTemp", { gaugeKPa: 0 }, { celsius: 100, timeFactor: 1 }],
    [
      "caramel does not mind the mountain",
      "sugarStageTemp",
      { stage: "light_caramel", altitudeM: 2000 },
      { lowC: 160, highC: 168, warnings: ["W_SYRUP_BURN"] },
    ],
    [
      "between two rows of the table, by the line",
      "alcoholRetained",
      { mode: "simmered", minutes: 135, mL: 100, abvPct: 40, servings: 4 },
      { retainedPct: 7.5, warnings: ["W_NOT_ALCOHOL_FREE"] },
    ],
    ["what is there already is enough", "saltToFinish", { finalG: 1000, currentSaltPct: 1, targetSaltPct: 1 }, { saltG: 0, diluteG: 0 }],
    [
      "never more than halved: the rest is gelatin",
      "stockSetCheck",
      { observed: "liquid", target: "gummy" },
      { reduceToFraction: 0.5, addGelatinPct: 7.2 },
    ],
    ["water alone has no sugar in it", "sugarSyrup", { sugarG: 0, waterG: 100 }, { brix: 0, specificGravity: 1, volume_mL: 100 }],
  ]);
});

describe("amounts as they are typed", () => {
  rows([
    ["days and hours", "parseAmount", { text: "2 d 4 h" }, { kind: "time", value: 3120 }],
    ["half of a cup", "parseAmount", { text: "half a cup" }, { kind: "volume", value: 118.294 }],
    ["two cups or two degrees", "parseAmount", { text: "2 C" }, { error: "E_AMBIGUOUS" }],
    ["nobody means twenty cups", "parseAmount", { text: "20 C" }, { kind: "temp", value: 20 }],
    ["two tins", "parseAmount", { text: "2 x 400 g" }, { kind: "mass", value: 800 }],
    ["a can of some size", "parseAmount", { text: "1 28-oz can" }, { kind: "count", value: 1, rest: "28-oz can" }],
    ["small before large is not a weight", "parseAmount", { text: "3 oz 2 lb" }, { error: "E_MIXED_UNITS" }],
    ["by nothing", "parseAmount", { text: "1/0 cup" }, { error: "E_PARSE" }],
    ["down from five to three", "parseAmount", { text: "5-3 g" }, { error: "E_PARSE" }],
    ["a capital T is a large spoon", "parseAmount", { text: "scant 1 T" }, { value: 14.787, approx: true }],
    ["a gallon is no metric thing", "parseAmount", { text: "1 gal", system: "metric" }, { error: "E_UNIT" }],
    ["between fractions", "parseAmount", { text: "1½–2 hours" }, { kind: "time", value: 105, min: 90, max: 120 }],
    ["a degree alone", "parseAmount", { text: "180°" }, { kind: "temp", value: 180 }],
    ["fluid ounces are no ounces", "parseAmount", { text: "3 fl oz" }, { kind: "volume", value: 88.721 }],
  ]);
});

describe("rounding for a kitchen", () => {
  rows([
    ["grams below a hundred", "roundKitchen", { value: 97.5, unit: "g" }, { value: 98, step: 1 }],
    ["up to the next ten", "roundKitchen", { value: 1005, unit: "g", mode: "ceil" }, { value: 1010, step: 10 }],
    ["an oven in fives", "roundKitchen", { value: 176.67, unit: "C_oven" }, { value: 175, step: 5 }],
    ["spoons", "toUsMeasure", { mL: 3.6 }, { text: "3/4 tsp", errorPct: 2.7 }],
    ["half cups", "toUsMeasure", { mL: 118 }, { text: "1/2 cup", mL: 118.29 }],
    [
      "a spice grows slower than the pot, and shrinks with it",
      "scaleAmount",
      { amount: 10, factor: 3, rule: "potent" },
      { amount: 25.442 },
    ],
    ["one is one by every rule", "scaleAmount", { amount: 10, factor: 1, rule: "surface" }, { amount: 10 }],
  ]);
});
