// What is written down goes into the record once, for this dish and this run only, and is never changed there.
import { describe, expect, test } from "vitest";
import { POST as clock } from "../../src/app/api/clock/route";
import { POST as write, GET as written } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as press_ } from "../../src/app/api/dishes/[dish]/events/route";
import { DELETE as removeDish } from "../../src/app/api/dishes/[dish]/route";
import { DELETE as endRun, POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { ENTRY_KINDS } from "../../src/core/record/entries";
import { listen } from "../../src/server/changes";
import { database } from "../../src/server/database";
import type { Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish, stepOf } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
withServer(NOW);

const bring = async (id: string): Promise<string> =>
  (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = id)),
    )
  ).said.value.slug;
const begin = async (dish: string) => {
  const list = (await call(findings, { dish })).said.findings.filter((f: Loose) => f.severity === "stop");
  await call(acknowledge, { dish }, { acknowledge: list.map(({ id, print }: Loose) => ({ id, print })) });
  expect((await call(startRun, { dish })).status).toBe(200);
};
const entry = (body: Loose, more: Loose = {}) => ({ key: crypto.randomUUID(), body, ...more });
const put = (dish: string, ...entries: Loose[]) => call(write, { dish }, { entries });
const NOTE = { kind: "note", text: "pan too small" };
const bodies = async (dish: string) => (await call(written, { dish })).said.entries.map((e: Loose) => e.body);

describe("an entry", () => {
  test("is written once, however often it is sent", async () => {
    const dish = await bring("twice");
    const one = entry({ kind: "timer", name: "blanch", seconds: 240 });
    expect((await put(dish, one)).status).toBe(200);
    expect((await put(dish, one, entry(NOTE))).said.entries).toHaveLength(2);
    expect(await bodies(dish)).toEqual([one.body, NOTE]);
  });
  test("says when it happened, by the clock of whoever wrote it, and is numbered in order", async () => {
    const dish = await bring("late");
    const { said } = await put(
      dish,
      entry({ kind: "reading", step: "stock.simmer", quantity: "temperature", value: 92.5 }, { ago: 90_000 }),
      entry(NOTE),
    );
    const [first, second] = said.entries;
    expect(second.at - first.at).toBe(90_000);
    expect(Math.abs(second.at - Date.parse(NOW))).toBeLessThan(60_000);
    expect(second.id).toBeGreaterThan(first.id);
  });
  test("that says nonsense is refused with the others it came with", async () => {
    const dish = await bring("nonsense");
    const answer = await put(dish, entry(NOTE), entry({ kind: "reading", step: "stock.simmer", quantity: "ph", value: 20 }));
    expect(answer.status).toBe(422);
    expect(JSON.stringify(answer.said)).toContain("outside what can be measured");
    expect(await bodies(dish)).toEqual([]);
  });
  test("of every kind that there is has a place in the database", async () => {
    const dish = await bring("all-kinds");
    const step = "stock.simmer";
    const first = await put(dish, entry({ kind: "timer", name: "blanch", seconds: 240 }));
    const of = first.said.entries[0].id;
    const all: Loose[] = [
      { kind: "timer-answer", of, answer: "acknowledged" },
      { kind: "reading", step, quantity: "core", value: 60 },
      { kind: "device", step, device: "probe", on: true },
      { kind: "round", step, what: "skim", due: 29_000_000 },
      { kind: "tally", step, name: "cups", add: 1 },
      NOTE,
      { kind: "amount", step, ingredient: "Bones", amount: "2.1 kg" },
      { kind: "verdict", component: "stock", verdict: "again" },
      { kind: "handover", bed: 29_000_000, wake: 29_000_480, confirmed: [] },
      { kind: "tick", list: "shopping", item: "bones", done: true },
      { kind: "withdrawn", of },
    ];
    // Photographs come with their pictures, and captions name one: photographs.test.ts.
    expect(new Set(["timer", "photograph", "caption", ...all.map((b) => b.kind)])).toEqual(new Set(ENTRY_KINDS));
    expect((await put(dish, ...all.map((body) => entry(body)))).status).toBe(200);
    expect((await bodies(dish)).slice(1)).toEqual(all);
  });
  test("of a dish that is not there is refused", async () => {
    expect((await put("no-such-dish", entry(NOTE))).status).toBe(404);
    expect((await call(written, { dish: "no-such-dish" })).status).toBe(404);
  });
  test("is told to the open pages", async () => {
    const dish = await bring("told");
    const heard: string[] = [];
    const end = listen(dish, (what) => heard.push(what));
    await put(dish, entry(NOTE));
    end();
    expect(heard).toEqual(["log"]);
  });
});

