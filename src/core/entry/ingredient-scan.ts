// An ingredient line while it is read: its words, and what each became.
import { fold } from "./lexicon/fold";
import { endOf, skipBlanks } from "./patterns";

type IngredientAs = "amount" | "also" | "name" | "note" | "join" | "heading" | "optional" | "asNeeded";

export interface IngredientPiece {
  readonly from: number;
  readonly to: number;
  readonly as: IngredientAs;
}

export class IngredientScan {
  readonly folded: string;
  readonly marks: (IngredientAs | undefined)[];
  constructor(readonly text: string) {
    this.folded = fold(text);
    this.marks = new Array(text.length).fill(undefined);
  }
  mark(from: number, to: number, as: IngredientAs): void {
    for (let i = from; i < to; i++) if (!/\s/.test(this.text.charAt(i))) this.marks[i] = as;
  }
  past(pattern: string, at: number): number {
    const end = endOf(pattern, this.folded, at);
    return end === undefined ? at : skipBlanks(this.folded, end);
  }
  said(as: IngredientAs): string {
    let text = "";
    for (let i = 0; i < this.text.length; i++)
      if (this.marks[i] === as) text += this.text.charAt(i);
      else if (text !== "" && !text.endsWith(" ")) text += " ";
    return text.replace(/\s+/g, " ").trim();
  }
  pieces(): IngredientPiece[] {
    const pieces: { from: number; to: number; as: IngredientAs }[] = [];
    for (let i = 0; i < this.text.length; i++) {
      if (/\s/.test(this.text.charAt(i))) continue;
      const as = this.marks[i] ?? "note";
      const last = pieces.at(-1);
      if (last && last.as === as && /^\s*$/.test(this.text.slice(last.to, i))) last.to = i + 1;
      else pieces.push({ from: i, to: i + 1, as });
    }
    return pieces;
  }
}

/** Marks words of a kind that stand before a number or an amount ("about", "a large"); behind them, or the place itself. */
export function markPast(l: IngredientScan, pattern: string, at: number, as: IngredientAs): number {
  const end = l.past(pattern, at);
  // "Good butter" is a name; "a good handful" is not: the word counts only before a number or an article's amount.
  if (
    end === at ||
    !/^(?:\d|[½¼¾⅓⅔]|an?\b|one|two|three|half|ein|eine|zwei|drei|un|une|deux|trois|una|due|tre|uno|dos|tres|handful|pinch|tbsp|tsp|tablespoons?|teaspoons?|cups?|knob|el\b|tl\b)/u.test(
      l.folded.slice(end),
    )
  )
    return at;
  l.mark(at, end, as);
  return end;
}

/** Marks "juice of", "zest of" as a note where `goes` allows what stands behind; behind it, or the place itself. */
export function markPart(l: IngredientScan, pattern: string, at: number, goes: (at: number) => boolean): number {
  const end = endOf(pattern, l.folded, at);
  const apostrophe = new RegExp(`^(?:${pattern})`, "u").exec(l.folded.slice(at));
  const to = end ?? (apostrophe?.[0].endsWith("'") ? at + apostrophe[0].length : undefined);
  if (to === undefined) return at;
  const next = skipBlanks(l.folded, to);
  if (!goes(next)) return at;
  // The "of" joins; "juice" is the note.
  const joins = /\s*(?:,?\s*)(?:of|from)(?: the)?$|\s(?:de|d'|di|von|einer|eines)$/.exec(l.folded.slice(at, to));
  l.mark(at, to - (joins?.[0].length ?? 0), "note");
  l.mark(to - (joins?.[0].length ?? 0), to, "join");
  return next;
}

/** The note: its runs in the order of the line, a comma that stood within one kept. */
export function noteOf(l: IngredientScan): string | undefined {
  let note = "";
  let gap = "";
  for (let i = 0; i < l.text.length; i++) {
    const char = l.text.charAt(i);
    const mark = l.marks[i];
    if (/\s/.test(char)) gap = gap === "," ? ", " : gap || " ";
    else if (mark === "note" || mark === "asNeeded") {
      note += note === "" ? char : `${gap}${char}`;
      gap = "";
    } else if (mark === "join" && char === "," && note !== "" && gap.trim() === "") gap = ",";
    else if (mark !== "join") gap = note === "" ? "" : "; ";
  }
  const clean = note
    .replace(/\s+([,;])/g, "$1")
    .replace(/;\s*;/g, ";")
    .replace(/[\s,;]+$/, "")
    .replace(/^an? (?=\p{L})/iu, "")
    .trim();
  return clean === "" ? undefined : clean;
}
