/** The pictures of docs/screenshots, one of each main view, made from the demo shop. `npm run screenshots` after a build. */

import { DEMO } from "../ports.js";
import { expect, passGate, test } from "../journeys/shop.js";

const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

interface View {
  readonly file: string;
  readonly path: string;
  readonly size: typeof WIDE;
  readonly sign: RegExp;
  readonly theme?: "yard";
  readonly press?: readonly string[];
  readonly wait_ms?: number;
}

const VIEWS: readonly View[] = [
  { file: "rack", path: "/", size: WIDE, sign: /reed sickle/ },
  { file: "rack-yard", path: "/", size: WIDE, sign: /reed sickle/, theme: "yard" },
  { file: "rack-phone", path: "/", size: PHONE, sign: /reed sickle/ },
  { file: "new-piece", path: "/new", size: WIDE, sign: /What is it/ },
  { file: "card", path: "/piece/demo-7", size: WIDE, sign: /steel to steel/, wait_ms: 2500 },
  { file: "card-heat", path: "/piece/demo-4", size: WIDE, sign: /steel to steel/, press: ["heat"], wait_ms: 2500 },
  { file: "card-cooling", path: "/piece/demo-3", size: WIDE, sign: /steel to steel/, press: ["cooling"] },
  { file: "card-phone", path: "/piece/demo-7", size: PHONE, sign: /steel to steel/ },
  { file: "bench-heat", path: "/piece/demo-4/bench", size: WIDE, sign: /look for this/ },
  { file: "bench-heat-phone", path: "/piece/demo-4/bench", size: PHONE, sign: /look for this/ },
  {
    file: "bench-quench",
    path: "/piece/demo-4/bench",
    size: WIDE,
    sign: /look for this/,
    press: ["At heat: start the hold", "Out of the fire: to the bath", "It is in the bath"],
    wait_ms: 6500,
  },
  { file: "kit", path: "/kit", size: WIDE, sign: /Plans name nothing/ },
  { file: "steps", path: "/piece/demo-1", size: WIDE, sign: /steel to steel/, press: ["Steps", "Others do it differently"], wait_ms: 2500 },
  { file: "bench-temper", path: "/piece/demo-6/bench", size: WIDE, sign: /left/ },
  {
    file: "file-test",
    path: "/piece/demo-8/test/prove",
    size: WIDE,
    sign: /predicted/,
    press: ["File 55 skates", "File 50 skates", "File 60 bites", "ground bright"],
  },
  { file: "book", path: "/book", size: WIDE, sign: /Export the book/ },
  { file: "record", path: "/book/demo-9", size: WIDE, sign: /Everything that was done/ },
];

for (const { file, path, size, sign, theme, press = [], wait_ms = 800 } of VIEWS) {
  test(file, async ({ page }) => {
    await page.setViewportSize(size);
    await page.goto(DEMO);
    await expect(page.getByText(/reed sickle/).first()).toBeVisible();
    if (theme === "yard") {
      await page.getByRole("button", { name: /^Light/ }).click();
      await page.getByRole("button", { name: "Yard, daylight" }).click();
      await page.getByRole("button", { name: "Done" }).click();
    }
    if (path !== "/") await page.goto(`${DEMO}${path}`);
    await expect(page.getByText(sign).first()).toBeVisible();
    for (const name of press)
      await page
        .getByRole("button", { name, exact: name.length < 8 })
        .first()
        .click();
    await page.mouse.move(size.width / 2, 2);
    await page.waitForTimeout(wait_ms);
    await page.screenshot({ path: `docs/screenshots/${file}.png`, animations: "disabled" });
  });
}

test("bench-practice", async ({ page }) => {
  await page.setViewportSize(WIDE);
  await page.goto(`${DEMO}/new`);
  await page.getByRole("radio", { name: /In the simulated shop/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await page.getByRole("link", { name: "To the bench" }).click();
  await passGate(page);
  // A seed, so that the picture comes again.
  await page.goto(`${page.url()}?seed=7`);
  await page.getByRole("button", { name: "Open the simulated shop" }).click();
  await page.getByRole("button", { name: "20×", exact: true }).click();
  await page.getByRole("button", { name: "it is in the fire" }).click();
  await page.waitForTimeout(3200);
  await page.getByRole("button", { name: /touch it with the magnet/ }).click();
  await page.getByRole("button", { name: "1×", exact: true }).click();
  await page.mouse.move(WIDE.width / 2, 2);
  await page.waitForTimeout(2500);
  await page.screenshot({ path: "docs/screenshots/bench-practice.png", animations: "disabled" });
});
