// What the learning solver is asked: a first plan, a shorter one, whether there is any; and how it decides.
// Budgets are in conflicts, so that the same dish, seed and budget give the same answer; the clock can only stop.

import { type Random, seededRandom } from "../../random";
import { type Interval, union } from "../../time/interval";
import type { Activity, Model } from "../model";
import type { Style } from "../plan";
import { luby, type Solution } from "../search";
import type { Moment } from "./cumulative";
import type { Encoding, Hands } from "./encode";
import { encoded } from "./encoded";
import { Objective } from "./objective";
import { truth } from "./solver";

export type Answer =
  | { readonly status: "found"; readonly solution: Solution }
  | { readonly status: "refuted" }
  | { readonly status: "spent" };

/**
 * What may be assumed: nothing ("proof": a refutation then is one), split steps cut evenly ("found": most such solutions are plans), or
 * also heat changed from wish to wish ("sure": nearly all are).
 */
export type Mode = "proof" | "found" | "sure";

const FIRST_RESTART = 50;
const RESTART = 100;

export class Learner {
  readonly encoding: Encoding;
  readonly #random: Random;
  #shake: Float64Array;
  #restarts = 0;
  #phases = new Int8Array(0);

  readonly objective: Objective | undefined;
  #wish: ReadonlyMap<number, number> = new Map();

  /** @param style what is minimised by `cheaper`; `shortest` needs no sum */
  constructor(
    readonly model: Model,
    seed: number,
    style: Style = "shortest",
  ) {
    this.encoding = encoded(model);
    this.objective = style === "shortest" ? undefined : new Objective(this.encoding, style);
    this.#random = seededRandom(seed + 11);
    this.#shake = new Float64Array(model.activities.length);
  }

  get conflicts(): number {
    return this.encoding.solver.conflicts;
  }

  /** Work done so far, in changes of bounds. */
  get work(): number {
    return this.encoding.solver.changes;
  }

  /** No plan of these methods has a shorter lead, in minutes. */
  leadBound(): number {
    return -this.encoding.solver.high(this.encoding.beginning);
  }

  /** Latest first: close to what a cook does who counts back from the table. */
  first(budget: number, stop: () => boolean, mode: Mode = "found"): Answer {
    const before = this.conflicts;
    for (let run = 0; this.conflicts - before < budget && !stop(); run++) {
      this.#shakeOrder(run === 0 ? 0 : 45 + 15 * Math.min(run, 20));
      const allowed = Math.min(budget - (this.conflicts - before), FIRST_RESTART * luby(run + 1));
      const answer = this.#ask(allowed, this.#assumed(mode), () => this.#latestFirst(), stop);
      if (answer.status !== "spent") return answer;
    }
    return { status: "spent" };
  }

