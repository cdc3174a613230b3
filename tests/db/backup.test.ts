// Backups: everything comes back, from a file that is whole; nothing from one that is not.

import { execFileSync, spawn } from "node:child_process";
import { createWriteStream, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { fileURLToPath } from "node:url";
import { parse } from "csv-parse/sync";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import yauzl from "yauzl";
import yazl from "yazl";
import { readDish } from "../../src/core/dish/read";
import { checkData } from "../../src/db/backup/check-data";
import { backupTo, keepBackups, worthKeeping } from "../../src/db/backup/keep";
import { openBackup } from "../../src/db/backup/read";
import { buildFromBackup, takePlace } from "../../src/db/backup/restore";
import { TABLES } from "../../src/db/backup/tables";
import type { Db } from "../../src/db/db";
import { openDatabase } from "../../src/db/open";
import { keepPhotograph, photographFile, readPhotograph, sumOf } from "../../src/db/photographs";
import { putAcknowledgement } from "../../src/db/queries/acknowledgements";
import { findDish, insertDish, insertKitchen, updateDocument } from "../../src/db/queries/dishes";
import { insertEntry } from "../../src/db/queries/entries";
import { insertPlan, insertRun, insertRunEvent } from "../../src/db/queries/runs";
import { putSetting } from "../../src/db/queries/settings";
import { DEEP } from "../support/deep";
import { demoDocument } from "../support/dishes";
import { smallDish } from "../support/small-dish";

const root = fileURLToPath(new URL("../..", import.meta.url));
const ways = { migrations: path.join(root, "src/db/migrations"), template: path.join(root, "dist/template") };
const scratch = mkdtempSync(path.join(existsSync("/dev/shm") ? "/dev/shm" : tmpdir(), "rondeau-backup-"));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const open = (directory: string) => openDatabase({ directory, ...ways });
const made = new Date("2026-10-18T09:30:00Z");

/** Everything that a database holds, as texts. */
async function everything(db: Db): Promise<Record<string, string[]>> {
  const all: Record<string, string[]> = {};
  for (const { name, order } of TABLES)
    all[name] = ((await db.query(`select to_jsonb(t)::text as line from ${name} t order by ${order}`)) as { line: string }[]).map(
      (r) => r.line,
    );
  return all;
}

/** The bytes of a picture, whatever they show. */
const PICTURE = Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919) % 251));

async function fill(db: Db, directory: string): Promise<void> {
  const { kitchen, ...document } = demoDocument("spiced-duck");
  const { kitchen: small, ...other } = smallDish((d) => (d.dish.name = '=HYPERLINK("x")\u202e'));
  await db.transaction(async (tx) => {
    const id = await insertDish(tx, "duck", "Duck", document, await insertKitchen(tx, "Home", kitchen));
    await insertDish(tx, "small", "Small", other, await insertKitchen(tx, "Hut", small));
    return id;
  });
  const duck = await findDish(db, "duck");
  if (!duck) throw new Error("not stored");
  await updateDocument(db, "dish", duck.id, 1, { ...document, dish: { ...document.dish, name: "Duck, again" } }, "call it so");
  const run = await db.transaction((tx) => insertRun(tx, duck.id, new Date("2026-10-17T08:00:00.123Z")));
  for (let n = 0; n < 30; n++)
    await db.transaction((tx) =>
      insertRunEvent(tx, run.id, { key: crypto.randomUUID(), kind: "estimate", step: "duck.roast", at: new Date(), by: "=cmd|x" }),
    );
  const picture = { kind: "photograph", sum: keepPhotograph(directory, PICTURE), width: 4, height: 3 } as const;
  for (const [runId, body] of [
    [run.id, picture],
    [run.id, { kind: "reading", step: "duck.roast", quantity: "core", value: 54.5 }],
    [undefined, { kind: "tick", list: "shopping", item: "duck", done: true }],
  ] as const)
    await insertEntry(db, { dishId: duck.id, runId, key: crypto.randomUUID(), at: made, body, recordedAt: made });
  await insertPlan(db, {
    dishId: duck.id,
    dishVersion: 1,
    kitchenVersion: 1,
    runId: run.id,
    runSequence: 3,
    status: "feasible",
    document: { a: 1.5, b: "ü" },
    madeAt: new Date(),
  });
  await putAcknowledgement(db, duck.id, "hot-fat:duck", "aaaa", new Date());
  await putSetting(db, "backup.second", "none");
}

