import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { mass_kg } from "../../src/plan/fit.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { asWorked, bevelFault, ofEnd, workingSection } from "../../src/shape/bevel.js";
import { outlineOf } from "../../src/shape/outline.js";
import { pictureSection } from "../../src/simulate/sectionPicture.js";
import { predict } from "../../src/simulate/predict.js";

const FLAT: Piece = {
  name: "Plane iron",
  mark: "3",
  kind: "chisel",
  form: "plane-iron",
  steel: "1084",
  start: "as-forged",
  use: "wood-chisel",
  length_mm: 150,
  section: { shape: "plate", thickness_mm: 4, width_mm: 50 },
};
const IRON: Piece = { ...FLAT, bevel: { edge_mm: 0.8, length_mm: 9, faces: "one" } };

describe("an end ground to an edge across it", () => {
  it("works at a wedge from its edge back to where the bevel meets the body; a blade and a square end are what they are", () => {
    expect(workingSection(IRON)).toEqual({ shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 9 });
    expect(workingSection(FLAT)).toBe(FLAT.section);
    expect(asWorked(FLAT)).toBe(FLAT);
    expect(asWorked(IRON).section).toEqual(workingSection(IRON));
  });
  // By hand: half of 9 mm, but for what the edge leaves: (4 - 0.8) / 4 of 4.5 mm of 150.
  it("weighs what a prism and a wedge of its measures do", () => {
    const whole = mass_kg(FLAT, formOf(FLAT));
    expect(mass_kg(IRON, formOf(IRON)) / whole).toBeCloseTo(1 - (4.5 * 0.8) / 150, 6);
  });
  it("says in which way its measures cannot be", () => {
    expect(bevelFault(IRON)).toBeNull();
    expect(bevelFault({ ...IRON, bevel: { ...IRON.bevel!, edge_mm: 4 } })).toBe("edge-too-thick");
    expect(bevelFault({ ...IRON, bevel: { ...IRON.bevel!, length_mm: 150 } })).toBe("longer-than-piece");
    expect(bevelFault({ ...IRON, section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 } })).toBe("not-of-a-blade");
  });
  it("is drawn: a line across where the bevel begins", () => {
    const [a, b] = outlineOf(IRON, formOf(IRON)).bevel as [{ x: number; y: number }, { x: number; y: number }];
    expect(a.y).toBeCloseTo(141, 6);
    expect(b.y).toBeCloseTo(141, 6);
    expect(Math.abs(a.x - b.x)).toBeCloseTo(50, 6);
  });
  // A smith's plane iron of 1084 skates a file straight out of its oil (common practice, no source); the flat of 4 mm behind it need not.
  it("hardens at its edge, and is told there", () => {
    const route = planRoute(CATALOGUE, IRON, "forge");
    const iron = predict(CATALOGUE, IRON, route, "quick");
    const flat = predict(CATALOGUE, FLAT, route, "quick");
    expect(iron.working.place).toBe("edge");
    expect(flat.working.place).toBe("surface");
    expect(iron.failChance).toBeLessThan(0.1);
    expect(iron.working.asQuenched.mean_HRC).toBeGreaterThan(63);
    expect(iron.working.asQuenched.mean_HRC).toBeGreaterThan(flat.working.asQuenched.mean_HRC);
  });
  it("the cut through it is of its end", () => {
    const route = planRoute(CATALOGUE, IRON, "forge");
    const picture = pictureSection(CATALOGUE, { piece: IRON, route, station: null, effort: "quick" });
    expect(picture.section.shape).toBe("wedge");
    expect(picture.columns).toBeGreaterThan(1);
  });
  it("of two ends each is decided at its own: a peen that is blunt, a face that is square", () => {
    const hammer: Piece = {
      ...FLAT,
      name: "Cross peen",
      kind: "hammer",
      form: "hammer",
      steel: "1060",
      use: "hammer-face",
      length_mm: 110,
      section: { shape: "square", side_mm: 28 },
      otherBevel: { edge_mm: 6, length_mm: 30, faces: "both" },
    };
    const route = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends", draws: "oven" } });
    // The last bath of the plan is for the other end, the one before it for the face.
    const { working, other } = predict(CATALOGUE, hammer, route, "quick");
    expect(working.place).toBe("edge");
    expect(other!.end).toBe("working");
    const square: Piece = { ...hammer };
    delete square.otherBevel;
    expect(predict(CATALOGUE, square, route, "quick").working.place).toBe("surface");
    expect(ofEnd(hammer, "other").bevel).toEqual(hammer.otherBevel);
    expect(mass_kg(hammer, formOf(hammer)) / mass_kg(square, formOf(square))).toBeCloseTo(1 - (15 * (1 - 6 / 28)) / 110, 6);
  });
});
