import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { peakSpeed_W_m2K } from "../../src/heat/bathKind.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { harden } from "../../src/simulate/harden.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { BILLHOOK } from "../pieces.js";
import { intoOf } from "../../src/plan/dips.js";

const plain = CATALOGUE.steels.filter(({ bath }) => bath.oilTo_mm !== undefined);

function chance(steel: string, section: Piece["section"], medium = CATALOGUE.steel(steel)!.bath.medium): number {
  const piece = { ...BILLHOOK, kind: "other", use: "chisel", start: "as-forged", steel, section } as Piece;
  const oil = CATALOGUE.medium(medium)!;
  const plan = { ...hardenPlanOf(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge")), medium: oil, bath_C: oil.usualBath_C };
  return harden(plan, { members: 24, resolution: "coarse" }).chanceHard.surface;
}

describe("pinned: how thick a plain steel may be for its oil", () => {
  it.each(plain.map(({ id, bath }) => [id, bath.oilTo_mm!] as const))(
    "%s: by our own model, a fifth under it more often than not, a fifth over it not",
    (id, { flat, bar }) => {
      expect(chance(id, { shape: "plate", thickness_mm: 0.8 * flat })).toBeGreaterThan(0.5);
      expect(chance(id, { shape: "plate", thickness_mm: 1.2 * flat })).toBeLessThan(0.5);
      expect(chance(id, { shape: "round", diameter_mm: 0.8 * bar })).toBeGreaterThan(0.5);
      expect(chance(id, { shape: "round", diameter_mm: 1.2 * bar })).toBeLessThan(0.5);
    },
  );
  it("in a slower oil by as much less as that is slower: half the pieces harden within a fifth of there", () => {
    for (const { id, bath } of plain.filter(({ id }) => id === "1084" || id === "1095")) {
      for (const slower of ["vegetable-oil", "motor-oil"]) {
        const [usual, oil] = [CATALOGUE.medium(bath.medium)!, CATALOGUE.medium(slower)!];
        const limit_mm = (bath.oilTo_mm!.bar * peakSpeed_W_m2K(oil)) / peakSpeed_W_m2K(usual);
        expect(chance(id, { shape: "round", diameter_mm: 0.8 * limit_mm }, slower)).toBeGreaterThan(0.5);
        expect(chance(id, { shape: "round", diameter_mm: 1.2 * limit_mm }, slower)).toBeLessThan(0.5);
      }
    }
  });
  // Common practice, no source: 6 mm of 1084 in warm fast oil usually hardens, 6 mm of 1095 or W1 does not.
  it("6 mm of 1084 keeps its oil, 6 mm of 1095 goes into water, and alloyed steel never does", () => {
    const bathOf = (steel: string, thickness_mm: number): string => {
      const piece = { ...BILLHOOK, kind: "other", use: "knife", steel, section: { shape: "plate", thickness_mm } } as Piece;
      const quench = planRoute(CATALOGUE, piece, "forge").steps.find((step) => step.kind === "quench");
      return quench?.kind === "quench" ? intoOf(quench).medium : "none";
    };
    expect(bathOf("1084", 6)).toBe("fast-oil");
    expect(bathOf("1095", 6)).toBe("water");
    for (const steel of ["o1", "52100", "5160", "80crv2"]) expect(bathOf(steel, 40)).toMatch(/oil$/);
  });
});
