// Lists of minutes as sorted, disjoint, non-touching half-open intervals [from, to).
// Touching is not overlapping: a step that ends at 14:00 leaves 14:00 free.
// Every function returns a new list; the cost is that of the intervals, never of the minutes.

export type Interval = readonly [from: number, to: number];
export type Intervals = readonly Interval[];

/** Sorts and merges any intervals into a proper list; empty ones fall away. */
export function union(parts: Iterable<Interval>): Intervals {
  const sorted = [...parts].filter(([from, to]) => from < to).sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const merged: [number, number][] = [];
  for (const [from, to] of sorted) {
    const last = merged.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else merged.push([from, to]);
  }
  return merged;
}

/** Minutes that both lists hold. */
export function intersect(a: Intervals, b: Intervals): Intervals {
  const common: Interval[] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length; ) {
    const x = a[i] as Interval;
    const y = b[j] as Interval;
    const from = Math.max(x[0], y[0]);
    const to = Math.min(x[1], y[1]);
    if (from < to) common.push([from, to]);
    if (x[1] < y[1]) i++;
    else j++;
  }
  return common;
}

/** Minutes of `a` that `b` does not hold. */
export function subtract(a: Intervals, b: Intervals): Intervals {
  const left: Interval[] = [];
  let j = 0;
  for (const [from, to] of a) {
    let at = from;
    while (j < b.length && (b[j] as Interval)[1] <= at) j++;
    for (let k = j; k < b.length && (b[k] as Interval)[0] < to; k++) {
      const [start, end] = b[k] as Interval;
      if (start > at) left.push([at, start]);
      at = Math.max(at, end);
    }
    if (at < to) left.push([at, to]);
  }
  return left;
}

/** All minutes moved by so many. */
export function shift(list: Intervals, by: number): Intervals {
  return by === 0 ? list : list.map(([from, to]) => [from + by, to + by] as const);
}

/** Starts `s` for which [s, s + length) lies inside the list; a length of 0 asks for nothing and is answered by `everywhere`. */
export function startsFitting(list: Intervals, length: number, everywhere: Interval): Intervals {
  if (length <= 0) return [everywhere];
  return list.filter(([from, to]) => to - from >= length).map(([from, to]) => [from, to - length + 1] as const);
}

/** Starts `s` for which [s, s + length) overlaps nothing of the list. */
export function startsAvoiding(list: Intervals, length: number, everywhere: Interval): Intervals {
  if (length <= 0) return [everywhere];
  return subtract([everywhere], union(list.map(([from, to]) => [from - length + 1, to] as const)));
}

/** Whether every minute of [from, to) is in the list. */
export function covers(list: Intervals, from: number, to: number): boolean {
  if (from >= to) return true;
  const at = indexBefore(list, from);
  return at >= 0 && (list[at] as Interval)[1] >= to;
}

/** Whether any minute of [from, to) is in the list. */
export function overlaps(list: Intervals, from: number, to: number): boolean {
  if (from >= to) return false;
  const at = indexBefore(list, to - 1);
  return at >= 0 && (list[at] as Interval)[1] > from;
}

/** The latest minute of the list that is ≤ `minute`, or undefined. */
export function latestAtOrBefore(list: Intervals, minute: number): number | undefined {
  const at = indexBefore(list, minute);
  return at < 0 ? undefined : Math.min(minute, (list[at] as Interval)[1] - 1);
}

/** The earliest minute of the list that is ≥ `minute`, or undefined. */
export function earliestAtOrAfter(list: Intervals, minute: number): number | undefined {
  const at = indexBefore(list, minute);
  if (at >= 0 && minute < (list[at] as Interval)[1]) return minute;
  return list[at + 1]?.[0];
}

/** Minutes in the list, all together. */
export function totalMinutes(list: Intervals): number {
  return list.reduce((sum, [from, to]) => sum + to - from, 0);
}

/** Index of the last interval that starts at or before the minute; −1 where none does. */
function indexBefore(list: Intervals, minute: number): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as Interval)[0] <= minute) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The minute of the list nearest to `wish` within [from, to]. */
export function nearestWithin(list: Intervals, wish: number, from: number, to: number): number | undefined {
  if (from > to) return undefined;
  const aim = Math.min(to, Math.max(from, wish));
  const before = latestAtOrBefore(list, aim);
  const after = earliestAtOrAfter(list, aim);
  const options = [before, after].filter((m): m is number => m !== undefined && m >= from && m <= to);
  return options.sort((a, b) => Math.abs(a - wish) - Math.abs(b - wish))[0];
}

/** Minutes in which the sizes of the spans add up to more than a limit. */
export function minutesAbove(
  spans: readonly { readonly from: number; readonly to: number; readonly size: number }[],
  limit: number,
): Intervals {
  if (limit < 0) return [[Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY]];
  const events = spans.flatMap((s) => [[s.from, s.size] as const, [s.to, -s.size] as const]).sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const found: Interval[] = [];
  let load = 0;
  let since: number | undefined;
  for (const [minute, size] of events) {
    load += size;
    if (load > limit + 1e-9 && since === undefined) since = minute;
    else if (load <= limit + 1e-9 && since !== undefined) {
      found.push([since, minute]);
      since = undefined;
    }
  }
  return union(found);
}
