// The notebook: runs are found again, read as they were done, judged, and what was learned goes into the dish.
import { beforeEach, describe, expect, test, vi } from "vitest";
import RunPage from "../../src/app/(house)/notebook/[run]/page";
import NotebookPage from "../../src/app/(house)/notebook/page";
import { POST as clock } from "../../src/app/api/clock/route";
import { POST as change } from "../../src/app/api/dishes/[dish]/change/route";
import { POST as write } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { GET as file } from "../../src/app/api/dishes/[dish]/route";
import { DELETE as endRun, POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { findDish } from "../../src/db/queries/dishes";
import { insertRun, updateRunEnded } from "../../src/db/queries/runs";
import { database } from "../../src/server/database";
import { loadLastNotes, loadRunPage, loadRuns, RUNS_A_PAGE } from "../../src/server/notebook";
import type { Loose } from "../support/dishes";
import { shown } from "../support/page";
import { call, planned, withServer } from "../support/server";
import { smallDish, stepOf } from "../support/small-dish";

const NOW = "2026-10-16T08:00:00Z";
withServer(NOW);
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});

let id = 0;
/** A small dish, run: its steps pressed at these minutes after the start, with a note. */
async function cooked(minutes: Readonly<Record<string, readonly [number, number]>>, note: string, slug?: string) {
  const dish: string =
    slug ??
    (
      await call(
        bringIn,
        {},
        smallDish((d) => (d.dish.id = `kept-${++id}`)),
      )
    ).said.value.slug;
  const list = (await call(findings, { dish })).said.findings.filter((f: Loose) => f.severity === "stop");
  await call(acknowledge, { dish }, { acknowledge: list.map((f: Loose) => ({ id: f.id, print: f.print })) });
  await call(clock, {}, { now: NOW });
  await planned(dish, Date.parse(NOW) / 60_000);
  expect((await call(startRun, { dish })).status).toBe(200);
  const at = (m: number) => call(clock, {}, { now: new Date(Date.parse(NOW) + m * 60_000).toISOString() });
  for (const [step, [from, to]] of Object.entries(minutes)) {
    await at(from);
    expect((await call(press, { dish }, { key: crypto.randomUUID(), kind: "started", step })).status).toBe(200);
    await at(to);
    expect((await call(press, { dish }, { key: crypto.randomUUID(), kind: "ended", step })).status).toBe(200);
  }
  await call(
    write,
    { dish },
    { entries: [{ key: crypto.randomUUID(), body: { kind: "note", step: Object.keys(minutes)[0], text: note } }] },
  );
  await at(600);
  expect((await call(endRun, { dish })).status).toBe(200);
  const run = (await loadRuns("")).runs.find((r) => r.slug === dish && r.startedAt === Date.parse(NOW) / 60_000) as Loose;
  return { dish, run: (await loadRuns("")).runs.filter((r) => r.slug === dish).at(0)?.id ?? run.id };
}
const page = async (run: string) => {
  const found = await loadRunPage(run);
  if (!found) throw new Error("no page");
  return found;
};

