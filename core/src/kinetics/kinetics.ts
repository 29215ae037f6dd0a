/** The fitted constants with the tables made from them once: what every rate is read from. */

import { GAS_cal_molK, GAS_J_molK } from "../constants.js";
import { kineticsFile } from "../generated/data.js";
import type { KineticConstants } from "../schema/kinetics.js";
import { monotoneCubic } from "../numerics/interpolate.js";
import { degreeTable } from "../numerics/degreeTable.js";
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
  /** Driving force of pearlite at every degree of undercooling: a power, in K cubed, the cube itself at PEARLITE_FORCE_PIVOT_K. */
  readonly pearliteForce: Float64Array;
  /** Fresh martensite at every hundredth of a per cent of carbon from 0 to 1.2, HV. */
  readonly martensite_HV: Float64Array;
  /** exp(-Q / R T) of ferrite. */
  readonly ferriteSpeed: Float64Array;
  /** The four side by side, in this order, for loops over nodes. */
  readonly rates: Float64Array;
  /** Speed of dissolution against 830 C, at every degree from 0 to HOTTEST_C. */
  readonly dissolutionSpeed: Float64Array;
}

/** Activation energies of ferrite and of diffusion held by chromium and molybdenum, cal/mol. @source kirkaldy1984 (from memory) */
const FERRITE_cal_mol = 23500;
const ALLOY_cal_mol = 37000;
/** Undercooling at which the exponent of pearlite turns, K: its rate there is that of the cube. */
const PEARLITE_FORCE_PIVOT_K = 130;

/** Temperature the dissolution rate is quoted at, K. */
const QUOTED_K = 1103.15;

function everyDegree(last_C: number, f: (absolute_K: number) => number): Float64Array {
  return degreeTable(last_C, (T) => f(kelvin(T)));
}

const HUNDREDTHS = 120;

/** Smooth through the published line up to 0.3 % carbon and the fitted knots above. @source astmA255 (below 0.3 %, from memory) */
function martensiteLine_HV(k: KineticConstants): Float64Array {
  const line = monotoneCubic(
    [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2],
    [
      200,
      376,
      437,
      517,
      k.martensite40_HV,
      k.martensite50_HV,
      k.martensite60_HV,
      k.martensite80_HV,
      k.martensite80_HV + 45,
      k.martensite80_HV + 60,
    ],
  );
  return Float64Array.from({ length: HUNDREDTHS + 1 }, (_, i) => line(i / 100));
}

export function makeKinetics(constants: KineticConstants): Kinetics {
  const boltzmann = (Q_cal_mol: number): Float64Array => everyDegree(LAST_C, (K) => Math.exp(Q_cal_mol / (GAS_cal_molK * K)));
  const pearliteDelay = boltzmann(constants.pearliteActivation_cal_mol);
  const alloyDelay = boltzmann(ALLOY_cal_mol);
  const bainiteDelay = boltzmann(constants.bainiteActivation_cal_mol);
  const ferriteSpeed = boltzmann(-FERRITE_cal_mol);
  const rates = new Float64Array(4 * (LAST_C + 1));
  [pearliteDelay, alloyDelay, bainiteDelay, ferriteSpeed].forEach((table, k) => table.forEach((value, T) => (rates[4 * T + k] = value)));
  return {
    constants,
    pearliteDelay,
    alloyDelay,
    bainiteDelay,
    ferriteSpeed,
    rates,
    pearliteForce: degreeTable(LAST_C, (below) => below ** 3 * (below / PEARLITE_FORCE_PIVOT_K) ** (constants.pearliteExponent - 3)),
    martensite_HV: martensiteLine_HV(constants),
    dissolutionSpeed: everyDegree(HOTTEST_C, (K) =>
      Math.exp((-constants.dissolutionActivation_J_mol / GAS_J_molK) * (1 / K - 1 / QUOTED_K)),
    ),
  };
}

/** As fitted. */
export const KINETICS = makeKinetics(kineticsFile.constants);
