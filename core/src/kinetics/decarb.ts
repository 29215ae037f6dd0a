/** The soft skin that fire leaves: carbon lost from the surface while the steel is austenite. */

import { GAS_J_molK } from "../constants.js";
import { kelvin } from "../units.js";

/** Diffusion of carbon in austenite: 2.3e-5 m2/s and 148 kJ/mol. @source callister (from memory) */
const FREQUENCY_m2_s = 2.3e-5;
const ACTIVATION_J_mol = 148e3;

/**
 * Depth, in units of the square root of the time integral of diffusion, at which nine tenths of the carbon are left below a
 * surface that has none: erf(x / 2) = 0.9.
 */
const NINE_TENTHS = 2.326;

export const ATMOSPHERES = ["oxidising", "neutral", "protected"] as const;
/** What is around the piece: scale forms freely; a rich fire or a closed muffle; foil, paste or gas. */
export type Atmosphere = (typeof ATMOSPHERES)[number];

/** Share of the depth that each leaves (judgement: nobody measures a forge). */
const SHARE: Readonly<Record<Atmosphere, number>> = { oxidising: 1, neutral: 0.5, protected: 0.15 };

/** What a time at a temperature adds to the integral, m2; nothing below Ac1, where ferrite holds hardly any carbon. */
export function decarbAdded_m2(temperature_C: number, ac1_C: number, dt_s: number, atmosphere: Atmosphere): number {
  if (temperature_C <= ac1_C) return 0;
  const share = SHARE[atmosphere];
  return share * share * FREQUENCY_m2_s * Math.exp(-ACTIVATION_J_mol / (GAS_J_molK * kelvin(temperature_C))) * dt_s;
}

/** Depth of the skin, mm. Scale takes some of it away with it; half to one and a half times is what shops find (judgement). */
export function decarbDepth_mm(integral_m2: number): number {
  return 1000 * NINE_TENTHS * Math.sqrt(integral_m2);
}

/** To grind from each face before hardness counts, mm: the upper end of the range. */
export function grindOff_mm(depth_mm: number): number {
  return 1.5 * depth_mm;
}
