import { afterEach, describe, expect, it } from "@jest/globals";
import { mkdtempSync, mkdirSync, writeFileSync } from "node:fs";
import { request, type Server } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { makeApp } from "../src/app.js";
import { listen } from "../src/listen.js";

const pages = mkdtempSync(join(tmpdir(), "tembrak-pages-"));
mkdirSync(join(pages, "assets"));
writeFileSync(join(pages, "index.html"), "<!doctype html><title>page</title>");
writeFileSync(join(pages, "assets", "a.js"), "export {};");

const open: Server[] = [];
let nextPort = 42700;
async function serve(demo: boolean, port = (nextPort += 10)) {
  const busy: number[] = [];
  const found = await listen(makeApp({ pages, demo }), port, (p) => busy.push(p));
  open.push(found.server);
  return { ...found, busy };
}
afterEach(() => {
  for (const server of open.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

describe("the server", () => {
  it("listens on loopback and takes the next port when one is busy", async () => {
    const first = await serve(false);
    const second = await serve(false, first.port);
    expect(second.port).toBe(first.port + 1);
    expect(second.busy).toEqual([first.port]);
    expect(first.server.address()).toMatchObject({ address: "127.0.0.1" });
  });
  it("says whether it offers the demo, and answers unknown addresses below /api with an error object", async () => {
    const { address } = await serve(true);
    expect(await (await fetch(`${address}api/config`)).json()).toEqual({ demo: true });
    const missing = await fetch(`${address}api/nothing`);
    expect(missing.status).toBe(404);
    expect(await missing.json()).toMatchObject({ error: { code: "not-found" } });
  });
  it("answers its own machine alone: not a page from elsewhere, nor one whose name was led here", async () => {
    const { port } = await serve(false);
    const ask = (headers: Record<string, string>): Promise<number> =>
      new Promise((resolve, reject) => {
        request({ host: "127.0.0.1", port, path: "/api/config", headers }, (response) => {
          response.resume();
          resolve(response.statusCode!);
        })
          .on("error", reject)
          .end();
      });
    expect(await ask({ Host: `localhost:${port}` })).toBe(200);
    expect(await ask({ Host: "evil.example" })).toBe(403);
    expect(await ask({ Origin: "https://evil.example" })).toBe(403);
    expect(await ask({ Origin: "null" })).toBe(403);
    expect(await ask({ Origin: `http://127.0.0.1:${port}` })).toBe(200);
  });
  it("no answer carries a stack or a path of this machine", async () => {
    const { address } = await serve(false);
    for (const path of ["assets/none.js", "assets/%E0%A4%A", "api/shop/none", "%2e%2e%2f%2e%2e%2fetc%2fpasswd"]) {
      const text = await (await fetch(`${address}${path}`)).text();
      expect(text).not.toMatch(/node_modules|\/src\/|at .*\(.*:\d+:\d+\)|ENOENT/);
      expect(text).not.toContain(pages);
    }
  });
  it("gives the page for any other address, assets for a year, and no unsafe script", async () => {
    const { address } = await serve(false);
    const page = await fetch(`${address}piece/x/bench`);
    expect(await page.text()).toContain("<title>page</title>");
    const policy = page.headers.get("content-security-policy")!;
    expect(policy).toContain("script-src 'self';");
    expect(policy).not.toContain("unsafe-eval");
    expect(page.headers.get("x-powered-by")).toBeNull();
    expect(policy).toContain("require-trusted-types-for 'script'");
    expect((await fetch(`${address}sw.js`)).headers.get("content-security-policy")).not.toContain("trusted-types");
    expect((await fetch(`${address}assets/a.js`)).headers.get("cache-control")).toContain("immutable");
    expect((await fetch(`${address}assets/none.js`)).status).toBe(404);
  });
});
