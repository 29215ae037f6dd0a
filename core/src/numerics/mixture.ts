/** Bells side by side, all of the same weight: what an ensemble says when each of its members has a doubt of its own. */

import { normalCdf } from "./normal.js";

export interface Bell {
  readonly mean: number;
  readonly sd: number;
}

export interface MixtureSummary {
  readonly mean: number;
  readonly sd: number;
  readonly p05: number;
  readonly p50: number;
  readonly p95: number;
}

/** Chance that a mixture lies below a value, 0 ... 1. */
export function mixtureBelow(bells: readonly Bell[], value: number): number {
  return bells.reduce((sum, { mean, sd }) => sum + (sd > 0 ? normalCdf((value - mean) / sd) : value >= mean ? 1 : 0), 0) / bells.length;
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

/** @param bells one or more */
export function summaryOf(bells: readonly Bell[]): MixtureSummary {
  const mean = bells.reduce((sum, b) => sum + b.mean, 0) / bells.length;
  const variance = bells.reduce((sum, b) => sum + (b.mean - mean) ** 2 + b.sd ** 2, 0) / bells.length;
  return {
    mean,
    sd: Math.sqrt(variance),
    p05: mixtureQuantile(bells, 0.05),
    p50: mixtureQuantile(bells, 0.5),
    p95: mixtureQuantile(bells, 0.95),
  };
}
