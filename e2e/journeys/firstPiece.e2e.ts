/** A newcomer's first piece, from an empty book to a verdict, through the bench to the record. */

import { CATALOGUE, planRoute, predict, type Piece } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { expect, fill, goToBench, passGate, test, outNow, normalise } from "./shop.js";
import { open, standing } from "./standing.js";

// Two workers side by side, as most machines have them.
test.use({ processors: 2 });

test("measures a knife as people write it, gets a verdict that core gives too, runs it, tests it, finds it in the book", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto(EMPTY);
  await expect(page.getByRole("heading", { name: "Nothing hangs here yet." })).toBeVisible();
  await page.getByRole("link", { name: "New piece" }).click();
  await fill(page, /^Name/, "Reed knife");
  await fill(page, /Length over all/, "9 1/2 in");
  await expect(page.getByText("That is 241 mm.")).toBeVisible();
  await fill(page, /Height, edge to back/, "28");
  await fill(page, /Thickness at the spine/, "316");
  await expect(page.getByText(/Did you mean 3\/16 in/)).toBeVisible();
  await page.getByRole("button", { name: "4.8 mm" }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();

  const piece: Piece = {
    name: "Reed knife",
    mark: "1",
    kind: "knife",
    form: "knife",
    steel: "1084",
    start: "as-forged",
    use: "knife",
    length_mm: 241.3,
    section: { shape: "wedge", spine_mm: 4.7625, edge_mm: 0.8, height_mm: 28 },
  };
  const wanted = predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge")).working.tempered;
  await expect(page.getByTestId("verdict")).toContainText(`Edge will be ${Math.round(wanted.mean_HRC)} HRC`);
  await expect(page.getByText(/to spare at the spine|right through|edge hardens/)).toBeVisible();

  await goToBench(page);
  await passGate(page);
  const numeral = page.getByTestId("numeral");
  // Three normalising heats: to heat, out, cool.
  await normalise(page);
  // The probe, in the other unit.
  await page.getByRole("button", { name: "probe reads" }).click();
  await fill(page, /^Reading/, "1500 F");
  await page.getByRole("button", { name: "Log it" }).click();
  // What the probe says and what is known beforehand, together.
  await expect(numeral).toHaveText(/^8[0-3]\d$/);
  await page.getByRole("button", { name: /At heat: start the hold/ }).click();

  // A reload in the middle of a hold: the clock is right.
  await expect(numeral).toHaveText(/^0:(30|2\d)$/);
  await page.clock.fastForward(12_000);
  await page.reload();
  await expect(numeral).toHaveText(/^0:1[0-8]$/);
  await outNow(page, /Out of the fire/);

  await page.getByRole("button", { name: /It is in the bath/ }).click();
  // Each tap is seen to count before time is moved on.
  await expect(page.getByRole("button", { name: /It is out/ })).toBeVisible();
  await page.clock.fastForward(11_000);
  await expect(numeral).toHaveText(/^1[1-5]$/);
  await page.getByRole("button", { name: /It is out/ }).click();
  await page.getByRole("button", { name: "It is straight" }).click();
  await expect(page.getByText("min brittle")).toBeVisible();
  await page.getByRole("button", { name: "It is hand-warm" }).click();

  await page.getByRole("link", { name: "Try the files" }).click();
  await page.getByRole("button", { name: "File 60 skates" }).click();
  await expect(page.getByTestId("test-mean")).toHaveText(/^6\d\.\d$/);
  await page.getByRole("button", { name: /Go on to the temper/ }).click();

  for (let cycle = 0; cycle < 2; cycle++) {
    await page.getByRole("button", { name: "It is in the oven" }).click();
    await expect(numeral).toHaveText(/^(2:00:00|1:59:\d\d)$/);
    await page.clock.fastForward("02:00:05");
    await expect(page.getByText("over. Go on now")).toBeVisible();
    await outNow(page, /Out, and cool to the touch/);
  }
  await page.getByRole("link", { name: "Try the files" }).click();
  await page.getByRole("button", { name: "File 55 skates" }).click();
  await page.getByRole("button", { name: "File 65 bites" }).click();
  await page.getByRole("button", { name: "ground bright" }).click();
  await page.getByRole("button", { name: "Add tester readings" }).click();
  await fill(page, /Tester readings/, "59 59,5 60");
  await expect(page.getByTestId("test-mean")).toHaveText(/^59\.\d$/);
  await page.getByRole("button", { name: /Leave it and finish/ }).click();

  await expect(page.getByText(/^Measured 59\.\d HRC/)).toBeVisible();
  await expect(page.getByRole("cell", { name: /Checked: reads 816 °C/ })).toBeVisible();
  await page.goto(`${EMPTY}/book`);
  await expect(page.getByRole("main").getByRole("link", { name: /Reed knife/ })).toContainText("6 heats");
});

