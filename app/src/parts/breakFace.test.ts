import { describe, expect, it } from "@jest/globals";
import { BREAK_ASTM, BREAK_LOOKS, grainOfNumber_um } from "@tembrak/core";
import { breakFace, grainAt } from "./breakFace.js";

/** Mean intercept as it is measured: length of many lines by the borders they cross (ASTM E112, from memory). */
function measured_um(intercept_um: number): number {
  const [length_um, step_um] = [200 * intercept_um, intercept_um / 40];
  let crossed = 0;
  for (let line = 0; line < 10; line++) {
    let last = grainAt(0, 17 * intercept_um * line, intercept_um);
    for (let x = step_um; x < length_um; x += step_um) {
      const now = grainAt(x, 17 * intercept_um * line, intercept_um);
      if (now !== last) crossed++;
      last = now;
    }
  }
  return (10 * length_um) / crossed;
}

describe("the drawing of a break", () => {
  it("has the grain it stands for, counted on itself by the method of the standard", () => {
    for (const look of BREAK_LOOKS) {
      const intercept_um = grainOfNumber_um(BREAK_ASTM[look]);
      expect(Math.abs(measured_um(intercept_um) / intercept_um - 1)).toBeLessThan(0.1);
    }
  });
  it("is rougher the coarser it is, and the same every time", () => {
    const rough = BREAK_LOOKS.map((look) => {
      const dots = [...breakFace(400, 160, 10, grainOfNumber_um(BREAK_ASTM[look]))];
      const mean = dots.reduce((a, b) => a + b, 0) / dots.length;
      return dots.reduce((sum, dot) => sum + (dot - mean) ** 2, 0) / dots.length;
    });
    expect([...rough].sort((a, b) => b - a)).toEqual(rough);
    expect(breakFace(20, 10, 10, 30)).toEqual(breakFace(20, 10, 10, 30));
  });
});
