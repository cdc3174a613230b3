// schema.org Recipe in JSON-LD, in the shapes that pages have: alone, in a list, in a graph, nested; types as text or list; yields as
// text, number or list; instructions as one text, a list of texts, HowToStep, HowToSection.
// Only own properties of known names are read, so that no odd key of a hostile file means anything.

import { LIMITS, readJson } from "../dish/read";
import { headedLines, isHtml, plainText, sound, textOfHtml } from "./html";
import { isoMinutes } from "./iso-duration";
import { RECIPE_LIMITS, type Role } from "./recipe";

type Node = Record<string, unknown>;
const isNode = (value: unknown): value is Node => typeof value === "object" && value !== null && !Array.isArray(value);
const own = (node: Node, key: string): unknown => (Object.hasOwn(node, key) ? node[key] : undefined);
const listOf = (value: unknown): readonly unknown[] =>
  value === undefined || value === null ? [] : Array.isArray(value) ? value : [value];
const short = (text: string) => text.slice(0, RECIPE_LIMITS.text);

const typesOf = (node: Node): readonly string[] =>
  listOf(own(node, "@type"))
    .filter((t): t is string => typeof t === "string")
    .map((t) => t.replace(/^https?:\/\/schema\.org\//i, "").toLowerCase());

/** JSON as pages have it: comments around it, raw line breaks in texts, commas too many. */
export function looseJson(source: string): unknown {
  const trimmed = source
    .trim()
    .replace(/^(?:<!--|\/\/\s*<!\[CDATA\[|<!\[CDATA\[)/, "")
    .replace(/(?:-->|\/\/\s*\]\]>|\]\]>)\s*;?$/, "")
    .replace(/;\s*$/, "")
    .trim();
  const first = readJson(trimmed);
  if (first.status === "read") return first.value;
  const mended = readJson(trimmed.replace(/\p{Cc}+/gu, " ").replace(/,(\s*[\]}])/g, "$1"));
  return mended.status === "read" ? mended.value : undefined;
}

/** All recipe nodes of a value, wherever they stand. */
export function recipeNodes(root: unknown): Node[] {
  const found: Node[] = [];
  const seen = new Set<unknown>();
  const walk = (value: unknown, depth: number): void => {
    if (depth > LIMITS.depth || found.length >= RECIPE_LIMITS.recipes || seen.has(value)) return;
    if (Array.isArray(value)) {
      seen.add(value);
      for (const v of value.slice(0, 2000)) walk(v, depth + 1);
      return;
    }
    if (!isNode(value)) return;
    seen.add(value);
    if (typesOf(value).includes("recipe")) {
      found.push(value);
      return;
    }
    for (const key of Object.keys(value).slice(0, 200)) walk(own(value, key), depth + 1);
  };
  walk(root, 0);
  return found;
}

/** The text of a field that may be a text, a number, a list or a node with a text in it. */
function textIn(value: unknown): string {
  if (typeof value === "string") return short(plainText(value));
  if (typeof value === "number" && Number.isFinite(value)) return String(value);
  if (Array.isArray(value)) return textIn(value.find((v) => textIn(v) !== ""));
  if (!isNode(value)) return "";
  for (const key of ["text", "@value", "name", "description", "itemListElement"]) {
    const text = textIn(own(value, key));
    if (text) return text;
  }
  return "";
}

/** A text of a recipe's own field, and what it is. */
export interface NodeLine {
  readonly text: string;
  readonly role: Role;
  /** Minutes in all, or of a part (preparing, cooking), where it is a time. */
  readonly total?: number;
  readonly part?: number;
}

const textsIn = (value: unknown): string[] =>
  listOf(value)
    .map((v) => {
      if (isNode(v) && (own(v, "value") !== undefined || own(v, "minValue") !== undefined))
        return `${textIn(own(v, "value") ?? own(v, "minValue"))} ${textIn(own(v, "unitText"))}`.trim();
      return textIn(v);
    })
    .filter(Boolean);

/** One text of instructions or ingredients as its paragraphs. */
function paragraphsOf(value: string): string[] {
  const text = isHtml(value) || /[<&]/.test(value) ? textOfHtml(value) : value;
  return text
    .split(/\r?\n+|(?<=[.!?])\s+(?=(?:step\s*)?\d{1,2}[.)]\s+\S)/i)
    .map((l) => short(sound(l).replace(/\s+/g, " ").trim()))
    .filter(Boolean);
}

