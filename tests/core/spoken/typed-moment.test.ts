// Dates and times as they are typed.
import { describe, expect, test } from "vitest";
import { readMoment, readTimeOfDay } from "../../../src/core/spoken/typed-moment";

// A Sunday in December, asked on a Sunday in November.
const AROUND = { base: "2026-12-06T13:00", today: "2026-11-29", dayFirst: true };

describe("a time of day", () => {
  test.each([
    ["13", 780],
    ["7", 420],
    ["13:30", 810],
    ["13.30", 810],
    ["13h30", 810],
    ["1.30pm", 810],
    ["1pm", 780],
    ["1 pm", 780],
    ["12am", 0],
    ["12 p.m.", 720],
    ["noon", 720],
    ["at 9", 540],
    ["0730", 450],
  ])("%s", (text, minute) => expect(readTimeOfDay(text)).toBe(minute));
  test.each(["", "24", "25:00", "13pm", "0pm", "7:60", "seven", "1.5.2"])("%j is none", (text) =>
    expect(readTimeOfDay(text)).toBeUndefined(),
  );
});

describe("a moment", () => {
  test.each([
    ["13", "2026-12-06T13:00"],
    ["13.30", "2026-12-06T13:30"],
    ["1pm", "2026-12-06T13:00"],
    ["Sun 1pm", "2026-12-06T13:00"],
    ["Saturday 18:00", "2026-12-05T18:00"],
    ["1pm Friday", "2026-12-04T13:00"],
    ["6 Dec 18:00", "2026-12-06T18:00"],
    ["Dec 7, 2pm", "2026-12-07T14:00"],
    ["7th December at 7", "2026-12-07T07:00"],
    ["7/12 9am", "2026-12-07T09:00"],
    ["7/12", "2026-12-07T13:00"],
    ["7.12. 9:15", "2026-12-07T09:15"],
    ["3/1 12:00", "2027-01-03T12:00"],
    ["24 December 2027 6pm", "2027-12-24T18:00"],
    ["today 20:00", "2026-11-29T20:00"],
    ["tomorrow 9", "2026-11-30T09:00"],
    ["2026-12-06T06:00", "2026-12-06T06:00"],
    ["2026-12-08", "2026-12-08T13:00"],
    ["Sun 6 Dec, 13:00", "2026-12-06T13:00"],
    ["Sun, Dec 6, 1:00 pm", "2026-12-06T13:00"],
    ["Sun 6 Dec 2027, 13:00", "2027-12-06T13:00"],
  ])("%s", (text, wanted) => expect(readMoment(text, AROUND)).toBe(wanted));
  test("the order of day and month is the reader's", () => {
    expect(readMoment("12/7 9am", { ...AROUND, dayFirst: false })).toBe("2026-12-07T09:00");
    expect(readMoment("7/12 9am", { ...AROUND, dayFirst: false })).toBe("2027-07-12T09:00");
  });
  test("with nothing in the field a weekday is the next one, and a day alone means noon", () => {
    const empty = { ...AROUND, base: undefined };
    expect(readMoment("Tue 8", empty)).toBe("2026-12-01T08:00");
    expect(readMoment("Sunday", empty)).toBe("2026-11-29T12:00");
    expect(readMoment("9", empty)).toBe("2026-11-29T09:00");
  });
  test("a weekday of the field's week that is over is the next one", () => {
    expect(readMoment("Mon 9", { ...AROUND, base: "2026-11-29T13:00" })).toBe("2026-11-30T09:00");
  });
  test.each(["", "soon", "31/2 9:00", "Sun 25:00", "30 February", "6 Dec at dinner", "next year"])("%j is not understood", (text) =>
    expect(readMoment(text, AROUND)).toBeUndefined(),
  );
});
