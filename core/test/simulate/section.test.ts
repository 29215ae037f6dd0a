import { describe, expect, it } from "@jest/globals";
import type { BodySection } from "../../src/schema/parts.js";
import { gridOf, type Resolution } from "../../src/simulate/section.js";

const sections: readonly BodySection[] = [
  { shape: "plate", thickness_mm: 6 },
  { shape: "round", diameter_mm: 12 },
  { shape: "square", side_mm: 14 },
  { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
  { shape: "end", diameter_mm: 14, length_mm: 90 },
  { shape: "end", diameter_mm: 14, length_mm: 9 },
];

describe("where the places of a section lie on its grid", () => {
  for (const section of sections) {
    for (const resolution of ["coarse", "full", "fine"] as Resolution[]) {
      it(`${section.shape}, ${resolution}: each is a node, and on the side it is called by`, () => {
        const { grid, surface, centre, edge, spine } = gridOf(section, resolution);
        const columnOf = (node: number): number => Math.floor(node / grid.nodes);
        for (const node of [surface, centre, edge, spine]) {
          if (node === null) continue;
          expect(Number.isInteger(node)).toBe(true);
          expect(node).toBeGreaterThanOrEqual(0);
          expect(node).toBeLessThan(grid.columns * grid.nodes);
        }
        if (edge === null || spine === null) return;
        // The edge, or the face that works, is the first column; what backs it lies behind, the spine next to the last.
        expect(columnOf(edge)).toBe(0);
        expect(columnOf(spine)).toBe(grid.columns - 2);
        expect(columnOf(centre)).toBeGreaterThan(0);
      });
    }
  }
});
