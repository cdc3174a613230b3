// The day of work: what is written down survives a power cut and reaches other devices, what went wrong has ways on, the last hour is led through.
import { Server } from "./server";
import { choose, expect, test } from "./test";

const START = "2026-11-25T19:00:00Z";
const server = new Server(4391, START);
const slug = "harvest-lunch";
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

/** The dish as it is kept. */
// biome-ignore lint/suspicious/noExplicitAny: a dish file as others read it
const dish = async (): Promise<any> => (await fetch(`${server.url}/api/dishes/${slug}`)).json();
const press = async (kind: string, step: string) => {
  const answer = await server.post(`/api/dishes/${slug}/events`, { key: crypto.randomUUID(), kind, step });
  expect(answer.ok, await answer.text()).toBe(true);
};
let begun: { step: string; name: string };

test("timers, readings and counts survive a power cut, and every device shows and answers them", async ({ page, browser }) => {
  test.setTimeout(180_000);
  await server.settled(slug);
  await server.acknowledge(slug);
  expect((await server.post(`/api/dishes/${slug}/run`, {})).ok).toBe(true);
  const plan = await server.plan(slug);
  const [first] = [...plan.steps].sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  await server.clock(new Date(Date.parse(first.start)).toISOString());
  await press("started", first.step);
  const stored = (await dish()).components.flatMap((c: { id: string; methods: { steps: { id: string; name: string }[] }[] }) =>
    c.methods.flatMap((m) => m.steps.map((s) => ({ step: `${c.id}.${s.id}`, name: s.name }))),
  );
  begun = stored.find((s: { step: string }) => s.step === first.step);

  await page.goto(`${server.url}/d/${slug}/cook`);
  await page.getByLabel("New timer").fill("whisk");
  await page.getByRole("button", { name: "Set", exact: true }).click();
  await expect(page.getByText("Write a length of time and what it is for")).toBeVisible();
  await page.getByLabel("New timer").fill("4 min, blanch");
  await page.getByLabel("New timer").press("Enter");
  const timers = page.getByRole("region", { name: "Timers" });
  await expect(timers.getByText("blanch")).toBeVisible();
  await page.getByRole("button", { name: `Write down: ${begun.name}` }).click();
  await page.getByLabel("Value").fill("900");
  await page.getByRole("button", { name: "Save" }).first().click();
  await expect(page.getByText(/out of range/)).toBeVisible();
  await page.getByLabel("Value").fill("18.5");
  await page.getByRole("button", { name: "Save" }).first().click();
  await page.getByLabel("What do you count?").fill("trays");
  await page.getByRole("button", { name: "Count" }).click();
  await page.getByRole("button", { name: /^One more: trays/ }).click();
  const log = page.getByRole("region", { name: "Log" });
  await expect(log.getByText("Temperature 18.5 °C")).toBeVisible();
  await expect(page.getByRole("button", { name: "One more: trays (2)" })).toBeVisible();
  await expect(timers.getByRole("button", { name: "Cancel: blanch" })).toBeVisible();

  await server.kill();
  const rung = new Date(Date.parse(first.start) + 6 * 60_000).toISOString();
  await server.start(rung);
  const other = await (await browser.newContext()).newPage();
  for (const device of [page, other]) {
    await device.goto(`${server.url}/d/${slug}/cook`);
    await expect(device.getByText(/^rang [12]:\d\d ago$/)).toBeVisible();
    await expect(device).toHaveTitle(/^\(1\) /);
    await expect(device.getByRole("region", { name: "Log" }).getByText("Temperature 18.5 °C")).toBeVisible();
  }
  await other.getByRole("button", { name: "OK: blanch" }).click();
  await expect(other.getByRole("region", { name: "Timers" })).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Timers" })).toHaveCount(0);
  await expect(page).toHaveTitle(/^[^(]/);
  // A slip is undone like a press.
  await other.getByRole("button", { name: "Undo: Temperature 18.5 °C" }).click();
  await expect(page.getByRole("region", { name: "Log" }).getByText("Temperature 18.5 °C")).toHaveCount(0);
  await other.context().close();
});

test("who does what is swapped by one press, and a device shows only what its cook does", async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto(`${server.url}/d/${slug}/cook`);
  // biome-ignore lint/suspicious/noExplicitAny: a plan as others read it
  const byTilly = (plan: any) => plan.steps.filter((s: any) => s.hands.some((h: any) => h.cook === "tilly")).map((s: any) => s.step);
  const plan = await server.plan(slug);
  const before = byTilly(plan);
  const later = page.getByRole("listitem").filter({ has: page.getByRole("combobox", { name: /^Who does it: / }) });
  const who = await later.first().getByRole("combobox").textContent();
  const other = who === "Nora" ? "Tilly" : "Nora";
  await choose(later.first().getByRole("combobox"), other);
  await expect(page.getByText(new RegExp(`${other} does “`)).first()).toBeVisible({ timeout: 20_000 });
  const fixed = (await dish()).wishes.pins.find((p: { cook?: string }) => p.cook === other.toLowerCase());
  expect(fixed.step).toMatch(/\./);
  // A helper who is not there at that hour cannot do it; either a plan has it so, or the page says why there is none.
  await server.post(`/api/dishes/${slug}/history`, { what: "latest", direction: "undo" });
  await expect.poll(async () => ((await dish()).wishes?.pins ?? []).length, { timeout: 20_000 }).toBe(0);
  await server.settled(slug);
  expect(byTilly(await server.plan(slug)).length).toBe(before.length);
  await page.reload();
  await choose(page.getByLabel("This device is used by"), "Tilly");
  await page.getByRole("checkbox", { name: "Show only what Tilly does" }).check();
  const boxes = page.getByRole("combobox", { name: /^Who does it: / });
  await expect(boxes.first()).toHaveText("Tilly");
  for (const box of await boxes.all()) await expect(box).toHaveText("Tilly");
  await page.reload();
  await expect(page.getByRole("checkbox", { name: "Show only what Tilly does" })).toBeChecked();
  await page.getByRole("checkbox", { name: "Show only what Tilly does" }).uncheck();
});

