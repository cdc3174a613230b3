import { type Intervals, intersect, shift, startsFitting } from "../../time/interval";
import type { Activity, Model, Taking } from "../model";
import type { Piece } from "./alternatives";
import { Cover } from "./cover";
import { Cumulative, type Moment, type Task } from "./cumulative";
import { Solver, truth } from "./solver";

/** Litres are counted in millilitres: the solver knows whole numbers only. */
const ML = 1000;

/** A piece of work for hands; `minutes` is its length where that is fixed. */
export interface Hands {
  readonly activity: number;
  readonly part: number;
  readonly from: Moment;
  readonly to: Moment;
  readonly minutes: number;
  readonly options: Piece["options"];
  /** Counts only where split steps are cut evenly (`evenPieces`). */
  readonly even: boolean;
}

export class Encoding {
  readonly solver = new Solver();
  readonly start: Moment[] = [];
  readonly end: Moment[] = [];
  /** The variable that no start is before. */
  readonly beginning: number;
  /** Solver minutes are the model's less this. */
  readonly base: number;
  readonly hands: Hands[] = [];
  /** The literals of the holds of a taking, where there are several; `during` comes last. */
  readonly holds = new Map<Taking, { readonly literals: readonly number[]; readonly during: number | undefined }>();
  /**
   * Assumed for finding plans, not for proofs: split steps are cut into even pieces, as short as they may be.
   * Without it only the first and the last piece of a split step are seen.
   */
  readonly evenPieces: number;
  /** Assumed for finding plans where without it they fail: heat changes from wish to wish, tolerances unused. */
  readonly wishedHeat: number;
  /** The moments at which the even pieces of a split activity begin, and how long each is. */
  readonly pieces = new Map<number, readonly { readonly from: Moment; readonly minutes: number }[]>();
  /** Literals of order, with the activities that they put one after the other. */
  readonly orders: { readonly literal: number; readonly a: number; readonly b: number }[] = [];
  /** Always 0: moments that are known hang on it. */
  readonly zero: number;
  readonly #after: readonly Uint8Array[];

  constructor(readonly model: Model) {
    this.base = model.serveAt;
    const { solver } = this;
    this.zero = solver.newVariable(0, 0);
    this.evenPieces = solver.newLiteral();
    this.wishedHeat = solver.newLiteral();
    for (const activity of model.activities) this.#addVariables(activity);
    this.beginning = solver.newVariable(Math.min(0, ...this.start.map((m) => solver.low(m.v) + m.plus)), 0);
    model.activities.forEach((a, i) => {
      if (a.step.ref !== "") this.lag({ v: this.beginning, plus: 0 }, this.start[i] as Moment, 0);
    });
    for (const { from, to, lag } of model.lags) this.lag(this.moment(from), this.moment(to), lag);
    for (const activity of model.activities) this.#addCover(activity);
    this.#after = reachable(model);
    solver.settle();
  }

  /** The moment of one of the model's variables (starts and ends by activity). */
  moment(variable: number): Moment {
    return (variable & 1 ? this.end : this.start)[variable >> 1] as Moment;
  }

  fixed(minute: number): Moment {
    return { v: this.zero, plus: minute - this.base };
  }

  earliest(m: Moment): number {
    return this.solver.low(m.v) + m.plus;
  }

  latest(m: Moment): number {
    return this.solver.high(m.v) + m.plus;
  }

  lag(from: Moment, to: Moment, lag: number, when = -1): void {
    if (from.v !== to.v) this.solver.addLag(from.v, to.v, lag + from.plus - to.plus, when);
    else if (to.plus < from.plus + lag && when >= 0) this.solver.assert(when ^ 1, truth(when ^ 1));
  }

