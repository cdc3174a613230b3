// The line while it is read from left to right: where the reader stands, what was found so far, and which words were used for it.
import type { SaidLength } from "../durations";
import { fold } from "../lexicon/fold";
import type { Level, Lexicon } from "../lexicon/lexicon";
import type { Attention, Place } from "../lexicon/senses";
import { endOf, skipBlanks } from "../patterns";
import type { LineContext } from "../step-draft";
import type { As, Doubt, Keep, Made, Piece, PlanWords, Round, Taken, Thing } from "./reading";

export interface HeatSaid {
  by?: string;
  tempC?: number;
  level?: Level;
  mode?: "fan" | "still" | "grill";
  /** What gives the heat is said, not concluded. */
  sure?: boolean;
  /** The words that the figure is concluded from ("a low oven"), where none is said. */
  concluded?: string;
  at: number;
}

/** What was found so far. */
export interface Findings {
  lengths: { length: SaidLength; at: number; end?: number; eachSide?: boolean }[];
  heats: HeatSaid[];
  places: Place[];
  placeLitres?: number;
  things: Thing[];
  rounds: Round[];
  batches?: number | null;
  cue?: string;
  probeC?: number;
  /** It begins the night before. */
  nightBefore?: true;
  attention?: Attention;
  makes: Made[];
  keeps: Keep[];
  takes: Taken[];
  plan: PlanWords;
  doubts: Doubt[];
}

/** Takes what begins at a place of the line; undefined where nothing of its kind does. Returns where it ends. */
export type Item = (scan: Scan, at: number) => number | undefined;

export class Scan {
  readonly folded: string;
  readonly found: Findings = {
    lengths: [],
    heats: [],
    places: [],
    things: [],
    rounds: [],
    makes: [],
    keeps: [],
    takes: [],
    plan: { after: [], tags: [], uses: [] },
    doubts: [],
  };
  /** What each character became. */
  readonly marks: (As | undefined)[];
  readonly quotes: readonly { readonly from: number; readonly to: number }[];
  /** Where the clause began that is being read: behind the last comma, full stop or bracket. */
  clause = 0;

  constructor(
    readonly line: string,
    readonly lexicon: Lexicon,
    readonly context: LineContext,
  ) {
    this.folded = fold(line);
    this.marks = new Array(line.length).fill(undefined);
    this.quotes = [...line.matchAll(/[“"][^“”"]*[”"]/g)].map((m) => ({ from: m.index, to: m.index + m[0].length }));
  }

  /** The quotation that holds a place; what stands in one is read as a whole. */
  quoteAt(at: number): { readonly from: number; readonly to: number } | undefined {
    return this.quotes.find((q) => q.from <= at && at < q.to);
  }

  /** What another reading of a part of the line found. */
  adopt(found: Findings): void {
    const own = this.found;
    for (const key of ["lengths", "heats", "places", "things", "rounds", "makes", "keeps", "takes", "doubts"] as const)
      (own[key] as unknown[]).push(...found[key]);
    for (const key of ["placeLitres", "batches", "cue", "probeC", "attention", "nightBefore"] as const)
      if (found[key] !== undefined) Object.assign(own, { [key]: found[key] });
    const { after, tags, uses, ...plan } = found.plan;
    Object.assign(own.plan, plan);
    own.plan.after.push(...after);
    own.plan.tags.push(...tags);
    own.plan.uses.push(...uses);
  }

  mark(from: number, to: number, as: As): void {
    for (let i = from; i < to; i++) if (!/\s/.test(this.line.charAt(i))) this.marks[i] = as;
  }

  /** Where a pattern ends that stands at a place, blanks behind it left out. */
  end(pattern: string, at: number): number | undefined {
    return endOf(pattern, this.folded, at);
  }

  /** Behind a pattern and its blanks, or the place itself where it does not stand there. */
  past(pattern: string, at: number): number {
    const end = endOf(pattern, this.folded, at);
    return end === undefined ? at : skipBlanks(this.folded, end);
  }

  blanks(at: number): number {
    return skipBlanks(this.folded, at);
  }

  /** The end of the clause that holds a place: the next comma, semicolon, full stop or bracket that is none of a number. */
  clauseEnd(at: number): number {
    for (let i = at; i < this.line.length; i++) if (isBreak(this.folded, i) && !this.quoteAt(i)) return i;
    return this.line.length;
  }

  /** Whether a place begins a clause. */
  opens(at: number): boolean {
    return this.blanks(this.clause) === at;
  }

  /** The word right before a place. */
  wordBefore(at: number): string {
    return /([\p{L}'-]+)\s*$/u.exec(this.folded.slice(0, at))?.[1] ?? "";
  }

  pieces(): Piece[] {
    const pieces: { from: number; to: number; as: As }[] = [];
    for (let i = 0; i < this.line.length; i++) {
      if (/\s/.test(this.line.charAt(i))) continue;
      const as = this.marks[i] ?? "name";
      const last = pieces.at(-1);
      if (last && last.as === as && /^\s*$/.test(this.line.slice(last.to, i))) last.to = i + 1;
      else pieces.push({ from: i, to: i + 1, as });
    }
    return pieces;
  }
}

/** Whether the character ends a clause: commas and points within numbers do not, nor does a point of an abbreviation. */
export function isBreak(folded: string, i: number): boolean {
  const char = folded.charAt(i);
  if (char === "," || char === ";" || char === ":" || char === "(" || char === ")") {
    return !(/\d/.test(folded.charAt(i - 1)) && /\d/.test(folded.charAt(i + 1)));
  }
  if (char === ".")
    return (
      /[\p{L}\d)°%"]/u.test(folded.charAt(i - 1)) &&
      /^\s|^$/.test(folded.slice(i + 1, i + 2)) &&
      !/(?:^|\s)(?:min|std|hr|hrs|approx|ca|env|aprox|temp|med|c|th|deg|st|no|max|sec|dl)$/u.test(folded.slice(Math.max(0, i - 8), i))
    );
  if (char === "-")
    return (
      /\s/.test(folded.charAt(i - 1)) &&
      /\s/.test(folded.charAt(i + 1)) &&
      !(/\d\s*$/.test(folded.slice(0, i)) && /^-\s*\d/.test(folded.slice(i)))
    );
  return false;
}
