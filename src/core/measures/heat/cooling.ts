// Cooling of what mixes by itself or is stirred: one temperature, by exponential or through a route of places, with the steam of an open pot.
// Sources: Incropera 2007 (Lewis relation); Alduchov & Eskridge 1996 (Magnus form). Estimates for planning: a thermometer replaces them.
import { CalculationError, checked } from "../calculation-error";

const STEFAN = 5.67e-8;
const LEWIS = 66.5;

/** Saturation pressure of water, Pa; t capped at 100 °C. */
export function vapourPressure(t: number): number {
  const c = Math.min(100, t);
  return 610.94 * Math.exp((17.625 * c) / (c + 243.04));
}

interface Lump {
  readonly t0: number;
  readonly tEnv: number;
  readonly uaWK: number;
  readonly massKg: number;
  readonly cp: number;
}

function lump(input: Omit<Lump, "t0" | "tEnv"> & { readonly t0?: unknown; readonly tEnv?: unknown }) {
  const t0 = checked("t0", input.t0, -40, 300, "°C");
  const tEnv = checked("tEnv", input.tEnv, -80, 400, "°C");
  const capacity = checked("massKg", input.massKg, 0.01, 100, "kg") * checked("cp", input.cp, 500, 5000, "J/kgK");
  return { t0, tEnv, tau: capacity / checked("uaWK", input.uaWK, 1e-4, 1e4, "W/K") };
}

/**
 * Temperature of a lump after so many seconds.
 * @param input t0, tEnv °C; uaWK 1e-4–1e4; massKg 0.01–100; cp 500–5000; seconds 0–1e7
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function coolLumped(input: Lump & { readonly seconds: number }) {
  const { t0, tEnv, tau } = lump(input);
  return { value: tEnv + (t0 - tEnv) * Math.exp(-checked("seconds", input.seconds, 0, 1e7, "s") / tau) };
}

/**
 * Seconds until a lump reaches a temperature: 0 where it is past it, Infinity where its surroundings never let it get there.
 * @param input as coolLumped, with target °C
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function lumpedTimeTo(input: Lump & { readonly target: number }) {
  const { t0, tEnv, tau } = lump(input);
  const target = checked("target", input.target, -80, 400, "°C");
  if (t0 >= tEnv ? t0 <= target : t0 >= target) return { value: 0 };
  if (t0 >= tEnv ? target <= tEnv : target >= tEnv) return { value: Number.POSITIVE_INFINITY };
  return { value: tau * Math.log((t0 - tEnv) / (target - tEnv)) };
}

interface SurfaceInput {
  readonly tSurface: number;
  readonly tAir: number;
  readonly rh?: number;
  readonly wetness?: number;
  readonly hConv?: number;
}

/** As openSurfaceFlux, for figures that are known to be good. */
function flux(tSurface: number, tAir: number, rh: number, wetness: number, hConv: number | undefined) {
  const h = hConv ?? Math.max(2, 1.52 * Math.abs(tSurface - tAir) ** (1 / 3));
  const [a, b] = [tSurface + 273.15, tAir + 273.15];
  const convective = h * (tSurface - tAir);
  const radiant = 0.95 * STEFAN * (a * a + b * b) * (a + b) * (a - b);
  const evaporative = Math.max(0, ((wetness * h) / LEWIS) * (vapourPressure(tSurface) - rh * vapourPressure(tAir)));
  return { convective, radiant, evaporative, total: convective + radiant + evaporative };
}

/**
 * What an open hot liquid loses by air, radiation and steam, W/m². A lid takes the last away.
 * @param input tSurface, tAir −20–150 °C; rh 0–1 (0.5); wetness 0–1 (water 1, stock 0.6, thick sauce 0.4, fat 0.1, lid 0); hConv 0.5–200
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function openSurfaceFlux(input: SurfaceInput) {
  return flux(
    checked("tSurface", input.tSurface, -20, 150, "°C"),
    checked("tAir", input.tAir, -40, 150, "°C"),
    // Only what is left out has a usual value: what is there and is none, is no number.
    checked("rh", input.rh === undefined ? 0.5 : input.rh, 0, 1),
    checked("wetness", input.wetness === undefined ? 0.6 : input.wetness, 0, 1),
    input.hConv === undefined ? undefined : checked("hConv", input.hConv, 0.5, 200, "W/m²K"),
  );
}

export interface CoolingStage {
  readonly tEnv: number;
  readonly uaWK: number;
  /** Open surface, m². */
  readonly topM2?: number;
  readonly tAir?: number;
  readonly rh?: number;
  readonly wetness?: number;
  readonly hConv?: number;
  readonly untilC?: number | null;
  readonly maxMin?: number;
}

