// Shopping trips: the fewest with which everything is in the house when it is wanted and fresh enough, and what has to be ordered before.
import type { ShoppingRow } from "./shopping";

interface Trip<R extends ShoppingRow = ShoppingRow> {
  /** The latest moment at which it still serves all that is bought on it. */
  readonly by: number;
  readonly rows: readonly R[];
}

/** So long before something is used it is in the house. */
const BEFORE_USE_MINUTES = 60;

interface ShopHours {
  /** The last minute at or before this one at which shops are open. */
  readonly lastOpen: (minute: number) => number;
}

/**
 * Fewest points that stab all intervals [buy from, wanted by]: by the earliest deadline, each point takes all that is fresh enough then.
 * Source: interval stabbing, greedy by right end; optimal.
 * @param hours when shops are open; a deadline moves back to the last open minute
 */
export function shoppingTrips<R extends ShoppingRow>(rows: readonly R[], { lastOpen }: ShopHours): Trip<R>[] {
  const open = rows.map((row) => ({ row, by: lastOpen(row.wantedBy - BEFORE_USE_MINUTES) })).sort((a, b) => a.by - b.by);
  const trips: { by: number; rows: R[] }[] = [];
  for (const { row, by } of open) {
    const last = trips.at(-1);
    // What keeps for ever comes along on the first trip there is.
    const fits = trips.find((t) => t.by <= by && (row.buyFrom === undefined || row.buyFrom <= t.by));
    if (fits) fits.rows.push(row);
    else if (last && last.by === by) last.rows.push(row);
    else trips.push({ by, rows: [row] });
  }
  return trips.sort((a, b) => a.by - b.by);
}

/** What has to be ordered, the soonest first. */
export const ordersOf = <R extends ShoppingRow>(rows: readonly R[]): R[] =>
  rows.filter((r) => r.orderBy !== undefined).sort((a, b) => (a.orderBy ?? 0) - (b.orderBy ?? 0));

/** A row that is bought too early to keep until it is used. */
interface TooEarly<R extends ShoppingRow = ShoppingRow> {
  readonly row: R;
  /** Minutes by which it would be kept too long. */
  readonly minutes: number;
}

/** A choice of shopping days, and what would not be fresh with it. */
export interface TripChoice<R extends ShoppingRow = ShoppingRow> {
  readonly trips: readonly Trip<R>[];
  /** The worst first; empty where everything keeps until it is used. */
  readonly early: readonly TooEarly<R>[];
}

/** What has to be ordered, and a choice for each number of trips: from the fewest that keep everything fresh down to one. */
interface ShoppingChoices<R extends ShoppingRow = ShoppingRow> {
  readonly orders: readonly R[];
  readonly choices: readonly TripChoice<R>[];
}

/**
 * The fewest trips that keep everything fresh, and for each smaller number the best days. The cost of a row is the time by which it is bought too
 * early, divided by how long it keeps: a day too early is worse for fish than for cream.
 * Source: segmentation of sorted deadlines by dynamic programming (Bellman 1961). Moving a trip later to the next deadline never costs more, so all
 * trips are at deadlines.
 * @param hours when shops are open
 * @returns as many choices as the fewest fresh trips are; none for an empty list
 */
export function tripChoices<R extends ShoppingRow>(rows: readonly R[], hours: ShopHours): TripChoice<R>[] {
  if (rows.length === 0) return [];
  const fresh = shoppingTrips(rows, hours);
  const wanted = rows.map((row) => ({ row, by: hours.lastOpen(row.wantedBy - BEFORE_USE_MINUTES) }));
  const days = [...new Set(wanted.map((w) => w.by))].sort((a, b) => a - b);
  // cost[i][j]: a trip at days[i] buys all that is due before days[j].
  const cost = days.map((day, i) =>
    Array.from({ length: days.length + 1 }, (_, j) =>
      wanted.reduce(
        (sum, { row, by }) => (by >= day && by < (days[j] ?? Number.POSITIVE_INFINITY) && j > i ? sum + staleShare(row, day) : sum),
        0,
      ),
    ),
  );
  const choices: TripChoice<R>[] = [{ trips: fresh, early: [] }];
  for (let most = fresh.length - 1; most >= 1; most--) choices.push(assigned(wanted, cheapestDays(days, cost, most)));
  return choices;
}