test("a simulated probe is started in the kitchen, read at a step, and ended", async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto(`${server.url}/kitchen?dish=${slug}`);
  const devices = page.getByRole("region", { name: "Devices" });
  await choose(devices.getByRole("combobox", { name: "Speed" }), "a minute in each second");
  await devices.getByRole("button", { name: "Start" }).click();
  await expect(devices.getByText(/^\d+(\.\d)? °C$/)).toBeVisible();
  await page.goto(`${server.url}/d/${slug}/cook`);
  await page.getByRole("button", { name: `Write down: ${begun.name}` }).click();
  await choose(page.getByRole("combobox", { name: "Read by a device" }), /Probe in a roast/);
  await expect(page.getByText(/^Probe in a roast: \d+(\.\d)? °C$/)).toBeVisible();
  await page.goto(`${server.url}/kitchen?dish=${slug}`);
  await devices.getByRole("button", { name: "Stop: roast-1" }).click();
  await expect(devices.getByText("No device has sent anything yet.")).toBeVisible();
});

test("guests who come later: the way on is planned, chosen, told in the log, and undone", async ({ page }) => {
  test.setTimeout(180_000);
  const before = (await dish()).dish.serveAt;
  await page.goto(`${server.url}/d/${slug}/changed`);
  await page.getByRole("button", { name: "The guests come later" }).click();
  await page.getByLabel("How many minutes later?").fill("0");
  await page.getByRole("button", { name: "Show what can be done" }).click();
  await expect(page.getByText("Write a whole number from 5 to 1440.")).toBeVisible();
  await page.getByLabel("How many minutes later?").fill("45");
  await page.getByRole("button", { name: "Show what can be done" }).click();
  const way = page.getByRole("region", { name: "Serve 45 min later" });
  await expect(way.getByText(/\d+ in 100/)).toBeVisible({ timeout: 60_000 });
  expect((await dish()).dish.serveAt).toBe(before);
  await way.getByRole("button", { name: /^Choose/ }).click();
  await expect(page).toHaveURL(/\/cook$/, { timeout: 30_000 });
  expect(Date.parse(`${(await dish()).dish.serveAt}Z`) - Date.parse(`${before}Z`)).toBe(45 * 60_000);
  await expect(page.getByRole("region", { name: "Log" }).getByText("Note: The guests come later: Serve 45 min later")).toBeVisible();
  await page.goto(`${server.url}/d/${slug}/timetable`);
  await expect(page.getByRole("application", { name: /Route chart/ })).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await dish()).dish.serveAt).toBe(before);
});

