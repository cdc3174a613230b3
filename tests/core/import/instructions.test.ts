// What one sentence of a recipe becomes, and where lines of ingredients go: the cases a cook would notice at once if they were wrong.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { stepsOfInstructions } from "../../../src/core/import/instructions";
import { isoMinutes } from "../../../src/core/import/iso-duration";
import { intoSections, yieldOf } from "../../../src/core/import/json-ld";

const read = (...sentences: string[]) => stepsOfInstructions(sentences).steps;
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
    const { step, says } = one("Chop the onions finely.");
    expect(step.time).toBe("8m");
    expect(says.join(" ")).toContain("no time said");
    expect(one("Cook until the sauce coats a spoon.").unclear).toBeDefined();
  });

  test.each(["Keep for up to 3 weeks in a jar.", "Take the butter out of the fridge an hour before."])(
    "a time that is not a length of the work is none: %s",
    (sentence) => {
      expect(one(sentence).step.time).toBe("8m");
    },
  );

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
    expect(stepsOfInstructions(["Heat the oven to 180°C/160°C fan."]).ovenC).toBe(180);
    expect(stepsOfInstructions(["Heat the oven to fan 160°C (180°C)."]).ovenC).toBe(180);
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
  test("go to the part that speaks of them, or to the first", () => {
    const parts = intoSections(
      ["500 g flour", "2 lemons", "1 tsp mystery"],
      [
        { name: "Dough", steps: ["Mix the flour with water."] },
        { name: "Curd", steps: ["Squeeze the lemons."] },
      ],
    );
    expect(parts.map((p) => [p.name, p.ingredients])).toEqual([
      ["Dough", ["500 g flour", "1 tsp mystery"]],
      ["Curd", ["2 lemons"]],
    ]);
  });
  test("headings of the list open parts, and steps find theirs", () => {
    const parts = intoSections(
      ["For the pastry:", "300 g flour", "For the filling:", "1 kg apples"],
      [{ name: "", steps: ["For the pastry, rub in the butter.", "For the filling, stew the apples.", "Assemble and bake."] }],
    );
    expect(parts.find((p) => /pastry/i.test(p.name))?.ingredients).toEqual(["300 g flour"]);
    expect(parts.find((p) => /filling/i.test(p.name))?.instructions).toEqual(["For the filling, stew the apples."]);
  });
  test("none is lost and none doubled, however they are shared out", () => {
    const line = fc.constantFrom("1 kg apples", "300 g flour", "2 eggs", "For the pastry:", "For the sauce:", "200 ml cream");
    const step = fc.constantFrom("Stew the apples.", "Make the pastry.", "For the sauce, boil the cream.", "Assemble.");
    const section = fc.record({ name: fc.constantFrom("", "Pastry", "Sauce"), steps: fc.array(step, { maxLength: 4 }) });
    fc.assert(
      fc.property(fc.array(line, { maxLength: 8 }), fc.array(section, { maxLength: 3 }), (lines, sections) => {
        const parts = intoSections(lines, sections);
        expect(parts.flatMap((p) => p.ingredients).sort()).toEqual(lines.filter((l) => !l.endsWith(":")).sort());
        expect(parts.flatMap((p) => p.instructions).sort()).toEqual(sections.flatMap((s) => s.steps).sort());
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
  ["4", 4],
  [8, 8],
  [["10", "10 portions"], 10],
  ["2 litres", undefined],
])("for how many: %s", (value, serves) => {
  expect(yieldOf(value).serves).toBe(serves);
});
