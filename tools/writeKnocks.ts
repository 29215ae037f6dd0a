/** `npm run knocks`: spoiled books through the reader and all that reads what it lets in, and forty of them in a browser. Writes docs/knocks.md. */

import { writePage } from "./page.js";
import { chromium } from "@playwright/test";
import { readFileSync, writeFileSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CHROMIUM } from "../e2e/chromium.js";
import { actWords } from "../app/src/words/actWords.js";
import * as rack from "../app/src/words/rackWords.js";
import { endWords, rowEnd } from "../app/src/words/fateWords.js";
import { readingWords } from "../app/src/words/readingWords.js";
import { unknownOf, unknownWords } from "../app/src/words/unknownWords.js";
import { weightWords } from "../app/src/words/weightWords.js";
import { checkBook, parseJson, readBook, writeBook } from "../core/src/book/exchange.js";
import { BOOK_VERSION } from "../core/src/schema/version.js";
import { brittleSince, heatsDone, piecesOf, type PieceState } from "../core/src/book/state.js";
import { soakClock } from "../core/src/book/soakClock.js";
import { CATALOGUE, formOf } from "../core/src/catalogue.js";
import { InputError } from "../core/src/errors.js";
import { heatBehind, heatNow } from "../core/src/heatNow/heatNow.js";
import { risesOf } from "../core/src/heatNow/stepTimes.js";
import { uniforms } from "../core/src/numerics/sampling.js";
import { fitProblems } from "../core/src/plan/fit.js";
import type { Book } from "../core/src/schema/book.js";
import { whyQuestion } from "../core/src/diagnose/facts.js";
import { bathBars, bathLog, bathNow } from "../core/src/standing/bathNow.js";
import { standingQuestion } from "../core/src/standing/question.js";
import { bathLine, bathTitle, entryWords, flashWords, warmWords } from "../app/src/words/bathWords.js";
import { doneLines } from "../app/src/words/whyWords.js";
import { makeApp } from "../server/src/app.js";
import { listen } from "../server/src/listen.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const BOOKS = Number(process.env["BOOKS"] ?? 20_000);
const IN_BROWSER = Number(process.env["PAGES"] ?? 40);
const SEED = 20261128;
const METRIC = { temperature: "C", length: "mm" } as const;

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Holder = { [key: string]: Json };

const whole = JSON.parse(readFileSync(join(root, `core/test/migrate/books/version-${BOOK_VERSION}.tembrak.json`), "utf8")) as unknown as {
  events: { piece: string }[];
  exportedAt_ms: number;
};
const ids = [...new Set(whole.events.map(({ piece }) => piece))];
const draw = uniforms(SEED);
const below = (n: number): number => Math.min(n - 1, Math.floor(n * draw()));
const pick = <T>(of: readonly T[]): T => of[below(of.length)]!;

/** A book of two of the pieces. */
function small(): Holder {
  const two = new Set([pick(ids), pick(ids)]);
  return JSON.parse(JSON.stringify({ ...whole, events: whole.events.filter(({ piece }) => two.has(piece)) })) as Holder;
}

/** Every holder in a value, with its keys. */
function holders(value: Json, found: (Holder | Json[])[] = []): (Holder | Json[])[] {
  if (typeof value !== "object" || value === null) return found;
  found.push(value);
  for (const inner of Object.values(value)) holders(inner, found);
  return found;
}

const ODD: readonly Json[] = [
  null,
  true,
  -1,
  0,
  1e9,
  1e308,
  0.5,
  "",
  "x",
  "whale-oil",
  "Infinity",
  [],
  {},
  "\u0000",
  "<b>",
  "😀".repeat(40),
  8.64e15,
];

