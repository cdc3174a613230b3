// Every kind of bad file gets its own error at its own path, all of them at once, and quickly.
import { describe, expect, test } from "vitest";
import { type ReadDish, readDish } from "../../../src/core/dish/read";
import { demoText, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const problemsOf = (read: ReadDish) => read.problems.filter((p) => p.severity === "error");
const readSmall = (change: (dish: Loose) => void) => readDish(JSON.stringify(smallDish(change)));

/** Steps to the small dish, where the error must stand, and a word that it must say. */
const CASES: [string, (d: Loose) => void, string, RegExp][] = [
  ["another format", (d) => (d.format = "rondeau/9"), "format", /rondeau\/1/],
  ["no dish", (d) => delete d.dish, "dish", /./],
  ["text for a number", (d) => (d.dish.serves = "four"), "dish.serves", /number/i],
  ["a character that no database keeps", (d) => (d.components[0].name = "stock\u0000"), "components[0].name", /NUL/],
  ["half of a pair", (d) => (d.dish.name = "pie \ud83d"), "dish.name", /half of a pair/],
  ["nobody to serve", (d) => (d.dish.serves = 0), "dish.serves", /./],
  ["a date that does not exist", (d) => (d.dish.serveAt = "2026-02-30T13:00"), "dish.serveAt", /2026|date/i],
  ["an unknown zone", (d) => (d.dish.timezone = "Mars/Olympus"), "dish.timezone", /zone/i],
  ["no such serving step", (d) => (d.dish.serve = "plate.eat"), "dish.serve", /eat/],
  ["an absurd horizon", (d) => (d.dish.startNotBefore = "1971-01-01T00:00"), "dish.startNotBefore", /day/i],
  [
    "a duration that is none",
    (d) => (stepOf(d, "stock.chop").time = "20 minutes"),
    "components[0].methods[0].steps[0].time",
    /20m|1h30m|duration/i,
  ],
  ["a duration of years", (d) => (stepOf(d, "stock.chop").time = "4000d"), "components[0].methods[0].steps[0].time", /400/],
  [
    "least after longest",
    (d) => (stepOf(d, "stock.simmer").time = { min: "6h", likely: "4h", max: "3h" }),
    "components[0].methods[0].steps[1].time",
    /./,
  ],
  ["a step after nothing", (d) => (stepOf(d, "stock.simmer").after = ["roast"]), "components[0].methods[0].steps[1].after[0]", /roast/],
  ["a step after itself", (d) => (stepOf(d, "stock.simmer").after = ["simmer"]), "components[0].methods[0].steps[1].after[0]", /itself/],
  ["a circle", (d) => (stepOf(d, "stock.chop").after = ["simmer"]), "components[0].methods[0].steps[0]", /circle/],
  [
    "a take from nowhere",
    (d) => (stepOf(d, "sauce.reduce").takes[0].from = "stock.broth"),
    "components[1].methods[0].steps[0].takes[0].from",
    /broth/,
  ],
  [
    "more taken than made",
    (d) => (stepOf(d, "sauce.reduce").takes[0].amount.amount = 5),
    "components[0].methods[0].steps[1].makes[0].amount",
    /More is used/,
  ],
  [
    "an amount below nothing",
    (d) => (stepOf(d, "sauce.reduce").takes[0].amount.amount = -1),
    "components[1].methods[0].steps[0].takes[0].amount.amount",
    /./,
  ],
  [
    "equipment that is not there",
    (d) => stepOf(d, "stock.chop").uses === undefined && (stepOf(d, "stock.chop").uses = [{ what: "mixer" }]),
    "components[0].methods[0].steps[0].uses[0].what",
    /mixer/,
  ],
  ["a cook who is not there", (d) => (stepOf(d, "stock.chop").cooks = ["zoe"]), "components[0].methods[0].steps[0].cooks[0]", /zoe/],
  ["two steps of one name", (d) => (stepOf(d, "stock.simmer").id = "chop"), "components[0].methods[0].steps[1].id", /chop/],
  ["two components of one name", (d) => (d.components[1].id = "stock"), "components[1].id", /stock/],
  ["an unknown kind of component", (d) => (d.components[0].kind = "potion"), "components[0].kind", /./],
  [
    "hours that end nowhere",
    (d) => (d.kitchen.cooks[0].hours = [{ days: "all", from: "09:00", to: "26:00" }]),
    "kitchen.cooks[0].hours[0].to",
    /./,
  ],
  [
    "days that are none",
    (d) => (d.kitchen.cooks[0].hours = [{ days: "someday", from: "09:00", to: "12:00" }]),
    "kitchen.cooks[0].hours[0].days",
    /mon/,
  ],
  ["no steps at all", (d) => (d.components[0].methods[0].steps = []), "components[0].methods[0].steps", /./],
  [
    "a reference with odd signs",
    (d) => (stepOf(d, "sauce.reduce").takes[0].from = "stock..stock"),
    "components[1].methods[0].steps[0].takes[0].from",
    /./,
  ],
];

describe("a bad file", () => {
  test.each(CASES)("%s", (_, change, path, says) => {
    const read = readSmall(change);
    expect(read.status).toBe("refused");
    const found = problemsOf(read).filter((p) => p.path === path || p.path.startsWith(`${path}.`) || p.path.startsWith(`${path}[`));
    expect(found.length, `at ${path}; found ${read.problems.map((p) => `${p.path}: ${p.message}`).join("\n")}`).toBeGreaterThan(0);
    expect(found.map((p) => p.message).join(" ")).toMatch(says);
  });

  test("tells everything that is wrong at once", () => {
    const read = readSmall((d) => {
      d.dish.serves = "four";
      stepOf(d, "stock.chop").time = "soon";
      d.kitchen.cooks[0].hours = [{ days: "never", from: "09:00", to: "12:00" }];
    });
    expect(problemsOf(read).map((p) => p.path)).toEqual(
      expect.arrayContaining(["dish.serves", "components[0].methods[0].steps[0].time", "kitchen.cooks[0].hours[0].days"]),
    );
  });

  test("warns of a step that leads to nothing that is served", () => {
    const read = readSmall((d) =>
      d.components[0].methods[0].steps.push({ id: "extra", time: "5m", name: "Extra", after: [{ step: "simmer", max: "1h" }] }),
    );
    expect(read.problems.map((p) => [p.severity, p.path])).toEqual([["warning", "components[0].methods[0].steps[2]"]]);
    expect(read.problems[0]?.message).toMatch(/leads to nothing/);
  });

  test("warns of a word that the format does not know, and keeps it", () => {
    const read = readSmall((d) => (stepOf(d, "stock.chop").colour = "brown"));
    expect(read.problems.map((p) => [p.severity, p.path])).toEqual([["warning", "components[0].methods[0].steps[0].colour"]]);
    expect(read.status === "read" && JSON.stringify(read.document)).toContain('"colour":"brown"');
  });
});

describe("a hostile file", () => {
  const timed = (text: string): ReadDish => {
    const began = performance.now();
    const read = readDish(text);
    // A guard against hanging; how fast it really is (two seconds are promised) is the bench's to say.
    expect(performance.now() - began).toBeLessThan(15_000);
    expect(read.problems.length).toBeGreaterThan(0);
    for (const p of read.problems) expect(p.message.length).toBeLessThan(600);
    return read;
  };
  const refused = (text: string) => expect(timed(text).status).toBe("refused");

  test("of 9 MB is refused by its size", () => {
    const read = timed(`{"format":"rondeau/1","x":"${"a".repeat(9_000_000)}"}`);
    expect(read.problems[0]?.message).toMatch(/MB|large|big/i);
  });
  test("of 5 MB of the right form and wrong contents is refused", () => {
    refused(
      JSON.stringify(
        smallDish(
          (d) => (d.components = Array.from({ length: 40_000 }, (_, i) => ({ id: i, name: null, kind: "x", methods: {}, more: [1, 2] }))),
        ),
      ).padEnd(5_000_000),
    );
  });
  test("of 5 MB of one text is refused", () => refused(JSON.stringify(smallDish((d) => (d.dish.name = "x".repeat(5_000_000))))));
  test("10,000 levels deep is refused by its depth", () => {
    const read = timed(`{"format":"rondeau/1","dish":${"[".repeat(10_000)}${"]".repeat(10_000)}}`);
    expect(read.problems[0]?.message).toMatch(/deep|level|nest/i);
    refused(`${'{"a":'.repeat(10_000)}1${"}".repeat(10_000)}`);
  });
  test("with keys that reach for prototypes changes nothing of ours", () => {
    refused('{"__proto__":{"polluted":true},"constructor":{"prototype":{"polluted":true}},"format":"rondeau/1"}');
    const text = JSON.stringify(smallDish()).replace('"dish":{', '"dish":{"__proto__":{"polluted":true},');
    readDish(text);
    expect(({} as Loose).polluted).toBeUndefined();
    expect(Object.hasOwn(Object.prototype, "polluted")).toBe(false);
  });
  test("with numbers that are none", () => {
    for (const number of ["NaN", "Infinity", "-Infinity"]) refused(JSON.stringify(smallDish()).replace('"serves":4', `"serves":${number}`));
    refused(JSON.stringify(smallDish()).replace('"serves":4', '"serves":1e999'));
  });
  test("that is no JSON, empty, or something else altogether", () => {
    for (const text of ["", "   ", "{", "null", "[]", "42", '"rondeau/1"', "{}\u0000", demoText("harvest-lunch").slice(0, -40)])
      refused(text);
  });
  test("with wrong types everywhere", () => {
    const types = [null, 1, "x", true, [], {}, [[]], -1e300];
    let turn = 0;
    const spoil = (value: unknown): unknown => {
      if (Array.isArray(value)) return turn++ % 5 === 0 ? types[turn % types.length] : value.map(spoil);
      if (typeof value === "object" && value !== null)
        return turn++ % 7 === 0 ? types[turn % types.length] : Object.fromEntries(Object.entries(value).map(([k, v]) => [k, spoil(v)]));
      return turn++ % 3 === 0 ? types[turn % types.length] : value;
    };
    for (let i = 0; i < 30; i++) refused(JSON.stringify(spoil(JSON.parse(demoText("spiced-duck")))));
  });
  test("with too many steps", () => {
    refused(
      JSON.stringify(
        smallDish((d) => (d.components[0].methods[0].steps = Array.from({ length: 6000 }, (_, i) => ({ id: `s${i}`, time: "1m" })))),
      ),
    );
  });
});
