/** Where a magnet lets go of a piece that is heated, and where it pulls again when the piece cools. */

import type { MagnetPoint } from "./heatBelief.js";
import { magnetLost_C, magnetReturns_C } from "../kinetics/austenite.js";
import type { Composition } from "../kinetics/composition.js";
import type { PriorStructure } from "../kinetics/structure.js";

/** How sure each is, C: steel to steel and how fast (judgement; published spreads of Ac1 are as large). */
const LOST_SD_C = 8;
const RETURNS_SD_C = 25;
/** The point that counts for a touch, by the way the heat goes. */
export function magnetPoint(steel: Composition, prior: PriorStructure, direction: "heating" | "cooling", heat_C = 850): MagnetPoint {
  return direction === "heating"
    ? { at_C: magnetLost_C(steel, prior), sd_C: LOST_SD_C }
    : { at_C: magnetReturns_C(steel, heat_C), sd_C: RETURNS_SD_C };
}
