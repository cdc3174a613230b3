// A data directory of which a file was lost or cut, in turn each of them; one that may not be written; one that is no data directory.
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { sizesBelow } from "../../src/db/disk";
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen } from "../../src/db/queries/dishes";
import { insertRun, insertRunEvent } from "../../src/db/queries/runs";
import { deep } from "../support/deep";
import { smallDish } from "../support/small-dish";

const migrations = fileURLToPath(new URL("../../src/db/migrations", import.meta.url));
const template = fileURLToPath(new URL("../../dist/template", import.meta.url));
const scratch = mkdtempSync(path.join(existsSync("/dev/shm") ? "/dev/shm" : tmpdir(), "rondeau-damage-"));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const open = (directory: string) => openDatabase({ directory, migrations, template });
const PRESSES = 40;
/** One in so many of the tables' files is tried in every run of the tests, more in a deep one, each of them by `./rondeau test crash`. */
const SHARE = process.env.RONDEAU_CRASH ? 1 : deep(80, 8);

async function fill(directory: string, slug: string): Promise<() => Promise<void>> {
  const db = await open(directory);
  const { kitchen, ...document } = smallDish((d) => (d.dish.id = slug));
  await db.transaction(async (tx) => insertDish(tx, slug, slug, document, await insertKitchen(tx, "Home", kitchen)));
  const run = await db.transaction(async (tx) => insertRun(tx, (await findDish(tx, slug))?.id as string, new Date()));
  for (let n = 0; n < PRESSES; n++)
    await db.transaction((tx) =>
      insertRunEvent(tx, run.id, { key: crypto.randomUUID(), kind: "estimate", step: "stock.chop", at: new Date() }),
    );
  return () => db.close();
}

/** Closed as it should be, and as a killed process left it. */
const closed = path.join(scratch, "closed");
const killed = path.join(scratch, "killed");
beforeAll(async () => {
  mkdirSync(closed);
  await (await fill(closed, "kept"))();
  const living = path.join(scratch, "living");
  mkdirSync(living);
  const end = await fill(living, "kept");
  cpSync(living, killed, { recursive: true });
  await end();
});

/** Opens a directory: what is said where it cannot be, what is missing where it can. Nothing may be gone from it afterwards. */
async function outcome(directory: string): Promise<string | undefined> {
  const before = [...sizesBelow(directory).keys()].filter((f) => !f.endsWith("postmaster.pid"));
  try {
    const db = await open(directory);
    const [row] = (await db.query("select count(*)::int4 as n from run_event")) as { n: number }[];
    const there = await findDish(db, "kept");
    await db.close();
    return row?.n === PRESSES && there ? "opened" : `opened with ${row?.n} of ${PRESSES} presses${there ? "" : " and without the dish"}`;
  } catch (error) {
    const said = (error as Error).message;
    if (!/^The data directory \S+ cannot be opened\. .+ Nothing in it was deleted\. .+/.test(said)) return `unclear: ${said}`;
    const after = sizesBelow(directory);
    const gone = before.filter((f) => !after.has(f) && !/pg_wal|pg_stat|pg_internal|pg_logical/.test(f));
    if (gone.length) return `deleted: ${gone.join()}`;
    // PostgreSQL was started on it: what it wrote is its own.
    return said.includes("It is damaged") ? "told late" : "told";
  }
}

describe.each([
  ["closed", closed],
  ["killed", killed],
])("of a directory that was %s", (state, from) => {
  test.each([
    ["lost", (file: string) => renameSync(file, `${scratch}/lost`), (file: string) => renameSync(`${scratch}/lost`, file)],
    [
      "cut in half",
      (file: string) => {
        cpSync(file, `${scratch}/whole`);
        truncateSync(file, readFileSync(file).length >> 1);
      },
      (file: string) => cpSync(`${scratch}/whole`, file),
    ],
  ])("any file may be %s: it is told, or it opens with everything", { timeout: 1_200_000 }, async (_, hurt, heal) => {
    const work = path.join(scratch, `work-${state}`);
    const renew = () => {
      rmSync(work, { recursive: true, force: true });
      cpSync(from, work, { recursive: true });
    };
    renew();
    const faults: string[] = [];
    const seen = { told: 0, opened: 0 };
    let n = 0;
    for (const [file, size] of sizesBelow(work)) {
      if ((size === 0 && _ !== "lost") || (file.startsWith("pg/base/") && n++ % SHARE)) continue;
      const at = path.join(work, file);
      hurt(at);
      const got = await outcome(work);
      if (got === "opened" || got?.startsWith("told")) seen[got === "opened" ? "opened" : "told"]++;
      else faults.push(`${file}: ${got}`);
      // What was told before PostgreSQL began is as it was; else the next file is tried on a new copy.
      if (got === "told") heal(at);
      else renew();
    }
    expect(faults).toEqual([]);
    expect(seen.told).toBeGreaterThan(400 / SHARE);
  });
});

describe("a directory", () => {
  const fresh = (name: string): string => {
    const directory = path.join(scratch, name);
    cpSync(closed, directory, { recursive: true });
    return directory;
  };
  test("that is not empty and no data directory is left alone", async () => {
    const directory = path.join(scratch, "other");
    mkdirSync(path.join(directory, "pg"), { recursive: true });
    writeFileSync(path.join(directory, "pg", "letters.txt"), "to keep");
    await expect(open(directory)).rejects.toThrow(/pg\/PG_VERSION is missing/);
    expect(readFileSync(path.join(directory, "pg", "letters.txt"), "utf8")).toBe("to keep");
  });
  test("whose cluster is gone is not begun anew", async () => {
    const directory = fresh("gone");
    rmSync(path.join(directory, "pg"), { recursive: true });
    await expect(open(directory)).rejects.toThrow(/The file pg is missing.*restore/);
  });
  test("written by a newer version is told so", async () => {
    const directory = fresh("newer");
    const db = await open(directory);
    await db.query("insert into migration (number, name) values (900, 'from the future')");
    await db.close();
    await expect(open(directory)).rejects.toThrow(/newer version/);
    writeFileSync(path.join(directory, "pg", "PG_VERSION"), "99\n");
    await expect(open(directory)).rejects.toThrow(/newer version \(PostgreSQL 99\)/);
  });
  test.runIf(process.getuid?.() !== 0)("that may not be written is told with what to do", async () => {
    const directory = fresh("closed-off");
    chmodSync(path.join(directory, "pg"), 0o500);
    try {
      await expect(open(directory)).rejects.toThrow(/may not read or write .*RONDEAU_DATA_DIR/);
    } finally {
      chmodSync(path.join(directory, "pg"), 0o700);
    }
  });
  test("names the newest backup as the next step", async () => {
    const directory = fresh("with-backup");
    mkdirSync(path.join(directory, "backups"));
    for (const day of ["2026-10-03", "2026-10-14"]) writeFileSync(path.join(directory, "backups", `rondeau-${day}.zip`), "");
    rmSync(path.join(directory, "pg", "global", "pg_control"));
    await expect(open(directory)).rejects.toThrow(/pg\/global\/pg_control is missing.*restore .*rondeau-2026-10-14\.zip/);
  });
});
