// Breaking down a dish: from nothing by keyboard, from a page, from a text, from the library; questions, amounts, substitutes, undo.
import { readFileSync } from "node:fs";
import type { Locator } from "@playwright/test";
import type { Loose } from "../support/dishes";
import { Server } from "./server";
import { axeFaults, choose, expect, type Page, test } from "./test";

const server = new Server(4351, "2026-11-25T19:00:00Z");
test.setTimeout(120_000);
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

const dishOf = async (slug: string): Promise<Loose> => (await fetch(`${server.url}/api/dishes/${slug}`)).json();
const pageFile = (name: string) => new URL(`../data/pages/${name}`, import.meta.url);
async function faults(page: Page) {
  const seen: string[] = [];
  page.on("pageerror", (e) => seen.push(e.message));
  page.on("console", (m) => m.type() === "error" && seen.push(m.text()));
  return seen;
}
async function axe(page: Page) {
  // While the page is told of a change it stands for a moment without its title.
  await page.waitForLoadState("networkidle");
  await expect(page).toHaveTitle(/./);
  expect(await axeFaults(page)).toEqual([]);
}
/** Goes on with Tab until the focus is on something of that name. */
async function tabTo(page: Page, name: RegExp, most = 80) {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    const here = await page.evaluate(() => {
      const e = document.activeElement as HTMLInputElement | null;
      const label = e?.labels?.[0]?.firstChild?.textContent ?? "";
      return `${e?.getAttribute("aria-label") ?? ""}|${label}|${e?.tagName === "BUTTON" || e?.tagName === "A" ? e.textContent : ""}`;
    });
    if (name.test(here)) return;
  }
  throw new Error(`Tab never came to ${name}`);
}

const COMPONENTS: readonly (readonly [name: string, steps: readonly string[], goods: readonly string[]])[] = [
  [
    "Jelly stock",
    [
      "simmer 4h, 10 L pot, skim every 45m for 3m, until a trotter falls apart",
      "strain 10m",
      "cool in an ice bath 40m, nearby, makes 1.2 L jelly, keeps 8h-3d fridge 1.5 L safety",
    ],
    ["2 pig's trotters", "2 onions, halved", "3 L water"],
  ],
  [
    "Shortcrust",
    ["rub in and bind 15m", "rest 1-2h, fridge 1 L, makes 600 g pastry, keeps up to 2d fridge 1 L safety"],
    ["350 g plain flour", "175 g butter", "60 g water"],
  ],
  [
    "Pork filling",
    ["dice and season 30m, makes 1.4 kg filling raw, keeps up to 1d fridge 2 L safety"],
    ["1.3 kg pork shoulder", "18 g salt", "2 tsp sage"],
  ],
  [
    "Raised pie",
    [
      "line and fill 30m, takes pastry, takes filling",
      "bake 80-100m, oven 170, until brown, 75C in the middle",
      "cool 2h, alone",
      "pour in the jelly 10m, takes jelly",
      "set 6-12h, fridge 4 L, makes 2.6 kg pie, keeps up to 2d fridge 4 L safety",
    ],
    ["1 egg, for glazing"],
  ],
  [
    "Quick radish pickle",
    ["slice 15m", "pour over and steep 1h, jar 1 L, makes 500 g radishes, keeps up to 14d fridge 1 L"],
    ["500 g radishes", "200 ml rice vinegar", "40 g sugar"],
  ],
];

