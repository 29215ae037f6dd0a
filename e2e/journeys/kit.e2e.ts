/** The kit: said once, then plans keep to it; a piece that does not fit gets ways on; an oven's lag is told from its offset. */

import { DEMO, EMPTY } from "../ports.js";
import { expect, expectAccessible, expectNoSideways, visit } from "./shop.js";
import { open, standing } from "./standing.js";

standing("from nothing to a kit: the kiln school is refused, the oil of the plan is the one that is there", async ({ page }) => {
  await open(page, `${EMPTY}/kit`);
  await page.getByRole("button", { name: /Gas forge, cooking oil/ }).click();
  await expect(page.getByRole("img", { name: /Chambers and tanks to one scale: Gas forge/ })).toBeVisible();
  // The two things that decide most are asked, and each answer is kept as it is tapped.
  await expect(page.getByRole("heading", { name: /^Kept\. Two things/ })).toBeVisible();
  await page.getByText("3 or more").click();
  await expect(page.getByText(/3 burners/)).toBeVisible();
  await page
    .getByRole("radiogroup", { name: /^Oil in the can/ })
    .getByText("Used motor oil")
    .click();
  await expect(page.getByText(/used motor oil, /i)).toBeVisible();
  await page
    .getByRole("radiogroup", { name: /^Oil in the can/ })
    .getByText("Vegetable oil")
    .click();
  await page.getByRole("button", { name: "That is right" }).click();
  await expect(page.getByText("Which oil is in the can of cooking oil?")).toBeHidden();
  await visit(page, `${EMPTY}/new`);
  await expect(page.getByRole("radio", { name: /^Kiln/ })).toBeDisabled();
  await expect(page.getByText("There is no kiln in the kit.")).toBeVisible();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText("Into the vegetable oil")).toBeVisible();
});

standing("a piece too long for its tank is told by how much, in the shop's unit, with three ways on", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-3`);
  const sentence = page.getByText(/Fast oil is too shallow by \d+ mm/);
  await expect(sentence).toBeVisible();
  await sentence.click();
  await expect(page.getByText(/edge first in a long, shallow trough/)).toBeVisible();
  expect(await page.locator(".fit-notice details[open] li").count()).toBeGreaterThanOrEqual(3);
  await page.getByRole("button", { name: /°C, mm/ }).click();
  await page.getByRole("button", { name: "Inches and fractions" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await expect(page.getByText(/Fast oil is too shallow by .* in/)).toBeVisible();
});

standing("three readings of an oven: a lag is no offset, and the oven's dial follows at the bench", async ({ page }) => {
  await open(page, `${DEMO}/kit`);
  await page.getByRole("button", { name: /Check Temper oven/ }).click();
  for (let i = 4; i > 0; i--) await page.getByRole("button", { name: `Remove reading ${i}` }).click();
  await expect(page.getByText("3 more readings, at different times after it was set.")).toBeVisible();
  for (const [after, second] of [
    ["5", "170"],
    ["12", "189"],
    ["40", "200"],
  ] as const) {
    await page.getByLabel(/Since it was first set/).fill(after);
    await page.getByLabel(/The second thermometer says/).fill(second);
    await page.getByRole("button", { name: "Add this reading" }).click();
  }
  await expect(page.getByText(/True once it has settled.*lag, not a wrong dial/)).toBeVisible();
  await page.getByRole("button", { name: "Keep what they say" }).click();
  await expect(page.getByText(/shows what is true, swings 8°/)).toBeVisible();
});

standing("the kit for everyone: axe finds nothing serious, wide and narrow; an item is changed and kept", async ({ page }) => {
  await open(page, `${DEMO}/kit`);
  await expect(page.getByText("Plans name nothing that is not here")).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: /^Gas forge/ }).click();
  await page.getByLabel("Length inside").fill("20 in");
  await expect(page.getByText("That is 508 mm.")).toBeVisible();
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByText(/508 mm by 120 mm/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideways(page);
  await expectAccessible(page);
});