const file = path.join(scratch, "all.zip");
let before: Record<string, string[]>;
beforeAll(async () => {
  const directory = path.join(scratch, "data");
  mkdirSync(directory);
  const db = await open(directory);
  await fill(db, directory);
  before = await everything(db);
  await backupTo(db, directory, file, made);
  await db.close();
});

async function restored(directory: string): Promise<Record<string, string[]>> {
  const db = await open(directory);
  const all = await everything(db);
  await db.close();
  return all;
}

describe("photographs in a backup", () => {
  const opened = async (name: string, spoil: (directory: string) => void) => {
    const directory = path.join(scratch, name);
    mkdirSync(directory);
    const { building } = await buildFromBackup(file, directory, ways);
    takePlace(directory, building, made);
    spoil(directory);
    return directory;
  };
  test("one that is spoiled is told by check-data, and keeps nobody from a backup of the rest", async () => {
    const directory = await opened("spoiled", (d) => writeFileSync(photographFile(d, sumOf(PICTURE)), "no picture"));
    expect((await checkData(directory, ways)).problems).toEqual([expect.stringContaining(`photographs/${sumOf(PICTURE)}.jpg`)]);
    const db = await open(directory);
    const saved = path.join(scratch, "without.zip");
    await backupTo(db, directory, saved, made);
    await db.close();
    const backup = await openBackup(saved);
    expect(backup.photographs).toEqual([]);
    backup.close();
    const back = path.join(scratch, "without");
    mkdirSync(back);
    takePlace(back, (await buildFromBackup(saved, back, ways)).building, made);
    expect(await restored(back)).toEqual(before);
  });
  test("of the first format, which had none, a backup comes back as it did", async () => {
    const files = await contents(file);
    const list = JSON.parse(files.get("manifest.json")?.toString() ?? "{}");
    const plain = (list.files as { name: string }[]).filter((f) => !f.name.startsWith("photographs/"));
    expect(plain.length).toBe(list.files.length - 1);
    files.set("manifest.json", Buffer.from(JSON.stringify({ ...list, format: "rondeau-backup/1", files: plain })));
    for (const name of [...files.keys()]) if (name.startsWith("photographs/")) files.delete(name);
    const old = await zipped("first-format.zip", files);
    const backup = await openBackup(old);
    expect(backup.manifest.format).toBe("rondeau-backup/1");
    backup.close();
  });
});

describe("a backup", () => {
  test("brings back everything, to the byte, and a second one of that is the same", async () => {
    const directory = path.join(scratch, "again");
    mkdirSync(directory);
    const { building } = await buildFromBackup(file, directory, ways);
    expect(takePlace(directory, building, made)).toBeUndefined();
    expect(await restored(directory)).toEqual(before);
    const db = await open(directory);
    expect(readPhotograph(directory, sumOf(PICTURE))).toEqual(PICTURE);
    await backupTo(db, directory, path.join(scratch, "second.zip"), made);
    // Numbers of plans go on from where they were.
    const duck = await findDish(db, "duck");
    await insertPlan(db, {
      dishId: duck?.id ?? "",
      dishVersion: 2,
      kitchenVersion: 1,
      runId: undefined,
      runSequence: 0,
      status: "feasible",
      document: {},
      madeAt: made,
    });
    // And those of what was written down.
    const entry = { dishId: duck?.id ?? "", runId: undefined, key: crypto.randomUUID(), at: made, recordedAt: made };
    expect(await insertEntry(db, { ...entry, body: { kind: "note", text: "after the restore" } })).toBe(true);
    await db.close();
    const sums = async (zip: string) => {
      const backup = await openBackup(zip);
      backup.close();
      return backup.manifest.files;
    };
    expect(await sums(path.join(scratch, "second.zip"))).toEqual(await sums(file));
  });
  test("holds each dish as a file that reads, and the log as a table whose cells are no formulas", async () => {
    const files = await contents(file);
    expect(readDish(files.get("dishes/duck.json")?.toString() ?? "").status).toBe("read");
    const rows = parse(files.get("log.csv") ?? "", { columns: true }) as Record<string, string>[];
    expect(rows).toHaveLength(30);
    expect(rows[0]).toMatchObject({ dish: "duck", kind: "estimate", step: "duck.roast", by: "'=cmd|x" });
  });
  test("keeps what a restore replaces, and refuses a log of runs that is changed there as before", async () => {
    const directory = path.join(scratch, "over");
    mkdirSync(directory);
    const db = await open(directory);
    const { kitchen, ...document } = smallDish();
    await db.transaction(async (tx) => insertDish(tx, "mine", "Mine", document, await insertKitchen(tx, "Home", kitchen)));
    await db.close();
    const { building } = await buildFromBackup(file, directory, ways);
    const replaced = takePlace(directory, building, made);
    expect(await restored(directory)).toEqual(before);
    const old = path.join(scratch, "old");
    mkdirSync(old);
    execFileSync("cp", ["-r", replaced as string, path.join(old, "pg")]);
    const kept = await open(old);
    expect((await findDish(kept, "mine"))?.name).toBe("Mine");
    await kept.close();
    const again = await open(directory);
    await expect(again.query("delete from run_event")).rejects.toThrow(/append-only/);
    await again.close();
  });
});

