import { describe, expect, it } from "@jest/globals";
import { FORMS } from "../../src/catalogue.js";
import { offsetsAt, outlineOf, sawTooth } from "../../src/shape/outline.js";
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
  it("a form that steps, with two stations at one place, has a back and an edge there", () => {
    const stations = [
      { s: 0, back: 0.2, edge: -0.2 },
      { s: 0, back: 0.5, edge: -0.5 },
      { s: 1, back: 0.5, edge: -0.5 },
    ];
    for (const s of [0, 0.5, 1]) {
      const { back, edge } = offsetsAt({ stations }, s);
      expect(Number.isFinite(back) && Number.isFinite(edge)).toBe(true);
    }
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
