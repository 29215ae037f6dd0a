import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, FORMS } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";

/** A steel a smith would take for each kind of piece (common practice, no source). */
const USUAL_STEEL: Readonly<Record<string, string>> = {
  knife: "1084",
  hook: "1075",
  drawknife: "o1",
  froe: "5160",
  chisel: "w1",
  punch: "w1",
  hammer: "1045",
  axe: "1060",
  sword: "6150",
  striker: "1095",
  spring: "9260",
  coupon: "80crv2",
  other: "15n20",
};

describe("every form, of a usual steel, at its usual size: a whole prediction that makes sense", () => {
  for (const form of FORMS) {
    it(form.id, () => {
      const piece: Piece = {
        name: form.name,
        mark: "1",
        kind: form.kind,
        form: form.id,
        steel: USUAL_STEEL[form.kind]!,
        start: "as-forged",
        use: form.use,
        length_mm: form.usualLength_mm,
        section: form.usualSection,
      };
      const { working, thickest, target, profile, failChance, chanceInTarget, spread, transformations } = predict(
        CATALOGUE,
        piece,
        planRoute(CATALOGUE, piece, "forge"),
      );
      for (const { asQuenched, tempered } of [working, thickest]) {
        expect(asQuenched.mean_HRC).toBeGreaterThan(5);
        expect(asQuenched.mean_HRC).toBeLessThan(68);
        expect(tempered.mean_HRC).toBeLessThanOrEqual(asQuenched.mean_HRC + 1e-9);
        expect(tempered.p05_HRC).toBeLessThan(tempered.p95_HRC);
      }
      for (const chance of [failChance, chanceInTarget]) {
        expect(chance).toBeGreaterThanOrEqual(0);
        expect(chance).toBeLessThanOrEqual(1);
      }
      // A use that wants more than the steel has is tempered at the least; otherwise the plan aims into the range, within its spread.
      expect(working.tempered.p05_HRC).toBeLessThan(target.high_HRC + 1);
      expect(profile.every(({ tempered_HRC, hardness_HRC }) => tempered_HRC <= hardness_HRC + 1e-6)).toBe(true);
      expect(spread.every(({ sd_HRC }) => sd_HRC >= 0)).toBe(true);
      expect(transformations.ms_C).toBeGreaterThan(100);
    });
  }
});
