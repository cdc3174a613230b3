// The larder over the server's routes: what runs make and leave stands in it, what is done with it is kept once, and another dish is offered it.
import { beforeEach, describe, expect, test, vi } from "vitest";
import LabelsPage from "../../src/app/(house)/larder/labels/page";
import LarderPage from "../../src/app/(house)/larder/page";
import HomePage from "../../src/app/(house)/page";
import ShoppingForAllPage from "../../src/app/(house)/shopping/page";
import { POST as clock } from "../../src/app/api/clock/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { DELETE as endRun, POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { GET as shoppingFile } from "../../src/app/api/dishes/[dish]/shopping/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { GET as larder, POST as put } from "../../src/app/api/larder/route";
import { GET as allShopping } from "../../src/app/api/shopping/route";
import { POST as staple } from "../../src/app/api/staples/route";
import { POST as changeTrips } from "../../src/app/api/trips/route";
import ShoppingPage from "../../src/app/d/[dish]/shopping/page";
import { GET as open } from "../../src/app/i/[code]/route";
import { labelCode } from "../../src/core/sheets/labels";
import { loadLarderOffers } from "../../src/server/larder";
import type { Loose } from "../support/dishes";
import { shown } from "../support/page";
import { call, planned, withServer } from "../support/server";
import { smallDish, stepOf } from "../support/small-dish";

const NOW = "2026-10-16T08:00:00Z";
const MINUTE = Date.parse(NOW) / 60_000;
withServer(NOW);
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});

const event = (item: string, body: Loose, key = crypto.randomUUID()) => ({ key, item, body });
const write = (...events: Loose[]) => call(put, {}, { events });
const kept = async (): Promise<Loose> => (await call(larder, {})).said;
const named = async (name: string): Promise<Loose> => (await kept()).items.find((i: Loose) => i.name === name);
const at = (minutes: number) => call(clock, {}, { now: new Date(Date.parse(NOW) + minutes * 60_000).toISOString() });
const JAM = { kind: "added", name: "Plum jam", amount: { amount: 2, unit: "jar" }, place: "cellar", until: MINUTE + 9000 };

describe("by hand", () => {
  test("is put in once, however often it is sent; taken from; and what was written stays", async () => {
    const add = event("by-hand-1", JAM);
    const first = await write(add);
    expect(first.status).toBe(200);
    expect((await write(add)).said).toEqual(first.said);
    await write(event("by-hand-1", { kind: "taken", amount: { amount: 1, unit: "jar" } }));
    expect((await named("Plum jam")).quantity.value).toBe(1);
    const gone = await write(event("by-hand-1", { kind: "discarded", why: "mouldy" }));
    expect(await named("Plum jam")).toBeUndefined();
    await write(event("by-hand-1", { kind: "withdrawn", of: gone.said.ids[0] }));
    expect((await named("Plum jam")).quantity.value).toBe(1);
  });
  test("half of it goes into the freezer, and each half has a label that opens it", async () => {
    await write(event("by-hand-5", { ...JAM, name: "Pesto with walnuts", place: "fridge" }));
    const parted = await write(
      event("by-hand-5", { kind: "split", amount: { amount: 1, unit: "jar" }, place: "freezer", into: "by-hand-5-half" }),
    );
    const halves = (await kept()).items.filter((i: Loose) => i.name === "Pesto with walnuts");
    expect(halves.map((i: Loose) => [i.place, i.quantity.value]).toSorted()).toEqual([
      ["freezer", 1],
      ["fridge", 1],
    ]);
    const page = await shown(LabelsPage({ searchParams: Promise.resolve({ item: "by-hand-5-half" }) }));
    const [label, ...others] = page.with("data-label").filter((l) => l.text.includes("Pesto"));
    expect(others).toEqual([]);
    expect(label?.text).toMatch(/Pesto with walnuts ?1 jar ?.*freezer.*Contains milk, nuts\./);
    expect((await shown(LabelsPage({ searchParams: Promise.resolve({}) }))).with("data-label").length).toBeGreaterThan(1);
    // No allergen on a label of something added by hand does not mean that there is none.
    await write(event("by-hand-6", { ...JAM, name: "Aunt's special" }));
    const special = (await shown(LabelsPage({ searchParams: Promise.resolve({ item: "by-hand-6" }) }))).with("data-label", "by-hand-6")[0];
    expect(special?.text).toContain("Allergens not known.");
    expect(label?.text).not.toContain("not known");
    const code = label?.text.match(/[2-9A-Z]{5}$/)?.[0] ?? "";
    const answer = await open(new Request("http://localhost/"), { params: Promise.resolve({ code }) });
    expect([answer.status, answer.headers.get("location")]).toEqual([307, "/larder#by-hand-5-half"]);
    await write(event("by-hand-5", { kind: "withdrawn", of: parted.said.ids[0] }));
    expect((await named("Pesto with walnuts")).quantity.value).toBe(2);
  });
  test("all or nothing, and what is wrong is said", async () => {
    const bad = await write(event("by-hand-2", { ...JAM, name: "Chutney" }), event("by-hand-2", { kind: "moved", place: "attic" }));
    expect(bad.status).toBe(422);
    expect(bad.said.problems[0].path).toMatch(/place/);
    expect(await named("Chutney")).toBeUndefined();
  });
});

