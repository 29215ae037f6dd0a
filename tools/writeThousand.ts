/** `npm run thousand`: how soon the rack and the book of a thousand pieces can be read, beside ten. Writes docs/thousand.md. */

import { writePage } from "./page.js";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CHROMIUM } from "../e2e/chromium.js";
import { demoEvents } from "../app/src/store/demoBook.js";
import { writeBook } from "../core/src/book/exchange.js";
import { piecesOf } from "../core/src/book/state.js";
import { actsOfRoute } from "../core/src/plan/acts.js";
import { requireValid } from "../core/src/schema/checkPage.js";
import { makeApp } from "../server/src/app.js";
import { listen } from "../server/src/listen.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const RUNS = Number(process.env["RUNS"] ?? 5);
const EVENTS_A_PIECE = 10;
const HOUR_ms = 3_600_000;

/** A book of so many pieces, each of a length of its own, ten events a piece. */
function bookOf(count: number): string {
  const now_ms = Date.now();
  const shop = piecesOf(demoEvents(now_ms)).filter(({ route }) => route !== null);
  const events = Array.from({ length: count }, (_, n) => {
    const { piece, route } = shop[n % shop.length]!;
    const from_ms = now_ms - (count - n + 2) * HOUR_ms;
    const made = [
      { kind: "piece", definition: { ...piece, name: `${piece.name} ${n}`, length_mm: piece.length_mm + (n % 83) } },
      { kind: "route", route: route! },
      ...actsOfRoute(route!)
        .slice(0, n % 7)
        .map(({ id }) => ({ kind: "act-done", act: id })),
    ];
    const notes = Array.from({ length: EVENTS_A_PIECE - made.length }, (_, k) => ({
      kind: "note",
      text: `Look ${k} of ${piece.name} ${n}`,
    }));
    return [...made, ...notes].map((event, k) =>
      requireValid("Event", { ...event, id: `e${n}-${k}`, piece: `p${n}`, at_ms: from_ms + k * 60_000 }),
    );
  });
  return writeBook(events.flat(), now_ms, null);
}

/** From the start of the navigation, or of the press, until a piece can be read, ms. */
async function shown_ms(page: Page, selector: string, start: () => Promise<unknown>, isPress: boolean): Promise<number> {
  const from = isPress ? await page.evaluate(() => performance.now()) : 0;
  await start();
  const at = await page.waitForFunction((what) => (document.querySelector(what) === null ? false : performance.now()), selector, {
    polling: "raf",
    timeout: 60_000,
  });
  return Number(await at.jsonValue()) - from;
}

/** From the last letter of a search to what it found, ms: the name of the newest piece but two, typed letter by letter. */
async function searched_ms(page: Page, count: number): Promise<number> {
  const name = `Look 9 of ${await page.locator(".book-row b").nth(2).innerText()}`;
  const field = page.getByLabel("Find a piece, steel or note");
  const took: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    await field.fill("");
    await page.waitForTimeout(500);
    await field.pressSequentially(name.slice(0, -1));
    await page.waitForTimeout(500);
    const start = await page.evaluate(() => performance.now());
    await field.press(name.slice(-1));
    const at = await page.waitForFunction(
      () => (document.querySelectorAll(".book-row").length <= 12 ? performance.now() : false),
      undefined,
      { polling: "raf", timeout: 30_000 },
    );
    took.push(Number(await at.jsonValue()) - start);
  }
  if (count > 12 && took.some((ms) => ms <= 0)) throw new Error("found before it was asked for");
  return median(took);
}

const median = (values: number[]): number => Math.round(values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!);

const { server, address } = await listen(makeApp({ pages: join(root, "app/dist"), demo: false }), 43796, () => undefined);
const rows: string[] = [];
for (const count of [10, 1000, 5000]) {
  const folder = mkdtempSync(join(tmpdir(), "thousand-"));
  const open = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(join(folder, "profile"), { ...CHROMIUM, viewport: { width: 1280, height: 800 } });
  const file = join(folder, "book.tembrak.json");
  writeFileSync(file, bookOf(count));
  let context = await open();
  let page = await context.newPage();
  await page.goto(`${address}book`);
  await page.getByLabel("Book file").setInputFiles(file);
  await page.locator(".book-row").first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(4000);
  for (const [name, path, selector, link] of [
    ["rack", "", ".rack-piece", "Rack"],
    ["book", "book", ".book-row", "Book"],
  ] as const) {
    const [cold, again, pressed]: number[][] = [[], [], []];
    for (let run = 0; run < RUNS; run++) {
      await context.close();
      context = await open();
      page = await context.newPage();
      await page.waitForTimeout(1500);
      cold!.push(await shown_ms(page, selector, () => page.goto(address + path, { waitUntil: "commit" }), false));
      await page.waitForTimeout(2000);
      again!.push(await shown_ms(page, selector, () => page.reload({ waitUntil: "commit" }), false));
      await page.getByRole("link", { name: "Kit", exact: true }).first().click();
      await page.waitForTimeout(2000);
      const key = page.getByRole("link", { name: link, exact: true }).first();
      pressed!.push(await shown_ms(page, selector, () => key.click(), true));
    }
    const found = name === "book" ? await searched_ms(page, count) : null;
    const row = `| ${name} | ${count} | ${median(cold!)} | ${median(again!)} | ${Math.round(Math.max(...again!))} | ${median(pressed!)} | ${found ?? ""} |`;
    console.log(row);
    rows.push(row);
  }
  await context.close();
  rmSync(folder, { recursive: true, force: true });
}
server.closeAllConnections();
server.close();

writePage(
  "thousand.md",
  `# A thousand pieces, and five

\`npm run thousand\` (tools/writeThousand.ts), on this machine (${cpus().length} cores, ${cpus()[0]!.model}), ${RUNS} runs, medians in ms: a book of ${EVENTS_A_PIECE} events a piece,
from the start of the navigation (or of the press) until a piece can be read.

| view | pieces | a browser started for it | opened again in it | slowest of these | from another view by its key | a search, from its last letter |
| --- | ---: | ---: | ---: | ---: | ---: | ---: |
${rows.join("\n")}

A browser started for it loads and compiles everything; what ten pieces take there is the application itself.
`,
);
process.exit(0);
