// Pages: the text that a reader sees, recipe data in JSON-LD and microdata. Parsing is htmlparser2's; nothing of a page is ever run.
import { parseDocument } from "htmlparser2";

/** As much of the parser's nodes as is looked at. */
interface PageNode {
  readonly type: string;
  readonly name?: string;
  readonly data?: string;
  readonly attribs?: Readonly<Record<string, string>>;
  readonly children?: readonly PageNode[];
}

export interface PageLine {
  readonly text: string;
  readonly hint?: "heading" | "item" | "numbered";
}

/** An element of microdata with the name of its property, in the order of the page. */
interface PageProperty {
  readonly name: string;
  readonly lines: readonly string[];
  readonly value: string | undefined;
}

const BLOCKS = new Set(
  "p div li ul ol br h1 h2 h3 h4 h5 h6 section article header footer tr table dl dt dd blockquote figure figcaption main aside nav form hr summary details body label".split(
    " ",
  ),
);
const HIDDEN = new Set([
  "script",
  "style",
  "template",
  "noscript",
  "svg",
  "head",
  "iframe",
  "object",
  "button",
  "select",
  "nav",
  "form",
  "input",
  "textarea",
  "canvas",
  "video",
  "audio",
]);
/** What surrounds a recipe on its page and is none of it. */
const SURROUNDS =
  /(?:^|[\s_-])(?:comments?|comment-list|respond|reviews?|sidebar|side-bar|nav|navigation|navbar|menu|cookie|cookies|consent|banner|share|sharing|social|related|recommended|newsletter|signup|footer|breadcrumbs?|advert|advertisement|ads?|promo|popup|modal|widget|subscribe|pagination|pager|skip|screen-reader-text|masthead|topbar|jump|print)(?:$|[\s_-])/i;

/** Whether a text is a page rather than plain text. */
export const isHtml = (text: string): boolean =>
  /<(?:!doctype|html|head|body|script|div|p|li|span|h[1-6]|ul|ol|table|article|main|section|br)\b/i.test(text.slice(0, 200_000));

const parsed = (html: string): PageNode => parseDocument(html) as unknown as PageNode;

const textOf = (node: PageNode): string =>
  node.type === "text" ? (node.data ?? "") : HIDDEN.has(node.name ?? "") ? "" : (node.children ?? []).map(textOf).join("");
const linkText = (node: PageNode): number =>
  node.name === "a" ? textOf(node).trim().length : (node.children ?? []).reduce((n, c) => n + linkText(c), 0);

function isSurrounding(node: PageNode): boolean {
  const { name = "", attribs = {} } = node;
  if (HIDDEN.has(name) || name === "footer") return true;
  if (attribs.hidden !== undefined || attribs["aria-hidden"] === "true" || /display\s*:\s*none/i.test(attribs.style ?? "")) return true;
  if (
    /^(?:navigation|search|banner|contentinfo|complementary|dialog|alert)$/.test(attribs.role ?? "") &&
    name !== "main" &&
    name !== "article"
  )
    return true;
  if (name === "body" || name === "html" || name === "main" || name === "article") return false;
  const length = textOf(node).trim().length;
  if (SURROUNDS.test(`${attribs.class ?? ""} ${attribs.id ?? ""}`) && length < 6_000) return true;
  // Mostly links: a menu, a list of other pages.
  const links = linkText(node);
  if (["ul", "div", "aside", "header", "section", "p", "ol"].includes(name) && length > 0 && links / length > 0.6 && links > 8) return true;
  return name === "aside" && links / Math.max(1, length) > 0.3;
}

const LONGEST_BOLD = 48;
/** The lines of a piece of a page, a line a block, without what surrounds the recipe where `bare` is false. */
function linesOfNode(root: PageNode, bare: boolean): PageLine[] {
  const lines: PageLine[] = [];
  let current = "";
  let hint: PageLine["hint"];
  let bold = "";
  let inBold = false;
  const flush = () => {
    const text = current.replace(/\s+/g, " ").trim();
    // A short line all in bold, alone in its paragraph, names what follows: "**The kid**<br>1.5 kg shoulder of kid".
    const heads = text !== "" && text === bold.replace(/\s+/g, " ").trim() && text.length <= LONGEST_BOLD && !/[\d.!?,;]/.test(text);
    const what = hint ?? (heads ? "heading" : undefined);
    if (text !== "") lines.push(what ? { text, hint: what } : { text });
    current = "";
    bold = "";
  };
  const walk = (node: PageNode, list: string): void => {
    if (node.type === "text") {
      const text = (node.data ?? "").replace(/\s+/g, " ");
      current += text;
      if (inBold) bold += text;
      return;
    }
    const name = node.name ?? "";
    if (node.type !== "root" && node.type !== "tag") return;
    if (node.type === "tag" && (bare ? HIDDEN.has(name) : isSurrounding(node))) return;
    const block = BLOCKS.has(name);
    if (block) flush();
    // Cells of a row stand in one line.
    if (name === "td" || name === "th") current += " ";
    const before = hint;
    if (/^h[1-6]$/.test(name) || name === "dt" || name === "summary" || name === "caption") hint = "heading";
    else if (name === "li") hint = list === "ol" ? "numbered" : "item";
    const wasBold = inBold;
    inBold ||= name === "b" || name === "strong";
    for (const child of node.children ?? []) walk(child, name === "ol" || name === "ul" ? name : list);
    inBold = wasBold;
    if (block) flush();
    hint = before;
  };
  walk(root, "");
  flush();
  return lines;
}

