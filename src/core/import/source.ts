// A file as one text with its lines: of plain text the file itself; of a page with recipe data its fields, a line each, and what the page
// says beyond them; of a page without data what a reader sees of it. All offsets of the accounting count in this text.
import { fold } from "../entry/lexicon/fold";
import { headOf } from "./heads";
import { isHtml, jsonLdOf, microdataOf, type PageLine, readableLines, sound } from "./html";
import { isoMinutes } from "./iso-duration";
import { linesOfNode, looseJson, type NodeLine, recipeNodes } from "./json-ld";
import type { Role, Source, SourceKind, SourceLine } from "./recipe";

interface LineDraft {
  readonly text: string;
  readonly role?: Role;
  readonly hint?: PageLine["hint"];
  readonly beyond?: true;
  readonly gap?: boolean;
}

function sourceOf(kind: SourceKind, drafts: readonly LineDraft[], more: Pick<Source, "totalMinutes"> = {}): Source {
  const lines: SourceLine[] = [];
  let text = "";
  for (const draft of drafts) {
    const clean = draft.text.replace(/[\r\n]+/g, " ");
    const from = text.length;
    lines.push({
      from,
      to: from + clean.length,
      text: clean,
      ...(draft.role ? { role: draft.role } : {}),
      ...(draft.hint ? { hint: draft.hint } : {}),
      ...(draft.beyond ? { beyond: true as const } : {}),
      gap: draft.gap ?? false,
    });
    text += `${clean}\n`;
  }
  return { kind, text, lines, ...more };
}

/** "[12/10/2026, 18:02] Jo: ", "12.10.26, 18:02 - Jo: ": who said it in a chat, and when. */
const SAID_IN_CHAT = /^\[?\d{1,2}[./-]\d{1,2}[./-]\d{2,4},? \d{1,2}[:.]\d{2}(?::\d{2})?(?: ?[ap]m)?\]?\s*(?:[-–]\s*)?[^:\d]{1,30}:\s+/iu;
const QUOTED = /^(?:\s*>)+ ?/;
/** Of its lines so many are quoted: some are the sender's own. */
const MOSTLY = 0.6;

/** A plain text: its own lines. */
export function textSource(file: string): Source {
  const text = file.replace(/^\uFEFF/, "").replace(/\r\n?/g, "\n");
  const lines: SourceLine[] = [];
  let at = 0;
  let gap = false;
  const raw = text.split("\n");
  const written = raw.filter((l) => l.trim() !== "");
  // A mail that was sent on has a mark before each line.
  const isQuoted = written.length > 2 && written.filter((l) => QUOTED.test(l)).length >= MOSTLY * written.length;
  const isChat = written.length > 2 && written.filter((l) => SAID_IN_CHAT.test(l)).length >= MOSTLY * written.length;
  for (const line of raw) {
    const mark = isQuoted ? (QUOTED.exec(line)?.[0].length ?? 0) : isChat ? (SAID_IN_CHAT.exec(line)?.[0].length ?? 0) : 0;
    const own = line.slice(mark);
    if (own.trim() === "") gap = true;
    else {
      lines.push({ from: at + mark, to: at + line.length, text: own, gap });
      gap = false;
    }
    at += line.length + 1;
  }
  return { kind: "text", text, lines: withoutWraps(lines) };
}

/** Letters by which lines of one width may fall short of it. */
const SLACK = 14;
/** The width to which the paragraph is filled that begins there: that of its longest line, if half of its lines reach it; infinite where none is. */
function widthOf(lines: readonly SourceLine[], from: number): number {
  const lengths: number[] = [];
  for (let i = from; i < lines.length && (i === from || !lines[i]?.gap); i++) lengths.push(lines[i]?.text.trimEnd().length ?? 0);
  const width = Math.max(...lengths);
  // The last one ends where the paragraph does.
  const full = lengths.slice(0, -1).filter((n) => n >= width - SLACK).length;
  return 2 * full >= lengths.length - 1 ? width : Number.POSITIVE_INFINITY;
}

/** Lines that only end because the page was narrow, joined again: the next goes on in lower case. */
function withoutWraps(lines: readonly SourceLine[]): SourceLine[] {
  const long = lines.filter((l) => l.text.trimEnd().length > 55).length;
  if (long < 2) return [...lines];
  const joined: SourceLine[] = [];
  let widest = 0;
  for (const [i, line] of lines.entries()) {
    // As wide as the paragraph that it stands in: where the next word would have had room, the line was ended on purpose.
    if (line.gap || i === 0) widest = widthOf(lines, i);
    const before = lines[i - 1];
    const hadRoom =
      before !== undefined && before.text.trimEnd().length + 1 + (/^\s*\S+/.exec(line.text)?.[0].trim().length ?? 0) <= widest - SLACK;
    const last = joined.at(-1);
    const goesOn =
      last &&
      !line.gap &&
      !hadRoom &&
      (/^\s*\p{Ll}/u.test(line.text) || (/,\s*$/.test(last.text) && /^\s*\d/.test(line.text))) &&
      last.text.trimEnd().length > 45 &&
      !/[.!?:]\s*$/.test(last.text) &&
      !/^\s*(?:[-–•*]|\d{1,2}[.)]\s|\p{L}+(?: \p{L}+)?:\s+\d)/u.test(line.text);
    // Signs that were left out between them (the mark of a quoted mail) are blanks, so that places within it stay true.
    const left = last ? Math.max(0, line.from - (last.from + last.text.length) - 1) : 0;
    if (last && goesOn) joined[joined.length - 1] = { ...last, to: line.to, text: `${last.text}\n${" ".repeat(left)}${line.text}` };
    else joined.push(line);
  }
  return joined;
}

