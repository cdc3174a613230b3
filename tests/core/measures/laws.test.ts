// What physics and bookkeeping say whatever the figures: more is more, mixtures keep their mass, conversions come back.

import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { boilingPoint, pressureCookerTemp } from "../../../src/core/measures/boiling";
import { brineStrength, cureTimeRule, desalt, equilibriumBrine, gradientBrine, vegetableSalt } from "../../../src/core/measures/brine";
import { curingSaltDose, nitritePpm } from "../../../src/core/measures/curing-salt";
import { diffusionDays, diffusionFraction, saturation } from "../../../src/core/measures/diffusion";
import { bakersToGrams, gramsToBakers, prefermentSplit, yeastConvert } from "../../../src/core/measures/dough";
import { fermentPh } from "../../../src/core/measures/ferment";
import { quickThaw, thawEnthalpySlab } from "../../../src/core/measures/heat/thaw";
import { pickleAcidity, shelfStableClaim, vinegarForAcidity } from "../../../src/core/measures/pickle";
import { fermentSchedule, fermentTimeConstant, relativeRate, yeastForSchedule } from "../../../src/core/measures/proofing";
import { saltAfterReduction, saltToFinish, topUpPlan } from "../../../src/core/measures/reduction";
import { stockGelatin } from "../../../src/core/measures/thickening";
import { convertLength, convertMass, convertTemperature, convertVolume } from "../../../src/core/measures/units";
import { dryingYield } from "../../../src/core/measures/yields";

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const shapes = fc.constantFrom("slab" as const, "cylinder" as const, "sphere" as const);
const holds = (property: fc.IProperty<never> | ReturnType<typeof fc.property>) =>
  fc.assert(property as fc.IProperty<unknown>, { numRuns: 300, seed: 6 });

describe("units", () => {
  test("come back as they went", () => {
    const there = (convert: (i: never) => { value: number }, list: readonly string[], more = {}) =>
      holds(
        fc.property(between(1, 5000), fc.constantFrom(...list), fc.constantFrom(...list), (value, a, b) => {
          const gone = convert({ value, from: a, to: b, ...more } as never).value;
          fc.pre(gone > 0.5 && gone < 1e6);
          const back = convert({ value: gone, from: b, to: a, ...more } as never).value;
          expect(Math.abs(back - value)).toBeLessThan(Math.max(0.012, value * 1e-3));
        }),
      );
    there(convertMass, ["mg", "g", "kg", "oz", "lb"]);
    there(convertVolume, ["mL", "dL", "L", "tsp", "tbsp", "cup", "pint"], { system: "us" });
    there(convertLength, ["mm", "cm", "m", "in", "ft"]);
    there(convertTemperature, ["C", "F", "K"]);
  });
});

