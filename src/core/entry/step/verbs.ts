// The verbs of a line, where they stand, and which of them says what the step is.

import { SENSES, type Sense, type SenseName } from "../lexicon/senses";
import { saidAt } from "../patterns";
import type { Scan } from "./scan";
import { isBreak } from "./scan";

export interface Verb {
  readonly name: SenseName;
  readonly sense: Sense;
  readonly from: number;
  readonly to: number;
  /** It begins a clause, or stands behind "to", "and", "then". */
  readonly opens: boolean;
}

const ADVERB =
  /^(?:then|next|now|first|second|finally|slowly|gently|quickly|briefly|very|cold|hot|to|and|dann|danach|langsam|puis|ensuite|poi|luego|despues|final|bulk|long|short|lightly|thinly|finely|roughly|coarsely|carefully|really|hard|just|i|we|you|please|or|also|double|re|dry|wet|it|them|un|so|et|e|y)$|ly$/u;

/** Words before which a verb's form is a noun, or says when: "the roast", "off the heat", "before slicing". */
const NOUN_BEFORE =
  /^(?:the|a|an|of|with|my|this|that|these|your|in|into|before|for|after|ready|off|low|medium|high|over|on|at|le|la|les|il|el|der|die|das|un|une)$/;

/**
 * The verbs of a line. In English a word counts as a verb at the beginning of a clause or behind "to", "and", "then"; elsewhere only
 * where it cooks or waits, and not behind an article ("the roast"). Where that finds none, any verb will do ("flash fry").
 */
export function verbsOf(scan: Scan): Verb[] {
  const strict = scannedVerbs(scan, false);
  return withCloth(strict.length > 0 ? strict : scannedVerbs(scan, true));
}

/** "Rinse and dry": what was just washed is dried with a cloth, unless a length says otherwise ("rinse, then dry for a day"). */
const withCloth = (verbs: readonly Verb[]): Verb[] =>
  verbs.map((v, i) => (v.name === "dry" && verbs[i - 1]?.name === "wash" ? { ...v, sense: SENSES.wash, name: "wash" as const } : v));

/** Forms of verbs that say what something is: "boiling water", "setting 7", "boiling-hot". */
const DESCRIBES =
  /^(?:setting (?:\d|no)|standing (?:well )?(?:back|clear)|(?:boiling|simmering|steaming|smoking|freezing)(?:[- ]hot)? (?:salted |sugar )?(?:water|stock|syrup|milk|oil|fat|brine|broth|liquid|wine|vinegar|cream)\b)/;
/** Verbs that are said as adjectives in the same form: "while warm", "add warm milk". */
const ADJECTIVE = /^(?:warm|cool|dry|brown|firm|set)$/;

const HOW_DONE = /^(?:keeping|holding|leaving|letting)(?!\p{L})(?! (?:it |them )?(?:warm|hot|at|for|to)(?!\p{L}))/u;

const isBetween = (folded: string, from: number, to: number) => [...folded.slice(from, to)].some((_, i) => isBreak(folded, from + i));

const FARTHEST_VERB = 4_000;

function scannedVerbs(scan: Scan, anywhere: boolean): Verb[] {
  const { lexicon } = scan;
  // The first words say what is done, however long a line is.
  const folded = scan.folded.slice(0, FARTHEST_VERB);
  const english = lexicon.language === "en";
  const verbs: Verb[] = [];
  let opening = true;
  for (let i = 0; i < folded.length; ) {
    if (isBreak(folded, i)) {
      opening = true;
      i++;
      continue;
    }
    if (folded.charAt(i) === "&" || folded.charAt(i) === "+") opening = true;
    if (!/[\p{L}]/u.test(folded.charAt(i)) || /[\p{L}\p{N}'-]/u.test(folded.charAt(i - 1))) {
      i++;
      continue;
    }
    const found = saidAt(lexicon.verbs, folded, i);
    const word = /^[\p{L}'-]+/u.exec(folded.slice(i))?.[0] ?? folded.charAt(i);
    if (found) {
      const sense: Sense = SENSES[found.value];
      const noun = english && NOUN_BEFORE.test(scan.wordBefore(i));
      const mark = scan.marks[i];
      // Words that became a cue, an amount or a thing are no verbs of the step.
      const led = verbs.at(-1)?.name === "leave" && !isBetween(folded, verbs.at(-1)?.to ?? 0, i);
      // "Covered with a cloth": how it stands, not what is done.
      const described = english && sense.attention === "hands" && /ed$/.test(folded.slice(i, found.end)) && i > scan.blanks(0);
      const adjective =
        english && !anywhere && ((!opening && !led && ADJECTIVE.test(folded.slice(i, found.end))) || DESCRIBES.test(folded.slice(i)));
      // "Trim the beef, keeping the fat on": how it is done.
      const how = english && verbs.length > 0 && HOW_DONE.test(folded.slice(i));
      const free = !adjective && !how && (mark === undefined || mark === "name") && !described;
      if (free && (opening || !english || (!noun && (anywhere || sense.attention !== "hands"))))
        verbs.push({ name: found.value, sense, from: i, to: found.end, opens: opening || led });
      i = found.end;
      opening = false;
      continue;
    }
    i += word.length;
    if (!ADVERB.test(word)) opening = opening && /^(?:-|\d)/.test(word);
    else if (/^(?:then|and|to|or|dann|puis|poi|luego|i|we|you|et|e|y)$/.test(word)) opening = true;
  }
  return verbs;
}

/**
 * The verb that says what goes on during a length: of several the last before it that cooks or waits, or else the first. Where verbs
 * stand at the end of their clause ("10 Min kneten"), the one behind the length.
 */
export function governing(scan: Scan, verbs: readonly Verb[], lengthAt: number | undefined): Verb | undefined {
  const strong = verbs.filter((v) => !v.sense.weak);
  const choose = strong.length > 0 ? strong : verbs;
  if (lengthAt === undefined) return choose.find((v) => v.sense.attention !== "hands" && v.opens) ?? choose[0];
  if (scan.lexicon.language === "de") {
    const end = scan.clauseEnd(lengthAt);
    const behind = choose.find((v) => v.from > lengthAt && v.from < end);
    if (behind) return behind;
  }
  const before = choose.filter((v) => v.from < lengthAt);
  const opening = before.filter((v) => v.opens);
  const asked = opening.length > 0 ? opening : before;
  const chosen = asked.findLast((v) => v.sense.attention !== "hands") ?? asked[0] ?? choose[0];
  if (chosen?.sense.attention !== "hands") return chosen;
  // "Cover and leave for an hour", "dice it and put it in the freezer for an hour": it is the leaving, the standing there, that lasts.
  const stands = (v: Verb) => v.name === "put" && scan.marks.slice(v.to, lengthAt).some((as) => as === "place" || as === "heat");
  return verbs.findLast((v) => (v.name === "leave" || stands(v)) && v.from < lengthAt && v.from > chosen.from) ?? chosen;
}
