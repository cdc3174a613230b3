// What a device has to be heard for, at the limits and to either side.
import { describe, expect, test } from "vitest";
import type { Taken } from "../../../src/core/record/entries";
import { deviceAlarm } from "../../../src/core/view/device-alarm";

const NOW = 1_800_000_000_000;
const reads = (quantity: "core" | "temperature" | "ph", value: number | null, ago = 0) => ({ quantity, value, at: NOW - ago }) as const;
const taken = (quantity: "core" | "temperature", ...values: number[]): Taken[] =>
  values.map((value, i) => ({ id: i + 1, at: NOW - (values.length - i) * 60_000, quantity, value, device: "d" }));
const roast = { probeC: 60, place: "oven", tempC: 160 } as const;
const cold = { probeC: undefined, place: "fridge", tempC: undefined } as const;

describe("a device at a step", () => {
  test("calls when the core is there", () => {
    expect(deviceAlarm(roast, reads("core", 59.9), [], NOW)).toBeUndefined();
    expect(deviceAlarm(roast, reads("core", 60), [], NOW)).toMatchObject({ kind: "reached", than: 60 });
  });
  test("calls where the core falls by five degrees in the oven, and not where it is meant to fall", () => {
    expect(deviceAlarm(roast, reads("core", 45.1), taken("core", 30, 50), NOW)).toBeUndefined();
    expect(deviceAlarm(roast, reads("core", 45), taken("core", 30, 50), NOW)).toEqual({ kind: "fallen", now: 45, than: 50 });
    expect(deviceAlarm({ ...roast, place: "counter" }, reads("core", 20), taken("core", 70), NOW)).toBeUndefined();
    expect(deviceAlarm({ ...roast, probeC: undefined }, reads("core", 20), taken("core", 70), NOW)).toBeUndefined();
  });
  test("calls where the probe reads nothing, and where nothing comes for more than two minutes", () => {
    expect(deviceAlarm(roast, reads("core", null), [], NOW)).toEqual({ kind: "out" });
    expect(deviceAlarm(roast, reads("core", 50, 120_000), [], NOW)).toBeUndefined();
    expect(deviceAlarm(roast, reads("core", 50, 120_001), [], NOW)).toEqual({ kind: "silent" });
  });
  test("calls where a freezer is above −12 °C", () => {
    const frozen = { ...cold, place: "freezer" } as const;
    expect(deviceAlarm(frozen, reads("temperature", -12), [], NOW)).toBeUndefined();
    expect(deviceAlarm(frozen, reads("temperature", -11.9), [], NOW)).toEqual({ kind: "too-warm", now: -11.9, than: -12 });
  });
  test("calls where a fridge is above 8 °C", () => {
    expect(deviceAlarm(cold, reads("temperature", 8), [], NOW)).toBeUndefined();
    expect(deviceAlarm(cold, reads("temperature", 8.1), [], NOW)).toEqual({ kind: "too-warm", now: 8.1, than: 8 });
    expect(deviceAlarm({ ...cold, place: "counter" }, reads("temperature", 20), [], NOW)).toBeUndefined();
  });
  test("calls where an oven that was hot has fallen by more than 25 °C, and not while it comes up", () => {
    const at = (value: number, ...before: number[]) =>
      deviceAlarm({ ...roast, probeC: undefined }, reads("temperature", value), taken("temperature", ...before), NOW);
    expect(at(90, 40, 70)).toBeUndefined();
    expect(at(135, 160)).toBeUndefined();
    expect(at(134, 160)).toEqual({ kind: "too-cold", now: 134, than: 160 });
  });
  test("says nothing of what it does not measure by", () => {
    expect(deviceAlarm(roast, reads("ph", 3.9), [], NOW)).toBeUndefined();
  });
});
