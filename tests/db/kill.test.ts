// kill -9 in the middle of writing, for real: a process writes presses and says each one once it is confirmed; it is killed at a
// moment that differs each time; whatever was said must be there after opening again, whole and in order.

import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { openBackup } from "../../src/db/backup/read";
import { openDatabase } from "../../src/db/open";
import { deep } from "../support/deep";
import { bundledWriter, migrations, template } from "../support/writer";

const desk = mkdtempSync(path.join(tmpdir(), "rondeau-kill-"));
const start = bundledWriter("kill-writer");

/** Lets the writer work until it has confirmed so many presses and a moment more; kills it; gives what it had confirmed. */
async function writeAndKill(directory: string, least: number, extraMs: number): Promise<string[]> {
  const writer = start(directory);
  await writer.pressed(least);
  await new Promise((resolve) => setTimeout(resolve, extraMs));
  const ended = new Promise((resolve) => writer.process.on("close", resolve));
  writer.process.kill("SIGKILL");
  await ended;
  return writer.said();
}

/** Three in every run of the tests, six in a deep one, a hundred by `./rondeau test crash`. */
const KILLS = process.env.RONDEAU_CRASH ? 100 : deep(3, 6);
const PRESSES_BETWEEN = 11;

describe("kill -9", () => {
  test("loses, doubles and halves nothing that was confirmed: presses, dishes, kitchens, with a backup being written", {
    timeout: 900_000,
  }, async () => {
    const directory = path.join(desk, "data");
    const dishes = new Set<string>();
    let [before, kitchens] = [0, 1];
    for (let round = 0; round < KILLS; round++) {
      const said = await writeAndKill(directory, before + PRESSES_BETWEEN, (round * 7) % 43);
      const of = (what: string) => said.filter((line) => line.startsWith(`${what} `)).map((line) => line.slice(what.length + 1));
      for (const slug of of("dish")) dishes.add(slug);
      kitchens = Math.max(kitchens, ...of("kitchen").map(Number));
      const db = await openDatabase({ directory, migrations, template });
      const rows = (await db.query("select sequence from run_event order by sequence")) as { sequence: number }[];
      const slugs = new Set(((await db.query("select slug from dish")) as { slug: string }[]).map((r) => r.slug));
      const histories = (await db.query(
        "select k.version = max(h.version) and count(*) = max(h.version) as whole, max(h.version)::int4 as version from kitchen k join kitchen_history h on h.kitchen_id = k.id group by k.id, k.version",
      )) as { whole: boolean; version: number }[];
      const alone = (await db.query(
        "select 1 from dish d where not exists (select 1 from dish_history h where h.dish_id = d.id and h.version = d.version)",
      )) as unknown[];
      await db.close();
      expect(rows.length).toBeGreaterThanOrEqual(Math.max(0, ...of("press").map(Number)));
      expect(rows.map((r) => r.sequence)).toEqual(rows.map((_, i) => i + 1));
      for (const slug of dishes) expect(slugs).toContain(slug);
      expect(histories.every((h) => h.whole)).toBe(true);
      expect(histories[0]?.version).toBeGreaterThanOrEqual(kitchens);
      expect(alone).toEqual([]);
      const backup = path.join(directory, "backups", "rondeau-2026-01-01.zip");
      // What has its name is whole, whenever it was cut.
      if (existsSync(backup)) (await openBackup(backup)).close();
      before = rows.length;
    }
    expect(before).toBeGreaterThan(KILLS * 5);
    expect(dishes.size).toBeGreaterThan(KILLS / 2);
  });
});