test("a dish of five components is entered from nothing by keyboard, its questions answered, and planned", async ({ page }) => {
  const seen = await faults(page);
  await page.goto(server.url, { waitUntil: "networkidle" });
  await tabTo(page, /Start empty/);
  await page.keyboard.press("Enter");
  await page.keyboard.type("Orchard supper");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/d\/orchard-supper\/dish/);
  await tabTo(page, /Guests/);
  await page.keyboard.press("Control+a");
  await page.keyboard.type("8");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await dishOf("orchard-supper")).dish.serves).toBe(8);
  for (const [name, steps, goods] of COMPONENTS) {
    await tabTo(page, /\|Name\|/);
    await page.keyboard.type(name);
    await tabTo(page, /Steps/);
    for (const [i, line] of steps.entries()) {
      if (i) await page.keyboard.press("Enter");
      await page.keyboard.type(line);
    }
    await expect(page.getByText(/saved as a note/)).toHaveCount(0);
    await tabTo(page, /Ingredients/);
    for (const [i, line] of goods.entries()) {
      if (i) await page.keyboard.press("Enter");
      await page.keyboard.type(line);
    }
    await page.keyboard.press("Control+Enter");
    await expect(page.locator(`[data-pool]`, { hasText: name.split(" ")[0] as string }).first()).toBeVisible();
    await expect(page.locator("main").getByRole("alert")).toHaveCount(0);
  }
  // What runs into the pie no longer runs to serving.
  const after = async () => dishOf("orchard-supper");
  await expect.poll(async () => (await after()).components.length).toBe(6);
  const dish = await after();
  expect(dish.components.map((c: Loose) => [c.id, c.kind])).toEqual([
    ["jelly-stock", "stock"],
    ["shortcrust", "dough"],
    ["pork-filling", "filling"],
    ["raised-pie", expect.any(String)],
    ["quick-radish-pickle", "pickle"],
    ["table", "assembly"],
  ]);
  expect(dish.components[3].methods[0].steps[1]).toMatchObject({
    attention: "nearby",
    uses: [{ what: "oven", tempC: 170 }],
    done: { probeC: 75 },
  });
  // The questions, by keyboard: each is answered by its first answer, by what it shows as an example, or put aside with a reason.
  await page.goto(`${server.url}/d/orchard-supper/dish/questions`, { waitUntil: "networkidle" });
  for (let i = 0; i < 40; i++) {
    const first = page.locator("[data-question]").first();
    if ((await first.count()) === 0) break;
    const id = await first.getAttribute("data-question");
    const button = first.locator("button.act:not([disabled])").first();
    const field = first.locator("input").first();
    if (await button.count()) {
      await button.focus();
      await page.keyboard.press("Enter");
    } else if (await field.count()) {
      await field.focus();
      await page.keyboard.type((await field.getAttribute("placeholder")) ?? "");
      await page.keyboard.press("Enter");
    } else {
      await first.getByRole("button", { name: /Skip/ }).focus();
      await page.keyboard.press("Enter");
      await page.keyboard.type("meant so");
      await page.keyboard.press("Enter");
    }
    await expect(page.locator(`[data-question="${id}"]`)).toHaveCount(0, { timeout: 10_000 });
  }
  await expect(page.getByText(/^No open questions/)).toBeVisible();
  await expect(page.locator("[data-plan-state='good'], [data-plan-state='moved']")).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press("2");
  await expect(page).toHaveURL(/timetable/);
  await expect(page.getByRole("application", { name: /Route chart/ })).toBeVisible({ timeout: 30_000 });
  const plan = await server.plan("orchard-supper");
  expect(plan.format).toBe("rondeau-plan/1");
  expect(seen).toEqual([]);
});

test("the map: a component is opened, a stream joined by pulling, cut off by keyboard, and undone", async ({ page }) => {
  await page.goto(`${server.url}/d/saturday-pastries/dish`, { waitUntil: "networkidle" });
  const map = page.getByRole("application", { name: /Breakdown map/ });
  await expect(map).toBeVisible();
  const before = await dishOf("saturday-pastries");
  await map.locator("[data-pool='dough']").focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.locator("[data-pool]:focus")).not.toHaveAttribute("data-pool", "dough");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("textbox", { name: "Name of the component" })).toBeVisible();
  await expect(page).toHaveURL(/dish\?c=/);
  await page.getByRole("button", { name: "Close", exact: true }).click();
  // Pulled by mouse from the plum butter to the pastry cream.
  const ring = await map.locator("g:has(> [data-pool='plums']) > circle").boundingBox();
  const target = await map.locator("[data-pool='cream']").boundingBox();
  if (!ring || !target) throw new Error("the pools are not drawn");
  await page.mouse.move(ring.x + ring.width / 2, ring.y + ring.height / 2);
  await page.mouse.down();
  await page.mouse.move(target.x + target.width / 2, target.y + target.height / 2, { steps: 8 });
  await page.mouse.up();
  const taken = async () =>
    (await dishOf("saturday-pastries")).components
      .find((c: Loose) => c.id === "cream")
      .methods[0].steps.flatMap((s: Loose) => s.takes ?? [])
      .map((t: Loose) => t.from);
  await expect.poll(taken).toContainEqual(expect.stringMatching(/^plums\./));
  await axe(page);
  await map.locator("[data-pool='cream']").click();
  await page
    .getByRole("button", { name: /^Remove ?: .*plum/i })
    .first()
    .focus();
  await page.keyboard.press("Enter");
  await expect.poll(taken).not.toContainEqual(expect.stringMatching(/^plums\./));
  await page.getByText("Show as table").click();
  await expect(page.getByRole("table", { name: /What each component/ })).toContainText("Plum butter");
  // What is said of an undo fades, so the dish itself is watched.
  await page.locator("body").click({ position: { x: 5, y: 400 } });
  await page.keyboard.press("Control+z");
  await expect.poll(taken).toContainEqual(expect.stringMatching(/^plums\./));
  await page.keyboard.press("Control+z");
  await expect.poll(() => dishOf("saturday-pastries")).toEqual(before);
});

