/** A thin flat blade pressed between plates, and pieces laid on a hot bar: from books that have come to that act. */

import { CATALOGUE, planRoute, type Piece, type Route } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bookAt, bringIn } from "./books.js";
import { expect, visit } from "./shop.js";
import { clocked } from "./standing.js";

const KNIFE: Piece = {
  name: "Hoof knife",
  mark: "5",
  kind: "knife",
  steel: "o1",
  start: "as-forged",
  use: "knife",
  length_mm: 200,
  section: { shape: "wedge", spine_mm: 2.5, edge_mm: 0.6, height_mm: 25 },
};
const pressed = (route: Route): Route => ({
  ...route,
  steps: route.steps.map((step) =>
    step.kind === "quench"
      ? {
          kind: "quench",
          dips: [{ under: "all", into: { medium: "metal-plates", bath_C: 25, agitation: "none" }, until: { is: "seconds", s: 300 } }],
          why: "plates",
        }
      : step,
  ),
});

clocked(
  "between plates: both faces at once, five minutes counted, flat when it comes out, and the card says plates",
  async ({ page }, info) => {
    await bringIn(
      page,
      info.outputPath("plates.json"),
      bookAt(KNIFE, "quench", 0, null, 0, pressed(planRoute(CATALOGUE, KNIFE, "forge"))),
      KNIFE.name,
    );
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await expect(page.getByRole("img", { name: /between two plates that are still apart/ })).toBeVisible();
    await page.getByRole("button", { name: /The plates are on it/ }).click();
    await expect(page.getByRole("img", { name: /closed on both faces of the piece at once/ })).toBeVisible();
    await expect(page.getByText("seconds between the plates")).toBeVisible();
    // The plates hold it straight: no window to straighten it runs beside them.
    await expect(page.getByText("locked, brittle")).toHaveCount(0);
    await page.clock.fastForward(280_000);
    await expect(page.getByText(/Press|more/).first()).toBeVisible();
    await page.clock.fastForward(30_000);
    await page.getByRole("button", { name: /The plates are off/ }).click();
    await expect(page.getByRole("heading", { level: 1 })).not.toContainText(/plates/i);
    await page.getByRole("link", { name: "Card" }).click();
    await expect(page.getByTestId("verdict")).toContainText("HRC");
    await expect(page.locator("main")).toContainText(/plates/i);
  },
);

const CHISEL: Piece = {
  name: "Cold chisel",
  mark: "2",
  kind: "chisel",
  steel: "1084",
  start: "as-forged",
  use: "chisel",
  length_mm: 150,
  section: { shape: "square", side_mm: 12 },
};

clocked("on a hot bar: it cools and stalls, a fresh one is laid under it, and the colour comes", async ({ page }, info) => {
  const route = planRoute(CATALOGUE, CHISEL, "forge", { way: { hardens: "face", draws: "hot-bar" } });
  await bringIn(page, info.outputPath("bar.json"), bookAt(CHISEL, "run", 3600, null, 60, route), CHISEL.name);
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await page.getByRole("button", { name: /It lies on the hot bar/ }).click();
  await expect(page.getByText(/until stop|may not come/)).toBeVisible();
  // Up to bronze it comes, ever more slowly, and there it stands: the bar has cooled.
  for (const colour of ["light straw", "straw", "dark straw", "bronze", "bronze"]) {
    await page.clock.fastForward(170_000);
    const key = page.getByRole("button", { name: colour, exact: true });
    await key.click();
    await expect(key).toBeEnabled();
  }
  await expect(page.getByText(/the bar has cooled, lay it on a fresh one/)).toBeVisible();
  await page.getByRole("button", { name: /^Fresh bar/ }).click();
  await expect(page.getByText(/the bar has cooled/)).toBeHidden();
  await page.getByRole("button", { name: /Stop: dunk it/ }).click();
  await expect(page.getByText(/Wipe it. What colour is the working end now/)).toBeVisible();
});

const STRIKER: Piece = {
  name: "Fire striker",
  mark: "3",
  kind: "striker",
  form: "striker",
  steel: "w1",
  start: "as-forged",
  use: "striker",
  length_mm: 80,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 4, height_mm: 26 },
};

