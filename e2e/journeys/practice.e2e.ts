/** The simulated shop: a newcomer's first blade from cold to verdict, and a kiln run of three with the door. */

import type { Page } from "@playwright/test";
import { EMPTY } from "../ports.js";
import { expect, passGate, test } from "./shop.js";

/** A practice piece of a school, at its bench. @returns the address of the bench. */
async function practise(page: Page, school: RegExp): Promise<string> {
  await page.goto(`${EMPTY}/new`);
  await page.getByRole("radio", { name: school }).click();
  await page.getByRole("radio", { name: /In the simulated shop/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await page.getByRole("link", { name: "To the bench" }).click();
  await page.waitForURL(/\/bench$/);
  return page.url();
}

async function openShop(page: Page, speed: string): Promise<void> {
  await page.getByRole("button", { name: "Open the simulated shop" }).click();
  await page.getByRole("button", { name: speed, exact: true }).click();
}

/** In the fire until the magnet lets go, then ends the heat, with the clock as fast as the hands can follow. */
async function heatByMagnet(page: Page, done: RegExp, handSpeed?: string): Promise<void> {
  await page.getByRole("button", { name: "it is in the fire" }).click();
  await expect(page.getByText(/Simulated, in the forge/)).toBeVisible();
  await expect(async () => {
    await page.getByRole("button", { name: /touch it with the magnet/ }).click();
    await expect(page.getByText("last: lets go")).toBeVisible({ timeout: 300 });
  }).toPass({ timeout: 120_000 });
  if (handSpeed !== undefined) {
    await page.getByRole("button", { name: handSpeed, exact: true }).click();
    await expect(page.getByRole("button", { name: handSpeed, exact: true })).toHaveAttribute("aria-pressed", "true");
  }
  await page.getByRole("button", { name: done }).click();
}

test("a beginner's first blade with forge and magnet, from cold to verdict, without steel", async ({ page }) => {
  test.setTimeout(600_000);
  await practise(page, /Forge, to the magnet and no further/);
  await passGate(page);
  await openShop(page, "20×");
  // Three normalising heats: each seen to let go of the magnet, each cooled to black or hand-warm.
  for (const end of [/It is black/, /It is black/, /It is hand-warm/]) {
    await heatByMagnet(page, /At heat: out to cool/);
    await page.getByRole("button", { name: "100×" }).click();
    await expect(page.getByText(/Simulated, in the tongs, in air/)).toBeVisible();
    await page.waitForTimeout(end.source.includes("hand") ? 9000 : 3500);
    await page.getByRole("button", { name: "20×" }).click();
    await page.getByRole("button", { name: end }).click();
  }
  await expect(page.getByRole("heading", { name: /^Harden/ })).toBeVisible();
  await page.getByRole("button", { name: "5×", exact: true }).click();
  await heatByMagnet(page, /At heat: go to the bath/, "1×");
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  await expect(page.getByText(/Simulated, in the bath/)).toBeVisible();
  await page.getByRole("button", { name: "5×", exact: true }).click();
  await page.waitForTimeout(4000);
  await page.getByRole("button", { name: /It is out/ }).click();
  await page.getByRole("button", { name: "It is straight" }).click();
  await page.getByRole("button", { name: "100×" }).click();
  await page.waitForTimeout(8000);
  await page.getByRole("button", { name: /It is hand-warm/ }).click();
  // The simulated file has to skate on what was hardened.
  await page.getByRole("link", { name: "Try the files" }).click();
  await page.getByRole("button", { name: "file 55", exact: true }).click();
  await expect(page.getByRole("button", { name: "File 55 skates" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Keep this result" }).click();
  // Twice two hours in the oven, a hundred times as fast.
  for (let i = 0; i < 2; i++) {
    await page.getByRole("button", { name: "It is in the oven" }).click();
    await expect(page.getByText(/Simulated, in the oven/)).toBeVisible();
    await expect(page.getByText("over. Go on now")).toBeVisible({ timeout: 240_000 });
    await page.getByRole("button", { name: /Out, and cool to the touch/ }).click();
  }
  await page.getByRole("link", { name: "Try the files" }).click();
  for (let i = 0; i < 3; i++) await page.getByRole("button", { name: "tester", exact: true }).click();
  await expect(page.getByTestId("test-mean")).not.toHaveText("–");
  const mean = Number(await page.getByTestId("test-mean").textContent());
  // A kitchen knife that hardened and was tempered: neither soft nor as it left the bath.
  expect(mean).toBeGreaterThan(52);
  expect(mean).toBeLessThan(64);
  await page.getByRole("button", { name: "Keep this result" }).click();
  await expect(page).toHaveURL(/\/book\//);
  await expect(page.getByText(/Tested:/).first()).toBeVisible();
});

test("a kiln run of three: the door drops the chamber, the others wait for it, power is off before a hand goes in", async ({ page }) => {
  test.setTimeout(480_000);
  const benches: string[] = [];
  for (let i = 0; i < 3; i++) benches.push(await practise(page, /Kiln, controlled soak/));
  // All three are described: now the shop that holds them is opened, from the bench of the first.
  await page.goto(benches[0]!);
  await passGate(page);
  await openShop(page, "20×");
  for (const [i, bench] of benches.entries()) {
    await page.goto(bench);
    if (i > 0) await passGate(page);
    await page.getByRole("button", { name: "it is in the kiln" }).click();
    await expect(page.getByText(/Simulated, in the kiln/)).toBeVisible();
  }
  await page.getByRole("button", { name: "5×", exact: true }).click();
  for (const bench of benches) {
    await page.goto(bench);
    await page.getByRole("button", { name: /At heat: start the hold/ }).click();
    await expect(page.getByTestId("two-clocks")).toContainText("piece");
  }
  await expect(page.getByRole("list", { name: "Also in the kiln" }).getByRole("listitem")).toHaveCount(2);
  // The first comes out: not while the power is on.
  await page.goto(benches[0]!);
  await expect(page.getByRole("button", { name: /Out to cool in air/ })).toBeDisabled();
  await page.getByRole("button", { name: /Power is off/ }).click();
  await page.getByRole("button", { name: /Out to cool in air/ }).click();
  await expect(page.getByRole("heading", { name: /^Let it cool/ })).toBeVisible();
  // The two that stay: their clocks stand until the chamber is logged back at its heat.
  await page.goto(benches[1]!);
  await expect(page.getByText(/the clock waits: chamber back/)).toBeVisible();
  await expect(page.getByRole("list", { name: "Also in the kiln" })).toContainText("waits for the chamber");
  const stood = await page.getByTestId("numeral").textContent();
  await page.waitForTimeout(1500);
  expect(await page.getByTestId("numeral").textContent()).toBe(stood);
  await expect(async () => {
    await page.getByRole("button", { name: /Chamber reads/ }).click();
    await expect(page.getByText(/the clock waits/)).toBeHidden({ timeout: 500 });
  }).toPass({ timeout: 120_000 });
  await expect(page.getByTestId("two-clocks")).toContainText("not counted");
  await page.goto(benches[2]!);
  await expect(page.getByText(/the clock waits/)).toBeHidden();
});
