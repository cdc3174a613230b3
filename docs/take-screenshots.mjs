// Takes the pictures of docs/screenshots from the demo: a server with its own data and clock, the lunch followed to Saturday evening.
// node docs/take-screenshots.mjs   (after ./rondeau build)
import { spawn } from "node:child_process";
import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { chromium } from "@playwright/test";

const url = "http://127.0.0.1:4390";
const out = path.join(import.meta.dirname, "screenshots");
const server = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-p", "4390", "-H", "127.0.0.1"], {
  cwd: path.join(import.meta.dirname, ".."),
  stdio: "ignore",
  env: {
    ...process.env,
    NODE_ENV: "production",
    RONDEAU_DATA_DIR: mkdtempSync(path.join(tmpdir(), "rondeau-pictures-")),
    RONDEAU_DEMO: "1",
    RONDEAU_CLOCK: "manual",
    RONDEAU_NOW: "2026-11-25T19:00:00Z",
  },
});
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const until = async (ready) => {
  for (let i = 0; i < 300; i++) {
    const value = await ready().catch(() => undefined);
    if (value) return value;
    await wait(100);
  }
  throw new Error("the server did not come up");
};
const post = async (where, body) =>
  (await fetch(url + where, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) })).text();
const plan = () =>
  until(async () =>
    (await fetch(`${url}/api/dishes/harvest-lunch/plan`)).ok ? (await fetch(`${url}/api/dishes/harvest-lunch/plan`)).json() : undefined,
  );
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? ["/usr/bin/chromium", "/usr/bin/chromium-headless-shell"].find((at) => existsSync(at)),
  args: ["--no-sandbox", "--disable-gpu", "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1"],
});
const picture = async (name, where, { light = "light", width = 1280, height = 800, first = async () => {} } = {}) => {
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme: light,
    timezoneId: "Europe/Dublin",
    locale: "en-GB",
    reducedMotion: "reduce",
  });
  const page = await context.newPage();
  await page.goto(url + where, { waitUntil: "load" });
  // A page that listens for news is never without a line open, so idle is not waited for.
  await wait(1200);
  await first(page);
  await wait(500);
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  await context.close();
};

const PASTED = `Leek and barley pie
Serves 6
Ingredients
For the pastry:
300 g plain flour
150 g cold butter
1 egg yolk
For the filling:
1.2 kg leeks, sliced
200 g pearl barley
600 ml vegetable stock
salt
Method
1. For the pastry, rub butter into flour, bind with the yolk and a little water.
2. Chill the pastry for 1 hour.
3. For the filling, simmer the barley in the stock for 35 minutes until soft.
4. Sweat the leeks for 20 minutes, season, mix and cool overnight in the fridge.
5. Assemble: line a tin with the pastry, fill, and bake at 190°C for 45-50 minutes until golden.`;

/** What was pressed of each step. */
const state = new Map();
/** Presses start and done where the plan has them, up to a moment. */
async function followTo(moment) {
  if (state.size === 0) {
    const { findings } = await (await fetch(`${url}/api/dishes/harvest-lunch/safety`)).json();
    await post("/api/dishes/harvest-lunch/safety", {
      acknowledge: findings.filter((f) => f.severity === "stop").map(({ id, print }) => ({ id, print })),
    });
    await post("/api/dishes/harvest-lunch/run", {});
  }
  for (;;) {
    const { steps } = await plan();
    const next = steps
      .filter((s) => state.get(s.step) !== "ended")
      .map((s) =>
        state.has(s.step)
          ? { at: Date.parse(s.end), kind: "ended", step: s.step }
          : { at: Date.parse(s.start), kind: "started", step: s.step },
      )
      .sort((a, b) => a.at - b.at || (a.kind === "ended" ? -1 : 1))[0];
    if (!next || next.at > Date.parse(moment)) break;
    state.set(next.step, next.kind);
    await post("/api/clock", { now: new Date(next.at).toISOString() });
    await post("/api/dishes/harvest-lunch/events", { key: crypto.randomUUID(), kind: next.kind, step: next.step });
  }
  await post("/api/clock", { now: moment });
}

