import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, type Piece } from "@tembrak/core";
import { HAMMER } from "../testing.js";
import { ALL_HARD, hardParts, teethPath } from "./brittleTeeth.js";
import { drawPiece } from "./Silhouette.js";

const xs = (path: string): number[] => [...path.matchAll(/[ML](-?[\d.]+) /g)].map(([, x]) => Number(x));

describe("what is marked as brittle", () => {
  const drawn = drawPiece(HAMMER, 2, "lay");
  const routeOf = (hardens: "whole" | "face" | "ends") => planRoute(CATALOGUE, HAMMER, "forge", { way: { hardens } });
  it("all of a piece that went in whole", () => {
    expect(hardParts(routeOf("whole"))).toEqual(ALL_HARD);
    const path = teethPath(drawn, "lay", ALL_HARD);
    expect(Math.min(...xs(path))).toBeLessThan(5);
    expect(Math.max(...xs(path))).toBeGreaterThan(215);
  });
  it("one end, as deep as it went in; both where both did", () => {
    const face = hardParts(routeOf("face"));
    expect(face).toMatchObject({ what: "ends", other_mm: 0 });
    expect(Math.min(...xs(teethPath(drawn, "lay", face)))).toBeGreaterThanOrEqual(220 - 2 * face.working_mm - 1);
    const ends = hardParts(routeOf("ends"));
    expect(ends.other_mm).toBeGreaterThan(0);
    const both = xs(teethPath(drawn, "lay", ends));
    expect(Math.min(...both)).toBeLessThan(5);
    expect(both.some((x) => x > 2 * ends.other_mm + 1 && x < 220 - 2 * ends.working_mm - 1)).toBe(false);
  });
  it("only the edge side of a blade whose edge went in", () => {
    const blade: Piece = {
      ...HAMMER,
      kind: "knife",
      steel: "1084",
      use: "knife",
      length_mm: 200,
      section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 },
    };
    const edge = hardParts(planRoute(CATALOGUE, blade, "forge", { way: { hardens: "edge" } }));
    expect(edge.what).toBe("edge");
    const flat = drawPiece(blade, 2, "lay");
    const ys = [...teethPath(flat, "lay", edge).matchAll(/[ML]-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y));
    const all = [...teethPath(flat, "lay", ALL_HARD).matchAll(/[ML]-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y));
    // The edge lies below.
    expect(Math.min(...ys)).toBeGreaterThan(Math.min(...all) + 10);
    expect(Math.max(...ys)).toBeCloseTo(Math.max(...all), 0);
  });
});
