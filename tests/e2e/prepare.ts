// The demo, planned once for all test files that begin at the same hour: each of their servers starts from a copy.
import { cpSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { Server } from "./server";

const root = fileURLToPath(new URL("../..", import.meta.url));
const BEGINS = "2026-11-25T19:00:00Z";

export default async function prepare(): Promise<void> {
  const build = readFileSync(path.join(root, ".next/BUILD_ID"), "utf8").trim();
  const ready = path.join(root, "test-results/prepared", `${build}-${Date.parse(BEGINS)}`);
  if (!existsSync(ready)) await make(ready);
  process.env.RONDEAU_E2E_PREPARED = ready;
  process.env.RONDEAU_E2E_PREPARED_AT = BEGINS;
}

async function make(ready: string): Promise<void> {
  rmSync(path.dirname(ready), { recursive: true, force: true });
  const server = new Server(4301, BEGINS);
  await server.start();
  await Promise.all(["harvest-lunch", "spiced-duck", "saturday-pastries"].map((slug) => server.settled(slug)));
  await server.stop();
  const part = `${ready}.part`;
  mkdirSync(path.dirname(part), { recursive: true });
  cpSync(server.directory, part, { recursive: true });
  renameSync(part, ready);
}
