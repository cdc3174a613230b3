// The regret as a constraint: the sum of what every term must cost at least, by the bounds that stand, may not exceed the cap. Terms that
// the solver cannot see (changes of oven setting) count nothing here, so the sum is a lower bound of the regret that regret.ts counts.
//
// Costs are whole numbers: 600 to a minute of regret, so that every weight times every unit comes out even.
import { componentOf } from "../../dish/model";
import type { Style } from "../plan";
import {
  BREATHING_SPACE_MINUTES,
  EARLY,
  LAST_HOURS_MINUTES,
  LATE,
  overlap,
  putTogetherLast,
  uncertainPairs,
  unsocialMinutes,
  WEIGHTS,
} from "../regret";
import type { Moment } from "./cumulative";
import type { Encoding } from "./encode";
import type { Propagator, Solver } from "./solver";
import { BusyDays, HeelTerm, LeadTerm, type Others, PieceTerm, type Term, WaitTerm } from "./terms";

/** Units of cost to a minute of regret. */
export const COST_SCALE = 600;

/** What an activity makes waits for another: so long at least is best for it. */
interface Follow {
  readonly taker: Moment;
  /** From the activity's start to when what it makes is ready. */
  readonly ready: number;
  readonly wait: number;
}

export class Objective implements Propagator, Others {
  readonly cost = 2;
  /** The variable of the whole cost; its upper bound is the cap. */
  readonly total: number;
  readonly #terms: Term[] = [];
  readonly #watched = new Set<number>();
  readonly #least: Float64Array;
  readonly #follows = new Map<number, Follow[]>();
  readonly #pieces = new Map<number, PieceTerm[]>();
  #at = 0;
  #cap = 0;
  readonly solver: Solver;

  constructor(
    readonly encoding: Encoding,
    style: Exclude<Style, "shortest">,
  ) {
    const { solver } = encoding;
    this.solver = solver;
    this.total = solver.newVariable(0, 1e9);
    const weight = WEIGHTS[style];
    const per = (w: number) => Math.round(w * COST_SCALE);
    this.#add(new LeadTerm(encoding, per(weight.S1 / 60)), [2 * encoding.beginning, 2 * encoding.beginning + 1]);
    this.#addWaits(per(weight.S2 / 60));
    this.#addHands(per(weight.S6), per(weight.S3));
    this.#addHeels(per(weight.S8));
    const days = new BusyDays(encoding, per(weight.S4));
    this.#add(days, days.bounds());
    this.#least = new Float64Array(this.#terms.length);
    solver.addPropagator(this, [...this.#watched, 2 * this.total + 1]);
  }

  #add(term: Term, bounds: readonly number[]): void {
    this.#terms.push(term);
    for (const b of bounds) this.#watched.add(b);
  }

  propagate(): boolean {
    const { solver } = this;
    const cap = solver.high(this.total);
    if (cap >= 1e9) return true;
    let sum = 0;
    for (let i = 0; i < this.#terms.length; i++) {
      const least = (this.#terms[i] as Term).least();
      this.#least[i] = least;
      sum += least;
    }
    if (sum > cap) {
      solver.begin();
      this.#blameAll(-1, sum - cap - 1);
      solver.because(2 * this.total + 1, -cap);
      return solver.contradict();
    }
    const slack = cap - sum;
    this.#cap = cap;
    for (let i = 0; i < this.#terms.length; i++) {
      const term = this.#terms[i] as Term;
      const most = (this.#least[i] as number) + slack;
      if (term.dearest <= most) continue;
      this.#at = i;
      if (!term.narrow(most, this)) return false;
    }
    return true;
  }

  /** The reason of what the term at work takes away: all the others, and the cap. */
  begin(): void {
    this.solver.begin();
    this.#blameAll(this.#at, 0);
    this.solver.because(2 * this.total + 1, -this.#cap);
  }

  /** The reasons of all terms but one; cheap ones are left out as long as `spare` lasts. */
  #blameAll(but: number, spare: number): void {
    let left = spare;
    for (let i = 0; i < this.#terms.length; i++) {
      const least = this.#least[i] as number;
      if (i === but || least === 0) continue;
      if (least <= left) {
        left -= least;
        continue;
      }
      (this.#terms[i] as Term).blame();
    }
  }

  // --- Where a step would best go ---------------------------------------------------------------------------------

  /**
   * The latest start of an activity that costs nothing by what is decided already: what it makes waits as long as is best, its work
   * lies in easy hours. In solver minutes; not above `latest`, and only a wish.
   */
  easiest(activity: number, latest: number): number {
    const { encoding } = this;
    let at = latest;
    for (const { taker, ready, wait } of this.#follows.get(activity) ?? []) {
      if (this.solver.isFixed(taker.v)) at = Math.min(at, encoding.earliest(taker) - wait - ready);
    }
    const start = encoding.start[activity] as Moment;
    for (const piece of this.#pieces.get(activity) ?? []) {
      if (piece.moment.v !== start.v) continue;
      const offset = piece.moment.plus - start.plus;
      at = Math.min(at, piece.latestFree(at + offset) - offset);
    }
    return at;
  }

  #noteFollow(maker: Moment, isEnd: boolean, activity: number, taker: Moment, wait: number): void {
    const minutes = this.encoding.model.activities[activity]?.minutes ?? 0;
    const start = this.encoding.start[activity] as Moment;
    const ready = maker.v === start.v ? maker.plus - start.plus : isEnd ? minutes : 0;
    const list = this.#follows.get(activity) ?? [];
    list.push({ taker, ready, wait });
    this.#follows.set(activity, list);
  }

  // --- The terms --------------------------------------------------------------------------------------------------

  #addWaits(perMinute: number): void {
    const { encoding } = this;
    const { model } = encoding;
    const add = (from: Moment, to: Moment, best: readonly [number, number] | undefined, when: number) => {
      if (!best) return;
      this.#add(new WaitTerm(encoding, from, to, best, perMinute, when), [
        2 * from.v,
        2 * from.v + 1,
        2 * to.v,
        2 * to.v + 1,
        ...(when >= 0 ? [when] : []),
      ]);
    };
    for (const w of model.waitings) {
      add(encoding.moment(w.from), encoding.moment(w.to), w.best, -1);
      if (w.best) this.#noteFollow(encoding.moment(w.from), (w.from & 1) === 1, w.from >> 1, encoding.moment(w.to), w.best[0]);
    }
    for (const t of model.takings) {
      if (model.activities[t.taker]?.fact) continue;
      const literals = encoding.holds.get(t)?.literals;
      // One hold alone, taken during the making, may not be the one that counts.
      if (!literals && (t.holds.length !== 1 || t.during !== undefined)) continue;
      if (t.maker !== undefined && t.holds.length && t.holds.every((hold) => hold.best)) {
        const least = Math.min(...t.holds.map((hold) => hold.best?.[0] ?? 0));
        this.#noteFollow(encoding.readyOf(t), t.batchEnd === undefined, t.maker, encoding.start[t.taker] as Moment, least);
      }
      t.holds.forEach((hold, h) => {
        add(encoding.readyOf(t), encoding.start[t.taker] as Moment, hold.best, literals?.[h] ?? -1);
      });
    }
  }

