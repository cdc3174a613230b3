// Lists of ingredients that stand in one line: "3 onions, 4 cloves garlic", "Sponge: 4 eggs, 120 g sugar. Whisk …".
import { readIngredient } from "../entry/ingredient-line";
import type { Language } from "../entry/lexicon/lexicon";
import type { SourceLine } from "./recipe";

/** A length of time: what has one is work, and no ingredient. */
export const TAKES_MINUTES = /\b\d+\s?(?:mins?|minutes?|hrs?|hours?|h|std|minuten|stunden|heures?|ore|minuti|horas?|minutos)\b/i;

/** No list of ingredients that share an amount is longer. */
const LONGEST_SHARED = 200;
const EACH_OF =
  /^(.*?\d.*?)\s*(?:,\s*)?\b(?:each(?: of)?|apiece(?: of)?|jeweils|di ciascuno|ciascuno di|de chaque|chacun de|de cada uno de)\b\s*:?\s+(?=\p{L})/iu;
const GERMAN_EACH = /^(?:je|jeweils)\s+(\d.*?)\s+(?=\p{Lu}\p{L}+(?:,| und ))/u;
/** "250 g each of raisins, sultanas and currants" as one line for each ingredient; undefined for other lines. */
function eachOf(line: { from: number; to: number; text: string }, language: Language) {
  if (line.text.length > LONGEST_SHARED) return undefined;
  const lead = EACH_OF.exec(line.text) ?? (language === "de" ? GERMAN_EACH.exec(line.text) : null);
  const amount = lead?.[1]?.replace(/^\s*(?:[-–—•*·▪●]\uFE0F?\s*)/u, "").trim();
  // Before the list there is an amount and nothing else.
  if (!lead || !amount || readIngredient(`${amount} x`, language).name !== "x") return undefined;
  const list = line.text.slice(lead[0].length);
  const joins = [...list.matchAll(/,\s*(?:(?:and|und|et|e|y)\s+)?|\s+(?:and|und|et|e|y|&)\s+/giu)];
  if (joins.length === 0) return undefined;
  return [...joins, undefined].map((join, i) => {
    const start = i === 0 ? 0 : (joins[i - 1]?.index ?? 0) + (joins[i - 1]?.[0].length ?? 0);
    const name = list.slice(start, join?.index ?? list.length).trim();
    const from = i === 0 ? line.from : line.from + lead[0].length + start;
    const to = join ? line.from + lead[0].length + join.index + join[0].length : line.to;
    return { from, to, text: `${amount} ${name}` };
  });
}

/** "2 carrots 2 onions". */
const TWO_COUNTED = /^(\s*\d{1,2} \p{L}{3,}) \d{1,2} \p{L}{3,}\s*$/u;

/** A line with several ingredients ("3 onions, 4 cloves garlic", "salt, pepper, 1 cinnamon stick") as its parts; any other as it stands. */
export function severalIn(line: SourceLine, language: Language): { from: number; to: number; text: string }[] {
  const each = eachOf(line, language);
  if (each) return each;
  const counted = TWO_COUNTED.exec(line.text);
  if (counted) {
    const cut = line.from + (counted[1] as string).length;
    return [
      { from: line.from, to: cut, text: counted[1] as string },
      { from: cut, to: line.to, text: line.text.slice((counted[1] as string).length).trim() },
    ];
  }
  const parts = inlineList(line, language);
  const whole =
    parts.length > 1 &&
    parts.every(({ text }) => {
      const read = readIngredient(text, language);
      return (
        (read.amount !== undefined || read.asNeeded) &&
        !/^(?:for|more|extra|plus|of|each|cut|about|or|to)\b/i.test(read.name) &&
        read.name.length > 2
      );
    });
  return whole ? parts : [line];
}

