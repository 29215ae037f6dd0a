/** Grain size of austenite as a number and as a look. */

/** ASTM grain size number of a mean intercept, um. @source astmE112 (from memory) */
export function astmGrainNumber(grain_um: number): number {
  return -6.6439 * Math.log10(grain_um / 1000) - 3.288;
}

/** Mean intercept of an ASTM grain size number, um. */
export function grainOfNumber_um(astmGrain: number): number {
  return 1000 * 10 ** (-(astmGrain + 3.288) / 6.6439);
}

export const FRACTURE_LOOKS = ["flour", "sand", "sugar"] as const;
/** What a broken hard piece looks like: fine as flour, like fine sand, coarse as sugar (common practice, no source). */
export type FractureLook = (typeof FRACTURE_LOOKS)[number];

/** ASTM 8 and finer breaks like flour, 6.5 to 8 like sand, coarser like sugar (judgement on common practice). */
export function fractureLook(astmGrain: number): FractureLook {
  return astmGrain >= 8 ? "flour" : astmGrain >= 6.5 ? "sand" : "sugar";
}
