// Forecasts of a finish against simulated roasts, joints in a smoker and cooling pots: in how many runs the true finish lies in the band that was told
// at half of the true time, and how far off the likely one is. The simulators know thickness, wetness, the oven's error and the draught of each run;
// the forecast is told what a cook sees: readings, the setting and the aim. ./rondeau bench forecasts [RUNS] [SEED]
import { type JointParams, type JointState, roastParams, smokedParams, stepRoast, stepSmokedJoint } from "../src/core/devices/joint";
import { normal } from "../src/core/devices/random";
import { stepPot } from "../src/core/devices/simulate";
import { seededRandom } from "../src/core/random";
import type { Taken } from "../src/core/record/entries";
import { probeForecast } from "../src/core/record/probe-forecast";
import { coolingForecast } from "../src/core/view/cooling-forecast";
import type { ViewPlace } from "../src/core/view/plan-view";

const RUNS = Number(process.argv[2] ?? 200);
const SEED = Number(process.argv[3] ?? 1);
const START = 100_000;
/** The first limit of cooling. */
const COOLED_C = 21;

interface Told {
  readonly at: number;
  readonly low: number;
  readonly high: number;
}
interface Simulated {
  /** Minutes from the start to the aim. */
  readonly end: number;
  readonly readings: readonly (readonly [minute: number, value: number])[];
  readonly forecast: (taken: readonly Taken[]) => Told | undefined;
}
type Draw = () => number;
const between = (draw: Draw, low: number, high: number) => low + (high - low) * draw();
const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** Readings once in so many minutes, with the noise of a probe, now and then none. */
function read(draw: Draw, every: number, noise: number, minutes: number, value: number): [number, number][] {
  return minutes % every !== 0 || draw() < 0.02 ? [] : [[minutes, Math.round((value + noise * normal(draw)) * 10) / 10]];
}

function joint(draw: Draw, smoked: boolean): Simulated {
  const massKg = smoked ? between(draw, 2, 6) : 0.8 * 5 ** draw();
  const slim = between(draw, 0.65, 0.95);
  const plain = smoked ? smokedParams({ massKg, slim }) : roastParams({ massKg, slim });
  const params: JointParams = {
    ...plain,
    hConv: plain.hConv * between(draw, 0.75, 1.35),
    hRad: plain.hRad * between(draw, 0.8, 1.2),
    wetness0: plain.wetness0 * between(draw, 0.65, 1.35),
    dryKg: plain.dryKg * between(draw, 0.65, 1.35),
  };
  const set = smoked ? 5 * Math.round(between(draw, 107, 130) / 5) : 10 * Math.round(between(draw, 140, 200) / 10);
  const target = Math.round(smoked ? between(draw, 88, 95) : between(draw, 52, 74));
  const chamberC = set + (smoked ? 6 : 8) * normal(draw);
  const from = between(draw, 4, 14);
  let state: JointState = { core: from, mid: from, rim: from, surface: from, lostKg: 0, t: 0 };
  const step = smoked ? stepSmokedJoint : stepRoast;
  const readings: [number, number][] = [];
  let minutes = 0;
  for (; state.core < target && minutes < 40 * 60; minutes++) {
    readings.push(...read(draw, 2, 0.3, minutes, state.core));
    state = step({ state, params, env: { chamberC }, stepS: 60 });
  }
  const view = { start: START, probeC: target, tempC: set, name: smoked ? "Smoke" : "Roast", note: undefined, cue: undefined };
  return { end: minutes, readings, forecast: (taken) => probeForecast(view, taken) };
}

/** A pot beside the stove, in an ice bath, in cold water or in the fridge, from near the boil down to 21 °C. */
function pot(draw: Draw): Simulated {
  const ways: readonly {
    readonly place: ViewPlace;
    readonly around: [number, number];
    readonly ua: [number, number];
  }[] = [
    { place: "counter", around: [16, 19], ua: [3, 6] },
    { place: "counter", around: [1, 4], ua: [8, 22] },
    { place: "counter", around: [10, 14], ua: [6, 16] },
    { place: "fridge", around: [2.5, 4.5], ua: [2, 5] },
  ];
  const way = ways[Math.floor(draw() * ways.length)] as (typeof ways)[number];
  const massKg = 1.5 * 6 ** draw();
  const around = between(draw, ...way.around);
  const env = {
    tEnvC: around,
    airC: way.place === "fridge" ? around : between(draw, 17, 24),
    uaWK: between(draw, ...way.ua) * (massKg / 4) ** (2 / 3),
    topM2: between(draw, 0.02, 0.06),
    wetness: between(draw, 0.1, 0.9),
  };
  if (way.ua[1] < 7) env.airC = around;
  let state = { tempC: between(draw, 80, 97), t: 0 };
  const readings: [number, number][] = [];
  let minutes = 0;
  for (; state.tempC > COOLED_C && minutes < 40 * 60; minutes++) {
    readings.push(...read(draw, 2, 0.15, minutes, state.tempC));
    state = stepPot({ state, params: { massKg, cp: between(draw, 3700, 4100) }, env, stepS: 60 });
  }
  const checks = [{ afterMinutes: 120, ask: `${COOLED_C} °C or less`, otherwise: "" }];
  return {
    end: minutes,
    readings,
    forecast: (taken) => {
      const found = coolingForecast({ start: START, place: way.place }, taken, checks);
      return found?.at === undefined || found.low === undefined || found.high === undefined
        ? undefined
        : { at: found.at, low: found.low, high: found.high };
    },
  };
}

function measured(name: string, run: (draw: Draw) => Simulated): void {
  const draw = seededRandom(SEED);
  const errors: number[] = [];
  const widths: number[] = [];
  let [within, below, none] = [0, 0, 0];
  for (let i = 0; i < RUNS; i++) {
    const { end, readings, forecast } = run(draw);
    const until = readings.filter(([m]) => m <= end / 2);
    const quantity = name === "cooling pots" ? "temperature" : "core";
    const taken = until.map(([m, value], n): Taken => ({ id: n + 1, at: (START + m) * 60_000, quantity, value, device: "probe" }));
    const told = forecast(taken);
    if (!told) {
      none++;
      continue;
    }
    const truth = START + end;
    errors.push(Math.abs(told.at - truth) / end);
    widths.push((told.high - told.low) / end);
    if (truth < told.low) below++;
    else if (truth <= told.high) within++;
  }
  const middle = (all: number[]) => all.sort((a, b) => a - b)[all.length >> 1] ?? 0;
  process.stdout.write(
    `${name.padEnd(14)} ${RUNS} runs: in the band ${percent(within / RUNS)} (earlier ${percent(below / RUNS)}, none told ${percent(none / RUNS)}); ` +
      `median error ${percent(middle(errors))} of the whole time, band ${percent(middle(widths))} of it\n`,
  );
}

measured("roasts", (draw) => joint(draw, false));
measured("smoked joints", (draw) => joint(draw, true));
measured("cooling pots", pot);
