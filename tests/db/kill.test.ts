// kill -9 in the middle of writing, for real: a process writes presses and says each one once it is confirmed; it is killed at a
// moment that differs each time; whatever was said must be there after opening again, whole and in order.
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { buildSync } from "esbuild";
import { describe, expect, test } from "vitest";
import { openDatabase } from "../../src/db/open";

const here = (file: string) => fileURLToPath(new URL(file, import.meta.url));
const migrations = here("../../src/db/migrations");
const desk = mkdtempSync(path.join(tmpdir(), "rondeau-kill-"));
// Beside node_modules, or the bundle would not find what it leaves outside.
const writer = here("../../test-results/kill-writer.mjs");
buildSync({
  entryPoints: [here("kill-writer.ts")],
  bundle: true,
  platform: "node",
  format: "esm",
  packages: "external",
  outfile: writer,
  logLevel: "error",
});

/** Lets the writer work until it has confirmed so many presses and a moment more; kills it; gives what it had confirmed. */
function writeAndKill(directory: string, least: number, extraMs: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [writer, directory, migrations], { stdio: ["ignore", "pipe", "pipe"] });
    let confirmed = 0;
    let killed = false;
    let trouble = "";
    child.stdout.on("data", (text: Buffer) => {
      const last = text.toString().trim().split("\n").at(-1);
      confirmed = Number(last);
      if (confirmed >= least && !killed) {
        killed = true;
        setTimeout(() => child.kill("SIGKILL"), extraMs);
      }
    });
    child.stderr.on("data", (text: Buffer) => {
      trouble += text;
    });
    child.on("exit", (_, signal) =>
      signal === "SIGKILL" ? resolve(confirmed) : reject(new Error(`the writer ended by itself: ${trouble}`)),
    );
  });
}

describe("kill -9", () => {
  test("loses nothing that was confirmed, six times over on one directory", async () => {
    const directory = path.join(desk, "data");
    let before = 0;
    for (const [round, extraMs] of [0, 3, 7, 11, 19, 31].entries()) {
      const confirmed = await writeAndKill(directory, before + 5 + round, extraMs);
      const db = await openDatabase({ directory, migrations });
      const rows = (await db.query("select sequence from run_event order by sequence")) as { sequence: number }[];
      await db.close();
      expect(rows.length).toBeGreaterThanOrEqual(confirmed);
      expect(rows.map((r) => r.sequence)).toEqual(rows.map((_, i) => i + 1));
      before = rows.length;
    }
    expect(before).toBeGreaterThan(30);
  });
});
