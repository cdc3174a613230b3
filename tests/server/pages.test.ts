// Every page of a dish as the server first gives it, from a database of its own: what a cook has to find there stands there.
import { beforeAll, describe, expect, test } from "vitest";
import BenchPage from "../../src/app/(house)/bench/page";
import KitchenPage from "../../src/app/(house)/kitchen/page";
import HomePage from "../../src/app/(house)/page";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import CookPage from "../../src/app/d/[dish]/cook/page";
import DaysPage from "../../src/app/d/[dish]/days/page";
import AmountsPage from "../../src/app/d/[dish]/dish/amounts/page";
import LibraryPage from "../../src/app/d/[dish]/dish/library/page";
import DishPage from "../../src/app/d/[dish]/dish/page";
import QuestionsPage from "../../src/app/d/[dish]/dish/questions/page";
import WrittenPage from "../../src/app/d/[dish]/dish/written/page";
import LabelsPage from "../../src/app/d/[dish]/labels/page";
import TimetablePage from "../../src/app/d/[dish]/timetable/page";
import { PANELS } from "../../src/core/bench/panels";
import { WallClock } from "../../src/core/time/wall-clock";
import type { PlanView } from "../../src/core/view/plan-view";
import { loadState } from "../../src/server/state";
import { DEMO, demoDocument, type Loose } from "../support/dishes";
import { type Page, type Shown, shown } from "../support/page";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

// Before the lunch is begun, by its own date.
const NOW = "2026-10-10T08:00:30Z";
withServer(NOW);

let lunch: PlanView;
let clock: WallClock;
const document = demoDocument("harvest-lunch");
beforeAll(async () => {
  for (const name of DEMO) {
    await call(bringIn, {}, demoDocument(name));
    await planned(name, Math.floor(Date.parse(NOW) / 60_000));
  }
  await call(bringIn, {}, smallDish());
  const state = await loadState("harvest-lunch");
  if (!state?.plan) throw new Error("the lunch has no plan");
  lunch = state.plan;
  clock = new WallClock(state.offsets);
}, 90_000);

type DishPageOf = (props: Loose) => Promise<React.ReactNode>;
const open = (page: unknown, dish: string, how: Shown & { searchParams?: Loose } = {}) =>
  shown((page as DishPageOf)({ params: Promise.resolve({ dish }), searchParams: Promise.resolve(how.searchParams ?? {}) }), how);
const names = (document.components as Loose[]).map((c) => c.name as string);

describe("home", () => {
  test("lists every dish with its day, hour and guests, and what else can be begun there", async () => {
    const page = await shown(HomePage());
    const list = page.named("Dishes").text;
    for (const name of DEMO) expect(list).toContain(demoDocument(name).dish.name);
    expect(list).toMatch(/, 13:00, in .*; 10 people/);
    for (const way of ["Start empty", "Paste a recipe", "Start from the library", "Copy a dish"]) expect(page.text).toContain(way);
  });
  test("the Bench lists every panel once, under a subject", async () => {
    const page = await shown(BenchPage());
    for (const p of PANELS) expect(page.with("href", `/bench/${p.id}`).map((l) => l.text)).toEqual([`${p.title}${p.does}`]);
  });
});

