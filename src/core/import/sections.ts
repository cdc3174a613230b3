// Lines brought together into a recipe: its parts with their ingredients and steps. Where the source does not say which part a line
// belongs to, it is concluded from what the line names, and said to be a guess.

import { findDurations } from "../entry/durations";
import { readIngredient } from "../entry/ingredient-line";
import { languageOf, lexiconOf } from "../entry/lexicon";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { readStep } from "../entry/step/read";
import { classified } from "./classify";
import { isDay } from "./days";
import { isServesLine, isTotal, sectionName, servesIn, yieldIn } from "./heads";
import { withoutIdle } from "./idle-parts";
import { amountsWithin, inlineIngredients, LEAST_LISTED } from "./inline-ingredients";
import { withoutNumber } from "./line-looks";
import { type Aside, RECIPE_LIMITS, type Recipe, type RecipeLine, type RecipeSection, type RoledLine, type Source } from "./recipe";
import { greeted, partNames, titleName } from "./titles";

interface Part {
  name: string;
  headings: RecipeLine[];
  ingredients: RecipeLine[];
  instructions: RecipeLine[];
}

/** The line without the blanks around it; its place is that of its first character. */
function lineOf({ from, to, text }: RoledLine, guess?: string): RecipeLine {
  const lead = text.length - text.trimStart().length;
  return {
    from: from + lead,
    to: Math.max(from + lead, to - (text.length - text.trimEnd().length)),
    text: text.trim(),
    ...(guess ? { guess } : {}),
  };
}

/** Words that tell a part from another: of its name, without the small ones and the verbs of recipes. */
const EMPTY_WORDS = new Set(
  "with make making assemble assembly prepare preparing cook cooking serve serving finish main part the for and und mit den die das des aux les pour avec per con para con los las del della base basic simple quick easy homemade fresh step dish recipe together into".split(
    " ",
  ),
);
export const tellingWords = (name: string): string[] =>
  (fold(name).match(/\p{L}+/gu) ?? []).filter((w) => w.length > 2 && !EMPTY_WORDS.has(w)).map(stem);
/** "Onions", "onion"; "Füllungen", "Füllung": one word, whatever its ending. */
const stem = (word: string) => (word.length > 4 ? word.replace(/(?:ies|es|en|s|n|e)$/, "") : word);
/** Whether a text has a word, in any of its endings. */
export const names = (text: string, words: readonly string[]): boolean => {
  const has = (fold(text).match(/\p{L}+/gu) ?? []).map(stem);
  return words.some(
    (w) => has.includes(w) || (w.length >= 4 && has.some((h) => h.startsWith(w) && h.length - w.length <= (w.length > 4 ? 2 : 1))),
  );
};

/**
 * Headings below which a list and its steps stand together. Where only the last one has steps, they may be those of all lists before it: then
 * it is concluded from their words.
 */
function withOwnSteps(lines: readonly RoledLine[]): ReadonlySet<RoledLine> {
  const heads = lines.flatMap((l, i) => (l.role === "section" || l.role === "list-head" ? [i] : []));
  const both = heads.filter((at, n) => {
    const below = lines.slice(at + 1, heads[n + 1]);
    return lines[at]?.among === "ingredients" && ["ingredient", "instruction"].every((role) => below.some((l) => l.role === role));
  });
  const last = heads.findLast((at) => lines[at]?.role === "section");
  return new Set([...(both.some((at) => at !== last) ? both.map((at) => lines[at] as RoledLine) : []), ...lines.filter((l) => l.whole)]);
}

