// What is usual where a language is spoken, and how a text of the core is told by it.
import { describe, expect, test } from "vitest";
import { conventionsOf, conventionsText, METRIC_24, mannerOf, readConventions, US_12 } from "../../../src/core/spoken/conventions";
import { inConventions, inFigures } from "../../../src/core/spoken/in-conventions";
import { spokenInstant, WallClock } from "../../../src/core/time/wall-clock";

describe("where a language is spoken", () => {
  test.each([
    ["en-GB", { units: "metric", clock: 24, weekStart: 1, dayFirst: true, decimal: "." }],
    ["en-US,en;q=0.9", US_12],
    ["de-DE,de;q=0.9,en;q=0.8", { units: "metric", clock: 24, weekStart: 1, dayFirst: true, decimal: "," }],
    ["en-AU", { units: "metric", clock: 12, weekStart: 1, dayFirst: true, decimal: "." }],
    ["ja", { units: "metric", clock: 24, weekStart: 7, dayFirst: false, decimal: "." }],
  ])("%s", (tag, wanted) => expect(conventionsOf(tag)).toEqual(wanted));
  test.each(["", "*", "12345", "x", ";;"])("%j is no language: the usual of en-GB", (tag) => expect(conventionsOf(tag)).toEqual(METRIC_24));
  test("a choice is kept as one word and read again; anything else is none", () => {
    for (const c of [METRIC_24, US_12, { ...US_12, decimal: "," as const, weekStart: 6 as const }])
      expect(readConventions(conventionsText(c))).toEqual(c);
    for (const text of ["", "us", "us.13.1.dm.point", "metric.24.1.dm.point.more", "imperial.24.1.dm.point"])
      expect(readConventions(text)).toBeUndefined();
  });
});

describe("a text of the core", () => {
  test.each([
    ["Sat 5/12 17:05 at 190 °C", "Sat Dec 5 5:05 pm at 374 °F"],
    ["from 57 to 21 °C within 2 h", "from 135 to 70 °F within 2 h"],
    ["1.25 kg shoulder, 2.5 L stock", "2 lb 12.1 oz shoulder, 2 5/8 qt stock"],
    ["freeze at −18 °C, or at -20 °C", "freeze at 0 °F, or at −4 °F"],
    ["from −2 to 4 °C, or 18-21 °C, or 18–21 °C", "from 28 to 39 °F, or 64-70 °F, or 64–70 °F"],
    ["a tin of 20 × 30 × 5 cm and 2 × 250 g butter", "a tin of 7.87 in × 11.8 in × 1.97 in and 2 × 8.8 oz butter"],
    ["500 g flour, 40 g fine salt and 200 g butter", "1 lb 1.6 oz flour, 40 g fine salt and 7.1 oz butter"],
    ["3 g salt per kg", "3 g salt per kg"],
    ["125 mg/kg nitrite, 5 g/kg salt", "125 mg/kg nitrite, 5 g/kg salt"],
    ["100 to 200 g", "3.5 oz to 7.1 oz"],
    ["a tray 30 cm wide", "a tray 11.8 in wide"],
    ["no noise 21:30 to 07:30", "no noise 9:30 pm to 7:30 am"],
    ["00:00, 12:00 and 24:00", "12:00 am, 12:00 pm and midnight"],
    ["17:05: start", "5:05 pm: start"],
    ["version 1.2.3, ratio 1:30", "version 1.2.3, ratio 1:30"],
  ])("%s", (metric, us) => {
    expect(inConventions(metric, US_12)).toBe(us);
    expect(inConventions(metric, METRIC_24)).toBe(metric.replace("Sat 5/12", "Sat 5 Dec"));
  });
  test("decimals have the reader's mark, and times and versions keep their points", () => {
    const c = { ...METRIC_24, decimal: "," as const };
    expect(inConventions("1.25 kg at pH 4.6, 17:05, version 1.2.3", c)).toBe("1,25 kg at pH 4,6, 17:05, version 1.2.3");
  });
});

describe("a wall clock", () => {
  const clock = new WallClock([[0, 0, mannerOf(US_12)]]);
  const minute = Date.UTC(2026, 11, 5, 17, 5) / 60_000;
  test("of twelve hours, month first", () => {
    expect(clock.time(minute)).toBe("5:05 pm");
    expect(clock.time(minute - 17 * 60)).toBe("12:05 am");
    expect(clock.dayTime(minute)).toBe("Sat 5:05 pm");
    expect(clock.date(minute)).toBe("Saturday, December 5");
    expect(clock.shortDay(minute)).toBe("Sat, Dec 5");
    expect([clock.tick(minute - 5), clock.tick(minute)]).toEqual(["5 pm", ":05"]);
    expect(spokenInstant("2026-12-05T17:05", mannerOf(US_12))).toBe("Sat, December 5, 5:05 pm");
  });
  test("of twenty-four, as before", () => {
    const plain = new WallClock([[0, 0]]);
    expect([plain.time(minute), plain.date(minute), plain.shortDay(minute), plain.tick(minute)]).toEqual([
      "17:05",
      "Saturday 5 December",
      "Sat 5 Dec",
      "17:05",
    ]);
    expect(spokenInstant("2026-12-05T17:05")).toBe("Sat 5 December, 17:05");
  });
});

describe("a figure of the Bench", () => {
  const c = { ...US_12, decimal: "," as const };
  test("follows clock, degrees and decimal mark, and keeps its weights", () => {
    expect(inFigures("3.45 g of salt for 1.5 kg, 54.5 °C at 18:40", c)).toBe("3,45 g of salt for 1,5 kg, 130 °F at 6:40 pm");
    expect(inFigures("3.45 g at 18:40", METRIC_24)).toBe("3.45 g at 18:40");
  });
  test("whole numbers, ratios and versions stay as they are", () => {
    expect(inFigures("1000 g, 3:1, pH 4.60", { ...METRIC_24, decimal: "," })).toBe("1000 g, 3:1, pH 4,60");
  });
});
