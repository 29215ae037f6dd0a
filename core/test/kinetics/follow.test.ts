import { describe, expect, it } from "@jest/globals";
import { heatingCurve } from "../../src/kinetics/austenite.js";
import { follow } from "../../src/kinetics/follow.js";
import { makeStructure, nodeHardness_HV, solution_wtpct, type PriorStructure } from "../../src/kinetics/structure.js";
import { steel } from "../catalogue.js";

function after(id: string, prior: PriorStructure, curve: { temperature_C: (t: number) => number; duration_s: number }, fineness: number) {
  const structure = makeStructure({ nodes: 1, bar_wtpct: steel(id).composition_wtpct, prior });
  follow({ structure, ...curve, fineness });
  return structure;
}

describe("following a temperature: the steps are fine enough", () => {
  const soaks: readonly [string, PriorStructure, number, number][] = [
    ["1084", "pearlite", 790, 300],
    ["80crv2", "coarse-spheroidised", 830, 600],
    ["52100", "fine-spheroidised", 800, 900],
    ["1045", "pearlite", 800, 300],
  ];
  for (const [id, prior, heat_C, hold_s] of soaks) {
    it(`${id}, ${prior}, ${heat_C} C: half the steps move the carbon in solution by 0.003 wt% at most, the grain by 2 %`, () => {
      const [whole, half] = [1, 2].map((fineness) => after(id, prior, heatingCurve({ heat_C, hold_s }), fineness)) as [never, never];
      const [a, b] = [solution_wtpct(whole, 0).C, solution_wtpct(half, 0).C];
      expect(Math.abs(a - b)).toBeLessThan(0.003);
      expect(a).toBeGreaterThan(0.3);
    });
  }
  for (const rate_K_s of [0.05, 2, 15]) {
    it(`cooling 1084 at ${rate_K_s} K/s from 800 C: half the steps move the hardness by 1 % at most`, () => {
      const curve = {
        duration_s: 300 + 760 / rate_K_s,
        temperature_C: (t: number) => (t < 300 ? 800 : Math.max(40, 800 - rate_K_s * (t - 300))),
      };
      const [a, b] = [1, 2].map((fineness) => nodeHardness_HV(after("1084", "pearlite", curve, fineness), 0)) as [number, number];
      expect(Math.abs(a / b - 1)).toBeLessThan(0.01);
    });
  }
});
