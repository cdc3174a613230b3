// Followed to serving, as a cook does it: a stew whose mix is begun late and whose simmer is pressed late, with a slip of the finger taken back, a
// minute corrected and something forgotten added.

import { REHEARSAL_DISHES } from "../../bench/rehearsal/dishes";
import { Server } from "./server";
import { expect, test } from "./test";

const server = new Server(4317, "2026-11-06T18:00:00Z");
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

const stew = REHEARSAL_DISHES.find((d) => d.dish.id === "bean-stew");

/** Presses a button of a step's card, and waits until the log has it. */
// biome-ignore lint/suspicious/noExplicitAny: a page
async function press(page: any, at: string, step: string, button: string) {
  await server.clock(at);
  await page.reload();
  const card = page.getByLabel(new RegExp(`^(Due|Next|Running): ${step}`));
  const onCard = card.getByRole("button", { name: button === "Done already" ? /^Done already/ : button, exact: button !== "Done already" });
  // A plan found under load may have the step a little later: it is started early then, from the list of what comes later.
  const early = page.getByRole("button", { name: `Start now: ${step}` });
  await (button === "Start" ? onCard.or(early) : onCard).first().click();
  const said = button === "Start" ? "Started" : "Done";
  await expect(page.getByRole("region", { name: "Log" }).getByText(`${said}: ${step}`).first()).toBeVisible({ timeout: 20_000 });
}

test("the stew is served though the mix was late and the simmer pressed late", async ({ page }) => {
  test.setTimeout(240_000);
  expect((await server.post("/api/dishes", stew)).ok).toBe(true);
  await server.post("/api/dishes/bean-stew/plan", {}).then((r) => r.text());
  await server.acknowledge("bean-stew");
  await page.goto(`${server.url}/d/bean-stew/cook`);
  await page.getByRole("button", { name: "Start the run" }).click();
  await expect(page.getByRole("region", { name: "Log" })).toBeVisible();
  const log = page.getByRole("region", { name: "Log" });

  await press(page, "2026-11-07T04:50:00Z", "Soak the beans", "Start");
  await press(page, "2026-11-07T16:09:00Z", "Cook onions and spices", "Start");
  await press(page, "2026-11-07T16:34:00Z", "Cook onions and spices", "Done");
  // Soaking since 04:50: the row of what runs by itself says until when.
  await press(page, "2026-11-07T16:52:00Z", "Soak the beans", "Done");

  // A slip of the finger: done already, and taken back by Ctrl+Z, which undoes nothing else.
  await server.clock("2026-11-07T16:56:00Z");
  await page.reload();
  await page
    .getByRole("article", { name: /(Due|Next): Simmer the beans/ })
    .getByRole("button", { name: /^Done already/ })
    .click();
  await expect(log.getByText("Done: Simmer the beans")).toBeVisible({ timeout: 20_000 });
  await page.keyboard.press("Control+z");
  await expect(log.getByText("Done: Simmer the beans")).toHaveCount(0, { timeout: 20_000 });
  await expect(log.getByText("Done: Soak the beans")).toBeVisible();
  await press(page, "2026-11-07T16:58:00Z", "Simmer the beans", "Start");

  // Its minute is corrected: it was on the stove at five to.
  await log.getByRole("button", { name: "Correct the time: Started, Simmer the beans" }).click();
  await log.getByLabel("When").fill("16:55");
  await log.getByRole("button", { name: "Save" }).click();
  await expect(log.getByText("Sat 16:55")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByLabel("Running: Simmer the beans")).toContainText("since 16:55");

  const due = async (step: string): Promise<string> => {
    const plan = await server.plan("bean-stew");
    return plan.steps.find((s: { step: string }) => s.step === step).start;
  };
  // The mix a minute late; the plan goes on.
  const mix = new Date(Date.parse(await due("bread.mix")) + 60_000).toISOString();
  await press(page, mix, "Mix the dough", "Start");
  await press(page, new Date(Date.parse(mix) + 11 * 60_000).toISOString(), "Mix the dough", "Done");
  await press(page, new Date(Date.parse(mix) + 12 * 60_000).toISOString(), "Prove the dough", "Start");
  // The simmer of the beans seven minutes over.
  await press(page, "2026-11-07T18:12:00Z", "Simmer the beans", "Done");

  // "10 min more" is seen at once, whatever the planner is at.
  const prove = page.getByRole("article", { name: "Running: Prove the dough" });
  await prove.getByRole("button", { name: /not yet, 10 minutes more/ }).click();
  await expect(prove).toContainText(/until .*about/);
  await expect(log.getByText("Expected to end: Prove the dough")).toBeVisible({ timeout: 20_000 });

  // Serve, each press where the plan has it by then.
  for (const [step, name] of [
    ["bread.prove", "Prove the dough"],
    ["stew.simmer", "Simmer the stew"],
    ["bread.shape", "Shape the flatbreads"],
    ["bread.griddle", "Griddle them"],
    ["table.serve", "Ladle and serve"],
  ] as const) {
    const begun = await page.getByRole("article", { name: `Running: ${name}` }).count();
    const planned = (await server.settled("bean-stew")).steps.find((s: { step: string }) => s.step === step);
    const now = server.hour();
    const at = (text: string) => new Date(Math.max(Date.parse(text), now)).toISOString();
    if (begun === 0) await press(page, at(planned.start), name, "Start");
    if (name !== "Simmer the stew")
      await press(page, at((await server.settled("bean-stew")).steps.find((s: { step: string }) => s.step === step).end), name, "Done");
    if (name === "Griddle them") {
      const stewEnds = (await server.settled("bean-stew")).steps.find((s: { step: string }) => s.step === "stew.simmer").end;
      await press(page, new Date(Math.max(Date.parse(stewEnds), server.hour())).toISOString(), "Simmer the stew", "Done");
    }
  }
  await expect(page.getByRole("heading", { name: "Everything is served" })).toBeVisible({ timeout: 20_000 });
  await page.getByRole("button", { name: "End the run" }).click();
  await expect(page.getByText("The run has ended. Its log is kept.")).toBeVisible();
});
