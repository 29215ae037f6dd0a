import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { lusolve } from "mathjs";
import { clamp, intervalOf, linear, linearExtended, monotoneCubic, smoothstep } from "../../src/numerics/interpolate.js";
import { bisect } from "../../src/numerics/root.js";
import { normalDraws } from "../../src/numerics/sampling.js";
import { solveTridiagonal } from "../../src/numerics/tridiagonal.js";

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("tridiagonal systems", () => {
  it("agree with a dense solver of a reference library to 1e-9", () => {
    const rows = fc
      .integer({ min: 2, max: 12 })
      .chain((n) =>
        fc.tuple(fc.constant(n), fc.array(fc.tuple(number(-1, 0), number(-1, 0), number(-10, 10)), { minLength: n, maxLength: n })),
      );
    fc.assert(
      fc.property(rows, ([n, entries]) => {
        const lower = Float64Array.from(entries, ([a]) => a);
        const upper = Float64Array.from(entries, ([, b]) => b);
        const right = Float64Array.from(entries, ([, , r]) => r);
        const diagonal = Float64Array.from(entries, ([a, b]) => 1 + Math.abs(a) + Math.abs(b));
        const dense = Array.from({ length: n }, (_, i) =>
          Array.from({ length: n }, (_, j) => (i === j ? diagonal[i]! : j === i - 1 ? lower[i]! : j === i + 1 ? upper[i]! : 0)),
        );
        const theirs = lusolve(dense, [...right]) as number[][];
        solveTridiagonal(n, lower, diagonal, upper, right);
        for (let i = 0; i < n; i++) expect(right[i]!).toBeCloseTo(theirs[i]![0]!, 9);
      }),
    );
  });
});

describe("tables", () => {
  const xs = [0, 1, 3, 4, 8];
  it("linear goes through its points, is constant beyond them, and extended goes on", () => {
    const ys = [2, 5, 4, 4, 10];
    xs.forEach((x, i) => expect(linear(xs, ys, x)).toBeCloseTo(ys[i]!, 12));
    expect([linear(xs, ys, -5), linear(xs, ys, 99)]).toEqual([2, 10]);
    expect([linearExtended(xs, ys, -1), linearExtended(xs, ys, 10)]).toEqual([-1, 13]);
    expect([intervalOf(xs, -1), intervalOf(xs, 3), intervalOf(xs, 100)]).toEqual([0, 2, 3]);
  });
  it("the monotone cubic goes through its points and never overshoots rising data", () => {
    fc.assert(
      fc.property(fc.array(number(0, 5), { minLength: 5, maxLength: 5 }), number(0, 8), (steps, x) => {
        const ys = steps.map((_, i) => steps.slice(0, i + 1).reduce((a, b) => a + b, 0));
        const f = monotoneCubic(xs, ys);
        xs.forEach((knot, i) => expect(f(knot)).toBeCloseTo(ys[i]!, 9));
        const i = intervalOf(xs, x);
        expect(f(x)).toBeGreaterThanOrEqual(ys[i]! - 1e-9);
        expect(f(x)).toBeLessThanOrEqual(ys[i + 1]! + 1e-9);
      }),
    );
  });
  it("is flat where the data turn, constant below and linear above", () => {
    const f = monotoneCubic([0, 1, 2], [0, 1, 0]);
    expect(Math.abs(f(1.001) - 1)).toBeLessThan(1e-5);
    expect(f(-3)).toBe(0);
    expect(f(3)).toBeCloseTo(-1, 9);
  });
  it("clamp and smoothstep at their edges", () => {
    expect([clamp(-1, 0, 1), clamp(0.5, 0, 1), clamp(2, 0, 1)]).toEqual([0, 0.5, 1]);
    expect([smoothstep(1, 1, 3), smoothstep(2, 1, 3), smoothstep(3, 1, 3)]).toEqual([0, 0.5, 1]);
  });
});

describe("roots", () => {
  it("finds the square root of two, and says when there is none between", () => {
    const found = bisect((x) => x * x - 2, 0, 2, 1e-12);
    expect(found.outcome === "found" && found.x).toBeCloseTo(Math.SQRT2, 10);
    expect(bisect((x) => x * x + 1, -1, 1, 1e-6).outcome).toBe("outside");
    expect(bisect((x) => x, 0, 1, 1e-6)).toEqual({ outcome: "found", x: 0 });
  });
});

describe("seeded draws", () => {
  it("the same seed gives the same draws, another seed others", () => {
    expect(normalDraws(24, 7, 20)).toEqual(normalDraws(24, 7, 20));
    expect(normalDraws(24, 7, 20)).not.toEqual(normalDraws(24, 7, 21));
  });
  it("every dimension has mean 0 and nearly unit spread, and hardly follows another", () => {
    const draws = normalDraws(400, 4, 3);
    const column = (k: number): number[] => draws.map((d) => d[k]!);
    const mean = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0) / v.length;
    for (let k = 0; k < 4; k++) {
      expect(mean(column(k))).toBeCloseTo(0, 9);
      expect(Math.sqrt(mean(column(k).map((v) => v * v)))).toBeCloseTo(1, 1);
    }
    expect(Math.abs(mean(draws.map((d) => d[0]! * d[1]!)))).toBeLessThan(0.15);
  });
});
