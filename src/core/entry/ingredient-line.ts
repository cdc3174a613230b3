// One line of an ingredient list: "1 1/2 cups all-purpose flour, sifted", "juice of 2 lemons", "100g/3½oz butter, plus extra for the tin".
// The line is read from its head: bullet, vague word, part ("juice of"), amount, the same amount again, size, name; then what follows
// the name. Every word ends in one piece; nothing of the line is lost.
import { quantityOf } from "../dish/units";
import { amountAt, type ReadAmount } from "./amounts";
import { languageOf, lexiconOf } from "./lexicon";
import { fold } from "./lexicon/fold";
import { INGREDIENT_WORDS } from "./lexicon/ingredient-words";
import type { Language } from "./lexicon/lexicon";
import { numberAt } from "./numbers";
import { endOf, skipBlanks } from "./patterns";

type IngredientAs = "amount" | "also" | "name" | "note" | "join" | "heading" | "optional" | "asNeeded";

interface IngredientPiece {
  readonly from: number;
  readonly to: number;
  readonly as: IngredientAs;
}

export interface IngredientLine {
  readonly line: string;
  readonly name: string;
  readonly amount: ReadAmount | undefined;
  /** The same amount in other units. */
  readonly also: readonly { readonly amount: number; readonly unit: string }[];
  readonly note: string | undefined;
  /** Taken by feel: "to taste", "for frying". */
  readonly asNeeded: boolean;
  readonly optional: boolean;
  /** The line is the heading of a group ("For the dough:"). */
  readonly heading: boolean;
  readonly words: readonly IngredientPiece[];
  readonly doubts: readonly { readonly field: "amount" | "name"; readonly why: string }[];
  /** Why somebody should look at it again; undefined where all is clear. */
  readonly unclear: string | undefined;
}

const BULLET = /^(?:[-–—•*·▢☐□◦▪●✓+]\s*|\[[ x]?\]\s*|\d{1,2}[.)]\s+)+/u;
/** Pieces that are so many by themselves. */
const SINGLE =
  /^(?:pinch|handful|knob|splash|dash|drop|drizzle|glug|dollop|twist|grind|bunch|sprig|prise|handvoll|schuss|spritzer|bund|pincee|poignee|noix|filet|botte|brin|pizzico|manciata|noce|mazzetto|rametto|pizca|punado|nuez|chorro|chorrito|manojo|ramita)(?!\p{L})/u;
