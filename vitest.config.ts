import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** What is left out by `./rondeau test quick`: whatever plans, rehearses, writes to a disk or draws, and the long lists. */
const SLOW = process.env.RONDEAU_QUICK
  ? [
      ...["planner", "rehearse", "import", "view", "devices", "sheets"].map((folder) => `tests/core/${folder}/**`),
      "tests/core/{safety/{hazards,demo-figures,rules},measures/{catalogue,heat,laws},dish/fuzz,bench/{panels,in-place}}.test.ts",
      ...["db", "ui", "cli", "workers"].map((folder) => `tests/${folder}/**`),
    ]
  : [];

const ALONE = ["planner-thread", "restoring"].map((name) => `tests/server/${name}.test.ts`);

export default defineConfig({
  resolve: { alias: { "@": at("./src"), "server-only": at("./tests/support/empty.ts"), "next/headers": at("./tests/support/headers.ts") } },
  test: {
    environment: "node",
    setupFiles: ["./tests/support/setup.ts"],
    pool: "threads",
    maxWorkers: 2,
    testTimeout: 120_000,
    hookTimeout: 60_000,
    projects: [
      // Most of a file's time went into loading what the file before it had loaded already.
      {
        extends: true,
        test: { name: "shared", include: ["tests/**/*.test.ts"], exclude: ["tests/e2e/**", "tests/server/**", ...SLOW], isolate: false },
      },
      // The database and the clock of the process are closed and taken away between two files (support/server.ts).
      {
        extends: true,
        test: {
          name: "server",
          include: ["tests/server/**/*.test.ts"],
          exclude: process.env.RONDEAU_QUICK ? ["tests/server/**"] : ALONE,
          isolate: false,
        },
      },
      // What puts something in the place of a module, or another database in the place of the one that is open.
      { extends: true, test: { name: "alone", include: process.env.RONDEAU_QUICK ? [] : ALONE } },
    ],
  },
});
