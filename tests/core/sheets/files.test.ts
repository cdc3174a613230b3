// What leaves the program for others to read: calendar, run sheet and shopping list, each read back and held against the plan.
import { parse } from "csv-parse/sync";
import ICAL from "ical.js";
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { planCalendar } from "../../../src/core/sheets/calendar";
import { runSheet } from "../../../src/core/sheets/run-sheet";
import { shoppingRows } from "../../../src/core/sheets/shopping";
import { shoppingCsv } from "../../../src/core/sheets/shopping-csv";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import { planView } from "../../../src/core/view/plan-view";
import { demoDish, demoDocument, dishOf, type Loose } from "../../support/dishes";

const dish = demoDish("harvest-lunch");
const planned = planDish(dish, { rounds: 0 });
if (planned.status !== "feasible") throw new Error("the lunch has no plan");
const { plan } = planned;
const view = planView(dish, plan);

describe("the calendar", () => {
  const text = planCalendar(dish.id, "Harvest lunch", view, plan);
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((e) => new ICAL.Event(e));
  const minute = (time: ICAL.Time) => time.toUnixTime() / 60;
  test("has every piece of handwork and every round at its minutes, and the table", () => {
    const expected = [
      ...plan.steps.flatMap((s) => s.hands.map((h) => `${h.from} ${h.to}`)),
      ...view.steps.flatMap((s) => s.rounds.map((r) => `${r.at} ${r.at + Math.max(1, r.takes)}`)),
      `${plan.serveAt} ${plan.serveAt + 1}`,
    ];
    expect(events.map((e) => `${minute(e.startDate)} ${minute(e.endDate)}`).sort()).toEqual(expected.sort());
  });
  test("names its entries the same from plan to plan, each once", () => {
    expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
    const other = planDish(dish, { rounds: 0, style: "ahead", methods: plan.methods });
    if (other.status !== "feasible") throw new Error("no plan ahead");
    const again = planCalendar(dish.id, "Harvest lunch", planView(dish, other.plan), other.plan);
    const uids = (t: string) => [...t.matchAll(/^UID:(.*(?:\r\n .*)*)/gm)].map((m) => m[1]).sort();
    expect(uids(again).filter((u) => !u?.includes("-round-"))).toEqual(uids(text).filter((u) => !u?.includes("-round-")));
  });
  test("keeps to the form: lines of at most 75 octets, ended by CR and LF, and a cook's commas and umlauts come back", () => {
    for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const odd = demoDocument("harvest-lunch");
    odd.components[0].methods[0].steps[0].name = "Rühren; kräftig, bis „es“ steht \\ fertig ".repeat(3);
    const oddDish = dishOf(odd);
    const oddText = planCalendar("x", "Ünï, cödé", planView(oddDish, plan), plan);
    const names = new ICAL.Component(ICAL.parse(oddText)).getAllSubcomponents("vevent").map((e) => new ICAL.Event(e).summary);
    expect(names.some((n) => n.startsWith(odd.components[0].methods[0].steps[0].name.trim().slice(0, 60)))).toBe(true);
  });
});

