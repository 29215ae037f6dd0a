/** Hard and not tempered yet: tried with a file too soon, and a day that is over. */

import { actsOfRoute, CATALOGUE, planRoute } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bookAt, bringIn, SICKLE } from "./books.js";
import { expect, expectAccessible, expectNoSideways, visit } from "./shop.js";
import { standing } from "./standing.js";

standing("a file too soon is told to wait and is not counted; later the same file counts", async ({ page }, info) => {
  // Out of its bath after eight seconds, two minutes ago: by the model it is far from hand-warm.
  await bringIn(page, info.outputPath("soon.tembrak.json"), bookAt(SICKLE, "cool-down", 100, null, 8));
  const acts = actsOfRoute(planRoute(CATALOGUE, SICKLE, "forge"));
  const file = acts.find(({ kind }) => kind === "first-file")!.id;
  await visit(page, `${EMPTY}/piece/hand/test/${file}`);
  await expect(page.getByTestId("since-quench")).toHaveText(
    /since it went under\. By the model it is hand-warm in .*: a file says nothing before\./,
  );
  await expect(page.getByRole("button", { name: "still hot" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: /bites/ }).first().click();
  await expect(page.getByText(/The files were not counted/)).toBeVisible();
  await page.getByRole("button", { name: "can be held" }).click();
  await expect(page.getByText(/The files were not counted/)).toBeHidden();
  await expect(page.getByText(/bit: softer than that/)).toBeVisible();
});

standing("a lost day: what it risks, a short temper before the night, and its own the next day", async ({ page }, info) => {
  await bringIn(page, info.outputPath("late.tembrak.json"), bookAt(SICKLE, "oven", 4 * 3600));
  await visit(page, `${EMPTY}/piece/hand/bench`);
  await expect(page.getByText("hours brittle")).toBeVisible();
  await page.getByRole("button", { name: "It went wrong" }).click();
  await expect(page.getByText(/crack by themselves/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideways(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await expectAccessible(page);
  await page.getByRole("button", { name: /A short temper now/ }).click();
  await expect(page.getByRole("heading", { name: "Into the oven at 150 °C, 1 of 3" })).toBeVisible();
  await page.getByRole("button", { name: "It is in the oven" }).click();
  await expect(page.getByRole("heading", { name: "Temper 1 of 3 at 150 °C" })).toBeVisible();
  await visit(page, `${EMPTY}/piece/hand`);
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText(/does not lie hard until its own/)).toBeVisible();
});
