import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { BookEvent } from "@tembrak/core";
import { store } from "./db.js";
import { keepRefused, refusedTaps, storeRefused } from "./refused.js";

const tap = (id: string): BookEvent => ({ id, piece: "p", at_ms: 5, kind: "note", text: id });

afterEach(async () => {
  await storeRefused();
  await store.events.clear();
});

describe("taps the browser refused", () => {
  it("are kept for the tab, in its session too, and gone from both once they are stored", async () => {
    keepRefused([tap("a")]);
    keepRefused([]);
    keepRefused([tap("b")]);
    expect(refusedTaps().map(({ id }) => id)).toEqual(["a", "b"]);
    expect(JSON.parse(sessionStorage.getItem("tembrak refused")!)).toEqual([tap("a"), tap("b")]);
    await storeRefused();
    expect(refusedTaps()).toEqual([]);
    expect(sessionStorage.getItem("tembrak refused")).toBeNull();
    expect(await store.events.count()).toBe(2);
  });
  it("an act ends once, however often its key is pressed while the browser refuses", () => {
    const end = (id: string): BookEvent => ({ id, piece: "p", at_ms: 5, kind: "act-done", act: "hold-1" });
    keepRefused([end("a")]);
    keepRefused([tap("b"), end("c")]);
    expect(refusedTaps().map(({ id }) => id)).toEqual(["a", "b"]);
  });
  it("the tab asks before it is closed while there are some, and not after", async () => {
    const leave = (): boolean => window.dispatchEvent(new Event("beforeunload", { cancelable: true }));
    keepRefused([tap("c")]);
    expect(leave()).toBe(false);
    await storeRefused();
    expect(leave()).toBe(true);
  });
  it("one that cannot be stored is kept", async () => {
    keepRefused([tap("d")]);
    store.close();
    await expect(storeRefused()).rejects.toThrow();
    expect(refusedTaps().map(({ id }) => id)).toEqual(["d"]);
    await store.open();
  });
  it("a plan that was refused by the page of the version before is read as it would be today", async () => {
    const quench = { kind: "quench", medium: "fast-oil", bath_C: 55, agitation: "mild", edgeDepth_mm: 12, why: "warm-oil" };
    const route = { school: "forge", steps: [{ kind: "harden", temperature_C: 800, hold_min: 1, why: "shade-past" }, quench] };
    sessionStorage.setItem("tembrak refused", JSON.stringify([{ id: "r", piece: "p", at_ms: 5, kind: "route", route }, tap("e")]));
    jest.resetModules();
    const again = await import("./refused.js");
    expect(again.refusedTaps()).toMatchObject([
      { id: "r", route: { heating: { in: "forge", by: "shade" }, steps: [{}, { dips: [{ under: "edge", depth_mm: 12 }] }] } },
      { id: "e", text: "e" },
    ]);
    sessionStorage.removeItem("tembrak refused");
  });
});