describe("the timetable", () => {
  let page: Page;
  beforeAll(async () => {
    page = await open(TimetablePage, "harvest-lunch");
  });
  test("draws a line of every component, named, and says the same as a table, step by step", () => {
    const chart = page.with("role", "application")[0] as Page;
    for (const name of names.filter((n) => lunch.components.some((c) => c.name === n)))
      expect(chart.text.replace(/\s/g, "")).toContain(name.replace(/\s/g, "").slice(0, 8));
    const table = page
      .all("table")
      .map((t) => t.text)
      .join("\n");
    for (const step of lunch.steps) expect(table).toContain(step.name);
  });
  test("sends whoever has not acknowledged what is severe to where that is done", () => {
    const link = page.with("href", "#mind")[0];
    expect(link?.text).toMatch(/dangers? to acknowledge before you start/);
    const mind = page.named("Safety");
    expect(mind.text).toMatch(/^Safety \d dangers? to read before/);
    expect(mind.with("type", "checkbox").length).toBeGreaterThan(0);
    expect(mind.text).toContain("Local codes and the advice of your own health authority come first");
  });
  test("says how long the work of each day is: all days together are the hands of the plan", () => {
    const total = lunch.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);
    const hours = Math.floor(total / 60);
    expect(page.text).toMatch(new RegExp(`${hours} h( \\d+)? of work`));
  });
  test("of a component is opened by the address: its steps, its waits, why it stands there", async () => {
    const pork = await open(TimetablePage, "harvest-lunch", { query: "c=pork" });
    for (const step of lunch.steps.filter((s) => s.component === "pork")) expect(pork.text).toContain(step.name);
  });
  test("of a dish without a plan says so and does not draw one", async () => {
    const none = await open(TimetablePage, "small");
    expect(none.with("role", "application")).toEqual([]);
    expect(none.text).toContain("The plan is being worked out");
  });
  test("of no dish is not found", async () => {
    await expect(open(TimetablePage, "nowhere")).rejects.toThrow(/NEXT_HTTP_ERROR_FALLBACK;404/);
  });
});

describe("the day list", () => {
  test("has every step in the day in which it begins, at its hour, and each day's last words before bed", async () => {
    const page = await open(DaysPage, "harvest-lunch");
    const byHand = lunch.steps.filter((s) => s.attention === "hands" && s.hands.length > 0);
    for (const step of byHand) {
      const day = page.with("data-day", String(clock.dayNumber(step.start)))[0];
      expect(day?.text, step.name).toContain(step.name);
      expect(day?.text).toContain(clock.time(step.start));
    }
    expect(page.text).toContain("Before bed");
    expect(page.named("Before you start").text).toContain("Hot fat");
  });
  test("says degrees in the units that were chosen", async () => {
    const [c, f] = [await open(DaysPage, "harvest-lunch"), await open(DaysPage, "harvest-lunch", { units: "us" })];
    expect(c.text).toMatch(/\d °C/);
    expect(f.text).toMatch(/\d °F/);
    expect(f.text.match(/\d °C/g)?.length ?? 0).toBeLessThan(c.text.match(/\d °C/g)?.length ?? 0);
  });
});

describe("Cook", () => {
  test("before a run shows what is severe and a start that waits for it", async () => {
    const page = await open(CookPage, "harvest-lunch");
    const start = page.all("button").find((b) => b.text === "Start the run");
    expect(start?.attribute("disabled")).toBeDefined();
    expect(page.with("aria-label", /^Danger: /).length).toBeGreaterThan(0);
  });
});

