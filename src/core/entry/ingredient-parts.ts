// Parts of an ingredient line: the same amount in other units, the name, what stands behind it.
import { quantityOf } from "../dish/units";
import { amountAt, type ReadAmount } from "./amounts";
import type { IngredientScan } from "./ingredient-scan";
import type { lexiconOf } from "./lexicon";
import type { INGREDIENT_WORDS } from "./lexicon/ingredient-words";
import { numberAt } from "./numbers";
import { endOf, skipBlanks } from "./patterns";

/** How a name ends: a comma that is none of a number, a bracket, a dash between blanks, a semicolon. */
const NAME_END = /,(?!\d)|\(|;|\s[-–—]\s|\[|\s\/\s|\*|:\s/u;

/** "/2 lb 4 oz", "(1 cup)", "or 1 cup", "= 200 g" behind an amount. */
export function readAlso(
  l: IngredientScan,
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

/** What may lead to the same amount again: a bracket, a slash or a comma, and "about". */
const ABOUT_AGAIN = /[(/,]\s*(?:(?:about|approx\.?|ca\.?|circa|environ|env\.?|etwa|unos|unas|around) )?$/i;

/** Whether one amount counts what the other weighs. */
const weighs = (counted: ReadAmount, weight: ReadAmount) =>
  quantityOf(counted).dimension === "count" && quantityOf(weight).dimension !== "count";

interface NameEnd {
  readonly end: number;
  readonly asNeeded: boolean;
}

/**
 * The name: up to a comma, a bracket, or words of another kind.
 * @param sized whether a size may stand behind it
 */
export function readName(l: IngredientScan, from: number, words: (typeof INGREDIENT_WORDS)["en"], sized = false): NameEnd {
  const { folded } = l;
  let end = l.text.length;
  let asNeeded = false;
  const mark = NAME_END.exec(l.text.slice(from));
  if (mark) end = from + mark.index;
  for (let i = from + 1; i < end; i++) {
    if (!/\s/.test(folded.charAt(i - 1)) || /\s/.test(folded.charAt(i))) continue;
    const wish = endOf(words.asNeeded, folded, i);
    const more = endOf(words.plusMore, folded, i) ?? (/^\+\s+\p{L}/u.test(folded.slice(i)) ? i + 1 : undefined);
    const optional = endOf(words.optional, folded, i);
    // "3 uova grandi", "2 cebollas medianas": the size stands behind.
    const size =
      sized && !/^(?:fresc|frais|frisch|bio|matur|madur|mur|reif)/.test(folded.slice(i)) ? endOf(words.size, folded, i) : undefined;
    const prepared = endOf(words.prepared, folded, i);
    const lasts =
      (prepared !== undefined &&
        (skipBlanks(folded, prepared) >= end ||
          /^(?:and|und|et|e|y|for|into|in |with |lengthw|crossw|finely|coarsely|thinly|,|\()/.test(
            folded.slice(skipBlanks(folded, prepared)),
          ))) ||
      (size !== undefined && (skipBlanks(folded, size) >= end || endOf(words.prepared, folded, skipBlanks(folded, size)) !== undefined));
    if (wish !== undefined || more !== undefined || optional !== undefined || lasts) {
      if (wish !== undefined) asNeeded = true;
      end = i;
      break;
    }
    if (
      /^\d+(?:[.,]\d+)?\s?%/.test(folded.slice(i)) ||
      /^(?:for (?:the|a|later|dusting)|the size of|(?:per|pro|par|por|al) (?:kg|kilo|chilo|lit(?:re|er|ro)|\d)|such as|e\.g\.|cut into|weighing|about \d|plus \d|approx|ca\.? \d|from step|see (?:recipe|note|page|above)|left (?:over|whole)|at room temp|with (?:skin|bones?|fat|rind|their|its)|without|in (?:chunks|pieces|cubes|strips|one piece|brine|oil|syrup|juice|their|its|thin|thick)|fur (?:die|den|das)|pour (?:la|le|les)|per (?:la|il|lo)|para (?:el|la))\b/.test(
        folded.slice(i),
      )
    ) {
      end = i;
      break;
    }
  }
  l.mark(from, end, "name");
  // "Extra flour for dusting".
  const extra = asNeeded ? /^(?:some )?(?:extra|more|a little(?: more| extra)?)\s+(?=\p{L})/u.exec(folded.slice(from)) : null;
  if (extra) l.mark(from, from + extra[0].length, "note");
  // The name has no article at its head.
  const article = /^(?:the|a|an|some|etwas|le|la|les|du|de la|des|il|lo|el)\s+(?=\p{L})/u.exec(folded.slice(from));
  if (article && /^(?:the|some|a|an|etwas|du|de la|des)/.test(article[0])) l.mark(from, from + article[0].length, "join");
  return { end, asNeeded };
}

/** "Tuorli 8", "Red onion 2": how many stands at the end; a grade ("flour type 55", "farina 00") is none. */
const COUNTED_BEHIND =
  /^(?!\s*(?:days?|tage?|jours?|giorn[oi]|d[ií]as?|steps?|parts?|stage|phase|mise|type|typ|size|page|schritt|teil|[ée]tape|partie|fase|parte|pas{1,2}o|gas|mark|chapter|serves|makes|for|no|nr|n)\b)\s*\p{L}[\p{L}'’-]*(?: \p{L}[\p{L}'’-]*){0,3} (?:[1-9]|[12]\d)\s*$/iu;

/** What stands behind the name: notes, "optional", "to taste", an amount of its own ("Butter: 200 g", "flour 500 g"). */
export function readTail(
  l: IngredientScan,
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
      const counts = there.value.unit !== "piece" || /[:–—-]\s*$/.test(before) || (last >= line.length && COUNTED_BEHIND.test(line));
      if (!closes || !counts || !/\p{L}/u.test(before)) continue;
      behind = there.value;
      for (let j = 0; j < there.end; j++) if (l.marks[j] === undefined) l.mark(j, j + 1, "join");
      // The name ends before it; its colon or dash joins.
      const sep = /[\s:–—(,-]+$/.exec(before);
      if (sep) l.mark(i - sep[0].length, i, "join");
      l.mark(i, there.end, "amount");
      break;
    }
  }
  if (!amount && !behind) behind = inWords(l, line, from, words, lexicon);
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
      const again = amount && wordStart && ABOUT_AGAIN.test(line.slice(0, i)) ? amountAt(line, i, false, lexicon) : undefined;
      // "1 duck, about 2.2 kg, giblets reserved": what one that is counted weighs.
      const weighed = again && amount && /[,]/.test(ABOUT_AGAIN.exec(line.slice(0, i))?.[0] ?? "");
      const closed =
        again &&
        (weighed ? /^\s*(?:$|,)/.test(line.slice(again.end)) && weighs(amount, again.value) : /^\s*[)/]/.test(line.slice(again.end)));
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

/** "Dill, a large bunch", "alder chips, two handfuls": an amount in words behind the name. */
function inWords(
  l: IngredientScan,
  line: string,
  from: number,
  words: (typeof INGREDIENT_WORDS)["en"],
  lexicon: ReturnType<typeof lexiconOf>,
): ReadAmount | undefined {
  const comma = /^\s*(?:,|[-–—](?=\s))\s*/u.exec(line.slice(from));
  if (!comma) return undefined;
  const at = from + comma[0].length;
  const number = numberAt(line, at, true, lexicon);
  if (!number) return undefined;
  const unitAt = l.past(words.size, skipBlanks(line, number.end));
  const piece = amountAt(`1 ${line.slice(unitAt)}`, 0, false, lexicon);
  const end = piece ? unitAt + piece.end - 2 : unitAt;
  // "Duck legs, 4 large", "egg yolks, 2".
  const counted = piece?.value.unit === "piece" && /^\d/.test(line.slice(at)) && /^\s*(?:$|,|\()/.test(line.slice(unitAt));
  if (counted) {
    l.mark(from, at, "join");
    l.mark(at, number.end, "amount");
    l.mark(number.end, unitAt, "note");
    return { amount: number.value, unit: "piece", range: undefined };
  }
  if (!piece || piece.value.unit === "piece" || !/^\s*(?:$|,|\()/.test(line.slice(end))) return undefined;
  l.mark(from, at, "join");
  l.mark(at, number.end, "amount");
  l.mark(number.end, unitAt, "note");
  l.mark(unitAt, end, "amount");
  return { ...piece.value, amount: number.value * piece.value.amount };
}
