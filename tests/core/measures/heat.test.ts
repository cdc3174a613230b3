// The reference's vectors of heat: cooling, ice, verdicts, pasteurising, warming. Figures within their tolerance, or within 2e-6 of themselves.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { MEASURES } from "../../../src/core/catalogue";
import * as joint from "../../../src/core/devices/joint";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import * as compare from "../../../src/core/measures/heat/compare-cooling";
import * as conduction from "../../../src/core/measures/heat/conduction";
import * as forecast from "../../../src/core/measures/heat/forecast";
import * as ice from "../../../src/core/measures/heat/ice";
import * as roast from "../../../src/core/measures/heat/roast";
import * as verdicts from "../../../src/core/measures/heat/verdicts";
import * as warming from "../../../src/core/measures/heat/warming";
import type { Loose } from "../../support/dishes";

const vectors: Loose[] = JSON.parse(readFileSync(new URL("../../data/vectors-heat.json", import.meta.url), "utf8"));
const outcome = (name: string, input: Loose): Loose => {
  try {
    return (MEASURES[name] as (typeof MEASURES)[string]).run(input as never);
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field };
    throw error;
  }
};

/** What differs between a result and what is wanted of it; keys that are not wanted are not looked at. */
const differs = (got: Loose, want: Loose, tolerance: number, path = ""): string[] => {
  if (want === "Infinity") return got === Number.POSITIVE_INFINITY ? [] : [`${path}: ${got}, not Infinity`];
  if (typeof want === "number") {
    const allowed = want === 0 ? 0 : Math.max(path.endsWith("alpha") ? 0 : tolerance, 2e-6 * Math.abs(want));
    return typeof got === "number" && Math.abs(got - want) <= allowed ? [] : [`${path}: ${got}, not ${want}`];
  }
  if (typeof want === "object" && want !== null)
    return Object.entries(want).flatMap(([key, value]) => differs(got?.[key], value, tolerance, `${path}.${key}`));
  return got === want ? [] : [`${path}: ${got}, not ${want}`];
};

test.each(vectors.map((v) => [v.function, JSON.stringify(v.input), v] as const))("%s %s", (_, __, v) => {
  const got = outcome(v.function, v.input);
  if (v.output.error) expect(got.error).toMatch(/^E_/);
  else expect(differs(got, v.output, v.tolerance)).toEqual([]);
});

test("there is a calculation for every vector, none is passed over", () => {
  expect(vectors.map((v) => v.function).filter((name) => !Object.hasOwn(MEASURES, name))).toEqual([]);
});

describe("the solver against the analytic series", () => {
  // Biot numbers from a bag in a bath to a tray in still air.
  test.each([
    ["slab", 0.3],
    ["slab", 5],
    ["slab", 80],
    ["cylinder", 0.3],
    ["cylinder", 5],
    ["cylinder", 80],
    ["sphere", 2],
  ] as const)("%s at Bi %f: within one per cent", (geometry, bi) => {
    const halfM = 0.04;
    const [k, rho, cp] = [0.5, 1050, 3700];
    for (const fo of [0.1, 0.3, 1]) {
      const seconds = (fo * halfM ** 2 * rho * cp) / k;
      const input = { geometry, halfM, k, rho, cp, t0: 100, tEnv: 0, h: (bi * k) / halfM, seconds, stepS: 10, nodes: 80 };
      const got = conduction.conductionAt(input);
      const at = (position: number) => warming.seriesTheta({ shape: geometry, bi, fo, position, terms: 20 }).value * 100;
      expect(Math.abs(got.coreC - at(0))).toBeLessThan(1);
      expect(Math.abs(got.surfaceC - at(1))).toBeLessThan(1);
    }
  });
  test("no heat is lost or made where nothing leaves the surface", () => {
    const body = conduction.makeConduction({ geometry: "cylinder", halfM: 0.05, k: 0.5, rho: 1000, cp: 4000, t0: 60, tEnv: 5, h: 0 });
    for (let i = 0; i < 200; i++) body.step(60);
    expect(body.mean()).toBeCloseTo(60, 8);
  });
});

