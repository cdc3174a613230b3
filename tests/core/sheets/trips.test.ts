// Shopping trips: as few as keep everything fresh, each at an hour at which shops are open.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { ShoppingRow } from "../../../src/core/sheets/shopping";
import { chosenTrips, ordersOf, shoppingTrips, tripChoices, usualShopHours } from "../../../src/core/sheets/trips";

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

describe("fewer trips", () => {
  const fish = row("fish", 9 * DAY, 8 * DAY);
  const cream = row("cream", 8 * DAY, 4 * DAY);
  const list = [row("salt", 4 * DAY), fish, cream];
  test("each number down to one, with what would wait longer than it keeps", () => {
    const choices = tripChoices(list, ALWAYS);
    expect(choices.map((c) => c.trips.length)).toEqual([3, 2, 1]);
    expect(choices[0]?.early).toEqual([]);
    // With two, the day goes where fish is fresh and cream a little early, not the other way round.
    expect(choices[1]?.trips.map((t) => t.rows.map((r) => r.ingredient))).toEqual([["salt", "cream"], ["fish"]]);
    expect(choices[1]?.early).toEqual([{ row: cream, minutes: 60 }]);
    expect(choices[2]?.early.map((e) => [e.row.ingredient, e.minutes])).toEqual([
      ["fish", 4 * DAY + 60],
      ["cream", 60],
    ]);
  });
  test("the choice with at most so many; the fresh one where none was asked for or fewer would do", () => {
    const choices = tripChoices(list, ALWAYS);
    expect(chosenTrips(choices, undefined)).toBe(choices[0]);
    expect(chosenTrips(choices, 2)).toBe(choices[1]);
    expect(chosenTrips(choices, 9)).toBe(choices[0]);
    expect(tripChoices([], ALWAYS)).toEqual([]);
  });
  test("no other days would be better: against all sets of days", () => {
    const need = fc.record({ to: fc.integer({ min: 1, max: 8 }), long: fc.integer({ min: 1, max: 8 }) });
    fc.assert(
      fc.property(fc.array(need, { minLength: 1, maxLength: 7 }), (needs) => {
        const rows = needs.map(({ to, long }, i) => row(String(i), to * DAY + 60, (to - long) * DAY + 60));
        const days = [...new Set(rows.map((r) => r.wantedBy - 60))].sort((a, b) => a - b);
        const share = (r: ShoppingRow, day: number) => Math.max(0, (r.buyFrom ?? 0) - day) / (r.wantedBy - (r.buyFrom ?? 0));
        const costOf = (set: readonly number[]) =>
          rows.reduce((sum, r) => sum + Math.min(...set.filter((d) => d <= r.wantedBy - 60).map((d) => share(r, d))), 0);
        for (const choice of tripChoices(rows, ALWAYS)) {
          const sets = subsets(days.slice(1), choice.trips.length - 1).map((set) => [days[0] as number, ...set]);
          const least = Math.min(...sets.map(costOf));
          const own = choice.early.reduce((sum, { row: r, minutes }) => sum + minutes / (r.wantedBy - (r.buyFrom ?? 0)), 0);
          expect(own).toBeCloseTo(least, 6);
          expect(choice.trips.flatMap((t) => t.rows)).toHaveLength(rows.length);
          for (const t of choice.trips) for (const r of t.rows) expect(t.by).toBeLessThanOrEqual(r.wantedBy - 60);
        }
      }),
    );
  });
});

function subsets(of: readonly number[], size: number): number[][] {
  if (size === 0) return [[]];
  return of.flatMap((first, i) => subsets(of.slice(i + 1), size - 1).map((rest) => [first, ...rest]));
}
