import { defineConfig } from "@playwright/test";
import { CHROMIUM_SHELL } from "./chromium.js";
import { DEMO_PORT, EMPTY_PORT, FORGE_PRACTICE_PORT, KILN_PRACTICE_PORT } from "./ports.js";

const server = (port: number, demo: string) => ({
  command: "node server/dist/main.js",
  cwd: "..",
  url: `http://127.0.0.1:${port}/api/config`,
  env: { PORT: String(port), TEMBRAK_DEMO: demo },
  reuseExistingServer: false,
});

const PRACTICE = ["practice.e2e.ts", "practisedRun.e2e.ts"];

export default defineConfig({
  testDir: "journeys",
  outputDir: "../test-results",
  // None should need it: tools/test.mjs says how many did, and a second failure counts.
  retries: 1,
  // Side by side: every journey has its own browser context. Two keep both processors busy; those in the simulated shop mostly wait for its
  // time to pass, and go one after the other beside them.
  workers: 3,
  fullyParallel: true,
  timeout: 90_000,
  expect: { timeout: 30_000 },
  projects: [
    // Those that wait for simulated time begin first, so that nobody waits for them at the end.
    { name: "practice", testMatch: PRACTICE, workers: 1 },
    { name: "journeys", testMatch: "*.e2e.ts", testIgnore: PRACTICE, workers: 2 },
  ],
  reporter: process.env["TEMBRAK_REPORT"] ? [["list"], ["json", { outputFile: process.env["TEMBRAK_REPORT"] }]] : [["list"]],
  use: {
    actionTimeout: 30_000,
    // Fetched and stored anew for each journey's own browser it costs a quarter of the time; those about it allow it.
    serviceWorkers: "block",
    viewport: { width: 1280, height: 800 },
    // In another the units would be others.
    locale: "en-GB",
    trace: process.env["TEMBRAK_TRACE"] ? "retain-on-failure" : "off",
    launchOptions: CHROMIUM_SHELL,
  },
  webServer: [server(DEMO_PORT, "1"), server(EMPTY_PORT, "0"), server(FORGE_PRACTICE_PORT, "0"), server(KILN_PRACTICE_PORT, "0")],
});
