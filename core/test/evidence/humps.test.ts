import { describe, expect, it } from "@jest/globals";
import { priorBelief, withSurprises } from "../../src/evidence/belief.js";
import { humpsOf } from "../../src/evidence/humps.js";
import { hardnessVerdict } from "../../src/evidence/verdict.js";

const MILL_BITES = { hardness_HRC: 60, result: "bites", fileSpread_HRC: 1.5, drags_HRC: 1.5 } as const;
const after = (mean: number, sd: number, result: "bites" | "drags" | "skates") =>
  hardnessVerdict({ prior: withSurprises([{ mean, sd }]), strokes: [{ ...MILL_BITES, result }], surface: "ground" });

describe("a belief that is two stories", () => {
  // By hand: two bells of 40 and 62, four and six tenths of all of it.
  it("parts two bells where they part, each with its own share and middle", () => {
    const humps = humpsOf(
      priorBelief([
        { mean: 40, sd: 3, weight: 0.4 },
        { mean: 62, sd: 1.5, weight: 0.6 },
      ]),
    )!;
    expect(humps.soft.share).toBeCloseTo(0.4, 2);
    expect(humps.soft.median_HRC).toBeCloseTo(40, 1);
    expect(humps.hard.median_HRC).toBeCloseTo(62, 1);
  });
  it("one bell is one story, however wide, and a tail is none", () => {
    expect(humpsOf(priorBelief([{ mean: 50, sd: 8 }]))).toBeNull();
    expect(
      humpsOf(
        priorBelief([
          { mean: 62, sd: 1, weight: 0.96 },
          { mean: 42, sd: 9, weight: 0.04 },
        ]),
      ),
    ).toBeNull();
  });
  it("a mill file that bites against a sure prediction is no 56 HRC; one that drags or skates leaves one number", () => {
    const { humps } = after(62, 1.5, "bites");
    expect(humps!.soft.median_HRC).toBeLessThan(52);
    expect(humps!.hard.median_HRC).toBeGreaterThan(59);
    expect(after(62, 1.5, "drags").humps).toBeNull();
    expect(after(60, 2, "skates").humps).toBeNull();
  });
  it("where it may be anything between, one number stands", () => {
    expect(after(58, 4, "bites").humps).toBeNull();
  });
});
