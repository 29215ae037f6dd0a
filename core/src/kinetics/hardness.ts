/** Hardness of what austenite becomes, and conversion between scales. */

import { clamp, linear, linearExtended } from "../numerics/interpolate.js";
import { atDegree } from "../numerics/degreeTable.js";
import type { Composition } from "./composition.js";
import type { Kinetics } from "./kinetics.js";

/**
 * Fresh martensite by its carbon, HV. Up to 0.3 % the initial hardness of the standard; above, fitted to what was measured as
 * quenched (tools/fit), within 2 HRC of the standard's line where that holds.
 * @source astmA255 (from memory)
 */
export function martensiteHardness_HV(carbon_wtpct: number, { martensite_HV }: Pick<Kinetics, "martensite_HV">): number {
  return atDegree(martensite_HV, 100 * carbon_wtpct);
}

function tableHardness_HV(at_C: readonly number[], hardness_HV: readonly number[]): Float64Array {
  return Float64Array.from({ length: 1001 }, (_, T) => linear(at_C, hardness_HV, T));
}

/**
 * Pearlite of a eutectoid steel by the temperature it formed at, HV, one entry a degree; another steel reads it shifted by
 * how far its Ac1 lies from that of plain steel.
 * @source hardening-note (isothermal hardness of 1080 from memory)
 */
export const PEARLITE_HV = tableHardness_HV([540, 593, 649, 704, 730], [395, 372, 318, 205, 180]);
export const PEARLITE_EUTECTOID_C = 727;

/** Pearlite of other carbon, as a ratio to that of the eutectoid; `without` is that of iron without carbon (fitted). */
export function pearliteCarbonRatio({ C }: Composition, without: number): number {
  return without + (1 - without) * clamp(C / 0.77, 0, 1.1);
}

/**
 * What alloy adds to pearlite beyond what plain 1080 has, HV.
 * @source maynier1978 (from memory: his line of ferrite and pearlite at the cooling rate of a bar's far end, without vanadium); a
 * fitted share of it is used
 */
export function pearliteAlloy_HV({ Mn, Cr, Ni, Mo }: Composition): number {
  return 30 * (Mn - 0.76) + 37 * Cr + 27 * Ni + 19 * Mo;
}

/** Bainite of 0.8 % carbon by the temperature it formed at, HV. @source hardening-note (isothermal hardness of 1080 from memory) */
export const BAINITE_HV = tableHardness_HV([200, 260, 316, 371, 427, 482, 560], [680, 605, 520, 440, 408, 395, 385]);

/** Bainite of other carbon, as a ratio to that of 0.8 %; `without` is that of iron without carbon (fitted). */
export function bainiteCarbonRatio({ C }: Composition, without: number): number {
  return without + (1 - without) * clamp(C / 0.8, 0, 1.1);
}

/**
 * What alloy adds to bainite beyond what plain 1080 has, HV.
 * @source maynier1978 (from memory: his line at the cooling rate of a bar's far end); a fitted share of it is used
 */
export function bainiteAlloy_HV({ Mn, Si, Cr, Ni, Mo }: Composition): number {
  return 65 * (Mn - 0.76) + 110 * (Si - 0.2) + 64 * Cr + 25 * Ni + 59 * Mo;
}

/** Ferrite, HV. @source hardening-note */
export function ferriteHardness_HV(steel: Composition): number {
  return 90 + 60 * steel.Si + 25 * steel.Mn;
}

/** Retained austenite in a hardened piece, HV, and undissolved carbide, HV. @source hardening-note */
export const RETAINED_AUSTENITE_HV = 350;
export const CARBIDE_HV = 1000;

