// When a roast will be done, from its probe: a grid of spheres, each weighted by how well it tells the readings so far. No random numbers.
// The band is meant to hold eight cooks in ten and is mostly wider. Opening the door or moving the probe starts a new one.
// Sources: Heisler 1947; the Bayesian method of grids; a stall's length is a household's prior.
import { CalculationError, checked } from "../calculation-error";
import { stallTemperature, tauFor } from "./roast";
import type { Readings } from "./verdicts";
import { seriesRoots } from "./warming";

type RawReadings = readonly (readonly [minute: number, tempC: number | null])[];

function kept(raw: RawReadings): [number, number][] {
  const list: [number, number][] = [];
  let jumps = 0;
  for (const [minute, temp] of raw) {
    if (temp === null || temp < -5 || temp > 130) continue;
    const last = list[list.length - 1];
    if (!last) {
      list.push([minute, temp]);
      continue;
    }
    if (minute <= last[0]) continue;
    const jump = Math.abs(temp - last[1]) > 3 + 4 * (minute - last[0]);
    // The third in a row is no slip of the probe but a real change.
    if (jump && ++jumps < 3) continue;
    jumps = 0;
    list.push([minute, temp]);
  }
  return list;
}

function checkedRaw(field: string, raw: unknown): RawReadings {
  if (!Array.isArray(raw) || raw.length > 20_000)
    throw new CalculationError(field, "E_RANGE", `${field}: give up to 20000 pairs of [minute, °C or null].`);
  return raw.map((r, i) => {
    const minute = checked(`${field}.${i}.0`, r?.[0], -1e6, 1e6, "min");
    return [minute, r[1] === null ? null : checked(`${field}.${i}.1`, r[1], -1000, 2000, "°C")] as const;
  });
}

/**
 * Readings without what a probe cannot have seen: gaps, what lies outside −5 to 130 °C, times that do not rise, and jumps over 3 °C + 4 °C a minute.
 * @param input raw: up to 20000 of [minute, °C or null]
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function cleanReadings({ raw }: { readonly raw: RawReadings }): { readonly value: Readings } {
  return { value: kept(checkedRaw("raw", raw)) };
}

/** Quantiles 5, 10, … 95 % of the normal distribution. */
const NORMAL_5 = [
  -1.644853627, -1.281551566, -1.036433389, -0.841621234, -0.67448975, -0.524400513, -0.385320466, -0.253347103, -0.125661347, 0,
  0.125661347, 0.253347103, 0.385320466, 0.524400513, 0.67448975, 0.841621234, 1.036433389, 1.281551566, 1.644853627,
] as const;

/**
 * How long a stall may still last, in nineteen equally likely lengths: log-normal about 160 minutes for a joint of 6 cm.
 * @param input halfM 0.01–0.3; elapsedMin 0–10000 already spent in it (0)
 * @returns value: minutes still to come; those that are over are left out
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function stallPrior(input: { readonly halfM: number; readonly elapsedMin?: number }) {
  const median = 160 * (checked("halfM", input.halfM, 0.01, 0.3, "m") / 0.06);
  const elapsed = checked("elapsedMin", input.elapsedMin ?? 0, 0, 10_000, "min");
  const left = NORMAL_5.map((z) => median * Math.exp(0.6 * z) - elapsed).filter((m) => m > 0);
  return { value: left.length ? left : [0.2 * elapsed] };
}

const BIOTS = [0.8, 3, 12] as const;
const [STEP, LAST, TERMS] = [0.02, 12, 12];

/** Share of the difference left at the centre of a sphere by t/τ, tabulated; beyond the table it is an exponential. */
const CURVES = BIOTS.map((bi) => {
  const z = seriesRoots({ shape: "sphere", bi, count: TERMS }).value;
  const first = z[0] as number;
  const c = z.map((r) => (4 * (Math.sin(r) - r * Math.cos(r))) / (2 * r - Math.sin(2 * r)));
  const at = (u: number) => z.reduce((sum, r, i) => sum + (c[i] as number) * Math.exp((-r * r * u) / (first * first)), 0);
  // The series starts a little off one; a share may only fall.
  const table: number[] = [1];
  for (let i = 1; i <= LAST / STEP; i++) table.push(Math.min(table[i - 1] as number, Math.min(1, at(i * STEP))));
  return table;
});

