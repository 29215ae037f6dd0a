import { describe, expect, it } from "@jest/globals";
import { FORMS } from "../../src/catalogue.js";
import { outlineOf, type Point } from "../../src/shape/outline.js";
import { hasStations, measuredStation, pointAt, sectionAt } from "../../src/shape/stations.js";
import { pieceIn } from "../catalogue.js";

const blades = FORMS.filter((form) => hasStations(pieceIn(form), form));

function isInside(polygon: readonly Point[], { x, y }: Point): boolean {
  let inside = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
  });
  return inside;
}

describe("sections along a piece", () => {
  it("most forms of blades have them", () => expect(blades.length).toBeGreaterThan(5));
  for (const form of blades) {
    const piece = pieceIn(form);
    it(`${form.id}: within the bevel a wedge as thick as measured, outside it both sides parallel, heights of the outline`, () => {
      const { from, to } = form.bevel!;
      const middle = sectionAt(piece, form, measuredStation(form));
      expect(middle).toMatchObject({ shape: "wedge" });
      if (middle.shape !== "wedge" || piece.section.shape !== "wedge") return;
      expect(middle.spine_mm).toBe(piece.section.spine_mm);
      expect(middle.edge_mm).toBe(piece.section.edge_mm);
      for (let s = 0; s <= 1; s += 0.02) {
        const section = sectionAt(piece, form, s);
        if (section.shape !== "wedge") throw new Error("a blade's section is a wedge");
        expect(section.height_mm).toBeGreaterThanOrEqual(2);
        expect(section.edge_mm).toBe(s >= from && s <= to ? piece.section.edge_mm : piece.section.spine_mm);
      }
    });
    it(`${form.id}: the middle of each section of the blade lies in the outline`, () => {
      const { contour } = outlineOf(piece, form);
      const at = pointAt(piece, form);
      const { from, to } = form.bevel!;
      for (let s = from + 0.01; s < to - 0.01; s += 0.02) expect(isInside(contour, at(s, 0.5))).toBe(true);
    });
  }
  it("a bar has one section all along", () => {
    const awl = FORMS.find(({ id }) => id === "awl")!;
    const piece = pieceIn(awl);
    expect(hasStations(piece, awl)).toBe(false);
    expect(sectionAt(piece, awl, 0.1)).toEqual(piece.section);
  });
});
