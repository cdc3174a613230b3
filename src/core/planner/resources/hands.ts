// Hands: which cook does which part of a step, who takes over from whom, and the rounds.
import { covers, type Interval, type Intervals, nearestWithin, overlaps, shift, startsFitting, subtract, union } from "../../time/interval";
import { type Activity, endOf, roundOffsets, startOf } from "../model";
import type { Commitments, Placement } from "./commitments";

interface HandsGiven {
  readonly activity: number;
  readonly from: number;
  readonly to: number;
  readonly cook: number;
}

const EVERYWHERE: Interval = [-1e9, 1e9];

export class Hands {
  readonly #state: Commitments;
  readonly #hands: (readonly HandsGiven[])[];
  readonly #free: Intervals[];
  readonly #preferHelper: readonly number[];
  #count = 0;

  constructor(state: Commitments) {
    this.#state = state;
    const { model } = state;
    const reach: Interval = [model.now - 1e6, model.last + 1e6];
    const works = model.dish.cooks.map((_, c) =>
      union(model.activities.flatMap((a) => (a.cooks.includes(c) ? (a.works[a.cooks.indexOf(c)] as Intervals) : []))),
    );
    this.#free = works.map(() => [reach]);
    this.#hands = works.map(() => []);
    // Who has the fewest hours works first where either may: the other's evenings stay open for what only they can do.
    const total = works.map((w) => w.reduce((sum, [a, b]) => sum + b - a, 0));
    this.#preferHelper = total.map((_, c) => c).sort((a, b) => (total[a] as number) - (total[b] as number));
  }

  /** Gives every hands-on part of a placement to a cook who is free for it. */
  give(activity: Activity, placement: Placement): boolean {
    if (activity.fact?.done) return true;
    for (const [part, [from, to]] of this.#state.partsAt(activity, placement).entries()) {
      if (from >= to) continue;
      const wished = placement.wishedCooks?.[part];
      if (wished !== undefined && this.#mayWork(activity, wished, from, to) && covers(this.#free[wished] as Intervals, from, to)) {
        this.#give({ activity: activity.index, from, to, cook: wished });
        continue;
      }
      const cook = this.#cookFor(activity, from, to, placement.cook) ?? (activity.fact ? this.#anybody(activity, from, to) : undefined);
      if (cook === undefined) return this.#state.fail(activity.index, "H6");
      this.#give({ activity: activity.index, from, to, cook });
    }
    return true;
  }

