/**
 * Cheap looks at a bar, before anything is hardened: its sparks, a magnet, a file on it as it was found, whether it went hard in the air when it was
 * forged. How likely each is by what the bar is: common practice, no source; the shares are judgements.
 */

import { normalCdf } from "../numerics/normal.js";
import type { Composition } from "../kinetics/composition.js";

export const BURSTS = ["none", "few", "many", "very-many"] as const;
export const SPARK_LENGTHS = ["short", "medium", "long"] as const;
export const SPARK_COLOURS = ["straw", "orange", "red"] as const;
export const SPARK_ENDS = ["plain", "forked", "spear"] as const;

export interface Looks {
  readonly spark?: {
    /** Little stars along the lines: they come with carbon. */
    readonly bursts?: (typeof BURSTS)[number];
    readonly length?: (typeof SPARK_LENGTHS)[number];
    readonly colour?: (typeof SPARK_COLOURS)[number];
    /** A spear head before the end of a line: molybdenum. */
    readonly ends?: (typeof SPARK_ENDS)[number];
  };
  /** Whether a magnet holds it cold. */
  readonly isMagnetic?: boolean;
  /** Whether a mill file bites it as it was found. */
  readonly fileAsFound?: "bites" | "skates";
  /** Whether it was hard after it had cooled from forging. */
  readonly airHard?: boolean;
}

/** So many looks are misread, whatever they show. */
const SLIP = 0.06;

/** Chance of one of some classes that lie in order along a value, read with so much scatter. */
function classed(value: number, bounds: readonly number[], sd: number, index: number): number {
  const below = (k: number): number => (k < 0 ? 0 : k >= bounds.length ? 1 : normalCdf((bounds[k]! - value) / sd));
  const classes = bounds.length + 1;
  return SLIP / classes + (1 - SLIP) * (below(index) - below(index - 1));
}

/** Bursts begin from so much carbon, are many from so much, very many from so much, wt%; and an eye tells them to so much. */
const BURST_C = [0.22, 0.5, 0.85] as const;
const BURST_SD = 0.13;
/** Alloy shortens the stream and reddens it: chromium, tungsten and nickel, as it counts here, wt%. */
const dulls = ({ Cr, W, Ni, Mo, Si }: Composition): number => Cr + 2 * W + 0.3 * Ni + 0.5 * Mo + 0.2 * Si;

/** How well a steel explains what was seen. */
export function looksSay(steel: Composition, { spark, isMagnetic, fileAsFound, airHard }: Looks): number {
  let chance = 1;
  if (spark?.bursts !== undefined) chance *= classed(steel.C, BURST_C, BURST_SD, BURSTS.indexOf(spark.bursts));
  if (spark?.length !== undefined) chance *= classed(-dulls(steel), [-2.2, -0.9], 0.6, SPARK_LENGTHS.indexOf(spark.length));
  if (spark?.colour !== undefined) chance *= classed(dulls(steel), [0.9, 2.5], 0.7, SPARK_COLOURS.indexOf(spark.colour));
  if (spark?.ends !== undefined) {
    const spear = SLIP + (0.7 - SLIP) * normalCdf((steel.Mo - 0.15) / 0.06);
    const forked = (1 - spear) * normalCdf((steel.C - 0.4) / 0.2);
    chance *= { plain: 1 - spear - forked, forked, spear }[spark.ends] + SLIP / 3;
  }
  // Every steel of this trade is held by a magnet; what is not is stainless, or no steel.
  if (isMagnetic === false) chance *= SLIP / 3;
  const hardens = normalCdf((steel.C - 0.4) / 0.15);
  if (fileAsFound !== undefined) chance *= fileAsFound === "skates" ? 0.02 + 0.35 * hardens : 1 - (0.02 + 0.35 * hardens);
  if (airHard !== undefined) {
    const air = SLIP / 2 + (0.95 - SLIP / 2) * normalCdf((steel.Cr + 1.5 * steel.Mo + 0.5 * steel.Ni + 0.6 * steel.Mn - 2.4) / 0.5);
    chance *= airHard ? air : 1 - air;
  }
  return chance;
}
