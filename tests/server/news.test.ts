// What a press does on the server: it is answered when it is safe, heard by the pages that listen, and can be taken back by its number.
import { beforeEach, describe, expect, test, vi } from "vitest";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { GET as stream } from "../../src/app/api/dishes/[dish]/stream/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { announce, endAllStreams, listen } from "../../src/server/changes";
import { loadState } from "../../src/server/state";
import type { Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
withServer(NOW);
beforeEach(() => {
  vi.spyOn(console, "error").mockImplementation(() => {});
});
const running = async (id: string): Promise<string> => {
  const { slug } = (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = id)),
    )
  ).said.value;
  await planned(slug, Math.floor(Date.parse(NOW) / 60_000));
  const severe = (await call(findings, { dish: slug })).said.findings.filter((f: Loose) => f.severity === "stop");
  if (severe.length) await call(acknowledge, { dish: slug }, { acknowledge: severe.map(({ id, print }: Loose) => ({ id, print })) });
  await call(startRun, { dish: slug });
  return slug;
};
const event = (kind: string, step: string, more: object = {}) => ({ key: crypto.randomUUID(), kind, step, ...more });

describe("news of a dish", () => {
  test("reach who listens to it, and nobody else; who has left hears nothing", () => {
    const heard: string[] = [];
    const leave = listen("a", (what) => heard.push(`a ${what}`));
    listen("b", (what) => heard.push(`b ${what}`));
    announce("a", "plan");
    leave();
    announce("a", "log");
    announce("b", "log");
    expect(heard).toEqual(["a plan", "b log"]);
  });
  test("a press is one, over the stream, before any plan is there", async () => {
    const slug = await running("heard");
    const abort = new AbortController();
    const response = await stream(new Request("http://localhost/", { signal: abort.signal }), { params: Promise.resolve({ dish: slug }) });
    const reader = (response.body as ReadableStream<Uint8Array>).getReader();
    const read = async () => new TextDecoder().decode((await reader.read()).value);
    expect(await read()).toContain("retry");
    expect((await call(press, { dish: slug }, event("started", "stock.chop"))).said).toEqual({ outcome: "done", plan: "follows" });
    expect(await read()).toMatch(/^id: \S+\ndata: log\n\n$/);
    endAllStreams();
    for (let i = 0; i < 5; i++) if ((await reader.read()).done) return;
    throw new Error("the stream stayed open");
  });
  test("that were missed while the line was down are told on coming back, and nothing where nothing was", async () => {
    const slug = await running("missed");
    const first = async (query: string, headers: Record<string, string> = {}) => {
      const abort = new AbortController();
      const request = new Request(`http://localhost/${query}`, { signal: abort.signal, headers });
      const response = await stream(request, { params: Promise.resolve({ dish: slug }) });
      const reader = (response.body as ReadableStream<Uint8Array>).getReader();
      const text = new TextDecoder().decode((await reader.read()).value);
      abort.abort();
      return { text, mark: /^id: (\S+)$/m.exec(text)?.[1] ?? "" };
    };
    const drawn = (await loadState(slug))?.news ?? "";
    expect((await first(`?since=${drawn}`)).text).not.toContain("data:");
    await call(press, { dish: slug }, event("started", "stock.chop"));
    const told = await first(`?since=${drawn}`);
    expect(told.text).toContain("data: log");
    expect((await first(`?since=${drawn}`, { "last-event-id": told.mark })).text).not.toContain("data:");
    // A server that was started again knows nothing of what was heard before.
    expect((await first("", { "last-event-id": "0ld00000.7" })).text).toContain("data: log");
  });
  test("of no dish are none", async () => expect((await call(stream, { dish: "nowhere" })).status).toBe(404));
});

describe("the log that is shown", () => {
  test("has each press with who and when; one that is taken back by its number is gone, a number that is not there is refused", async () => {
    const slug = await running("log");
    await call(press, { dish: slug }, event("started", "stock.chop", { by: "ada", inMinutes: -5 }));
    await call(press, { dish: slug }, event("ended", "stock.chop"));
    const before = (await loadState(slug))?.log ?? [];
    expect(before.map((l) => [l.kind, l.name, l.by])).toEqual([
      ["ended", "Chop the bones", undefined],
      ["started", "Chop the bones", "ada"],
    ]);
    const started = before.find((l) => l.kind === "started");
    expect((await call(press, { dish: slug }, event("withdrawn", "stock.chop", { of: 99 }))).status).toBe(404);
    expect((await call(press, { dish: slug }, event("withdrawn", "stock.chop", { of: started?.sequence }))).status).toBe(200);
    expect((await call(press, { dish: slug }, event("withdrawn", "stock.chop", { of: started?.sequence }))).status).toBe(404);
    expect((await loadState(slug))?.log.map((l) => l.kind)).toEqual(["ended"]);
  });
  test("a step that was pressed stands where the presses have it, before any plan knows of them", async () => {
    const slug = await running("times");
    await call(press, { dish: slug }, event("started", "stock.chop", { inMinutes: -12 }));
    await call(press, { dish: slug }, event("estimate", "stock.chop", { inMinutes: 25 }));
    const state = await loadState(slug);
    const chop = state?.plan?.steps.find((s) => s.ref === "stock.chop");
    expect([chop?.start, chop?.end].map((m) => (m ?? 0) - (state?.now ?? 0))).toEqual([-12, 25]);
  });
});

describe("a first, quick plan", () => {
  test("is planned on from by whoever looks again; one that was looked for long enough is not", async () => {
    const { slug } = (
      await call(
        bringIn,
        {},
        smallDish((d) => (d.dish.id = "left")),
      )
    ).said.value;
    const now = Math.floor(Date.parse(NOW) / 60_000);
    await planned(slug, now, { first: true });
    expect(await loadState(slug)).toMatchObject({ stale: true });
    await planned(slug, now);
    expect(await loadState(slug)).toMatchObject({ stale: false });
  });
});
