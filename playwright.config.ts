import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/lib/machine.mjs";

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/signedIn.setup.ts",
  outputDir: process.env.E2E_OUTPUT ?? "test-results",
  timeout: 300_000,
  // What is computed may take its time on a busy machine; a test says what is shown, not how fast.
  expect: { timeout: 30_000 },
  // One database for all: errands that change something name bars of their own.
  workers: 2,
  // On the build machine a second try tells a slow moment from a fault; what needed one is named in the report.
  retries: process.env.CI ? 1 : 0,
  reporter: [["dot"], ["json", { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ?? "test-results/report.json" }]],
  use: {
    storageState: process.env.E2E_STATE ?? "test-results/state.json",
    baseURL: process.env.BASE_URL ?? "http://127.0.0.1:3210",
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM.path, args: CHROMIUM.args },
    screenshot: "only-on-failure",
  },
});
