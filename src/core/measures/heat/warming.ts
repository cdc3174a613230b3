// Warming through: the analytic series for a slab, a cylinder and a sphere, bags in a bath, pots on a burner, thawing by Plank's formula.
// Sources: Carslaw & Jaeger 1959; Heisler 1947; Abramowitz & Stegun 9.4; Baldwin 2012; Plank 1941; Cleland & Earle 1984; ASHRAE 2018.
import { checked, row } from "../calculation-error";
import tables from "../tables/heat.json";
import type { Body } from "./conduction";

/** Bessel functions of order 0 and 1, Abramowitz & Stegun 9.4.1 to 9.4.6; error below 1e-7. */
function j0(x: number): number {
  const poly = (u: number, c: readonly number[]) => c.reduceRight((sum, a) => sum * u + a, 0);
  if (Math.abs(x) <= 3) return poly((x / 3) ** 2, [1, -2.2499997, 1.2656208, -0.3163866, 0.0444479, -0.0039444, 0.00021]);
  const u = 3 / x;
  const f = poly(u, [0.79788456, -0.00000077, -0.0055274, -0.00009512, 0.00137237, -0.00072805, 0.00014476]);
  const phase = x + poly(u, [-0.78539816, -0.04166397, -0.00003954, 0.00262573, -0.00054125, -0.00029333, 0.00013558]);
  return (f * Math.cos(phase)) / Math.sqrt(x);
}
function j1(x: number): number {
  const poly = (u: number, c: readonly number[]) => c.reduceRight((sum, a) => sum * u + a, 0);
  if (Math.abs(x) <= 3) return x * poly((x / 3) ** 2, [0.5, -0.56249985, 0.21093573, -0.03954289, 0.00443319, -0.00031761, 0.00001109]);
  const u = 3 / x;
  const f = poly(u, [0.79788456, 0.00000156, 0.01659667, 0.00017105, -0.00249511, 0.00113653, -0.00020033]);
  const phase = x + poly(u, [-2.35619449, 0.12499612, 0.0000565, -0.00637879, 0.00074348, 0.00079824, -0.00029166]);
  return (f * Math.cos(phase)) / Math.sqrt(x);
}

function between(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  const rising = f(low) < 0;
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (f(middle) < 0 === rising) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const ZEROS_J0 = Array.from({ length: 20 }, (_, n) => between(j0, Math.PI * (n + 0.5), Math.PI * (n + 1.1)));
const ZEROS_J1 = [0, ...Array.from({ length: 19 }, (_, n) => between(j1, Math.PI * (n + 1), Math.PI * (n + 1.5)))];
const EDGE = 1e-12;

interface Series {
  readonly root: (n: number, bi: number) => number;
  readonly coefficient: (z: number) => number;
  readonly shape: (zx: number) => number;
}
const SERIES: Readonly<Record<Body, Series>> = {
  slab: {
    root: (n, bi) => between((z) => z * Math.sin(z) - bi * Math.cos(z), n * Math.PI + EDGE, n * Math.PI + Math.PI / 2),
    coefficient: (z) => (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z)),
    shape: Math.cos,
  },
  cylinder: {
    root: (n, bi) => between((z) => z * j1(z) - bi * j0(z), (ZEROS_J1[n] as number) + EDGE, ZEROS_J0[n] as number),
    coefficient: (z) => ((2 / z) * j1(z)) / (j0(z) ** 2 + j1(z) ** 2),
    shape: j0,
  },
  sphere: {
    root: (n, bi) => between((z) => (1 - bi) * Math.sin(z) - z * Math.cos(z), n * Math.PI + 1e-6, (n + 1) * Math.PI - EDGE),
    coefficient: (z) => (4 * (Math.sin(z) - z * Math.cos(z))) / (2 * z - Math.sin(2 * z)),
    shape: (zx) => (zx < 1e-9 ? 1 : Math.sin(zx) / zx),
  },
};

interface SeriesInput {
  readonly shape: Body;
  readonly bi: number;
}

function roots(shape: Body, bi: number, count: number): number[] {
  return Array.from({ length: count }, (_, n) => row("shape", SERIES, shape).root(n, bi));
}

