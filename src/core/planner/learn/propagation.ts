// Propagation: what a change of one bound changes of the others, by time lags, by clauses and by constraints with code of their own.
//
// Clauses are watched in two of their literals: as long as neither of the two has become false, the clause cannot force anything. Sources:
// Moskewicz et al. 2001 (watched literals); Feydy and Stuckey 2009 (clauses over bounds).
import type { Intervals } from "../../time/interval";
import { ARC, CLAUSE, DECISION, Trail, truth } from "./trail";

/** A constraint with code of its own, called when one of the bounds it watches has moved. */
export interface Propagator {
  /** Lower goes first. */
  readonly cost: 0 | 1 | 2;
  /** False after a conflict was noted in the solver. */
  propagate(): boolean;
}

interface Clause {
  readonly lits: Int32Array;
  readonly learned: boolean;
  /** Number of decision levels it spans: few is good. */
  readonly spread: number;
  activity: number;
}

/** Most yes-or-no variables have no arcs and few watches: they share one empty list until they need their own. */
const NONE: number[] = [];

function append(lists: number[][], at: number, ...items: number[]): void {
  const list = lists[at] as number[];
  if (list === NONE) lists[at] = items;
  else list.push(...items);
}

export class Propagation extends Trail {
  readonly #arcsOf: number[][] = [];
  readonly #watches: number[][] = [];
  readonly #propagatorsOf: number[][] = [];
  #arcSource: number[] = [];
  #arcTarget: number[] = [];
  #arcLag: number[] = [];
  #arcIf: number[] = [];
  /** Conditional arcs by the literal that turns them on. */
  readonly #arcsIf = new Map<number, number[]>();
  protected clauses: Clause[] = [];
  protected clauseBump = 1;
  protected refuted = false;
  /** Something was added at level 0 that has not been carried on yet. */
  protected fresh = true;
  readonly #propagators: Propagator[] = [];
  readonly #waiting: [number[], number[], number[]] = [[], [], []];
  readonly #isWaiting: boolean[] = [];

  // --- Building ---------------------------------------------------------------------------------------------------

  override newVariable(low: number, high: number, domain?: Intervals): number {
    for (let i = 0; i < 2; i++) {
      this.#arcsOf.push(NONE);
      this.#watches.push(NONE);
      this.#propagatorsOf.push(NONE);
    }
    return super.newVariable(low, high, domain);
  }

  /**
   * value(to) ≥ value(from) + lag, where literal `when` holds (always, if left out). Variables, not bounds.
   * May be added at level 0 only.
   */
  addLag(from: number, to: number, lag: number, when = -1): void {
    this.#addArc(2 * from, 2 * to, lag, when);
    this.#addArc(2 * to + 1, 2 * from + 1, lag, when);
  }

  #addArc(source: number, target: number, lag: number, when: number): void {
    this.fresh = true;
    const arc = this.#arcSource.length;
    this.#arcSource.push(source);
    this.#arcTarget.push(target);
    this.#arcLag.push(lag);
    this.#arcIf.push(when);
    append(this.#arcsOf, source, arc);
    if (when >= 0) {
      const list = this.#arcsIf.get(when);
      if (list) list.push(arc);
      else this.#arcsIf.set(when, [arc]);
    }
  }

  /** At least one of the literals, as pairs (bound, value). At level 0 only. False where that leaves nothing. */
  addClause(lits: readonly number[]): boolean {
    this.fresh = true;
    const kept: number[] = [];
    for (let i = 0; i < lits.length; i += 2) {
      const [b, k] = [lits[i] as number, lits[i + 1] as number];
      if ((this.bound[b] as number) >= k) return true;
      if ((this.bound[b ^ 1] as number) < 1 - k) kept.push(b, k);
    }
    if (kept.length === 0) {
      this.refuted = true;
      return false;
    }
    if (kept.length === 2) return this.set(kept[0] as number, kept[1] as number, DECISION, 0) || this.refute();
    this.attach({ lits: Int32Array.from(kept), learned: false, spread: 0, activity: 0 });
    return true;
  }

  /** At level 0: bound b is at least k for good. */
  assert(b: number, k: number): boolean {
    this.fresh = true;
    return this.set(b, k, DECISION, 0) || this.refute();
  }

  protected refute(): false {
    this.refuted = true;
    return false;
  }

  protected attach(clause: Clause): number {
    const index = this.clauses.length;
    this.clauses.push(clause);
    this.#watch(clause.lits, 0, index);
    this.#watch(clause.lits, 2, index);
    return index;
  }

  #watch(lits: Int32Array, at: number, index: number): void {
    append(this.#watches, (lits[at] as number) ^ 1, 1 - (lits[at + 1] as number), index);
  }

  /** Lets go of clauses; those that stay get new numbers. */
  protected keepClauses(stays: (clause: Clause) => boolean): void {
    this.clauses = this.clauses.filter(stays);
    this.#watches.fill(NONE);
    this.clauses.forEach((clause, i) => {
      this.#watch(clause.lits, 0, i);
      this.#watch(clause.lits, 2, i);
    });
  }

