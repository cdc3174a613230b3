// What each line of a text is, told from how it looks and from what stands around it: title, yield, headings, ingredients, steps, notes.
import { readIngredient } from "../entry/ingredient-line";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { readStep } from "../entry/step/read";
import { isSurelyFood } from "../foods/match";
import { cutAtHeads } from "./cut-at-heads";
import { type Head, headOf, isLengthOnly, isServesLine, isTimeLine, isTip, mayBeTimeLine, servesIn, withoutPictures } from "./heads";
import { amountsWithin, LEAST_LISTED } from "./inline-ingredients";
import { BULLET, isSentence, looksLikeIngredient, NUMBERED, opensWithVerb } from "./line-looks";
import { inlineList, listBehind, listWithin, partedList, severalIn, signParted, TAKES_MINUTES } from "./lists";
import type { Role, RoledLine, SourceLine } from "./recipe";
import { isSection, type Mode, NUMBER_ALONE, NUMBERED_CAPITALS } from "./section-heads";
import { tableRow } from "./tables";
import { trailingTextAsNotes } from "./trailing-text";

/** The head or foot of a printed page, between two spaces of it: "WINTER MENUS      page 14", "Page 3 of 4". */
const PAGE_MARK =
  /^.{0,60}\s{3,}(?:page|p\.|seite|pagina|p[áa]gina)?\s*\d{1,4}$|^(?:page|seite|pagina|p[áa]gina)\s+\d{1,4}(?:\s*(?:of|von|de|di|sur|\/)\s*\d{1,4})?$/iu;
