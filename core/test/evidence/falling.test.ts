/** Kilns made here: Newton's cooling with a thermometer's scatter. */

import { describe, expect, it } from "@jest/globals";
import { falling } from "../../src/evidence/falling.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";

/** Closed form, by hand: from 800 to 200 with tau three hours in a room of 25 is 180 ln(775 / 175) = 268 min. */
const CLOSED_min = 268;

describe("a kiln that falls to its temper", () => {
  const ROOM = 25;
  const read = (tau_min: number, times: readonly number[], from_C = 800) =>
    times.map((time_min) => ({ time_min, reads_C: ROOM + (from_C - ROOM) * Math.exp(-time_min / tau_min) }));

  it("with one reading takes as long as kilns usually do, and says that it is a guess", () => {
    const told = falling(read(180, [0]), 200)!;
    expect(Math.abs(told.left_min - CLOSED_min)).toBeLessThan(12);
    expect(told.isLearned).toBe(false);
    // Three to six hours, common practice, lie inside what it allows.
    expect(told.from_min).toBeLessThan(180);
    expect(told.to_min).toBeGreaterThan(360);
  });
  it("learns its own pace from its own fall: the closed form of it", () => {
    for (const tau of [90, 180, 360]) {
      const told = falling(read(tau, [0, 15, 30]), 200)!;
      const left = tau * Math.log((read(tau, [30])[0]!.reads_C - ROOM) / (200 - ROOM));
      expect(Math.abs(told.left_min / left - 1)).toBeLessThan(0.08);
      expect(told.isLearned).toBe(true);
    }
  });
  it("what was read while it was heated says nothing of its fall", () => {
    const heated = [{ time_min: -60, reads_C: 300 }, { time_min: -30, reads_C: 650 }, ...read(120, [0, 20])];
    expect(falling(heated, 200)).toEqual(falling(read(120, [0, 20]), 200));
  });
  it("is over where it is there, and nothing where nothing was read", () => {
    expect(falling([{ time_min: 0, reads_C: 208 }], 200)).toBeNull();
    expect(falling([], 200)).toBeNull();
  });
  it("of made-up kilns nine in ten are at their temper when it says", () => {
    let inside = 0;
    for (let seed = 0; seed < 200; seed++) {
      const even = uniforms(4000 + seed);
      const normal = (): number => normalQuantile(0.001 + 0.998 * even());
      const tau = 180 * Math.exp(0.4 * normal());
      const readings = read(tau, [0, 10, 25], 760 + 80 * even()).map((r) => ({ ...r, reads_C: r.reads_C + 3 * normal() }));
      const told = falling(readings, 205)!;
      // From where it truly stands, at a pace that changes on the way by an eighth.
      const left = tau * Math.exp(0.12 * normal()) * Math.log((read(tau, [25], 800)[0]!.reads_C - ROOM) / (205 - ROOM));
      if (left >= told.from_min && left <= told.to_min) inside++;
    }
    expect(inside).toBeGreaterThanOrEqual(170);
    expect(inside).toBeLessThanOrEqual(198);
  });
});
