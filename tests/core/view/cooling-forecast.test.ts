// A pot that cools, by its readings: in time, too late, never, and after an ice bath.
import { describe, expect, test } from "vitest";
import { stepPot } from "../../../src/core/devices/simulate";
import type { Taken } from "../../../src/core/record/entries";
import { coolingForecast } from "../../../src/core/view/cooling-forecast";

const START = 50_000;
const CHECKS = [
  { afterMinutes: 120, ask: "21 °C or less in the middle", otherwise: "stir it in ice water now" },
  { afterMinutes: 360, ask: "5 °C or less in the middle", otherwise: "throw it away" },
];
const step = (place: "counter" | "fridge") => ({ start: START, place });
const read = (list: readonly (readonly [minute: number, value: number])[]): Taken[] =>
  list.map(([minute, value], i) => ({ id: i + 1, at: (START + minute) * 60_000, quantity: "temperature", value, device: undefined }));
/** A pot that also loses steam, another model than the one fitted; every ten minutes, to a tenth. */
function pot(massKg: number, minutes: number, uaWK = 2.4, tEnvC = 20): (readonly [number, number])[] {
  let state = { tempC: 80, t: 0 };
  const found: (readonly [number, number])[] = [];
  for (let minute = 0; minute <= minutes; minute += 10) {
    found.push([minute, Math.round(state.tempC * 10) / 10]);
    state = stepPot({ state, params: { massKg, cp: 3900 }, env: { tEnvC, uaWK, topM2: 0.05 }, stepS: 60, steps: 10 });
  }
  return found;
}

describe("on the counter", () => {
  test("a large pot is foretold to be too late long before its limit, and what to do is told", () => {
    const found = coolingForecast(step("counter"), read(pot(8, 60)), CHECKS);
    expect(found).toMatchObject({ limitC: 21, by: START + 120, otherwise: "stir it in ice water now" });
    expect(found?.lateBy).toBeGreaterThan(60);
  });
  test("the forecast at half of the time is within a third of what the other model comes to", () => {
    const truth = pot(6, 900, 6, 12).find(([, c]) => c <= 21)?.[0] as number;
    const found = coolingForecast({ start: START, place: "cellar" } as never, read(pot(6, truth / 2, 6, 12)), CHECKS);
    const foretold = (found?.at as number) - START;
    expect(Math.abs(foretold - truth) / truth).toBeLessThan(0.34);
  });
  test("what never gets there in that place is told so", () => {
    const cool = read([
      [0, 24],
      [10, 22.6],
      [20, 21.8],
      [30, 20.9],
    ]);
    expect(coolingForecast(step("counter"), cool, CHECKS)).toMatchObject({ limitC: 5, at: undefined, lateBy: undefined });
  });
});

test("an ice bath counts from when it begins to tell", () => {
  const slow = pot(8, 60);
  const iced = [...slow, ...[62, 50, 40, 32, 26.5].map((c, i) => [70 + i * 6, c] as const)];
  const before = coolingForecast(step("counter"), read(slow), CHECKS);
  const after = coolingForecast(step("counter"), read(iced), CHECKS);
  expect(before?.lateBy).toBeGreaterThan(0);
  expect(after?.at as number).toBeLessThan(before?.at as number);
});

describe("nothing is foretold", () => {
  test.each([
    [
      "from two readings",
      [
        [0, 80],
        [20, 60],
      ],
    ],
    [
      "from readings within a few minutes",
      [
        [0, 80],
        [2, 79],
        [4, 78],
      ],
    ],
    [
      "of what warms up",
      [
        [0, 30],
        [10, 40],
        [20, 50],
      ],
    ],
    [
      "of what is at its last limit",
      [
        [0, 8],
        [60, 6],
        [120, 4],
      ],
    ],
  ] as const)("%s", (_, list) => {
    expect(coolingForecast(step("fridge"), read(list), CHECKS)).toBeUndefined();
  });
  test("without a limit", () => {
    expect(coolingForecast(step("counter"), read(pot(8, 60)), [])).toBeUndefined();
    expect(
      coolingForecast(step("counter"), read(pot(8, 60)), [{ afterMinutes: 10, ask: "pH 4.6 or less", otherwise: "" }]),
    ).toBeUndefined();
  });
});
