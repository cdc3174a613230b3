// The learning solver: whole-number variables by their bounds, time lags, clauses over bounds, and what conflicts teach.
//
// Bound 2v is the lower bound of variable v, bound 2v + 1 its upper bound negated, so that both only ever rise and one code path serves
// both. A literal (b, k) says "bound b is at least k"; its negation is (b ^ 1, 1 - k). A yes-or-no variable runs from 0 to 1 and is named
// by the bound that makes it true (2v for yes, 2v + 1 for no).
//
// Method: lazy clause generation. Each change of a bound stands on a trail with its reason; a conflict is resolved back to its first unique
// implication point, and the clause learned holds for good. Sources: Ohrimenko, Stuckey and Codish 2009; Feydy and Stuckey 2009.
import type { Intervals } from "../../time/interval";
import { Heap } from "./heap";

/** Why a bound stands where it stands. */
const DECISION = 0;
const ARC = 1;
const CLAUSE = 2;
const POOL = 3;
const GAP = 4;

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

export type Outcome = "found" | "refuted" | "spent";

export const truth = (bound: number) => 1 - (bound & 1);
/** Above so many assumptions they share a level. */
const MANY_ASSUMED = 8;
/** Most yes-or-no variables have no arcs and few watches: they share one empty list until they need their own. */
const NONE: number[] = [];

function append(lists: number[][], at: number, ...items: number[]): void {
  const list = lists[at] as number[];
  if (list === NONE) lists[at] = items;
  else list.push(...items);
}

const FIRST_REDUCTION = 4_000;

export class Solver {
  /** Bounds, by the numbering above. */
  bound = new Int32Array(256);
  variables = 0;
  level = 0;
  conflicts = 0;
  /** Bounds changed so far: the measure of work, the same on every machine. */
  changes = 0;
  /** Trail position at which each level begins. */
  readonly #levels: number[] = [];
  readonly #poolMarks: number[] = [];
  readonly #gaps: (Int32Array | undefined)[] = [];
  readonly #arcsOf: number[][] = [];
  readonly #watches: number[][] = [];
  readonly #propagatorsOf: number[][] = [];
  #arcSource: number[] = [];
  #arcTarget: number[] = [];
  #arcLag: number[] = [];
  #arcIf: number[] = [];
  /** Conditional arcs by the literal that turns them on. */
  readonly #arcsIf = new Map<number, number[]>();
  #clauses: Clause[] = [];
  #learnedCount = 0;
  #reduceAt = FIRST_REDUCTION;
  #bump = 1;
  #clauseBump = 1;
  #refuted = false;
  /** Something was added at level 0 that has not been carried on yet. */
  #fresh = true;

  // The trail: which bound, its value after and before, the entry of that bound before, reason, level.
  #top = 0;
  #tBound = new Int32Array(1024);
  #tValue = new Int32Array(1024);
  #tOld = new Int32Array(1024);
  #tBefore = new Int32Array(1024);
  #tKind = new Int8Array(1024);
  #tWhy = new Int32Array(1024);
  #tLevel = new Int32Array(1024);
  #latest = new Int32Array(256).fill(-1);
  #pool = new Int32Array(4096);
  #poolTop = 0;

  #queue: number[] = [];
  #queueHead = 0;
  #queued = new Uint8Array(256);
  readonly #propagators: Propagator[] = [];
  readonly #waiting: [number[], number[], number[]] = [[], [], []];
  readonly #isWaiting: boolean[] = [];

  readonly #conflict: number[] = [];
  // Scratch of the analysis: the value needed of each bound and the trail entry that first gave it.
  #needed = new Int32Array(256);
  #neededAt = new Int32Array(256).fill(-1);
  #marked = new Uint8Array(1024);
  readonly #touched: number[] = [];
  readonly #reason: number[] = [];

  /** Yes-or-no variables by how often conflicts turned on them. */
  readonly order = new Heap();
  /** What a yes-or-no variable is tried as first: 0 or 1. */
  phase = new Int8Array(128);
  readonly isLiteral: boolean[] = [];

  // --- Building ---------------------------------------------------------------------------------------------------

