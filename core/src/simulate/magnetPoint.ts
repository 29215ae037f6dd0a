/** Where a magnet lets go of a piece that is heated, and where it pulls again when the piece cools. */

import type { MagnetPoint } from "./heatBelief.js";
import { CURIE_C, magnetLost_C } from "../kinetics/austenite.js";
import type { Composition } from "../kinetics/composition.js";
import { follow } from "../kinetics/follow.js";
import { makeStructure, type PriorStructure } from "../kinetics/structure.js";
import { isMagnetic } from "../kinetics/transform.js";

/** How sure each is, C: steel to steel and how fast (judgement; published spreads of Ac1 are as large). */
const LOST_SD_C = 8;
const RETURNS_SD_C = 25;
/** A blade of a few millimetres in still air, K/s (common practice, no source). */
const AIR_K_s = 3;

/** Where it pulls again after a heat, cooling at a rate, C: it depends on when the steel changes, not on iron alone. */
export function magnetReturns_C(steel: Composition, heat_C: number, rate_K_s = AIR_K_s): number {
  const structure = makeStructure({ nodes: 1, bar_wtpct: steel, prior: "pearlite" });
  const hold_s = 120;
  const duration_s = hold_s + (heat_C - 20) / rate_K_s;
  let back_C: number | null = null;
  follow({
    structure,
    duration_s,
    temperature_C: (t) => (t < hold_s ? heat_C : heat_C - rate_K_s * (t - hold_s)),
    onStep: (time_s, T) => {
      if (time_s > hold_s && back_C === null && isMagnetic(structure, 0, T, CURIE_C)) back_C = T;
    },
  });
  return back_C ?? 20;
}

/** The point that counts for a touch, by the way the heat goes. */
export function magnetPoint(steel: Composition, prior: PriorStructure, direction: "heating" | "cooling", heat_C = 850): MagnetPoint {
  return direction === "heating"
    ? { at_C: magnetLost_C(steel, prior), sd_C: LOST_SD_C }
    : { at_C: magnetReturns_C(steel, heat_C), sd_C: RETURNS_SD_C };
}
