/** Ovens made up to try the fit of their settling: what each was made of, and six readings of it by hand. The ovens use nothing of the fit. */

import { settling, type OvenReading } from "../../src/evidence/settling.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";

export interface MadeUpOven {
  readonly set_C: number;
  /** Truly hotter than its dial at rest, K. */
  readonly offset_K: number;
  /** Below (above, where negative) its rest when first read, K, and the pace at which that goes; 0 where it is at rest. */
  readonly away_K: number;
  readonly tau_min: number;
  /** Half of the way between its hottest and its coldest, K; 0 for one that holds still. */
  readonly swing_K: number;
  readonly readings: readonly OvenReading[];
}

/** A second thermometer read by hand, K. */
const READ_SD_K = 2;

/**
 * Half of them still on their way (nine in ten rising, the others falling), half at rest; half of each swing. Six readings about five
 * minutes apart.
 */
export function madeUpOven(seed: number, count = 6): MadeUpOven {
  const even = uniforms(70_000 + seed);
  const normal = () => normalQuantile(0.0005 + 0.999 * even());
  const set_C = 170 + 110 * even();
  const offset_K = 12 * normal();
  const isMoving = even() < 0.5;
  const away_K = isMoving ? (even() < 0.9 ? 1 : -0.5) * (40 + 100 * even()) : 0;
  const tau_min = 4 + 8 * even();
  const swing_K = even() < 0.5 ? 6 + 10 * even() : 0;
  const [period_min, phase] = [7 + 13 * even(), 2 * Math.PI * even()];
  const readings = Array.from({ length: count }, (_, i) => {
    const time_min = i === 0 ? 0 : 5 * i + 2 * even() - 1;
    const swings = swing_K * Math.sin((2 * Math.PI * time_min) / period_min + phase);
    return { time_min, reads_C: set_C + offset_K - away_K * Math.exp(-time_min / tau_min) + swings + READ_SD_K * normal() };
  });
  return { set_C, offset_K, away_K, tau_min, swing_K, readings };
}

/** As near as a shade of straw, K. */
const OFFSET_K = 10;

/** What the fit says rightly of one: its offset, whether it was late, whether it swings. Where it says nothing, nothing is right. */
export function toldApart({ set_C, offset_K, away_K, swing_K, readings }: MadeUpOven) {
  const found = settling(readings, set_C);
  if (found === null) return { offset: false, lag: false, swing: false, isHeld: null };
  const off_K = Math.abs(found.atRest_C - set_C - offset_K);
  return {
    offset: off_K <= OFFSET_K,
    lag: found.isLate === (away_K !== 0),
    swing: found.swing_K > 0 === swing_K > 0,
    isHeld: off_K <= 1.645 * found.sd_C,
  };
}
