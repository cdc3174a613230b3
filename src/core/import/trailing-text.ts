// Text at the end of a recipe that is no step: a club's notices, greetings, where to find more.
import type { Language } from "../entry/lexicon/lexicon";
import { readStep } from "../entry/step/read";
import { isSurelyFood } from "../foods/match";
import type { RoledLine, SourceLine } from "./recipe";
import { sentencesOf } from "./sentences";

const MOST_READ = 600;

/** Turns the last paragraphs into notes where they mention no work and no food ("Subscriptions are due by 1 November."). */
export function trailingTextAsNotes(out: readonly RoledLine[], lines: readonly SourceLine[], language: Language): RoledLine[] {
  const parted = new Set(lines.filter((l) => l.gap && !l.role).map((l) => l.from));
  let end = out.length;
  for (; end > 0; end--) {
    const last = out[end - 1] as RoledLine;
    if (last.role !== "instruction" || !parted.has(last.from) || /^\s*(?:\d|[^\p{L}\p{N}\s"“¿¡])/u.test(last.text)) break;
    const idle = sentencesOf(last.text, 0, language).every(({ text }) => {
      const read = readStep(text.slice(0, MOST_READ), { language });
      return read.verb === null && !read.said.minutes && read.heat === null && read.keeps.length === 0 && read.place === null;
    });
    if (!idle || (last.text.match(/\p{L}{3,}/gu) ?? []).some((word) => isSurelyFood(word))) break;
  }
  return out.map((l, i) => (i < end ? l : { ...l, role: "note" as const }));
}
