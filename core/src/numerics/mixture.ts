/** Bells side by side: what an ensemble says when each of its members has a doubt of its own. */

import { normalCdf } from "./normal.js";

export interface Bell {
  readonly mean: number;
  readonly sd: number;
  /** Against the others; of all the same where it is not given. */
  readonly weight?: number;
}

export interface MixtureSummary {
  readonly mean: number;
  readonly sd: number;
  readonly p05: number;
  readonly p50: number;
  readonly p95: number;
}

function averaged(bells: readonly Bell[], of: (bell: Bell) => number): number {
  let [sum, weights] = [0, 0];
  for (const bell of bells) {
    const weight = bell.weight ?? 1;
    sum += weight * of(bell);
    weights += weight;
  }
  return sum / weights;
}

/** @param bells one or more, not all of no weight */
export function meanOf(bells: readonly Bell[]): number {
  return averaged(bells, ({ mean }) => mean);
}

/** Chance that a mixture lies below a value, 0 ... 1. */
export function mixtureBelow(bells: readonly Bell[], value: number): number {
  return averaged(bells, ({ mean, sd }) => (sd > 0 ? normalCdf((value - mean) / sd) : value >= mean ? 1 : 0));
}

/** Chance that a mixture lies between two values, 0 ... 1. */
export function mixtureBetween(bells: readonly Bell[], low: number, high: number): number {
  return Math.max(0, mixtureBelow(bells, high) - mixtureBelow(bells, low));
}

const HALVINGS = 40;
/** No bell is worth looking at further out, in its deviations. */
const FAR = 6;

/** Value below which a share of a mixture lies, by halving. */
export function mixtureQuantile(bells: readonly Bell[], share: number): number {
  let [low, high] = [Infinity, -Infinity];
  for (const { mean, sd } of bells) {
    low = Math.min(low, mean - FAR * sd);
    high = Math.max(high, mean + FAR * sd);
  }
  for (let i = 0; i < HALVINGS; i++) {
    const middle = 0.5 * (low + high);
    if (mixtureBelow(bells, middle) < share) low = middle;
    else high = middle;
  }
  return 0.5 * (low + high);
}

/** @param bells one or more, not all of no weight */
export function summaryOf(bells: readonly Bell[]): MixtureSummary {
  const mean = averaged(bells, (bell) => bell.mean);
  const variance = averaged(bells, (bell) => (bell.mean - mean) ** 2 + bell.sd ** 2);
  return {
    mean,
    sd: Math.sqrt(variance),
    p05: mixtureQuantile(bells, 0.05),
    p50: mixtureQuantile(bells, 0.5),
    p95: mixtureQuantile(bells, 0.95),
  };
}
