/** What a hot piece does to a bath: rise, how many before it is too warm, level, and warming it with a bar. */

import { bisect } from "../numerics/root.js";
import { LATENT_MARTENSITE_J_kg, STEEL_DENSITY_kg_m3, volumeHeat_J_m3K } from "./properties.js";

/** Where a quenched piece stops being austenite in the sum below, C: a middle martensite start. */
const CHANGE_C = 250;

/** Integral of a volume heat that rises in a line. */
function integral_J_m3(from_C: number, to_C: number, austenite: number): number {
  const martensite = 1 - austenite;
  return 0.5 * (volumeHeat_J_m3K(from_C, austenite, martensite) + volumeHeat_J_m3K(to_C, austenite, martensite)) * (to_C - from_C);
}

/**
 * Heat a kilogram of steel gives up from a heat to a colder bath, J/kg, hardening on the way; from below 727 C without a change.
 * @error test/heat/bathHeat.test.ts: within 15 % of EN 1993-1-2's heat capacity, integrated
 */
export function heatGivenUp_J_kg(from_C: number, to_C: number): number {
  if (from_C <= to_C) return 0;
  const isAustenite = from_C > 727;
  if (!isAustenite || to_C >= CHANGE_C) {
    return integral_J_m3(to_C, from_C, isAustenite ? 1 : 0) / STEEL_DENSITY_kg_m3;
  }
  return (integral_J_m3(CHANGE_C, from_C, 1) + integral_J_m3(to_C, CHANGE_C, 0)) / STEEL_DENSITY_kg_m3 + LATENT_MARTENSITE_J_kg;
}

export interface BathLiquid {
  readonly density_kg_m3: number;
  readonly heatCapacity_J_kgK: number;
}

/** Temperature of a bath after a piece has come to rest in it, C: no loss to the room, the tank left out. */
export function bathAfter_C(liquid: BathLiquid, volume_L: number, bath_C: number, mass_kg: number, piece_C: number): number {
  const bath_J_K = (volume_L / 1000) * liquid.density_kg_m3 * liquid.heatCapacity_J_kgK;
  // The piece ends as warm as the bath, so what it gives up depends on the answer.
  const short_J = (after_C: number): number => (after_C - bath_C) * bath_J_K - mass_kg * heatGivenUp_J_kg(piece_C, after_C);
  const found = bisect(short_J, bath_C, Math.max(bath_C, piece_C), 1e-6);
  return found.outcome === "found" ? found.x : bath_C;
}

/** Mass of hot bar that warms a bath to a temperature in one dip, kg. */
export function warmingBar_kg(liquid: BathLiquid, volume_L: number, bath_C: number, to_C: number, bar_C: number): number {
  const wanted_J = (volume_L / 1000) * liquid.density_kg_m3 * liquid.heatCapacity_J_kgK * Math.max(0, to_C - bath_C);
  return wanted_J / heatGivenUp_J_kg(bar_C, to_C);
}

/** Volume of steel by mass, L. */
export function steelVolume_L(mass_kg: number): number {
  return (1000 * mass_kg) / STEEL_DENSITY_kg_m3;
}