describe("dough", () => {
  test("percentages and weights are the same thing twice", () => {
    holds(
      fc.property(between(100, 5000), between(50, 90), between(1, 3), (flourG, water, salt) => {
        const { grams } = bakersToGrams({ flourG, percents: { water, salt } });
        const back = gramsToBakers({
          flours: { flour: grams.flour as number },
          others: { water: grams.water as number, salt: grams.salt as number },
        });
        expect(back.percents.water).toBeCloseTo(water, 0);
        expect(back.percents.salt).toBeCloseTo(salt, 1);
      }),
    );
  });
  test("a preferment takes nothing and adds nothing", () => {
    holds(
      fc.property(between(500, 5000), between(5, 35), between(50, 125), between(0, 100), (flourG, pct, hydration, inoculationPct) => {
        const s = prefermentSplit({
          flourG,
          waterG: flourG * 0.7,
          prefermentedFlourPct: pct,
          prefermentHydrationPct: hydration,
          inoculationPct,
        });
        expect(Math.abs(s.prefermentG + s.finalFlourG + s.finalWaterG - flourG * 1.7)).toBeLessThan(0.3);
      }),
    );
  });
  test("rates have no step in them, and rise up to the organism's best", () => {
    for (const [organism, best, end] of [
      ["yeast", 35, 50],
      ["sourdough", 30, 40],
    ] as const) {
      for (let t = 0; t < best - 0.1; t += 0.1) expect(relativeRate(t + 0.1, organism)).toBeGreaterThan(relativeRate(t, organism));
      for (const joint of [10, best]) expect(relativeRate(joint + 1e-6, organism)).toBeCloseTo(relativeRate(joint - 1e-6, organism), 5);
      expect([relativeRate(-0.01, organism), relativeRate(end, organism)]).toEqual([0, 0]);
    }
  });
  test("warmer and with more yeast is never slower", () => {
    holds(
      fc.property(between(1, 33), between(0.05, 2), between(0.1, 2), (tempC, yeastPct, warmer) => {
        const { hours } = fermentTimeConstant({ tempC, yeastPct });
        expect(fermentTimeConstant({ tempC: tempC + warmer, yeastPct }).hours).toBeLessThanOrEqual(hours);
        expect(fermentTimeConstant({ tempC, yeastPct: yeastPct * 1.2 }).hours).toBeLessThanOrEqual(hours);
      }),
    );
  });
  test("the yeast for a schedule brings the dough there, and a stretch cut in two is the same stretch", () => {
    holds(
      fc.property(between(1, 6), between(6, 40), between(18, 26), between(2, 8), (room, cold, ambient, fridge) => {
        const segments = [
          { hours: room, ambientC: ambient },
          { hours: cold, ambientC: fridge },
        ];
        const { instantPct } = yeastForSchedule({ segments, startC: 24, tauH: 2 });
        fc.pre(instantPct >= 0.05);
        const whole = fermentSchedule({ segments, startC: 24, tauH: 2, yeastPct: instantPct });
        expect(Math.abs(whole.progressPct - 100)).toBeLessThanOrEqual(2);
        const halves = [segments[0], { hours: cold / 2, ambientC: fridge }, { hours: cold / 2, ambientC: fridge }] as typeof segments;
        expect(fermentSchedule({ segments: halves, startC: 24, tauH: 2, yeastPct: instantPct }).eqHours).toBeCloseTo(whole.eqHours, 1);
      }),
    );
    expect(yeastConvert({ g: yeastConvert({ g: 20, from: "fresh", to: "instant" }).g, from: "instant", to: "fresh" }).g).toBeCloseTo(20, 1);
  });
});

