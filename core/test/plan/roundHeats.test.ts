import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, roundHeat_C, type Kit, type Piece, type Step } from "../../src/index.js";
import { fahrenheitDifferenceFromCelsius, fahrenheitFromCelsius } from "../../src/units.js";
import { intoOf } from "../../src/plan/dips.js";

const KNIFE: Piece = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  form: "knife",
  steel: "1084",
  start: "as-forged",
  use: "slicer",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 },
};
/** Every heat of a plan but a colour's. */
const heats_C = (steps: readonly Step[]): number[] =>
  steps.flatMap((step) => {
    if (step.kind === "run") return [];
    if (step.kind === "quench") return [intoOf(step).bath_C];
    return [step.temperature_C, ...(step.kind === "harden" && step.fallTo_C !== undefined ? [step.fallTo_C] : [])];
  });

describe("a plan for a shop that thinks in Fahrenheit", () => {
  it.each(CATALOGUE.steels.map(({ id }) => id))("%s: every heat is a whole ten, within 3 K of the Celsius plan's", (steel) => {
    for (const school of ["forge", "kiln", "magnet", "falling"] as const) {
      const [plain, round] = (["C", "F"] as const).map((unit) =>
        heats_C(planRoute(CATALOGUE, { ...KNIFE, steel }, school, { unit }).steps),
      );
      expect(round!.map((C) => Math.abs(fahrenheitFromCelsius(C) / 10 - Math.round(fahrenheitFromCelsius(C) / 10)) < 1e-9)).not.toContain(
        false,
      );
      expect(Math.max(...round!.map((C, i) => Math.abs(C - plain![i]!)))).toBeLessThanOrEqual(3);
    }
  });
  it("400, 1500 and 1650, not 401, 1499 and 1652 (205, 815 and 900 C)", () => {
    expect([205, 815, 900].map((C) => fahrenheitFromCelsius(roundHeat_C(C, "F"))).map((F) => Math.round(1e6 * F) / 1e6)).toEqual([
      400, 1500, 1650,
    ]);
    expect([205, 815, 900].map((C) => roundHeat_C(C, "C"))).toEqual([205, 815, 900]);
  });
  it("never above the end of its oven, and 600 an hour is 600", () => {
    const kit: Kit = [
      {
        id: "f",
        kind: "forge",
        name: "Forge",
        fuel: "gas",
        isOpenEnded: true,
        burners: 1,
        chamber_C: 1000,
        atmosphere: "rich",
        ambient_lux: 20,
        length_mm: 500,
        width_mm: 120,
        height_mm: 120,
      },
      {
        id: "o",
        kind: "oven",
        name: "Oven",
        limit_C: 173,
        offset_C: 0,
        swing_C: 5,
        settle_min: 20,
        length_mm: 400,
        width_mm: 300,
        height_mm: 300,
      },
    ];
    const tempers = planRoute(CATALOGUE, KNIFE, "forge", { unit: "F", kit }).steps.flatMap((step) =>
      step.kind === "temper" ? [step.temperature_C] : [],
    );
    expect(tempers.length).toBeGreaterThan(0);
    for (const C of tempers) expect(C).toBeLessThanOrEqual(173);
  });
  it("a rate of cooling is a whole fifty an hour", async () => {
    const { roundSteps } = await import("../../src/plan/roundHeats.js");
    const { annealStep } = await import("../../src/index.js");
    const [step] = roundSteps([annealStep({ ...(await import("../../src/index.js")).resolveSteel(CATALOGUE, "1084") }, null)], "F", {
      heat_C: null,
      temper_C: null,
    });
    expect(step?.kind === "anneal" ? fahrenheitDifferenceFromCelsius(step.rate_C_h) : NaN).toBeCloseTo(600, 9);
  });
});