describe("a run that is over", () => {
  test("is in the notebook, with what was planned, done and written", async () => {
    const { run } = await cooked({ "stock.chop": [0, 22], "stock.simmer": [25, 240] }, "the pan was too small");
    const { rows, log, entries, run: kept } = await page(run);
    expect(rows.map((r) => [r.step, r.really?.minutes])).toEqual(
      expect.arrayContaining([
        ["stock.chop", 22],
        ["stock.simmer", 215],
      ]),
    );
    expect(log.filter((l) => l.step === "stock.chop").map((l) => l.kind)).toEqual(["ended", "started"]);
    expect(entries.map((e) => e.body)).toEqual([{ kind: "note", step: "stock.chop", text: "the pan was too small" }]);
    expect([kept.presses, kept.written]).toEqual([4, 1]);
    const drawn = await shown(await RunPage({ params: Promise.resolve({ run }) }));
    expect(drawn.text).toContain("Note: the pan was too small");
    expect(drawn.named("Step by step").rows.some((cells) => cells[0]?.includes("hop") && cells.includes("22 min"))).toBe(true);
  });
  test("is found by its name and by what was noted, not by what was not", async () => {
    await cooked({ "stock.chop": [0, 15] }, "smelled of quinces");
    expect((await loadRuns("quinces")).runs).toHaveLength(1);
    expect((await loadRuns("marmalade")).runs).toEqual([]);
    const drawn = await shown(await NotebookPage({ searchParams: Promise.resolve({ q: "marmalade" }) }));
    expect(drawn.text).toContain("Nothing is found for “marmalade”");
    expect((await shown(await NotebookPage({ searchParams: Promise.resolve({}) }))).all("li").length).toBeGreaterThan(1);
  });
  test("is judged afterwards, and only where it belongs", async () => {
    const { dish, run } = await cooked({ "stock.chop": [0, 15] }, "fine");
    const other = await cooked({ "stock.chop": [0, 15] }, "fine too");
    const verdict = { key: crypto.randomUUID(), body: { kind: "verdict", component: "stock", verdict: "change", text: "less salt" } };
    expect((await call(write, { dish: other.dish }, { run, entries: [verdict] })).status).toBe(404);
    expect((await call(write, { dish }, { run, entries: [verdict] })).status).toBe(200);
    expect((await page(run)).entries.map((e) => e.body.kind)).toEqual(["note", "verdict"]);
    const drawn = await shown(await RunPage({ params: Promise.resolve({ run }) }));
    expect(drawn.with("aria-label", /^Change: /)[0]?.attribute("aria-pressed")).toBe("true");
    expect(drawn.with("aria-label", /^Again: /)[0]?.attribute("aria-pressed")).toBe("false");
  });
  test("what was noted at a step is told when it comes again", async () => {
    const { dish } = await cooked({ "stock.chop": [0, 15] }, "cut it finer");
    expect(await loadLastNotes(dish)).toEqual({ "stock.chop": ["cut it finer"] });
  });
  test("that is not there is no page", async () => {
    expect(await loadRunPage(crypto.randomUUID())).toBeUndefined();
    await expect(RunPage({ params: Promise.resolve({ run: "no-run" }) })).rejects.toThrow();
  });
});

test("a length that was timed longer is proposed, accepted as a new version, and then the dish's own", async () => {
  const { dish, run } = await cooked({ "stock.chop": [0, 40] }, "slow knife");
  const before = (await call(file, { dish })).said;
  const chop = (d: Loose) => d.components.find((c: Loose) => c.id === "stock").methods[0].steps.find((s: Loose) => s.id === "chop");
  const proposal = (await page(run)).lengths.find((l) => l.step === "stock.chop");
  if (!proposal) throw new Error("nothing proposed");
  expect(proposal.timed).toEqual([40]);
  expect(proposal.next.likely).toBeGreaterThan(proposal.said.likely);
  const { dishVersion, kitchenVersion } = await page(run);
  const answer = await call(
    change,
    { dish },
    { version: dishVersion, kitchenVersion, change: proposal.change, label: "Length of chop from your runs" },
  );
  expect(answer.status).toBe(200);
  const after = (await call(file, { dish })).said;
  expect(chop(after).time).not.toEqual(chop(before).time);
  expect(chop(after).time).toMatchObject({ min: expect.any(String), likely: expect.any(String), max: expect.any(String) });
  expect((await page(run)).dishVersion).toBe(dishVersion + 1);
  // The same minutes do not move it again.
  expect((await page(run)).lengths.map((l) => l.step)).not.toContain("stock.chop");
});

test("an amount that was used is proposed, for the dish's own guests, and accepted as a new version; then there is nothing to propose", async () => {
  const dish: string = (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = `kept-${++id}`;
        d.dish.serves = 5;
      }),
    )
  ).said.value.slug;
  const { run } = await cooked({ "stock.chop": [0, 20] }, "as planned", dish);
  const wrote = (amount: string) =>
    call(
      write,
      { dish },
      {
        run,
        entries: [
          { key: crypto.randomUUID(), body: { kind: "amount", step: "stock.chop", ingredient: "Bones", amount, instead: "2.5 kg" } },
        ],
      },
    );
  expect((await page(run)).amounts).toEqual([]);
  await wrote("2 kg");
  await wrote("2.1 kg");
  const [used] = (await page(run)).amounts;
  expect(used).toMatchObject({ ingredient: "Bones", said: "2.5 kg", used: "2.1 kg", next: "1.68 kg" });
  expect((await shown(RunPage({ params: Promise.resolve({ run }) }))).text).toContain("put 1.68 kg into the dish (for 4)");
  const { dishVersion, kitchenVersion } = await page(run);
  const label = "As used: Bones";
  expect((await call(change, { dish }, { version: dishVersion, kitchenVersion, change: used?.change, label })).status).toBe(200);
  const after = (await call(file, { dish })).said;
  expect(after.components[0].methods[0].ingredients[0].amount).toEqual({ amount: 1.68, unit: "kg" });
  expect((await page(run)).amounts).toEqual([]);
});

