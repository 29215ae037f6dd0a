/** A pot of oil in the kit, a clad knife planned through it, and its tester set where the drawing was tapped. */

import { EMPTY } from "../ports.js";
import { expect, expectAccessible, expectNoSideways, visit } from "./shop.js";
import { open, standing } from "./standing.js";

standing(
  "a clad knife for a pot of oil: a faster bath with the reason, the oil named at every step, its tester set on the drawing",
  async ({ page }) => {
    await open(page, `${EMPTY}/kit`);
    await page.getByRole("button", { name: /Kiln, two oils, hardness files/ }).click();
    await page.getByRole("button", { name: "+ Oven, or a pot or tray to temper in" }).click();
    await page.getByLabel("Name").fill("Oil pot");
    await page.getByLabel("The piece lies in").click();
    await page.getByRole("option", { name: "oil: a pot" }).click();
    await expect(page.getByText(/Well under the oil's flash/)).toBeVisible();
    await page.getByRole("button", { name: "Keep it" }).click();
    await expect(page.getByText(/^oil, 420 mm/)).toBeVisible();

    await visit(page, `${EMPTY}/new`);
    await page.getByRole("combobox", { name: "Steel" }).click();
    await page.getByRole("option", { name: /^O1,/ }).click();
    await page.getByRole("combobox", { name: "Clad" }).click();
    await page.getByRole("option", { name: "stainless on both faces" }).click();
    await page.getByLabel("Thickness of the core").fill("1.2");
    await page.getByRole("radio", { name: /^Hot oil/ }).click();
    await page.getByRole("button", { name: "Plan its heats" }).click();
    await expect(page.getByText(/O1 in stainless/)).toBeVisible();
    await page.getByRole("button", { name: "Steps" }).click();
    await expect(page.getByText(/The cladding slows the core/)).toBeVisible();
    await expect(page.getByText("Into the fast oil")).toBeVisible();
    await page.keyboard.press("Escape");

    // Whoever tests before the end finds where the tester was set in the record.
    await visit(page, `${page.url()}/test/prove`);
    await expect(page.getByText(/Test the bare core at the edge/)).toBeVisible();
    await page.getByRole("button", { name: "Add tester readings" }).click();
    await page.getByLabel("Tester readings, HRC").fill("59 60.5 41");
    const drawing = page.getByRole("img", { name: /^Tap where reading 1, 59/ });
    const box = (await drawing.boundingBox())!;
    await drawing.click({ position: { x: 0.6 * box.width, y: 0.5 * box.height } });
    await expect(page.getByRole("img", { name: /^Tap where reading 2, 60.5/ })).toBeVisible();
    await page.getByRole("combobox", { name: "2: 60.5" }).click();
    await page.getByRole("option", { name: "middle, near the back" }).click();
    await page.getByRole("combobox", { name: "3: 41" }).click();
    await page.getByRole("option", { name: "by the tang" }).click();
    await expect(page.getByText(/Reading 3 is by the tang/)).toBeVisible();
    await expectAccessible(page);
    await page.setViewportSize({ width: 390, height: 844 });
    await expectNoSideways(page);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole("button", { name: "Leave it out" }).click();
    await expect(page.getByLabel("Tester readings, HRC")).toHaveValue("59 60.5");
    await page.getByRole("button", { name: "Keep this result" }).click();
    await expect(page.getByRole("img", { name: "Where its tester was set: 1, 59; 2, 60.5 HRC" })).toBeVisible();
  },
);
