// How long an uncertain step is planned to take.
// PERT: a beta distribution over [min, max] with a = 1 + 4(likely − min)/(max − min), b = 1 + 4(max − likely)/(max − min).
// Source: Malcolm, Roseboom, Clark and Fazar, "Application of a technique for research and development program evaluation", 1959.

export type PlanAt = "likely" | "cautious" | "longest";

/** Minutes: least, likely and longest; all equal for a certain duration. */
export interface TimeSpread {
  readonly min: number;
  readonly likely: number;
  readonly max: number;
}

/** The point of the distribution that `cautious` plans with. */
const CAUTIOUS_QUANTILE = 0.8;

/**
 * Whole minutes of one batch: the chosen point of the spread, times k to the power `grows`, rounded up.
 * @returns ≥ 0; a scaled length of 90.0000001 min counts as 90
 */
export function plannedLength(time: TimeSpread, planAt: PlanAt, k: number, grows: number): number {
  const base = planAt === "likely" ? time.likely : planAt === "longest" ? time.max : pertQuantile(time, CAUTIOUS_QUANTILE);
  return Math.ceil(base * k ** grows - 1e-6);
}

/**
 * Quantile of the PERT distribution, minutes.
 * @param q in (0, 1)
 * @example pertQuantile({ min: 45, likely: 60, max: 90 }, 0.8) // 69.6…
 */
export function pertQuantile(time: TimeSpread, q: number): number {
  const width = time.max - time.min;
  if (width === 0) return time.likely;
  const a = 1 + (4 * (time.likely - time.min)) / width;
  const b = 1 + (4 * (time.max - time.likely)) / width;
  let low = 0;
  let high = 1;
  // 50 halvings leave an error far below a thousandth of a minute, also over 400 days.
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (regularisedBeta(middle, a, b) < q) low = middle;
    else high = middle;
  }
  return time.min + ((low + high) / 2) * width;
}

/**
 * Share of the PERT distribution at or below so many minutes.
 * @returns in [0, 1]; for a certain length 0 below it and 1 from it on
 * @example pertShare({ min: 45, likely: 60, max: 90 }, 69.6) // 0.79…
 */
export function pertShare(time: TimeSpread, minutes: number): number {
  const width = time.max - time.min;
  if (width === 0) return minutes >= time.likely ? 1 : 0;
  const a = 1 + (4 * (time.likely - time.min)) / width;
  const b = 1 + (4 * (time.max - time.likely)) / width;
  return regularisedBeta((minutes - time.min) / width, a, b);
}

/** Regularised incomplete beta function I_x(a, b) by Lentz's continued fraction. Source: Abramowitz and Stegun, 26.5.8. */
function regularisedBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - regularisedBeta(1 - x, b, a);
  const front = Math.exp(a * Math.log(x) + b * Math.log(1 - x) - logBeta(a, b)) / a;
  let f = 1;
  let c = 1;
  let d = 0;
  for (let i = 0; i <= 200; i++) {
    const m = i >> 1;
    const term =
      i === 0
        ? 1
        : i % 2 === 0
          ? (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
          : (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + term * d);
    c = nonZero(1 + term / c);
    f *= c * d;
    if (Math.abs(1 - c * d) < 1e-12) break;
  }
  return front * (f - 1);
}

const nonZero = (x: number) => (Math.abs(x) < 1e-30 ? 1e-30 : x);

const logBeta = (a: number, b: number) => logGamma(a) + logGamma(b) - logGamma(a + b);

/** log Γ for arguments ≥ 1, Lanczos approximation (g = 7, 9 terms), relative error below 1e-13. */
function logGamma(x: number): number {
  const terms = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
    -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  const z = x - 1;
  const t = z + 7.5;
  const sum = terms.reduce((s, term, i) => (i === 0 ? term : s + term / (z + i)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}
