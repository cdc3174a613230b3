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
import { compact, recordsOf } from "../../support/records";

const STEPS: readonly (readonly [file: string, language: Language])[] = [
  ["steps-en.txt", "en"],
  ["steps-more-en.txt", "en"],
  ["steps-third-en.txt", "en"],
  ["steps-fourth-en.txt", "en"],
  ["steps-fifth-en.txt", "en"],
  ["steps-sixth-en.txt", "en"],
  ["steps-ninth-en.txt", "en"],
  ["steps-seventh-en.txt", "en"],
  ["steps-eighth-en.txt", "en"],
  ["steps-de.txt", "de"],
  ["steps-fr.txt", "fr"],
  ["steps-it.txt", "it"],
  ["steps-es.txt", "es"],
  ["steps-third-de.txt", "de"],
  ["steps-third-fr.txt", "fr"],
  ["steps-third-it.txt", "it"],
  ["steps-third-es.txt", "es"],
  ["steps-fourth-de.txt", "de"],
  ["steps-fourth-fr.txt", "fr"],
  ["steps-fourth-it.txt", "it"],
  ["steps-fourth-es.txt", "es"],
];
const INGREDIENTS = [
  ...[
    "ingredients-en.txt",
    "ingredients-more-en.txt",
    "ingredients-fourth-en.txt",
    "ingredients-fifth-en.txt",
    "ingredients-sixth-en.txt",
    "ingredients-seventh-en.txt",
  ]
    .flatMap(linesOf)
    .map((l) => ({ ...l, language: "en" as Language })),
  ...[...linesOf("ingredients-more.txt"), ...linesOf("ingredients-third.txt")].map((l) => ({
    ...l,
    line: l.line.slice(3),
    language: l.line.slice(0, 2) as Language,
  })),
];

/** All that is said back of a line: what each of its words became, what is doubted, and the line that the editor would write. */
function stepSaid(line: string, language: Language): string {
  const { words, doubts, line: _, ...read } = readStep(line, { language });
  const back = writeStepLine({ id: "x", ...readStepLine(line).step });
  return [
    compact(read),
    words.map((w) => `${w.as}: ${line.slice(w.from, w.to)}`).join(" | "),
    ...doubts.map((d) => `? ${d.field}: ${d.why}${d.choices ? ` [${d.choices.join(", ")}]` : ""}`),
    `> ${back}`,
  ].join("\n");
}
function ingredientSaid(line: string, language: Language): string {
  const { words, doubts, line: _, ...read } = readIngredient(line, language);
  return [
    compact(read),
    words.map((w) => `${w.as}: ${line.slice(w.from, w.to)}`).join(" | "),
    ...doubts.map((d) => `? ${d.field}: ${d.why}`),
  ].join("\n");
}
const records = recordsOf("lines");

const wrongOf = (line: string, results: readonly FieldResult[]) =>
  results.filter((r) => !r.right).map((r) => `${line}: ${r.field} is ${r.got}, not ${r.want}`);

