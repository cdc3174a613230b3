// One line of typing as a step, and a step as one line.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { DishStep } from "../../../src/core/dish/schema";
import { StepSchema } from "../../../src/core/dish/schema";
import type { LineContext } from "../../../src/core/entry/step-draft";
import { readStepLine } from "../../../src/core/entry/step-line";
import { changeByLine, writeStepLine } from "../../../src/core/entry/step-line-text";
import { minutesOf } from "../../../src/core/time/duration";
import { demoDocument, type Loose } from "../../support/dishes";

const context: LineContext = {
  kinds: ["churn", "steamer"],
  outputs: [
    { ref: "stock.set", name: "Jelly stock" },
    { ref: "dough.dough", name: "Dough" },
  ],
  steps: [
    { ref: "stock.simmer", name: "Simmer the trotters" },
    { ref: "dough.knead", name: "Knead" },
    { ref: "dough.shape", name: "Shape" },
  ],
};
const read = (line: string) => readStepLine(line, context);

test("the line of the sketch is understood whole", () => {
  const { step, understood } = read("simmer 3-4h, nearby, 10 L pot, skim every 45m");
  expect(step).toEqual({
    name: "simmer",
    time: { min: "3h", likely: "3h30m", max: "4h" },
    attention: "nearby",
    uses: [{ what: "burner" }, { what: "pot", litres: 10 }],
    tend: { every: "45m", what: "skim" },
  });
  expect(understood.find((u) => u.guess)?.says).toBe("burner");
});

describe("each part", () => {
  test.each<[string, Partial<DishStep>]>([
    ["knead 12m", { name: "knead", time: "12m" }],
    ["knead", { name: "knead", time: { min: "6m", likely: "10m", max: "18m" } }],
    ["Rest overnight in the fridge", { name: "Rest", attention: "unattended", uses: [{ what: "fridge" }] }],
    ["rest 2h, fridge 4 L", { attention: "unattended", uses: [{ what: "fridge", litres: 4 }] }],
    ["bake 45m at 220C", { name: "bake", attention: "nearby", uses: [{ what: "oven", tempC: 220, racks: 1 }] }],
    ["bake 45m, oven 425F fan 2 racks", { uses: [{ what: "oven", tempC: 220, racks: 2, mode: "fan" }] }],
    ["bake 1h, 180C", { uses: [{ what: "oven", tempC: 180, racks: 1 }] }],
    [
      "poach 2h, water bath 65, 8 L bath 65",
      { uses: [{ what: "burner" }, { what: "bath", tempC: 65 }, { what: "bath", litres: 8, tempC: 65 }].slice(1) },
    ],
    ["turn 5m, by hand", { time: "5m" }],
    ["cure 4d, alone, turn every 12h for 5m", { tend: { every: "12h", takes: "5m", what: "turn" } }],
    ["prove 4h, fold 4 times every 30m", { tend: { every: "30m", what: "fold", until: "2h" } }],
    [
      "smoke 8h, feed the fire every 40m for 5m from 20m until 7h",
      { tend: { every: "40m", takes: "5m", what: "feed the fire", first: "20m", until: "7h" } },
    ],
    ["roast 90m, 180C, until the juices run clear, 74C in the middle", { done: { cue: "the juices run clear", probeC: 74 } }],
    ["roast 90m, 180C, pull at 58C resting to 63C", { done: { probeC: 58, restToC: 63 } }],
    ["bake 40m, 200C, check from 30m every 5m", { done: { checkFrom: "30m", checkEvery: "5m" } }],
    [
      "strain 10m, makes 1.2 L jelly stock, keeps 8h-3d fridge 1.5 L safety",
      {
        makes: [
          {
            id: "jelly-stock",
            name: "jelly stock",
            amount: { amount: 1.2, unit: "L" },
            holds: [{ place: "fridge", litres: 1.5, min: "8h", max: "3d", limit: "safety" }],
          },
        ],
      },
    ],
    [
      "cool 2h, keeps at least 8h best 12h-2d up to 3d fridge",
      { makes: [{ id: "cool", name: "cool", holds: [{ place: "fridge", min: "8h", best: ["12h", "2d"], max: "3d" }] }] },
    ],
    ["fill 20m, takes 500 mL jelly stock", { takes: [{ from: "stock.set", amount: { amount: 500, unit: "mL" } }] }],
    ["roll 20m, takes dough", { takes: [{ from: "dough.dough" }] }],
    ["shape 20m, after knead", { after: [{ step: "dough.knead" }] }],
    ["fry 4m, at once", { after: [{ step: "", max: "0m", limit: "quality" }] }],
    ["fry 4m, within 10m", { after: [{ step: "", max: "10m", limit: "quality" }] }],
    ["shape 20m, after 8-24h fridge 2 L", { after: [{ step: "", min: "8h", max: "1d", limit: "quality", place: "fridge", litres: 2 }] }],
    ["chop 1h, may be put down in pieces of 20m", { split: { minPiece: "20m" } }],
    ["fry 6m, in 3 batches", { batches: 3 }],
    ["knead 10m, mixer until shape", { uses: [{ what: "mixer", until: "dough.shape" }] }],
    ["braise 8h, oven 110, not at night", { sleepOk: false }],
    ["braise 8h, oven 110, 10m hands at the start, 5m hands at the end", { handsStart: "10m", handsEnd: "5m" }],
    ["simmer 1h, boils, noisy, smells", { boils: true, tags: ["noisy", "smell"] }],
    [
      "bake 20m, 200C, 2 trays",
      {
        uses: [
          { what: "oven", tempC: 200, racks: 1 },
          { what: "tray", count: 2 },
        ],
      },
    ],
  ])("%s", (line, expected) => {
    expect(read(line).step).toMatchObject(expected);
  });
});

