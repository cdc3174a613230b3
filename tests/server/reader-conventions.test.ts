// Every page as a cook of US measures and a twelve-hour clock reads it: no metric figure and no 24-hour time is left over.
import { beforeAll, describe, expect, test } from "vitest";
import LarderPage from "../../src/app/(house)/larder/page";
import RunPage from "../../src/app/(house)/notebook/[run]/page";
import NotebookPage from "../../src/app/(house)/notebook/page";
import HomePage from "../../src/app/(house)/page";
import ShoppingForAllPage from "../../src/app/(house)/shopping/page";
import { POST as write } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { POST as putInLarder } from "../../src/app/api/larder/route";
import BedtimePage from "../../src/app/d/[dish]/bedtime/page";
import ChangedPage from "../../src/app/d/[dish]/changed/page";
import CookPage from "../../src/app/d/[dish]/cook/page";
import DaysPage from "../../src/app/d/[dish]/days/page";
import AmountsPage from "../../src/app/d/[dish]/dish/amounts/page";
import DishPage from "../../src/app/d/[dish]/dish/page";
import QuestionsPage from "../../src/app/d/[dish]/dish/questions/page";
import WrittenPage from "../../src/app/d/[dish]/dish/written/page";
import LabelsPage from "../../src/app/d/[dish]/labels/page";
import LastHourPage from "../../src/app/d/[dish]/last-hour/page";
import RehearsalPage from "../../src/app/d/[dish]/rehearsal/page";
import ShoppingPage from "../../src/app/d/[dish]/shopping/page";
import TimetablePage from "../../src/app/d/[dish]/timetable/page";
import { conventionsText, US_12 } from "../../src/core/spoken/conventions";
import { spokenTexts } from "../../src/core/view/spoken-texts";
import { loadRuns } from "../../src/server/notebook";
import { loadState } from "../../src/server/state";
import { DEMO, demoDocument, type Loose } from "../support/dishes";
import { asked } from "../support/headers";
import { shown } from "../support/page";
import { call, planned, withServer } from "../support/server";

const NOW = "2026-10-10T08:00:30Z";
withServer(NOW);
beforeAll(async () => {
  for (const name of DEMO) {
    await call(bringIn, {}, demoDocument(name));
    await planned(name, Math.floor(Date.parse(NOW) / 60_000));
  }
  asked.cookies.set("conventions", conventionsText(US_12));
}, 90_000);

/** Under 15 g a weight stays in grams: no kitchen has an ounce for a yeast. */
const METRIC = /(?<![\d./])(?:\d{2,}|\d+\.\d+) ?(?:g|kg|mL|ml|L|litres?|cm|mm)(?![\w/]| per)|\d ?°C/g;
const SMALL = /^(?:\d|1[0-4])(?:\.\d+)? ?g$/;
/** Its name stands behind its weight. */
const SALTY = /^[\d.]+ ?g[^\d]*\b(?:salt|yeast|gelatine)\b/i;
/** On the shopping list it stands before: how much is needed of a salt, and what is left over of its pack. */
const SALT_BEFORE = /(?:salt|yeast|gelatine)[^\d;]*(?:[\d.]+ ?k?g needed; )?$/i;
const HOURS_24 = /(?<![\d:.])(?:[01]\d|2[0-3]):[0-5]\d(?!\d| ?[ap]m)/g;

const leftOver = (text: string): string[] =>
  [...text.matchAll(METRIC), ...text.matchAll(HOURS_24)].flatMap((m) =>
    SMALL.test(m[0]) ||
    SALTY.test(text.slice(m.index, (m.index ?? 0) + 60)) ||
    SALT_BEFORE.test(text.slice(Math.max(0, (m.index ?? 0) - 80), m.index))
      ? []
      : [text.slice(Math.max(0, (m.index ?? 0) - 40), (m.index ?? 0) + m[0].length + 12)],
  );

test("the search for them finds them", () => {
  expect(leftOver("at 190 °C, 1.5 kg, 200 g, 17:05")).toHaveLength(4);
  expect(leftOver("at 374 °F, 3 lb, 7 oz, 3 g yeast, 5:05 pm, 5 g/kg")).toEqual([]);
});

