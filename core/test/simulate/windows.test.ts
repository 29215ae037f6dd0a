import { describe, expect, it } from "@jest/globals";
import { outAt } from "../../src/simulate/outAt.js";
import { chanceOpen, shutSpread, type WindowAsked } from "../../src/simulate/windowSpread.js";
import { windowAt } from "../../src/standing/straightening.js";
import { plan, slab } from "../catalogue.js";

const [FROM_C, BATH_C, TAU_s] = [800, 50, 9];
const [MS_C, RATE_1_K] = [220, 0.011];
const time_s = Float64Array.from({ length: 600 }, (_, i) => 0.1 * i);
/** Newton's law, closed form. */
const temperature_C = time_s.map((t) => BATH_C + (FROM_C - BATH_C) * Math.exp(-t / TAU_s));
const martensite = temperature_C.map((T) => (T < MS_C ? 1 - Math.exp(-RATE_1_K * (MS_C - T)) : 0));
const asked = (change: Partial<WindowAsked> = {}): WindowAsked => ({
  fall: { time_s, temperature_C, martensite },
  section: slab(4),
  bath_C: BATH_C,
  leftAt_s: 60,
  out_s: 3600,
  martensiteStart_C: MS_C,
  martensiteRate_1_K: RATE_1_K,
  chanceHard: 1,
  bath_ln: 0.15,
  ...change,
});

describe("how long a piece may be bent", () => {
  it("left in its bath it is half hard where Newton's law passes the heat at which Koistinen and Marburger have half (closed form)", () => {
    const half_C = MS_C - Math.LN2 / RATE_1_K;
    const closed_s = TAU_s * Math.log((FROM_C - BATH_C) / (half_C - BATH_C));
    const { p05_s, p50_s, p95_s } = shutSpread(asked());
    expect(Math.abs(p50_s / closed_s - 1)).toBeLessThan(0.06);
    expect(p05_s).toBeLessThan(closed_s);
    expect(p95_s).toBeGreaterThan(closed_s);
    // Its rates are known to about a quarter: so wide, and no wider.
    expect(p95_s / p05_s).toBeGreaterThan(1.3);
    expect(p95_s / p05_s).toBeLessThan(3);
  });
  it("out sooner it stays open longer, and half a second more in the bath moves it by no leap", () => {
    const ends = Array.from({ length: 30 }, (_, i) => shutSpread(asked({ out_s: 6 + 0.5 * i })));
    ends.slice(1).forEach(({ p05_s, p50_s, p95_s }, i) => {
      const before = ends[i]!;
      expect(p50_s).toBeLessThanOrEqual(before.p50_s + 1);
      expect(p95_s).toBeLessThanOrEqual(before.p95_s + 1);
      expect(p05_s).toBeLessThanOrEqual(before.p05_s + 1);
      expect(chanceOpen(before, 30) - chanceOpen(ends[i + 1]!, 30)).toBeLessThan(0.2);
    });
  });
  it("what hardens in three of ten is not called open past what those three have, nor shut for good", () => {
    const end = shutSpread(asked({ out_s: 10, chanceHard: 0.3 }));
    expect(end.p95_s).toBe(Infinity);
    const { is, chance } = windowAt({ from_s: 5, to_s: end.p50_s, end, edge: null }, 800);
    expect(is).toBe("closing");
    expect(chance).toBeCloseTo(0.7, 1);
  });
});

describe("when to come out of the bath", () => {
  const of = (thickness_mm: number, medium = "fast-oil") =>
    outAt(plan({ steel: "1084", prior: "fine-spheroidised", section: slab(thickness_mm), heat_C: 815, furnace_s: 720, medium }));
  it("4 mm of 1084 comes out of fast oil within 6 to 15 s and is as hard (common practice, no source); sooner costs, later leaves less", () => {
    const { best, ways } = of(4)!;
    expect(best.at_s).toBeGreaterThanOrEqual(6);
    expect(best.at_s).toBeLessThanOrEqual(15);
    expect(Math.max(best.costs_HRC, best.costsSlow_HRC)).toBeLessThan(0.5);
    const sooner = ways.filter(({ at_s }) => at_s < best.at_s);
    expect(sooner.length).toBeGreaterThan(0);
    for (const way of sooner) expect(way.costsSlow_HRC).toBeGreaterThanOrEqual(best.costsSlow_HRC);
    const left_s = ways.map(({ at_s, window }) => (window === null ? Infinity : window.to_s - at_s));
    expect([...left_s].sort((a, b) => b - a)).toEqual(left_s);
  });
  it("a thicker one stays in longer, and nobody counts seconds out of water", () => {
    expect(of(5)!.best.at_s).toBeGreaterThan(of(3)!.best.at_s);
    expect(of(4, "water")).toBeNull();
  });
});
