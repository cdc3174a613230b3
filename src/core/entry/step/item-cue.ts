// When a step is done: "until golden", "till it coats a spoon", "to 74C inside", "until it reads 203F".
import { lengthAt } from "../durations";
import { numberAt } from "../numbers";
import { saidAt } from "../patterns";
import { bareHeat, heatAt } from "../temperatures";
import type { Item, Scan } from "./scan";

/** Where the words of a cue end: with the clause, or where something of another kind begins. */
function cueEnd(scan: Scan, from: number): number {
  const { folded, lexicon } = scan;
  const stop = scan.clauseEnd(from);
  const quote = scan.quoteAt(from);
  if (quote) return quote.to;
  for (let i = from; i < stop; i++) {
    if (i > from && !/\s/.test(folded.charAt(i - 1))) continue;
    if (i === from || /\s/.test(folded.charAt(i))) continue;
    const led = scan.past(lexicon.lead, i);
    if (lengthAt(folded, i, lexicon) || (led > i && lengthAt(folded, led, lexicon))) return i;
    if (/^(?:then|and then|dann|puis|ensuite|poi|luego)\b/.test(folded.slice(i))) return i;
    const at = scan.past(lexicon.heatLead, i);
    if (at > i && heatAt(folded, at, lexicon)) return i;
    if (saidAt(lexicon.rhythms, folded, i) || (scan.end(lexicon.every, i) && lengthAt(folded, scan.past(lexicon.every, i), lexicon)))
      return i;
    if (/^(?:over|on) (?:a )?(?:low|medium|high|gentle)/.test(folded.slice(i))) return i;
    const place = saidAt(lexicon.places, folded, i);
    if (place && /^(?:in|on|at|im|au|en|dans|a|nel)\b/.test(folded.slice(i))) return i;
    const heat = saidAt(lexicon.heatKinds, folded, i);
    if (heat && /^(?:in|under|over|on|im|unter|au|sous|sotto|en|bajo) /.test(folded.slice(i))) return i;
  }
  return stop;
}