describe("step lines", () => {
  for (const [file, language] of STEPS) {
    test.each(linesOf(file).map((l) => [l.line, l.want] as const))("%s", (line, want) => {
      expect(wrongOf(line, judgedStep(readStep(line, { language }), want))).toEqual([]);
      records.check(`${language} ${line}`, stepSaid(line, language));
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
    records.check(`${language} ingredient ${line}`, ingredientSaid(line, language));
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

describe("rounds in full", () => {
  const roundOf = (line: string) => readStep(line, { language: "en" }).rounds[0];
  test.each<[string, Partial<NonNullable<ReturnType<typeof roundOf>>>]>([
    ["smoke 8h, feed the fire every 40m for 5m from 20m until 7h", { every: 40, what: "feed the fire", takes: 5, first: 20, until: 420 }],
    ["prove 4h, fold 4 times every 30m", { every: 30, what: "fold", until: 120 }],
    ["prove 4h, fold every 30 min, 3 times", { every: 30, what: "fold", until: 90 }],
    ["roast 3h, baste every 20-30 min", { every: 25, spread: { min: 20, likely: 25, max: 30 } }],
    ["cure 4d, turn every 12h (5 min each time)", { every: 720, what: "turn", takes: 5 }],
    ["every 2 hours turn the ham", { every: 120, what: "turn the ham" }],
    ["simmer 3 hours and skim every half hour", { every: 30, what: "skim" }],
    ["knead and fold every 20 min", { every: 20, what: "fold" }],
  ])("%s", (line, wanted) => expect(roundOf(line)).toMatchObject(wanted));
  test("a rhythm for as long as the step is its length, not that of a round", () => {
    const read = readStep("stir every 10 min for 1 hour", { language: "en" });
    expect(read.minutes.likely).toBe(60);
    expect(read.rounds[0]).toMatchObject({ every: 10, takes: null });
    expect(read.rounds[0]).not.toHaveProperty("spread");
    expect(read.rounds[0]).not.toHaveProperty("first");
  });
  test("when the cue is looked for is no round", () => {
    const { plan, rounds, minutes } = readStep("bake 40m, 200C, check from 30m every 5m", { language: "en" });
    expect(rounds).toEqual([]);
    expect(minutes.likely).toBe(40);
    expect(plan).toMatchObject({ checkFrom: 30, checkEvery: 5 });
  });
});

describe("what is held, in full", () => {
  const keepsOf = (line: string) => readStep(line, { language: "en" }).keeps;
  test.each([
    [
      "strain 10m, keeps at least 8h best 12h-2d up to 3d fridge 2 L safety",
      [{ place: "fridge", min: 480, max: 4320, best: [720, 2880], litres: 2, limit: "safety" }],
    ],
    ["strain 10m, keeps 3-4 days in the fridge", [{ place: "fridge", min: null, max: 5760 }]],
    ["strain 10m, keeps 8h-3d fridge", [{ place: "fridge", min: 480, max: 4320 }]],
    ["cool 1h, needs 8 hours in the fridge", [{ place: "fridge", min: 480, max: null }]],
    [
      "mix 5m, keeps 2 days on the counter, a week in the fridge and 3 months frozen",
      [
        { place: "counter", min: null, max: 2880 },
        { place: "fridge", min: null, max: 10_080 },
        { place: "freezer", min: null, max: 129_600 },
      ],
    ],
    ["mix 5m, fine for 3 days covered in the fridge", [{ place: "fridge", min: null, max: 4320 }]],
    ["mix 5m, holds for 2 days on its crumbs in the cellar", [{ place: "cellar", min: null, max: 2880 }]],
  ])("%s", (line, wanted) => expect(keepsOf(line)).toEqual(wanted));
  test.each(["keep warm 20 min", "hold at 60C for 1 hour", "freeze 2 hours", "store overnight in the fridge"])(
    "at the head of a line it is a step: %s",
    (line) => expect(keepsOf(line)).toEqual([]),
  );
  test("a range and a missing place are doubts", () => {
    const doubts = (line: string) =>
      readStep(line, { language: "en" })
        .doubts.filter((d) => d.field === "keeps")
        .map((d) => d.why);
    expect(doubts("mix 5m, keeps 3-4 days in the fridge")).toEqual(["a range: its longer end is taken"]);
    expect(doubts("mix 5m, keeps 3 days")).toEqual(["no place said"]);
    expect(doubts("mix 5m, keeps 3 days in the fridge")).toEqual([]);
  });
});

test("a heat that is said is not doubted because a word suggests another", () => {
  const doubts = (line: string) => readStep(line, { language: "en" }).doubts.filter((d) => d.field === "heat");
  expect(doubts("cook in a low oven (110C) for 4 hours")).toEqual([]);
  expect(doubts("cook in a low oven for 4 hours")[0]?.why).toContain("140 °C");
});
