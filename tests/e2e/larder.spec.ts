// The larder in the browser: what is put in by hand is there after a reload, on a phone too; some is taken and taken back; a dish is offered what it needs.
import sharp from "sharp";
import { shiftDates } from "../../src/core/dish/shift-dates";
import { smallDish } from "../support/small-dish";
import { Server } from "./server";
import { axeFaults, choose, expect, test } from "./test";

const server = new Server(4347, "2026-11-25T19:00:00Z");
test.setTimeout(120_000);
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

test("an item is put in with one line, some of it taken and taken back, and moved; another page sees it", async ({ page, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.url}/larder`);
  await page.getByLabel("What", { exact: true }).fill("2 jars of plum jam");
  await choose(page.getByRole("form", { name: "Add an item" }).getByLabel("Where"), "Cool larder");
  await page.getByLabel("Keeps", { exact: true }).fill("soon");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Write how long" })).toBeVisible();
  await page.getByLabel("Keeps", { exact: true }).fill("3 months");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  const row = page.getByRole("row", { name: /plum jam/ });
  await expect(row).toContainText("2 jars");
  await expect(row).toContainText("not after Tue 23 Feb");
  await page.getByRole("button", { name: /Change plum jam/i }).click();
  await page.getByLabel("How much").fill("1 jar");
  await page.getByRole("button", { name: "Take some" }).click();
  await expect(row).toContainText("1 jar");
  await page.getByRole("listitem").filter({ hasText: "Taken: plum jam" }).getByRole("button", { name: "Undo" }).click();
  await expect(row).toContainText("2 jars");
  // One of the two goes into the fridge, the other stays.
  await page.getByRole("button", { name: /Change plum jam/i }).click();
  await page.getByLabel("Amount to move").fill("1 jar");
  await choose(page.getByRole("combobox", { name: "To" }), "Fridge");
  await page.getByRole("button", { name: "Move", exact: true }).click();
  await expect(row).toHaveCount(2);
  for (const one of [0, 1]) await expect(row.nth(one)).toContainText("1 jar");
  await page
    .getByRole("listitem")
    .filter({ hasText: /plum jam: fridge/i })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(row).toHaveCount(1);
  await expect(row).toContainText("2 jars");
  const other = await context.newPage();
  await other.goto(`${server.url}/larder`);
  await expect(other.getByRole("row", { name: /plum jam/ })).toContainText("2 jars");
  await other.close();
  const small = await page.evaluate(() =>
    [...document.querySelectorAll("main button, main a")]
      .filter((e) => e.checkVisibility() && e.getBoundingClientRect().height < 24)
      .map((e) => e.textContent),
  );
  expect(small).toEqual([]);
  // A message that fades is no text any more, and has no contrast yet.
  await expect(page.locator("[data-sonner-toast]")).toHaveCount(0, { timeout: 20_000 });
  expect(await axeFaults(page)).toEqual([]);
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(await wide()).toBeLessThanOrEqual(0);
  // Its label, alone; another item's is one press away.
  await page.getByRole("button", { name: /Change plum jam/i }).click();
  await page.getByRole("link", { name: "Label", exact: true }).click();
  await expect(page.getByRole("article", { name: /plum jam/i })).toContainText("2 jars");
  expect(await axeFaults(page)).toEqual([]);
  expect(await wide()).toBeLessThanOrEqual(0);
  await page.getByRole("checkbox", { name: /plum jam/i }).uncheck();
  await expect(page.getByRole("article", { name: /plum jam/i })).toHaveCount(0);
});

test("a list is put in at once, an unclear line is named first, and all of it is taken back with one press", async ({ page }) => {
  await page.goto(`${server.url}/larder`);
  await page.getByText("Add several at once").click();
  const form = page.getByRole("form", { name: "Add several at once" });
  await form.getByRole("textbox").fill("3 jars of quince paste, cellar, keeps 6 months\n12");
  await expect(form.getByRole("alert")).toContainText("Line 2 does not say what the item is");
  await expect(form.getByRole("button", { name: "Add 1 item" })).toBeDisabled();
  await form.getByRole("textbox").fill("3 jars of quince paste, cellar, keeps 6 months\n250 g goose fat, freezer");
  await form.getByRole("button", { name: "Add 2 items" }).click();
  await expect(page.getByText("2 items are in the larder")).toBeVisible();
  await expect(page.getByText("quince paste", { exact: true })).toBeVisible();
  await expect(page.getByText("goose fat", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(page.getByText("goose fat", { exact: true })).toHaveCount(0);
  await expect(page.getByText("quince paste", { exact: true })).toHaveCount(0);
});

test("a dish is offered what is in the larder, uses it with one press, and then it is promised", async ({ page }) => {
  await page.goto(`${server.url}/larder`);
  await page.getByLabel("What", { exact: true }).fill("2 L stock");
  await page.getByLabel("Keeps", { exact: true }).fill("2 months");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("row", { name: /stock/ })).toContainText("2 L");
  const answer = await server.post("/api/dishes", shiftDates(smallDish() as never, 49));
  const { slug } = (await answer.json()).value;
  await page.goto(`${server.url}/d/${slug}/dish?c=stock`);
  await expect(page.getByText(/In the larder: 2 L stock, not after/)).toBeVisible();
  await page.getByRole("button", { name: "Use it" }).click();
  await expect(page.getByText(/On hand, made .*Not made this time/)).toBeVisible({ timeout: 20_000 });
  await expect
    .poll(async () => (await (await fetch(`${server.url}/api/dishes/${slug}`)).json()).components[0].onHand?.[0]?.amount)
    .toEqual({ amount: 2000, unit: "mL" });
  await page.goto(`${server.url}/larder`);
  await expect(page.getByRole("row", { name: /stock/ })).toContainText("for Small");
});

test("everyday food is set in Kitchen, and the picture and the plans have the rest of the fridge", async ({ page }) => {
  await page.goto(`${server.url}/kitchen`);
  await page
    .getByLabel(/^Everyday food takes, litres.*[Ff]ridge/)
    .first()
    .fill("12,5");
  await page.getByRole("button", { name: "Save kitchen" }).click();
  await expect(page.getByText(/saved/i).first()).toBeVisible({ timeout: 20_000 });
  await page.goto(`${server.url}/larder`);
  await expect(page.getByText("Everyday food, 12.5 L")).toBeVisible();
});

test("a batch is followed without a plan: weighed over weeks, it says when it will be dry, with a photograph", async ({ page }) => {
  await page.goto(`${server.url}/notebook`);
  await page.getByLabel("What is it?").fill("Air-dried loin");
  await choose(page.getByRole("combobox", { name: "When is it ready?" }), "After a loss of weight");
  await page.getByLabel("Loss in %").fill("30");
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByRole("heading", { name: "Air-dried loin" })).toBeVisible();
  const weigh = async (grams: string) => {
    await page.getByLabel("Reading", { exact: true }).fill(grams);
    await page.getByRole("button", { name: "Save: Reading" }).click();
    await expect(page.getByLabel("Reading", { exact: true })).toHaveValue("");
  };
  await weigh("2000");
  await server.clock("2026-12-05T19:00:00Z");
  await weigh("1700");
  await expect(page.getByText("15.0 % lost, ready at 30 %.")).toBeVisible();
  await expect(page.getByText(/^Likely about /)).toBeVisible();
  await page.getByLabel("What was done", { exact: true }).fill("turned");
  await page.getByRole("button", { name: "Save: What was done" }).click();
  await expect(page.getByRole("button", { name: "Again: turned" })).toBeVisible();
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#a05030" } })
    .png()
    .toBuffer();
  await page.getByLabel("Add photographs").setInputFiles({ name: "loin.png", mimeType: "image/png", buffer: png });
  await expect(page.getByRole("img", { name: /^Photograph/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("region", { name: "Log" }).getByRole("listitem")).toHaveCount(4);
  await expect(page.locator("[data-sonner-toast]")).toHaveCount(0, { timeout: 20_000 });
  expect(await axeFaults(page)).toEqual([]);
});