test("a step is retyped in one line and by its fields, moved, doubled and taken out; the plan's state is told", async ({ page }) => {
  await page.goto(`${server.url}/d/spiced-duck/dish?c=radish`, { waitUntil: "networkidle" });
  const steps = async () => (await dishOf("spiced-duck")).components.find((c: Loose) => c.id === "radish").methods[0].steps;
  const before = await steps();
  const line = page.getByRole("textbox", { name: /^Step 1:/ });
  await line.fill(`${await line.inputValue()}, turn every 20m`);
  await expect(page.getByText(/round: turn every 20 min/)).toBeVisible();
  await line.press("Enter");
  await expect.poll(async () => (await steps())[0].tend).toMatchObject({ every: "20m", what: "turn" });
  await expect(page.locator("[data-plan-state]")).toContainText(/The plan (still works|has changed)/, { timeout: 40_000 });
  await page
    .getByRole("button", { name: /^All fields of/ })
    .first()
    .click();
  await page.getByRole("textbox", { name: /^Time of/ }).fill("25-40m");
  await page.getByRole("textbox", { name: /^Time of/ }).press("Enter");
  await expect.poll(async () => (await steps())[0].time).toMatchObject({ min: "25m", max: "40m" });
  await page.getByRole("textbox", { name: /^Core temperature of/ }).fill("purple");
  await page.getByRole("textbox", { name: /^Core temperature of/ }).press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "was not understood" })).toContainText("Write a heat");
  await page
    .getByRole("button", { name: /^Duplicate / })
    .first()
    .click();
  await expect.poll(async () => (await steps()).length).toBe(before.length + 1);
  await page
    .getByRole("button", { name: /^Remove / })
    .nth(1)
    .click();
  await expect.poll(async () => (await steps()).length).toBe(before.length);
  // A thing that the kitchen has not: told, and borrowed in one press.
  await page.getByRole("textbox", { name: "Add a step" }).fill("smoke 2h, grill 110");
  await page.getByRole("textbox", { name: "Add a step" }).press("Enter");
  await page.getByRole("button", { name: /Borrow a grill/ }).click();
  await expect.poll(async () => (await dishOf("spiced-duck")).kitchen.equipment.some((e: Loose) => e.kind === "grill")).toBe(true);
  await axe(page);
});

test("a look at the server that was under way when something was changed takes nothing back", async ({ page }) => {
  await page.goto(`${server.url}/d/spiced-duck/dish?c=radish`, { waitUntil: "networkidle" });
  const name = page.getByLabel("Name of the component");
  const rename = async (to: string) => {
    await name.fill(to);
    await name.press("Enter");
  };
  const onServer = async () => (await dishOf("spiced-duck")).components.find((c: Loose) => c.id === "radish").name;
  const before = await onServer();
  let held: (() => void) | undefined;
  // The look that follows the first change is answered as it was then, and comes late.
  await page.route(/\/dish\?c=radish&_rsc=/, async (route) => {
    if (held) return route.continue();
    const answer = await route.fetch();
    await new Promise<void>((go) => {
      held = go;
    });
    await route.fulfill({ response: answer });
  });
  await rename("Radishes, first");
  await expect.poll(() => held !== undefined).toBe(true);
  await rename("Radishes, second");
  await expect.poll(onServer).toBe("Radishes, second");
  held?.();
  const shown = new Set<string>();
  for (let i = 0; i < 12; i++) {
    shown.add(await name.inputValue());
    await page.waitForTimeout(60);
  }
  expect([...shown]).toEqual(["Radishes, second"]);
  await rename(before);
  await expect.poll(onServer).toBe(before);
  await page.unrouteAll({ behavior: "ignoreErrors" });
});