async function contents(zip: string): Promise<Map<string, Buffer>> {
  const found = new Map<string, Buffer>();
  await new Promise<void>((resolve, reject) => {
    yauzl.open(zip, { lazyEntries: true }, (error, opened) => {
      if (error) return reject(error);
      opened.on("end", () => resolve());
      opened.on("entry", (entry: yauzl.Entry) =>
        opened.openReadStream(entry, async (_, stream) => {
          const chunks: Buffer[] = [];
          for await (const chunk of stream) chunks.push(chunk as Buffer);
          found.set(entry.fileName, Buffer.concat(chunks));
          opened.readEntry();
        }),
      );
      opened.readEntry();
    });
  });
  return found;
}

async function zipped(name: string, files: Iterable<readonly [string, Buffer]>): Promise<string> {
  const zip = new yazl.ZipFile();
  const target = path.join(scratch, name);
  const writing = pipeline(zip.outputStream, createWriteStream(target));
  for (const [file, bytes] of files) zip.addBuffer(bytes, file);
  zip.end();
  await writing;
  return target;
}

describe("a file that is no whole backup is refused, and nothing is changed", () => {
  const refused = async (zip: string, why: RegExp) => {
    const directory = path.join(scratch, `into-${path.basename(zip)}`);
    mkdirSync(directory, { recursive: true });
    await expect(buildFromBackup(zip, directory, ways)).rejects.toThrow(why);
    expect(readdirSync(directory)).toEqual([]);
  };
  const altered = async (name: string, alter: (files: Map<string, Buffer>) => void): Promise<string> => {
    const files = await contents(file);
    alter(files);
    return zipped(name, files);
  };
  const manifest = (files: Map<string, Buffer>, change: (m: Record<string, unknown>) => void) => {
    const value = JSON.parse(files.get("manifest.json")?.toString() ?? "{}");
    change(value);
    files.set("manifest.json", Buffer.from(JSON.stringify(value)));
  };
  test("cut short, at many places", async () => {
    const bytes = readFileSync(file);
    for (const share of [0, 0.001, 0.3, 0.7, 0.95, 0.9999]) {
      const cut = path.join(scratch, `cut-${share}.zip`);
      writeFileSync(cut, bytes.subarray(0, Math.floor(bytes.length * share)));
      await refused(cut, /zip|damaged|whole/);
    }
  });
  test("one byte altered, wherever", async () => {
    const bytes = readFileSync(file);
    for (const share of [0.05, 0.2, 0.4, 0.6, 0.8]) {
      const other = Buffer.from(bytes);
      const at = Math.floor(bytes.length * share);
      other[at] = (other[at] ?? 0) ^ 0x40;
      const zip = path.join(scratch, `byte-${share}.zip`);
      writeFileSync(zip, other);
      const directory = path.join(scratch, `into-${path.basename(zip)}`);
      mkdirSync(directory, { recursive: true });
      const built = await buildFromBackup(zip, directory, ways).then(
        ({ building }) => building,
        (error: unknown) => String(error),
      );
      // A byte of what stands beside the content, such as the hour in a header, changes nothing that comes back.
      if (existsSync(built)) {
        takePlace(directory, built, made);
        expect(await restored(directory)).toEqual(before);
      } else {
        expect(built).toMatch(/altered|damaged|zip|holds|whole|read/i);
        expect(readdirSync(directory)).toEqual([]);
      }
    }
  });
  test("a row altered with its length kept; a row left out; a file left out; one more", async () => {
    await refused(
      await altered("row.zip", (f) =>
        f.set("data/dish.json", Buffer.from((f.get("data/dish.json")?.toString() ?? "").replace("Duck", "Dick"))),
      ),
      /data\/dish\.json is not what it was/,
    );
    await refused(await altered("without.zip", (f) => f.delete("data/run.json")), /data\/run\.json is missing/);
    await refused(await altered("more.zip", (f) => f.set("data/more.json", Buffer.from("[]"))), /list knows nothing/);
    await refused(await altered("other.zip", (f) => f.set("run.sh", Buffer.from("rm -rf"))), /no backup has/);
  });
  test("made by a newer version, of another kind, without a list", async () => {
    await refused(await altered("newer.zip", (f) => manifest(f, (m) => (m.format = "rondeau-backup/3"))), /newer version/);
    await refused(await altered("tables.zip", (f) => manifest(f, (m) => (m.tables = 900))), /newer version/);
    await refused(await altered("kind.zip", (f) => manifest(f, (m) => (m.format = "holiday/1"))), /no backup of this kitchen/);
    await refused(await altered("list.zip", (f) => f.delete("manifest.json")), /no manifest\.json/);
    writeFileSync(path.join(scratch, "text.zip"), "Dear diary");
    await refused(path.join(scratch, "text.zip"), /no whole zip file/);
  });
  test("with names that lead elsewhere, and with more in it than it says", async () => {
    const honest = readFileSync(await altered("names.zip", (f) => f.set("dishes/aaaaaaaaaaaaa.json", Buffer.from("{}"))));
    const evil = Buffer.from(honest.toString("latin1").replaceAll("dishes/aaaaaaaaaaaaa.json", "../../../../etc/passwd.js"), "latin1");
    writeFileSync(path.join(scratch, "evil.zip"), evil);
    await refused(path.join(scratch, "evil.zip"), /no backup has|invalid|damaged/i);
    await refused(
      await altered("bomb.zip", (f) => f.set("data/dish.json", Buffer.alloc(200_000_000, 32))),
      /another length than its list says/,
    );
  });
});

