// Safety: what the rules find stands where the step is, on the Timetable and before a run; the severe are acknowledged by name, what is past a limit never.

import { demoDocument, type Loose } from "../support/dishes";
import { Server } from "./server";
import { expect, type Page, test } from "./test";

const server = new Server(4381, "2026-11-25T19:00:00Z");
test.setTimeout(90_000);
test.use({ actionTimeout: 10_000 });
test.beforeAll(async () => {
  await server.start();
  await server.plan("harvest-lunch");
});
test.afterAll(() => server.kill());

const open = (page: Page, path: string) => page.goto(`${server.url}${path}`, { waitUntil: "networkidle" });
const dishOf = async (slug: string): Promise<Loose> => (await fetch(`${server.url}/api/dishes/${slug}`)).json();
const findings = async (slug: string): Promise<Loose[]> =>
  ((await (await fetch(`${server.url}/api/dishes/${slug}/safety`)).json()) as Loose).findings;
const curing = (d: Loose) =>
  d.components.find((c: Loose) => c.id === "pork").methods[0].ingredients.find((i: Loose) => /nitrite/.test(i.name));
/** The lunch with three times the curing salt, brought in as a file. */
async function bringInOverdosed(name: string): Promise<string> {
  const dish = demoDocument("harvest-lunch");
  dish.dish.id = name;
  dish.dish.name = name;
  curing(dish).amount.amount *= 4;
  const answer = await server.post("/api/dishes", dish);
  expect(answer.ok).toBe(true);
  return ((await answer.json()) as Loose).value.slug;
}

test("the severe are acknowledged one by one, by name, before anything starts; the word is kept over a reload", async ({ page }) => {
  await open(page, "/d/harvest-lunch/cook");
  const start = page.getByRole("button", { name: "Start the run" });
  await expect(start).toBeDisabled();
  expect((await server.post("/api/dishes/harvest-lunch/run", {})).status).toBe(409);
  const fat = page.getByRole("article", { name: "Danger: Hot fat" });
  await fat.getByText("Caution and source").click();
  await expect(fat).toContainText("NFPA");
  await expect(fat).toContainText("Local codes");
  const boxes = page.getByRole("checkbox", { name: /^I understand/ });
  const n = await boxes.count();
  expect(n).toBeGreaterThan(0);
  for (let i = 0; i < n; i++) {
    await boxes.nth(i).click();
    await expect(boxes.nth(i)).toBeChecked();
    await expect(boxes.nth(i)).toBeDisabled();
    if (i === 0) {
      await page.reload({ waitUntil: "networkidle" });
      await expect(boxes.nth(0)).toBeChecked();
      if (n > 1) await expect(start).toBeDisabled();
    }
  }
  await expect(start).toBeEnabled();
  await open(page, "/d/harvest-lunch/timetable");
  const mind = page.getByRole("region", { name: "Safety" });
  await expect(mind).toContainText("You have read every danger");
  await expect(mind).toContainText("The rules may miss something");
});

test("a step that has changed since is asked anew before it can start", async ({ page }) => {
  await server.acknowledge("harvest-lunch");
  expect((await server.post("/api/dishes/harvest-lunch/run", {})).ok).toBe(true);
  const event = (step: string) => server.post("/api/dishes/harvest-lunch/events", { key: crypto.randomUUID(), kind: "started", step });
  const before = await dishOf("harvest-lunch");
  const at = before.components.findIndex((c: Loose) => c.id === "pork");
  const path = `/components/${at}/methods/0/ingredients/${before.components[at].methods[0].ingredients.indexOf(curing(before))}/amount/amount`;
  const { body } = await versionOf(page);
  expect(
    (
      await server.post("/api/dishes/harvest-lunch/change", {
        version: body,
        change: [{ op: "replace", path, value: 0.45 }],
        label: "less",
      })
    ).ok,
  ).toBe(true);
  const refused = await event("pork.weigh");
  expect(refused.status).toBe(409);
  expect(((await refused.json()) as Loose).message).toContain("curing salt");
  // Another step is not held up by it.
  expect((await event("slaw.shred")).ok).toBe(true);
  // Pressed on the page it is kept, and written down once the cook has said so.
  await open(page, "/d/harvest-lunch/cook");
  await page.getByRole("button", { name: /^(?:Start now|Done already): Weigh the cure/ }).click();
  const hand = page.getByRole("region", { name: "At hand" });
  await expect(hand.getByRole("alert")).toContainText("Your press is saved");
  await hand
    .getByRole("checkbox", { name: /^I understand: too little curing salt/ })
    .first()
    .click();
  await expect(hand.getByRole("alert")).toHaveCount(0, { timeout: 30_000 });
  await expect(page.getByRole("button", { name: /^(?:Start now|Done already): Weigh the cure/ })).toHaveCount(0);
});

async function versionOf(page: Page): Promise<{ body: number }> {
  // The version stands in what a change is refused with or taken by: one is found by asking.
  for (let version = 1; version < 60; version++) {
    const answer = await page.request.post(`${server.url}/api/dishes/harvest-lunch/change`, {
      data: { version, change: [], label: "none" },
    });
    if (answer.ok()) return { body: version };
  }
  throw new Error("no version fits");
}

test("past a limit there is no way round: not by acknowledging, not by starting, not by a press; only by mending", async ({ page }) => {
  const slug = await bringInOverdosed("overdosed");
  const [hard] = await findings(slug);
  expect(hard).toMatchObject({ hard: true, severity: "stop", component: "pork" });
  const said = await server.post(`/api/dishes/${slug}/safety`, { acknowledge: [{ id: hard.id, print: hard.print }] });
  expect(said.status).toBe(409);
  expect(((await said.json()) as Loose).message).toContain("only fixed");
  // All others acknowledged, it still holds the run.
  const others = (await findings(slug)).filter((f) => f.severity === "stop" && !f.hard).map(({ id, print }) => ({ id, print }));
  await server.post(`/api/dishes/${slug}/safety`, { acknowledge: others });
  const run = await server.post(`/api/dishes/${slug}/run`, {});
  expect(run.status).toBe(409);
  expect(((await run.json()) as Loose).message).toContain("Past a limit");

  await open(page, `/d/${slug}/dish?c=pork`);
  const card = page.getByRole("article", { name: "Danger: Too much curing salt" });
  await expect(card).toContainText("Past a limit");
  await expect(card.getByRole("checkbox")).toHaveCount(0);
  const before = curing(await dishOf(slug)).amount;
  await card.getByRole("button", { name: /120 ppm/ }).click();
  await expect.poll(async () => curing(await dishOf(slug)).amount.amount).toBeLessThan(before.amount / 2);
  await expect(card).toHaveCount(0);
  expect((await findings(slug)).some((f) => f.hard)).toBe(false);
  await page.locator("body").click({ position: { x: 5, y: 500 } });
  await page.keyboard.press("Control+z");
  await expect.poll(async () => curing(await dishOf(slug)).amount).toEqual(before);
});
