// A batch followed over weeks: when it will be where the cook wants it, against what the readings really follow.
import { describe, expect, test } from "vitest";
import { Aim, type BatchBody, type BatchEntry, batchProgress, batchStanding } from "../../../src/core/record/batches";

const DAY = 86_400_000;
const START = Date.parse("2026-03-01T08:00:00Z");
const entry = (id: number, days: number, body: BatchBody): BatchEntry => ({ id, at: START + days * DAY, body });
const weighed = (id: number, days: number, value: number) => entry(id, days, { kind: "reading", quantity: "weight", value });
const soured = (id: number, days: number, value: number) => entry(id, days, { kind: "reading", quantity: "ph", value });
const LOSS: Aim = { kind: "loss", percent: 30 };
const dayOf = (ms: number | undefined) => ((ms ?? Number.NaN) - START) / DAY;

describe("a ham that loses weight", () => {
  /** Drying that is held back by what water has to go through: a per cent of loss at the first day, by the square root of time. */
  const dried = (a: number, days: readonly number[]) => days.map((d, i) => weighed(i + 1, d, 2000 * (1 - (a * Math.sqrt(d)) / 100)));
  test.each([
    [4, 56.25],
    [6, 25],
  ])("by %d %% times the root of the days is there on day %d", (a, day) => {
    const found = batchProgress(dried(a, [0, 1, 3, 7, 12, 16]), LOSS);
    expect(found?.reached).toBe(false);
    expect(found?.now).toBeCloseTo(a * 4, 6);
    expect(dayOf(found?.likely)).toBeCloseTo(day, 1);
    // The straight line of the newest readings says sooner, and that is the other end of the band.
    expect(dayOf(found?.soonest)).toBeLessThan(day);
    expect(dayOf(found?.latest)).toBeCloseTo(day, 1);
  });
  test("is there at the per cent and not before", () => {
    const at = (grams: number) => batchProgress([weighed(1, 0, 2000), weighed(2, 9, grams)], LOSS);
    expect(at(1401)?.reached).toBe(false);
    expect(at(1400)).toMatchObject({ reached: true, likely: undefined });
  });
  test("says nothing of when before a day has passed, nor where it gains", () => {
    expect(batchProgress([weighed(1, 0, 2000), weighed(2, 0.99, 1950)], LOSS)?.likely).toBeUndefined();
    expect(batchProgress([weighed(1, 0, 2000), weighed(2, 1, 1950)], LOSS)?.likely).toBeDefined();
    expect(batchProgress([weighed(1, 0, 2000), weighed(2, 5, 2010)], LOSS)).toMatchObject({ reached: false, likely: undefined });
    expect(batchProgress([], LOSS)).toBeUndefined();
  });
  test("a first weight of nothing says nothing", () => {
    expect(batchProgress([weighed(1, 0, 0), weighed(2, 5, 1800)], LOSS)).toBeUndefined();
  });
  test("more than two years are no forecast", () => {
    expect(batchProgress([weighed(1, 0, 2000), weighed(2, 10, 1998)], LOSS)?.likely).toBeUndefined();
  });
});

describe("a pH that falls", () => {
  const to = (value: number): Aim => ({ kind: "value", quantity: "ph", value });
  test("follows the straight line of the newest four readings", () => {
    const entries = [soured(1, 0, 6), soured(2, 1, 5.9), soured(3, 2, 5.4), soured(4, 3, 4.9), soured(5, 4, 4.4)];
    const found = batchProgress(entries, to(3.9));
    expect(dayOf(found?.likely)).toBeCloseTo(5, 6);
    expect(found?.soonest).toBe(found?.latest);
    expect(batchProgress(entries, to(4.4))?.reached).toBe(true);
    expect(batchProgress(entries, to(4.3))?.reached).toBe(false);
  });
  test("that goes the other way is never there", () => {
    expect(batchProgress([soured(1, 0, 5), soured(2, 3, 5.5)], to(4))).toMatchObject({ reached: false, likely: undefined });
  });
  test("a dough that rises is there from below", () => {
    const high: Aim = { kind: "value", quantity: "height", value: 12 };
    const grew = (id: number, days: number, value: number) => entry(id, days, { kind: "reading", quantity: "height", value });
    expect(batchProgress([grew(1, 0, 6), grew(2, 2, 11.9)], high)?.reached).toBe(false);
    expect(batchProgress([grew(1, 0, 6), grew(2, 2, 12)], high)?.reached).toBe(true);
  });
});

test("what is taken back is gone, and what is written late stands where it happened", () => {
  const entries: BatchEntry[] = [
    weighed(1, 0, 2000),
    weighed(2, 10, 100),
    entry(3, 10, { kind: "withdrawn", of: 2 }),
    weighed(4, 16, 1600),
    weighed(5, 4, 1800),
  ];
  expect(batchStanding(entries).map((e) => e.id)).toEqual([1, 5, 4]);
  expect(batchProgress(entries, LOSS)?.now).toBeCloseTo(20, 9);
});

test.each([
  [{ kind: "loss", percent: 0.9 }, false],
  [{ kind: "loss", percent: 1 }, true],
  [{ kind: "loss", percent: 90 }, true],
  [{ kind: "loss", percent: 91 }, false],
  [{ kind: "value", quantity: "ph", value: 14.1 }, false],
  [{ kind: "value", quantity: "ph", value: 4.6 }, true],
])("an aim of %j can be meant: %s", (aim, good) => expect(Aim.safeParse(aim).success).toBe(good));
