/** Parts of a piece: an end ground to an edge, a tang left out of the fire, a blade longer than its kiln, a face that is drawn while its peen is heated. */

import { planRoute, CATALOGUE, type Piece } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bookAt, bringIn } from "./books.js";
import { expect, expectAccessible, expectNoSideways, takeWay, visit } from "./shop.js";
import { open, standing } from "./standing.js";

const IRON: Piece = {
  name: "Plane iron",
  mark: "3",
  kind: "chisel",
  form: "plane-iron",
  steel: "1084",
  start: "as-forged",
  use: "wood-chisel",
  length_mm: 150,
  section: { shape: "plate", thickness_mm: 4, width_mm: 50 },
  bevel: { edge_mm: 0.8, length_mm: 9, faces: "one" },
};

standing(
  "a plane iron: its bevel is drawn and measured, a bevel that cannot be is said, and its verdict is of its edge",
  async ({ page }) => {
    await open(page, `${EMPTY}/new`);
    await page.getByText("Plane iron", { exact: true }).click();
    await expect(page.getByRole("combobox", { name: "Working end, ground" })).toContainText("edge, one face");
    const edge = page.getByLabel(/Its edge now/);
    await edge.fill("5");
    await expect(page.getByText("As thick as the bar or thicker: that is no bevel.")).toBeVisible();
    await edge.fill("0.8");
    await expectAccessible(page);
    await page.setViewportSize({ width: 390, height: 844 });
    await expectNoSideways(page);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole("button", { name: "Plan its heats" }).click();
    await expect(page.getByTestId("verdict")).toHaveText(/^Edge will be 6\d HRC/);
  },
);

standing(
  "a plane iron straight from its oil: the file skates, as the model expects of its edge, and it goes on",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("iron.tembrak.json"), bookAt(IRON, "first-file", 600), IRON.name);
    await visit(page, `${EMPTY}/piece/hand/bench`);
    await page.getByRole("link", { name: "Try the files" }).click();
    await page.getByRole("button", { name: "Mill file skates" }).click();
    await expect(page.getByText(/As predicted, before the temper|(harder|softer) than predicted, before the temper/)).toBeVisible();
    expect(Number(await page.getByTestId("test-mean").textContent())).toBeGreaterThan(61);
    await page.getByRole("button", { name: /^Go on to the temper/ }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText("Into the oven");
  },
);

standing("a knife whose tang is left as it is: planned with the tang out of the fire, drawn and said so", async ({ page }) => {
  await open(page, `${EMPTY}/new`);
  await page.getByRole("combobox", { name: "The tang" }).click();
  await page.getByRole("option", { name: "left as it is" }).click();
  await expect(page.getByText("The tang stays out of the fire: so it is planned, but in a kiln.")).toBeVisible();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await expect(
    page.getByText(/of it in the fire, from its tip: hot enough to harden for \d+ mm, and from \d+ mm on it stays as it was/),
  ).toBeVisible();
  await expect(page.getByText("Tang out of the fire: it stays as it was.")).toBeVisible();
  await expect(page.getByTestId("mouth-line")).toHaveCount(1);
  // All of it in after all, by its steps: nothing is left of the line.
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("button", { name: "all in" }).click();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByText(/of it in the fire/)).toBeHidden();
  await expect(page.getByText(/Tang left as it is: keep it out of fire and bath/)).toBeVisible();
});

standing("a long blade of 1626 mm and a kiln of 1240: as much as goes in is planned, with its own verdict", async ({ page }, info) => {
  const blade: Piece = {
    name: "Reed sword",
    mark: "5",
    kind: "sword",
    form: "sword",
    steel: "5160",
    start: "as-forged",
    use: "sword",
    length_mm: 1626,
    section: { shape: "wedge", spine_mm: 6, edge_mm: 1.2, height_mm: 45 },
  };
  const kit = [
    {
      kind: "kiln",
      name: "Long kiln",
      length_mm: 1240,
      width_mm: 180,
      height_mm: 150,
      limit_C: 1100,
      offset_C: 0,
      swing_C: 4,
      settle_min: 15,
      recovery_min: 3,
    },
    { kind: "bath", name: "Pipe", medium: "medium-oil", tank: "round", width_mm: 250, depth_mm: 1800, fill_mm: 1700 },
  ];
  const route = planRoute(CATALOGUE, blade, "kiln");
  await bringIn(page, info.outputPath("sword.tembrak.json"), bookAt(blade, "heat", 9000, kit, 12, route), blade.name);
  await visit(page, `${EMPTY}/piece/hand`);
  await page
    .getByText(/Too long for Long kiln by \d+ mm\./)
    .first()
    .click();
  await page.getByRole("button", { name: /^Plan 1[12]\d\d mm of it in the kiln/ }).click();
  await expect(page.getByText(/Too long for Long kiln by/)).toBeHidden();
  await expect(page.getByText(/1[12]\d\d mm of it in the kiln, from its tip: hot enough to harden for 1[12]\d\d mm/)).toBeVisible();
});

