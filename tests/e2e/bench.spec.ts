// The Bench: figures that follow as one types, any of them fixed, units chosen once, stops that hold; and inside a component, written into the dish.

import type { Loose } from "../support/dishes";
import { Server } from "./server";
import { choose, expect, type Page, test } from "./test";

const server = new Server(4371, "2026-11-25T19:00:00Z");
test.setTimeout(60_000);
test.use({ actionTimeout: 8_000 });
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

const open = (page: Page, path: string) => page.goto(`${server.url}${path}`, { waitUntil: "networkidle" });
const headline = (page: Page) => page.locator("[data-headline]");
const figure = (page: Page, key: string) => page.locator(`[data-figure="${key}"]`);
const lunch = async (): Promise<Loose> => (await fetch(`${server.url}/api/dishes/harvest-lunch`)).json();

test("one figure changed, the rest follows, as one types and in what one types; the address reopens it", async ({ page }) => {
  await open(page, "/bench/brine");
  await expect(figure(page, "salt")).toContainText("45 g");
  await page.getByLabel("Meat or fish").fill("2 lb 3 oz");
  await page.getByLabel("Water").first().fill("1 1/2 qt");
  await expect(figure(page, "salt")).toContainText("36.2 g");
  await page.getByText("How it is calculated").click();
  await expect(page.getByText("salt = target · (meat + water) / 100")).toBeVisible();
  await expect(page.getByText("balance of masses").first()).toBeVisible();
  await page.getByText("Show as table").click();
  await expect(page.getByRole("table", { name: "Salt in the meat" })).toContainText("%");
  await page.reload({ waitUntil: "networkidle" });
  await expect(page.getByLabel("Meat or fish")).toHaveValue("2 lb 3 oz");
  await expect(figure(page, "salt")).toContainText("36.2 g");
});

test("a figure is fixed and a field follows; let go of, the field keeps what it came to", async ({ page }) => {
  await open(page, "/bench/brine");
  await page.getByRole("button", { name: "Lock Salt, equilibrium brine" }).click();
  await page.getByLabel("Salt, equilibrium brine, locked at").fill("60 g");
  await choose(page.getByRole("combobox", { name: "Field to change" }), "water");
  await expect(page.getByLabel("Water").first()).toHaveValue("2.5 kg");
  await expect(page.getByLabel("Water").first()).toHaveAttribute("readonly", "");
  await page.getByRole("button", { name: "Unlock Salt, equilibrium brine" }).click();
  await expect(page.getByLabel("Water").first()).toHaveValue("2.5 kg");
  await expect(figure(page, "salt")).toContainText("60 g");
  await page.getByRole("button", { name: "Lock Salt, equilibrium brine" }).click();
  await page.getByLabel("Salt, equilibrium brine, locked at").fill("100 kg");
  await expect(page.locator("main").getByRole("alert")).toContainText("can be between");
  // An address that holds nonsense still opens its panel.
  await open(page, "/bench/brine?shape=cube&meat=%3Cb%3E");
  await expect(page.locator("main").getByRole("alert")).toContainText("choose one of the list");
  await choose(page.getByRole("combobox", { name: "Shape" }), "Long and round");
  await page.getByLabel("Meat or fish").fill("1 kg");
  await expect(figure(page, "salt")).toContainText("37.5 g");
});

test("what cannot be read, what is out of range and what must not be calculated are said in words, and no figure is given", async ({
  page,
}) => {
  await open(page, "/bench/curing-salt");
  const alert = page.locator("main").getByRole("alert");
  await page.getByLabel("Nitrite added").first().fill("500");
  await expect(alert).toContainText("above the limit of 200 ppm");
  // Past a limit no figure is left standing, and nothing to carry away.
  await expect(headline(page)).toHaveCount(0);
  await expect(page.getByText("Use in a dish")).toHaveCount(0);
  await page.getByLabel("Nitrite added").first().fill("120");
  await expect(alert).toHaveCount(0);
  await page.getByLabel("Nitrite in the curing salt").fill("0.5");
  await expect(alert).toContainText("Only curing salt with 6.25 %");
  await page.getByLabel("Nitrite in the curing salt").fill("6.25 %");
  await page.getByLabel("Meat or fish").fill("some");
  await expect(alert).toContainText("“some” is not understood");
  await expect(page.getByLabel("Meat or fish")).toHaveAttribute("aria-invalid", "true");
  await page.getByLabel("Meat or fish").fill("5 cm");
  await expect(alert).toContainText("is not a weight");
});

test("what takes longer is calculated in a worker, and the last word counts", async ({ page }) => {
  await open(page, "/bench/cooling");
  const workers: string[] = [];
  page.on("worker", (w) => workers.push(w.url()));
  const box = page.getByLabel("Amount");
  for (const text of ["7 L", "8 L", "9 L", "12 L"]) await box.fill(text);
  await choose(page.getByRole("combobox", { name: "Method" }), "Open trays, still fridge");
  await expect(headline(page)).toContainText("Open trays, still fridge: 4 h 15 min to 21 °C");
  await expect(page.getByRole("table", { name: "Ten ways to cool this pot, from the end of cooking" })).toContainText("in time");
  expect(workers.length).toBe(1);
  await box.fill("0.1 L");
  await expect(page.locator("main").getByRole("alert")).toContainText("Amount: 100 mL is out of range. Give 200 mL to 40 L.");
});

