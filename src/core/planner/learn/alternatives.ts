// Which of several cooks: the earliest and latest start at which at least one of them could do a piece of work, between the gaps of the
// cook's calendar and the pieces that are surely hers already. Explained by the blocks met.
import type { Intervals } from "../../time/interval";
import type { Propagator, Solver } from "./solver";
import { truth } from "./solver";

/** A piece of work for hands, of fixed length, that one of several cooks does. */
export interface Piece {
  /** Pieces of one owner are in each other's order anyway. */
  readonly owner: number;
  readonly v: number;
  readonly plus: number;
  readonly minutes: number;
  /** The literal under which it is there at all; -1: always. */
  readonly when: number;
  readonly options: readonly {
    readonly cook: number;
    /** The literal "this cook does it"; -1: nobody else can. */
    readonly does: number;
    /** Minutes in which the cook may work on it. */
    readonly works: Intervals;
  }[];
}

export class Alternatives implements Propagator {
  readonly cost = 2;
  /** Calendars as pairs of minutes, flat, by piece and option. */
  readonly #works: readonly (readonly Int32Array[])[];
  /** Blocks of each cook, by index of the piece, in order of their sure beginning; and until when they surely last. */
  readonly #blocks: number[][];
  readonly #from: Int32Array;
  readonly #to: Int32Array;
  readonly #by: Int32Array;
  readonly #reasons: number[] = [];

  constructor(
    readonly solver: Solver,
    readonly pieces: readonly Piece[],
  ) {
    this.#works = pieces.map((p) => p.options.map((o) => Int32Array.from(o.works.flat())));
    this.#blocks = Array.from({ length: 1 + Math.max(0, ...pieces.flatMap((p) => p.options.map((o) => o.cook))) }, () => []);
    this.#from = new Int32Array(pieces.length);
    this.#to = new Int32Array(pieces.length);
    this.#by = new Int32Array(pieces.length);
  }

  bounds(): number[] {
    return this.pieces.flatMap((p) => [
      2 * p.v,
      2 * p.v + 1,
      ...(p.when >= 0 ? [p.when] : []),
      ...p.options.flatMap((o) => (o.does >= 0 ? [o.does, o.does ^ 1] : [])),
    ]);
  }

  propagate(): boolean {
    const { solver, pieces } = this;
    for (const list of this.#blocks) list.length = 0;
    for (let i = 0; i < pieces.length; i++) {
      const piece = pieces[i] as Piece;
      const from = solver.high(piece.v) + piece.plus;
      const to = solver.low(piece.v) + piece.plus + piece.minutes;
      if (from >= to || (piece.when >= 0 && !solver.isTrue(piece.when))) continue;
      for (const o of piece.options) {
        if (o.does >= 0 && !solver.isTrue(o.does)) continue;
        this.#from[i] = from;
        this.#to[i] = to;
        this.#by[i] = o.does;
        (this.#blocks[o.cook] as number[]).push(i);
      }
    }
    for (let i = 0; i < pieces.length; i++) {
      const piece = pieces[i] as Piece;
      if (piece.options.length < 2 || (piece.when >= 0 && !solver.isTrue(piece.when))) continue;
      if (solver.isFixed(piece.v) && piece.options.some((o) => solver.isTrue(o.does)) && this.#fits(i, piece)) continue;
      if (!this.#narrow(i, piece, true) || !this.#narrow(i, piece, false)) return false;
    }
    return true;
  }

  /** Whether a piece whose time and cook are known lies in that cook's hours; that it meets nothing else is seen to by the orders. */
  #fits(i: number, piece: Piece): boolean {
    const at = this.solver.low(piece.v) + piece.plus;
    const o = piece.options.findIndex((x) => this.solver.isTrue(x.does));
    return firstFit((this.#works[i] as Int32Array[])[o] as Int32Array, at, piece.minutes) === at;
  }

  #blockAt(cook: number, piece: Piece, start: number): number {
    for (const i of this.#blocks[cook] as number[]) {
      if (
        (this.#from[i] as number) < start + piece.minutes &&
        start < (this.#to[i] as number) &&
        (this.pieces[i] as Piece).owner !== piece.owner
      )
        return i;
    }
    return -1;
  }

  #narrow(index: number, piece: Piece, forward: boolean): boolean {
    const { solver } = this;
    const reasons = this.#reasons;
    const low = solver.low(piece.v) + piece.plus;
    const high = solver.high(piece.v) + piece.plus;
    reasons.length = 0;
    let best = NONE;
    for (let o = 0; o < piece.options.length; o++) {
      const option = piece.options[o] as Piece["options"][number];
      const works = (this.#works[index] as Int32Array[])[o] as Int32Array;
      if (solver.isFalse(option.does)) {
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
        continue;
      }
      const before = reasons.length;
      let at = forward ? low : high;
      for (;;) {
        at = forward ? firstFit(works, at, piece.minutes) : lastFit(works, at, piece.minutes);
        if (at === NONE || (forward ? at > high : at < low)) {
          at = NONE;
          break;
        }
        const block = this.#blockAt(option.cook, piece, at);
        if (block < 0) break;
        const other = this.pieces[block] as Piece;
        const [from, to] = [this.#from[block] as number, this.#to[block] as number];
        reasons.push(2 * other.v + 1, other.plus - from, 2 * other.v, to - other.minutes - other.plus);
        if ((this.#by[block] as number) >= 0) reasons.push(this.#by[block] as number, truth(this.#by[block] as number));
        if (other.when >= 0) reasons.push(other.when, truth(other.when));
        at = forward ? to : from - piece.minutes;
      }
      if (at === NONE) {
        solver.begin();
        solver.because(2 * piece.v, low - piece.plus);
        solver.because(2 * piece.v + 1, piece.plus - high);
        if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
        for (let i = before; i < reasons.length; i += 2) solver.because(reasons[i] as number, reasons[i + 1] as number);
        if (!solver.conclude(option.does ^ 1, truth(option.does ^ 1))) return false;
        // From here on the literal itself is reason enough, and a shorter one.
        reasons.length = before;
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
      } else if (best === NONE || (forward ? at < best : at > best)) best = at;
    }
    if (best === NONE || (forward ? best <= low : best >= high)) return true;
    solver.begin();
    if (forward) solver.because(2 * piece.v, low - piece.plus);
    else solver.because(2 * piece.v + 1, piece.plus - high);
    if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
    for (let i = 0; i < reasons.length; i += 2) solver.because(reasons[i] as number, reasons[i + 1] as number);
    return forward ? solver.conclude(2 * piece.v, best - piece.plus) : solver.conclude(2 * piece.v + 1, piece.plus - best);
  }
}

const NONE = -2_000_000_000;

/** Earliest start from `at` on at which so many minutes lie inside one stretch; NONE where there is none. */
function firstFit(works: Int32Array, at: number, minutes: number): number {
  let low = 0;
  let high = works.length >> 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((works[2 * mid + 1] as number) - minutes < at) low = mid + 1;
    else high = mid;
  }
  for (let i = 2 * low; i < works.length; i += 2)
    if ((works[i + 1] as number) - (works[i] as number) >= minutes) return Math.max(works[i] as number, at);
  return NONE;
}

/** Latest start up to `at`. */
function lastFit(works: Int32Array, at: number, minutes: number): number {
  let low = 0;
  let high = works.length >> 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((works[2 * mid] as number) <= at) low = mid + 1;
    else high = mid;
  }
  for (let i = 2 * (low - 1); i >= 0; i -= 2)
    if ((works[i + 1] as number) - (works[i] as number) >= minutes) return Math.min((works[i + 1] as number) - minutes, at);
  return NONE;
}