clocked(
  "a striker's two zones: its edge in water, its back run to a line, the edge found bare, and the card keeps it hard",
  async ({ page }, info) => {
    const route = planRoute(CATALOGUE, STRIKER, "forge", { way: { hardens: "whole", draws: "hot-bar" } });
    await bringIn(page, info.outputPath("striker.json"), bookAt(STRIKER, "brighten", 60, null, 60, route), STRIKER.name);
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("scribe a line 16 mm behind the edge");
    await page.getByRole("button", { name: "It is bright" }).click();
    await expect(page.getByText(/^The edge in water, 4 mm deep/)).toBeVisible();
    await page.getByRole("button", { name: /It lies on the hot bar/ }).click();
    await expect(page.getByText(/The edge, in its water, is at about \d+ °C by the model/)).toBeVisible();
    await page.clock.fastForward(25_000);
    const at = page.getByRole("group", { name: "The colour at the line" });
    await at.getByRole("button", { name: "straw", exact: true }).click();
    await page.clock.fastForward(10_000);
    await at.getByRole("button", { name: "dark straw", exact: true }).click();
    await expect(page.getByText("Stop: it is dark straw", { exact: true })).toBeVisible();
    await page.getByRole("button", { name: /Stop: dunk it/ }).click();
    await expect(page.getByText(/What colour is the line now/)).toBeVisible();
    await page
      .getByRole("group", { name: "The colour at the line, cold" })
      .getByRole("button", { name: "dark straw", exact: true })
      .click();
    const edge = page.getByRole("group", { name: "The colour of the edge, cold" });
    await edge.getByRole("button", { name: "bare" }).click();
    await page.getByRole("link", { name: "Card" }).click();
    const hard = await page.getByTestId("verdict").textContent();
    // A colour on the edge itself has drawn it: the card says softer.
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await page.getByRole("group", { name: "The colour of the edge, cold" }).getByRole("button", { name: "purple" }).click();
    await page.getByRole("link", { name: "Card" }).click();
    await expect(page.getByTestId("verdict")).not.toHaveText(hard!);
    await expect(page.locator("main")).toContainText("the edge is purple");
  },
);

clocked(
  "a tempered knife: its back softened after the oven, the edge in water, and the card has two hardnesses",
  async ({ page }, info) => {
    const knife: Piece = { ...KNIFE, steel: "1084", section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.8, height_mm: 30 } };
    await bringIn(page, info.outputPath("back.json"), bookAt(knife, "prove", 20_000, null, 12), knife.name);
    await visit(page, `${EMPTY}/piece/hand`);
    await page.getByRole("button", { name: "Steps" }).click();
    const steps = page.getByRole("dialog");
    await steps.getByRole("button", { name: /Soften its back/ }).click();
    await expect(steps.getByLabel("Line at")).toBeVisible();
    await expect(steps.getByRole("group", { name: "Where the edge is meanwhile" })).toBeHidden();
    await expect(steps.getByRole("button", { name: /Soften its back/ })).toBeHidden();
    await steps.getByRole("button", { name: "Keep these steps" }).click();
    await expect(page.locator("main")).toContainText("Then the back is run to a line 18 mm behind the edge, in water");
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("scribe a line 18 mm behind the edge");
    await page.getByRole("button", { name: "It is bright" }).click();
    await page.getByRole("button", { name: /The torch is on it/ }).click();
    await page.clock.fastForward(20_000);
    const at = page.getByRole("group", { name: "The colour at the line" });
    await at.getByRole("button", { name: "straw", exact: true }).click();
    await page.clock.fastForward(6_000);
    await at.getByRole("button", { name: "dark straw", exact: true }).click();
    await page.getByRole("button", { name: /Stop: dunk it/ }).click();
    await page
      .getByRole("group", { name: "The colour at the line, cold" })
      .getByRole("button", { name: "dark straw", exact: true })
      .click();
    await page.getByRole("group", { name: "The colour of the edge, cold" }).getByRole("button", { name: "bare" }).click();
    await page.getByRole("button", { name: /Keep it/ }).click();
    await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Run it");
    await visit(page, `${EMPTY}/piece/hand`);
    await expect(page.getByTestId("verdict")).toContainText(/HRC/);
  },
);
