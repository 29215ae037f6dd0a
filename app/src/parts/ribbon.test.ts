import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  annealStep,
  CATALOGUE,
  drawsFor,
  hardensFor,
  planRoute,
  resolveSteel,
  SCHOOLS,
  type Piece,
  type Route,
} from "@tembrak/core";
import { standingAt, START_ms } from "../testing.js";
import { progressOf } from "./progress.js";
import { onRibbon, ribbonOf } from "./ribbon.js";

const blade: Piece = {
  name: "Drawknife",
  mark: "6",
  kind: "drawknife",
  form: "drawknife",
  steel: "o1",
  start: "as-forged",
  use: "drawknife",
  length_mm: 304,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 34 },
};

/** Every way of every school, one with an anneal before and one with a third temper that is the second over again. */
const routes: readonly Route[] = hardensFor(blade.section).flatMap((hardens) =>
  drawsFor(hardens).flatMap((draws) =>
    SCHOOLS.map((school, i) => {
      const route = planRoute(CATALOGUE, blade, school, { way: { hardens, draws } });
      const last = route.steps.at(-1)!;
      const before = i === 0 ? [annealStep(resolveSteel(CATALOGUE, "o1"), null)] : [];
      return { ...route, steps: [...before, ...route.steps, ...(i === 1 && last.kind === "temper" ? [last] : [])] };
    }),
  ),
);

describe("the line of a route", () => {
  it("goes from left to right once, and every step has its own stretch of it", () => {
    for (const route of routes) {
      const { points, spans } = ribbonOf(route);
      expect(points.every(({ x }, i) => i === 0 || x >= points[i - 1]!.x - 1e-12)).toBe(true);
      expect(points[0]!.x).toBe(0);
      // A colour run is dunked: its line ends there.
      expect(points.at(-1)!.x).toBeGreaterThan(0.9);
      expect(points.at(-1)!.x).toBeLessThanOrEqual(1 + 1e-9);
      expect(spans.map(({ step }) => step)).toEqual(route.steps.map((_, i) => i));
      spans.forEach((span, i) => {
        expect(span.x0).toBeCloseTo(i === 0 ? 0 : spans[i - 1]!.x1, 9);
        expect([span.x0, span.top0, span.top1, span.x1].every((x, k, all) => k === 0 || x >= all[k - 1]! - 1e-12)).toBe(true);
      });
    }
  });
  it("reaches each planned heat and no more, and is hard only after a bath, coloured only after what draws it", () => {
    for (const route of routes) {
      const { points, spans } = ribbonOf(route);
      for (const { kind, top1, peak_C, step } of spans) {
        if (kind === "quench") continue;
        expect(onRibbon({ points, spans }, top1).temperature_C).toBeCloseTo(peak_C, 6);
        expect(peak_C).toBe((route.steps[step] as { temperature_C: number }).temperature_C);
      }
      const bath = spans.find(({ kind }) => kind === "quench")!;
      const drawn = spans.find(({ kind }) => kind === "temper" || kind === "run")!;
      expect(points.filter(({ surface }) => surface === "hard").every(({ x }) => x > bath.x0)).toBe(true);
      expect(points.filter(({ surface }) => surface === "oxide").every(({ x }) => x >= drawn.x0)).toBe(true);
    }
  });
  it("with the edge in water it stands at what is looked for at the line, as the bench says", () => {
    const striker: Piece = {
      ...blade,
      kind: "striker",
      form: "striker",
      use: "striker",
      steel: "w1",
      section: { shape: "wedge", spine_mm: 5, edge_mm: 4, height_mm: 26 },
    };
    const route = planRoute(CATALOGUE, striker, "forge", { way: { hardens: "whole", draws: "torch" } });
    const run = route.steps.at(-1)!;
    const act = actsOfRoute(route).find(({ kind }) => kind === "run")!;
    expect(run).toHaveProperty("mark");
    expect(ribbonOf(route).spans.at(-1)).toMatchObject({ kind: "run", peak_C: act.kind === "run" ? act.target_C : NaN });
  });
  it("steps of a kind are counted by their place, also where one stands twice", () => {
    const three = routes.find(({ steps }) => steps.filter(({ kind }) => kind === "temper").length === 3)!;
    const labels = ribbonOf(three).spans.flatMap(({ kind, label }) => (kind === "temper" ? [label] : []));
    expect(labels).toEqual(["Temper 1", "Temper 2", "Temper 3"]);
  });
  it("beyond its ends the line stands where it began and ended", () => {
    const ribbon = ribbonOf(routes[0]!);
    expect(onRibbon(ribbon, -1).temperature_C).toBe(ribbon.points[0]!.temperature_C);
    expect(onRibbon(ribbon, 2).temperature_C).toBeCloseTo(ribbon.points.at(-1)!.temperature_C, 9);
  });
});

describe("how far a piece has come", () => {
  it("never goes back from act to act, begins at nothing and ends at all of it", () => {
    for (const route of routes) {
      const acts = actsOfRoute(route);
      const way = acts.map((_, i) => progressOf(standingAt(blade, route, { done: i }), START_ms + 1000));
      expect(way[0]).toBe(0);
      expect(way.at(-1)).toBe(1);
      expect(way.every((share, i) => i === 0 || share >= way[i - 1]! - 0.02)).toBe(true);
    }
  });
  it("moves along a hold with its time and stops at its end", () => {
    const route = planRoute(CATALOGUE, blade, "kiln");
    const at = actsOfRoute(route).findIndex(({ kind }) => kind === "temper");
    const state = standingAt(blade, route, { done: at });
    const share = (s: number): number => progressOf(state, START_ms + 1000 * s);
    expect(share(3600)).toBeGreaterThan(share(0));
    expect(share(7200)).toBeCloseTo(share(99999), 9);
  });
  it("a piece without a plan has not come anywhere", () => {
    expect(progressOf({ ...standingAt(blade, routes[0]!, { done: 3 }), route: null }, START_ms)).toBe(0);
  });
});
