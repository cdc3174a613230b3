// The engine's resources, each for itself: what is given stays within what is there, at every minute and not only at the first.
import { describe, expect, test } from "vitest";
import type { Activity, Model } from "../../../src/core/planner/model";
import type { Commitments } from "../../../src/core/planner/resources/commitments";
import { Hands } from "../../../src/core/planner/resources/hands";
import { Stores } from "../../../src/core/planner/resources/stores";
import type { Intervals } from "../../../src/core/time/interval";

/** What the resources see of the engine, with nothing to prune. */
const stateOf = (model: Partial<Model>) =>
  ({
    model: { now: 0, last: 10_000, activities: [], tied: new Set(), dish: { cooks: [] }, ...model },
    setMap: <K, V>(map: Map<K, V>, key: K, value: V) => map.set(key, value),
    note: () => {},
  }) as unknown as Commitments;

describe("a fridge of 10 litres", () => {
  const fridge = () => new Stores(stateOf({ storeLitres: new Map([["fridge", 10]]) }));

  test("takes what fits to the last litre, and not a tenth more", () => {
    const stores = fridge();
    expect(stores.give("a", "fridge", 0, 100, 6)).toBe(true);
    expect(stores.give("b", "fridge", 0, 100, 4)).toBe(true);
    expect(stores.give("c", "fridge", 99, 120, 0.1)).toBe(false);
    expect(stores.give("c", "fridge", 100, 120, 0.1)).toBe(true);
  });

  test("refuses what fits at first and no longer once something else comes", () => {
    const stores = fridge();
    expect(stores.give("late", "fridge", 500, 600, 7)).toBe(true);
    expect(stores.give("long", "fridge", 0, 501, 4)).toBe(false);
    expect(stores.give("long", "fridge", 0, 500, 4)).toBe(true);
  });

  test("counts something that is kept twice over once, for the longer of both", () => {
    const stores = fridge();
    expect(stores.give("pot", "fridge", 0, 100, 6)).toBe(true);
    expect(stores.give("pot", "fridge", 50, 200, 6)).toBe(true);
    expect(stores.give("other", "fridge", 150, 160, 5)).toBe(false);
    expect(stores.give("other", "fridge", 200, 260, 5)).toBe(true);
  });

  test("lets in anything where nothing is said of its room", () => {
    expect(fridge().give("a", "counter", 0, 100, 400)).toBe(true);
  });
});

describe("rounds of every hour", () => {
  const roundsOf = (there: Intervals, more: object = {}, fact?: object) =>
    new Hands(stateOf({ roundMinutes: () => there, ...more })).roundsOf(
      { step: { ref: "x.turn", tends: [{ every: 60, first: 60, takes: 1 }] }, fact } as unknown as Activity,
      { start: 0, end: 250, pieces: [] },
    );

  test("are made on the hour where somebody is there", () => {
    expect(roundsOf([[0, 1000]])?.map((r) => r.at)).toEqual([60, 120, 180, 240]);
  });

  test("move by a quarter of the hour where nobody is, and no further", () => {
    expect(
      roundsOf([
        [0, 46],
        [100, 1000],
      ])?.map((r) => r.at),
    ).toEqual([45, 120, 180, 240]);
    expect(
      roundsOf([
        [0, 45],
        [100, 1000],
      ]),
    ).toBeUndefined();
  });

  test("lie half their rhythm apart at least, where five minutes of play would bring them closer", () => {
    const tends = [{ every: 8, first: 8, takes: 1 }];
    const rounds = (there: Intervals) =>
      new Hands(stateOf({ roundMinutes: () => there })).roundsOf({ step: { ref: "x.turn", tends } } as unknown as Activity, {
        start: 0,
        end: 20,
        pieces: [],
      });
    expect(rounds([[13, 20]])?.map((r) => r.at)).toEqual([13, 17]);
    expect(rounds([[13, 17]])).toBeUndefined();
  });

  test("that lie behind are taken as made when they were due", () => {
    expect(roundsOf([[190, 1000]], { now: 130 }, {})?.map((r) => r.at)).toEqual([60, 120, 190, 240]);
  });
});