describe("the run sheet", () => {
  const clock = new WallClock(offsetsOf(dish.zone, view.begins - 1440, view.ends + 1440));
  test("names each day once and each step that somebody begins, at its time", () => {
    const sheet = runSheet("Harvest lunch", 10, view, clock);
    const days = [...sheet.matchAll(/^## (.*)$/gm)].map((m) => m[1]);
    expect(new Set(days).size).toBe(days.length);
    for (const step of view.steps.filter((s) => s.attention === "hands")) {
      const name = step.name.replace(/([\\`*_[\]<>#|])/g, "\\$1");
      expect(sheet).toContain(`**${clock.time(step.hands[0]?.from ?? step.start)}** ${name}`);
    }
  });
  test("says at each step what goes in", () => {
    const sheet = runSheet("Harvest lunch", 10, view, clock);
    expect(sheet).toMatch(/Weigh the cure, rub it in, bag it .*: 18.8 g fine sea salt, 1.88 g curing salt/);
    expect(sheet).toContain("1.88 g curing salt");
  });
  test("severe cautions stand at the top, to be ticked, and their words are no Markdown", () => {
    const severe = [{ title: "Hot *fat*", where: "Render, Lard", computed: "Marked.", caution: "Keep a lid at hand." }];
    const sheet = runSheet("Harvest lunch", 10, view, clock, severe);
    expect(sheet.indexOf("- [ ] **Hot \\*fat\\*** (Render, Lard)")).toBeGreaterThan(0);
    expect(sheet.indexOf("before you start")).toBeLessThan(sheet.indexOf("hands-on"));
    expect(runSheet("Harvest lunch", 10, view, clock)).not.toContain("[ ]");
  });

  test("does not let a cook's words become markup", () => {
    const odd = { ...view, steps: view.steps.map((s, i) => (i === 0 ? { ...s, name: "# <b>Stir</b> *hard* | [x](y)" } : s)) };
    const sheet = runSheet("a *b*", 1, odd, clock);
    expect(sheet).toContain("# a \\*b\\*");
    expect(sheet).toContain("\\# \\<b\\>Stir");
  });
});

describe("the shopping list", () => {
  const rows = (document: Loose) => shoppingRows(document, dishOf(document), plan);
  test("is read back as a table; what is bought is there before it is used and still keeps then", () => {
    const table = parse(shoppingCsv(rows(demoDocument("harvest-lunch")), dish), { columns: true }) as Record<string, string>[];
    expect(table.length).toBeGreaterThan(20);
    for (const row of rows(demoDocument("harvest-lunch"))) {
      if (row.buyFrom !== undefined) expect(row.buyFrom).toBeLessThanOrEqual(row.wantedBy);
      if (row.orderBy !== undefined) expect(row.orderBy).toBeLessThan(row.wantedBy);
    }
    expect(table[0]).toHaveProperty("wanted by");
  });
  test("adds up what several components want, by hand: two of 300 g at ten for ten are 600 g", () => {
    const document = demoDocument("harvest-lunch");
    document.dish.serves = document.dish.baseServes;
    for (const [c, name] of [
      [0, "Test salt"],
      [1, "test salt"],
    ] as const)
      document.components[c].methods[0].ingredients = [{ id: "t", name, amount: { amount: 300, unit: "g" } }];
    document.components[0].factor = 1;
    document.components[1].factor = 1;
    const row = rows(document).find((r) => r.ingredient.toLowerCase() === "test salt");
    expect(row?.amount).toBe("600 g");
    expect(row?.components).toHaveLength(2);
  });
  test("what says at which step it comes in is wanted there, all else by the component's first step", () => {
    const document = demoDocument("harvest-lunch");
    const starts = plan.steps.filter((s) => s.step.startsWith("jelly.")).map((s) => s.start);
    const trotters = { id: "t", name: "Test bones", amount: { amount: 1, unit: "kg" } };
    document.components.find((c: Loose) => c.id === "jelly").methods[0].ingredients = [
      trotters,
      { ...trotters, id: "l", name: "Test cider", step: "reduce", keeps: "1d" },
    ];
    const wanted = (name: string) => rows(document).find((r) => r.ingredient === name);
    expect(wanted("Test bones")?.wantedBy).toBe(Math.min(...starts));
    const reduce = plan.steps.find((s) => s.step === "jelly.reduce")?.start as number;
    expect(wanted("Test cider")).toMatchObject({ wantedBy: reduce, buyFrom: reduce - 1440 });
    expect(reduce).toBeGreaterThan(Math.min(...starts));
  });
  test("a cell that a spreadsheet would compute is written as text", () => {
    const document = demoDocument("harvest-lunch");
    document.components[0].methods[0].ingredients = [{ id: "t", name: "=1+1", amount: { amount: 1, unit: "g" } }];
    expect(shoppingCsv(rows(document), dish)).not.toMatch(/,=1\+1,/);
  });
});
