// A run through the server's own routes: nothing severe begins unacknowledged, every press is in the log once, what is past a limit is only mended.
import { beforeEach, describe, expect, test, vi } from "vitest";
import { POST as clock } from "../../src/app/api/clock/route";
import { POST as change } from "../../src/app/api/dishes/[dish]/change/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { GET as file } from "../../src/app/api/dishes/[dish]/route";
import { DELETE as endRun, POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { findDish } from "../../src/db/queries/dishes";
import { findOpenRun, listRunEvents } from "../../src/db/queries/runs";
import { nowMs } from "../../src/server/clock";
import { database } from "../../src/server/database";
import { loadReasons, loadState } from "../../src/server/state";
import { demoDocument, type Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
const NOW_MINUTE = Math.floor(Date.parse(NOW) / 60_000);
withServer(NOW);
// The planner's thread is there only in the built server: here every press is written down and then not planned again, which the route survives.
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});

const bring = async (document: Loose): Promise<string> => (await call(bringIn, {}, document)).said.value.slug;
const small = (id: string) => bring(smallDish((d) => (d.dish.id = id)));
/** The lunch with so many times its curing salt: a quarter is too little to protect, and a danger. */
const lunch = (id: string, times = 1 / 4) => {
  const d = demoDocument("harvest-lunch");
  d.dish.id = id;
  curing(d).amount.amount *= times;
  return bring(d);
};
const curing = (d: Loose) =>
  d.components.find((c: Loose) => c.id === "pork").methods[0].ingredients.find((i: Loose) => /nitrite/.test(i.name));
const document = async (dish: string): Promise<Loose> => (await call(file, { dish })).said;
const found = async (dish: string): Promise<Loose[]> => (await call(findings, { dish })).said.findings;
const severe = async (dish: string) => (await found(dish)).filter((f) => f.severity === "stop");
const said = (list: Loose[]) => ({ acknowledge: list.map(({ id, print }) => ({ id, print })) });
const event = (kind: string, step: string, more: Loose = {}) => ({ key: crypto.randomUUID(), kind, step, ...more });
const begun = async (dish: string) => {
  await call(acknowledge, { dish }, said(await severe(dish)));
  expect((await call(startRun, { dish })).status).toBe(200);
};
const logOf = async (slug: string) => {
  const db = await database();
  const stored = await findDish(db, slug);
  const run = stored && (await findOpenRun(db, stored.id));
  return run ? listRunEvents(db, run.id) : [];
};

