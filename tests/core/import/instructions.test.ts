// What one sentence of a recipe becomes, and where lines of ingredients go: the cases a cook would notice at once if they were wrong.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { servesIn } from "../../../src/core/import/heads";
import { isoMinutes } from "../../../src/core/import/iso-duration";
import { methodOf } from "../../../src/core/import/method";
import { readRecipes } from "../../../src/core/import/read";

const lines = (...sentences: string[]) => sentences.map((text) => ({ from: 0, to: text.length, text }));
const read = (...sentences: string[]) => methodOf(lines(...sentences), "en").steps;
const one = (sentence: string) => {
  const steps = read(sentence);
  if (steps.length !== 1 || !steps[0]) throw new Error(`${steps.length} steps of “${sentence}”`);
  return steps[0];
};

describe("a sentence and its time", () => {
  test.each([
    ["Knead the dough for 10 minutes.", "10m", undefined],
    ["Simmer the stock for 3 hours.", "3h", "nearby"],
    ["Leave the dough to rise for 2 hours.", "2h", "unattended"],
    ["Chill for 45 minutes.", "45m", "unattended"],
    ["Roast for 1 1/2 hours.", "1h30m", "nearby"],
    ["Stir over low heat for 5 minutes.", "5m", "hands"],
    ["Ferment for 5 days.", "5d", "unattended"],
  ])("%s", (sentence, time, attention) => {
    const { step } = one(sentence);
    expect(step.time).toBe(time);
    expect(step.attention ?? "hands").toBe(attention ?? "hands");
  });

  test("a span keeps both its ends", () => {
    const { step } = one("Simmer for 40 to 50 minutes.");
    expect(step.time).toMatchObject({ min: "40m", max: "50m" });
  });

  test("without a time, one is taken and that is said", () => {
    const { step, guess } = one("Chop the onions finely.");
    expect(step.time).toMatchObject({ likely: "10m" });
    expect(guess).toContain("no time said");
    expect(one("Cook until the sauce coats a spoon.").guess).toContain("no time said");
  });

  test("how long something keeps is no step", () => {
    const { steps, beside } = methodOf(lines("Stir well. It keeps for up to 3 weeks in the fridge."), "en");
    expect(steps).toHaveLength(1);
    expect(beside[0]?.keeps).toEqual([{ place: "fridge", min: null, max: 30_240 }]);
  });

  test("two times in one sentence are two steps, in their order", () => {
    const steps = read("Fry the onions for 10 minutes, then simmer for 2 hours.");
    expect(steps.map((s) => s.step.time)).toEqual(["10m", "2h"]);
    expect(new Set(steps.map((s) => s.step.id)).size).toBe(2);
  });

  test("hands before a wait are a step of their own", () => {
    const steps = read("Mix flour and water. Cover and leave to rest for 1 hour.");
    expect(steps.map((s) => s.step.attention ?? "hands")).toEqual(["hands", "unattended"]);
  });
});

describe("a sentence and its heat", () => {
  test("an oven heated first gives its heat to what bakes later", () => {
    const steps = read("Preheat the oven to 200°C.", "Bake for 25 minutes until golden.");
    expect(steps.at(-1)?.step.uses).toEqual([{ what: "oven", tempC: 200, racks: 1 }]);
    expect(steps.at(-1)?.step.done?.cue).toBe("golden");
  });
  test("of a still oven and a fan, the still one", () => {
    expect(methodOf(lines("Heat the oven to 180°C/160°C fan."), "en").ovenC).toBe(180);
    expect(methodOf(lines("Heat the oven to 190°C (fan 170°C)."), "en").ovenC).toBe(190);
  });
  test("degrees in the middle of the meat are the probe's, not the oven's", () => {
    const { step } = one("Roast at 160°C for 2 hours until the thermometer registers 68°C.");
    expect(step.done?.probeC).toBe(68);
    expect(step.uses).toEqual([{ what: "oven", tempC: 160, racks: 1 }]);
  });
  test("what stands alone takes a place, not a burner", () => {
    expect(one("Refrigerate overnight.").step.uses).toEqual([{ what: "fridge", litres: 2 }]);
    expect(one("Freeze for 4 hours.").step.uses).toEqual([{ what: "freezer", litres: 2 }]);
    expect(one("Simmer gently for 30 minutes.").step.uses).toEqual([{ what: "burner" }]);
  });
  test("rounds are rounds, and the whole is still one length", () => {
    const { step } = one("Roast for 3 hours, basting every 30 minutes.");
    expect(step.time).toBe("3h");
    expect(step.tend).toMatchObject({ every: "30m" });
  });
});

