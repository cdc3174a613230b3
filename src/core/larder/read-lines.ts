// What is in the house, as a cook writes it: one item, or a list with one item per line ("2 jars of plum jam, cellar, keeps 6 months"). Cells are
// separated by commas, semicolons or tabs, so that a list from a spreadsheet can be read too; place and keeping time may come in any order.
import { readHold } from "../entry/hold-line";
import { readIngredient } from "../entry/ingredient-line";
import { minutesOf } from "../time/duration";
import type { LarderBody, LarderPlace } from "./events";

type Added = Extract<LarderBody, { kind: "added" }>;

interface LarderLines {
  readonly items: readonly Added[];
  /** Lines that do not say what the item is, numbered from 1. */
  readonly unread: readonly { readonly line: number; readonly text: string }[];
}

const PLACES: readonly (readonly [RegExp, LarderPlace])[] = [
  [/^(?:in (?:the )?)?(?:fridge|refrigerator)$/i, "fridge"],
  [/^(?:in (?:the )?)?(?:freezer|frozen|deep freeze)$/i, "freezer"],
  [/^(?:in (?:the )?|on (?:the )?)?(?:cellar|larder|pantry|cool larder|store ?room|cupboard)$/i, "cellar"],
  [/^(?:on (?:the )?)?(?:counter|worktop|shelf|table)$/i, "counter"],
];
const BULLET = /^\s*(?:[-*•–]|\d{1,3}[.)])\s+/;
const CELL = /\s*(?:[\t;]|,(?!\d))\s*/;
const MOST_NAME = 200;

/**
 * One item that is added now.
 * @param what name and amount, such as "2 jars of plum jam"
 * @param until the minute after which it is not good any more; undefined: no limit
 * @returns undefined where it has no name
 */
export function addedItem(what: string, place: LarderPlace, now: number, until?: number): Added | undefined {
  const { name, note, amount } = readIngredient(what);
  if (!/\p{L}/u.test(name)) return undefined;
  return {
    kind: "added",
    name: [name, note].filter(Boolean).join(", ").slice(0, MOST_NAME).trim(),
    place,
    made: now,
    ...(amount ? { amount: { amount: amount.amount, unit: amount.unit } } : {}),
    ...(until === undefined ? {} : { until }),
  };
}

/**
 * A list of items that are added now. Empty lines are skipped, bullets and quotes are dropped.
 * @param now in minutes; keeping times count from it
 * @param place where a line names none
 */
export function readLarderLines(text: string, now: number, place: LarderPlace): LarderLines {
  const items: Added[] = [];
  const unread: { line: number; text: string }[] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.replace(BULLET, "").replaceAll('"', "").trim();
    if (line === "") continue;
    const item = itemOf(line, now, place);
    if (item) items.push(item);
    else unread.push({ line: i + 1, text: line });
  }
  return { items, unread };
}

function itemOf(line: string, now: number, otherwise: LarderPlace): Added | undefined {
  let place = otherwise;
  let until: number | undefined;
  const what: string[] = [];
  for (const cell of line.split(CELL).filter(Boolean)) {
    const named = PLACES.find(([words]) => words.test(cell))?.[1];
    // The first cell is what it is: "3 months" is a keeping time only after that, or after "keeps".
    const mayKeep = !named && /\d/.test(cell) && (what.length > 0 || /^keeps?\b/i.test(cell));
    const max = mayKeep ? readHold(cell)?.max : undefined;
    if (named) place = named;
    else if (max !== undefined) until = now + minutesOf(max);
    else what.push(cell);
  }
  return addedItem(what.join(", "), place, now, until);
}