  #addVariables(activity: Activity): void {
    const { solver } = this;
    if (activity.fact && !activity.open) {
      this.start.push(this.fixed(activity.fact.start));
      this.end.push(this.fixed(activity.fact.end));
      return;
    }
    const variable = (domain: Intervals) => {
      const d = shift(domain, -this.base);
      return solver.newVariable(d[0]?.[0] ?? 0, (d.at(-1)?.[1] ?? 0) - 1, d);
    };
    const rigid = activity.stretch === 0 && activity.minPiece === undefined && !activity.fact;
    const starts =
      activity.cover && activity.minPiece === undefined && !activity.fact
        ? intersect(activity.starts, startsFitting(activity.cover, activity.minutes, [-1e9, 1e9]))
        : activity.starts;
    const start = { v: variable(starts), plus: 0 };
    this.start.push(start);
    // Too short to be cut into two pieces, it stays whole.
    const whole = activity.minPiece !== undefined && activity.minutes < 2 * activity.minPiece && !activity.fact;
    if (whole) {
      this.end.push({ v: start.v, plus: activity.minutes });
      return;
    }
    this.end.push(rigid ? { v: start.v, plus: activity.minutes } : { v: variable(activity.ends), plus: 0 });
  }

  #addCover(activity: Activity): void {
    if (!activity.cover || activity.stretch === 0 || activity.minPiece !== undefined || activity.fact) return;
    const cover = new Cover(
      this.solver,
      this.start[activity.index] as Moment,
      this.end[activity.index] as Moment,
      shift(activity.cover, -this.base),
    );
    this.solver.addPropagator(cover, cover.bounds());
  }

  // --- One after the other ----------------------------------------------------------------------------------------

  /**
   * Two stretches that cannot overlap.
   * @param gaps minutes that lie between them: the first one first, the second one first
   * @param unless lists of literals: they are apart where all of some list hold; an empty list: always
   * @param owners their activities
   */
  apart(
    p: { from: Moment; to: Moment },
    q: { from: Moment; to: Moment },
    gaps: readonly [number, number],
    unless: readonly (readonly number[])[],
    owners: readonly [number, number],
  ): void {
    const { solver } = this;
    const note = (literal: number) => {
      this.orders.push({ literal, a: owners[0], b: owners[1] });
      return literal;
    };
    const may = (a: typeof p, b: typeof p, gap: number) => this.earliest(a.to) + gap <= this.latest(b.from);
    if (this.latest(p.to) + gaps[0] <= this.earliest(q.from) || this.latest(q.to) + gaps[1] <= this.earliest(p.from)) return;
    const [pq, qp] = [may(p, q, gaps[0]), may(q, p, gaps[1])];
    if (unless.some((list) => list.length === 0)) {
      if (pq && qp) {
        const first = note(solver.newLiteral());
        this.lag(p.to, q.from, gaps[0], first);
        this.lag(q.to, p.from, gaps[1], first ^ 1);
      } else if (pq) this.lag(p.to, q.from, gaps[0]);
      else if (qp) this.lag(q.to, p.from, gaps[1]);
      else solver.addClause([]);
      return;
    }
    const orders: number[] = [];
    if (pq) orders.push(note(solver.newLiteral()));
    if (pq) this.lag(p.to, q.from, gaps[0], orders[0] as number);
    if (qp) orders.push(note(solver.newLiteral()));
    if (qp) this.lag(q.to, p.from, gaps[1], orders.at(-1) as number);
    for (const both of unless) solver.addClause([...orders.flatMap((o) => [o, truth(o)]), ...both.flatMap((o) => [o ^ 1, truth(o ^ 1)])]);
  }

  /** Whether one activity surely ends before another starts, by links alone. */
  precedes(a: number, b: number): boolean {
    return (this.#after[a] as Uint8Array)[b] === 1;
  }

  // --- Capacities ------------------------------------------------------------------------------------------------

  addCapacity(tasks: readonly Task[], room: number): void {
    const inside = tasks
      .map((t) => ({ ...t, size: Math.floor(t.size * ML + 1e-6) }))
      .filter((t) => t.size > 0 && this.latest(t.to) > this.earliest(t.from));
    const capacity = Math.ceil(room * ML - 1e-6);
    if (inside.length === 0 || inside.reduce((sum, t) => sum + t.size, 0) <= capacity) return;
    this.share(inside, capacity);
  }

  share(tasks: readonly Task[], capacity: number): void {
    // What stands in the log is not argued with, even where it asked for more than there is.
    const stands = tasks.filter((t) => t.from.v === this.zero && t.to.v === this.zero && t.size > 0);
    const asked = stands.map((s) =>
      stands.reduce((sum, t) => (t.from.plus <= s.from.plus && s.from.plus < t.to.plus ? sum + t.size : sum), 0),
    );
    if (Math.max(0, ...asked) > capacity) return;
    const shared = new Cumulative(this.solver, capacity, tasks);
    this.solver.addPropagator(shared, shared.bounds());
  }

  isFact(activity: number): boolean {
    return this.model.activities[activity]?.fact !== undefined;
  }

  // --- Waits ------------------------------------------------------------------------------------------------------

  /** When what is taken is ready; undefined for a fact of long ago. */
  readyOf(t: Taking): Moment {
    if (t.maker === undefined) return this.fixed(t.readyAt as number);
    if (t.batchEnd === undefined) return this.end[t.maker] as Moment;
    const start = this.start[t.maker] as Moment;
    return { v: start.v, plus: start.plus + t.batchEnd };
  }
}

/** For each activity, those that can only start once it has ended, by time lags that lose no time. */
function reachable(model: Model): Uint8Array[] {
  const n = model.activities.length;
  const out: number[][] = Array.from({ length: 2 * n }, () => []);
  for (const { from, to, lag } of model.lags) if (lag >= 0) (out[from] as number[]).push(to);
  return model.activities.map((a) => {
    const seen = new Uint8Array(2 * n);
    const stack = [2 * a.index + 1];
    const after = new Uint8Array(n);
    for (let v = stack.pop(); v !== undefined; v = stack.pop()) {
      for (const w of out[v] as number[]) {
        if (seen[w]) continue;
        seen[w] = 1;
        if (!(w & 1)) after[w >> 1] = 1;
        stack.push(w);
      }
    }
    return after;
  });
}
