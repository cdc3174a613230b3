// Every view by keyboard, by screen reader, in both lights and on a phone; addresses that reopen what was seen; files in and out.
import { shiftDates } from "../../src/core/dish/shift-dates";
import { writeDish } from "../../src/core/dish/write";
import { demoDocument } from "../support/dishes";
import { smallDish } from "../support/small-dish";
import { Server } from "./server";
import { axeFaults, expect, type Page, test } from "./test";

const server = new Server(4321, "2026-11-25T19:00:00Z");
test.beforeAll(async () => {
  await server.start();
  await server.plan("harvest-lunch");
});
test.afterAll(() => server.kill());

const VIEWS = [
  "/",
  "/import",
  "/bench",
  "/bench/brine",
  "/bench/cooling",
  "/d/harvest-lunch/dish",
  "/d/harvest-lunch/dish?c=jelly",
  "/d/harvest-lunch/dish?c=pork&bench=curing-salt",
  "/d/harvest-lunch/dish/questions",
  "/d/harvest-lunch/dish/amounts",
  "/d/harvest-lunch/dish/written",
  "/d/harvest-lunch/dish/library",
  "/d/harvest-lunch/timetable",
  "/d/harvest-lunch/timetable?c=pie",
  "/d/harvest-lunch/days",
  "/d/harvest-lunch/labels",
  "/d/harvest-lunch/shopping",
  "/d/harvest-lunch/cook",
  "/d/harvest-lunch/bedtime",
  "/d/harvest-lunch/last-hour",
  "/d/harvest-lunch/rehearsal",
  "/kitchen?dish=harvest-lunch",
  "/settings",
  "/notebook",
  "/larder",
];

// One test a view: each is short, and a slow one says which it is. The evening light changes colours, and nothing else that axe looks at.
const COLOURS = ["color-contrast", "link-in-text-block"];
for (const view of VIEWS)
  test(`${view}: no fault on the console, nothing loaded from elsewhere, and nothing that axe finds by day or in the evening`, async ({
    page,
  }) => {
    const faults: string[] = [];
    page.on("console", (m) => m.type() === "error" && faults.push(m.text()));
    page.on("pageerror", (e) => faults.push(String(e)));
    page.on("request", (r) => !r.url().startsWith(server.url) && !r.url().startsWith("data:") && faults.push(r.url()));
    await page.emulateMedia({ colorScheme: "light", reducedMotion: "reduce" });
    await page.goto(server.url + view, { waitUntil: "networkidle" });
    expect(faults).toEqual([]);
    const day = await axeFaults(page);
    await page.emulateMedia({ colorScheme: "dark", reducedMotion: "reduce" });
    expect([...day, ...(await axeFaults(page, COLOURS))]).toEqual([]);
  });

test("the pages of a run have nothing for axe to say either", async ({ page }) => {
  await server.acknowledge("spiced-duck");
  await server.post("/api/dishes/spiced-duck/run", {});
  const faults = async (what: string) => (await axeFaults(page)).map((fault) => `${what}: ${fault}`);
  const found: string[] = [];
  for (const view of ["cook", "changed", "last-hour", "bedtime"]) {
    await page.goto(`${server.url}/d/spiced-duck/${view}`);
    found.push(...(await faults(view)));
  }
  await page.goto(`${server.url}/notebook`);
  await page
    .getByRole("link", { name: /Spiced duck|duck/i })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "How was it?" })).toBeVisible();
  found.push(...(await faults("a run in the notebook")));
  expect(found).toEqual([]);
});

