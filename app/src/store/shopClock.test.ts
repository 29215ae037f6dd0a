import { describe, expect, it } from "@jest/globals";
import { ShopClock } from "./shopClock.js";

function made(shift_ms = 0) {
  const at = { wall: 1_000_000, steady: 500 };
  const clock = new ShopClock({ wall_ms: () => at.wall, steady_ms: () => at.steady }, shift_ms);
  const pass = (ms: number): void => {
    at.wall += ms;
    at.steady += ms;
  };
  return { at, clock, pass };
}

describe("the clock of the bench", () => {
  it("follows the wall while nobody touches it", () => {
    const { clock, pass } = made();
    pass(60_000);
    expect(clock.now_ms()).toBe(1_060_000);
    expect(clock.unexplained()).toBeNull();
  });
  it("a clock set back an hour in the middle of a soak takes nothing off what has passed", () => {
    const { at, clock, pass } = made();
    pass(120_000);
    clock.now_ms();
    at.wall -= 3_600_000;
    pass(30_000);
    expect(clock.now_ms()).toBe(1_150_000);
    expect(clock.shift).toBe(3_600_000);
    expect(clock.unexplained()).toBeNull();
  });
  it("ahead may be a sleep: the time counts until it is said that the clock was set", () => {
    const { at, clock, pass } = made();
    at.wall += 600_000;
    expect(clock.now_ms()).toBe(1_600_000);
    expect(clock.unexplained()).toEqual({ by_ms: 600_000, of: "clock" });
    clock.explain("set");
    expect(clock.now_ms()).toBe(1_000_000);
    pass(1000);
    expect(clock.now_ms()).toBe(1_001_000);
  });
  it("a sleep stays passed", () => {
    const { at, clock } = made();
    at.wall += 600_000;
    clock.now_ms();
    clock.explain("slept");
    expect([clock.now_ms(), clock.unexplained()]).toEqual([1_600_000, null]);
  });
  it("an entry that lies ahead is asked about once: the clock was set back, or it is right", () => {
    const { clock, pass } = made();
    clock.heardOf(1_000_900);
    expect(clock.unexplained()).toBeNull();
    clock.heardOf(3_400_000);
    expect(clock.unexplained()).toEqual({ by_ms: 2_400_000, of: "entry" });
    clock.explain("set");
    pass(1000);
    expect(clock.now_ms()).toBe(3_401_000);
    const other = made();
    other.clock.heardOf(3_400_000);
    other.clock.explain("slept");
    other.clock.heardOf(3_400_000);
    expect([other.clock.unexplained(), other.clock.now_ms()]).toEqual([null, 1_000_000]);
  });
  it("a shift kept over a reload goes on", () => {
    const { clock } = made();
    clock.resume(250_000);
    expect(clock.now_ms()).toBe(1_250_000);
  });
});
