/** A newer build is put on the server while two tabs are open. */

import { spawn } from "node:child_process";
import { appendFileSync, cpSync } from "node:fs";
import { join } from "node:path";
import { NEWER, NEWER_PORT } from "../ports.js";
import { expect, test } from "./shop.js";

test.use({ serviceWorkers: "allow" });

const ROOT = join(import.meta.dirname, "../..");

test("taken in one tab it does not reload the bench in another, which is told and asked", async ({ context, page }, info) => {
  const pages = info.outputPath("pages");
  cpSync(join(ROOT, "app/dist"), pages, { recursive: true });
  const server = spawn(process.execPath, [join(ROOT, "server/dist/main.js")], {
    env: { ...process.env, PORT: String(NEWER_PORT), TEMBRAK_DEMO: "1", TEMBRAK_PAGES: pages },
    stdio: "ignore",
  });
  try {
    await expect
      .poll(
        () =>
          fetch(NEWER).then(
            ({ ok }) => ok,
            () => false,
          ),
        { timeout: 20_000 },
      )
      .toBe(true);
    await page.goto(NEWER);
    await expect(page.getByRole("heading", { name: /reed sickle/ })).toBeVisible();
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    const bench = await context.newPage();
    await bench.goto(`${NEWER}/piece/demo-4/bench`);
    await expect(bench.getByTestId("numeral")).toBeVisible();
    // Both are served by the worker of the first build.
    for (const tab of [page, bench]) await expect.poll(() => tab.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await bench.evaluate(() => document.documentElement.setAttribute("data-since", "before"));
    appendFileSync(join(pages, "sw.js"), "\n// a newer build\n");
    await page.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())!.update()));
    await expect(page.getByText("A newer Tembrak is ready.")).toBeVisible();
    const reloaded = page.waitForEvent("load");
    await page.getByRole("button", { name: "Use it" }).click();
    await reloaded;
    await bench.waitForTimeout(1500);
    expect(await bench.evaluate(() => document.documentElement.getAttribute("data-since"))).toBe("before");
    await bench.getByRole("link", { name: "Rack", exact: true }).click();
    await expect(bench.getByText("Another tab has taken a newer Tembrak: reload this one too.")).toBeVisible();
  } finally {
    server.kill();
  }
});
