/** What a few Rockwell C readings say: tester bias from a block, a round surface, a thin piece, the scatter. */

import { requireRange } from "../errors.js";
import { clamp, intervalOf, linear } from "../numerics/interpolate.js";

const DIAMETERS_mm = [6.4, 10, 13, 16, 19, 22, 25, 32, 38];
const ROWS_HRC = [20, 25, 30, 35, 40, 45, 50, 55, 60, 65];
/** Added to a reading on a convex cylinder, HRC. @source astmE18 (from memory, some digits unsure) */
const CYLINDER_HRC = [
  [6, 4.5, 3.5, 2.5, 2, 1.5, 1.5, 1, 1],
  [5.5, 4, 3, 2.5, 2, 1.5, 1, 1, 1],
  [5, 3.5, 2.5, 2, 1.5, 1.5, 1, 1, 0.5],
  [4, 3, 2, 1.5, 1.5, 1, 1, 0.5, 0.5],
  [3.5, 2.5, 2, 1.5, 1, 1, 1, 0.5, 0.5],
  [3, 2, 1.5, 1, 1, 1, 0.5, 0.5, 0.5],
  [2.5, 2, 1.5, 1, 1, 0.5, 0.5, 0.5, 0.5],
  [2, 1.5, 1, 1, 0.5, 0.5, 0.5, 0.5, 0],
  [1.5, 1, 1, 0.5, 0.5, 0.5, 0.5, 0, 0],
  [1.5, 1, 1, 0.5, 0.5, 0.5, 0.5, 0, 0],
];
/** A correction above this is not acceptable practice, HRC. @source astmE18 (from memory) */
export const MOST_CYLINDER_HRC = 3;

/** Correction to add to a reading on a round, HRC; 0 above 38 mm. Bilinear in the table. */
export function cylinderCorrection_HRC(hardness_HRC: number, diameter_mm: number): number {
  if (diameter_mm > 38) return 0;
  const along = (row: readonly number[]): number => linear(DIAMETERS_mm, row, diameter_mm);
  const i = intervalOf(ROWS_HRC, hardness_HRC);
  const share = clamp((hardness_HRC - ROWS_HRC[i]!) / 5, 0, 1);
  return (1 - share) * along(CYLINDER_HRC[i]!) + share * along(CYLINDER_HRC[i + 1]!);
}

const THINNEST: readonly (readonly [number, number])[] = [
  [0.56, 69],
  [0.61, 67],
  [0.66, 65],
  [0.71, 62],
  [0.76, 57],
  [0.81, 52],
  [0.86, 45],
  [0.91, 37],
  [0.96, 28],
  [1.02, 20],
];

/** Thinnest steel for a Rockwell C test at a hardness, mm: the standard's table, and never under ten depths of the dent. */
export function thinnestForRockwellC_mm(hardness_HRC: number): number {
  const byHardness = [...THINNEST].reverse();
  const table_mm = linear(
    byHardness.map(([, hrc]) => hrc),
    byHardness.map(([mm]) => mm),
    hardness_HRC,
  );
  return Math.max(table_mm, (100 - hardness_HRC) * 0.002 * 10);
}

export interface RockwellInput {
  readonly readings_HRC: readonly number[];
  /** Mean of the tester on its block less the block's value; absent when there is no block. */
  readonly blockBias_HRC?: number;
  readonly blockReadings?: number;
  readonly diameter_mm?: number;
}

export interface RockwellResult {
  readonly raw_HRC: number;
  /** Of the readings themselves; 0 of one. */
  readonly spread_HRC: number;
  readonly corrected_HRC: number;
  readonly cylinder_HRC: number;
  readonly standardError_HRC: number;
  readonly count: number;
}

/** Scatter of a bench tester before any reading is seen, HRC, and how many readings that is worth. Judgement: temper-note 4. */
const USUAL_SCATTER_HRC = 0.8;
const USUAL_WEIGHT = 3;
const NO_BLOCK_HRC = 0.8;
const BLOCK_HRC = 0.4;

/**
 * Corrected mean of Rockwell C readings and its standard error.
 * @throws InputError for a reading outside -10 ... 75 HRC.
 */
export function rockwell({ readings_HRC, blockBias_HRC, blockReadings = 5, diameter_mm }: RockwellInput): RockwellResult {
  readings_HRC.forEach((reading, i) => requireRange(`/rockwell/readings/${i}`, reading, -10, 75));
  const n = readings_HRC.length;
  const raw_HRC = readings_HRC.reduce((a, b) => a + b, 0) / n;
  const squares = readings_HRC.reduce((sum, r) => sum + (r - raw_HRC) ** 2, 0);
  const pooled = n === 1 ? USUAL_SCATTER_HRC : Math.sqrt((squares + USUAL_WEIGHT * USUAL_SCATTER_HRC ** 2) / (n + 2));
  const flat = raw_HRC - (blockBias_HRC ?? 0);
  const cylinder_HRC = diameter_mm === undefined ? 0 : cylinderCorrection_HRC(flat, diameter_mm);
  const bias = blockBias_HRC === undefined ? NO_BLOCK_HRC : Math.hypot(BLOCK_HRC, BLOCK_HRC / Math.sqrt(blockReadings));
  return {
    raw_HRC,
    spread_HRC: Math.sqrt(squares / Math.max(1, n - 1)),
    corrected_HRC: flat + cylinder_HRC,
    cylinder_HRC,
    standardError_HRC: Math.hypot(pooled / Math.sqrt(n), bias, 0.25 * cylinder_HRC),
    count: n,
  };
}
