// Wall clocks: between an instant as a file writes it and the planner's time line.
// The planner's time line is whole minutes since 1970-01-01T00:00Z; nothing inside it knows a zone.
// A wall-clock time that a clock change skips moves forward by the gap; one that it doubles is the first of the two.
// Zone rules come from temporal-polyfill, the one package that the core uses beside Zod.
import { Temporal } from "temporal-polyfill";

const INSTANT = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(Z|[+-]\d{2}:\d{2})?$/;

/** A moment on a wall clock. `weekday` runs from 1 (Monday) to 7 (Sunday). */
interface WallTime {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
  readonly weekday: number;
}

/** Whether the text is an instant of a date that exists, with or without the zone's offset. Years 1970 to 2199. */
export function isInstant(text: string): boolean {
  const p = INSTANT.exec(text);
  if (!p) return false;
  const [year, month, day, hour, minute] = [p[1], p[2], p[3], p[4], p[5]].map(Number) as [number, number, number, number, number];
  if (year < 1970 || year > 2199 || hour > 23 || minute > 59) return false;
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

/** Whether this machine knows the IANA zone of that name. */
export function isZone(name: string): boolean {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
    return true;
  } catch {
    return false;
  }
}

interface OffsetSpan {
  readonly from: number;
  readonly to: number;
  readonly offset: number;
}

/** One time zone. Holds a cache of the offsets met, so that a plan asks the zone rules only once a season. */
export class Zone {
  readonly name: string;
  readonly #spans: OffsetSpan[] = [];

  /** @throws RangeError for a zone that is unknown; ask `isZone` first */
  constructor(name: string) {
    this.name = name;
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
  }

  /** Minutes to add to UTC at that minute to get the wall clock. Zones with seconds in their offset are rounded. */
  offsetAt(minute: number): number {
    for (const span of this.#spans) if (minute >= span.from && minute < span.to) return span.offset;
    const there = Temporal.Instant.fromEpochMilliseconds(minute * 60_000).toZonedDateTimeISO(this.name);
    const offset = Math.round(there.offsetNanoseconds / 6e10);
    const next = there.getTimeZoneTransition("next");
    const previous = there.add({ minutes: 1 }).getTimeZoneTransition("previous");
    this.#spans.push({
      from: previous ? previous.epochMilliseconds / 60_000 : Number.NEGATIVE_INFINITY,
      to: next ? next.epochMilliseconds / 60_000 : Number.POSITIVE_INFINITY,
      offset,
    });
    return offset;
  }

  /** The planner's minute of a wall-clock time that is counted as if the wall were UTC. */
  minuteOfWall(wallMinute: number): number {
    const before = this.offsetAt(wallMinute - 1440);
    const after = this.offsetAt(wallMinute + 1440);
    const first = wallMinute - before;
    if (before === after || this.offsetAt(first) === before) return first;
    const second = wallMinute - after;
    // Neither offset holds: the time was skipped, and moves forward by the gap.
    return this.offsetAt(second) === after ? second : first;
  }

  /**
   * The planner's minute of an instant of the file.
   * @param text "2026-10-18T13:00", read on this zone's clock, or with an offset, which then decides
   */
  toMinute(text: string): number {
    const p = INSTANT.exec(text);
    if (!p) throw new Error(`zone: "${text}" reached toMinute without passing the schema`);
    const wall = Date.UTC(Number(p[1]), Number(p[2]) - 1, Number(p[3]), Number(p[4]), Number(p[5])) / 60_000;
    const offset = p[6];
    if (offset === undefined) return this.minuteOfWall(wall);
    if (offset === "Z") return wall;
    const size = Number(offset.slice(1, 3)) * 60 + Number(offset.slice(4, 6));
    return wall - (offset.startsWith("-") ? -size : size);
  }

  /** What the wall clock shows at that minute. */
  wall(minute: number): WallTime {
    const date = new Date((minute + this.offsetAt(minute)) * 60_000);
    return {
      year: date.getUTCFullYear(),
      month: date.getUTCMonth() + 1,
      day: date.getUTCDate(),
      hour: date.getUTCHours(),
      minute: date.getUTCMinutes(),
      weekday: date.getUTCDay() || 7,
    };
  }

  /** The number of the wall-clock day (days since 1970-01-01), for grouping by date. */
  dayNumber(minute: number): number {
    return Math.floor((minute + this.offsetAt(minute)) / 1440);
  }

  /** Wall-clock minutes after midnight. */
  timeOfDay(minute: number): number {
    return minute + this.offsetAt(minute) - 1440 * this.dayNumber(minute);
  }

  /** The planner's minute of a wall-clock time on a numbered day; `timeOfDay` in minutes, 1440 is the next midnight. */
  minuteOfDay(dayNumber: number, timeOfDay: number): number {
    return this.minuteOfWall(dayNumber * 1440 + timeOfDay);
  }

  /** The instant as plan files write it, with the offset: "2026-10-18T13:00+01:00". */
  toInstant(minute: number): string {
    const offset = this.offsetAt(minute);
    const text = new Date((minute + offset) * 60_000).toISOString().slice(0, 16);
    const size = Math.abs(offset);
    const two = (n: number) => String(n).padStart(2, "0");
    return `${text}${offset < 0 ? "-" : "+"}${two(Math.floor(size / 60))}:${two(size % 60)}`;
  }

  /** The instant as dish files write it, on the wall clock without an offset. */
  toWallInstant(minute: number): string {
    return this.toInstant(minute).slice(0, 16);
  }
}
