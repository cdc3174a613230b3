// Lengths of time as people type and write them: "45m", "1h30", "1 1/2 hours", "2-3 days", "1 hr and 20 mins", "overnight".
import { LONGEST_DURATION_MINUTES } from "../time/duration";
import { type Found, numberAt } from "./numbers";

/** Least, likely and longest, whole minutes. */
export interface Length {
  readonly min: number;
  readonly likely: number;
  readonly max: number;
}

/** A night in the fridge or on the counter: from late evening to early or late morning. */
export const OVERNIGHT: Length = { min: 8 * 60, likely: 10 * 60, max: 14 * 60 };

const UNITS: readonly (readonly [RegExp, number])[] = [
  [/years?(?![a-z])/iy, 365 * 1440],
  [/months?(?![a-z])/iy, 30 * 1440],
  [/fortnights?(?![a-z])/iy, 14 * 1440],
  [/(?:weeks?|wks?)(?![a-z])/iy, 7 * 1440],
  [/(?:days?|d)(?![a-z])/iy, 1440],
  [/(?:hours?|hrs?|h)(?![a-z])\.?/iy, 60],
  [/(?:minutes?|mins?|m|['′])(?![a-z])\.?/iy, 1],
  [/(?:seconds?|secs?|s|["″])(?![a-z])\.?/iy, 1 / 60],
];
const RANGE = /\s*(?:-|–|—|‑|to|or|bis)\s*/iy;
const JOIN = /(?:\s*(?:,|and|&)?\s*)/iy;
const GAP = /[\s-]{0,2}/y;
const NIGHT = /over[\s-]?night\b|(?:the|a|one) night(?: before)?\b/iy;

const sticky = (pattern: RegExp, text: string, index: number) => {
  pattern.lastIndex = index;
  return pattern.exec(text);
};

function unitAt(text: string, index: number): Found<number> | undefined {
  for (const [pattern, size] of UNITS) {
    const m = sticky(pattern, text, index);
    if (m) return { value: size, start: index, end: index + m[0].length };
  }
  return undefined;
}

/** "1 h 30 min", "2 hours", "1h30": one stretch of time. */
function singleAt(text: string, index: number): Found<number> | undefined {
  let total = 0;
  let end = index;
  let last = Number.POSITIVE_INFINITY;
  for (;;) {
    const from = end === index ? index : end + (sticky(JOIN, text, end)?.[0].length ?? 0);
    const number = numberAt(text, from, end === index);
    if (!number) break;
    const gap = sticky(GAP, text, number.end)?.[0].length ?? 0;
    const unit = unitAt(text, number.end + gap) ?? bareMinutes(text, number, last, from === end);
    if (!unit || !(unit.value < last)) break;
    total += number.value * unit.value;
    end = unit.end;
    last = unit.value;
    const half = /\s+and a half\b/iy;
    const m = sticky(half, text, end);
    if (m) {
      total += unit.value / 2;
      end += m[0].length;
    }
  }
  return end === index ? undefined : { value: total, start: index, end };
}

/** What may stand behind bare minutes: the end, a mark, or a word that goes on about something else than an amount. */
const BEHIND_MINUTES =
  /^\s*(?:$|[,.;:)\]–-]|(?:until|till|or|and|then|at|in|on|over|under|with|without|covered|uncovered|from|to|before|after|by|for|while|turning|stirring)\b)/i;

/** The "30" of "1h30", "1 hr 30" and "2 hours 30 until tender": two digits behind the hours, and no unit behind them. */
function bareMinutes(text: string, number: Found<number>, last: number, close: boolean): Found<number> | undefined {
  const two = number.end - number.start === 2 && !/^(?:\d|[.,]\d)/.test(text.slice(number.end));
  const rest = text.slice(number.end);
  const free = BEHIND_MINUTES.test(rest) || (close && !/^\s*[a-z°%]/i.test(rest));
  return last === 60 && two && number.value < 60 && free ? { value: 1, start: number.end, end: number.end } : undefined;
}

/**
 * The length of time that stands at a place of a text.
 * @returns whole minutes (seconds round up to one minute); undefined where none stands there or it is longer than 400 days
 * @example durationAt("2-3h", 0) // { value: { min: 120, likely: 150, max: 180 }, start: 0, end: 4 }
 */
export function durationAt(text: string, index: number): Found<Length> | undefined {
  const night = sticky(NIGHT, text, index);
  if (night) return { value: OVERNIGHT, start: index, end: index + night[0].length };
  const first = singleAt(text, index);
  // "2-3 hours": the first number borrows the unit of the second.
  const bare = first ?? numberAt(text, index, true);
  if (!bare) return undefined;
  const to = sticky(RANGE, text, bare.end);
  const second = to && to[0].trim() !== "" ? singleAt(text, bare.end + to[0].length) : undefined;
  if (!first && !second) return undefined;
  if (!second) return within(first?.value ?? 0, first?.value ?? 0, index, first?.end ?? index);
  const low = first?.value ?? bare.value * (unitBehind(text, second) ?? 1);
  if (low > second.value) return first && within(first.value, first.value, index, first.end);
  return within(low, second.value, index, second.end);
}

function unitBehind(text: string, single: Found<number>): number | undefined {
  const number = numberAt(text, single.start, true);
  const gap = number ? (sticky(GAP, text, number.end)?.[0].length ?? 0) : 0;
  return number && unitAt(text, number.end + gap)?.value;
}

function within(low: number, high: number, start: number, end: number): Found<Length> | undefined {
  const whole = (m: number) => (m > 0 && m < 1 ? 1 : Math.round(m));
  const min = whole(low);
  const max = whole(high);
  if (max > LONGEST_DURATION_MINUTES) return undefined;
  return { value: { min, likely: Math.round((min + max) / 2), max }, start, end };
}

/**
 * The rhythm that stands behind "every": "45m", "2 hours", "hour", "other day", "second day".
 * @param index right behind "every "
 */
export function rhythmAt(text: string, index: number): Found<Length> | undefined {
  const whole = durationAt(text, index);
  if (whole) return whole;
  const second = sticky(/(?:other|second|2nd)\s+/iy, text, index);
  const third = second ? null : sticky(/(?:third|3rd)\s+/iy, text, index);
  const from = index + (second ?? third ?? [""])[0].length;
  const unit = unitAt(text, from);
  if (!unit || unit.end - unit.start < 3) return undefined;
  const minutes = Math.round(unit.value * (second ? 2 : third ? 3 : 1));
  return minutes < 1 ? undefined : { value: { min: minutes, likely: minutes, max: minutes }, start: index, end: unit.end };
}

/** Every length of time in a text, from left to right. */
export function findDurations(text: string): Found<Length>[] {
  const found: Found<Length>[] = [];
  for (let i = 0; i < text.length; i++) {
    if (i > 0 && /[\p{L}\d.,/]/u.test(text.charAt(i - 1))) continue;
    // "a" and "one" begin a length only where a unit follows, which durationAt sees to.
    const here = durationAt(text, i);
    if (!here) continue;
    found.push(here);
    i = here.end - 1;
  }
  return found;
}

/** A text that is one length of time and nothing else. */
export function readLength(text: string): Length | undefined {
  const trimmed = text.trim().replace(/^(?:about|approximately|approx\.?|around|ca\.?|~)\s*/i, "");
  const found = durationAt(trimmed, 0);
  return found && found.end === trimmed.length ? found.value : undefined;
}