/** "Cooked chestnuts 150 g": weighed at its end, whatever it begins with. */
const WEIGHED_BEHIND = /^[\p{L}][\p{L}\s,'’-]{2,50}\s\d+(?:[.,]\d+)?\s?(?:g|kg|ml|cl|dl|l|litres?|oz|lb|tbsp|tsp|cups?|el|tl)$/iu;

/** "★★★★☆ (212)", "4.5/5". */
const RATING = /^[★☆⭐\s]+(?:\(?[\d.,/ ]+\)?)?$|^\d(?:[.,]\d)?\s?\/\s?(?:5|10)(?:\s*\(\d+\))?$/u;
const weighs = (part: string, language: Language) =>
  !TAKES_MINUTES.test(part) && !isServesLine(part) && readIngredient(part, language).amount !== undefined;

const A_NIGHT = /\b(?:overnight|night|till (?:the )?morning|fridge)\b/i;
/** "Rub it with 60 ml oil and 2 tsp salt and leave it in the fridge till the morning": work, although no minutes are given. */
const weighsAndWaits = (text: string) => A_NIGHT.test(text) && amountsWithin(text) >= 2;
const FOR_THE = /^(?:for the|für d(?:en|ie|as)|pour l(?:a|e|es)|per (?:il|la|lo)|para (?:el|la))\s\p{L}+$/iu;

/** "Pastry" among the ingredients of a page's data: a heading where its steps say "for the pastry". */
function namesPart(text: string, lines: readonly SourceLine[], language: Language): boolean {
  const name = fold(text.trim());
  if (!/^\p{L}+(?: \p{L}+)?$/u.test(name)) return false;
  const read = readIngredient(text, language);
  if (read.amount || read.asNeeded) return false;
  return lines.some(
    (l) => l.role === "instruction" && new RegExp(`\\b(?:for|make|prepare|to make) the ${name}\\b|^${name}:`).test(fold(l.text)),
  );
}

/** "MASA", in capitals, above an ingredient in lower case. */
const isInCapitals = (text: string, next: SourceLine | undefined): boolean =>
  /^\p{Lu}{3,}(?:[ '’]\p{Lu}+){0,3}$/u.test(text.trim()) && next?.role === "ingredient" && /\p{Ll}/u.test(next.text);

/** Below the steps only what begins like this is no step: "Serves 6", "Makes 24 rolls". */
const YIELD_VERB = /^(?:serves|makes|feeds|yields|ergibt|reicht f[üu]r|donne|(?:pour|per|para) \d+ pers)/i;
const MOST_YIELD_WORDS = 5;

const MOST_READ = 600;
const GREETING = /^(?:hi|hello|hey|dear|hallo|liebe[rs]?|bonjour|salut|ciao|cara|caro|hola|querid[oa])\b/i;

const MAIL_HEAD = /^(?:from|to|cc|date|sent|von|an|gesendet|datum|de|à|envoyé|da|inviato|data|para|enviado|fecha)\s?:\s+\S/i;

/** Whether a paragraph of prose describes work: a verb, and a length of time or several amounts. */
function describesWork(text: string, language: Language): boolean {
  const read = readStep(text.slice(0, MOST_READ), { language });
  return (
    read.verb !== null && (TAKES_MINUTES.test(text) || read.said.minutes || weighsAndWaits(text) || amountsWithin(text) >= LEAST_LISTED)
  );
}

/** "Brine the duck", "Make the roux": headings of a stage are no longer than this. */
const MOST_STAGE_WORDS = 5;
const listsParts = (out: readonly RoledLine[]) => out.some((l) => l.role === "section" && l.among === "ingredients");

type Led = ReturnType<typeof listWithin>;

/** Not an ingredient, not "Dough: 400 g flour, 4 eggs.", and no sentence that says what to do. */
const mayBeTitle = (line: SourceLine, language: Language) =>
  // "It's for about ten people, and you want to start on Wednesday.": a sentence of somebody who talks.
  !(isSentence(line.text.trim()) && /^(?:it|this|that|you|we|i|there)(?:['’]s|['’]re)?\s/i.test(line.text.trim())) &&
  !looksLikeIngredient(line, language) &&
  !(/\.$/.test(line.text.trim()) && opensWithVerb(line.text.trim(), language)) &&
  listWithin(line, language) === undefined;

/** What a page's buttons say: "Jump to Recipe · Print". */
const PAGE_CONTROL =
  /^(?:(?:jump to|print|pin|save|rate|share|scroll to|zum|rezept|aller à|imprimer|partager|stampa|salta alla|imprimir|ir a la)(?: (?:the|this|to|it|la|le))?(?: (?:recipe|video|rezept|springen|drucken|recette|ricetta|receta))*\s*(?:[·|•/–-]\s*|$))+$/iu;
const isBulleted = (line: SourceLine | undefined) => line !== undefined && BULLET.test(line.text.trim());

/** What each line is. Lines that come with a role of their own keep it. */
export function classified(given: readonly SourceLine[], language: Language): RoledLine[] {
  const lines = given.flatMap((l) => (l.role || l.beyond ? [l] : cutAtHeads(l)));
  const out: RoledLine[] = [];
  let mode: Mode = "top";
  let titled = lines.some((l) => l.role === "title");
  const put = (line: { from: number; to: number; text: string }, role: Role, more: Partial<RoledLine> = {}) =>
    out.push({ from: line.from, to: line.to, text: line.text, role, ...more });
  let lastListed: number | undefined;
  /** No list of ingredients stands there or further down. */
  const listless = (from: number): boolean => {
    lastListed ??= lines.findLastIndex(
      (l, at) => headOf(l.text.trim())?.head === "ingredients" || looksLikeIngredient(l, language) || tableRow(lines, at) !== undefined,
    );
    return lastListed < from;
  };
  const heads = lines.map((l) => headOf(l.text.trim())?.head);
  /** The component that has headings "Ingredients" and "Method" of its own. */
  let nested: RoledLine | undefined;
  /** Gives a heading to the component whose name is right above it, where the text has such headings more than once; whether it did. */
  const giveToComponent = (head: Head): boolean => {
    const last = out.at(-1);
    const repeated = (head === "ingredients" || head === "method") && heads.filter((h) => h === head).length >= 2;
    if (last?.role === "section" && repeated) {
      nested = { ...last, among: head, ...(head === "ingredients" ? { whole: true as const } : {}) };
      out[out.length - 1] = nested;
      return true;
    }
    return head === "method" && nested !== undefined && out.findLast((l) => l.role === "section") === nested;
  };
  lines.forEach((line, i) => {
    // Signs alone (a rule of dashes) are nothing.
    if (!/[\p{L}\p{N}]/u.test(line.text)) return;
    if (line.role) {
      // Lists of data have their headings among their lines.
      const heads =
        line.role === "ingredient" &&
        (readIngredient(line.text, language).heading ||
          FOR_THE.test(line.text.trim()) ||
          namesPart(line.text, lines, language) ||
          isInCapitals(line.text, lines[i + 1]));
      if (heads) return put(line, "section", { among: "ingredients" });
      put(line, line.role, line.role === "section" ? { among: nextRole(lines, i) } : {});
      return;
    }
    const text = withoutPictures(line.text.trim());
    if (PAGE_MARK.test(text) || RATING.test(line.text.trim())) return put(line, "note");
    const row = tableRow(lines, i);
    if (row) {
      if (row.is === "serves") return put(row, "serves");
      if (row.is === "head") {
        titled = true;
        // Right below the name of a component it belongs to that component.
        return put(row, out.at(-1)?.role === "section" ? "number" : "list-head");
      }
      if (row.is !== undefined) {
        mode = row.is === "step" ? "method" : "ingredients";
        const among = mode === "method" ? "method" : "ingredients";
        const before = out.findLast((l) => l.role === "section" || l.role === "list-head");
        // The table has a column for the component: another name than in the row before begins another one.
        if (row.part && !(before?.role === "section" && before.text === row.part && before.among === among)) {
          const end = row.from + line.text.slice(row.from - line.from).indexOf(row.part) + row.part.length;
          put({ from: row.from, to: end, text: row.part }, "section", { among, again: true });
          return put({ ...row, from: end }, row.is === "step" ? "instruction" : "ingredient");
        }
        return put(row, row.is === "step" ? "instruction" : "ingredient");
      }
      const below = [i + 1, i + 2].map((at) => tableRow(lines, at));
      // One cell above rows that weigh something: the heading of its part.
      const heads = row.cells === 1 && below.some((b) => b && readIngredient(b.text, language).amount !== undefined);
      if (heads) mode = "ingredients";
      return put(row, heads ? "section" : readIngredient(row.text, language).amount ? "ingredient" : "note", {
        ...(heads ? { among: "ingredients" as const } : {}),
      });
    }
    if (line.beyond) {
      const head = headOf(text);
      if (head) {
        mode = head.head === "method" || head.head === "ingredients" ? "notes" : head.head;
        put(line, "note");
      } else put(line, "note", { ...(mode === "storage" ? { storage: true } : {}) });
      return;
    }
    const next = lines[i + 1];
    const head = headOf(text);
    // "Preparazione: 2 ore" is no method.
    if (head && head.rest !== "" && isLengthOnly(head.rest)) return put(line, "time");
    if (head && (head.rest !== "" || text.length < 60)) {
      if (!titled && i === 0 && head.head === "notes") titled = true;
      mode = head.head;
      if (head.rest === "") return put(line, giveToComponent(head.head) ? "number" : "list-head");
      // "Ingredients: 500 g flour, 2 eggs": the list stands in the line of its heading.
      const cut = line.from + line.text.indexOf(text) + head.restAt;
      put({ from: line.from, to: cut, text: line.text.slice(0, cut - line.from) }, "list-head");
      const rest = { from: cut, to: line.to, text: line.text.slice(cut - line.from) };
      if (mode === "ingredients" && isServesLine(rest.text)) return put(rest, "serves");
      if (mode === "ingredients") {
        for (const { head: named, list } of partedList(rest)) {
          if (named) put(named, "section", { among: "ingredients" });
          for (const part of inlineList(list, language)) put(part, "ingredient");
        }
        return;
      }
      return put(rest, mode === "method" ? "instruction" : "note", mode === "storage" ? { storage: true } : {});
    }
    if (NUMBER_ALONE.test(text) && /\d/.test(text) && next) {
      if (/[a-z]/i.test(text) || mode === "method") {
        mode = "method";
        return put(line, "number");
      }
    }
    const yields = isServesLine(text) && (mode !== "method" || (YIELD_VERB.test(text) && text.split(/\s+/).length <= MOST_YIELD_WORDS));
    if (yields && mode !== "notes") {
      // "CLUB NAME", then "SMOKED DUCK GUMBO" right above the yield: the second is the title.
      const named = out.at(-1);
      if (
        named?.role === "section" &&
        !NUMBERED_CAPITALS.test(named.text.trim()) &&
        !out.some((l) => l.role === "ingredient" || l.role === "instruction")
      ) {
        for (const [n, l] of out.entries()) if (l.role === "title") out[n] = { ...l, role: "description" };
        out[out.length - 1] = { from: named.from, to: named.to, text: named.text, role: "title" };
        titled = true;
      }
      return put(line, "serves");
    }
    if (isTimeLine(text) && mode !== "method" && text.length < 160) return put(line, "time");
    // "Prep 1 hr" beside "Cook 3 hrs" and "Makes 12 pies": labels, and no steps.
    if (mayBeTimeLine(text)) {
      const beside = [lines[i - 1], next].some(
        (l) => l && (isServesLine(l.text.trim()) || (mayBeTimeLine(l.text) && /^\W*prep/i.test(`${text}${l.text}`))),
      );
      if (beside || out.at(-1)?.role === "time") return put(line, "time");
    }
    if (!titled && MAIL_HEAD.test(text)) return put(line, "description");
    if (GREETING.test(text) && lines.length > 3 && mode === "top" && !text.includes(" - ")) return put(line, "description");
    // The first line is the title, whatever number it begins with ("Two-cheese pasties"), unless it weighs something.
    const weighed = readIngredient(text, language).amount;
    const first =
      i === 0 &&
      !BULLET.test(text) &&
      (weighed === undefined || (!/^\d/.test(text) && (weighed.unit === "piece" || servesIn(text) !== undefined)));
    if (!titled && i === 0 && NUMBERED_CAPITALS.test(text)) {
      titled = true;
      mode = "ingredients";
      return put(line, "section", { among: "ingredients" });
    }
    titled ||= out.some((l) => l.role === "ingredient" || l.role === "instruction");
    // What stands above a page's list without weighing anything is a label of the page: "More effort", "Jump to recipe".
    const isLabel =
      mode === "top" &&
      heads.indexOf("ingredients") > i &&
      (PAGE_CONTROL.test(text) || (titled && isBulleted(line) && weighed === undefined));
    if (isLabel) return put(line, "description");
    if (!titled && (first || mayBeTitle(line, language)) && !NUMBERED.test(text) && text.length < 120) {
      titled = true;
      return put(line, "title");
    }
    // The name once more, above its card.
    if (line.hint === "heading" && out.some((l) => l.role === "title" && fold(l.text.trim()) === fold(text))) return put(line, "title");
    if (isTip(text)) return put(line, "note");
    if (mode === "nutrition" || mode === "equipment" || mode === "notes" || mode === "storage") {
      // A heading of a part ends the notes where ingredients or steps follow it.
      if (line.gap && isSection(line, next, mode, language) && next && looksLikeIngredient(next, language) && mode !== "equipment") {
        mode = "ingredients";
        return put(line, "section", { among: "ingredients" });
      }
      return put(line, "note", mode === "storage" ? { storage: true } : {});
    }
    // The first part's name stands right below the head of the list, where it is no food itself.
    const below = out.at(-1)?.role === "list-head" && !isSurelyFood(text);
    // A bare line between two lists with bullets: the heading of the second.
    const betweenLists = isBulleted(lines[i - 1]) && isBulleted(next) && !BULLET.test(text);
    // "Make the roux" between numbered steps: it says what they are for, where the list has parts of its own.
    const betweenSteps = mode === "method" && !NUMBERED.test(text) && next !== undefined && NUMBERED.test(next.text.trim());
    if (
      betweenSteps &&
      text.split(/\s+/).length <= MOST_STAGE_WORDS &&
      !/[.!?\d]/.test(text) &&
      listsParts(out) &&
      opensWithVerb(text, language)
    )
      return put(line, "note");
    if (
      isSection(below || betweenLists ? { ...line, gap: true } : line, next, mode, language, betweenLists) &&
      (mode !== "top" || NUMBERED_CAPITALS.test(text.replace(/\s*\([^()]*\)$/, "")) || !looksLikeIngredient(line, language))
    ) {
      const row = next && tableRow(lines, i + 1);
      const listed = row?.is === "head" ? tableRow(lines, i + 3)?.is === "ingredient" : row?.is === "ingredient";
      const list = next && (listed || looksLikeIngredient(next, language)) && !(mode === "method" && isSentence(next.text));
      const works = next && (NUMBERED.test(next.text.trim()) || isSentence(next.text.trim()) || opensWithVerb(next.text.trim(), language));
      mode = list ? "ingredients" : works || mode === "method" ? "method" : "ingredients";
      return put(line, "section", { among: mode });
    }
    const inside = mode === "method" ? listBehind(line, language) : undefined;
    if (inside) put(inside.before, "instruction");
    let led: Led = listWithin(inside?.list ?? line, language);
    if (led && (mode !== "method" || led.behind !== undefined)) {
      // One list may stand behind another: "For the filling: … For the top: …".
      while (led) {
        const behind: Led = led.behind && listWithin({ ...line, ...led.behind }, language);
        const work = behind ? undefined : led.behind;
        mode = work ? "method" : "ingredients";
        if (led.head.text === "") put(led.head, "list-head");
        else put(led.head, "section", { among: "ingredients", ...(work ? { whole: true as const } : {}) });
        for (const part of led.parts) put(part, "ingredient");
        if (work) put(work, "instruction");
        led = behind;
      }
      return;
    }
    if (mode === "method") {
      const listed =
        !NUMBERED.test(text) &&
        looksLikeIngredient(line, language) &&
        (BULLET.test(text) || line.hint === "item" || /^[\d½¼¾]/u.test(text)) &&
        !opensWithVerb(text, language) &&
        (text.length < 70 || severalIn(line, language).length > 1);
      // A list that follows the method: two lines of it behind a blank one.
      const lists =
        line.gap &&
        next &&
        [line, next].every(
          (l) => looksLikeIngredient(l, language) && readIngredient(l.text, language).amount && !opensWithVerb(l.text.trim(), language),
        );
      if (lists && !NUMBERED.test(text)) {
        mode = "ingredients";
        return put(line, "ingredient");
      }
      const among = out.findLast((l) => l.role !== "note");
      if (listed && (among?.role === "section" || among?.role === "ingredient")) {
        mode = "ingredients";
        return void severalIn(line, language).forEach((part) => put(part, "ingredient"));
      }
      // "x Jo": a word or two at the end that do nothing.
      const idle = text.split(/\s+/).length <= 3 && !/\d|[.!?:]$/.test(text) && !BULLET.test(text) && !opensWithVerb(text, language);
      return put(line, idle ? "note" : "instruction");
    }
    if (line.hint === "numbered" || (NUMBERED.test(text) && !looksLikeIngredient(line, language))) {
      mode = "method";
      return put(line, "instruction");
    }
    const signed = text.split(/\s[•·|]\s/);
    // "1.5 kilos of pluck • 250 g suet • 4 onions": a list between signs, however long its line is.
    if (signed.length >= 3 && signed.filter((part) => weighs(part, language)).length * 2 >= signed.length) {
      mode = "ingredients";
      return void signParted(line).forEach((part) => put(part, "ingredient"));
    }
    if (looksLikeIngredient(line, language) || WEIGHED_BEHIND.test(text)) {
      mode = "ingredients";
      return void severalIn(line, language).forEach((part) => put(part, "ingredient"));
    }
    if (
      mode === "ingredients" &&
      !opensWithVerb(text, language) &&
      text.length < 60 &&
      !isSentence(text) &&
      !line.gap &&
      !TAKES_MINUTES.test(text)
    )
      return put(line, "ingredient");
    // Who talks says what is done in the middle of a line.
    const talked = mode === "top" && listless(i) && describesWork(text, language);
    if (mode === "top" && !opensWithVerb(text, language) && !talked) return put(line, "description");
    if (mode === "top" && listless(i)) {
      mode = "method";
      return put(line, "instruction");
    }
    if (mode === "top") return put(line, "description");
    mode = "method";
    return put(line, "instruction");
  });
  return trailingTextAsNotes(out, lines, language);
}

function nextRole(lines: readonly SourceLine[], from: number): "ingredients" | "method" {
  const next = lines.slice(from + 1).find((l) => l.role === "ingredient" || l.role === "instruction");
  return next?.role === "ingredient" ? "ingredients" : "method";
}
