// The whole way, as a cook goes it: open the lunch, read the plan, change the hours, start, be late, lose power, carry on.

import { Server } from "./server";
import { expect, test } from "./test";

const server = new Server(4311, "2026-11-25T19:00:00Z");
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

test("the demo opens on its dishes, and the lunch has its timetable", async ({ page }) => {
  await server.plan("harvest-lunch");
  await page.goto(server.url);
  await page.getByRole("link", { name: /Harvest lunch/ }).click();
  await expect(page.getByRole("application", { name: /Route chart/ })).toBeVisible();
  await expect(page.getByRole("status", { name: "Status" })).toContainText("to serving");
  const plan = await server.plan("harvest-lunch");
  expect(plan.steps.length).toBeGreaterThanOrEqual(60);
  await expect(page.locator("[data-step]")).toHaveCount(plan.steps.length);
});

test("the list under the chart says the same, day by day", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/timetable`);
  const days = page.getByRole("region", { name: "Day by day" });
  await expect(days.getByRole("heading", { name: "Sunday 6 December" })).toBeVisible();
  const plan = await server.plan("harvest-lunch");
  const byHand = plan.steps.filter((s: { hands: unknown[] }) => s.hands.length).length;
  expect(await days.getByRole("listitem").count()).toBeGreaterThanOrEqual(byHand);
  await expect(days.getByText("Before bed").first()).toBeVisible();
});

test("other hours of the cook give another plan, and taking back gives the first again", async ({ page }) => {
  test.setTimeout(180_000);
  // biome-ignore lint/suspicious/noExplicitAny: a plan file as others read it
  const evenings = (plan: any): string[] =>
    plan.steps
      .flatMap((s: { hands: { from: string; cook: string }[] }) => s.hands)
      .filter((h: { from: string; cook: string }) => h.cook === "nora" && !/2026-12-0[56]/.test(h.from))
      .map((h: { from: string }) => h.from.slice(11, 16))
      .sort();
  const before = await server.settled("harvest-lunch");
  const [earliest = "18:30"] = evenings(before);
  const later = new Date(Date.parse(`2026-01-01T${earliest}Z`) + 10 * 60_000).toISOString().slice(11, 16);
  await page.goto(`${server.url}/d/harvest-lunch/kitchen`, { waitUntil: "networkidle" });
  const begins = page.getByTestId("plan-begins");
  const said = await begins.innerText();
  await page.getByLabel("Working hours, cook 1, line 1: from").fill(later);
  await page.getByRole("button", { name: "Save kitchen" }).click();
  await expect(page.getByText("Saved. Replanning.")).toBeVisible();
  const first = async () => evenings(await server.plan("harvest-lunch"))[0] ?? "";
  await expect.poll(async () => (await first()) >= later, { timeout: 40_000 }).toBe(true);
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/Undone: the kitchen/)).toBeVisible();
  await expect.poll(first, { timeout: 40_000 }).toBe(earliest);
  await expect(begins).toHaveText(said, { timeout: 30_000 });
  expect((await server.plan("harvest-lunch")).steps).toEqual(before.steps);
});

test("hours that are none are refused where they stand, and nothing typed is lost", async ({ page }) => {
  await page.goto(`${server.url}/d/harvest-lunch/kitchen`, { waitUntil: "networkidle" });
  const from = page.getByLabel("Working hours, cook 1, line 2: from");
  await from.fill("7 o'clock");
  await page.getByRole("button", { name: "Save kitchen" }).click();
  await expect(page.getByRole("main").getByRole("alert")).toContainText("18:30");
  await expect(from).toHaveValue("7 o'clock");
});

test("the run starts, a step is finished late, and the plan after it moves", async ({ page }) => {
  const first = await server.plan("spiced-duck");
  const [loosen, scald] = ["duck.loosen", "duck.scald"].map((ref) => first.steps.find((s: { step: string }) => s.step === ref));
  await server.clock(new Date(Date.parse(loosen.start)).toISOString());
  await page.goto(`${server.url}/d/spiced-duck/cook`);
  const start = page.getByRole("button", { name: "Start the run" });
  await expect(start).toBeDisabled();
  // Ticked once it is written down, not before.
  await page.getByRole("checkbox", { name: /^I understand: hot fat/ }).click();
  await expect(start).toBeEnabled();
  await start.click();
  await page
    .getByRole("article", { name: /Due: Loosen the skin/ })
    .getByRole("button", { name: "Start", exact: true })
    .click();
  const running = page.getByRole("article", { name: /Running: Loosen the skin/ });
  await expect(running).toBeVisible();

  // Twenty minutes late, and done with one press.
  await server.clock(new Date(Date.parse(loosen.end) + 20 * 60_000).toISOString());
  await page.reload();
  await expect(running).toContainText("due since");
  await running.getByRole("button", { name: "Done" }).click();
  await expect(running).toHaveCount(0, { timeout: 30_000 });
  await expect(page.getByText(/moved/).first()).toBeVisible({ timeout: 30_000 });
  const after = await server.plan("spiced-duck");
  const next = after.steps.find((s: { step: string }) => s.step === "duck.scald");
  // Not before the late step was over; a few minutes to the next mark of the clock may have lain between them.
  expect(Date.parse(next.start)).toBeGreaterThanOrEqual(Date.parse(loosen.end) + 20 * 60_000);
  expect(Date.parse(next.start)).toBeGreaterThan(Date.parse(scald.start));
  expect(after.steps.find((s: { step: string }) => s.step === "duck.loosen").end.slice(0, 16)).toBe(
    new Date(Date.parse(loosen.end) + 20 * 60_000).toISOString().slice(0, 16),
  );
  // Served at the same hour all the same.
  expect(Date.parse(after.serveAt)).toBe(Date.parse(first.serveAt));
});

test("power is cut and comes back: the run stands where it stood, and goes on", async ({ page }) => {
  const before = await server.plan("spiced-duck");
  const scald = before.steps.find((s: { step: string }) => s.step === "duck.scald");
  await server.kill();
  await server.start(new Date(Date.parse(scald.start)).toISOString());
  await page.goto(`${server.url}/d/spiced-duck/cook`);
  await expect(page.getByRole("button", { name: "Start the run" })).toHaveCount(0);
  await page
    .getByRole("article", { name: /Due: Scald with boiling water/ })
    .getByRole("button", { name: "Start", exact: true })
    .click();
  await expect(page.getByRole("article", { name: /Running: Scald with boiling water/ })).toBeVisible();
  await page.getByRole("button", { name: "Undo: Scald with boiling water" }).click();
  await expect(page.getByRole("article", { name: /Running: Scald with boiling water/ })).toHaveCount(0, { timeout: 30_000 });
});

test("a press made while the line is down is kept, and sent when it is back", async ({ page, context }) => {
  await page.goto(`${server.url}/d/spiced-duck/cook`);
  const due = page.getByRole("article", { name: /Scald with boiling water/ });
  await expect(due).toBeVisible();
  await context.setOffline(true);
  await due.getByRole("button", { name: "Start", exact: true }).click();
  await expect(page.getByRole("alert").first()).toContainText("kept here");
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByRole("article", { name: /Running: Scald with boiling water/ })).toBeVisible({ timeout: 30_000 });
});

test("with the line down Cook stays on the screen, however often it asks for news", async ({ page, context }) => {
  await page.clock.install();
  await page.goto(`${server.url}/d/spiced-duck/cook`);
  const running = page.getByRole("article", { name: /Running: Scald with boiling water/ });
  await expect(running).toBeVisible();
  await context.setOffline(true);
  const asked = page.waitForEvent("requestfailed");
  await page.clock.fastForward(25_000);
  await asked;
  await page.clock.fastForward(25_000);
  await expect(running).toBeVisible();
  expect(page.url()).toContain("/cook");
  await running.getByRole("button", { name: "Done" }).click();
  await expect(page.getByRole("alert").first()).toContainText("kept here");
  await context.setOffline(false);
  await page.clock.fastForward(25_000);
  await expect(running).toHaveCount(0, { timeout: 30_000 });
});

test("when something comes due the screen calls across the kitchen, until it is pressed", async ({ page }) => {
  const plan = await server.settled("spiced-duck");
  const next = plan.steps.find((s: { step: string }) => s.step === "duck.glaze");
  await server.clock(new Date(Date.parse(next.start) - 60_000).toISOString());
  await page.goto(`${server.url}/d/spiced-duck/cook`, { waitUntil: "networkidle" });
  const call = page.getByRole("button", { name: /press anywhere/ });
  await expect(call).toHaveCount(0);
  await server.clock(new Date(Date.parse(next.start)).toISOString());
  await expect(call).toContainText("Brush with malt", { timeout: 40_000 });
  await call.click();
  await expect(call).toHaveCount(0);
});

test("a run is ended from the Cook view, and its log is kept", async ({ page }) => {
  await page.goto(`${server.url}/d/spiced-duck/cook`, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: "End the run" }).click();
  await expect(page.getByText("The run has ended. Its log is kept.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Start the run" })).toBeVisible();
});

test("too late for the dough: it is said why, and serving later is one press away", async ({ page }) => {
  await server.plan("saturday-pastries");
  await server.clock("2026-12-19T04:00:00Z");
  await page.goto(`${server.url}/d/saturday-pastries/timetable`, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: "Replan" }).click();
  const why = page.getByRole("region", { name: "Why there is no plan" });
  await expect(why).toContainText("nothing can start earlier", { timeout: 60_000 });
  await expect(why).toContainText("nothing can start earlier");
  await why.getByRole("button", { name: /^Serve at/ }).click();
  await why.getByRole("button", { name: /^Do it: Serve at/ }).click({ timeout: 60_000 });
  await expect(why).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByRole("application", { name: /Route chart/ })).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/Undone: Serve/)).toBeVisible();
});
