// Shopping trips: as few as keep everything fresh, each at an hour at which shops are open.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { ShoppingRow } from "../../../src/core/sheets/shopping";
import { ordersOf, shoppingTrips, usualShopHours } from "../../../src/core/sheets/trips";

const row = (ingredient: string, wantedBy: number, buyFrom?: number, orderBy?: number): ShoppingRow => ({
  section: "",
  ingredient,
  amount: "1 kg",
  packs: "",
  left: "",
  components: [],
  wantedBy,
  buyFrom,
  orderBy,
  note: "",
});
const ALWAYS = { lastOpen: (m: number) => m };
const DAY = 1440;

describe("trips", () => {
  test("what keeps is bought on the first; what does not gets one of its own, shared where it can be", () => {
    const trips = shoppingTrips(
      [
        row("flour", 10 * DAY),
        row("cream", 5 * DAY, 3 * DAY),
        row("herbs", 6 * DAY, 4 * DAY),
        row("fish", 9 * DAY, 8 * DAY),
        row("salt", 4 * DAY),
      ],
      ALWAYS,
    );
    expect(trips.map((t) => t.rows.map((r) => r.ingredient).sort())).toEqual([["cream", "flour", "salt"], ["herbs"], ["fish"]]);
    expect(trips[0]?.by).toBe(4 * DAY - 60);
  });
  test("every item is bought once, in time and fresh, and no fewer trips would do", () => {
    const need = fc.record({ to: fc.integer({ min: 100, max: 5000 }), long: fc.option(fc.integer({ min: 0, max: 3000 })) });
    fc.assert(
      fc.property(fc.array(need, { minLength: 1, maxLength: 12 }), (needs) => {
        const rows = needs.map(({ to, long }, i) => row(String(i), to, long === null ? undefined : to - 60 - long));
        const trips = shoppingTrips(rows, ALWAYS);
        expect(trips.flatMap((t) => t.rows.map((r) => r.ingredient)).sort()).toEqual(rows.map((r) => r.ingredient).sort());
        for (const t of trips) for (const r of t.rows) expect(t.by <= r.wantedBy - 60 && (r.buyFrom ?? -1) <= t.by).toBe(true);
        // As many needs of which no two can share a trip: the one that each trip was made for.
        const apart = trips.map((t) => t.rows[0] as ShoppingRow);
        for (const [i, a] of apart.entries()) for (const b of apart.slice(i + 1)) expect((b.buyFrom ?? -1) > a.wantedBy - 60).toBe(true);
      }),
    );
  });
  test("a deadline in the night is that of the evening before", () => {
    const { lastOpen } = usualShopHours((m) => ((m % DAY) + DAY) % DAY);
    expect(lastOpen(2 * DAY + 7 * 60)).toBe(DAY + 19 * 60);
    expect(lastOpen(2 * DAY + 22 * 60)).toBe(2 * DAY + 19 * 60);
    expect(lastOpen(2 * DAY + 12 * 60)).toBe(2 * DAY + 12 * 60);
  });
  test("orders stand apart, the soonest first", () => {
    expect(ordersOf([row("a", 9, undefined, 5), row("b", 9), row("c", 9, undefined, 2)]).map((r) => r.ingredient)).toEqual(["c", "a"]);
  });
});
