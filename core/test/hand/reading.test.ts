import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { afterReading, jumpChance, surpriseOf } from "../../src/hand/reading.js";
import { BATH_STIRRED, BATH_TOP } from "../../src/hand/instruments.js";

const PLAIN = { sd: 2, slip: 0, range: 100, jump: 0 };

describe("one reading of one number", () => {
  // The product of two bells, in closed form: mean (m/P + r/s^2) / (1/P + 1/s^2), variance 1 / (1/P + 1/s^2).
  it("is the closed form of two bells where it is near what was expected", () => {
    const { mean, sd } = afterReading({ mean: 50, sd: 3 }, 51, PLAIN, 0);
    expect(mean).toBeCloseTo((50 / 9 + 51 / 4) / (1 / 9 + 1 / 4), 12);
    expect(sd).toBeCloseTo(Math.sqrt(1 / (1 / 9 + 1 / 4)), 12);
  });
  it("by hand: 20 off, as like to have gone 25 as to be nonsense over 230, neither is said", () => {
    // slip 0.01 / 230 = 4.3e-5; moved 1/480 x N(30; 0, 25.1) = 0.00208 x 0.0159 x 0.49 = 1.6e-5; expected is nothing.
    const { chance } = afterReading({ mean: 70, sd: 1.5 }, 40, BATH_STIRRED, 1 / 480);
    expect(chance.slip / chance.moved).toBeCloseTo(4.3 / 1.6, 0);
    expect(surpriseOf(chance)).toBe("which");
  });
  it("an hour later the same is taken for a bath that moved", () => {
    const { chance, mean } = afterReading({ mean: 60, sd: 3 }, 40, BATH_STIRRED, jumpChance(3600, 1 / 8, 1 / 3));
    expect(surpriseOf(chance)).toBe("moved");
    expect(mean).toBeCloseTo(40, 0);
  });
  it("what is shown lies within half of the instrument's error of what was read, whatever was expected", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 250, noNaN: true }),
        fc.double({ min: 0.01, max: 40, noNaN: true }),
        fc.double({ min: -10, max: 250, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.constantFrom(BATH_STIRRED, BATH_TOP),
        (mean, sd, read, jump, by) => {
          const after = afterReading({ mean, sd }, read, by, jump);
          expect(Math.abs(after.mean - read)).toBeLessThanOrEqual(0.5 * by.sd + 1e-9);
          expect(after.sd).toBeLessThanOrEqual(by.sd + 1e-9);
          expect(after.chance.expected + after.chance.moved + after.chance.slip).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});
