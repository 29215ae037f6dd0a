import { describe, expect, it } from "@jest/globals";
import { FAILED, measurementSays } from "../../src/evidence/belief.js";
import { bellOf, freshMember, learnedFrom, memberAfter, weighed } from "../../src/evidence/weigh.js";
import { summaryOf } from "../../src/numerics/mixture.js";
import { outside } from "../outside.js";

/** Posterior of a bell after a reading with a bell's error: closed form, any textbook. */
function conjugate(mean: number, sd: number, value: number, error: number): { mean: number; sd: number } {
  const precision = 1 / sd ** 2 + 1 / error ** 2;
  return { mean: (mean / sd ** 2 + value / error ** 2) / precision, sd: Math.sqrt(1 / precision) };
}
const shared = { topic: "weighing simulated pieces", source: "conjugate normal, closed form", because: "sums over a grid" };

describe("simulated pieces weighed by a test", () => {
  it("one bell learns as the conjugate normal does, and explains a reading as well as their sum of variances says", () => {
    const wanted = conjugate(61, 2.5, 58, 0.9);
    const got = learnedFrom({ mean: 61, sd: 2.5 }, measurementSays(58, 0.9));
    outside({
      ...shared,
      what: "mean of a bell of 61 ± 2.5 after 58 ± 0.9",
      unit: "HRC",
      wanted: wanted.mean,
      got: got.mean,
      tolerance: 1e-3,
    });
    outside({ ...shared, what: "its deviation", unit: "HRC", wanted: wanted.sd, got: got.sd, tolerance: 1e-3 });
    const together = 2.5 ** 2 + 0.9 ** 2;
    const explained = (0.9 / Math.sqrt(together)) * Math.exp((-0.5 * 9) / together);
    expect(got.explains).toBeCloseTo(explained, 5);
  });
  it("a set of many narrow bells that make up a wide one learns as the wide one does", () => {
    // 60 ± 3 as bells of 1.5 about means that are spread by the rest.
    const rest = Math.sqrt(9 - 2.25);
    const members = Array.from({ length: 81 }, (_, i) => -4 + 0.1 * i).map((z) => ({
      mean: 60 + rest * z,
      sd: 1.5,
      weight: Math.exp(-0.5 * z * z),
    }));
    const wanted = conjugate(60, 3, 55, 1.2);
    const { mean, sd } = summaryOf(weighed(members, measurementSays(55, 1.2)));
    outside({ ...shared, what: "mean of 81 weighed members", unit: "HRC", wanted: wanted.mean, got: mean, tolerance: 0.01 });
    outside({ ...shared, what: "their deviation", unit: "HRC", wanted: wanted.sd, got: sd, tolerance: 0.01 });
  });
  it("as quenched and temper, tied to each other, learn as the linear rule for two bells says (Kalman 1960, by hand)", () => {
    const at = { hardness_HRC: 58, perPoint: 0.8, law_HRC: 2 };
    const [before, error, value] = [freshMember(2), 0.7, 55];
    const after = memberAfter(before, at, measurementSays(value, error));
    const variance = 0.64 * 4 + 4;
    const [k, kLaw] = [(0.8 * 4) / (variance + 0.49), 2 / (variance + 0.49)];
    expect(after.asQuenched_HRC).toBeCloseTo(k * (value - 58), 3);
    expect(after.law).toBeCloseTo(kLaw * (value - 58), 3);
    expect(after.varianceAsQuenched).toBeCloseTo(4 - k * 0.8 * 4, 3);
    expect(after.covariance).toBeCloseTo(-k * 2, 3);
    expect(after.varianceLaw).toBeCloseTo(1 - kLaw * 2, 3);
    expect(bellOf(after, at).mean).toBeCloseTo(conjugate(58, Math.sqrt(variance), value, error).mean, 3);
  });
  it("a piece no member is like is taken for one that failed unseen", () => {
    const members = Array.from({ length: 48 }, (_, i) => ({ mean: 62 + 0.05 * i, sd: 1.5 }));
    const after = weighed([...members, { ...FAILED, weight: 1.5 }], measurementSays(38, 1));
    const failed = after[48]!.weight! / after.reduce((sum, { weight }) => sum + weight!, 0);
    expect(failed).toBeGreaterThan(0.99);
    expect(summaryOf(after).mean).toBeCloseTo(38, 0);
  });
  it("a reading far from all it can be does not take every weight away", () => {
    const { mean } = summaryOf(weighed([{ mean: 62, sd: 1 }], measurementSays(0, 0.5)));
    expect(Number.isFinite(mean)).toBe(true);
  });
});
