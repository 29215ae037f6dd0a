import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { edgeFor, lookOver } from "../../src/plan/lookOver.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";

const looks = (piece: Piece) => lookOver(CATALOGUE, piece, formOf(piece), planRoute(CATALOGUE, piece, "forge"));
const withEdge = (edge_mm: number): Piece =>
  BILLHOOK.section.shape === "wedge" ? { ...BILLHOOK, section: { ...BILLHOOK.section, edge_mm } } : BILLHOOK;

describe("looked over before it is hardened", () => {
  it("cracks first, of every piece", () => {
    expect(looks(BILLHOOK)[0]).toBe("cracks");
  });
  it("an edge that is thin for its bath, and only that", () => {
    expect(looks(withEdge(1.2))).not.toContain("edge-thin");
    expect(looks(withEdge(0.5))).toContain("edge-thin");
  });
  it("water wants a thicker edge than oil", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge");
    const wet = { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? marked(step, { medium: "water" }) : step)) };
    expect(edgeFor(CATALOGUE, wet).leave_mm).toBeGreaterThan(edgeFor(CATALOGUE, route).leave_mm);
    expect(lookOver(CATALOGUE, withEdge(1), formOf(BILLHOOK), wet)).toContain("edge-thin");
  });
  it("a bar has no edge to be scratched across, and no way to point", () => {
    const bar: Piece = {
      name: "Bar",
      mark: "1",
      kind: "chisel",
      steel: "w1",
      use: "chisel",
      start: "normalised",
      length_mm: 200,
      section: { shape: "round", diameter_mm: 16 },
    };
    expect(looks(bar)).toEqual(expect.not.arrayContaining(["scratches-across", "which-way", "edge-thin"]));
  });
  it("clay where the plan has it, and an edge for water where the second bath is water", () => {
    const plan = planRoute(CATALOGUE, BILLHOOK, "forge");
    const quenched = (more: object) => ({ steps: plan.steps.map((step) => (step.kind === "quench" ? marked(step, more) : step)) });
    const clay = { clay: { thickness_mm: 3, from_mm: 20 } };
    expect(lookOver(CATALOGUE, BILLHOOK, formOf(BILLHOOK), quenched(clay))).toContain("clay");
    expect(looks(BILLHOOK)).not.toContain("clay");
    expect(edgeFor(CATALOGUE, quenched({ then: { after_s: 3, medium: "water" } }))).toEqual(
      edgeFor(CATALOGUE, quenched({ medium: "water" })),
    );
  });
});
