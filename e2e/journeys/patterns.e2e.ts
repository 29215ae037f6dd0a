/** A quench of more moves than in and out: chosen by what comes of it, led at the bath, told as it went. */

import { CATALOGUE, planRoute, type Piece } from "../../core/src/index.js";
import { DEMO, EMPTY } from "../ports.js";
import { bookAt, bringIn } from "./books.js";
import { expect, goToBench, outNow, passGate, visit, normalise, takeWay } from "./shop.js";
import { clocked, open } from "./standing.js";

clocked(
  "the edge to its line, then the back dipped: compared, planned, led by what one sees, and the card tells what was done",
  async ({ page }) => {
    await open(page, `${DEMO}/piece/demo-4`);
    await expect(page.getByTestId("verdict")).toContainText("HRC");
    await page.getByRole("button", { name: "Steps" }).click();
    await page.getByRole("button", { name: "Ways through the bath" }).click();
    const ways = page.getByRole("listitem").filter({ hasText: /The edge, then the back\./ });
    await expect(ways.last()).toContainText(/edge \d\d HRC .* spine .*line \d+(\.\d)? mm up\. .*that it hardens/);
    await page.getByRole("button", { name: "Do it so: The edge, then the back" }).click();
    // Its numbers are fields; what cannot be read is not kept.
    await page.getByLabel("Back under after, s").fill("soon");
    await expect(page.getByRole("button", { name: "Keep these steps" })).toBeDisabled();
    await page.getByLabel("Back under after, s").fill("45");
    await page.getByRole("button", { name: "Keep these steps" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
    await page.getByRole("link", { name: "To the bench" }).click();
    await page.getByRole("button", { name: /At heat: start the hold/ }).click();
    await outNow(page, /Out of the fire: to the bath/);
    await expect(page.getByRole("heading", { name: /the edge .* deep, then the back/ })).toBeVisible();
    await page.clock.runFor(1500);
    await page.getByRole("button", { name: /It is in the bath/ }).click();
    await expect(page.getByText(/Rock the edge until the back is dark, about 4\d s/)).toBeVisible();
    // Too soon: it still glows.
    await page.clock.runFor(3000);
    await page.getByRole("button", { name: /The back is under too/ }).click();
    await expect(page.getByRole("img", { name: /tip down, edge leading/ })).toBeVisible();
    await page.clock.fastForward(20_000);
    await page.getByRole("button", { name: /It is out/ }).click();
    await expect(page.getByRole("heading", { name: /^Sight/ })).toBeVisible();
    await page.getByRole("link", { name: "Card" }).click();
    await expect(page.getByTestId("moved")).toContainText(/the back under after \d(\.\d)? s.*spine \d\d instead of \d\d HRC/);
  },
);

clocked(
  "a two-ended tool in a tank too short: both ends by turns out of one heat, and one that waited too long goes back",
  async ({ page }) => {
    await open(page, `${EMPTY}/new`);
    await page.getByRole("radio", { name: /^Punch/ }).click();
    await page.getByRole("button", { name: "Plan its heats" }).click();
    await expect(page.getByTestId("verdict")).toContainText(/HRC|hardens/);
    await takeWay(page, "Both ends by turns");
    await goToBench(page);
    await passGate(page);
    await normalise(page);
    await page.getByRole("button", { name: /At heat: start the hold/ }).click();
    await outNow(page, /Out of the fire/);
    await expect(page.getByRole("heading", { name: /both ends by turns, .* deep/ })).toBeVisible();
    await page.getByRole("button", { name: /It is in the bath/ }).click();
    await expect(page.getByText(/First end under\. Change over/)).toBeVisible();
    await expect(page.getByText(/First end about \d+ °C, second \d+ °C, by the model/)).toBeVisible();
    // Nobody changes over: by then the second end will not harden.
    await page.clock.fastForward(100_000);
    await expect(page.getByText(/The second end has waited too long to harden: back in the fire/)).toBeVisible();
    await page.getByRole("button", { name: /Second end is under/ }).click();
    await expect(page.getByText(/Second end under\. Change over/)).toBeVisible();
    await page.getByRole("button", { name: /First end is under again/ }).click();
    await expect(page.getByText(/First end under\. Change over/)).toBeVisible();
    await page.getByRole("button", { name: /It is out/ }).click();
    await expect(page.getByRole("heading", { name: /^Sight/ })).toBeVisible();
  },
);

/** A hedge axe: its edge is thick enough to wait. */
const AXE: Piece = {
  name: "Hedge axe",
  mark: "8",
  kind: "axe",
  steel: "80crv2",
  start: "normalised",
  use: "axe",
  length_mm: 170,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 3, height_mm: 60 },
};

clocked(
  "the back first, then the edge out of the same heat: planned, turned over at the bath, and what was never under is told",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("axe.json"), bookAt(AXE, "hold", 0, null, 12, planRoute(CATALOGUE, AXE, "forge")), AXE.name);
    await visit(page, `${EMPTY}/piece/hand`);
    await expect(page.getByTestId("verdict")).toContainText("HRC");
    await takeWay(page, "The back, then the edge");
    await goToBench(page);
    await outNow(page, /Out of the fire: to the bath/);
    await expect(page.getByRole("heading", { level: 1 })).toContainText(/the back first, then the edge, .* deep/);
    await page.clock.runFor(1500);
    await page.getByRole("button", { name: /It is in the bath/ }).click();
    await expect(page.getByRole("img", { name: /its back alone below the surface, the edge up/ })).toBeVisible();
    await expect(page.getByText(/Back under, edge up\. Turn it over in \d+/)).toBeVisible();
    await page.clock.fastForward(40_000);
    await expect(page.getByText("Turn it over: the edge under")).toBeVisible();
    await page.getByRole("button", { name: /Turned over: the edge is under/ }).click();
    await expect(page.getByRole("img", { name: /its edge alone below the surface/ })).toBeVisible();
    await page.clock.fastForward(60_000);
    await page.getByRole("button", { name: /It is out/ }).click();
    await page.getByRole("link", { name: "Card" }).click();
    // Twice as long as planned in the air: the edge has cooled.
    await expect(page.getByTestId("moved")).toContainText(/turned over after \d\d s.*edge \d\d instead of \d\d, spine \d\d/);
  },
);

