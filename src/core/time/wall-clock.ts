// Times as a cook says them. Built from a zone's offsets over one plan, so that a page needs no zone rules of its own.
import type { Zone } from "./zone";

/** `dates` in the first: what is told spans more than a week, and weekdays have their dates beside them. */
export type Offsets = readonly (readonly [fromMinute: number, offset: number, dates?: boolean])[];

/** From so long on a weekday alone could be this week's or the next. */
const LONG_MINUTES = 6 * 1440;

/**
 * Offsets in force over a stretch of time, by the hour at which they begin to count.
 * @param told minutes of the plan that is told by this clock
 */
export function offsetsOf(zone: Zone, from: number, to: number, told = 0): Offsets {
  const found: [number, number, boolean?][] = [told > LONG_MINUTES ? [from, zone.offsetAt(from), true] : [from, zone.offsetAt(from)]];
  for (let minute = from; minute <= to; minute += 60) {
    const offset = zone.offsetAt(minute);
    if (offset !== found.at(-1)?.[1]) found.push([minute, offset]);
  }
  return found;
}

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];
const two = (n: number) => String(n).padStart(2, "0");

export class WallClock {
  constructor(readonly offsets: Offsets) {}

  /** The minute as if the wall clock were UTC. */
  wallMinute(minute: number): number {
    let offset = this.offsets[0]?.[1] ?? 0;
    for (const [from, value] of this.offsets) if (minute >= from) offset = value;
    return minute + offset;
  }

  #date(minute: number): Date {
    return new Date(this.wallMinute(minute) * 60_000);
  }

  dayNumber(minute: number): number {
    return Math.floor(this.wallMinute(minute) / 1440);
  }

  /** Minutes after midnight. */
  timeOfDay(minute: number): number {
    return ((this.wallMinute(minute) % 1440) + 1440) % 1440;
  }

  /** "18:40" */
  time(minute: number): string {
    const date = this.#date(minute);
    return `${two(date.getUTCHours())}:${two(date.getUTCMinutes())}`;
  }

  /** "Sat" */
  day(minute: number): string {
    return this.weekday(minute).slice(0, 3);
  }

  /** "Saturday" */
  weekday(minute: number): string {
    return DAYS[(this.#date(minute).getUTCDay() + 6) % 7] as string;
  }

  /** "Sat 14:10"; "Sat 17, 14:10" where more than six days are told. */
  dayTime(minute: number): string {
    const dates = this.offsets[0]?.[2] === true;
    return dates ? `${this.shortDate(minute)}, ${this.time(minute)}` : `${this.day(minute)} ${this.time(minute)}`;
  }

  /** "Saturday 17 October" */
  date(minute: number): string {
    const date = this.#date(minute);
    return `${this.weekday(minute)} ${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`;
  }

  /** "Sat 17" */
  shortDate(minute: number): string {
    return `${this.day(minute)} ${this.#date(minute).getUTCDate()}`;
  }

  /** The nearest quarter hour, said as such: what takes half a day is over at no certain minute. */
  about(minute: number): string {
    return `about ${this.dayTime(Math.round(this.wallMinute(minute) / 15) * 15 - this.wallMinute(minute) + minute)}`;
  }

  /** The time, with the day where it is not that of `near`. */
  near(minute: number, near: number): string {
    return this.dayNumber(minute) === this.dayNumber(near) ? this.time(minute) : this.dayTime(minute);
  }
}

/** "Sat 28 November, 13:00" of a wall-clock instant as forms write it ("2026-11-28T13:00"). */
export function spokenInstant(text: string): string {
  const wall = new WallClock([[0, 0]]);
  const minute = Math.round(Date.parse(`${text.slice(0, 16)}Z`) / 60_000);
  return Number.isFinite(minute) ? `${wall.day(minute)} ${wall.date(minute).split(" ").slice(1).join(" ")}, ${wall.time(minute)}` : text;
}
