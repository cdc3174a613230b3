// Runs beside each other: the same step of the same component, whatever the dish; nothing that has no counterpart.
import { describe, expect, test } from "vitest";
import { besideRuns, type OtherRun } from "../../../src/core/view/beside-runs";
import type { ReviewRow } from "../../../src/core/view/run-review";

const row = (component: string, name: string, minutes: number | undefined, skipped = false): ReviewRow => ({
  step: `${component}.${name}`.toLowerCase(),
  name,
  component,
  planned: undefined,
  really: { start: 0, minutes, skipped },
});
const run = (id: string, rows: readonly ReviewRow[]): OtherRun => ({ id, name: id, startedAt: 0, rows, verdicts: { Sourdough: "again" } });

describe("beside each other", () => {
  const mine = [row("Sourdough", "Bulk ferment", 300), row("Sourdough", "Bake", 45), row("Soup", "Simmer", 90)];
  test("stand the steps that are called alike, in the order of this run; a gap where one was not timed", () => {
    const second = run("second", [row("sourdough", "bake", 50), row("Sourdough", "Bulk ferment", 280)]);
    const third = run("third", [row("Sourdough", "Bake", undefined), row("Sourdough", "Bulk ferment", 310)]);
    const { rows, others } = besideRuns(mine, [second, third]);
    expect(rows.map((r) => [r.name, ...r.minutes])).toEqual([
      ["Bulk ferment", 300, 280, 310],
      ["Bake", 45, 50, undefined],
    ]);
    expect(others.map((o) => [o.id, o.verdicts.Sourdough])).toEqual([
      ["second", "again"],
      ["third", "again"],
    ]);
  });
  test("a run with nothing in common is no column, and what was left out is no time", () => {
    const { rows, others } = besideRuns(mine, [
      run("pie", [row("Crust", "Bake", 40)]),
      run("skipped", [row("Sourdough", "Bake", 45, true)]),
    ]);
    expect(rows).toEqual([]);
    expect(others).toEqual([]);
  });
});
