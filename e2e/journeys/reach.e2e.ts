/** With two other pieces running, a call nobody heard and a notice: what ends the act, undo and fire lie in reach of the hand on every screen. */

import type { Locator, Page } from "@playwright/test";
import { actsOfRoute, CATALOGUE, planRoute, type Act, type Piece, type Route } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { bringIn, SICKLE, shopAt, type AtAct } from "./books.js";
import { expect, passGate, test, visit } from "./shop.js";
import { standing } from "./standing.js";

/** A phone upright and on its side, a laptop, and that laptop at 200 %. */
const SIZES = [
  [390, 844],
  [844, 390],
  [1280, 800],
  [640, 400],
] as const;

const KNIFE: Piece = { ...SICKLE, name: "Hay knife", kind: "knife", form: "hay-knife", use: "slicer", length_mm: 240 };
const FORGE = planRoute(CATALOGUE, KNIFE, "forge");
const KILN = planRoute(CATALOGUE, KNIFE, "kiln");
const RUN = planRoute(CATALOGUE, KNIFE, "forge", { way: { hardens: "whole", draws: "hot-bar" } });

const kinds = (route: Route): readonly Act["kind"][] => [...new Set(actsOfRoute(route).map(({ kind }) => kind))];
const AT: readonly (AtAct & { id: string })[] = [
  ...kinds(FORGE).map((kind) => ({ id: `forge-${kind}`, piece: KNIFE, kind, under_s: 60, route: FORGE })),
  ...(["heat", "hold"] as const).map((kind) => ({ id: `kiln-${kind}`, piece: KNIFE, kind, under_s: 60, route: KILN })),
  { id: "run", piece: KNIFE, kind: "run", under_s: 3000, route: RUN },
];
/** Each with a mark of its own, so that none is asked about. */
const MARKED = AT.map((one, i) => ({ ...one, piece: { ...one.piece, mark: `${i + 10}` } }));
const OTHERS: readonly AtAct[] = [1, 2].map((n) => ({
  id: `other-${n}`,
  piece: { ...KNIFE, name: `Reed sickle ${n}`, mark: `${n}` },
  kind: "temper",
  under_s: 9000,
  route: FORGE,
}));

/** Where it lies and whether anything lies over it, looked at in one moment: the screen may give a line more room between two. */
async function inView(page: Page, what: Locator, name: string): Promise<void> {
  const { width, height } = page.viewportSize()!;
  const said = `${name} at ${width}x${height}`;
  const { box, over } = await what.evaluate((own) => {
    const { x, y, width: wide, height: high } = own.getBoundingClientRect();
    const top = document.elementFromPoint(x + wide / 2, y + high / 2);
    // A key that is shut is not there for a pointer.
    const isFree = own.matches(":disabled") || own.contains(top);
    return { box: { x, y, wide, high }, over: isFree ? "" : (top?.outerHTML.slice(0, 300) ?? "nothing is there") };
  });
  const { x, y, wide, high } = box;
  expect([x >= -0.5, y >= -0.5, x + wide <= width + 0.5, y + high <= height + 0.5], said).toEqual([true, true, true, true]);
  expect(high, said).toBeGreaterThanOrEqual(63.5);
  expect(over, `${said}: what lies over it`).toBe("");
}

standing("every act on four sizes, with two others running and a call nobody heard", async ({ page }, info) => {
  test.setTimeout(240_000);
  await bringIn(page, info.outputPath("reach.tembrak.json"), shopAt([...MARKED, ...OTHERS]), "Reed sickle 1");
  await page.evaluate(() => {
    const cue = { at_ms: Date.now() - 1000, kind: "now", words: "The temper is over." };
    localStorage.setItem("tembrak-unheard", JSON.stringify([{ id: "other-1", name: "Reed sickle 1", cue, late_s: 0 }]));
    dispatchEvent(new StorageEvent("storage", { key: "tembrak-unheard" }));
  });
  let isThroughGate = false;
  for (const { id, kind } of AT) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await visit(page, `${EMPTY}/piece/${id}/bench`);
    await expect(page.getByRole("main").getByText(KNIFE.name).first()).toBeVisible();
    if (kind === "heat" && !isThroughGate) {
      await passGate(page);
      isThroughGate = true;
    }
    // One tap, so that there is something to take back.
    if (kind === "heat") await page.getByRole("button", { name: /^it is in the/ }).click();
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      await expect(page.getByTestId("unheard")).toBeVisible();
      const act = page.locator(".bench-act").first();
      await expect(act).toBeVisible();
      await inView(page, act, `${id}: the key that ends it`);
      await inView(page, page.getByRole("button", { name: "Undo" }), `${id}: undo`);
      await inView(page, page.getByRole("button", { name: "Fire: what to do" }), `${id}: fire`);
      await inView(page, page.getByRole("link", { name: "Rack", exact: true }), `${id}: rack`);
    }
  }
});
