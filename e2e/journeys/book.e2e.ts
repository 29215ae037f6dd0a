/** The book goes out as one file and comes back identical on an empty browser; a bad file changes nothing. */

import { readFileSync, writeFileSync } from "node:fs";
import { DEMO, EMPTY } from "../ports.js";
import { expect, goToBook, test } from "./shop.js";
import { open, standing } from "./standing.js";

test("export, empty browser, import: the identical book; then a damaged and a foreign file", async ({ page, browser }, info) => {
  await page.goto(`${DEMO}/book`);
  await expect(page.getByText(/9 pieces/)).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Export the book" }).click()]);
  expect(download.suggestedFilename()).toMatch(/^withy-lane-forge-\d{4}-\d\d-\d\d\.tembrak\.json$/);
  const file = info.outputPath("book.tembrak.json");
  await download.saveAs(file);
  await expect(page.getByText(/Last exported just now/)).toBeVisible();

  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await other.goto(`${EMPTY}/book`);
  await expect(other.getByText("Empty.")).toBeVisible();
  await other.getByLabel("Book file").setInputFiles(file);
  await expect(other.getByText(/9 pieces/)).toBeVisible();
  const [second] = await Promise.all([other.waitForEvent("download"), other.getByRole("button", { name: "Export the book" }).click()]);
  const back = info.outputPath("back.tembrak.json");
  await second.saveAs(back);
  const events = (path: string): unknown => (JSON.parse(readFileSync(path, "utf8")) as { events: unknown }).events;
  expect(events(back)).toEqual(events(file));

  const cut = info.outputPath("cut.tembrak.json");
  writeFileSync(cut, readFileSync(file, "utf8").slice(0, 5000));
  await other.getByLabel("Book file").setInputFiles(cut);
  await expect(other.getByRole("alert")).toContainText(
    /nothing in the book changed\. The text is damaged: it (ends too early|stops making sense).* line \d+/,
  );
  await expect(other.getByText(/9 pieces/)).toBeVisible();

  const wrong = info.outputPath("wrong.tembrak.json");
  writeFileSync(wrong, readFileSync(file, "utf8").replace('"length_mm": 269', '"length_mm": "long"'));
  await other.getByLabel("Book file").setInputFiles(wrong);
  await expect(other.getByRole("alert")).toContainText(/\/events\/\d+\/definition\/length_mm/);

  const foreign = info.outputPath("foreign.json");
  writeFileSync(foreign, '{"recipes": []}');
  await other.getByLabel("Book file").setInputFiles(foreign);
  await expect(other.getByRole("alert")).toContainText("not a Tembrak file");
  await other.context().close();
});

standing("a note can be added the next day, and the search finds it", async ({ page }) => {
  await open(page, `${DEMO}/book`);
  await page.getByRole("link", { name: /Small billhook/ }).click();
  await expect(page.getByText(/^Measured 5\d\.\d HRC/)).toBeVisible();
  await page.getByLabel("Note what was different").fill("Dropped once on the way to the oven");
  await page.getByRole("button", { name: "Add the note" }).click();
  await expect(page.getByRole("cell", { name: /Dropped once/ })).toBeVisible();
  await goToBook(page);
  await page.getByLabel("Find a piece, steel or note").fill("dropped");
  await expect(page.getByRole("list").getByRole("link")).toHaveCount(1);
});

test.describe("kept for a day without a network", () => {
  test.use({ serviceWorkers: "allow" });

  test("the app opens again without a network", async ({ page, context }) => {
    await page.goto(DEMO);
    await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
    await page.getByRole("link", { name: /Billhook, mark 7/ }).click();
    await expect(page.getByTestId("verdict")).toContainText("HRC");
    await context.setOffline(false);
  });
});

standing("a logger's file: its columns and unit are found, its gap is told, its readings stand in the record", async ({ page }, info) => {
  await open(page, `${DEMO}/book/demo-9`);
  const path = info.outputPath("logger.csv");
  const rows = [0, 10, 20, 30, 300, 310].map(
    (s, i) => `0:0${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")};${[1380, 1420, 1450, 1475, 1480, 1478][i]}`,
  );
  writeFileSync(path, `Logger 4;serial 77\nTime;Temp (°F)\n${rows.join("\n")}\n`);
  await page.getByLabel("Logger file").setInputFiles(path);
  await expect(page.getByText(/6 readings.*hottest 804 °C/)).toBeVisible();
  await expect(page.getByText(/1 gap, the longest 5 min/)).toBeVisible();
  // It counts from its own start: nobody but the smith knows when that was.
  await expect(page.getByRole("button", { name: "Into the record" })).toBeDisabled();
  await page.getByRole("button", { name: /^When this piece was first looked at/ }).click();
  await page.getByRole("button", { name: "Into the record" }).click();
  await expect(page.getByText("6 readings of logger.csv are in the record.")).toBeVisible();
  await expect(page.getByText("Checked: reads 804 °C").first()).toBeVisible();
});

standing(
  "a logger's file of a quarter of a million lines is read beside the page, with what it is at, and can be stopped",
  async ({ page }, info) => {
    test.setTimeout(120_000);
    await open(page, `${DEMO}/book/demo-9`);
    const path = info.outputPath("long.csv");
    const lines = Array.from({ length: 250_000 }, (_, i) => `${i},${(700 + (i % 90)).toFixed(1)}`);
    writeFileSync(path, `seconds,Temp C\n${lines.join("\n")}\n`);
    await page.getByLabel("Logger file").setInputFiles(path);
    await expect(page.getByText(/Reading it, \d+ %/)).toBeVisible();
    // The page answers meanwhile.
    await page.getByRole("button", { name: "Stop" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
    await page.getByLabel("Logger file").setInputFiles(path);
    await expect(page.getByText(/250000 readings.*400 of them go into the record/)).toBeVisible({ timeout: 60_000 });
    const began = new Date(Date.now() - 5 * 86_400_000).toISOString().slice(0, 19);
    await page.getByLabel(/when was that\?/).fill(began);
    await page.getByRole("button", { name: "Into the record" }).click();
    await expect(page.getByText("400 readings of long.csv are in the record.")).toBeVisible();
  },
);