  #give(given: HandsGiven): void {
    this.#state.setList(this.#hands, given.cook, [...(this.#hands[given.cook] as HandsGiven[]), given]);
    this.#state.setList(this.#free, given.cook, subtract(this.#free[given.cook] as Intervals, [[given.from, given.to]]));
    this.#state.note(`hands ${this.#count++}`, () => this.#prune(given));
  }

  #mayWork(activity: Activity, cook: number, from: number, to: number): boolean {
    const at = activity.cooks.indexOf(cook);
    return at >= 0 && covers(activity.works[at] as Intervals, from, to);
  }

  #cookFor(activity: Activity, from: number, to: number, wanted: number | undefined): number | undefined {
    const able = this.#preferHelper.filter((c) => (wanted === undefined || c === wanted) && this.#mayWork(activity, c, from, to));
    const free = able.find((c) => covers(this.#free[c] as Intervals, from, to));
    if (free !== undefined) return free;
    // Somebody else may take over what stands in the way.
    for (const cook of able) {
      const inTheWay = (this.#hands[cook] as HandsGiven[]).filter((h) => h.from < to && from < h.to);
      const moves = inTheWay.map((h) => {
        const other = this.#state.model.activities[h.activity] as Activity;
        const heir =
          other.minPiece === undefined && !other.fact
            ? other.cooks.find(
                (c) => c !== cook && this.#mayWork(other, c, h.from, h.to) && covers(this.#free[c] as Intervals, h.from, h.to),
              )
            : undefined;
        return heir === undefined ? undefined : { ...h, cook: heir };
      });
      if (moves.some((m) => m === undefined) || new Set(moves.map((m) => m?.cook)).size < moves.length) continue;
      this.#state.setList(
        this.#hands,
        cook,
        (this.#hands[cook] as HandsGiven[]).filter((h) => !inTheWay.includes(h)),
      );
      this.#state.setList(this.#free, cook, union([...(this.#free[cook] as Intervals), ...inTheWay.map((h) => [h.from, h.to] as const)]));
      for (const move of moves) if (move) this.#give(move);
      return cook;
    }
    return undefined;
  }

  /** A fact needs no hours, only a pair of hands; where none is free, somebody does two things at once (an exception of the plan). */
  #anybody(activity: Activity, from: number, to: number): number | undefined {
    return activity.cooks.find((c) => covers(this.#free[c] as Intervals, from, to)) ?? activity.cooks[0];
  }

  /** When a cook's hands are given away. */
  busy(cook: number): Intervals {
    return union((this.#hands[cook] as HandsGiven[]).map((h) => [h.from, h.to] as const));
  }

  /** What the cooks do for an activity, by time. */
  of(activity: number): HandsGiven[] {
    return this.#hands.flatMap((list) => list.filter((h) => h.activity === activity)).sort((a, b) => a.from - b.from);
  }

  /** Minutes of the rounds of a placement, rhythm by rhythm; undefined where some round finds nobody there. */
  roundsOf(activity: Activity, { start, end }: Placement): { at: number; tend: number }[] | undefined {
    const rounds: { at: number; tend: number }[] = [];
    for (const [index, tend] of activity.step.tends.entries()) {
      const there = this.#state.model.roundMinutes(activity.step, tend.takes);
      const play = Math.floor(Math.max(tend.every / 4, 5));
      let before = Number.NEGATIVE_INFINITY;
      for (const offset of roundOffsets(tend, end - start)) {
        const wish = start + offset;
        const from = Math.max(start, wish - play, before + Math.ceil(tend.every / 2));
        // A round that lies behind is taken as done when it was due.
        const at =
          activity.fact && (activity.fact.done || wish < this.#state.model.now)
            ? Math.max(wish, from)
            : (nearestWithin(there, wish, from, Math.min(end - 1, wish + play)) ??
              (activity.fact || this.#state.model.tied.has(activity.step.ref) ? Math.min(end - 1, Math.max(wish, from)) : undefined));
        if (at === undefined) return undefined;
        rounds.push({ at, tend: index });
        before = at;
      }
    }
    return rounds.sort((a, b) => a.at - b.at || a.tend - b.tend);
  }

  /** Starts that would lay a hands part over what was just given away, unless another cook is free for it. */
  #prune(given: HandsGiven): boolean {
    for (const activity of this.#state.model.activities) {
      const { index } = activity;
      if (this.#state.placed[index] || activity.fact || activity.minPiece !== undefined || !activity.cooks.includes(given.cook)) continue;
      for (const part of activity.parts) {
        const anchoredAtEnd = part.atEnd && activity.stretch > 0;
        const v = anchoredAtEnd ? endOf(index) : startOf(index);
        const offset = anchoredAtEnd ? -part.minutes : part.atEnd ? activity.minutes - part.minutes : part.offset;
        const from = Math.max(given.from - offset - part.minutes + 1, this.#state.lower[v] as number);
        const to = Math.min(given.to - offset, (this.#state.upper[v] as number) + 1);
        if (from >= to || !overlaps(this.#state.domain(v), from, to)) continue;
        let lost: Intervals = [[from, to]];
        for (const cook of activity.cooks) {
          if (cook !== given.cook)
            lost = subtract(lost, shift(startsFitting(this.#free[cook] as Intervals, part.minutes, EVERYWHERE), -offset));
        }
        if (lost.length && !this.#state.narrow(v, subtract(this.#state.domain(v), lost), "H6")) return false;
      }
    }
    return true;
  }
}