/** A recipe from a source; undefined where neither ingredients nor steps can be made out. */
export function recipeOf(source: Source, told?: Language): Recipe | undefined {
  const language = told ?? languageOf(source.text);
  const lines: readonly RoledLine[] = ledLines([
    ...classified(
      source.lines.slice(0, RECIPE_LIMITS.lines).map((l) => (l.text.length > RECIPE_LIMITS.text ? { ...l, role: "unread" as const } : l)),
      language,
    ),
    // A text of so many lines is no recipe any more: what stands behind is kept as it is.
    ...source.lines.slice(RECIPE_LIMITS.lines).map((l) => ({ from: l.from, to: l.to, text: l.text, role: "unread" as const })),
  ]);
  if (!isRecipe(lines, language, source.kind)) return undefined;
  const aside: Aside[] = [];
  const listed: Part[] = [];
  const worked: Part[] = [];
  let name = "";
  let serves: number | undefined;
  let pieces = false;
  let yieldText = "";
  let total = source.totalMinutes;
  const partOf = (parts: Part[], title: string, goesOn = false): Part => {
    const again = goesOn ? parts.findIndex((p) => p.name === title) : -1;
    const part: Part = again < 0 ? { name: title, headings: [], ingredients: [], instructions: [] } : (parts.splice(again, 1)[0] as Part);
    parts.push(part);
    return part;
  };
  const own = withOwnSteps(lines);
  // Where the list has parts of its own, days above the steps are none.
  const partsListed = lines.some((l) => l.role === "section" && l.among === "ingredients" && !isDay(l.text));
  /** The title of the section that is being read, where its steps stand below its list. */
  let within: string | undefined;
  for (const line of lines) {
    const text = line.text.trim();
    if (line.role === "list-head") within = undefined;
    switch (line.role) {
      case "ingredient":
        (listed.at(-1) ?? partOf(listed, "")).ingredients.push(lineOf(line));
        break;
      case "instruction":
        if (within !== undefined && worked.at(-1)?.name !== within) partOf(worked, within);
        (worked.at(-1) ?? partOf(worked, "")).instructions.push(lineOf(line));
        break;
      case "section": {
        const title = sectionName(text, language);
        const said = servesIn(text);
        if (said?.serves !== undefined && !said.pieces && /\d/.test(text)) serves ??= said.serves;
        if (partsListed && isDay(text)) {
          aside.push({ ...lineOf(line), role: "note" });
          break;
        }
        within = own.has(line) ? title : undefined;
        // "Onions (can be done 4 days before, fridge)": what its bracket says of keeping is said of the part.
        const bracket = /\s*\([^()]*\)\s*:?\s*$/.exec(line.text);
        const keeps = bracket !== null && readStep(bracket[0].replace(/[():]/g, " ").trim(), { language }).keeps.length > 0;
        const cut = keeps ? line.from + bracket.index : line.to;
        partOf(line.among === "method" ? worked : listed, title, line.again).headings.push(
          lineOf({ ...line, to: cut, text: line.text.slice(0, cut - line.from) }),
        );
        if (keeps) aside.push({ ...lineOf({ ...line, from: cut, text: line.text.slice(cut - line.from) }), role: "note", of: title });
        break;
      }
      default:
        if (line.role === "title") name ||= titleName(text);
        if (line.role === "serves" || line.role === "list-head" || line.role === "title" || line.role === "time") {
          const said = line.role === "serves" ? yieldIn(text) : servesIn(text);
          if (line.role === "serves") yieldText ||= text;
          // What counts people says more than what counts pieces.
          const undecided = serves === undefined || ((pieces || /^\d+$/.test(yieldText)) && !said?.pieces);
          if (said?.serves !== undefined && undecided && !(line.role === "title" && said.pieces)) {
            serves = said.serves;
            pieces = said.pieces;
            yieldText = text;
          }
        }
        if (line.role === "time" && total === undefined && isTotal(text))
          total = findDurations(text, lexiconOf(language)).reduce((n, f) => n + f.value.likely, 0) || undefined;
        aside.push({ ...lineOf(line), role: line.role, ...(line.storage ? { storage: line.storage } : {}) });
    }
  }
  const sections = joined(listed, worked, language);
  if (serves === undefined) {
    // "It keeps a week. Serves twelve." at the end of the work.
    const inSteps = worked
      .flatMap((p) => p.instructions)
      .flatMap((l) => l.text.split(/(?<=[.!?])\s+/))
      .find((t) => isServesLine(t.replace(/[.!?]+$/, "")));
    const said = inSteps === undefined ? undefined : servesIn(inSteps);
    if (said && !said.pieces) serves = said.serves;
  }
  if (serves === undefined) {
    const beside = aside.filter((a) => a.role === "description" || a.role === "note");
    const said = beside.map((a) => servesIn(a.text)).find((s) => s?.serves !== undefined && !s.pieces);
    // "By Ada – makes 6": pieces, where nothing else is counted.
    const made = said ? undefined : beside.find((a) => a.role === "description" && MAKES_AT_END.test(a.text));
    const number = made && servesIn(made.text);
    if (made && number) [yieldText, pieces] = [made.text, number.pieces];
    serves = (said ?? number)?.serves;
  }
  return {
    name: name || greeted(aside) || partNames(sections) || "A recipe without a name",
    language,
    serves,
    yieldText,
    yieldGuessed: pieces,
    totalMinutes: total,
    sections: withoutIdle(inlineIngredients(sections, language), language),
    aside,
    source,
  };
}