export const cue: Item = (scan, at) => {
  const { folded, lexicon, found, line } = scan;
  // "Until the next day", "until morning": a length, read as one.
  if (scan.end(lexicon.night, at)) return undefined;
  const start = scan.end(lexicon.until, at) ?? scan.end(lexicon.when, at);
  if (start === undefined) return undefined;
  const from = scan.blanks(start);
  if (from >= line.length || lengthAt(folded, from, lexicon)) return undefined;
  const core = coreAt(scan, from);
  if (core) {
    scan.mark(at, core.end, "probeC");
    return core.end;
  }
  const stop = cueEnd(scan, from);
  const whole = line.slice(from, stop).trim();
  if (whole === "") return undefined;
  const idle = scan.end(lexicon.noCue, from);
  if (idle !== undefined && scan.blanks(idle) >= scan.blanks(stop)) return undefined;
  // A heat of the middle within the words: "until golden and 74C inside", "until it reads 203F".
  const heat = scan.quoteAt(from) ? undefined : probeWithin(scan, from, stop);
  if (heat) {
    const rest = cleaned(line.slice(from, heat.from));
    if (rest) {
      found.cue = found.cue ? `${found.cue}, ${rest}` : rest;
      scan.mark(at, heat.from, "cue");
      scan.mark(heat.from, heat.to, "probeC");
    } else scan.mark(at, heat.to, "probeC");
    const behind = cleaned(line.slice(heat.to, stop));
    if (behind) {
      found.cue = found.cue ? `${found.cue}, ${behind}` : behind;
      scan.mark(heat.to, stop, "cue");
      return stop;
    }
    return heat.to;
  }
  const text = whole
    .replace(/[“”"]/g, "")
    .replace(/^ce qu(?:e\s+|['’])/iu, "")
    .trim();
  found.cue = found.cue ? `${found.cue}, ${text}` : text;
  scan.mark(at, stop, "cue");
  scan.mark(at, start, "join");
  return stop;
};

/** Words of a cue that only lead to a figure: "it reads", "and", "the middle reaches". */
function cleaned(text: string): string {
  return text
    .replace(/[“”"]/g, "")
    .replace(
      /\b(?:it|they|the (?:core|middle|centre|center|internal temperature|thermometer|probe|thickest part|temperature|meat|inside)|core|internal temp(?:erature)?|temp|a (?:probe|thermometer)|an instant-read|thermometer|probe|reads?|reach(?:es)?|hits?|registers?|gets to|is|are|at|of|to|has|inside|internally|in the (?:middle|centre|center|thickest(?: part)?)|about|around|says|shows)\b/gi,
      " ",
    )
    .replace(/[\s,]+/g, " ")
    .replace(/^(?:\s*(?:and|or|with|a|the)\b)+|(?:\b(?:and|or|with|a|the)\s*)+$/gi, "")
    .trim();
}

/** A heat between two places of a cue: with a unit, or bare behind "reads", "reaches". */
function probeWithin(scan: Scan, from: number, stop: number): { from: number; to: number } | undefined {
  const { folded, lexicon, found } = scan;
  for (let i = from; i < stop; i++) {
    if (i > 0 && /[\p{L}\p{N}.,]/u.test(folded.charAt(i - 1))) continue;
    const said = heatAt(folded, i, lexicon);
    const bare =
      !said &&
      /(?:reads?|reach(?:es)?|hits?|registers?|core|internal|inside|thermometer|probe|temp(?:erature)?)\s*(?:of |at |is |about )?$/.test(
        folded.slice(from, i),
      )
        ? numberAt(folded, i)
        : undefined;
    const value =
      said?.value.celsius ??
      (bare && bare.value >= 30 && bare.value <= 230
        ? bare.value > 110
          ? Math.round(((bare.value - 32) * 5) / 9)
          : bareHeat(bare.value)
        : undefined);
    const end = said?.end ?? bare?.end;
    if (value === undefined || end === undefined) continue;
    found.probeC = value;
    const inside = scan.end(`(?:in|at|on|of) (?:the |its )?(?:${lexicon.inside})|${lexicon.inside}`, scan.blanks(end));
    return { from: i, to: inside ?? end };
  }
  return undefined;
}

/** "74C inside", "core 63C", "internal temperature of 165F", "56 °C in the middle" at a place. */
function coreAt(scan: Scan, at: number): { readonly end: number } | undefined {
  const { folded, lexicon, found } = scan;
  const named = scan.end(`(?:(?:pull|take (?:it )?out|lift|out|done|to|at|reaches|an?|the|pulled|remove) )*(?:${lexicon.inside})`, at);
  let from = at;
  if (named !== undefined)
    from = scan.past(
      "(?:temp(?:erature)?|heat)?(?: ?(?:of|at|is|to|reads|reaches|hits|about|(?:should|must|needs to) (?:be|read|reach)|soll(?:te)?|doit (?:etre|atteindre)|deve (?:essere|raggiungere)|debe (?:ser|alcanzar|llegar)|de|di|,|:|=))*",
      scan.blanks(named),
    );
  else from = scan.past("(?:pull(?:ed)?|take (?:it )?out|lift(?:ed)?(?: out)?|out|done)(?: it| them)? (?:at|of)(?: about)?", at);
  const pulled = named === undefined && from > at;
  if (named === undefined && !pulled) from = scan.past("(?:to|until|at)(?: about)?", at);
  const heat = heatAt(folded, from, lexicon);
  const figure = heat ? undefined : numberAt(folded, from);
  // "Until 63 in the centre": a bare figure, and behind it where it is measured.
  const measured = figure && scan.end(`(?:in|at) (?:the |its )?(?:${lexicon.inside})`, scan.blanks(figure.end)) !== undefined;
  const bare = named !== undefined || pulled || measured ? figure : undefined;
  const value =
    heat?.value.celsius ??
    (bare && bare.value >= 30 && bare.value <= 230 && !/^\s?(?:min|m|h|hrs?|hours?|g|kg)(?!\p{L})/u.test(folded.slice(bare.end))
      ? bare.value > 110
        ? Math.round(((bare.value - 32) * 5) / 9)
        : bare.value
      : undefined);
  const end = heat?.end ?? bare?.end;
  if (value === undefined || end === undefined) return undefined;
  const inside = scan.end(`(?:measured |taken )?(?:in|at|on) (?:the |its )?(?:${lexicon.inside})|${lexicon.inside}`, scan.blanks(end));
  if (named === undefined && !pulled && inside === undefined) return undefined;
  found.probeC = value;
  let last = inside ?? end;
  const rest = /^\s*,?\s*(?:and )?(?:rest(?:ing|s)?|climb(?:ing|s)?|carr(?:y|ies)(?: over)?) to\s*/.exec(folded.slice(last));
  const to = rest && heatAt(folded, last + rest[0].length, lexicon);
  if (to) {
    found.plan.restToC = to.value.celsius;
    last = to.end;
  }
  return { end: last };
}

export const core: Item = (scan, at) => {
  const got = coreAt(scan, at);
  if (!got) return undefined;
  scan.mark(at, got.end, "probeC");
  return got.end;
};
