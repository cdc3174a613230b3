// The first ten minutes of a new cook, typed as a person would: from Home to a plan of a dish of six components.
//   ./rondeau bench first-plan
// Told for two ways: every line written by hand, and with what the page offers (names that go with it, sample lines). Presses are clicks and keys
// that are no letters of a text; keys are all that is typed; screens are addresses that were seen.
import { chromium, type Page } from "@playwright/test";
import { demoServer } from "./server";

/** What is made: its name, the lines that a cook writes for it by hand, and which of the offered sample lines she changes. */
const PARTS: readonly (readonly [name: string, lines: readonly string[]])[] = [
  ["Crust", ["mix and knead 15m", "rest 1h, fridge, makes 900 g crust, keeps up to 2d fridge 2 L"]],
  ["Filling", ["chop 20m", "cook 20m", "cool 1h, fridge, makes 1.3 kg filling, keeps up to 1d fridge 2 L"]],
  ["Jelly stock", ["simmer 3-4h, nearby, 8 L pot, skim every 45m", "strain 10m, makes 1 L stock, keeps up to 3d fridge 1 L"]],
  ["Bread", ["mix 15m", "rest 2h", "shape 10m", "bake 40m, oven 220C, keeps up to 1d counter"]],
  ["Pickle", ["slice 15m", "boil the brine and pour over 15m, jar 1 L", "steep 1d, fridge, makes 500 g pickle, keeps up to 30d fridge"]],
  ["Fruit compote", ["cook 25m", "chill 4h, fridge, makes 800 g, keeps up to 2d fridge"]],
];

interface Count {
  presses: number;
  keys: number;
  readonly screens: Set<string>;
}

class Cook {
  readonly count: Count = { presses: 0, keys: 0, screens: new Set() };
  constructor(readonly page: Page) {
    page.on("framenavigated", (f) => f === page.mainFrame() && this.count.screens.add(new URL(f.url()).pathname));
  }
  async click(name: RegExp | string, role: "button" | "link" = "button"): Promise<void> {
    this.count.presses++;
    await this.page.getByRole(role, { name }).first().click();
  }
  async type(text: string): Promise<void> {
    this.count.keys += text.length;
    await this.page.keyboard.type(text);
  }
  async press(key: string): Promise<void> {
    this.count.presses++;
    await this.page.keyboard.press(key);
  }
}

async function make(cook: Cook, url: string, helped: boolean): Promise<number> {
  const { page } = cook;
  const from = performance.now();
  await page.goto(url, { waitUntil: "networkidle" });
  await cook.click(/^Start empty/);
  await cook.type("Sunday pie");
  await cook.press("Enter");
  await page.waitForURL(/\/dish$/);
  await page.getByRole("textbox", { name: "Name" }).waitFor();
  for (const [name, lines] of PARTS) {
    const offered = page.getByRole("button", { name, exact: true });
    if (helped && (await offered.count())) await cook.click(name);
    else {
      await page.getByRole("textbox", { name: "Name" }).focus();
      await cook.type(name);
      if (!helped) await cook.press("Tab");
    }
    if (helped) await cook.click(/^Start from sample lines/);
    else {
      // From the name over the kind to the steps.
      await page.getByRole("textbox", { name: /^Steps/ }).focus();
      await cook.press("Tab");
      for (const [i, line] of lines.entries()) {
        if (i) await cook.press("Enter");
        await cook.type(line);
      }
    }
    await cook.press("Control+Enter");
    await page
      .locator("[data-pool]", { hasText: name.split(" ")[0] as string })
      .first()
      .waitFor();
  }
  await page.locator("[data-plan-state='good'], [data-plan-state='moved']").waitFor({ timeout: 90_000 });
  await cook.click("Timetable", "link");
  await page.getByRole("application", { name: /Route chart/ }).waitFor({ timeout: 60_000 });
  return performance.now() - from;
}

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium", args: ["--no-sandbox"] });
const { url, stop } = await demoServer(4392, { RONDEAU_DEMO: "0" });
try {
  const results: number[] = [];
  for (const helped of [false, true]) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: "en-GB" })).newPage();
    const cook = new Cook(page);
    const ms = await make(cook, url, helped);
    const { presses, keys, screens } = cook.count;
    // A person types about four letters a second and finds a button in two.
    const minutes = (keys / 4 + presses * 2) / 60;
    results.push(presses + keys);
    console.log(
      `${helped ? "with what is offered" : "every line by hand  "}: ${presses} presses, ${keys} letters, ${screens.size} screens; about ${minutes.toFixed(1)} min for a person, ${(ms / 1000).toFixed(0)} s for the script`,
    );
  }
  console.log(`actions with help: ${Math.round((100 * (results[1] ?? 0)) / (results[0] ?? 1))} % of those by hand`);
} finally {
  await browser.close();
  stop();
}
