/** How fast austenite becomes ferrite, pearlite and bainite at a temperature, tabulated for one composition in solution. */

import { GAS_cal_molK } from "../constants.js";
import { kelvin } from "../units.js";
import { a3_C, ac1_C, ferriteLimit, type Composition } from "./composition.js";
import { bainiteHardness_HV, ferriteHardness_HV, pearliteHardness_HV } from "./hardness.js";
import { martensiteStart_C } from "./martensite.js";

/** Rates, limits and hardness of what forms, one entry a degree from 0 to `LAST_C`. Rates in reduced time a second. */
export interface DecompositionTable {
  readonly ac1_C: number;
  readonly a3_C: number;
  readonly bainiteStart_C: number;
  readonly martensiteStart_C: number;
  readonly pearlite_1_s: Float64Array;
  readonly ferrite_1_s: Float64Array;
  readonly bainite_1_s: Float64Array;
  readonly ferriteLimit: Float64Array;
  readonly pearlite_HV: Float64Array;
  readonly bainite_HV: Float64Array;
  readonly ferrite_HV: number;
}

export const LAST_C = 1000;

/** Grain, alloy and driving force of the three changes. Exponents and scales calibrated: hardening-note section 5. */
export interface DecompositionInput {
  /** Composition in solution, wt%. */
  readonly solution_wtpct: Composition;
  readonly astmGrain: number;
  /** Undissolved carbide that helps pearlite to begin, 1/um. */
  readonly nucleation_1_um?: number;
  /** Vanadium counts as in the bar, not as in solution. */
  readonly barVanadium_wtpct?: number;
  /** Multiplies all three rates: 1 as calibrated; the ensemble varies it. */
  readonly rateRatio?: number;
}

/** @source li1998 (from memory) */
export function bainiteStart_C({ C, Mn, Ni, Cr, Mo }: Composition): number {
  return 637 - 58 * C - 35 * Mn - 15 * Ni - 34 * Cr - 41 * Mo;
}

/**
 * Rates of pearlite, ferrite and bainite, 1/s of reduced time (extent.ts), at one temperature.
 * @source kirkaldy1984 (form, from memory); coefficients calibrated: hardening-note section 5
 */
function makeRates({ solution_wtpct: x, astmGrain, nucleation_1_um = 0, barVanadium_wtpct, rateRatio = 1 }: DecompositionInput) {
  const { C, Mn, Si, Cr, Ni, Mo, W } = x;
  const V = barVanadium_wtpct ?? x.V;
  const grain = (exponent: number): number => 2 ** 2.5 * 2 ** (exponent * (astmGrain - 6)) * rateRatio;
  const [gP, gF, gB] = [grain(0.26), grain(0.41), grain(0.29)];
  const alloyP =
    1.2 *
    (1.79 + 8 * (Cr + Mo + 4 * Mo * Ni)) *
    Math.exp(1.2 * (Mn - 0.75) + 3.5 * V + 0.5 * Ni + (Si - 0.22) + 0.6 * W + (Math.min(C, 0.8) - 0.8));
  const alloyF = (59.6 * Mn + 1.45 * Ni + 67.7 * Cr + 244 * Mo) * Math.exp(3.5 * V + (Si - 0.22));
  const alloyB = 2.1e-4 * (2.34 + 10.1 * C + 3.8 * Cr + 19 * Mo) * Math.exp(0.7 * Mn + 0.6 * (Si - 0.22) + 0.55 * Ni + 0.3 * W);
  const [Ac1, A3, Bs, Ms] = [ac1_C(x), a3_C(x), bainiteStart_C(x), martensiteStart_C(x)];
  const boltzmann = (Q_cal: number, TK: number): number => Math.exp(Q_cal / (GAS_cal_molK * TK));
  return {
    pearlite_1_s: (T: number): number => {
      if (T >= Ac1 || T <= Ms - 50) return 0;
      const inverseDiffusion = boltzmann(27500, kelvin(T)) + (0.01 * Cr + 0.52 * Mo) * boltzmann(37000, kelvin(T));
      return (gP * (1 + 3.5 * nucleation_1_um) * (Ac1 - T) ** 3) / (inverseDiffusion * alloyP);
    },
    ferrite_1_s: (T: number): number => (T >= A3 || alloyF <= 0 ? 0 : (gF * (A3 - T) ** 3 * boltzmann(-23500, kelvin(T))) / alloyF),
    bainite_1_s: (T: number): number => (T >= Bs ? 0 : (gB * (Bs - T) ** 2 * boltzmann(-27500, kelvin(T))) / alloyB),
  };
}

/** Rates for every degree. A few milliseconds; made once for each austenite. */
export function decompositionTable(input: DecompositionInput): DecompositionTable {
  const x = input.solution_wtpct;
  const rates = makeRates(input);
  const each = (f: (temperature_C: number) => number): Float64Array => Float64Array.from({ length: LAST_C + 1 }, (_, T) => f(T));
  return {
    ac1_C: ac1_C(x),
    a3_C: a3_C(x),
    bainiteStart_C: bainiteStart_C(x),
    martensiteStart_C: martensiteStart_C(x),
    pearlite_1_s: each(rates.pearlite_1_s),
    ferrite_1_s: each(rates.ferrite_1_s),
    bainite_1_s: each(rates.bainite_1_s),
    ferriteLimit: each((T) => ferriteLimit(x, T)),
    pearlite_HV: each((T) => pearliteHardness_HV(x, T)),
    bainite_HV: each((T) => bainiteHardness_HV(x, T)),
    ferrite_HV: ferriteHardness_HV(x),
  };
}
