/** A bath that changes: read, warmed with a bar, quenched in until it is warm, a plastic tank that nothing goes into. */

import { CATALOGUE, planRoute, readBook, writeBook, type BookEvent, type Kit, type Piece } from "../../core/src/index.js";
import { DEMO, EMPTY } from "../ports.js";
import { bookAt, bringIn, SICKLE } from "./books.js";
import { expect, expectNoSideways, outNow, passGate, visit } from "./shop.js";
import { clocked, open, standing } from "./standing.js";

clocked(
  "a beginner's can of cooking oil: too cold, warmed with a hot bar, read again; another unit asks, a wrong entry is taken back",
  async ({ page }) => {
    await open(page, `${EMPTY}/kit`);
    await page.getByRole("button", { name: /Gas forge, cooking oil/ }).click();
    await page
      .getByRole("link", { name: /How .* stands/ })
      .first()
      .click();
    await expect(page.getByRole("heading", { name: /Nobody has read it/ })).toBeVisible();
    const read = async (text: string): Promise<void> => {
      await page.getByRole("button", { name: "Read it again" }).click();
      await page.getByLabel(/At the top, or stirred/).fill(text);
      await page.getByLabel("It was stirred first").check();
    };
    const log = async (): Promise<void> => {
      await page.getByRole("button", { name: "Log it" }).click();
      await expect(page.getByRole("dialog")).toBeHidden();
    };
    await read("21");
    await log();
    await expect(page.getByRole("heading", { name: /^Too cold: warm it to 55°/ })).toBeVisible();
    await expect(page.getByText(/a dry bar of .* at 800°, (once|twice|\d+ times)/)).toBeVisible();
    await page.getByRole("button", { name: "A hot bar went in" }).click();
    await page.getByLabel("How heavy, kg").fill("0,8");
    await page.getByLabel("How hot it was").fill("800");
    await log();
    await page.clock.fastForward(120_000);
    // Typed in the other unit it is asked about before it counts.
    await read("130");
    await expect(page.getByText(/is that the bath, in this unit\?/)).toBeVisible();
    await page.getByLabel(/At the top, or stirred/).fill("56");
    await log();
    await expect(page.getByRole("heading", { name: /^Right/ })).toBeVisible();
    await expect(page.getByText(/warmed with .* at 800 °C/)).toBeVisible();
    // Read again, and far off: what was read is what is shown, and what happened is asked.
    await page.clock.fastForward(60_000);
    await read("40");
    await log();
    await expect(page.getByRole("heading", { name: /^40°, and 5\d° was expected: stir it, read it once more/ })).toBeVisible();
    await page.clock.fastForward(60_000);
    await read("40,5");
    await log();
    await expect(page.getByRole("heading", { name: /^Too cold: warm it to 55°/ })).toBeVisible();
    await expect(page.getByText(/read 40°\. What happened\?/)).toBeVisible();
    await page.getByRole("button", { name: "Filled up" }).first().click();
    await expect(page.getByText(/What happened\?/)).toBeHidden();
    await read("56");
    await log();
    await page.getByRole("button", { name: "It was warmed" }).click();
    await page.getByRole("button", { name: "It burnt" }).click();
    await expect(page.getByText(/burnt once so far/)).toBeVisible();
    await page.getByRole("button", { name: "Take the last back" }).click();
    await expect(page.getByText(/burnt once/)).toBeHidden();
    // Ten minutes on nobody knows it is still so.
    await page.clock.fastForward("00:15:00");
    await expect(page.getByRole("heading", { name: /stir it, read it/i })).toBeVisible();
    await page.setViewportSize({ width: 390, height: 844 });
    await expectNoSideways(page);
  },
);

