import { describe, expect, it } from "@jest/globals";
import type { Piece } from "@tembrak/core";
import { drawPiece } from "./Silhouette.js";
import { BILLHOOK } from "../testing.js";
import { placeAt, pointOf } from "./testPlaces.js";

const BAR: Piece = { ...BILLHOOK, kind: "punch", form: "punch", section: { shape: "round", diameter_mm: 12 } };

describe("a tap on the drawing of a piece", () => {
  it("comes back where it was, on a curved blade and on a bar, at every scale", () => {
    for (const piece of [BILLHOOK, BAR])
      for (const scale of [0.4, 1, 2.3])
        for (const along of [0.1, 0.4, 0.75])
          for (const up of [0.2, 0.5, 0.9]) {
            const drawn = drawPiece(piece, scale, "lay");
            const back = placeAt(drawn, pointOf(drawn, { along, up }))!;
            expect(back.along).toBeCloseTo(along, 6);
            expect(back.up).toBeCloseTo(up, 6);
          }
  });
  it("the edge is below, the back above; far beside the piece nothing is hit, a finger's breadth beside it the nearest", () => {
    const drawn = drawPiece(BAR, 1, "lay");
    expect(pointOf(drawn, { along: 0.5, up: 0 }).y).toBeGreaterThan(pointOf(drawn, { along: 0.5, up: 1 }).y);
    const edge = pointOf(drawn, { along: 0.5, up: 0 });
    const beside = placeAt(drawn, { x: edge.x, y: edge.y + 5 })!;
    expect(beside.along).toBeCloseTo(0.5, 6);
    expect(beside.up).toBe(0);
    expect(placeAt(drawn, { x: edge.x, y: edge.y + 60 })).toBeNull();
    expect(placeAt(drawn, { x: -60, y: edge.y })).toBeNull();
  });
});
