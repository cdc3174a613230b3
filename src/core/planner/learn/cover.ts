// A run whose length is open must lie inside one stretch of minutes: somebody there throughout, or no window that forbids it.
import type { Intervals } from "../../time/interval";
import type { Moment } from "./cumulative";
import type { Propagator, Solver } from "./solver";

export class Cover implements Propagator {
  readonly cost = 0;

  /** @param stretches sorted, disjoint; the run lies inside one of them */
  constructor(
    readonly solver: Solver,
    readonly from: Moment,
    readonly to: Moment,
    readonly stretches: Intervals,
  ) {}

  bounds(): number[] {
    const { from, to } = this;
    return [2 * from.v, 2 * from.v + 1, 2 * to.v, 2 * to.v + 1];
  }

  propagate(): boolean {
    const { solver, from, to, stretches } = this;
    const last = stretches.at(-1);
    const first = stretches[0];
    if (!first || !last) return true;
    // The stretch that the latest start falls into bounds the end; the one that the earliest end falls into bounds the start.
    const latest = solver.high(from.v) + from.plus;
    const after = stretches.findLast(([a]) => a <= latest);
    if (after) {
      const next = stretches.find(([a]) => a > latest);
      solver.begin();
      if (next) solver.because(2 * from.v + 1, from.plus - (next[0] - 1));
      if (!solver.conclude(2 * to.v + 1, to.plus - after[1])) return false;
    }
    const earliest = solver.low(to.v) + to.plus;
    const before = stretches.find(([, b]) => b >= earliest);
    const previous = stretches.findLast(([, b]) => b < earliest);
    if (before) {
      solver.begin();
      if (previous) solver.because(2 * to.v, previous[1] + 1 - to.plus);
      if (!solver.conclude(2 * from.v, before[0] - from.plus)) return false;
    }
    return true;
  }
}