describe("backups by themselves", () => {
  test("one a day; the last seven and the first of each month are kept", async () => {
    const directory = path.join(scratch, "daily");
    mkdirSync(directory);
    const db = await open(directory);
    expect(await keepBackups(db, directory, new Date())).toBeDefined();
    expect(await keepBackups(db, directory, new Date())).toBeUndefined();
    expect(readdirSync(path.join(directory, "backups"))).toHaveLength(1);
    await db.close();
    const days = Array.from({ length: 80 }, (_, i) => `rondeau-${new Date(Date.UTC(2026, 7, 3 + i)).toISOString().slice(0, 10)}.zip`);
    expect([...worthKeeping([...days, "notes.txt"])].sort()).toEqual([
      "rondeau-2026-08-03.zip",
      "rondeau-2026-09-01.zip",
      "rondeau-2026-10-01.zip",
      ...days.slice(-7),
    ]);
  });
  test("a directory is checked row by row, in a copy", async () => {
    const directory = path.join(scratch, "data");
    expect(await checkData(directory, ways)).toMatchObject({ problems: [], rows: { dish: 2, run_event: 30 } });
    const db = await open(directory);
    await db.query("update dish set document = document - 'components' where slug = 'small'");
    await db.close();
    expect((await checkData(directory, ways)).problems.join()).toMatch(/^dish, row \d: document\.components/);
  });
});

test("killed in the middle of a restore, again and again: the old or the new stands whole", { timeout: 120_000 }, async () => {
  const bundle = path.join(root, "test-results/data.mjs");
  execFileSync(
    path.join(root, "node_modules/.bin/esbuild"),
    ["src/cli/data.ts", "--bundle", "--platform=node", "--format=esm", "--packages=external", `--outfile=${bundle}`, "--log-level=error"],
    { cwd: root },
  );
  const directory = path.join(scratch, "killed");
  mkdirSync(directory);
  const db = await open(directory);
  const { kitchen, ...document } = smallDish();
  await db.transaction(async (tx) => insertDish(tx, "mine", "Mine", document, await insertKitchen(tx, "Home", kitchen)));
  await db.close();
  const seen = new Set<string>();
  for (const ms of DEEP ? [120, 500, 900, 1300, 1700, 2100, 2600, 3200] : [500, 1300, 2100]) {
    await new Promise<void>((resolve) => {
      const child = spawn(process.execPath, [bundle, "restore", file], {
        cwd: root,
        env: { ...process.env, RONDEAU_DATA_DIR: directory, RONDEAU_ROOT: root },
      });
      const timer = setTimeout(() => child.kill("SIGKILL"), ms);
      child.on("exit", () => {
        clearTimeout(timer);
        resolve();
      });
    });
    const now = await open(directory);
    const mine = await findDish(now, "mine");
    const duck = await findDish(now, "duck");
    await now.close();
    expect([mine, duck].filter(Boolean)).toHaveLength(1);
    seen.add(mine ? "old" : "new");
    if (duck) expect(await restored(directory)).toEqual(before);
  }
  expect([...seen]).toContain("old");
});
