// Lines of typing with what is right of them, one by one (tests/data/lines), and what holds for every line whatever it says.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { answered } from "../../../src/core/entry/choices";
import { readIngredient } from "../../../src/core/entry/ingredient-line";
import { languageOf } from "../../../src/core/entry/lexicon";
import type { Language } from "../../../src/core/entry/lexicon/lexicon";
import { readStep } from "../../../src/core/entry/step/read";
import type { LineStep } from "../../../src/core/entry/step-draft";
import { readStepLine } from "../../../src/core/entry/step-line";
import { writeStepLine } from "../../../src/core/entry/step-line-text";
import { type FieldResult, judgedIngredient, judgedStep, linesOf } from "../../support/lines";

const STEPS: readonly (readonly [file: string, language: Language])[] = [
  ["steps-en.txt", "en"],
  ["steps-more-en.txt", "en"],
  ["steps-third-en.txt", "en"],
  ["steps-de.txt", "de"],
  ["steps-fr.txt", "fr"],
  ["steps-it.txt", "it"],
  ["steps-es.txt", "es"],
];
const INGREDIENTS = [
  ...[...linesOf("ingredients-en.txt"), ...linesOf("ingredients-more-en.txt")].map((l) => ({ ...l, language: "en" as Language })),
  ...[...linesOf("ingredients-more.txt"), ...linesOf("ingredients-third.txt")].map((l) => ({
    ...l,
    line: l.line.slice(3),
    language: l.line.slice(0, 2) as Language,
  })),
];

const wrongOf = (line: string, results: readonly FieldResult[]) =>
  results.filter((r) => !r.right).map((r) => `${line}: ${r.field} is ${r.got}, not ${r.want}`);

describe("step lines", () => {
  for (const [file, language] of STEPS) {
    test.each(linesOf(file).map((l) => [l.line, l.want] as const))("%s", (line, want) => {
      expect(wrongOf(line, judgedStep(readStep(line, { language }), want))).toEqual([]);
    });
  }
  test("the language of a line is told from its words", () => {
    const lines = STEPS.flatMap(([file, language]) => linesOf(file).map((l) => ({ line: l.line, language })));
    const wrong = lines.filter((l) => languageOf(l.line) !== l.language);
    expect(wrong.length / lines.length).toBeLessThan(0.03);
  });
});

describe("ingredient lines", () => {
  test.each(INGREDIENTS.map((l) => [l.line, l] as const))("%s", (line, { language, want }) => {
    expect(wrongOf(line, judgedIngredient(readIngredient(line, language), want))).toEqual([]);
  });
});

describe("whatever a line says", () => {
  const lines = [...STEPS.flatMap(([file]) => linesOf(file)), ...INGREDIENTS].map((l) => l.line);
  const covered = (line: string, words: readonly { from: number; to: number }[]) => {
    let at = 0;
    for (const { from, to } of words) {
      if (line.slice(at, from).trim() !== "" || to <= from || from < at) return false;
      at = to;
    }
    return line.slice(at).trim() === "";
  };
  test("every character is in exactly one piece", () => {
    for (const line of lines) {
      expect(covered(line, readStep(line).words), line).toBe(true);
      expect(covered(line, readIngredient(line).words), line).toBe(true);
    }
    fc.assert(
      fc.property(fc.string({ unit: "binary", maxLength: 60 }), (line) => {
        expect(covered(line, readStep(line).words)).toBe(true);
        expect(covered(line, readIngredient(line).words)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
  test("an unknown word at the end of the name changes nothing else", () => {
    for (const line of ["roast 1h30, oven 200C", "simmer 3-4h, 10 L pot, skim every 45m", "prove 2 h in the fridge, keeps 3 d fridge"]) {
      const before = readStep(line, { language: "en" });
      const after = readStep(line.replace(/^(\w+)/, "$1 zwibbelquark"), { language: "en" });
      expect({ ...after, line: "", name: "", words: [], doubts: [] }).toEqual({ ...before, line: "", name: "", words: [], doubts: [] });
      expect(after.name).toContain("zwibbelquark");
    }
  });
  test("the order of clauses does not matter", () => {
    const clauses = ["1h30", "oven 200C", "until golden", "2 trays", "baste every 20 min", "makes 12 rolls", "keeps 2 days on the counter"];
    const wanted = readStep(`roast, ${clauses.join(", ")}`, { language: "en" });
    fc.assert(
      fc.property(fc.shuffledSubarray(clauses, { minLength: clauses.length }), (shuffled) => {
        const read = readStep(`roast, ${shuffled.join(", ")}`, { language: "en" });
        expect({ ...read, line: "", words: [], doubts: read.doubts.length }).toEqual({
          ...wanted,
          line: "",
          words: [],
          doubts: wanted.doubts.length,
        });
      }),
      { numRuns: 60 },
    );
  });
  test("what was read and is written as a line again reads the same, in every language", () => {
    const all = STEPS.flatMap(([file, language]) => linesOf(file).map((l) => ({ line: l.line, language })));
    const shown = ({ takes: _, makes, uses, ...step }: LineStep) =>
      JSON.stringify({
        ...step,
        makes: makes?.map((m) => ({ ...m, id: "" })),
        uses: [...(uses ?? [])].sort((a, b) => a.what.localeCompare(b.what)),
      });
    const changed = all.filter(({ line }) => {
      const { step } = readStepLine(line);
      return shown(readStepLine(writeStepLine({ id: "x", ...step })).step) !== shown(step);
    });
    // Left: a check that is no round, names that begin with a figure.
    expect(changed.length / all.length, changed.map((c) => c.line).join("; ")).toBeLessThan(0.01);
  });
  test("a doubt that is answered is doubted no more, and the answer is what is read", () => {
    const line = "simmer the stock";
    const doubt = readStep(line).doubts.find((d) => d.field === "minutes");
    expect(doubt?.choices?.length).toBeGreaterThan(1);
    const after = readStep(answered(line, { field: "minutes" }, doubt?.choices?.[0] ?? ""));
    expect(after.doubts.some((d) => d.field === "minutes")).toBe(false);
    expect(String(after.minutes.likely)).toBe(doubt?.choices?.[0]);
    expect(readStep(answered("rest 1h", { field: "place" }, "cellar")).place).toBe("cellar");
    expect(readStep(answered("press 20m", { field: "attention" }, "unattended")).attention).toBe("unattended");
    expect(readStep(answered("whisk 5 min, keeps 3 d", { field: "keeps" }, "fridge")).keeps).toEqual([
      { place: "fridge", min: null, max: 4320 },
    ]);
    expect(readStep(answered("fry 4 min in batches", { field: "batches" }, "3")).batches).toBe(3);
  });
});
