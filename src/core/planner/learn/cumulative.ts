// A capacity that several may share: racks, litres, burners, pairs of hands. Propagated by timetable: where what must run at a minute fills
// the capacity, nothing else may run there. Each push is explained at one minute.
// Source: Schutt, Feydy, Stuckey and Wallace 2011 ("Explaining the cumulative propagator").
import type { Propagator, Solver } from "./solver";
import { truth } from "./solver";

/** A moment that moves with a variable: its value plus an offset. */
export interface Moment {
  readonly v: number;
  readonly plus: number;
}

export interface Task {
  readonly from: Moment;
  readonly to: Moment;
  readonly size: number;
  /** The literal under which the task is there at all; -1: always. */
  readonly when: number;
}

export class Cumulative implements Propagator {
  readonly cost = 1;
  readonly #points: Int32Array;
  readonly #order: Int32Array;
  readonly #least: number;
  readonly #at: Int32Array;
  readonly #heights: Int32Array;
  #segments = 0;

  /** @param tasks at least one, sizes over 0, in the unit of `capacity` */
  constructor(
    readonly solver: Solver,
    readonly capacity: number,
    readonly tasks: readonly Task[],
  ) {
    this.#points = new Int32Array(2 * tasks.length);
    this.#order = Int32Array.from({ length: 2 * tasks.length }, (_, i) => i);
    this.#at = new Int32Array(2 * tasks.length);
    this.#heights = new Int32Array(2 * tasks.length);
    this.#least = Math.min(...tasks.map((t) => t.size));
  }

  /** Bounds whose change may make it push. */
  bounds(): number[] {
    return this.tasks.flatMap((t) => [2 * t.from.v, 2 * t.from.v + 1, 2 * t.to.v, 2 * t.to.v + 1, ...(t.when >= 0 ? [t.when] : [])]);
  }

