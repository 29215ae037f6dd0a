/** Heat along a piece that is thin beside its length: one temperature a cross section, loss from its skin, heat put in somewhere. */

import { solveTridiagonal } from "../numerics/tridiagonal.js";

/** Mean of hardened steel between 25 and 700 C (temper-note 7.1, from memory): conductivity, W/(m K), and volume heat, J/(m3 K). */
export const FIN_CONDUCTIVITY_W_mK = 38;
export const FIN_VOLUME_HEAT_J_m3K = 4.37e6;

/** Cells of equal length from the end that works to the far one. */
export interface Fin {
  readonly cells: number;
  readonly cell_m: number;
  /** Cross section of each cell, m2, and what of its outline the air touches, m; of a blade for each metre of its length. */
  readonly area_m2: Float64Array;
  readonly outline_m: Float64Array;
}

/** @param sectionAt cross section and outline at a distance from the end that works, mm. */
export function makeFin(
  cells: number,
  length_mm: number,
  sectionAt: (from_mm: number) => { readonly area_m2: number; readonly outline_m: number },
): Fin {
  const cell_m = length_mm / 1000 / cells;
  const [area_m2, outline_m] = [new Float64Array(cells), new Float64Array(cells)];
  for (let i = 0; i < cells; i++) {
    const section = sectionAt(1000 * cell_m * (i + 0.5));
    area_m2[i] = section.area_m2;
    outline_m[i] = section.outline_m;
  }
  return { cells, cell_m, area_m2, outline_m };
}

/** What a cell gives away at its temperature, W/(m2 K), to what is so warm, and what is put into each metre of it, W/m. */
export interface CellOutside {
  readonly heatTransfer_W_m2K: number;
  readonly surroundings_C: number;
  readonly source_W_m?: number;
}

/** Room for one step; kept between steps of fins with as many cells. */
export interface FinScratch {
  readonly lower: Float64Array;
  readonly diagonal: Float64Array;
  readonly upper: Float64Array;
}

export function finScratch(cells: number): FinScratch {
  return { lower: new Float64Array(cells), diagonal: new Float64Array(cells), upper: new Float64Array(cells) };
}

/**
 * One implicit step of rho c A dT/dt = d(k A dT/dx)/dx - h P (T - Ta) + q. Both ends are insulated but for what `held_C` holds.
 *
 * @param T temperature of each cell, C: changed in place.
 * @param held_C the far end lies against something of this temperature, with this conductance, W/(m2 K).
 * @error test/heat/fin.test.ts: against the closed forms of the held end, steady and half-infinite
 */
export function stepFin(
  fin: Fin,
  T: Float64Array,
  step_s: number,
  outside: (cell: number, T_C: number) => CellOutside,
  { lower, diagonal, upper }: FinScratch,
  held?: { readonly at_C: number; readonly conductance_W_m2K: number },
): void {
  const { cells, cell_m, area_m2, outline_m } = fin;
  for (let i = 0; i < cells; i++) {
    const stored = (FIN_VOLUME_HEAT_J_m3K * area_m2[i]! * cell_m) / step_s;
    const { heatTransfer_W_m2K, surroundings_C, source_W_m = 0 } = outside(i, T[i]!);
    const lost = heatTransfer_W_m2K * outline_m[i]! * cell_m;
    lower[i] = i === 0 ? 0 : (-FIN_CONDUCTIVITY_W_mK * 0.5 * (area_m2[i]! + area_m2[i - 1]!)) / cell_m;
    upper[i] = i === cells - 1 ? 0 : (-FIN_CONDUCTIVITY_W_mK * 0.5 * (area_m2[i]! + area_m2[i + 1]!)) / cell_m;
    diagonal[i] = stored + lost - lower[i]! - upper[i]!;
    T[i] = stored * T[i]! + lost * surroundings_C + source_W_m * cell_m;
  }
  if (held !== undefined) {
    const last = cells - 1;
    const through = area_m2[last]! / (1 / held.conductance_W_m2K + (0.5 * cell_m) / FIN_CONDUCTIVITY_W_mK);
    diagonal[last]! += through;
    T[last]! += through * held.at_C;
  }
  solveTridiagonal(cells, lower, diagonal, upper, T);
}
