// Conduction in one dimension for a slab, a cylinder and a sphere: Crank–Nicolson on 40 nodes, the first steps fully implicit so that a sudden change
// does not ring. One dimension leaves the ends out, so it is slow, and safe, for a short cylinder. Sources: Crank & Nicolson 1947; Patankar 1980.
import { CalculationError, checked, row } from "../calculation-error";
import { readMarks, vapourPressure } from "./cooling";

const POWER = { slab: 0, cylinder: 1, sphere: 2 } as const;
export type Body = keyof typeof POWER;

interface ConductionInput {
  readonly geometry: Body;
  /** Half the thickness, or the radius; the whole depth of a tray whose inner face has its own hInner. */
  readonly halfM: number;
  readonly nodes?: number;
  readonly k: number;
  readonly rho: number;
  readonly cp: number;
  readonly t0: number;
  readonly h: number;
  readonly tEnv: number;
  /** Slab only: what the inner face meets. 0 is a plane of symmetry. */
  readonly hInner?: number;
  readonly tInner?: number;
  readonly wetness?: number;
  /** The surface dries: seconds after which its wetness has fallen to 1/e. Left out, it stays as wet as it was. */
  readonly dryingS?: number;
  readonly airVapourPa?: number;
  readonly stepS?: number;
  /** Temperatures to start from, from the centre outward, in place of t0. */
  readonly from?: readonly number[];
}

interface Conduction {
  /** From the centre outward, °C. */
  readonly temps: readonly number[];
  readonly seconds: number;
  readonly step: (dt: number) => void;
  readonly mean: () => number;
}

/** What a food's own steam makes of the air about it, in an oven or under a tent, Pa. */
const FOODS_OWN_STEAM = 3000;
const IMPLICIT_STEPS = 4;

