// Durations, wall clocks across the change of the clocks, weekly hours, intervals, folded time.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { intervalsOfHours, weekdaysOf } from "../../../src/core/time/calendar";
import { durationText, parseDuration, spokenDuration } from "../../../src/core/time/duration";
import { axisMinute, axisX, foldedAxis } from "../../../src/core/time/folded-axis";
import {
  covers,
  earliestAtOrAfter,
  type Interval,
  intersect,
  latestAtOrBefore,
  overlaps,
  shift,
  startsAvoiding,
  startsFitting,
  subtract,
  totalMinutes,
  union,
} from "../../../src/core/time/interval";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import { isInstant, isZone, Zone } from "../../../src/core/time/zone";

describe("durations", () => {
  test.each([
    ["45m", 45],
    ["1h30m", 90],
    ["3d", 4320],
    ["36h", 2160],
    ["0m", 0],
    ["1d2h3m", 1563],
  ])("%s is %i minutes", (text, minutes) => expect(parseDuration(text)).toBe(minutes));
  test.each(["", "h", "1.5h", "90", "-5m", "1m2h", "1 h", "1H", "١m"])("%j is none", (text) => expect(parseDuration(text)).toBeUndefined());
  test("writing and reading give the same", () =>
    fc.assert(fc.property(fc.nat(576_000), (minutes) => parseDuration(durationText(minutes)) === minutes)));
  test.each([
    [0, "0 min"],
    [35, "35 min"],
    [60, "1 h"],
    [90, "1 h 30"],
    [1440, "1 day"],
    [4140, "2 d 21 h"],
    [2879, "2 days"],
  ])("%i minutes are said %s", (minutes, said) => expect(spokenDuration(minutes)).toBe(said));
});

describe("wall clocks", () => {
  const dublin = new Zone("Europe/Dublin");
  test("a wall time is the minute that its zone shows", () => {
    expect(dublin.toMinute("2026-10-18T13:00")).toBe(Date.UTC(2026, 9, 18, 12, 0) / 60_000);
    expect(dublin.toMinute("2026-12-18T13:00")).toBe(Date.UTC(2026, 11, 18, 13, 0) / 60_000);
    expect(dublin.toMinute("2026-10-18T13:00+05:30")).toBe(Date.UTC(2026, 9, 18, 7, 30) / 60_000);
  });
  test("a time that the spring change skips moves forward by the gap", () => {
    expect(dublin.toInstant(dublin.toMinute("2026-03-29T01:30"))).toBe("2026-03-29T02:30+01:00");
  });
  test("a time that the autumn change doubles is the first of the two", () => {
    expect(dublin.toInstant(dublin.toMinute("2026-10-25T01:30"))).toBe("2026-10-25T01:30+01:00");
    expect(dublin.toInstant(dublin.toMinute("2026-10-25T01:30") + 60)).toBe("2026-10-25T01:30+00:00");
  });
  test("days are counted on the wall, also where a day has 25 hours", () => {
    const noon = dublin.toMinute("2026-10-25T12:00");
    expect(dublin.dayNumber(noon) - dublin.dayNumber(noon - 1440)).toBe(1);
    expect(dublin.minuteOfDay(dublin.dayNumber(noon), 0)).toBe(dublin.toMinute("2026-10-25T00:00"));
  });
  test("instants written with their offset are read back, in any zone and season", () => {
    const zones = ["Europe/Dublin", "America/New_York", "Asia/Kolkata", "Australia/Lord_Howe", "Pacific/Apia"].map((z) => new Zone(z));
    fc.assert(
      fc.property(fc.constantFrom(...zones), fc.integer({ min: 29_000_000, max: 32_000_000 }), (zone, minute) => {
        const text = zone.toInstant(minute);
        return isInstant(text) && zone.toMinute(text) === minute;
      }),
    );
  });
  test("what is no instant or zone is known as such", () => {
    for (const text of ["2026-02-30T10:00", "2026-1-1T10:00", "2026-10-18", "2026-10-18T24:00", "3026-10-18T10:00"])
      expect(isInstant(text)).toBe(false);
    expect(isZone("Europe/Dublin")).toBe(true);
    expect(isZone("Mars/Olympus")).toBe(false);
  });
  test("the page's clock says what the zone says, without rules of its own", () => {
    const from = dublin.toMinute("2026-10-24T00:00");
    const clock = new WallClock(offsetsOf(dublin, from, from + 4 * 1440));
    for (let minute = from; minute < from + 4 * 1440; minute += 37) {
      const wall = dublin.wall(minute);
      expect(clock.time(minute)).toBe(`${String(wall.hour).padStart(2, "0")}:${String(wall.minute).padStart(2, "0")}`);
    }
    expect(clock.dayTime(dublin.toMinute("2026-10-25T18:05"))).toBe("Sun 18:05");
    expect(clock.near(dublin.toMinute("2026-10-25T18:05"), dublin.toMinute("2026-10-25T09:00"))).toBe("18:05");
    expect(clock.date(dublin.toMinute("2026-10-25T18:05"))).toBe("Sunday 25 October");
  });
});

