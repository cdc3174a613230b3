// One dish with all its runs as a file: given away and brought in, beside the dish itself or in another house, whole or not at all.
import { readdirSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { beforeAll, beforeEach, describe, expect, test, vi } from "vitest";
import { GET as archive } from "../../src/app/api/dishes/[dish]/archive/route";
import { POST as write } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { POST as add } from "../../src/app/api/dishes/[dish]/photographs/route";
import { DELETE as remove } from "../../src/app/api/dishes/[dish]/route";
import { DELETE as endRun, POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { type Entry, photographsOf, standing, timersOf } from "../../src/core/record/entries";
import { database, dataDirectory } from "../../src/server/database";
import { loadRunPage, loadRuns } from "../../src/server/notebook";
import { loadPhotograph, tidyPhotographs } from "../../src/server/photographs";
import type { Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:00Z";
withServer(NOW);
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});

let text = "";
const dish = "given";
async function begin() {
  const severe = (await call(findings, { dish })).said.findings.filter((f: Loose) => f.severity === "stop");
  await call(acknowledge, { dish }, { acknowledge: severe.map((f: Loose) => ({ id: f.id, print: f.print })) });
  expect((await call(startRun, { dish })).status).toBe(200);
}
const put = (body: object) => call(write, { dish }, { entries: [{ key: crypto.randomUUID(), body }] });
beforeAll(async () => {
  await call(
    bringIn,
    {},
    smallDish((d) => (d.dish.id = dish)),
  );
  await planned(dish, Date.parse(NOW) / 60_000);
  await begin();
  await call(press, { dish }, { key: crypto.randomUUID(), kind: "started", step: "stock.chop", by: "ada" });
  await call(press, { dish }, { key: crypto.randomUUID(), kind: "ended", step: "stock.chop" });
  await put({ kind: "timer", name: "blanch", seconds: 240 });
  const all = (await put({ kind: "note", step: "stock.chop", text: "the wrong knife" })).said.entries as Entry[];
  await put({ kind: "withdrawn", of: all.at(-1)?.id });
  await put({ kind: "timer-answer", of: all.find((e) => e.body.kind === "timer")?.id, answer: "acknowledged" });
  await put({ kind: "note", step: "stock.chop", text: "smaller pieces" });
  const picture = await sharp({ create: { width: 30, height: 20, channels: 3, background: "#804020" } })
    .png()
    .toBuffer();
  const address = `http://localhost/?key=${crypto.randomUUID()}`;
  await add(new Request(address, { method: "POST", body: picture as BodyInit }), { params: Promise.resolve({ dish }) });
  await call(endRun, { dish });
  // A second run is under way.
  await begin();
  await call(press, { dish }, { key: crypto.randomUUID(), kind: "started", step: "stock.chop" });
  text = await (await archive(new Request("http://localhost/"), { params: Promise.resolve({ dish }) })).text();
});
const bring = (content: unknown) =>
  bringIn(new Request("http://localhost/", { method: "POST", body: typeof content === "string" ? content : JSON.stringify(content) }), {
    params: Promise.resolve({}),
  });
const runsOf = async (slug: string) => (await loadRuns("")).runs.filter((r) => r.slug === slug);
const told = (page: Loose) => ({
  log: page.log.map((l: Loose) => [l.kind, l.step, l.at, l.by]),
  written: standing(page.entries).map((e) => ({ ...e.body, ...("of" in e.body ? { of: 0 } : {}) })),
  timers: timersOf(page.entries).length,
});

describe("a dish with its runs", () => {
  test("is brought in beside itself: the same log, the same notes, nothing of it under way", async () => {
    const answer = await bring(text);
    expect(answer.status).toBe(200);
    const { slug } = (await answer.json()).value;
    expect(slug).not.toBe(dish);
    const [mine, theirs] = [await runsOf(dish), await runsOf(slug)];
    expect(theirs.map((r) => r.startedAt)).toEqual(mine.map((r) => r.startedAt));
    expect(theirs.every((r) => r.endedAt !== undefined)).toBe(true);
    for (const [i, run] of mine.entries()) {
      const [before, after] = [await loadRunPage(run.id), await loadRunPage(theirs[i]?.id ?? "")];
      expect(told(after)).toEqual(told(before));
    }
    const first = told(await loadRunPage(theirs.at(-1)?.id ?? "")) as Loose;
    expect(first.written.map((b: Loose) => b.text).filter(Boolean)).toEqual(["smaller pieces"]);
    expect(first.timers).toBe(0);
  });
  test("comes with its photographs, also where they are not yet", async () => {
    expect((await call(endRun, { dish })).status).toBe(200);
    for (const slug of [...new Set((await loadRuns("")).runs.map((r) => r.slug))])
      expect((await call(remove, { dish: slug }, { name: "Small" })).status).toBe(200);
    await tidyPhotographs();
    expect(readdirSync(path.join(dataDirectory(), "photographs"))).toEqual([]);
    const { slug } = (await (await bring(text)).json()).value;
    const run = (await runsOf(slug)).at(-1);
    const [picture] = photographsOf((await loadRunPage(run?.id ?? ""))?.entries ?? []);
    expect((await sharp(Buffer.from((await loadPhotograph(picture?.sum ?? "", false)) ?? [])).metadata()).width).toBe(30);
  });
  test("shows what it holds before it is kept", async () => {
    const preview = await bringIn(new Request("http://localhost/?preview", { method: "POST", body: text }), {
      params: Promise.resolve({}),
    });
    expect((await preview.json()).value.name).toBe("Small");
  });
  test("of a newer version is refused before it is shown", async () => {
    const request = new Request("http://localhost/?preview", {
      method: "POST",
      body: text.replace("rondeau-archive/1", "rondeau-archive/2"),
    });
    const preview = await bringIn(request, { params: Promise.resolve({}) });
    expect(preview.status).toBe(422);
    expect(JSON.stringify(await preview.json())).toContain("newer version");
  });
  test.each<[string, (a: Loose) => void, RegExp]>([
    ["of a newer version", (a) => (a.format = "rondeau-archive/2"), /newer version/],
    [
      "with an altered picture",
      (a) => (a.photographs[Object.keys(a.photographs)[0] as string] = "AAAA"),
      /photograph in the file was changed/,
    ],
    ["with two presses of one number", (a) => a.run_event.push({ ...a.run_event[0] }), /two log entries have the same number/],
    ["with a press of no run", (a) => (a.run_event[0].run_id = crypto.randomUUID()), /a run that is not in the file/],
    ["with a press that is none", (a) => (a.run_event[0].kind = "eaten"), /incomplete or damaged/],
    ["with a note without text", (a) => (a.record_entry.find((e: Loose) => e.kind === "note").data = {}), /incomplete or damaged/],
    ["with a broken dish", (a) => (a.dish.components[0].methods = "none"), /./],
  ])("%s is refused, and nothing of it is kept", async (_, alter, why) => {
    const count = async () => (await (await database()).query("select (select count(*) from dish) + (select count(*) from run) as n"))[0];
    const before = await count();
    const value = JSON.parse(text);
    alter(value);
    const answer = await bring(value);
    expect(answer.status).toBe(422);
    expect(JSON.stringify(await answer.json())).toMatch(why);
    expect(await count()).toEqual(before);
  });
});
