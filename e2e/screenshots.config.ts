import { defineConfig } from "@playwright/test";
import journeys from "./playwright.config.js";

export default defineConfig({ ...journeys, testDir: "screenshots", testMatch: "*.shot.ts" });