/** "For the filling you want 900 g haddock, …", "You'll need 2 kg bones, …". */
const WANTED =
  /^\s*(?:(?:and )?for the ([\p{L}][\p{L}\s'’-]{1,30}?),? )?(?:you(?:['’]ll| will)? (?:want|need)|i (?:use|used|take)|we(?:['’]ll)? (?:use|need)|get|take)\s*:?\s+(?=[\d½¼¾⅓⅔]|an?\s)/iu;

/** "Sponge: 4 eggs, 120 g sugar, 100 g flour": a part and its list in one line; undefined where it is none. */
export function listWithin(line: SourceLine, language: Language) {
  const wanted = WANTED.exec(line.text);
  const lead = wanted ?? /^\s*(?:\d{1,2}[.)]\s+)?\p{L}[\p{L}\s'’&-]{1,40}(?::\s+|\s[–—-]\s+(?=[\d½¼¾]))/u.exec(line.text);
  if (!lead) return undefined;
  const from = line.from + lead[0].length;
  // "Fish: 2 trout, 1 lemon. Fill the trout, …": the list ends with its sentence, and the work stands behind it.
  const list =
    /^[^.!?;]*(?:[.,]\d[^.!?;]*)*(?:[.!?]\s+(?=\p{Lu}|\d+\s?(?:[Mm]in|[Ss]td|h)\b)|;\s+(?=\p{Ll}{3,}\s(?:the|it|them|all|everything)\b))/u.exec(
      line.text.slice(lead[0].length),
    )?.[0] ?? line.text.slice(lead[0].length);
  const to = from + list.length;
  if (TAKES_MINUTES.test(list)) return undefined;
  const parts = inlineList({ from, to, text: list.replace(/[.!?;]\s+$/, (end) => " ".repeat(end.length)) }, language);
  const weighed = parts.filter((p) => readIngredient(p.text, language).amount !== undefined).length;
  if (weighed < 2 || weighed < parts.length - 1) return undefined;
  const rest = line.text.slice(to - line.from);
  const behind = rest.trim() === "" ? undefined : { from: to, to: line.to, text: rest };
  return { head: { from: line.from, to: from, text: wanted ? (wanted[1] ?? "") : lead[0] }, parts, behind };
}

/** "Slice it. Serve with the relish: 4 onions, 80 g sugar; cook …": a sentence that lists, behind others; undefined where there is none. */
export function listBehind(line: SourceLine, language: Language): { readonly before: SourceLine; readonly list: SourceLine } | undefined {
  for (const m of line.text.matchAll(/(?<=[.!?])\s+(?=\p{Lu}[\p{L}\s'’&-]{2,40}:\s+(?:[\d½¼¾]|an?\s))/gu)) {
    const at = m.index + m[0].length;
    const list = { ...line, from: line.from + at, text: line.text.slice(at), gap: false };
    if (listWithin(list, language)) return { before: { ...line, to: line.from + at, text: line.text.slice(0, at) }, list };
  }
  return undefined;
}

/** A list in one line: "500 g flour, 2 eggs; salt" as its parts. A comma parts only where another ingredient begins behind it. */
export function inlineList(
  line: { from: number; to: number; text: string },
  language: Language,
): { from: number; to: number; text: string }[] {
  const parts: { from: number; to: number; text: string }[] = [];
  let start = 0;
  // The separator belongs to the part before it; it is not of its words.
  const cut = (end: number, next: number) => {
    const text = line.text.slice(start, end).trim();
    if (text !== "") parts.push({ from: line.from + start, to: line.from + next, text });
    start = next;
  };
  for (const m of line.text.matchAll(
    /[,;•·|]\s+|\s\/\s+(?=\d)|\s+[+–—-]\s+(?=\d)|\s+(?:and|und|et|e|y)\s+(?=\d)|\s+and\s+(?=an? (?:\p{L}+ )?(?:bunch|handful|pinch|few|sprig|knob|glug|splash|stick|piece)\b)/giu,
  )) {
    const behind = line.text.slice(m.index + m[0].length).trimStart();
    const read = readIngredient(behind.split(/[;•·|]|,(?!\d)/)[0] ?? "", language);
    const sign = m[0].trim().charAt(0);
    if (/[;•·|/]/.test(sign) || read.amount !== undefined || read.asNeeded) cut(m.index, m.index + m[0].length);
  }
  cut(line.text.length, line.text.length);
  return parts;
}

const NAMED_WITHIN =
  /(?<=[.;])\s+((?:for the|f[üu]r (?:den|die|das)|pour (?:la|le|les|l['’])|per (?:la|il|lo|le|i|l['’])|para (?:la|el|los|las))\s?\p{L}+(?: \p{L}+)?:?)\s(?=[\d½¼¾⅓⅔])/giu;
/** "1 goose, 4 apples. For the sauce 1 L stock, …": a list in one line, cut where it names its next part. */
export function partedList(line: { from: number; to: number; text: string }): {
  readonly head: { from: number; to: number; text: string } | undefined;
  readonly list: { from: number; to: number; text: string };
}[] {
  const cuts = [...line.text.matchAll(NAMED_WITHIN)];
  const piece = (from: number, to: number) => ({ from: line.from + from, to: line.from + to, text: line.text.slice(from, to) });
  return [undefined, ...cuts].map((cut, i) => {
    const next = cuts[i]?.index ?? line.text.length;
    if (!cut) return { head: undefined, list: piece(0, next) };
    const start = cut.index + cut[0].length;
    return { head: piece(cut.index + cut[0].indexOf(cut[1] as string), start), list: piece(start, next) };
  });
}

/** A line whose parts stand between bullets or bars, each with its sign. */
export function signParted(line: { from: number; to: number; text: string }): { from: number; to: number; text: string }[] {
  const cuts = [...line.text.matchAll(/\s[•·|]\s+/g)];
  return [...cuts, undefined].map((m, i) => {
    const before = cuts[i - 1];
    const from = before ? before.index + before[0].length : 0;
    const end = m?.index ?? line.text.length;
    const to = m ? m.index + m[0].length : line.text.length;
    return { from: line.from + from, to: line.from + to, text: line.text.slice(from, end) };
  });
}
