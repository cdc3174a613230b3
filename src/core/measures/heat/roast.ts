// Roasts: size as a sphere, time constant, the peak after pulling, wet bulb and the stall. Priors for a plan: ± 30 %; the probe decides.
// Sources: ASHRAE Fundamentals 2017; Carslaw & Jaeger 1959; wetness fitted to joints of 2 kg. Carry-over is never counted on for safety.
import { CalculationError, checked, row } from "../calculation-error";
import { type Body, makeConduction } from "./conduction";
import { vapourPressure } from "./cooling";
import { seriesRoots } from "./warming";

/**
 * Wet-bulb temperature.
 * @param input dryC −10–300; vapourPa 0–99 % of the pressure; pressurePa 50000–110000 (101325)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function wetBulb(input: { readonly dryC: number; readonly vapourPa: number; readonly pressurePa?: number }) {
  const dry = checked("dryC", input.dryC, -10, 300, "°C");
  const pressure = checked("pressurePa", input.pressurePa ?? 101_325, 50_000, 110_000, "Pa");
  const vapour = checked("vapourPa", input.vapourPa, 0, 0.99 * pressure, "Pa");
  const ratio = (p: number) => (0.622 * p) / (pressure - p);
  const has = ratio(vapour);
  let [low, high] = [-30, Math.min(dry, 99)];
  for (let i = 0; i < 100; i++) {
    const t = (low + high) / 2;
    const wets = ((2501 - 2.381 * t) * ratio(vapourPressure(t)) - 1.006 * (dry - t)) / (2501 + 1.805 * dry - 4.186 * t);
    if (wets < has) low = t;
    else high = t;
  }
  return { value: (low + high) / 2 };
}

/**
 * Temperature at which a wet surface in a smoker stands still.
 * @param input pitC 60–200; vapourPa 0–50000 (3000); hTotal 2–100 (16); hConvFrac 0.05–1 (0.5); wetness 0.01–1 (0.25)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stallTemperature(input: {
  readonly pitC: number;
  readonly vapourPa?: number;
  readonly hTotal?: number;
  readonly hConvFrac?: number;
  readonly wetness?: number;
}) {
  const pit = checked("pitC", input.pitC, 60, 200, "°C");
  const air = checked("vapourPa", input.vapourPa ?? 3000, 0, 50_000, "Pa");
  const h = checked("hTotal", input.hTotal ?? 16, 2, 100, "W/m²K");
  const steam = (checked("wetness", input.wetness ?? 0.25, 0.01, 1) * checked("hConvFrac", input.hConvFrac ?? 0.5, 0.05, 1) * h) / 66.5;
  let [low, high] = [0, Math.min(pit, 100)];
  for (let i = 0; i < 100; i++) {
    const t = (low + high) / 2;
    if (h * (pit - t) > steam * (vapourPressure(t) - air)) low = t;
    else high = t;
  }
  return { value: (low + high) / 2 };
}

const MEAT_DENSITY = 1060;
const SIZES: Readonly<Record<string, (volume: number, lengthM: number) => number>> = {
  sphere: (v) => ((3 * v) / (4 * Math.PI)) ** (1 / 3),
  log: (v, length) => {
    const r = Math.sqrt(v / (Math.PI * length));
    return (3 * v) / (2 * Math.PI * r * length + 2 * Math.PI * r * r);
  },
  cylinder: (v, length) => Math.sqrt(v / (Math.PI * length)),
};

/**
 * Radius that stands for a joint, m. Bone-in joints and birds: 0.85 of the sphere.
 * @param input massKg 0.05–20; shape sphere, log, cylinder; lengthM 0.03–1.5 for the last two
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function equivalentHalf(input: { readonly massKg: number; readonly shape: string; readonly lengthM?: number }) {
  const size = row("shape", SIZES, input.shape);
  const volume = checked("massKg", input.massKg, 0.05, 20, "kg") / MEAT_DENSITY;
  const length = input.shape === "sphere" && input.lengthM === undefined ? 1 : checked("lengthM", input.lengthM, 0.03, 1.5, "m");
  return { value: size(volume, length) };
}

const MEAT_K = 0.48;

/**
 * Time constant of a joint, minutes: R² / (α ζ₁²).
 * @param input geometry slab, cylinder, sphere; halfM 0.001–0.3; h 1–1000; alpha 5e-8–3e-7 (1.3e-7)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function tauFor(input: { readonly geometry: Body; readonly halfM: number; readonly h: number; readonly alpha?: number }) {
  const half = checked("halfM", input.halfM, 0.001, 0.3, "m");
  const h = checked("h", input.h, 1, 1000, "W/m²K");
  const alpha = checked("alpha", input.alpha ?? 1.3e-7, 5e-8, 3e-7, "m²/s");
  row("geometry", { slab: 0, cylinder: 0, sphere: 0 }, input.geometry);
  const [first = 1] = seriesRoots({ shape: input.geometry, bi: (h * half) / MEAT_K, count: 1 }).value;
  return { value: half ** 2 / (alpha * first ** 2) / 60 };
}

interface RoastInput {
  readonly geometry: Body;
  readonly halfM: number;
  readonly t0: number;
  readonly ovenC: number;
  readonly hOven: number;
  readonly hRest?: number;
  readonly roomC?: number;
  readonly wetness?: number;
  readonly restWetness?: number;
  /** Minutes in which the surface dries to 1/e of its wetness; left out, it stays wet. */
  readonly dryingMin?: number;
}

