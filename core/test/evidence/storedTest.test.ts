import { describe, expect, it } from "@jest/globals";
import { FAILED } from "../../src/evidence/belief.js";
import { MILL_FILE_HRC, testVerdict } from "../../src/evidence/storedTest.js";
import { hardnessVerdict } from "../../src/evidence/verdict.js";
import type { HardnessTest } from "../../src/schema/book.js";
import { cylinderCorrection_HRC } from "../../src/evidence/rockwell.js";
import { BILLHOOK } from "../pieces.js";

const test: HardnessTest = {
  strokes: [{ file_HRC: MILL_FILE_HRC, result: "skates" }],
  readings_HRC: [],
  surface: "ground",
  piece_C: 35,
  predicted: { mean_HRC: 62, sd_HRC: 2, failChance: 0.05 },
};
const PREDICTED = [
  { mean: 62, sd: 2, weight: 0.95 },
  { ...FAILED, weight: 0.05 },
];
const mean = (of: HardnessTest): number => testVerdict(of, BILLHOOK.section).summary.mean_HRC;

describe("the verdict of a stored test", () => {
  it("a mill file is known less well than a marked one, in the record as while testing", () => {
    const exact = hardnessVerdict({
      prior: PREDICTED,
      strokes: [{ hardness_HRC: MILL_FILE_HRC, result: "skates" }],
      surface: "ground",
      piece_C: 35,
    }).summary.mean_HRC;
    expect(Math.abs(mean(test) - exact)).toBeGreaterThan(0.05);
  });
  it("a marked file next to it is taken as marked", () => {
    const strokes = [{ file_HRC: 60, result: "skates" as const }];
    const plain = hardnessVerdict({
      prior: PREDICTED,
      strokes: [{ hardness_HRC: 60, result: "skates" }],
      surface: "ground",
      piece_C: 35,
    });
    expect(mean({ ...test, strokes })).toBe(plain.summary.mean_HRC);
  });
  it("numbers that contradict each other as far as they can still give a verdict: a file may hold anything", () => {
    for (const predicted of [
      { mean_HRC: -50, sd_HRC: 0.05 },
      { mean_HRC: 80, sd_HRC: 0.05, failChance: 0 },
    ]) {
      const { summary } = testVerdict({ ...test, strokes: [], readings_HRC: [0, 75, 0, 75], predicted }, BILLHOOK.section);
      for (const number of Object.values(summary)) expect(Number.isFinite(number)).toBe(true);
    }
    const torn = [65, 60, 55].map((file_HRC) => ({ file_HRC, result: "skates" as const }));
    const { notices } = testVerdict(
      { ...test, strokes: [...torn, { file_HRC: 40, result: "bites" }], readings_HRC: [20] },
      BILLHOOK.section,
    );
    expect(notices.map(({ code }) => code)).toContain("inconsistent-files");
  });
  it("what is too thin for a tester is told of a stored test too", () => {
    const thin = { ...BILLHOOK.section, spine_mm: 0.6, edge_mm: 0.3 } as typeof BILLHOOK.section;
    const codes = testVerdict({ ...test, strokes: [], readings_HRC: [40, 41, 40] }, thin).notices.map(({ code }) => code);
    expect(codes).toContain("too-thin");
    const thick = testVerdict({ ...test, strokes: [], readings_HRC: [40, 41, 40] }, BILLHOOK.section).notices.map(({ code }) => code);
    expect(thick).not.toContain("too-thin");
  });
  it("a blade is as thick as the middle of its flat where a tester presses", () => {
    const isThin = (spine_mm: number, edge_mm: number): boolean => {
      const section = { ...BILLHOOK.section, spine_mm, edge_mm } as typeof BILLHOOK.section;
      return testVerdict({ ...test, strokes: [], readings_HRC: [60, 60, 60] }, section).notices.some(({ code }) => code === "too-thin");
    };
    // 0.8 mm is the least for 60 HRC (ASTM E18, from memory).
    expect(isThin(1.0, 0.5)).toBe(true);
    expect(isThin(1.2, 0.5)).toBe(false);
  });
});

describe("a round under the tester", () => {
  it("from 38 mm on it is as good as flat (ASTM E18, from memory); thinner adds more, softer too", () => {
    expect([cylinderCorrection_HRC(20, 38.1), cylinderCorrection_HRC(64, 300)]).toEqual([0, 0]);
    expect(cylinderCorrection_HRC(40, 10)).toBeGreaterThan(cylinderCorrection_HRC(40, 25));
    expect(cylinderCorrection_HRC(25, 13)).toBeGreaterThan(cylinderCorrection_HRC(60, 13));
  });
});
