/** A plan worked out: its ways, what is kept, and the way that was taken. */

import { DEMO } from "../ports.js";
import { expect, test, visit } from "./shop.js";

test("the ways of a plan: compared, one kept around its bath, the surest taken, and the card has it", async ({ page }) => {
  await page.goto(DEMO);
  await expect(page.getByRole("heading", { name: /oven, now/ })).toBeVisible();
  // Bark spud, not begun.
  await visit(page, "/piece/demo-2");
  const line = page.getByTestId("solved");
  await expect(line).toContainText(/Worked out: .* lands \d in 10; as it is planned, \d in 10/);
  await line.getByRole("link", { name: "The ways" }).click();
  await expect(page.getByRole("status")).toContainText(/ways? to 50 to 55 at the edge\. The surest lands there/);
  const surest = page.locator('[data-way="surest"]');
  await expect(surest).toContainText("in 10");
  await page.getByRole("radio", { name: "quickest" }).check();
  await expect(page.getByRole("button", { name: "Go the quickest way" })).toBeVisible();
  await page.getByRole("radio", { name: "surest" }).check();
  // The temper as it is planned: worked out anew around it.
  await page.getByRole("button", { name: "the temper" }).click();
  await expect(page.getByText(/^surest: .*at 230 °C/)).toBeVisible();
  await page.getByRole("button", { name: "the temper" }).click();
  const short = page.getByText(/^surest: .*tempered twice at (?!230)/);
  await expect(short).toBeVisible();
  const heat = /surest: (\d+)/.exec((await short.textContent())!)![1]!;
  await page.getByRole("button", { name: "Go the surest way" }).click();
  await expect(page.getByRole("link", { name: "To the bench" })).toBeVisible();
  await expect(page.getByRole("main")).toContainText(`${heat}°`);
  await expect(page.getByTestId("solved")).toHaveCount(0);
});
