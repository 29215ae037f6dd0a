/** What every journey stands on: a page that fails the test on any console error or blocked resource. */

import { AxeBuilder } from "@axe-core/playwright";
import { expect, test as base, type Page } from "@playwright/test";

interface Own {
  /** What the page is told the machine has: beside two others it has no more than one to itself. */
  readonly processors: number;
  readonly page: Page;
}

/** Wide, as on a desk. */
export const WIDE = { width: 1280, height: 800 };

/**
 * Notes any console error and blocked resource from now on, and tells the page how many processors there are.
 *
 * @returns what was found since it was asked last
 */
export async function watchFaults(page: Page, processors: number): Promise<() => readonly string[]> {
  let faults: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") faults.push(message.text());
  });
  page.on("pageerror", (error) => faults.push(error.message));
  await page.addInitScript(() => {
    document.addEventListener("securitypolicyviolation", (event) => {
      console.error(`blocked by the content policy: ${event.violatedDirective} ${event.blockedURI}`);
    });
  });
  await page.addInitScript((count) => Object.defineProperty(navigator, "hardwareConcurrency", { get: () => count }), processors);
  return () => {
    const found = faults.filter((fault) => !fault.includes("net::ERR_INTERNET_DISCONNECTED"));
    faults = [];
    return found;
  };
}

export const test = base.extend<Own>({
  processors: [1, { option: true }],
  page: async ({ page, processors }, use) => {
    const faults = await watchFaults(page, processors);
    await use(page);
    expect(faults()).toEqual([]);
  },
});

/** Until nothing fades or slides any more, and nothing begins to: a colour half way between two lights has the contrast of neither. */
async function settled(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const drawn = (): Promise<unknown> => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    for (let look = 0; look < 20; look++) {
      await drawn();
      const moving = document
        .getAnimations()
        .filter(({ effect, playState }) => playState !== "finished" && Number.isFinite(effect?.getComputedTiming().endTime));
      if (moving.length === 0) return;
      await Promise.all(moving.map((animation) => animation.finished.catch(() => undefined)));
    }
  });
}

/** No serious or critical violation. @param rules left out, all there are: another light changes colours alone */
export async function expectAccessible(page: Page, rules?: readonly string[]): Promise<void> {
  await settled(page);
  // No frame of another site is on any page: without the search for some it takes half the time.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"] });
  const { violations } = await (rules === undefined ? axe : axe.withRules([...rules])).analyze();
  const serious = violations.filter(({ impact }) => impact === "serious" || impact === "critical");
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(" ")).join(" | ")}`)).toEqual([]);
}

/** To another view of the page that is open, as a link leads there: to load all of it again costs three seconds of a processor. */
export async function visit(page: Page, address: string): Promise<void> {
  const { pathname, search } = new URL(address, page.url());
  await page.evaluate((to) => {
    history.pushState(null, "", to);
    dispatchEvent(new PopStateEvent("popstate", { state: null }));
  }, pathname + search);
}

/** Types into a field by its label. */
export async function fill(page: Page, label: RegExp, text: string): Promise<void> {
  await page.getByLabel(label).fill(text);
}

/** Nothing sticks out to the side of the page. */
export async function expectNoSideways(page: Page): Promise<void> {
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(over).toBeLessThanOrEqual(0);
}

export { expect };

/** Ticks everything that has to be there before a fire, and goes on. */
export async function passGate(page: Page): Promise<void> {
  await expect(page.getByRole("heading", { name: "Before the fire" })).toBeVisible();
  await expect(page.getByRole("button", { name: /still to tick/ })).toBeDisabled();
  for (const item of await page.getByRole("checkbox").all()) await item.check();
  await page.getByRole("button", { name: "All there: to the fire" }).click();
}

/** Three normalising heats, each let go by the magnet, with its tap stored before the next. */
export async function normalise(page: Page): Promise<void> {
  for (let heat = 0; heat < 3; heat++) {
    await page.getByRole("button", { name: "Magnet lets go" }).click();
    await expect(page.getByRole("status").filter({ hasText: "magnet lets go" })).toBeVisible();
    await page.getByRole("button", { name: /At heat: out to cool/ }).click();
    await page.getByRole("button", { name: /It is (black|hand-warm)/ }).click();
  }
}

/** To the book by the navigation: it is there when its heading is, and only then do its links mean what they say. */
export async function goToBook(page: Page): Promise<void> {
  await page.getByRole("navigation").getByRole("link", { name: "Book" }).click();
  await expect(page.getByRole("heading", { name: "The book", exact: true })).toBeVisible();
}

/** From a heat card to its bench. */
export async function goToBench(page: Page): Promise<void> {
  await page.getByRole("link", { name: "To the bench" }).click();
  await page.waitForURL(/\/bench$/);
}

/** Takes it out; where that is before its time, says so twice. */
export async function outNow(page: Page, name: RegExp): Promise<void> {
  await page.getByRole("button", { name }).click();
  const early = page.getByRole("dialog", { name: /too early/ });
  // Either it is asked about, or it was time and the key is gone: however long either takes.
  const key = page.locator("button").filter({ hasText: name });
  await expect.poll(async () => (await early.isVisible()) || (await key.count()) === 0).toBe(true);
  if (await early.isVisible()) await early.getByRole("button", { name }).click();
}

/** A way through the bath, from the card by its steps. */
export async function takeWay(page: Page, way: string): Promise<void> {
  await page.getByRole("button", { name: "Steps" }).click();
  await page.getByRole("button", { name: "Ways through the bath" }).click();
  await page.getByRole("button", { name: `Do it so: ${way}` }).click();
  await page.getByRole("button", { name: "Keep these steps" }).click();
  await expect(page.getByRole("dialog")).toBeHidden();
}
