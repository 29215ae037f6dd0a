/** Ideal critical diameter by multiplying factors: what a handbook says of a steel's hardenability, beside what the model computes. */

import { linearExtended } from "../numerics/interpolate.js";
import type { Composition } from "./composition.js";

/** Base diameter of carbon at ASTM grain 7, inch. */
const CARBON_wtpct = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9];
const BASE_in = [0.115, 0.147, 0.187, 0.213, 0.238, 0.262, 0.283, 0.303, 0.321];

/**
 * Diameter of the round that is half martensite at its centre when its surface is brought to the bath at once, mm.
 *
 *     DI = base(C) f(Mn) f(Si) f(Ni) f(Cr) f(Mo) f(V) 0.93^(G - 7)
 *
 * Not meant for more than 0.9 % carbon or for undissolved carbide.
 * @source astmA255 (factors and base table from memory)
 */
export function a255IdealDiameter_mm({ C, Mn, Si, Ni, Cr, Mo, V }: Composition, astmGrain = 7): number {
  const manganese = Mn <= 1.2 ? 1 + 3.3333 * Mn : 5.1 * Mn - 1.12;
  const others = (1 + 0.7 * Si) * (1 + 0.363 * Ni) * (1 + 2.16 * Cr) * (1 + 3 * Mo) * (1 + 1.73 * V);
  return 25.4 * linearExtended(CARBON_wtpct, BASE_in, C) * manganese * others * 0.93 ** (astmGrain - 7);
}
