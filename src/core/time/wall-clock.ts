// Times as a cook says them. Built from a zone's offsets over one plan, so that a page needs no zone rules of its own.
import type { Zone } from "./zone";

/** How moments are said: whether weekdays have their dates beside them since a week or more is told, and by which clock and order. */
export interface Manner {
  readonly dates?: true;
  readonly twelve?: true;
  readonly monthFirst?: true;
}
/** The manner stands in the first. */
export type Offsets = readonly (readonly [fromMinute: number, offset: number, manner?: Manner])[];

/** From so long on a weekday alone could be this week's or the next. */
const LONG_MINUTES = 6 * 1440;

/**
 * Offsets in force over a stretch of time, by the hour at which they begin to count.
 * @param told minutes of the plan that is told by this clock
 * @param manner the 12-hour clock and "December 5", where the reader has chosen them
 */
export function offsetsOf(zone: Zone, from: number, to: number, told = 0, manner: Omit<Manner, "dates"> = {}): Offsets {
  const said: Manner = told > LONG_MINUTES ? { ...manner, dates: true } : manner;
  const found: [number, number, Manner?][] = [[from, zone.offsetAt(from), said]];
  for (let minute = from; minute <= to; minute += 60) {
    const offset = zone.offsetAt(minute);
    if (offset !== found.at(-1)?.[1]) found.push([minute, offset]);
  }
  return found;
}

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];

/** A time of day as a clock says it: "17:05" or "5:05 pm". @param minute of the day, 0..1439 */
export function clockText(minute: number, clock: 12 | 24): string {
  const [hour, rest] = [Math.floor(minute / 60), String(minute % 60).padStart(2, "0")];
  if (clock === 24) return `${String(hour).padStart(2, "0")}:${rest}`;
  return `${hour % 12 || 12}:${rest} ${hour < 12 ? "am" : "pm"}`;
}

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

  get #manner(): Manner {
    return this.offsets[0]?.[2] ?? {};
  }

  /** "18:40", or "6:40 pm" */
  time(minute: number): string {
    return clockText(this.timeOfDay(minute), this.#manner.twelve ? 12 : 24);
  }

  /** A moment on an axis, as short as it can be told: "18:00", or "6 pm" and ":15". */
  tick(minute: number): string {
    if (!this.#manner.twelve) return this.time(minute);
    const [hour, rest] = [Math.floor(this.timeOfDay(minute) / 60), this.timeOfDay(minute) % 60];
    return rest ? `:${String(rest).padStart(2, "0")}` : `${hour % 12 || 12} ${hour < 12 ? "am" : "pm"}`;
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
    return this.#manner.dates ? `${this.shortDate(minute)}, ${this.time(minute)}` : `${this.day(minute)} ${this.time(minute)}`;
  }

  /** "Saturday 17 October", or "Saturday, October 17" */
  date(minute: number): string {
    const date = this.#date(minute);
    const month = MONTHS[date.getUTCMonth()];
    if (this.#manner.monthFirst) return `${this.weekday(minute)}, ${month} ${date.getUTCDate()}`;
    return `${this.weekday(minute)} ${date.getUTCDate()} ${month}`;
  }

  /** "Sat 17 Oct", or "Sat, Oct 17" */
  shortDay(minute: number): string {
    const date = this.#date(minute);
    const month = MONTHS[date.getUTCMonth()]?.slice(0, 3);
    return this.#manner.monthFirst
      ? `${this.day(minute)}, ${month} ${date.getUTCDate()}`
      : `${this.day(minute)} ${date.getUTCDate()} ${month}`;
  }

  /** "Sat 17 Oct, 14:10" */
  dateTime(minute: number): string {
    return `${this.shortDay(minute)}, ${this.time(minute)}`;
  }

  /** As short as it is plain from now: the time today, with its day in the next days, with its date from six days on. */
  fromNow(minute: number, now: number): string {
    return minute - now < LONG_MINUTES ? this.near(minute, now) : this.dateTime(minute);
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
export function spokenInstant(text: string, manner: Manner = {}): string {
  const wall = new WallClock([[0, 0, manner]]);
  const minute = Math.round(Date.parse(`${text.slice(0, 16)}Z`) / 60_000);
  return Number.isFinite(minute)
    ? `${wall.day(minute)}${wall.date(minute).slice(wall.weekday(minute).length)}, ${wall.time(minute)}`
    : text;
}
