// A list of what is in the house, one thing a line: "2 jars of plum jam, cellar, keeps 6 months". Parts stand behind commas or tabs, so that a list
// from a spreadsheet reads as well; where a thing stands and how long it keeps may come in any order, or not at all.
import { readHold } from "../entry/hold-line";
import { readIngredient } from "../entry/ingredient-line";
import { minutesOf } from "../time/duration";
import type { LarderBody, LarderPlace } from "./events";

interface LarderLines {
  readonly items: readonly Extract<LarderBody, { kind: "added" }>[];
  /** Lines that name nothing, by their number from 1. */
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
 * @param text lines; empty ones and bullets are passed over
 * @param now the minute at which they are put in: what keeps is counted from it
 * @param place where a line says none
 */
export function readLarderLines(text: string, now: number, place: LarderPlace): LarderLines {
  const items: Extract<LarderBody, { kind: "added" }>[] = [];
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

function itemOf(line: string, now: number, otherwise: LarderPlace): Extract<LarderBody, { kind: "added" }> | undefined {
  let place = otherwise;
  let until: number | undefined;
  const words: string[] = [];
  for (const cell of line.split(CELL).filter(Boolean)) {
    const stands = PLACES.find(([words]) => words.test(cell))?.[1];
    // What is read first is what it is; "3 months" alone names nothing.
    const hold = stands ? undefined : /\d/.test(cell) && (words.length > 0 || /^keeps?\b/i.test(cell)) ? readHold(cell) : undefined;
    if (stands) place = stands;
    else if (hold?.max !== undefined) until = now + minutesOf(hold.max);
    else words.push(cell);
  }
  const read = readIngredient(words.join(", "));
  const name = [read.name, read.note].filter(Boolean).join(", ").slice(0, MOST_NAME).trim();
  if (!/\p{L}/u.test(read.name)) return undefined;
  const { amount } = read;
  return {
    kind: "added",
    name,
    place,
    made: now,
    ...(amount ? { amount: { amount: amount.amount, unit: amount.unit } } : {}),
    ...(until === undefined ? {} : { until }),
  };
}
