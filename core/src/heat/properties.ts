/** Conductivity and volume heat capacity of steel by phase and temperature, of probes, and the heat the changes give off. */

import { degreeTable } from "../numerics/degreeTable.js";
import { linear } from "../numerics/interpolate.js";

/** Density taken as constant for all phases, kg/m3. */
export const STEEL_DENSITY_kg_m3 = 7800;
/** Heat given off when austenite becomes ferrite, pearlite or bainite, J/kg. @source denis1992 (from memory) */
export const LATENT_DIFFUSIONAL_J_kg = 82e3;
/** Heat given off when austenite becomes martensite, J/kg. @source denis1992 (from memory) */
export const LATENT_MARTENSITE_J_kg = 80e3;

/** A property straight in temperature: at 0 C, and more for each degree. */
export type Line = readonly [at0: number, perDegree: number];

/**
 * Conductivity by phase, W/(m K). Austenite is raised 7 % over the table, which brings end-quench bar rates nearer
 * (calibrated).
 * @source denis1992 (from memory)
 */
export const CONDUCTIVITY = { austenite: [16, 0.0115], product: [49, -0.0244], martensite: [43.1, -0.0216] } as const satisfies Record<
  string,
  Line
>;
/**
 * Volume heat capacity by phase, J/(m3 K), without the heat of the changes.
 * @source denis1992 (from memory); the slope of austenite dinsdale1991
 */
export const VOLUME_HEAT = { austenite: [3.46e6, 1360], product: [3.78e6, 2178], martensite: [3.76e6, 2185] } as const satisfies Record<
  string,
  Line
>;

function mixed(
  { austenite: a, product: p, martensite: m }: Readonly<Record<"austenite" | "product" | "martensite", Line>>,
  T: number,
  austenite: number,
  martensite: number,
): number {
  const product = 1 - austenite - martensite;
  return austenite * (a[0] + a[1] * T) + product * (p[0] + p[1] * T) + martensite * (m[0] + m[1] * T);
}

/** Conductivity of a mixture, linear by fraction. */
export function conductivity_W_mK(temperature_C: number, austenite: number, martensite: number): number {
  return mixed(CONDUCTIVITY, temperature_C, austenite, martensite);
}

/** Volume heat capacity of a mixture, J/(m3 K), linear by fraction. */
export function volumeHeat_J_m3K(temperature_C: number, austenite: number, martensite: number): number {
  return mixed(VOLUME_HEAT, temperature_C, austenite, martensite);
}

/** A body that does not change: a probe, or a textbook solid. Tables with one entry a degree from 0 C. */
export interface PlainMaterial {
  readonly conductivity_W_mK: Float64Array;
  readonly volumeHeat_J_m3K: Float64Array;
}

const HOTTEST_C = 1500;

/** A material by its two properties; below 0 C and above 1500 C they stay as they are there. */
export function plainMaterial(
  conductivity_W_mK: (temperature_C: number) => number,
  volumeHeat_J_m3K: (temperature_C: number) => number,
): PlainMaterial {
  return {
    conductivity_W_mK: degreeTable(HOTTEST_C, conductivity_W_mK),
    volumeHeat_J_m3K: degreeTable(HOTTEST_C, volumeHeat_J_m3K),
  };
}

function tabled(
  xs_C: readonly number[],
  k: readonly number[],
  cx_C: readonly number[],
  c: readonly number[],
  density_kg_m3: number,
): PlainMaterial {
  return plainMaterial(
    (T) => linear(xs_C, k, T),
    (T) => density_kg_m3 * linear(cx_C, c, T),
  );
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

/** Steel without its own changes: ferrite and pearlite throughout, no latent heat. Also iron or mild steel of a cladding. */
export const MILD_STEEL: PlainMaterial = plainMaterial(
  (T) => conductivity_W_mK(T, 0, 0),
  (T) => volumeHeat_J_m3K(T, 0, 0),
);
