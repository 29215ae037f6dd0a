import { afterEach, describe, expect, it } from "@jest/globals";
import express from "express";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { shopRoutes, type ShopRoutes } from "../src/routes/shop.js";
import { openHere } from "../src/runningShop.js";

const piece = {
  name: "Sickle",
  mark: "5",
  kind: "hook",
  steel: "1084",
  start: "normalised",
  use: "sickle",
  length_mm: 338,
  section: { shape: "wedge", spine_mm: 4.2, edge_mm: 0.9, height_mm: 28 },
};
const RESET = {
  seed: 7,
  speed: 100,
  epoch_ms: 1_000_000,
  ambient_lux: 20,
  pieces: [{ id: "p", piece }],
  medium: "fast-oil",
  bath_C: 55,
  volume_L: 15,
  forge_C: 950,
  kiln_C: 815,
  oven_C: 200,
};
let open: { server: Server; routes: ShopRoutes } | null = null;
let real_ms = 0;

async function serve(budget_ms = Infinity, openShop = openHere()): Promise<string> {
  real_ms = 0;
  const routes = shopRoutes({ now_ms: () => real_ms, budget_ms, openShop });
  const app = express();
  app.use("/api/shop", routes.router);
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  open = { server, routes };
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/shop`;
}
afterEach(() => {
  open?.routes.close();
  open?.server.closeAllConnections();
  open?.server.close();
  open = null;
});
const post = (url: string, body: unknown) =>
  fetch(url, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });

describe("the simulated shop over HTTP", () => {
  it("before it is opened every call says so", async () => {
    const at = await serve();
    expect(await (await fetch(at)).json()).toBeNull();
    for (const response of [await fetch(`${at}/stream`), await post(`${at}/ask`, { ask: "tester", piece: "p" })]) {
      expect(response.status).toBe(409);
      expect(await response.json()).toMatchObject({ error: { code: "not-open" } });
    }
  });
  it("a hundred times as fast: half a real second in the forge is most of a minute, and it glows at last", async () => {
    const at = await serve();
    await post(`${at}/reset`, RESET);
    await post(`${at}/command`, { do: "move", piece: "p", to: "forge" });
    real_ms += 500;
    const soon = await (await fetch(at)).json();
    expect(soon.now_ms - RESET.epoch_ms).toBeCloseTo(50_000, -2);
    expect(soon.pieces[0].probe_C).toBeGreaterThan(100);
    real_ms += 1900;
    const later = await (await fetch(at)).json();
    expect(later.pieces[0].glows).toBe(true);
    expect(await (await post(`${at}/ask`, { ask: "magnet", piece: "p" })).json()).toEqual({ ask: "magnet", state: "free" });
  });
  it("streams readings as events", async () => {
    const at = await serve();
    await post(`${at}/reset`, RESET);
    const response = await fetch(`${at}/stream`);
    expect(response.headers.get("content-type")).toContain("text/event-stream");
    const reader = response.body!.getReader();
    const text = new TextDecoder().decode((await reader.read()).value);
    expect(JSON.parse(text.replace(/^data: /, ""))).toMatchObject({ speed: 100, pieces: [{ id: "p", place: "rack" }] });
    await reader.cancel();
  });
  it("each piece has its own shop: another opened beside it leaves it as it is, and a reload finds its own", async () => {
    const at = await serve();
    await post(`${at}/reset`, { ...RESET, speed: 1 });
    await post(`${at}/command`, { do: "move", piece: "p", to: "forge" });
    // The other page brings all its pieces along: the one that lies in a fire stays there.
    await post(`${at}/reset`, {
      ...RESET,
      speed: 5,
      pieces: [
        { id: "q", piece },
        { id: "p", piece },
      ],
    });
    const [p, q] = await Promise.all(["p", "q"].map(async (id) => (await fetch(`${at}?piece=${id}`)).json() as Promise<unknown>));
    expect(p).toMatchObject({ speed: 1, pieces: [{ id: "p", place: "forge" }] });
    expect(q).toMatchObject({ speed: 5, pieces: [{ id: "q", place: "rack" }] });
    expect(await (await fetch(`${at}?piece=nobody`)).json()).toBeNull();
    expect((await fetch(`${at}/stream?piece=nobody`)).status).toBe(409);
  });
  it("a shop that is too much work runs slower, and holds nobody up", async () => {
    const at = await serve(5);
    const big = { ...piece, section: { shape: "wedge", spine_mm: 30, edge_mm: 3, height_mm: 120 } };
    await post(`${at}/reset`, { ...RESET, pieces: Array.from({ length: 8 }, (_, i) => ({ id: `p${i}`, piece: big })) });
    for (let i = 0; i < 8; i++) await post(`${at}/command`, { do: "move", piece: `p${i}`, to: "forge" });
    real_ms += 2000;
    const { now_ms } = await (await fetch(at)).json();
    expect(now_ms).toBeGreaterThan(RESET.epoch_ms);
    expect(now_ms).toBeLessThan(RESET.epoch_ms + 200_000);
  });
  it("a shop whose thread does not answer holds up no other, and one whose thread has died is gone", async () => {
    const here = openHere();
    let die: (why: Error) => void = () => undefined;
    const at = await serve(Infinity, async (reset) => {
      const running = await here(reset);
      if (reset.pieces[0]!.id !== "stuck") return running;
      const never = new Promise<never>((_, reject) => (die = reject));
      return { ...running, call: (call) => (call.do === "pass" ? never : running.call(call)) };
    });
    await post(`${at}/reset`, { ...RESET, pieces: [{ id: "stuck", piece }] });
    await post(`${at}/reset`, RESET);
    const held = fetch(`${at}?piece=stuck`);
    real_ms += 500;
    const { now_ms } = await (await fetch(`${at}?piece=p`)).json();
    expect(now_ms - RESET.epoch_ms).toBeCloseTo(50_000, -2);
    die(new Error("gone"));
    expect((await held).status).toBe(500);
    // With the next beat of the server's clock.
    await new Promise((resolve) => setTimeout(resolve, 600));
    expect(await (await fetch(`${at}?piece=stuck`)).json()).toBeNull();
  });
  it("a hundred and twenty asked for at once: no more than twelve run, the others are told, and nobody is held up", async () => {
    const here = openHere();
    let running = 0;
    let most = 0;
    const at = await serve(Infinity, async (reset) => {
      most = Math.max(most, ++running);
      await new Promise((resolve) => setTimeout(resolve, 100));
      const opened = await here(reset);
      return { ...opened, end: () => (running--, opened.end()) };
    });
    const ask = Array.from({ length: 120 }, (_, i) => post(`${at}/reset`, { ...RESET, pieces: [{ id: `p${i}`, piece }] }));
    const answers = await Promise.all(ask);
    expect(most).toBeLessThanOrEqual(12);
    const refused = answers.filter(({ status }) => status === 400);
    expect(refused.length).toBeGreaterThan(0);
    expect((await refused[0]!.json()).error.code).toBe("too-many");
    expect((await post(`${at}/reset`, RESET)).status).toBe(200);
  });
  it("asked for its head alone, the stream ends", async () => {
    const at = await serve();
    await post(`${at}/reset`, RESET);
    const response = await fetch(`${at}/stream`, { method: "HEAD" });
    expect(response.status).toBe(200);
    expect(await response.text()).toBe("");
  });
  it("what does not fit is refused with its place, whatever it is", async () => {
    const at = await serve();
    await post(`${at}/reset`, RESET);
    const wrong: readonly (readonly [string, unknown, string])[] = [
      ["reset", { ...RESET, speed: 1000 }, "/speed"],
      ["command", { do: "move", piece: "p", to: "moon" }, "/to"],
      ["command", { do: "fly" }, ""],
      ["ask", { ask: "file", piece: "p" }, "/file_HRC"],
      ["ask", { ask: "tester", piece: "nobody" }, "/piece"],
    ];
    for (const [call, body, path] of wrong) {
      const response = await post(`${at}/${call}`, body);
      expect(response.status).toBe(400);
      const { error } = await response.json();
      expect(error.path).toContain(path);
      expect(error.message.length).toBeGreaterThan(8);
    }
    const broken = await post(`${at}/ask`, "{ no json");
    expect([broken.status, (await broken.json()).error.code]).toEqual([400, "invalid-json"]);
  });
});
