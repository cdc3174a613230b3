// The line protocol: what a device sends is read in its own units, and one bad line spoils nothing.
import { describe, expect, test } from "vitest";
import { MOST_LINES, readDeviceLines } from "../../../src/core/devices/line";

const line = (more: object) => JSON.stringify({ device: "probe-1", quantity: "core", value: 54.2, ...more });

describe("a line", () => {
  test.each([
    ["core", 131, "°F", 55],
    ["temperature", 21.5, undefined, 21.5],
    ["weight", 1.5, "kg", 1500],
    ["weight", 2, "lb", 907.18],
    ["height", 120, "mm", 12],
    ["height", 2, "in", 5.08],
    ["ph", 4.61, "pH", 4.61],
    ["salinity", 3.5, "%", 3.5],
  ])("%s of %d %s is kept as %d", (quantity, value, unit, kept) => {
    const { readings, problems } = readDeviceLines(line({ quantity, value, ...(unit ? { unit } : {}) }));
    expect(problems).toEqual([]);
    expect(readings[0]?.value).toBeCloseTo(kept, 1);
  });
  test("says when it was measured by its own clock, and that it reads nothing", () => {
    const { readings } = readDeviceLines(line({ at: "2026-12-05T18:31:04+01:00", value: null, name: "Meat probe" }));
    expect(readings[0]).toEqual({
      device: "probe-1",
      name: "Meat probe",
      quantity: "core",
      value: null,
      at: Date.parse("2026-12-05T17:31:04Z"),
    });
    expect(readDeviceLines(line({})).readings[0]).toMatchObject({ name: "probe-1", at: undefined });
  });
  test.each([
    ["not JSON", "{device", "JSON"],
    ["a strange name", line({ device: "Probe 1" }), "device: Write a name"],
    ["a quantity that nobody measures", line({ quantity: "taste" }), "quantity"],
    ["another unit", line({ unit: "K" }), "unit: write °C or °F for core"],
    ["a unit of something else", line({ quantity: "weight", unit: "cm" }), "unit: write g or kg or oz or lb for weight"],
    ["a text for a value", line({ value: "hot" }), "value"],
    ["a time without its offset", line({ at: "2026-12-05T18:31" }), "at"],
  ])("%s is told with its number, and the others are read", (_, bad, said) => {
    const { readings, problems } = readDeviceLines([line({}), bad, "", line({ device: "probe-2" })].join("\n"));
    expect(readings.map((r) => r.device)).toEqual(["probe-1", "probe-2"]);
    expect(problems).toHaveLength(1);
    expect(problems[0]?.line).toBe(2);
    expect(problems[0]?.message).toContain(said);
  });
  test("too many at once are cut off and told", () => {
    const { readings, problems } = readDeviceLines(
      Array(MOST_LINES + 5)
        .fill(line({}))
        .join("\n"),
    );
    expect(readings).toHaveLength(MOST_LINES);
    expect(problems[0]?.message).toContain(`${MOST_LINES}`);
  });
});
