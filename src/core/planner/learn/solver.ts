// The learning solver: decisions, what follows from them, and what their conflicts teach, within a budget.
//
// Method: lazy clause generation, in layers: trail.ts (bounds and reasons), propagation.ts (time lags, clauses, constraints), analysis.ts
// (what a conflict teaches) and here the search. Sources: Ohrimenko, Stuckey and Codish 2009; Feydy and Stuckey 2009.
import { Analysis } from "./analysis";
import { DECISION } from "./trail";

export type { Propagator } from "./propagation";
export { truth } from "./trail";

export type Outcome = "found" | "refuted" | "spent";

/** Above so many assumptions they share a level. */
const MANY_ASSUMED = 8;

export class Solver extends Analysis {
  /** Opens one level with all of these; false where they clash with what holds for good. */
  #assumeAll(assume: readonly number[]): boolean {
    this.openLevel();
    for (let i = 0; i < assume.length; i += 2) if (!this.set(assume[i] as number, assume[i + 1] as number, DECISION, 0)) return false;
    return true;
  }

  /** What holds for good, carried to a fixed point. False where nothing is left. */
  settle(): boolean {
    this.backTo(0);
    if (this.refuted) return false;
    this.wakeAll();
    this.fresh = false;
    return this.propagate() || this.refute();
  }

  /**
   * Searches within a budget of conflicts, from level 0.
   * @param assume literals (bound, value) that hold for this search alone, in order; "refuted" then means: under them
   * @param next a decision, or undefined when all that matters is decided; the state is left as found
   */
  search(budget: number, assume: readonly number[], next: () => readonly [number, number] | undefined, stop: () => boolean): Outcome {
    this.backTo(0);
    if (this.refuted) return "refuted";
    this.reduce();
    if (this.fresh) this.wakeAll();
    this.fresh = false;
    let spent = 0;
    // Many at once share a level: nothing is learned from a conflict among them alone, but they cost one propagation.
    const together = assume.length > 2 * MANY_ASSUMED;
    for (;;) {
      if (!this.propagate()) {
        spent++;
        if (together && this.deepest() === 1) {
          this.backTo(0);
          return "refuted";
        }
        while (!this.learn()) {
          if (this.level === 0) {
            this.refuted = true;
            return "refuted";
          }
          if (together && this.deepest() === 1) {
            this.backTo(0);
            return "refuted";
          }
        }
        continue;
      }
      if (spent >= budget || (spent % 32 === 31 && stop())) {
        this.backTo(0);
        return "spent";
      }
      if (together && this.level === 0) {
        if (!this.#assumeAll(assume)) {
          this.backTo(0);
          return "refuted";
        }
        continue;
      }
      let decided = together;
      for (let i = 0; i < assume.length && !decided; i += 2) {
        const b = assume[i] as number;
        const k = assume[i + 1] as number;
        if ((this.bound[b] as number) >= k) continue;
        if ((this.bound[b ^ 1] as number) >= 1 - k) {
          this.backTo(0);
          return "refuted";
        }
        this.decide(b, k);
        decided = true;
      }
      if (decided && !together) continue;
      const choice = next();
      if (!choice) return "found";
      this.decide(choice[0], choice[1]);
    }
  }
}
