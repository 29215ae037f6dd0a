/** Martensite: where it begins, how much there is, and where it is nine tenths done. */

import { requireRange } from "../errors.js";
import type { Composition } from "./composition.js";

/**
 * Martensite start of austenite of a composition, C.
 *
 *     Ms = 565 - 31 Mn - 13 Si - 10 Cr - 18 Ni - 12 Mo - 600 (1 - exp(-0.96 C))
 *
 * @source vanBohemen2012, eq. for Ms (from memory)
 * @error test/kinetics/temperatures.test.ts: within 35 C of published values for 12 compositions
 */
export function martensiteStart_C({ C, Mn, Si, Cr, Ni, Mo }: Composition): number {
  return 565 - 31 * Mn - 13 * Si - 10 * Cr - 18 * Ni - 12 * Mo + 600 * Math.expm1(-0.96 * C);
}

/** Change of the martensite start when the carbon of the austenite goes from one value to another, K (below 0 for richer). */
export function startDrop_K(from_wtpct: number, to_wtpct: number): number {
  return 600 * (Math.exp(-0.96 * to_wtpct) - Math.exp(-0.96 * from_wtpct));
}

/**
 * Rate constant of the martensite equation, 1/K.
 * @source vanBohemen2012 (from memory)
 */
export function martensiteRate_1_K({ C, Mn, Si, Cr, Ni, Mo }: Composition): number {
  return 1e-3 * (27.2 - (0.14 * Mn + 0.21 * Si + 0.11 * Cr + 0.08 * Ni + 0.05 * Mo) + 19.8 * Math.expm1(-1.56 * C));
}

export interface MartensiteInput {
  readonly temperature_C: number;
  readonly martensiteStart_C: number;
  readonly rate_1_K: number;
}

/**
 * Fraction of the austenite present at Ms that is martensite at T, on continuous cooling.
 *
 *     f = 1 - exp(-k (Ms - T))   for T < Ms, else 0
 *
 * | symbol | argument          | unit | range accepted |
 * | T      | temperature_C     | C    | -273 ... 1500  |
 * | Ms     | martensiteStart_C | C    | -273 ... 700   |
 * | k      | rate_1_K          | 1/K  | 1e-4 ... 0.1   |
 *
 * @returns fraction, 0 ... 1; does not fall as T falls.
 * @throws InputError outside "range accepted".
 * @source koistinen1959, eq. 1 (from memory), with k by vanBohemen2012
 */
export function martensiteFraction({ temperature_C: T, martensiteStart_C: Ms, rate_1_K: k }: MartensiteInput): number {
  requireRange("/temperature_C", T, -273, 1500);
  requireRange("/martensiteStart_C", Ms, -273, 700);
  requireRange("/rate_1_K", k, 1e-4, 0.1);
  return T < Ms ? -Math.expm1(-k * (Ms - T)) : 0;
}

/** Where nine tenths of the austenite have become martensite, C: the Mf a smith is shown. Often below room temperature. */
export function martensiteNineTenths_C(steel: Composition): number {
  return martensiteStart_C(steel) - Math.LN10 / martensiteRate_1_K(steel);
}
