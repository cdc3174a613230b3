// What is kept in the house now: what runs made and did not use, and what was put in by hand, after all that happened to it since.
import { comparable, type Quantity, quantityOf } from "../dish/units";
import type { LarderBody, LarderEvent, LarderPlace } from "./events";

export interface LarderItem {
  readonly id: string;
  readonly name: string;
  /** How much is left; undefined where nobody says. */
  readonly quantity: Quantity | undefined;
  /** In place of a quantity: "about half a jar". */
  readonly about: string | undefined;
  readonly place: LarderPlace;
  readonly made: number | undefined;
  readonly best: readonly [from: number, to: number] | undefined;
  /** Not after. */
  readonly until: number | undefined;
  readonly limit: "safety" | "quality" | undefined;
  readonly opened: number | undefined;
  /** The dish that it is promised to. */
  readonly reserved: string | undefined;
  /** What made it; undefined where it was put in by hand. */
  readonly source: LarderSource | undefined;
}

interface LarderSource {
  readonly slug: string;
  readonly dish: string;
  /** "component.output" */
  readonly output: string;
  readonly component: string;
  /** The kind of its component. */
  readonly kind: string;
  /** The methods of its dish that were in force, by component. */
  readonly methods: Readonly<Record<string, string>>;
  /** Steps that take of it yet, in the order in which they come. */
  readonly takers: readonly { readonly step: string; readonly at: number; readonly quantity: Quantity | undefined }[];
  /** Its run is under way: the plan counts the room that it takes. */
  readonly underway: boolean;
}

/** Thawed in the fridge and kept there: FDA, Refrigerator and Freezer Storage Chart; USDA FSIS, The Big Thaw (1 to 2 days for mince, poultry, fish). */
const THAWED_MINUTES = 2 * 1440;
/** With less than this share left, it counts as used up. */
export const USED_UP_SHARE = 0.01;

/**
 * The items that are still there.
 * @param made what runs made, as it stands by their logs
 * @param events in the order in which they were written; of an item that is not there they change nothing
 */
export function larderItems(made: readonly LarderItem[], events: readonly LarderEvent[]): LarderItem[] {
  const undone = new Set(events.flatMap((e) => (e.body.kind === "withdrawn" ? [e.body.of] : [])));
  const items = new Map(made.map((item) => [item.id, item]));
  for (const event of [...events].sort((a, b) => a.id - b.id)) {
    if (event.body.kind === "withdrawn" || undone.has(event.id)) continue;
    const { body } = event;
    if (body.kind === "added") {
      items.set(event.item, {
        id: event.item,
        name: body.name,
        quantity: body.amount && quantityOf(body.amount),
        about: body.about,
        place: body.place,
        made: body.made ?? event.at,
        best: undefined,
        until: body.until,
        limit: body.until === undefined ? undefined : (body.limit ?? "quality"),
        opened: undefined,
        reserved: undefined,
        source: undefined,
      });
      continue;
    }
    const item = items.get(event.item);
    if (!item) continue;
    if (body.kind === "split") {
      const [rest, part] = items.has(body.into) ? [item, undefined] : parted(item, event.at, body);
      if (rest) items.set(item.id, rest);
      else items.delete(item.id);
      if (part) items.set(part.id, part);
      continue;
    }
    const after = applied(item, event);
    if (after) items.set(item.id, after);
    else items.delete(item.id);
  }
  return [...items.values()];
}

/** Undefined: nothing is left of it. */
function applied(item: LarderItem, { at, body }: LarderEvent): LarderItem | undefined {
  switch (body.kind) {
    case "taken":
      return body.amount ? without(item, quantityOf(body.amount)) : undefined;
    case "moved":
      return moved(item, at, body.place, body.until);
    case "opened":
      return {
        ...item,
        opened: at,
        until: sooner(item.until, body.until),
        limit: item.limit ?? (body.until === undefined ? undefined : "quality"),
      };
    case "counted":
      return { ...item, quantity: body.amount && quantityOf(body.amount), about: body.about };
    case "reserved":
      return { ...item, reserved: body.dish };
    case "discarded":
      return undefined;
    default:
      return item;
  }
}

/** Less what is taken; undefined where next to nothing is left. Where amounts can not be compared it stays as it is. */
function without(item: LarderItem, taken: Quantity): LarderItem | undefined {
  if (!item.quantity || !comparable(item.quantity, taken)) return item;
  const value = item.quantity.value - taken.value;
  return value > item.quantity.value * USED_UP_SHARE ? { ...item, quantity: { ...item.quantity, value } } : undefined;
}

/** What stays, and what goes to another place. What steps still take is taken of what stays. */
function parted(
  item: LarderItem,
  at: number,
  { amount, place, until, into }: Extract<LarderBody, { kind: "split" }>,
): [rest: LarderItem | undefined, part: LarderItem | undefined] {
  const quantity = quantityOf(amount);
  const rest = without(item, quantity);
  if (!rest) return [moved(item, at, place, until), undefined];
  const { source } = item;
  const part: LarderItem = {
    ...item,
    id: into,
    quantity,
    about: undefined,
    reserved: source?.takers.length ? undefined : item.reserved,
    source: source && { ...source, takers: [], underway: false },
  };
  return [rest, moved(part, at, place, until)];
}

/** What is frozen keeps as long as is said; what is thawed, two days; anywhere else no longer than it did before. */
function moved(item: LarderItem, at: number, place: LarderPlace, until: number | undefined): LarderItem {
  if (place === item.place) return item;
  const there = { ...item, place, best: undefined };
  // Cold brings nothing back that was past its safe time.
  if (item.limit === "safety" && item.until !== undefined && item.until < at) return there;
  if (place === "freezer") return { ...there, until, limit: until === undefined ? undefined : "quality" };
  if (item.place === "freezer") return { ...there, until: sooner(until, at + THAWED_MINUTES), limit: "safety" };
  const kept = sooner(item.until, until);
  return { ...there, until: kept, limit: kept === undefined ? undefined : (item.limit ?? "quality") };
}

const sooner = (a: number | undefined, b: number | undefined) => (a === undefined ? b : b === undefined ? a : Math.min(a, b));

/** How much of an item is promised to no step; all of it where nothing takes of it or the amounts can not be compared. */
export function freeOf(item: LarderItem): Quantity | undefined {
  if (!item.quantity) return undefined;
  let { value } = item.quantity;
  for (const taker of item.source?.takers ?? []) {
    if (!taker.quantity) return { ...item.quantity, value: 0 };
    if (comparable(item.quantity, taker.quantity)) value -= taker.quantity.value;
  }
  return { ...item.quantity, value: value > item.quantity.value * USED_UP_SHARE ? value : 0 };
}