try {
  await until(async () => (await fetch(url)).ok);
  await plan();
  await wait(6000);
  await picture("dish", "/d/harvest-lunch/dish");
  await picture("dish-editor", "/d/harvest-lunch/dish?c=jelly", {
    first: async (page) => {
      const line = page.getByRole("textbox", { name: "Add a step" });
      await line.fill("simmer 3-4h, nearby, 10 L pot, skim every 45m");
      await line.evaluate((e) => e.scrollIntoView({ block: "center" }));
    },
  });
  await picture("import", "/", {
    first: async (page) => {
      await page.getByRole("button", { name: /^Paste a recipe/ }).click();
      await page.getByLabel(/paste text/).fill(PASTED);
      await page.getByRole("button", { name: "Check and import" }).click();
      await page.getByRole("button", { name: "Import", exact: true }).waitFor();
    },
  });
  await picture("timetable", "/d/harvest-lunch/timetable");
  await picture("rehearsal", "/d/harvest-lunch/rehearsal", {
    first: async (page) => {
      await page.getByRole("combobox", { name: "How it is followed" }).click();
      await page.getByRole("option", { name: /20 min late/ }).click();
      await page.getByRole("button", { name: "Rehearse" }).click();
      await page.getByRole("button", { name: "Find a fix" }).first().waitFor({ timeout: 120_000 });
      await page.evaluate(() => window.scrollTo(0, 0));
    },
  });
  await picture("timetable-impossible", "/d/harvest-lunch/timetable", {
    first: async (page) => {
      await page.getByText("Serve at another time").click();
      await page.getByRole("textbox", { name: "Serve at" }).first().fill("6 Dec 6am");
      await page.getByRole("button", { name: "Try it" }).click();
      await page.locator("[data-repair]").first().waitFor({ timeout: 60_000 });
    },
  });
  await picture("bench", "/bench/cooling", { height: 900 });
  await picture("safety", "/d/harvest-lunch/timetable", {
    first: (page) => page.evaluate(() => document.getElementById("mind")?.scrollIntoView()),
  });
  await picture("labels", "/d/harvest-lunch/labels");
  await picture("days", "/d/harvest-lunch/days");
  await picture("kitchen", "/kitchen?dish=harvest-lunch");
  await followTo("2026-12-05T17:10:00Z");
  await picture("home", "/");
  await picture("larder", "/larder");
  await picture("timetable-phone", "/d/harvest-lunch/timetable", { width: 390, height: 844 });
  await picture("cook", "/d/harvest-lunch/cook");
  await picture("cook-phone", "/d/harvest-lunch/cook", { width: 390, height: 844 });
  await picture("something-changed", "/d/harvest-lunch/changed", {
    first: async (page) => {
      await page.getByRole("button", { name: "Equipment stopped working" }).click();
      await page.getByRole("combobox", { name: "What stopped?" }).click();
      await page.getByRole("option", { name: "Oven", exact: true }).click();
      await page.getByRole("button", { name: "Show what can be done" }).click();
      await page
        .getByRole("button", { name: /^Choose/ })
        .first()
        .waitFor({ timeout: 60_000 });
      await page.getByText("Planning it").first().waitFor({ state: "detached", timeout: 60_000 });
    },
  });
  await followTo("2026-12-06T12:36:00Z");
  await picture("last-hour", "/d/harvest-lunch/last-hour");
  await followTo("2026-12-06T15:00:00Z");
  await post("/api/dishes/harvest-lunch/entries", {
    entries: [
      { key: crypto.randomUUID(), body: { kind: "note", step: "pie.bake-low", text: "The far corner browns first: turn at half time." } },
    ],
  });
  await fetch(`${url}/api/dishes/harvest-lunch/run`, { method: "DELETE" });
  await picture("notebook", "/notebook", {
    first: async (page) => {
      await page.getByRole("link", { name: /Harvest lunch/ }).click();
      await page.getByRole("heading", { name: "How was it?" }).waitFor();
    },
  });
} finally {
  await browser.close();
  server.kill();
}
