import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { boilingAt, boilingOn } from "../../src/heat/boiling.js";
import { predict } from "../../src/simulate/predict.js";
import { planRoute } from "../../src/plan/route.js";

const medium = (id: string) => CATALOGUE.medium(id);

describe("a liquid on hot steel", () => {
  // Three stages of a liquid quench in their order: vapour blanket, boiling, quiet (ISO 9950 probe curves; any textbook of quenching).
  it("lies off it in its vapour, then boils, then is quiet", () => {
    for (const id of ["fast-oil", "medium-oil", "water"]) {
      const stages = [850, 500, 60].map((T) => boilingOn(medium(id), T)!);
      expect(stages[0]!.jacket).toBeGreaterThan(0.8);
      expect(stages.map(({ isBoiling }) => isBoiling)).toEqual([true, true, false]);
      expect(stages[2]!.jacket).toBe(0);
    }
  });
  it("air does not boil", () => expect(boilingOn(medium("still-air"), 800)).toBeNull());
  it("on a blade in oil the jacket only ever breaks up, and the boiling ends once", () => {
    const piece = {
      name: "Blade",
      mark: "1",
      kind: "knife",
      steel: "1084",
      start: "normalised",
      use: "knife",
      length_mm: 200,
      section: { shape: "plate", thickness_mm: 5 },
    } as const;
    const { curve } = predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"), "quick").hardening;
    const seen = Array.from({ length: 40 }, (_, i) => boilingAt(medium("fast-oil"), curve, 2 + i)!);
    for (let i = 1; i < seen.length; i++) {
      expect(seen[i]!.jacket).toBeLessThanOrEqual(seen[i - 1]!.jacket);
      expect(Number(seen[i]!.isBoiling)).toBeLessThanOrEqual(Number(seen[i - 1]!.isBoiling));
    }
    // In warm oil a blade stops smoking and bubbling within some ten seconds, not at once and not in a minute (common practice, no source).
    const quiet_s = 2 + seen.findIndex(({ isBoiling }) => !isBoiling);
    expect(quiet_s).toBeGreaterThan(4);
    expect(quiet_s).toBeLessThan(20);
  });
});
