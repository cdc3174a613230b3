// Home as the server gives it: dishes in the order in which they are needed, each with its state; a page after another of many; an empty house.
import { describe, expect, test } from "vitest";
import KitchenPage from "../../src/app/(house)/kitchen/page";
import HomePage from "../../src/app/(house)/page";
import { PATCH as serving } from "../../src/app/api/dishes/[dish]/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { POST as example } from "../../src/app/api/example/route";
import { GET as more } from "../../src/app/api/home/route";
import { PUT as firstKitchen } from "../../src/app/api/kitchen/route";
import { DEFAULT_KITCHEN } from "../../src/core/dish/default-kitchen";
import { newDish } from "../../src/core/dish/edit/components";
import { copyOf } from "../../src/core/dish/edit/copy";
import { readDishValue } from "../../src/core/dish/read";
import { findDish, findNewestKitchen } from "../../src/db/queries/dishes";
import { insertRun, insertRunEvent, updateRunEnded } from "../../src/db/queries/runs";
import { database } from "../../src/server/database";
import { homePart, loadHome } from "../../src/server/home";
import { firstAnswers, kitchenFrom } from "../../src/ui/kitchen/first-kitchen";
import { demoDocument, type Loose } from "../support/dishes";
import { shown } from "../support/page";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-10T08:00:30Z";
const MINUTE = Math.floor(Date.parse(NOW) / 60_000);
withServer(NOW);

const bring = async (id: string, serveAt: string, alter: (d: Loose) => void = () => {}): Promise<string> => {
  const { said } = await call(
    bringIn,
    {},
    smallDish((d) => {
      d.dish.id = id;
      d.dish.name = id;
      d.dish.serveAt = serveAt;
      alter(d);
    }),
  );
  return said.value.slug;
};

describe("an empty house", () => {
  test("says what this is for in three lines, offers the ways to begin, a kitchen and an example, and no past", async () => {
    const { text } = await shown(HomePage());
    for (const words of [
      "Plan one elaborate dish",
      "Break it into components",
      "calls you when it is time",
      "Start empty",
      "Set up your kitchen",
      "Open an example",
    ])
      expect(text).toContain(words);
    expect(text).not.toContain("Past dishes");
    expect(text).not.toContain("Copy a dish");
  });
  test("asks for its kitchen once, in a few answers, and keeps what it did not ask for", async () => {
    expect((await shown(KitchenPage({ searchParams: Promise.resolve({}) }))).text).toContain("Your kitchen");
    const answers = { ...firstAnswers(DEFAULT_KITCHEN), name: "Ada", burners: 3, maxC: 230, quietFrom: "21:00", quietTo: "06:30" };
    const kitchen = kitchenFrom(answers, DEFAULT_KITCHEN);
    expect((await call(firstKitchen, {}, { kitchen })).status).toBe(200);
    expect((await call(firstKitchen, {}, { kitchen: kitchenFrom({ ...answers, burners: 5 }, DEFAULT_KITCHEN) })).status).toBe(200);
    const kept = await findNewestKitchen(await database());
    expect(kept?.cooks?.[0]?.name).toBe("Ada");
    expect(kept?.equipment?.find((e) => e.kind === "burner")?.count).toBe(5);
    expect(kept?.equipment?.filter((e) => e.kind === "jar")).toHaveLength(8);
    expect(kept?.windows).toMatchObject([{ weekly: { days: "all", from: "21:00", to: "06:30" }, forbid: ["noisy"] }]);
  });
  test("refuses a kitchen that is none, and says where", async () => {
    const { status, said } = await call(firstKitchen, {}, { kitchen: { cooks: [] } });
    expect(status).toBe(422);
    expect(JSON.stringify(said)).toContain("A kitchen needs a cook");
  });
  test("guests of a dish in which nothing has an amount yet are those that its amounts will be for", async () => {
    const dish = newDish({ name: "Trial", serves: 6, serveAt: "2026-10-18T13:00", timezone: "Europe/Dublin" });
    const { slug } = (await call(bringIn, {}, dish)).said.value;
    await call(serving, { dish: slug }, { version: 1, serves: 9 });
    expect((await findDish(await database(), slug))?.document.dish).toMatchObject({ serves: 9, baseServes: 9 });
    const soup = await bring("soup", "2026-10-25T13:00");
    const before = (await findDish(await database(), soup))?.document.dish.baseServes;
    await call(serving, { dish: soup }, { version: 1, serves: 9 });
    expect((await findDish(await database(), soup))?.document.dish).toMatchObject({ serves: 9, baseServes: before });
  });
});

