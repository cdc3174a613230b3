// Simulated things of a kitchen: a pot, a dough, an oven, a fridge, a ferment, a meter. Each step is pure: the same state, seed and surroundings give
// the same run. Their constants are fitted to household things; they stand in for devices, they are no reference for them.
import { CalculationError, checked } from "../measures/calculation-error";
import { openSurfaceFlux } from "../measures/heat/cooling";
import { growthGamma } from "../measures/heat/pasteurise";
import { rounded } from "../measures/rounding";
import tables from "../measures/tables/heat.json";
import { seededRandom } from "../random";
import { normal } from "./random";

/** What a simulated step takes: its state, what the device is, what is around it, seconds of a step and how many of them. */
export interface StepInput<State, Params, Env> {
  readonly state: State;
  readonly params?: Params;
  readonly env: Env;
  readonly stepS: number;
  readonly steps?: number;
}

/** Runs a change of so many seconds over the whole of a step, in even pieces no longer than `longest`. */
export function inPieces<S extends object>(input: StepInput<S, unknown, unknown>, longest: number, change: (state: S, dt: number) => S): S {
  if (typeof input.state !== "object" || input.state === null)
    throw new CalculationError("state", "E_NOT_FINITE", "state: give the figures to start from.");
  const step = checked("stepS", input.stepS, 0.1, 86_400, "s");
  const steps = Math.round(checked("steps", input.steps ?? 1, 1, 20_000));
  const pieces = Math.max(1, Math.ceil(step / longest - 1e-9));
  let state = input.state;
  for (let i = 0; i < steps * pieces; i++) state = change(state, step / pieces);
  return state;
}

const figure = (group: string, of: object | undefined, key: string, low: number, high: number, fallback?: number) =>
  checked(`${group}.${key}`, (of as Record<string, unknown> | undefined)?.[key] ?? fallback, low, high);

interface PotState {
  readonly tempC: number;
  readonly t: number;
}

/**
 * A pot on a burner or beside it. At 100 °C the rest leaves as steam.
 * @param input state tempC, t; params massKg, cp; env tEnvC, uaWK, topM2 (0), airC, burnerW (0), wetness (0.6)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stepPot(
  input: StepInput<PotState, { readonly massKg: number; readonly cp: number }, Readonly<Record<string, number>>>,
): PotState {
  const env = (key: string, low: number, high: number, fallback?: number) => figure("env", input.env, key, low, high, fallback);
  const capacity = figure("params", input.params, "massKg", 0.01, 100) * figure("params", input.params, "cp", 500, 5000);
  const around = env("tEnvC", -40, 300);
  const [ua, top, air] = [env("uaWK", 0, 1e4), env("topM2", 0, 5, 0), env("airC", -40, 60, around)];
  const [burner, wetness] = [env("burnerW", 0, 20_000, 0), env("wetness", 0, 1, 0.6)];
  figure("state", input.state, "tempC", -20, 150);
  return inPieces(input, 10, (s, dt) => {
    const open = top > 0 ? top * openSurfaceFlux({ tSurface: s.tempC, tAir: air, wetness }).total : 0;
    const tempC = Math.min(100, s.tempC + ((burner - ua * (s.tempC - around) - open) / capacity) * dt);
    return { ...s, tempC, t: (s.t ?? 0) + dt };
  });
}

interface OvenState {
  readonly airC: number;
  readonly wallC: number;
  readonly heat: boolean;
  readonly preheated: boolean;
  readonly kWh: number;
  readonly t: number;
}

/**
 * An oven: its air, its walls, its thermostat. Its light goes out while the walls are still 50 degrees behind.
 * @param input state airC, wallC, heat, preheated, kWh, t; params powerW (2500); env setC, roomC (21), door 0–1 (0)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stepOven(input: StepInput<OvenState, Readonly<Record<string, number>>, Readonly<Record<string, number>>>): OvenState {
  const set = figure("env", input.env, "setC", 30, 350);
  const room = figure("env", input.env, "roomC", -10, 45, 21);
  const door = figure("env", input.env, "door", 0, 1, 0);
  const power = figure("params", input.params, "powerW", 200, 30_000, 2500);
  for (const key of ["airC", "wallC"]) figure("state", input.state, key, -20, 500);
  return inPieces(input, 2, (s, dt) => {
    const heat = s.airC < set - 3 ? true : s.airC > set + 3 ? false : s.heat;
    const exchanged = 25 * (s.airC - s.wallC);
    const air = (heat ? power : 0) - exchanged - 40 * (s.airC - room) * door;
    return {
      airC: s.airC + (air / 3000) * dt,
      wallC: s.wallC + ((exchanged - 4 * (s.wallC - room)) / 9500) * dt,
      heat,
      preheated: s.preheated === true || (s.heat === true && !heat),
      kWh: (s.kWh ?? 0) + (heat ? (power * dt) / 3.6e6 : 0),
      t: (s.t ?? 0) + dt,
    };
  });
}

interface FridgeState {
  readonly airC: number;
  readonly stuffC: number;
  readonly on: boolean;
  readonly t: number;
}

/**
 * A fridge: an open door moves its air, hardly its food.
 * @param input state airC, stuffC, on, t; env setC (4), roomC (21), doorOpen
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stepFridge(
  input: StepInput<FridgeState, object, { readonly setC?: number; readonly roomC?: number; readonly doorOpen?: boolean }>,
): FridgeState {
  const set = figure("env", input.env, "setC", 0, 12, 4);
  const room = figure("env", input.env, "roomC", -10, 45, 21);
  const leak = 1.1 + (input.env?.doorOpen === true ? 12 : 0);
  for (const key of ["airC", "stuffC"]) figure("state", input.state, key, -30, 60);
  return inPieces(input, 5, (s, dt) => {
    const on = s.airC > set + 1 ? true : s.airC < set - 1 ? false : s.on === true;
    const air = leak * (room - s.airC) + 6 * (s.stuffC - s.airC) - (on ? 110 : 0);
    return {
      airC: s.airC + (air / 4000) * dt,
      stuffC: s.stuffC + ((6 * (s.airC - s.stuffC)) / 30_000) * dt,
      on,
      t: (s.t ?? 0) + dt,
    };
  });
}

interface DoughState {
  readonly tempC: number;
  readonly active: number;
  /** Volume over that at the start. */
  readonly rise: number;
  readonly sugar: number;
  readonly t: number;
}

