/** What a smith just read, tapped or filed is not overruled: a late tap, a bite straight after the bath, a cold bath before the heat. */

import { EMPTY } from "../ports.js";
import { bookAt, bringIn, SICKLE } from "./books.js";
import { expect, expectAccessible, expectNoSideways, outNow, passGate, visit, normalise } from "./shop.js";
import { clocked, standing } from "./standing.js";

const KNIFE = { ...SICKLE, name: "Hay knife", kind: "knife", form: "knife", use: "slicer", length_mm: 240 } as const;
const THIN = { ...KNIFE, section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.8, height_mm: 30 } } as const;

clocked(
  "gloves were on: seventeen seconds from the fire are asked about in one line, put right by one key, and so in the record",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("late.tembrak.json"), bookAt(THIN, "heat", 60), THIN.name);
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await passGate(page);
    await normalise(page);
    await page.getByRole("button", { name: /At heat: start the hold/ }).click();
    await outNow(page, /Out of the fire/);
    await page.clock.runFor(17_000);
    await page.getByRole("button", { name: /It is in the bath/ }).click();
    const ask = page.getByText(/^1[78] s from the fire to the bath, where 1\.5 is usual: really, or tapped late\?$/);
    await expect(ask).toBeVisible();
    await page.setViewportSize({ width: 390, height: 844 });
    await expectNoSideways(page);
    await expectAccessible(page);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole("button", { name: "Tapped late" }).click();
    await expect(ask).toBeHidden();
    // With its own second it is no failed knife.
    await page.getByRole("link", { name: "Card" }).click();
    await expect(page.getByTestId("verdict")).toContainText(/will be [56]\d HRC/);
    await visit(page, `${EMPTY}/book/hand`);
    await expect(page.getByText(/tapped late/).first()).toBeVisible();
  },
);

standing("a mill file that bites straight after the bath: why, and once more elsewhere, before any temper", async ({ page }, info) => {
  await bringIn(page, info.outputPath("bite.tembrak.json"), bookAt(THIN, "first-file", 1500), THIN.name);
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await page.getByRole("link", { name: "Try the files" }).click();
  await page.getByRole("button", { name: "ground bright" }).click();
  const onlyMill = page.getByRole("button", { name: /^(Mill file|File mill) bites/i });
  await ((await onlyMill.count()) > 0 ? onlyMill : page.getByRole("button", { name: "File 60 bites" })).click();
  const keys = page.getByRole("button", { name: /^(Why, and harden it again|Test once more elsewhere)/ });
  await expect(keys).toHaveCount(2);
  await expect(page.getByText(/A bite on clean steel is a failed quench/)).toBeVisible();
});

clocked("a bath read thirty under its plan: said before the heat, on the card and in the title", async ({ page }, info) => {
  await bringIn(page, info.outputPath("cold.tembrak.json"), bookAt(THIN, "hold", 60), THIN.name);
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await outNow(page, /Out of the fire/);
  await page.getByRole("button", { name: /^Bath reads/ }).click();
  await page.getByRole("textbox", { name: /^Bath/ }).fill("25");
  await page.getByRole("button", { name: "Log it" }).click();
  await expect(page.getByRole("heading", { name: /^Into the .* at 25°, not 55 °C/ })).toBeVisible();
  await visit(page, `${EMPTY}/piece/hand`);
  await expect(page.getByText(/^Bath at 25°, 30° under its plan: warm it before this goes in\.$/)).toBeVisible();
  await page.getByRole("link", { name: "To the bench" }).click();
  await page.getByRole("button", { name: "Heat it once more" }).click();
  await passGate(page);
  await expect(page.getByText(/^Bath at 25°, 30° under its plan: warm it before this goes in\.$/)).toBeVisible();
});
