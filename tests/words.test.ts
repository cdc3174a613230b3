// How Rondeau speaks: no string of a screen, a message or a file that it writes has one of the old turns of phrase. docs/words.md has the terms.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";

const root = path.join(import.meta.dirname, "..");
const sources = (folder: string): string[] =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f))
    .map((f) => path.join(folder, f))
    .sort();

/** Phrases that nobody says today, and the one that is said instead. */
const OLD: readonly (readonly [RegExp, string])[] = [
  [/\breckon(?:ed|ing|s|able)?\b/i, "calculate, estimate"],
  [/\bunsaid\b/i, "open questions"],
  [/\bput (?:it |this )?aside\b/i, "skip"],
  [/\btak(?:e|en|es) (?:it )?back\b/i, "undo"],
  [/\bcannot be had\b/i, "Can't get this"],
  [/\bshall\b|\bwhilst\b/i, "will, while"],
  [/\bbring in a\b/i, "import"],
  [/\bwritten out\b/i, "full text"],
  [/\bso much of (?:it|that|them)\b/i, "amount"],
  [/\bkeep the kitchen so\b|\btake out of the kitchen\b|\banother line\b/i, "save kitchen, remove, add hours"],
  [/\bthe same as a table\b/i, "show as table"],
  [/\btaken? in the hand\b|\bis in the hand\b/i, "pick up, drag"],
  [/\bcannot stand together\b/i, "these conflict"],
  [/\bworks alone\b/i, "unattended"],
  [/\bwhat goes in\b(?! ?to)|\ba thing a line\b|\ba step a line\b/i, "ingredients, steps"],
  [/\bwhat (?:the hour|everything) hangs on\b|\bhangs on it\b/i, "critical steps"],
  [/\bunfold to\b|\btrue scale\b/i, "show to scale"],
  [/\bplan again\b/i, "replan"],
  [/\bwhat to mind\b/i, "safety"],
  [/\bhow sure it is\b|\bhow it is laid out\b|\bcan it still be made\b/i, "chance of being on time, schedule style"],
  [/\bbegin it\b|\bbegin a dish\b/i, "create, new dish"],
  [/\bbefore the table\b|\bat the table\b|\bto the table\b/i, "serving, served"],
  [/\bby the way\b/i, "by-product"],
  [/\bgrown-?ups\b/i, "adults"],
  [/\bput down and taken up\b/i, "paused"],
  [/\bwith an eye on it\b/i, "keep an eye on it"],
  [/\bis no (?:amount|number|date|JSON)\b/i, "is not a"],
];

/** Code without its comments. */
const spoken = (code: string) =>
  code
    .replace(/\/\*[\s\S]*?\*\//g, "")
    .replace(/(^|\s)\/\/.*$/gm, "$1")
    .replace(/\s+/g, " ");
/** Words that are read, not said: patterns of what cooks type, tables of names. */
const READ =
  /core\/(?:entry|import|foods|dish\/(?:questions\/walk|cooled-as|schema|read-model)|safety\/states)|catalogue|default-kitchen|edit\/components/;

const folders = ["src/ui", "src/app", "src/words", "src/core", "src/server", "src/cli", "src/workers"];
describe("plain words", () => {
  const files = folders.flatMap(sources).filter((f) => !READ.test(f));
  test("most files are looked at", () => expect(files.length).toBeGreaterThan(300));
  test.each(OLD.map(([old, say]) => [String(old), old, say] as const))("nothing says %s", (_, old, say) => {
    const found = files.flatMap((f) => {
      const text = spoken(readFileSync(path.join(root, f), "utf8"));
      const at = text.search(old);
      return at < 0 ? [] : [`${f}: …${text.slice(Math.max(0, at - 40), at + 60)}…`];
    });
    expect(found, `say: ${say}`).toEqual([]);
  });
  test("the README and the docs do not either", () => {
    const texts = [
      "README.md",
      ...readdirSync(path.join(root, "docs"))
        .filter((f) => f.endsWith(".md") && f !== "words.md")
        .map((f) => `docs/${f}`),
    ];
    const found = texts.flatMap((f) =>
      readFileSync(path.join(root, f), "utf8")
        .split("\n")
        .flatMap((line, i) => OLD.slice(0, 20).flatMap(([old]) => (old.test(line) ? [`${f}:${i + 1}: ${line.slice(0, 140)}`] : []))),
    );
    expect(found).toEqual([]);
  });
});