const YEAST = tables.CARDINAL.bakersYeast;

/**
 * A dough that rises and, left too long, sags.
 * @param input state tempC, active, rise, sugar, t; params yeastPct instant, massKg (1), maxRise (4); env roomC
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stepDough(input: StepInput<DoughState, Readonly<Record<string, number>>, { readonly roomC: number }>): DoughState {
  const yeast = figure("params", input.params, "yeastPct", 0.01, 5);
  const most = figure("params", input.params, "maxRise", 1.5, 6, 4);
  const tau = 90 * 60 * figure("params", input.params, "massKg", 0.05, 20, 1) ** (2 / 3);
  const room = figure("env", input.env, "roomC", -5, 45);
  for (const [key, high] of [
    ["tempC", 60],
    ["active", 1],
    ["rise", 6],
    ["sugar", 1],
  ] as const)
    figure("state", input.state, key, 0, high);
  return inPieces(input, 30, (s, dt) => {
    const gamma = growthGamma({ tempC: s.tempC, ...YEAST }).value;
    const hours = dt / 3600;
    const active = s.active + ((1 - s.active) / (25 * 60)) * Math.max(0.15, gamma) * dt;
    const gas = 1.9 * yeast ** 0.85 * gamma * active * s.sugar;
    const sag = Math.max(0, 0.25 * (s.rise - 0.85 * most));
    return {
      tempC: s.tempC + ((room - s.tempC) / tau) * dt,
      active,
      rise: s.rise + (gas * (1 - (s.rise - 1) / (most - 1)) - sag) * hours,
      sugar: Math.max(0, s.sugar - 0.18 * gas * hours),
      t: (s.t ?? 0) + dt,
    };
  });
}

interface FermentState {
  readonly x: number;
  readonly h: number;
}

const LACTIC = tables.CARDINAL.lacticMesophile;

/**
 * A ferment: the share of its souring that is done.
 * @param input state x 0–1, h; params saltPct 0–9 (2); env tempC
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stepFerment(input: StepInput<FermentState, Readonly<Record<string, number>>, { readonly tempC: number }>): FermentState {
  const salt = figure("params", input.params, "saltPct", 0, 9, 2);
  const rate = 0.16 * growthGamma({ tempC: figure("env", input.env, "tempC", -5, 60), ...LACTIC }).value * (1 - salt / 10);
  figure("state", input.state, "x", 0, 1);
  return inPieces(input, 300, (s, dt) => ({ x: s.x + rate * s.x * (1 - s.x) * (dt / 3600), h: (s.h ?? 0) + dt / 3600 }));
}

/**
 * Readings of a simulated pH meter: now and then none, or a spike; it drifts by a hundredth a day.
 * @param input truePh 2–9; hours since it was calibrated 0–10000; seed; reads 1–1000; offset −1–1 (0)
 * @returns value: readings to 0.01, null where it dropped out
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function readPhMeter(input: {
  readonly truePh: number;
  readonly hours: number;
  readonly seed: number;
  readonly reads: number;
  readonly offset?: number;
}): { readonly value: readonly (number | null)[] } {
  const ph = checked("truePh", input.truePh, 2, 9);
  const shift = checked("offset", input.offset ?? 0, -1, 1) + (0.01 * checked("hours", input.hours, 0, 10_000, "h")) / 24;
  const draw = seededRandom(checked("seed", input.seed, -(2 ** 31), 2 ** 32));
  const value = Array.from({ length: Math.round(checked("reads", input.reads, 1, 1000)) }, () => {
    const u = draw();
    const z = normal(draw);
    if (u < 0.02) return null;
    return u < 0.025 ? 14 : rounded(ph + shift + 0.03 * z, 2);
  });
  return { value };
}