/** The part of a page that holds its recipe: its article or main part, where that has most of the text. */
function mainPart(root: PageNode): PageNode {
  const found: PageNode[] = [];
  const walk = (node: PageNode): void => {
    if (node.name === "main" || node.name === "article" || node.attribs?.role === "main") found.push(node);
    for (const child of node.children ?? []) walk(child);
  };
  walk(root);
  const longest = found.sort((a, b) => textOf(b).length - textOf(a).length)[0];
  const whole = textOf(root).length;
  return longest && textOf(longest).length > whole * 0.3 ? longest : root;
}

/** The readable lines of a page: its title, its recipe, its notes; no menus, forms, comments of visitors. */
export function readableLines(html: string): PageLine[] {
  const root = parsed(html);
  const part = mainPart(root);
  const lines = linesOfNode(part, false);
  // A title that stands outside the article.
  const title = part === root ? undefined : linesOfNode(root, false).find((l) => l.hint === "heading");
  return title && !lines.some((l) => l.text === title.text) && !lines.some((l, i) => i < 3 && l.hint === "heading")
    ? [title, ...lines]
    : lines;
}

/** The text of a piece of HTML, a line a block; entities read, tags gone. */
export function textOfHtml(html: string): string {
  return linesOfNode(parsed(html), true)
    .map((l) => l.text)
    .join("\n");
}

/** The lines of a piece of HTML with what they are: headings, items of lists. */
export const headedLines = (html: string): PageLine[] => linesOfNode(parsed(html), true);

/** One line of text from a field that may hold HTML or entities. */
export function plainText(value: string): string {
  // Some pages escape their markup once more: what is read may be markup still.
  let text = value;
  for (let i = 0; i < 3 && /<[a-z/!]|&[a-z#]/i.test(text); i++) text = textOfHtml(text).replaceAll("\n", " ");
  return sound(text).replace(/\s+/g, " ").trim();
}

/** A text without characters that nothing can keep: control characters other than breaks, halves of pairs. */
export function sound(text: string): string {
  return text.replace(/[^\P{Cc}\n\r\t]+/gu, " ").toWellFormed();
}

/** The contents of the JSON-LD scripts of a page, in their order. */
export function jsonLdOf(html: string): string[] {
  const found: string[] = [];
  const walk = (node: PageNode): void => {
    if (node.type === "script" && /^application\/ld\+json\b/i.test((node.attribs?.type ?? "").trim()))
      found.push((node.children ?? []).map((c) => c.data ?? "").join(""));
    for (const child of node.children ?? []) walk(child);
  };
  walk(parsed(html));
  return found;
}

/** The properties of the first recipe in microdata, in the order of the page; none where there is no such recipe. */
export function microdataOf(html: string): PageProperty[] {
  let recipe: PageNode | undefined;
  const find = (node: PageNode): void => {
    if (recipe) return;
    if (node.attribs?.itemscope !== undefined && /schema\.org\/Recipe$/i.test(node.attribs.itemtype ?? "")) recipe = node;
    else for (const child of node.children ?? []) find(child);
  };
  find(parsed(html));
  const found: PageProperty[] = [];
  const walk = (node: PageNode): void => {
    for (const child of node.children ?? []) {
      const property = child.attribs?.itemprop;
      const scoped = child.attribs?.itemscope !== undefined;
      if (property) {
        const lines = linesOfNode(child, true).map((l) => l.text);
        for (const name of property.split(/\s+/)) found.push({ name, lines, value: child.attribs?.content ?? child.attribs?.datetime });
        // Steps and sections are items of their own: their text is read with their property.
        continue;
      }
      // Headings between the properties name the parts of the recipe.
      if (/^h[2-6]$|^dt$/.test(child.name ?? "")) {
        const lines = linesOfNode(child, true).map((l) => l.text);
        if (lines.length > 0) found.push({ name: "heading", lines, value: undefined });
        continue;
      }
      // Another thing on the page (a review, a person) is none of the recipe.
      if (!scoped) walk(child);
    }
  };
  if (recipe) walk(recipe);
  return found;
}
