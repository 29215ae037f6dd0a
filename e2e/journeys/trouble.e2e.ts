/** When things go wrong: storage refused, two tabs, an address that leads nowhere. Nothing is lost, everything is said. */

import { readFileSync, writeFileSync } from "node:fs";
import { DEMO, EMPTY } from "../ports.js";
import { expect, goToBook, test, visit } from "./shop.js";
import { clocked, open, standing } from "./standing.js";

test("a browser that refuses to store: the tap is told as not stored and not shown as done", async ({ page }) => {
  await page.goto(`${DEMO}/piece/demo-4/bench`);
  await expect(page.getByRole("status")).toContainText("looks cherry");
  await page.evaluate(() => {
    const refuse = (): never => {
      throw new DOMException("no room left", "QuotaExceededError");
    };
    IDBObjectStore.prototype.add = refuse;
    IDBObjectStore.prototype.put = refuse;
  });
  await page.getByRole("button", { name: "Magnet sticks" }).click();
  await expect(page.getByRole("status")).toContainText("Not stored");
  await expect(page.getByRole("button", { name: "Magnet sticks" })).toHaveAttribute("aria-pressed", "false");
  await page.getByRole("button", { name: /start the hold/ }).click();
  await expect(page.getByRole("heading", { name: /Harden: to 815/ })).toBeVisible();
});

test("a note, a plan and a key of the rack that are refused: each says so, and what was typed is still there", async ({ page }) => {
  await page.goto(DEMO);
  await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
  await page.evaluate(() => {
    const refuse = (): never => {
      throw new DOMException("no room left", "QuotaExceededError");
    };
    IDBObjectStore.prototype.add = refuse;
    IDBObjectStore.prototype.put = refuse;
  });
  const told = page.getByText("Not stored: the browser refused.");
  await page.getByRole("button", { name: "It is in the oven" }).click();
  await expect(told).toBeVisible();
  await page.getByRole("button", { name: "Seen" }).click();
  await expect(told).toBeHidden();
  await page.getByRole("link", { name: "Book", exact: true }).click();
  // The rack has a bark spud too, and stays until the book has come.
  await expect(page.getByRole("heading", { name: "The book", exact: true })).toBeVisible();
  await page.getByRole("link", { name: /Bark spud/ }).click();
  await page.getByLabel("Note what was different").fill("Rang dull.");
  await page.getByRole("button", { name: "Add the note" }).click();
  await expect(told).toBeVisible();
  await expect(page.getByLabel("Note what was different")).toHaveValue("Rang dull.");
});

test("a stored entry that cannot be read is told on the rack and can be taken along", async ({ page }) => {
  await page.goto(DEMO);
  await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((done, fail) => {
        const open = indexedDB.open("tembrak");
        open.onerror = () => fail(new Error("not opened"));
        open.onsuccess = () => {
          const change = open.result.transaction("events", "readwrite");
          change.objectStore("events").add({ id: "odd", piece: "demo-1", at_ms: 5, kind: "rung", pitch: "high" });
          change.oncomplete = () => (open.result.close(), done());
        };
      }),
  );
  await page.reload();
  await expect(page.getByText("One stored entry cannot be read; it is left as stored.")).toBeVisible();
  await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
  const file = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export it" }).click();
  expect((await file).suggestedFilename()).toMatch(/unread\.json$/);
});

test("two tabs at one bench: a tap in one shows in the other, and an act ends once", async ({ page, context }) => {
  await page.goto(`${DEMO}/piece/demo-3/bench`);
  await expect(page.getByRole("heading", { name: /until it is black/ })).toBeVisible();
  const other = await context.newPage();
  await other.goto(`${DEMO}/piece/demo-3/bench`);
  await expect(other.getByRole("heading", { name: /until it is black/ })).toBeVisible();
  // The one that was there first leads; the other follows, and says so.
  await expect(other.getByText("Another tab leads this piece; this one follows it.")).toBeVisible();
  await expect(other.getByRole("button", { name: "It is black" })).toBeDisabled();
  await page.getByRole("button", { name: "It is black" }).click();
  for (const tab of [page, other]) await expect(tab.getByRole("heading", { name: /Normalise 3 of 3/ })).toBeVisible();
  await other.getByRole("button", { name: "Lead from here" }).click();
  await expect(page.getByText(/Another tab leads/)).toBeVisible();
  await other.getByRole("button", { name: "Magnet weak" }).click();
  await expect(page.getByRole("button", { name: "Magnet weak" })).toHaveAttribute("aria-pressed", "true");
});

