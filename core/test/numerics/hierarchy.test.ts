import { describe, expect, it } from "@jest/globals";
import { eliminated } from "../../src/numerics/elimination.js";
import { hierarchy } from "../../src/numerics/hierarchy.js";
import { outside } from "../outside.js";

const SCHOOLS = [
  [28, 15],
  [8, 10],
  [-3, 16],
  [7, 11],
  [-1, 9],
  [1, 11],
  [18, 10],
  [12, 18],
] as const;
/** Posterior means of the eight schools with an even prior of the scatter (Gelman et al. 2013, section 5.5, from memory). */
const MEANS = [11.4, 7.9, 6.1, 7.7, 5.1, 6.1, 10.6, 8.4];

describe("alike things measured each with its own error", () => {
  it("eight schools: each drawn towards the middle as far as the published example has it", () => {
    const { mean, each } = hierarchy(
      SCHOOLS.map(([value, sd]) => ({ value, sd })),
      { value: 0, sd: Infinity },
      40,
    );
    MEANS.forEach((wanted, i) =>
      outside({
        topic: "hierarchical means",
        source: "Gelman et al. 2013, eight schools, from memory",
        what: `school ${"ABCDEFGH"[i]!}`,
        unit: "points",
        wanted,
        got: each[i]!.value,
        tolerance: 0.5,
        because: "published from draws",
      }),
    );
    expect(mean).toBeGreaterThan(7);
    expect(mean).toBeLessThan(9);
  });
  it("one thing well measured is itself; nothing measured is the prior", () => {
    expect(hierarchy([], { value: 3, sd: 2 }, 4)).toMatchObject({ mean: 3 });
    const { each } = hierarchy([{ value: 5, sd: 1e-3 }], { value: 0, sd: 2 }, 4);
    expect(each[0]!.value).toBeCloseTo(5, 3);
  });
  it("of one thing alone the scatter is what was thought of it before, and an even prior leaves it far too wide", () => {
    const [seen, prior] = [[{ value: 0, sd: 0.1 }], { value: 0, sd: 1 }] as const;
    // The middle is as wide as the scatter thought of: what was seen says little of how it is divided.
    const usual = hierarchy(seen, prior, 4, 1).scatter;
    expect(usual).toBeGreaterThan(0.5);
    expect(usual).toBeLessThan(1);
    expect(hierarchy(seen, prior, 4).scatter).toBeGreaterThan(1.3);
  });
  it("the same error everywhere and no scatter possible: the mean, and its error by the square root of their number", () => {
    const { mean, sd } = hierarchy(
      [1, 2, 3, 6].map((value) => ({ value, sd: 2 })),
      { value: 0, sd: Infinity },
      1e-6,
    );
    expect([mean, sd]).toEqual([expect.closeTo(3, 9), expect.closeTo(1, 9)]);
  });
});

describe("small sets of equations", () => {
  it("come out as by hand", () => {
    // 4x + y = 9, x + 3y = 5.
    const rows = eliminated([
      [4, 1, 9],
      [1, 3, 5],
    ]);
    expect([rows[0]![2], rows[1]![2]]).toEqual([expect.closeTo(2, 12), expect.closeTo(1, 12)]);
  });
});