/** Fitted to twelve roasting times that are commonly given (tests/core/measures/roast-times.test.ts): hot air dries a surface soon, a low oven hardly. */
const [DRY_AT_120_MIN, DRY_SCALE_C, DRY_LEAST_MIN] = [180, 17, 5];

/**
 * How long the surface of a joint stays wet in an oven: minutes to 1/e of its wetness.
 * @param input ovenC 60–350
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example dryingTime({ ovenC: 120 }).minutes // 180
 */
export function dryingTime({ ovenC }: { readonly ovenC: number }) {
  const t = checked("ovenC", ovenC, 60, 350, "°C");
  return { minutes: Math.min(10_000, Math.max(DRY_LEAST_MIN, DRY_AT_120_MIN * Math.exp((120 - t) / DRY_SCALE_C))) };
}

const STEP_S = 15;
const LONGEST_S = 20 * 3600;

interface Moment {
  readonly seconds: number;
  /** From the centre outward. */
  readonly temps: readonly number[];
  readonly meanC: number;
}

const insideOf = (input: RoastInput) => ({ geometry: input.geometry, halfM: input.halfM, k: MEAT_K, rho: MEAT_DENSITY, cp: 3500 });

/** A joint in its oven until the core is at `untilC` or the longest time has passed; of what went before only what is from `keepC` on. */
function cooked(input: RoastInput, untilC: number, keepC: number): readonly Moment[] {
  const body = makeConduction({
    ...insideOf(input),
    t0: checked("t0", input.t0, -2, 60, "°C"),
    h: checked("hOven", input.hOven, 2, 200, "W/m²K"),
    tEnv: checked("ovenC", input.ovenC, 60, 350, "°C"),
    wetness: checked("wetness", input.wetness ?? 0.4, 0, 1),
    ...(input.dryingMin === undefined ? {} : { dryingS: checked("dryingMin", input.dryingMin, 1, 10_000, "min") * 60 }),
  });
  checked("hRest", input.hRest ?? 9, 2, 50, "W/m²K");
  checked("roomC", input.roomC ?? 21, -10, 45, "°C");
  checked("restWetness", input.restWetness ?? 0.3, 0, 1);
  const now = (): Moment => ({ seconds: body.seconds, temps: [...body.temps], meanC: body.mean() });
  const kept: Moment[] = [];
  const core = () => body.temps[0] as number;
  for (;;) {
    if (core() >= keepC) kept.push(now());
    if (core() >= untilC) return kept;
    if (body.seconds >= LONGEST_S) return kept.length ? kept : [now()];
    body.step(STEP_S);
  }
}