  /**
   * A plan that begins at `beginning` or later (in the model's minutes), by what conflicts have turned on most.
   * "refuted" is a proof that there is none.
   */
  shorter(beginning: number, budget: number, stop: () => boolean, mode: Mode = "found"): Answer {
    const { solver } = this.encoding;
    const before = this.conflicts;
    solver.backTo(0);
    const assume = [...this.#assumed(mode), 2 * this.encoding.beginning, beginning - this.encoding.base];
    while (this.conflicts - before < budget && !stop()) {
      this.#restarts++;
      const allowed = Math.min(budget - (this.conflicts - before), RESTART * luby(this.#restarts));
      const latest = this.#restarts % 6 === 5;
      if (latest) this.#shakeOrder(60 + 15 * Math.min(this.#restarts, 20));
      const answer = this.#ask(allowed, assume, () => (latest ? this.#latestFirst() : (this.#mostActive() ?? this.#latestFirst())), stop);
      if (answer.status !== "spent") return answer;
    }
    return { status: "spent" };
  }

  /**
   * A plan that costs at most `cap` (in units of objective.ts), near another: what is not `free` keeps its start (or only its order with the rest
   * of what is not free), what is free goes where it is wished, else as late as it can.
   */
  cheaper(
    from: Solution,
    cap: number,
    free: ReadonlySet<number> | undefined,
    keep: "starts" | "orders",
    wish: ReadonlyMap<number, number>,
    budget: number,
    stop: () => boolean,
    mode: Mode = "found",
  ): Answer {
    const { encoding, objective } = this;
    const { solver } = encoding;
    if (!objective) return { status: "refuted" };
    const assume = [...this.#assumed(mode), 2 * objective.total + 1, -cap];
    if (free && keep === "starts") {
      for (const a of this.model.activities) {
        if (free.has(a.index) || a.fact) continue;
        const at = (m: Moment, minute: number) => {
          const value = minute - encoding.base - m.plus;
          assume.push(2 * m.v, value, 2 * m.v + 1, -value);
        };
        at(encoding.start[a.index] as Moment, from.starts[a.index] as number);
        at(encoding.end[a.index] as Moment, from.ends[a.index] as number);
      }
    } else if (free) {
      for (const { literal, a, b } of encoding.orders) {
        if (free.has(a) || free.has(b)) continue;
        assume.push(...(solver.phase[literal >> 1] ? [literal, 1] : [literal | 1, 0]));
      }
    }
    this.#wish = wish;
    if (!free) this.#restarts++;
    const active = !free && this.#restarts % 2 === 0;
    this.#shakeOrder(free ? 0 : 60);
    const answer = this.#ask(budget, assume, () => (active ? (this.#mostActive() ?? this.#latestFirst()) : this.#latestFirst()), stop);
    this.#wish = new Map();
    return answer;
  }

  /** A plan that costs at most `cap`, from nothing, in an order shaken by so many minutes. */
  afresh(cap: number, noise: number, budget: number, stop: () => boolean, beginning?: number): Answer {
    if (!this.objective) return { status: "refuted" };
    this.#shakeOrder(noise);
    const lead = beginning === undefined ? [] : [2 * this.encoding.beginning, beginning - this.encoding.base];
    return this.#ask(budget, [...this.#assumed("found"), ...lead, 2 * this.objective.total + 1, -cap], () => this.#latestFirst(), stop);
  }

  #assumed(mode: Mode): number[] {
    const { evenPieces, wishedHeat } = this.encoding;
    const yes = (l: number) => [l, truth(l)];
    return mode === "proof" ? [] : mode === "found" ? yes(evenPieces) : [...yes(evenPieces), ...yes(wishedHeat)];
  }

  /** The last solution is the one to stay near: what it decided is tried first from now on. */
  keep(): void {
    this.encoding.solver.phase.set(this.#phases);
  }

  #shakeOrder(noise: number): void {
    for (let i = 0; i < this.#shake.length; i++) this.#shake[i] = noise ? this.#random() * noise : 0;
  }

  #ask(budget: number, assume: readonly number[], next: () => readonly [number, number] | undefined, stop: () => boolean): Answer {
    const { solver } = this.encoding;
    const outcome = solver.search(budget, assume, next, stop);
    if (outcome !== "found") return { status: outcome };
    const solution = this.#read();
    this.#phases = new Int8Array(solver.variables);
    for (let v = 0; v < solver.variables; v++) {
      this.#phases[v] = solver.isLiteral[v] && solver.isFixed(v) ? solver.low(v) : (solver.phase[v] as number);
    }
    solver.backTo(0);
    return { status: "found", solution };
  }

  #read(): Solution {
    const { encoding } = this;
    const cooks = new Map<number, (number | undefined)[]>();
    for (const h of encoding.hands) {
      if (h.part < 0) continue;
      const list = cooks.get(h.activity) ?? [];
      list[h.part] = cookOf(encoding, h);
      cooks.set(h.activity, list);
    }
    const pieces = new Map<number, Interval[]>();
    if (encoding.solver.isTrue(encoding.evenPieces)) {
      for (const [activity, list] of encoding.pieces) {
        const spans = list.map(({ from, minutes }): Interval => {
          const at = encoding.earliest(from) + encoding.base;
          return [at, at + minutes];
        });
        pieces.set(activity, [...union(spans)]);
      }
    }
    return {
      pieces,
      starts: encoding.start.map((m) => encoding.earliest(m) + encoding.base),
      ends: encoding.end.map((m) => encoding.earliest(m) + encoding.base),
      cooks,
    };
  }

  /** What can end last goes next, as late as it can; what has hardly any room goes at once; then who does it and how it waits. */
  #latestFirst(): readonly [number, number] | undefined {
    const { encoding } = this;
    const { solver, start, end } = encoding;
    let best: Activity | undefined;
    let bestKey = Number.NEGATIVE_INFINITY;
    for (const activity of this.model.activities) {
      const i = activity.index;
      const s = start[i] as Moment;
      const e = end[i] as Moment;
      if (solver.isFixed(s.v) && solver.isFixed(e.v)) continue;
      const latest = encoding.latest(e);
      const room = latest - encoding.earliest(e);
      const key = solver.isFixed(s.v) || room <= 90 ? 1e9 - room : latest + (this.#shake[i] as number) - room * 1e-6;
      if (key > bestKey) {
        bestKey = key;
        best = activity;
      }
    }
    if (!best) return this.#choices();
    const s = (start[best.index] as Moment).v;
    if (best.minPiece !== undefined) {
      const e = (end[best.index] as Moment).v;
      if (!solver.isFixed(e)) return [2 * e, solver.high(e)];
    }
    if (!solver.isFixed(s)) {
      const plus = (start[best.index] as Moment).plus;
      const wish = this.#wish.get(best.index);
      const value =
        (wish === undefined
          ? (this.objective?.easiest(best.index, solver.high(s) + plus) ?? solver.high(s) + plus)
          : wish - encoding.base) - plus;
      if (value >= solver.high(s)) return [2 * s, solver.high(s)];
      if (value <= solver.low(s)) return [2 * s + 1, -solver.low(s)];
      const at = solver.atOrBefore(s, value);
      return at > solver.low(s) ? [2 * s, at] : [2 * s + 1, -Math.max(at, solver.low(s))];
    }
    const e = (end[best.index] as Moment).v;
    return [2 * e + 1, -solver.low(e)];
  }

  /** Who does what, and under which hold it waits, once all times are known. */
  #choices(): readonly [number, number] | undefined {
    const { solver, hands, holds, pieces } = this.encoding;
    for (const list of pieces.values()) {
      const open = list.findLast(({ from }) => !solver.isFixed(from.v));
      if (open && solver.isTrue(this.encoding.evenPieces)) return [2 * open.from.v, solver.high(open.from.v)];
    }
    for (const h of hands) {
      for (const o of h.options) if (o.does >= 0 && !solver.isTrue(o.does) && !solver.isFalse(o.does)) return [o.does, truth(o.does)];
    }
    for (const { literals, during } of holds.values()) {
      for (const l of during === undefined ? literals : [during, ...literals])
        if (!solver.isTrue(l) && !solver.isFalse(l)) return [l, truth(l)];
    }
    return undefined;
  }

  #mostActive(): readonly [number, number] | undefined {
    const { solver } = this.encoding;
    for (let v = solver.order.take(); v !== undefined; v = solver.order.take()) {
      if (!solver.isFixed(v)) return solver.phase[v] ? [2 * v, 1] : [2 * v + 1, 0];
    }
    return undefined;
  }
}

function cookOf(encoding: Encoding, h: Hands): number | undefined {
  return h.options.length === 1 ? h.options[0]?.cook : h.options.find((o) => encoding.solver.isTrue(o.does))?.cook;
}
