/** Every main view: no serious violation for anyone, in both lights, wide and on a phone. */

import { VIEW_LIST } from "../../app/src/views.js";
import { DEMO } from "../ports.js";
import { expect, expectAccessible, expectNoSideways, outNow, test, visit } from "./shop.js";
import { open, standing } from "./standing.js";

const SHOWN = VIEW_LIST.flatMap(({ shown }) => shown);
/** Two halves, for two processors; a view is moved to within its page. */
const HALVES = [SHOWN.filter((_, i) => i % 2 === 0), SHOWN.filter((_, i) => i % 2 === 1)];

for (const half of HALVES) {
  standing(`axe finds nothing serious, wide and narrow, forge and yard: ${half.map(({ as }) => as).join(", ")}`, async ({ page }) => {
    test.setTimeout(180_000);
    await open(page, `${DEMO}${half[0]!.at}`);
    for (const { as, at, sign } of half) {
      await test.step(as, async () => {
        await page.setViewportSize({ width: 1280, height: 800 });
        await page.evaluate(() => document.documentElement.setAttribute("data-theme", "forge"));
        await visit(page, `${DEMO}${at}`);
        await expect(page.getByText(sign).first()).toBeVisible();
        await expectAccessible(page);
        await expectNoSideways(page);
        await page.setViewportSize({ width: 390, height: 844 });
        await page.evaluate(() => document.documentElement.setAttribute("data-theme", "yard"));
        await expect(page.getByText(sign).first()).toBeVisible();
        await expectAccessible(page);
        await expectNoSideways(page);
      });
    }
  });
}

standing("at the bench on a phone nothing to press is under 56 px, magnet keys are 112", async ({ page }) => {
  await open(page, DEMO);
  await expect(page.getByText(/sickle/).first()).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  const shown = { "demo-3": "Hay knife", "demo-4": "Froe", "demo-5": "Reed sickle", "demo-6": "Drawknife", "demo-8": "Marking awl" };
  for (const [piece, name] of Object.entries(shown)) {
    await visit(page, `${DEMO}/piece/${piece}/bench`);
    await expect(
      page
        .getByRole("main")
        .getByText(new RegExp(`^${name}`))
        .first(),
    ).toBeVisible();
    await expect(page.getByTestId("numeral")).toBeVisible();
    // Nothing is cut off at the side, and the way back from a wrong tap is in sight.
    const numeral = (await page.getByTestId("numeral").boundingBox())!;
    expect(numeral.x + numeral.width).toBeLessThanOrEqual(390);
    await expectNoSideways(page);
    // Once what was asked has come and stands.
    const undo = page.getByRole("button", { name: "Undo" });
    const bottom = async (): Promise<number> => (await undo.boundingBox().then((box) => box && box.y + box.height)) ?? Infinity;
    await expect.poll(bottom, { message: piece }).toBeLessThanOrEqual(844);
    for (const key of await page.getByRole("main").locator("button:visible, a:visible").all()) {
      const box = (await key.boundingBox())!;
      expect(box.height, await key.innerText()).toBeGreaterThanOrEqual(56);
      expect(box.width, await key.innerText()).toBeGreaterThanOrEqual(56);
    }
  }
  await visit(page, `${DEMO}/piece/demo-4/bench`);
  await expect(page.getByRole("main").getByText(/^Froe/).first()).toBeVisible();
  for (const name of ["Magnet sticks", "Magnet weak", "Magnet lets go"]) {
    const box = (await page.getByRole("button", { name }).boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(111);
  }
  const act = (await page.getByRole("button", { name: /start the hold/ }).boundingBox())!;
  expect(act.height).toBeGreaterThanOrEqual(84);
});

standing("on its side a phone has every key of the bench in sight", async ({ page }) => {
  await page.setViewportSize({ width: 844, height: 390 });
  await open(page, `${DEMO}/piece/demo-4/bench`);
  const inSight = async (...names: RegExp[]): Promise<void> => {
    for (const name of names) {
      const box = (await page.getByRole("button", { name }).first().boundingBox())!;
      expect(box.y + box.height, String(name)).toBeLessThanOrEqual(390);
    }
  };
  await expect(page.getByTestId("numeral")).toBeVisible();
  await inSight(/start the hold/, /lets go/, /Undo/);
  await page.getByRole("button", { name: /start the hold/ }).click();
  await inSight(/Out of the fire/, /Undo/);
  await outNow(page, /Out of the fire/);
  await expect(page.getByText("Press as it goes under")).toBeVisible();
  await inSight(/It is in the bath/, /It went wrong/, /Undo/);
});

standing("by keyboard alone: from the rack to a piece to the bench", async ({ page }) => {
  await open(page, DEMO);
  await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
  for (let i = 0; i < 30; i++) {
    await page.keyboard.press("Tab");
    const name = await page.evaluate(() => document.activeElement?.getAttribute("aria-label") ?? "");
    if (name.startsWith("Froe")) break;
  }
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /Froe/ })).toBeVisible();
  for (let i = 0; i < 20; i++) {
    await page.keyboard.press("Tab");
    if ((await page.evaluate(() => document.activeElement?.textContent ?? "")) === "To the bench") break;
  }
  await page.keyboard.press("Enter");
  await expect(page.getByTestId("numeral")).toBeVisible();
});
