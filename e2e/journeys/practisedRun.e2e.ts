/** Colours run in the simulated shop, named and stopped by eye: one after the other, for the server has one shop. */

import type { Page } from "@playwright/test";
import { filmHex, oxideName } from "../../core/src/colour/oxide.js";
import { CATALOGUE, COLOUR_NAMES, planRoute, type ColourName, type Piece, type ShopReading } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bookAt, bringIn } from "./books.js";
import { expect, passGate, test, visit } from "./shop.js";

test.describe.configure({ mode: "serial" });

const BLADE: Piece = {
  name: "Reed knife",
  mark: "6",
  kind: "hook",
  steel: "1075",
  start: "as-forged",
  use: "chopper",
  length_mm: 260,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 },
  isPractice: true,
};

/** The name of the colour a simulated edge shows: that of the film that looks most like it. */
function nameOfHex(shown: string): string {
  const [r, g, b] = [...shown.matchAll(/\d+/g)].map(([n]) => Number(n)) as [number, number, number];
  const far = (film_nm: number): number => {
    const hex = Number.parseInt(filmHex(film_nm).slice(1), 16);
    return Math.hypot(r - (hex >> 16), g - ((hex >> 8) & 255), b - (hex & 255));
  };
  const films = Array.from({ length: 140 }, (_, i) => i / 2);
  const nearest = films.reduce((a, f) => (far(f) < far(a) ? f : a), 0);
  // Bright steel is shown in a colour of its own.
  return nearest < 3 ? "bare" : oxideName(nearest);
}

/** So fast goes the simulated shop. */
async function goAt(page: Page, id: string, speed: number): Promise<void> {
  const answer = await page.request.post(`${EMPTY}/api/shop/command?piece=${id}`, { data: { do: "speed", speed } });
  expect(answer.ok()).toBe(true);
}

/** The colour that is to come, from the title of the run once that is the act. */
async function wantedColour(page: Page): Promise<ColourName> {
  const title = page.getByRole("heading", { level: 1 });
  await expect(title).toContainText(new RegExp(` (${COLOUR_NAMES.join("|")}),`));
  const text = (await title.textContent())!;
  return COLOUR_NAMES.findLast((name) => text.includes(` ${name},`))!;
}

/** Names what the simulated piece shows until the bench calls the stop, dunks it, and finds it within a name of what was wanted. */
async function stopBySight(page: Page, id: string, wanted: ColourName): Promise<void> {
  const edge = page.locator(".seen-edge i").first();
  const stop = page.getByText(new RegExp(`^(Stop: it is|You see|By the model it is past) ${wanted}`));
  let said = "bare";
  await expect
    .poll(
      async () => {
        const seen = nameOfHex(await edge.evaluate((one) => getComputedStyle(one).backgroundColor));
        const key = page.getByRole("group", { name: /^The colour at/ }).getByRole("button", { name: seen, exact: true });
        // Only what has a key, and only when it is another than the last.
        if (seen !== said && (await key.isVisible())) {
          await key.click();
          // Slow motion while colours run: a busy machine takes seconds to look, and a colour stands for as few.
          if (said === "bare") await goAt(page, id, 0.5);
          said = seen;
        }
        return await stop.isVisible();
      },
      { timeout: 200_000, intervals: [300] },
    )
    .toBe(true);
  await page.getByRole("button", { name: /Stop: dunk it/ }).click();
  await expect(page.getByText(/What colour is the (edge|working end) now/)).toBeVisible();
  const found = nameOfHex(await edge.evaluate((one) => getComputedStyle(one).backgroundColor));
  expect(Math.abs(COLOUR_NAMES.indexOf(found as never) - COLOUR_NAMES.indexOf(wanted))).toBeLessThanOrEqual(1);
}

test("practised: a blade run from its back in the simulated shop, stopped by what was seen and called, within a name of its colour", async ({
  page,
}, info) => {
  test.setTimeout(360_000);
  const route = planRoute(CATALOGUE, BLADE, "forge", { way: { hardens: "whole", draws: "torch" } });
  // The server keeps its shops, and knows them by their piece: another at each try.
  const id = `knife${info.retry}`;
  const book = bookAt(BLADE, "run", 60, null, 45, route).replaceAll('"hand"', `"${id}"`);
  await bringIn(page, info.outputPath("practice.json"), book, BLADE.name);
  await visit(page, `${EMPTY}/piece/${id}/bench?seed=7`);
  await page.getByRole("button", { name: "Open the simulated shop" }).click();
  const wanted = await wantedColour(page);
  await page.getByRole("button", { name: /The torch is on it/ }).click();
  await stopBySight(page, id, wanted);
});

const CHISEL: Piece = {
  name: "Stake chisel",
  mark: "8",
  kind: "chisel",
  steel: "w1",
  start: "normalised",
  use: "chisel",
  length_mm: 200,
  section: { shape: "round", diameter_mm: 16 },
  isPractice: true,
};

test("practised: a chisel out of the fire, its end dipped while its body glows, run by its own heat to its colour", async ({
  page,
}, info) => {
  test.setTimeout(420_000);
  const route = planRoute(CATALOGUE, CHISEL, "forge", { way: { hardens: "face", draws: "residual" } });
  const id = `chisel${info.retry}`;
  const book = bookAt(CHISEL, "heat", 60, null, 12, route).replaceAll('"hand"', `"${id}"`);
  await bringIn(page, info.outputPath("chisel.json"), book, CHISEL.name);
  await visit(page, `${EMPTY}/piece/${id}/bench?seed=7`);
  await page.getByRole("button", { name: "Open the simulated shop" }).click();
  await passGate(page);
  await page.getByRole("button", { name: "it is in the fire" }).click();
  await page.getByRole("button", { name: "100×", exact: true }).click();
  const shop = async () => (await (await page.request.get(`${EMPTY}/api/shop?piece=${id}`)).json()) as ShopReading;
  const probe_C = async (): Promise<number> => (await shop()).pieces[0]!.probe_C;
  await expect.poll(probe_C, { timeout: 90_000, intervals: [250] }).toBeGreaterThan(500);
  await page.getByRole("button", { name: "20×", exact: true }).click();
  await expect.poll(probe_C, { timeout: 90_000, intervals: [250] }).toBeGreaterThan(770);
  await page.getByRole("button", { name: /At heat/ }).click();
  const out = page.getByRole("button", { name: /Out of the fire: to the bath/ });
  await expect(out).not.toContainText("too early");
  await page.getByRole("button", { name: "1×", exact: true }).click();
  await expect(page.getByRole("button", { name: "1×", exact: true })).toHaveAttribute("aria-pressed", "true");
  await out.click();
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  // Its end is dark, and behind it it glows: so it comes out.
  await expect(page.getByTestId("numeral")).toHaveText("8", { timeout: 30_000 });
  expect((await shop()).pieces[0]).toMatchObject({ place: "bath", glows: true });
  await page.getByRole("button", { name: /It is out/ }).click();
  await page.getByRole("button", { name: "It is bright" }).click();
  // Its first colour comes after half a minute: most of that would only be waited for.
  const bright_ms = (await shop()).now_ms;
  await goAt(page, id, 5);
  await expect.poll(async () => (await shop()).now_ms - bright_ms, { intervals: [250] }).toBeGreaterThan(18_000);
  await goAt(page, id, 1);
  await stopBySight(page, id, await wantedColour(page));
});