test("an address that leads nowhere says so and leads back", async ({ page }) => {
  await page.goto(`${DEMO}/nowhere`);
  for (const path of ["/nowhere", "/piece/none", "/piece/none/bench", "/book/none"]) {
    await visit(page, path);
    await expect(page.getByRole("heading", { name: /nothing at this address|no such piece/ })).toBeVisible();
    await expect(page.getByRole("link", { name: "Back to the rack" })).toBeVisible();
  }
});

standing("bringing in a book beside one that is there: what is new is added, nothing twice", async ({ page }, info) => {
  await open(page, `${DEMO}/book`);
  await expect(page.getByText(/9 pieces/)).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Export the book" }).click()]);
  const file = info.outputPath("book.tembrak.json");
  await download.saveAs(file);
  await page.getByRole("link", { name: /Froe/ }).click();
  await page.getByLabel("Note what was different").fill("after the export");
  await page.getByRole("button", { name: "Add the note" }).click();
  await goToBook(page);
  await page.getByLabel("Book file").setInputFiles(file);
  await page.getByRole("button", { name: "Add what is new" }).click();
  await expect(page.getByText("Everything in that file was already here.")).toBeVisible();
  await page.getByLabel("Book file").setInputFiles(file);
  await page.getByRole("button", { name: "In its place" }).click();
  await expect(page.getByText(/\d+ entries brought in/)).toBeVisible();
  await page.getByLabel("Find a piece, steel or note").fill("after the export");
  await expect(page.getByText(/Nothing in the book says/)).toBeVisible();
});

test("emptied on purpose, the book stays empty after a reload", async ({ page }) => {
  await page.goto(`${DEMO}/book`);
  await expect(page.getByText(/9 pieces/)).toBeVisible();
  await page.getByRole("button", { name: "Empty this book" }).click();
  await page.getByRole("button", { name: "Erase it all" }).click();
  await expect(page.getByText("The book is empty.")).toBeVisible();
  await page.goto(DEMO);
  await expect(page.getByRole("heading", { name: "Nothing hangs here yet." })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Nothing hangs here yet." })).toBeVisible();
});

test("books of another version: an older one opens as it was, a newer one is refused with why, and nothing here changes", async ({
  page,
}, info) => {
  await page.goto(`${EMPTY}/book`);
  await expect(page.getByRole("heading", { name: "The book", exact: true })).toBeVisible();
  await page.getByLabel("Book file").setInputFiles("core/test/migrate/books/version-1.tembrak.json");
  await expect(page.getByText(/\d+ pieces?/).first()).toBeVisible();
  const rows = page.locator(".book-row");
  await expect(rows.first()).toBeVisible();
  const here = await rows.allInnerTexts();
  const newer = info.outputPath("newer.tembrak.json");
  const book = JSON.parse(readFileSync("core/test/migrate/books/version-18.tembrak.json", "utf8")) as { formatVersion: number };
  writeFileSync(newer, JSON.stringify({ ...book, formatVersion: book.formatVersion + 1 }));
  await page.getByLabel("Book file").setInputFiles(newer);
  await expect(page.getByText(/from a newer Tembrak/)).toBeVisible();
  await page.reload();
  await expect(rows.first()).toBeVisible();
  expect(await rows.allInnerTexts()).toEqual(here);
});

test("a private window that keeps nothing: it is said before anything is tapped", async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("not here", "SecurityError");
    };
  });
  await page.goto(DEMO);
  await expect(page.getByRole("alert").filter({ hasText: /refuses to store anything here/ })).toBeVisible();
});

clocked("a machine that slept through the end of a hold: it is told as over by as much, and the taps before it stand", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-4/bench`);
  await page.getByRole("button", { name: /start the hold/ }).click();
  await expect(page.getByTestId("numeral")).toHaveText(/^[01]:\d\d$/);
  await page.clock.fastForward("00:25:00");
  await expect(page.getByText(/Go on now/)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: /start the hold/ })).toBeVisible();
  await expect(page.getByRole("status")).toContainText("looks cherry");
});
