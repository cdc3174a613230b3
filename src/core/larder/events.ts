// What happens to things that are kept: put in, taken from, moved whole or in part, opened, counted anew, promised to a dish, thrown away. Append-only, whatever made them.
import { z } from "zod";

const text = (most: number) => z.string().trim().min(1).max(most);
const minute = z.number().int();

export const LARDER_PLACES = ["fridge", "freezer", "cellar", "counter"] as const;
export type LarderPlace = (typeof LARDER_PLACES)[number];

const Amount = z.object({ amount: z.number().positive().max(1_000_000), unit: text(40) });
const place = z.enum(LARDER_PLACES);

/** Something that was put in by hand, or brought in from a file. Minutes are the planner's: whole, since 1970. */
const Added = z.object({
  kind: z.literal("added"),
  name: text(200),
  amount: Amount.optional(),
  /** In place of an amount: "about half a jar". */
  about: text(80).optional(),
  place,
  made: minute.optional(),
  /** Not after; by which kind of limit. */
  until: minute.optional(),
  limit: z.enum(["safety", "quality"]).optional(),
});

/** An item made in a run is named by it: "run 0192… stock.jelly"; one that was put in by hand by a random id. */
export const LarderItemId = z.string().min(3).max(240);

export const LarderBody = z.discriminatedUnion("kind", [
  Added,
  /** Without an amount all of it. */
  z.object({ kind: z.literal("taken"), amount: Amount.optional(), for: text(200).optional() }),
  z.object({ kind: z.literal("moved"), place, until: minute.optional() }),
  /** Moves part of an item to another place as a new item; the rest stays. */
  z.object({ kind: z.literal("split"), amount: Amount, place, until: minute.optional(), into: LarderItemId }),
  z.object({ kind: z.literal("opened"), until: minute.optional() }),
  z.object({ kind: z.literal("counted"), amount: Amount.optional(), about: text(80).optional() }),
  z.object({ kind: z.literal("reserved"), dish: text(200).optional() }),
  z.object({ kind: z.literal("discarded"), why: text(200).optional() }),
  /** Takes one event back. */
  z.object({ kind: z.literal("withdrawn"), of: z.number().int().min(1) }),
]);
export type LarderBody = z.output<typeof LarderBody>;
export const LARDER_KINDS = [
  "added",
  "taken",
  "moved",
  "split",
  "opened",
  "counted",
  "reserved",
  "discarded",
  "withdrawn",
] as const satisfies readonly LarderBody["kind"][];

export interface LarderEvent {
  /** Rises with each event that is written. */
  readonly id: number;
  readonly item: string;
  /** The planner's minutes. */
  readonly at: number;
  readonly body: LarderBody;
}
