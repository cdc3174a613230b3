// Pages and texts in many shapes and five languages: what each holds is written beside it (*.facts), for most of them before they were
// read. And whatever is brought in, every character of it is accounted for.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { checkDish } from "../../../src/core/dish/check";
import { readDishValue } from "../../../src/core/dish/read";
import type { Accounting } from "../../../src/core/import/accounting";
import { corrected, guessesOf, NO_CORRECTIONS, verbGuesses } from "../../../src/core/import/corrections";
import { readRecipes } from "../../../src/core/import/read";
import { merged, moved, rewritten, shifted, split } from "../../../src/core/import/rearranged";
import { dishOfRecipe } from "../../../src/core/import/to-dish";
import { factsOf, importedPage, missing, pagesWithFacts } from "../../support/page-facts";
import { compact, recordsOf } from "../../support/records";

const SERVING = { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" };

/** Characters that are no blanks and stand in no item, and items that overlap. */
function unaccounted({ text, items }: Accounting): number {
  let at = 0;
  let lost = 0;
  for (const item of items) {
    lost += text.slice(at, item.from).replace(/\s/g, "").length;
    if (item.from < at || item.text !== text.slice(item.from, item.to)) return Number.POSITIVE_INFINITY;
    at = item.to;
  }
  return lost + text.slice(at).replace(/\s/g, "").length;
}

/** What a JSON Pointer points at. */
const pointed = (document: unknown, pointer: string): unknown =>
  pointer
    .split("/")
    .slice(1)
    .reduce<unknown>(
      (value, key) => (typeof value === "object" && value !== null ? (value as Record<string, unknown>)[key] : undefined),
      document,
    );

/** The dish that came of a page, part by part and step by step, and what became of every line. */
function importSaid({ recipe, dish }: NonNullable<ReturnType<typeof importedPage>>): string {
  const { document, doubts, accounting } = dish;
  return [
    compact({ ...document.dish, language: recipe.language, yield: recipe.yieldText, total: recipe.totalMinutes }),
    ...document.components.flatMap(({ methods, ...c }) => [
      `# ${compact(c)}`,
      ...methods.flatMap((m) => [...(m.ingredients ?? []).map((i) => `- ${compact(i)}`), ...m.steps.map((s) => `  ${compact(s)}`)]),
    ]),
    ...doubts.map((d) => `? ${d}`),
    ...accounting.items.map((i) => `${i.state} ${i.from}-${i.to} ${i.became ?? ""}${i.why ? `: ${i.why}` : ""}`),
  ].join("\n");
}
const records = recordsOf("pages");

describe.each(pagesWithFacts())("%s", (name) => {
  const got = importedPage(name);
  test("is read", () => expect(got).toBeDefined());
  if (!got) return;
  test.each(factsOf(name))("%s", (fact) => expect(missing(fact, got)).toBeUndefined());
  test("is read as before, word by word", () => records.check(name, importSaid(got)));
  test("is a sound dish in which every character is accounted for, and each part of it points at what it became", () => {
    const { document, accounting } = got.dish;
    expect(readDishValue(document).problems.filter((p) => p.severity === "error")).toEqual([]);
    expect(checkDish(document).filter((p) => p.severity === "error")).toEqual([]);
    expect(unaccounted(accounting)).toBe(0);
    const { lines } = accounting;
    expect(lines.read + lines.guessed + lines.notes + lines.unread).toBe(lines.total);
    for (const item of accounting.items) {
      expect(item.became, item.text).toBeDefined();
      expect(pointed(document, item.became as string), `${item.text} → ${item.became}`).toBeDefined();
    }
    // The sentences of the steps stand in their names or notes.
    const said = JSON.stringify(document).replace(/\s+/g, " ").toLowerCase();
    for (const item of accounting.items.filter((i) => /\/steps\/\d+$/.test(i.became ?? "")))
      for (const word of item.text.toLowerCase().match(/\p{L}{4,}/gu) ?? []) expect(said, item.text).toContain(word);
  });
});

describe("whatever is brought in", () => {
  const bits = fc.constantFrom(
    "Serves 4",
    "For the dough:",
    "500 g flour",
    "Method",
    "Bake for 20 minutes.",
    "Keeps 3 days in the fridge.",
    "",
    "1. Mix.",
    "Tip: rest.",
    "Notes",
    "<p>x</p>",
    "２",
    "\u0000",
    "---",
    "Ingredients: 2 eggs, salt",
    "# Title",
    "Preheat the oven to 200°C.",
    "meanwhile",
    "½",
    "{",
    "[[",
  );
  test("no character is lost, and the dish is sound", () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(bits, fc.string({ maxLength: 30 })), { maxLength: 14 }), (lines) => {
        const read = readRecipes(lines.join("\n"));
        if (read.status === "nothing") return;
        for (const recipe of read.recipes) {
          const dish = dishOfRecipe(recipe, SERVING);
          expect(unaccounted(dish.accounting)).toBe(0);
          expect(readDishValue(dish.document).problems.filter((p) => p.severity === "error")).toEqual([]);
        }
      }),
      { numRuns: 250 },
    );
  });
  test("what is no recipe is unread as a whole, and kept", () => {
    const read = readRecipes("hello there\nnothing to cook here");
    expect(read.status).toBe("nothing");
    expect(read.status === "nothing" && read.source.text).toContain("nothing to cook");
  });
  test("what was not understood stays on the dish as a note", () => {
    const got = readRecipes("Broth\n\n1 kg bones\n2 l water\n\nMethod\nSimmer the bones for 3 hours.\n\nNotes\nxyzzy plugh");
    const dish = got.status === "read" && got.recipes[0] ? dishOfRecipe(got.recipes[0], SERVING) : undefined;
    expect(dish?.document.dish.note).toContain("xyzzy plugh");
  });
});

