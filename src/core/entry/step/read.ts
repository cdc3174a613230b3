// The grammar of a step line. The reader goes from left to right; at every word it asks each kind of thing that a line can say, the
// more particular first, whether one begins there. What nothing knows stays in the name, in its order, so that no word is ever lost.
// docs/reading.md has the grammar with its terms.

import { languageOf, lexiconOf } from "../lexicon";
import type { Language } from "../lexicon/lexicon";
import { numberAt } from "../numbers";
import { type LineContext, NO_CONTEXT } from "../step-draft";
import { bareHeat } from "../temperatures";
import { conclude } from "./conclude";
import { alternative } from "./item-alternative";
import { core, cue } from "./item-cue";
import { batches, makes, takes } from "./item-flow";
import { heatFigure, heatKind, heatLevel } from "./item-heat";
import { hold } from "./item-hold";
import { attention, length, PARTICLE_VERB } from "./item-length";
import { place } from "./item-place";
import { planClause } from "./item-plan";
import { round } from "./item-round";
import { thing } from "./item-thing";
import { dayOf } from "./item-when";
import type { StepReading } from "./reading";
import { type Item, isBreak, Scan } from "./scan";
import { verbsOf } from "./verbs";

/** What a line can say, in the order in which it is asked for. */
const ITEMS: readonly Item[] = [
  planClause,
  dayOf,
  attention,
  hold,
  round,
  batches,
  core,
  cue,
  makes,
  takes,
  heatKind,
  thing,
  heatLevel,
  length,
  heatFigure,
  place,
];

/** Longest line that is read. */
const LONGEST_LINE = 4_000;

/**
 * Reads a line as a step.
 * @param options.language told from the line where it is not given
 * @param options.context what the line may name
 */
export function readStep(line: string, options: { readonly language?: Language; readonly context?: LineContext } = {}): StepReading {
  const lexicon = lexiconOf(options.language ?? languageOf(line));
  const scan = new Scan(line, lexicon, options.context ?? NO_CONTEXT);
  quotedName(scan);
  // Nobody types such a line: it stays a name as a whole.
  if (line.length > LONGEST_LINE) return conclude(scan);
  scanned(scan);
  bareFigures(scan);
  joins(scan);
  return conclude(scan);
}

function scanned(scan: Scan): void {
  const { line } = scan;
  for (let at = 0; at < line.length; ) {
    if (/\s/.test(line.charAt(at)) || scan.marks[at] !== undefined) {
      at++;
      continue;
    }
    const quote = scan.quoteAt(at);
    if (quote) {
      at = quote.to;
      continue;
    }
    // Before the breaks: such a bracket is taken as a whole.
    const other = alternative(scan, at);
    if (other !== undefined) {
      at = other;
      continue;
    }
    if (isBreak(scan.folded, at)) {
      scan.mark(at, at + 1, "join");
      scan.clause = at + 1;
      at++;
      continue;
    }
    at = ownClause(scan, at) ?? itemAt(scan, at) ?? wordEnd(line, at);
  }
}

/** Stands for the name where a clause is read by itself. */
const BEFORE_CLAUSE = "x, ";

/**
 * A clause that Rondeau itself writes ("by hand", "5 L jar", "keeps up to 3d fridge") is understood in a line of any language: it is taken
 * where all of it means something in English.
 */
function ownClause(scan: Scan, at: number): number | undefined {
  if (scan.lexicon.language === "en" || !scan.opens(at) || at === scan.blanks(0)) return undefined;
  const stop = scan.clauseEnd(at);
  const sub = new Scan(BEFORE_CLAUSE + scan.line.slice(at, stop), lexiconOf("en"), scan.context);
  scanned(sub);
  const marks = sub.marks.slice(BEFORE_CLAUSE.length);
  if ([...sub.line.slice(BEFORE_CLAUSE.length)].some((char, i) => !/\s/.test(char) && (marks[i] === undefined || marks[i] === "name")))
    return undefined;
  scan.adopt(sub.found);
  marks.forEach((mark, i) => {
    if (mark) scan.marks[at + i] = mark;
  });
  return stop;
}

function itemAt(scan: Scan, at: number): number | undefined {
  // Within a word nothing begins; behind a figure a unit may, which the figure itself would have taken.
  if (at > 0 && /[\p{L}\p{N}]/u.test(scan.line.charAt(at - 1))) return undefined;
  for (const item of ITEMS) {
    const end = item(scan, at);
    if (end !== undefined && end > at) return end;
  }
  return undefined;
}

