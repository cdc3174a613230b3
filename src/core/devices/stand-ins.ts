// Simulated devices that ship with Rondeau: each steps a model of its thing and says what a household instrument would read of it.
import { seededRandom } from "../random";
import { type JointParams, type JointState, roastParams, smokedParams, stepRoast, stepSmokedJoint } from "./joint";
import type { DeviceQuantity } from "./line";
import { normal } from "./random";
import { readPhMeter, stepDough, stepFerment, stepFridge, stepPot } from "./simulate";

interface StandIn {
  readonly name: string;
  readonly quantity: DeviceQuantity;
  /** Moves its thing on by so many seconds, and reads it. Null: it reads nothing this time. */
  readonly next: (seconds: number) => number | null;
}

/** A reading in steps of so much, with the noise of its instrument; now and then none. */
function instrument(seed: number, step: number, noise: number): (value: number) => number | null {
  const draw = seededRandom(seed);
  return (value) => {
    const lost = draw() < 0.005;
    const read = Math.round((value + noise * normal(draw)) / step) * step;
    return lost ? null : Number(read.toFixed(3));
  };
}

const longStep = (seconds: number) => ({ stepS: Math.min(seconds, 60), steps: Math.max(1, Math.round(seconds / Math.min(seconds, 60))) });

const KINDS = {
  roast: (seed) => joint("Probe in a roast", roastParams({ massKg: 1.6 }), 160, stepRoast, seed),
  smoker: (seed) => joint("Probe in a smoker", smokedParams({ massKg: 3.5 }), 115, stepSmokedJoint, seed),
  bath: (seed) => {
    const read = instrument(seed, 0.1, 0.04);
    let state = { tempC: 20, t: 0 };
    return {
      name: "Water bath",
      quantity: "temperature",
      next: (seconds) => {
        // A heater that is full on until half a degree before its setting, then as much as the bath loses.
        const burnerW = state.tempC < 53.7 ? 1100 : state.tempC < 54.3 ? 90 : 0;
        state = stepPot({ state, params: { massKg: 12, cp: 4186 }, env: { tEnvC: 21, uaWK: 2.7, burnerW }, ...longStep(seconds) });
        return read(state.tempC);
      },
    };
  },
  pot: (seed) => {
    const read = instrument(seed, 0.1, 0.1);
    let state = { tempC: 96, t: 0 };
    return {
      name: "Cooling pot",
      quantity: "temperature",
      next: (seconds) => {
        state = stepPot({ state, params: { massKg: 6, cp: 3900 }, env: { tEnvC: 20, uaWK: 2.4, topM2: 0.06 }, ...longStep(seconds) });
        return read(state.tempC);
      },
    };
  },
  dough: (seed) => {
    const read = instrument(seed, 0.1, 0.05);
    let state = { tempC: 25, active: 0.3, rise: 1, sugar: 1, t: 0 };
    return {
      name: "Height of a dough",
      quantity: "height",
      next: (seconds) => {
        state = stepDough({ state, params: { yeastPct: 0.4, massKg: 1.2 }, env: { roomC: 23 }, ...longStep(seconds) });
        return read(8 * state.rise);
      },
    };
  },
  fridge: (seed) => {
    const read = instrument(seed, 0.1, 0.1);
    let state = { airC: 4, stuffC: 4.5, on: false, t: 0 };
    return {
      name: "Fridge",
      quantity: "temperature",
      next: (seconds) => {
        state = stepFridge({ state, env: { setC: 4, roomC: 22 }, ...longStep(seconds) });
        return read(state.airC);
      },
    };
  },
  ph: (seed) => {
    let state = { x: 0.02, h: 0 };
    return {
      name: "pH meter",
      quantity: "ph",
      next: (seconds) => {
        state = stepFerment({ state, params: { saltPct: 2.2 }, env: { tempC: 20 }, ...longStep(seconds) });
        const { value } = readPhMeter({ truePh: 6.2 - 2.6 * state.x, hours: state.h, seed: seed + Math.round(state.h * 3600), reads: 1 });
        return value[0] ?? null;
      },
    };
  },
  scale: (seed) => {
    const read = instrument(seed, 1, 0.4);
    let grams = 1840;
    return {
      name: "Scale under a ham",
      quantity: "weight",
      // It dries by a third in five weeks, slower and slower.
      next: (seconds) => {
        grams -= ((grams - 1150) * seconds) / (35 * 86_400);
        return read(grams);
      },
    };
  },
} as const satisfies Record<string, (seed: number) => StandIn>;

export type StandInKind = keyof typeof KINDS;
export const STAND_IN_KINDS = Object.keys(KINDS) as [StandInKind, ...StandInKind[]];

/** A new one of a kind. The same seed gives the same readings. */
export const standIn = (kind: StandInKind, seed: number): StandIn => KINDS[kind](seed);

function joint(name: string, params: JointParams, chamberC: number, step: typeof stepRoast, seed: number): StandIn {
  const read = instrument(seed, 0.1, 0.3);
  let state: JointState = { core: 6, mid: 6, rim: 6, surface: 6, lostKg: 0, t: 0 };
  return {
    name,
    quantity: "core",
    next: (seconds) => {
      state = step({ state, params, env: { chamberC }, ...longStep(seconds) });
      return read(state.core);
    },
  };
}