standing("the kiln school asks for a soak, the forge does not", async ({ page }) => {
  await open(page, `${EMPTY}/new`);
  await page.getByRole("radio", { name: /^Kiln/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await expect(page.getByRole("button", { name: "School: Kiln, controlled soak" })).toBeVisible();
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText(/The soak brings the carbon into solution/)).toBeVisible();
  await page.getByRole("button", { name: "Leave as it was" }).click();
  await page.getByRole("button", { name: /^School:/ }).click();
  await page
    .getByRole("dialog")
    .getByRole("radio", { name: /^Forge/ })
    .click();
  await page.getByRole("button", { name: /^Forge, a shade past the magnet/ }).click();
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText(/Past the magnet by a shade/)).toBeVisible();
});

standing("a hard edge and a soft back are asked for: the edge quench is chosen, and the verdict answers each part", async ({ page }) => {
  await open(page, `${EMPTY}/new`);
  await page.getByRole("button", { name: "Measure at one more place" }).click();
  await page.getByLabel("Edge there").fill("0.4");
  await expect(page.getByText(/The edge is 0\.4 mm at its thinnest/)).toBeVisible();
  await page.getByRole("combobox", { name: "The spine" }).click();
  await page.getByRole("option", { name: "soft, tough" }).click();
  await expect(page.getByRole("radio", { name: /^Edge only/ })).toBeChecked();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await expect(page.getByText(/^Edge wanted hard, 58 to 61/)).toBeVisible();
  await expect(page.getByText(/^Spine wanted soft, 15 to 40/)).toBeVisible();
  await page.getByRole("button", { name: /School:/ }).click();
  await expect(page.getByRole("radio", { name: /^Edge only/ })).toBeChecked();
});

standing(
  "an edge quench drawn by a colour run on a hot bar: planned, named on the card, and found again in its steps",
  async ({ page }) => {
    await open(page, `${EMPTY}/new`);
    await page.getByRole("radio", { name: /^Edge only/ }).click();
    await page.getByRole("radio", { name: /on a hot bar/ }).click();
    await expect(page.getByRole("radio", { name: /^Edge only/ })).toBeChecked();
    await page.getByRole("button", { name: "Plan its heats" }).click();
    await expect(page.getByRole("button", { name: /^School/ })).toContainText("edge only, colour run, on a hot bar");
    await page.getByRole("button", { name: "Steps" }).click();
    await expect(page.getByText("Run the colours")).toBeVisible();
    await expect(page.getByRole("button", { name: "edge only", pressed: true })).toBeVisible();
    await page.getByRole("button", { name: "Leave as it was" }).click();
    // Two ends are drawn in the oven alone; what a blade does not have is not offered.
    await page.getByRole("button", { name: /^School/ }).click();
    await expect(page.getByRole("radio", { name: /^Two ends/ })).toBeHidden();
    await expect(page.getByRole("radio", { name: /on a hot bar/ })).toBeChecked();
  },
);
