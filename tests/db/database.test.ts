// The database as the server uses it: histories that undo walks along, a log that cannot be changed, one owner at a time.
import { randomBytes } from "node:crypto";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import type { Db } from "../../src/db/db";
import { openDatabase } from "../../src/db/open";
import { clearAcknowledgements, listAcknowledgements, putAcknowledgement } from "../../src/db/queries/acknowledgements";
import {
  findDish,
  findHistorySteps,
  findKitchenLike,
  getDishById,
  insertDish,
  insertKitchen,
  listDishes,
  listDishParts,
  stepHistory,
  updateDocument,
} from "../../src/db/queries/dishes";
import {
  findNewestFeasible,
  findNewestPlan,
  findOpenRun,
  insertPlan,
  insertRun,
  insertRunEvent,
  listRunEvents,
  updateRunEnded,
} from "../../src/db/queries/runs";
import { demoDocument } from "../support/dishes";
import { smallDish } from "../support/small-dish";

const migrations = fileURLToPath(new URL("../../src/db/migrations", import.meta.url));
let db: Db;
beforeAll(async () => {
  db = await openDatabase({ directory: "memory", migrations });
});
afterAll(() => db.close());

async function store(slug: string): Promise<{ id: string; kitchenId: string }> {
  const { kitchen, ...document } = smallDish((d) => (d.dish.id = slug));
  const kitchenId = (await findKitchenLike(db, kitchen)) ?? (await insertKitchen(db, "Home", kitchen));
  const stored = await findDish(db, await insertDish(db, slug, "Small", document, kitchenId));
  if (!stored) throw new Error("not stored");
  return { id: stored.id, kitchenId };
}

describe("dishes", () => {
  test("are stored with their kitchen apart, and given back whole", async () => {
    await store("whole");
    const found = await findDish(db, "whole");
    expect(found?.document).toEqual(smallDish((d) => (d.dish.id = "whole")));
    expect(found?.version).toBe(1);
  });
  test("of one house share a kitchen; a taken name gets a number", async () => {
    const first = await store("twin");
    const second = await store("twin");
    expect(second.kitchenId).toBe(first.kitchenId);
    expect((await listDishes(db)).map((d) => d.slug)).toEqual(expect.arrayContaining(["twin", "twin-2"]));
  });
  test("an unknown name is nothing, also one that asks for trouble", async () => {
    for (const slug of ["nothing", "'; drop table dish; --", "__proto__"]) expect(await findDish(db, slug)).toBeUndefined();
    expect((await listDishes(db)).length).toBeGreaterThan(0);
  });
});

describe("history", () => {
  const named = (name: string) => {
    const { kitchen: _, ...document } = smallDish((d) => (d.dish.name = name));
    return document;
  };
  test("undo and redo walk back and forth; a new change after an undo starts a branch", async () => {
    const { id } = await store("walked");
    const name = async () => (await getDishById(db, id)).document.dish.name;
    const change = async (seen: number, to: string) =>
      db.transaction((tx) => updateDocument(tx, "dish", id, seen, named(to), `call it ${to}`));
    expect(await change(1, "B")).toBe(2);
    expect(await change(2, "C")).toBe(3);
    expect(await findHistorySteps(db, "dish", id)).toEqual({ undo: "call it C", redo: undefined });
    expect(await stepHistory(db, "dish", id, "undo")).toBe("call it C");
    expect(await stepHistory(db, "dish", id, "undo")).toBe("call it B");
    expect(await stepHistory(db, "dish", id, "undo")).toBeUndefined();
    expect(await name()).toBe("Small");
    expect(await stepHistory(db, "dish", id, "redo")).toBe("call it B");
    expect(await name()).toBe("B");
    expect(await change(2, "D")).toBe(4);
    expect(await stepHistory(db, "dish", id, "redo")).toBeUndefined();
    expect(await stepHistory(db, "dish", id, "undo")).toBe("call it D");
    expect(await stepHistory(db, "dish", id, "redo")).toBe("call it D");
  });
  test("who changes what somebody else has changed meanwhile is told, and changes nothing", async () => {
    const { id } = await store("raced");
    expect(await updateDocument(db, "dish", id, 1, named("First"), "first")).toBe(2);
    expect(await updateDocument(db, "dish", id, 1, named("Second"), "second")).toBeUndefined();
    expect((await getDishById(db, id)).document.dish.name).toBe("First");
  });
});

describe("runs", () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 9, 17, 8, minute));
  const key = () => crypto.randomUUID();
  test("one is open at a time; ended, another may start", async () => {
    const { id } = await store("cooked");
    const run = await insertRun(db, id, at(0));
    expect((await insertRun(db, id, at(5))).id).toBe(run.id);
    await updateRunEnded(db, run.id, at(9));
    expect(await findOpenRun(db, id)).toBeUndefined();
    expect((await insertRun(db, id, at(10))).id).not.toBe(run.id);
  });
  test("events keep their order; the same press sent twice counts once", async () => {
    const { id } = await store("pressed");
    const run = await insertRun(db, id, at(0));
    const press = { key: key(), kind: "started" as const, step: "stock.chop", at: at(1) };
    await db.transaction((tx) => insertRunEvent(tx, run.id, press));
    await db.transaction((tx) => insertRunEvent(tx, run.id, press));
    await db.transaction((tx) => insertRunEvent(tx, run.id, { ...press, key: key(), kind: "ended", at: at(21) }));
    expect((await listRunEvents(db, run.id)).map((e) => [e.sequence, e.kind])).toEqual([
      [1, "started"],
      [2, "ended"],
    ]);
  });
  test("the log refuses to be changed or shortened", async () => {
    await expect(db.query("update run_event set kind = 'ended'")).rejects.toThrow(/append-only/);
    await expect(db.query("delete from run_event")).rejects.toThrow(/append-only/);
    expect((await db.query("select count(*)::int4 as n from run_event"))[0]).toEqual({ n: 2 });
  });
  test("a transaction that fails leaves nothing behind", async () => {
    const { id } = await store("failed");
    await expect(
      db.transaction(async (tx) => {
        await insertRun(tx, id, at(0));
        throw new Error("power");
      }),
    ).rejects.toThrow("power");
    expect(await findOpenRun(db, id)).toBeUndefined();
  });
});

