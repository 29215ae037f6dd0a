/** Numbers as people type them: what was probably meant stands on a key. */

import { DEMO } from "../ports.js";
import { expect } from "./shop.js";
import { open, standing } from "./standing.js";

standing("a temper typed in the other unit is caught: 400 over 204 C was Fahrenheit, and one key says so", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-1`);
  await page.getByRole("button", { name: "Steps" }).click();
  const heat = page.getByRole("dialog").getByLabel(/^Heat/).last();
  const planned = Number(await heat.inputValue());
  const typed = Math.round(planned * 1.8 + 32);
  await heat.fill(String(typed));
  await expect(page.getByText(new RegExp(`${typed} °C is odd for a temper\\. Did you mean ${typed} °F`))).toBeVisible();
  await page.getByRole("button", { name: new RegExp(`^${planned} °C$`) }).click();
  expect(Math.abs(Number(await heat.inputValue()) - planned)).toBeLessThanOrEqual(1);
});
