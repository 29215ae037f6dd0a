/** Ovens made here: a first-order rise or fall with a thermometer's scatter. @source temper-note section 3: 120, 168, 191 C every five minutes come to rest at 212, tau 6.8 min (from memory) */

import { describe, expect, it } from "@jest/globals";
import { settling } from "../../src/evidence/settling.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";

describe("an oven that comes to its heat", () => {
  it("is told from three readings: the note's own case", () => {
    const found = settling([
      { time_min: 0, reads_C: 120 },
      { time_min: 5, reads_C: 168 },
      { time_min: 10, reads_C: 191 },
    ])!;
    expect(Math.abs(found.atRest_C - 212.2)).toBeLessThan(3);
    // 26 min after the first reading it is within 2 C; within 3 C of rest some 3 min earlier.
    expect(Math.abs(10 + found.wait_min - 23.3)).toBeLessThan(3);
    expect(found.isMoving).toBe(true);
  });
  it("two readings say nothing; a straight climb that has not begun to bend says nothing either", () => {
    expect(settling([{ time_min: 0, reads_C: 100 }])).toBeNull();
    const climb = [0, 1, 2].map((t) => ({ time_min: t, reads_C: 40 + 12 * t + (t === 1 ? 1 : 0) }));
    const found = settling(climb);
    expect(found === null || found.sd_C > 15).toBe(true);
  });
  it("at rest it swings about its mean, and nothing has to be waited for", () => {
    const found = settling([196, 211, 203, 190, 208, 199].map((reads_C, i) => ({ time_min: 4 * i, reads_C })))!;
    expect(found).toMatchObject({ isMoving: false, wait_min: 0 });
    expect(found.atRest_C).toBeCloseTo(201.2, 0);
    expect(found.swing_K).toBeCloseTo(10.5, 1);
  });
  it("of made-up ovens nine in ten are told within 10 C from six readings", () => {
    let near = 0;
    for (let seed = 0; seed < 200; seed++) {
      const even = uniforms(900 + seed);
      const [rest_C, tau, start_C] = [180 + 60 * even(), 5 + 8 * even(), 25 + 60 * even()];
      const readings = [0, 5, 10, 15, 20, 25].map((time_min) => ({
        time_min,
        reads_C: rest_C + (start_C - rest_C) * Math.exp(-(time_min + 4) / tau) + 2 * normalQuantile(0.001 + 0.998 * even()),
      }));
      if (Math.abs((settling(readings)?.atRest_C ?? 0) - rest_C) < 10) near++;
    }
    expect(near).toBeGreaterThanOrEqual(180);
  });
});
