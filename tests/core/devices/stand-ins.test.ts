// The simulated devices that ship: each behaves as its thing does, as far as a cook would notice.
import { describe, expect, test } from "vitest";
import { STAND_IN_KINDS, type StandInKind, standIn } from "../../../src/core/devices/stand-ins";
import type { Taken } from "../../../src/core/record/entries";
import { probeForecast } from "../../../src/core/record/probe-forecast";

/** Readings by the minute over so many hours; what it did not read is left out. */
function over(kind: StandInKind, hours: number, seed = 7): number[] {
  const device = standIn(kind, seed);
  return Array.from({ length: hours * 60 }, () => device.next(60)).filter((v): v is number => v !== null);
}
const last = (list: readonly number[]) => list.at(-1) as number;
const firstOver = (list: readonly number[], limit: number) => list.findIndex((v) => v >= limit);

describe.each(STAND_IN_KINDS.map((k) => [k]))("%s", (kind) => {
  test("gives the same readings for the same seed, others for another, and now and then none", () => {
    expect(over(kind, 2)).toEqual(over(kind, 2));
    expect(over(kind, 2)).not.toEqual(over(kind, 2, 8));
    const device = standIn(kind, 3);
    const all = Array.from({ length: 2000 }, () => device.next(60));
    expect(all.filter((v) => v === null).length).toBeGreaterThan(0);
    expect(all.filter((v) => v === null).length).toBeLessThan(100);
  });
});

test("a roast is done after an hour and more, and rises all the way", () => {
  const list = over("roast", 4);
  expect(firstOver(list, 60)).toBeGreaterThan(50);
  expect(firstOver(list, 60)).toBeLessThan(200);
});
test("a smoked joint takes long, and slower in its stall than before it", () => {
  const list = over("smoker", 14);
  const [at45, at60, at66, at75] = [45, 60, 66, 75].map((t) => firstOver(list, t)) as [number, number, number, number];
  expect(at75).toBeGreaterThan(4 * 60);
  expect((at66 - at60) / 6).toBeGreaterThan((at60 - at45) / 15);
});
test("a bath comes to its heat and holds it", () => {
  const list = over("bath", 6);
  expect(list.slice(-60).every((v) => v > 53 && v < 55.5)).toBe(true);
});
test("a pot on the counter is too slow for the first stage of cooling", () => {
  const list = over("pot", 8);
  const from57 = list.findIndex((v) => v <= 57);
  const to21 = list.findIndex((v) => v <= 21.5);
  expect(from57).toBeGreaterThan(10);
  expect(to21 < 0 || to21 - from57 > 120).toBe(true);
});
test("a dough doubles within the day", () => {
  const list = over("dough", 12);
  expect(list[0]).toBeLessThan(8.5);
  expect(Math.max(...list)).toBeGreaterThan(16);
});
test("a fridge goes up and down about four degrees", () => {
  const list = over("fridge", 6);
  expect(Math.min(...list)).toBeGreaterThan(1);
  expect(Math.max(...list)).toBeLessThan(7);
});
test("a ferment sours, a ham dries", () => {
  expect(last(over("ph", 120).filter((v) => v < 8))).toBeLessThan(4.6);
  const ham = over("scale", 24 * 14);
  expect(last(ham) / (ham[0] as number)).toBeGreaterThan(0.7);
  expect(last(ham) / (ham[0] as number)).toBeLessThan(0.95);
});

test("the forecast of a roast, told nothing but its oven, has the end in its band before half the time is over", () => {
  let held = 0;
  const seeds = Array.from({ length: 20 }, (_, i) => i + 1);
  for (const seed of seeds) {
    const list = over("roast", 4, seed);
    const end = firstOver(list, 60);
    const taken = list
      .slice(0, Math.floor(end / 2))
      .map((value, i): Taken => ({ id: i + 1, at: (i + 1) * 60_000, quantity: "core", value, device: "x" }));
    const found = probeForecast({ start: 0, probeC: 60, tempC: 160 }, taken);
    if (found && found.low <= end && found.high >= end) held++;
  }
  expect(held / seeds.length).toBeGreaterThanOrEqual(0.7);
});
