// The table beside a curve: the same heights at some places along it, readings at their own, nothing outside a line.
import { describe, expect, test } from "vitest";
import type { Curve } from "../../src/core/bench/panel";
import { startOf } from "../../src/core/bench/panel";
import { panelOf } from "../../src/core/bench/panels";
import { changedFrom } from "../../src/ui/bench/PanelView";
import { heightAt, stepOf, tableOf } from "../../src/ui/charts/CurveChart";

const curve: Curve = {
  title: "A pot",
  x: { label: "minutes", of: "time" },
  y: { label: "middle", of: "temp" },
  lines: [
    {
      name: "cooling",
      look: "copper",
      points: [
        [0, 90],
        [60, 50],
        [120, 20],
      ],
      band: [
        [0, 88, 92],
        [120, 15, 30],
      ],
    },
    { name: "read", look: "rim", dots: true, points: [[45, 61]] },
  ],
};

describe("a curve as a table", () => {
  test("heights lie on straight lines between the points, and nowhere outside", () => {
    const points = curve.lines[0]?.points ?? [];
    expect(heightAt(points, 30)).toBe(70);
    expect(heightAt(points, 60)).toBe(50);
    expect(heightAt(points, 121)).toBeUndefined();
    expect(heightAt([[10, 1]], 5)).toBeUndefined();
  });
  test("it runs from end to end, bands beside the middle, in the reader's units", () => {
    const rows = tableOf(curve, "metric");
    expect(rows[0]?.slice(0, 2)).toEqual(["0 min", "90 °C (88 °C to 92 °C)"]);
    expect(rows.at(-1)?.slice(0, 2)).toEqual(["2 h", "20 °C (15 °C to 30 °C)"]);
    expect(tableOf(curve, "us")[0]?.[1]).toContain("194 °F");
  });
  test("a reading has its own row and no height elsewhere", () => {
    const rows = tableOf(curve, "metric");
    const read = rows.filter((r) => r[2] !== "");
    expect(read.map((r) => [r[0], r[2]])).toEqual([["45 min", "61 °C"]]);
  });
});

test("an address holds what differs from a panel's start, and nothing else", () => {
  const panel = panelOf("brine");
  if (!panel) throw new Error("no brine");
  const start = startOf(panel, "metric");
  expect(changedFrom(panel, start, "metric")).toEqual({});
  expect(changedFrom(panel, { ...start, meat: "2 lb", stray: "x" }, "metric")).toEqual({ meat: "2 lb" });
});

test("the axes go in steps that a cook counts in", () => {
  expect(stepOf(9 * 1440, "time", "metric")).toBe(2 * 1440);
  expect(stepOf(100, "time", "metric")).toBe(15);
  expect(stepOf(80, "length", "us")).toBeCloseTo(25.4 / 2, 6);
  expect(stepOf(90, "length", "metric")).toBeUndefined();
});
