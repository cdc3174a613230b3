// Mutation tests of one source, by the tests that stand under its name: ./rondeau test mutants src/core/planner/verify
// The table at the end gives the share of small changes that a test noticed; those that none did stand above it, to be read one by one.
import { spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

const root = path.join(path.dirname(fileURLToPath(import.meta.url)), "../..");
const [source, ...tests] = process.argv.slice(2);
if (!source?.startsWith("src/") || !existsSync(path.join(root, source))) {
  process.stderr.write("Use: ./rondeau test mutants SOURCE [TESTS]..., such as src/core/planner/verify\n");
  process.exit(2);
}
const area = source.split("/").slice(1, 3).join("/");
const own = tests.length ? tests : [`tests/${area}/**/*.test.ts`];
const files = statSync(path.join(root, source)).isDirectory() ? `${source}/**/*.ts` : source;
const { status } = spawnSync(
  process.execPath,
  ["node_modules/@stryker-mutator/core/bin/stryker.js", "run", "tests/mutants/stryker.config.mjs"],
  {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, MUTANTS_OF: files, MUTANTS_TESTS: own.join(",") },
  },
);
process.exit(status ?? 1);
