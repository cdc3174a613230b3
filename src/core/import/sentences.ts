// The sentences of an instruction, each with its place in the source; and a sentence with several times cut where it goes on.
import { findDurations, OVERNIGHT } from "../entry/durations";
import { lexiconOf } from "../entry/lexicon";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { saidAt } from "../entry/patterns";
import type { Stretch } from "./recipe";

const SHORTENED =
  /(?:^|[\s(])(?:approx|ca|min|mins|std|hr|hrs|tbsp|tsp|no|nr|z\.\s?b|d\.\s?h|e\.g|i\.e|env|c|ungef|evtl|bzw|temp|max|dr|st|th|p\.\s?ex|ej)$/i;

const SHORTENED_UNIT = /\d\s?(?:mins?|hrs?|std)$/i;

/** Sentences of a text that begins at `from` in the source. A number before the first ("1.") belongs to it. */
export function sentencesOf(text: string, from: number, language: Language): Stretch[] {
  const found: Stretch[] = [];
  // Who never writes a capital letter ends sentences before small ones.
  const small = /^[^\p{L}]*\p{Ll}/u.test(text) && !/[.!?]\s+\p{Lu}/u.test(text);
  let start = 0;
  const cut = (end: number) => {
    const piece = text.slice(start, end);
    const lead = piece.length - piece.trimStart().length;
    if (piece.trim() !== "") found.push({ from: from + start + lead, to: from + start + piece.trimEnd().length, text: piece.trim() });
    start = end;
  };
  for (const m of text.matchAll(/[.!?;]+[)”"’]?(?=\s+|$)/g)) {
    const end = m.index + m[0].length;
    const before = text.slice(start, m.index);
    const next = text.slice(end).trimStart();
    // "Bake 20 min. Cool on a rack": a shortened unit ends the sentence where work goes on behind it. German writes nouns large.
    const works = saidAt(lexiconOf(language).verbs, fold(next.slice(0, 40)), 0) !== undefined;
    const ended = SHORTENED_UNIT.test(before) && (/^\p{Lu}/u.test(next) ? language !== "de" || works : small && works && language !== "de");
    // The point of a number at the head, of a shortened word, or before a small letter ends nothing.
    if (
      /^\s*(?:(?:step|schritt|[ée]tape|passo|paso|day|tag|jour|giorno|d[ií]a)\s*)?\d{1,2}$/i.test(before) ||
      (m[0] === "." && SHORTENED.test(before) && !ended)
    )
      continue;
    if (m[0] !== ";" && !small && !ended && next !== "" && /^\p{Ll}/u.test(next)) continue;
    cut(end);
  }
  cut(text.length);
  return found;
}

const JOIN = /,?\s+(?:and then|then|and|before|und dann|dann|und|et puis|puis|et|e poi|poi|e|y luego|luego|y)\s+|,\s+/gi;

const LEADING_JOIN = /^[,\s]*(?:(?:and then|then|and|und dann|dann|und|et puis|puis|et|e poi|poi|e|y luego|luego|y)\s+)?/i;

/** "10 Minuten ruhen lassen": the clause is over with its infinitive. */
const endsInVerb = (clause: string) => /^\s*(?:\p{L}+\s+){0,2}\p{Ll}{2,}(?:en|ern|eln)$/u.test(clause);

/** "Bake 40 minutes, turn it and give it another 20": figures that take the unit of the length before them. */
const FURTHER =
  /(?<!\p{L})(?:another|a further|noch(?:mals| einmal)?|encore|altri|otros)\s(\d{1,2})(?=\s*(?:$|[,.;)]|(?:or so|until|till|uncovered|covered|bis|jusqu|fino|hasta)))/gu;
const furtherFigures = (folded: string) =>
  [...folded.matchAll(FURTHER)].map((m) => ({ start: m.index + m[0].length - (m[1] as string).length, end: m.index + m[0].length }));

/** A sentence with several lengths of its own, cut at the last joining word before each; a cut falls only before a verb. */
export function timedParts(sentence: Stretch, language: Language): Stretch[] {
  const lexicon = lexiconOf(language);
  const { text } = sentence;
  const folded = fold(text);
  const times = [...findDurations(text, lexicon), ...furtherFigures(folded)]
    .sort((a, b) => a.start - b.start)
    .filter(
      (t) =>
        !isWithin(folded, t.start, t.end) &&
        // "La veille, frotter … 12 h": the night says when, the other length how long.
        !(
          "value" in t &&
          t.value.max === OVERNIGHT.max &&
          /^\W*(?:\d{1,2}\W*)?$/.test(folded.slice(0, t.start)) &&
          /^\s*,/.test(folded.slice(t.end))
        ),
    );
  const parts: Stretch[] = [];
  let from = 0;
  times.slice(1).forEach((time, i) => {
    const end = times[i]?.end ?? 0;
    const all = [...text.slice(end, time.start).matchAll(JOIN)];
    const works = all.filter((j) => saidAt(lexicon.verbs, folded, end + j.index + j[0].length) !== undefined);
    const joins = all.filter((j) => {
      const behind = end + j.index + j[0].length;
      // "…, and braise, lidded, for 3 hours" goes on with its verb.
      if (works.length > 0 && /^for\b/.test(folded.slice(behind))) return false;
      return (
        works.includes(j) ||
        // Verbs at the end of their clause: "und 15 Minuten dünsten".
        (language === "de" &&
          /(?:und|dann|,)\s+$/i.test(j[0]) &&
          (time.start - behind <= 4 || j.index <= 1) &&
          // ", 6 Minuten" alone is the length of what stands before it.
          /\p{L}{3}/u.test(text.slice(time.end, times[i + 2]?.start))) ||
        (language === "de" && endsInVerb(text.slice(end, end + j.index))) ||
        /^(?:a further|another|for|turn|reduce|lower|drop|increase|raise|weitere|encore|pendant|altri|otros)\b/.test(
          folded.slice(behind),
        ) ||
        /\bthen\b|\bdann\b|\bpuis\b|\bpoi\b|\bluego\b/i.test(j[0])
      );
    });
    // Behind the verb that ends its clause another clause begins: there, and not further on.
    const last =
      joins.find((j) => language === "de" && endsInVerb(text.slice(end, end + j.index))) ??
      // "…, then down to 170 and 40 minutes more": it goes on at the "then".
      joins.findLast((j) => /\b(?:then|puis|poi|luego)\b/i.test(j[0])) ??
      joins.at(-1);
    if (!last) return;
    const cut = end + last.index;
    parts.push({ from: sentence.from + from, to: sentence.from + cut, text: text.slice(from, cut).trim() });
    from = cut;
  });
  parts.push({ from: sentence.from + from, to: sentence.to, text: text.slice(from).trim() });
  return parts.map((p, i) => ({ ...p, text: i === 0 ? p.text : p.text.replace(LEADING_JOIN, "") }));
}

/** A time that is none of a step: how often, from when on, how long something keeps, the last minutes of another. */
function isWithin(folded: string, start: number, end: number): boolean {
  if (/^(?:the )?(?:last|final|first)\b/.test(folded.slice(start))) return true;
  // "Twice a day": how often.
  if (/(?<!\p{L})(?:once|twice|times|\dx|mal|fois|volte|veces|volta|vez)\s*(?:a|per|pro|am|par|al|alla)?\s*$/u.test(folded.slice(0, start)))
    return true;
  const before = folded.slice(0, start);
  if (
    /(?:every|each|alle|toutes les|tous les|ogni|cada|within|up to|the last|the final|the first|after|keeps?(?: for)?(?: up to)?|store[sd]?(?: for)?(?: up to)?)\s+(?:about |for )?$/.test(
      before,
    )
  )
    return true;
  if (/^\s*(?:before|ahead|earlier|in advance|max|at most|minimum)\b/.test(folded.slice(end))) return true;
  return /(?:^|[^\p{L}])(?:or|to|oder|ou|o|ideally|preferably|better|at least)\s*$|-\s*$/u.test(before);
}
