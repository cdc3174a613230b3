// Which rounds are called for now, and which were missed.
import { describe, expect, test } from "vitest";
import type { Entry, EntryBody } from "../../../src/core/record/entries";
import { roundsDue } from "../../../src/core/view/rounds-due";
import { at, step } from "../../support/plan-views";

const round = (when: string, what = "skim") => ({ at: at(when), what, takes: 2 });
const stock = (...rounds: ReturnType<typeof round>[]) => step("stock.simmer", "10:00", "14:00", { state: "running", rounds });
const done = (due: string, when = due, what = "skim"): Entry => ({
  id: at(due),
  at: at(when) * 60_000,
  body: { kind: "round", step: "stock.simmer", what, due: at(due) } as EntryBody,
});
const due = (steps: Parameters<typeof roundsDue>[0], entries: Entry[], now: string) =>
  roundsDue(steps, entries, at(now)).map((r) => [r.what, r.at - at("10:00"), r.missed]);
const THREE = [round("10:45"), round("11:30"), round("12:15")];

describe("a round", () => {
  test("is due from just before its minute until it is done", () => {
    const steps = [stock(...THREE)];
    expect(due(steps, [], "10:40")).toEqual([]);
    expect(due(steps, [], "10:43")).toEqual([["skim", 45, 0]]);
    expect(due(steps, [], "11:20")).toEqual([["skim", 45, 0]]);
    expect(due(steps, [done("10:45", "10:50")], "11:20")).toEqual([]);
  });
  test("that passed unmarked is counted as missed once the next is due", () => {
    expect(due([stock(...THREE)], [], "12:16")).toEqual([["skim", 135, 2]]);
    expect(due([stock(...THREE)], [done("10:45")], "12:16")).toEqual([["skim", 135, 1]]);
  });
  test("counts as done where the plan has moved its minute a little", () => {
    expect(due([stock(round("10:49"), round("11:34"))], [done("10:45", "10:47")], "10:55")).toEqual([]);
  });
  test("done once does not count for the next", () => {
    expect(due([stock(...THREE)], [done("10:45")], "11:30")).toEqual([["skim", 90, 0]]);
  });
  test("of a step that does not run is nobody's", () => {
    expect(roundsDue([{ ...stock(...THREE), state: "planned" }], [], at("12:00"))).toEqual([]);
  });
  test("two kinds and two steps stand together, the one that has waited longest first", () => {
    const ham = step("ham.roast", "10:00", "13:00", { state: "running", rounds: [round("11:00", "baste")] });
    expect(due([stock(round("11:02"), round("10:58", "stir")), ham], [], "11:03").map(([what]) => what)).toEqual(["stir", "baste", "skim"]);
  });
});