/** A table that shows both on purpose: the measure in the recipe, exactly, and in US measures; salt, which is weighed in grams. */
const BOTH = /Ingredients in kitchen measures[\s\S]*?Allergens and care/;
const see = (page: unknown, dish: string) =>
  shown((page as (props: Loose) => Promise<React.ReactNode>)({ params: Promise.resolve({ dish }), searchParams: Promise.resolve({}) }), {
    conventions: US_12,
  });

describe.each(DEMO)("%s", (name) => {
  test.each([
    ["timetable", TimetablePage],
    ["days", DaysPage],
    ["cook", CookPage],
    ["components", DishPage],
    ["full text", WrittenPage],
    ["amounts", AmountsPage],
    ["questions", QuestionsPage],
    ["labels", LabelsPage],
    ["shopping", ShoppingPage],
    ["rehearsal", RehearsalPage],
    ["bedtime", BedtimePage],
  ])("%s", async (_, page) => expect(leftOver((await see(page, name)).text.replace(BOTH, ""))).toEqual([]));
});

test("salt is weighed in grams by every cook, other things are not", () => {
  const rows = [
    { ingredient: "Fine sea salt", amount: "20 g" },
    { name: "Flour", amount: "500 g" },
  ];
  expect(spokenTexts(rows, US_12).map((r) => r.amount)).toEqual(["20 g", "1 lb 1.6 oz"]);
});

test("the larder, and the list for all dishes", async () => {
  const now = Math.floor(Date.parse(NOW) / 60_000);
  const added = (name: string, more: Loose) => ({
    key: crypto.randomUUID(),
    item: `item ${name}`,
    body: { kind: "added", name, place: "fridge", ...more },
  });
  const events = [
    added("Minced beef", { amount: { amount: 500, unit: "g" }, until: now + 900, limit: "safety" }),
    added("Stock", { amount: { amount: 1.5, unit: "L" }, until: now + 90_000 }),
    added("Stewed pears", { about: "half a jar", until: now - 60 }),
  ];
  expect((await call(putInLarder, {}, { events })).status).toBe(200);
  const larder = (await shown(LarderPage(), { conventions: US_12 })).text;
  expect(larder).toMatch(/1 lb 1\.6 oz minced beef: free until/);
  expect(leftOver(larder)).toEqual([]);
  expect(leftOver((await shown(ShoppingForAllPage(), { conventions: US_12 })).text)).toEqual([]);
});
test("Home", async () => expect(leftOver((await shown(HomePage(), { conventions: US_12 })).text)).toEqual([]));

describe.each(DEMO)("%s, under way with what was written down", (name) => {
  beforeAll(async () => {
    const severe = (await call(findings, { dish: name })).said.findings.filter((f: Loose) => f.severity === "stop");
    await call(acknowledge, { dish: name }, { acknowledge: severe.map((f: Loose) => ({ id: f.id, print: f.print })) });
    expect((await call(startRun, { dish: name })).status).toBe(200);
    const steps = [...((await loadState(name))?.plan?.steps ?? [])].sort((a, b) => a.start - b.start);
    const [first, second] = steps;
    for (const [kind, step] of [
      ["started", first?.ref],
      ["ended", first?.ref],
      ["started", second?.ref],
    ])
      await call(press, { dish: name }, { key: crypto.randomUUID(), kind, step });
    const body = (more: Loose) => ({ key: crypto.randomUUID(), body: { step: second?.ref, ...more } });
    await call(
      write,
      { dish: name },
      {
        entries: [
          body({ kind: "reading", quantity: "temperature", value: 61.5 }),
          body({ kind: "reading", quantity: "height", value: 12 }),
          body({ kind: "reading", quantity: "weight", value: 2300 }),
        ],
      },
    );
  });
  test.each([
    ["Cook", CookPage],
    ["Something changed", ChangedPage],
    ["last hour", LastHourPage],
    ["Notebook", NotebookPage],
  ])("%s", async (_, page) => expect(leftOver((await see(page, name)).text)).toEqual([]));
  test("its page of the notebook says the readings too", async () => {
    const run = (await loadRuns("")).runs.find((r) => r.slug === name)?.id as string;
    const page = await shown(await RunPage({ params: Promise.resolve({ run }) }), { conventions: US_12 });
    expect(page.text).toContain("Temperature 143 °F");
    expect(leftOver(page.text)).toEqual([]);
  });
});
