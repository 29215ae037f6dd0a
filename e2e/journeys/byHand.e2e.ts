/** What is done by hand about a hard piece: straightened in its window, a warp taken out in two tempers, an oven read until it stands, a proof, and a plan led round the dip. */

import type { Page } from "@playwright/test";
import { PRESETS, type Piece } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bookAt, bringIn, SICKLE } from "./books.js";
import { expect, expectAccessible, expectNoSideways, visit } from "./shop.js";
import { clocked, standing } from "./standing.js";

async function readOven(page: Page, value: string): Promise<void> {
  await page.getByRole("button", { name: /^Oven thermometer reads/ }).click();
  await page.getByRole("textbox", { name: /^Oven thermometer/ }).fill(value);
  await page.getByRole("button", { name: "Log it" }).click();
}

standing("straightened in its window: each way is one tap, plates are timed; what it was is in the record", async ({ page }, info) => {
  await bringIn(page, info.outputPath("window.tembrak.json"), bookAt(SICKLE, "straighten", 9, null, 8));
  // Out at 8 s it stays soft for a minute and a half: longer than a slow machine takes for this.
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await page.getByRole("button", { name: "By hand" }).click();
  await expect(page.getByText(/Never one side on cold steel/)).toBeVisible();
  await page.getByRole("button", { name: "Between plates" }).click();
  await expect(page.getByText(/five minutes\. [45]:\d\d more\./)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideways(page);
  await expect(page.getByRole("button", { name: /^It is straight/ })).toBeInViewport();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expectAccessible(page);
  await visit(page, `${EMPTY}/book/hand`);
  await expect(page.getByText(/straightened: between plates/)).toBeVisible();
});

standing(
  "the window has shut: by hand no more, and what is done all the same can be logged; the warp comes out in two tempers, pass by pass",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("shut.tembrak.json"), bookAt(SICKLE, "straighten", 4000));
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await expect(page.getByText(/Hard by the model: a bend by hand snaps it/)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole("button", { name: "By hand" })).toBeHidden();
    for (const way of ["In the vise", "Between boards"]) await expect(page.getByRole("button", { name: way })).toBeVisible();
    await page.getByRole("button", { name: /^Bent: leave it/ }).click();
    await page.getByRole("button", { name: /hand-warm/ }).click();
    await page.getByRole("button", { name: /untested/ }).click();
    const measure = async (bow: RegExp): Promise<void> => {
      await page.getByRole("button", { name: /^Off the line by/ }).click();
      await page.getByRole("button", { name: bow }).click();
    };
    await measure(/^2\.0 mm$/);
    await expect(page.getByText(/Hold it 2\.0 mm past the line/)).toBeVisible();
    await page.getByRole("button", { name: "In a jig" }).click();
    await expect(page.getByText(/Held 2\.0 mm past the line/)).toBeVisible();
    await page.getByRole("button", { name: "It is in the oven" }).click();
    await page.getByRole("button", { name: /Out, and cool/ }).click();
    await page
      .getByRole("dialog", { name: /too early/ })
      .getByRole("button", { name: /^Out, and/ })
      .click();
    // Of four millimetres pushed one stayed: the next pass goes further.
    await measure(/^1\.0 mm$/);
    await expect(page.getByText(/Hold it 3\.0 mm past the line in the temper\. So far 25 %/)).toBeVisible();
    await page.getByRole("button", { name: "Over three points" }).click();
    await measure(/^Straight$/);
    await expect(page.getByText(/straight enough/)).toBeVisible();
  },
);

clocked("an oven that runs hot is found by three readings, before the piece goes in", async ({ page }, info) => {
  await bringIn(page, info.outputPath("oven.tembrak.json"), bookAt(SICKLE, "oven", 3000));
  await visit(page, `${EMPTY}/piece/hand/bench`);
  for (const value of ["220", "268", "291", "302"]) {
    await readOven(page, value);
    await page.clock.fastForward("06:00");
  }
  await expect(page.getByText(/By these readings it will be steady at 3\d\d°.*set its dial|it can go in/)).toBeVisible();
});

