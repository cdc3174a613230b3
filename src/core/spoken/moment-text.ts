// A wall-clock moment as a field shows it.
import { WallClock } from "../time/wall-clock";
import { type Conventions, mannerOf } from "./conventions";

/**
 * "Sun 6 Dec, 13:00", with the year where it is not this one; read by `readMoment` it is the same moment again.
 * @param value "2026-12-06T13:00", or "" for none
 */
export function momentText(value: string, c: Conventions, thisYear: string): string {
  const minute = Math.round(Date.parse(`${value.slice(0, 16)}Z`) / 60_000);
  if (!Number.isFinite(minute)) return value;
  const clock = new WallClock([[0, 0, mannerOf(c)]]);
  const year = value.slice(0, 4);
  return `${clock.shortDay(minute)}${year === thisYear ? "" : ` ${year}`}, ${clock.time(minute)}`;
}
