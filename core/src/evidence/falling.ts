/** A kiln that has to fall from its hardening heat to a temper: how long that takes, by readings of it and by how kilns fall. */

import { ROOM_C } from "../constants.js";
import { normalQuantile } from "../numerics/normal.js";
import type { OvenReading } from "./settling.js";

export interface Falling {
  /** From the last reading until it is at the temper, door shut, min: the middle, and from when to when in nine of ten. */
  readonly left_min: number;
  readonly from_min: number;
  readonly to_min: number;
  /** Told by its own fall, not by how kilns usually fall. */
  readonly isLearned: boolean;
}

/** Time constant of a small kiln with its door shut, min, and its spread, ln (common practice, no source: three to six hours from 800 to 200). */
const USUAL_TAU_min = 180;
const USUAL_LN = 0.4;
/** A reading by hand scatters by so much, K; and the pace itself changes on the way down, ln (judgement). */
const READING_SD_K = 3;
const PACE_LN = 0.12;
/** Nearer than this it is there, K. */
const NEAR_K = 30;
/** A fall smaller than this tells no pace, K. */
const LEAST_FALL_K = 8;
const GRID = 81;

/** Chance of each pace, tried evenly in its logarithm. */
function paces(readings: readonly OvenReading[]): { readonly tau_min: number; readonly weight: number }[] {
  const tried = Array.from({ length: GRID }, (_, i) => {
    const z = -4 + (8 * i) / (GRID - 1);
    const tau_min = USUAL_TAU_min * Math.exp(USUAL_LN * z);
    const off = readings.slice(1).reduce((sum, { time_min, reads_C }, k) => {
      const before = readings[k]!;
      const told_C = ROOM_C + (before.reads_C - ROOM_C) * Math.exp(-(time_min - before.time_min) / tau_min);
      return sum + (reads_C - told_C) ** 2;
    }, 0);
    return { tau_min, log: -0.5 * (z * z + off / (2 * READING_SD_K ** 2)) };
  });
  const most = Math.max(...tried.map(({ log }) => log));
  const all = tried.map(({ tau_min, log }) => ({ tau_min, weight: Math.exp(log - most) }));
  const sum = all.reduce((total, { weight }) => total + weight, 0);
  return all.map(({ tau_min, weight }) => ({ tau_min, weight: weight / sum }));
}

/**
 * Newton's cooling toward the room: T = room + (T0 - room) exp(-t/tau), tau by Bayes from what is usual and every pair of readings.
 *
 * @param readings since it was switched off, in their order; only a fall counts: what came before the hottest is the heating
 * @returns null where it is near the temper or below it, or where nothing was read
 * @error test/evidence/falling.test.ts: kilns of every pace within the usual, nine in ten inside the range
 */
export function falling(readings: readonly OvenReading[], target_C: number): Falling | null {
  const hottest = readings.reduce((best, { reads_C }, i) => (reads_C >= readings[best]!.reads_C ? i : best), 0);
  const since = readings.slice(hottest);
  const last = since[since.length - 1];
  if (last === undefined || last.reads_C <= target_C + NEAR_K || target_C <= ROOM_C) return null;
  const share = Math.log((last.reads_C - ROOM_C) / (target_C - ROOM_C));
  const known = paces(since);
  const quantile = (p: number): number => {
    let below = 0;
    for (const { tau_min, weight } of known) {
      below += weight;
      if (below >= p) return tau_min;
    }
    return known[known.length - 1]!.tau_min;
  };
  const widen = Math.exp(normalQuantile(0.95) * PACE_LN);
  return {
    left_min: share * quantile(0.5),
    from_min: (share * quantile(0.05)) / widen,
    to_min: share * quantile(0.95) * widen,
    isLearned: since[0]!.reads_C - last.reads_C >= LEAST_FALL_K,
  };
}
