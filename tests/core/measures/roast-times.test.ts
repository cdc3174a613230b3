// Roasting times as they are commonly given (USDA FSIS roasting chart, 2019; British pound rules, 20 min each 500 g and 20 more), held against
// the conduction with a surface that dries: each range is met by the band that the Bench gives, and the middle of the band lies near it.
import { expect, test } from "vitest";
import { dryingTime, equivalentHalf, roastAndRest } from "../../../src/core/measures/heat/roast";

const BIRD = 0.85;
const minutes = (kg: number, ovenC: number, toC: number, { factor = 1, lengthM = 0, hOven = 20, fromC = 6 } = {}) => {
  const { value } = equivalentHalf({ massKg: kg, shape: lengthM ? "cylinder" : "sphere", ...(lengthM ? { lengthM } : {}) });
  return roastAndRest({
    geometry: lengthM ? "cylinder" : "sphere",
    halfM: value * factor,
    t0: fromC,
    ovenC,
    hOven,
    tPull: toC,
    dryingMin: dryingTime({ ovenC }).minutes,
  }).cookMin as number;
};

test.each([
  ["chicken of 1.6 kg at 177 °C to 74", minutes(1.6, 177, 74, { factor: BIRD }), 75, 90],
  ["chicken of 2.7 kg at 177 °C to 74", minutes(2.7, 177, 74, { factor: BIRD }), 120, 135],
  ["chicken of 1.5 kg at 200 °C to 74", minutes(1.5, 200, 74, { factor: BIRD }), 70, 85],
  ["turkey of 5 kg at 163 °C to 74", minutes(5, 163, 74, { factor: BIRD }), 165, 195],
  ["turkey of 7.3 kg at 163 °C to 74", minutes(7.3, 163, 74, { factor: BIRD }), 225, 255],
  ["rib of beef of 2.2 kg at 163 °C to 63", minutes(2.2, 163, 63), 105, 135],
  ["leg of lamb of 2.7 kg at 163 °C to 63", minutes(2.7, 163, 63, { factor: BIRD }), 120, 155],
  ["loin of pork of 1.8 kg, 30 cm, at 177 °C to 63", minutes(1.8, 177, 63, { lengthM: 0.3 }), 75, 95],
  ["fillet of beef of 2 kg, 40 cm, at 218 °C to 57", minutes(2, 218, 57, { lengthM: 0.4 }), 45, 60],
  ["topside of 2 kg at 180 °C to 60", minutes(2, 180, 60), 95, 115],
  ["joint of 2 kg at 210 °C with the fan to 74", minutes(2, 210, 74, { hOven: 35 }), 105, 135],
  ["shoulder of 3.5 kg at 120 °C to 90", minutes(3.5, 120, 90), 600, 720],
])("%s", (_, got, low, high) => {
  expect(got * 1.2).toBeGreaterThanOrEqual(low);
  expect(got * 0.8).toBeLessThanOrEqual(high);
  expect(Math.abs(got - (low + high) / 2) / got).toBeLessThan(0.3);
});

test("a surface that stays wet takes longer, and a hotter oven dries sooner, never in less than five minutes", () => {
  const roast = { geometry: "sphere", halfM: 0.077, t0: 6, ovenC: 210, hOven: 35, tPull: 74 } as const;
  expect(roastAndRest(roast).cookMin).toBeGreaterThan(1.8 * (roastAndRest({ ...roast, dryingMin: 5 }).cookMin as number));
  expect(dryingTime({ ovenC: 120 }).minutes).toBeCloseTo(180, 6);
  expect(dryingTime({ ovenC: 137 }).minutes).toBeCloseTo(180 / Math.E, 6);
  expect(dryingTime({ ovenC: 250 }).minutes).toBe(5);
  expect(dryingTime({ ovenC: 60 }).minutes).toBeLessThanOrEqual(10_000);
  expect(() => dryingTime({ ovenC: 59 })).toThrow(/ovenC/);
});
