import { defineConfig } from "@playwright/test";
import journeys from "./playwright.config.js";

export default defineConfig({
  ...journeys,
  projects: [{ name: "screenshots" }],
  testDir: "screenshots",
  testMatch: "*.shot.ts",
  workers: 1,
});