/** Out of the oven at that moment, and left to rest until the core stops rising. */
function rested(input: RoastInput, { seconds, temps, meanC }: Moment, pullC: number) {
  const rest = makeConduction({
    ...insideOf(input),
    t0: pullC,
    h: input.hRest ?? 9,
    tEnv: input.roomC ?? 21,
    wetness: input.restWetness ?? 0.3,
    from: temps,
  });
  let peak = rest.temps[0] as number;
  let peakAt = 0;
  while (rest.seconds < LONGEST_S) {
    rest.step(STEP_S);
    const now = rest.temps[0] as number;
    if (now <= peak) break;
    [peak, peakAt] = [now, rest.seconds];
  }
  return {
    cookMin: seconds / 60,
    meanAtPullC: meanC,
    surfaceAtPullC: temps.at(-1) as number,
    peakC: peak,
    riseC: peak - pullC,
    peakAfterMin: peakAt / 60,
  };
}

/**
 * A roast until its core is at the pull, then its rest until the core stops rising.
 * @param input geometry; halfM; t0; ovenC 60–350; hOven 2–200 with radiation; tPull; hRest (9); roomC (21); wetness (0.4); restWetness (0.3); dryingMin 1–10000 (none)
 * @returns cookMin (null where not in 20 h), peakC, riseC, peakAfterMin, meanAtPullC, surfaceAtPullC
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function roastAndRest(input: RoastInput & { readonly tPull: number }) {
  const pull = checked("tPull", input.tPull, 20, 110, "°C");
  const last = cooked(input, pull, pull).at(-1) as Moment;
  if ((last.temps[0] as number) >= pull) return rested(input, last, pull);
  return {
    cookMin: null,
    peakC: null,
    riseC: null,
    peakAfterMin: null,
    meanAtPullC: last.meanC,
    surfaceAtPullC: last.temps.at(-1) as number,
  };
}

/**
 * The core at which to pull a joint so that it peaks at the target. Never below ten degrees under it: the model is "could be up to".
 * @param input as roastAndRest, with targetC 30–100 in place of tPull
 * @returns pullC and what roastAndRest says of it
 * @throws {CalculationError} E_UNREACHABLE, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function pullTemperature({ targetC, ...roast }: RoastInput & { readonly targetC: number }) {
  const target = checked("targetC", targetC, 30, 100, "°C");
  let [low, high] = [Math.max(20, target - 25), target];
  // Cooked once; each pull that is tried rests from where the joint was when it came to it.
  const moments = cooked(roast, high, low);
  const at = (pull: number) => moments.find((m) => (m.temps[0] as number) >= pull);
  const done = at(high);
  if (!done) throw new CalculationError("targetC", "E_UNREACHABLE", `targetC: the core does not come to ${target} °C within 20 hours.`);
  let best = rested(roast, done, high);
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2;
    const tried = rested(roast, at(middle) ?? done, middle);
    if (tried.peakC < target) low = middle;
    else high = middle;
    best = tried;
  }
  return { pullC: (low + high) / 2, ...best };
}

const CARRY_OVER = [
  [1, 1, 1, 2],
  [1, 2, 3, 4],
  [2, 4, 6, 7],
  [3, 6, 8, 9],
] as const;
const band = (value: number, edges: readonly number[]) => edges.filter((e) => value >= e).length;

/**
 * The rise after pulling by a table of oven and weight: what a plan takes.
 * @param input ovenC 60–350; massKg 0.05–20
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function carryOverRule({ ovenC, massKg }: { readonly ovenC: number; readonly massKg: number }) {
  const hot = band(checked("ovenC", ovenC, 60, 350, "°C"), [130, 170, 220]);
  const heavy = band(checked("massKg", massKg, 0.05, 20, "kg"), [0.5, 1.5, 3.5]);
  return { value: (CARRY_OVER[hot] as readonly number[])[heavy] as number };
}
