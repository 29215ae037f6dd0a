/** A piece that is soft only on its skin: found by grinding, not hardened again for it. */

import { EMPTY } from "../ports.js";
import { bookAt, bringIn, SICKLE } from "./books.js";
import { expect, visit } from "./shop.js";
import { standing } from "./standing.js";

standing(
  "soft because of its skin: the file cannot be trusted, a ground spot tells, and it goes on to its temper",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("skin.json"), bookAt(SICKLE, "first-file", 2400));
    const said = async (): Promise<number> => {
      await expect(page.getByTestId("verdict")).toContainText(/Edge will be \d\d HRC/);
      return Number(/be (\d\d) HRC/.exec(await page.getByTestId("verdict").innerText())![1]);
    };
    await visit(page, `${EMPTY}/piece/hand`);
    const planned_HRC = await said();
    await page.getByRole("link", { name: "To the bench" }).click();
    await page.getByRole("link", { name: "Try the files" }).click();
    await page.getByRole("button", { name: "long in the fire" }).click();
    for (const file of [65, 60, 55]) await page.getByRole("button", { name: `File ${file} bites` }).click();
    await expect(page.getByText(/an even chance that a soft skin hides hard steel/)).toBeVisible();
    await page.getByRole("button", { name: /Why, and harden it again/ }).click();
    const causes = page.getByRole("listitem").filter({ has: page.locator(".why-bar") });
    const look = page.getByRole("region", { name: /look that tells/ });
    await expect(look).toContainText(/Grind a spot, and file it there/);
    await look.getByRole("button", { name: /Hard below the skin/ }).click();
    await expect(causes.first()).toContainText(/(9 in 10|almost certain)\s*Soft skin over hard steel/);
    // Nobody is sent back to the fire for a skin: ground bright, the same files skate.
    await page.getByRole("link", { name: "Files" }).click();
    await page.getByRole("button", { name: "ground bright" }).click();
    for (const file of [65, 60, 55]) await page.getByRole("button", { name: `File ${file} skates` }).click();
    await page.getByRole("button", { name: "Keep this result" }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText(/oven|temper|Oven/i);
    await page.getByRole("link", { name: "Card" }).click();
    expect(Math.abs((await said()) - planned_HRC)).toBeLessThanOrEqual(1);
  },
);
