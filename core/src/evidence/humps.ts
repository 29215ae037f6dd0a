/** A belief that is two stories, not one: it failed, or it is hard and the file slipped. Its mean is what nobody has. */

import { hardnessOfNode_HRC, quantile_HRC, type HardnessBelief } from "./belief.js";

export interface Hump {
  /** Of all of the belief, 0 ... 1. */
  readonly share: number;
  readonly median_HRC: number;
}

export interface Humps {
  readonly soft: Hump;
  readonly hard: Hump;
}

/** Narrower than this from its twentieth to its nineteen twentieth one number says it, HRC (judgement). */
const WIDE_HRC = 10;
/** Next to nothing lies at the mean: as a share of what lies at the likeliest (judgement). */
const EMPTY = 0.25;
/** A story of less than this is a tail (judgement). */
const LEAST_SHARE = 0.1;

/** Where two classes are furthest apart for their own width. The greatest variance between them (Otsu 1979, from memory). */
function parting(belief: HardnessBelief): number {
  const mean = belief.reduce((sum, w, i) => sum + w * hardnessOfNode_HRC(i), 0);
  let [best, bestAt, share, moment] = [-1, 0, 0, 0];
  belief.forEach((w, i) => {
    share += w;
    moment += w * hardnessOfNode_HRC(i);
    const between = share > 0 && share < 1 ? (mean * share - moment) ** 2 / (share * (1 - share)) : 0;
    if (between > best) [best, bestAt] = [between, i];
  });
  return bestAt;
}

/** The two stories of a belief, HRC; null where one number tells it. */
export function humpsOf(belief: HardnessBelief): Humps | null {
  if (quantile_HRC(belief, 0.95) - quantile_HRC(belief, 0.05) < WIDE_HRC) return null;
  const mean = belief.reduce((sum, w, i) => sum + w * i, 0);
  if (belief[Math.round(mean)]! > EMPTY * Math.max(...belief)) return null;
  const at = parting(belief);
  const part = (from: number, to: number): Hump => {
    const share = belief.subarray(from, to).reduce((sum, w) => sum + w, 0);
    return {
      share,
      median_HRC: quantile_HRC(
        belief.map((w, i) => (i >= from && i < to ? w / share : 0)),
        0.5,
      ),
    };
  };
  const [soft, hard] = [part(0, at + 1), part(at + 1, belief.length)];
  return Math.min(soft.share, hard.share) < LEAST_SHARE ? null : { soft, hard };
}
