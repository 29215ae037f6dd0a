import { describe, expect, it } from "@jest/globals";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { calibrate, dialFor_C, type DialReading } from "../../src/evidence/calibration.js";

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

describe("a fault that grows with the heat", () => {
  const reading = (time_min: number, set_C: number, second_C: number) => ({ time_min, set_C, second_C });
  // By hand: 0, 8 and 16 over at 150, 200 and 250 is 0.16 for each kelvin about 200.
  it("is a slope and no swing, and the dial follows it", () => {
    const readings = [reading(60, 150, 150), reading(120, 200, 208), reading(180, 250, 266)];
    const { grows, swing_C, offset_C } = calibrate(readings)!;
    expect(grows!.perK).toBeCloseTo(0.16, 6);
    expect(grows!.about_C).toBe(200);
    expect(swing_C).toBe(0);
    const oven = { offset_C: 8, calibration: readings };
    // A dial of 232.8 is truly 232.8 + 8 + 0.16 * 32.8 = 246.
    const dial_C = dialFor_C(oven, 246);
    expect(Math.abs(dial_C + 8 + 0.16 * (dial_C - 200) - 246)).toBeLessThan(1e-9);
    expect(Math.abs(offset_C - 8)).toBeLessThan(4);
  });
  it("an oven that stays where it is whatever its dial says is no slope to follow: its dial is a number", () => {
    const readings = [reading(60, 150, 200), reading(120, 200, 200), reading(180, 250, 200)];
    expect(calibrate(readings)!.grows).toBeNull();
    expect(Number.isFinite(dialFor_C({ offset_C: 0, calibration: readings }, 210))).toBe(true);
  });
  it("the same fault at every heat, a few apart, is no slope", () => {
    expect(calibrate([reading(60, 150, 158), reading(120, 200, 206), reading(180, 250, 259), reading(240, 200, 210)])!.grows).toBeNull();
  });
});

describe("a dial that was moved while it was read", () => {
  const F = (f: number): number => (f - 32) / 1.8;
  const reading = (time_min: number, set_F: number, second_F: number) => ({ time_min, set_C: F(set_F), second_C: F(second_F) });
  // Worked by hand: from 20 C towards 400 F, 375 F at 8 min is tau = 8 / ln((204.4 - 20) / (204.4 - 190.6)) = 3.1 min with no offset; moved to
  // 430 F between 8 and 10 min it stands at 400 F then; 423 F after two hours is 4 K below, and that alone is wrong.
  it("400/375, 430/400, 430/423 from cold: late by minutes, and four kelvin cold; not twenty", () => {
    const found = calibrate([reading(8, 400, 375), reading(10, 430, 400), reading(130, 430, 423)])!;
    expect(found.hasLag).toBe(true);
    expect(Math.abs(found.offset_C + 4)).toBeLessThan(1.5);
    expect(found.settle_min).toBeGreaterThan(8);
    expect(found.settle_min).toBeLessThan(25);
  });
  it("the same with its times counted anew from the move", () => {
    const found = calibrate([reading(8, 400, 375), reading(2, 430, 400), reading(122, 430, 423)])!;
    expect(Math.abs(found.offset_C + 4)).toBeLessThan(2);
  });
  it("made-up ovens with a lag of 3 to 15 min and a dial moved between: the offset within 4 K in nine of ten, one that was at rest is not late", () => {
    const draw = uniforms(11);
    const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, draw())));
    let [good, held] = [0, 0];
    const N = 120;
    for (let n = 0; n < N; n++) {
      const [offset, tau] = [12 * normal(), 3 + 12 * draw()];
      let [T, t, set] = [20, 0, 180];
      const moved_min = 6 + 8 * draw();
      const readings = [5, 15, 40, 90].map((at) => {
        for (; t < at; t += 0.05) {
          if (t > moved_min) set = 215;
          T += (0.05 * (set + offset - T)) / tau;
        }
        return { time_min: at, set_C: set, second_C: T + 2 * normal() };
      });
      const found = calibrate(readings)!;
      if (Math.abs(found.offset_C - offset) < 4) good++;
      if (Math.abs(found.offset_C - offset) < 1.645 * found.offsetSd_C) held++;
    }
    expect(good / N).toBeGreaterThan(0.9);
    expect(held / N).toBeGreaterThan(0.84);
    const rest = [0, 20, 40, 60].map((time_min, i) => ({
      time_min: 90 + time_min,
      set_C: i < 2 ? 180 : 215,
      second_C: (i < 2 ? 180 : 215) - 10,
    }));
    // A dial that was moved long before each reading: it is at rest each time.
    const still = calibrate(rest.map((one, i) => ({ ...one, time_min: i % 2 === 0 ? 60 : 80 })))!;
    expect(Math.abs(still.offset_C + 10)).toBeLessThan(2);
  });
});