/** @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE */
export function makeConduction(input: ConductionInput): Conduction {
  const p = row("geometry", POWER, input.geometry);
  const radius = checked("halfM", input.halfM, 0.001, 0.3, "m");
  const n = Math.round(checked("nodes", input.nodes ?? 40, 4, 400));
  const k = checked("k", input.k, 0.01, 10, "W/mK");
  const capacity = checked("rho", input.rho, 50, 3000, "kg/m³") * checked("cp", input.cp, 500, 5000, "J/kgK");
  const t0 = checked("t0", input.t0, -40, 300, "°C");
  const h = checked("h", input.h, 0, 1e5, "W/m²K");
  const tEnv = checked("tEnv", input.tEnv, -80, 400, "°C");
  const hInner = p === 0 ? checked("hInner", input.hInner ?? 0, 0, 1e5, "W/m²K") : 0;
  const tInner = checked("tInner", input.tInner ?? tEnv, -80, 400, "°C");
  const wetness = checked("wetness", input.wetness ?? 0, 0, 1);
  const drying = input.dryingS === undefined ? Number.POSITIVE_INFINITY : checked("dryingS", input.dryingS, 60, 1e6, "s");
  const airVapour = checked("airVapourPa", input.airVapourPa ?? FOODS_OWN_STEAM, 0, 1e5, "Pa");
  const dr = radius / n;
  const face = (i: number) => Math.min(radius, Math.max(0, (i + 0.5) * dr));
  const volumes = Array.from(
    { length: n + 1 },
    (_, i) => ((i === n ? radius : face(i)) ** (p + 1) - (i === 0 ? 0 : face(i - 1)) ** (p + 1)) / (p + 1),
  );
  const between = Array.from({ length: n }, (_, i) => (k * face(i) ** p) / dr);
  const outer = radius ** p;
  const temps = Array.from({ length: n + 1 }, (_, i) => input.from?.[i] ?? t0);
  const state = { temps, seconds: 0, steps: 0 };

  const steam = (t: number) => {
    if (wetness === 0) return { q: 0, slope: 0 };
    const c = (wetness * Math.exp(-state.seconds / drying) * 0.5 * h) / 66.5;
    const q = c * (vapourPressure(t) - airVapour);
    return q <= 0 ? { q: 0, slope: 0 } : { q, slope: (c * (vapourPressure(t + 0.01) - vapourPressure(t - 0.01))) / 0.02 };
  };

  const advance = (dt: number) => {
    const theta = state.steps < IMPLICIT_STEPS ? 1 : 0.5;
    const wet = steam(temps[n] as number);
    const [lower, diagonal, upper, right] = [0, 0, 0, 0].map(() => new Float64Array(n + 1)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    for (let i = 0; i <= n; i++) {
      const m = (capacity * (volumes[i] as number)) / dt;
      const [left, ahead] = [i > 0 ? (between[i - 1] as number) : 0, i < n ? (between[i] as number) : 0];
      const here = temps[i] as number;
      const [out, outT] = i === n ? [h * outer, tEnv] : [0, 0];
      const [inn, innT] = i === 0 ? [hInner, tInner] : [0, 0];
      const flow = left * ((temps[i - 1] ?? 0) - here) + ahead * ((temps[i + 1] ?? 0) - here) - out * (here - outT) - inn * (here - innT);
      lower[i] = -theta * left;
      upper[i] = -theta * ahead;
      diagonal[i] = m + theta * (left + ahead + out + inn);
      // Flows are written for the change of the temperature, so that the explicit part is the flow as it stands.
      right[i] = flow;
      // Steam is taken wholly at the end of the step: its slope is too steep to be shared.
      if (i === n && wet.q > 0) {
        diagonal[i] = (diagonal[i] as number) + wet.slope * outer;
        right[i] = flow - wet.q * outer;
      }
    }
    for (let i = 1; i <= n; i++) {
      const w = (lower[i] as number) / (diagonal[i - 1] as number);
      diagonal[i] = (diagonal[i] as number) - w * (upper[i - 1] as number);
      right[i] = (right[i] as number) - w * (right[i - 1] as number);
    }
    let change = 0;
    for (let i = n; i >= 0; i--) {
      change = ((right[i] as number) - (upper[i] as number) * change) / (diagonal[i] as number);
      temps[i] = (temps[i] as number) + change;
    }
    state.seconds += dt;
    state.steps++;
  };
  const whole = volumes.reduce((a, b) => a + b, 0);
  return {
    temps,
    get seconds() {
      return state.seconds;
    },
    step: advance,
    mean: () => temps.reduce((sum, t, i) => sum + t * (volumes[i] as number), 0) / whole,
  };
}

/**
 * Temperatures inside after so many seconds.
 * @param input the body; halfM 0.001–0.3 m; seconds 0–1e6; stepS 1–600 (20)
 * @returns coreC, surfaceC, meanC
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function conductionAt(input: ConductionInput & { readonly seconds: number }) {
  const body = makeConduction(input);
  const end = checked("seconds", input.seconds, 0, 1e6, "s");
  const step = checked("stepS", input.stepS ?? 20, 1, 600, "s");
  while (body.seconds < end - 1e-9) body.step(Math.min(step, end - body.seconds));
  return { coreC: body.temps[0] as number, surfaceC: body.temps[body.temps.length - 1] as number, meanC: body.mean() };
}

const POINTS: Readonly<Record<string, (body: Conduction) => number>> = {
  slowest: (b) => Math.max(...b.temps),
  core: (b) => b.temps[0] as number,
  mean: (b) => b.mean(),
};

/**
 * When a point has cooled to each mark; null where not within maxHours. Safety goes by the slowest point.
 * @param input the body; marks °C; at slowest (default), core, mean; stepS (20); maxHours 0.1–240 (48)
 * @returns timesS by mark, endC, profile from the centre outward at the end
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function conductionTimes(
  input: ConductionInput & { readonly marks: readonly number[]; readonly maxHours?: number; readonly at?: string },
) {
  const body = makeConduction(input);
  const marks = readMarks(input.marks);
  const point = row("at", POINTS, input.at ?? "slowest");
  const step = checked("stepS", input.stepS ?? 20, 1, 600, "s");
  const end = checked("maxHours", input.maxHours ?? 48, 0.1, 240, "h") * 3600;
  let temp = point(body);
  const times: Record<string, number | null> = Object.fromEntries(marks.map((m) => [m, temp <= m ? 0 : null]));
  while (body.seconds < end - 1e-9 && Object.values(times).includes(null)) {
    const before = body.seconds;
    body.step(step);
    const next = point(body);
    for (const m of marks) if (times[m] === null && next <= m) times[m] = before + (step * (temp - m)) / (temp - next);
    temp = next;
  }
  return { timesS: times, endC: temp, profile: [...body.temps] };
}

/**
 * Seconds until the centre has warmed to a target; where it never does, an error says so.
 * @param input the body; target °C above t0
 * @returns seconds, surfaceC then
 * @throws {CalculationError} E_UNREACHABLE, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function heatThroughTime(input: ConductionInput & { readonly target: number }) {
  const body = makeConduction(input);
  const target = checked("target", input.target, -40, 300, "°C");
  const step = checked("stepS", input.stepS ?? 20, 1, 600, "s");
  let core = body.temps[0] as number;
  if (core >= target) return { seconds: 0, surfaceC: core };
  while (body.seconds < 48 * 3600) {
    const before = body.seconds;
    body.step(step);
    const next = body.temps[0] as number;
    if (next >= target)
      return { seconds: before + (step * (target - core)) / (next - core), surfaceC: body.temps[body.temps.length - 1] as number };
    core = next;
  }
  throw new CalculationError("target", "E_UNREACHABLE", `target: ${target} °C is not reached at the centre within 48 hours.`);
}

/**
 * Longest step of an explicit scheme: Δx² / (2α(1 + hΔx/k)); take nine tenths of it.
 * @param input dxM 1e-5–0.1 m; k, rho, cp, h as above
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function explicitMaxStep(input: {
  readonly dxM: number;
  readonly k: number;
  readonly rho: number;
  readonly cp: number;
  readonly h: number;
}) {
  const dx = checked("dxM", input.dxM, 1e-5, 0.1, "m");
  const k = checked("k", input.k, 0.01, 10, "W/mK");
  const alpha = k / (checked("rho", input.rho, 50, 3000, "kg/m³") * checked("cp", input.cp, 500, 5000, "J/kgK"));
  return { value: dx ** 2 / (2 * alpha * (1 + (checked("h", input.h, 0, 1e5, "W/m²K") * dx) / k)) };
}
