/** Whether every zone of a piece is in the window, from the one temperature believed and how far each zone is from it. */

import { normalCdf } from "../numerics/normal.js";
import type { Zone } from "../schema/book.js";

export interface ZoneOffset {
  readonly zone: Zone;
  /** Over the place that is looked at, K; and how sure that is. */
  readonly offset_K: number;
  readonly sd_K: number;
}

/** How far from the model's offsets a zone may be: a smith turns and moves the piece (judgement). */
const OFFSET_SHARE = 0.5;
const OFFSET_LEAST_K = 6;
/** What an eye that compares two places of one piece still lets pass, K; what it calls ahead or behind (judgement). */
const EVEN_SD_K = 8;
const SEEN_OFF_K = 30;

/** The model's offsets with their doubt; what was seen in an evenness check takes their place. */
export function zoneOffsets(
  modelled: readonly { readonly zone: Zone; readonly offset_K: number }[],
  seen: { readonly behind: readonly Zone[]; readonly ahead: readonly Zone[] } | null,
): ZoneOffset[] {
  return modelled.map(({ zone, offset_K }) => {
    if (seen === null) return { zone, offset_K, sd_K: Math.max(OFFSET_LEAST_K, OFFSET_SHARE * Math.abs(offset_K)) };
    const told_K = seen.ahead.includes(zone) ? SEEN_OFF_K : seen.behind.includes(zone) ? -SEEN_OFF_K : 0;
    return { zone, offset_K: told_K, sd_K: EVEN_SD_K };
  });
}

const NODES = 41;
const REACH_SD = 4;

/** Chance that every zone is in the window at once, 0 ... 1: the one temperature is shared, what the zones add is not. */
export function chanceAllInWindow(
  belief: { readonly mean_C: number; readonly sd_C: number },
  offsets: readonly ZoneOffset[],
  window_C: readonly [number, number],
): number {
  const [low_C, high_C] = window_C;
  let [sum, weights] = [0, 0];
  for (let k = 0; k < NODES; k++) {
    const z = -REACH_SD + (2 * REACH_SD * k) / (NODES - 1);
    const weight = Math.exp(-0.5 * z * z);
    const T = belief.mean_C + z * belief.sd_C;
    const chance = offsets.reduce(
      (p, { offset_K, sd_K }) => p * (normalCdf((high_C - T - offset_K) / sd_K) - normalCdf((low_C - T - offset_K) / sd_K)),
      1,
    );
    sum += weight * chance;
    weights += weight;
  }
  return sum / weights;
}
