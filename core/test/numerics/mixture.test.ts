import { describe, expect, it } from "@jest/globals";
import normalCdf from "@stdlib/stats-base-dists-normal-cdf";
import fc from "fast-check";
import { mixtureBelow, mixtureBetween, mixtureQuantile, summaryOf } from "../../src/numerics/mixture.js";

describe("bells side by side", () => {
  it("one bell is that bell: 5, 50 and 95 in a hundred at -1.645, 0 and 1.645 deviations", () => {
    const { mean, sd, p05, p50, p95 } = summaryOf([{ mean: 60, sd: 2 }]);
    expect([mean, sd]).toEqual([60, 2]);
    expect(p05).toBeCloseTo(60 - 2 * 1.644854, 4);
    expect(p50).toBeCloseTo(60, 4);
    expect(p95).toBeCloseTo(60 + 2 * 1.644854, 4);
  });
  it("two bells: mean and deviation by hand, share below by a library's normal distribution", () => {
    const bells = [
      { mean: 64, sd: 1.5 },
      { mean: 40, sd: 4 },
    ];
    const { mean, sd } = summaryOf(bells);
    expect(mean).toBeCloseTo(52, 12);
    expect(sd).toBeCloseTo(Math.sqrt(12 ** 2 + 0.5 * (1.5 ** 2 + 4 ** 2)), 12);
    for (const x of [35, 41, 50, 63, 66]) {
      expect(mixtureBelow(bells, x)).toBeCloseTo(0.5 * (normalCdf(x, 64, 1.5) + normalCdf(x, 40, 4)), 6);
    }
    expect(mixtureBetween(bells, 50, 70)).toBeCloseTo(0.5, 2);
  });
  it("a quantile has its share below it, whatever the bells", () => {
    const bell = fc.record({ mean: fc.double({ min: 15, max: 68, noNaN: true }), sd: fc.double({ min: 0.3, max: 8, noNaN: true }) });
    fc.assert(
      fc.property(fc.array(bell, { minLength: 1, maxLength: 60 }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (bells, share) => {
        expect(mixtureBelow(bells, mixtureQuantile(bells, share))).toBeCloseTo(share, 5);
      }),
      { numRuns: 60 },
    );
  });
  it("what is certain steps from nothing to all", () => {
    const sure = [{ mean: 60, sd: 0 }];
    expect([mixtureBelow(sure, 59.9), mixtureBelow(sure, 60.1)]).toEqual([0, 1]);
  });
});