describe("brine and cure", () => {
  test("more water is a weaker brine, and no salt is lost in it", () => {
    holds(
      fc.property(between(10, 200), between(1000, 5000), between(1, 1000), (saltG, waterG, more) => {
        expect(brineStrength({ saltG, waterG: waterG + more }).pctOfWater).toBeLessThanOrEqual(brineStrength({ saltG, waterG }).pctOfWater);
        const e = equilibriumBrine({ meatG: waterG, waterG: more, targetPct: 2 });
        expect(Math.abs(e.saltG - ((waterG + more) * 2) / 100)).toBeLessThanOrEqual(0.05 + 1e-9);
        expect(e.predictedMeatSaltPct).toBeLessThanOrEqual(2.01);
        const v = vegetableSalt({ vegG: waterG, waterG: more, targetPct: 3, method: "brineEquilibrium" });
        expect(Math.abs(v.saltG - ((waterG + more) * v.equilibriumPct) / 100)).toBeLessThan(0.5);
      }),
    );
  });
  test("thicker cures longer, colder cures longer, longer salts more", () => {
    holds(
      fc.property(between(10, 120), between(1, 20), between(0.5, 4), shapes, (thicknessMm, more, tempC, geometry) => {
        const days = diffusionDays({ geometry, thicknessMm, targetPct: 70, tempC });
        expect(days.days).toBeLessThanOrEqual(diffusionDays({ geometry, thicknessMm: thicknessMm + more, targetPct: 70, tempC }).days);
        expect(days.days).toBeGreaterThanOrEqual(diffusionDays({ geometry, thicknessMm, targetPct: 70, tempC: tempC + 1 }).days);
        expect(days.low).toBeLessThanOrEqual(days.days);
        expect(days.high).toBeGreaterThanOrEqual(days.days);
        expect(cureTimeRule({ thicknessMm }).days).toBeLessThanOrEqual(cureTimeRule({ thicknessMm: thicknessMm + more }).days);
        const brine = { waterG: 2000, pctOfWater: 6, thicknessMm, geometry, tempC };
        expect(gradientBrine({ ...brine, hours: 2 }).predictedMeatSaltPct).toBeLessThanOrEqual(
          gradientBrine({ ...brine, hours: 2 + more }).predictedMeatSaltPct,
        );
      }),
    );
  });
  test("the series is whole where its two forms meet, and the centre is behind the average", () => {
    for (const geometry of ["slab", "cylinder", "sphere"] as const)
      for (const [fo, width] of [[0.01, 1e-3]] as const) {
        const at = (f: number) => saturation(geometry, 1, 1, f);
        expect(Math.abs(at(fo + 1e-9).average - at(fo - 1e-9).average)).toBeLessThan(width);
        let last = -1;
        for (let f = 0; f < 3; f += 0.002) {
          const { average, centre } = at(f);
          expect(average).toBeGreaterThanOrEqual(last - 1e-9);
          expect(average).toBeGreaterThanOrEqual(centre - 1e-9);
          last = average;
        }
      }
  });
  test("half way is where the textbook has it", () => {
    const half = (geometry: "slab" | "cylinder" | "sphere", fo: number) =>
      expect(saturation(geometry, 1, 1, fo).average).toBeCloseTo(0.5, 2);
    half("slab", 0.197);
    half("cylinder", 0.063);
    half("sphere", 0.0305);
  });
  test("a slab agrees with the same law solved step by step within one per cent", () => {
    // An explicit difference scheme with no series in it.
    const nodes = 101;
    const dx = 1 / (nodes - 1);
    const dt = 0.4 * dx * dx;
    let c: number[] = Array.from({ length: nodes }, (_, i) => (i === 0 ? 1 : 0));
    let time = 0;
    for (const fo of [0.05, 0.2, 0.5, 1]) {
      while (time < fo) {
        const now = c;
        c = now.map((x, i) => {
          if (i === 0) return 1;
          const inner = now[i - 1] as number;
          const outer = i === nodes - 1 ? inner : (now[i + 1] as number);
          return x + (dt / dx ** 2) * (inner - 2 * x + outer);
        });
        time += dt;
      }
      const mean = (c.reduce((a, b) => a + b, 0) - ((c[0] as number) + (c[nodes - 1] as number)) / 2) * dx;
      const want = saturation("slab", 1, 1, time);
      expect(Math.abs(mean / want.average - 1)).toBeLessThan(0.01);
      expect(Math.abs((c[nodes - 1] as number) - want.centre)).toBeLessThan(0.01);
    }
  });
  test("a dose of curing salt is under its target and its cap, whatever is asked", () => {
    holds(
      fc.property(
        fc.constantFrom("comminuted", "immersion", "dry", "bacon_immersion", "bacon_dry"),
        between(50, 20_000),
        between(40, 200),
        between(1, 5000),
        (product, meatG, targetPpm, liquidG) => {
          fc.pre(targetPpm <= { comminuted: 156, immersion: 200, dry: 200, bacon_immersion: 120, bacon_dry: 200 }[product]);
          const dose = curingSaltDose({ product, meatG, liquidG, targetPpm });
          const checked = nitritePpm({ product, meatG, liquidG, cureG: dose.cureG });
          expect(checked.withinHomeCap).toBe(true);
          expect(checked.ppm).toBeLessThanOrEqual(targetPpm + 0.05);
        },
      ),
    );
  });
  test("every change of water takes salt out, and none puts any in", () => {
    holds(
      fc.property(between(1, 20), between(300, 3000), between(1, 24), (saltPct, waterG, hoursEach) => {
        const { steps } = desalt({ saltPct, foodG: 500, waterG, changes: 6, hoursEach, thicknessMm: 25 });
        for (const [i, s] of steps.entries()) expect(s).toBeLessThanOrEqual((steps[i - 1] ?? saltPct) + 0.005);
      }),
    );
  });
});