function theta(table: readonly number[], u: number): number {
  if (u <= 0) return 1;
  if (u >= LAST) return (table[table.length - 1] as number) * Math.exp(-(u - LAST));
  const i = Math.floor(u / STEP);
  const [a, b] = [table[i] as number, table[Math.min(i + 1, table.length - 1)] as number];
  return a + (b - a) * (u / STEP - i);
}

function inverse(table: readonly number[], share: number): number {
  if (share >= 1) return 0;
  const end = table[table.length - 1] as number;
  if (share <= end) return LAST + Math.log(end / share);
  let [low, high] = [0, table.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((table[middle] as number) > share) low = middle;
    else high = middle;
  }
  const [a, b] = [table[low] as number, table[high] as number];
  return (low + (a === b ? 0 : (a - share) / (a - b))) * STEP;
}

interface ForecastInput {
  readonly readings: RawReadings;
  readonly targetC: number;
  readonly chamberC: number;
  /** Radius that stands for the joint: equivalentHalf. */
  readonly halfM: number;
  readonly geometry?: "slab" | "cylinder" | "sphere";
  readonly hChamber?: number;
  /** A joint in a smoker with its surface bare: it stalls. */
  readonly unwrapped?: boolean;
  readonly wrappedAtMin?: number | null;
  readonly sigma?: number;
  readonly inflate?: number;
  readonly halfLifeMin?: number;
}

interface Forecast {
  readonly status: "noData" | "never" | "done" | "learning" | "forecast" | "beforeStall" | "stall";
  readonly etaMin: number | null;
  readonly lowMin: number | null;
  readonly highMin: number | null;
  readonly slopeCPerH: number | null;
}

type Points = readonly (readonly [minute: number, tempC: number])[];
/** Minutes to go, and how much they weigh. */
type Weighted = [minutes: number, weight: number];

/** Rise a minute by least squares over the last stretch; undefined of fewer than four readings. */
function slope(points: Points, stretch: number): number | undefined {
  const end = (points[points.length - 1] as readonly [number, number])[0];
  const part = points.filter(([m]) => m >= end - stretch);
  if (part.length < 4) return undefined;
  const mean = (at: 0 | 1) => part.reduce((n, p) => n + p[at], 0) / part.length;
  const [mx, my] = [mean(0), mean(1)];
  return part.reduce((n, [x, y]) => n + (x - mx) * (y - my), 0) / part.reduce((n, [x]) => n + (x - mx) ** 2, 0);
}

/** Median of the last five where they lie within six minutes, else the last. */
function current(points: Points): number {
  const five = points.slice(-5);
  const [first, last] = [five[0] as readonly [number, number], five[five.length - 1] as readonly [number, number]];
  if (five.length < 5 || last[0] - first[0] > 6) return last[1];
  return [...five.map(([, t]) => t)].sort((a, b) => a - b)[2] as number;
}

/** When a temperature was last passed on the way up, on a straight line between readings; undefined where never. */
function lastAt(points: Points, temp: number): number | undefined {
  const i = points.findLastIndex(([, t]) => t < temp);
  if (i < 0) return undefined;
  const [m0, t0] = points[i] as readonly [number, number];
  const [m1, t1] = points[i + 1] ?? [m0, t0];
  return t1 > t0 ? m0 + ((m1 - m0) * (temp - t0)) / (t1 - t0) : m0;
}

interface Fit {
  readonly points: Points;
  readonly used: Points;
  readonly taus: readonly number[];
  readonly ends: readonly number[];
  readonly prior: (end: number, tau: number) => number;
  readonly sigma: number;
  readonly inflate: number;
  readonly halfLife: number;
}

