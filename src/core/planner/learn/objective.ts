// The regret as a constraint: the sum of what every term must cost at least, by the bounds that stand, may not exceed the cap. Terms that
// the solver cannot see (changes of oven setting) count nothing here, so the sum is a lower bound of the regret that regret.ts counts.
//
// Costs are whole numbers: 600 to a minute of regret, so that every weight times every unit comes out even.
import { componentOf, type Dish } from "../../dish/model";
import type { Style } from "../plan";
import { BREATHING_SPACE_MINUTES, EARLY, EASY_DAY_MINUTES, LAST_HOURS_MINUTES, LATE, WEIGHTS } from "../regret";
import type { Moment } from "./cumulative";
import type { Encoding } from "./encode";
import { type Propagator, type Solver, truth } from "./solver";

/** Units of cost to a minute of regret. */
export const COST_SCALE = 600;

interface Term {
  /** What it costs at least, by the bounds that stand. */
  least(): number;
  /** The bounds that make it cost so much. */
  blame(): void;
  /** More than it can ever cost: with so much to spare there is nothing to take away. */
  readonly dearest: number;
  /** Takes away what would cost more than `most`; `others` gives the reason of all the rest. */
  narrow(most: number, others: Others): boolean;
}

/** Begins the reason of a change with what all terms but the one at work must cost. */
interface Others {
  begin(): void;
}

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
    const quiet = new Set(dish.components.filter((c) => c.kind === "assembly").map((c) => c.id)).add(componentOf(dish.serve));
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
    const makers = new Map(model.inForce.flatMap((s) => s.makes.map((o) => [o.ref, s] as const)));
    const byRef = new Map(model.inForce.map((s) => [s.ref, s]));
    const pairs = new Set<string>();
    for (const later of model.inForce) {
      const earlier = [
        ...later.links.filter((l) => l.from === "end").map((l) => byRef.get(l.step)),
        ...later.takes.map((t) => makers.get(t.from)),
      ];
      for (const step of earlier) {
        if (!step || step.time.max <= step.time.likely || pairs.has(`${step.ref} ${later.ref}`)) continue;
        pairs.add(`${step.ref} ${later.ref}`);
        const a = encoding.end[model.lastOf.get(step.ref) as number] as Moment;
        const b = encoding.start[model.first.get(later.ref) as number] as Moment;
        if (a.v !== b.v) this.#noteFollow(a, true, model.lastOf.get(step.ref) as number, b, BREATHING_SPACE_MINUTES);
        if (a.v !== b.v) this.#add(new HeelTerm(encoding, a, b, each), [2 * a.v, 2 * b.v + 1]);
      }
    }
  }
}

const overlap = (a: number, b: number, from: number, to: number) => Math.max(0, Math.min(b, to) - Math.max(a, from));

