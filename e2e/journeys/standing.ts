/**
 * A page that stands for several journeys, one after another: its book is laid out anew for each, its engine is warm. To load the page costs
 * four seconds of a processor, to go on in it a tenth. Journeys about the page itself (a reload, a second tab, a browser that refuses)
 * have one of their own, by `test` of shop.ts.
 */

import { expect, test as base, type Browser, type Locator, type Page } from "@playwright/test";
import { demoEvents, demoKit } from "../../app/src/store/demoBook.js";
import { DEMO, EMPTY } from "../ports.js";
import { watchFaults, WIDE, visit } from "./shop.js";

interface Standing {
  readonly page: Page;
  /** What went wrong on it since it was asked last. */
  readonly faults: () => readonly string[];
}

interface Keeper {
  readonly take: (isClocked: boolean) => Promise<Standing>;
  /** What a failed journey leaves is nobody's to go on with. */
  readonly drop: (isClocked: boolean) => Promise<void>;
}

const DEMO_BOOK = /^9 pieces, every heat/;

async function opened(browser: Browser, isClocked: boolean): Promise<Standing> {
  const context = await browser.newContext({ viewport: WIDE, serviceWorkers: "block" });
  context.setDefaultTimeout(30_000);
  const page = await context.newPage();
  const faults = await watchFaults(page, 1);
  if (isClocked) await page.clock.install();
  await page.goto(`${DEMO}/book`);
  await expect(page.getByText(DEMO_BOOK)).toBeVisible();
  return { page, faults };
}

export const standing = base.extend<{ isClocked: boolean; page: Page }, { keeper: Keeper }>({
  isClocked: [false, { option: true }],
  keeper: [
    async ({ browser }, use) => {
      const pages = new Map<boolean, Standing>();
      const take = async (isClocked: boolean): Promise<Standing> => {
        const known = pages.get(isClocked) ?? (await opened(browser, isClocked));
        pages.set(isClocked, known);
        return known;
      };
      const drop = async (isClocked: boolean): Promise<void> => {
        await pages.get(isClocked)?.page.context().close();
        pages.delete(isClocked);
      };
      await use({ take, drop });
      await drop(true);
      await drop(false);
    },
    { scope: "worker" },
  ],
  page: async ({ keeper, isClocked }, use, info) => {
    const { page, faults } = await keeper.take(isClocked);
    await page.setViewportSize(WIDE);
    await use(page);
    const found = faults();
    if (info.status !== info.expectedStatus || found.length > 0) await keeper.drop(isClocked);
    else await leave(page);
    expect(found).toEqual([]);
  },
});

/** On a page with a clock that the journey moves on. It is never set back: what the page has seen lies behind it. */
export const clocked = standing.extend({ isClocked: true });

/** The time on the page, ms: of one with a clock, hours ahead. */
export function timeOn(page: Page): Promise<number> {
  return page.evaluate(() => Date.now());
}

type Rows = Readonly<Record<"events" | "settings" | "kit", readonly object[]>>;

const setting = (key: string, value: unknown): object => ({ key, value });
let filling = 0;
/** Another filling of the book each time, so that nothing of the last is taken for it. */
const settled = (): object[] => [setting("isSettled", true), setting("generation", `journey ${++filling}`)];

/** Writes a whole store behind the page's back, and tells the page as another tab would. */
async function lay(page: Page, rows: Rows): Promise<void> {
  await page.evaluate(async (all) => {
    localStorage.clear();
    sessionStorage.clear();
    await new Promise<void>((resolve, reject) => {
      const asked = indexedDB.open("tembrak");
      asked.onerror = () => reject(new Error(String(asked.error)));
      asked.onsuccess = () => {
        const db = asked.result;
        const change = db.transaction(Object.keys(all), "readwrite");
        for (const [name, own] of Object.entries(all)) {
          const table = change.objectStore(name);
          table.clear();
          for (const row of own) table.put(row);
        }
        change.oncomplete = () => {
          db.close();
          resolve();
        };
        change.onabort = () => reject(new Error(String(change.error)));
      };
    });
    dispatchEvent(new CustomEvent("x-storagemutated-1", { detail: { all: { d: 1, from: -Infinity, to: [[]] } } }));
  }, rows);
}

const heading = (page: Page, name: string): Locator => page.getByRole("heading", { name, exact: true });

/** Away from a journey's view, and its book gone: nothing of it runs on. */
async function leave(page: Page): Promise<void> {
  await visit(page, "/nowhere");
  await expect(heading(page, "There is nothing at this address.")).toBeVisible();
  // What was called and not heard, and what was asked about the clock, is not the next one's.
  for (const name of ["Heard", "The clock is right"]) {
    const key = page.getByRole("button", { name });
    if (await key.isVisible()) await key.click();
  }
  await lay(page, { events: [], settings: settled(), kit: [] });
}

/** As that, and seen to be gone: what is in the book after this is the next one's. */
async function cleared(page: Page): Promise<void> {
  await leave(page);
  await visit(page, "/book");
  await expect(page.getByText("Empty.", { exact: true })).toBeVisible();
}

/** The demo's book, or an empty one where that server's is named, and then the address. A page of its own loads it. */
export async function open(page: Page, address: string): Promise<void> {
  if (page.url() === "about:blank") {
    await page.goto(address);
    return;
  }
  const { origin, pathname } = new URL(address);
  await cleared(page);
  if (origin !== EMPTY) {
    const shop = [...settled(), setting("shopName", "Withy Lane forge")];
    await lay(page, { events: demoEvents(await timeOn(page)), settings: shop, kit: demoKit() });
    await expect(page.getByText(DEMO_BOOK)).toBeVisible();
  }
  await visit(page, pathname);
  // What the journey means is not to be found in the view it leaves.
  if (pathname !== "/book") await expect(heading(page, "The book")).toBeHidden();
}