// @source astmE140
// ASTM E140 table 1: HRC, HV, HBW 3000 kgf (none above 65), HRA. From memory: HV and HBW sure, HRA within 0.1.
const E140: readonly (readonly [number, number, number | null, number])[] = [
  [20, 238, 226, 60.5],
  [21, 243, 231, 61.0],
  [22, 248, 237, 61.5],
  [23, 254, 243, 62.0],
  [24, 260, 247, 62.4],
  [25, 266, 253, 62.8],
  [26, 272, 258, 63.3],
  [27, 279, 264, 63.8],
  [28, 286, 271, 64.3],
  [29, 294, 279, 64.7],
  [30, 302, 286, 65.3],
  [31, 310, 294, 65.8],
  [32, 318, 301, 66.3],
  [33, 327, 311, 66.8],
  [34, 336, 319, 67.4],
  [35, 345, 327, 67.9],
  [36, 354, 336, 68.4],
  [37, 363, 344, 68.9],
  [38, 372, 353, 69.4],
  [39, 382, 362, 69.9],
  [40, 392, 371, 70.4],
  [41, 402, 381, 70.9],
  [42, 412, 390, 71.5],
  [43, 423, 400, 72.0],
  [44, 434, 409, 72.5],
  [45, 446, 421, 73.1],
  [46, 458, 432, 73.6],
  [47, 471, 443, 74.1],
  [48, 484, 455, 74.7],
  [49, 498, 469, 75.2],
  [50, 513, 481, 75.9],
  [51, 528, 496, 76.3],
  [52, 544, 512, 76.8],
  [53, 560, 525, 77.4],
  [54, 577, 543, 78.0],
  [55, 595, 560, 78.5],
  [56, 613, 577, 79.0],
  [57, 633, 595, 79.6],
  [58, 653, 615, 80.1],
  [59, 674, 634, 80.7],
  [60, 697, 654, 81.2],
  [61, 720, 670, 81.8],
  [62, 746, 688, 82.3],
  [63, 772, 705, 82.8],
  [64, 800, 722, 83.4],
  [65, 832, 739, 83.9],
  [66, 865, null, 84.5],
  [67, 900, null, 85.0],
  [68, 940, null, 85.6],
];
const HRC = E140.map(([hrc]) => hrc);
const HV = E140.map(([, hv]) => hv);
const HRA = E140.map(([, , , hra]) => hra);
const HB_ROWS = E140.filter((row): row is readonly [number, number, number, number] => row[2] !== null);

/** Vickers for Rockwell C. Below 20 HRC, where the scale does not hold, along the line 6.5 HV a point. */
export function vickersFromRockwellC(hardness_HRC: number): number {
  if (hardness_HRC < 20) return 238 - 6.5 * (20 - hardness_HRC);
  return linearExtended(HRC, HV, hardness_HRC);
}

/** Rockwell C for Vickers. Below 238 HV a figure for continuity only: show HV there. */
export function rockwellCFromVickers(hardness_HV: number): number {
  if (hardness_HV < 238) return 20 - (238 - hardness_HV) / 6.5;
  return linearExtended(HV, HRC, hardness_HV);
}

/** Brinell with a carbide ball, 3000 kgf, for Rockwell C; null outside the table, where it is not to be used. */
export function brinellFromRockwellC(hardness_HRC: number): number | null {
  if (hardness_HRC < 20 || hardness_HRC > 65) return null;
  return linear(
    HB_ROWS.map(([hrc]) => hrc),
    HB_ROWS.map(([, , hb]) => hb),
    hardness_HRC,
  );
}

/** Rockwell C for Brinell, inside the table. */
export function rockwellCFromBrinell(hardness_HBW: number): number {
  return linear(
    HB_ROWS.map(([, , hb]) => hb),
    HB_ROWS.map(([hrc]) => hrc),
    hardness_HBW,
  );
}

/** Rockwell A for Rockwell C. */
export function rockwellAFromRockwellC(hardness_HRC: number): number {
  return linearExtended(HRC, HRA, hardness_HRC);
}

/**
 * Hardness of a structure that is all martensite, by its carbon, HRC (0 ... 0.66 wt% C).
 * @source astmA255, initial hardness (from memory)
 */
export function a255InitialHardness_HRC(carbon_wtpct: number): number {
  const c = carbon_wtpct;
  return 35.395 + 6.99 * c + 312.33 * c ** 2 - 821.744 * c ** 3 + 1015.479 * c ** 4 - 538.346 * c ** 5;
}

/**
 * Hardness of a structure half martensite, by its carbon, HRC (0 ... 0.66 wt% C).
 * @source astmA255, half martensite (from memory)
 */
export function a255HalfHardness_HRC(carbon_wtpct: number): number {
  const c = carbon_wtpct;
  return 22.974 + 6.214 * c + 356.364 * c ** 2 - 1091.488 * c ** 3 + 1464.88 * c ** 4 - 750.441 * c ** 5;
}

/**
 * How much softer a mixture is than the sum of its parts, as a share of `mixtureDrop_HV`: the first tenth of soft
 * structure costs most, and a structure without martensite nothing. The shape is that of Hodge and Orehoski's lines at
 * 99, 95, 90, 80 and 50 % martensite (from memory), the same at every carbon.
 */
export function mixtureShare(soft: number): number {
  return soft <= 0 || soft >= 1 ? 0 : (1 - soft) * Math.sqrt(soft);
}
