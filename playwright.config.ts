import { existsSync } from "node:fs";
import { defineConfig } from "@playwright/test";

/** Files that take minutes. */
const LONGEST = ["whole-lunch", "evening"].map((name) => `**/${name}.spec.ts`);

/** Draws a page with half the work of the whole browser. */
const SHELL = "/usr/bin/chromium-headless-shell";

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results/browser",
  globalSetup: "./tests/e2e/prepare.ts",
  // Each file of tests has a server, a port and a directory of its own. The longest begin first, so that both workers end together.
  workers: 2,
  projects: [
    { name: "long", testMatch: LONGEST },
    { name: "others", testIgnore: LONGEST },
  ],
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
      executablePath: process.env.CHROMIUM_PATH ?? (existsSync(SHELL) ? SHELL : "/usr/bin/chromium"),
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