/** One thing wrong in it. @returns what was done */
function spoil(book: Holder): string {
  const holder = pick(holders(book));
  const keys = Object.keys(holder);
  if (keys.length === 0) return "nothing";
  const key = pick(keys);
  const at = holder as Holder;
  const how = below(7);
  const was = at[key];
  switch (how) {
    case 0:
      if (Array.isArray(holder)) holder.splice(Number(key), 1);
      else delete at[key];
      return "left out";
    case 1:
    case 2:
      at[key] = pick(ODD);
      return "replaced";
    case 3:
      at[key] = typeof was === "number" ? pick([was * 1000, -was, was / 1000, was + 0.5, Number.MAX_SAFE_INTEGER]) : pick(ODD);
      return "of another size";
    case 4:
      if (Array.isArray(holder)) holder.push(JSON.parse(JSON.stringify(holder[below(holder.length)] ?? null)) as Json);
      else at[`${key}2`] = was ?? null;
      return "doubled";
    case 5: {
      const other = pick(holders(book));
      const otherKey = pick(Object.keys(other).length > 0 ? Object.keys(other) : ["x"]);
      at[key] = JSON.parse(JSON.stringify((other as Holder)[otherKey] ?? null)) as Json;
      return "exchanged";
    }
    default:
      if (typeof was === "string") at[key] = pick(["unheard-of", was.toUpperCase(), was.slice(1), `${was} `]);
      else if (typeof was === "number") at[key] = String(was);
      return "renamed";
  }
}

/** The text, now and then cut or scratched itself. */
function textOf(book: Holder): string {
  const text = JSON.stringify(book);
  const how = draw();
  if (how < 0.03) return text.slice(0, below(text.length));
  if (how < 0.06) {
    const at = below(text.length);
    return text.slice(0, at) + String.fromCharCode(below(128)) + text.slice(at + 1);
  }
  return how < 0.07 ? `\uFEFF${text}` : text;
}

/** All that reads a piece without a screen. */
function consume(state: PieceState, book: Book): void {
  const now_ms = state.events.at(-1)!.at_ms + 60_000;
  brittleSince(state, now_ms);
  heatsDone(state);
  endWords(state);
  rowEnd(state);
  for (const event of state.events) readingWords(event, state, METRIC);
  if ((unknownWords(state) === null) !== (unknownOf(state).length === 0)) throw new Error("says of a known piece that it is unknown");
  rack.statusLine(state, now_ms, null, METRIC);
  rack.nextActWords(state, now_ms, METRIC);
  rack.urgency(state, now_ms);
  for (const act of state.acts) actWords(act, state, METRIC);
  if (unknownOf(state).length > 0) return;
  weightWords(state.piece, 0.1, METRIC);
  const kit = book.kit ?? null;
  if (state.route !== null) {
    fitProblems(CATALOGUE, state.piece, formOf(state.piece), state.route, kit);
    risesOf(state.piece, state.route, kit);
  }
  const context = { catalogue: CATALOGUE, kit, eye: { bias_C: 0, sd_C: 30 }, factors: [] };
  standingQuestion(state, context);
  const why = whyQuestion(state, context);
  if (why !== null) doneLines(why, METRIC);
  const heat = heatBehind(state, state.next);
  if (heat !== undefined) heatNow(state, heat, now_ms, { catalogue: CATALOGUE, kit });
  if (state.next?.kind === "hold") soakClock(state, state.next, now_ms);
}

/** All that reads the baths of a book. */
function consumeBaths({ kit = [], events }: Book, pieces: readonly PieceState[]): void {
  for (const item of kit) {
    if (item.kind !== "bath") continue;
    bathBars(CATALOGUE, item);
    const own = events.filter(({ piece }) => piece === item.id);
    const log = bathLog(item, kit, pieces, own);
    const now = bathNow(CATALOGUE, item, log, Math.max(0, ...events.map(({ at_ms }) => at_ms)) + 60_000);
    for (const entry of log) entryWords(entry, undefined, METRIC);
    if (now === null) continue;
    bathTitle(now, undefined, METRIC);
    bathLine(item, now, undefined, METRIC);
    warmWords(item, now, METRIC);
    flashWords(now, METRIC);
  }
}

