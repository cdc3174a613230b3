// Pages: the text that a reader sees, and the JSON-LD that stands in them. Parsing is htmlparser2's; nothing of a page is ever run.
import { Parser } from "htmlparser2";

const BLOCKS = new Set(
  "p div li ul ol br h1 h2 h3 h4 h5 h6 section article header footer tr td th table dl dt dd blockquote figure figcaption main aside nav form".split(
    " ",
  ),
);
const HIDDEN = new Set(["script", "style", "template", "noscript", "svg", "head", "iframe", "object", "button", "select"]);

/** Whether a text is a page rather than plain text. */
export const isHtml = (text: string): boolean => /<(?:!doctype|html|head|body|script|div|p|li|span|h[1-6])\b/i.test(text.slice(0, 200_000));

/** The text of a piece of HTML, a line a block; entities read, tags gone. */
export function textOfHtml(html: string): string {
  const out: string[] = [];
  let hidden = 0;
  const parser = new Parser({
    onopentag(name) {
      if (HIDDEN.has(name)) hidden++;
      if (BLOCKS.has(name)) out.push("\n");
    },
    ontext(text) {
      if (hidden === 0) out.push(text.replace(/\s+/g, " "));
    },
    onclosetag(name) {
      if (HIDDEN.has(name) && hidden > 0) hidden--;
      if (BLOCKS.has(name)) out.push("\n");
    },
  });
  parser.write(html);
  parser.end();
  return out
    .join("")
    .split("\n")
    .map((l) => l.replace(/\s+/g, " ").trim())
    .filter(Boolean)
    .join("\n");
}

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
  let current: string[] | undefined;
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === "script" && /^application\/ld\+json\b/i.test((attributes.type ?? "").trim())) current = [];
    },
    ontext(text) {
      current?.push(text);
    },
    onclosetag(name) {
      if (name !== "script" || !current) return;
      found.push(current.join(""));
      current = undefined;
    },
  });
  parser.write(html);
  parser.end();
  return found;
}