describe("pickle, ferment, pots", () => {
  test("a jar is no sourer than its brine, nor the brine than the bottle", () => {
    holds(
      fc.property(between(50, 2000), between(3, 12), between(0, 2000), between(0, 2000), (vinegar_mL, vinegarPct, water_mL, produceG) => {
        const a = pickleAcidity({ vinegar_mL, vinegarPct, water_mL, produceG });
        expect(a.equilibriumAcidPct).toBeLessThanOrEqual(a.brineAcidPct);
        expect(a.brineAcidPct).toBeLessThanOrEqual(vinegarPct + 0.005);
        const v = vinegarForAcidity({ total_mL: 1000, targetBrineAcidPct: 3, vinegarPct });
        expect(v.vinegar_mL + v.water_mL).toBe(1000);
        expect((v.vinegar_mL * vinegarPct) / 1000).toBeGreaterThanOrEqual(3 - 1e-9);
      }),
    );
  });
  test("the shelf is never promised", () => {
    const flag = fc.option(fc.boolean(), { nil: undefined });
    holds(
      fc.property(flag, flag, flag, flag, between(2, 9), (testedSource, unmodified, processedAsWritten, altitudeAdjusted, measuredPh) => {
        const said = shelfStableClaim({ testedSource, unmodified, processedAsWritten, altitudeAdjusted, measuredPh } as never);
        expect(JSON.stringify(said)).not.toMatch(/shelf.?stable/i);
        if (![testedSource, unmodified, processedAsWritten, altitudeAdjusted].every((f) => f === true))
          expect(said.claim).toBe("fridge_only");
      }),
    );
  });
  test("a ferment sours with time, inside its band", () => {
    holds(
      fc.property(between(0, 40), between(3, 32), between(1.5, 8), (days, tempC, saltPct) => {
        const { ph, low, high } = fermentPh({ days, tempC, saltPct });
        expect(low <= ph && ph <= high).toBe(true);
        expect(fermentPh({ days: days + 1, tempC, saltPct }).ph).toBeLessThanOrEqual(ph);
      }),
    );
  });
  test("a pot keeps its books", () => {
    holds(
      fc.property(between(500, 10_000), between(1, 24), between(50, 2000), between(0.4, 0.95), (start_mL, hours, mLph, minFraction) => {
        const p = topUpPlan({ start_mL, hours, mLph, minFraction });
        expect(Math.abs(start_mL + p.topUps * start_mL * (1 - minFraction) - p.totalLoss_mL - p.end_mL)).toBeLessThanOrEqual(1.1);
        expect(p.end_mL).toBeGreaterThanOrEqual(start_mL * minFraction - 1);
        const d = dryingYield({ startG: start_mL, moistureStartPct: 90, moistureEndPct: minFraction * 80 });
        expect(d.endG + d.waterLostG).toBeCloseTo(start_mL, 0);
      }),
    );
    holds(
      fc.property(between(500, 5000), between(0, 0.9), (finalG, currentSaltPct) => {
        const { saltG } = saltToFinish({ finalG, currentSaltPct, targetSaltPct: 1 });
        expect((((finalG * currentSaltPct) / 100 + saltG) / (finalG + saltG)) * 100).toBeCloseTo(1, 1);
        expect(saltAfterReduction({ saltPct: currentSaltPct, fraction: 0.5 }).saltPct).toBeCloseTo(currentSaltPct * 2, 1);
      }),
    );
    expect(stockGelatin({ sources: [{ kind: "pork_skin", g: 500 }], hours: 6, final_mL: 2000 }).pct).toBeGreaterThan(
      stockGelatin({ sources: [{ kind: "pork_skin", g: 500 }], hours: 3, final_mL: 2000 }).pct,
    );
  });
  test("water boils cooler higher up, and a cooker without pressure is a pot", () => {
    for (let h = -400; h < 5400; h += 100)
      expect(boilingPoint({ altitudeM: h + 100 }).celsius).toBeLessThanOrEqual(boilingPoint({ altitudeM: h }).celsius);
    for (const altitudeM of [0, 800, 2000])
      expect(pressureCookerTemp({ gaugeKPa: 0, altitudeM }).celsius).toBeCloseTo(boilingPoint({ altitudeM }).celsius, 0);
    expect(diffusionFraction({ geometry: "slab", thicknessMm: 50, days: 0 })).toEqual({ averagePct: 0, centrePct: 0 });
  });
});

test("the quick thaw of a panel stays within two hundredths of the fine one", () => {
  for (const [food, thicknessM, h] of [
    ["poultry", 0.05, 7],
    ["fish", 0.02, 120],
    ["stew", 0.08, 12],
  ] as const) {
    const input = { food, thicknessM, h, tMedium: 4 };
    const fine = thawEnthalpySlab({ ...input, dt: 0.4 }).seconds;
    const quick = thawEnthalpySlab({ ...input, ...quickThaw(input) }).seconds;
    expect(Math.abs(quick - fine) / fine, food).toBeLessThan(0.02);
  }
});