async function started(change: (d: Loose) => void = () => {}): Promise<string> {
  const document = smallDish((d) => {
    d.dish.id = "lardered";
    d.dish.name = "Lardered";
    change(d);
  });
  const dish = (await call(bringIn, {}, document)).said.value.slug;
  const list = (await call(findings, { dish })).said.findings.filter((f: Loose) => f.severity === "stop");
  await call(acknowledge, { dish }, { acknowledge: list.map((f: Loose) => ({ id: f.id, print: f.print })) });
  await planned(dish, MINUTE);
  expect((await call(startRun, { dish })).status).toBe(200);
  return dish;
}
async function done(dish: string, step: string, from: number, to: number) {
  for (const [kind, minute] of [
    ["started", from],
    ["ended", to],
  ] as const) {
    await at(minute);
    expect((await call(press, { dish }, { key: crypto.randomUUID(), kind, step })).status).toBe(200);
  }
}

describe("from runs", () => {
  test("what a step makes stands there while the run goes on, its rest after it, and another run of the dish is offered that", async () => {
    await at(0);
    const dish = await started((d) => {
      stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, max: "5d", limit: "safety" }];
    });
    await done(dish, "stock.chop", 0, 20);
    expect(await named("stock")).toBeUndefined();
    await done(dish, "stock.simmer", 20, 260);
    expect(await named("stock")).toMatchObject({ quantity: { value: 2000 }, reserved: "Lardered", until: MINUTE + 260 + 5 * 1440 });
    await done(dish, "sauce.reduce", 300, 360);
    await done(dish, "plate.put", 400, 415);
    expect((await call(endRun, { dish })).status).toBe(200);
    const left = await named("stock");
    expect(left).toMatchObject({ quantity: { value: 500 }, source: { underway: false } });
    // Its label says what went into it, by the dish.
    const [label] = (await shown(LabelsPage({ searchParams: Promise.resolve({ item: left.id }) }))).with("data-label", left.id);
    expect(label?.text).toMatch(/stock ?500 mL.*fridge.*not after/);
    expect(label?.text).toMatch(new RegExp(`${labelCode("lardered", "stock.stock")}$`));
    // The code of its label opens it, however it is typed; before it is made, the component that makes it.
    const opened = async (code: string) => {
      const answer = await open(new Request("http://localhost/"), { params: Promise.resolve({ code }) });
      return [answer.status, answer.headers.get("location")];
    };
    expect(await opened(labelCode("lardered", "stock.stock").toLowerCase())).toEqual([307, `/larder#${encodeURIComponent(left.id)}`]);
    expect(await opened(labelCode("lardered", "sauce.sauce"))).toEqual([307, `/d/${dish}/dish?c=sauce`]);
    expect((await opened("ZZZZZ"))[0]).toBe(404);
    // The same component of another dish.
    const other = smallDish((d) => {
      d.dish.name = "Another";
      d.dish.serveAt = "2026-10-19T13:00";
    });
    const [offer] = await loadLarderOffers(other as never);
    expect(offer).toMatchObject({
      component: "stock",
      text: "500 mL stock",
      amount: { amount: 500, unit: "mL" },
      madeAt: "2026-10-16T13:20",
    });
    await write(event(left.id, { kind: "reserved", dish: "A third dish" }));
    expect(await loadLarderOffers(other as never)).toEqual([]);
  });
  test("what keeps no longer is told on Home and in the larder", async () => {
    await at(0);
    await write(event("by-hand-3", { kind: "added", name: "Stewed pears", place: "fridge", until: MINUTE + 600, limit: "quality" }));
    expect((await shown(HomePage())).text).toContain("Stewed pears: good until");
    await at(900);
    expect((await shown(HomePage())).text).toContain("Stewed pears: past its limit since");
    expect((await shown(LarderPage())).text).toContain("Stewed pears: past its limit since");
    // What spoils soon is told with what it goes into.
    await write(event("by-hand-4", { kind: "added", name: "Bones", place: "fridge", until: MINUTE + 2000, limit: "safety" }));
    expect((await shown(LarderPage())).text).toMatch(/Bones: free until .*It goes into/);
    await write(event("by-hand-4", { kind: "discarded" }));
    expect((await kept()).decisions[0]).toMatchObject({ kind: "past", name: "Stewed pears", freezable: false });
  });
});

