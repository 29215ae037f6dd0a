/** A body of lumped cells in a fire: radiation and moving gas on their faces, conduction between neighbours. */

import { STEFAN_BOLTZMANN_W_m2K4 } from "../constants.js";
import { kelvin } from "../units.js";
import { STEEL_DENSITY_kg_m3 } from "./properties.js";

/** Scale and sooted brick see each other well (judgement). */
export const FIRE_EMISSIVITY = 0.8;

/**
 * Heat that a kilogram of steel takes up on heating, J/(kg K), with that of the change in its peak at 735 C.
 * @source en1993-1-2 section 3.4.1.2
 */
export function heatingCapacity_J_kgK(temperature_C: number): number {
  const T = temperature_C;
  if (T < 600) return 425 + 0.773 * T - 1.69e-3 * T * T + 2.22e-6 * T * T * T;
  if (T < 735) return 666 + 13002 / (738 - T);
  if (T < 900) return 545 + 17820 / (T - 731);
  return 650;
}

/** Conductivity on heating, W/(m K). @source en1993-1-2 section 3.4.1.3 */
export function heatingConductivity_W_mK(temperature_C: number): number {
  return temperature_C < 800 ? 54 - 0.0333 * temperature_C : 27.3;
}

/** Cells with their volume and face, and pairs of them with the shape factor (area over distance) between. */
export interface WarmBody {
  readonly volume_m3: Float64Array;
  readonly face_m2: Float64Array;
  readonly joints: readonly { readonly a: number; readonly b: number; readonly shape_m: number }[];
}

/** What each cell sees: the fire for this share of the time, the shop's air for the rest. */
export interface Fire {
  readonly fire_C: number;
  readonly convection_W_m2K: number;
  /** 0 ... 1 for each cell. */
  readonly inFireRatio: Float64Array;
}

const AIR_C = 25;
const AIR_CONVECTION_W_m2K = 12;

function flux_W_m2(T: number, surroundings_C: number, convection_W_m2K: number): number {
  const [Ts, Tb] = [kelvin(T), kelvin(surroundings_C)];
  return FIRE_EMISSIVITY * STEFAN_BOLTZMANN_W_m2K4 * (Tb ** 4 - Ts ** 4) + convection_W_m2K * (surroundings_C - T);
}

/** Of the smaller cell's heat, over one joint in one step: four of them stay under one. */
const MOST_SHARE = 0.2;

/**
 * One step in time, in place. Steps of half a second are stable for steel of half a millimetre and more.
 * @param capacity_J_kgK replaced in tests by a constant, to be compared with the closed solution.
 * @error test/heat/warmUp.test.ts: within 2 C of the closed solution for radiation alone
 */
export function stepWarmUp(
  body: WarmBody,
  fire: Fire,
  temperature_C: Float64Array,
  step_s: number,
  capacity_J_kgK: (temperature_C: number) => number = heatingCapacity_J_kgK,
): void {
  const { volume_m3, face_m2, joints } = body;
  const heat_J = new Float64Array(temperature_C.length);
  for (let i = 0; i < temperature_C.length; i++) {
    const T = temperature_C[i]!;
    const share = fire.inFireRatio[i]!;
    const inside = share > 0 ? share * flux_W_m2(T, fire.fire_C, fire.convection_W_m2K) : 0;
    const outside = share < 1 ? (1 - share) * flux_W_m2(T, AIR_C, AIR_CONVECTION_W_m2K) : 0;
    heat_J[i] = face_m2[i]! * (inside + outside) * step_s;
  }
  const capacity_J_K = temperature_C.map((T, i) => STEEL_DENSITY_kg_m3 * volume_m3[i]! * capacity_J_kgK(T));
  for (const { a, b, shape_m } of joints) {
    const k = heatingConductivity_W_mK(0.5 * (temperature_C[a]! + temperature_C[b]!));
    // Small cells side by side even out within a step: more than this share would overshoot.
    const exchanged_J_K = Math.min(k * shape_m * step_s, MOST_SHARE * Math.min(capacity_J_K[a]!, capacity_J_K[b]!));
    const flow_J = exchanged_J_K * (temperature_C[a]! - temperature_C[b]!);
    heat_J[a]! -= flow_J;
    heat_J[b]! += flow_J;
  }
  for (let i = 0; i < temperature_C.length; i++) temperature_C[i]! += heat_J[i]! / capacity_J_K[i]!;
}
