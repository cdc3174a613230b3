// Labels for what is in the larder, whoever made it: half a pot that goes into the freezer has none of its own yet.
import { quantityText } from "../dish/units";
import type { LarderItem } from "../larder/items";
import type { WallClock } from "../time/wall-clock";
import { LABEL_PLACE, type Label, labelCode, labelTime } from "./labels";

/** In place of a dish, in the code of an item that no dish made or that was parted. */
const HOUSE = "larder";
const RUN = /^run /;

/** What a run made is found by its dish and output, as on the label that was printed before; anything else by itself. */
export const itemCode = ({ id, source }: LarderItem, dish: string | undefined): string =>
  source && dish !== undefined && RUN.test(id) ? labelCode(dish, source.output) : labelCode(HOUSE, id);

/** What the dish file says of an item. */
export interface KnownItem {
  readonly contains: readonly string[];
  readonly raw: boolean;
  /** The dish's own id; undefined where no dish made it. */
  readonly dish: string | undefined;
}

/**
 * @param now minutes; a limit within a week is said by its weekday
 * @param known by item; one that is missing shows nothing of it
 */
export function labelsOfItems(items: readonly LarderItem[], now: number, clock: WallClock, known: ReadonlyMap<string, KnownItem>): Label[] {
  return items.map((item): Label => {
    const when = (at: number) => labelTime(clock, now, at);
    const own = known.get(item.id);
    return {
      key: item.id,
      name: item.name,
      component: item.source?.component ?? item.name,
      amount: item.quantity ? quantityText(item.quantity) : (item.about ?? ""),
      made: item.made === undefined ? "" : clock.shortDay(item.made),
      place: LABEL_PLACE[item.place] ?? item.place,
      ready: item.best && item.best[0] > now ? when(item.best[0]) : "",
      best: "",
      until: item.until === undefined ? "" : when(item.until),
      limit: item.limit,
      for: item.reserved ?? "",
      dish: item.source?.dish ?? "",
      code: itemCode(item, own?.dish),
      warmUp: "",
      contains: own?.contains ?? [],
      contentsUnknown: own?.dish === undefined && !own?.contains.length,
      raw: own?.raw ?? false,
    };
  });
}
