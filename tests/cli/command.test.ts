// The one command on machines that are not as it would like them: one clear line, a nonzero exit, nothing begun.
import { spawnSync } from "node:child_process";
import { chmodSync, cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, test } from "vitest";

const root = fileURLToPath(new URL("../..", import.meta.url));
const scratch = mkdtempSync(path.join(tmpdir(), "rondeau-command-"));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));

function run(command: string, args: readonly string[], env: Record<string, string> = {}) {
  const { status, stderr } = spawnSync("/bin/bash", [command, ...args], {
    cwd: root,
    env: { ...process.env, ...env },
    encoding: "utf8",
    timeout: 60_000,
  });
  return { status, lines: stderr.trim().split("\n") };
}
const rondeau = path.join(root, "rondeau");

/** A directory of programs: those of the system that are named, and others that do as told. */
function programs(
  name: string,
  own: Record<string, string>,
  of: readonly string[] = ["dirname", "readlink", "find", "stat", "cat", "touch", "mkdir", "bash", "id"],
): string {
  const bin = path.join(scratch, name);
  mkdirSync(bin);
  for (const program of of) {
    const found = ["/usr/bin", "/bin"].map((d) => path.join(d, program)).find((p) => spawnSync("test", ["-x", p]).status === 0);
    if (found) symlinkSync(found, path.join(bin, program));
  }
  for (const [program, script] of Object.entries(own)) {
    writeFileSync(path.join(bin, program), `#!/bin/bash\n${script}\n`);
    chmodSync(path.join(bin, program), 0o755);
  }
  return bin;
}

/** A checkout without anything installed. */
function checkout(name: string): string {
  const directory = path.join(scratch, name);
  mkdirSync(directory);
  for (const file of ["rondeau", "package.json", "package-lock.json"]) cpSync(path.join(root, file), path.join(directory, file));
  return path.join(directory, "rondeau");
}

describe("a port", () => {
  test.each([
    ["abc", /PORT=abc is no number/],
    ["-5", /PORT=-5 is no number/],
    ["0", /PORT=0 is no port/],
    ["99999", /PORT=99999 is no port/],
  ])("%s is told to be none", (port, why) => {
    const { status, lines } = run(rondeau, ["demo"], { PORT: port });
    expect(status).toBe(1);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatch(why);
  });
  test("that is taken is told, with another to use, before anything is built", async () => {
    const server = createServer();
    const port = await new Promise<number>((resolve) =>
      server.listen(0, "127.0.0.1", () => resolve((server.address() as { port: number }).port)),
    );
    const { status, lines } = run(rondeau, ["demo"], { PORT: String(port) });
    server.close();
    expect([status, lines.length]).toEqual([1, 1]);
    expect(lines[0]).toMatch(new RegExp(`Port ${port} is taken.*PORT=`));
  });
});

describe("a machine", () => {
  test("without Node is told what to install", () => {
    const { status, lines } = run(rondeau, ["check", "x.json"], { PATH: programs("without-node", {}) });
    expect([status, lines.length]).toEqual([1, 1]);
    expect(lines[0]).toMatch(/Node\.js is not installed. Install Node\.js 20\.19 or newer/);
  });
  test("with an old Node is told which one it has", () => {
    const old = 'if [ "$1" = -p ]; then echo 18.20.4; else exit 1; fi';
    const { status, lines } = run(rondeau, ["demo"], { PATH: programs("old-node", { node: old }) });
    expect([status, lines.length]).toEqual([1, 1]);
    expect(lines[0]).toMatch(/Node\.js 18\.20\.4 is too old/);
  });
  test("without a network is told that the packages cannot come, and a cut installation starts over", () => {
    const failing = 'echo "npm error network" >&2; exit 1';
    const bin = programs("no-network", { node: "exit 0", npm: failing });
    const command = checkout("cut");
    // As an interrupted installation leaves it: packages, and not the mark that they are all there.
    mkdirSync(path.join(path.dirname(command), "node_modules"));
    const { status, lines } = run(command, ["check", "x.json"], { PATH: bin });
    expect(status).toBe(1);
    expect(lines.join(" ")).toContain("installing packages");
    expect(lines.at(-1)).toMatch(/could not be installed.*network.*starts over/);
  });
  test("without chromium, and no way to install it, is told both", () => {
    const bin = programs("no-chromium", { node: "exit 0", id: "echo 1000" }, [
      "dirname",
      "readlink",
      "find",
      "stat",
      "cat",
      "touch",
      "mkdir",
      "bash",
    ]);
    const command = checkout("no-chromium-there");
    const directory = path.dirname(command);
    mkdirSync(path.join(directory, "node_modules"));
    writeFileSync(path.join(directory, "node_modules/.package-lock.json"), "{}");
    mkdirSync(path.join(directory, "dist/template"), { recursive: true });
    mkdirSync(path.join(directory, "src/db/migrations"), { recursive: true });
    writeFileSync(path.join(directory, "dist/template/PG_VERSION"), "18");
    const { status, lines } = run(command, ["test"], { PATH: bin, CHROMIUM_PATH: "/nowhere/chromium" });
    expect(status).toBe(1);
    expect(lines.at(-1)).toMatch(/need chromium.*CHROMIUM_PATH/);
  });
});