describe("a run", () => {
  test("is not begun twice, takes presses only while it lasts, and only of steps that there are", async () => {
    const dish = await small("run");
    await call(acknowledge, { dish }, said(await severe(dish)));
    expect((await call(press, { dish }, event("started", "stock.chop"))).status).toBe(409);
    expect((await call(startRun, { dish })).status).toBe(200);
    expect((await call(startRun, { dish })).status).toBe(200);
    expect((await call(press, { dish }, event("started", "stock.dance"))).status).toBe(404);
    expect((await call(press, { dish }, event("started", "stock.chop"))).said.outcome).toBe("done");
    expect((await call(endRun, { dish })).status).toBe(200);
    expect((await call(endRun, { dish })).status).toBe(404);
    expect((await call(press, { dish }, event("ended", "stock.chop"))).status).toBe(409);
  });

  test("of no dish is none", async () => {
    for (const [route, body] of [
      [startRun, undefined],
      [endRun, undefined],
      [press, event("started", "a.b")],
      [findings, undefined],
      [acknowledge, { acknowledge: [{ id: "x", print: "y" }] }],
    ] as const)
      expect((await call(route, { dish: "nowhere" }, body)).status).toBe(404);
  });

  test("has a press in its log once, however often it is sent, and in the order in which they came", async () => {
    const dish = await small("once");
    await begun(dish);
    const first = event("started", "stock.chop");
    for (let i = 0; i < 4; i++) expect((await call(press, { dish }, first)).said).toEqual({ outcome: "done", plan: "follows" });
    await Promise.all([call(press, { dish }, first), call(press, { dish }, first)]);
    await call(press, { dish }, event("ended", "stock.chop"));
    await call(press, { dish }, event("started", "stock.simmer"));
    expect((await logOf(dish)).map((e) => [e.kind, e.step])).toEqual([
      ["started", "stock.chop"],
      ["ended", "stock.chop"],
      ["started", "stock.simmer"],
    ]);
  });

  test("writes what happened earlier at its own minute, and a guess of the end ahead", async () => {
    const dish = await small("minutes");
    await begun(dish);
    await call(press, { dish }, event("started", "stock.simmer", { inMinutes: -25 }));
    await call(press, { dish }, event("estimate", "stock.simmer", { inMinutes: 140 }));
    const now = Math.floor(nowMs() / 60_000);
    const [started, guessed] = await logOf(dish);
    expect(Math.abs((started?.at ?? 0) - (now - 25))).toBeLessThanOrEqual(1);
    expect(Math.abs((guessed?.at ?? 0) - (now + 140))).toBeLessThanOrEqual(1);
  });

  test.each([
    ["no key", { kind: "started", step: "stock.chop" }],
    ["a key that is none", { key: "1", kind: "started", step: "stock.chop" }],
    ["a kind that there is not", { key: crypto.randomUUID(), kind: "burnt", step: "stock.chop" }],
    ["half a minute", { key: crypto.randomUUID(), kind: "started", step: "stock.chop", inMinutes: 0.5 }],
    ["a hundred years", { key: crypto.randomUUID(), kind: "started", step: "stock.chop", inMinutes: -52_560_000 }],
  ])("refuses a press with %s, and its log stays as it was", async (_, body) => {
    const dish = await small("refuse");
    await begun(dish);
    expect((await call(press, { dish }, body)).status).toBe(422);
    expect(await logOf(dish)).toEqual([]);
  });

  test("is followed by what the pages show: the plan goes stale with a press until it is made anew", async () => {
    const dish = await small("state");
    await planned(dish, NOW_MINUTE);
    expect(await loadState(dish)).toMatchObject({ running: false, stale: false, plan: { serveStep: "plate.put" } });
    await begun(dish);
    await call(press, { dish }, event("started", "stock.chop"));
    const state = await loadState(dish);
    expect(state).toMatchObject({ running: true, stale: true });
    expect(state?.plan?.steps.find((s) => s.ref === "stock.chop")?.state).toBe("running");
    const { whys, occupancy } = await loadReasons(dish);
    expect(whys.length).toBeGreaterThan(0);
    expect(occupancy.map((o) => o.place)).toContain("fridge");
  });
});

describe("what is severe", () => {
  test("holds the run until each is acknowledged by its own print, and by nothing else", async () => {
    const dish = await lunch("severe");
    const all = await severe(dish);
    expect(all.length).toBeGreaterThan(1);
    const held = await call(startRun, { dish });
    expect(held.status).toBe(409);
    expect(held.said.message).toMatch(/^Read these before you start: .*curing salt/);
    expect(held.said.findings).toHaveLength(all.length);
    const wrong = await call(acknowledge, { dish }, { acknowledge: [{ id: all[0]?.id, print: "00000000" }] });
    expect([wrong.status, wrong.said.message]).toEqual([409, expect.stringMatching(/changed meanwhile/)]);
    expect((await call(acknowledge, { dish }, { acknowledge: [{ id: "none:there", print: "00000000" }] })).status).toBe(409);
    expect((await call(acknowledge, { dish }, { acknowledge: [] })).status).toBe(422);
    // One wrong word among right ones keeps none of them.
    await call(acknowledge, { dish }, { acknowledge: [...said(all).acknowledge, { id: "none:there", print: "1" }] });
    expect((await severe(dish)).filter((f) => f.acknowledged)).toEqual([]);
    for (const f of all.slice(1)) expect((await call(acknowledge, { dish }, said([f]))).status).toBe(200);
    expect((await call(startRun, { dish })).status).toBe(409);
    await call(acknowledge, { dish }, said(all.slice(0, 1)));
    expect((await call(startRun, { dish })).status).toBe(200);
  });

  test("is asked anew by the next run, and when its figures change", async () => {
    const dish = await lunch("anew");
    await call(acknowledge, { dish }, said(await severe(dish)));
    await call(startRun, { dish });
    await call(endRun, { dish });
    expect((await call(startRun, { dish })).status).toBe(409);
    await call(acknowledge, { dish }, said(await severe(dish)));
    expect((await call(startRun, { dish })).status).toBe(200);
    const d = await document(dish);
    const at = d.components.findIndex((c: Loose) => c.id === "pork");
    const i = d.components[at].methods[0].ingredients.indexOf(curing(d));
    const stored = await findDish(await database(), dish);
    const path = `/components/${at}/methods/0/ingredients/${i}/amount/amount`;
    const op = { op: "replace", path, value: curing(d).amount.amount * 0.9 };
    expect((await call(change, { dish }, { version: stored?.version, change: [op], label: "more" })).status).toBe(200);
    expect((await call(press, { dish }, event("started", "pork.weigh"))).status).toBe(409);
    // Saying that it is done begins it too; what is not of that step goes on.
    expect((await call(press, { dish }, event("ended", "pork.weigh"))).status).toBe(409);
    expect((await call(press, { dish }, event("started", "slaw.shred"))).status).toBe(200);
  });
});