test("whatever is written, every word of it stands in a step, and ids are its own", () => {
  const verb = fc.constantFrom("Simmer", "Bake", "Rest", "Whisk", "Chill", "Roast at 180°C", "Cover");
  const time = fc.constantFrom("", " for 10 minutes", " for 2 to 3 hours", " overnight", " until thick", " for 1 hour, then stir");
  fc.assert(
    fc.property(fc.array(fc.tuple(verb, time), { minLength: 1, maxLength: 6 }), (list) => {
      const sentences = list.map(([v, t]) => `${v} the pot${t}.`);
      const steps = read(sentences.join(" "));
      const said = steps.map((s) => `${s.step.name} ${s.step.note ?? ""}`.toLowerCase()).join(" ");
      for (const word of sentences
        .join(" ")
        .toLowerCase()
        .match(/[\p{L}\d°]+/gu) ?? [])
        if (word !== "then") expect(said).toContain(word);
      expect(new Set(steps.map((s) => s.step.id)).size).toBe(steps.length);
    }),
  );
});

describe("lines of ingredients", () => {
  const sectionsOf = (list: readonly string[], method: readonly string[]) => {
    const got = readRecipes(["A dish", "Ingredients", ...list, "Method", ...method].join("\n"), "en");
    return got.status === "read" ? (got.recipes[0]?.sections ?? []) : [];
  };
  const shown = (parts: ReturnType<typeof sectionsOf>) => parts.map((p) => [p.name, p.ingredients.map((i) => i.text)]);
  test("go to the part that speaks of them, or to the first", () => {
    const parts = sectionsOf(
      ["500 g flour", "2 lemons", "1 tsp mystery"],
      ["Dough:", "Mix the flour with water.", "Curd:", "Squeeze the lemons."],
    );
    expect(shown(parts)).toEqual([
      ["Dough", ["500 g flour", "1 tsp mystery"]],
      ["Curd", ["2 lemons"]],
    ]);
    expect(parts[0]?.ingredients[1]?.guess).toBeDefined();
  });
  test("headings of the list open parts, and steps find theirs", () => {
    const parts = sectionsOf(
      ["For the pastry:", "300 g flour", "For the filling:", "1 kg apples"],
      ["For the pastry, rub in the butter.", "For the filling, stew the apples.", "Assemble and bake."],
    );
    expect(parts.find((p) => p.name === "Pastry")?.ingredients.map((i) => i.text)).toEqual(["300 g flour"]);
    expect(parts.find((p) => p.name === "Filling")?.instructions.map((i) => i.text)).toEqual(["For the filling, stew the apples."]);
  });
  test("none is lost and none doubled, however they are shared out", () => {
    const line = fc.constantFrom("1 kg apples", "300 g flour", "2 eggs", "For the pastry:", "For the sauce:", "200 ml cream");
    const step = fc.constantFrom(
      "Stew the apples.",
      "Make the pastry.",
      "For the sauce, boil the cream.",
      "Assemble it all.",
      "Pastry:",
      "Sauce:",
    );
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), fc.array(step, { minLength: 1, maxLength: 6 }), (list, method) => {
        const parts = sectionsOf(list, method);
        const goods = list.filter((l) => !l.endsWith(":"));
        const work = method.filter((l) => !l.endsWith(":"));
        if (goods.length + work.length === 0) return;
        expect(parts.flatMap((p) => p.ingredients.map((i) => i.text)).sort()).toEqual(goods.sort());
        expect(parts.flatMap((p) => p.instructions.map((i) => i.text)).sort()).toEqual(work.sort());
      }),
    );
  });
});

test.each([
  ["PT1H30M", 90],
  ["PT45M", 45],
  ["P1DT2H", 26 * 60],
  ["P2D", 2 * 24 * 60],
  ["P1W", 7 * 24 * 60],
  ["P2WT1H", 14 * 24 * 60 + 60],
  ["an hour or so", undefined],
])("a length of time as pages write it: %s", (text, minutes) => {
  expect(isoMinutes(text)).toBe(minutes);
});

test.each([
  ["Serves 6", 6],
  ["Serves 6-8", 7],
  ["für 4 Personen", 4],
  ["pour six personnes", 6],
  ["10 portions", 10],
  ["Makes about 24 rolls", 24],
  ["Yield: 2 litres", undefined],
])("for how many: %s", (text, serves) => {
  expect(servesIn(text)?.serves).toBe(serves);
});