test("the temperature at which a step was ended is proposed to the dish, and taken over once", async () => {
  const dish: string = (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = `kept-${++id}`;
        stepOf(d, "stock.simmer").done = { probeC: 92 };
      }),
    )
  ).said.value.slug;
  const { run } = await cooked({ "stock.chop": [0, 20], "stock.simmer": [20, 260] }, "as planned", dish);
  /** Written down at the end of the evening, ten hours after the start, with when it was read. */
  const read = (value: number, minute: number, quantity = "core") =>
    call(
      write,
      { dish },
      {
        run,
        entries: [
          { key: crypto.randomUUID(), ago: (600 - minute) * 60_000, body: { kind: "reading", step: "stock.simmer", quantity, value } },
        ],
      },
    );
  // Long before the end, of another thing, or what the dish says: nothing to propose.
  await read(80, 200);
  await read(70, 258, "temperature");
  await read(92.7, 258);
  expect((await page(run)).temperatures).toEqual([]);
  await read(89.2, 262);
  const [reached] = (await page(run)).temperatures;
  expect(reached).toMatchObject({ ref: "stock.simmer", saidC: 92, reachedC: 89 });
  const { text } = await shown(await RunPage({ params: Promise.resolve({ run }) }));
  expect(text).toContain("89 °C instead of 92 °C");
  const { dishVersion, kitchenVersion } = await page(run);
  const label = "As reached: Simmer";
  expect((await call(change, { dish }, { version: dishVersion, kitchenVersion, change: reached?.change, label })).status).toBe(200);
  const after = (await call(file, { dish })).said;
  expect(after.components[0].methods[0].steps[1].done).toEqual({ probeC: 89 });
  expect((await page(run)).temperatures).toEqual([]);
});

test("what would make the dish less safe is told, and not offered", async () => {
  const dish: string = (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = `kept-${++id}`;
        d.components[1].methods[0].ingredients = [{ id: "legs", name: "Chicken legs", amount: { amount: 2, unit: "kg" } }];
        Object.assign(stepOf(d, "sauce.reduce"), {
          name: "Roast",
          time: "40m",
          uses: [{ what: "oven", tempC: 160 }],
          done: { probeC: 74 },
        });
      }),
    )
  ).said.value.slug;
  const { run } = await cooked({ "stock.chop": [0, 20], "stock.simmer": [20, 260], "sauce.reduce": [260, 300] }, "as planned", dish);
  const read = (value: number) => {
    const body = { kind: "reading", step: "sauce.reduce", quantity: "core", value };
    return call(write, { dish }, { run, entries: [{ key: crypto.randomUUID(), ago: (600 - 298) * 60_000, body }] });
  };
  await read(63);
  expect((await page(run)).temperatures).toMatchObject([{ reachedC: 63, hazard: expect.stringMatching(/.{8}/) }]);
  const { text } = await shown(await RunPage({ params: Promise.resolve({ run }) }));
  expect(text).toContain("Not offered, because the dish would be less safe");
  // Nor is it taken over by who asks all the same.
  const { temperatures, dishVersion, kitchenVersion } = await page(run);
  const asked = { version: dishVersion, kitchenVersion, change: temperatures[0]?.change, label: "As reached", safe: true };
  const refused = await call(change, { dish }, asked);
  expect([refused.status, JSON.stringify(refused.said)]).toEqual([422, expect.stringContaining("less safe")]);
  await read(80);
  expect((await page(run)).temperatures).toMatchObject([{ reachedC: 80, hazard: undefined }]);
});