/** "By Ada – makes 6". */
const MAKES_AT_END = /(?:[-–—·|,.]|^)\s*(?:makes|yields)\s(?:about )?\d{1,2}[^\d.]{0,24}$/i;

/** Whether lines can be a recipe: a list of at least two, or steps of which one says a time or a heat. Data of a page says so itself. */
function isRecipe(lines: readonly RoledLine[], language: Language, kind: Source["kind"]): boolean {
  const listed = lines.filter((l) => l.role === "ingredient");
  const steps = lines.filter((l) => l.role === "instruction");
  if (kind === "json-ld" || kind === "microdata") return listed.length + steps.length > 0;
  const headed = lines.some((l) => l.role === "list-head") && listed.length + steps.length > 0;
  if (headed || listed.length >= 2 || (listed.length > 0 && steps.length > 0)) return true;
  return steps.some((l) => {
    const read = readStep(l.text.slice(0, 2_000), { language });
    return read.verb !== null && (read.said.minutes || read.said.heat);
  });
}

/** The words of a food, the noun first: the last one in English and German ("red wine"), the first in the others ("vin rouge"). */
function headFirst(name: string, language: Language): string[] {
  const words = tellingWords(name);
  return language === "en" || language === "de" ? words.reverse() : words;
}

/** The parts of the list and the parts of the method, brought together. */
function joined(listed: Part[], worked: Part[], language: Language): RecipeSection[] {
  const parts = worked.filter((p) => p.instructions.length > 0 || p.headings.length > 0);
  const lists = listed.filter((p) => p.ingredients.length > 0 || p.headings.length > 0);
  if (parts.length === 0) return lists.length > 0 ? lists : [];
  const named = lists.filter((l) => l.name !== "");
  // One method for a list of several parts: its steps go to the part that they speak of.
  const its = named.some((l) => fold(l.name) === fold(parts[0]?.name ?? ""));
  if (!its && parts.length === 1 && named.length > 0 && (named.length > 1 || lists.length > 1 || parts[0]?.name === ""))
    return shared(lists, parts[0] as Part, language);
  const done: Part[] = parts.map((p) => ({ ...p, headings: [...p.headings], ingredients: [...p.ingredients] }));
  for (const list of lists) {
    const words = tellingWords(list.name);
    const same =
      list.name === ""
        ? undefined
        : (done.find((p) => fold(p.name) === fold(list.name)) ?? done.find((p) => words.length > 0 && names(p.name, words)));
    if (same) {
      same.headings.unshift(...list.headings);
      same.ingredients.push(...list.ingredients);
      continue;
    }
    if (list.name !== "") {
      // A part that the method's headings do not have: the first whose steps speak of it, or a part of its own.
      const speaks = done.find((p) => p.instructions.some((i) => words.length > 0 && names(i.text.slice(0, 120), words)));
      const guess = `no steps under “${list.name}”; taken with the part that names it`;
      if (speaks) {
        speaks.name ||= list.name;
        speaks.headings.push(...list.headings.map((h) => ({ ...h, guess })));
        speaks.ingredients.push(...list.ingredients.map((i) => ({ ...i, guess })));
      } else done.push({ ...list });
      continue;
    }
    for (const line of list.ingredients) {
      const last = headFirst(readIngredient(line.text, language).name, language);
      const speaks =
        done.length > 1 && last.length > 0
          ? (done.find((p) => p.instructions.some((i) => names(i.text, last.slice(0, 1)))) ??
            done.find((p) => p.instructions.some((i) => names(i.text, last))))
          : undefined;
      const home = speaks ?? (done[0] as Part);
      home.ingredients.push(done.length > 1 ? { ...line, guess: speaks ? "this part names it" : "no part names it" } : line);
    }
  }
  return done;
}

