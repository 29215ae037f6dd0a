import { describe, expect, it } from "@jest/globals";
import { FIRE_EMISSIVITY, heatingCapacity_J_kgK, stepWarmUp, type WarmBody } from "../../src/heat/warmUp.js";
import { STEFAN_BOLTZMANN_W_m2K4 } from "../../src/constants.js";
import { STEEL_DENSITY_kg_m3 } from "../../src/heat/properties.js";

const HALF_m = 0.003;
const plate: WarmBody = { volume_m3: new Float64Array([HALF_m]), face_m2: new Float64Array([1]), joints: [] };
const all = new Float64Array([1]);

/**
 * Lumped body heated by radiation alone, constant properties: Incropera, DeWitt, Bergman and Lavine (2007), Fundamentals of heat and
 * mass transfer, eq. 5.18 (from memory), written for heating.
 */
function closedTime_s(capacity: number, from_K: number, to_K: number, fire_K: number): number {
  const at = (T: number): number => Math.log((fire_K + T) / (fire_K - T)) + 2 * Math.atan(T / fire_K);
  return (
    ((STEEL_DENSITY_kg_m3 * HALF_m * capacity) / (4 * FIRE_EMISSIVITY * STEFAN_BOLTZMANN_W_m2K4 * fire_K ** 3)) * (at(to_K) - at(from_K))
  );
}

describe("a body in a fire", () => {
  it("radiation alone, constant properties: within 2 C of the closed solution at 300, 600 and 850 C", () => {
    const fire = { fire_C: 950, convection_W_m2K: 0, inFireRatio: all };
    for (const to_C of [300, 600, 850]) {
      const wanted_s = closedTime_s(600, 298.15, to_C + 273.15, 950 + 273.15);
      const T = new Float64Array([25]);
      for (let t = 0; t < wanted_s; t += 0.5) stepWarmUp(plate, fire, T, Math.min(0.5, wanted_s - t), () => 600);
      expect(Math.abs(T[0]! - to_C)).toBeLessThan(2);
    }
  });
  it("heat capacity as EN 1993-1-2 prints it (from memory): 440 at 20 C, 606 at 400, 5000 at 735, 650 above 900", () => {
    expect(heatingCapacity_J_kgK(20)).toBeCloseTo(440, 0);
    expect(heatingCapacity_J_kgK(400)).toBeCloseTo(606, 0);
    expect(heatingCapacity_J_kgK(735)).toBeCloseTo(5000, 0);
    expect(heatingCapacity_J_kgK(950)).toBe(650);
  });
  it("what flows between two cells is lost by one and won by the other", () => {
    const pair: WarmBody = {
      volume_m3: new Float64Array([1e-6, 3e-6]),
      face_m2: new Float64Array([0, 0]),
      joints: [{ a: 0, b: 1, shape_m: 0.002 }],
    };
    const T = new Float64Array([700, 100]);
    const heat = (): number => 600 * STEEL_DENSITY_kg_m3 * (T[0]! * 1e-6 + T[1]! * 3e-6);
    const before = heat();
    for (let i = 0; i < 400; i++)
      stepWarmUp(pair, { fire_C: 20, convection_W_m2K: 0, inFireRatio: new Float64Array(2) }, T, 0.5, () => 600);
    expect(heat()).toBeCloseTo(before, 6);
    expect(Math.abs(T[0]! - T[1]!)).toBeLessThan(5);
  });
});
