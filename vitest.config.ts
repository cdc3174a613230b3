import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  resolve: { alias: { "@": at("./src"), "server-only": at("./tests/support/empty.ts") } },
  test: {
    include: ["tests/**/*.test.ts"],
    exclude: ["tests/e2e/**"],
    environment: "node",
    setupFiles: ["./tests/support/setup.ts"],
    pool: "threads",
    maxWorkers: 2,
    // Most of a file's time went into loading what the file before it had loaded already.
    isolate: false,
    testTimeout: 120_000,
    hookTimeout: 60_000,
  },
});
