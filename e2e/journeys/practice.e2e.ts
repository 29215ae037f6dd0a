/** The simulated shop: a newcomer's first blade from cold to verdict, and a kiln run of three with the door. */

import type { Page } from "@playwright/test";
import { FORGE_PRACTICE, KILN_PRACTICE } from "../ports.js";
import { expect, goToBench, passGate, test, outNow, visit } from "./shop.js";

/** A practice piece heated there, judged as usual, planned. */
async function plan(page: Page, shop: string, keys: readonly RegExp[]): Promise<void> {
  if (page.url() === "about:blank") await page.goto(`${shop}/new`);
  else await visit(page, "/new");
  for (const name of keys) await page.getByRole("radio", { name }).click();
  await page.getByRole("radio", { name: /In the simulated shop/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
}

/** The first piece is in the simulated shop colder than this by its probe, C: as the smith would see before the next act. */
async function expectColder(page: Page, shop: string, than_C: number): Promise<void> {
  const probe_C = async (): Promise<number> => {
    const reading = (await (await page.request.get(`${shop}/api/shop`)).json()) as { pieces: { probe_C: number }[] };
    return reading.pieces[0]!.probe_C;
  };
  await expect.poll(probe_C, { timeout: 60_000, intervals: [250] }).toBeLessThan(than_C);
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
  }).toPass({ timeout: 60_000 });
  if (handSpeed !== undefined) {
    await page.getByRole("button", { name: handSpeed, exact: true }).click();
    await expect(page.getByRole("button", { name: handSpeed, exact: true })).toHaveAttribute("aria-pressed", "true");
  }
  await page.getByRole("button", { name: done }).click();
}

test("a beginner's first blade with forge and magnet, from cold to verdict, without steel", async ({ page }) => {
  test.setTimeout(300_000);
  await plan(page, FORGE_PRACTICE, [/^Forge/, /^To the magnet and no further/]);
  // A quarter of an hour twice: two hours would only be waited for, their clock is tested where clocks are (soakClock, bench).
  await page.getByRole("button", { name: "Steps" }).click();
  // Of three normalising heats the first and the last: the middle one would only be waited for.
  await page.getByRole("button", { name: /^Leave out: 2, Normalise/ }).click();
  const holds = page.getByRole("dialog").getByLabel(/^Hold/);
  for (const at of [-1, -2]) await holds.nth(at).fill("15 min");
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByRole("dialog")).toBeHidden();
  await goToBench(page);
  await passGate(page);
  await openShop(page, "20×");
  // Two normalising heats: each seen to let go of the magnet, cooled to black and to hand-warm.
  for (const end of [/It is black/, /It is hand-warm/]) {
    await heatByMagnet(page, /At heat: out to cool/);
    await page.getByRole("button", { name: "100×" }).click();
    await expect(page.getByText(/Simulated, in the tongs, in air/)).toBeVisible();
    await expectColder(page, FORGE_PRACTICE, end.source.includes("hand") ? 50 : 480);
    await page.getByRole("button", { name: "20×" }).click();
    await page.getByRole("button", { name: end }).click();
  }
  await expect(page.getByRole("heading", { name: /^Harden/ })).toBeVisible();
  await page.getByRole("button", { name: "5×", exact: true }).click();
  await heatByMagnet(page, /At heat: go to the bath/, "1×");
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  await expect(page.getByText(/Simulated, in the bath/)).toBeVisible();
  await page.getByRole("button", { name: "5×", exact: true }).click();
  await expectColder(page, FORGE_PRACTICE, 150);
  await page.getByRole("button", { name: /It is out/ }).click();
  await page.getByRole("button", { name: "It is straight" }).click();
  await page.getByRole("button", { name: "100×" }).click();
  await expectColder(page, FORGE_PRACTICE, 45);
  await page.getByRole("button", { name: /It is hand-warm/ }).click();
  // The simulated file has to skate on what was hardened.
  await page.getByRole("link", { name: "Try the files" }).click();
  await page.getByRole("button", { name: "file 55", exact: true }).click();
  await expect(page.getByRole("button", { name: "File 55 skates" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Keep this result" }).click();
  // Twice a quarter of an hour in the oven, a hundred times as fast.
  for (let i = 0; i < 2; i++) {
    await page.getByRole("button", { name: "It is in the oven" }).click();
    await expect(page.getByText(/Simulated, in the oven/)).toBeVisible();
    await expect(page.getByText("over. Go on now")).toBeVisible({ timeout: 60_000 });
    await outNow(page, /Out, and cool to the touch/);
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
  // It counts, hours ahead of the clock on the wall: what was measured is what it is.
  await expect(page.getByText(/^Measured \d\d\.\d HRC/)).toBeVisible();
});

test("a kiln run of three: the door drops the chamber, the others wait for it, power is off before a hand goes in", async ({ page }) => {
  test.setTimeout(180_000);
  const benches: string[] = [];
  for (let i = 0; i < 3; i++) {
    await plan(page, KILN_PRACTICE, [/^Kiln/]);
    await goToBench(page);
    benches.push(page.url());
  }
  // All three are described: now the shop that holds them is opened, from the bench of the first.
  await visit(page, benches[0]!);
  await passGate(page);
  await openShop(page, "20×");
  for (const [i, bench] of benches.entries()) {
    await visit(page, bench);
    if (i > 0) await passGate(page);
    await page.getByRole("button", { name: "it is in the kiln" }).click();
    await expect(page.getByText(/Simulated, in the kiln/)).toBeVisible();
  }
  await page.getByRole("button", { name: "5×", exact: true }).click();
  for (const bench of benches) {
    await visit(page, bench);
    await page.getByRole("button", { name: /At heat: start the hold/ }).click();
    await expect(page.getByTestId("two-clocks")).toContainText("piece");
  }
  await expect(page.getByRole("list", { name: "Also in the kiln" }).getByRole("listitem")).toHaveCount(2);
  // The first comes out: not while the power is on.
  await visit(page, benches[0]!);
  await expect(page.getByRole("button", { name: /Out to cool in air/ })).toBeDisabled();
  await page.getByRole("button", { name: /Power is off/ }).click();
  await outNow(page, /Out to cool in air/);
  await expect(page.getByRole("heading", { name: /^Let it cool/ })).toBeVisible();
  // The two that stay: their clocks stand until the chamber is logged back at its heat.
  await visit(page, benches[1]!);
  await expect(page.getByText(/the clock waits: chamber back/)).toBeVisible();
  await expect(page.getByRole("list", { name: "Also in the kiln" })).toContainText("waits for the chamber");
  const stood = await page.getByTestId("numeral").textContent();
  await page.waitForTimeout(1500);
  expect(await page.getByTestId("numeral").textContent()).toBe(stood);
  await expect(async () => {
    await page.getByRole("button", { name: /Chamber reads/ }).click();
    await expect(page.getByText(/the clock waits/)).toBeHidden({ timeout: 500 });
  }).toPass({ timeout: 60_000 });
  await expect(page.getByTestId("two-clocks")).toContainText("not counted");
  await visit(page, benches[2]!);
  await expect(page.getByText(/the clock waits/)).toBeHidden();
});