test("units are chosen once, in Settings: fields and every page keep to them", async ({ page }) => {
  const choose = async (what: RegExp) => {
    await open(page, "/settings");
    await page.getByRole("radio", { name: what }).click();
    await expect(page.getByRole("radio", { name: what })).toBeChecked();
  };
  await choose(/^US cups/);
  await expect(page.getByTestId("sample")).toContainText("329 °F");
  await choose(/^12-hour/);
  await open(page, "/bench/roast");
  await expect(page.getByLabel("Oven", { exact: true })).toHaveValue("320 °F");
  await expect(figure(page, "pull").first()).toContainText("°F");
  await open(page, "/d/harvest-lunch/dish/written");
  await expect(page.getByText(/oven \d{3} °F/).first()).toBeVisible();
  await open(page, "/d/harvest-lunch/days");
  await expect(page.getByText(/^\d{1,2}:\d\d [ap]m$/).first()).toBeVisible();
  await open(page, "/bench/brine");
  await expect(page.getByLabel("Meat or fish")).toHaveValue(/lb/);
  await page.getByLabel("Meat or fish").fill("64");
  await expect(figure(page, "salt")).toContainText(/\d g/);
  await choose(/^Metric/);
  await open(page, "/bench/brine");
  await expect(page.getByLabel("Meat or fish")).toHaveValue(/kg/);
});

test("inside a component: filled from the dish, written into it, and taken back", async ({ page }) => {
  const salt = async () =>
    (await lunch()).components.find((c: Loose) => c.id === "pork").methods[0].ingredients.find((i: Loose) => /sea salt/i.test(i.name))
      .amount;
  const before = await salt();
  await open(page, "/d/harvest-lunch/dish?c=pork");
  const part = page.getByRole("region", { name: "Calculated for Cured pork" });
  await part.getByRole("button", { name: "Dry salt and curing time" }).click();
  await expect(part.getByLabel("Meat or fish")).toHaveValue("938 g");
  await part.getByLabel("Salt, % of the meat").fill("2");
  await part.getByRole("button", { name: /^Save: 18\.[78]\d? g of salt/ }).click();
  // 15 g becomes 15.04 g: what is there already would pass for it, and nothing could be taken back yet.
  await expect.poll(salt).not.toEqual(before);
  expect(await salt()).toMatchObject({ amount: expect.closeTo(15, 0), unit: "g" });
  await expect(part.getByText(/Fine sea salt, now 18\.[78]\d? g/)).toBeVisible();
  await page.locator("body").click({ position: { x: 5, y: 500 } });
  const listed = page.getByRole("textbox", { name: /^Ingredient Fine sea salt/ });
  await expect(listed).toHaveValue(/^15\.04 g/);
  await page.keyboard.press("Control+z");
  await expect.poll(salt).toEqual(before);
  // The page has it too: what the dish fills in is filled in anew when it comes.
  await expect(listed).toHaveValue(/^15 g/);
  // The stop holds here as well.
  await part.getByRole("button", { name: "Curing salt", exact: true }).click();
  await part.getByLabel("Nitrite added").first().fill("400");
  await expect(part.getByRole("alert")).toContainText("above the limit");
  await expect(part.getByRole("button", { name: /^Save:/ })).toHaveCount(0);
  await expect(page).toHaveURL(/bench=curing-salt/);
});

test("a step is given the time that was calculated for it; a panel of the Bench is taken into a dish", async ({ page }) => {
  const chill = async () =>
    (await lunch()).components.find((c: Loose) => c.id === "jelly").methods[0].steps.find((s: Loose) => s.id === "chill");
  await open(page, "/d/harvest-lunch/dish?c=jelly");
  await page.getByRole("button", { name: /^Calculate ?: Cooling a pot, for/ }).click();
  const part = page.getByRole("region", { name: "Calculated for Cider jelly" });
  await choose(part.getByRole("combobox", { name: "Method" }), "Ice bath, left standing");
  await expect(headline(page)).toContainText("Ice bath, left standing");
  await part.getByRole("button", { name: /^Save: .* cooling/ }).click();
  await expect.poll(async () => (await chill()).time).toMatchObject({ likely: expect.stringMatching(/^\d+m$/) });
  await open(page, "/bench/dry-cure?meat=2.2+kg");
  await page.getByText("Use in a dish").click();
  await choose(page.getByRole("combobox", { name: "Dish" }), "Harvest lunch");
  await choose(page.getByRole("combobox", { name: "Component" }), "Cured pork");
  await page.getByRole("link", { name: "Open" }).click();
  await expect(page.getByRole("region", { name: "Calculated for Cured pork" }).getByLabel("Meat or fish")).toHaveValue("2.2 kg");
});
