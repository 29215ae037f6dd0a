import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { betterBath } from "../../src/simulate/chooseBath.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { marked } from "../quenches.js";

describe("a better bath of the same kit", () => {
  const striker = { name: "Striker", mark: "1", kind: "striker", steel: "w1", use: "striker", start: "normalised", length_mm: 90 } as const;
  const thick = { ...striker, section: { shape: "plate", thickness_mm: 6 } } as const;
  const planIn = (medium: string) => {
    const route = planRoute(CATALOGUE, thick, "forge");
    const steps = route.steps.map((step) =>
      step.kind === "quench" ? marked(step, { medium, bath_C: CATALOGUE.medium(medium)!.usualBath_C }) : step,
    );
    return hardenPlanOf(CATALOGUE, thick, { ...route, steps });
  };
  it("is the tub of water for a striker planned into oil (common practice, no source: such a one is quenched in water)", () => {
    const { planned, baths, better } = betterBath(CATALOGUE, planIn("vegetable-oil"), ["vegetable-oil", "water"]);
    expect(planned.chanceHard).toBeLessThan(0.3);
    expect(baths.map(({ medium }) => medium)).toEqual(["water"]);
    expect(better).toBe(0);
    expect(baths[0]!.chanceHard).toBeGreaterThan(0.6);
  });
  it("is none where the planned one is the best, or the only one that is known", () => {
    expect(betterBath(CATALOGUE, planIn("water"), ["vegetable-oil", "water"]).better).toBeNull();
    expect(betterBath(CATALOGUE, planIn("vegetable-oil"), ["vegetable-oil", "no-such-bath"]).better).toBeNull();
  });
});
