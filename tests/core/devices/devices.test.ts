// Simulated devices behave as the things they stand in for: they keep their books, come to rest where they must, and are the same for one seed.
import { describe, expect, test } from "vitest";
import { roastParams, smokedParams, stepRoast, stepSmokedJoint } from "../../../src/core/devices/joint";
import { gauss, rng32 } from "../../../src/core/devices/random";
import { readPhMeter, stepDough, stepFerment, stepFridge, stepOven, stepPot } from "../../../src/core/devices/simulate";

const HOUR = 3600;

describe("a pot", () => {
  const pot = { massKg: 4, cp: 4186 };
  const run = (tempC: number, env: Readonly<Record<string, number>>, minutes: number) =>
    stepPot({ state: { tempC, t: 0 }, params: pot, env: { tEnvC: 21, uaWK: 8, ...env }, stepS: 60, steps: minutes });

  test("that loses nothing warms by what the burner puts in", () => {
    const { tempC, t } = run(20, { uaWK: 0, burnerW: 1500 }, 10);
    expect(t).toBe(600);
    expect(tempC - 20).toBeCloseTo((1500 * 600) / (4 * 4186), 6);
  });
  test("boils at a hundred degrees and no higher, however long", () => {
    expect(run(90, { burnerW: 3000 }, 120).tempC).toBe(100);
  });
  test("left alone comes to its room from both sides and never past it", () => {
    for (const from of [4, 95]) {
      const early = run(from, {}, 60).tempC;
      const late = run(from, {}, 60 * 48).tempC;
      expect(Math.abs(late - 21)).toBeLessThan(0.2);
      expect(Math.sign(early - 21)).toBe(Math.sign(from - 21));
      expect(Math.abs(early - 21)).toBeLessThan(Math.abs(from - 21));
    }
  });
  test("open at the top cools faster than covered, and the more so the hotter it is", () => {
    const lost = (from: number) => run(from, {}, 20).tempC - run(from, { topM2: 0.05 }, 20).tempC;
    expect(lost(95)).toBeGreaterThan(lost(60));
    expect(lost(60)).toBeGreaterThan(0);
  });
  test("is the same in one long stretch and in two halves", () => {
    const half = run(90, { topM2: 0.04 }, 30);
    const whole = run(90, { topM2: 0.04 }, 60).tempC;
    expect(stepPot({ state: half, params: pot, env: { tEnvC: 21, uaWK: 8, topM2: 0.04 }, stepS: 60, steps: 30 }).tempC).toBeCloseTo(
      whole,
      9,
    );
  });
});

describe("an oven", () => {
  const cold = { airC: 21, wallC: 21, heat: false, preheated: false, kWh: 0, t: 0 };
  const run = (minutes: number, env: Readonly<Record<string, number>> = {}) =>
    stepOven({ state: cold, env: { setC: 200, ...env }, stepS: 60, steps: minutes });

  test("says that it is hot while its walls are far behind, and they catch up", () => {
    let state = cold;
    let at = 0;
    while (!state.preheated && at < 120) {
      state = stepOven({ state, env: { setC: 200 }, stepS: 10 });
      at += 1 / 6;
    }
    expect(state.airC).toBeGreaterThan(195);
    expect(state.airC - state.wallC).toBeGreaterThan(30);
    expect(run(at + 30).wallC).toBeGreaterThan(state.wallC + 15);
  });
  test("then swings about its setting, on and off", () => {
    const states = Array.from({ length: 60 }, (_, i) => stepOven({ state: run(60), env: { setC: 200 }, stepS: 10, steps: i + 1 }));
    for (const s of states) expect(Math.abs(s.airC - 200)).toBeLessThan(15);
    expect(new Set(states.map((s) => s.heat)).size).toBe(2);
  });
  test("with its door open burns more for the same hour", () => {
    expect(run(90, { door: 1 }).kWh).toBeGreaterThan(run(90).kWh * 1.2);
  });
});