  /** A variable from `low` to `high`, both included, within `domain` where that is given (it must hold both ends). */
  newVariable(low: number, high: number, domain?: Intervals): number {
    const v = this.variables++;
    if (2 * this.variables > this.bound.length) this.#grow();
    this.bound[2 * v] = low;
    this.bound[2 * v + 1] = -high;
    this.#gaps.push(domain && domain.length > 1 ? Int32Array.from(domain.flat()) : undefined);
    for (let i = 0; i < 2; i++) {
      this.#arcsOf.push(NONE);
      this.#watches.push(NONE);
      this.#propagatorsOf.push(NONE);
    }
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

  #grow(): void {
    const more = (a: Int32Array, fill = 0) => {
      const b = new Int32Array(a.length * 2).fill(fill);
      b.set(a);
      return b;
    };
    this.bound = more(this.bound);
    this.#latest = more(this.#latest, -1);
    this.#needed = more(this.#needed);
    this.#neededAt = more(this.#neededAt, -1);
    const queued = new Uint8Array(this.#queued.length * 2);
    queued.set(this.#queued);
    this.#queued = queued;
    const phase = new Int8Array(this.phase.length * 2);
    phase.set(this.phase);
    this.phase = phase;
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
    this.#fresh = true;
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
    this.#fresh = true;
    const kept: number[] = [];
    for (let i = 0; i < lits.length; i += 2) {
      const [b, k] = [lits[i] as number, lits[i + 1] as number];
      if ((this.bound[b] as number) >= k) return true;
      if ((this.bound[b ^ 1] as number) < 1 - k) kept.push(b, k);
    }
    if (kept.length === 0) {
      this.#refuted = true;
      return false;
    }
    if (kept.length === 2) return this.#set(kept[0] as number, kept[1] as number, DECISION, 0) || this.#refute();
    this.#attach({ lits: Int32Array.from(kept), learned: false, spread: 0, activity: 0 });
    return true;
  }

  /** At level 0: bound b is at least k for good. */
  assert(b: number, k: number): boolean {
    this.#fresh = true;
    return this.#set(b, k, DECISION, 0) || this.#refute();
  }

  #refute(): false {
    this.#refuted = true;
    return false;
  }

  #attach(clause: Clause): number {
    const index = this.#clauses.length;
    this.#clauses.push(clause);
    this.#watch(clause.lits, 0, index);
    this.#watch(clause.lits, 2, index);
    return index;
  }

  #watch(lits: Int32Array, at: number, index: number): void {
    append(this.#watches, (lits[at] as number) ^ 1, 1 - (lits[at + 1] as number), index);
  }

  addPropagator(propagator: Propagator, bounds: Iterable<number>): void {
    const index = this.#propagators.length;
    this.#propagators.push(propagator);
    this.#isWaiting.push(true);
    this.#waiting[propagator.cost].push(index);
    for (const b of new Set(bounds)) append(this.#propagatorsOf, b, index);
  }

  // --- Reading ----------------------------------------------------------------------------------------------------

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

  /** Opens a level with a decision. */
  decide(b: number, k: number): void {
    this.#levels.push(this.#top);
    this.#poolMarks.push(this.#poolTop);
    this.level++;
    this.#set(b, k, DECISION, 0);
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
    return this.#set(b, k, POOL, at);
  }

  /** What was given as reason cannot all hold. */
  contradict(): false {
    this.#conflict.length = 0;
    this.#conflict.push(...this.#reason);
    return false;
  }

  #enqueue(b: number): void {
    if (this.#queued[b]) return;
    this.#queued[b] = 1;
    this.#queue.push(b);
  }

  #set(b: number, k: number, kind: number, why: number): boolean {
    const old = this.bound[b] as number;
    if (k <= old) return true;
    const other = this.bound[b ^ 1] as number;
    if (k + other > 0) {
      // Only as much as is needed: the least value that the other bound forbids.
      this.#conflict.length = 0;
      this.#explain(b, 1 - other, kind, why, this.#conflict);
      this.#conflict.push(b ^ 1, other);
      return false;
    }
    this.changes++;
    const t = this.#top++;
    if (t === this.#tBound.length) this.#growTrail();
    this.#tBound[t] = b;
    this.#tValue[t] = k;
    this.#tOld[t] = old;
    this.#tBefore[t] = this.#latest[b] as number;
    this.#tKind[t] = kind;
    this.#tWhy[t] = why;
    this.#tLevel[t] = this.level;
    this.#latest[b] = t;
    this.bound[b] = k;
    this.#enqueue(b);
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
      return this.#set(b, -last, GAP, 1 - next);
    }
    const i = this.#intervalBefore(gaps, k);
    const end = gaps[i + 1] as number;
    return k < end || this.#set(b, i + 2 < gaps.length ? (gaps[i + 2] as number) : 1e9, GAP, end);
  }