describe("states", () => {
  test("idea, planned, under way, served and done are told apart, the nearest need first", async () => {
    const db = await database();
    const planOf = (slug: string) => planned(slug, MINUTE);
    const open = await bring("open-run", "2026-10-12T19:00");
    await planOf(open);
    const stored = await findDish(db, open);
    const run = await db.transaction((tx) => insertRun(tx, stored?.id as string, new Date(NOW)));
    const step = "stock.simmer";
    await db.transaction((tx) => insertRunEvent(tx, run.id, { key: crypto.randomUUID(), kind: "started", step, at: new Date(NOW) }));
    await planOf(await bring("next-week", "2026-10-17T19:00"));
    await bring("old-idea", "2026-09-01T19:00");
    const cooked = await bring("cooked", "2026-09-20T19:00");
    const past = await db.transaction((tx) => findDish(tx, cooked));
    const ended = await db.transaction((tx) => insertRun(tx, past?.id as string, new Date("2026-09-19T08:00Z")));
    await updateRunEnded(db, ended.id, new Date("2026-09-20T20:00Z"));
    const left = await bring("left-open", "2026-10-09T19:00");
    await db.transaction(async (tx) => insertRun(tx, (await findDish(tx, left))?.id as string, new Date("2026-10-08T08:00Z")));
    const { ahead, past: gone, house } = await loadHome();
    const states = Object.fromEntries([...ahead.dishes, ...gone.dishes].map((d) => [d.slug, d.state]));
    expect(states).toMatchObject({
      "open-run": "underway",
      "next-week": "planned",
      trial: "idea",
      soup: "idea",
      "old-idea": "idea",
      cooked: "done",
      "left-open": "served",
    });
    expect(ahead.dishes.map((d) => d.slug).slice(0, 3)).toEqual(["left-open", "open-run", "next-week"]);
    expect(gone.dishes.map((d) => d.slug)).toEqual(["cooked", "old-idea"]);
    expect(ahead.dishes.find((d) => d.slug === "open-run")?.mini?.lines.length).toBeGreaterThan(1);
    expect(house.cooks.length).toBeGreaterThan(0);
    expect(gone.dishes[0]?.fact).toBe("cooked once");
    // A change of the dish makes its plan an old one: Home says so instead of a start that no longer holds.
    const version = (await findDish(db, "next-week"))?.version;
    await call(serving, { dish: "next-week" }, { version, serves: 3 });
    expect((await loadHome()).ahead.dishes.find((d) => d.slug === "next-week")?.fact).toContain("open it to replan");
  });
});

describe("many dishes", () => {
  test("come a stretch at a time, none twice and none left out", async () => {
    for (let n = 0; n < 30; n++) await bring(`many-${n}`, `2026-11-${String(1 + (n % 28)).padStart(2, "0")}T18:00`);
    const first = (await loadHome()).ahead;
    expect(first.more).toBe(true);
    const seen = first.dishes.map((d) => d.slug);
    for (let part = first; part.more; ) {
      part = await homePart("ahead", seen.length);
      seen.push(...part.dishes.map((d) => d.slug));
    }
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen.filter((s) => s.startsWith("many-"))).toHaveLength(30);
    expect((await call((r: Request) => more(r, undefined), {}, undefined, "/api/home?from=-1")).status).toBe(422);
  });
  test("the example is for an empty house only", async () => expect((await call(example, {}, {})).status).toBe(409));
});

test("a copy is the same recipe on the same weekday of a later week: what was on hand and what was fixed stays behind", () => {
  const lunch = demoDocument("harvest-lunch") as Loose;
  const sourdough = lunch.components.find((c: Loose) => c.methods.length > 1);
  lunch.components[0].onHand = [{ madeAt: "2026-10-01T10:00" }];
  const method = { component: sourdough.id, method: sourdough.methods[1].id };
  lunch.wishes = { style: "ahead", pins: [{ step: "pie.bake", at: "2026-10-17T18:00" }, method] };
  const copy = copyOf(lunch as never, "Harvest lunch, again", "2027-10-20T13:00") as Loose;
  expect(readDishValue(copy).status).toBe("read");
  expect(copy.dish).toMatchObject({ name: "Harvest lunch, again", id: "harvest-lunch-again" });
  const weekday = (instant: string) => new Date(`${instant.slice(0, 10)}T00:00Z`).getUTCDay();
  expect(weekday(copy.dish.serveAt)).toBe(weekday(lunch.dish.serveAt));
  expect(copy.dish.serveAt.slice(0, 10) <= "2027-10-20" && copy.dish.serveAt.slice(0, 10) > "2027-10-13").toBe(true);
  expect(copy.dish.serveAt.slice(10)).toBe(lunch.dish.serveAt.slice(10));
  expect(copy.components[0].onHand).toBeUndefined();
  expect(copy.wishes).toEqual({ style: "ahead", pins: [method] });
  // Dated hours of a helper are the kitchen's: a copy does not make another kitchen of it.
  expect(copy.kitchen).toEqual(lunch.kitchen);
});