describe("a fridge", () => {
  const state = { airC: 4, stuffC: 4, on: false, t: 0 };
  test("keeps its food about where it is set", () => {
    expect(Math.abs(stepFridge({ state, env: { setC: 4 }, stepS: 60, steps: 24 * 60 }).stuffC - 4)).toBeLessThan(1.5);
  });
  test("whose door stands open warms its air at once and its food hardly", () => {
    const open = stepFridge({ state, env: { doorOpen: true }, stepS: 5, steps: 24 });
    expect(open.airC).toBeGreaterThan(6);
    expect(open.stuffC).toBeLessThan(4.5);
  });
});

describe("a dough", () => {
  const fresh = { tempC: 24, active: 0.2, rise: 1, sugar: 1, t: 0 };
  const risen = (hours: number, roomC: number, yeastPct = 1) =>
    stepDough({ state: fresh, params: { yeastPct }, env: { roomC }, stepS: 300, steps: hours * 12 });

  test("rises faster in the warm and with more yeast, hardly in the cold", () => {
    expect(risen(2, 27).rise).toBeGreaterThan(risen(2, 20).rise);
    expect(risen(2, 24, 2).rise).toBeGreaterThan(risen(2, 24, 0.5).rise);
    expect(risen(6, 4).rise).toBeLessThan(risen(6, 24).rise);
  });
  test("left too long has eaten its sugar and sags", () => {
    const best = Math.max(...[2, 3, 4, 5, 6, 8].map((h) => risen(h, 27).rise));
    const long = risen(40, 27);
    expect(long.sugar).toBeLessThan(0.35);
    expect(long.rise).toBeLessThan(best);
  });
});

describe("a ferment", () => {
  const sour = (days: number, tempC: number, saltPct = 2) =>
    stepFerment({ state: { x: 0.01, h: 0 }, params: { saltPct }, env: { tempC }, stepS: HOUR, steps: days * 24 });
  test("sours slowly at first, then fast, then comes to its end", () => {
    const [a, b, c, d] = [0, 2, 4, 20].map((days) => (days ? sour(days, 22).x : 0.01)) as [number, number, number, number];
    expect(b).toBeGreaterThan(a);
    expect(c - b).toBeGreaterThan(b - a);
    expect(d).toBeGreaterThan(0.99);
    expect(d).toBeLessThanOrEqual(1);
    expect(sour(2, 22).h).toBeCloseTo(48, 6);
  });
  test("is held back by salt and by cold", () => {
    expect(sour(3, 22, 5).x).toBeLessThan(sour(3, 22, 2).x);
    expect(sour(3, 10).x).toBeLessThan(sour(3, 22).x);
  });
});

describe("a meter of pH", () => {
  const read = (input: Partial<Parameters<typeof readPhMeter>[0]>) =>
    readPhMeter({ truePh: 4, hours: 0, seed: 7, reads: 1000, ...input }).value;
  test("reads the truth on the whole, now and then nothing, rarely nonsense", () => {
    const values = read({});
    const numbers = values.filter((v): v is number => v !== null && v < 10);
    expect(numbers.reduce((a, b) => a + b, 0) / numbers.length).toBeCloseTo(4, 2);
    expect(values.filter((v) => v === null).length).toBeGreaterThan(5);
    expect(values.filter((v) => v === 14).length).toBeLessThan(20);
  });
  test("drifts by a hundredth a day, and is off by what it is off by", () => {
    const mean = (v: readonly (number | null)[]) => {
      const n = v.filter((x): x is number => x !== null && x < 10);
      return n.reduce((a, b) => a + b, 0) / n.length;
    };
    expect(mean(read({ hours: 240 })) - mean(read({}))).toBeCloseTo(0.1, 2);
    expect(mean(read({ offset: -0.3 })) - mean(read({}))).toBeCloseTo(-0.3, 2);
  });
});