const wordEnd = (line: string, at: number) => at + (/^(?:[\p{L}\p{M}'’-]+|\d+(?:[.,]\d+)*|.)/su.exec(line.slice(at))?.[0].length ?? 1);

/** A name in quotation marks says nothing but itself: “Salt, rinse overnight” 2h. */
function quotedName(scan: Scan): void {
  const start = scan.blanks(0);
  if (!/[“"]/.test(scan.line.charAt(start))) return;
  const close = scan.line.slice(start + 1).search(/[”"]/);
  if (close <= 0) return;
  const end = start + close + 2;
  scan.mark(start, end, "name");
}

/** Figures that nothing took: "roast 30 until golden" are minutes, "bake 180" is a heat. Both are guesses. */
function bareFigures(scan: Scan): void {
  const { folded, found, line } = scan;
  const verbs = verbsOf(scan);
  const oven = verbs.some((v) => v.sense.by === "oven") || found.heats.some((h) => h.by === "oven");
  for (let i = 0; i < line.length; i++) {
    if (!/\d/.test(folded.charAt(i)) || scan.marks[i] !== undefined || (i > 0 && /[\p{L}\p{N}.,/-]/u.test(folded.charAt(i - 1)))) continue;
    const number = numberAt(folded, i);
    if (!number) continue;
    const to = /^\s?-\s?(\d+)/.exec(folded.slice(number.end));
    const end = number.end + (to?.[0].length ?? 0);
    const next = scan.blanks(end);
    // A figure with a word of its own behind it counts something: "3 eggs", "2 cm".
    const free =
      next >= line.length ||
      scan.marks[next] !== undefined ||
      isBreak(folded, next) ||
      /^(?:or so|tops|max|more|and|then|turning|covered|uncovered|lid)\b/.test(folded.slice(next));
    if (!free || !Number.isInteger(number.value)) continue;
    // "Knead 10 min, rest 30": another time that was not read.
    if (found.lengths.length > 0 && (verbs.some((v) => scan.blanks(v.to) === i) || scan.wordBefore(i) === "release"))
      found.doubts.push({ field: "minutes", why: `“${line.slice(i, end)}” may be a time` });
    if (number.value >= 100 && oven && found.heats.every((h) => h.tempC === undefined) && number.value <= 550) {
      found.heats.push({ tempC: bareHeat(number.value), at: i });
      found.doubts.push({ field: "heat", why: `“${line.slice(i, end)}” is taken as degrees` });
      scan.mark(i, end, "heat");
    } else if (
      found.lengths.length === 0 &&
      verbs.length > 0 &&
      number.value >= 1 &&
      number.value <= 240 &&
      verbs.some((v) => v.from < i)
    ) {
      const high = to ? Number(to[1]) : number.value;
      if (high < number.value) continue;
      found.lengths.push({ length: { min: number.value, likely: Math.round((number.value + high) / 2), max: high }, at: i });
      found.doubts.push({ field: "minutes", why: `“${line.slice(i, end)}” is taken as minutes` });
      const led = /(?:for|about|~|ca)\s*$/.exec(folded.slice(0, i));
      scan.mark(led ? led.index : i, end, "minutes");
    }
  }
}

/** Words that join others to what was taken, and are left hanging: "for", "and", "in" before an item or at the end. */
function joins(scan: Scan): void {
  const { folded, marks, lexicon } = scan;
  const hanging = new RegExp(`^(?:${lexicon.hanging})$`);
  const words = [...folded.matchAll(/[\p{L}'-]+|[^\s\p{L}\p{N}]/gu)].filter((m) => marks[m.index] === undefined);
  const named = (at: number) => marks[at] === "name" || (marks[at] === undefined && !/\s/.test(folded.charAt(at)));
  const nameBefore = (at: number) => {
    for (let i = at - 1; i >= 0; i--) if (!/\s/.test(folded.charAt(i))) return named(i);
    return false;
  };
  const nameBehind = (at: number) => {
    for (let i = at; i < folded.length; i++) if (!/\s/.test(folded.charAt(i))) return named(i);
    return false;
  };
  for (let changed = true; changed; ) {
    changed = false;
    for (const m of words) {
      if (marks[m.index] !== undefined || !hanging.test(m[0])) continue;
      if (m[0] === "in" && PARTICLE_VERB.test(scan.wordBefore(m.index))) continue;
      // Before something that was taken, or at the end.
      if (nameBehind(m.index + m[0].length)) continue;
      scan.mark(m.index, m.index + m[0].length, "join");
      changed = true;
    }
    for (const m of words) {
      if (marks[m.index] !== undefined || !/^(?:and|then|und|dann|et|puis|e|poi|y|luego|&|for|with|\/)$/.test(m[0])) continue;
      if (nameBefore(m.index)) continue;
      // At the head of what is left of the name.
      if ([...folded.slice(0, m.index)].some((_, i) => named(i))) continue;
      scan.mark(m.index, m.index + m[0].length, "join");
      changed = true;
    }
  }
}
