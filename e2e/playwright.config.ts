import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./chromium.js";
import { DEMO_PORT, EMPTY_PORT } from "./ports.js";

const server = (port: number, demo: string) => ({
  command: "node server/dist/main.js",
  cwd: "..",
  url: `http://127.0.0.1:${port}/api/config`,
  env: { PORT: String(port), TEMBRAK_DEMO: demo },
  reuseExistingServer: false,
});

export default defineConfig({
  testDir: "journeys",
  testMatch: "*.e2e.ts",
  outputDir: "../test-results",
  // A slow machine paints blurred glow without a graphics card: once in a while a click waits too long. A second failure counts.
  retries: 1,
  workers: 1,
  fullyParallel: false,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: process.env["TEMBRAK_REPORT"] ? [["list"], ["json", { outputFile: process.env["TEMBRAK_REPORT"] }]] : [["list"]],
  use: {
    actionTimeout: 45_000,
    viewport: { width: 1280, height: 800 },
    trace: process.env["TEMBRAK_TRACE"] ? "retain-on-failure" : "off",
    launchOptions: CHROMIUM,
  },
  webServer: [server(DEMO_PORT, "1"), server(EMPTY_PORT, "0")],
});
