/** A heat that falls to the first pull of a magnet: when that comes, and what touching it says of the piece. */

import { mixtureQuantile } from "../numerics/mixture.js";
import { normalCdf } from "../numerics/normal.js";
import type { FallSeen } from "../schema/job.js";

/** When a simulated piece first pulls by our air, s after the fire; null where it does not. */
export interface Pull {
  readonly pulls_s: number | null;
  readonly weight: number;
}

/** How far the air about a piece that falls may be off ours: draught, scale, how it hangs; logarithm of a ratio (judgement). */
const AIR_LN = 0.2;
/** Who waits for the pull touches about every second, and says so as it comes, s; one in five does not, and finds it some time after (judgement). */
const WATCH_s = 2;
const UNWATCHED = 0.2;
/** Further before the touch than that no air explains it: nobody watched. */
const FAR = 2;
/** No simulated piece is ever ruled out. */
const LEAST_EXPLAINED = 1e-6;

/**
 * Chance that a piece was still free when it was touched, and pulled when it did: the air is the same for all touches, so only the last free
 * one and the first that pulled say anything.
 *
 * @param own_s when it first pulls by our air; null where it never does
 * @returns 0 ... 1
 */
export function explainsFall(own_s: number | null, { free_s, pulls_s }: FallSeen): number {
  const turnedBy = (s: number): number => (own_s === null || s <= 0 ? 0 : normalCdf(Math.log(s / own_s) / AIR_LN));
  if (pulls_s === null) return Math.max(LEAST_EXPLAINED, 1 - turnedBy(free_s));
  const sinceFree = Math.max(0, turnedBy(pulls_s) - turnedBy(free_s));
  const justNow = Math.max(0, turnedBy(pulls_s) - turnedBy(Math.max(free_s, pulls_s - WATCH_s)));
  // That somebody who does not watch should touch just then.
  const byChance = WATCH_s / Math.max(WATCH_s, pulls_s - free_s);
  return Math.max(LEAST_EXPLAINED, (1 - UNWATCHED) * justNow + UNWATCHED * byChance * sinceFree);
}

/** When a case that first pulls at `own_s` by our air did by the magnet, s: as near to that as what was touched allows. */
export function pulledAt_s(own_s: number, { free_s, pulls_s }: FallSeen): number {
  if (pulls_s === null) return Math.max(free_s, own_s);
  const isWatched = Math.log(pulls_s / own_s) <= FAR * AIR_LN;
  return Math.max(isWatched ? Math.max(free_s, pulls_s - WATCH_s) : free_s, Math.min(pulls_s, own_s));
}

/** Where fewer pull at all, nobody should wait for it. */
const MOST = 0.5;

/** When the first pull is to be looked for, s after the fire; null where most never pull. */
export function firstPullOf(pulls: readonly Pull[]): { readonly p05: number; readonly p50: number; readonly p95: number } | null {
  const weighed = (of: readonly Pull[]): number => of.reduce((sum, { weight }) => sum + weight, 0);
  const those = pulls.filter(({ pulls_s }) => pulls_s !== null);
  if (weighed(those) < MOST * weighed(pulls)) return null;
  const bells = those.map(({ pulls_s, weight }) => ({ mean: Math.log(pulls_s!), sd: AIR_LN, weight }));
  const at = (share: number): number => Math.exp(mixtureQuantile(bells, share));
  return { p05: at(0.05), p50: at(0.5), p95: at(0.95) };
}
