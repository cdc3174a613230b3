// What of a dish is in the larder already: made by an earlier run of it or of another dish, or put in by hand under its name.
import { mainOutput } from "../dish/edit/places";
import { componentOf } from "../dish/model";
import type { DishFile } from "../dish/schema";
import { quantityText } from "../dish/units";
import { Zone } from "../time/zone";
import { freeOf, type LarderItem } from "./items";

export interface LarderOffer {
  readonly item: string;
  readonly component: string;
  /** "600 g rendered lard" */
  readonly text: string;
  readonly amount: { readonly amount: number; readonly unit: string } | undefined;
  /** Wall clock of the dish, as `onHand` has it. */
  readonly madeAt: string;
  readonly until: number | undefined;
}

const UNITS = { mass: "g", volume: "mL" } as const;
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * @param items what is kept; what a run under way has made for itself, what is promised to another dish and what is past its limit is not offered
 * @returns by component, the one that spoils first before the others
 */
export function offersFor(document: DishFile, items: readonly LarderItem[], now: number): LarderOffer[] {
  const zone = new Zone(document.dish.timezone);
  return document.components.flatMap((component) => {
    const main = mainOutput(component);
    if (!main || component.onHand?.length || document.dish.serve.startsWith(`${component.id}.`)) return [];
    return items.flatMap((item): LarderOffer[] => {
      if (item.made === undefined || item.source?.underway || (item.reserved !== undefined && item.reserved !== document.dish.name))
        return [];
      if (item.until !== undefined && item.until <= now) return [];
      const made = item.source
        ? item.source.output.slice(item.source.output.indexOf(".") + 1) === main.id &&
          (componentOf(item.source.output) === component.id || same(item.source.component, component.name))
        : same(item.name, component.name) || same(item.name, main.name ?? main.id);
      if (!made) return [];
      const free = freeOf(item);
      if (free && free.value <= 0) return [];
      const amount = free && {
        amount: Number(free.value.toPrecision(6)),
        unit: free.dimension === "count" ? (free.piece ?? "piece") : UNITS[free.dimension],
      };
      return [
        {
          item: item.id,
          component: component.id,
          text: `${free ? quantityText(free) : (item.about ?? "")} ${item.name}`.trim(),
          amount,
          madeAt: zone.toWallInstant(item.made),
          until: item.until,
        },
      ];
    });
  });
}
