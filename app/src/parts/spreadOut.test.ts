import { describe, expect, it } from "@jest/globals";
import { spreadOut } from "./spreadOut.js";

describe("labels that would lie over each other", () => {
  it("are moved apart about where they were, in their order; others stay", () => {
    const at = [100, 104, 101, 400];
    const out = spreadOut(at, 30);
    expect(out[3]).toBe(400);
    const [a, b, c] = [out[0]!, out[2]!, out[1]!];
    expect(b - a).toBeGreaterThan(29);
    expect(c - b).toBeGreaterThan(29);
    expect((a + b + c) / 3).toBeCloseTo((100 + 101 + 104) / 3, 6);
  });
  it("far enough apart nothing moves", () => {
    expect(spreadOut([1, 50, 99], 40)).toEqual([1, 50, 99]);
    expect(spreadOut([], 40)).toEqual([]);
  });
});