describe("the record", () => {
  test("of shopping done before a run belongs to it; the next run begins empty", async () => {
    const dish = await bring("before");
    await put(dish, entry({ kind: "tick", list: "shopping", item: "bones", done: true }));
    await begin(dish);
    await put(dish, entry(NOTE));
    expect(await bodies(dish)).toHaveLength(2);
    await call(clock, {}, { now: "2026-10-16T20:00:00Z" });
    expect((await call(endRun, { dish })).status).toBe(200);
    await call(clock, {}, { now: "2026-10-16T20:01:00Z" });
    expect(await bodies(dish)).toEqual([]);
  });
  test("is never changed or emptied, and goes with its dish only", async () => {
    const dish = await bring("kept");
    await put(dish, entry(NOTE));
    const db = await database();
    await expect(db.query("update record_entry set data = '{}'")).rejects.toThrow("append-only");
    await expect(db.query("delete from record_entry")).rejects.toThrow("append-only");
    await expect(db.query("truncate record_entry")).rejects.toThrow("append-only");
    const other = await bring("other");
    await put(other, entry(NOTE));
    const name = (await db.query("select name from dish where slug = $1", [dish]))[0] as { name: string };
    expect((await call(removeDish, { dish }, { name: name.name })).status).toBe(200);
    expect(await bodies(other)).toEqual([NOTE]);
    const [left] = (await db.query("select count(*)::int as n from record_entry e join dish d on d.id = e.dish_id where d.slug = $1", [
      dish,
    ])) as {
      n: number;
    }[];
    expect(left?.n).toBe(0);
  });
});

test("a night is not handed over while heat is on that may not stay on, unless that very step is confirmed", async () => {
  const dish: string = (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = "night";
        d.dish.serveAt = "2026-10-18T13:00";
        stepOf(d, "stock.simmer").time = "12h";
        stepOf(d, "stock.simmer").attention = "unattended";
        stepOf(d, "stock.chop").time = "20m";
      }),
    )
  ).said.value.slug;
  await planned(dish, Date.parse(NOW) / 60_000);
  await begin(dish);
  const evening = Date.parse("2026-10-16T19:30:00Z");
  const now = (minutes: number) => call(clock, {}, { now: new Date(evening + minutes * 60_000).toISOString() });
  const press = async (kind: string, step: string) => {
    const answer = await call(press_, { dish }, { key: crypto.randomUUID(), kind, step });
    expect(answer.status, JSON.stringify(answer.said)).toBe(200);
  };
  await now(0);
  await press("started", "stock.chop");
  await now(20);
  await press("ended", "stock.chop");
  await press("started", "stock.simmer");
  await planned(dish, Math.floor(evening / 60_000) + 20);
  const night = { kind: "handover", bed: Math.floor(evening / 60_000) + 150, wake: Math.floor(evening / 60_000) + 630 };
  const refused = await put(dish, entry({ ...night, confirmed: [] }), entry(NOTE));
  expect(refused.status).toBe(409);
  expect(refused.said.message).toContain("“Simmer”");
  expect(await bodies(dish)).toEqual([]);
  expect((await put(dish, entry({ ...night, confirmed: ["stock.simmer"] }))).status).toBe(200);
  expect(await bodies(dish)).toEqual([{ ...night, confirmed: ["stock.simmer"] }]);
});