function unsocialMinutes(dish: Dish, from: number, to: number): number {
  let sum = 0;
  for (let day = dish.zone.dayNumber(from); day <= dish.zone.dayNumber(Math.max(from, to - 1)); day++) {
    const at = (timeOfDay: number) => dish.zone.minuteOfDay(day, timeOfDay);
    sum += overlap(from, to, at(0), at(EARLY)) + overlap(from, to, at(LATE), at(1440));
  }
  return sum;
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

class LeadTerm implements Term {
  readonly dearest = Number.POSITIVE_INFINITY;

  constructor(
    readonly encoding: Encoding,
    readonly perMinute: number,
  ) {}

  least(): number {
    return -this.encoding.solver.high(this.encoding.beginning) * this.perMinute;
  }

  blame(): void {
    const { solver, beginning } = this.encoding;
    solver.because(2 * beginning + 1, -solver.high(beginning));
  }

  narrow(most: number, others: Others): boolean {
    const { solver, beginning } = this.encoding;
    const earliest = -Math.floor(most / this.perMinute);
    if (earliest <= solver.low(beginning)) return true;
    others.begin();
    return solver.conclude(2 * beginning, earliest);
  }
}

class WaitTerm implements Term {
  readonly dearest = Number.POSITIVE_INFINITY;

  constructor(
    readonly encoding: Encoding,
    readonly from: Moment,
    readonly to: Moment,
    readonly best: readonly [number, number],
    readonly perMinute: number,
    readonly when: number,
  ) {}

  least(): number {
    const { encoding, from, to, best, when } = this;
    if (when >= 0 && !encoding.solver.isTrue(when)) return 0;
    const shortest = encoding.earliest(to) - encoding.latest(from);
    if (shortest > best[1]) return (shortest - best[1]) * this.perMinute;
    const longest = encoding.latest(to) - encoding.earliest(from);
    return longest < best[0] ? (best[0] - longest) * this.perMinute : 0;
  }

  blame(): void {
    const { encoding, from, to, best, when } = this;
    const { solver } = encoding;
    const tooLong = encoding.earliest(to) - encoding.latest(from) > best[1];
    solver.because(tooLong ? 2 * to.v : 2 * to.v + 1, tooLong ? solver.low(to.v) : -solver.high(to.v));
    solver.because(tooLong ? 2 * from.v + 1 : 2 * from.v, tooLong ? -solver.high(from.v) : solver.low(from.v));
    if (when >= 0) solver.because(when, truth(when));
  }

  narrow(most: number, others: Others): boolean {
    const { encoding, from, to, best, when } = this;
    const { solver } = encoding;
    if (when >= 0 && !solver.isTrue(when)) return true;
    const play = Math.floor(most / this.perMinute);
    const longest = best[1] + play;
    const shortest = best[0] - play;
    const reason = (b: number) => {
      others.begin();
      if (when >= 0) solver.because(when, truth(when));
      solver.because(b, solver.bound[b] as number);
    };
    if (encoding.latest(to) > encoding.latest(from) + longest) {
      reason(2 * from.v + 1);
      if (!solver.conclude(2 * to.v + 1, to.plus - encoding.latest(from) - longest)) return false;
    }
    if (encoding.earliest(from) < encoding.earliest(to) - longest) {
      reason(2 * to.v);
      if (!solver.conclude(2 * from.v, encoding.earliest(to) - longest - from.plus)) return false;
    }
    if (encoding.earliest(to) < encoding.earliest(from) + shortest) {
      reason(2 * from.v);
      if (!solver.conclude(2 * to.v, encoding.earliest(from) + shortest - to.plus)) return false;
    }
    if (encoding.latest(from) > encoding.latest(to) - shortest) {
      reason(2 * to.v + 1);
      if (!solver.conclude(2 * from.v + 1, from.plus - encoding.latest(to) + shortest)) return false;
    }
    return true;
  }
}

/** A piece of work by its start: dear at night, early in the morning and in the last hours before the table. */
class PieceTerm implements Term {
  readonly #at: Int32Array;
  readonly #price: Int32Array;
  readonly dearest: number;

  constructor(
    readonly encoding: Encoding,
    readonly moment: Moment,
    readonly when: number,
    readonly price: (start: number) => number,
    breaks: readonly number[],
  ) {
    this.#at = Int32Array.from(breaks);
    this.#price = this.#at.map((p) => price(p));
    this.dearest = Math.max(...this.#price);
  }

  #index(x: number): number {
    let low = 0;
    let high = this.#at.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((this.#at[mid] as number) <= x) low = mid + 1;
      else high = mid;
    }
    return low - 1;
  }

  /** The price between two breaks is a straight line. */
  #priceAt(x: number): number {
    const i = this.#index(x);
    if (i < 0) return this.#price[0] as number;
    if (i + 1 >= this.#at.length) return this.#price[this.#price.length - 1] as number;
    const [a, b] = [this.#at[i] as number, this.#at[i + 1] as number];
    const [p, q] = [this.#price[i] as number, this.#price[i + 1] as number];
    return p === q ? p : p + ((q - p) * (x - a)) / (b - a);
  }

  /** The latest moment up to `at` that costs nothing; `at` itself where there is none. */
  latestFree(at: number): number {
    if (this.#priceAt(at) === 0) return at;
    for (let i = this.#index(at); i >= 0; i--) if (this.#price[i] === 0) return Math.min(at, this.#at[i] as number);
    return at;
  }

  least(): number {
    const { encoding, moment, when } = this;
    if (when >= 0 && !encoding.solver.isTrue(when)) return 0;
    const low = encoding.earliest(moment);
    const high = encoding.latest(moment);
    let least = this.#priceAt(low);
    if (least > 0) least = Math.min(least, this.#priceAt(high));
    for (let i = this.#index(low) + 1; least > 0 && i < this.#at.length && (this.#at[i] as number) < high; i++)
      least = Math.min(least, this.#price[i] as number);
    return Math.floor(least + 1e-6);
  }

  blame(): void {
    const { encoding, moment, when } = this;
    const { solver } = encoding;
    solver.because(2 * moment.v, solver.low(moment.v));
    solver.because(2 * moment.v + 1, -solver.high(moment.v));
    if (when >= 0) solver.because(when, truth(when));
  }

  narrow(most: number, others: Others): boolean {
    const { encoding, moment, when } = this;
    const { solver } = encoding;
    if (when >= 0 && !solver.isTrue(when)) return true;
    const low = encoding.earliest(moment);
    const high = encoding.latest(moment);
    if (low === high) return true;
    if (this.#priceAt(low) > most) {
      let i = this.#index(low) + 1;
      while (i < this.#at.length && (this.#at[i] as number) <= high && (this.#price[i] as number) > most) i++;
      // The line from the break before comes down to `most` somewhere before this break.
      const [a, b] = [Math.max(low, this.#at[i - 1] ?? low), this.#at[i] ?? high];
      const [p, q] = [this.#priceAt(a), this.#price[i] ?? 0];
      const x = i < this.#at.length && p > q ? Math.ceil(a + ((p - most) * (b - a)) / (p - q) - 1e-6) : b;
      if (x > low && x <= high) {
        others.begin();
        solver.because(2 * moment.v, solver.low(moment.v));
        if (when >= 0) solver.because(when, truth(when));
        if (!solver.conclude(2 * moment.v, x - moment.plus)) return false;
      }
    }
    if (this.#priceAt(high) > most) {
      let i = this.#index(high);
      while (i >= 0 && (this.#at[i] as number) >= low && (this.#price[i] as number) > most) i--;
      if (i >= 0) {
        const [a, b] = [this.#at[i] as number, Math.min(high, this.#at[i + 1] ?? high)];
        const [p, q] = [this.#price[i] as number, this.#priceAt(b)];
        const x = q > p ? Math.floor(a + ((most - p) * (b - a)) / (q - p) + 1e-6) : a;
        if (x < high && x >= low) {
          others.begin();
          solver.because(2 * moment.v + 1, -solver.high(moment.v));
          if (when >= 0) solver.because(when, truth(when));
          if (!solver.conclude(2 * moment.v + 1, moment.plus - x)) return false;
        }
      }
    }
    return true;
  }
}

/** So soon after an uncertain step. */
class HeelTerm implements Term {
  constructor(
    readonly encoding: Encoding,
    readonly end: Moment,
    readonly start: Moment,
    readonly dearest: number,
  ) {}

  least(): number {
    return this.encoding.latest(this.start) - this.encoding.earliest(this.end) < BREATHING_SPACE_MINUTES ? this.dearest : 0;
  }

  blame(): void {
    const { solver } = this.encoding;
    const end = this.encoding.earliest(this.end);
    solver.because(2 * this.end.v, end - this.end.plus);
    solver.because(2 * this.start.v + 1, this.start.plus - (end + BREATHING_SPACE_MINUTES - 1));
  }

  narrow(_most: number, others: Others): boolean {
    const { encoding, end, start } = this;
    const { solver } = encoding;
    const from = encoding.earliest(end) + BREATHING_SPACE_MINUTES;
    if (from > encoding.earliest(start)) {
      others.begin();
      solver.because(2 * end.v, solver.low(end.v));
      if (!solver.conclude(2 * start.v, from - start.plus)) return false;
    }
    const until = encoding.latest(start) - BREATHING_SPACE_MINUTES;
    if (until < encoding.latest(end)) {
      others.begin();
      solver.because(2 * start.v + 1, -solver.high(start.v));
      if (!solver.conclude(2 * end.v + 1, end.plus - until)) return false;
    }
    return true;
  }
}

interface DayPiece {
  readonly moment: Moment;
  readonly minutes: number;
  readonly when: number;
}

/** The busiest day: hands-on minutes beyond what nobody minds. Told of pieces that surely lie in one day. */
class BusyDays implements Term {
  readonly dearest: number;
  #sums = new Float64Array(0);
  readonly #pieces: DayPiece[] = [];
  readonly #starts: number[] = [];
  #busiest = -1;

  constructor(
    readonly encoding: Encoding,
    readonly perMinute: number,
  ) {
    const { model, base } = encoding;
    const { zone } = model.dish;
    let low = 0;
    for (const h of encoding.hands) {
      if (h.minutes === 0 || h.part < 0) continue;
      this.#pieces.push({ moment: h.from, minutes: h.minutes, when: h.even ? encoding.evenPieces : -1 });
      low = Math.min(low, encoding.earliest(h.from));
    }
    this.dearest = perMinute * this.#pieces.reduce((sum, p) => sum + p.minutes, 0);
    for (let day = zone.dayNumber(low + base); day <= zone.dayNumber(model.last) + 1; day++)
      this.#starts.push(zone.minuteOfDay(day, 0) - base);
  }

  bounds(): number[] {
    return this.#pieces.flatMap((p) => [2 * p.moment.v, 2 * p.moment.v + 1, ...(p.when >= 0 ? [p.when] : [])]);
  }

  #day(minute: number): number {
    let low = 0;
    let high = this.#starts.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((this.#starts[mid] as number) <= minute) low = mid + 1;
      else high = mid;
    }
    return low - 1;
  }

  least(): number {
    const { encoding } = this;
    const sums = new Float64Array(this.#starts.length + 1);
    let busiest = -1;
    for (const p of this.#pieces) {
      if (p.when >= 0 && !encoding.solver.isTrue(p.when)) continue;
      const day = this.#day(encoding.earliest(p.moment));
      if (day < 0 || encoding.latest(p.moment) + p.minutes > (this.#starts[day + 1] ?? Number.POSITIVE_INFINITY)) continue;
      sums[day] = (sums[day] as number) + p.minutes;
      if (busiest < 0 || (sums[day] as number) > (sums[busiest] as number)) busiest = day;
    }
    this.#busiest = busiest;
    this.#sums = sums;
    return busiest < 0 ? 0 : Math.max(0, (sums[busiest] as number) - EASY_DAY_MINUTES) * this.perMinute;
  }

  blame(): void {
    this.#blameDay(this.#busiest);
  }

  #isSure(p: DayPiece, from: number, to: number): boolean {
    const { encoding } = this;
    if (p.when >= 0 && !encoding.solver.isTrue(p.when)) return false;
    return encoding.earliest(p.moment) >= from && encoding.latest(p.moment) + p.minutes <= to;
  }

  #blameDay(day: number): void {
    const { solver } = this.encoding;
    const from = this.#starts[day] as number;
    const to = this.#starts[day + 1] ?? Number.POSITIVE_INFINITY;
    for (const p of this.#pieces) {
      if (!this.#isSure(p, from, to)) continue;
      solver.because(2 * p.moment.v, from - p.moment.plus);
      solver.because(2 * p.moment.v + 1, Number.isFinite(to) ? p.moment.plus - (to - p.minutes) : -solver.high(p.moment.v));
      if (p.when >= 0) solver.because(p.when, truth(p.when));
    }
  }

  /** A piece that would fill a day over the brim cannot lie in it. */
  narrow(most: number, others: Others): boolean {
    const { encoding } = this;
    const { solver } = encoding;
    const room = EASY_DAY_MINUTES + Math.floor(most / this.perMinute);
    for (const p of this.#pieces) {
      if (solver.isFixed(p.moment.v) || (p.when >= 0 && !solver.isTrue(p.when))) continue;
      const low = encoding.earliest(p.moment);
      const first = this.#day(low);
      if (first >= 0 && (this.#sums[first] as number) + p.minutes > room) {
        const [from, to] = [this.#starts[first] as number, this.#starts[first + 1] ?? Number.POSITIVE_INFINITY];
        if (low + p.minutes <= to && Number.isFinite(to) && !this.#isSure(p, from, to)) {
          others.begin();
          this.#blameDay(first);
          solver.because(2 * p.moment.v, from - p.moment.plus);
          if (p.when >= 0) solver.because(p.when, truth(p.when));
          if (!solver.conclude(2 * p.moment.v, to - p.minutes + 1 - p.moment.plus)) return false;
        }
      }
      const high = encoding.latest(p.moment);
      const last = this.#day(high);
      if (last >= 0 && (this.#sums[last] as number) + p.minutes > room) {
        const [from, to] = [this.#starts[last] as number, this.#starts[last + 1] ?? Number.POSITIVE_INFINITY];
        if (high + p.minutes <= to && Number.isFinite(to) && !this.#isSure(p, from, to)) {
          others.begin();
          this.#blameDay(last);
          solver.because(2 * p.moment.v + 1, p.moment.plus - (to - p.minutes));
          if (p.when >= 0) solver.because(p.when, truth(p.when));
          if (!solver.conclude(2 * p.moment.v + 1, p.moment.plus - from + 1)) return false;
        }
      }
    }
    return true;
  }
}
