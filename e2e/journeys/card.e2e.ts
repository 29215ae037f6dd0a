/** On the heat card: what if hotter, another bath, thicker; the verdict follows and the plan changes only when kept. */

import type { Page } from "@playwright/test";
import { DEMO } from "../ports.js";
import { expect, fill, goToBook, visit } from "./shop.js";
import { open, standing } from "./standing.js";

standing("a slide, a bath and a kept plan", async ({ page }) => {
  await open(page, DEMO);
  await page.getByRole("link", { name: /Hoof knife/ }).click();
  const verdict = page.getByTestId("verdict");
  await expect(verdict).toContainText("HRC");
  const before = await verdict.textContent();

  const temper = page.getByRole("slider", { name: /^Temper/ });
  await temper.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("heading", { name: "Verdict, if you did this" })).toBeVisible();
  await expect(verdict).not.toHaveText(before!);
  const after = await verdict.textContent();
  expect(Number(/(\d+) HRC/.exec(after!)![1])).toBeLessThan(Number(/(\d+) HRC/.exec(before!)![1]));

  await page.getByRole("button", { name: "Back to the plan" }).click();
  await expect(verdict).toHaveText(before!);

  await page.getByRole("button", { name: /^Medium oil/ }).click();
  await expect(page.getByText(/medium oil/).first()).toBeVisible();
  await page.getByRole("button", { name: "Keep this in the plan" }).click();
  await expect(page.getByRole("heading", { name: "Verdict", exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: /^Medium oil/ })).toHaveAttribute("aria-pressed", "true");

  await page.getByRole("slider", { name: /^Thickness/ }).fill("6.4");
  await expect(page.getByRole("heading", { name: "Verdict, if you did this" })).toBeVisible();
});

standing("baths side by side: with another thickness the slower one fails, and another is planned", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-4`);
  await page.getByRole("button", { name: "Baths side by side" }).click();
  const dialog = page.getByRole("dialog");
  const baths = dialog.getByRole("listitem");
  await expect(baths).toHaveCount(3);
  await expect(baths.first()).toContainText(/Medium oil.*Edge \d\d HRC.*that it hardens; .*As planned\./);
  await expect(baths.last()).toContainText(/Water.*harder on it/);
  const spine = async (): Promise<number> => Number(/spine (\d+) HRC/.exec((await baths.first().textContent())!)?.[1] ?? 99);
  const measured = await spine();
  await dialog.getByRole("button", { name: "half as thick again" }).click();
  await expect.poll(spine).toBeLessThan(measured);
  // What is only asked is not planned.
  await expect(dialog.getByRole("button", { name: /^Plan it so/ })).toHaveCount(0);
  await dialog.getByRole("button", { name: "as measured" }).click();
  await dialog.getByRole("button", { name: "Plan it so: Fast oil" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole("group", { name: "Bath" }).getByRole("button", { pressed: true })).toContainText("Fast oil");
});

standing("the cooling curve says the same seconds as the verdict", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-3`);
  for (const [piece, name] of [
    ["demo-3", /^Heat line of the Hay knife/],
    ["demo-1", /^Heat line of the Hoof knife/],
  ] as const) {
    await visit(page, `${DEMO}/piece/${piece}`);
    await expect(page.getByRole("img", { name })).toBeVisible();
    await page.getByText("Why, and how sure").click();
    await expect(page.getByText(/to spare at the spine\./)).toBeVisible();
    const spare = /(\d+\.\d s|a moment) to spare/.exec(await page.getByRole("main").innerText())![1]!;
    await page.getByRole("button", { name: "cooling" }).click();
    await expect(page.getByRole("img", { name: `${spare} to spare at the spine` })).toBeVisible();
  }
  await page.getByRole("button", { name: "hardness", exact: true }).click();
  await expect(page.getByRole("img", { name: /Hardness from spine to edge/ })).toBeVisible();
});

standing("through the steel: along the piece, and through the moments of the quench", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-4`);
  const along = page.getByRole("slider", { name: "Where along the piece" });
  await expect(page.getByText("Cut where it was measured; drag it along.")).toBeVisible();
  await along.focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText(/^Cut \d+ mm from where it hangs, [\d.]+ mm high\.$/)).toBeVisible();
  await expect(page.getByRole("img", { name: /Hardness from spine to edge/ })).toBeVisible();

  await page.getByRole("button", { name: "heat", exact: true }).click();
  const moment = page.getByRole("slider", { name: /out of the fire/ });
  const spine = async (): Promise<number> => {
    const says = await page.getByRole("img", { name: /^Temperature after/ }).getAttribute("aria-label");
    return Number(/spine (\d+)/.exec(says!)![1]);
  };
  await moment.fill("0");
  await expect(page.getByRole("img", { name: "Temperature after 0.0 s" })).toBeVisible();
  const hot = await spine();
  expect(hot).toBeGreaterThan(780);
  await moment.fill("20");
  await expect.poll(spine).toBeLessThan(hot - 200);

  await page.getByRole("button", { name: "martensite" }).click();
  await expect(page.getByRole("img", { name: /^Martensite after .* edge \d+ %$/ })).toBeVisible();
});

standing("a wrong heat in the steps is asked about, a nonsense one keeps the button shut", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-2`);
  await page.getByRole("button", { name: "Steps" }).click();
  const heats = page.getByLabel(/^Heat, °C/);
  await heats.nth(3).fill("475");
  await expect(page.getByText(/will not harden steel. Did you mean 1475 °F/)).toBeVisible();
  await page.getByRole("button", { name: "802 °C" }).click();
  await heats.nth(0).fill("hot");
  await expect(page.getByText(/is not a temperature/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Keep these steps" })).toBeDisabled();
  await heats.nth(0).fill("875");
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByText("875°")).toBeVisible();
  await expect(page.getByText("802°").first()).toBeVisible();
});

