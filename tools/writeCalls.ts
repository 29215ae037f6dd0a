/**
 * `npm run calls`: an hour of a shop's tempers pressed into six minutes, their page hidden and its own timers looked at once a minute as a
 * browser does, in a real Chromium with its real worker: how late each end is told. Writes docs/calls.md.
 */

import { writePage } from "./page.js";
import { chromium } from "@playwright/test";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CHROMIUM } from "../e2e/chromium.js";
import { actsOfRoute, CATALOGUE, planRoute, writeBook, type BookEvent, type Piece } from "../core/src/index.js";
import { makeApp } from "../server/src/app.js";
import { listen } from "../server/src/listen.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const CALLS = 12;
const EACH_s = Number(process.env["EACH"] ?? 29);
/** The first is due so long after the book is made: the page has to be there and hidden by then, s. */
const FIRST_s = 25;
const LOOK_ms = 60_000;

const KNIFE: Piece = {
  name: "Hay knife",
  mark: "1",
  kind: "knife",
  form: "hay-knife",
  steel: "1084",
  start: "as-forged",
  use: "slicer",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 },
};

/** Twelve pieces in their temper, each to come out so long after the one before. */
function bookOf(now_ms: number): { readonly text: string; readonly ends_ms: readonly number[] } {
  const route = planRoute(CATALOGUE, KNIFE, "forge");
  const acts = actsOfRoute(route);
  const temperAt = acts.findIndex(({ kind }) => kind === "temper");
  const temper = acts[temperAt]!;
  const hold_ms = temper.kind === "temper" ? 1000 * temper.hold_s : 0;
  const ends_ms = Array.from({ length: CALLS }, (_, i) => now_ms + 1000 * (FIRST_s + EACH_s * i));
  const events = ends_ms.flatMap((end_ms, i): BookEvent[] => {
    const piece = `call-${i}`;
    const since_ms = end_ms - hold_ms;
    return [
      { id: `${piece}-a`, piece, at_ms: since_ms - 9e6, kind: "piece", definition: { ...KNIFE, name: `Knife ${i + 1}`, mark: `${i + 1}` } },
      { id: `${piece}-b`, piece, at_ms: since_ms - 8.9e6, kind: "route", route },
      ...acts.slice(0, temperAt).map((act, k): BookEvent => ({
        id: `${piece}-d${k}`,
        piece,
        at_ms: since_ms - 1000 * (temperAt - 1 - k),
        kind: "act-done",
        act: act.id,
      })),
    ];
  });
  return {
    text: writeBook(
      events.sort((a, b) => a.at_ms - b.at_ms),
      now_ms,
      null,
    ),
    ends_ms,
  };
}

interface Told {
  readonly title: string;
  readonly body: string;
  readonly at_ms: number;
}

const { server, address } = await listen(makeApp({ pages: join(root, "app/dist"), demo: false }), 43796, () => undefined);
const browser = await chromium.launch(CHROMIUM);
const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
// As text: what compiles this file would put helpers of its own into a function.
await page.addInitScript({
  content: `
  const told = [];
  window.told = told;
  Object.defineProperty(Notification, "permission", { get: () => "granted" });
  ServiceWorkerRegistration.prototype.showNotification = (title, options) =>
    Promise.resolve(void told.push({ title, body: options?.body ?? "", at_ms: Date.now() }));
  // As a browser does once a page was hidden for minutes: its timers fire when the next whole minute begins.
  const LOOK_ms = ${LOOK_ms};
  const every = window.setInterval.bind(window);
  const once = window.setTimeout.bind(window);
  const isHidden = () => document.visibilityState === "hidden";
  window.setInterval = (tell, ms) => {
    let last = -1;
    return every(() => {
      const minute = Math.floor(Date.now() / LOOK_ms);
      if (isHidden() && minute === last) return;
      last = minute;
      tell();
    }, ms);
  };
  window.setTimeout = (tell, ms = 0, ...more) => once(tell, isHidden() && ms > 0 ? LOOK_ms - (Date.now() % LOOK_ms) : ms, ...more);
`,
});
await page.goto(`${address}book`);
await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
const now_ms = Date.now();
const { text: book, ends_ms } = bookOf(now_ms);
const path = join(mkdtempSync(join(tmpdir(), "calls-")), "calls.tembrak.json");
writeFileSync(path, book);
await page.getByLabel("Book file").setInputFiles(path);
await page.locator(".book-row").first().waitFor();
await page.evaluate(() => {
  Object.defineProperty(document, "visibilityState", { value: "hidden", configurable: true });
  document.dispatchEvent(new Event("visibilitychange"));
});
// Nothing is asked of the page meanwhile: it would wake it.
await new Promise((resolve) => setTimeout(resolve, ends_ms.at(-1)! + 5000 - Date.now()));
const told = await page.evaluate(() => (window as unknown as { told: Told[] }).told);
const unheard = await page.evaluate(() => (JSON.parse(localStorage.getItem("tembrak-unheard") ?? "[]") as unknown[]).length);
await browser.close();
server.closeAllConnections();
server.close();

const late_s = ends_ms.flatMap((end_ms, i) => {
  const one = told.find(({ title, body }) => title === `Knife ${i + 1}` && body === "The temper is over.");
  return one === undefined ? [] : [(one.at_ms - end_ms) / 1000];
});
const text = `# Calls

Written by \`npm run calls\` (tools/writeCalls.ts), in Debian's Chromium with the real worker: a page that is hidden, its own timers fired at whole
minutes only, as a browser does with one that was hidden for minutes; twelve tempers that end ${EACH_s} s apart. An hour of it with stopped and with
slowed timers is a test beside the code (app/src/calls/calls.test.tsx).

| what | number |
| --- | --- |
| ends of tempers due | ${CALLS} |
| told by a notification | ${late_s.length} |
| told latest after it was due, s | ${Math.max(...late_s).toFixed(1)} |
| told later than 2 s | ${late_s.filter((s) => s > 2).length} |
| kept until somebody says *Heard*, the warnings before them too | ${unheard} |

What it does not show: a phone that is locked puts a page and its workers to sleep after some minutes; then nothing calls, the page says so once, and
hands over the end for the phone's own calendar.
`;
writePage("calls.md", text);
process.stdout.write(text);