/** Four blades at heat over one small can. */
function fourBlades(): string {
  const knife = (id: string): Piece => ({
    ...SICKLE,
    name: `Hay knife ${id}`,
    mark: id,
    length_mm: 330,
    section: { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 42 },
  });
  const kit: Kit = [
    { id: "can", kind: "bath", name: "Can", medium: "vegetable-oil", tank: "round", width_mm: 220, depth_mm: 420, fill_mm: 370 },
  ];
  const book = (id: string) => readBook(bookAt(knife(id), "hold", 0, null, 12, planRoute(CATALOGUE, knife(id), "forge", { kit })));
  const events = ["1", "2", "3", "4"].flatMap((id): BookEvent[] =>
    book(id).events.map((event) => ({ ...event, id: `${id}-${event.id}`, piece: `k${id}` })),
  );
  return writeBook(
    events.sort((a, b) => a.at_ms - b.at_ms),
    Date.now(),
    kit,
  );
}

clocked(
  "three blades into one small can: each warms it, the fourth would find it too warm, and it says how long to wait",
  async ({ page }, info) => {
    await bringIn(page, info.outputPath("blades.json"), fourBlades(), "Hay knife 1");
    const toTheBath = async (): Promise<void> => {
      await visit(page, `${EMPTY}/kit`);
      await page.getByRole("link", { name: /How .* stands/ }).click();
    };
    await toTheBath();
    await page.getByRole("button", { name: "Read it again" }).click();
    await page.getByLabel(/At the top, or stirred/).fill("55");
    await page.getByLabel("It was stirred first").check();
    await page.getByRole("button", { name: "Log it" }).click();
    const says = page.getByRole("heading", { level: 1 });
    await expect(says).toContainText("3 more pieces like the next, then wait");
    for (const [id, then] of [
      ["1", "2 more pieces like the next, then wait"],
      ["2", "One more piece like the next, then wait"],
      ["3", "Too warm: wait"],
    ] as const) {
      await visit(page, `${EMPTY}/piece/k${id}/bench`);
      await outNow(page, /Out of the fire: to the bath/);
      await page.getByRole("button", { name: /It is in the bath/ }).click();
      await page.clock.fastForward(30_000);
      await page.getByRole("button", { name: /It is out/ }).click();
      await expect(page.getByRole("heading", { name: /^Sight/ })).toBeVisible();
      await toTheBath();
      await expect(says).toContainText(then);
    }
  },
);

standing("a plastic tank: said where it stands, and the piece is not heated for it", async ({ page }) => {
  await open(page, `${DEMO}/kit`);
  await page.getByRole("button", { name: /^Fast oil/ }).click();
  await page.getByLabel("Made of").click();
  await page.getByRole("option", { name: "plastic" }).click();
  await page.getByRole("button", { name: "Keep it" }).click();
  await page.getByRole("link", { name: "How Fast oil stands" }).click();
  await expect(page.getByRole("alert").filter({ hasText: /hot steel goes through it/ })).toBeVisible();
  await page.getByRole("link", { name: "Hay knife" }).click();
  await page.getByRole("button", { name: "It is black" }).click();
  // The kit has changed: the gate is asked anew.
  await passGate(page);
  await page.getByRole("button", { name: /At heat: out to cool/ }).click();
  await page.getByRole("button", { name: "It is hand-warm" }).click();
  const act = page.getByRole("button", { name: /At heat: start the hold/ });
  await expect(act).toBeDisabled();
  await expect(act).toContainText("Not into a plastic tank");
});

clocked("in the quench it went otherwise: one tap, and the record has it", async ({ page }) => {
  await open(page, `${DEMO}/piece/demo-4/bench`);
  await page.getByRole("button", { name: /start the hold/ }).click();
  await page.clock.fastForward(61_000);
  await page.getByRole("button", { name: /Out of the fire/ }).click();
  await page.getByRole("button", { name: /It is in the bath/ }).click();
  await expect(page.getByRole("button", { name: /It is out/ })).toBeVisible();
  await page.getByRole("button", { name: "It went wrong" }).click();
  await page.getByRole("button", { name: "Bath not stirred" }).click();
  await expect(page.getByRole("status")).toContainText("bath not stirred");
  await visit(page, `${DEMO}/book/demo-4`);
  await expect(page.getByRole("cell", { name: /bath not stirred/i })).toBeVisible();
});
