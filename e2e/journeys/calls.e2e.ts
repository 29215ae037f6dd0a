/** What is due is called from whatever screen is open, and told when nobody could hear it. */

import type { Page } from "@playwright/test";
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
  await page.getByRole("button", { name: /^Heard/ }).click();
  await expect(page.getByTestId("unheard")).toBeHidden();
  // Closed, and opened again three hours later.
  await page.close();
  const later = await context.newPage();
  await later.clock.install({ time: start + 1000 * left_s + 3 * 3_600_000 });
  await later.goto(DEMO);
  await expect(
    later
      .getByRole("alert")
      .getByText(/nobody could hear it/)
      .first(),
  ).toBeVisible();
  await expect(
    later
      .getByRole("alert")
      .getByText(/ late$/)
      .first(),
  ).toBeVisible();
});

/** As a browser has it when another window is in front: its own timers stand still here, which is worse than a look a minute. */
async function putInPocket(page: Page): Promise<void> {
  await page.evaluate(() => {
    Object.defineProperty(document, "visibilityState", { value: "hidden", configurable: true });
    document.dispatchEvent(new Event("visibilitychange"));
  });
}

test.describe("in a pocket", () => {
  test.use({ serviceWorkers: "allow" });
  test("its own timers stopped, the end of a temper is called by a notification, and stays until heard", async ({ page }) => {
    // A browser without a window allows and keeps no notifications: what it was asked to show is written down.
    await page.addInitScript(() => {
      const told: string[] = [];
      Object.assign(window, { told });
      Object.defineProperty(Notification, "permission", { get: () => "granted" });
      ServiceWorkerRegistration.prototype.showNotification = (_, options) => Promise.resolve(void told.push(options?.body ?? ""));
    });
    await page.goto(DEMO);
    await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    const row = page.getByRole("navigation", { name: "What runs elsewhere" });
    const first = row.getByRole("link", { name: /in the oven/ }).first();
    const left_s = (await first.locator("b").innerText()).split(":").reduce((sum, part) => 60 * sum + Number(part), 0);
    const start = await page.evaluate(() => Date.now());
    await page.clock.install({ time: start });
    await page.reload();
    await expect(first).toBeVisible();
    // What is shown as left may be some seconds old where the machine is busy: it is in the pocket well before the end.
    await page.clock.pauseAt(start + 1000 * Math.max(left_s - 14, 30));
    await putInPocket(page);
    for (let s = -14; s < 8; s += 2) {
      await page.clock.setSystemTime(start + 1000 * (Math.max(left_s, 44) + s));
      await page.waitForTimeout(1000);
    }
    await expect(page).toHaveTitle(/: The temper is over\./);
    // The registration is asked for first: the title is there before it.
    const told = () => page.evaluate(() => (window as unknown as { told: string[] }).told);
    await expect.poll(told).toContain("The temper is over.");
    await expect(page.getByTestId("unheard").getByText(/The temper is over/)).toBeVisible();
    await page
      .getByTestId("unheard")
      .getByRole("button", { name: /^Heard/ })
      .click();
    await expect(page.getByTestId("unheard")).toBeHidden();
  });
});