test("the chart is walked by keys and says where one stands; its address reopens it", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/timetable`, { waitUntil: "networkidle" });
  const chart = page.getByRole("application", { name: /Route chart/ });
  const said = page.locator("p[role=status]");
  await chart.focus();
  await page.keyboard.press("Home");
  const first = await said.innerText();
  expect(first).toMatch(/Mon \d\d:\d\d/);
  await page.keyboard.press("ArrowRight");
  await expect(said).not.toHaveText(first);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  const panel = page.getByRole("complementary", { name: "The selected component" });
  await expect(panel).toBeVisible();
  const name = await panel.getByRole("heading").first().innerText();
  await page.reload();
  await expect(panel.getByRole("heading").first()).toHaveText(name);
  await chart.focus();
  await page.keyboard.press("Escape");
  await expect(panel).toHaveCount(0);
});

test("pleats unfold at a click, all of them with F, and the address says so", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/timetable`);
  const pleats = page.locator("[data-pleat]");
  const count = await pleats.count();
  expect(count).toBeGreaterThan(3);
  await pleats
    .first()
    .locator("rect")
    .click({ position: { x: 6, y: 3 } });
  await expect(pleats).toHaveCount(count - 1);
  await page.keyboard.press("f");
  await expect(pleats).toHaveCount(0);
  expect(page.url()).toContain("scale=true");
});

test("the palette goes anywhere, the keys are listed, numbers lead to the views", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/dish`, { waitUntil: "networkidle" });
  await page.keyboard.press("Control+k");
  await page.keyboard.type("pie");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/timetable\?c=pie/);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "The keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("3");
  await expect(page).toHaveURL(/\/days$/);
});

test("another way of laying it out gives another plan", async ({ page }) => {
  const late = await server.plan("saturday-pastries");
  await page.goto(`${server.url}/d/saturday-pastries/timetable`);
  await page.getByRole("radio", { name: /Even/ }).click();
  await page.getByRole("button", { name: "Save" }).click({ timeout: 60_000 });
  await expect.poll(async () => (await server.plan("saturday-pastries")).style, { timeout: 30_000 }).toBe("even");
  await expect(page.getByRole("radio", { name: /Even/ })).toBeChecked({ timeout: 30_000 });
  expect(late.style).toBe("late");
});

test("more guests make more of everything, and it can be taken back", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/dish/written`);
  const salt = page.getByText(/^18\.8 g$/).first();
  await expect(salt).toBeVisible();
  await page.getByLabel("Guests").fill("20");
  await page.getByRole("button", { name: "Change" }).click();
  const serves = async () => (await (await fetch(`${server.url}/api/dishes/harvest-lunch`)).json()).dish.serves;
  await expect.poll(serves, { timeout: 20_000 }).toBe(20);
  await expect(page.getByText(/^37\.5 g$/).first()).toBeVisible({ timeout: 20_000 });
  await page.locator("h1").click();
  await page.keyboard.press("Control+z");
  await expect.poll(serves, { timeout: 20_000 }).toBe(10);
  await expect(salt).toBeVisible({ timeout: 20_000 });
});

test("the evening light is chosen by hand and kept", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/days`, { waitUntil: "networkidle" });
  await page.keyboard.press("Control+k");
  await page.keyboard.type("evening");
  await page.keyboard.press("Enter");
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const sideways = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  test("no view but the chart needs to be pushed sideways, and what is pressed is large", async ({ page }) => {
    for (const view of [
      "/",
      "/import",
      "/notebook",
      "/larder",
      "/d/harvest-lunch/days",
      "/d/harvest-lunch/labels",
      "/d/harvest-lunch/shopping",
      "/d/harvest-lunch/cook",
      "/d/harvest-lunch/bedtime",
      "/d/harvest-lunch/last-hour",
      "/d/harvest-lunch/rehearsal",
      "/d/harvest-lunch/dish?c=jelly",
      "/d/harvest-lunch/dish?c=pork&bench=curing-salt",
      "/d/harvest-lunch/dish/questions",
      "/d/harvest-lunch/dish/amounts",
      "/d/harvest-lunch/dish/library",
    ]) {
      await page.goto(server.url + view);
      expect(await sideways(page), view).toBeLessThanOrEqual(0);
    }
    for (const view of [
      "harvest-lunch/rehearsal",
      "harvest-lunch/bedtime",
      "harvest-lunch/last-hour",
      "harvest-lunch/changed",
      "spiced-duck/cook",
    ]) {
      await page.goto(`${server.url}/d/${view}`);
      const main = page.locator("#main");
      await expect(main.getByRole("heading").first()).toBeAttached();
      const small = await main.evaluate((element) =>
        [...element.querySelectorAll("button, label, summary, .link, .field")]
          .filter((e) => e.checkVisibility() && getComputedStyle(e).display !== "inline" && e.getBoundingClientRect().height < 56)
          .map((e) => e.getAttribute("aria-label") ?? e.textContent),
      );
      expect(small, view).toEqual([]);
    }
  });
});

test("the days go into a calendar: what needs hands, as other programs read it", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/days`);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Calendar" }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe("harvest-lunch.ics");
  const answer = await page.request.get(`${server.url}/api/dishes/harvest-lunch/calendar`);
  expect(answer.headers()["content-type"]).toContain("text/calendar");
  expect((await answer.text()).match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(40);
});

