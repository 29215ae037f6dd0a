import { describe, expect, it } from "@jest/globals";
import { pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, HardnessTest } from "../../src/schema/book.js";
import { gradeOf } from "../../src/standing/grade.js";
import { onceMore, skinStrain, tolerance_mm, warpNow } from "../../src/standing/warp.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const acts = actsOfRoute(route);
const [quench, oven] = [acts.findIndex(({ kind }) => kind === "quench"), acts.findIndex(({ kind }) => kind === "oven")];

function hardened(checks: readonly Check[], tests: readonly HardnessTest[] = [], upTo = oven) {
  return pieceState("p", [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...acts.slice(0, upTo).map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: 10 + i, kind: "act-done", act: id })),
    ...checks.map((reading, i): BookEvent => ({ id: `c${i}`, piece: "p", at_ms: 1000 + i, kind: "check", act: acts[oven]!.id, reading })),
    ...tests.map((test, i): BookEvent => ({ id: `t${i}`, piece: "p", at_ms: 2000 + i, kind: "test", act: "prove", test })),
  ])!;
}
const warp = (bow_mm: number): Check => ({ check: "warp", bow_mm, over_mm: 260 });
const clamp = (past_mm: number): Check => ({ check: "clamped", how: "jig", past_mm });

describe("a warp", () => {
  it("is nothing before it is measured, nor what was measured before the last quench", () => {
    expect(warpNow(hardened([]))).toBeNull();
    const early = hardened([warp(2)]);
    const before = { ...early, checks: early.checks.map((check) => ({ ...check, at_ms: 10 + quench - 1 })) };
    expect(warpNow(before)).toBeNull();
  });
  it("is pushed as far past the line as it is off, where nobody tried yet: half of it stays", () => {
    const now = warpNow(hardened([warp(2)]))!;
    expect(now).toMatchObject({ bow_mm: 2, past_mm: 2, isWithin: false, held: null });
    expect(warpNow(hardened([warp(2), clamp(2)]))!.held).toEqual({ how: "jig", past_mm: 2 });
  });
  it("learns from its passes: what gave less is pushed further, and two passes bring it to the line", () => {
    const now = warpNow(hardened([warp(2), clamp(2), warp(1)]))!;
    expect(now.passes).toHaveLength(1);
    expect(now.stays).toBeCloseTo(0.25, 6);
    // 1 mm off, of 4 mm pushed a quarter stays.
    expect(now.past_mm).toBeCloseTo(3, 6);
    expect(warpNow(hardened([warp(2), clamp(2), warp(1), clamp(3), warp(0)]))).toMatchObject({ isWithin: true, past_mm: 0 });
  });
  it("warns where the skin would be stretched too far, and is content within its tolerance", () => {
    // Beam theory: 6 t d / L2, so 6 mm pushed 20 mm over 260 mm is 1.07 % at the skin.
    expect(skinStrain(6, 20, 260)).toBeCloseTo(0.01065, 5);
    expect(warpNow(hardened([warp(12)]))!.isRisky).toBe(true);
    expect(warpNow(hardened([warp(1)]))!.isRisky).toBe(false);
    expect(warpNow(hardened([warp(tolerance_mm(BILLHOOK))]))!.isWithin).toBe(true);
  });
});

describe("by what a hardness is known", () => {
  const test = (files: readonly number[], readings_HRC: number[] = []): HardnessTest => ({
    strokes: files.map((file_HRC) => ({ file_HRC, result: "skates" })),
    readings_HRC,
    surface: "ground",
  });
  it("is the best of what was done", () => {
    expect(gradeOf(hardened([]))).toBe("model");
    expect(gradeOf(hardened([{ check: "temper-colour", name: "straw" }]))).toBe("colour");
    expect(gradeOf(hardened([{ check: "proof", of: "chop", outcome: "held" }]))).toBe("proof");
    const tested = (...tests: HardnessTest[]) => gradeOf(hardened([], tests, acts.length - 1));
    expect(tested(test([63]))).toBe("one-file");
    expect(tested(test([55, 60]))).toBe("files");
    expect(tested(test([63]), test([], [58]))).toBe("tester");
    // Filed as quenched: of what the temper leaves nothing is known by that.
    expect(gradeOf(hardened([], [test([55, 60])]))).toBe("model");
  });
  it("where a run drew it there is one more run to hold it in, and it draws no less; where nothing draws it there is none", () => {
    const byTorch = planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "whole", draws: "torch" } });
    const more = onceMore(byTorch)!;
    expect(more.steps.filter(({ kind }) => kind === "run")).toHaveLength(2);
    expect(actsOfRoute(more).filter(({ kind }) => kind === "run")).toHaveLength(2);
    const edge = (one: typeof route): number => predict(CATALOGUE, BILLHOOK, one, "quick").working.tempered.mean_HRC;
    expect(edge(more)).toBeLessThanOrEqual(edge(byTorch));
    expect(onceMore({ ...route, steps: route.steps.filter(({ kind }) => kind !== "temper") })).toBeNull();
  });
});