/** The weight of each sphere, time constant and final temperature by the readings used. */
function cells(f: Fit): { readonly table: readonly number[]; readonly end: number; readonly tau: number; readonly weight: number }[] {
  const [start, t0] = f.points[0] as readonly [number, number];
  const now = (f.points[f.points.length - 1] as readonly [number, number])[0];
  const told = f.used.slice(-90).map(([m, t]) => [m - start, t, 0.5 ** ((now - m) / f.halfLife)] as const);
  const found = CURVES.flatMap((table) =>
    f.ends.flatMap((end) =>
      f.taus.map((tau) => {
        const misfit = told.reduce((sum, [m, t, w]) => sum + w * (t - (end - (end - t0) * theta(table, m / tau))) ** 2, 0);
        return { table, end, tau, lp: f.prior(end, tau) - misfit / (2 * f.sigma ** 2 * f.inflate) };
      }),
    ),
  );
  const best = found.reduce((m, c) => Math.max(m, c.lp), Number.NEGATIVE_INFINITY);
  return found.map(({ lp, ...cell }) => ({ ...cell, weight: Math.exp(lp - best) }));
}

function quantile(sorted: readonly Weighted[], p: number): number {
  const total = sorted.reduce((n, [, w]) => n + w, 0);
  let sum = 0;
  for (const [minutes, w] of sorted) {
    sum += w;
    if (sum >= p * total) return minutes;
  }
  return (sorted[sorted.length - 1] as Weighted)[0];
}

const square = (x: number) => x * x;
const [SMOKE_CHAMBER, SMOKE_TARGET, WET_TO] = [160, 75, 60];

/**
 * Minutes until the core is at its target, with a band. Refresh it every two minutes; do not move a plan for less than five minutes or a tenth.
 * @param input readings of [minute, °C or null]; targetC 35–100; chamberC 50–320; halfM 0.01–0.3; geometry (sphere); hChamber 5–100 (20);
 *   unwrapped (a bare joint in a smoker); wrappedAtMin; sigma 0.1–5 (0.6); inflate 1–50 (7); halfLifeMin 5–600 (60)
 * @returns status noData, never, done, learning, forecast, beforeStall or stall; etaMin, lowMin, highMin, slopeCPerH (null where not known)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 */