/** How a name ends: a comma that is none of a number, a bracket, a dash between blanks, a semicolon. */
const NAME_END = /,(?!\d)|\(|;|\s[-–—]\s|\[|\s\/\s|\*|:\s/u;

class Line {
  readonly folded: string;
  readonly marks: (IngredientAs | undefined)[];
  constructor(readonly text: string) {
    this.folded = fold(text);
    this.marks = new Array(text.length).fill(undefined);
  }
  mark(from: number, to: number, as: IngredientAs): void {
    for (let i = from; i < to; i++) if (!/\s/.test(this.text.charAt(i))) this.marks[i] = as;
  }
  past(pattern: string, at: number): number {
    const end = endOf(pattern, this.folded, at);
    return end === undefined ? at : skipBlanks(this.folded, end);
  }
  said(as: IngredientAs): string {
    let text = "";
    for (let i = 0; i < this.text.length; i++)
      if (this.marks[i] === as) text += this.text.charAt(i);
      else if (text !== "" && !text.endsWith(" ")) text += " ";
    return text.replace(/\s+/g, " ").trim();
  }
  /** The runs of one kind, each as it stands in the line. */
  runs(as: IngredientAs): string[] {
    return this.pieces()
      .filter((p) => p.as === as)
      .map((p) => this.text.slice(p.from, p.to));
  }
  pieces(): IngredientPiece[] {
    const pieces: { from: number; to: number; as: IngredientAs }[] = [];
    for (let i = 0; i < this.text.length; i++) {
      if (/\s/.test(this.text.charAt(i))) continue;
      const as = this.marks[i] ?? "note";
      const last = pieces.at(-1);
      if (last && last.as === as && /^\s*$/.test(this.text.slice(last.to, i))) last.to = i + 1;
      else pieces.push({ from: i, to: i + 1, as });
    }
    return pieces;
  }
}

/** Longest line that is read. */
const LONGEST_LINE = 2_000;
const NOTHING = { amount: undefined, also: [], note: undefined, asNeeded: false, optional: false, heading: false } as const;

/**
 * Reads one line of an ingredient list.
 * @param language decides decimals and unit words; told from the line where it is not given
 * @example readIngredient("2 lb 3 oz chicken thighs, bone in").name // "chicken thighs"
 */
export function readIngredient(line: string, language?: Language): IngredientLine {
  if (line.length > LONGEST_LINE)
    return {
      ...NOTHING,
      line,
      name: line.trim(),
      words: nameOnly(line),
      doubts: [{ field: "name", why: "too long to be read" }],
      unclear: "It is too long for an ingredient.",
    };
  const lang = language ?? languageOf(line);
  const lexicon = lexiconOf(lang);
  const words = INGREDIENT_WORDS[lang];
  const l = new Line(line);
  const doubts: { field: "amount" | "name"; why: string }[] = [];
  let at = skipBlanks(line, 0);
  const bullet = BULLET.exec(line.slice(at));
  if (bullet) {
    l.mark(at, at + bullet[0].length, "join");
    at = skipBlanks(line, at + bullet[0].length);
  }
  const rest = line.slice(at).trim();
  if (isHeading(rest, l.folded.slice(at).trim(), words.heading)) return headingLine(l, line, at, words.heading);

  // "Optional: 1 tsp chilli" and "about 200 g".
  const optionalHead = endOf(`\\(?(?:${words.optional})\\)?:?`, l.folded, at);
  let optional = false;
  if (optionalHead !== undefined && /^[:\s]/.test(l.folded.slice(optionalHead))) {
    optional = true;
    l.mark(at, optionalHead, "optional");
    at = skipBlanks(line, optionalHead + (l.folded.charAt(optionalHead) === ":" ? 1 : 0));
    l.mark(optionalHead, at, "join");
  }
  at = markPast(l, words.about, at, "note");
  at = markPart(
    l,
    words.part,
    at,
    (i) => numberAt(line, i, true, lexicon) !== undefined || endOf(lexicon.articles, l.folded, i) !== undefined,
  );
  at = markPast(l, words.about, at, "note");

  // A vague number: "a few sprigs".
  const vague = endOf(words.few, l.folded, at);
  let found = vague === undefined ? amountAt(line, at, true, lexicon) : undefined;
  let amount = found?.value;
  const also: { amount: number; unit: string }[] = [];
  if (vague !== undefined && skipBlanks(line, vague) < line.length) {
    const counted = amountAt(`1 ${line.slice(skipBlanks(line, vague))}`, 0, false, lexicon);
    const number = /couple/.test(l.folded.slice(at, vague)) ? 2 : 3;
    l.mark(at, vague, "amount");
    const unit = counted && counted.value.unit !== "piece" ? counted.value.unit : "piece";
    const unitEnd = counted && unit !== "piece" ? skipBlanks(line, vague) + counted.end - 2 : vague;
    l.mark(vague, unitEnd, "amount");
    amount = { amount: number, unit, range: undefined };
    doubts.push({ field: "amount", why: `“${line.slice(at, vague)}” is no number: ${number} is taken` });
    at = skipBlanks(line, unitEnd);
  } else if (
    found &&
    !(found.value.unit === "piece" && onlyArticle(l.folded, at, found.end) && skipBlanks(line, found.end) >= line.length)
  ) {
    l.mark(at, found.end, "amount");
    at = skipBlanks(line, found.end);
    // "2 x 400 g tins": what stands behind is what they come in.
    if (/[x×]\s*\d/i.test(line.slice(found.start, found.end))) {
      const container = amountAt(`1 ${line.slice(at)}`, 0, false, lexicon);
      if (container && container.value.unit !== "piece" && quantityOf({ amount: 1, unit: container.value.unit }).dimension === "count") {
        l.mark(at, at + container.end - 2, "note");
        at = skipBlanks(line, at + container.end - 2);
      }
    }
  } else found = undefined;
  // "Pinch of nutmeg", "a large handful", "small bunch of dill": one of it.
  const sizedAt = !amount && vague === undefined ? l.past(words.size, at) : at;
  const single = !amount && vague === undefined ? amountAt(`1 ${line.slice(sizedAt)}`, 0, false, lexicon) : undefined;
  if (
    single &&
    single.value.unit !== "piece" &&
    quantityOf({ amount: 1, unit: single.value.unit }).dimension === "count" &&
    skipBlanks(line, sizedAt + single.end - 2) < line.length &&
    SINGLE.test(l.folded.slice(sizedAt))
  ) {
    amount = single.value;
    l.mark(at, sizedAt, "note");
    l.mark(sizedAt, sizedAt + single.end - 2, "amount");
    at = skipBlanks(line, sizedAt + single.end - 2);
  }

  // The same amount again: "/3½oz", "(1 cup)", "or 1 cup".
  at = readAlso(l, line, at, amount, also, lexicon);
  // "1 (400 g) tin", "1 large tin": what is counted stands behind.
  if (amount && amount.unit === "piece") {
    const sized = l.past(words.size, at);
    const container = amountAt(`1 ${line.slice(sized)}`, 0, false, lexicon);
    const isOne = container && container.value.unit !== "piece" && container.value.amount === 1;
    if (isOne && quantityOf({ amount: 1, unit: container.value.unit }).dimension === "count") {
      if (sized > at) l.mark(at, sized, "note");
      amount = { ...amount, unit: container.value.unit };
      l.mark(sized, sized + container.end - 2, "amount");
      at = skipBlanks(line, sized + container.end - 2);
      at = readAlso(l, line, at, amount, also, lexicon);
    }
  }
  const of = /^(?:d|dell|l)'/.exec(l.folded.slice(at))
    ? at + (/^(?:d|dell|l)'/.exec(l.folded.slice(at)) as RegExpExecArray)[0].length
    : l.past(words.of, at);
  if (of > at && (amount || at > 0)) {
    l.mark(at, of, "join");
    at = of;
  }
  // Sizes: "2 large eggs", "3 very ripe tomatoes".
  for (let i = 0; i < 2 && amount && quantityOf(amount).dimension === "count"; i++) {
    const sized = l.past(words.size, at);
    // "Fresh" is a size of a thing that is counted, and part of the name of one that is weighed.
    if (
      sized === at ||
      sized >= line.length ||
      (amount.unit !== "piece" &&
        /^(?:whole|fresh|ripe|free-range|organic|little|thick|thin|long|frisch|reif|bio|frais|fraich|fresc|matur|madur|bien mur|dunn|dick)/.test(
          l.folded.slice(at),
        ))
    )
      break;
    if (
      /^(?:whole|fresh|ripe|long|thick|thin|little)/.test(l.folded.slice(at)) &&
      lang === "en" &&
      /^(?:whole|fresh|long|little)/.test(l.folded.slice(at))
    )
      break;
    l.mark(at, sized, "note");
    at = skipBlanks(line, sized + (/^,\s/.test(line.slice(sized)) ? 1 : 0));
  }
  if (lang === "en") at = markPart(l, words.part, at, () => true);

  const name = readName(l, at, words, amount !== undefined);
  at = name.end;
  let asNeeded = name.asNeeded;
  if (name.optional) optional = true;
  // What follows the name: notes, wishes, another amount.
  const tail = readTail(l, line, at, words, amount, lexicon);
  asNeeded ||= tail.asNeeded && !amount;
  optional ||= tail.optional;
  if (!amount && tail.amount) amount = tail.amount;
  also.push(...tail.also);

  let text = l.said("name").replace(/^[,.\s]+|[,.:;\s]+$/g, "");
  // "5 cloves" is a spice by itself: the word that counts is what is counted.
  if (text === "" && amount && amount.unit !== "piece" && quantityOf(amount).dimension === "count") {
    text = found
      ? line
          .slice(found.start, found.end)
          .replace(/^[\d\s.,/½¼¾⅓⅔-]+/u, "")
          .trim() || amount.unit
      : amount.unit;
    amount = { ...amount, unit: "piece" };
  }
  if (!amount && !asNeeded && text !== "" && new RegExp(`^(?:${words.byFeel})$`).test(fold(text)))
    asNeeded = tail.asNeeded || text.length > 0;
  const note = noteOf(l);
  if (text === "") {
    return {
      line,
      name: rest === "" ? "" : rest,
      amount: undefined,
      also: [],
      note: undefined,
      asNeeded: false,
      optional,
      heading: false,
      words: nameOnly(line),
      doubts: rest === "" ? [] : [{ field: "name", why: "no name was found" }],
      unclear: "What is it? No name was found in this line.",
    };
  }
  if (!amount && !asNeeded) doubts.push({ field: "amount", why: /\d/.test(rest) ? "an amount that was not understood" : "no amount" });
  if (/\d\s?(?:g|kg|ml|l|oz|lb|cups?|tbsp|tsp)\b/i.test(text)) doubts.push({ field: "amount", why: "two amounts: the first is taken" });
  if (/\b(?:or|oder|ou|oppure)\b/i.test(text)) doubts.push({ field: "name", why: "one of several" });
  const unclear =
    amount || asNeeded
      ? /\d\s?(?:g|kg|ml|l|oz|lb|cups?|tbsp|tsp)\b/i.test(text)
        ? "It has two amounts; the first was used."
        : undefined
      : /\d/.test(rest)
        ? "It has an amount that was not understood."
        : "No amount.";
  return {
    line,
    name: text,
    amount,
    also,
    note,
    asNeeded: asNeeded && !amount,
    optional,
    heading: false,
    words: l.pieces(),
    doubts,
    unclear,
  };
}

const onlyArticle = (folded: string, from: number, to: number) => /^(?:an?|ein|eine|un|une|una|uno)$/.test(folded.slice(from, to).trim());
const nameOnly = (line: string): IngredientPiece[] => {
  const from = skipBlanks(line, 0);
  const to = line.trimEnd().length;
  return to > from ? [{ from, to, as: "name" }] : [];
};

function isHeading(text: string, folded: string, words: string): boolean {
  if (text.length > 60 || /\d\s?(?:g|kg|ml|cups?)\b/i.test(text)) return false;
  const led = new RegExp(`^(?:${words})`).test(folded);
  return /:$/.test(text) ? !/\d/.test(text) || led : false;
}

function headingLine(l: Line, line: string, at: number, words: string): IngredientLine {
  const lead = new RegExp(`^(?:${words})`).exec(l.folded.slice(at))?.[0].length ?? 0;
  l.mark(0, line.length, "heading");
  const name = line
    .slice(at + lead)
    .trim()
    .replace(/:$/, "")
    .trim();
  return {
    line,
    name: name || line.trim().replace(/:$/, ""),
    amount: undefined,
    also: [],
    note: undefined,
    asNeeded: false,
    optional: false,
    heading: true,
    words: l.pieces(),
    doubts: [],
    unclear: undefined,
  };
}

function markPast(l: Line, pattern: string, at: number, as: IngredientAs): number {
  const end = l.past(pattern, at);
  // "Good butter" is a name; "a good handful" is not: the word counts only before a number or an article's amount.
  if (
    end === at ||
    !/^(?:\d|[½¼¾⅓⅔]|an?\b|one|two|three|half|ein|eine|zwei|drei|un|une|deux|trois|una|due|tre|uno|dos|tres|handful|pinch|tbsp|tsp|tablespoons?|teaspoons?|cups?|knob|el\b|tl\b)/u.test(
      l.folded.slice(end),
    )
  )
    return at;
  l.mark(at, end, as);
  return end;
}

function markPart(l: Line, pattern: string, at: number, goes: (at: number) => boolean): number {
  const end = endOf(pattern, l.folded, at) ?? (/'$/.test(pattern) ? undefined : undefined);
  const apostrophe = new RegExp(`^(?:${pattern})`, "u").exec(l.folded.slice(at));
  const to = end ?? (apostrophe?.[0].endsWith("'") ? at + apostrophe[0].length : undefined);
  if (to === undefined) return at;
  const next = skipBlanks(l.folded, to);
  if (!goes(next)) return at;
  // The "of" joins; "juice" is the note.
  const joins = /\s*(?:,?\s*)(?:of|from)(?: the)?$|\s(?:de|d'|di|von|einer|eines)$/.exec(l.folded.slice(at, to));
  l.mark(at, to - (joins?.[0].length ?? 0), "note");
  l.mark(to - (joins?.[0].length ?? 0), to, "join");
  return next;
}

/** "/2 lb 4 oz", "(1 cup)", "or 1 cup", "= 200 g" behind an amount. */
function readAlso(
  l: Line,
  line: string,
  from: number,
  amount: ReadAmount | undefined,
  also: { amount: number; unit: string }[],
  lexicon: ReturnType<typeof lexiconOf>,
): number {
  let at = from;
  for (let i = 0; i < 4 && amount; i++) {
    const slash = /^(?:\/|\||=|or\s|oder\s|ou\s|-\s(?=\d))\s*/i.exec(line.slice(at));
    const other = slash && amountAt(line, at + slash[0].length, false, lexicon);
    if (slash && other && other.value.unit !== "piece") {
      l.mark(at, at + slash[0].length, "join");
      l.mark(at + slash[0].length, other.end, "also");
      also.push({ amount: Number(other.value.amount.toPrecision(6)), unit: other.value.unit });
      at = skipBlanks(line, other.end);
      continue;
    }
    const bracket = /^[([]([^()[\]]*)[)\]]\s*/.exec(line.slice(at));
    if (!bracket) break;
    const inner = readBracket(line, at + 1, at + 1 + (bracket[1] as string).length, lexicon);
    if (inner.length === 0) {
      if (amount.unit === "piece" || at > 0) {
        // "(see page 41)": kept as it stands.
        l.mark(at, at + bracket[0].trimEnd().length, "note");
        at += bracket[0].length;
        continue;
      }
      break;
    }
    l.mark(at, at + bracket[0].trimEnd().length, "join");
    for (const a of inner) {
      l.mark(a.from, a.to, "also");
      also.push({ amount: a.amount, unit: a.unit });
    }
    l.mark(at, at + 1, "join");
    at += bracket[0].length;
  }
  return at;
}

/** Amounts that fill a bracket: "(1 cup)", "(14 oz)", "(about 2 lb / 900 g)". */
function readBracket(
  line: string,
  from: number,
  to: number,
  lexicon: ReturnType<typeof lexiconOf>,
): { amount: number; unit: string; from: number; to: number }[] {
  const found: { amount: number; unit: string; from: number; to: number }[] = [];
  let at = from;
  while (at < to) {
    const skip = /^(?:about|approx\.?|around|ca\.?|etwa|environ|circa|unos|or|each|jeweils|\/|,|;|=|~|\s)+/i.exec(line.slice(at, to));
    if (skip) {
      at += skip[0].length;
      continue;
    }
    const a = amountAt(line.slice(0, to), at, false, lexicon);
    if (!a || a.value.unit === "piece") return [];
    found.push({ amount: Number(a.value.amount.toPrecision(6)), unit: a.value.unit, from: at, to: a.end });
    at = a.end;
  }
  return found;
}

interface NameEnd {
  readonly end: number;
  readonly asNeeded: boolean;
  readonly optional: boolean;
}

/** The name: up to a comma, a bracket, or words of another kind. */
function readName(l: Line, from: number, words: (typeof INGREDIENT_WORDS)["en"], _counted: boolean): NameEnd {
  const { folded } = l;
  let end = l.text.length;
  let asNeeded = false;
  const mark = NAME_END.exec(l.text.slice(from));
  if (mark) end = from + mark.index;
  for (let i = from + 1; i < end; i++) {
    if (!/\s/.test(folded.charAt(i - 1)) || /\s/.test(folded.charAt(i))) continue;
    const wish = endOf(words.asNeeded, folded, i);
    const more = endOf(words.plusMore, folded, i);
    const optional = endOf(words.optional, folded, i);
    const prepared = endOf(words.prepared, folded, i);
    const lasts =
      prepared !== undefined &&
      (skipBlanks(folded, prepared) >= end || /^(?:and|und|et|e|y|for|into|,|\()/.test(folded.slice(skipBlanks(folded, prepared))));
    if (wish !== undefined || more !== undefined || optional !== undefined || lasts) {
      if (wish !== undefined) asNeeded = true;
      end = i;
      break;
    }
    if (
      /^(?:for (?:the|a|later|dusting)|such as|e\.g\.|cut into|weighing|about \d|plus \d|approx|ca\.? \d|from step|see (?:recipe|note|page|above)|left (?:over|whole)|at room temp|with (?:skin|bones?|fat|rind|their|its)|without|in (?:chunks|pieces|cubes|strips|one piece|brine|oil|syrup|juice|their|its|thin|thick)|fur (?:die|den|das)|pour (?:la|le|les)|per (?:la|il|lo)|para (?:el|la))\b/.test(
        folded.slice(i),
      )
    ) {
      end = i;
      break;
    }
  }
  l.mark(from, end, "name");
  // The name has no article at its head.
  const article = /^(?:the|a|an|some|etwas|le|la|les|du|de la|des|il|lo|el)\s+(?=\p{L})/u.exec(folded.slice(from));
  if (article && /^(?:the|some|a|an|etwas|du|de la|des)/.test(article[0])) l.mark(from, from + article[0].length, "join");
  return { end, asNeeded: asNeeded && true, optional: false };
}

/** What stands behind the name: notes, "optional", "to taste", an amount of its own ("Butter: 200 g", "flour 500 g"). */
function readTail(
  l: Line,
  line: string,
  from: number,
  words: (typeof INGREDIENT_WORDS)["en"],
  amount: ReadAmount | undefined,
  lexicon: ReturnType<typeof lexiconOf>,
) {
  const { folded } = l;
  let asNeeded = false;
  let optional = false;
  let behind: ReadAmount | undefined;
  const also: { amount: number; unit: string }[] = [];
  // "Flour 500 g", "Butter: 200 g", "Eggs – 3": the amount behind the name.
  if (!amount) {
    for (let i = skipBlanks(line, 0); i < line.length; i++) {
      if (!/\d|[½¼¾⅓⅔]/u.test(line.charAt(i)) || (i > 0 && /[\p{L}\d.,/]/u.test(line.charAt(i - 1)))) continue;
      const there = amountAt(line, i, false, lexicon);
      if (!there) continue;
      const before = line.slice(0, i);
      const last = skipBlanks(line, there.end);
      const closes = last >= line.length || /^[,;()[]/.test(line.slice(last));
      if (!closes || (there.value.unit === "piece" && !/[:–—-]\s*$/.test(before)) || !/\p{L}/u.test(before)) continue;
      behind = there.value;
      for (let j = 0; j < there.end; j++) if (l.marks[j] === undefined) l.mark(j, j + 1, "join");
      // The name ends before it; its colon or dash joins.
      const sep = /[\s:–—(,-]+$/.exec(before);
      if (sep) l.mark(i - sep[0].length, i, "join");
      l.mark(i, there.end, "amount");
      break;
    }
  }
  for (let i = from; i < line.length; i++) {
    if (l.marks[i] !== undefined || /\s/.test(line.charAt(i))) continue;
    const within = /[\p{L}\p{N}]/u.test(line.charAt(i - 1)) && /[\p{L}\p{N}]/u.test(line.charAt(i + 1));
    if (/[,;()[\]:–—*-]/.test(line.charAt(i)) && !within) {
      l.mark(i, i + 1, "join");
      continue;
    }
    const wish = endOf(words.asNeeded, folded, i);
    const opt = endOf(words.optional, folded, i);
    const wordStart = i === 0 || !/[\p{L}\p{N}]/u.test(folded.charAt(i - 1));
    if (wish !== undefined && wordStart && !amount && !behind) {
      asNeeded = true;
      l.mark(i, wish, "asNeeded");
      i = wish - 1;
    } else if (opt !== undefined && wordStart) {
      optional = true;
      l.mark(i, opt, "optional");
      i = opt - 1;
    } else {
      const again =
        amount && wordStart && /[(/]\s*(?:(?:about|approx\.?|ca\.?|circa|environ|env\.?|etwa|unos|unas|around) )?$/i.test(line.slice(0, i))
          ? amountAt(line, i, false, lexicon)
          : undefined;
      const closed = again && /^\s*[)/]/.test(line.slice(again.end));
      if (again && closed && again.value.unit !== "piece" && again.value.unit !== "cm") {
        also.push({ amount: Number(again.value.amount.toPrecision(6)), unit: again.value.unit });
        const about = /(?:about|approx\.?|ca\.?|circa|environ|env\.?|etwa|unos|unas|around) $/i.exec(line.slice(0, i));
        if (about) l.mark(about.index, i, "join");
        l.mark(i, again.end, "also");
        i = again.end - 1;
      } else l.mark(i, i + 1, "note");
    }
  }
  return { asNeeded, optional, amount: behind, also };
}

/** The note: its runs in the order of the line, a comma that stood within one kept. */
function noteOf(l: Line): string | undefined {
  let note = "";
  let gap = "";
  for (let i = 0; i < l.text.length; i++) {
    const char = l.text.charAt(i);
    const mark = l.marks[i];
    if (/\s/.test(char)) gap = gap === "," ? ", " : gap || " ";
    else if (mark === "note" || mark === "asNeeded") {
      note += note === "" ? char : `${gap}${char}`;
      gap = "";
    } else if (mark === "join" && char === "," && note !== "" && gap.trim() === "") gap = ",";
    else if (mark !== "join") gap = note === "" ? "" : "; ";
  }
  const clean = note
    .replace(/\s+([,;])/g, "$1")
    .replace(/;\s*;/g, ";")
    .replace(/[\s,;]+$/, "")
    .replace(/^an? (?=\p{L})/iu, "")
    .trim();
  return clean === "" ? undefined : clean;
}
