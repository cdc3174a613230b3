// Lengths of time as people type and write them: "45m", "1h30", "1 1/2 hours", "2-3 days", "an hour and a half", "4h or overnight",
// "at least 2 h, ideally overnight". The grammar stands in docs/reading.md.
import { LONGEST_DURATION_MINUTES } from "../time/duration";
import { ENGLISH } from "./lexicon/english";
import { fold } from "./lexicon/fold";
import type { Lexicon } from "./lexicon/lexicon";
import { type Found, numberAt } from "./numbers";
import { endOf, saidAt, skipBlanks } from "./patterns";

/** Least, likely and longest, whole minutes. */
export interface Length {
  readonly min: number;
  readonly likely: number;
  readonly max: number;
}

/** A length, and why it is less than sure. */
export interface SaidLength extends Length {
  readonly open?: "min" | "max";
  readonly vague?: boolean;
}

/** A length without any play. */
export const exactly = (minutes: number): Length => ({ min: minutes, likely: minutes, max: minutes });

/** A night in the fridge or on the counter: from late evening to early or late morning. */
export const OVERNIGHT: Length = { min: 8 * 60, likely: 10 * 60, max: 14 * 60 };

/** Signs that every language understands. */
const COMMON_UNITS = [
  ["hrs?|h", 60],
  ["mins?|min\\.|m", 1],
  ["d", 1440],
  ["secs?", 1 / 60],
] as const;
const DASH = "\\s*-+>?\\s*|\\s*/\\s*(?=\\d|over)";

interface Span {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  readonly end: number;
  /** The unit of its last figure, minutes. */
  readonly unit: number;
  readonly vague?: boolean;
}

const unitAt = (folded: string, at: number, lexicon: Lexicon) =>
  saidAt(lexicon.units, folded, at, true) ?? saidAt(COMMON_UNITS, folded, at, true);
/** "15 more minutes", "a full 2 hours". */
const MORE = /^\s?-?\s?(?:(?:more|further|extra|additional|full|solid|weitere|altri|altre|autres)\s)?/;
const gap = (folded: string, at: number) => at + (MORE.exec(folded.slice(at, at + 14))?.[0].length ?? 0);

/** One stretch: "1 h 30 min", "half an hour", "overnight", "a couple of days". */
function spanAt(folded: string, at: number, lexicon: Lexicon): Span | undefined {
  const night = endOf(lexicon.night, folded, at);
  if (night !== undefined) return { low: OVERNIGHT.min, likely: OVERNIGHT.likely, high: OVERNIGHT.max, end: night, unit: 0 };
  const fixed = saidAt(lexicon.stretches, folded, at);
  const counted = countedAt(folded, at, lexicon);
  if (fixed && fixed.end >= (counted?.end ?? 0))
    return { low: fixed.value, likely: fixed.value, high: fixed.value, end: fixed.end, unit: 60 };
  if (counted) return counted;
  const few = saidAt(lexicon.few, folded, at);
  const unit = few && unitAt(folded, skipBlanks(folded, few.end), lexicon);
  if (!few || !unit) return undefined;
  const minutes = few.value * unit.value;
  return few.value === 2
    ? { low: minutes, likely: minutes, high: minutes, end: unit.end, unit: unit.value }
    : { low: 2 * unit.value, likely: minutes, high: (few.value + 2) * unit.value, end: unit.end, unit: unit.value, vague: true };
}

