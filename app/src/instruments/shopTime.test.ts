import { describe, expect, it } from "@jest/globals";
import { heardAt, ratedClock, type Heard } from "./shopTime.js";

type Told = { now_ms: number; speed: number };
const tell = (before: Heard<Told> | null, now_ms: number, speed: number, at_ms: number) => heardAt(before, { now_ms, speed }, at_ms);

describe("the clock of a simulated shop", () => {
  const fast = tell(tell(null, 0, 100, 0), 25_000, 100, 250);
  it("goes on between two messages as fast as it went, and stands where nothing more was heard", () => {
    expect(ratedClock(fast, 350)).toBe(35_000);
    expect(ratedClock(fast, 5000)).toBe(50_000);
  });
  it("slowed from a hundredfold by a key it stands at what the shop answered, not seconds ahead of it", () => {
    // Answered 20 ms after the last message: 2 s on, and at its own pace from then.
    const slowed = tell(fast, 27_000, 1, 270);
    expect(ratedClock(slowed, 470)).toBe(27_200);
  });
  it("of a shop that is too much work goes no faster than that comes along", () => {
    const behind = tell(fast, 31_000, 100, 500);
    expect(behind.rate).toBeCloseTo(24, 0);
    expect(ratedClock(behind, 600)).toBeLessThan(33_500);
  });
  it("of an answer and a message at once the further one counts", () => {
    expect(tell(fast, 24_000, 100, 255)).toBe(fast);
    expect(ratedClock(tell(fast, 26_000, 100, 260), 260)).toBe(26_000);
  });
});
