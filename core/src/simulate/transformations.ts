/** The temperatures that matter for a steel. */

import { CURIE_C, magnetLost_C } from "../kinetics/austenite.js";
import type { PriorStructure } from "../kinetics/structure.js";
import { ac1_C, ac3_C, acm_C, eutectoidCarbon_wtpct, type Composition } from "../kinetics/composition.js";
import { martensiteNineTenths_C, martensiteStart_C } from "../kinetics/martensite.js";

export interface Transformations {
  readonly ac1_C: number;
  /** Below the eutectoid, else null. */
  readonly ac3_C: number | null;
  /** Above the eutectoid, else null. */
  readonly acm_C: number | null;
  readonly magnetLost_C: number;
  readonly curie_C: number;
  readonly ms_C: number;
  /** Where nine tenths have changed. */
  readonly mf_C: number;
}

/** @source andrews1965, vanBohemen2012 (from memory); the magnet by the austenite model */
export function transformations(steel: Composition, prior: PriorStructure = "pearlite"): Transformations {
  const isLean = steel.C < eutectoidCarbon_wtpct(steel);
  return {
    ac1_C: ac1_C(steel),
    ac3_C: isLean ? Math.max(ac1_C(steel), ac3_C(steel)) : null,
    acm_C: isLean ? null : acm_C(steel),
    magnetLost_C: magnetLost_C(steel, prior),
    curie_C: CURIE_C,
    ms_C: martensiteStart_C(steel),
    mf_C: martensiteNineTenths_C(steel),
  };
}
