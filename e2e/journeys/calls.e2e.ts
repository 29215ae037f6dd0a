/** What is due is called from whatever screen is open, and told when nobody could hear it. */

import { DEMO } from "../ports.js";
import { expect, test } from "./shop.js";

test("a temper that ends is called from the book, in the name of the tab, and from another day", async ({ page, context }) => {
  const start = Date.now();
  await page.clock.install({ time: start });
  await page.goto(DEMO);
  await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
  const row = page.getByRole("navigation", { name: "What runs elsewhere" });
  await expect(row.getByText(/in the oven/).first()).toBeVisible();
  await page.getByRole("navigation").getByRole("link", { name: "Book", exact: true }).click();
  await expect(page.getByRole("heading", { name: "The book", exact: true })).toBeVisible();
  await expect(row.getByText(/in the oven/).first()).toBeVisible();
  // Until its last seconds, and over its end.
  const left = (
    await row
      .getByRole("link", { name: /in the oven/ })
      .first()
      .locator("b")
      .innerText()
  )
    .split(":")
    .map(Number);
  const left_s = left.reduce((sum, part) => 60 * sum + part, 0);
  await page.clock.fastForward(1000 * (left_s - 12));
  for (let gone_s = 0; gone_s < 15; gone_s += 3) await page.clock.runFor(3000);
  await expect(page.getByRole("alert").getByText(/: The temper is over\./)).toBeVisible();
  await expect(page).toHaveTitle(/: The temper is over\./);
  await page.getByRole("button", { name: "Heard" }).click();
  await expect(page.getByText(/The temper is over/)).toBeHidden();
  // Closed, and opened again three hours later.
  await page.close();
  const later = await context.newPage();
  await later.clock.install({ time: start + 1000 * left_s + 3 * 3_600_000 });
  await later.goto(DEMO);
  await expect(
    later
      .getByRole("alert")
      .getByText(/While nobody could hear it/)
      .first(),
  ).toBeVisible();
  await expect(
    later
      .getByRole("alert")
      .getByText(/ late\./)
      .first(),
  ).toBeVisible();
});