/**
 * Roots of the series of a shape, by bisection.
 * @param input shape slab, cylinder, sphere; bi 1e-3–1e6; count 1–20 (6)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function seriesRoots(input: SeriesInput & { readonly count?: number }) {
  row("shape", SERIES, input.shape);
  const count = Math.round(checked("count", input.count ?? 6, 1, 20));
  return { value: roots(input.shape, checked("bi", input.bi, 1e-3, 1e6), count) };
}

function theta(shape: Body, bi: number, fo: number, position: number, terms: number): number {
  const s = row("shape", SERIES, shape);
  return roots(shape, bi, terms).reduce((sum, z) => sum + s.coefficient(z) * s.shape(z * position) * Math.exp(-z * z * fo), 0);
}

/**
 * Share of the first difference of temperature that is left at a place: 1 at the start, 0 at the end. Below fo 0.02 use the solver.
 * @param input shape; bi 1e-3–1e6; fo 0–1e4; position 0 (centre) – 1; terms 1–20 (6)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function seriesTheta(input: SeriesInput & { readonly fo: number; readonly position?: number; readonly terms?: number }) {
  row("shape", SERIES, input.shape);
  const value = theta(
    input.shape,
    checked("bi", input.bi, 1e-3, 1e6),
    checked("fo", input.fo, 0, 1e4),
    checked("position", input.position ?? 0, 0, 1),
    Math.round(checked("terms", input.terms ?? 6, 1, 20)),
  );
  return { value };
}

/**
 * Seconds until the centre of a bag is within so many degrees of its bath. Two bags that touch are one of double thickness.
 * @param input shape; thicknessMm 3–150; tStart; tBath; withinC 0.1–20 (0.5); h 10–2000 (100); k (0.48); alpha (1.2e-7)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function bagComeUp(input: {
  readonly shape: Body;
  readonly thicknessMm: number;
  readonly tStart: number;
  readonly tBath: number;
  readonly withinC?: number;
  readonly h?: number;
  readonly k?: number;
  readonly alpha?: number;
}) {
  row("shape", SERIES, input.shape);
  const half = checked("thicknessMm", input.thicknessMm, 3, 150, "mm") / 2000;
  const difference = Math.abs(checked("tBath", input.tBath, 20, 100, "°C") - checked("tStart", input.tStart, -2, 100, "°C"));
  const share = checked("withinC", input.withinC ?? 0.5, 0.1, 20, "°C") / difference;
  const alpha = checked("alpha", input.alpha ?? 1.2e-7, 5e-8, 3e-7, "m²/s");
  const bi = (checked("h", input.h ?? 100, 10, 2000, "W/m²K") * half) / checked("k", input.k ?? 0.48, 0.05, 2, "W/mK");
  if (share >= 1) return { value: 0 };
  const z = roots(input.shape, bi, 6);
  const s = SERIES[input.shape];
  const left = (fo: number) => z.reduce((sum, r) => sum + s.coefficient(r) * Math.exp(-r * r * fo), 0);
  let [low, high] = [0, 1];
  while (left(high) > share) high *= 2;
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (left(middle) > share) low = middle;
    else high = middle;
  }
  return { value: (high * half * half) / alpha };
}

const BURNERS: Readonly<Record<string, number>> = { gas: 0.4, coil: 0.65, glassCeramic: 0.65, induction: 0.85 };

/**
 * Watts that reach a pot.
 * @param input ratedW 50–20000; kind gas, coil, glassCeramic, induction
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function burnerPower({ ratedW, kind }: { readonly ratedW: number; readonly kind: string }) {
  return { value: checked("ratedW", ratedW, 50, 20_000, "W") * row("kind", BURNERS, kind) };
}

/**
 * Seconds until a pot is hot; Infinity where its losses hold it below.
 * @param input massKg 0.01–100; cp; t0; target; powerW 1–20000 that reach it; lossWK 0.1–50 (2 lidded, 6 open); roomC (21)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function potHeatTime(input: {
  readonly massKg: number;
  readonly cp: number;
  readonly t0: number;
  readonly target: number;
  readonly powerW: number;
  readonly lossWK?: number;
  readonly roomC?: number;
}) {
  const capacity = checked("massKg", input.massKg, 0.01, 100, "kg") * checked("cp", input.cp, 500, 5000, "J/kgK");
  const loss = checked("lossWK", input.lossWK ?? 2, 0.1, 50, "W/K");
  const end = checked("roomC", input.roomC ?? 21, -5, 45, "°C") + checked("powerW", input.powerW, 1, 20_000, "W") / loss;
  const t0 = checked("t0", input.t0, -5, 130, "°C");
  const target = checked("target", input.target, -5, 250, "°C");
  if (t0 >= target) return { value: 0 };
  return { value: end <= target ? Number.POSITIVE_INFINITY : (capacity / loss) * Math.log((end - t0) / (end - target)) };
}

interface Frozen {
  readonly rho: number;
  readonly latent: number;
  readonly tf: number;
  readonly kThawed: number;
  readonly cpF: number;
}
const FROZEN: Readonly<Record<string, Frozen>> = tables.FROZEN;

/**
 * Seconds to thaw a piece, by Plank's formula and a factor fitted to a finer model. On the counter it is refused by the safety rules.
 * @param input food a frozen food; thicknessM 0.003–0.4 the thinnest side; lengthM, widthM; h 1–2000; tMedium −20–60; tStart −40–−2 (−18)
 * @returns seconds (Infinity where the medium is too cold), ef, ec
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function thawTime(input: {
  readonly food: string;
  readonly thicknessM: number;
  readonly lengthM?: number;
  readonly widthM?: number;
  readonly h: number;
  readonly tMedium: number;
  readonly tStart?: number;
}) {
  const f = row("food", FROZEN, input.food);
  const d = checked("thicknessM", input.thicknessM, 0.003, 0.4, "m");
  const h = checked("h", input.h, 1, 2000, "W/m²K");
  const medium = checked("tMedium", input.tMedium, -20, 60, "°C");
  const start = checked("tStart", input.tStart ?? -18, -40, -2, "°C");
  const ratio = (field: string, side: number | undefined) =>
    side === undefined ? Number.POSITIVE_INFINITY : Math.max(1, checked(field, side, 0.003, 2, "m") / d);
  const [b1, b2] = [ratio("lengthM", input.lengthM), ratio("widthM", input.widthM)];
  if (medium <= f.tf + 1) return { seconds: Number.POSITIVE_INFINITY, ef: 0, ec: 0 };
  const ef = 1 + 1 / b1 + 1 / b2;
  const ec = 1 + 1 / b1 ** 2 + 1 / b2 ** 2;
  const heat = f.rho * (f.latent + f.cpF * (f.tf - start));
  const seconds = ((tables.THAW_FIT * heat) / (medium - (f.tf - 1))) * (d / (2 * h * ef) + d ** 2 / (8 * f.kThawed * ec));
  return { seconds, ef, ec };
}
