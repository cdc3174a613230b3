// Diffusion of salt into food: Crank's series for a slab, a cylinder and a sphere whose surface is held at its final strength.
// Right for a bath; a dry cure takes its salt up early and then levels out, so read the centre as evenness.
// Sources: J. Crank, The Mathematics of Diffusion, 1975; Gou 2003, Vestergaard 2005, Graiver 2006 for salt in lean meat.
import { checked, row } from "./calculation-error";
import { rounded } from "./rounding";

export type Geometry = "slab" | "cylinder" | "sphere";
const ACTIVATION = 22_000;
const GAS = 8.314;
/** m²/s at 4 °C. */
const SALT_D4 = 2.2e-10;
const [SLOW_D, FAST_D] = [1e-10, 4.5e-10];
const BESSEL_ZEROS = [2.404826, 5.520078, 8.653728, 11.791534, 14.930918, 18.071064, 21.211637, 24.352472, 27.493479, 30.634606] as const;
const BESSEL_J1 = [0.519147, -0.340265, 0.271452, -0.23246, 0.206546, -0.187729, 0.173266, -0.161702, 0.152181, -0.144166] as const;
/** Below this Fourier number the series needs too many terms, and the law of the square root is exact enough. */
const SHORT = 0.01;

const series = (terms: number, term: (n: number) => number) => Array.from({ length: terms }, (_, n) => term(n)).reduce((a, b) => a + b, 0);

/** Share of the final strength, 0 to 1, on average and at the centre, by Fourier number Dt/L² with L half the thickness. */
const SHAPES: Readonly<Record<Geometry, { readonly average: (fo: number) => number; readonly centre: (fo: number) => number }>> = {
  slab: {
    average: (fo) =>
      fo < SHORT
        ? 2 * Math.sqrt(fo / Math.PI)
        : 1 - series(10, (n) => (8 / ((2 * n + 1) ** 2 * Math.PI ** 2)) * Math.exp((-((2 * n + 1) ** 2) * Math.PI ** 2 * fo) / 4)),
    centre: (fo) =>
      1 - series(10, (n) => (((-1) ** n * 4) / ((2 * n + 1) * Math.PI)) * Math.exp((-((2 * n + 1) ** 2) * Math.PI ** 2 * fo) / 4)),
  },
  cylinder: {
    average: (fo) =>
      fo < SHORT ? 4 * Math.sqrt(fo / Math.PI) - fo : 1 - BESSEL_ZEROS.reduce((sum, a) => sum + (4 / a ** 2) * Math.exp(-(a ** 2) * fo), 0),
    centre: (fo) => 1 - BESSEL_ZEROS.reduce((sum, a, n) => sum + (2 / (a * (BESSEL_J1[n] as number))) * Math.exp(-(a ** 2) * fo), 0),
  },
  sphere: {
    average: (fo) =>
      fo < SHORT
        ? 6 * Math.sqrt(fo / Math.PI) - 3 * fo
        : 1 - (6 / Math.PI ** 2) * series(20, (n) => Math.exp(-((n + 1) ** 2) * Math.PI ** 2 * fo) / (n + 1) ** 2),
    centre: (fo) => 1 - 2 * series(20, (n) => (-1) ** n * Math.exp(-((n + 1) ** 2) * Math.PI ** 2 * fo)),
  },
};

/** Share of the final strength, 0 to 1, not rounded. halfM in metres, d in m²/s, seconds. */
export function saturation(geometry: Geometry, halfM: number, d: number, seconds: number): { average: number; centre: number } {
  const fo = (d * seconds) / halfM ** 2;
  const shape = row("geometry", SHAPES, geometry);
  const clip = (x: number) => Math.min(1, Math.max(0, x));
  return { average: clip(shape.average(fo)), centre: fo < SHORT ? 0 : clip(shape.centre(fo)) };
}

/** D at a temperature, m²/s, not rounded and not checked. */
export const diffusivityAt = (tempC: number, d4 = SALT_D4) => d4 * Math.exp((-ACTIVATION / GAS) * (1 / (tempC + 273.15) - 1 / 277.15));

