import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./chromium.js";
import journeys from "./playwright.config.js";

export default defineConfig({
  ...journeys,
  use: { ...journeys.use, launchOptions: CHROMIUM },
  projects: [{ name: "screenshots" }],
  testDir: "screenshots",
  testMatch: "*.shot.ts",
  workers: 1,
});
