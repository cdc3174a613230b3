// One line of an ingredient list: "1 1/2 cups all-purpose flour, sifted", "juice of 2 lemons", "100g/3½oz butter, plus extra for the tin".
// The line is read from its head: bullet, vague word, part ("juice of"), amount, the same amount again, size, name; then what follows
// the name. Every word ends in one piece; nothing of the line is lost.
import { quantityOf } from "../dish/units";
import { amountAt, type ReadAmount } from "./amounts";
import { readAlso, readName, readTail } from "./ingredient-parts";
import { type IngredientPiece, IngredientScan, markPart, markPast, noteOf } from "./ingredient-scan";
import { languageOf, lexiconOf } from "./lexicon";
import { fold } from "./lexicon/fold";
import { INGREDIENT_WORDS } from "./lexicon/ingredient-words";
import type { Language, Lexicon } from "./lexicon/lexicon";
import { numberAt } from "./numbers";
import { endOf, skipBlanks } from "./patterns";

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

const BULLET = /^(?:[-–—•*·▢☐□◦▪●✓+]\uFE0F?\s*|\[[ x]?\]\s*|\d{1,2}[.)]\s+)+/u;
/** Pieces that are so many by themselves. */
const SINGLE =
  /^(?:pinch|handful|knob|splash|dash|drop|drizzle|glug|dollop|twist|grind|bunch|sprig|prise|handvoll|schuss|spritzer|bund|pincee|poignee|noix|filet|botte|brin|pizzico|manciata|noce|mazzetto|rametto|pizca|punado|nuez|chorro|chorrito|manojo|ramita)(?!\p{L})/u;

/** Glasses and cups have no fixed size: a measure given beside one is the amount. */
const DRINKING_GLASSES = new Set(["glass", "mug", "becher", "verre", "bicchiere", "tazza", "vaso", "taza", "tasse"]);

const MEASURED_PIECE =
  /^((?:an?|one|\d{1,2}(?:\s?[x×])?)\s+)?(\d[\d.,/]*(?:\s?-\s?\d+)?\s?-?(?:cm|mm|inch(?:es)?)(?:[- ](?:long|thick))?)[- ](piece|knob|stick|length|chunk|strip)s?\s+(?:of\s+)?(?=\p{L})/u;
const PIECES_OF = /^(?:[\p{L}-]+[- ]sized )?(?:pieces?|chunks?|lumps?|lengths?) of\s+(?=\p{L})/u;

/** Longest line that is read. */
const LONGEST_LINE = 2_000;
const NOTHING = { amount: undefined, also: [], note: undefined, asNeeded: false, optional: false, heading: false } as const;

const PACKS =
  /^(?:tins?|cans?|packs?|sachets?|packets?|bags?|tubs?|jars?|bottles?|cartons?|box(?:es)?|blocks?|punnets?|pouch(?:es)?)(?!\p{L})(?:\s+of(?!\p{L}))?\s+(?=\p{L})/u;
