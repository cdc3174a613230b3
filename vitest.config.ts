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
      // The server's modules keep the database and the clock of their process: a file starts with none.
      {
        extends: true,
        test: { name: "server", include: ["tests/server/**/*.test.ts"], exclude: process.env.RONDEAU_QUICK ? ["tests/server/**"] : [] },
      },
    ],
  },
});
