// A disk that fills up, at twenty different moments: what was confirmed stays, what does not fit is told, and with room again all goes on.

import fs, { existsSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { syncBuiltinESMExports } from "node:module";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, test } from "vitest";
import type { Db } from "../../src/db/db";
import { DataDirectoryError } from "../../src/db/directory/trouble";
import { DiskFull } from "../../src/db/faults";
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen } from "../../src/db/queries/dishes";
import { insertRun, insertRunEvent } from "../../src/db/queries/runs";
import { DEEP, deep } from "../support/deep";
import { smallDish } from "../support/small-dish";

const root = fileURLToPath(new URL("../..", import.meta.url));
const ways = { migrations: path.join(root, "src/db/migrations"), template: path.join(root, "dist/template") };
const scratch = mkdtempSync(path.join(existsSync("/dev/shm") ? "/dev/shm" : tmpdir(), "rondeau-full-"));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));

/** Lets so many bytes be written below a directory by way of Node's own functions, and no more until `room` is called. */
function fullAfter(directory: string, bytes: number): { room(): void; left(): number } {
  let left = bytes;
  const real = {
    writeSync: fs.writeSync,
    openSync: fs.openSync,
    writeFileSync: fs.writeFileSync,
    cpSync: fs.cpSync,
    mkdirSync: fs.mkdirSync,
  };
  const within = new Set<number>();
  const full = () => Object.assign(new Error("ENOSPC: no space left on device"), { code: "ENOSPC", errno: -28 });
  // biome-ignore lint/suspicious/noExplicitAny: the functions of fs have many shapes
  type Any = any;
  const patched = fs as Any;
  patched.openSync = (file: Any, ...more: Any[]) => {
    const handle = (real.openSync as Any)(file, ...more);
    if (String(file).startsWith(directory)) within.add(handle);
    return handle;
  };
  patched.writeSync = (handle: number, data: Any, ...more: Any[]) => {
    if (within.has(handle)) {
      const length = typeof data === "string" ? data.length : (more[1] ?? data.length);
      if (left < length) {
        left = 0;
        throw full();
      }
      left -= length;
    }
    return (real.writeSync as Any)(handle, data, ...more);
  };
  for (const name of ["writeFileSync", "cpSync", "mkdirSync"] as const)
    patched[name] = (...args: Any[]) => {
      const file = String(name === "cpSync" ? args[1] : args[0]);
      if (file.startsWith(directory) && left <= 0) throw full();
      return (real[name] as Any)(...args);
    };
  syncBuiltinESMExports();
  const room = () => {
    Object.assign(fs, real);
    syncBuiltinESMExports();
  };
  return { room, left: () => left };
}

const press = (db: Db, run: string, key: string) =>
  db.transaction((tx) => insertRunEvent(tx, run, { key, kind: "estimate", step: "stock.chop", at: new Date() }));

describe("a full disk", () => {
  // From nothing at all to some tens of megabytes: while a new directory is made, a segment of the log, a table, a list.
  const MOMENTS = [
    0, 1, 500, 5_000, 9_000, 20_000, 60_000, 120_000, 200_000, 300_000, 400_000, 500_000, 700_000, 1_000_000, 1_500_000, 2_000_000,
    4_000_000, 8_000_000, 16_000_000, 24_000_000,
  ];
  // Some of each kind in every run: closed before (odd) and open all along.
  const ROOM = [...MOMENTS.entries()].filter(([n]) => DEEP || [1, 6, 9, 12, 15].includes(n));
  test("loses nothing confirmed, says what it is, and goes on with room again, at up to twenty moments", { timeout: 300_000 }, async () => {
    const seen = { refused: 0, opening: 0, held: 0 };
    for (const [n, bytes] of ROOM) {
      const directory = path.join(scratch, `full-${n}`);
      mkdirSync(directory);
      let db = await openDatabase({ directory, ...ways });
      const { kitchen, ...document } = smallDish();
      await db.transaction(async (tx) => insertDish(tx, "kept", "Kept", document, await insertKitchen(tx, "Home", kitchen)));
      const run = await db.transaction(async (tx) => insertRun(tx, (await findDish(tx, "kept"))?.id ?? "", new Date()));
      // Half of them: closed and opened on the full disk.
      if (n % 2) await db.close();
      const disk = fullAfter(directory, bytes);
      const confirmed: string[] = [];
      const big = { ...document, note: "x".repeat(60_000) };
      try {
        if (n % 2) db = await openDatabase({ directory, ...ways });
        for (let i = 0; i < 60; i++) {
          const key = crypto.randomUUID();
          await press(db, run.id, key);
          confirmed.push(key);
          await db.transaction(async (tx) =>
            insertDish(
              tx,
              `more-${i}`,
              "More",
              { ...big, salt: crypto.randomUUID().repeat(800) },
              await insertKitchen(tx, `K${i}`, kitchen),
            ),
          );
        }
        seen.held++;
      } catch (error) {
        if (error instanceof DataDirectoryError) {
          expect(error.trouble.kind).toBe("full");
          expect(error.message).toMatch(/disk is full.*Free some space/);
          seen.opening++;
        } else {
          if (!(error instanceof DiskFull)) throw new Error(`with room for ${bytes} bytes: ${error}`);
          seen.refused++;
        }
      } finally {
        disk.room();
      }
      // Where it was open all along it answers again by itself.
      if (n % 2 === 0) {
        const key = crypto.randomUUID();
        await press(db, run.id, key);
        confirmed.push(key);
      }
      await db.close().catch(() => {});
      const again = await openDatabase({ directory, ...ways });
      const keys = ((await again.query("select key from run_event")) as { key: string }[]).map((r) => r.key);
      expect(keys, `with room for ${bytes} bytes`).toEqual(expect.arrayContaining(confirmed));
      expect(await findDish(again, "kept")).toBeDefined();
      await again.close();
      rmSync(directory, { recursive: true });
    }
    expect(seen.refused + seen.opening).toBeGreaterThan(deep(3, 12));
    expect(seen.opening).toBeGreaterThan(0);
  });
});
