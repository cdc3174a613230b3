// Power cuts: whatever a disk may hold after one opens, and has everything that was confirmed before it.

import { cpSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { backupTo } from "../../src/db/backup/keep";
import { buildFromBackup, takePlace } from "../../src/db/backup/restore";
import type { Db } from "../../src/db/db";
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen } from "../../src/db/queries/dishes";
import { insertPlan, insertRun, insertRunEvent } from "../../src/db/queries/runs";
import { CutDisk } from "../support/cut-disk";
import { deep } from "../support/deep";
import { smallDish } from "../support/small-dish";

/** States of all scenes together: some in every run of the tests, 200 in a deep one, more by `./rondeau test crash`. */
const STATES = Number(process.env.RONDEAU_CRASH_STATES ?? deep(27, 200));
const SEED = Number(process.env.RONDEAU_CRASH_SEED ?? 1);
const migrations = fileURLToPath(new URL("../../src/db/migrations", import.meta.url));
const template = fileURLToPath(new URL("../../dist/template", import.meta.url));
// Syncing takes no time in memory.
const scratch = mkdtempSync(path.join(existsSync("/dev/shm") ? "/dev/shm" : tmpdir(), "rondeau-cut-"));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));

const randomOf = (seed: number) => {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
};

type Fact = (db: Db) => Promise<string | undefined>;
interface Scene {
  readonly name: string;
  /** What stands before the recording begins. */
  readonly before?: (directory: string) => Promise<void>;
  /** Steps; each fact counts from when it is confirmed. @returns the database, still open */
  readonly act: (directory: string, confirm: (fact: Fact) => void) => Promise<Db>;
}

const open = (directory: string, more: object = {}) => openDatabase({ directory, migrations, template, ...more });

async function dish(db: Db, slug: string, confirm: (fact: Fact) => void): Promise<string> {
  const { kitchen, ...document } = smallDish((d) => (d.dish.id = slug));
  await db.transaction(async (tx) => insertDish(tx, slug, slug, document, await insertKitchen(tx, "Home", kitchen)));
  confirm(async (now) => ((await findDish(now, slug)) ? undefined : `the dish ${slug} is gone`));
  return (await findDish(db, slug))?.id as string;
}

async function presses(db: Db, id: string, many: number, confirm: (fact: Fact) => void): Promise<void> {
  const run = await db.transaction((tx) => insertRun(tx, id, new Date()));
  for (let n = 0; n < many; n++) {
    const key = crypto.randomUUID();
    await db.transaction((tx) => insertRunEvent(tx, run.id, { key, kind: "estimate", step: "stock.chop", at: new Date() }));
    confirm(async (now) => ((await now.query("select 1 from run_event where key = $1", [key])).length ? undefined : `press ${n} is gone`));
  }
}

async function plans(db: Db, dishId: string, many: number, confirm: (fact: Fact) => void): Promise<void> {
  for (let n = 0; n < many; n++) {
    const document = { n, filler: Array.from({ length: 400 }, () => crypto.randomUUID()) };
    await db.transaction((tx) =>
      insertPlan(tx, {
        dishId,
        dishVersion: n + 1000,
        kitchenVersion: 1,
        runId: undefined,
        runSequence: 0,
        status: "feasible",
        document,
        madeAt: new Date(),
      }),
    );
    confirm(async (now) => {
      const [row] = (await now.query("select document from plan where dish_version = $1", [n + 1000])) as { document: unknown }[];
      return JSON.stringify(row?.document) === JSON.stringify(document) ? undefined : `plan ${n} is gone`;
    });
  }
}

/** A directory that was used and closed. */
const used = async (directory: string): Promise<void> => {
  const db = await open(directory);
  await presses(db, await dish(db, "before", () => {}), 3, () => {});
  await db.close();
};
/** As it was left by a process that died. */
const died = async (directory: string): Promise<void> => {
  const db = await open(`${directory}.living`);
  await presses(db, await dish(db, "before", () => {}), 5, () => {});
  cpSync(`${directory}.living`, directory, { recursive: true });
  await db.close();
  rmSync(`${directory}.living`, { recursive: true });
};
const kept = (confirm: (fact: Fact) => void) =>
  confirm(async (now) => ((await findDish(now, "before")) ? undefined : "the old dish is gone"));

/** The first migration only, as an older version had it. */
const older = path.join(scratch, "older");
beforeAll(() => {
  mkdirSync(older);
  cpSync(path.join(migrations, "001_dishes_and_runs.sql"), path.join(older, "001_dishes_and_runs.sql"));
});