test("something failed: what the dish names takes its place, and the plan no longer makes it", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto(`${server.url}/d/${slug}/changed`);
  await page.getByRole("button", { name: "Something failed" }).click();
  await choose(page.getByRole("combobox", { name: "What failed?" }), "Mustard piccalilli");
  await page.getByLabel("Why? It is kept in the log.").fill("burnt to the pan");
  await page.getByRole("button", { name: "Show what can be done" }).click();
  const way = page.getByRole("region", { name: "Use a jar from the village shop" });
  await way.getByRole("button", { name: /^Choose/ }).click({ timeout: 60_000 });
  await expect(page).toHaveURL(/\/cook$/, { timeout: 30_000 });
  await expect(page.getByRole("region", { name: "Log" }).getByText(/burnt to the pan/)).toBeVisible();
  const plan = await server.settled(slug);
  expect(plan.methods.piccalilli).toBe("fallback");
  expect(plan.steps.some((s: { step: string }) => s.step.startsWith("piccalilli."))).toBe(false);
});

test("a step is left out with a reason, and the log says so", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto(`${server.url}/d/${slug}/changed`);
  await page.getByRole("button", { name: "A step is left out" }).click();
  const list = page.getByRole("combobox", { name: "Which step?" });
  await list.click();
  const option = page.getByRole("option").first();
  const name = ((await option.textContent()) ?? "").split(",")[0] as string;
  await option.click();
  await page.getByRole("button", { name: "Show what can be done" }).click();
  const way = page.getByRole("region", { name: "Leave it out" });
  await way.getByRole("button", { name: /^Choose/ }).click({ timeout: 60_000 });
  await expect(page.getByRole("region", { name: "Log" }).getByText(/^Left out: /)).toContainText(name, { timeout: 30_000 });
});

test("the last hour shows one thing in large letters, and Done leads to the next", async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto(`${server.url}/d/${slug}/last-hour`);
  const now = page.getByRole("region", { name: "Now" });
  const title = await now.getByRole("article").getByRole("heading").textContent();
  await now.getByRole("button", { name: `Done: ${title}` }).click();
  await expect(now.getByRole("article").getByRole("heading", { name: title ?? "", exact: true })).toHaveCount(0, { timeout: 30_000 });
  await expect(page.getByRole("region", { name: "Each plate, in this order" }).getByRole("listitem").first()).toContainText(/\d/);
});

test("the run is kept: it is read, judged, and its lengths go into the dish", async ({ page }) => {
  test.setTimeout(120_000);
  // A short step takes twice as long as the plan has it, and more.
  const plan = await server.plan(slug);
  const slow = plan.steps
    .filter((s: { step: string; minutes: number }) => s.step !== begun.step && s.minutes >= 10 && s.minutes <= 25)
    .sort((x: { start: string }, y: { start: string }) => Date.parse(x.start) - Date.parse(y.start))[0];
  const before = await dish();
  const [component, id] = slow.step.split(".");
  const stepOf = (d: typeof before) =>
    d.components.find((c: { id: string }) => c.id === component).methods[0].steps.find((s: { id: string }) => s.id === id);
  const name = stepOf(before).name;
  await press("started", slow.step);
  await server.clock(new Date(server.hour() + 2.2 * slow.minutes * 60_000).toISOString());
  await press("ended", slow.step);
  expect((await fetch(`${server.url}/api/dishes/${slug}/run`, { method: "DELETE" })).ok).toBe(true);
  await page.goto(`${server.url}/notebook`);
  await page.getByRole("searchbox").fill("burnt");
  await page.getByRole("searchbox").press("Enter");
  await page.getByRole("link", { name: /Harvest lunch/ }).click();
  const log = page.getByRole("region", { name: "Log" });
  await expect(log.getByText(/burnt to the pan/)).toBeVisible();
  await expect(log.getByText(/^Left out: /)).toBeVisible();
  await page.getByRole("button", { name: "Change: Mustard piccalilli" }).click();
  await expect(page.getByRole("button", { name: "Change: Mustard piccalilli" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("textbox", { name: "Next time, Mustard piccalilli" }).fill("a wider pan");
  await page.getByRole("textbox", { name: "Next time, Mustard piccalilli" }).press("Enter");
  await expect(log.getByText("Change: Mustard piccalilli, a wider pan")).toBeVisible();
  const lengths = page.getByRole("region", { name: "How long you really take" });
  await lengths.getByRole("button", { name: `Accept: ${name}` }).click();
  await expect(page.getByText("Accepted. The plan follows.")).toBeVisible();
  expect(stepOf(await dish()).time).not.toEqual(stepOf(before).time);
});