describe("shopping for all dishes", () => {
  test("adds up over the dishes that are ahead, leaves out what is always there, and says so", async () => {
    await at(0);
    for (const [id, grams] of [
      ["first-of-two", 200],
      ["second-of-two", 150],
    ] as const) {
      const document = smallDish((d) => {
        d.dish.id = id;
        d.dish.name = id;
        d.components[1].methods[0].ingredients = [{ id: "b", name: "Butter", amount: { amount: grams, unit: "g" } }];
      });
      const slug = (await call(bringIn, {}, document)).said.value.slug;
      await planned(slug, MINUTE);
    }
    const text = async () => (await shown(ShoppingForAllPage())).text;
    expect(await text()).toMatch(/For .*first-of-two, .*second-of-two/);
    expect(await text()).toMatch(/2 × 250 g ?Butter ?350 g needed; 150 g left over; for sauce \(first-of-two\), sauce \(second-of-two\)/);
    const file = async () => (await allShopping(new Request("http://house/"), { params: Promise.resolve({}) })).text();
    expect(await file()).toMatch(/Butter,350 g,sauce \(first-of-two\); sauce \(second-of-two\),.*,2 × 250 g,150 g,/i);
    expect((await call(staple, {}, { name: "Butter", always: true })).said).toEqual({ staples: ["butter"] });
    expect(await file()).not.toMatch(/Butter/);
    expect(await text()).toMatch(/One thing that you always have/);
    expect(await text()).not.toMatch(/350 g needed/);
    expect((await call(staple, {}, { name: "butter", always: false })).said).toEqual({ staples: [] });
    await write(event("by-hand-9", { kind: "added", name: "Butter", amount: { amount: 100, unit: "g" }, place: "fridge" }));
    expect(await text()).toMatch(/250 g ?Butter ?250 g needed; 100 g in the larder/);
  });
  test("fewer trips are offered with what they cost, chosen on one device, seen on the next, and in the file", async () => {
    await at(0);
    const document = smallDish((d) => {
      d.dish.id = "two-trips";
      d.components[1].methods[0].ingredients = [
        { id: "b", name: "Butter", amount: { amount: 200, unit: "g" }, keeps: "1h30m", section: "Dairy" },
        { id: "s", name: "Salt", amount: { amount: 10, unit: "g" } },
      ];
    });
    document.components[0].methods[0].ingredients = [{ id: "f", name: "Flour", amount: { amount: 100, unit: "g" } }];
    const slug = (await call(bringIn, {}, document)).said.value.slug;
    await planned(slug, MINUTE);
    const page = async () => (await shown(ShoppingPage({ params: Promise.resolve({ dish: slug }) }))).text;
    const csv = async () =>
      (await (await shoppingFile(new Request("http://house/"), { params: Promise.resolve({ dish: slug }) })).text()).split("\n");
    const trips = async () =>
      new Set(
        (await csv())
          .slice(1)
          .filter(Boolean)
          .map((line) => line.split(",").at(-1)),
      ).size;
    expect(await page()).toMatch(/2 trips.*Everything stays fresh until you use it\..*1 trip.*Butter would be kept .* too long\./);
    expect(await trips()).toBe(2);
    expect((await call(changeTrips, {}, { list: slug, most: 1 })).said).toEqual({ ok: true });
    expect(await page()).toMatch(/in one trip\./);
    expect(await page()).toMatch(/kept .* too long: buy later if you can/);
    expect(await trips()).toBe(1);
    await call(changeTrips, {}, { list: slug, most: null });
    expect(await trips()).toBe(2);
    // What is always there needs no trip, in the file as on the page.
    await call(staple, {}, { name: "Butter", always: true });
    expect((await csv()).join()).not.toMatch(/Butter/);
    expect(await trips()).toBe(1);
    await call(staple, {}, { name: "Butter", always: false });
    expect((await call(changeTrips, {}, { list: slug, most: 0 })).status).toBe(422);
  });
});
