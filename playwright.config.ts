import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";

// Evaluated in the runner and again in each worker: only the first may make the directory.
process.env.E2E_DATA_DIR ??= mkdtempSync(path.join(tmpdir(), "rondeau-e2e-"));

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results/browser",
  workers: 1,
  // The machine is shared: what fails once for want of a core is tried again from a fresh server, and reported as flaky.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/browser.json" }]],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: "Europe/Dublin",
    locale: "en-GB",
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--no-pings",
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
      ],
    },
  },
});