/** Instructions in their order, section names among them. */
function instructionLines(value: unknown): NodeLine[] {
  const lines: NodeLine[] = [];
  const put = (text: string, role: Role = "instruction") => {
    if (text && lines.length < RECIPE_LIMITS.lines) lines.push({ text, role });
  };
  const walk = (v: unknown, depth: number): void => {
    if (depth > 12) return;
    if (typeof v === "string") {
      if (!/<h[1-6]\b/i.test(v)) return paragraphsOf(v).forEach((l) => put(l));
      // Instructions as one piece of a page: its headings name the parts.
      for (const line of headedLines(v))
        if (line.hint === "heading") put(short(sound(line.text)), "section");
        else for (const paragraph of paragraphsOf(line.text)) put(paragraph);
      return;
    }
    if (Array.isArray(v)) return v.slice(0, RECIPE_LIMITS.lines).forEach((each) => walk(each, depth + 1));
    if (!isNode(v)) return;
    if (typesOf(v).includes("howtosection")) {
      put(textIn(own(v, "name")), "section");
      walk(own(v, "itemListElement") ?? own(v, "steps") ?? own(v, "text"), depth + 1);
      return;
    }
    const inner = own(v, "itemListElement") ?? own(v, "item");
    const whole = own(v, "text");
    if (typeof whole === "string" && textIn(whole)) {
      const title = textIn(own(v, "name"));
      const [first = "", ...rest] = paragraphsOf(whole);
      const named =
        title && !first.toLowerCase().startsWith(title.toLowerCase().slice(0, 20)) && title.length < 60 && !/^step \d+$/i.test(title);
      put(named ? `${title}: ${first}` : first);
      for (const line of rest) put(line);
      return;
    }
    if (inner !== undefined) return walk(inner, depth + 1);
    put(textIn(own(v, "name")) || textIn(own(v, "description")));
  };
  walk(value, 0);
  return lines;
}

/** The texts and numbers of a recipe's own fields, in order, a line each. */
export function linesOfNode(node: Node): NodeLine[] {
  const lines: NodeLine[] = [];
  const put = (texts: readonly string[], role: Role) => lines.push(...texts.map((text) => ({ text, role })));
  const title = textIn(own(node, "name") ?? own(node, "headline"));
  if (title) put([title], "title");
  const description = own(node, "description");
  put(typeof description === "string" ? paragraphsOf(description) : [textIn(description)].filter(Boolean), "description");
  put([...new Set(textsIn(own(node, "recipeYield") ?? own(node, "yield")))], "serves");
  for (const key of ["prepTime", "cookTime", "totalTime"]) {
    const value = own(node, key);
    const written =
      typeof value === "string" ? value : isNode(value) ? textIn(own(value, "@value") ?? own(value, "value") ?? own(value, "name")) : "";
    if (!written) continue;
    const minutes = isoMinutes(written);
    lines.push({
      text: short(sound(written)),
      role: "time",
      ...(minutes !== undefined ? (key === "totalTime" ? { total: minutes } : { part: minutes }) : {}),
    });
  }
  put(
    listOf(own(node, "recipeIngredient") ?? own(node, "ingredients") ?? own(node, "supply"))
      .flatMap((v) => (typeof v === "string" ? paragraphsOf(v) : [textIn(v)]))
      .filter(Boolean)
      .slice(0, RECIPE_LIMITS.lines),
    "ingredient",
  );
  lines.push(
    ...instructionLines(
      own(node, "recipeInstructions") ?? own(node, "instructions") ?? own(node, "directions") ?? own(node, "method") ?? own(node, "step"),
    ),
  );
  for (const key of ["recipeNotes", "notes", "note", "tips", "storage"])
    put(
      listOf(own(node, key)).flatMap((v) => (typeof v === "string" ? paragraphsOf(v) : textsIn(v))),
      "note",
    );
  const tools = listOf(own(node, "tool")).map(textIn).filter(Boolean);
  if (tools.length > 0) put([`Tools: ${tools.join(", ")}`], "note");
  return lines;
}
