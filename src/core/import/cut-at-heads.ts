// Lines that hold more than one thing: "Mousse. Serves 6. Ingredients: … Method: …", cut where another begins.
import { isServesLine } from "./heads";
import type { SourceLine } from "./recipe";

const HEAD_WITHIN =
  /(?<=[.!?;)])\s+(?=(?:serves|servings|makes|ingredients|you will need|method|directions|instructions|preparation|notes?|tips?|storage|zutaten|zubereitung|ingr[ée]dients|pr[ée]paration|ingredienti|procedimento|preparazione|ingredientes|elaboraci[óo]n|preparaci[óo]n)\b(?:[^.!?]{0,20}:|\s+\d))/giu;

const LONGEST_OPENING = 120;
/** A line that holds a whole recipe ("Mousse. Serves 6. Ingredients: … Method: …") as its parts. */
export function cutAtHeads(line: SourceLine): SourceLine[] {
  const cuts = [...line.text.matchAll(HEAD_WITHIN)].map((m) => m.index + m[0].length);
  // "Serves 4! Sauce keeps 4 days": for how many, and then something else.
  const first = /^[^.!?]{4,40}[.!?]+\s+(?=\p{L})/u.exec(line.text);
  if (first && isServesLine(first[0].replace(/[\s.!?]+$/, "")) && !cuts.includes(first[0].length)) cuts.unshift(first[0].length);
  // "Right so the rabbit terrine. Two rabbits, boned, …": who talks says its name first.
  const opening = line.from === 0 && line.text.length >= LONGEST_OPENING ? /^[^.!?:\d]{8,60}[.!?:]\s+(?=\S)/u.exec(line.text) : null;
  if (opening && cuts.length === 0) cuts.push(opening[0].length);
  if (cuts.length === 0) return [line];
  return [0, ...cuts].map((from, i) => {
    const to = cuts[i] ?? line.text.length;
    return { ...line, from: line.from + from, to: line.from + to, text: line.text.slice(from, to), gap: i === 0 && line.gap };
  });
}
