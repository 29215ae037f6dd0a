/** An oven that comes to its heat: where it will come to rest, and when, by readings of a thermometer in it. */

import { ovenShape, untilRest_min } from "./ovenShape.js";

export interface OvenReading {
  /** Since the first of them, min. */
  readonly time_min: number;
  readonly reads_C: number;
}

export interface Settling {
  /** Where it comes to rest, C, and how far that may be off. */
  readonly atRest_C: number;
  readonly sd_C: number;
  /** From the last reading until it is as near to that as nobody reads any more, min; 0 where it is. */
  readonly wait_min: number;
  /** Whether it was on its way when first read: late, not wrong. */
  readonly isLate: boolean;
  /** Whether it still is. */
  readonly isMoving: boolean;
  /** Half of how far it goes up and down about it, K; 0 where the readings do not show that it does. */
  readonly swing_K: number;
}

const LEAST_READINGS = 3;
/** Nearer to rest than this it is there, K (judgement). */
const AT_REST_K = 3;
/** Known no better than this, nothing is said, K. */
const MOST_DOUBT_K = 25;

/**
 * @param readings since the oven was last set, in their order.
 * @param should_C what it was set to come to; null where that is not known.
 * @returns null for fewer than three, or where they do not tell where it ends: a rise that has hardly begun to bend may end anywhere.
 * @error test/evidence/settling.test.ts: made-up ovens with offset, lag and swing; docs/ovens.md
 */
export function settling(readings: readonly OvenReading[], should_C: number | null = null): Settling | null {
  const last = readings[readings.length - 1];
  if (readings.length < LEAST_READINGS || last === undefined) return null;
  const shape = ovenShape(
    readings.map(({ time_min, reads_C }) => ({ time_min, value_C: reads_C })),
    should_C,
    false,
  );
  const { rest_C, sd_C, isLate, swing_K } = shape;
  if (sd_C > MOST_DOUBT_K) return null;
  const wait_min = isLate ? untilRest_min(shape, last.time_min, AT_REST_K) : 0;
  return { atRest_C: rest_C, sd_C, wait_min, isLate, isMoving: isLate && wait_min > 0, swing_K };
}
