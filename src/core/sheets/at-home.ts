// What of a shopping list is at home already: taken off where the larder says how much, told where it does not.
import { comparable, quantityText } from "../dish/units";
import { understand } from "../foods/match";
import { wordsOf } from "../foods/phrase";
import { freeOf, type LarderItem } from "../larder/items";
import { type Need, rowsOf, type ShoppingRow } from "./shopping";

/** A row with what of it is at home, in words; empty for nothing. */
export interface HomeRow extends ShoppingRow {
  readonly atHome: string;
}

const sameName = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
/** "White sugar" will do where sugar is wanted, and sugar not where dark sugar is; what stands behind a comma is how it is cut. */
function saysAll(kept: string, wanted: string): boolean {
  const words = new Set(wordsOf(kept));
  return wordsOf(wanted.split(",")[0] ?? wanted).every((w) => words.has(w));
}

/**
 * The rows that are left to buy. What is kept counts where it is the same food, is promised to nobody and is good until the need.
 * What stands in the larder without an amount is told and takes nothing off.
 */
export function toBuy(needs: readonly Need[], items: readonly LarderItem[]): HomeRow[] {
  const kept = items
    .filter((i) => i.reserved === undefined && !i.source?.underway)
    .map((item) => ({ item, food: understand(item.name)?.food.id, left: freeOf(item)?.value ?? 0 }));
  // By the name that is bought, and by item: what was taken of it, or undefined where nobody says how much there is.
  const told = new Map<string, Map<LarderItem, number | undefined>>();
  const reduced = needs.map((need): Need => {
    const food = understand(need.row.ingredient, need.food)?.food.id;
    let { quantity } = need;
    for (const one of kept) {
      const same =
        food !== undefined && one.food === food
          ? saysAll(one.item.name, need.row.ingredient)
          : sameName(one.item.name, need.row.ingredient);
      if (!same || (one.item.until !== undefined && one.item.until < need.row.wantedBy)) continue;
      const of = told.get(need.row.ingredient) ?? new Map<LarderItem, number | undefined>();
      told.set(need.row.ingredient, of);
      if (!one.item.quantity) of.set(one.item, undefined);
      if (!quantity || !one.item.quantity || !comparable(quantity, one.item.quantity) || one.left <= 0) continue;
      const off = Math.min(one.left, quantity.value);
      one.left -= off;
      quantity = { ...quantity, value: quantity.value - off };
      of.set(one.item, (of.get(one.item) ?? 0) + off);
    }
    return { ...need, quantity };
  });
  const open = reduced.filter((n, i) => n.quantity === undefined || n.quantity.value > 1e-9 || (needs[i]?.quantity?.value ?? 0) === 0);
  const said = (item: LarderItem, off: number | undefined) =>
    off === undefined || !item.quantity ? (item.about ?? item.name) : quantityText({ ...item.quantity, value: off });
  return rowsOf(open).map((row) => ({
    ...row,
    atHome: [...(told.get(row.ingredient) ?? [])].map(([item, off]) => said(item, off)).join(", "),
  }));
}
