import { describe, expect, it } from "@jest/globals";
import { disagreementOf } from "../../src/evidence/agree.js";
import type { HardnessTest } from "../../src/schema/book.js";

const SECTION = { shape: "plate", thickness_mm: 6 } as const;
const tester = (...readings_HRC: number[]): HardnessTest => ({ strokes: [], readings_HRC, surface: "ground" });
const file = (file_HRC: number, result: "skates" | "bites"): HardnessTest => ({
  strokes: [{ file_HRC, result }],
  readings_HRC: [],
  surface: "ground",
});
const of = (...tests: readonly [number, HardnessTest][]) =>
  disagreementOf(
    tests.map(([tempers, test]) => ({ tempers, test })),
    SECTION,
  );

describe("tests of one piece", () => {
  it("agree where they are within their own doubt, and where there is only one", () => {
    expect(of([2, tester(59, 60, 60)], [2, tester(60, 60.5, 61)])).toBeNull();
    expect(of([2, tester(59)])).toBeNull();
    expect(of()).toBeNull();
  });
  it("contradict each other where a tester says 50 and then 60, or a file bites what a tester calls 62", () => {
    expect(of([2, tester(50, 50, 51)], [2, tester(60, 60, 61)])).not.toBeNull();
    expect(of([2, file(50, "bites")], [2, tester(62, 62, 62)])).not.toBeNull();
  });
  it("a temper between them may have changed it", () => {
    expect(of([0, tester(64, 64, 65)], [1, tester(58, 58, 58)])).toBeNull();
  });
});
