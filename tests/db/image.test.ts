// A real file system in an image on a loop device, copied as the power would leave it: what the kernel had not written is missing.
// Only where such a thing may be mounted; elsewhere crash.test.ts builds the states from what was written and synced.

import { execFileSync } from "node:child_process";
import { copyFileSync, constants as fsConstants, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, describe, expect, test } from "vitest";
import { DataDirectoryError } from "../../src/db/directory/trouble";
import { openDatabase } from "../../src/db/open";
import { DEEP } from "../support/deep";
import { bundledWriter, migrations, template } from "../support/writer";

const desk = mkdtempSync(path.join(tmpdir(), "rondeau-image-"));
const MEGABYTES = 320;
const run = (command: string, ...args: string[]) => execFileSync(command, args, { stdio: "pipe" });
const mounted = new Set<string>();
const mount = (image: string, at: string, options = "loop") => {
  mkdirSync(at, { recursive: true });
  run("mount", "-o", options, image, at);
  mounted.add(at);
};
const unmount = (at: string) => {
  run("umount", at);
  mounted.delete(at);
};

const image = path.join(desk, "disk");
const at = path.join(desk, "mounted");
const possible = (() => {
  try {
    run("truncate", "-s", `${MEGABYTES}M`, image);
    run("mkfs.ext4", "-q", "-F", image);
    mount(image, at);
    return true;
  } catch {
    return false;
  }
})();
afterAll(() => {
  for (const place of mounted) run("umount", "-l", place);
  rmSync(desk, { recursive: true, force: true });
});

describe.skipIf(!possible)("a disk that loses its power", () => {
  const start = possible ? bundledWriter("image-writer") : () => expect.unreachable();
  test.each(DEEP ? [1, 9, 60] : [9])(
    "%i presses after a start holds all of them, from a copy that was never flushed",
    { timeout: 120_000 },
    async (n) => {
      const directory = path.join(at, `data-${n}`);
      const writer = start(directory);
      await writer.pressed(n);
      // Stopped, so that the copy is of one moment; nobody has told the file system to write anything down.
      writer.process.kill("SIGSTOP");
      const confirmed = writer.said();
      const copy = path.join(desk, `copy-${n}`);
      copyFileSync(image, copy, fsConstants.COPYFILE_FICLONE);
      writer.process.kill("SIGKILL");
      const place = path.join(desk, `after-${n}`);
      mount(copy, place);
      const db = await openDatabase({ directory: path.join(place, `data-${n}`), migrations, template });
      const presses = (await db.query("select sequence from run_event order by sequence")) as { sequence: number }[];
      const slugs = new Set(((await db.query("select slug from dish")) as { slug: string }[]).map((r) => r.slug));
      await db.close();
      unmount(place);
      rmSync(copy);
      const lastPress = Number(confirmed.findLast((line) => line.startsWith("press "))?.slice(6));
      expect(lastPress).toBeGreaterThanOrEqual(n);
      expect(presses.length).toBeGreaterThanOrEqual(lastPress);
      expect(presses.map((r) => r.sequence)).toEqual(presses.map((_, i) => i + 1));
      for (const line of confirmed) if (line.startsWith("dish ")) expect(slugs).toContain(line.slice(5));
    },
  );
  test("or that may only be read: it is told, and nothing on it is touched", async () => {
    const directory = path.join(at, "read-only");
    await (await openDatabase({ directory, migrations, template })).close();
    const files = () => run("sh", "-c", `cd ${directory} && find . -type f | sort | xargs sha256sum`).toString();
    const before = files();
    run("mount", "-o", "remount,ro", at);
    const refused = await openDatabase({ directory, migrations, template }).then(
      () => undefined,
      (error: unknown) => error,
    );
    expect(refused).toBeInstanceOf(DataDirectoryError);
    expect((refused as DataDirectoryError).message).toContain("on a disk that can only be read");
    expect((refused as DataDirectoryError).message).toContain(directory);
    expect(files()).toBe(before);
    run("mount", "-o", "remount,rw", at);
    await (await openDatabase({ directory, migrations, template })).close();
  });
});