export function roastForecast(input: ForecastInput): Forecast {
  const target = checked("targetC", input.targetC, 35, 100, "°C");
  const chamber = checked("chamberC", input.chamberC, 50, 320, "°C");
  const halfM = checked("halfM", input.halfM, 0.01, 0.3, "m");
  const h = checked("hChamber", input.hChamber ?? 20, 5, 100, "W/m²K");
  const wrappedAt =
    input.wrappedAtMin === undefined || input.wrappedAtMin === null
      ? undefined
      : checked("wrappedAtMin", input.wrappedAtMin, 0, 1e5, "min");
  const noise = {
    sigma: checked("sigma", input.sigma ?? 0.6, 0.1, 5, "°C"),
    inflate: checked("inflate", input.inflate ?? 7, 1, 50),
    halfLife: checked("halfLifeMin", input.halfLifeMin ?? 60, 5, 600, "min"),
  };
  const tau0 = tauFor({ geometry: input.geometry ?? "sphere", halfM, h }).value;
  const all = kept(checkedRaw("readings", input.readings));
  const wrapped = wrappedAt === undefined ? [] : all.filter(([m]) => m >= wrappedAt);
  // What went before the wrapping told of another surface.
  const points: Points = wrapped.length ? wrapped : all;
  const last = points[points.length - 1];
  const bare = (status: Forecast["status"], minutes: number | null = null): Forecast => ({
    status,
    etaMin: minutes,
    lowMin: minutes,
    highMin: minutes,
    slopeCPerH: null,
  });
  if (!last) return bare("noData");
  if (last[1] >= target) return bare("done", 0);
  if (chamber <= target) return bare("never");

  const [start, t0] = points[0] as readonly [number, number];
  const now = current(points);
  const span = chamber - target;
  const elapsed = last[0] - start;
  const taus = Array.from({ length: 40 }, (_, j) => tau0 * 0.25 * 16 ** (j / 39));
  const tauPrior = (tau: number) => -square(Math.log(tau / (0.85 * tau0)) / 0.45) / 2;
  const learned = points.length >= 6 && now - t0 >= 3;
  const lately = slope(points, 30);
  const smoke = chamber <= SMOKE_CHAMBER && target > SMOKE_TARGET && input.unwrapped === true && wrappedAt === undefined;
  const share = (end: number, t: number) => (end - t) / (end - t0);

  let status: Forecast["status"] = learned ? "forecast" : "learning";
  let ways: Weighted[];
  if (smoke) {
    const wet = points.filter(([, t]) => t < WET_TO);
    const warmest = wet.reduce((m, [, t]) => Math.max(m, t), t0);
    const stallC = stallTemperature({ pitC: Math.max(60, chamber) }).value;
    const ends = Array.from({ length: 20 }, (_, i) => 50 + ((chamber - 50) * i) / 19).filter((e) => e > warmest + 0.5);
    const prior = (end: number, tau: number) => -square(Math.log((end - t0) / (stallC + 4 - t0)) / 0.2) / 2 + tauPrior(tau);
    const fit = cells({ points, used: learned ? wet : [], taus, ends, prior, ...noise });
    const byTau = fit.flatMap((c) =>
      [0.4, 0.65, 0.9].map((part): Weighted => {
        const end = target + span * part;
        return [c.tau * (inverse(c.table, share(end, target)) - inverse(c.table, share(end, now))), c.weight];
      }),
    );
    let stall: readonly number[] = [0];
    if (lately !== undefined && lately * 60 < 4 && now >= 58 && now < 84) {
      status = "stall";
      const since = lastAt(points, now - 3) ?? start;
      stall = stallPrior({ halfM, elapsedMin: Math.max(0, last[0] - since) }).value;
    } else if (now < 74) {
      if (learned) status = "beforeStall";
      const shrunk = now > 60 ? Math.max(0.15, (76 - now) / 16) : 1;
      stall = stallPrior({ halfM }).value.map((m) => m * shrunk);
    }
    ways = byTau.flatMap(([m, w]) => stall.map((extra): Weighted => [m + extra, w / stall.length]));
  } else {
    const ends = Array.from({ length: 20 }, (_, i) => target + span * 0.02 * 50 ** (i / 19)).filter((e) => e > now);
    const prior = (end: number, tau: number) => -square(Math.log((end - target) / (0.22 * span)) / 0.9) / 2 + tauPrior(tau);
    const fit = cells({ points, used: learned ? points : [], taus, ends, prior, ...noise });
    ways = fit.map((c): Weighted => [c.tau * (inverse(c.table, share(c.end, target)) - inverse(c.table, share(c.end, now))), c.weight]);
    // A second opinion: the line of late, which guards against a surface that dries.
    const rise = slope(points, Math.min(30, Math.max(10, 0.2 * elapsed)));
    if (now - t0 >= 0.3 * (target - t0) && rise !== undefined && rise > 0.02) {
      const total = ways.reduce((n, [, w]) => n + w, 0);
      const line = (target - now) / rise;
      for (const factor of [0.95, 1.03, 1.11, 1.2, 1.32]) ways.push([line * factor, total / 5]);
    }
  }
  ways.sort((a, b) => a[0] - b[0]);
  const eta = quantile(ways, 0.5);
  const [less, more] = smoke ? [0.14, 0.16] : [0.04, 0.06];
  return {
    status,
    etaMin: eta,
    lowMin: Math.max(0, eta - 1.15 * (eta - quantile(ways, 0.1)) - 1 - less * eta),
    highMin: eta + 1.15 * (quantile(ways, 0.9) - eta) + 1 + more * eta,
    slopeCPerH: lately === undefined ? null : lately * 60,
  };
}
