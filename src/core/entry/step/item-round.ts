// Rounds: "every 45 min, skim", "turn every 12h for 5m", "burp daily", "fold 4 times every 30 min", "twice a day".
import { exactly, lengthAt, rhythmAt, type SaidLength } from "../durations";
import { unquoted } from "../names";
import { numberAt } from "../numbers";
import { saidAt } from "../patterns";
import type { Item, Scan } from "./scan";
import { isBreak } from "./scan";

/** The rhythm at a place, and where its words end. */
function everyAt(scan: Scan, at: number): { value: SaidLength; end: number; times?: number } | undefined {
  const { folded, lexicon } = scan;
  const said = saidAt(lexicon.rhythms, folded, at);
  const every = scan.end(lexicon.every, at);
  if (every !== undefined) {
    const rhythm = rhythmAt(scan.line, scan.blanks(every), lexicon);
    if (rhythm && rhythm.end > (said?.end ?? 0) && rhythm.value.likely >= 1) return { value: rhythm.value, end: rhythm.end };
    // "Shake every 10": minutes, as a length of the line is.
    const bare = said ? undefined : numberAt(folded, scan.blanks(every));
    if (bare && Number.isInteger(bare.value) && bare.value >= 2 && bare.value <= 60 && scan.blanks(bare.end) === scan.clauseEnd(bare.end)) {
      scan.found.doubts.push({ field: "rounds", why: `“${scan.line.slice(at, bare.end)}” is taken as minutes` });
      return { value: exactly(bare.value), end: bare.end };
    }
  }
  if (said) return { value: exactly(said.value), end: said.end };
  // "At 12 hr intervals".
  const led = scan.past("at|in|with", at);
  const between = led > at ? lengthAt(folded, led, lexicon) : undefined;
  const intervals = between && scan.end("-?\\s?intervals?", scan.blanks(between.end));
  if (between && intervals !== undefined) return { value: between.value, end: intervals };
  // "3 times a day", "twice an hour".
  const times = saidAt(lexicon.times, folded, at) ?? countTimes(scan, at);
  if (!times) return undefined;
  const per = scan.end(lexicon.per, scan.blanks(times.end));
  const unit = per === undefined ? undefined : saidAt(lexicon.units, folded, scan.blanks(per));
  if (unit && unit.value >= 60) return { value: exactly(Math.round(unit.value / times.value)), end: unit.end };
  // "4 times every 30 min".
  const then = scan.end(lexicon.every, scan.blanks(times.end));
  const rhythm = then === undefined ? undefined : rhythmAt(scan.line, scan.blanks(then), lexicon);
  return rhythm && rhythm.value.likely >= 1 ? { value: rhythm.value, end: rhythm.end, times: times.value } : undefined;
}

function countTimes(scan: Scan, at: number): { value: number; end: number } | undefined {
  const number = numberAt(scan.folded, at, true, scan.lexicon);
  const end = number && Number.isInteger(number.value) ? scan.end("times|x|×|mal|fois|volte|veces", scan.blanks(number.end)) : undefined;
  return number && end !== undefined ? { value: number.value, end } : undefined;
}

const DROP = /^(?:and|then|,|with|while|but|und|dabei|et|en|e|y|to|remember to|make sure to|it|go and)\s+/u;
const DOING = /(?:ing|end|ant|ando|endo)$/;