/** A package behind a weight, or behind one of so much; undefined where there is none. */
function packedIn(l: IngredientScan, line: string, at: number, amount: ReadAmount, lexicon: Lexicon) {
  const own = quantityOf(amount).dimension !== "count" ? { value: amount, end: at } : undefined;
  const each = own ?? (amount.unit === "piece" && /^\s*(?:an?|one)\s/i.test(line) ? amountAt(line, at, false, lexicon) : undefined);
  if (!each || quantityOf(each.value).dimension === "count") return undefined;
  const from = skipBlanks(line, each.end);
  const pack = PACKS.exec(l.folded.slice(from));
  return pack ? { amount: each.value, amountEnd: each.end, end: from + pack[0].length } : undefined;
}

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
  const l = new IngredientScan(line);
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
  const optionalHead = endOf(`[(\\[]?(?:${words.optional})[)\\]]?:?`, l.folded, at);
  let optional = false;
  if (optionalHead !== undefined && /^[:\s]/.test(l.folded.slice(optionalHead))) {
    optional = true;
    l.mark(at, optionalHead, "optional");
    at = skipBlanks(line, optionalHead + (l.folded.charAt(optionalHead) === ":" ? 1 : 0));
    l.mark(optionalHead, at, "join");
  }
  // "Enough lard to cover".
  const enough = lexicon.language === "en" ? /^(?:enough|sufficient)\s+(?=\p{L})/u.exec(l.folded.slice(at)) : null;
  if (enough) l.mark(at, at + enough[0].length, "note");
  at += enough?.[0].length ?? 0;
  // "Q.b. di sale", "etwas Muskatnuss": by feel, said before the name.
  const will = endOf(words.asNeeded, l.folded, at) ?? (lang === "de" ? endOf("etwas|ein wenig|ein bisschen", l.folded, at) : undefined);
  const atWill = will !== undefined && skipBlanks(line, will) < line.length && /^\s*\p{L}/u.test(line.slice(will));
  if (atWill) {
    l.mark(at, will, "asNeeded");
    at = skipBlanks(line, will);
    const joined = l.past(words.of, at);
    l.mark(at, joined, "join");
    at = joined;
  }
  at = markPast(l, words.about, at, "note");
  at = markPart(
    l,
    words.part,
    at,
    (i) => numberAt(line, i, true, lexicon) !== undefined || endOf(lexicon.articles, l.folded, i) !== undefined,
  );
  at = markPast(l, words.about, at, "note");

  // "A 5 cm piece of ginger": one of it, and how long.
  const measured = lexicon.language === "en" ? MEASURED_PIECE.exec(l.folded.slice(at)) : null;
  if (measured) {
    const [all, count = "", size = "", piece = ""] = measured;
    l.mark(at, at + count.length, "amount");
    l.mark(at + all.indexOf(size, count.length), at + all.indexOf(size, count.length) + size.length, "note");
    l.mark(at + all.lastIndexOf(piece), at + all.lastIndexOf(piece) + piece.length, "amount");
    at += all.length;
  }
  // A vague number: "a few sprigs".
  const vague = measured ? undefined : endOf(words.few, l.folded, at);
  let found = vague === undefined && !measured ? amountAt(line, at, true, lexicon) : undefined;
  let amount: ReadAmount | undefined = measured
    ? { amount: Number(/\d+/.exec(measured[1] ?? "")?.[0] ?? 1), unit: measured[3] ?? "piece", range: undefined }
    : found?.value;
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
    (SINGLE.test(l.folded.slice(sizedAt)) ||
      l.past(words.of, skipBlanks(line, sizedAt + single.end - 2)) > skipBlanks(line, sizedAt + single.end - 2))
  ) {
    amount = single.value;
    l.mark(at, sizedAt, "note");
    l.mark(sizedAt, sizedAt + single.end - 2, "amount");
    at = skipBlanks(line, sizedAt + single.end - 2);
  }

  // "A scant teaspoon of saffron": the article was the number of a spoon that is heaped or level.
  if (!amount && lexicon.language === "en" && /\ban? \p{L}+\s*$/iu.test(line.slice(0, at))) {
    const spoon = amountAt(`1 ${line.slice(at)}`, 0, false, lexicon);
    if (spoon && spoon.value.unit !== "piece" && skipBlanks(line, at + spoon.end - 2) < line.length) {
      amount = spoon.value;
      l.mark(at, at + spoon.end - 2, "amount");
      at = skipBlanks(line, at + spoon.end - 2);
    }
  }
  // "2 thumb-sized pieces of ginger": of what, and not in what.
  const pieces = amount && lexicon.language === "en" ? PIECES_OF.exec(l.folded.slice(at)) : null;
  if (pieces) {
    l.mark(at, at + pieces[0].length, "note");
    at += pieces[0].length;
  }
  // "400 ml tin coconut milk", "a 400 g can of beans": what it comes in says nothing of the food.
  const packed = amount && lexicon.language === "en" ? packedIn(l, line, at, amount, lexicon) : undefined;
  if (packed) {
    l.mark(at, packed.amountEnd, "amount");
    l.mark(packed.amountEnd, packed.end, "note");
    amount = packed.amount;
    at = skipBlanks(line, packed.end);
  }
  // "One 3-pound chicken": what each weighs.
  if (amount?.unit === "piece") {
    const each = /^\d[\d.,/]*\s?-\s?\p{L}/u.test(line.slice(at)) ? amountAt(line, at, false, lexicon) : undefined;
    if (each && !each.value.range && quantityOf(each.value).dimension === "mass") {
      l.mark(at, each.end, "also");
      also.push({ amount: each.value.amount, unit: each.value.unit });
      at = skipBlanks(line, each.end);
    }
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

  const counts = amount !== undefined && quantityOf(amount).dimension === "count" && lang !== "en";
  const name = readName(l, at, words, counts);
  at = name.end;
  let asNeeded = name.asNeeded || atWill;
  // What follows the name: notes, wishes, another amount.
  const tail = readTail(l, line, at, words, amount, lexicon);
  asNeeded ||= tail.asNeeded && !amount;
  optional ||= tail.optional;
  if (!amount && tail.amount) amount = tail.amount;
  also.push(...tail.also);
  if (amount && DRINKING_GLASSES.has(fold(amount.unit))) {
    const measured = also.findIndex((a) => quantityOf(a).dimension !== "count");
    const [measure] = measured < 0 ? [] : also.splice(measured, 1, { amount: amount.amount, unit: amount.unit });
    if (measure) amount = { ...measure, range: undefined };
  }

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
  if (amount && /^(?:per|pro|par|por|al) (?:kg|kilo|chilo|lit(?:re|er|ro)|\d)/i.test(note ?? ""))
    doubts.push({ field: "amount", why: `the amount is ${note}` });
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
  if (/:$/.test(text)) return !/\d/.test(text) || led;
  // "For the glaze" alone on its line.
  return /^(?:for (?:the|a)|fur (?:den|die|das)|pour (?:la|le|les)|per (?:la|il|lo|le|i)|para (?:la|el|los|las)) \p{L}[^,;\d]*$/u.test(
    folded,
  );
}

function headingLine(l: IngredientScan, line: string, at: number, words: string): IngredientLine {
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
