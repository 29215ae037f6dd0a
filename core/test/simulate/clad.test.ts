import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece, Route } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { pictureSection } from "../../src/simulate/sectionPicture.js";
import { marked } from "../quenches.js";

const BARE: Piece = {
  name: "Hoof knife",
  mark: "1",
  kind: "knife",
  steel: "1095",
  start: "as-forged",
  use: "knife",
  length_mm: 220,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 0.8, height_mm: 30 },
};
const CLAD: Piece = { ...BARE, cladding: { material: "stainless", core_mm: 1.6 } };
const inOil = (piece: Piece, medium: string): Route => {
  const route = planRoute(CATALOGUE, piece, "forge");
  return { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? marked(step, { medium, bath_C: 50 }) : step)) };
};

describe("a clad blade", () => {
  it("goes into a faster oil than its core asks for bare, with that as the reason", () => {
    const slower: Piece = { ...BARE, steel: "o1" };
    const bathOf = (piece: Piece) => planRoute(CATALOGUE, piece, "forge").steps.find((step) => step.kind === "quench")!;
    expect(bathOf(slower)).toMatchObject({ dips: [{ into: { medium: "medium-oil" } }] });
    expect(bathOf({ ...slower, cladding: CLAD.cladding! })).toMatchObject({ dips: [{ into: { medium: "fast-oil" } }], why: "clad-core" });
  });
  // Trade fact, common practice, no source: stainless on the core slows it.
  it("its core under the cladding is cooled more slowly: in a slow oil it is softer at the spine than one steel of that thickness", () => {
    const spine = (piece: Piece): number => predict(CATALOGUE, piece, inOil(piece, "slow-oil"), "quick").thickest.asQuenched.mean_HRC;
    const edge = (piece: Piece): number => predict(CATALOGUE, piece, inOil(piece, "slow-oil"), "quick").working.asQuenched.mean_HRC;
    expect(spine(CLAD)).not.toBe(spine(BARE));
    // The bare edge is core alone, and hardly feels it.
    expect(Math.abs(edge(CLAD) - edge(BARE))).toBeLessThan(Math.abs(spine(CLAD) - spine(BARE)) + 1);
  });
  it("in the picture its faces stay soft, before the temper and after it, and have no martensite; its core is hard", () => {
    const picture = pictureSection(CATALOGUE, { piece: CLAD, route: inOil(CLAD, "fast-oil"), station: null, effort: "quick" });
    const { isCladding, asQuenched_HRC, tempered_HRC, martensite, columns, nodes } = picture;
    expect(isCladding).not.toBeNull();
    const outer = (columns - 1) * nodes + nodes - 1;
    expect(isCladding![outer]).toBe(1);
    expect(isCladding![0]).toBe(0);
    expect(asQuenched_HRC[outer]).toBeLessThan(20);
    expect(tempered_HRC[outer]).toBe(asQuenched_HRC[outer]);
    expect(martensite[outer]).toBe(0);
    expect(asQuenched_HRC[0]).toBeGreaterThan(58);
    expect(
      pictureSection(CATALOGUE, { piece: BARE, route: inOil(BARE, "fast-oil"), station: null, effort: "quick" }).isCladding,
    ).toBeNull();
  });
  it("nothing is ground off its faces: that would be its cladding", () => {
    const route = inOil(CLAD, "fast-oil");
    expect(predict(CATALOGUE, BARE, route, "quick").grindOff_mm).toBeGreaterThan(0.05);
    expect(predict(CATALOGUE, CLAD, route, "quick").grindOff_mm).toBe(0);
  });
  it("where the blade is no thicker than its core it is one steel, and a bar has none", () => {
    const thin: Piece = { ...CLAD, section: { shape: "wedge", spine_mm: 1.5, edge_mm: 0.5, height_mm: 20 } };
    expect(hardenPlanOf(CATALOGUE, thin, planRoute(CATALOGUE, thin, "forge")).cladding).toBeUndefined();
    const bar: Piece = { ...CLAD, section: { shape: "round", diameter_mm: 12 } };
    expect(() => predict(CATALOGUE, bar, planRoute(CATALOGUE, bar, "forge"), "quick")).not.toThrow();
  });
});
