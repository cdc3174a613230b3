// A simulated joint in an oven or a smoker: three shells of a sphere of equal mass, and a surface that dries. Its slow stretch ends when it is dry.
import { checked } from "../measures/calculation-error";
import { vapourPressure } from "../measures/heat/cooling";
import { inPieces, type StepInput } from "./simulate";

export interface JointParams {
  readonly massKg: number;
  readonly R: number;
  readonly areaM2: number;
  readonly C: number;
  readonly G01: number;
  readonly G12: number;
  readonly Gs: number;
  readonly hConv: number;
  readonly hRad: number;
  readonly wetness0: number;
  readonly dryKg: number;
  readonly dryPower: number;
}

type Drying = Pick<JointParams, "hConv" | "hRad" | "wetness0" | "dryPower"> & { readonly dryShare: number };
const ROAST: Drying = { hConv: 8, hRad: 12, wetness0: 0.4, dryPower: 1.5, dryShare: 0.18 };
const SMOKED: Drying = { hConv: 8, hRad: 8, wetness0: 0.26, dryPower: 8, dryShare: 0.2 };

function joint(input: { readonly massKg: number; readonly slim?: number }, { dryShare, ...drying }: Drying): JointParams {
  const massKg = checked("massKg", input.massKg, 0.1, 20, "kg");
  const slim = checked("slim", input.slim ?? 0.85, 0.4, 1);
  const R = slim * ((3 * massKg) / (4 * Math.PI * 1060)) ** (1 / 3);
  const [r1, r2] = [R * (1 / 3) ** (1 / 3), R * (2 / 3) ** (1 / 3)];
  const between = (a: number, b: number) => (4 * Math.PI * 0.5) / (1 / a - 1 / b) / slim ** 3;
  const [core, mid, rim] = [0.6 * r1, (r1 + r2) / 2, (r2 + R) / 2];
  return {
    massKg,
    R,
    areaM2: (4 * Math.PI * R * R) / slim ** 3,
    C: (massKg * 3500) / 3,
    G01: between(core, mid),
    G12: between(mid, rim),
    Gs: between(rim, R),
    ...drying,
    dryKg: dryShare * massKg,
  };
}

/**
 * What a roast of a weight is made of.
 * @param input massKg 0.1–20; slim 0.4–1 (0.85)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export const roastParams = (input: { readonly massKg: number; readonly slim?: number }) => joint(input, ROAST);
/** The same for a joint in a smoker. @throws {CalculationError} E_RANGE, E_NOT_FINITE */
export const smokedParams = (input: { readonly massKg: number; readonly slim?: number }) => joint(input, SMOKED);

export interface JointState {
  readonly core: number;
  readonly mid: number;
  readonly rim: number;
  readonly surface: number;
  readonly lostKg: number;
  readonly t: number;
}

interface JointEnv {
  readonly chamberC: number;
  readonly vapourPa?: number;
  readonly fan?: boolean;
  readonly wrapped?: boolean;
}

const EVAPORATION = 2.3e6;

function stepJoint(input: StepInput<JointState, JointParams, JointEnv>, vapour: number): JointState {
  const p = input.params as JointParams;
  for (const key of ["massKg", "areaM2", "C", "G01", "G12", "Gs", "hConv", "hRad", "wetness0", "dryKg", "dryPower"] as const)
    checked(`params.${key}`, p?.[key], 0, 1e6);
  for (const key of ["core", "mid", "rim"] as const) checked(`state.${key}`, input.state?.[key], -30, 250, "°C");
  const chamber = checked("env.chamberC", input.env?.chamberC, -30, 350, "°C");
  const air = checked("env.vapourPa", input.env.vapourPa ?? vapour, 0, 50_000, "Pa");
  const conv = p.hConv * (input.env.fan === true ? 2 : 1);
  return inPieces(input, 10, (s, dt) => {
    const lost = s.lostKg ?? 0;
    const wet = input.env.wrapped === true ? 0.02 : p.wetness0 / (1 + (lost / p.dryKg) ** p.dryPower);
    const steam = (t: number) => ((wet * conv) / 66.5) * p.areaM2 * Math.max(0, vapourPressure(t) - air);
    const gain = (t: number) => (conv + p.hRad) * p.areaM2 * (chamber - t) - steam(t) - p.Gs * (t - s.rim);
    let [low, high] = [-20, 300];
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (gain(middle) > 0) low = middle;
      else high = middle;
    }
    const surface = (low + high) / 2;
    const inward = p.Gs * (surface - s.rim);
    const toMid = p.G12 * (s.rim - s.mid);
    const toCore = p.G01 * (s.mid - s.core);
    return {
      core: s.core + (toCore / p.C) * dt,
      mid: s.mid + ((toMid - toCore) / p.C) * dt,
      rim: s.rim + ((inward - toMid) / p.C) * dt,
      surface,
      lostKg: Math.min(0.4 * p.massKg, lost + (steam(surface) / EVAPORATION) * dt),
      t: (s.t ?? 0) + dt,
    };
  });
}

/**
 * A roast over time.
 * @param input state core, mid, rim, surface, lostKg, t; params of roastParams; env chamberC, vapourPa (3000), fan, wrapped
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export const stepRoast = (input: StepInput<JointState, JointParams, JointEnv>) => stepJoint(input, 3000);
/** A joint in a smoker over time, as stepRoast; vapourPa (2500). @throws {CalculationError} E_RANGE, E_NOT_FINITE */
export const stepSmokedJoint = (input: StepInput<JointState, JointParams, JointEnv>) => stepJoint(input, 2500);
