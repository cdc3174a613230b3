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

  constructor(
    readonly solver: Solver,
    readonly pieces: readonly Piece[],
  ) {}

  bounds(): number[] {
    return this.pieces.flatMap((p) => [2 * p.v, 2 * p.v + 1, ...(p.when >= 0 ? [p.when] : []), ...p.options.flatMap((o) => (o.does >= 0 ? [o.does, o.does ^ 1] : []))]);
  }

  propagate(): boolean {
    const { solver } = this;
    const blocks = new Map<number, { piece: Piece; does: number; from: number; to: number }[]>();
    for (const piece of this.pieces) {
      const from = solver.high(piece.v) + piece.plus;
      const to = solver.low(piece.v) + piece.plus + piece.minutes;
      if (from >= to || (piece.when >= 0 && !solver.isTrue(piece.when))) continue;
      const sure = piece.options.find((o) => o.does < 0 || solver.isTrue(o.does));
      if (!sure) continue;
      const list = blocks.get(sure.cook) ?? [];
      list.push({ piece, does: sure.does, from, to });
      blocks.set(sure.cook, list);
    }
    for (const list of blocks.values()) list.sort((a, b) => a.from - b.from);
    for (const piece of this.pieces) {
      if (piece.options.length < 2 || (piece.when >= 0 && !solver.isTrue(piece.when))) continue;
      if (!this.#narrow(piece, blocks, true) || !this.#narrow(piece, blocks, false)) return false;
    }
    return true;
  }

  #narrow(
    piece: Piece,
    blocks: ReadonlyMap<number, readonly { piece: Piece; does: number; from: number; to: number }[]>,
    forward: boolean,
  ): boolean {
    const { solver } = this;
    const low = solver.low(piece.v) + piece.plus;
    const high = solver.high(piece.v) + piece.plus;
    const reasons: number[] = [];
    let best: number | undefined;
    for (const option of piece.options) {
      if (solver.isFalse(option.does)) {
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
        continue;
      }
      const own: number[] = [];
      let at: number | undefined = forward ? low : high;
      for (;;) {
        const fits: number | undefined = forward ? firstFit(option.works, at, piece.minutes) : lastFit(option.works, at, piece.minutes);
        if (fits === undefined || (forward ? fits > high : fits < low)) {
          at = undefined;
          break;
        }
        at = fits;
        const start: number = fits;
        const block = blocks.get(option.cook)?.find((b) => b.piece.owner !== piece.owner && b.from < start + piece.minutes && start < b.to);
        if (!block) break;
        own.push(2 * block.piece.v + 1, block.piece.plus - block.from);
        own.push(2 * block.piece.v, block.to - block.piece.minutes - block.piece.plus);
        if (block.does >= 0) own.push(block.does, truth(block.does));
        if (block.piece.when >= 0) own.push(block.piece.when, truth(block.piece.when));
        at = forward ? block.to : block.from - piece.minutes;
      }
      reasons.push(...own);
      if (at === undefined) {
        solver.begin();
        solver.because(2 * piece.v, low - piece.plus);
        solver.because(2 * piece.v + 1, piece.plus - high);
        if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
        for (let i = 0; i < own.length; i += 2) solver.because(own[i] as number, own[i + 1] as number);
        if (!solver.conclude(option.does ^ 1, truth(option.does ^ 1))) return false;
        // From here on the literal itself is reason enough, and a shorter one.
        reasons.length -= own.length;
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
      } else if (best === undefined || (forward ? at < best : at > best)) best = at;
    }
    if (best === undefined) return true;
    if (forward ? best <= low : best >= high) return true;
    solver.begin();
    if (forward) solver.because(2 * piece.v, low - piece.plus);
    else solver.because(2 * piece.v + 1, piece.plus - high);
    if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
    for (let i = 0; i < reasons.length; i += 2) solver.because(reasons[i] as number, reasons[i + 1] as number);
    return forward ? solver.conclude(2 * piece.v, best - piece.plus) : solver.conclude(2 * piece.v + 1, piece.plus - best);
  }
}

/** Earliest start from `at` on at which so many minutes lie inside one stretch. */
function firstFit(works: Intervals, at: number, minutes: number): number | undefined {
  for (const [a, b] of works) if (b - minutes >= at && b - a >= minutes) return Math.max(a, at);
  return undefined;
}

function lastFit(works: Intervals, at: number, minutes: number): number | undefined {
  for (let i = works.length - 1; i >= 0; i--) {
    const [a, b] = works[i] as readonly [number, number];
    if (a <= at && b - a >= minutes) return Math.min(b - minutes, at);
  }
  return undefined;
}
