/** Grain size of austenite as a number and as a look. */

import { clamp } from "../numerics/interpolate.js";
import { BREAK_LOOKS, type BreakLook } from "../schema/book.js";

/** ASTM grain size number of a mean intercept, um. @source astmE112 (from memory) */
export function astmGrainNumber(grain_um: number): number {
  return -6.6439 * Math.log10(grain_um / 1000) - 3.288;
}

/** Mean intercept of an ASTM grain size number, um. */
export function grainOfNumber_um(astmGrain: number): number {
  return 1000 * 10 ** (-(astmGrain + 3.288) / 6.6439);
}

/**
 * ASTM grain size number a look stands for. The numbers of fracture standards agree with those of grain size.
 * @source shepherd1934 (from memory); which five, and where one goes over into the next: judgement
 */
export const BREAK_ASTM: Readonly<Record<BreakLook, number>> = { 1: 3.5, 2: 5.5, 3: 7.25, 4: 9, 5: 11 };
/** Eye and model together are off by so many numbers, one deviation; one look in so many is of something else (judgement). */
const BREAK_SD = 1.5;
const BREAK_SLIP = 0.002;

/**
 * How well a grain by the model explains a look, 0 ... 1: nothing tells finer than the finest, or coarser than the coarsest, apart.
 * @source shepherd1934 (from memory) for the numbers; spread and slip judgement
 */
export function breakSays(look: BreakLook, astmGrain: number): number {
  const least = BREAK_ASTM[BREAK_LOOKS[0]];
  const most = BREAK_ASTM[BREAK_LOOKS[BREAK_LOOKS.length - 1]!];
  const off = (clamp(astmGrain, least, most) - BREAK_ASTM[look]) / BREAK_SD;
  return BREAK_SLIP + (1 - BREAK_SLIP) * Math.exp(-0.5 * off * off);
}

export const FRACTURE_LOOKS = ["flour", "sand", "sugar"] as const;
/** What a broken hard piece looks like: fine as flour, like fine sand, coarse as sugar (common practice, no source). */
export type FractureLook = (typeof FRACTURE_LOOKS)[number];

/** ASTM 8 and finer breaks like flour, 6.5 to 8 like sand, coarser like sugar (judgement on common practice). */
export function fractureLook(astmGrain: number): FractureLook {
  return astmGrain >= 8 ? "flour" : astmGrain >= 6.5 ? "sand" : "sugar";
}
