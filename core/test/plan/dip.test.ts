/** The dip of toughness. @source temper-note 1.7: plain high carbon 230 to 370 C, spring steels 250 to 400 C, as tempers of an hour (from memory) */

import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { equivalentTemperature_C } from "../../src/kinetics/temper.js";
import { resolveSteel } from "../../src/plan/catalogue.js";
import { dipOf, dipOfRoute, temperedAround } from "../../src/plan/dip.js";
import { planRoute } from "../../src/plan/route.js";
import type { Step } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";

const steel = resolveSteel(CATALOGUE, "1084");
const input = { steel, holds_min: [120, 120], asQuenched_HRC: 64.5, use: { low_HRC: 52, high_HRC: 57 }, hottest_C: null };
const tempersOf = (steps: readonly Step[]) => steps.filter((step) => step.kind === "temper");

describe("the dip of toughness", () => {
  it("is none below it and none above it", () => {
    expect(dipOf(200, input)).toBeNull();
    expect(dipOf(420, input)).toBeNull();
  });
  it("has a cooler, harder way and a hotter, softer one, both clear of it", () => {
    const dip = dipOf(290, input)!;
    for (const way of [dip.cooler!, dip.hotter!]) {
      const is_C = equivalentTemperature_C(
        input.holds_min.map((hold_min) => ({ temperature_C: way.temperature_C, hold_min })),
        steel.temper.carbonInSolution_wtpct,
      );
      expect(is_C < dip.from_C || is_C > dip.to_C).toBe(true);
      expect(way.isInUse).toBe(false);
    }
    expect(dip.cooler!.hardness_HRC).toBeGreaterThan(57.5);
    expect(dip.hotter!.hardness_HRC).toBeLessThan(51.5);
  });
  it("has no hotter way in an oven that ends before it", () => {
    expect(dipOf(290, { ...input, hottest_C: 260 })!.hotter).toBeNull();
  });
  it("a plan keeps out of it where its use is content: a knife of plain steel", () => {
    const route = planRoute(CATALOGUE, { ...BILLHOOK, steel: "1084", use: "knife" }, "kiln");
    const [first] = tempersOf(route.steps);
    expect(first).toMatchObject({ why: "clear-of-dip" });
    expect(dipOf(first!.temperature_C, input)).toBeNull();
  });
  it("a plan that cannot is told both ways; taking one leads out of it", () => {
    const piece = { ...BILLHOOK, steel: "1084", use: "sickle" };
    const route = planRoute(CATALOGUE, piece, "kiln");
    const before = predict(CATALOGUE, piece, route, "quick");
    expect(before.isEmbrittled).toBe(true);
    const dip = dipOfRoute(route, { ...input, asQuenched_HRC: before.working.asQuenched.mean_HRC })!;
    for (const way of [dip.cooler!, dip.hotter!]) {
      const after = predict(CATALOGUE, piece, temperedAround(route, way.temperature_C), "quick");
      expect(after.isEmbrittled).toBe(false);
      expect(Math.abs(after.working.tempered.mean_HRC - way.hardness_HRC)).toBeLessThan(1);
    }
  });
  it("tempers at several heats were somebody's own: nothing is said", () => {
    const route = planRoute(CATALOGUE, { ...BILLHOOK, use: "sickle" }, "kiln");
    const steps = route.steps.map((step, i) =>
      i === route.steps.length - 1 && step.kind === "temper" ? { ...step, temperature_C: 250 } : step,
    );
    expect(dipOfRoute({ ...route, steps }, input)).toBeNull();
  });
});
