import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { wayOf } from "../../src/plan/way.js";
import type { Piece, Route } from "../../src/schema/book.js";
import { patternsFor } from "../../src/simulate/patterns.js";
import { predict } from "../../src/simulate/predict.js";
import { betterForWish, missedWish, servesWish } from "../../src/simulate/wish.js";
import { hardensForZones, zoneReports } from "../../src/simulate/zoneReport.js";
import { backRuns } from "../../src/plan/runStep.js";
import { allUnder, intoOf, type Quench } from "../../src/plan/dips.js";

const knife: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 300,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 0.8, height_mm: 45 },
  zones: [
    { zone: "edge", wants: "hard" },
    { zone: "spine", wants: "soft" },
  ],
};
const route = planRoute(CATALOGUE, knife, "forge");
const index = route.steps.findIndex(({ kind }) => kind === "quench");
const whole: Route = { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? withoutDepth(step) : step)) };

function withoutDepth(step: Quench): Quench {
  return { ...step, dips: allUnder(intoOf(step)) };
}

describe("a wish the plan misses", () => {
  // Trade fact, common practice, no source: what goes under whole gets hard all over; a soft back asks for the edge alone, or for clay.
  const { hardens } = wayOf(whole);
  const prediction = predict(CATALOGUE, knife, whole, "quick");
  const tried = patternsFor(CATALOGUE, knife, whole, index);
  it("is the back that gets hard with all of it under", () => {
    expect(missedWish(zoneReports(knife, prediction, hardens))).toMatchObject({ zone: "spine", wants: "soft" });
  });
  it("is met by a way that keeps the back out, or under clay, and cracks no more", () => {
    const better = betterForWish(knife, whole, index, tried, prediction.target)!;
    expect(["edge", "clay"]).toContain(better.tried.pattern);
    expect(better.then).toBeGreaterThan(better.planned + 0.25);
    const then = { ...whole, steps: whole.steps.map((step, i) => (i === index ? better.tried.quench : step)) };
    const after = zoneReports(knife, predict(CATALOGUE, knife, then, "quick"), wayOf(then).hardens);
    expect(Math.min(...after.map(({ chance }) => chance!))).toBeCloseTo(better.then, 12);
  });
  it("asks for nothing where the plan is that way already, or nothing is wished", () => {
    const best = betterForWish(knife, whole, index, tried, prediction.target)!.tried.quench;
    const then = { ...whole, steps: whole.steps.map((step, i) => (i === index ? best : step)) };
    expect(betterForWish(knife, then, index, patternsFor(CATALOGUE, knife, then, index), prediction.target)).toBeNull();
    const plain = { ...knife, zones: [] };
    expect(missedWish(zoneReports(plain, prediction, hardens))).toBeNull();
    expect(betterForWish(plain, whole, index, tried, prediction.target)).toBeNull();
  });
});

describe("a back wanted medium", () => {
  // Trade fact, common practice, no source: between hard and soft is drawn, by a hot bar or a torch on the back with the edge in water.
  const medium: Piece = {
    ...knife,
    zones: [
      { zone: "edge", wants: "hard" },
      { zone: "spine", wants: "medium" },
    ],
  };
  const planned = planRoute(CATALOGUE, medium, "forge");
  const told = (of: Route) => zoneReports(medium, predict(CATALOGUE, medium, of, "quick"), wayOf(of).hardens);
  const drawn = backRuns(medium, "hot-bar").map((run) => told({ ...planned, steps: [...planned.steps, run] }));
  const missed = missedWish(told(planned))!;
  it("is hardened through and missed by its oven alone", () => {
    expect(hardensForZones(medium)).toBe("whole");
    expect(missed.zone).toBe("spine");
  });
  it("comes there by one of four lines, each drawing it further; its edge in water stays", () => {
    const backs = drawn.map((reports) => reports.find(({ zone }) => zone === "spine")!.expected.mean_HRC);
    expect([...backs].sort((a, b) => b - a)).toEqual(backs);
    const best = servesWish(missed, drawn)!;
    expect(drawn[best]!.find(({ zone }) => zone === "spine")!.chance).toBeGreaterThan(0.85);
    const edges = [told(planned), ...drawn].map((reports) => reports.find(({ zone }) => zone === "edge")!.expected.mean_HRC);
    expect(Math.max(...edges) - Math.min(...edges)).toBeLessThan(0.5);
  });
  it("nothing serves it that is hardly better than the plan", () => {
    expect(servesWish({ zone: "spine", chance: 0.4 }, [[{ ...missed, chance: 0.5 }]])).toBeNull();
  });
});
