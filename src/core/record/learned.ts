// How long this cook really takes: the dish's own three-point lengths, moved by what was timed. On the log scale, so that twice as long and half as
// long weigh alike. Three levels that pull few data to what is known otherwise: step ← kind of work ← cook.
// Source: the normal hierarchical model, Gelman and others, "Bayesian Data Analysis", chapter 5; here exact, by messages up and down the tree.
import type { TimeSpread } from "../dish/planned-length";

export interface Timed {
  readonly step: string;
  /** What kind of work it is: those alike run late together. */
  readonly kind: string;
  /** As it was timed. */
  readonly minutes: number;
  /** As the dish says it, for as many guests as came. */
  readonly said: TimeSpread;
  /** Put down in between, or pressed at its end only: no length of the step. */
  readonly interrupted: boolean;
}

export interface LearnedLength {
  readonly step: string;
  /** What was timed, in the order in which it was, without what is left out. */
  readonly timed: readonly number[];
  /** How many were left out: interrupted, or so far off that something else happened. */
  readonly leftOut: number;
  readonly said: TimeSpread;
  /** 10 %, 50 % and 90 % of how long it takes the next time. */
  readonly next: TimeSpread;
}

/** Spreads on the log scale between cooks, between kinds of work of one cook, and between steps of one kind. */
const [COOK, KIND, STEP] = [0.3, 0.15, 0.25];
/** Spread from one time to the next of one step: so much before anything is known, with the weight of so many timings. */
const [NOISE, NOISE_WEIGHT] = [0.18, 4];
/** More than three times as long, or less than a third, is another thing that happened. */
const FAR = Math.log(3);
const TENTH = 1.2815515655446004;
const LEAST_MINUTES = 2;

interface Belief {
  readonly mean: number;
  readonly precision: number;
}
const combined = (all: readonly Belief[]): Belief => {
  const precision = all.reduce((sum, b) => sum + b.precision, 0);
  return { mean: precision > 0 ? all.reduce((sum, b) => sum + b.precision * b.mean, 0) / precision : 0, precision };
};
/** A belief seen from one level further, which adds a spread. */
const beyond = ({ mean, precision }: Belief, spread: number): Belief => ({
  mean,
  precision: precision > 0 ? 1 / (1 / precision + spread * spread) : 0,
});

/** The middle of a three-point length: what half of them stay under, nearly. */
const middleOf = ({ min, likely, max }: TimeSpread) => Math.max(0.5, (min + 4 * likely + max) / 6);

/**
 * @param timed every timing of a dish's steps over all runs, in their order
 * @returns a length for each step that was timed at least once without interruption
 */
export function learnedLengths(timed: readonly Timed[]): LearnedLength[] {
  const steps = new Map<string, { kind: string; said: TimeSpread; ratios: number[]; minutes: number[]; leftOut: number }>();
  for (const t of timed) {
    const one = steps.get(t.step) ?? { kind: t.kind, said: t.said, ratios: [], minutes: [], leftOut: 0 };
    const ratio = Math.log(Math.max(0.5, t.minutes) / middleOf(t.said));
    if (t.interrupted || middleOf(t.said) < LEAST_MINUTES || Math.abs(ratio) > FAR) one.leftOut++;
    else {
      one.ratios.push(ratio);
      one.minutes.push(t.minutes);
    }
    // The dish may have changed since: what it says now counts.
    steps.set(t.step, { ...one, said: t.said });
  }
  const known = [...steps].filter(([, s]) => s.ratios.length > 0);
  const noise = noiseOf(known.map(([, s]) => s.ratios));
  const fromStep = new Map(
    known.map(([ref, s]) => [ref, beyond({ mean: mean(s.ratios), precision: s.ratios.length / noise ** 2 }, STEP)] as const),
  );
  const kinds = [...new Set(known.map(([, s]) => s.kind))];
  const stepsOf = (kind: string) => known.filter(([, s]) => s.kind === kind).map(([ref]) => ref);
  const fromKind = new Map(
    kinds.map((kind) => [kind, beyond(combined(stepsOf(kind).map((ref) => fromStep.get(ref) as Belief)), KIND)] as const),
  );
  const cook: Belief = { mean: 0, precision: 1 / COOK ** 2 };
  return known.map(([ref, s]) => {
    // Down again: what everything but the step itself says about it.
    const otherKinds = kinds.filter((k) => k !== s.kind).map((k) => fromKind.get(k) as Belief);
    const toKind = beyond(combined([cook, ...otherKinds]), KIND);
    const others = stepsOf(s.kind)
      .filter((r) => r !== ref)
      .map((r) => fromStep.get(r) as Belief);
    const toStep = beyond(combined([toKind, ...others]), STEP);
    const now = combined([toStep, { mean: mean(s.ratios), precision: s.ratios.length / noise ** 2 }]);
    const spread = Math.sqrt(1 / now.precision + noise ** 2);
    const at = (z: number) => middleOf(s.said) * Math.exp(now.mean + z * spread);
    return {
      step: ref,
      timed: s.minutes,
      leftOut: s.leftOut,
      said: s.said,
      next: { min: asTold(at(-TENTH)), likely: asTold(at(0)), max: asTold(at(TENTH)) },
    };
  });
}

const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;

/** The spread from time to time, pooled over all steps, pulled to what is usual while there are few. */
function noiseOf(groups: readonly (readonly number[])[]): number {
  let [squares, free] = [0, 0];
  for (const g of groups) {
    const m = mean(g);
    squares += g.reduce((sum, x) => sum + (x - m) ** 2, 0);
    free += g.length - 1;
  }
  return Math.sqrt((NOISE ** 2 * NOISE_WEIGHT + squares) / (NOISE_WEIGHT + free));
}

/** Minutes as a cook says them: whole up to twenty, by fives up to three hours, by quarters beyond. */
function asTold(minutes: number): number {
  const to = minutes < 20 ? 1 : minutes < 180 ? 5 : 15;
  return Math.max(1, Math.round(minutes / to) * to);
}

/** Whether what was learned is news: the likely length a tenth away and a minute at least, or a time that the dish did not expect. */
export function isWorthTelling({ said, next, timed }: LearnedLength): boolean {
  const middle = middleOf(said);
  const away = Math.abs(next.likely - middle) >= Math.max(1, middle / 10);
  return away || timed.some((t) => t < said.min * 0.9 - 1 || t > said.max * 1.1 + 1);
}
