// A food's way through the dish: from the step at which it comes in, through the steps of its component, by what takes it, to the table.
import type { DishFile } from "../../dish/schema";
import type { Understood } from "../../foods/match";
import { type Item, type Part, type PartStep, whole } from "../part";
import { coreReached, type Heat, heatOf } from "./process";

interface Visit {
  readonly part: Part;
  readonly step: PartStep;
  readonly heat: Heat | undefined;
}

export interface Journey {
  readonly part: Part;
  readonly item: Item;
  readonly food: Understood;
  /** In the order in which it goes through them. */
  readonly visits: readonly Visit[];
  /** Whether it comes to the table on this way. */
  readonly served: boolean;
}

/** More ways than that of one food are not followed. */
const MOST_WAYS = 24;

/** All ways of all foods that were understood; a food that is taken by two components has two. */
export function journeysOf(parts: readonly Part[], document: DishFile): Journey[] {
  const served = new Set([document.dish.serve, ...(document.dish.courses ?? []).map((c) => c.serve)]);
  const ways = (part: Part, from: number, seen: ReadonlySet<string>): { visits: Visit[]; served: boolean }[] => {
    const own = part.steps.slice(from).map((step): Visit => ({ part, step, heat: heatOf(step) }));
    const end = own.findIndex((v) => served.has(v.step.ref));
    if (end >= 0) return [{ visits: own.slice(0, end + 1), served: true }];
    const takers = parts.flatMap((p) => {
      if (p === part || seen.has(p.component.id)) return [];
      const at = p.steps.findIndex((s) =>
        (s.step.takes ?? []).some((t) => whole(t.from, p.component.id).startsWith(`${part.component.id}.`)),
      );
      return at < 0 ? [] : [{ taker: p, at }];
    });
    // What nobody takes is eaten by itself, or kept.
    if (takers.length === 0) return [{ visits: own, served: true }];
    return takers.flatMap(({ taker, at }) =>
      ways(taker, at, new Set([...seen, part.component.id])).map((w) => ({ visits: [...own, ...w.visits], served: w.served })),
    );
  };
  return parts.flatMap((part) =>
    part.items.flatMap((item): Journey[] => {
      const { food } = item;
      if (!food) return [];
      return ways(part, item.enters, new Set())
        .slice(0, MOST_WAYS)
        .map((way) => ({ part, item, food, ...way }));
    }),
  );
}

/** The hottest that its middle gets, °C, and where; 0 where nothing heats it. */
export function hottest(j: Journey): { readonly core: number; readonly visit: Visit | undefined } {
  let best: { core: number; visit: Visit | undefined } = { core: 0, visit: undefined };
  for (const visit of j.visits) {
    const core = visit.heat ? coreReached(visit.heat, j.food.class) : 0;
    if (core > best.core) best = { core, visit };
  }
  return best;
}

/** Whether its outside has met real heat: enough for a whole cut. */
export const seared = (j: Journey): boolean =>
  j.visits.some(
    (v) =>
      v.heat !== undefined &&
      v.heat.medium !== "warm" &&
      (v.heat.medium !== "smoke" || (v.heat.tempC ?? 0) >= 100 || (v.heat.coreC ?? 0) >= 50),
  );
