// Two windows on one dish, and presses that are sent twice, late or by a clock that went back: nothing lands on what its author did not see.
import { describe, expect, test } from "vitest";
import { POST as change } from "../../src/app/api/dishes/[dish]/change/route";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { POST as history } from "../../src/app/api/dishes/[dish]/history/route";
import { POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { findDish } from "../../src/db/queries/dishes";
import { findOpenRun, listRunEvents } from "../../src/db/queries/runs";
import { database } from "../../src/server/database";
import type { Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
withServer(NOW);

async function small(id: string): Promise<string> {
  // A kitchen of its own, or the tests would share one.
  const { said } = await call(
    bringIn,
    {},
    smallDish((d) => {
      d.dish.id = id;
      d.kitchen.cooks[0].name = id;
    }),
  );
  return said.value.slug;
}
const stored = async (slug: string) => (await findDish(await database(), slug)) as Loose;
const name = (path: string, value: string) => [{ op: "replace", path, value }];
const send = (slug: string, body: object) => call(change, { dish: slug }, { label: "x", ...body });

describe("two windows", () => {
  test("change different things: both are kept", async () => {
    const slug = await small("both-kept");
    const { version, kitchenVersion } = await stored(slug);
    expect((await send(slug, { version, kitchenVersion, change: name("/components/0/name", "First") })).status).toBe(200);
    expect((await send(slug, { version, kitchenVersion, change: name("/components/1/name", "Second") })).status).toBe(200);
    expect((await stored(slug)).document.components.map((c: Loose) => c.name).slice(0, 2)).toEqual(["First", "Second"]);
  });
  test("change the same thing: the later one is told what the other did, and nothing of it is kept", async () => {
    const slug = await small("same-thing");
    const { version, kitchenVersion } = await stored(slug);
    await send(slug, { version, kitchenVersion, change: name("/components/0/name", "First"), label: "name of the stock" });
    const late = await send(slug, { version, kitchenVersion, change: name("/components/0/name", "Second") });
    expect([late.status, late.said.changed]).toEqual([409, ["name of the stock"]]);
    expect(late.said.message).toContain("name of the stock");
    expect((await stored(slug)).document.components[0].name).toBe("First");
  });
  test("a name meant for one burner does not land on another that has come to its place", async () => {
    const slug = await small("burners");
    const { version, kitchenVersion, document } = await stored(slug);
    const last = document.kitchen.equipment.length - 1;
    const first = { op: "remove", path: "/kitchen/equipment/0" };
    expect((await send(slug, { version, kitchenVersion, change: [first] })).status).toBe(200);
    const before = (await stored(slug)).document.kitchen;
    const meant = name(`/kitchen/equipment/${last - 1}/name`, "Small burner").map((o) => ({ ...o, op: "add" }));
    expect((await send(slug, { version, kitchenVersion, change: meant })).status).toBe(409);
    expect((await send(slug, { version, change: meant })).status).toBe(422);
    expect((await stored(slug)).document.kitchen).toEqual(before);
  });
  test("an undo is of what was seen", async () => {
    const slug = await small("undone");
    const { version, kitchenVersion } = await stored(slug);
    await send(slug, { version, kitchenVersion, change: name("/dish/name", "Mine"), label: "mine" });
    await send(slug, { version: version + 1, kitchenVersion, change: name("/dish/name", "Theirs"), label: "theirs" });
    const undo = (seen: object) => call(history, { dish: slug }, { what: "latest", direction: "undo", ...seen });
    const late = await undo({ version: version + 1, kitchenVersion });
    expect([late.status, late.said.changed]).toEqual([409, ["theirs"]]);
    expect((await undo({ version: version + 2, kitchenVersion })).said).toEqual({
      change: "theirs",
      versions: { version: version + 1, kitchenVersion },
    });
  });
  test("a patch that would grow the dish past its own file, or shake a list, is refused in a moment", async () => {
    const slug = await small("hostile");
    const { version, kitchenVersion } = await stored(slug);
    for (const operation of [
      { op: "replace", path: "/components/length", value: 1_000_000_000 },
      { op: "add", path: "/components/9999999999", value: {} },
      { op: "add", path: "/constructor/prototype/x", value: 1 },
    ])
      expect((await send(slug, { version, kitchenVersion, change: [operation] })).status).toBe(422);
    expect((await stored(slug)).version).toBe(version);
  });
});

describe("a press", () => {
  const running = async (id: string) => {
    const slug = await small(id);
    await planned(slug, Math.floor(Date.parse(NOW) / 60_000));
    const severe = (await call(findings, { dish: slug })).said.findings.filter((f: Loose) => f.severity === "stop");
    if (severe.length) await call(acknowledge, { dish: slug }, { acknowledge: severe.map(({ id, print }: Loose) => ({ id, print })) });
    await call(startRun, { dish: slug });
    const db = await database();
    const run = await findOpenRun(db, (await stored(slug)).id);
    return { slug, events: async () => listRunEvents(db, run?.id ?? "") };
  };
  const event = (kind: string, step: string, more: object = {}) => ({ key: crypto.randomUUID(), kind, step, ...more });
  test("sent twice counts once; its key used for something else is refused, never answered as done", async () => {
    const { slug, events } = await running("keys");
    const first = event("started", "stock.chop");
    expect((await call(press, { dish: slug }, first)).said.outcome).toBe("done");
    expect((await call(press, { dish: slug }, { ...first, inMinutes: -1 })).said.outcome).toBe("done");
    const other = await call(press, { dish: slug }, { ...first, step: "stock.simmer" });
    expect([other.status, other.said.outcome]).toEqual([409, undefined]);
    expect((await call(press, { dish: slug }, { ...first, kind: "ended" })).status).toBe(409);
    expect(await events()).toHaveLength(1);
  });
  test("that ends a step does not move its start, whatever the clock says", async () => {
    const { slug, events } = await running("start-stays");
    await call(press, { dish: slug }, event("started", "stock.chop"));
    await call(press, { dish: slug }, event("ended", "stock.chop", { inMinutes: -30 }));
    const { progressOf } = await import("../../src/core/record/progress");
    const [started] = await events();
    expect(progressOf(await events()).get("stock.chop")).toMatchObject({ started: started?.at, ended: started?.at });
  });
  test("by a clock that went back is written, and told", async () => {
    const { slug, events } = await running("clock");
    const { setClock } = await import("../../src/server/clock");
    setClock(Date.parse(NOW) + 3600_000);
    expect((await call(press, { dish: slug }, event("started", "stock.chop"))).said.warning).toBeUndefined();
    setClock(Date.parse(NOW));
    expect((await call(press, { dish: slug }, event("estimate", "stock.chop", { inMinutes: 20 }))).said.warning).toMatch(
      /clock .* went back/,
    );
    expect(await events()).toHaveLength(2);
  });
});