describe("putting right", () => {
  const read = readRecipes(
    "Bread\nServes 4\n500 g flour\n350 g water\n\n1. Mix flour and water.\n2. Prove for 3 hours.\n3. Shape.\n4. Bake at 230°C until brown.\n5. Chop parsley.",
  );
  const recipe = read.status === "read" ? read.recipes[0] : undefined;
  if (!recipe) throw new Error("the text must be read");
  const dish = dishOfRecipe(recipe, SERVING);
  test("guessed times on the longest way are asked for, and what is answered is asked no more", () => {
    const asked = guessesOf(dish).filter((g) => g.field === "minutes" && g.decisive);
    expect(asked.map((g) => g.name)).toContain("Bake at 230°C");
    const first = asked[0];
    if (!first) throw new Error("something must be asked");
    const after = { ...NO_CORRECTIONS, minutes: { [first.ref]: 47 } };
    expect(guessesOf(dish, after).some((g) => g.ref === first.ref && g.field === "minutes")).toBe(false);
    const steps = corrected(dish, after).document.components[0]?.methods[0]?.steps ?? [];
    expect(steps.find((s) => first.ref.endsWith(`.${s.id}`))?.time).toBe("47m");
  });
  test("what a verb wants is changed once for all its steps", () => {
    const bake = verbGuesses(dish).find((v) => v.verb === "bake");
    expect(bake).toMatchObject({ attention: "nearby", steps: ["Bake at 230°C"] });
    const after = corrected(dish, { minutes: {}, attention: { bake: "unattended" } });
    expect(after.document.components[0]?.methods[0]?.steps.find((s) => s.name?.startsWith("Bake"))?.attention).toBe("unattended");
  });
  test("lines are rewritten, moved and taken out; parts are split and joined, and nothing is lost on the way", () => {
    const two = split(recipe, 0, 2, "Finish");
    expect(two.sections.map((s) => s.instructions.length)).toEqual([2, 3]);
    expect(two.sections[1]?.name).toBe("Finish");
    expect(merged(two, 1).sections.map((s) => s.instructions.map((i) => i.text))).toEqual(
      recipe.sections.map((s) => s.instructions.map((i) => i.text)),
    );
    expect(moved(two, 0, "ingredients", 0, 1).sections.map((s) => s.ingredients.length)).toEqual([1, 1]);
    expect(shifted(two, 0, "instructions", 1, 1).sections[1]?.instructions[0]?.text).toBe("2. Prove for 3 hours.");
    expect(shifted(two, 0, "instructions", 0, 1).sections[0]?.instructions[1]?.text).toBe("1. Mix flour and water.");
    expect(rewritten(two, 0, "ingredients", 0, "600 g flour").sections[0]?.ingredients[0]?.text).toBe("600 g flour");
    expect(rewritten(two, 0, "ingredients", 0, "").sections[0]?.ingredients).toHaveLength(1);
  });
});

