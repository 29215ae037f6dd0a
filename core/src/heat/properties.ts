/** Conductivity and volume heat capacity of steel by phase and temperature, of probes, and the heat the changes give off. */

import { linear } from "../numerics/interpolate.js";

/** Density taken as constant for all phases, kg/m3. */
export const STEEL_DENSITY_kg_m3 = 7800;
/** Heat given off when austenite becomes ferrite, pearlite or bainite, J/kg. @source denis1992 (from memory) */
export const LATENT_DIFFUSIONAL_J_kg = 82e3;
/** Heat given off when austenite becomes martensite, J/kg. @source denis1992 (from memory) */
export const LATENT_MARTENSITE_J_kg = 80e3;

/**
 * Conductivity of a mixture, linear by fraction. Austenite is raised 7 % over the table, which brings end-quench bar
 * rates nearer (calibrated).
 * @source denis1992 (from memory)
 */
export function conductivity_W_mK(temperature_C: number, austenite: number, martensite: number): number {
  const T = temperature_C;
  const product = 1 - austenite - martensite;
  return austenite * (16 + 0.0115 * T) + product * (49 - 0.0244 * T) + martensite * (43.1 - 0.0216 * T);
}

/**
 * Volume heat capacity of a mixture, J/(m3 K), linear by fraction, without the heat of the changes.
 * @source denis1992 (from memory); the slope of austenite dinsdale1991
 */
export function volumeHeat_J_m3K(temperature_C: number, austenite: number, martensite: number): number {
  const T = temperature_C;
  const product = 1 - austenite - martensite;
  return austenite * (3.46e6 + 1360 * T) + product * (3.78e6 + 2178 * T) + martensite * (3.76e6 + 2185 * T);
}

/** A body that does not change: a probe, or a textbook solid. */
export interface PlainMaterial {
  readonly conductivity_W_mK: (temperature_C: number) => number;
  readonly volumeHeat_J_m3K: (temperature_C: number) => number;
}

function tabled(
  xs_C: readonly number[],
  k: readonly number[],
  cx_C: readonly number[],
  c: readonly number[],
  density_kg_m3: number,
): PlainMaterial {
  return {
    conductivity_W_mK: (temperature_C) => linear(xs_C, k, temperature_C),
    volumeHeat_J_m3K: (temperature_C) => density_kg_m3 * linear(cx_C, c, temperature_C),
  };
}

/** Inconel 600 of the ISO 9950 probe. Properties from memory. */
export const INCONEL_600: PlainMaterial = tabled(
  [20, 100, 200, 300, 400, 500, 600, 700, 900],
  [13, 14.2, 16, 17.8, 19.7, 21.7, 23.6, 25.6, 30],
  [20, 100, 200, 300, 400, 500, 600, 700, 800, 900],
  [444, 465, 486, 502, 519, 536, 578, 595, 611, 620],
  8400,
);

/** Nickel of the magnetic quenchometer ball. Properties from memory. */
export const NICKEL: PlainMaterial = tabled(
  [20, 100, 200, 300, 354, 500, 700, 900],
  [90, 83, 74, 67, 64, 62, 68, 74],
  [20, 100, 200, 300, 354, 370, 450, 600, 900],
  [440, 475, 515, 570, 640, 560, 525, 545, 585],
  8900,
);

/** Austenitic stainless steel of a cladding (18 % Cr, 8 % Ni). It does not change. Properties from memory. */
export const STAINLESS: PlainMaterial = tabled(
  [20, 100, 300, 500, 800, 1000],
  [14.9, 16.2, 18.9, 21.5, 25.4, 28],
  [20, 200, 400, 600, 800, 1000],
  [477, 530, 560, 585, 610, 640],
  7900,
);

/** Iron or mild steel of a cladding, without its own changes: ferrite throughout. */
export const MILD_STEEL: PlainMaterial = {
  conductivity_W_mK: (T) => conductivity_W_mK(T, 0, 0),
  volumeHeat_J_m3K: (T) => volumeHeat_J_m3K(T, 0, 0),
};
