import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const at = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));

export default defineConfig({
  root: at("."),
  resolve: { alias: { "@": at("src"), "server-only": at("tests/support/empty.ts") } },
  test: {
    include: (process.env.MUTANTS_TESTS ?? "tests/core/**/*.test.ts").split(","),
    setupFiles: ["./tests/support/setup.ts"],
    testTimeout: 120_000,
  },
});
