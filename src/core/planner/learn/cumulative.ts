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

  /** @param tasks at least one, sizes over 0, in the unit of `capacity` */
  constructor(
    readonly solver: Solver,
    readonly capacity: number,
    readonly tasks: readonly Task[],
  ) {
    this.#points = new Int32Array(2 * tasks.length);
    this.#order = Int32Array.from({ length: 2 * tasks.length }, (_, i) => i);
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
      points[2 * i + 1] = to > from ? to : from;
    }
    for (let i = 1; i < order.length; i++) {
      const p = order[i] as number;
      const at = points[p] as number;
      let j = i - 1;
      for (; j >= 0 && (points[order[j] as number] as number) > at; j--) order[j + 1] = order[j] as number;
      order[j + 1] = p;
    }
    let peak = 0;
    let height = 0;
    for (let i = 0; i < order.length; ) {
      const at = points[order[i] as number] as number;
      for (; i < order.length && points[order[i] as number] === at; i++) {
        const p = order[i] as number;
        if (points[p & ~1] !== points[p | 1]) height += p & 1 ? -(tasks[p >> 1] as Task).size : (tasks[p >> 1] as Task).size;
      }
      if (height > capacity) {
        solver.begin();
        this.#blame(at, -1, height - capacity);
        return solver.contradict();
      }
      if (height > peak) peak = height;
    }
    if (peak + this.#least <= capacity || peak === 0) return true;
    for (let i = 0; i < tasks.length; i++) {
      const t = tasks[i] as Task;
      if (peak + t.size <= capacity) continue;
      if (t.when >= 0 && solver.isFalse(t.when)) continue;
      if (!this.#filter(i, t)) return false;
    }
    return true;
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

  #filter(i: number, t: Task): boolean {
    const { solver, capacity } = this;
    const points = this.#points;
    const order = this.#order;
    const present = t.when < 0 || solver.isTrue(t.when);
    const fixed = this.#latestStart(t) === solver.low(t.from.v) + t.from.plus && solver.isFixed(t.to.v);
    if (!present && !fixed) return true;
    if (present && fixed) return true;
    let height = 0;
    const ownFrom = points[2 * i] as number;
    const ownTo = points[2 * i + 1] as number;
    for (let k = 0; k + 1 < order.length; k++) {
      const p = order[k] as number;
      if (points[p & ~1] !== points[p | 1]) height += p & 1 ? -(this.tasks[p >> 1] as Task).size : (this.tasks[p >> 1] as Task).size;
      const a = points[p] as number;
      const b = points[order[k + 1] as number] as number;
      if (a === b || height + t.size <= capacity || (ownFrom <= a && b <= ownTo)) continue;
      if (!present) {
        if (a < solver.low(t.to.v) + t.to.plus && b > solver.low(t.from.v) + t.from.plus)
          return this.#shutOut(i, t, Math.max(a, solver.low(t.from.v) + t.from.plus), height);
        continue;
      }
      for (;;) {
        const start = solver.low(t.from.v) + t.from.plus;
        const end = this.#earliestEnd(t);
        if (start >= b || end <= a) break;
        const minute = Math.min(b, end) - 1;
        if (minute < start) break;
        solver.begin();
        solver.because(2 * t.to.v, minute + 1 - t.to.plus);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, height + t.size - capacity);
        if (!solver.conclude(2 * t.from.v, minute + 1 - t.from.plus)) return false;
        if (solver.low(t.from.v) + t.from.plus <= start) break;
      }
    }
    if (!present) return true;
    return this.#filterEnd(i, t, ownFrom, ownTo);
  }

  #filterEnd(i: number, t: Task, ownFrom: number, ownTo: number): boolean {
    const { solver, capacity } = this;
    const points = this.#points;
    const order = this.#order;
    let height = 0;
    for (let k = order.length - 1; k > 0; k--) {
      const p = order[k] as number;
      if (points[p & ~1] !== points[p | 1]) height += p & 1 ? (this.tasks[p >> 1] as Task).size : -(this.tasks[p >> 1] as Task).size;
      const b = points[p] as number;
      const a = points[order[k - 1] as number] as number;
      if (a === b || height + t.size <= capacity || (ownFrom <= a && b <= ownTo)) continue;
      for (;;) {
        const start = this.#latestStart(t);
        const end = solver.high(t.to.v) + t.to.plus;
        if (end <= a || start >= b) break;
        const minute = Math.max(a, start);
        if (minute >= end) break;
        solver.begin();
        solver.because(2 * t.from.v + 1, t.from.plus - minute);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, height + t.size - capacity);
        if (!solver.conclude(2 * t.to.v + 1, t.to.plus - minute)) return false;
        if (solver.high(t.to.v) + t.to.plus >= end) break;
      }
    }
    return true;
  }

  /** An optional task that stands still where there is no room is not there. */
  #shutOut(i: number, t: Task, minute: number, height: number): boolean {
    const { solver } = this;
    solver.begin();
    solver.because(2 * t.from.v + 1, t.from.plus - minute);
    solver.because(2 * t.to.v, minute + 1 - t.to.plus);
    this.#blame(minute, i, height + t.size - this.capacity);
    return solver.conclude(t.when ^ 1, truth(t.when ^ 1));
  }
}