const OPENS_PART =
  /^(?:for|to make|make|start with|begin with|prepare|first,? (?:make|prepare)|fur|zuerst|pour|preparer|preparez|per|preparare|preparate|para|preparar)\s/;

/** A line that begins with the name of what it makes: "Sauce: …", "2. **Filling.** …". */
const LEAD = /^(?:\d{1,2}[.)]\s*|\d{1,2}[:.]\d{2}\s+)?\*{0,2}(\p{L}[\p{L}\s'’-]{1,28})(?:\s*\([^()]{1,24}\))?(?::\*{0,2}|[.]\*{2})\s/u;

/** "For the peaches. Have ready …": the first sentence only names. */
const FOR_LEAD =
  /^((?:for|to make|f[üu]r|pour|per|para) (?:the|d(?:en|ie|as)|l[ae]s?|il|lo|i|le|gli|el|los|las) \p{L}[\p{L}'’]*(?: \p{L}[\p{L}'’]*){0,2})\.\s/iu;

/** "filling - cook …": the same with a dash, among lines that have a colon. */
const DASHED_LEAD = /^(\p{L}[\p{L}'’]*(?: \p{L}[\p{L}'’]*)?)\s+[-–—]\s/u;

/** Words that put the parts together. */
const ASSEMBLES =
  /^(?:assembl|to (?:assemble|serve|finish)|put (?:it|everything|them) (?:all )?together|bring (?:it|everything) together|layer|build the|zusammensetzen|zum (?:servieren|fertigstellen)|anrichten|monter|dresser|pour servir|comporre|assemblare|per servire|montar|emplatar|para servir)/;

const ASSEMBLY =
  /^(?:assembly|to (?:assemble|finish)|putting (?:it )?together|montage|montaje|montar|assemblaggio|zusammenbau|fertigstellung|anrichten)$/;
/** A line that names this many ingredients of a component opens it. */
const LEAST_SHARED = 2;

