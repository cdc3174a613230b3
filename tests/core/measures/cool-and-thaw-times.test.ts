// Cooling and thawing times as they are commonly given, against the models. Cooling of bags in ice water: Baldwin, “A practical guide to sous vide
// cooking”, 2012, table of cooling times from 55–80 °C to 5 °C, which takes the slowest of several meats. Stock pots and thawing: USDA FSIS,
// “Leftovers and food safety” and “The big thaw”, 2013 to 2023.
import { expect, test } from "vitest";
import { benchAnswer } from "../../../src/core/bench/ask";
import { coolingWays } from "../../../src/core/measures/heat/compare-cooling";
import { conductionTimes } from "../../../src/core/measures/heat/conduction";

/** Meat of low diffusivity in a bag, and moving ice water. */
const BAG = { geometry: "slab", t0: 60, k: 0.42, rho: 1060, cp: 3600, h: 100, tEnv: 1, marks: [5], stepS: 20 } as const;
const cooledBag = (mm: number) => (conductionTimes({ ...BAG, halfM: mm / 2000 }).timesS[5] as number) / 60;

test.each([
  [15, 25],
  [20, 35],
  [25, 50],
  [30, 75],
  [40, 105],
  [50, 165],
  [60, 225],
])("a bag %d mm thick cools in ice water in about %d min", (mm, minutes) => {
  expect(cooledBag(mm) / minutes).toBeGreaterThan(0.7);
  expect(cooledBag(mm) / minutes).toBeLessThan(1.3);
});

test("a stock pot 20 cm across takes about a day in the fridge; in shallow trays or an ice bath it is cold within six hours", () => {
  const ways = coolingWays({ volumeL: 6, food: "waterStock", potDiameterCm: 20, startC: 95 });
  const to5 = (key: string) => (ways.find((w) => w.key === key)?.t5Min as number) / 60;
  expect(to5("potFridgeAtOnce")).toBeGreaterThan(24 * 0.8);
  expect(to5("potFridgeAtOnce")).toBeLessThan(24 * 1.2);
  expect(to5("traysHalfFan")).toBeLessThan(6);
  expect(to5("iceBathStirred")).toBeLessThan(1);
});

const HOUR = 60;
const DAY = 24 * HOUR;
test.each([
  ["a turkey of 4 kg in the fridge: 1 to 3 days", { form: "bird", mass: "4 kg", medium: "fridgeStill" }, DAY, 3 * DAY],
  ["a turkey of 6.4 kg in the fridge: 3 to 4 days", { form: "bird", mass: "6.4 kg", medium: "fridgeStill" }, 3 * DAY, 4 * DAY],
  ["a turkey of 8.2 kg in the fridge: 4 to 5 days", { form: "bird", mass: "8.2 kg", medium: "fridgeStill" }, 4 * DAY, 5 * DAY],
  ["a turkey of 4 kg in cold water: 2 to 6 h", { form: "bird", mass: "4 kg", medium: "coldWaterStill", at: "10 °C" }, 2 * HOUR, 6 * HOUR],
  [
    "a turkey of 6.4 kg in cold water: 6 to 8 h",
    { form: "bird", mass: "6.4 kg", medium: "coldWaterStill", at: "10 °C" },
    6 * HOUR,
    8 * HOUR,
  ],
  [
    "a turkey of 8.2 kg in cold water: 8 to 10 h",
    { form: "bird", mass: "8.2 kg", medium: "coldWaterStill", at: "10 °C" },
    8 * HOUR,
    10 * HOUR,
  ],
  [
    "450 g of pieces, 3.5 cm, in cold water: an hour",
    { form: "flat", thick: "3.5 cm", mass: "450 g", medium: "coldWaterStill", at: "15 °C" },
    45,
    75,
  ],
  [
    "1.6 kg, 6 cm, in cold water: 2 to 3 h",
    { form: "flat", thick: "6 cm", mass: "1.6 kg", medium: "coldWaterStill", at: "15 °C" },
    2 * HOUR,
    3 * HOUR,
  ],
  ["450 g, 5 cm, in the fridge: about a day", { form: "flat", thick: "5 cm", mass: "450 g", medium: "fridgeStill" }, 20 * HOUR, 30 * HOUR],
])("%s", (_, typed, low, high) => {
  const { answer } = benchAnswer({ panel: "thaw", typed: { food: "poultry", ...typed } as Record<string, string>, units: "metric" });
  if (!answer.ok) throw new Error(answer.message);
  const thawed = answer.result.figures.find((f) => f.key === "thawed") as { value: number; low: number; high: number };
  // The bands meet, and the middle of the model's lies near that of the advice.
  expect(thawed.low).toBeLessThanOrEqual(high);
  expect(thawed.high).toBeGreaterThanOrEqual(low);
  expect(thawed.value / ((low + high) / 2)).toBeGreaterThan(0.65);
  expect(thawed.value / ((low + high) / 2)).toBeLessThan(1.5);
});