function countedAt(folded: string, at: number, lexicon: Lexicon): Span | undefined {
  // "1:30 h": hours and minutes as on a clock.
  const clock = /^(\d{1,2}):([0-5]\d)\s?(?=(?:h|hrs?|hours?|std\.?|stunden|heures?|ore|horas?)(?!\p{L}))/u.exec(folded.slice(at, at + 20));
  if (clock) {
    const unit = unitAt(folded, at + clock[0].length, lexicon);
    const minutes = Number(clock[1]) * 60 + Number(clock[2]);
    if (unit) return { low: minutes, likely: minutes, high: minutes, end: unit.end, unit: 60 };
  }
  let total = 0;
  let end = at;
  let last = Number.POSITIVE_INFINITY;
  let seconds = false;
  for (;;) {
    let from = end;
    if (end !== at) {
      const join = /^\s*,?\s*/.exec(folded.slice(end))?.[0].length ?? 0;
      const and = endOf(lexicon.and, folded, end + join);
      from = and === undefined ? end + join : skipBlanks(folded, and);
    }
    const number = numberAt(folded, from, true, lexicon);
    if (!number) break;
    const plus = saidAt(lexicon.numberParts, folded, skipBlanks(folded, number.end));
    const behind = plus ? skipBlanks(folded, plus.end) : gap(folded, number.end);
    const unit = unitAt(folded, behind, lexicon) ?? (plus ? undefined : bareMinutes(folded, number, last, from === end));
    if (!unit || !(unit.value < last)) break;
    // "1 hour 10 more": a figure without a unit belongs to something else.
    total += (number.value + (plus?.value ?? 0)) * unit.value;
    if (unit.value < 1) seconds = true;
    end = unit.end;
    last = unit.value;
    const part = saidAt(lexicon.parts, folded, skipBlanks(folded, end));
    if (part) {
      total += part.value * unit.value;
      end = part.end;
    }
  }
  if (end === at) return undefined;
  // "A 2-year-old cheese", "24-month aged ham": an age, not a length.
  if (/^(?:-|\s)(?:old|aged?)(?!\p{L})/u.test(folded.slice(end))) return undefined;
  const minutes = seconds ? Math.ceil(total - 1e-9) : total;
  return { low: minutes, likely: minutes, high: minutes, end, unit: last };
}

const TENS: Readonly<Record<string, number>> = { ten: 10, twenty: 20, thirty: 30, forty: 40, fifty: 50, "forty-five": 45, fifteen: 15 };
/** The "30" of "1h30", "1 hr 30" and "2 hours 30 until tender": two digits behind the hours, and no unit of another kind behind them. */
function bareMinutes(folded: string, number: Found<number>, last: number, close: boolean): { value: number; end: number } | undefined {
  const rest = folded.slice(number.end);
  // "Two hours ten, topping up the water".
  const tens = TENS[folded.slice(number.start, number.end)];
  if (tens !== undefined && last === 60 && !close && /^\s*(?:$|[,.;:)])/.test(rest)) return { value: 1, end: number.end };
  const two = number.end - number.start === 2 && /^\d\d$/.test(folded.slice(number.start, number.end)) && !/^(?:\d|[.,/]\d)/.test(rest);
  if (last !== 60 || !two || number.value >= 60) return undefined;
  if (
    /^\s?(?:°|%|x(?!\p{L})|(?:g|kg|ml|cl|dl|l|oz|lb|c|f|cm|mm|degrees?|grad|degres|gradi|grados|pieces?|batch|times|litres?|liters?|rounds?|balls?|loaves|eggs?)(?!\p{L}))/u.test(
      rest,
    )
  )
    return undefined;
  return close || /^\s*(?:$|[,.;:)\]-]|\p{L})/u.test(rest) ? { value: 1, end: number.end } : undefined;
}

const words = (pattern: string, folded: string, at: number) => {
  const end = endOf(pattern, folded, at);
  return end === undefined ? undefined : skipBlanks(folded, end);
};

const openings = new Map<Lexicon, RegExp>();

/** Whether a length can begin at a place: with a figure, or with one of the words that open one. */
function canBegin(folded: string, at: number, lexicon: Lexicon): boolean {
  let regex = openings.get(lexicon);
  if (!regex) {
    const { night, stretches, few, numbers, upTo, atLeast, about, between } = lexicon;
    const words = [night, upTo, atLeast, about, between, ...[...stretches, ...few].map(([pattern]) => pattern), ...Object.keys(numbers)];
    regex = new RegExp(`[\\d~½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]|${words.map((w) => `(?:${w})`).join("|")}`, "uy");
    openings.set(lexicon, regex);
  }
  regex.lastIndex = at;
  return regex.test(folded);
}

/**
 * The length that stands at a place of a folded text, with its bounds: "about 2 h", "between 2 and 3 days", "4h or overnight",
 * "at least 2 h, ideally overnight", "up to 3 d", "2 h minimum".
 * @param alone without what is added behind it ("…, ideally overnight"): where each bound counts by itself
 */
