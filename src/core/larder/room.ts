// The room in the fridge over the coming days: what plans put there, what is kept besides, the everyday food; where it is more than there is.
import type { Quantity } from "../dish/units";
import type { Occupancy } from "../view/occupancy";
import type { LarderItem } from "./items";

const DAYS_AHEAD = 8;
/** The larder looks ahead until then. */
export const larderUntil = (now: number): number => now + DAYS_AHEAD * 1440;

export interface Layer {
  readonly name: string;
  readonly dish: string | undefined;
  readonly from: number;
  readonly to: number;
  readonly litres: number;
}

export interface Room {
  readonly litres: number;
  readonly everyday: number;
  readonly layers: readonly Layer[];
  /** Stretches with more in it than it holds, and by how many litres at most. */
  readonly tooFull: readonly { readonly from: number; readonly to: number; readonly by: number }[];
}

/** A kilogram of food takes about a litre; what is counted has no litres that anybody knows. */
const litresOf = (q: Quantity | undefined): number => (q === undefined || q.dimension === "count" ? 0 : q.value / 1000);
const SAME = 1e-6;

interface RoomInput {
  readonly place: "fridge" | "freezer" | "cellar";
  /** Of the whole place. */
  readonly litres: number;
  readonly everyday: number;
  readonly plans: readonly { readonly dish: string; readonly places: readonly Occupancy[] }[];
  readonly items: readonly LarderItem[];
  readonly from: number;
  readonly to: number;
}

/** @returns layers in the order in which they come, cut to the stretch asked for */
export function roomOf({ place, litres, everyday, plans, items, from, to }: RoomInput): Room {
  const planned = plans.flatMap(({ dish, places }) =>
    places
      .filter((p) => p.place === place)
      .flatMap((p) => p.tenants.map((t) => ({ name: t.name, dish, from: t.from, to: t.to, litres: t.amount }))),
  );
  // What a run under way has made stands in its plan already.
  const kept = items
    .filter((i) => i.place === place && !i.source?.underway)
    .map((i) => ({ name: i.name, dish: undefined, from, to: i.until ?? to, litres: litresOf(i.quantity) }));
  const layers = [...kept, ...planned]
    .map((l) => ({ ...l, from: Math.max(from, l.from), to: Math.min(to, l.to) }))
    .filter((l) => l.to > l.from && l.litres > SAME)
    .sort((a, b) => a.from - b.from || b.to - a.to);
  const marks = [...new Set(layers.flatMap((l) => [l.from, l.to]))].sort((a, b) => a - b);
  const tooFull: { from: number; to: number; by: number }[] = [];
  for (const [i, at] of marks.entries()) {
    const next = marks[i + 1];
    if (next === undefined) break;
    const by = everyday + layers.reduce((sum, l) => sum + (l.from <= at && l.to > at ? l.litres : 0), 0) - litres;
    if (by <= SAME) continue;
    const last = tooFull.at(-1);
    if (last && last.to === at) {
      last.to = next;
      last.by = Math.max(last.by, by);
    } else tooFull.push({ from: at, to: next, by });
  }
  return { litres, everyday, layers, tooFull };
}
