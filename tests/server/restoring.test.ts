// A restore while the kitchen is open: what was remembered of the data that it replaces is forgotten, and a second place gets its copy.
import { mkdirSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, describe, expect, test } from "vitest";
import { POST as choose } from "../../src/app/api/backup/place/route";
import { DELETE as forget } from "../../src/app/api/backup/replaced/route";
import { POST as restore } from "../../src/app/api/backup/restore/route";
import { POST as backUp, GET as send } from "../../src/app/api/backup/route";
import { GET as plan } from "../../src/app/api/dishes/[dish]/plan/route";
import { GET as file } from "../../src/app/api/dishes/[dish]/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { openBackup } from "../../src/db/backup/read";
import { findDish } from "../../src/db/queries/dishes";
import { insertPlan } from "../../src/db/queries/runs";
import { backupState } from "../../src/server/backups";
import { database } from "../../src/server/database";
import { call, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

withServer("2026-10-16T08:00:30Z");
const elsewhere = mkdtempSync(path.join(tmpdir(), "rondeau-elsewhere-"));
afterAll(() => rmSync(elsewhere, { recursive: true, force: true }));

async function planned(slug: string, said: string): Promise<void> {
  const db = await database();
  const dish = await findDish(db, slug);
  await insertPlan(db, {
    dishId: dish?.id ?? "",
    dishVersion: 1,
    kitchenVersion: 1,
    runId: undefined,
    runSequence: 0,
    status: "feasible",
    document: { said },
    madeAt: new Date(),
  });
}

const saved = async (): Promise<Uint8Array> =>
  new Uint8Array(await (await send(new Request("http://localhost/"), { params: Promise.resolve({}) })).arrayBuffer());
const put = (bytes: Uint8Array) =>
  restore(new Request("http://localhost/", { method: "POST", body: bytes as never, duplex: "half" } as RequestInit), {
    params: Promise.resolve({}),
  });

describe("a restore while the kitchen is open", () => {
  test("brings back the screens and exports of then, whatever was read since", async () => {
    const { slug } = (
      await call(
        bringIn,
        {},
        smallDish((d) => (d.dish.id = "then")),
      )
    ).said.value;
    await planned(slug, "from then");
    const exported = (await call(file, { dish: slug })).said;
    const backup = await saved();
    // The next plan gets the same number before and after the restore.
    await planned(slug, "from a time that is gone");
    expect((await call(plan, { dish: slug })).said).toEqual({ said: "from a time that is gone" });
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = "since")),
    );
    const answer = await put(backup);
    expect(answer.status).toBe(200);
    expect(await findDish(await database(), "since")).toBeUndefined();
    expect((await call(file, { dish: slug })).said).toEqual(exported);
    expect((await call(plan, { dish: slug })).said).toEqual({ said: "from then" });
    await planned(slug, "from now");
    expect((await call(plan, { dish: slug })).said).toEqual({ said: "from now" });
    const [replaced = ""] = (await backupState(1)).replaced;
    expect(replaced).toMatch(/^pg\.replaced-/);
    // What was replaced goes when the cook says so, and nothing else does.
    for (const name of ["pg", "backups", `../${replaced}`, "pg.replaced-never"]) {
      expect((await call(forget, {}, { name })).status).toBe(404);
    }
    expect((await call(forget, {}, { name: replaced })).status).toBe(200);
    expect((await backupState(1)).replaced).toEqual([]);
    expect((await call(plan, { dish: slug })).said).toEqual({ said: "from now" });
  });
  test("of what is no backup changes nothing, and says so in a sentence", async () => {
    const before = (await call(file, { dish: "then" })).said;
    const answer = await put(new TextEncoder().encode("no zip"));
    expect(answer.status).toBe(422);
    expect((await answer.json()).message).toBe("The file is no backup, or not all of it: it is no whole zip file. Nothing was changed.");
    expect((await call(file, { dish: "then" })).said).toEqual(before);
  });
});

describe("a second place", () => {
  test("that is not there, is relative, or is where the data are is told", async () => {
    for (const [directory, why] of [
      ["/nowhere/at/all", /no such directory/],
      ["usb", /whole path/],
      [path.join(process.env.RONDEAU_DATA_DIR ?? "", "backups"), /the data directory/],
    ] as const)
      expect((await call(choose, {}, { directory })).said.message).toMatch(why);
  });
  test("gets a copy that is whole", async () => {
    const usb = path.join(elsewhere, "usb");
    mkdirSync(usb);
    expect((await call(choose, {}, { directory: usb })).status).toBe(200);
    expect((await call(backUp, {}, {})).status).toBe(200);
    const [copy = ""] = readdirSync(usb);
    expect(copy).toMatch(/^rondeau-\d{4}-\d\d-\d\d\.zip$/);
    const backup = await openBackup(path.join(usb, copy));
    expect(backup.manifest.rows.dish).toBe(1);
    backup.close();
  });
});
