// The trail: whole-number variables by their bounds, each change of a bound with its reason, and the way back.
//
// Bound 2v is the lower bound of variable v, bound 2v + 1 its upper bound negated, so that both only ever rise and one code path serves
// both. A literal (b, k) says "bound b is at least k"; its negation is (b ^ 1, 1 - k). A yes-or-no variable runs from 0 to 1 and is named
// by the bound that makes it true (2v for yes, 2v + 1 for no).
//
// Invariants, between calls: no variable has its low above its high; every entry of the trail has the level that was open when it was made;
// the entries of one bound form a chain (`latest`, then `tBefore`) of falling values.
import type { Intervals } from "../../time/interval";
import { Heap } from "./heap";

/** Why a bound stands where it stands. */
export const DECISION = 0;
export const ARC = 1;
export const CLAUSE = 2;
const POOL = 3;
const GAP = 4;

/** A longer copy, its new places filled. */
export function grown(from: Int32Array, length: number, fill = 0): Int32Array<ArrayBuffer> {
  const to = new Int32Array(length).fill(fill);
  to.set(from);
  return to;
}

/** What a yes-or-no bound must be at least for its literal to be true. */
export const truth = (bound: number) => 1 - (bound & 1);

export class Trail {
  /** Bounds, by the numbering above. */
  bound = new Int32Array(256);
  variables = 0;
  level = 0;
  /** Bounds changed so far: the measure of work, the same on every machine. */
  changes = 0;
  /** Trail position at which each level begins. */
  readonly #levels: number[] = [];
  readonly #poolMarks: number[] = [];
  /** The intervals of a variable that may not take every value between its bounds, flattened. */
  readonly #gaps: (Int32Array | undefined)[] = [];

  // The trail: which bound, its value after and before, the entry of that bound before, reason, level.
  protected top = 0;
  protected tBound = new Int32Array(1024);
  #tValue = new Int32Array(1024);
  #tOld = new Int32Array(1024);
  #tBefore = new Int32Array(1024);
  protected tKind = new Int8Array(1024);
  protected tWhy = new Int32Array(1024);
  protected tLevel = new Int32Array(1024);
  #latest = new Int32Array(256).fill(-1);
  #pool = new Int32Array(4096);
  #poolTop = 0;

  // Bounds that have moved and were not carried on yet.
  protected queue: number[] = [];
  protected queueHead = 0;
  protected queued = new Uint8Array(256);

  protected readonly conflict: number[] = [];
  readonly #reason: number[] = [];

  /** Yes-or-no variables by how often conflicts turned on them. */
  readonly order = new Heap();
  /** What a yes-or-no variable is tried as first: 0 or 1. */
  phase = new Int8Array(128);
  readonly isLiteral: boolean[] = [];

  // --- Variables --------------------------------------------------------------------------------------------------

  /** A variable from `low` to `high`, both included, within `domain` where that is given (it must hold both ends). */
  newVariable(low: number, high: number, domain?: Intervals): number {
    const v = this.variables++;
    if (2 * this.variables > this.bound.length) this.grow();
    this.bound[2 * v] = low;
    this.bound[2 * v + 1] = -high;
    this.#gaps.push(domain && domain.length > 1 ? Int32Array.from(domain.flat()) : undefined);
    this.isLiteral.push(false);
    return v;
  }

  /** A yes-or-no variable; returns the literal for yes. */
  newLiteral(): number {
    const v = this.newVariable(0, 1);
    this.isLiteral[v] = true;
    this.order.add(v);
    return 2 * v;
  }

  protected grow(): void {
    const length = 2 * this.bound.length;
    this.bound = grown(this.bound, length);
    this.#latest = grown(this.#latest, length, -1);
    const queued = new Uint8Array(this.queued.length * 2);
    queued.set(this.queued);
    this.queued = queued;
    const phase = new Int8Array(this.phase.length * 2);
    phase.set(this.phase);
    this.phase = phase;
  }

  low(v: number): number {
    return this.bound[2 * v] as number;
  }

  high(v: number): number {
    return -(this.bound[2 * v + 1] as number);
  }

  isFixed(v: number): boolean {
    return this.bound[2 * v] === -(this.bound[2 * v + 1] as number);
  }

  isTrue(literal: number): boolean {
    return (this.bound[literal] as number) >= truth(literal);
  }

  isFalse(literal: number): boolean {
    return (this.bound[literal ^ 1] as number) >= truth(literal ^ 1);
  }

  /** The greatest value not above `value` that the gaps of a variable allow. */
  atOrBefore(v: number, value: number): number {
    const gaps = this.#gaps[v];
    if (!gaps) return value;
    const i = this.#intervalBefore(gaps, value);
    return i < 0 ? value : Math.min(value, (gaps[i + 1] as number) - 1);
  }

  // --- Changing ---------------------------------------------------------------------------------------------------

  protected openLevel(): void {
    this.#levels.push(this.top);
    this.#poolMarks.push(this.#poolTop);
    this.level++;
  }

  /** Opens a level with a decision. */
  decide(b: number, k: number): void {
    this.openLevel();
    this.set(b, k, DECISION, 0);
  }

  /** Begins the reason of a change; follow with `because` and `conclude` or `contradict`. */
  begin(): void {
    this.#reason.length = 0;
  }

