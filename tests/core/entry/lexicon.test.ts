// The word tables of the five languages: every row has words and a meaning, and what its words say is read as that, not as another row.
import { describe, expect, test } from "vitest";
import { readIngredient } from "../../../src/core/entry/ingredient-line";
import { lexiconOf } from "../../../src/core/entry/lexicon";
import { piecesOf, unitsOf } from "../../../src/core/entry/lexicon/amount-words";
import { fold } from "../../../src/core/entry/lexicon/fold";
import { LANGUAGES, type Lexicon, type Said } from "../../../src/core/entry/lexicon/lexicon";
import { SENSES } from "../../../src/core/entry/lexicon/senses";
import { saidAt } from "../../../src/core/entry/patterns";
import { recordsOf } from "../../support/records";

/** Alternatives of a pattern that stand beside each other, groups left whole. */
function alternatives(pattern: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < pattern.length; i++) {
    const char = pattern.charAt(i);
    if (char === "\\") i++;
    else if (char === "[") i = pattern.indexOf("]", i);
    else if (char === "(") depth++;
    else if (char === ")") depth--;
    else if (char === "|" && depth === 0) {
      parts.push(pattern.slice(from, i));
      from = i + 1;
    }
  }
  return [...parts, pattern.slice(from)];
}

/** The shortest words that a pattern of a table takes: what may be left out is, of a choice the first. Undefined where it looks around itself. */
function wordsOf(pattern: string): string | undefined {
  let text = "";
  for (let i = 0; i < pattern.length; ) {
    const char = pattern.charAt(i);
    let taken: string | undefined;
    let end = i + 1;
    if (char === "(") {
      let depth = 1;
      for (end = i + 1; depth > 0; end++) {
        if (pattern.charAt(end) === "[") end = pattern.indexOf("]", end);
        depth += { "(": 1, ")": -1 }[pattern.charAt(end)] ?? 0;
      }
      const inner = pattern.slice(i + 1, end - 1);
      if (/^\?(?:=|!|<)/.test(inner)) return undefined;
      taken = wordsOf(alternatives(inner.replace(/^\?:/, ""))[0] as string);
    } else if (char === "[") {
      end = pattern.indexOf("]", i) + 1;
      taken = pattern.charAt(i + 1);
    } else if (char === "\\") {
      end = i + 2;
      taken =
        { s: " ", d: "2", p: undefined }[pattern.charAt(i + 1)] ??
        (/[a-z]/.test(pattern.charAt(i + 1)) ? undefined : pattern.charAt(i + 1));
    } else taken = char;
    if (taken === undefined) return undefined;
    if (/[?*]/.test(pattern.charAt(end))) end++;
    else text += taken;
    i = end;
  }
  return text;
}

const tablesOf = (lexicon: Lexicon) => Object.entries(lexicon).filter((entry): entry is [string, Said<unknown>] => Array.isArray(entry[1]));
const shown = (value: unknown) => (typeof value === "string" ? value : JSON.stringify(value));
const records = recordsOf("lexicons");

describe.each(LANGUAGES)("%s", (language) => {
  const lexicon = lexiconOf(language);
  test.each(tablesOf(lexicon))("each row of its %s is words with a meaning, and read as such", (name, rows) => {
    const said: string[] = [];
    const hidden: string[] = [];
    for (const [pattern, value] of rows) {
      expect(pattern.length).toBeGreaterThan(0);
      expect(value).toBeDefined();
      if (name === "verbs") expect(SENSES).toHaveProperty(value as string);
      for (const words of alternatives(pattern).map(wordsOf)) {
        if (!words) continue;
        expect(fold(words), "tables are written for folded text").toBe(words);
        const read = saidAt(rows, words, 0);
        said.push(`${words}: ${shown(read?.value)}`);
        if (shown(read?.value) !== shown(value)) hidden.push(`${words}: ${shown(read?.value)}, not ${shown(value)}`);
      }
    }
    expect(said.length).toBeGreaterThan(0);
    // A few are said better by a longer phrase of another row.
    expect(hidden.length, hidden.join("; ")).toBeLessThan(Math.max(2, 0.06 * said.length));
    records.check(`${language} ${name}`, said.join("\n"));
  });
  test("each unit and each piece of its ingredient lists is read as one", () => {
    const rows = [...unitsOf(language).map(([words, unit]) => [words, unit] as const), ...piecesOf(language)];
    const read = rows.flatMap(([pattern, unit]) =>
      alternatives(pattern).flatMap((alternative) => {
        const words = wordsOf(alternative);
        const got = words ? readIngredient(`3 ${words} zwibbel`, language).amount : undefined;
        return words ? [{ words, unit, got: `${got?.amount} ${got?.unit}` }] : [];
      }),
    );
    const wrong = read.filter((r) => !r.got.endsWith(` ${r.unit}`));
    expect(read.length).toBeGreaterThan(60);
    expect(wrong.length, wrong.map((w) => `${w.words}: ${w.got}, not ${w.unit}`).join("; ")).toBeLessThan(0.06 * read.length);
    records.check(`${language} amounts`, read.map((r) => `3 ${r.words}: ${r.got}`).join("\n"));
  });
});