describe("plans", () => {
  test("the newest answer may be that there is none; the newest that holds stays known", async () => {
    const { id } = await store("planned");
    const plan = (status: "feasible" | "infeasible", n: number) =>
      insertPlan(db, {
        dishId: id,
        dishVersion: 1,
        kitchenVersion: 1,
        runId: undefined,
        runSequence: 0,
        status,
        document: { n },
        madeAt: new Date(),
      });
    await plan("feasible", 1);
    await plan("infeasible", 2);
    expect((await findNewestPlan(db, id))?.status).toBe("infeasible");
    expect((await findNewestFeasible(db, id))?.document).toEqual({ n: 1 });
  });
});

describe("a data directory", () => {
  test("is migrated, survives closing, and is refused to a second process while open", async () => {
    const directory = mkdtempSync(path.join(tmpdir(), "rondeau-db-"));
    const first = await openDatabase({ directory, migrations });
    const { kitchen, ...document } = demoDocument("spiced-duck");
    const kitchenId = await insertKitchen(first, "Home", kitchen);
    await first.transaction((tx) => insertDish(tx, "duck", "Duck", document, kitchenId));
    await expect(openDatabase({ directory, migrations })).rejects.toThrow(
      new RegExp(`${directory}.*already open in process ${process.pid}.*RONDEAU_DATA_DIR`),
    );
    await first.close();
    const again = await openDatabase({ directory, migrations });
    expect((await findDish(again, "duck"))?.document.dish.name).toBe(document.dish.name);
    expect((await again.query("select count(*)::int4 as n from migration"))[0]).toEqual({ n: readdirSync(migrations).length });
    await again.close();
  });
});

describe("acknowledgements", () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 9, 17, 8, minute));
  test("the later of one finding stands, another dish's are not seen, and the next run begins with none", async () => {
    const [one, other] = [await store("acknowledged"), await store("another")];
    await putAcknowledgement(db, one.id, "curing-salt:pork", "aaaa", at(0));
    await putAcknowledgement(db, one.id, "hot-fat:lard.render", "bbbb", at(1));
    await putAcknowledgement(db, one.id, "curing-salt:pork", "cccc", at(2));
    expect([...(await listAcknowledgements(db, one.id))].sort()).toEqual([
      ["curing-salt:pork", "cccc"],
      ["hot-fat:lard.render", "bbbb"],
    ]);
    expect((await listAcknowledgements(db, other.id)).size).toBe(0);
    await clearAcknowledgements(db, one.id);
    expect((await listAcknowledgements(db, one.id)).size).toBe(0);
  });
});

test("dishes are listed with the names of their components", async () => {
  await store("with-parts");
  const found = (await listDishParts(db)).find((d) => d.slug === "with-parts");
  expect(found?.components.map((c) => c.name)).toEqual(["Stock", "Sauce", "Plate"]);
});

describe("a directory in which much was written", () => {
  test("opens again, also where it was written without a transaction and old files of the log are gone", { timeout: 120_000 }, async () => {
    const directory = mkdtempSync(path.join(tmpdir(), "rondeau-much-"));
    const template = fileURLToPath(new URL("../../dist/template", import.meta.url));
    const MEBIBYTES = 40;
    const first = await openDatabase({ directory, migrations, template });
    await first.transaction((tx) => tx.query("insert into setting (key, value) values ('first', '1')"));
    for (let i = 0; i < MEBIBYTES; i++)
      await first.query("insert into setting (key, value) values ($1, $2::jsonb)", [
        `mebibyte ${i}`,
        JSON.stringify(randomBytes(0xc0000).toString("base64")),
      ]);
    await first.close();
    const second = await openDatabase({ directory, migrations, template });
    expect(await second.query("select count(*)::int as n from setting")).toEqual([{ n: MEBIBYTES + 1 }]);
    await second.close();
    rmSync(directory, { recursive: true, force: true });
  });
});

test("what was answered is not held on to by the database", { timeout: 60_000 }, async () => {
  setFlagsFromString("--expose-gc");
  const collect = runInNewContext("gc") as () => void;
  const directory = mkdtempSync(path.join(tmpdir(), "rondeau-forget-"));
  const template = fileURLToPath(new URL("../../dist/template", import.meta.url));
  const open = await openDatabase({ directory, migrations, template });
  const answers: WeakRef<object>[] = [];
  for (let i = 0; i < 20; i++) answers.push(new WeakRef(await open.query("select generate_series(1, 1000) as n")));
  for (let tries = 0; tries < 5; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 20));
    collect();
  }
  expect(answers.filter((a) => a.deref() !== undefined).length).toBeLessThan(3);
  await open.close();
  rmSync(directory, { recursive: true, force: true });
});