const coldTemp = (tempC: unknown, most: number) => checked("tempC", tempC, 0, most, "°C");
const checkedD4 = (d4: unknown) => checked("D4", d4, SLOW_D, FAST_D, "m²/s");

/**
 * How fast salt moves in lean meat, by temperature. Fat is ten to thirty times slower, along the fibre a quarter faster.
 * @param input tempC 0–10; D4 1e-10–4.5e-10 m²/s at 4 °C (2.2e-10)
 * @returns D_1e10: D in 1e-10 m²/s (2 decimals)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example diffusionCoefficient({ tempC: 1 }) // { D_1e10: 1.98 }
 */
export function diffusionCoefficient({ tempC, D4 = SALT_D4 }: { readonly tempC: number; readonly D4?: number }) {
  return { D_1e10: rounded(diffusivityAt(coldTemp(tempC, 10), checkedD4(D4)) * 1e10, 2) };
}

interface DiffusionInput {
  readonly geometry: Geometry;
  /** Whole thickness or diameter. */
  readonly thicknessMm: number;
  readonly tempC?: number;
  readonly D4?: number;
}

/** Half the thickness in metres; the whole of it where one face only is wet. */
export function halfOf(thicknessMm: unknown, faces: unknown = 2): number {
  return checked("thicknessMm", thicknessMm, 1, 300, "mm") / 1000 / checked("faces", faces, 1, 2);
}

/**
 * How far a cure or a brine has come, in % of its final strength.
 * @param input geometry slab, cylinder, sphere; thicknessMm 1–300; days 0–365; tempC 0–10 (4); D4; faces 1 or 2 (slab)
 * @returns averagePct, centrePct (1 decimal)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example diffusionFraction({ geometry: "slab", thicknessMm: 50, days: 7 }) // { averagePct: 52, centrePct: 25.1 }
 */
export function diffusionFraction(input: DiffusionInput & { readonly days: number; readonly faces?: 1 | 2 }) {
  row("geometry", SHAPES, input.geometry);
  const d = diffusivityAt(coldTemp(input.tempC ?? 4, 10), checkedD4(input.D4 ?? SALT_D4));
  const faces = input.geometry === "slab" ? Math.round(checked("faces", input.faces ?? 2, 1, 2)) : 2;
  const s = saturation(input.geometry, halfOf(input.thicknessMm, faces), d, checked("days", input.days, 0, 365, "days") * 86_400);
  return { averagePct: rounded(s.average * 100, 1), centrePct: rounded(s.centre * 100, 1) };
}

/** Seconds until a share is reached, by bisection: the share never falls with time. */
export function secondsTo(geometry: Geometry, halfM: number, d: number, share: number, where: "average" | "centre"): number {
  let [low, high] = [0, (20 * halfM ** 2) / d];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (saturation(geometry, halfM, d, middle)[where] < share) low = middle;
    else high = middle;
  }
  return high;
}

const WHERE = { average: "average", centre: "centre" } as const;

/**
 * Days until a cure has come so far, with the band of what meat differs by.
 * @param input geometry; thicknessMm 1–300; targetPct 5–99; where average (default) or centre; tempC 0–5 (4); D4
 * @returns days, low, high (1 decimal)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example diffusionDays({ geometry: "slab", thicknessMm: 40, targetPct: 70 }) // { days: 8.5, low: 4.1, high: 18.7 }
 */
export function diffusionDays(input: DiffusionInput & { readonly targetPct: number; readonly where?: "average" | "centre" }) {
  row("geometry", SHAPES, input.geometry);
  const where = row("where", WHERE, input.where ?? "average");
  const half = halfOf(input.thicknessMm);
  const share = checked("targetPct", input.targetPct, 5, 99, "%") / 100;
  const tempC = coldTemp(input.tempC ?? 4, 5);
  const days = (d4: number) => rounded(secondsTo(input.geometry, half, diffusivityAt(tempC, d4), share, where) / 86_400, 1);
  return { days: days(checkedD4(input.D4 ?? SALT_D4)), low: days(FAST_D), high: days(SLOW_D) };
}