describe("what a cook has to be able to rely on", () => {
  const flat = (halfM: number) =>
    conduction.conductionTimes({
      geometry: "slab",
      halfM,
      k: 0.52,
      rho: 1060,
      cp: 3700,
      t0: 90,
      h: 12,
      tEnv: 3.5,
      marks: [57, 21, 5],
      stepS: 60,
    }).timesS;
  test("twice as deep cools more than twice as long", () => {
    expect(flat(0.05)[21] as number).toBeGreaterThan(2 * (flat(0.025)[21] as number));
  });
  test("a reheat never takes time back, and cooking only up to four hours", () => {
    const out = { place: "counter", minutes: 130, fromC: 20, toC: 20 };
    const heated = { place: "pan", minutes: 10, fromC: 20, toC: 80 };
    const reheated = verdicts.dangerZoneAccount({ legs: [out, heated, out] });
    expect(reheated.verdict).toBe("discard");
    const cooked = verdicts.dangerZoneAccount({ legs: [out, { ...heated, cookStep: true }, out] });
    expect([cooked.verdict, cooked.totalMin]).toEqual(["useNow", 130]);
    expect(verdicts.dangerZoneAccount({ legs: [out, out, { ...heated, cookStep: true }] }).verdict).toBe("discard");
  });
  test("a cooling still running past its two hours has failed, not merely not ended", () => {
    expect(verdicts.judgeCooling({ times: { t57: 0, t21: null, t5: null }, lastSeconds: 7201 }).verdict).toBe("fail1");
    expect(verdicts.judgeCooling({ times: { t57: 0, t21: 3000, t5: null }, lastSeconds: 6 * 3600 + 1 }).verdict).toBe("fail2");
  });
  test("a thick pot that nobody stirs is not saved by a bath of ice; stirred, it is", () => {
    const ways = (stirred: boolean) => {
      const { rows } = compare.compareCooling({ volumeL: 6, food: "thickSauce", potDiameterCm: 26, stirred });
      return Object.fromEntries(rows.map((r) => [r.method, r]));
    };
    const [still, stirred] = [ways(false), ways(true)];
    expect([still.iceBathStill?.verdict, stirred.iceBathStirred?.verdict]).toEqual(["fail1", "ok"]);
    expect(still.potFridgeAtOnce?.t21Min ?? Number.POSITIVE_INFINITY).toBeGreaterThan(stirred.potFridgeAtOnce?.t21Min as number);
  });
  test("a fridge at five degrees never brings food to five", () => {
    const { rows } = compare.compareCooling({ volumeL: 3, food: "waterStock", potDiameterCm: 22, fridgeC: 5 });
    expect(rows.find((r) => r.method === "potFridgeAtOnce")).toMatchObject({ t5Min: null, verdict: "fail1" });
  });
  test("ice keeps its books", () => {
    const kg = ice.iceForTarget({ stockKg: 4, stockC: 95, targetC: 21 }).value;
    expect(ice.iceBalance({ stockKg: 4, stockC: 95, iceKg: kg }).tempC).toBeCloseTo(21, 6);
    const split = ice.recipeSplitWithIce({ finalKg: 6, hotC: 95, targetC: 30 });
    expect(split.concentrateKg + split.iceKg).toBeCloseTo(6, 9);
    expect(ice.iceBalance({ stockKg: split.concentrateKg, stockC: 95, iceKg: split.iceKg }).tempC).toBeCloseTo(30, 6);
  });
  test("no figure that is none, whatever is put in", () => {
    const figures = (value: unknown): number[] =>
      typeof value === "number" ? [value] : typeof value === "object" && value !== null ? Object.values(value).flatMap(figures) : [];
    for (const v of vectors)
      for (const key of Object.keys(v.input))
        for (const broken of ["constructor", "__proto__", null, [], {}, Number.NaN])
          for (const figure of figures(outcome(v.function, { ...v.input, [key]: broken }))) expect(Number.isNaN(figure)).toBe(false);
  });
});

describe("the forecast of a roast", () => {
  test("holds what a simulated roast then does, ever closer", () => {
    for (const massKg of [1, 2, 3.5]) {
      const params = joint.roastParams({ massKg });
      let state = { core: 7, mid: 7, rim: 7, surface: 7, lostKg: 0, t: 0 };
      const readings: [number, number][] = [];
      while (state.core < 54 && state.t < 36_000) {
        readings.push([state.t / 60, Math.round(state.core * 10) / 10]);
        state = simulateMinutes(state, params);
      }
      const ends = state.t / 60;
      const halfM = roast.equivalentHalf({ massKg, shape: "sphere" }).value * 0.85;
      const widths = [0.3, 0.6, 0.9].map((part) => {
        const until = readings.slice(0, Math.floor(readings.length * part));
        const minute = (until[until.length - 1] as [number, number])[0];
        const f = forecast.roastForecast({ readings: until, targetC: 54, chamberC: 180, halfM });
        expect(f.status).toBe("forecast");
        expect(minute + (f.lowMin as number)).toBeLessThanOrEqual(ends);
        expect(minute + (f.highMin as number)).toBeGreaterThanOrEqual(ends);
        return (f.highMin as number) - (f.lowMin as number);
      });
      expect(widths[2] as number).toBeLessThan(widths[0] as number);
    }
  });
  test("says that nothing is known, that it is done, or that it never will be", () => {
    const at = (readings: [number, number | null][], chamberC = 180) =>
      forecast.roastForecast({ readings, targetC: 60, chamberC, halfM: 0.06 }).status;
    expect([at([]), at([[0, null]]), at([[0, 61]]), at([[0, 10]], 58)]).toEqual(["noData", "noData", "done", "never"]);
  });
});

function simulateMinutes(state: joint.JointState, params: joint.JointParams): joint.JointState {
  return joint.stepRoast({ state, params, env: { chamberC: 180 }, stepS: 60, steps: 2 });
}