describe("a joint", () => {
  const start = (tempC: number) => ({ core: tempC, mid: tempC, rim: tempC, surface: tempC, lostKg: 0, t: 0 });
  const roasted = (minutes: number, chamberC = 160, massKg = 2, env: object = {}) =>
    stepRoast({ state: start(6), params: roastParams({ massKg }), env: { chamberC, ...env }, stepS: 60, steps: minutes });

  test("is warm from outside in, and a bigger one is later", () => {
    const s = roasted(90);
    expect(s.surface).toBeGreaterThan(s.rim);
    expect(s.rim).toBeGreaterThan(s.mid);
    expect(s.mid).toBeGreaterThan(s.core);
    expect(roasted(90, 160, 4).core).toBeLessThan(s.core);
  });
  test("never gets hotter inside than the oven, nor loses more than it may", () => {
    const s = roasted(60 * 12, 110);
    for (const t of [s.core, s.mid, s.rim, s.surface]) expect(t).toBeLessThanOrEqual(110);
    expect(s.lostKg).toBeLessThanOrEqual(0.8);
  });
  test("taken out goes on rising in the middle while its rim cools", () => {
    const out = roasted(100, 180);
    const rested = stepRoast({ state: out, params: roastParams({ massKg: 2 }), env: { chamberC: 21 }, stepS: 60, steps: 15 });
    expect(rested.core).toBeGreaterThan(out.core + 1);
    expect(rested.rim).toBeLessThan(out.rim);
  });
  test("in smoke stands still for hours while it dries, and goes on at once when it is wrapped", () => {
    const params = smokedParams({ massKg: 5 });
    const cores: number[] = [];
    let state = start(6);
    for (let hour = 0; hour < 14; hour++) {
      state = stepSmokedJoint({ state, params, env: { chamberC: 110 }, stepS: 60, steps: 60 });
      cores.push(state.core);
    }
    const gains = cores.slice(1).map((c, i) => c - (cores[i] as number));
    const steepest = Math.max(...gains);
    const slowest = Math.min(...gains.slice(gains.indexOf(steepest), 9));
    expect(slowest).toBeLessThan(steepest / 3);
    const stalled = stepSmokedJoint({ state: start(62), params, env: { chamberC: 110 }, stepS: 60, steps: 120 });
    const wrapped = stepSmokedJoint({ state: start(62), params, env: { chamberC: 110, wrapped: true }, stepS: 60, steps: 120 });
    expect(wrapped.core).toBeGreaterThan(stalled.core + 2);
  });
});

describe("chance", () => {
  test("is the same for one seed and another for another", () => {
    expect(rng32({ seed: 5, draws: 20 })).toEqual(rng32({ seed: 5, draws: 20 }));
    expect(rng32({ seed: 5, draws: 20 })).not.toEqual(rng32({ seed: 6, draws: 20 }));
    for (const u of rng32({ seed: 11, draws: 2000 }).value) {
      expect(u).toBeGreaterThanOrEqual(0);
      expect(u).toBeLessThan(1);
    }
  });
  test("is even, or normal, as it says", () => {
    const even = rng32({ seed: 3, draws: 10_000 }).value;
    const normal = gauss({ seed: 3, draws: 10_000 }).value;
    const mean = (v: readonly number[]) => v.reduce((a, b) => a + b, 0) / v.length;
    expect(mean(even)).toBeCloseTo(0.5, 1);
    expect(mean(normal)).toBeCloseTo(0, 1);
    expect(mean(normal.map((x) => x * x))).toBeCloseTo(1, 1);
  });
});

test.each([
  [
    "a pot of nothing",
    () => stepPot({ state: { tempC: 20, t: 0 }, params: { massKg: 0, cp: 4186 }, env: { tEnvC: 20, uaWK: 5 }, stepS: 60 }),
    "params.massKg",
  ],
  [
    "a pot that is nowhere",
    () => stepPot({ state: { tempC: Number.NaN, t: 0 }, params: { massKg: 1, cp: 4186 }, env: { tEnvC: 20, uaWK: 5 }, stepS: 60 }),
    "state.tempC",
  ],
  [
    "an oven hotter than any",
    () => stepOven({ state: { airC: 20, wallC: 20, heat: false, preheated: false, kWh: 0, t: 0 }, env: { setC: 900 }, stepS: 60 }),
    "env.setC",
  ],
  ["a step of no length", () => stepFridge({ state: { airC: 4, stuffC: 4, on: false, t: 0 }, env: {}, stepS: 0 }), "stepS"],
  ["a joint without weight", () => roastParams({ massKg: 0 }), "massKg"],
  ["no draws", () => rng32({ seed: 1, draws: 0 }), "draws"],
])("%s is refused by the name of what is wrong", (_, run, name) => {
  expect(run).toThrow(expect.objectContaining({ field: name }));
});