  #addHands(unsocial: number, lastHours: number): void {
    const { encoding } = this;
    const { model } = encoding;
    const { dish } = model;
    const quiet = putTogetherLast(dish);
    for (const h of encoding.hands) {
      const step = model.activities[h.activity]?.step;
      if (!step || h.minutes === 0 || h.part < 0 || model.activities[h.activity]?.fact) continue;
      const price = (start: number) => {
        const [from, to] = [start + encoding.base, start + encoding.base + h.minutes];
        const late = quiet.has(componentOf(step.ref)) ? 0 : overlap(from, to, model.serveAt - LAST_HOURS_MINUTES, model.serveAt);
        return unsocial * unsocialMinutes(dish, from, to) + lastHours * late;
      };
      const term = new PieceTerm(encoding, h.from, h.even ? encoding.evenPieces : -1, price, breaksOf(encoding, h.from, h.minutes));
      if (term.dearest === 0) continue;
      const own = this.#pieces.get(h.activity) ?? [];
      own.push(term);
      this.#pieces.set(h.activity, own);
      this.#add(term, [2 * h.from.v, 2 * h.from.v + 1, ...(h.even ? [encoding.evenPieces] : [])]);
    }
  }

  #addHeels(each: number): void {
    const { encoding } = this;
    const { model } = encoding;
    for (const { earlier, later } of uncertainPairs(model.inForce)) {
      const end = encoding.end[model.lastOf.get(earlier.ref) as number] as Moment;
      const start = encoding.start[model.first.get(later.ref) as number] as Moment;
      if (end.v === start.v) continue;
      this.#noteFollow(end, true, model.lastOf.get(earlier.ref) as number, start, BREATHING_SPACE_MINUTES);
      this.#add(new HeelTerm(encoding, end, start, each), [2 * end.v, 2 * start.v + 1]);
    }
  }
}

/** Starts at which the price of a piece may bend: at the hours that count, for its start and for its end. */
function breaksOf(encoding: Encoding, at: Moment, minutes: number): number[] {
  const { dish, serveAt } = encoding.model;
  const low = encoding.earliest(at) + encoding.base;
  const high = encoding.latest(at) + encoding.base;
  const edges = [serveAt - LAST_HOURS_MINUTES, serveAt];
  for (let day = dish.zone.dayNumber(low) - 1; day <= dish.zone.dayNumber(high) + 1; day++)
    edges.push(...[0, EARLY, LATE].map((t) => dish.zone.minuteOfDay(day, t)));
  const points = edges.flatMap((e) => [e, e - minutes]).filter((p) => p > low && p < high);
  return [...new Set([low, ...points, high])].sort((a, b) => a - b).map((p) => p - encoding.base);
}
