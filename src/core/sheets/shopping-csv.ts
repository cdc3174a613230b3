// The shopping list as a file for a spreadsheet.
import { stringify } from "csv-stringify/sync";
import type { Dish } from "../dish/model";
import { onOneLine } from "../plain-text";
import type { ShoppingRow } from "./shopping";
import { chosenTrips, shoppingOf } from "./trips";

/**
 * CSV with a heading; instants as the dish file writes them; "trip" is the latest moment of the trip on which to buy it.
 * @param mostTrips at most so many; undefined: as many as keep everything fresh
 */
export function shoppingCsv(rows: readonly ShoppingRow[], { zone }: Pick<Dish, "zone">, mostTrips?: number): string {
  const at = (minute: number | undefined) => (minute === undefined ? "" : zone.toWallInstant(minute));
  const { choices } = shoppingOf(rows, (minute) => zone.timeOfDay(minute));
  const trips = chosenTrips(choices, mostTrips)?.trips ?? [];
  const tripOf = new Map(trips.flatMap((t) => t.rows.map((r) => [r, t.by] as const)));
  return stringify(
    rows.map((r) =>
      [
        r.section,
        r.ingredient,
        r.amount,
        r.components.join("; "),
        at(r.orderBy),
        at(r.buyFrom),
        at(r.wantedBy),
        r.note,
        r.packs,
        r.left,
        at(tripOf.get(r)),
      ].map(onOneLine),
    ),
    {
      header: true,
      columns: ["section", "ingredient", "amount", "for", "order by", "buy from", "wanted by", "note", "packs", "left over", "trip"],
      escape_formulas: true,
    },
  );
}