clocked("a kiln that is all there is has hours to fall: one reading guesses, its own fall tells", async ({ page }, info) => {
  const kilnAlone = PRESETS.find(({ id }) => id === "kiln")!.items.filter(({ kind }) => kind !== "oven");
  await bringIn(page, info.outputPath("kiln.tembrak.json"), bookAt(SICKLE, "oven", 3000, kilnAlone));
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await readOven(page, "780");
  await expect(page.getByText(/down to \d+° in about \d h.*as kilns usually fall.*should not lie hard so long/)).toBeVisible();
  await page.clock.fastForward("20:00");
  await readOven(page, "620");
  await expect(page.getByText(/down to \d+° in about .*by its own fall/)).toBeVisible();
});

standing("two lie hard and black: which one is in the hand is asked before anything is logged on", async ({ page }, info) => {
  const one = JSON.parse(bookAt(SICKLE, "oven", 3000)) as { events: { id: string; piece: string; definition?: Piece }[] };
  const twin = one.events.map((event) => ({
    ...event,
    id: `twin-${event.id}`,
    piece: "twin",
    ...(event.definition === undefined ? {} : { definition: { ...event.definition, name: "Hay fork", mark: "6" } }),
  }));
  await bringIn(page, info.outputPath("two.tembrak.json"), JSON.stringify({ ...one, events: [...one.events, ...twin] }));
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await expect(page.getByText("2 lie there hard. Which one is in your hand?")).toBeVisible();
  await expect(page.getByRole("button", { name: "It is in the oven" })).toHaveCount(0);
  await page.getByRole("link", { name: /6.*Hay fork: to its bench/ }).click();
  await expect(page.getByText("Hay fork 6")).toBeVisible();
  await page.getByRole("button", { name: /Hay fork: it is this one/ }).click();
  await expect(page.getByRole("button", { name: "It is in the oven" })).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: "its mark was read" })).toBeVisible();
});

standing(
  "a temper in the dip of toughness: both ways round it are said, and one is taken; a proof is its grade",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("dip.tembrak.json"), bookAt(SICKLE, "oven", 3000, PRESETS.find(({ id }) => id === "kiln")!.items));
    await visit(page, `${EMPTY}/piece/hand`);
    const notice = page.getByText(/more brittle than its hardness says/);
    await expect(notice).toBeVisible({ timeout: 30_000 });
    await notice.click();
    await expect(page.getByText(/^Hotter and softer, \d+°/)).toBeVisible();
    await page.getByRole("listitem").filter({ hasText: "Cooler and harder" }).getByRole("button", { name: "Plan it so" }).click();
    await expect(notice).toBeHidden({ timeout: 30_000 });
    await expect(page.getByText("Worked out, not tested.")).toBeVisible();
    await visit(page, `${EMPTY}/piece/hand/why`);
    await page.getByRole("button", { name: "Too brittle" }).click();
    await expect(page.getByText(/One more temper, a little hotter/)).toBeVisible();
  },
);

const LONG: Piece = {
  ...SICKLE,
  name: "Reed sword",
  kind: "sword",
  form: "sword",
  steel: "5160",
  use: "sword",
  length_mm: 900,
  section: { shape: "wedge", spine_mm: 10, edge_mm: 2, height_mm: 45 },
};

standing(
  "a long blade whose tip is thin: the body would still bend, the tip shut first, and it is the tip that is told",
  async ({ page }, info) => {
    // As it was measured in one place alone the bench would offer hands at forty seconds: by then a tip of 3 mm is shut.
    const tapered: Piece = { ...LONG, stations: [{ at: 0.97, spine_mm: 3, edge_mm: 1.5 }] };
    await bringIn(page, info.outputPath("tapered.tembrak.json"), bookAt(tapered, "straighten", 40, null, 14), LONG.name);
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await expect(page.getByText("The tip shuts first: the seconds are those of it.")).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText(/^the tip turns stiff, .* by the model$/)).toBeVisible();
    await expect(page.getByRole("button", { name: "By hand" })).toBeHidden();
    await expectAccessible(page);
    await page.setViewportSize({ width: 390, height: 844 });
    await expectNoSideways(page);
  },
);