test("what is not understood stays in the name, in its order", () => {
  expect(read("simmer 2h, with the lid askew, under protest").step.name).toBe("simmer with the lid askew, under protest");
});

test("whatever is typed is a step that the format takes, and no word of it is lost", () => {
  const bits = fc.constantFrom(
    "simmer",
    "3-4h",
    "1h30",
    "oven 220",
    "every 45m",
    "skim",
    "until done",
    "fridge 3 L",
    "makes 2 kg",
    "keeps 2d",
    "½",
    "😀",
    "<script>",
    "after",
    "takes",
    "__proto__",
    "12 batches",
    "0m",
    "at -5C",
    "check from",
    ";",
    "”",
  );
  fc.assert(
    fc.property(fc.array(fc.array(bits, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 6 }), (parts) => {
      const line = parts.map((p) => p.join(" ")).join(", ");
      const { step, understood, reading } = read(line);
      const own: Partial<typeof step> = {
        ...step,
        after: step.after?.map((a) => (typeof a === "string" || a.step !== "" ? a : { ...a, step: "x" })),
      };
      if (own.after === undefined) delete own.after;
      if (step.name) expect(StepSchema.safeParse({ ...own, id: "x" }).error?.issues ?? []).toEqual([]);
      const used = reading.words.map((w) => reading.line.slice(w.from, w.to)).join("");
      expect(used.replace(/\s+/g, "")).toBe(reading.line.replace(/\s+/g, ""));
      expect(understood.every((u) => u.says !== "")).toBe(true);
    }),
    { numRuns: 400 },
  );
});

