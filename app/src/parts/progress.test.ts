import { describe, expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, planRoute } from "@tembrak/core";
import { stretchedShare } from "../format/temperatureScale.js";
import { FROE, standingAt, START_ms } from "../testing.js";
import { hardnessShade, martensiteShade, temperatureShade } from "./hardnessShade.js";
import { progressOf } from "./progress.js";

const route = planRoute(CATALOGUE, FROE, "forge");
const acts = actsOfRoute(route);

describe("how far along its line a piece has come", () => {
  it("not begun is its beginning, to be proved is its end", () => {
    expect(progressOf(standingAt(FROE, route), START_ms)).toBe(0);
    expect(progressOf(standingAt(FROE, route, { done: acts.findIndex(({ kind }) => kind === "prove") }), START_ms)).toBe(1);
  });
  it("never goes back from one act to the next", () => {
    const along = acts.map((_, done) => progressOf(standingAt(FROE, route, { done }), START_ms));
    for (let i = 1; i < along.length; i++) expect(along[i]).toBeGreaterThanOrEqual(along[i - 1]!);
  });
  it("moves with the time in the oven, and stops at its end however long it stays in", () => {
    const state = standingAt(FROE, route, { done: acts.findIndex(({ kind }) => kind === "temper") });
    const hold_ms = 1000 * (state.next!.kind === "temper" ? state.next.hold_s : 0);
    const [start, half, end, late] = [0, 0.5, 1, 3].map((share) => progressOf(state, START_ms + share * hold_ms)) as [
      number,
      number,
      number,
      number,
    ];
    expect(half - start).toBeCloseTo(end - half, 9);
    expect(end).toBeGreaterThan(start);
    expect(late).toBe(end);
  });
});

describe("the stretched scale of heats", () => {
  it("rises everywhere, from nothing to the hottest that is drawn", () => {
    expect(stretchedShare(0, 900)).toBe(0);
    expect(stretchedShare(900, 900)).toBe(1);
    for (let T = 10; T <= 1040; T += 10) expect(stretchedShare(T, 900)).toBeGreaterThan(stretchedShare(T - 10, 900));
  });
  it("has more room for the colours of a temper and for the change than for what lies between", () => {
    const room = (from_C: number) => stretchedShare(from_C + 50, 900) - stretchedShare(from_C, 900);
    expect(room(200)).toBeGreaterThan(3 * room(450));
    expect(room(740)).toBeGreaterThan(5 * room(450));
  });
});

describe("shades", () => {
  const light = (text: string): number => /\d+/g[Symbol.match](text)!.reduce((sum, n) => sum + Number(n), 0);
  it("harder is lighter, also beyond the ends of the scale", () => {
    const all = [10, 25, 32, 40, 50, 56, 62, 65].map((HRC) => light(hardnessShade(HRC)));
    for (let i = 1; i < all.length; i++) expect(all[i]).toBeGreaterThanOrEqual(all[i - 1]!);
    expect(hardnessShade(80)).toBe(hardnessShade(65));
    expect(hardnessShade(0)).toBe(hardnessShade(25));
  });
  it("no martensite is the shade of the softest, all of it of the hardest", () => {
    expect(martensiteShade(0)).toBe(hardnessShade(25));
    expect(martensiteShade(1)).toBe(hardnessShade(65));
  });
  it("what glows has the colour of its glow, what does not is slate", () => {
    expect(temperatureShade(850)).toMatch(/^#/);
    const [r, g, b] = /#(..)(..)(..)/
      .exec(temperatureShade(850))!
      .slice(1)
      .map((h) => parseInt(h, 16)) as [number, number, number];
    expect(r).toBeGreaterThan(g);
    expect(g).toBeGreaterThanOrEqual(b);
    expect(temperatureShade(300)).toMatch(/^rgb/);
    expect(light(temperatureShade(300))).toBeGreaterThan(light(temperatureShade(20)));
  });
});