export function lengthAt(folded: string, index: number, lexicon: Lexicon, alone = false): Found<SaidLength> | undefined {
  if (!canBegin(folded, index, lexicon)) return undefined;
  let at = index;
  let bound: "min" | "max" | undefined;
  let between = false;
  for (let i = 0; i < 3; i++) {
    const most = words(lexicon.upTo, folded, at);
    const least = words(lexicon.atLeast, folded, at);
    const about = words(lexicon.about, folded, at);
    const from = words(lexicon.between, folded, at);
    if (most !== undefined && spanAhead(folded, most, lexicon)) [at, bound] = [most, "max"];
    else if (from !== undefined && spanAhead(folded, from, lexicon)) [at, between] = [from, true];
    else if (least !== undefined && spanAhead(folded, least, lexicon)) [at, bound] = [least, "min"];
    else if (about !== undefined && spanAhead(folded, about, lexicon)) at = about;
    else if (folded.charAt(at) === "~" && /\d/.test(folded.charAt(skipBlanks(folded, at + 1)))) at = skipBlanks(folded, at + 1);
    else break;
  }
  const first = spanAt(folded, at, lexicon);
  const bare = first ? undefined : numberAt(folded, at, true, lexicon);
  if (!first && !bare) return undefined;
  const firstEnd = (first ?? (bare as Found<number>)).end;
  const ranged = secondAt(folded, firstEnd, first, bare?.value, between, lexicon, alone);
  if (ranged) return whole(likelyBehind(folded, ranged, lexicon), index, undefined);
  if (!first) return undefined;
  const likely = likelyBehind(folded, first, lexicon);
  if (likely.end > first.end) return whole(likely, index, bound);
  const added = alone ? undefined : boundsBehind(folded, first, lexicon);
  if (added) return whole(added, index, undefined);
  const more =
    words(lexicon.orMore, folded, skipBlanks(folded, first.end)) ??
    (/^\s?\+(?!\s*\d)/.test(folded.slice(first.end)) ? first.end + folded.slice(first.end).indexOf("+") + 1 : undefined);
  if (more !== undefined && !bound) return whole({ ...first, end: trimmed(folded, more) }, index, "min");
  const most = words(lexicon.atMostBehind, folded, skipBlanks(folded, first.end));
  if (most !== undefined && !bound) return whole({ ...first, end: trimmed(folded, most) }, index, "max");
  return whole(first, index, bound);
}

const trimmed = (folded: string, end: number) => {
  let e = end;
  while (e > 0 && /\s/.test(folded.charAt(e - 1))) e--;
  return e;
};

/** Whether a length or its first figure follows, perhaps behind more words of its kind. */
function spanAhead(folded: string, at: number, lexicon: Lexicon): boolean {
  if (spanAt(folded, at, lexicon)) return true;
  const number = numberAt(folded, at, true, lexicon);
  if (number && /\d/.test(folded.slice(at, number.end)))
    return secondAt(folded, number.end, undefined, number.value, true, lexicon) !== undefined;
  if (number) return secondAt(folded, number.end, undefined, number.value, true, lexicon) !== undefined;
  const about = words(lexicon.about, folded, at) ?? words(lexicon.upTo, folded, at);
  return about !== undefined && about > at && spanAt(folded, about, lexicon) !== undefined;
}

/** "8h-14h likely 10h": the likely length, as the editor's own lines say it. */
function likelyBehind(folded: string, span: Span, lexicon: Lexicon): Span {
  const at = words(
    "(?:most )?likely|usually|probably|meist|wahrscheinlich|plutot|di solito|normalmente",
    folded,
    skipBlanks(folded, span.end),
  );
  const likely = at === undefined ? undefined : spanAt(folded, at, lexicon);
  if (!likely) return span;
  // A likely length that does not lie within is left from a range that was changed.
  const lies = likely.likely >= span.low && likely.likely <= span.high;
  return { ...span, end: likely.end, ...(lies ? { likely: likely.likely } : {}) };
}