describe("a step written as a line", () => {
  const steps = ["harvest-lunch", "spiced-duck", "saturday-pastries"].flatMap((slug) =>
    (demoDocument(slug).components as Loose[]).flatMap((c) =>
      (c.methods as Loose[]).flatMap((m) => (m.steps as DishStep[]).map((s) => [`${slug}: ${c.id}.${s.id}`, s] as const)),
    ),
  );
  test.each(steps)("%s comes back when it is read, and stays the same when nothing is typed", (_, step) => {
    const line = writeStepLine(step, context);
    const back = readStepLine(line, context);
    expect(back.step.attention ?? "hands").toBe(step.attention ?? "hands");
    const span = (t: DishStep["time"]) => (typeof t === "string" ? [t, t] : [t.min, t.max]).map(minutesOf);
    expect(span(back.step.time)).toEqual(span(step.time));
    expect(changeByLine(step, line, context)).toEqual(step);
  });
  test("a change of one thing leaves what no line can say", () => {
    const step: DishStep = {
      id: "roast",
      name: "Roast",
      time: { min: "75m", likely: "85m", max: "100m" },
      attention: "nearby",
      danger: ["hot-fat"],
      after: [{ step: "temper", max: "20m", limit: "quality" }],
      uses: [{ what: "oven", tempC: 180, toleranceC: 8, racks: 1, mode: "fan" }],
      makes: [{ id: "meat", name: "Duck", amount: { amount: 1, unit: "kg" } }],
    };
    const line = writeStepLine(step).replace("180C", "200C");
    const changed = changeByLine(step, line);
    expect(changed).toEqual({ ...step, uses: [{ what: "oven", tempC: 200, toleranceC: 8, racks: 1, mode: "fan" }] });
    const longer = changeByLine(step, writeStepLine(step).replace("75m-100m", "2h"));
    expect(longer).toEqual({ ...step, time: "2h" });
    const renamed = changeByLine(step, `${writeStepLine(step).replace("1 kg Duck", "1.2 kg Carved duck")}`);
    expect(renamed.makes).toEqual([{ id: "meat", name: "Carved duck", amount: { amount: 1.2, unit: "kg" } }]);
  });
});

describe("what is said back", () => {
  const kitchen: LineContext = {
    kinds: ["smoker"],
    outputs: [{ ref: "stock.set", name: "Jelly stock" }],
    steps: [{ ref: "dough.knead", name: "Knead" }],
  };
  // A question mark stands before what was concluded and not said.
  test.each<[string, string[]]>([
    [
      "simmer 3-4h, 10 L pot, skim every 45m for 2m, until thick, makes 1.2 L jelly, keeps 3d fridge",
      [
        "minutes: 3 h to 4 h, likely 3 h 30",
        "? attention: somebody awake and at home",
        "? heat: burner",
        "equipment: pot, 10 L",
        "rounds: round: skim every 45 min, 2 min each",
        "cue: done when thick",
        "makes: makes 1.2 L jelly",
        "keeps: may wait: at most 3d, in the fridge",
      ],
    ],
    ["rest 1h", ["minutes: 1 h", "? attention: unattended", "? place: on the counter"]],
    ["roast 1 h", ["minutes: 1 h", "? attention: somebody awake and at home", "? heat: oven: how hot?"]],
    ["fry in batches 4 min", ["minutes: 4 min", "? heat: burner", "? batches: how many batches?"]],
    [
      "fry 4 min in 3 batches over medium-high heat",
      ["minutes: 4 min", "heat: burner", "heat: medium to high heat", "batches: 3 batches, one after another"],
    ],
    ["keep warm 20 min in a warming drawer", ["minutes: 20 min", "? attention: unattended", "place: kept hot"]],
    [
      "smoke 3h at 110C until 74C inside",
      ["minutes: 3 h", "? attention: somebody awake and at home", "heat: smoker, 110 °C", "probeC: done at 74 °C in the middle"],
    ],
    ["fill 10m, takes 500 mL jelly stock", ["minutes: 10 min", "takes: takes 500 mL of jelly stock"]],
    ["fill 10m, takes the moonlight", ["minutes: 10 min", "? takes: takes moonlight: no component of that name"]],
    [
      "fry 4m, at once, may be put down in pieces of 20m, not at night, while away, boils, noisy",
      [
        "minutes: 4 min",
        "? heat: burner",
        "note: starts the minute the step before ends",
        "note: can be paused and continued, 20 min at a time",
        "note: not while everyone sleeps",
        "note: can run while nobody is home",
        "note: comes to a full boil",
        "note: noisy",
      ],
    ],
    ["knead", ["? minutes: no time said: 6 min to 18 min, likely 10 min"]],
    ["chill overnight, by hand", ["minutes: 8 h to 14 h, likely 10 h", "attention: hands-on throughout", "place: fridge"]],
  ])("%s", (line, wanted) => {
    expect(readStepLine(line, kitchen).understood.map((u) => `${u.guess ? "? " : ""}${u.field}: ${u.says}`)).toEqual(wanted);
  });
});
