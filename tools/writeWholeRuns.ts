/** Plays whole practice pieces through the built app in a browser, and writes what was said beside what was so: docs/whole-runs.md. */

import { writePage } from "./page.js";
import { chromium } from "@playwright/test";
import type { Server } from "node:http";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CHROMIUM } from "../e2e/chromium.js";
import { makeApp } from "../server/src/app.js";
import { openHere } from "../server/src/runningShop.js";
import { play, type Played, type Spec } from "./wholeruns/play.js";
import { reportOf } from "./wholeruns/report.js";
import { Witness } from "./wholeruns/truth.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const FORGE = [/^Forge/, /^A shade past/] as const;
const MAGNET = [/^Forge/, /^To the magnet/] as const;
const KILN = [/^Kiln/, /^Controlled/] as const;
const CAREFUL = {
  looks: ["colour", "probe"],
  over_K: 0,
  turnsDown: true,
  transfer_s: 2,
  bath_s: 14,
  ovenOff_K: 0,
  readsOven: true,
} as const satisfies Partial<Spec>;

/** Five steels; forge and kiln; careful, hasty, by magnet and colour alone, too hot, slow to the bath, out too soon, a hot oven, an edge quench. */
const SPECS: readonly Spec[] = [
  { ...CAREFUL, name: "careful, forge", school: FORGE, steel: "1084", spine_mm: 3.5 },
  { ...CAREFUL, name: "careful, kiln", school: KILN, steel: "80CrV2", spine_mm: 4 },
  { ...CAREFUL, name: "by colour and magnet", school: FORGE, steel: "1075", spine_mm: 3, looks: ["colour"] },
  { ...CAREFUL, name: "by the magnet alone, hasty", school: MAGNET, steel: "1084", spine_mm: 3, looks: [], transfer_s: 1, bath_s: 10 },
  { ...CAREFUL, name: "80 too hot", school: FORGE, steel: "1084", spine_mm: 4, over_K: 80 },
  { ...CAREFUL, name: "80 too hot, by eye", school: FORGE, steel: "5160", spine_mm: 5, over_K: 80, looks: ["colour"] },
  { ...CAREFUL, name: "slow to the bath", school: FORGE, steel: "1075", spine_mm: 3, transfer_s: 6 },
  {
    ...CAREFUL,
    name: "slow to the bath, fire not turned down",
    turnsDown: false,
    school: FORGE,
    steel: "1095",
    spine_mm: 3,
    transfer_s: 5,
  },
  { ...CAREFUL, name: "out of the bath at once", school: FORGE, steel: "1084", spine_mm: 5, bath_s: 3 },
  { ...CAREFUL, name: "oven 60 too hot, read", school: FORGE, steel: "80CrV2", spine_mm: 4, ovenOff_K: 60 },
  { ...CAREFUL, name: "oven 60 too hot, not read", school: KILN, steel: "5160", spine_mm: 5, ovenOff_K: 60, readsOven: false },
  { ...CAREFUL, name: "edge quench", school: FORGE, steel: "1084", spine_mm: 5, hardens: /^Edge only/ },
  { ...CAREFUL, name: "edge quench, thick", school: FORGE, steel: "5160", spine_mm: 6, hardens: /^Edge only/ },
];

async function listen(onShop: Parameters<typeof openHere>[0]) {
  const app = makeApp({ pages: join(root, "app/dist"), demo: false, openShop: openHere(onShop) });
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, "127.0.0.1", () => resolve(listening));
  });
  const address = server.address();
  if (address === null || typeof address === "string") throw new Error("no port");
  return { server, base: `http://127.0.0.1:${address.port}` };
}

const only = process.argv[2] === undefined ? null : new RegExp(process.argv[2]);
const browser = await chromium.launch(CHROMIUM);
const all: Played[] = [];
const failed: string[] = [];
for (const [i, spec] of SPECS.entries()) {
  if (only !== null && !only.test(spec.name)) continue;
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  page.setDefaultTimeout(40_000);
  let piece = (): string => "";
  const witness = new Witness(() => piece());
  const { server, base } = await listen(witness.watch);
  const began = Date.now();
  try {
    const { smith, done } = play(page, base, witness, spec, 1000 + i);
    piece = () => smith.piece;
    all.push(await done());
    if (process.env["LOOKS"] !== undefined) for (const look of all.at(-1)!.looks) process.stdout.write(`${JSON.stringify(look)}\n`);
    process.stdout.write(`${spec.name}: played in ${Math.round((Date.now() - began) / 1000)} s\n`);
  } catch (error) {
    failed.push(`${spec.name}: ${(error as Error).message.split("\n")[0]!}`);
    process.stdout.write(
      `${failed.at(-1)!}\n${(
        await page
          .locator("main")
          .innerText()
          .catch(() => "")
      ).slice(0, 600)}\n`,
    );
  }
  await context.close();
  server.closeAllConnections();
  server.close();
}
await browser.close();
const text = reportOf(all, failed, browser.version());
if (only === null) writePage("whole-runs.md", text);
process.stdout.write(text);