describe("past a limit", () => {
  test("nothing acknowledges it, starts it or goes on with it: not the page, not the log, not an old run; mending does", async () => {
    const dish = await lunch("overdosed", 4);
    const [hard] = await found(dish);
    expect(hard).toMatchObject({ hard: true, component: "pork" });
    const tried = await call(acknowledge, { dish }, said([hard]));
    expect([tried.status, tried.said.message]).toEqual([409, expect.stringMatching(/only fixed/)]);
    await call(acknowledge, { dish }, said((await severe(dish)).filter((f) => !f.hard)));
    expect((await call(startRun, { dish })).said.message).toMatch(/^Past a limit/);
    // The mend that comes with it is a change like any other.
    const stored = await findDish(await database(), dish);
    const mend = hard?.mends[0];
    expect((await call(change, { dish }, { version: stored?.version, change: mend.change, label: mend.label })).status).toBe(200);
    expect((await found(dish)).some((f) => f.hard)).toBe(false);
  });

  test("found while one cooks, it stops every further step of its component, whichever step it stands at", async () => {
    const dish = await lunch("later");
    await call(acknowledge, { dish }, said(await severe(dish)));
    await call(startRun, { dish });
    expect((await call(press, { dish }, event("ended", "pork.weigh"))).status).toBe(200);
    const d = await document(dish);
    const at = d.components.findIndex((c: Loose) => c.id === "pork");
    const i = d.components[at].methods[0].ingredients.indexOf(curing(d));
    const op = { op: "replace", path: `/components/${at}/methods/0/ingredients/${i}/amount/amount`, value: 40 };
    await call(change, { dish }, { version: 1, change: [op], label: "far more" });
    const next = d.components[at].methods[0].steps.find((s: Loose) => s.id !== "weigh").id;
    const refused = await call(press, { dish }, event("started", `pork.${next}`));
    expect([refused.status, refused.said.message]).toEqual([409, expect.stringMatching(/^Past a limit.*curing salt/)]);
    expect((await call(press, { dish }, event("started", "slaw.shred"))).status).toBe(200);
  });
});

test("the clock is set only where it was started to be set", async () => {
  process.env.RONDEAU_CLOCK = "";
  expect((await call(clock, {}, { now: "2026-10-17T10:00:00Z" })).status).toBe(404);
  process.env.RONDEAU_CLOCK = "manual";
  expect((await call(clock, {}, { now: "tomorrow" })).status).toBe(422);
  expect((await call(clock, {}, { now: "2026-10-17T10:00:00Z" })).status).toBe(200);
  expect(Math.abs(nowMs() - Date.parse("2026-10-17T10:00:00Z"))).toBeLessThan(5000);
});