test("a substitute is chosen in one press and taken back in one", async ({ page }) => {
  await page.goto(`${server.url}/d/saturday-pastries/dish?c=dough`, { waitUntil: "networkidle" });
  const flour = async () =>
    (await dishOf("saturday-pastries")).components
      .find((c: Loose) => c.id === "dough")
      .methods[0].ingredients.find((i: Loose) => /flour/i.test(i.standsFor?.name ?? i.name));
  const before = await flour();
  await page.getByRole("button", { name: new RegExp(`^Can't get this ?: ${before.name}`, "i") }).click();
  await page.getByRole("button", { name: "Use this" }).first().click();
  await expect.poll(async () => (await flour()).standsFor?.name).toBe(before.name);
  await page.getByRole("button", { name: new RegExp(`^${before.name} again`, "i") }).click();
  await expect.poll(flour).toEqual(before);
});

test("ways side by side; bought this time instead of made, and in the larder already", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/dish?c=jelly`, { waitUntil: "networkidle" });
  const jelly = async () => (await dishOf("harvest-lunch")).components.find((c: Loose) => c.id === "jelly");
  await page.getByText("Compare methods").click();
  await expect(page.getByRole("columnheader", { name: "Leaf gelatine in cider stock" })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Hands-on/ })).toContainText(/\d+ min.*\d+ min|\d h.*\d+ min/);
  await page.getByText(/^Not made this time/).click();
  await page.getByRole("textbox", { name: "On hand, made" }).fill("4 Dec 18:00");
  await page.getByLabel("Amount on hand").fill("1.5 L");
  await page.getByRole("button", { name: "Save" }).click();
  await expect.poll(async () => (await jelly()).onHand?.[0]?.madeAt).toBe("2026-12-04T18:00");
  await expect(page.getByText(/On hand, made/)).toBeVisible();
  await page.getByRole("button", { name: "Make it again" }).click();
  await expect.poll(async () => (await jelly()).onHand).toBeUndefined();
  await page.getByText("Edit methods").click();
  const fails = page.getByRole("textbox", { name: "If it fails" });
  await fails.fill("aspic powder, 30m");
  await fails.press("Enter");
  await expect.poll(async () => (await jelly()).fallback?.name).toBe("aspic powder");
  await page.getByText(/^Not made this time/).click();
  await page.getByRole("checkbox", { name: /bought, instead/ }).check();
  await expect
    .poll(async () => (await dishOf("harvest-lunch")).wishes?.pins ?? [])
    .toContainEqual({ component: "jelly", method: "fallback" });
  await page.getByRole("checkbox", { name: /bought, instead/ }).uncheck();
  await expect.poll(async () => (await dishOf("harvest-lunch")).wishes?.pins ?? []).toEqual([]);
});

test("a saved page is previewed line by line, corrected, and kept; hostile text does nothing", async ({ page }) => {
  const seen = await faults(page);
  await page.goto(server.url, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: /^Paste a recipe/ }).click();
  await page
    .getByLabel("A dish file, a saved recipe page or its data", { exact: true })
    .setInputFiles({ name: "page.html", mimeType: "text/html", buffer: readFileSync(pageFile("12-nested-mixed.html")) });
  await page.getByRole("button", { name: "Check and import" }).click();
  await expect(page).toHaveURL(/\/import$/);
  await expect(page.getByRole("region", { name: /^Part / })).toHaveCount(3);
  await page.getByLabel("Guests").fill("5");
  const duck = page.getByRole("textbox", { name: "Ingredient duck legs" });
  await duck.fill("8 duck legs (about 2.4 kg)");
  await axe(page);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page).toHaveURL(/\/d\/duck-rillettes\/dish\/questions/);
  const dish = await dishOf("duck-rillettes");
  expect(dish.dish).toMatchObject({ baseServes: 10, serves: 5 });
  expect(dish.components.flatMap((c: Loose) => c.methods[0].ingredients ?? []).find((i: Loose) => i.name === "duck legs").amount).toEqual({
    amount: 8,
    unit: "piece",
  });
  await server.plan("duck-rillettes");
  await page.goto(server.url, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: /^Paste a recipe/ }).click();
  await page.getByLabel(/paste text/).fill(readFileSync(pageFile("hostile.html"), "utf8"));
  await page.getByRole("button", { name: "Check and import" }).click();
  await expect(page.getByRole("button", { name: "Import", exact: true })).toBeVisible();
  expect(await page.evaluate(() => "hacked" in window)).toBe(false);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page).toHaveURL(/\/dish\/questions/);
  await page.goto(server.url, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: /^Paste a recipe/ }).click();
  await page.getByLabel(/paste text/).fill("nothing to cook here");
  await page.getByRole("button", { name: "Check and import" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "line of its own" })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel(/paste text/)).toHaveValue("nothing to cook here");
  expect(seen).toEqual([]);
});

test("from a pasted recipe to its plan in at most ten presses, guesses answered on the way; nothing of the text is lost", async ({
  page,
}) => {
  for (const [name, slug] of [
    ["28-unnumbered.txt", "fermented-green-tomato-relish"],
    ["32-de.txt", "wirsingstrudel-mit-pilzen"],
    ["50-meanwhile.txt", "cod-with-parsley-potatoes"],
  ] as const) {
    let presses = 0;
    const press = async (target: Locator) => {
      presses++;
      await target.click();
    };
    await page.goto(server.url, { waitUntil: "networkidle" });
    await press(page.getByRole("button", { name: /^Paste a recipe/ }));
    presses++;
    await page.getByLabel(/paste text/).fill(readFileSync(pageFile(name), "utf8"));
    await press(page.getByRole("button", { name: "Check and import" }));
    await expect(page.locator("[data-accounting]")).toContainText(/\d+ of \d+ lines read/);
    await page.getByText("The text, and what became of each line").click();
    const marked = await page.locator("[data-became]").allTextContents();
    expect(marked.join("").replace(/\s/g, "")).toBe(readFileSync(pageFile(name), "utf8").replace(/\s/g, ""));
    const accept = page.getByRole("button", { name: "Accept these times" });
    if (await accept.isVisible()) await press(accept);
    await press(page.getByRole("button", { name: "Import", exact: true }));
    await expect(page).toHaveURL(new RegExp(`/d/${slug}/dish/questions`));
    await press(page.getByRole("link", { name: "Timetable" }).first());
    await expect(page.locator("[data-step]").first()).toBeVisible({ timeout: 60_000 });
    expect(presses).toBeLessThanOrEqual(10);
  }
});

test("the library: looked through, and a component taken at the guests' number", async ({ page }) => {
  await page.goto(`${server.url}/d/spiced-duck/dish/library`, { waitUntil: "networkidle" });
  await page.getByRole("searchbox", { name: "Search" }).fill("cabbage");
  await choose(page.getByRole("combobox", { name: "Kind" }), /ferment/);
  await expect(page.locator("[data-entry]")).toHaveCount(1);
  await page.getByRole("button", { name: /Sour red cabbage/ }).click();
  await axe(page);
  await page.getByRole("button", { name: /^Add for 4/ }).click();
  await expect(page).toHaveURL(/dish\?c=red-kraut/);
  const taken = (await dishOf("spiced-duck")).components.find((c: Loose) => c.id === "red-kraut");
  expect(taken.factor).toBeCloseTo(0.4, 6);
});

test("amounts: who eats, a wanted weight, what does not fit with its way out, and what nobody may eat", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/dish/amounts`, { waitUntil: "networkidle" });
  const dish = () => dishOf("harvest-lunch");
  await page.getByRole("spinbutton", { name: "children" }).fill("4");
  await page.getByRole("button", { name: /^Make it for 12.4/ }).click();
  await expect.poll(async () => (await dish()).dish.serves).toBe(12.4);
  await choose(page.getByRole("combobox", { name: "Which component" }), "Seeded sourdough");
  await page.getByLabel("I want this amount").fill("3.1 kg");
  await page.getByRole("button", { name: "Scale" }).first().click();
  await expect.poll(async () => (await dish()).components.find((c: Loose) => c.id === "bread").factor).toBeGreaterThan(1.2);
  await expect(page.getByText(/makes 3.1 kg now/)).toBeVisible();
  const over = page.locator("[data-verdict='over']").first();
  await expect(over).toBeVisible();
  const what = await over.getAttribute("data-fit");
  const version = (await dish()).components;
  await over.getByRole("button").first().click();
  await expect
    .poll(async () => JSON.stringify((await dish()).components) === JSON.stringify(version) && JSON.stringify((await dish()).kitchen))
    .not.toBe(true);
  expect(what).toBeTruthy();
  await page.getByRole("textbox", { name: "What guests avoid" }).fill("nuts, milk");
  await page.getByRole("textbox", { name: "What guests avoid" }).press("Enter");
  await expect(page.getByRole("list", { name: "Clashes" })).toContainText("Cultured butter");
  await axe(page);
  const markdown = await (await fetch(`${server.url}/api/dishes/harvest-lunch/markdown`)).text();
  expect(markdown).toContain("# Harvest lunch");
  expect(markdown).toContain("## Seeded sourdough");
});
