// The length of a step, and words that tell who stays with it.
import { lengthAt } from "../durations";
import { saidAt } from "../patterns";
import type { Item } from "./scan";

/** "The last 20 minutes", "after 30 min", "halfway": a time within the step, not its length. */
const WITHIN = "(?:for |in |during |over )?(?:the )?(?:last|final|first)|after(?: the first)?|nach|apres|dopo|tras|despues de";

/** Verbs that go with "in": rub in, stir in, fold in. */
export const PARTICLE_VERB = /^(?:rub|stir|fold|mix|whisk|beat|work|knead|pour|press|tuck|dig|soak)$/;

export const length: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const within = scan.end(WITHIN, at);
  const inner = within === undefined ? undefined : lengthAt(folded, scan.past(lexicon.about, scan.blanks(within)), lexicon);
  if (inner) {
    // "After 8-24h" of the editor's own lines is read before this.
    scan.mark(at, inner.end, "name");
    return inner.end;
  }
  // "4 h in the fridge, ideally overnight": the better length of the one before.
  const ideal = scan.past(lexicon.ideally, at);
  const better = ideal > at ? lengthAt(folded, ideal, lexicon) : undefined;
  const earlier = found.lengths.at(-1);
  if (better && earlier && better.value.max > earlier.length.min) {
    earlier.length = { min: earlier.length.min, likely: better.value.likely, max: better.value.max };
    scan.mark(at, better.end, "minutes");
    return better.end;
  }
  // "Rub in 15m": the "in" is the verb's.
  const particle = /^in\b/.test(folded.slice(at)) && PARTICLE_VERB.test(scan.wordBefore(at));
  const led = particle ? at : scan.past(lexicon.lead, at);
  const here = lengthAt(folded, at, lexicon);
  const got =
    here ??
    (led > at ? lengthAt(folded, led, lexicon) : undefined) ??
    (led > at ? lengthAt(folded, scan.past(lexicon.lead, led), lexicon) : undefined);
  if (!got) return undefined;
  let end = got.end;
  const next = scan.blanks(end);
  const side = scan.end(lexicon.eachSide, next);
  // "Each" alone is of each batch, not of each side.
  const eachSide = side !== undefined && !/^each(?: time)?$/.test(folded.slice(next, side));
  end = (eachSide ? side : scan.end(lexicon.perBatch, next)) ?? end;
  // "1½ min each": of how many, nothing says.
  if (!eachSide && found.batches === undefined && side !== undefined)
    found.doubts.push({ field: "minutes", why: "for each one; it is counted once" });
  const tail = scan.end(
    "or so|in total|in all|altogether|total|long|approximately|or thereabouts|lang|circa|environ|env\\.?|aprox\\.?",
    scan.blanks(end),
  );
  if (tail !== undefined) end = tail;
  const before = scan.end("before|ahead of|vor dem|avant|prima|antes", scan.blanks(end));
  // "Take it out of the fridge an hour before": when, not how long.
  if (before !== undefined && /^(?:take|remove|get|pull)\b.*\b(?:out|from|off)\b/.test(folded.slice(0, at))) {
    scan.mark(at, end, "name");
    return end;
  }
  found.lengths.push({ length: got.value, at, end, ...(eachSide ? { eachSide } : {}) });
  scan.mark(at, end, "minutes");
  return end;
};

export const attention: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const said = saidAt(lexicon.attention, folded, at);
  if (!said) return undefined;
  const words = folded.slice(at, said.end);
  // Short words count only as a clause of their own: "alone", "near", "leave it".
  const short =
    /^(?:alone|near|nearby|watch|watched|watching|passive|by hand|solo|sola|active)$/.test(words) || /^(?:leave|left)/.test(words);
  const clause = scan.opens(at) && scan.blanks(said.end) >= scan.clauseEnd(said.end) && at > 0;
  if (short && !clause && !/^(?:nearby|unattended|by hand)$/.test(words) && !/(?:alone|undisturbed|unattended)$/.test(words))
    return undefined;
  if (at === scan.blanks(0) && /^(?:stir|watch|leave|keep|turn|whisk)/.test(words) && !/(?:alone|undisturbed|unattended)$/.test(words)) {
    // "Stir constantly 10 min": the verb stays in the name, and says whose hands.
    found.attention ??= said.value;
    const verb = /^[\p{L}]+/u.exec(words)?.[0].length ?? 0;
    scan.mark(at, at + verb, "name");
    scan.mark(at + verb, said.end, "attention");
    return said.end;
  }
  found.attention ??= said.value;
  scan.mark(at, said.end, "attention");
  return said.end;
};
