/** The light in the shop changes how the same steel looks and what a name means; the theme is kept. */

import { ambientFromLux, glowHex } from "../../core/src/index.js";
import { DEMO } from "../ports.js";
import { expect, visit } from "./shop.js";
import { open, standing } from "./standing.js";

function rgb(hex: string): string {
  return `rgb(${[1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)).join(", ")})`;
}

standing("from dim to open shade: the swatch is what core gives, and names mean more heat", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-4/bench`);
  const middle = page.locator(".swatch-ground i").nth(1);
  await expect(middle).toHaveCSS("background-color", rgb(glowHex(815, ambientFromLux(20))));
  await visit(page, "/");
  await page.getByRole("button", { name: /^Light/ }).click();
  await page.getByRole("button", { name: "open shade" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await visit(page, "/piece/demo-4/bench");
  await expect(middle).toHaveCSS("background-color", rgb(glowHex(815, ambientFromLux(1000))));
  await expect(page.getByText(/, in open shade$/)).toBeVisible();
  await page.getByRole("button", { name: "it looks" }).click();
  await expect(page.getByRole("button", { name: /^bright red 8[78]\d° to 96\d°/ })).toBeVisible();
});

standing("in the sun it says not to judge; the yard theme is kept over a reload", async ({ page }) => {
  await open(page, DEMO);
  await page.getByRole("button", { name: /^Light/ }).click();
  await page.getByRole("button", { name: "sun", exact: true }).click();
  await expect(page.getByText(/Do not judge a heat in sunlight/)).toBeVisible();
  await page.getByRole("button", { name: "Yard, daylight" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "yard");
  await expect(page.getByRole("button", { name: /^Light/ })).toContainText("sun, 50000 lx");
});