const LONGEST_MIN = 48 * 60;
const SETTLED = 0.02;

function checkedStage(s: CoolingStage, i: number) {
  const at = (key: keyof CoolingStage) => `stages.${i}.${key}`;
  const tEnv = checked(at("tEnv"), s?.tEnv, -80, 400, "°C");
  return {
    tEnv,
    ua: checked(at("uaWK"), s.uaWK, 1e-4, 1e4, "W/K"),
    top: checked(at("topM2"), s.topM2 ?? 0, 0, 5, "m²"),
    tAir: checked(at("tAir"), s.tAir ?? tEnv, -80, 400, "°C"),
    rh: checked(at("rh"), s.rh ?? 0.5, 0, 1),
    wetness: checked(at("wetness"), s.wetness ?? 0.6, 0, 1),
    hConv: s.hConv === undefined ? undefined : checked(at("hConv"), s.hConv, 0.5, 200, "W/m²K"),
    until: s.untilC === undefined || s.untilC === null ? undefined : checked(at("untilC"), s.untilC, -40, 200, "°C"),
    seconds: checked(at("maxMin"), s.maxMin ?? LONGEST_MIN, 0, LONGEST_MIN, "min") * 60,
  };
}

/**
 * A lump through a route of places: RK4 by steps, marks by straight line within a step. A stage ends at untilC, after maxMin, or once it has settled.
 * @param input t0; massKg; cp; stages 1–12; stepS 1–60 (10); marks °C ([60, 21, 5])
 * @returns timesS by mark (null where not reached), endC, endS, stageEnds, curve of [seconds, °C] each five minutes
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function coolStaged(input: {
  readonly t0: number;
  readonly massKg: number;
  readonly cp: number;
  readonly stages: readonly CoolingStage[];
  readonly stepS?: number;
  readonly marks?: readonly number[];
}) {
  const t0 = checked("t0", input.t0, -40, 300, "°C");
  const capacity = checked("massKg", input.massKg, 0.01, 100, "kg") * checked("cp", input.cp, 500, 5000, "J/kgK");
  const step = checked("stepS", input.stepS ?? 10, 1, 60, "s");
  if (!Array.isArray(input.stages) || input.stages.length < 1 || input.stages.length > 12)
    throw new CalculationError("stages", "E_RANGE", "stages: give 1 to 12 places with tEnv and uaWK.");
  const stages = (input.stages as readonly CoolingStage[]).map(checkedStage);
  const marks = readMarks(input.marks ?? [60, 21, 5]);
  const times: Record<string, number | null> = Object.fromEntries(marks.map((m) => [m, t0 <= m ? 0 : null]));
  const curve: [number, number][] = [[0, t0]];
  const stageEnds: { endS: number; endC: number }[] = [];
  let [temp, now] = [t0, 0];
  for (const s of stages) {
    const slope = (t: number) => {
      const open = s.top > 0 ? s.top * flux(t, s.tAir, s.rh, s.wetness, s.hConv).total : 0;
      return -(s.ua * (t - s.tEnv) + open) / capacity;
    };
    const end = now + s.seconds;
    while (now < end - 1e-9) {
      const dt = Math.min(step, end - now);
      const k1 = slope(temp);
      const k2 = slope(temp + (dt / 2) * k1);
      const k3 = slope(temp + (dt / 2) * k2);
      const k4 = slope(temp + dt * k3);
      const next = temp + (dt / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
      for (const m of marks) if (times[m] === null && next <= m) times[m] = now + (dt * (temp - m)) / (temp - next);
      [temp, now] = [next, now + dt];
      if (now - (curve[curve.length - 1] as [number, number])[0] >= 300) curve.push([now, temp]);
      if ((s.until !== undefined && temp <= s.until) || Math.abs(temp - s.tEnv) < SETTLED) break;
    }
    stageEnds.push({ endS: now, endC: temp });
  }
  return { timesS: times, endC: temp, endS: now, stageEnds, curve };
}

/** Marks in °C, at most twelve. @throws {CalculationError} E_RANGE, E_NOT_FINITE */
export function readMarks(marks: unknown): readonly number[] {
  if (!Array.isArray(marks) || marks.length < 1 || marks.length > 12)
    throw new CalculationError("marks", "E_RANGE", "marks: give 1 to 12 temperatures.");
  return marks.map((m, i) => checked(`marks.${i}`, m, -40, 200, "°C"));
}