/** The words before the rhythm that say what is done, and where they begin; undefined where the line's own verb does it. */
function whatBefore(scan: Scan, at: number): { what: string; from: number; own: boolean } | undefined {
  const { folded, line } = scan;
  let from = at;
  while (
    from > scan.clause &&
    (scan.marks[from - 1] === undefined || scan.marks[from - 1] === "name") &&
    !(isBreak(folded, from - 1) && !scan.quoteAt(from - 1))
  )
    from--;
  from = scan.blanks(from);
  if (from >= at) return undefined;
  let words = line.slice(from, at).trim();
  for (let m = DROP.exec(words.toLowerCase()); m; m = DROP.exec(words.toLowerCase())) {
    from = scan.blanks(from + m[0].length);
    words = words.slice(m[0].length).trim();
  }
  words = words.replace(/[\s,]+$/, "");
  if (words === "") return undefined;
  const head = from === scan.blanks(0);
  if (!head) {
    const parts = words.split(/\s+/);
    // "3h and turn", "skimming", "burp the jar": what stands between the last item and the rhythm.
    if (parts.length <= 6) return { what: words, from, own: false };
  }
  // "Ferment the cabbage burping every day": a doing word within.
  const doing = [...words.matchAll(/(?:^|\s)([\p{L}-]+)/gu)].slice(1).find((m) => DOING.test((m[1] as string).toLowerCase()));
  if (doing && head) {
    const start = from + doing.index + (doing[0].length - (doing[1] as string).length);
    return { what: line.slice(start, at).trim(), from: start, own: false };
  }
  // "Knead and fold every 20 min": what follows the last "and".
  const and = /^(.*\S)(?:\s*,)?\s+(?:and|then|und|et|e|y)\s+(\S.*)$/iu.exec(words);
  if (and && head) {
    const start = from + words.lastIndexOf(and[2] as string);
    return { what: (and[2] as string).trim(), from: start, own: false };
  }
  const verb = /^(?:then |gently |carefully )?([\p{L}-]+(?: (?:and) [\p{L}-]+)?)/iu.exec(words);
  return { what: (verb?.[1] ?? words).trim(), from, own: true };
}

/** What is done, behind the rhythm: "every 45 min, skim", "every 2 h turn the ham". */
function whatBehind(scan: Scan, end: number): { what: string; from: number; to: number } | undefined {
  const { folded, line, lexicon } = scan;
  const comma = /^\s*[,:]?\s*/.exec(folded.slice(end))?.[0].length ?? 0;
  const from = end + comma;
  const verb = saidAt(lexicon.verbs, folded, from) ?? undefined;
  const word = /^[\p{L}-]+/u.exec(folded.slice(from))?.[0] ?? "";
  // In German the verb may be any: "alle 30 Minuten abschäumen".
  const german = lexicon.language === "de" && /^\p{L}+e?n$/u.test(word) && scan.blanks(from + word.length) >= scan.clauseEnd(from);
  if (german) return { what: line.slice(from, from + word.length), from, to: from + word.length };
  if (!verb && !/^(?:check|look|prod|spin|jiggle|feed|wipe|mist|spray|massage|test|swap|air|vent)/.test(word)) return undefined;
  if (verb && verb.value === "leave") return undefined;
  let to = scan.clauseEnd(from);
  for (let i = from + word.length; i < to; i++) {
    if (
      /\s/.test(folded.charAt(i - 1)) &&
      (lengthAt(folded, i, lexicon) || /^(?:until|till|for \d|bis|and |at \d)/.test(folded.slice(i)))
    ) {
      to = i;
      break;
    }
  }
  const what = line.slice(from, to).trim();
  // A clause with a length of its own is the step, not its round.
  if (what === "" || what.split(/\s+/).length > 6) return undefined;
  return { what, from, to: from + what.length };
}