describe("hours", () => {
  const zone = new Zone("Europe/Dublin");
  const at = (text: string) => zone.toMinute(text);
  test("names, ranges and lists of weekdays", () => {
    expect([...(weekdaysOf("sat-mon") ?? [])].sort()).toEqual([1, 6, 7]);
    expect([...(weekdaysOf("mon,wed-fri") ?? [])].sort()).toEqual([1, 3, 4, 5]);
    for (const text of ["", "monday", "mon-", "mon-tue-wed", "sun;mon"]) expect(weekdaysOf(text)).toBeUndefined();
  });
  test("hours run past midnight where they end at or before they begin", () => {
    const found = intervalsOfHours([{ days: "fri", from: "22:00", to: "02:00" }], zone, at("2026-10-12T00:00"), at("2026-10-19T00:00"));
    expect(found).toEqual([[at("2026-10-16T22:00"), at("2026-10-17T02:00")]]);
  });
  test("a shift over the change of the clocks is an hour longer", () => {
    const found = intervalsOfHours([{ days: "sat", from: "22:00", to: "06:00" }], zone, at("2026-10-24T00:00"), at("2026-10-26T00:00"));
    expect(totalMinutes(found)).toBe(9 * 60);
  });
  test("dated hours stand once, weekly and dated together are joined", () => {
    const found = intervalsOfHours(
      [
        { days: "sat", from: "09:00", to: "12:00" },
        { from: "2026-10-17T11:00", to: "2026-10-17T15:00" },
      ],
      zone,
      at("2026-10-12T00:00"),
      at("2026-10-19T00:00"),
    );
    expect(found).toEqual([[at("2026-10-17T09:00"), at("2026-10-17T15:00")]]);
  });
});

describe("interval lists agree with counting minute by minute", () => {
  const lists = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 0, max: 15 })), { maxLength: 7 })
    .map((pairs) => union(pairs.map(([a, length]): Interval => [a, a + length])));
  const has = (list: readonly Interval[], minute: number) => list.some(([a, b]) => a <= minute && minute < b);
  const minutes = Array.from({ length: 100 }, (_, m) => m);
  test("union is sorted, apart and without empties", () =>
    fc.assert(fc.property(lists, (list) => list.every(([a, b], i) => a < b && (i === 0 || (list[i - 1] as Interval)[1] < a)))));
  test("intersect and subtract", () =>
    fc.assert(
      fc.property(lists, lists, (a, b) =>
        minutes.every((m) => has(intersect(a, b), m) === (has(a, m) && has(b, m)) && has(subtract(a, b), m) === (has(a, m) && !has(b, m))),
      ),
    ));
  test("covers, overlaps, shift and total", () =>
    fc.assert(
      fc.property(lists, fc.nat(90), fc.nat(9), (list, from, length) => {
        const inside = minutes.filter((m) => m >= from && m < from + length);
        return (
          covers(list, from, from + length) === inside.every((m) => has(list, m)) &&
          overlaps(list, from, from + length) === inside.some((m) => has(list, m)) &&
          has(shift(list, 5), from + 5) === has(list, from) &&
          totalMinutes(list) === minutes.filter((m) => has(list, m)).length
        );
      }),
    ));
  test("starts that fit or avoid", () =>
    fc.assert(
      fc.property(lists, fc.integer({ min: 1, max: 9 }), fc.nat(90), (list, length, at) => {
        const everywhere: Interval = [0, 200];
        const run = Array.from({ length }, (_, i) => at + i);
        return (
          has(startsFitting(list, length, everywhere), at) === run.every((m) => has(list, m)) &&
          has(startsAvoiding(list, length, everywhere), at) === run.every((m) => !has(list, m))
        );
      }),
    ));
  test("nearest minutes of a list", () =>
    fc.assert(
      fc.property(lists, fc.nat(99), (list, at) => {
        const before = minutes.filter((m) => m <= at && has(list, m)).at(-1);
        const after = minutes.find((m) => m >= at && has(list, m));
        return latestAtOrBefore(list, at) === before && earliestAtOrAfter(list, at) === after;
      }),
    ));
});

describe("folded time", () => {
  const busy: Interval[] = [
    [100, 130],
    [1000, 1060],
    [2500, 2520],
  ];
  const options = { from: 80, to: 2560, width: 800, busy, open: new Set<number>() };
  test("parts touch, stretches of work stay flat, rests fold narrow", () => {
    const parts = foldedAxis(options);
    parts.forEach((p, i) => i && expect(p.from).toBe(parts[i - 1]?.to));
    expect(parts[0]?.from).toBe(80);
    expect(parts.at(-1)?.to).toBe(2560);
    expect(parts.at(-1)?.x1).toBeCloseTo(800, 6);
    for (const [a, b] of busy) expect(parts.filter((p) => p.folded).some((p) => p.from < b && a < p.to)).toBe(false);
    expect(parts.filter((p) => p.folded).map((p) => p.x1 - p.x0)).toEqual([26, 26]);
  });
  test("an opened rest takes its share; all open is true to scale", () => {
    const rest = foldedAxis(options).find((p) => p.folded)?.from as number;
    expect(foldedAxis({ ...options, open: new Set([rest]) }).filter((p) => p.folded)).toHaveLength(1);
    const scale = foldedAxis({ ...options, open: "all" });
    for (const p of scale) expect((p.x1 - p.x0) / (p.to - p.from)).toBeCloseTo(800 / 2480, 6);
  });
  test("an hour in which more happens is drawn wider", () => {
    const long = { ...options, busy: [[100, 600]] as Interval[], to: 700, moments: [301, 305, 310, 320, 330] };
    const width = (minute: number) => {
      const part = foldedAxis(long).find((p) => p.from <= minute && minute < p.to);
      return ((part?.x1 ?? 0) - (part?.x0 ?? 0)) / ((part?.to ?? 1) - (part?.from ?? 0));
    };
    expect(width(310)).toBeGreaterThan(1.5 * width(430));
  });
  test("place and minute go back and forth, and order is kept", () => {
    const parts = foldedAxis({ ...options, moments: [100, 101, 1010] });
    fc.assert(
      fc.property(fc.integer({ min: 80, max: 2559 }), (minute) => {
        const x = axisX(parts, minute);
        return axisX(parts, minute + 1) >= x && Math.abs(axisMinute(parts, x) - minute) <= 1;
      }),
    );
  });
});
