// Weekly and dated hours ("mon-fri 18:30–22:00") turned into intervals of the planner's minutes.
// Hours are wall-clock hours: on the night of a clock change a shift is an hour longer or shorter than it looks.
import { type Interval, type Intervals, union } from "./interval";
import type { Zone } from "./zone";

/** Hours as the dish file writes them: weekly, or one dated stretch. */
export type Hours = { readonly days: string; readonly from: string; readonly to: string } | { readonly from: string; readonly to: string };

const DAY_NAMES = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];

/**
 * Weekdays (1 Monday … 7 Sunday) of "all", a name, a range ("mon-fri", "sat-mon") or a comma list; undefined for other text.
 * @example weekdaysOf("sat-mon") // Set {6, 7, 1}
 */
export function weekdaysOf(text: string): ReadonlySet<number> | undefined {
  if (text === "all") return new Set([1, 2, 3, 4, 5, 6, 7]);
  const days = new Set<number>();
  for (const part of text.split(",").map((p) => p.trim())) {
    const [first, last, more] = part.split("-").map((name) => DAY_NAMES.indexOf(name.trim()));
    if (first === undefined || first < 0 || last === -1 || more !== undefined) return undefined;
    for (let day = first; ; day = (day + 1) % 7) {
      days.add(day + 1);
      if (day === (last ?? first)) break;
    }
  }
  return days;
}

/** Minutes after midnight of "07:30"; "24:00" is the end of the day. Undefined for other text. */
export function timeOfDay(text: string): number | undefined {
  const parts = /^(\d{2}):(\d{2})$/.exec(text);
  if (!parts) return undefined;
  const minutes = Number(parts[1]) * 60 + Number(parts[2]);
  return Number(parts[2]) < 60 && minutes <= 1440 ? minutes : undefined;
}

/**
 * The minutes within [from, to) that the hours cover.
 *
 * Weekly hours whose end is at or before their beginning run past midnight.
 * Pre: the hours have passed the dish schema.
 */
export function intervalsOfHours(hours: readonly Hours[], zone: Zone, from: number, to: number): Intervals {
  const found: Interval[] = [];
  for (const entry of hours) {
    if (!("days" in entry) || entry.days === undefined) {
      found.push([zone.toMinute(entry.from), zone.toMinute(entry.to)]);
      continue;
    }
    const days = weekdaysOf(entry.days) ?? new Set();
    const start = timeOfDay(entry.from) ?? 0;
    const end = timeOfDay(entry.to) ?? 0;
    for (let day = zone.dayNumber(from) - 1; day <= zone.dayNumber(to); day++) {
      if (!days.has(((day + 3) % 7) + 1)) continue; // 1970-01-01 was a Thursday
      found.push([zone.minuteOfDay(day, start), zone.minuteOfDay(day, end <= start ? end + 1440 : end)]);
    }
  }
  return union(found.map(([a, b]) => [Math.max(a, from), Math.min(b, to)] as const));
}
