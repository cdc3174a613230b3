// Batches of the notebook: begun, written of, found again, ended, shown; what cannot be is refused and nothing is written.
import { beforeEach, describe, expect, test, vi } from "vitest";
import BatchPage from "../../src/app/(house)/notebook/batches/[batch]/page";
import NotebookPage from "../../src/app/(house)/notebook/page";
import { POST as write } from "../../src/app/api/batches/[batch]/entries/route";
import { PATCH as change } from "../../src/app/api/batches/[batch]/route";
import { POST as begin } from "../../src/app/api/batches/route";
import { POST as clock } from "../../src/app/api/clock/route";
import { loadBatches, loadBatchPage } from "../../src/server/batches";
import { database } from "../../src/server/database";
import { shown } from "../support/page";
import { call, withServer } from "../support/server";

const NOW = "2026-10-16T08:00:00Z";
const DAY = 86_400_000;
withServer(NOW);
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});
const begun = async (name: string, aim?: object): Promise<string> =>
  (await call(begin, {}, { name, ...(aim ? { aim } : {}) })).said.value.id;
const put = (batch: string, body: object, more: object = {}) => call(write, { batch }, { key: crypto.randomUUID(), body, ...more });

describe("a batch", () => {
  test("is followed by weight to its loss, with a date", async () => {
    const ham = await begun("Air-dried ham", { kind: "loss", percent: 30 });
    for (const [days, value] of [
      [20, 4000],
      [16, 3600],
      [4, 3200],
    ] as const)
      expect((await put(ham, { kind: "reading", quantity: "weight", value }, { ago: days * DAY })).status).toBe(200);
    await put(ham, { kind: "done", what: "turned and brushed" });
    const page = await loadBatchPage(ham);
    expect(page?.progress).toMatchObject({ now: expect.closeTo(20, 6), reached: false });
    const html = (await shown(await BatchPage({ params: Promise.resolve({ batch: ham }) }))).text;
    expect(html).toContain("20.0 % lost, ready at 30 %.");
    expect(html).toMatch(/Likely about/);
    expect(html).toContain("look at it and smell it");
    expect(html).toContain("turned and brushed");
  });
  test("is written once however often it is sent, taken back, ended and gone on with", async () => {
    const starter = await begun("Rye starter");
    const key = crypto.randomUUID();
    for (let i = 0; i < 3; i++) await put(starter, { kind: "done", what: "fed 50 g rye" }, { key });
    const [fed] = (await loadBatchPage(starter))?.entries ?? [];
    expect((await loadBatches("")).find((b) => b.id === starter)).toMatchObject({ entries: 1, endedAt: undefined });
    expect((await put(starter, { kind: "withdrawn", of: fed?.id })).status).toBe(200);
    await call(change, { batch: starter }, { ended: true });
    const ended = (await loadBatches("")).find((b) => b.id === starter)?.endedAt;
    expect(Math.abs((ended ?? 0) - Date.parse(NOW))).toBeLessThan(60_000);
    await call(clock, {}, { now: "2026-10-18T08:00:00Z" });
    // Another change leaves the day on which it ended.
    await call(change, { batch: starter }, { name: "Rye starter, the old one" });
    expect((await loadBatches("")).find((b) => b.id === starter)).toMatchObject({ name: "Rye starter, the old one", endedAt: ended });
    await call(change, { batch: starter }, { ended: false });
    expect((await loadBatches("")).find((b) => b.id === starter)?.endedAt).toBeUndefined();
  });
  test("is found by its name and by what was noted, in the notebook too", async () => {
    const vinegar = await begun("Cider vinegar");
    await put(vinegar, { kind: "note", text: "a mother has formed" });
    expect((await loadBatches("mother")).map((b) => b.id)).toEqual([vinegar]);
    expect((await loadBatches("cider")).map((b) => b.id)).toEqual([vinegar]);
    expect(await loadBatches("sherry")).toEqual([]);
    expect((await shown(await NotebookPage({ searchParams: Promise.resolve({}) }))).text).toContain("Cider vinegar");
  });
  test.each([
    ["a pH of 20", { kind: "reading", quantity: "ph", value: 20 }],
    ["a kind that is not there", { kind: "wish", text: "x" }],
    ["an empty note", { kind: "note", text: "  " }],
    ["a photograph without its picture", { kind: "photograph", sum: "0".repeat(64), width: 1, height: 1 }],
  ])("takes no %s", async (_, body) => {
    const batch = await begun("Strict");
    expect((await put(batch, body)).status).toBe(422);
    expect((await loadBatchPage(batch))?.entries).toEqual([]);
  });
  test("that is not there is told; nameless, none is begun", async () => {
    expect((await put(crypto.randomUUID(), { kind: "note", text: "x" })).status).toBe(404);
    expect((await put("no-such", { kind: "note", text: "x" })).status).toBe(404);
    expect((await call(change, { batch: "no-such" }, { ended: true })).status).toBe(404);
    expect((await call(begin, {}, { name: " " })).status).toBe(422);
    expect((await call(begin, {}, { name: "x", aim: { kind: "loss", percent: 200 } })).status).toBe(422);
  });
  test("keeps what was written: the database refuses to change or delete it", async () => {
    const batch = await begun("Kept");
    await put(batch, { kind: "note", text: "first" });
    const db = await database();
    await expect(db.query("update batch_entry set data = '{}'")).rejects.toThrow(/append-only/);
    await expect(db.query("delete from batch_entry")).rejects.toThrow(/append-only/);
  });
});