standing("units switch at any time and back without a number changing", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-2`);
  const verdict = page.getByTestId("verdict");
  await expect(verdict).toContainText("HRC");
  await expect(page.getByText("edge, as planned")).toBeVisible();
  await expect(page.getByText(/^HRC\. Dashed as quenched/)).toBeVisible();
  const said = await page.getByRole("main").innerText();
  const units = async (a: string, b: string): Promise<void> => {
    await page.getByRole("button", { name: /^Units/ }).click();
    await page.getByRole("button", { name: a }).click();
    await page.getByRole("button", { name: b }).click();
    await page.getByRole("button", { name: "Done" }).click();
  };
  await units("Fahrenheit", "Inches and fractions");
  await expect(page.getByText("1598°").first()).toBeVisible();
  await units("Celsius", "Millimetres");
  await expect(verdict).toContainText("HRC");
  await expect.poll(() => page.getByRole("main").innerText()).toBe(said);
});

standing("a correction of the measures is a further event, and the verdict follows", async ({ page }) => {
  await open(page, DEMO);
  await goToBook(page);
  await page.getByRole("link", { name: /Bark spud/ }).click();
  await page.getByRole("link", { name: "Correct" }).click();
  await fill(page, /Thickness at the spine/, "5");
  await page.getByRole("button", { name: "Keep these measures" }).click();
  await expect(page.getByTestId("verdict")).toContainText("HRC");
  await goToBook(page);
  await page.getByRole("link", { name: /Bark spud/ }).click();
  await expect(page.getByRole("cell", { name: "Described" })).toHaveCount(2);
});

standing("the ways of heating side by side, each with what is expected of it; the one picked is kept", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-2`);
  await page.getByRole("button", { name: /^School:/ }).click();
  const rows = page.getByRole("dialog").getByRole("button", { name: /Grain \d+/ });
  await expect(rows).toHaveCount(5);
  await expect(page.getByRole("button", { name: /falling heat.*falling to \d+ °C/ })).toBeVisible();
  await page.getByRole("button", { name: /to the magnet and no further/ }).click();
  await expect(page.getByRole("button", { name: "School: Forge, to the magnet and no further" })).toBeVisible();
  await expect(page.getByText("755°").first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: "School: Forge, to the magnet and no further" })).toBeVisible();
});

standing("an edge quench is planned in the steps, and the verdict says where the line falls", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-2`);
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("button", { name: "edge only" }).click();
  await fill(page, /^Depth, mm/, "18");
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByText(/^Edge in medium oil at 55 °C: hard up to \d+(\.\d)? mm above it, going soft over/)).toBeVisible();
  await expect(page.getByText(/Broken line: hard below, about \d+/)).toBeVisible();
  // The other way round: where it is to go soft is said, and the depth and the hold are found; what the card then says is that line.
  await page.getByRole("button", { name: "Steps" }).click();
  await fill(page, /^Line wanted/, "14");
  await page.getByRole("button", { name: "Find its depth" }).click();
  await expect(page.getByText(/mm deep, about .* until the back is dark/)).toBeVisible();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByText(/hard up to 1[34](\.\d)? mm above it/)).toBeVisible();
});

/** Lifts what has the focus, moves it by one, and puts it down: each key once what the one before did is announced. */
async function carry(page: Page, key: "ArrowUp" | "ArrowDown"): Promise<void> {
  const said = page.locator("[id^=DndLiveRegion]");
  await page.keyboard.press("Space");
  await expect(said).toContainText("was moved over");
  const lifted = (await said.textContent())!;
  // It listens to arrows only a moment after it was lifted.
  await expect(async () => {
    await page.keyboard.press(key);
    await expect(said).not.toHaveText(lifted, { timeout: 2000 });
  }).toPass();
  await page.keyboard.press("Space");
  await expect(said).toContainText("was dropped");
}

standing("steps are added, left out and moved by keys; an order that cannot be is said and not kept", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-2`);
  await page.getByRole("button", { name: "Steps" }).click();
  const dialog = page.getByRole("dialog");
  const names = dialog.locator("ol.steps > li b");
  await expect(names).toHaveCount(7);
  await page.getByRole("button", { name: "One more temper" }).click();
  await page.getByRole("button", { name: /^Leave out: 2, Normalise/ }).click();
  await expect(names).toHaveText([/Normalise/, /Normalise/, "Harden", /Into/, "Temper", "Temper", "Temper"]);
  await page.getByRole("button", { name: "Move: 3, Harden" }).focus();
  await carry(page, "ArrowUp");
  await expect(page.getByText("A hardening heat goes into its bath next.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Keep these steps" })).toBeDisabled();
  await page.getByRole("button", { name: "Move: 2, Harden" }).focus();
  await carry(page, "ArrowDown");
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await page.getByText("Why, and how sure").click();
  await expect(page.getByText(/Three times 2 h at/)).toBeVisible();
});