  #growTrail(): void {
    const more = (a: Int32Array) => {
      const c = new Int32Array(2 * a.length);
      c.set(a);
      return c;
    };
    this.#tBound = more(this.#tBound);
    this.#tValue = more(this.#tValue);
    this.#tOld = more(this.#tOld);
    this.#tBefore = more(this.#tBefore);
    this.#tWhy = more(this.#tWhy);
    this.#tLevel = more(this.#tLevel);
    const kind = new Int8Array(2 * this.#tKind.length);
    kind.set(this.#tKind);
    this.#tKind = kind;
    const marked = new Uint8Array(2 * this.#marked.length);
    marked.set(this.#marked);
    this.#marked = marked;
  }

  /** Back to a level; 0 is what holds for good. */
  backTo(level: number): void {
    if (level < this.level) {
      const to = this.#levels[level] as number;
      for (let t = this.#top - 1; t >= to; t--) {
        const b = this.#tBound[t] as number;
        this.bound[b] = this.#tOld[t] as number;
        this.#latest[b] = this.#tBefore[t] as number;
        if (this.isLiteral[b >> 1]) this.order.add(b >> 1);
      }
      this.#top = to;
      this.#poolTop = this.#poolMarks[level] as number;
      this.#levels.length = level;
      this.#poolMarks.length = level;
      this.level = level;
    }
    for (let i = this.#queueHead; i < this.#queue.length; i++) this.#queued[this.#queue[i] as number] = 0;
    this.#queue.length = 0;
    this.#queueHead = 0;
    for (const list of this.#waiting) {
      for (const p of list) this.#isWaiting[p] = false;
      list.length = 0;
    }
  }

  // --- Propagation ------------------------------------------------------------------------------------------------

  /** To a fixed point; false after a conflict. */
  propagate(): boolean {
    for (;;) {
      while (this.#queueHead < this.#queue.length) {
        const b = this.#queue[this.#queueHead++] as number;
        this.#queued[b] = 0;
        if (!this.#propagateClauses(b) || !this.#propagateArcs(b)) return false;
        for (const p of this.#propagatorsOf[b] as number[]) {
          if (this.#isWaiting[p]) continue;
          this.#isWaiting[p] = true;
          this.#waiting[(this.#propagators[p] as Propagator).cost].push(p);
        }
      }
      this.#queue.length = 0;
      this.#queueHead = 0;
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
        if (!this.#set(target, reach, ARC, arc)) return false;
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
        if (!this.#set(this.#arcTarget[arc] as number, reach, ARC, arc)) return false;
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
      const { lits } = this.#clauses[index] as Clause;
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
      if (!this.#set(lits[0] as number, lits[1] as number, CLAUSE, index)) holds = false;
    }
    list.length = write;
    return holds;
  }

  // --- Learning ---------------------------------------------------------------------------------------------------

  /** Appends the literals that make (b, k) true by a reason. */
  #explain(b: number, k: number, kind: number, why: number, into: number[]): void {
    if (kind === ARC) {
      into.push(this.#arcSource[why] as number, k - (this.#arcLag[why] as number));
      const when = this.#arcIf[why] as number;
      if (when >= 0) into.push(when, truth(when));
    } else if (kind === GAP) into.push(b, why);
    else if (kind === POOL) {
      const length = this.#pool[why] as number;
      for (let i = why + 1; i <= why + length; i++) into.push(this.#pool[i] as number);
    } else if (kind === CLAUSE) {
      const clause = this.#clauses[why] as Clause;
      if (clause.learned) this.#bumpClause(clause);
      const { lits } = clause;
      for (let i = 0; i < lits.length; i += 2) {
        if (lits[i] !== b || (lits[i + 1] as number) < k) into.push((lits[i] as number) ^ 1, 1 - (lits[i + 1] as number));
      }
    }
  }

  /** The trail entry that first made (b, k) true; -1 where that was so before all. */
  #entryOf(b: number, k: number): number {
    let t = this.#latest[b] as number;
    while (t >= 0 && (this.#tOld[t] as number) >= k) t = this.#tBefore[t] as number;
    return t;
  }

  #current = 0;
  /** Notes that (b, k) is part of the reason under analysis. */
  #need(b: number, k: number): void {
    const known = this.#neededAt[b] as number;
    if (known >= 0 && (this.#needed[b] as number) >= k) return;
    const t = this.#entryOf(b, k);
    if (t < 0 || this.#tLevel[t] === 0) return;
    if (known >= 0) {
      this.#marked[known] = 0;
      if (this.#tLevel[known] === this.level) this.#current--;
    } else this.#touched.push(b);
    this.#needed[b] = k;
    this.#neededAt[b] = t;
    this.#marked[t] = 1;
    if (this.#tLevel[t] === this.level) this.#current++;
    if (this.isLiteral[b >> 1]) this.#bumpVariable(b >> 1);
  }

  #bumpVariable(v: number): void {
    if (this.order.raise(v, this.#bump)) this.#bump *= 1e-100;
  }

  #bumpClause(clause: Clause): void {
    clause.activity += this.#clauseBump;
    if (clause.activity > 1e20) {
      for (const c of this.#clauses) c.activity *= 1e-20;
      this.#clauseBump *= 1e-20;
    }
  }

  /** The deepest level that the conflict noted needs. */
  #deepest(): number {
    let deepest = 0;
    for (let i = 0; i < this.#conflict.length; i += 2) {
      const t = this.#entryOf(this.#conflict[i] as number, this.#conflict[i + 1] as number);
      if (t >= 0) deepest = Math.max(deepest, this.#tLevel[t] as number);
    }
    return deepest;
  }

  /** Opens one level with all of these; false where they clash with what holds for good. */
  #assumeAll(assume: readonly number[]): boolean {
    this.#levels.push(this.#top);
    this.#poolMarks.push(this.#poolTop);
    this.level++;
    for (let i = 0; i < assume.length; i += 2) if (!this.#set(assume[i] as number, assume[i + 1] as number, DECISION, 0)) return false;
    return true;
  }

  /** Learns from the conflict noted and goes back to where the lesson bites. False where nothing can be mended. */
  #learn(): boolean {
    this.conflicts++;
    if (this.level === 0) return false;
    // A conflict that needs nothing of this level (a propagator ran late) is taken back first.
    const deepest = this.#deepest();
    if (deepest === 0) {
      this.backTo(0);
      return false;
    }
    if (deepest < this.level) this.backTo(deepest);
    this.#current = 0;
    for (let i = 0; i < this.#conflict.length; i += 2) this.#need(this.#conflict[i] as number, this.#conflict[i + 1] as number);
    const reason: number[] = [];
    let t = this.#top - 1;
    let b: number;
    for (;;) {
      while (!this.#marked[t]) t--;
      b = this.#tBound[t] as number;
      if (this.#current === 1) break;
      this.#marked[t] = 0;
      this.#neededAt[b] = -1;
      this.#current--;
      reason.length = 0;
      this.#explain(b, this.#needed[b] as number, this.#tKind[t] as number, this.#tWhy[t] as number, reason);
      for (let i = 0; i < reason.length; i += 2) this.#need(reason[i] as number, reason[i + 1] as number);
      t--;
    }
    const lesson = [b ^ 1, 1 - (this.#needed[b] as number)];
    let back = 0;
    let second = 2;
    const levels = new Set<number>();
    for (const c of this.#touched) {
      const at = this.#neededAt[c] as number;
      if (at < 0 || c === b || this.#isImplied(c, at)) continue;
      const level = this.#tLevel[at] as number;
      levels.add(level);
      if (level > back) {
        back = level;
        second = lesson.length;
      }
      lesson.push(c ^ 1, 1 - (this.#needed[c] as number));
    }
    for (const c of this.#touched) {
      const at = this.#neededAt[c] as number;
      if (at >= 0) this.#marked[at] = 0;
      this.#neededAt[c] = -1;
    }
    this.#touched.length = 0;
    this.backTo(back);
    this.#bump /= 0.95;
    this.#clauseBump /= 0.999;
    if (lesson.length === 2) return this.#set(lesson[0] as number, lesson[1] as number, DECISION, 0);
    const swap = (i: number) => {
      const x = lesson[i] as number;
      lesson[i] = lesson[second + (i - 2)] as number;
      lesson[second + (i - 2)] = x;
    };
    swap(2);
    swap(3);
    const index = this.#attach({ lits: Int32Array.from(lesson), learned: true, spread: levels.size + 1, activity: this.#clauseBump });
    this.#learnedCount++;
    return this.#set(lesson[0] as number, lesson[1] as number, CLAUSE, index);
  }

  /** Whether what is needed of a bound follows from the rest of what is needed. */
  #isImplied(b: number, at: number): boolean {
    const kind = this.#tKind[at] as number;
    if (kind === DECISION) return false;
    const reason: number[] = [];
    this.#explain(b, this.#needed[b] as number, kind, this.#tWhy[at] as number, reason);
    for (let i = 0; i < reason.length; i += 2) {
      const c = reason[i] as number;
      const k = reason[i + 1] as number;
      const known = this.#neededAt[c] as number;
      if (known >= 0 && known < at && (this.#needed[c] as number) >= k) continue;
      const t = this.#entryOf(c, k);
      if (t >= 0 && this.#tLevel[t] !== 0) return false;
    }
    return true;
  }

  /** Forgets the half of what was learned that has helped least. At level 0 only, when nothing rests on a clause. */
  #reduce(): void {
    const worst = this.#clauses
      .filter((c) => c.learned && c.spread > 2 && c.lits.length > 4)
      .sort((a, b) => a.activity - b.activity || b.spread - a.spread);
    const gone = new Set(worst.slice(0, worst.length >> 1));
    this.#clauses = this.#clauses.filter((c) => !gone.has(c));
    this.#learnedCount -= gone.size;
    for (let b = 0; b < this.#watches.length; b++) this.#watches[b] = NONE;
    this.#clauses.forEach((c, i) => {
      this.#watch(c.lits, 0, i);
      this.#watch(c.lits, 2, i);
    });
    for (let t = 0; t < this.#top; t++) this.#tKind[t] = DECISION;
  }

  #wakeAll(): void {
    for (let b = 0; b < 2 * this.variables; b++) this.#enqueue(b);
    this.#propagators.forEach((p, i) => {
      if (this.#isWaiting[i]) return;
      this.#isWaiting[i] = true;
      this.#waiting[p.cost].push(i);
    });
  }

  /** What holds for good, carried to a fixed point. False where nothing is left. */
  settle(): boolean {
    this.backTo(0);
    if (this.#refuted) return false;
    this.#wakeAll();
    this.#fresh = false;
    return this.propagate() || this.#refute();
  }

  /**
   * Searches within a budget of conflicts, from level 0.
   * @param assume literals (bound, value) that hold for this search alone, in order; "refuted" then means: under them
   * @param next a decision, or undefined when all that matters is decided; the state is left as found
   */
  search(budget: number, assume: readonly number[], next: () => readonly [number, number] | undefined, stop: () => boolean): Outcome {
    this.backTo(0);
    if (this.#refuted) return "refuted";
    if (this.#learnedCount >= this.#reduceAt) {
      this.#reduce();
      this.#reduceAt += 200;
    }
    if (this.#fresh) this.#wakeAll();
    this.#fresh = false;
    let spent = 0;
    // Many at once share a level: nothing is learned from a conflict among them alone, but they cost one propagation.
    const together = assume.length > 2 * MANY_ASSUMED;
    for (;;) {
      if (!this.propagate()) {
        spent++;
        if (together && this.#deepest() === 1) {
          this.backTo(0);
          return "refuted";
        }
        while (!this.#learn()) {
          if (this.level === 0) {
            this.#refuted = true;
            return "refuted";
          }
          if (together && this.#deepest() === 1) {
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
