import { describe, expect, it } from "@jest/globals";
import { FORMS } from "../../src/catalogue.js";
import { outlineOf, sawTooth } from "../../src/shape/outline.js";
import { pieceIn } from "../catalogue.js";

describe("silhouettes", () => {
  for (const form of FORMS) {
    it(`${form.id}: closed, finite, and as long as it was measured`, () => {
      const { contour, box } = outlineOf(pieceIn(form), form);
      expect(contour.length).toBeGreaterThan(15);
      for (const { x, y } of contour) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
      // A bent piece is measured over all along its bend, so its box may be a little shorter.
      expect(box.height_mm / form.usualLength_mm).toBeGreaterThan(0.7);
      expect(box.height_mm / form.usualLength_mm).toBeLessThan(1.15);
    });
  }
  it("a straight blade twice as long and twice as high is drawn twice as large", () => {
    const form = FORMS.find(({ id }) => id === "knife")!;
    const [small, large] = [
      outlineOf(pieceIn(form), form),
      outlineOf(pieceIn(form, { length_mm: 480, section: { shape: "wedge", spine_mm: 8, edge_mm: 1, height_mm: 60 } }), form),
    ];
    expect(large.box.height_mm / small.box.height_mm).toBeCloseTo(2, 6);
    expect(large.box.width_mm / small.box.width_mm).toBeCloseTo(2, 6);
  });
  it("a form of another kind is refused", () => {
    const form = FORMS.find(({ id }) => id === "froe")!;
    expect(() => outlineOf({ ...pieceIn(form), kind: "knife" }, form)).toThrow(/form of knife/);
  });
  it("the saw-tooth stands outside the piece all round", () => {
    const square = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    for (const contour of [square, [...square].reverse()]) {
      for (const { x, y } of sawTooth(contour, 4.4, 4, 7.4)) expect(x < 0 || x > 100 || y < 0 || y > 100).toBe(true);
    }
  });
});