describe("the breakdown", () => {
  test("draws every component and says the same in a table", async () => {
    const page = await open(DishPage, "harvest-lunch");
    const table = page
      .all("table")
      .map((t) => t.text)
      .join(" ");
    for (const name of names) expect(table).toContain(name);
  });
  test("opens a component by the address, with its ingredients, steps and what can be calculated of it", async () => {
    const page = await open(DishPage, "harvest-lunch", { searchParams: { c: "pork" } });
    const pork = document.components.find((c: Loose) => c.id === "pork").methods[0];
    const typed = [...page.all("input"), ...page.all("textarea")].map((i) => i.attribute("value") ?? i.text).join("\n");
    for (const i of pork.ingredients) expect(`${typed}\n${page.text}`).toContain(i.name);
    for (const s of pork.steps) expect(`${typed}\n${page.text}`).toContain(s.name);
    expect(page.text).toContain("125 ppm of nitrite");
    expect(page.text).toMatch(/Curing salt/);
  });
  test("opens a panel inside a component, filled from the dish, whatever else the address holds", async () => {
    const page = await open(DishPage, "harvest-lunch", { searchParams: { c: "pork", bench: "curing-salt", "b.ppm": "110" } });
    const values = page.all("input").map((i) => i.attribute("value"));
    expect(values).toContain("110");
    expect(values.some((v) => /^0?[.,]94 kg$|^9(?:37|38|40)(?:[.,]5)? g$/.test(v ?? ""))).toBe(true);
    for (const odd of [
      { c: "<script>" },
      { c: "pork", bench: "../etc" },
      { c: ["a", "b"] },
      { c: "pork", bench: "brine", "b.shape": "cube" },
    ])
      expect((await open(DishPage, "harvest-lunch", { searchParams: odd })).text.length).toBeGreaterThan(500);
  });
  test("written out has every ingredient with its amount and every step with its cue, in the units that were chosen", async () => {
    const page = await open(WrittenPage, "harvest-lunch");
    for (const c of document.components)
      for (const m of c.methods.slice(0, 1)) {
        for (const i of m.ingredients ?? []) expect(page.text).toContain(i.name);
        for (const s of m.steps) expect(page.text).toContain(s.name);
        for (const s of m.steps) if (s.done?.cue) expect(page.text).toContain(s.done.cue);
      }
    expect((await open(WrittenPage, "harvest-lunch", { units: "us" })).text).toMatch(/\d °F/);
  });
  test("asks what is unsaid, each question with a way to answer and one to Skip", async () => {
    const page = await open(QuestionsPage, "small");
    const questions = page.with("data-question");
    expect(questions.length).toBeGreaterThan(0);
    for (const q of questions) {
      expect(q.buttons.some((b) => b.startsWith("Skip"))).toBe(true);
      expect(q.buttons.length + q.all("input").length).toBeGreaterThan(1);
    }
  });
  test("offers the library with what each component asks for", async () => {
    const page = await open(LibraryPage, "harvest-lunch");
    expect(page.text).toMatch(/Braised/);
    expect(page.text).toMatch(/by hand|hands/);
  });
});

describe("amounts", () => {
  test("says who eats, what does not fit, what is in it, and how salty it is for each", async () => {
    const page = await open(AmountsPage, "harvest-lunch");
    for (const words of [/10/, /gluten/, /milk/, /egg/, /salt/i, /fridge/i]) expect(page.text).toMatch(words);
    expect(page.text).toMatch(/\d+(?:\.\d)? g/);
  });
});

describe("labels", () => {
  test("say name, amount, when it was made, until when it is good, and what must not be eaten by whom", async () => {
    const page = await open(LabelsPage, "harvest-lunch");
    const labels = page.with("data-label");
    expect(labels.length).toBeGreaterThan(6);
    for (const l of labels) {
      expect(l.text).toMatch(/made \w{3} \d+ \w{3}, \d\d:\d\d, (?:fridge|freezer|cellar|counter)/);
    }
    expect(labels.some((l) => /Contains .*milk/.test(l.text))).toBe(true);
    expect(labels.some((l) => /not after \w/.test(l.text))).toBe(true);
    expect(page.text).toContain("Local codes come first");
  });
});

describe("the kitchen", () => {
  test("asks for cooks, things and quiet times, and says what the plan makes of them meanwhile", async () => {
    const page = await open(KitchenPage, "harvest-lunch", { searchParams: { dish: "harvest-lunch" } });
    for (const words of ["Cooks and their hours", "Equipment", "Quiet times", "Hands-on time by day"]) expect(page.text).toContain(words);
    expect(page.text).toContain(`Harvest lunch starts ${clock.dayTime(lunch.begins)}`);
  });
});

describe.each(DEMO)("%s", (name) => {
  test.each([
    ["timetable", TimetablePage],
    ["days", DaysPage],
    ["cook", CookPage],
    ["dish", DishPage],
    ["written", WrittenPage],
    ["amounts", AmountsPage],
    ["questions", QuestionsPage],
    ["labels", LabelsPage],
    ["kitchen", KitchenPage],
  ])("%s says no figure that is none and shows nothing of the program", async (_, page) => {
    for (const units of ["metric", "us"] as const) {
      const { text } = await open(page, name, { units });
      expect(text).not.toMatch(/NaN|undefined|\[object|Infinity|null\b/);
      expect(text.length).toBeGreaterThan(100);
    }
  });
});
