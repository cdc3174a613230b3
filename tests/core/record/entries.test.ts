// What follows from what was written down: timers that run on, counts, rounds, ticks, readings; and what cannot have been meant.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  amountsUsed,
  ENTRY_KINDS,
  type Entry,
  EntryBody,
  readingsOf,
  roundsWritten,
  standing,
  talliesOf,
  ticksOf,
  timersOf,
} from "../../../src/core/record/entries";

const AT = Date.parse("2026-12-05T17:00:00Z");
const log = (...list: readonly (readonly [second: number, body: EntryBody])[]): Entry[] =>
  list.map(([second, body], i) => ({ id: i + 1, at: AT + second * 1000, body }));

describe("timers", () => {
  const two = [
    [0, { kind: "timer", name: "blanch", seconds: 240 }],
    [30, { kind: "timer", name: "eggs", seconds: 90 }],
  ] as const;
  test("run to a moment of their own, the next to ring first", () => {
    expect(timersOf(log(...two)).map((t) => [t.name, (t.ends - AT) / 1000])).toEqual([
      ["eggs", 120],
      ["blanch", 240],
    ]);
  });
  test("are gone once answered or cancelled, and longer by more from then on", () => {
    const answered = log(...two, [130, { kind: "timer-answer", of: 2, answer: "acknowledged" }]);
    expect(timersOf(answered).map((t) => t.name)).toEqual(["blanch"]);
    const more = log(...two, [250, { kind: "timer-answer", of: 1, answer: "more", seconds: 120 }]);
    expect(timersOf(more).map((t) => [t.name, (t.ends - AT) / 1000])).toEqual([
      ["eggs", 120],
      ["blanch", 370],
    ]);
    expect(timersOf(log(...two, [40, { kind: "timer-answer", of: 1, answer: "cancelled" }])).map((t) => t.name)).toEqual(["eggs"]);
  });
  test("a withdrawn answer lets it ring again, a withdrawn timer never rang", () => {
    const again = log(...two, [130, { kind: "timer-answer", of: 2, answer: "acknowledged" }], [140, { kind: "withdrawn", of: 3 }]);
    expect(timersOf(again)).toHaveLength(2);
    expect(timersOf(log(...two, [50, { kind: "withdrawn", of: 1 }])).map((t) => t.name)).toEqual(["eggs"]);
  });
});

describe("at a step", () => {
  const entries = log(
    [0, { kind: "tally", step: "rice.stir", name: "cups added", add: 1 }],
    [60, { kind: "tally", step: "rice.stir", name: "cups added", add: 2 }],
    [70, { kind: "tally", step: "soup.stir", name: "cups added", add: 5 }],
    [80, { kind: "tally", step: "rice.stir", name: "cups added", add: -1 }],
    [200, { kind: "reading", step: "rice.stir", quantity: "core", value: 61 }],
    [100, { kind: "reading", step: "rice.stir", quantity: "ph", value: 4.4 }],
    [300, { kind: "amount", step: "rice.stir", ingredient: "salt", amount: "9 g" }],
    [310, { kind: "amount", step: "rice.stir", ingredient: "salt", amount: "11 g", instead: "10 g" }],
    [320, { kind: "round", step: "rice.stir", what: "stir", due: 5 }],
  );
  test("counts add up, and only its own", () => {
    expect([...talliesOf(entries, "rice.stir")]).toEqual([["cups added", 2]]);
  });
  test("readings stand by when they were taken, also where one was written later", () => {
    expect(readingsOf(entries, "rice.stir").map((r) => r.value)).toEqual([4.4, 61]);
  });
  test("the last amount counts", () => {
    expect([...amountsUsed(entries, "rice.stir")]).toEqual([["salt", "11 g"]]);
  });
  test("a round tells its call and its minute", () => {
    expect(roundsWritten(entries)).toEqual([{ step: "rice.stir", what: "stir", due: 5, at: Math.floor((AT + 320_000) / 60_000) }]);
  });
});

test("what is ticked, unticked and ticked again is ticked on its own list only", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom("flour", "eggs"), fc.boolean(), fc.constantFrom("shopping", "bedtime 1"))), (presses) => {
      const entries = log(...presses.map(([item, done, list], i) => [i, { kind: "tick", list, item, done }] as const));
      for (const list of ["shopping", "bedtime 1"])
        for (const item of ["flour", "eggs"])
          expect(ticksOf(entries, list).has(item)).toBe(presses.findLast(([i, , l]) => i === item && l === list)?.[1] ?? false);
    }),
  );
});

test("withdrawing leaves the others as they were", () => {
  const entries = log(
    [0, { kind: "note", text: "smells sour" }],
    [1, { kind: "note", text: "pan too small" }],
    [2, { kind: "withdrawn", of: 1 }],
  );
  expect(standing(entries).map((e) => e.id)).toEqual([2]);
});

test.each([
  [{ kind: "reading", step: "a.roast", quantity: "core", value: 900 }, "outside"],
  [{ kind: "reading", step: "a.roast", quantity: "ph", value: -1 }, "outside"],
  [{ kind: "reading", step: "a.roast", quantity: "taste", value: 1 }, "quantity"],
  [{ kind: "timer", name: " ", seconds: 60 }, "name"],
  [{ kind: "timer", name: "blanch", seconds: 1 }, "seconds"],
  [{ kind: "note", text: "x".repeat(2001) }, "text"],
  [{ kind: "promise", text: "x" }, "Invalid"],
])("%j is not taken", (body, said) => {
  const read = EntryBody.safeParse(body);
  expect(read.success).toBe(false);
  expect(JSON.stringify(read.error)).toContain(said);
});

test("a backup knows every kind of entry that can be written", () => {
  const kinds = EntryBody.options.flatMap((option) => {
    const shape = ("shape" in option ? option.shape : {}) as { kind?: { value?: string } };
    return shape.kind?.value ?? [];
  });
  expect(kinds.length).toBeGreaterThan(8);
  expect(kinds.toSorted()).toEqual([...ENTRY_KINDS].toSorted());
});
