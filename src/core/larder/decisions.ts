// What somebody has to decide about what is kept: past its limit, free and soon to spoil, a fridge that is too full. The most pressing first.
import { amountOf, quantityText } from "../dish/units";
import { freeOf, type LarderItem } from "./items";
import type { Room } from "./room";

export interface Decision {
  readonly kind: "past" | "soon" | "too-full";
  /** The item that it is about; undefined for a fridge that is too full. */
  readonly item: string | undefined;
  readonly name: string;
  /** What of it is free, in words; empty where nobody says how much there is. */
  readonly free: string;
  /** What steps leave of it, where some of it goes into steps: only that may go another way. Undefined: all of it may. */
  readonly rest: { readonly amount: number; readonly unit: string } | undefined;
  /** Its limit, or when the fridge begins to be too full. */
  readonly at: number;
  readonly to: number | undefined;
  readonly safety: boolean;
  /** Litres too many. */
  readonly litres: number | undefined;
  /** It may still be frozen: not past its limit, and not frozen before. */
  readonly freezable: boolean;
}

/** What spoils within so long wants a decision. */
const SOON_MINUTES = 3 * 1440;

export function decisionsOf(items: readonly LarderItem[], room: Room | undefined, now: number): Decision[] {
  const full = (room?.tooFull ?? []).map(
    ({ from, to, by }): Decision => ({
      kind: "too-full",
      item: undefined,
      name: "",
      free: "",
      rest: undefined,
      at: from,
      to,
      safety: false,
      litres: by,
      freezable: false,
    }),
  );
  const spoiling = items.flatMap((item): Decision[] => {
    if (item.until === undefined || item.until - now > SOON_MINUTES) return [];
    const free = freeOf(item);
    const past = item.until < now;
    // What a plan takes in time is decided already; its rest is not.
    const taken = (item.source?.takers.length ?? 0) > 0;
    if (!past && (taken ? !free || free.value <= 0 : item.reserved !== undefined)) return [];
    return [
      {
        kind: past ? "past" : "soon",
        item: item.id,
        name: item.name,
        free: past ? (item.quantity ? quantityText(item.quantity) : (item.about ?? "")) : free ? quantityText(free) : (item.about ?? ""),
        rest: !past && taken && free ? amountOf(free) : undefined,
        at: item.until,
        to: undefined,
        safety: item.limit === "safety",
        litres: undefined,
        freezable: !past && item.place !== "freezer",
      },
    ];
  });
  const rank = (d: Decision) => (d.kind === "past" && d.safety ? 0 : d.kind === "too-full" ? 1 : d.kind === "past" ? 2 : 3);
  return [...full, ...spoiling].sort((a, b) => rank(a) - rank(b) || a.at - b.at);
}