/** The other end of a range: "-3 hours", "to 1 1/2 h", "or overnight", "or two". */
function secondAt(
  folded: string,
  from: number,
  first: Span | undefined,
  bare: number | undefined,
  between: boolean,
  lexicon: Lexicon,
  alone = false,
): Span | undefined {
  const dash = new RegExp(`^(?:${DASH})`).exec(folded.slice(from));
  const start = skipBlanks(folded, from);
  const to = dash
    ? from + dash[0].length
    : (words(lexicon.range, folded, start) ?? (between ? words(lexicon.and, folded, start) : undefined));
  if (to === undefined) return undefined;
  // "At least 8h up to 3d" are two bounds where each counts by itself.
  if (alone && !dash && words(lexicon.upTo, folded, start) !== undefined) return undefined;
  const at = words(lexicon.about, folded, to) ?? to;
  const second = spanAt(folded, at, lexicon) ?? spanAt(folded, to, lexicon);
  if (second) {
    const unit = figureUnit(folded, at, second, lexicon);
    const low = first?.low ?? (bare ?? 0) * unit;
    if (low > second.high) return undefined;
    const night = second.unit === 0 || first?.unit === 0;
    const likely = night ? Math.min(Math.max(OVERNIGHT.likely, low), second.high) : (low + second.high) / 2;
    return { low, likely, high: second.high, end: second.end, unit: second.unit };
  }
  // "An hour or two", "2 h to 3": the second figure borrows the unit of the first.
  const number = first && first.unit > 0 && numberAt(folded, to, true, lexicon);
  if (!first || !number || number.value * first.unit <= first.high) return undefined;
  // "12 min/160": a heat behind the stroke.
  if (dash?.[0].trim() === "/" && number.value >= 100) return undefined;
  if (!/^\s*(?:$|[,.;:)]|\p{L})/u.test(folded.slice(number.end)) || unitLike(folded, number.end)) return undefined;
  if (!dash && endOf(lexicon.either, folded, start) === undefined) return undefined;
  const high = number.value * first.unit;
  return { low: first.low, likely: (first.low + high) / 2, high, end: number.end, unit: first.unit };
}

const unitLike = (folded: string, at: number) => /^\s?(?:°|%|g|kg|ml|l|oz|lb|cups?|tbsp|tsp)(?!\p{L})/u.test(folded.slice(at));

/** The unit of the first figure of a span: "2 to 3 h 30" are hours. */
function figureUnit(folded: string, at: number, span: Span, lexicon: Lexicon): number {
  const number = numberAt(folded, at, true, lexicon);
  if (!number) return span.unit || 1;
  const plus = saidAt(lexicon.numberParts, folded, skipBlanks(folded, number.end));
  return unitAt(folded, plus ? skipBlanks(folded, plus.end) : gap(folded, number.end), lexicon)?.value ?? (span.unit || 1);
}