const HAMMER: Piece = {
  name: "Stake hammer",
  mark: "7",
  kind: "hammer",
  steel: "1045",
  start: "normalised",
  use: "hammer-face",
  length_mm: 110,
  section: { shape: "square", side_mm: 30 },
};

clocked(
  "a hammer, one face after the other in water: the first is kept cool while the second heats, and the card tells both",
  async ({ page }, info) => {
    const route = planRoute(CATALOGUE, HAMMER, "forge", { way: { hardens: "ends" } });
    await bringIn(page, info.outputPath("hammer.json"), bookAt(HAMMER, "heat", 0, null, 12, route), HAMMER.name);
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await passGate(page);
    const act = page.locator(".bench-act");
    const go = async (name: RegExp, wait_s: number): Promise<void> => {
      await expect(act).toHaveText(name);
      await page.clock.fastForward(1000 * wait_s);
      await act.click();
      await expect(act).not.toHaveText(name);
    };
    const harden = async (end: string): Promise<void> => {
      await go(/start the hold/, 400);
      await go(/Out of the fire/, 31);
      await expect(page.getByRole("heading", { level: 1 })).toContainText(`into the water at 25 °C, ${end}`, { ignoreCase: true });
      await go(/It is in the bath/, 1);
      await go(/It is out/, 60);
      await go(/hand-warm/, 7200);
    };
    await go(/Warm right through/, 400);
    await harden("the working end only");
    await page.getByRole("button", { name: /Go on to the other end/ }).click();
    // Two hours on the fire is asked about anew, and the hour it has been hard is called by what comes next.
    await expect(page.getByRole("alert").filter({ hasText: "its other end now, then into the oven" })).toBeVisible();
    await passGate(page);
    // What is hard already would be drawn by the heat that comes after it.
    await expect(page.getByText(/Keep the end that is hard already cool: wet rag, or its tray/)).toBeVisible();
    await harden("the other end only");
    await page.getByRole("button", { name: /Go on to the temper/ }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText("205 °C");
    await page.getByRole("link", { name: "Card" }).click();
    await expect(page.getByTestId("verdict")).toContainText(/HRC/);
    await expect(page.locator("main")).toContainText("what was left in it draws the end");
    await expect(page.locator("main")).toContainText(/The working end, hardened first: about \d\d HRC/);
  },
);
