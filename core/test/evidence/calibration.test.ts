import { describe, expect, it } from "@jest/globals";
import { calibrate, type DialReading } from "../../src/evidence/calibration.js";

/** A made-up oven: `off` too hot at rest, first order lag of `lag` dying with `tau_min`, noise from a fixed list. */
const NOISE_C = [1.2, -0.7, 0.4, -1.5, 0.9, -0.2];
function oven(off: number, lag: number, tau_min: number, times: readonly number[]): DialReading[] {
  return times.map((time_min, i) => ({
    time_min,
    set_C: 200,
    second_C: 200 + off - lag * Math.exp(-time_min / tau_min) + NOISE_C[i % NOISE_C.length]!,
  }));
}

describe("a dial against a second thermometer", () => {
  it("thirty Fahrenheit too low after the ready tone, right at half an hour: a lag, no offset (trade: 20 to 25 min of warm-up)", () => {
    const found = calibrate(oven(0, 60, 7, [5, 12, 20, 35]))!;
    expect(found.hasLag).toBe(true);
    expect(Math.abs(found.offset_C)).toBeLessThan(3);
    expect(found.settle_min).toBeGreaterThan(14);
    expect(found.settle_min).toBeLessThan(32);
  });
  it("twelve too hot whenever it is read: an offset, no lag", () => {
    const found = calibrate(oven(12, 0, 7, [30, 45, 60]))!;
    expect(found.hasLag).toBe(false);
    expect(Math.abs(found.offset_C - 12)).toBeLessThan(2);
    expect(found.settle_min).toBe(0);
  });
  it("both at once come apart", () => {
    const found = calibrate(oven(-15, 80, 9, [4, 8, 14, 22, 34, 50]))!;
    expect(found.hasLag).toBe(true);
    expect(Math.abs(found.offset_C + 15)).toBeLessThan(4);
  });
  it("three at the same minute cannot tell an oven that is late from one that is wrong, unless that is long after it was set", () => {
    const at = (time_min: number) => calibrate([1, 2, 3].map((i) => ({ time_min: time_min + i, set_C: 200, second_C: 185 })))!;
    expect(at(5).isTold).toBe(false);
    expect(at(90).isTold).toBe(true);
    expect(at(90).offset_C).toBeCloseTo(-15, 1);
    const apart = calibrate([5, 20, 40].map((time_min) => ({ time_min, set_C: 200, second_C: 185 })))!;
    expect(apart.isTold).toBe(true);
  });
  it("two readings say nothing", () => {
    expect(calibrate(oven(5, 0, 5, [10, 20]))).toBeNull();
  });
});
