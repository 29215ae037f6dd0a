import { describe, expect, it } from "@jest/globals";
import { grainSeen } from "../../src/standing/grainSeen.js";
import type { PieceState } from "../../src/book/state.js";

type Log = Pick<PieceState, "acts" | "doneAt_ms" | "checks">;
const quenches = ["1-quench", "3-quench"].map((id) => ({ id, kind: "quench" }));
const TWO = [
  ["1-quench", 10],
  ["3-quench", 40],
] as const;
const log = (done: readonly (readonly [string, number])[], ...looks: (readonly [number, number])[]): Log =>
  ({
    acts: quenches,
    doneAt_ms: new Map(done),
    checks: looks.map(([at_ms, look], i) => ({ id: String(i), act: "prove", at_ms, reading: { check: "grain", of: "coupon", look } })),
  }) as unknown as Log;

describe("the grain that was seen", () => {
  it("is that of the newest look", () => expect(grainSeen(log([["1-quench", 10]], [20, 2], [30, 4]))).toBe(4));
  it("is none where nobody looked", () => expect(grainSeen(log([["1-quench", 10]]))).toBeNull());
  it("is gone when it is hardened again: the next heat makes another grain", () => {
    expect(grainSeen(log(TWO, [30, 1]))).toBeNull();
    expect(grainSeen(log(TWO, [30, 1], [50, 3]))).toBe(3);
  });
  it("counts before any quench too: a coupon of the bar", () => expect(grainSeen(log([], [5, 1]))).toBe(1));
});
