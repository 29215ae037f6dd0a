/** The row of files: dragged or tapped, and what follows from the answers. */

import { DEMO } from "../ports.js";
import { expect, goToBench } from "./shop.js";
import { open, standing } from "./standing.js";

standing("a file dragged to its answer counts as a tap does", async ({ page }) => {
  await open(page, DEMO);
  await page.getByRole("link", { name: /Marking awl/ }).click();
  await goToBench(page);
  await page.getByRole("link", { name: "Try the files" }).click();
  await expect(page.getByText(/nothing is tried yet/)).toBeVisible();
  await expect(page.getByTestId("test-mean")).toHaveText(/\d/);
  // What was predicted comes a moment later, and moves what stands beside the files.
  await expect(page.getByText(/predicted \d/)).toBeVisible();
  // The whole answer follows the coarse one, and may move what stands below it once more.
  const mean = (): Promise<string | null> => page.getByTestId("test-mean").textContent();
  await expect(async () => {
    const first = await mean();
    await page.waitForTimeout(700);
    expect(await mean()).toBe(first);
  }).toPass();
  const before = Number(await mean());

  const file = page.getByTestId("file-60");
  const answer = page.getByRole("button", { name: "File 60 bites" });
  // Hovering waits until the row stands still; only then is it known where the answer lies.
  await file.hover();
  await page.mouse.down();
  const to = (await answer.boundingBox())!;
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(answer).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "File 50 skates" }).click();
  await expect(page.getByText(/60 bit: softer than that/)).toBeVisible();
  expect(Number(await page.getByTestId("test-mean").textContent())).not.toBe(before);

  await page.getByRole("button", { name: "File 50 skates" }).click();
  await page.getByRole("button", { name: "File 65 skates" }).click();
  await expect(page.getByText(/A harder file skated than one that bit/)).toBeVisible();
  await page.getByRole("button", { name: "still hot" }).click();
  await expect(page.getByText(/has not finished hardening/)).toBeVisible();
});

standing(
  "a soft piece: why it most likely came so, a look noted moves it, and what is otherwise is asked before it is hardened again",
  async ({ page }) => {
    await open(page, `${DEMO}/piece/demo-5/test/4-first-file`);
    for (const file of [65, 60, 55, 50]) await page.getByRole("button", { name: `File ${file} bites` }).click();
    await page.getByRole("button", { name: "ground bright" }).click();
    await page.getByRole("button", { name: /Why, and harden it again/ }).click();
    await expect(page.getByRole("heading", { name: "Likeliest first" })).toBeVisible();
    const causes = page.getByRole("listitem").filter({ has: page.locator(".why-bar") });
    const before = await causes.allInnerTexts();
    expect(before.length).toBeGreaterThan(1);
    // The look that is advised has two answers, each with what it would make of it: one tap notes it.
    const look = page.getByRole("region", { name: /look that tells/ });
    const [first] = await look.getByRole("button").all();
    await first!.click();
    await expect.poll(() => causes.allInnerTexts()).not.toEqual(before);
    // Another hardening asks what will be otherwise: nothing ticked, nothing done.
    const other = page.getByRole("button", { name: "Harden it again all the same" });
    if (await other.isVisible()) await other.click();
    const boxes = page.getByRole("checkbox");
    for (const box of await boxes.all()) await box.uncheck();
    await expect(page.getByRole("button", { name: /^Harden it again/ })).toBeDisabled();
    await page.getByRole("checkbox", { name: /normalised first/ }).check();
    await page.getByRole("checkbox", { name: /hotter/ }).check();
    await expect(page.getByText(/that it hardens as planned so.*of soft skin a side/)).toBeVisible();
    await page.getByRole("button", { name: /^Harden it again.*try 2 of 3/ }).click();
    await expect(page.getByRole("heading", { name: /Normalise 4 of 4/ })).toBeVisible();
  },
);
