/** The pictures of docs/screenshots, one of each main view, made from the demo shop. `npm run screenshots` after a build. */

import { VIEW_LIST } from "../../app/src/views.js";
import { DEMO } from "../ports.js";
import { expect, passGate, test } from "../journeys/shop.js";

const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** What is to be seen of a view, by its name in the table of views; another piece of the same view where one is given. */
interface Picture {
  readonly file: string;
  readonly of: string;
  readonly path?: string;
  readonly size: typeof WIDE;
  readonly sign?: RegExp;
  readonly theme?: "yard";
  readonly press?: readonly string[];
  readonly wait_ms?: number;
}

const PICTURES: readonly Picture[] = [
  { file: "rack", of: "rack", size: WIDE },
  { file: "rack-yard", of: "rack", size: WIDE, theme: "yard" },
  { file: "rack-phone", of: "rack", size: PHONE },
  { file: "new-piece", of: "new piece", size: WIDE },
  { file: "card", of: "heat card", size: WIDE, sign: /that it lands there/, wait_ms: 2500 },
  { file: "ways", of: "ways", path: "/piece/demo-2/ways", size: WIDE, sign: /What would be worth knowing/, wait_ms: 1500 },
  { file: "card-phone", of: "heat card", size: PHONE, sign: /that it lands there/ },
  { file: "bench-heat", of: "bench, heating", size: WIDE },
  { file: "bench-heat-phone", of: "bench, heating", size: PHONE },
  {
    file: "bench-quench",
    of: "bench, heating",
    size: WIDE,
    press: ["At heat: start the hold", "Out of the fire: to the bath", "now, all the same", "It is in the bath"],
    wait_ms: 6500,
  },
  { file: "kit", of: "kit", size: WIDE },
  {
    file: "steps",
    of: "heat card",
    path: "/piece/demo-1",
    size: WIDE,
    sign: /that it lands there/,
    press: ["Steps", "Others do it differently"],
    wait_ms: 2500,
  },
  { file: "bench-temper", of: "bench, temper", size: WIDE },
  {
    file: "file-test",
    of: "file test",
    size: WIDE,
    press: ["File 55 skates", "File 50 skates", "File 60 bites", "ground bright"],
  },
  {
    file: "why",
    of: "file test",
    path: "/piece/demo-8/test/9-first-file",
    size: WIDE,
    press: ["File 55 bites", "File 50 bites", "ground bright", "Why, and harden it again"],
    wait_ms: 4000,
  },
  { file: "bath", of: "bath", size: WIDE },
  { file: "book", of: "book", size: WIDE },
  { file: "record", of: "record", size: WIDE, sign: /lets go of the magnet/, wait_ms: 2500 },
];

const shown = new Map(VIEW_LIST.flatMap(({ shown: all }) => all).map((view) => [view.as, view]));

for (const { file, of, size, theme, press = [], wait_ms = 800, ...own } of PICTURES) {
  test(file, async ({ page }) => {
    const { at, sign: usual } = shown.get(of)!;
    const [path, sign] = [own.path ?? at, own.sign ?? usual];
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
    // The rule's own mark comes with the steel's temperatures, on a busy machine later than the rest.
    if (file === "bench-heat") await expect(page.getByText(/lets go \d/)).toBeVisible();
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
  // Stored before the page is left.
  await expect(page.getByTestId("numeral")).toBeVisible();
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
