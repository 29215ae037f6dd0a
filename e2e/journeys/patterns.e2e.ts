/** A quench of more moves than in and out: chosen by what comes of it, led at the bath, told as it went. */

import { DEMO, EMPTY } from "../ports.js";
import { expect, goToBench, outNow, passGate, test } from "./shop.js";
import type { Page } from "@playwright/test";

async function take(page: Page, way: string): Promise<void> {
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("button", { name: "Ways through the bath" }).click();
  await page.getByRole("button", { name: `Do it so: ${way}` }).click();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByRole("dialog")).toBeHidden();
}

test("the edge to its line, then the back dipped: compared, planned, led by what one sees, and the card tells what was done", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto(`${DEMO}/piece/demo-4`);
  await expect(page.getByTestId("verdict")).toContainText("HRC");
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("button", { name: "Ways through the bath" }).click();
  const ways = page.getByRole("listitem").filter({ hasText: /The edge, then the back\./ });
  await expect(ways.last()).toContainText(/edge \d\d HRC .* spine .*line \d+(\.\d)? mm up\. .*that it hardens/);
  await page.getByRole("button", { name: "Do it so: The edge, then the back" }).click();
  // Its numbers are fields; what cannot be read is not kept.
  await page.getByLabel("Back under after, s").fill("soon");
  await expect(page.getByRole("button", { name: "Keep these steps" })).toBeDisabled();
  await page.getByLabel("Back under after, s").fill("45");
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByRole("dialog")).toBeHidden();
  await page.getByRole("link", { name: "To the bench" }).click();
  await page.getByRole("button", { name: /At heat: start the hold/ }).click();
  await outNow(page, /Out of the fire: to the bath/);
  await expect(page.getByRole("heading", { name: /the edge .* deep, then the back/ })).toBeVisible();
  await page.clock.runFor(1500);
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  await expect(page.getByText(/Rock the edge until the back is dark, about 4\d s/)).toBeVisible();
  // Too soon: it still glows.
  await page.clock.runFor(3000);
  await page.getByRole("button", { name: /The back is under too/ }).click();
  await expect(page.getByRole("img", { name: /tip down, edge leading/ })).toBeVisible();
  await page.clock.runFor(20_000);
  await page.getByRole("button", { name: /It is out/ }).click();
  await expect(page.getByRole("heading", { name: /^Sight/ })).toBeVisible();
  await page.getByRole("link", { name: "Card" }).click();
  await expect(page.getByTestId("moved")).toContainText(/the back under after \d(\.\d)? s.*spine \d\d instead of \d\d HRC/);
});

test("a two-ended tool in a tank too short: both ends by turns out of one heat, and one that waited too long goes back", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto(`${EMPTY}/new`);
  await page.getByRole("radio", { name: /^Punch/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await expect(page.getByTestId("verdict")).toContainText(/HRC|hardens/);
  await take(page, "Both ends by turns");
  await goToBench(page);
  await passGate(page);
  for (let heat = 0; heat < 3; heat++) {
    await page.getByRole("button", { name: "Magnet lets go" }).click();
    await expect(page.getByRole("status").first()).toContainText("magnet lets go");
    await page.getByRole("button", { name: /At heat: out to cool/ }).click();
    await page.getByRole("button", { name: /It is (black|hand-warm)/ }).click();
  }
  await page.getByRole("button", { name: /At heat: start the hold/ }).click();
  await outNow(page, /Out of the fire/);
  await expect(page.getByRole("heading", { name: /both ends by turns, .* deep/ })).toBeVisible();
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  await expect(page.getByText(/First end under\. Change over/)).toBeVisible();
  await expect(page.getByText(/First end about \d+ °C, second \d+ °C, by the model/)).toBeVisible();
  // Nobody changes over: by then the second end will not harden.
  await page.clock.runFor(100_000);
  await expect(page.getByText(/The second end has waited too long to harden: back in the fire/)).toBeVisible();
  await page.getByRole("button", { name: /Second end is under/ }).click();
  await expect(page.getByText(/Second end under\. Change over/)).toBeVisible();
  await page.getByRole("button", { name: /First end is under again/ }).click();
  await expect(page.getByText(/First end under\. Change over/)).toBeVisible();
  await page.getByRole("button", { name: /It is out/ }).click();
  await expect(page.getByRole("heading", { name: /^Sight/ })).toBeVisible();
});