const tally = { refused: 0, accepted: 0, readerThrew: 0, consumerThrew: 0, notTheSame: 0 };
const thrown = new Map<string, number>();
const taken: string[] = [];
const began = Date.now();
for (let i = 0; i < BOOKS; i++) {
  const book = small();
  const done = Array.from({ length: 1 + below(3) }, () => spoil(book));
  const text = textOf(book);
  let read: Book | null = null;
  try {
    read = checkBook(parseJson(text)).book;
  } catch (error) {
    if (!(error instanceof InputError)) {
      tally.readerThrew++;
      thrown.set(`reader: ${String(error)}`, (thrown.get(`reader: ${String(error)}`) ?? 0) + 1);
    }
  }
  if (read === null) {
    tally.refused++;
    continue;
  }
  tally.accepted++;
  if (taken.length < 5 * IN_BROWSER && !done.every((what) => what === "nothing")) taken.push(text);
  try {
    const pieces = piecesOf(read.events);
    for (const state of pieces) consume(state, read);
    consumeBaths(read, pieces);
    const again = writeBook(read.events, read.exportedAt_ms, read.kit ?? null);
    if (writeBook(readBook(again).events, read.exportedAt_ms, read.kit ?? null) !== again) tally.notTheSame++;
  } catch (error) {
    tally.consumerThrew++;
    const said = error instanceof Error ? (error.stack ?? error.message).split("\n").slice(0, 3).join(" | ") : String(error);
    thrown.set(said, (thrown.get(said) ?? 0) + 1);
  }
}
const readIn_s = (Date.now() - began) / 1000;

const { server, address } = await listen(makeApp({ pages: join(root, "app/dist"), demo: false }), 43795, () => undefined);
const browser = await chromium.launch(CHROMIUM);
const folder = mkdtempSync(join(tmpdir(), "knocks-"));
const screens = { opened: 0, failed: 0, faults: 0 };
for (let i = 0; i < IN_BROWSER; i++) {
  const text = taken[Math.floor((i * taken.length) / IN_BROWSER)]!;
  const path = join(folder, `${i}.tembrak.json`);
  writeFileSync(path, text);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  page.on("pageerror", (error) => {
    screens.faults++;
    thrown.set(`browser: ${error.message}`, (thrown.get(`browser: ${error.message}`) ?? 0) + 1);
  });
  await page.goto(`${address}book`);
  await page.getByRole("heading", { name: "The book", exact: true }).waitFor();
  await page.getByLabel("Book file").setInputFiles(path);
  await page
    .locator(".book-row")
    .first()
    .waitFor({ timeout: 15_000 })
    .catch(() => undefined);
  // What was spoiled may lie in either of the two: by turns.
  const id = [...new Set(readBook(text).events.map(({ piece }) => piece))][i % 2] ?? "none";
  const paths = [
    "",
    "book",
    "kit",
    `book/${id}`,
    `piece/${id}`,
    `piece/${id}/bench`,
    `piece/${id}/test/prove`,
    `piece/${id}/why`,
    "kit/demo-kit-3",
  ];
  for (const to of paths) {
    await page.goto(`${address}${to.split("/").map(encodeURIComponent).join("/")}`);
    await page
      .locator("main:not([aria-busy])")
      .first()
      .waitFor({ timeout: 10_000 })
      .catch(() => undefined);
    await page.waitForTimeout(120);
    screens.opened++;
    const isThere = (await page.locator("main").count()) > 0;
    const hasFailed = (await page.getByText("Something went wrong on this screen.").count()) > 0;
    if (!isThere || hasFailed) {
      screens.failed++;
      const said = hasFailed ? await page.locator("main p").first().innerText() : "nothing on the screen";
      thrown.set(`screen ${to.replace(/[^/]*$/, "…")}: ${said}`, 1);
    }
  }
  await context.close();
}
await browser.close();
server.closeAllConnections();
server.close();

const text = `# Hard knocks

Written by \`npm run knocks\` (tools/writeKnocks.ts), seed ${SEED}: books of two pieces with one to three things spoiled in each (left out, replaced, of another size, doubled, exchanged, renamed;
some cut or scratched as text), read, and what is let in given to all that reads a piece.

| what | number |
| --- | --- |
| spoiled books tried | ${BOOKS} |
| refused in a sentence | ${tally.refused} |
| accepted | ${tally.accepted} |
| the reader threw | ${tally.readerThrew} |
| something that reads an accepted book threw | ${tally.consumerThrew} |
| an accepted book did not come back the same | ${tally.notTheSame} |
| seconds for all of it | ${readIn_s.toFixed(0)} |
| accepted ones brought into a browser | ${IN_BROWSER} |
| screens opened with them | ${screens.opened} |
| screens that failed | ${screens.failed} |
| faults a page reported | ${screens.faults} |
${thrown.size === 0 ? "" : `\nThrown:\n\n${[...thrown].map(([said, times]) => `- ${times} times: ${said.slice(0, 300)}`).join("\n")}\n`}`;
writePage("knocks.md", text);
process.stdout.write(text);