/** A backup of another directory. */
const saved = path.join(scratch, "saved.zip");
beforeAll(async () => {
  const db = await open(path.join(scratch, "other"));
  await presses(db, await dish(db, "saved", () => {}), 3, () => {});
  await backupTo(db, path.join(scratch, "other"), saved, new Date());
  await db.close();
});

const SCENES: readonly Scene[] = [
  {
    name: "a new directory and the first write",
    act: async (directory, confirm) => {
      const db = await open(directory);
      await dish(db, "first", confirm);
      return db;
    },
  },
  {
    name: "a start and the first write after it",
    before: used,
    act: async (directory, confirm) => {
      kept(confirm);
      const db = await open(directory);
      await dish(db, "first", confirm);
      return db;
    },
  },
  {
    name: "a start after a kill, and what follows",
    before: died,
    act: async (directory, confirm) => {
      kept(confirm);
      const db = await open(directory);
      await presses(db, (await findDish(db, "before"))?.id as string, 5, confirm);
      return db;
    },
  },
  {
    name: "a day of presses and plans",
    before: used,
    act: async (directory, confirm) => {
      const db = await open(directory);
      const id = await dish(db, "day", confirm);
      await presses(db, id, 20, confirm);
      await plans(db, id, 6, confirm);
      await presses(db, id, 10, confirm);
      return db;
    },
  },
  {
    name: "checkpoints between writes",
    before: used,
    act: async (directory, confirm) => {
      const db = await open(directory, { checkpointBytes: 100_000n });
      const id = await dish(db, "checked", confirm);
      await plans(db, id, 12, confirm);
      await presses(db, id, 5, confirm);
      return db;
    },
  },
  {
    name: "a migration of a directory in use",
    before: async (directory) => {
      const db = await openDatabase({ directory, migrations: older });
      await dish(db, "before", () => {});
      await db.close();
    },
    act: async (directory, confirm) => {
      kept(confirm);
      const db = await open(directory);
      await dish(db, "first", confirm);
      return db;
    },
  },
  {
    name: "closing and starting again",
    before: used,
    act: async (directory, confirm) => {
      const db = await open(directory);
      const id = await dish(db, "closed", confirm);
      await presses(db, id, 4, confirm);
      await db.close();
      const again = await open(directory);
      await presses(again, id, 4, confirm);
      return again;
    },
  },
  {
    name: "a restore",
    before: used,
    act: async (directory, confirm) => {
      // Of what was and what is restored, one is there: which, is decided once the restore says that it is done.
      confirm(async (now) =>
        (await findDish(now, "before")) || (await findDish(now, "saved")) ? undefined : "neither the old nor the new",
      );
      const { building } = await buildFromBackup(saved, directory, { migrations, template });
      takePlace(directory, building, new Date());
      confirm(async (now) => ((await findDish(now, "saved")) ? undefined : "what was restored is gone"));
      return open(directory);
    },
  },
];

describe.each(SCENES)("a power cut during $name", ({ name, before, act }) => {
  test("opens, and has everything that was confirmed", { timeout: 3_600_000 }, async () => {
    const directory = path.join(scratch, "data");
    rmSync(directory, { recursive: true, force: true });
    mkdirSync(directory);
    await before?.(directory);
    const disk = new CutDisk(directory);
    const facts: { readonly from: number; readonly fact: Fact }[] = [];
    disk.record();
    const db = await act(directory, (fact) => facts.push({ from: disk.ops.length, fact })).finally(() => disk.stop());
    await db.close();
    const random = randomOf(SEED * 7919 + name.length);
    const faults: string[] = [];
    const states = Math.ceil(STATES / SCENES.length);
    expect(disk.ops.filter((op) => op.op === "sync").length).toBeGreaterThan(5);
    for (let n = 0; n < states; n++) {
      const cut = Math.floor(random() * (disk.ops.length + 1));
      const target = path.join(scratch, `cut-${n}`);
      disk.build(target, cut, random);
      const due = facts.filter((f) => f.from <= cut);
      try {
        const db = await open(target);
        for (const { fact } of due) {
          const lost = await fact(db);
          if (lost) faults.push(`cut at ${cut} of ${disk.ops.length}: ${lost}`);
        }
        await db.close();
      } catch (error) {
        faults.push(`cut at ${cut} of ${disk.ops.length}: ${(error as Error).message}`);
      }
      if (faults.length && process.env.RONDEAU_CRASH_KEEP) writeFileSync(path.join(target, "why.txt"), faults.join("\n"));
      else rmSync(target, { recursive: true, force: true });
      if (faults.length > 5) break;
    }
    expect(faults).toEqual([]);
  });
});