/** What is added to a first length: "…, ideally overnight", "… or up to 2 days", "…, at most 4 h". */
function boundsBehind(folded: string, first: Span, lexicon: Lexicon): Span | undefined {
  const start = skipBlanks(folded, first.end);
  const behindComma = /^[,;(]\s*/.exec(folded.slice(start));
  const at = start + (behindComma?.[0].length ?? 0);
  const closing = (end: number) => (behindComma?.[0].startsWith("(") && folded.charAt(end) === ")" ? end + 1 : end);
  const join =
    words(lexicon.either, folded, at) ?? words(lexicon.and, folded, at) ?? words("but|und|et|e|y|ma|mais|pero|aber", folded, at) ?? at;
  // "4 hours (or overnight)", "2 h, or 4".
  const or = behindComma ? words(lexicon.either, folded, at) : undefined;
  const other = or === undefined ? undefined : spanAt(folded, or, lexicon);
  if (other && other.high > first.low && words(lexicon.ideally, folded, or ?? 0) === undefined)
    return {
      low: first.low,
      likely: other.unit === 0 ? Math.max(first.low, other.likely) : (first.low + other.high) / 2,
      high: other.high,
      end: closing(other.end),
      unit: other.unit,
    };
  const ideal = words(lexicon.ideally, folded, join) ?? words(lexicon.ideally, folded, at);
  if (ideal !== undefined) {
    const second = spanOrRange(folded, ideal, lexicon);
    if (second && second.high > first.low)
      return { low: first.low, likely: second.likely, high: second.high, end: closing(second.end), unit: second.unit };
  }
  const most = words(lexicon.upTo, folded, words("for|fur|pendant|per|durante", folded, join) ?? join);
  if (most !== undefined) {
    const second = spanAt(folded, most, lexicon);
    // "30 min, up to 1 day ahead" says when, not how long.
    if (second && second.high > first.low && words(lexicon.advance, folded, skipBlanks(folded, second.end)) === undefined)
      return {
        low: first.low,
        likely: first.unit === 0 ? first.likely : (first.low + second.high) / 2,
        high: second.high,
        end: closing(second.end),
        unit: second.unit,
      };
  }
  return undefined;
}

function spanOrRange(folded: string, at: number, lexicon: Lexicon): Span | undefined {
  const first = spanAt(folded, at, lexicon);
  const bare = first ? undefined : numberAt(folded, at, true, lexicon);
  if (!first && !bare) return undefined;
  return secondAt(folded, (first ?? (bare as Found<number>)).end, first, bare?.value, false, lexicon) ?? first;
}

function whole(span: Span, start: number, bound: "min" | "max" | undefined): Found<SaidLength> | undefined {
  const round = (m: number) => (m > 0 && m < 1 ? 1 : Math.round(m));
  const [low, likely, high] = [round(span.low), round(span.likely), round(span.high)];
  const vague = span.vague ? { vague: true } : {};
  if (bound === "min") {
    const most = Math.max(high, round(low * 1.5));
    return {
      value: { min: low, likely: Math.max(likely, Math.min(most, round(low * 1.2))), max: most, open: "min", ...vague },
      start,
      end: span.end,
    };
  }
  if (bound === "max") {
    const least = low === high ? Math.max(1, round(high / 2)) : low;
    return { value: { min: least, likely: Math.round((least + high) / 2), max: high, open: "max", ...vague }, start, end: span.end };
  }
  return { value: { min: low, likely, max: high, ...vague }, start, end: span.end };
}

/**
 * The length of time that stands at a place of a text.
 * @returns whole minutes (seconds round up to one minute); undefined where none stands there or it is longer than 400 days
 * @example durationAt("2-3h", 0) // { value: { min: 120, likely: 150, max: 180 }, start: 0, end: 4 }
 */
function durationAt(text: string, index: number, lexicon: Lexicon = ENGLISH): Found<Length> | undefined {
  const found = lengthAt(fold(text), index, lexicon);
  if (!found || found.value.max > LONGEST_DURATION_MINUTES) return undefined;
  const { min, likely, max } = found.value;
  return { ...found, value: { min, likely, max } };
}

/**
 * The rhythm that stands behind "every": "45m", "2 hours", "hour", "other day", "second day".
 * @param index right behind "every "
 */
export function rhythmAt(text: string, index: number, lexicon: Lexicon = ENGLISH): Found<Length> | undefined {
  const folded = fold(text);
  const length = lengthAt(folded, index, lexicon);
  if (length) return length;
  const other = words(lexicon.alternate, folded, index);
  const third = other === undefined ? words("third|3rd|dritten|trois", folded, index) : undefined;
  const from = other ?? third ?? index;
  const unit = unitAt(folded, from, lexicon);
  if (!unit || unit.end - from < 2) return undefined;
  const minutes = Math.round(unit.value * (other !== undefined ? 2 : third !== undefined ? 3 : 1));
  return minutes < 1 ? undefined : { value: { min: minutes, likely: minutes, max: minutes }, start: index, end: unit.end };
}

/** Every length of time in a text, from left to right. */
export function findDurations(text: string, lexicon: Lexicon = ENGLISH): Found<Length>[] {
  const found: Found<Length>[] = [];
  for (let i = 0; i < text.length; i++) {
    if (i > 0 && /[\p{L}\d.,/]/u.test(text.charAt(i - 1))) continue;
    // "a" and "one" begin a length only where a unit follows, which durationAt sees to.
    const here = durationAt(text, i, lexicon);
    if (!here) continue;
    found.push(here);
    i = here.end - 1;
  }
  return found;
}

/** A text that is one length of time and nothing else. */
export function readLength(text: string): Length | undefined {
  const trimmedText = text.trim();
  const found = durationAt(trimmedText, 0);
  return found && found.end === trimmedText.length ? found.value : undefined;
}