  /** A bound that the change rests on. */
  because(b: number, k: number): void {
    this.#reason.push(b, k);
  }

  /** Bound b is at least k, since all that was given as reason holds. */
  conclude(b: number, k: number): boolean {
    if (k <= (this.bound[b] as number)) return true;
    const at = this.#poolTop;
    const need = at + this.#reason.length + 1;
    if (need > this.#pool.length) {
      const pool = new Int32Array(Math.max(need, 2 * this.#pool.length));
      pool.set(this.#pool);
      this.#pool = pool;
    }
    this.#pool[at] = this.#reason.length;
    this.#pool.set(this.#reason, at + 1);
    this.#poolTop = need;
    return this.set(b, k, POOL, at);
  }

  /** What was given as reason cannot all hold. */
  contradict(): false {
    this.conflict.length = 0;
    this.conflict.push(...this.#reason);
    return false;
  }

  protected enqueue(b: number): void {
    if (this.queued[b]) return;
    this.queued[b] = 1;
    this.queue.push(b);
  }

  protected set(b: number, k: number, kind: number, why: number): boolean {
    const old = this.bound[b] as number;
    if (k <= old) return true;
    const other = this.bound[b ^ 1] as number;
    if (k + other > 0) {
      // Only as much as is needed: the least value that the other bound forbids.
      this.conflict.length = 0;
      this.explain(b, 1 - other, kind, why, this.conflict);
      this.conflict.push(b ^ 1, other);
      return false;
    }
    this.changes++;
    const t = this.top++;
    if (t === this.tBound.length) this.growTrail();
    this.tBound[t] = b;
    this.#tValue[t] = k;
    this.#tOld[t] = old;
    this.#tBefore[t] = this.#latest[b] as number;
    this.tKind[t] = kind;
    this.tWhy[t] = why;
    this.tLevel[t] = this.level;
    this.#latest[b] = t;
    this.bound[b] = k;
    this.enqueue(b);
    const gaps = this.#gaps[b >> 1];
    return gaps ? this.#leaveGap(b, k, gaps) : true;
  }

  #intervalBefore(gaps: Int32Array, value: number): number {
    let low = 0;
    let high = gaps.length / 2;
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((gaps[2 * mid] as number) <= value) low = mid + 1;
      else high = mid;
    }
    return 2 * (low - 1);
  }

  #leaveGap(b: number, k: number, gaps: Int32Array): boolean {
    if (b & 1) {
      const value = -k;
      const i = this.#intervalBefore(gaps, value);
      const last = (gaps[i + 1] as number) - 1;
      if (last >= value) return true;
      const next = i + 2 < gaps.length ? (gaps[i + 2] as number) : value + 1;
      return this.set(b, -last, GAP, 1 - next);
    }
    const i = this.#intervalBefore(gaps, k);
    const end = gaps[i + 1] as number;
    return k < end || this.set(b, i + 2 < gaps.length ? (gaps[i + 2] as number) : 1e9, GAP, end);
  }

  protected growTrail(): void {
    const length = 2 * this.tBound.length;
    this.tBound = grown(this.tBound, length);
    this.#tValue = grown(this.#tValue, length);
    this.#tOld = grown(this.#tOld, length);
    this.#tBefore = grown(this.#tBefore, length);
    this.tWhy = grown(this.tWhy, length);
    this.tLevel = grown(this.tLevel, length);
    const kind = new Int8Array(length);
    kind.set(this.tKind);
    this.tKind = kind;
  }

  /** Back to a level; 0 is what holds for good. */
  backTo(level: number): void {
    if (level < this.level) {
      const to = this.#levels[level] as number;
      for (let t = this.top - 1; t >= to; t--) {
        const b = this.tBound[t] as number;
        this.bound[b] = this.#tOld[t] as number;
        this.#latest[b] = this.#tBefore[t] as number;
        if (this.isLiteral[b >> 1]) this.order.add(b >> 1);
      }
      this.top = to;
      this.#poolTop = this.#poolMarks[level] as number;
      this.#levels.length = level;
      this.#poolMarks.length = level;
      this.level = level;
    }
    for (let i = this.queueHead; i < this.queue.length; i++) this.queued[this.queue[i] as number] = 0;
    this.queue.length = 0;
    this.queueHead = 0;
  }

  // --- Reasons ----------------------------------------------------------------------------------------------------

  /** Appends the literals that make (b, k) true by a reason. */
  protected explain(b: number, _k: number, kind: number, why: number, into: number[]): void {
    if (kind === GAP) into.push(b, why);
    else if (kind === POOL) {
      const length = this.#pool[why] as number;
      for (let i = why + 1; i <= why + length; i++) into.push(this.#pool[i] as number);
    }
  }

  /** What stands at level 0 stands for good: its reasons are never asked for again. */
  protected forgetReasons(): void {
    for (let t = 0; t < this.top; t++) this.tKind[t] = DECISION;
  }

  /** The trail entry that first made (b, k) true; -1 where that was so before all. */
  protected entryOf(b: number, k: number): number {
    let t = this.#latest[b] as number;
    while (t >= 0 && (this.#tOld[t] as number) >= k) t = this.#tBefore[t] as number;
    return t;
  }
}
