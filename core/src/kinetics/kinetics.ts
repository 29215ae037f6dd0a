/** The fitted constants with the tables made from them once: what every rate is read from. */

import { GAS_cal_molK, GAS_J_molK } from "../constants.js";
import { kineticsFile } from "../generated/data.js";
import type { KineticConstants } from "../schema/kinetics.js";
import { kelvin } from "../units.js";

/** Highest temperature of the decomposition tables, C: above every A3. */
export const LAST_C = 1000;
/** Highest temperature of the dissolution table, C. */
export const HOTTEST_C = 1350;

export interface Kinetics {
  readonly constants: KineticConstants;
  /** exp(Q / R T) of pearlite and of the slower alloy diffusion, and of bainite, at every degree from 0 to LAST_C. */
  readonly pearliteDelay: Float64Array;
  readonly alloyDelay: Float64Array;
  readonly bainiteDelay: Float64Array;
  /** exp(-Q / R T) of ferrite. */
  readonly ferriteSpeed: Float64Array;
  /** Speed of dissolution against 830 C, at every degree from 0 to HOTTEST_C. */
  readonly dissolutionSpeed: Float64Array;
}

/** Activation energies of ferrite and of diffusion held by chromium and molybdenum, cal/mol. @source kirkaldy1984 (from memory) */
const FERRITE_cal_mol = 23500;
const ALLOY_cal_mol = 37000;
/** Temperature the dissolution rate is quoted at, K. */
const QUOTED_K = 1103.15;

function everyDegree(last_C: number, f: (absolute_K: number) => number): Float64Array {
  return Float64Array.from({ length: last_C + 1 }, (_, T) => f(kelvin(T)));
}

export function makeKinetics(constants: KineticConstants): Kinetics {
  const boltzmann = (Q_cal_mol: number): Float64Array => everyDegree(LAST_C, (K) => Math.exp(Q_cal_mol / (GAS_cal_molK * K)));
  return {
    constants,
    pearliteDelay: boltzmann(constants.pearliteActivation_cal_mol),
    alloyDelay: boltzmann(ALLOY_cal_mol),
    bainiteDelay: boltzmann(constants.bainiteActivation_cal_mol),
    ferriteSpeed: boltzmann(-FERRITE_cal_mol),
    dissolutionSpeed: everyDegree(HOTTEST_C, (K) =>
      Math.exp((-constants.dissolutionActivation_J_mol / GAS_J_molK) * (1 / K - 1 / QUOTED_K)),
    ),
  };
}

/** As fitted. */
export const KINETICS = makeKinetics(kineticsFile.constants);

/** Value of a table with one entry a degree, linear between; held at its ends. */
export function atDegree(table: Float64Array, temperature_C: number): number {
  const last = table.length - 1;
  const T = temperature_C < 0 ? 0 : temperature_C > last ? last : temperature_C;
  const i = T >= last ? last - 1 : Math.floor(T);
  return table[i]! + (T - i) * (table[i + 1]! - table[i]!);
}
