// Mutation tests of one source, by the tests that stand under its name: ./rondeau test mutants src/core/planner/verify
// The table at the end gives the share of small changes that a test noticed; those that none did stand above it, to be read one by one.
// --lines N takes only what stands on N lines of it, chosen by chance (--seed 1): a sample of an area that is too large to go through.
import { spawnSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

const root = path.join(path.dirname(fileURLToPath(import.meta.url)), "../..");
const options = { lines: 0, seed: 1 };
const [source, ...tests] = process.argv.slice(2).filter((word, i, all) => {
  const option = /^--(lines|seed)$/.exec(word)?.[1];
  if (option) options[option] = Number(all[i + 1]);
  return !option && !/^--(lines|seed)$/.test(all[i - 1] ?? "");
});
if (!source?.startsWith("src/") || !existsSync(path.join(root, source))) {
  process.stderr.write("Use: ./rondeau test mutants SOURCE [TESTS]... [--lines N] [--seed S], such as src/core/planner/verify\n");
  process.exit(2);
}
const area = source.split("/").slice(1, 3).join("/");
const own = tests.length ? tests : [`tests/${area}/**/*.test.ts`];
const isFolder = statSync(path.join(root, source)).isDirectory();
const files = options.lines > 0 ? sampled(options.lines, options.seed) : isFolder ? `${source}/**/*.ts` : source;

/** So many lines with code, by a seeded shuffle (mulberry32), as ranges of one line each. */
function sampled(many, seed) {
  const names = isFolder
    ? readdirSync(path.join(root, source), { recursive: true })
        .filter((f) => f.endsWith(".ts"))
        .map((f) => `${source}/${f}`)
    : [source];
  const lines = names.sort().flatMap((name) =>
    readFileSync(path.join(root, name), "utf8")
      .split("\n")
      .flatMap((text, i) =>
        /[=<>&|?+*/!-]|return|\d/.test(text.replace(/\/\/.*|^\s*\*.*|^import.*|^export type.*/, "")) ? [`${name}:${i + 1}-${i + 1}`] : [],
      ),
  );
  let a = seed >>> 0;
  const random = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return lines
    .map((line) => [random(), line])
    .sort((x, y) => x[0] - y[0])
    .slice(0, many)
    .map(([, line]) => line)
    .join(",");
}
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
