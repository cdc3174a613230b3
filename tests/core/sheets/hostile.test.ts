// Names that are meant to become something else in another program: each export is read back with a parser, and holds them as text.
import { parse } from "csv-parse/sync";
import ICAL from "ical.js";
import { describe, expect, test } from "vitest";
import { readDish, readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { writeDish } from "../../../src/core/dish/write";
import { planDish } from "../../../src/core/planner";
import { planCalendar } from "../../../src/core/sheets/calendar";
import { labelsOf } from "../../../src/core/sheets/labels";
import { dishMarkdown } from "../../../src/core/sheets/markdown";
import { runSheet } from "../../../src/core/sheets/run-sheet";
import { shoppingRows } from "../../../src/core/sheets/shopping";
import { shoppingCsv } from "../../../src/core/sheets/shopping-csv";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import { planView } from "../../../src/core/view/plan-view";
import { smallDish } from "../../support/small-dish";

const HOSTILE = [
  "Soup\r\nBEGIN:VEVENT\r\nUID:evil\r\nSUMMARY:Pay me\r\nEND:VEVENT",
  "Soup\nEND:VCALENDAR",
  '=HYPERLINK("http://evil","soup")',
  "+1+cmd|' /C calc'!A0",
  "@SUM(A1)",
  'quo"te, comma; semi: colon \\ stroke',
  "# Heading\n\n<script>alert(1)</script> [x](javascript:alert(1)) | a | b |",
  "\u202eevil.exe\u2066",
  "tab\tand\u0007bell\u2028line",
];

/** As it may stand in a database from before names were looked at. */
function hostile(name: string) {
  const document = smallDish((d) => {
    d.dish.name = name;
    d.dish.note = name;
    for (const c of d.components) {
      c.name = name;
      c.note = name;
      for (const m of c.methods)
        for (const s of m.steps) {
          s.name = name;
          s.cue = name;
          s.note = name;
          for (const o of s.makes ?? []) o.name = name;
        }
    }
    d.components[0].methods[0].ingredients = [{ id: "bones", name, amount: { amount: 2, unit: "kg" }, section: name, note: name }];
  }) as unknown as DishFile;
  const dish = dishModel(document);
  const planned = planDish(dish, { rounds: 0 });
  if (planned.status !== "feasible") throw new Error("no plan");
  const view = planView(dish, planned.plan);
  const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880, view.ends - view.begins));
  return { document, dish, plan: planned.plan, view, clock };
}

// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
const UNSEEN = /[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u2028\u2029\u202a-\u202e\u2066-\u2069]/;

describe.each(HOSTILE)("a name such as %j", (name) => {
  const { document, dish, plan, view, clock } = hostile(name);
  test("is text in the calendar, and puts no event into it", () => {
    const text = planCalendar("small", name, view, plan);
    const calendar = new ICAL.Component(ICAL.parse(text));
    const events = calendar.getAllSubcomponents("vevent").map((e) => new ICAL.Event(e));
    const expected = view.steps.reduce((n, s) => n + s.hands.length + s.rounds.length, 0) + 1;
    expect(events).toHaveLength(expected);
    expect(events.every((e) => e.uid.endsWith("@rondeau"))).toBe(true);
    for (const line of text.replaceAll("\r\n ", "").split("\r\n")) expect(line).not.toMatch(UNSEEN);
    expect(text.match(/^X-WR-CALNAME/gm)).toHaveLength(1);
  });
  test("is a cell of the shopping list, and no formula", () => {
    const rows = parse(shoppingCsv(shoppingRows(document, dish, plan), dish), { columns: true }) as Record<string, string>[];
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows)
      for (const cell of Object.values(row)) {
        expect(cell).not.toMatch(/^[=+@\t\r-]/);
        expect(cell).not.toMatch(UNSEEN);
      }
  });
  test("is text in Markdown: no heading, no link, no element of its own", () => {
    for (const text of [dishMarkdown(document), runSheet(name, 4, view, clock)]) {
      expect(text).not.toMatch(/(^|[^\\])<script/);
      expect(text).not.toMatch(/(^|[^\\])\]\(javascript/);
      expect(text).not.toMatch(/^# Heading/m);
      expect(text.replaceAll("\n", " ")).not.toMatch(UNSEEN);
      expect(text.match(/^# /gm)).toHaveLength(1);
    }
  });
  test("reads back from its own file as it was written, and is refused there where it cannot be seen", () => {
    const text = writeDish(document);
    expect(JSON.parse(text).dish.name).toBe(name);
    const read = readDish(text);
    // biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
    const unseen = /[\u0000-\u001f\u2028\u202e]/.test(name);
    expect([read.status, unseen ? "" : read.problems.filter((p) => p.severity === "error")]).toEqual([
      unseen ? "refused" : "read",
      unseen ? "" : [],
    ]);
    if (unseen) expect(read.problems.map((p) => p.path)).toContain("dish.name");
  });
  test("is one line on a label", () => {
    for (const label of labelsOf(document, view, clock)) expect(typeof label.name).toBe("string");
    expect(readDishValue(document).status).toMatch(/read|refused/);
  });
});
