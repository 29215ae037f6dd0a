import { describe, expect, it } from "@jest/globals";
import { dipNow } from "../../src/standing/dipNow.js";
import { bathed, marked } from "../quenches.js";
import { lastFor, type Quench } from "../../src/plan/dips.js";

const PLAIN: Quench = bathed({ medium: "fast-oil", bath_C: 55, agitation: "mild", why: "warm-oil" });
const at = (in_ms: number | null, over_ms: number[] = []) => ({ in_ms, over_ms, out_ms: null });

describe("a quench of more moves than in and out", () => {
  it("waits for nothing before it is under, and a plain one not after it either", () => {
    expect(dipNow(marked(PLAIN, { bath_s: 8 }), at(null), 5000)).toMatchObject({ pattern: "out-early", due: null, gone_s: null });
    expect(dipNow(PLAIN, at(1000), 5000)).toMatchObject({ pattern: "whole", due: null, gone_s: 4 });
  });
  it("an edge that goes over into another bath is two baths: no back is waited for", () => {
    const edge: Quench = marked(PLAIN, { edgeDepth_mm: 20, then: { after_s: 3, medium: "water" } });
    expect(dipNow(edge, at(0), 0).pattern).toBe("two-baths");
    expect(dipNow(marked(PLAIN, { edgeDepth_mm: 20, then: { after_s: 3, medium: "fast-oil" } }), at(0), 0).pattern).toBe("back-after");
  });
  it("out early is due by the clock", () => {
    expect(dipNow(marked(PLAIN, { bath_s: 8 }), at(1000), 5000)).toMatchObject({ due: { move: "out", at_s: 8 }, gone_s: 4 });
  });
  it("a second bath is due once, and then its own seconds where it has some", () => {
    const two: Quench = marked(PLAIN, { then: { after_s: 3, medium: "water" }, bath_s: 20 });
    expect(dipNow(two, at(1000), 2000)).toMatchObject({ pattern: "two-baths", due: { move: "over", at_s: 3 } });
    expect(dipNow(two, at(1000, [4500]), 6000)).toMatchObject({ changed: 1, due: { move: "out", at_s: 23.5 }, sinceMove_s: 1.5 });
    expect(dipNow(lastFor(two, null), at(1000, [4500]), 6000).due).toBeNull();
  });
  it("a back that goes in first is turned over once, and then comes out by what one sees, or by its own seconds", () => {
    const back: Quench = marked(PLAIN, { edgeDepth_mm: 20, backFirst: { depth_mm: 18, after_s: 20 } });
    expect(dipNow(back, at(1000), 5000)).toMatchObject({ pattern: "back-first", due: { move: "over", at_s: 20 } });
    expect(dipNow(back, at(1000, [23_000]), 24_000)).toMatchObject({ changed: 1, due: null, sinceMove_s: 1 });
    expect(dipNow(lastFor(back, 30), at(1000, [23_000]), 24_000).due).toEqual({ move: "out", at_s: 52 });
  });
  it("by turns the ends change for as long as it goes on, each with its own seconds", () => {
    const turns: Quench = marked(PLAIN, { part: { end: "working", depth_mm: 20 }, turns: { depth_mm: 20, first_s: 4, second_s: 6 } });
    expect(dipNow(turns, at(0), 0).due).toEqual({ move: "over", at_s: 4 });
    expect(dipNow(turns, at(0, [5000]), 0).due).toEqual({ move: "over", at_s: 11 });
    expect(dipNow(turns, at(0, [5000, 11000]), 0).due).toEqual({ move: "over", at_s: 15 });
  });
});
