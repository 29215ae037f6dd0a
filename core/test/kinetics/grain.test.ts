import { describe, expect, it } from "@jest/globals";
import { astmGrainNumber, BREAK_ASTM, breakSays, fractureLook, grainOfNumber_um } from "../../src/kinetics/grain.js";
import { BREAK_LOOKS, type BreakLook } from "../../src/schema/book.js";

describe("grain", () => {
  // ASTM E112 table of mean intercepts, um (from memory): G 0 320, G 4 80, G 8 20, G 10 10.
  it.each([
    [0, 320],
    [4, 80],
    [8, 20],
    [10, 10],
  ])("number %d is a mean intercept of %d um", (number, intercept_um) => {
    expect(Math.abs(grainOfNumber_um(number) / intercept_um - 1)).toBeLessThan(0.02);
    expect(astmGrainNumber(grainOfNumber_um(number))).toBeCloseTo(number, 3);
  });
});

describe("a look at a break", () => {
  it("each step of the drawings goes with its own words: two like sugar, one like sand, two like flour", () => {
    expect(BREAK_LOOKS.map((look) => fractureLook(BREAK_ASTM[look]))).toEqual(["sugar", "sugar", "sand", "flour", "flour"]);
  });
  const likeliest = (astm: number): BreakLook =>
    BREAK_LOOKS.reduce((best, look) => (breakSays(look, astm) > breakSays(best, astm) ? look : best));
  it("is likeliest for the grain it stands for, and for all beyond the last drawing", () => {
    for (const look of BREAK_LOOKS) expect(likeliest(BREAK_ASTM[look])).toBe(look);
    expect([likeliest(0), likeliest(14)]).toEqual([1, 5]);
    expect(breakSays(5, 14)).toBe(1);
    expect(breakSays(1, 11)).toBeGreaterThan(0);
  });
  // Flour is not taken for sugar, nor silk for sand, whoever looks (common practice, no source).
  it("hardly takes a grain for the drawing next but one", () => {
    for (const look of [3, 4, 5] as const) expect(breakSays((look - 2) as BreakLook, BREAK_ASTM[look])).toBeLessThan(0.1);
  });
});
