import { describe, expect, it } from "@jest/globals";
import cdf from "@stdlib/stats-base-dists-normal-cdf";
import { normalCdf, normalQuantile } from "../../src/numerics/normal.js";

describe("the normal distribution, against @stdlib", () => {
  it("its sum, to a part in five million, far into both tails", () => {
    for (let z = -6; z <= 6; z += 0.25) {
      const outside = cdf(z, 0, 1);
      expect(Math.abs(normalCdf(z) - outside)).toBeLessThan(2e-7 * Math.max(outside, 1e-4));
    }
  });
  it("its quantile: the sum of it is the share asked for", () => {
    for (const p of [0.001, 0.01, 0.05, 0.25, 0.5, 0.75, 0.95, 0.99, 0.999]) {
      expect(Math.abs(cdf(normalQuantile(p), 0, 1) - p)).toBeLessThan(2e-6);
    }
    // Tables of the normal distribution (Abramowitz and Stegun 26.5, from memory).
    expect(normalQuantile(0.95)).toBeCloseTo(1.6449, 3);
    expect(normalQuantile(0.975)).toBeCloseTo(1.96, 3);
  });
});
