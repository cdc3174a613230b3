// What grows is bounded and what is deleted is deleted on purpose; hours that do not exist are told.
import { existsSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { POST as press } from "../../src/app/api/dishes/[dish]/events/route";
import { DELETE as remove, PATCH as serving } from "../../src/app/api/dishes/[dish]/route";
import { POST as startRun, DELETE as stopRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as acknowledge, GET as findings } from "../../src/app/api/dishes/[dish]/safety/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { countDishes, findDish, listDishes } from "../../src/db/queries/dishes";
import { findOpenRun, insertPlan, prunePlans } from "../../src/db/queries/runs";
import { database } from "../../src/server/database";
import { endRun } from "../../src/server/runs";
import type { Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
withServer(NOW);

const small = async (id: string, alter: (d: Loose) => void = () => {}): Promise<string> =>
  (
    await call(
      bringIn,
      {},
      smallDish((d) => {
        d.dish.id = id;
        d.dish.name = id;
        alter(d);
      }),
    )
  ).said.value.slug;

async function cooked(id: string): Promise<string> {
  const slug = await small(id);
  await planned(slug, Math.floor(Date.parse(NOW) / 60_000));
  const severe = (await call(findings, { dish: slug })).said.findings.filter((f: Loose) => f.severity === "stop");
  if (severe.length) await call(acknowledge, { dish: slug }, { acknowledge: severe.map(({ id, print }: Loose) => ({ id, print })) });
  await call(startRun, { dish: slug });
  await call(press, { dish: slug }, { key: crypto.randomUUID(), kind: "started", step: "stock.chop" });
  return slug;
}

describe("plans", () => {
  test("older than a week go, but for those in force, the newest, and those that were followed", async () => {
    const db = await database();
    const slug = await cooked("pruned");
    const dish = await findDish(db, slug);
    const run = await findOpenRun(db, dish?.id ?? "");
    await db.query("delete from plan where dish_id = $1", [dish?.id ?? ""]);
    const put = (n: number, days: number, version: number, status: "feasible" | "infeasible", runId?: string) =>
      insertPlan(db, {
        dishId: dish?.id ?? "",
        dishVersion: version,
        kitchenVersion: 1,
        runId,
        runSequence: 0,
        status,
        document: { n },
        madeAt: new Date(Date.parse(NOW) - days * 86_400_000),
      });
    await put(1, 30, 1, "feasible");
    await put(2, 29, 1, "feasible");
    await put(3, 28, 1, "feasible", run?.id);
    await put(4, 27, 1, "infeasible");
    await put(5, 26, 2, "feasible");
    await put(6, 3, 2, "infeasible");
    await put(7, 2, 2, "infeasible");
    expect(await prunePlans(db, new Date(NOW))).toBe(3);
    const left = (await db.query("select (document->>'n')::int4 as n from plan where dish_id = $1 order by n", [dish?.id ?? ""])) as {
      n: number;
    }[];
    // The third is in force for its versions, and was followed.
    expect(left.map((r) => r.n)).toEqual([3, 5, 6, 7]);
  });
});

describe("a dish", () => {
  test("is deleted by its name only, not while it is cooked, and stands in the archive with its runs", async () => {
    const db = await database();
    const slug = await cooked("removed");
    expect((await call(remove, { dish: slug }, { name: "another" })).status).toBe(422);
    expect((await call(remove, { dish: slug }, { name: "removed" })).status).toBe(409);
    expect(await findDish(db, slug)).toBeDefined();
    await endRun(slug);
    const { status, said } = await call(remove, { dish: slug }, { name: "removed" });
    expect(status).toBe(200);
    expect(await findDish(db, slug)).toBeUndefined();
    const archive = JSON.parse(readFileSync(said.value.archive, "utf8"));
    expect(archive).toMatchObject({
      format: "rondeau-archive/1",
      dish: { dish: { name: "removed" } },
      run_event: [{ kind: "started", step: "stock.chop" }],
    });
    expect(existsSync(said.value.archive)).toBe(true);
    expect((await call(remove, { dish: slug }, { name: "removed" })).status).toBe(404);
  });
  test("that was cooked cannot be deleted by accident, nor its log emptied", async () => {
    const db = await database();
    const slug = await cooked("kept");
    const id = (await findDish(db, slug))?.id ?? "";
    await expect(db.query("delete from dish where id = $1", [id])).rejects.toThrow(/append-only/);
    await expect(db.query("truncate run_event")).rejects.toThrow(/append-only/);
    await expect(db.query("truncate dish cascade")).rejects.toThrow(/append-only/);
    await expect(
      db.query(
        "insert into run_event (run_id, sequence, key, kind, step, at) select run_id, 99, gen_random_uuid(), 'eaten', step, at from run_event limit 1",
      ),
    ).rejects.toThrow(/run_event_kind/);
    expect(await findDish(db, slug)).toBeDefined();
    expect(stopRun).toBeDefined();
  });
  test("one of many is listed with those changed last", async () => {
    const db = await database();
    const last = await small("last-changed");
    expect((await listDishes(db, 1)).map((d) => d.slug)).toEqual([last]);
    expect((await listDishes(db)).length).toBe(await countDishes(db));
  });
});

test("an hour of serving that the clock passes over is told as it is entered", async () => {
  const slug = await small("skipped", (d) => (d.dish.timezone = "Europe/Dublin"));
  const { status, said } = await call(serving, { dish: slug }, { version: 1, serveAt: "2027-03-28T01:30" });
  expect(status).toBe(422);
  expect(said.problems[0].message).toBe("There is no 01:30 on that day: the clocks go forward. Choose 02:30, or another time.");
  expect((await call(serving, { dish: slug }, { version: 1, serveAt: "2027-03-28T02:30" })).status).toBe(200);
});

test("a backup that is sent and not read keeps nobody from the database", async () => {
  const { GET } = await import("../../src/app/api/backup/route");
  const response = await GET(new Request("http://localhost/"), { params: Promise.resolve({}) });
  expect(response.headers.get("content-type")).toBe("application/zip");
  // Nobody reads: a press, or a new dish, is written all the same.
  const slug = await small("while-sending");
  expect(await findDish(await database(), slug)).toBeDefined();
  await response.body?.cancel();
});