test("the day list goes to paper without the screen's furniture", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/days`);
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Views" })).toBeHidden();
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(page.getByRole("heading", { name: "Before bed" }).first()).toBeVisible();
  const days = await page.locator("[data-day]").count();
  for (const format of ["A4", "Letter"]) {
    const pages = (await page.pdf({ format })).toString("latin1").match(/\/Type \/Page\b/g)?.length ?? 0;
    expect(pages, format).toBeGreaterThan(0);
    // No more than a page a day, and one for what stands before them.
    expect(pages, format).toBeLessThanOrEqual(days + 1);
  }
  // The chart goes to paper as well, without what is pressed.
  await page.goto(`${server.url}/d/harvest-lunch/timetable`);
  await expect(page.getByRole("application", { name: /Route chart/ })).toBeVisible();
  await expect(page.getByRole("button", { name: "Replan" })).toBeHidden();
  await expect(page.getByRole("complementary")).toBeHidden();
});

test.describe("files", () => {
  test("a bad one is refused with all that is wrong, and stays in the box", async ({ page }) => {
    await page.goto(server.url);
    const text = JSON.stringify(
      smallDish((d) => {
        d.dish.serves = "four";
        d.components[0].methods[0].steps[0].time = "soon";
      }),
    );
    await page.getByRole("button", { name: /^Paste a recipe/ }).click();
    await page.getByLabel("or paste text").fill(text);
    await page.getByRole("button", { name: "Check and import" }).click();
    const alert = page.locator("form").getByRole("alert");
    await expect(alert).toContainText("dish.serves");
    await expect(alert).toContainText("components[0].methods[0].steps[0].time");
    await page.reload();
    await expect(page.getByLabel("or paste text")).toHaveValue(text);
  });
  test("a good one is kept and planned, and comes out as it went in", async ({ page }) => {
    await page.goto(server.url);
    const duck = { ...demoDocument("spiced-duck"), dish: { ...demoDocument("spiced-duck").dish, id: "another-duck" } };
    const text = writeDish(shiftDates(duck, 56));
    await page.getByRole("button", { name: /^Paste a recipe/ }).click();
    await page
      .getByLabel("A dish file, a saved recipe page or its data", { exact: true })
      .setInputFiles({ name: "duck.json", mimeType: "application/json", buffer: Buffer.from(text) });
    await page.getByRole("button", { name: "Check and import" }).click();
    const holds = page.getByRole("region", { name: "Contents" });
    await expect(holds).toContainText("Spiced duck");
    await expect(holds).toContainText("Nothing is saved yet");
    await holds.getByRole("button", { name: "Import", exact: true }).click();
    await expect(page).toHaveURL(/\/d\/another-duck/);
    await server.plan("another-duck");
    const exported = await (await fetch(`${server.url}/api/dishes/another-duck`)).text();
    const again = await server.post("/api/dishes", JSON.parse(exported));
    expect(again.ok).toBe(true);
    const { slug } = (await again.json()).value;
    expect(await (await fetch(`${server.url}/api/dishes/${slug}`)).text()).toBe(exported);
  });
  test("a word of ten thousand letters wraps on every page", async ({ page }) => {
    const word = "a".repeat(10_000);
    const answer = await server.post(
      "/api/dishes",
      smallDish((d) => {
        d.dish.id = "long-word";
        d.components[0].note = word;
        d.components[0].name = "b".repeat(200);
        d.components[0].methods[0].steps[0].note = word;
      }),
    );
    const { slug } = (await answer.json()).value;
    for (const view of ["dish", "dish?c=stock", "dish/written", "dish/amounts", "timetable", "days", "cook", "kitchen", "labels"]) {
      await page.goto(`${server.url}/d/${slug}/${view}`);
      await expect(page.locator("#main")).not.toBeEmpty();
      const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect(over, view).toBeLessThanOrEqual(0);
    }
  });
});

test.describe("the kitchen's form", () => {
  test("a helper and a pot come in, and go again with undo", async ({ page }) => {
    await page.goto(`${server.url}/d/saturday-pastries/kitchen`, { waitUntil: "networkidle" });
    const cooks = page.getByRole("group", { name: /^Cook \d/ });
    const before = await cooks.count();
    await page.getByRole("button", { name: "Add helper" }).click();
    await expect(cooks).toHaveCount(before + 1);
    await page.getByRole("button", { name: "Add item" }).click();
    await page.getByRole("button", { name: "Save kitchen" }).click();
    await expect(page.getByText("Saved. Replanning.")).toBeVisible();
    const dish = async () => (await fetch(`${server.url}/api/dishes/saturday-pastries`)).json();
    const kept = await dish();
    expect(kept.kitchen.cooks).toHaveLength(before + 1);
    expect(kept.kitchen.equipment.at(-1)).toMatchObject({ kind: "pot", name: "New pot", litres: 5 });
    await page.keyboard.press("Control+z");
    await expect.poll(async () => (await dish()).kitchen.cooks.length).toBe(before);
    await expect(cooks).toHaveCount(before);
  });
  test("somebody else's change meanwhile is told, and what was typed stays", async ({ page }) => {
    await page.goto(`${server.url}/d/saturday-pastries/kitchen`, { waitUntil: "networkidle" });
    const name = page.getByRole("textbox", { name: "Cook", exact: true }).first();
    await name.fill("Nora B");
    const { kitchen } = await (await fetch(`${server.url}/api/dishes/saturday-pastries`)).json();
    const stale = await fetch(`${server.url}/api/dishes/saturday-pastries/kitchen`, {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ version: 0, kitchen, label: "too old" }),
    });
    expect(stale.status).toBe(409);
    expect((await stale.json()).message).toContain("changed somewhere else");
    await expect(name).toHaveValue("Nora B");
  });
});

test("the timetable says why a step stands where it stands, where it is heavy and how often it came to serving", async ({ page }) => {
  test.setTimeout(150_000);
  await server.settled("harvest-lunch");
  await page.goto(`${server.url}/d/harvest-lunch/timetable?c=jelly&s=jelly.simmer`);
  const panel = page.getByRole("complementary", { name: "The selected component" });
  await expect(panel).toContainText(/Not later than (Sat|Fri|Thu) \d\d:\d\d: .+/);
  await expect(panel).toContainText(/Can start between|Cannot move/);
  await expect(page.getByText(/^On time in \d+ of 100 rehearsals/)).toBeVisible({ timeout: 30_000 });
  const load = page.getByRole("region", { name: "Busy and free times" });
  await expect(load).toContainText(/Saturday has \d h/);
  await expect(load).toContainText("no hands are needed");
});