/** Words of a line, to tell whether a page says it again. */
const wordsOf = (text: string): string[] => fold(text).match(/[\p{L}\p{N}½¼¾⅓⅔]+/gu) ?? [];

/** What the readable part of a page says beyond its data: lines whose words the data does not have already. */
function beyondData(html: string, data: readonly LineDraft[]): LineDraft[] {
  const said = data.map((d) => wordsOf(d.text));
  const all = ` ${said.map((w) => w.join(" ")).join(" ")} `;
  const known = new Set(said.flat());
  return readableLines(html)
    .filter(({ text }) => {
      const words = wordsOf(text);
      if (words.length === 0) return false;
      if (all.includes(` ${words.join(" ")} `)) return false;
      // The same said a little differently: nearly all its words stand in one line of the data.
      const same = said.some(
        (line) => words.filter((w) => line.includes(w)).length >= words.length * 0.7 && line.length <= words.length * 2.5 + 3,
      );
      const heading = words.length <= 4 && words.every((w) => known.has(w));
      return !same && !heading;
    })
    .map(({ text }) => ({ text, beyond: true as const }));
}

function dataSource(kind: SourceKind, data: readonly NodeLine[], html: string | undefined): Source {
  const drafts: LineDraft[] = data.map(({ text, role }) => ({ text: text === "" ? " " : text, role }));
  const total =
    data.find((d) => d.total !== undefined)?.total ??
    (data.some((d) => d.part !== undefined) ? data.reduce((n, d) => n + (d.part ?? 0), 0) : undefined);
  return sourceOf(kind, [...drafts, ...(html === undefined ? [] : beyondData(html, drafts))], {
    ...(total !== undefined ? { totalMinutes: total } : {}),
  });
}

/** Microdata's property names and what they are. */
const MICRODATA: Readonly<Record<string, Role>> = {
  name: "title",
  recipeingredient: "ingredient",
  ingredients: "ingredient",
  ingredient: "ingredient",
  recipeinstructions: "instruction",
  instructions: "instruction",
  recipeyield: "serves",
  yield: "serves",
  description: "description",
  preptime: "time",
  cooktime: "time",
  totaltime: "time",
  nutrition: "note",
  recipenotes: "note",
};

function microdataSource(html: string): Source | undefined {
  const properties = microdataOf(html);
  const lines: NodeLine[] = [];
  properties.forEach(({ name, lines: texts, value }, i) => {
    if (name === "heading") {
      // "Ingredients" is no part; "Dumplings" above a list or above steps is one.
      const next = MICRODATA[properties[i + 1]?.name.toLowerCase() ?? ""];
      if ((next === "ingredient" || next === "instruction") && !headOf(texts[0] ?? ""))
        lines.push({ text: sound(texts.join(" ")), role: "section" });
      return;
    }
    const role = MICRODATA[name.toLowerCase()];
    if (!role || (role === "title" && lines.some((l) => l.role === "title"))) return;
    const said = texts.length > 0 ? texts : value ? [value] : [];
    const minutes = role === "time" && value ? isoMinutes(value) : undefined;
    said.forEach((text, n) =>
      lines.push({
        text: sound(text),
        role,
        ...(minutes !== undefined && n === 0 ? (name.toLowerCase() === "totaltime" ? { total: minutes } : { part: minutes }) : {}),
      }),
    );
  });
  if (!lines.some((l) => l.role === "ingredient" || l.role === "instruction")) return undefined;
  return dataSource("microdata", lines, html);
}

/**
 * The recipes of a file, each as a text with its lines: one of a plain text, as many as a page's data has.
 * @param file at most 8 MB
 */
export function sourcesOf(file: string): Source[] {
  const text = file.replace(/^\uFEFF/, "");
  const json = /^\s*[[{]/.test(text) ? looseJson(text) : undefined;
  if (json !== undefined) {
    const nodes = recipeNodes(json).map(linesOfNode).filter(hasRecipe);
    return nodes.length > 0 ? nodes.map((n) => dataSource("json-ld", n, undefined)) : [textSource(text)];
  }
  if (!isHtml(text)) return [textSource(text)];
  const nodes = jsonLdOf(text)
    .map(looseJson)
    .flatMap((v) => recipeNodes(v))
    .map(linesOfNode)
    .filter(hasRecipe);
  if (nodes.length > 0) return nodes.map((n, i) => dataSource("json-ld", n, i === 0 ? text : undefined));
  const micro = microdataSource(text);
  if (micro) return [micro];
  let heading = false;
  return [
    sourceOf(
      "html",
      readableLines(text).map((l) => {
        const gap = heading || l.hint === "heading";
        heading = false;
        return { text: sound(l.text), ...(l.hint ? { hint: l.hint } : {}), gap };
      }),
    ),
  ];
}

const hasRecipe = (lines: readonly NodeLine[]) => lines.some((l) => l.role === "ingredient" || l.role === "instruction");
