// The terms of the regret as a sum (objective.ts): what each must cost at least by the bounds that stand, why, and what it rules out.
import { BREATHING_SPACE_MINUTES, EASY_DAY_MINUTES } from "../regret";
import type { Moment } from "./cumulative";
import type { Encoding } from "./encode";
import { truth } from "./solver";

export interface Term {
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
export interface Others {
  begin(): void;
}

export class LeadTerm implements Term {
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

export class WaitTerm implements Term {
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
export class PieceTerm implements Term {
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
export class HeelTerm implements Term {
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
export class BusyDays implements Term {
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
