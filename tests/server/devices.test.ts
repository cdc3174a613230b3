// Devices over their own address: listed, bounded, and kept at the step at which they are read.
import { afterEach, describe, expect, test, vi } from "vitest";
import { POST as clock } from "../../src/app/api/clock/route";
import { GET as listed, POST as send } from "../../src/app/api/devices/route";
import { POST as start, DELETE as stop } from "../../src/app/api/devices/simulated/route";
import { POST as write, GET as written } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { nowMs } from "../../src/server/clock";
import type { Loose } from "../support/dishes";
import { call, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

withServer("2026-10-16T08:00:00Z");
afterEach(() => vi.useRealTimers());

const lines = async (...list: object[]) => {
  const answer = await send(
    new Request("http://kitchen/api/devices", { method: "POST", body: list.map((l) => JSON.stringify(l)).join("\n") }),
    {},
  );
  return { status: answer.status, said: (await answer.json()) as Loose };
};
const device = async (id: string) => ((await call(listed, {})).said.devices as Loose[]).find((d) => d.id === id);
const iso = (ms: number) => new Date(ms).toISOString();

describe("what a device sends", () => {
  test("is listed with its newest value; what is older or repeated says nothing new", async () => {
    const now = nowMs();
    const one = { device: "a-1", quantity: "core", value: 50, at: iso(now - 2000) };
    expect((await lines(one, { ...one, value: 51, at: iso(now - 1000) })).said.taken).toBe(2);
    expect((await lines(one, { ...one, value: 51, at: iso(now - 1000) })).said.taken).toBe(0);
    expect(await device("a-1")).toMatchObject({ value: 51, quantity: "core", simulated: false });
  });
  test("by a clock that is hours off counts as now", async () => {
    await lines({ device: "a-2", quantity: "core", value: 50, at: "2019-01-01T00:00:00Z" });
    expect(Math.abs((await device("a-2")).at - nowMs())).toBeLessThan(5000);
  });
  test("that cannot be read is refused; a probe that fell out reads nothing", async () => {
    expect((await lines({ device: "a-3", quantity: "taste", value: 1 })).status).toBe(422);
    await lines({ device: "a-4", quantity: "core", value: 50, at: iso(nowMs() - 1000) }, { device: "a-4", quantity: "core", value: null });
    expect((await device("a-4")).value).toBeNull();
  });
});

test("at the step at which it is read, one reading a minute goes into the record of the run", async () => {
  const dish = (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = "probed")),
    )
  ).said.value.slug;
  const severe = (await call(findings, { dish })).said.findings.filter((f: Loose) => f.severity === "stop");
  await call(acknowledge, { dish }, { acknowledge: severe.map((f: Loose) => ({ id: f.id, print: f.print })) });
  await call(startRun, { dish });
  const readings = async () =>
    (await call(written, { dish })).said.entries.filter((e: Loose) => e.body.kind === "reading").map((e: Loose) => e.body.value);
  await lines({ device: "b-1", quantity: "core", value: 40 });
  expect(await readings()).toEqual([]);
  const bind = (on: boolean) =>
    call(write, { dish }, { entries: [{ key: crypto.randomUUID(), body: { kind: "device", step: "stock.simmer", device: "b-1", on } }] });
  await bind(true);
  const at = async (minute: number) => {
    await call(clock, {}, { now: iso(Date.parse("2026-10-16T09:00:00Z") + minute * 60_000) });
    await lines({ device: "b-1", quantity: "core", value: 40 + minute }, { device: "b-2", quantity: "core", value: 99 });
  };
  for (const minute of [1, 1.25, 1.5, 2.1, 3.2]) await at(minute);
  expect(await readings()).toEqual([41, 42.1, 43.2]);
  await bind(false);
  await at(5);
  expect(await readings()).toHaveLength(3);
});

describe("a simulated device", () => {
  test("is started, reads by the second, and is ended", async () => {
    const { said, status } = await call(start, {}, { kind: "fridge" });
    expect(status).toBe(200);
    expect(said.device).toMatchObject({ id: "fridge-1", simulated: true, quantity: "temperature" });
    expect((await call(start, {}, { kind: "fridge" })).said.device.id).toBe("fridge-2");
    await vi.waitFor(async () => expect((await device("fridge-1")).at).toBeGreaterThan(said.device.at), { timeout: 5000 });
    expect((await call(stop, {}, { device: "fridge-1" })).status).toBe(200);
    expect(await device("fridge-1")).toBeUndefined();
    expect((await call(stop, {}, { device: "fridge-1" })).status).toBe(404);
    await call(stop, {}, { device: "fridge-2" });
  });
  test("of no kind is refused", async () => {
    expect((await call(start, {}, { kind: "toaster" })).status).toBe(422);
  });
});