describe("what is no recipe", () => {
  test.each([
    ["a letter", "Dear Ann,\n\nMake sure to call me. Take care of the cat.\n\nYours, B."],
    ["JSON of another kind with words like a recipe's", '{"steps":["Bake for 20 minutes.","Mix 500 g flour"],"name":"x"}'],
  ])("%s is nothing", (_, text) => expect(readRecipes(text).status).toBe("nothing"));
  test("a list alone is a recipe whose ingredients come in where it is served: no step is made up", () => {
    const got = readRecipes("Trail mix\nServes 4\n\n200 g nuts\n100 g raisins");
    const dish = got.status === "read" && got.recipes[0] ? dishOfRecipe(got.recipes[0], SERVING) : undefined;
    expect(dish?.document.components.map((c) => c.id)).toEqual(["table"]);
    expect(dish?.document.components[0]?.methods[0]?.ingredients?.map((i) => i.name)).toEqual(["nuts", "raisins"]);
    expect(readDishValue(dish?.document).problems.filter((p) => p.severity === "error")).toEqual([]);
  });
  test("a list under a heading without steps goes to the part behind it, as a guess", () => {
    const got = readRecipes("Tart\n\nFor the glaze:\n100 g jam\n\nFor the tart:\n200 g flour\n\nTart:\nBake for 30 minutes at 180°C.");
    const recipe = got.status === "read" ? got.recipes[0] : undefined;
    expect(recipe?.sections).toHaveLength(1);
    expect(recipe?.sections[0]?.ingredients.find((i) => i.text.includes("jam"))?.guess).toMatch(/glaze/i);
  });
  test("how long a list without steps keeps is a note of it, and is there", () => {
    const got = readRecipes("Trail mix\nServes 4\n\n200 g nuts\n100 g raisins\n\nNotes\nKeeps 3 weeks in a tin.");
    const dish = got.status === "read" && got.recipes[0] ? dishOfRecipe(got.recipes[0], SERVING) : undefined;
    for (const item of dish?.accounting.items ?? []) expect(pointed(dish?.document, item.became ?? ""), item.text).toBeDefined();
    expect(dish?.document.components[0]?.note).toContain("3 weeks");
  });
});

test("under a heading about keeping a bare length is how long it keeps", () => {
  const got = readRecipes("Stock\nServes 4\n\n1 kg bones\n2 l water\n\nMethod\nSimmer for 3 hours.\n\nStorage\n4 days in the fridge");
  const dish = got.status === "read" && got.recipes[0] ? dishOfRecipe(got.recipes[0], SERVING) : undefined;
  expect(dish?.document.components[0]?.methods[0]?.steps.at(-1)?.makes?.[0]?.holds).toEqual([{ place: "fridge", max: "4d" }]);
});

test("a line that the cook made longer than it was stays in its place, and every character is accounted for", () => {
  const got = readRecipes("Bread\nServes 4\n\n500 g flour\n350 g water\n\n1. Mix.\n2. Bake for 40 minutes at 230°C.");
  if (got.status !== "read" || !got.recipes[0]) throw new Error("the text must be read");
  const longer = rewritten(
    got.recipes[0],
    0,
    "instructions",
    0,
    "Mix for 5 minutes. Rest for 1 hour in the fridge. Knead for 10 minutes. Shape a loaf.",
  );
  const dish = dishOfRecipe(longer, SERVING);
  expect(unaccounted(dish.accounting)).toBe(0);
  expect(dish.document.components[0]?.methods[0]?.steps).toHaveLength(5);
});