test("a run stands beside the other runs that made the same components, of another dish too", async () => {
  const bring = async () =>
    (
      await call(
        bringIn,
        {},
        smallDish((d) => {
          d.dish.id = `kept-${++id}`;
          d.components[0].name = "Marrow stock";
        }),
      )
    ).said.value.slug;
  const first = await cooked({ "stock.chop": [0, 25] }, "first", await bring());
  await call(
    write,
    { dish: first.dish },
    { run: first.run, entries: [{ key: crypto.randomUUID(), body: { kind: "verdict", component: "stock", verdict: "change" } }] },
  );
  const second = await cooked({ "stock.chop": [0, 35] }, "second", await bring());
  const { beside } = await page(second.run);
  const row = beside.rows.find((r) => r.name === "Chop the bones");
  const column = beside.others.findIndex((o) => o.id === first.run);
  expect(row?.minutes[0]).toBe(35);
  expect(row?.minutes[column + 1]).toBe(25);
  expect(beside.others[column]?.verdicts).toEqual({ "Marrow stock": "change" });
  expect((await shown(RunPage({ params: Promise.resolve({ run: second.run }) }))).text).toMatch(
    /Beside other runs.*Chop the bones.*35 min.*25 min/,
  );
});

test("a wait that was liked, and the way it was made, are proposed once the cook has said so", async () => {
  const dish: string = (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = `kept-${++id}`;
        stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, max: "1h", limit: "quality" }];
        const [slow] = d.components[1].methods;
        d.components[1].methods.push({ ...structuredClone(slow), id: "fast", name: "Fast", quality: 0.5 });
        d.components[1].methods[1].steps[0].id = "boil";
      }),
    )
  ).said.value.slug;
  const { run } = await cooked({ "stock.chop": [0, 20], "stock.simmer": [20, 260], "sauce.reduce": [435, 495] }, "as planned", dish);
  expect(await page(run)).toMatchObject({ waits: [], methods: [] });
  const judge = (component: string, verdict: string) =>
    call(write, { dish }, { run, entries: [{ key: crypto.randomUUID(), body: { kind: "verdict", component, verdict } }] });
  await judge("stock", "again");
  await judge("sauce", "drop");
  const { waits, methods, dishVersion, kitchenVersion } = await page(run);
  expect(waits).toMatchObject([{ output: "stock.stock", waitedMinutes: 175, saidMinutes: 60, nextMinutes: 180, hazard: undefined }]);
  expect(methods).toMatchObject([{ component: "sauce", next: "Fast" }]);
  const { text } = await shown(await RunPage({ params: Promise.resolve({ run }) }));
  expect(text).toMatch(/waited 2 h 55, the recipe allows 1 h, and you chose Again: allow up to 3 h/);
  const taken = await call(change, { dish }, { version: dishVersion, kitchenVersion, change: waits[0]?.change, label: "Wait" });
  expect(taken.status).toBe(200);
  const after = (await call(file, { dish })).said;
  expect(after.components[0].methods[0].steps[1].makes[0].holds[0].max).toBe("3h");
  expect((await page(run)).waits).toEqual([]);
});

test("the list goes on over pages, and its words are kept", async () => {
  const before = (await loadRuns("")).runs.length;
  const { dish } = await cooked({ "stock.chop": [0, 25] }, "paged");
  const db = await database();
  const stored = await findDish(db, dish);
  for (let n = 1; n <= RUNS_A_PAGE; n++) {
    const run = await insertRun(db, stored?.id ?? "", new Date(Date.parse(NOW) - n * 86_400_000));
    await updateRunEnded(db, run.id, new Date(Date.parse(NOW) - n * 86_400_000 + 3_600_000));
  }
  const first = await loadRuns("");
  const second = await loadRuns("", RUNS_A_PAGE);
  expect([first.runs.length, first.more]).toEqual([RUNS_A_PAGE, true]);
  expect([second.runs.length, second.more]).toEqual([before + 1, false]);
  expect(new Set([...first.runs, ...second.runs].map((r) => r.id)).size).toBe(RUNS_A_PAGE + before + 1);
  const html = async (query: Record<string, string>) => (await shown(await NotebookPage({ searchParams: Promise.resolve(query) }))).text;
  expect(await html({})).toMatch(/Older/);
  expect(await html({})).not.toMatch(/Newer/);
  expect(await html({ from: String(RUNS_A_PAGE) })).toMatch(/Newer/);
});
