// Shopping trips: the fewest with which everything is in the house when it is wanted and fresh enough, and what has to be ordered before.
import type { ShoppingRow } from "./shopping";

export interface Trip<R extends ShoppingRow = ShoppingRow> {
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

/** All of a list: what has to be ordered, and the fewest trips with shops open at their usual hours. @param timeOfDay of a minute, by the reader's clock */
export const shoppingOf = <R extends ShoppingRow>(rows: readonly R[], timeOfDay: (minute: number) => number) => ({
  orders: ordersOf(rows),
  trips: shoppingTrips(rows, usualShopHours(timeOfDay)),
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
