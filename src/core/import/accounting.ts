// What became of every character of a source: read, a guess, a note, or not understood.
import type { Source, Stretch } from "./recipe";

export type ItemState = "read" | "guess" | "note" | "unread";

export interface Item {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly state: ItemState;
  /** A JSON Pointer into the dish. */
  readonly became?: string;
  readonly why?: string;
}

export interface Accounting {
  readonly kind: Source["kind"];
  readonly text: string;
  /** Lines that are not blank; each counts once, as the worst of its items. */
  readonly lines: {
    readonly total: number;
    readonly read: number;
    readonly guessed: number;
    readonly unread: number;
    readonly notes: number;
  };
  readonly items: readonly Item[];
}

type Draft = Pick<Stretch, "from" | "to"> & Omit<Item, "from" | "to" | "text">;

/** Items in order, none over another, with every character that is not blank in exactly one; what nobody took is unread. */
export function accountingOf(source: Source, drafts: readonly Draft[], unreadTo: string | undefined): Accounting {
  const { text } = source;
  const items: Item[] = [];
  const put = (draft: Draft, from: number, to: number) => {
    const lead = text.slice(from, to);
    const start = from + (lead.length - lead.trimStart().length);
    const end = from + lead.trimEnd().length;
    if (end <= start) return;
    const { state, became, why } = draft;
    items.push({
      from: start,
      to: end,
      text: text.slice(start, end),
      state,
      ...(became !== undefined ? { became } : {}),
      ...(why !== undefined ? { why } : {}),
    });
  };
  let at = 0;
  const gap = (to: number) => {
    for (const line of pieces(text, at, to)) {
      const words = text.slice(line.from, line.to);
      // Signs alone (a rule of dashes, a bullet) say nothing.
      const signs = unreadTo !== undefined && !/[\p{L}\p{N}]/u.test(words);
      put(
        {
          from: line.from,
          to: line.to,
          state: signs ? "note" : "unread",
          ...(unreadTo !== undefined ? { became: unreadTo } : {}),
          ...(signs ? {} : { why: "not understood" }),
        },
        line.from,
        line.to,
      );
    }
  };
  for (const draft of [...drafts].sort((a, b) => a.from - b.from || b.to - a.to)) {
    if (draft.to <= at) continue;
    const from = Math.max(at, draft.from);
    gap(from);
    put(draft, from, draft.to);
    at = draft.to;
  }
  gap(text.length);
  return { kind: source.kind, text, lines: linesOf(text, items), items };
}

/** The lines between two places, a piece each. */
function pieces(text: string, from: number, to: number): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  let start = from;
  for (let i = from; i <= to; i++) {
    if (i !== to && text.charAt(i) !== "\n") continue;
    if (text.slice(start, i).trim() !== "") found.push({ from: start, to: i });
    start = i + 1;
  }
  return found;
}

const WORST: Readonly<Record<ItemState, number>> = { unread: 3, guess: 2, read: 1, note: 0 };

function linesOf(text: string, items: readonly Item[]): Accounting["lines"] {
  const count = { total: 0, read: 0, guessed: 0, unread: 0, notes: 0 };
  let at = 0;
  let next = 0;
  for (const line of text.split("\n")) {
    const end = at + line.length;
    if (line.trim() !== "") {
      count.total++;
      while (next < items.length && (items[next] as Item).to <= at) next++;
      let worst = -1;
      for (let i = next; i < items.length && (items[i] as Item).from < end; i++) worst = Math.max(worst, WORST[(items[i] as Item).state]);
      if (worst === 3) count.unread++;
      else if (worst === 2) count.guessed++;
      else if (worst === 1) count.read++;
      else count.notes++;
    }
    at = end + 1;
  }
  return count;
}

/** A source that holds no recipe: all of it unread. */
export const allUnread = (source: Source): Accounting => accountingOf(source, [], undefined);
