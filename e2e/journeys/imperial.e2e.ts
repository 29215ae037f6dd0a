/** A smith who thinks in inches and Fahrenheit, in a kiln: no metric number in the way, and the book keeps what was meant. */

import { readFileSync } from "node:fs";
import { EMPTY } from "../ports.js";
import { expect, visit, fill, goToBench, passGate } from "./shop.js";
import { clocked, open } from "./standing.js";

clocked("a drawknife in inches and Fahrenheit, by the kiln, to the soak", async ({ page }, info) => {
  await open(page, `${EMPTY}/new`);
  await page.getByRole("button", { name: /^Units/ }).click();
  await page.getByRole("button", { name: "Fahrenheit" }).click();
  await page.getByRole("button", { name: "Inches and fractions" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await page.getByRole("radio", { name: "Drawknife" }).click();
  await fill(page, /Length over all, in/, "12");
  await fill(page, /Height, edge to back, in/, "1 3/8");
  await fill(page, /Thickness at the spine, in/, "1/4");
  await fill(page, /Thickness at the edge now, in/, "3/64");
  // Pressed as slowly as a glove or a busy machine does: the list opens, and nothing in it is chosen by letting go.
  await page.getByLabel("Steel", { exact: true }).click({ delay: 700 });
  await page.getByRole("option", { name: /^O1/ }).click();
  await page.getByRole("radio", { name: /^Kiln/ }).click();
  await page.getByRole("button", { name: "Plan its heats" }).click();
  await expect(page.getByTestId("verdict")).toContainText("HRC");
  await expect(page.getByRole("main")).not.toContainText("°C");

  await page.getByRole("button", { name: "Steps" }).click();
  await page
    .getByLabel(/^Heat, °F/)
    .nth(2)
    .fill("805");
  await expect(page.getByText(/805 °F is odd for a hardening heat. Did you mean 805 °C/)).toBeVisible();
  await page.getByRole("button", { name: "1481 °F" }).click();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByText("1481°").first()).toBeVisible();

  await goToBench(page);
  await passGate(page);
  await page.getByRole("button", { name: "probe reads" }).click();
  await fill(page, /^Reading, °F/, "1590");
  await page.getByRole("button", { name: "Log it" }).click();
  await expect(page.getByTestId("numeral")).toHaveText(/^1(5[6-9]|60)\d$/);
  await page.getByRole("button", { name: /start the hold/ }).click();
  await expect(page.getByTestId("numeral")).toHaveText(/^\d+:\d\d$/);
  await page.clock.fastForward("00:04:00");
  await expect(page.getByTestId("numeral")).toHaveText(/^[56]:\d\d$/);

  await visit(page, "/book");
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Export the book" }).click()]);
  const file = info.outputPath("book.tembrak.json");
  await download.saveAs(file);
  const { events } = JSON.parse(readFileSync(file, "utf8")) as {
    events: { kind: string; definition?: { length_mm: number; section: { spine_mm: number } }; reading?: { temperature_C?: number } }[];
  };
  const { length_mm, section } = events.find(({ kind }) => kind === "piece")!.definition!;
  expect([length_mm, section.spine_mm]).toEqual([304.8, 6.35]);
  expect(events.find(({ reading }) => reading?.temperature_C !== undefined)!.reading!.temperature_C).toBeCloseTo(865.556, 2);
});