const minutesTooEarly = (row: ShoppingRow, day: number) => Math.max(0, (row.buyFrom ?? day) - day);

function staleShare(row: ShoppingRow, day: number): number {
  const keeps = row.wantedBy - (row.buyFrom ?? row.wantedBy);
  return minutesTooEarly(row, day) / Math.max(keeps, BEFORE_USE_MINUTES);
}

/** The cheapest days for at most `most` trips. The first deadline is always one of them. */
function cheapestDays(days: readonly number[], cost: readonly (readonly number[])[], most: number): number[] {
  // best[k][i]: least cost of the rows due from days[i] on, with at most k trips, the first at days[i]; next[k][i]: the day of the second.
  const n = days.length;
  const best: number[][] = [Array.from({ length: n + 1 }, (_, i) => (i === n ? 0 : Number.POSITIVE_INFINITY))];
  const next: number[][] = [[]];
  for (let k = 1; k <= most; k++) {
    best[k] = Array.from({ length: n + 1 }, (_, i) => (i === n ? 0 : Number.POSITIVE_INFINITY));
    next[k] = Array.from({ length: n }, () => n);
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j <= n; j++) {
        const sum = (cost[i]?.[j] ?? 0) + (best[k - 1]?.[j] ?? Number.POSITIVE_INFINITY);
        if (sum >= (best[k]?.[i] ?? 0)) continue;
        (best[k] as number[])[i] = sum;
        (next[k] as number[])[i] = j;
      }
  }
  const chosen: number[] = [];
  for (let i = 0, k = most; i < n; i = next[k]?.[i] ?? n, k--) chosen.push(days[i] as number);
  return chosen;
}

/** Puts each row on the first trip from which it keeps, else on the last trip before it is wanted. */
function assigned<R extends ShoppingRow>(
  wanted: readonly { readonly row: R; readonly by: number }[],
  days: readonly number[],
): TripChoice<R> {
  const trips = days.map((by) => ({ by, rows: [] as R[] }));
  const early: TooEarly<R>[] = [];
  for (const { row, by } of wanted) {
    const before = trips.filter((t) => t.by <= by);
    const trip = before.find((t) => minutesTooEarly(row, t.by) === 0) ?? before.at(-1);
    if (!trip) throw new Error(`No trip before ${row.ingredient} is wanted: the first deadline must be one.`);
    trip.rows.push(row);
    const minutes = minutesTooEarly(row, trip.by);
    if (minutes > 0) early.push({ row, minutes });
  }
  return { trips: trips.filter((t) => t.rows.length > 0), early: early.sort((a, b) => b.minutes - a.minutes) };
}

/** The choice with at most `most` trips; the fresh one where no number is given. Undefined for an empty list. */
export const chosenTrips = <R extends ShoppingRow>(
  choices: readonly TripChoice<R>[],
  most: number | undefined,
): TripChoice<R> | undefined => choices.find((c) => most !== undefined && c.trips.length <= most) ?? choices[0];

/** @param timeOfDay of a minute, by the reader's clock */
export const shoppingOf = <R extends ShoppingRow>(rows: readonly R[], timeOfDay: (minute: number) => number): ShoppingChoices<R> => ({
  orders: ordersOf(rows),
  choices: tripChoices(rows, usualShopHours(timeOfDay)),
});

/** Shops are open from nine to seven, every day: what a list can count on. */
export function usualShopHours(timeOfDay: (minute: number) => number): ShopHours {
  const [opens, closes] = [9 * 60, 19 * 60];
  return {
    lastOpen: (minute) => {
      const at = timeOfDay(minute);
      if (at < opens) return minute - at - (1440 - closes);
      return at > closes ? minute - (at - closes) : minute;
    },
  };
}