  #latestStart(t: Task): number {
    return this.solver.high(t.from.v) + t.from.plus;
  }

  #earliestEnd(t: Task): number {
    return this.solver.low(t.to.v) + t.to.plus;
  }

  propagate(): boolean {
    const { tasks, solver, capacity } = this;
    const points = this.#points;
    const order = this.#order;
    // Task i surely runs from points[2i] to points[2i + 1]; equal where it surely runs nowhere.
    for (let i = 0; i < tasks.length; i++) {
      const t = tasks[i] as Task;
      const from = this.#latestStart(t);
      const to = t.when >= 0 && !solver.isTrue(t.when) ? from : this.#earliestEnd(t);
      points[2 * i] = from;
      points[2 * i + 1] = Math.max(from, to);
    }
    for (let i = 1; i < order.length; i++) {
      const p = order[i] as number;
      const minute = points[p] as number;
      let j = i - 1;
      for (; j >= 0 && (points[order[j] as number] as number) > minute; j--) order[j + 1] = order[j] as number;
      order[j + 1] = p;
    }
    // Segments of equal height; the last has none.
    const at = this.#at;
    const heights = this.#heights;
    let count = 0;
    let peak = 0;
    let height = 0;
    for (let i = 0; i < order.length; ) {
      const minute = points[order[i] as number] as number;
      let changed = count === 0;
      for (; i < order.length && points[order[i] as number] === minute; i++) {
        const p = order[i] as number;
        if (points[p & ~1] === points[p | 1]) continue;
        height += p & 1 ? -(tasks[p >> 1] as Task).size : (tasks[p >> 1] as Task).size;
        changed = true;
      }
      if (height > capacity) {
        solver.begin();
        this.#blame(minute, -1, height - capacity);
        return solver.contradict();
      }
      // The same height with other tasks is another segment: a task's own share must cover all of one or none.
      if (!changed) continue;
      at[count] = minute;
      heights[count++] = height;
      if (height > peak) peak = height;
    }
    this.#segments = count;
    if (peak + this.#least <= capacity || peak === 0) return true;
    for (let i = 0; i < tasks.length; i++) {
      const t = tasks[i] as Task;
      if (peak + t.size <= capacity || (t.when >= 0 && solver.isFalse(t.when))) continue;
      const present = t.when < 0 || solver.isTrue(t.when);
      const still = solver.isFixed(t.from.v) && solver.isFixed(t.to.v);
      if (present ? !still && !(this.#pushStart(i, t) && this.#pushEnd(i, t)) : still && !this.#shutOut(i, t)) return false;
    }
    return true;
  }

  /** The segment that holds a minute, or the first. */
  #segmentAt(minute: number): number {
    let low = 0;
    let high = this.#segments;
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((this.#at[mid] as number) <= minute) low = mid + 1;
      else high = mid;
    }
    return Math.max(0, low - 1);
  }

  /** The tasks that surely run at a minute, as reason; `spare` may be left out. */
  #blame(minute: number, but: number, spare: number): void {
    const { tasks, solver } = this;
    let left = spare - 1;
    for (let j = 0; j < tasks.length; j++) {
      if (j === but || (this.#points[2 * j] as number) > minute || (this.#points[2 * j + 1] as number) <= minute) continue;
      const t = tasks[j] as Task;
      if (t.size <= left) {
        left -= t.size;
        continue;
      }
      solver.because(2 * t.from.v + 1, t.from.plus - minute);
      solver.because(2 * t.to.v, minute + 1 - t.to.plus);
      if (t.when >= 0) solver.because(t.when, truth(t.when));
    }
  }

  /** Whether a segment has no room for a task, its own share left out. */
  #isFull(segment: number, i: number, size: number): boolean {
    const height = this.#heights[segment] as number;
    if (height + size <= this.capacity) return false;
    const a = this.#at[segment] as number;
    return (this.#points[2 * i] as number) > a || (this.#points[2 * i + 1] as number) <= a;
  }

  #pushStart(i: number, t: Task): boolean {
    const { solver } = this;
    for (let k = this.#segmentAt(solver.low(t.from.v) + t.from.plus); k + 1 < this.#segments; k++) {
      const a = this.#at[k] as number;
      if (a >= this.#earliestEnd(t)) break;
      if (!this.#isFull(k, i, t.size)) continue;
      const b = this.#at[k + 1] as number;
      for (;;) {
        const start = solver.low(t.from.v) + t.from.plus;
        const end = this.#earliestEnd(t);
        if (start >= b || end <= a) break;
        const minute = Math.min(b, end) - 1;
        if (minute < start) break;
        solver.begin();
        solver.because(2 * t.to.v, minute + 1 - t.to.plus);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, (this.#heights[k] as number) + t.size - this.capacity);
        if (!solver.conclude(2 * t.from.v, minute + 1 - t.from.plus)) return false;
        if (solver.low(t.from.v) + t.from.plus <= start) break;
      }
    }
    return true;
  }

  #pushEnd(i: number, t: Task): boolean {
    const { solver } = this;
    for (let k = this.#segmentAt(solver.high(t.to.v) + t.to.plus - 1); k >= 0; k--) {
      const b = k + 1 < this.#segments ? (this.#at[k + 1] as number) : Number.POSITIVE_INFINITY;
      if (b <= this.#latestStart(t)) break;
      if (!this.#isFull(k, i, t.size)) continue;
      const a = this.#at[k] as number;
      for (;;) {
        const start = this.#latestStart(t);
        const end = solver.high(t.to.v) + t.to.plus;
        if (end <= a || start >= b) break;
        const minute = Math.max(a, start);
        if (minute >= end) break;
        solver.begin();
        solver.because(2 * t.from.v + 1, t.from.plus - minute);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, (this.#heights[k] as number) + t.size - this.capacity);
        if (!solver.conclude(2 * t.to.v + 1, t.to.plus - minute)) return false;
        if (solver.high(t.to.v) + t.to.plus >= end) break;
      }
    }
    return true;
  }

  /** An optional task that stands still where there is no room is not there. */
  #shutOut(i: number, t: Task): boolean {
    const { solver } = this;
    const from = solver.low(t.from.v) + t.from.plus;
    const to = this.#earliestEnd(t);
    for (let k = this.#segmentAt(from); k + 1 < this.#segments && (this.#at[k] as number) < to; k++) {
      if ((this.#at[k + 1] as number) <= from || !this.#isFull(k, i, t.size)) continue;
      const minute = Math.max(from, this.#at[k] as number);
      solver.begin();
      solver.because(2 * t.from.v + 1, t.from.plus - minute);
      solver.because(2 * t.to.v, minute + 1 - t.to.plus);
      this.#blame(minute, i, (this.#heights[k] as number) + t.size - this.capacity);
      return solver.conclude(t.when ^ 1, truth(t.when ^ 1));
    }
    return true;
  }
}