/** The steps of one method handed to the parts of the list. */
function shared(lists: readonly Part[], method: Part, language: Language): RecipeSection[] {
  const parts: Part[] = lists.map((l) => ({ ...l, instructions: [] }));
  const main: Part = { name: method.name, headings: [...method.headings], ingredients: [], instructions: [] };
  const wordsOf = parts.map((p) => tellingWords(p.name));
  const goods = parts.map((p) => [
    ...new Set(p.ingredients.flatMap((i) => headFirst(readIngredient(i.text, language).name, language).slice(0, 1))),
  ]);
  const assembly = parts.find((p) => ASSEMBLY.test(fold(p.name)));
  let current: Part | undefined;
  let whole = false;
  for (const line of method.instructions) {
    const byName = parts.filter((_, i) => (wordsOf[i] as string[]).length > 0 && names(line.text, wordsOf[i] as string[]));
    // "Preheat the oven. For the filling, …": any sentence of it may name the part.
    const openings = line.text
      .split(/(?<=[.!?])\s+/)
      .map((s) => fold(withoutNumber(s)).slice(0, 80))
      .filter((s) => OPENS_PART.test(s));
    const lead = LEAD.exec(line.text)?.[1];
    const led =
      lead === undefined ? undefined : parts.find((_, i) => (wordsOf[i] as string[]).length > 0 && names(lead, wordsOf[i] as string[]));
    const opened =
      led ?? parts.find((_, i) => (wordsOf[i] as string[]).length > 0 && openings.some((o) => names(o, wordsOf[i] as string[])));
    const counts = parts.map((_, i) => (goods[i] as string[]).filter((w) => names(line.text, [w])).length);
    const most = Math.max(...counts);
    const leaders = parts.filter((_, i) => counts[i] === most);
    // "Melt the butter, stir in the flour, add the stock": the line names most ingredients of a component that has no steps yet.
    const leader = leaders.length === 1 && most >= LEAST_SHARED ? leaders[0] : undefined;
    const begun = leader && leader.instructions.length === 0 && leader !== assembly ? leader : undefined;
    let home: Part | undefined;
    let guess: string | undefined;
    if (opened && (!whole || opened.instructions.length === 0)) home = opened;
    else if (whole) home = assembly ?? byName.find((p) => p.instructions.length === 0) ?? main;
    else if (begun) {
      home = begun;
      guess = `it names ingredients of the ${begun.name.toLowerCase() || "first part"}`;
    } else if (ASSEMBLES.test(fold(withoutNumber(line.text)))) {
      whole = true;
      // "Montaje", "Assembly": the part that is there for it.
      home = assembly ?? byName.find((p) => p.instructions.length === 0);
    } else if (byName.length >= 2) whole = true;
    else if (byName.length === 1 && byName[0] !== current && (byName[0] as Part).instructions.length > 0) whole = true;
    else if (most > 0 && leaders.length === 1) {
      home = leaders[0];
      guess = `it names ingredients of the ${leaders[0]?.name.toLowerCase() || "first part"}`;
    } else if (byName.length === 1) {
      home = byName[0];
      guess = `it names the ${byName[0]?.name.toLowerCase()}`;
    } else {
      home = current ?? parts[0];
      guess = "no part is named; taken with the part before";
    }
    if (whole && !home) home = assembly ?? main;
    const target = home ?? main;
    target.instructions.push(guess ? { ...line, guess } : line);
    current = target;
  }
  // A part without steps of its own gives its ingredients to the one that puts all together.
  const idle = parts.filter((p) => p.instructions.length === 0);
  const working = parts.filter((p) => p.instructions.length > 0);
  const all = [...working, ...(main.instructions.length > 0 || main.headings.length > 0 ? [main] : [])];
  const last = main.instructions.length > 0 ? main : (working.at(-1) ?? main);
  for (const part of idle) {
    const guess = part.name === "" ? "no part names it" : `no steps for “${part.name}” were found`;
    last.ingredients.push(...part.ingredients.map((i) => ({ ...i, guess })));
    last.headings.push(...part.headings.map((h) => ({ ...h, guess })));
  }
  return all.includes(last) ? all : [...all, last];
}

/** "While that's in: …", "Next day: …" say when, and name nothing. */
const SAYS_WHEN =
  /^(?:while|meanwhile|when|once|next|then|after|before|later|first|now|finally|inzwischen|pendant|mentre|mientras|intanto)\b/i;
const leadOf = ({ text }: RoledLine) => {
  const lead = LEAD.exec(text) ?? FOR_LEAD.exec(text) ?? DASHED_LEAD.exec(text);
  return lead && SAYS_WHEN.test(lead[1] ?? "") ? null : lead;
};

/**
 * Prose in which each line begins with what it makes ("trout: brine it …", "pâté: flake …"), and no list: each such line opens a part.
 */
function ledLines(lines: readonly RoledLine[]): RoledLine[] {
  const listed = lines.some((l) => l.role === "ingredient" || l.role === "section");
  const colons = lines.filter((l) => l.role === "instruction" && LEAD.test(l.text) && leadOf(l) && !/^\d/.test(l.text));
  // A dash separates a name from its steps where other lines use a colon, or where the line gives several amounts.
  const led = lines.filter(
    (l) => colons.includes(l) || (l.role === "instruction" && leadOf(l) && (colons.length > 0 || amountsWithin(l.text) >= LEAST_LISTED)),
  );
  // A line that weighs out what it is made of is a part, alone as well.
  const leads = listed || led.length < 2 ? led.filter((l) => amountsWithin(l.text) >= LEAST_LISTED) : led;
  if (leads.length === 0) return [...lines];
  return lines.flatMap((line): RoledLine[] => {
    const lead = leads.includes(line) ? leadOf(line) : null;
    if (!lead) return [line];
    const cut = line.from + lead[0].trimEnd().length;
    return [
      { from: line.from, to: cut, text: line.text.slice(0, cut - line.from), role: "section", among: "method" },
      { ...line, from: cut, text: line.text.slice(cut - line.from) },
    ];
  });
}