export const round: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const check = scan.opens(at)
    ? /^(?:check|look|start checking|begin checking|first look)(?: from| after| at)?\s+/.exec(folded.slice(at))
    : null;
  if (check) {
    const done = checks(scan, at, at + check[0].length);
    if (done !== undefined) return done;
  }
  const every = everyAt(scan, at);
  if (!every) return undefined;
  // "Add one each", "each side": no rhythm. "Once a day": the number is the rhythm's.
  let end = every.end;
  const before = whatBefore(scan, at);
  const behind = before && !before.own ? undefined : whatBehind(scan, end);
  let what = before?.what ?? "";
  if (behind && (!before || (before.own && /^\s*[,:]/.test(folded.slice(every.end)) === false))) {
    scan.mark(every.end, behind.from, "join");
    scan.mark(behind.from, behind.to, "rounds");
    what = behind.what;
    end = behind.to;
  }
  let takes: number | null = null;
  let first: number | undefined;
  let until: number | undefined;
  let times = every.times;
  for (let i = 0; i < 4; i++) {
    const next = scan.blanks(end);
    const bracket = /^[(,]\s*/.exec(folded.slice(next));
    const inner = bracket?.[0].startsWith("(") ? next + bracket[0].length : next;
    const takesAt = scan.past("for|takes|taking|fur|je|pendant|per|durante", inner);
    const fromAt = scan.past("from|after|first(?: after| at)?|starting (?:after|at)|ab", inner);
    const untilAt = scan.past("until|till", inner);
    const length = (from: number) => (from > inner || inner > next ? lengthAt(folded, from, lexicon) : undefined);
    const t = length(takesAt);
    if (t && t.value.likely < every.value.likely && takes === null) {
      takes = t.value.likely;
      end = t.end;
    } else if (fromAt > inner && length(fromAt)) {
      const f = length(fromAt) as NonNullable<ReturnType<typeof length>>;
      first = f.value.likely;
      end = f.end;
    } else if (untilAt > inner && length(untilAt) && !scan.end(lexicon.night, untilAt)) {
      const u = length(untilAt) as NonNullable<ReturnType<typeof length>>;
      until = u.value.likely;
      end = u.end;
    } else {
      // "Every 30 min, 3 times".
      const counted = next + (bracket?.[0].length ?? 0);
      const n = times === undefined ? (saidAt(lexicon.times, folded, counted) ?? countTimes(scan, counted)) : undefined;
      if (!n || scan.end(lexicon.per, scan.blanks(n.end)) !== undefined) break;
      times = n.value;
      end = n.end;
    }
    const eachBehind = scan.end("each(?: time)?|jedes mal|chaque fois|ogni volta|cada vez", scan.blanks(end));
    if (eachBehind) end = eachBehind;
    if (bracket?.[0].startsWith("(") && folded.charAt(scan.blanks(end)) === ")") end = scan.blanks(end) + 1;
  }
  // "Fold 4 times every 30 min": the number before it.
  const counted = /^(.*?)\s*(?:\b(\d{1,2}|two|three|four|five|six|once|twice)(?:\s*(?:times|x|×))?)\s*$/iu.exec(what);
  if (counted && /times|x|×|once|twice/i.test(what.slice((counted[1] as string).length)) && times === undefined) {
    times = { once: 1, twice: 2, two: 2, three: 3, four: 4, five: 5, six: 6 }[(counted[2] as string).toLowerCase()] ?? Number(counted[2]);
    what = (counted[1] as string).trim();
  }
  if (until === undefined && times !== undefined) until = (first ?? every.value.likely) + (times - 1) * every.value.likely;
  if (before && !before.own) scan.mark(before.from, at, "rounds");
  scan.mark(at, end, "rounds");
  found.rounds.push({
    every: every.value.likely,
    what: unquoted(what),
    takes,
    ...(first !== undefined ? { first } : {}),
    ...(until !== undefined ? { until } : {}),
    ...(every.value.min !== every.value.max ? { spread: every.value } : {}),
  });
  return end;
};

/** "Check from 30m every 5m", "look after 40 min": when the cue is looked for; no round of work. */
function checks(scan: Scan, at: number, from: number): number | undefined {
  const { folded, lexicon, found } = scan;
  const first = lengthAt(folded, from, lexicon);
  let end = from;
  if (first) {
    found.plan.checkFrom = first.value.likely;
    end = first.end;
  }
  const every = everyAt(scan, scan.blanks(end + (/^\s*(?:,|then|and|on)\s*(?:then )?/.exec(folded.slice(end))?.[0].length ?? 0)));
  if (every) {
    found.plan.checkEvery = every.value.likely;
    end = every.end;
  }
  if (!first && !every) return undefined;
  scan.mark(at, end, "note");
  return end;
}
