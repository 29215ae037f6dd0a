/** The temperatures that matter for a steel. */

import { austenitise, CURIE_C, heatingCurve, magnetLost_C } from "../kinetics/austenite.js";
import type { PriorStructure } from "../kinetics/structure.js";
import { acm_C, type Composition } from "../kinetics/composition.js";
import { ac1_C, ac3_C, isBeyondEutectoid } from "../kinetics/criticalTemperatures.js";
import { martensiteNineTenths_C, martensiteStart_C } from "../kinetics/martensite.js";

export interface Transformations {
  /** Where austenite begins on heating. */
  readonly ac1_C: number;
  /** Below the eutectoid, else null. */
  readonly ac3_C: number | null;
  /** Above the eutectoid, else null. */
  readonly acm_C: number | null;
  readonly magnetLost_C: number;
  readonly curie_C: number;
  /** Of the austenite that `heat_C` makes. */
  readonly ms_C: number;
  /** Where nine tenths have changed. */
  readonly mf_C: number;
  /** Heat of the austenite that ms_C and mf_C are for, C; null for everything dissolved. */
  readonly msHeat_C: number | null;
}

/** What the martensite is made of: austenite of this composition, from this heat. */
export interface Solution {
  readonly solution_wtpct: Composition;
  readonly heat_C: number;
}

/** Time at heat where nobody says another, s (common practice, no source). */
const USUAL_SOAK_s = 600;

/** What a usual hold at a heat brings into solution. */
export function usualSolution(steel: Composition, prior: PriorStructure, heat_C: number): Solution {
  const { solution_wtpct } = austenitise({ steel, prior, ...heatingCurve({ heat_C, hold_s: USUAL_SOAK_s }) });
  return { solution_wtpct, heat_C };
}

/**
 * @param solution what martensite will be made of; everything dissolved where it is not given
 * @source trzaska2007, kasatkin1984, vanBohemen2012 (from memory); the magnet by the austenite model
 */
export function transformations(steel: Composition, prior: PriorStructure = "pearlite", solution: Solution | null = null): Transformations {
  const isRich = isBeyondEutectoid(steel);
  const martensite = solution?.solution_wtpct ?? steel;
  return {
    ac1_C: ac1_C(steel),
    ac3_C: isRich ? null : Math.max(ac1_C(steel), ac3_C(steel)),
    acm_C: isRich ? acm_C(steel) : null,
    magnetLost_C: magnetLost_C(steel, prior),
    curie_C: CURIE_C,
    ms_C: martensiteStart_C(martensite),
    mf_C: martensiteNineTenths_C(martensite),
    msHeat_C: solution?.heat_C ?? null,
  };
}