standing("a hammer: bare, its face is drawn while the peen is heated, and kept wet it is not", async ({ page }, info) => {
  const hammer: Piece = {
    name: "Cross peen",
    mark: "6",
    kind: "hammer",
    form: "hammer",
    steel: "1060",
    start: "as-forged",
    use: "hammer-face",
    length_mm: 110,
    section: { shape: "square", side_mm: 28 },
    otherBevel: { edge_mm: 6, length_mm: 30, faces: "both" },
  };
  const route = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends", draws: "oven" } });
  await bringIn(page, info.outputPath("hammer.tembrak.json"), bookAt(hammer, "heat", 9000, null, 12, route), hammer.name);
  await visit(page, `${EMPTY}/piece/hand`);
  const face = page.getByText(/hardened first: about \d\d HRC/);
  await expect(face).toBeVisible();
  await expect(page.getByText(/keep it wet/)).toBeHidden();
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("group", { name: "The end that is hard already" }).last().getByRole("button", { name: "bare" }).click();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(
    page.getByText(/It gets to about [45]\d\d °C while the other end is heated, and is drawn by that: keep it wet\./),
  ).toBeVisible();
});

standing("an axe with an adze behind it, both in oil by turns: each end is told by its own bevel", async ({ page }, info) => {
  const axe: Piece = {
    name: "Hedge axe",
    mark: "7",
    kind: "axe",
    form: "axe",
    steel: "1075",
    start: "normalised",
    use: "axe",
    length_mm: 210,
    section: { shape: "plate", thickness_mm: 20, width_mm: 80 },
    bevel: { edge_mm: 1.5, length_mm: 90, faces: "both" },
    otherBevel: { edge_mm: 2, length_mm: 50, faces: "one" },
  };
  await bringIn(
    page,
    info.outputPath("axe.tembrak.json"),
    bookAt(axe, "heat", 9000, null, 12, planRoute(CATALOGUE, axe, "forge")),
    axe.name,
  );
  await visit(page, `${EMPTY}/piece/hand`);
  await expect(page.getByTestId("verdict")).toHaveText(/^Edge will be \d\d HRC/);
  await takeWay(page, "Both ends by turns");
  await expect(page.getByText(/, second in the bath: about [5]\d HRC/)).toBeVisible();
  await expect(page.getByTestId("verdict")).toHaveText(/^Edge will be [5]\d HRC/);
});

standing("a spine wanted medium: a hot bar along its back after the tempers is proposed, taken, and lands", async ({ page }) => {
  await open(page, `${EMPTY}/new`);
  await page.getByRole("combobox", { name: "The spine" }).click();
  await page.getByRole("option", { name: "medium" }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  const notice = page.getByText(
    /Spine, wanted 40 to 52 HRC, will be 5\d: .* A hot bar along its back after the tempers, the edge in water, until it is/,
  );
  await expect(notice).toBeVisible();
  await page.locator(".fit-notice").filter({ has: notice }).getByRole("button", { name: "Plan it so" }).click();
  await expect(notice).toBeHidden();
  await expect(page.getByText(/^Spine wanted medium, 40 to 52: 4\d HRC/)).toBeVisible();
});

standing("a blade is measured at one more place by a tap on its drawing, which then has it", async ({ page }) => {
  await open(page, `${EMPTY}/new`);
  const blade = page.getByTestId("tap-place");
  const box = (await blade.boundingBox())!;
  await blade.click({ position: { x: box.width / 2, y: 0.88 * box.height } });
  const from = page.getByLabel(/From the tang's end/);
  await expect(from).toHaveCount(1);
  const at_mm = Number(await from.inputValue());
  expect(at_mm).toBeGreaterThan(0.8 * 240);
  expect(at_mm).toBeLessThan(0.96 * 240);
  await page.getByLabel(/Spine there/).fill("2");
  await expect(page.getByRole("group", { name: /drawn to scale/ }).getByText(/^2(\.0)? mm$/)).toBeVisible();
  // Where it was measured already nothing is measured twice.
  await blade.click({ position: { x: box.width / 2, y: 0.88 * box.height } });
  await expect(from).toHaveCount(1);
});
