// Conflict analysis: the clause that a conflict teaches, shortened by what follows from the rest of it, and which of the learned are kept.
//
// A conflict is resolved back along the trail to its first unique implication point; what is learned holds for good. Clauses are
// minimised by self-subsumption and kept by activity and literal block distance (`spread`). Sources: Ohrimenko, Stuckey and Codish 2009;
// Sörensson and Biere 2009 (minimisation); Audemard and Simon 2009 (literal block distance).
import { Propagation } from "./propagation";
import { CLAUSE, DECISION, grown } from "./trail";

const FIRST_REDUCTION = 4_000;
/** Learned clauses more than at the last time, after which the worst half of them is forgotten again. */
const REDUCE_AFTER = 200;

export class Analysis extends Propagation {
  conflicts = 0;
  #learnedCount = 0;
  #reduceAt = FIRST_REDUCTION;
  #bump = 1;
  // Scratch of the analysis: the value needed of each bound and the trail entry that first gave it.
  #needed = new Int32Array(256);
  #neededAt = new Int32Array(256).fill(-1);
  #marked = new Uint8Array(1024);
  readonly #touched: number[] = [];
  /** How much of what is needed was changed at the level of the conflict. */
  #current = 0;

  protected override grow(): void {
    super.grow();
    const { length } = this.bound;
    this.#needed = grown(this.#needed, length);
    this.#neededAt = grown(this.#neededAt, length, -1);
  }

  protected override growTrail(): void {
    super.growTrail();
    const marked = new Uint8Array(2 * this.#marked.length);
    marked.set(this.#marked);
    this.#marked = marked;
  }

  /** Notes that (b, k) is part of the reason under analysis. */
  #need(b: number, k: number): void {
    const known = this.#neededAt[b] as number;
    if (known >= 0 && (this.#needed[b] as number) >= k) return;
    const t = this.entryOf(b, k);
    if (t < 0 || this.tLevel[t] === 0) return;
    if (known >= 0) {
      this.#marked[known] = 0;
      if (this.tLevel[known] === this.level) this.#current--;
    } else this.#touched.push(b);
    this.#needed[b] = k;
    this.#neededAt[b] = t;
    this.#marked[t] = 1;
    if (this.tLevel[t] === this.level) this.#current++;
    if (this.isLiteral[b >> 1]) this.#bumpVariable(b >> 1);
  }

  #bumpVariable(v: number): void {
    if (this.order.raise(v, this.#bump)) this.#bump *= 1e-100;
  }

  /** The deepest level that the conflict noted needs. */
  protected deepest(): number {
    let deepest = 0;
    for (let i = 0; i < this.conflict.length; i += 2) {
      const t = this.entryOf(this.conflict[i] as number, this.conflict[i + 1] as number);
      if (t >= 0) deepest = Math.max(deepest, this.tLevel[t] as number);
    }
    return deepest;
  }

  /** Learns from the conflict noted and goes back to where the lesson bites. False where nothing can be mended. */
  protected learn(): boolean {
    this.conflicts++;
    if (this.level === 0) return false;
    // A conflict that needs nothing of this level (a propagator ran late) is undone first.
    const deepest = this.deepest();
    if (deepest === 0) {
      this.backTo(0);
      return false;
    }
    if (deepest < this.level) this.backTo(deepest);
    this.#current = 0;
    for (let i = 0; i < this.conflict.length; i += 2) this.#need(this.conflict[i] as number, this.conflict[i + 1] as number);
    const reason: number[] = [];
    let t = this.top - 1;
    let b: number;
    for (;;) {
      while (!this.#marked[t]) t--;
      b = this.tBound[t] as number;
      if (this.#current === 1) break;
      this.#marked[t] = 0;
      this.#neededAt[b] = -1;
      this.#current--;
      reason.length = 0;
      this.explain(b, this.#needed[b] as number, this.tKind[t] as number, this.tWhy[t] as number, reason);
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
      const level = this.tLevel[at] as number;
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
    this.clauseBump /= 0.999;
    if (lesson.length === 2) return this.set(lesson[0] as number, lesson[1] as number, DECISION, 0);
    const swap = (i: number) => {
      const x = lesson[i] as number;
      lesson[i] = lesson[second + (i - 2)] as number;
      lesson[second + (i - 2)] = x;
    };
    swap(2);
    swap(3);
    const index = this.attach({ lits: Int32Array.from(lesson), learned: true, spread: levels.size + 1, activity: this.clauseBump });
    this.#learnedCount++;
    return this.set(lesson[0] as number, lesson[1] as number, CLAUSE, index);
  }

  /** Whether what is needed of a bound follows from the rest of what is needed. */
  #isImplied(b: number, at: number): boolean {
    const kind = this.tKind[at] as number;
    if (kind === DECISION) return false;
    const reason: number[] = [];
    this.explain(b, this.#needed[b] as number, kind, this.tWhy[at] as number, reason);
    for (let i = 0; i < reason.length; i += 2) {
      const c = reason[i] as number;
      const k = reason[i + 1] as number;
      const known = this.#neededAt[c] as number;
      if (known >= 0 && known < at && (this.#needed[c] as number) >= k) continue;
      const t = this.entryOf(c, k);
      if (t >= 0 && this.tLevel[t] !== 0) return false;
    }
    return true;
  }

  /** Forgets the half of what was learned that has helped least. At level 0 only, when nothing rests on a clause any more. */
  protected reduce(): void {
    if (this.#learnedCount < this.#reduceAt) return;
    this.#reduceAt += REDUCE_AFTER;
    const worst = this.clauses
      .filter((c) => c.learned && c.spread > 2 && c.lits.length > 4)
      .sort((a, b) => a.activity - b.activity || b.spread - a.spread);
    const gone = new Set(worst.slice(0, worst.length >> 1));
    this.keepClauses((c) => !gone.has(c));
    this.#learnedCount -= gone.size;
    this.forgetReasons();
  }
}