  addPropagator(propagator: Propagator, bounds: Iterable<number>): void {
    const index = this.#propagators.length;
    this.#propagators.push(propagator);
    this.#isWaiting.push(true);
    this.#waiting[propagator.cost].push(index);
    for (const b of new Set(bounds)) append(this.#propagatorsOf, b, index);
  }

  override backTo(level: number): void {
    super.backTo(level);
    for (const list of this.#waiting) {
      for (const p of list) this.#isWaiting[p] = false;
      list.length = 0;
    }
  }

  // --- Propagation ------------------------------------------------------------------------------------------------

  /** To a fixed point; false after a conflict. */
  propagate(): boolean {
    for (;;) {
      while (this.queueHead < this.queue.length) {
        const b = this.queue[this.queueHead++] as number;
        this.queued[b] = 0;
        if (!this.#propagateClauses(b) || !this.#propagateArcs(b)) return false;
        for (const p of this.#propagatorsOf[b] as number[]) {
          if (this.#isWaiting[p]) continue;
          this.#isWaiting[p] = true;
          this.#waiting[(this.#propagators[p] as Propagator).cost].push(p);
        }
      }
      this.queue.length = 0;
      this.queueHead = 0;
      const list = this.#waiting[0].length ? this.#waiting[0] : this.#waiting[1].length ? this.#waiting[1] : this.#waiting[2];
      const p = list.pop();
      if (p === undefined) return true;
      this.#isWaiting[p] = false;
      if (!(this.#propagators[p] as Propagator).propagate()) return false;
    }
  }

  #propagateArcs(b: number): boolean {
    const { bound } = this;
    const value = bound[b] as number;
    for (const arc of this.#arcsOf[b] as number[]) {
      const target = this.#arcTarget[arc] as number;
      const reach = value + (this.#arcLag[arc] as number);
      if (reach <= (bound[target] as number)) continue;
      const when = this.#arcIf[arc] as number;
      if (when < 0 || this.isTrue(when)) {
        if (!this.set(target, reach, ARC, arc)) return false;
      } else if (reach + (bound[target ^ 1] as number) > 0 && !this.isFalse(when)) {
        this.begin();
        this.because(b, value);
        this.because(target ^ 1, 1 - reach);
        if (!this.conclude(when ^ 1, truth(when ^ 1))) return false;
      }
    }
    const turnedOn = this.isLiteral[b >> 1] && this.isTrue(b) ? this.#arcsIf.get(b) : undefined;
    if (turnedOn) {
      for (const arc of turnedOn) {
        const reach = (bound[this.#arcSource[arc] as number] as number) + (this.#arcLag[arc] as number);
        if (!this.set(this.#arcTarget[arc] as number, reach, ARC, arc)) return false;
      }
    }
    return true;
  }

  #propagateClauses(b: number): boolean {
    const list = this.#watches[b] as number[];
    if (list.length === 0) return true;
    const { bound } = this;
    let write = 0;
    let read = 0;
    let holds = true;
    while (read < list.length) {
      const threshold = list[read] as number;
      const index = list[read + 1] as number;
      read += 2;
      if (threshold > (bound[b] as number) || !holds) {
        list[write++] = threshold;
        list[write++] = index;
        continue;
      }
      const { lits } = this.clauses[index] as Clause;
      if (lits[0] === (b ^ 1) && lits[1] === 1 - threshold) {
        lits[0] = lits[2] as number;
        lits[1] = lits[3] as number;
        lits[2] = b ^ 1;
        lits[3] = 1 - threshold;
      }
      if ((bound[lits[0] as number] as number) >= (lits[1] as number)) {
        list[write++] = threshold;
        list[write++] = index;
        continue;
      }
      let moved = false;
      for (let j = 4; j < lits.length; j += 2) {
        const c = lits[j] as number;
        const k = lits[j + 1] as number;
        if ((bound[c ^ 1] as number) >= 1 - k) continue;
        lits[j] = lits[2] as number;
        lits[j + 1] = lits[3] as number;
        lits[2] = c;
        lits[3] = k;
        const watches = this.#watches[c ^ 1] as number[];
        if (watches === NONE) this.#watches[c ^ 1] = [1 - k, index];
        else watches.push(1 - k, index);
        moved = true;
        break;
      }
      if (moved) continue;
      list[write++] = threshold;
      list[write++] = index;
      if (!this.set(lits[0] as number, lits[1] as number, CLAUSE, index)) holds = false;
    }
    list.length = write;
    return holds;
  }

  // --- Reasons ----------------------------------------------------------------------------------------------------

  protected override explain(b: number, k: number, kind: number, why: number, into: number[]): void {
    if (kind === ARC) {
      into.push(this.#arcSource[why] as number, k - (this.#arcLag[why] as number));
      const when = this.#arcIf[why] as number;
      if (when >= 0) into.push(when, truth(when));
    } else if (kind === CLAUSE) {
      const clause = this.clauses[why] as Clause;
      if (clause.learned) this.#bumpClause(clause);
      const { lits } = clause;
      for (let i = 0; i < lits.length; i += 2) {
        if (lits[i] !== b || (lits[i + 1] as number) < k) into.push((lits[i] as number) ^ 1, 1 - (lits[i + 1] as number));
      }
    } else super.explain(b, k, kind, why, into);
  }

  #bumpClause(clause: Clause): void {
    clause.activity += this.clauseBump;
    if (clause.activity > 1e20) {
      for (const c of this.clauses) c.activity *= 1e-20;
      this.clauseBump *= 1e-20;
    }
  }

  protected wakeAll(): void {
    for (let b = 0; b < 2 * this.variables; b++) this.enqueue(b);
    this.#propagators.forEach((p, i) => {
      if (this.#isWaiting[i]) return;
      this.#isWaiting[i] = true;
      this.#waiting[p.cost].push(i);
    });
  }
}
