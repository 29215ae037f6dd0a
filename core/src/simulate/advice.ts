/** Whether the heat, not the bath, is what keeps a hardening back. What to do about it is worked out with all else: solve/. */

import { HARD_USE_HRC } from "../plan/route.js";
import type { HardenPlan, HardenResult } from "./harden.js";
import { moreCarbon, wantedCarbon_wtpct, type MoreCarbon } from "../kinetics/soak.js";

/** So much short of it is not worth a word, wt%. */
const SHORT_OF_wtpct = 0.02;
/** A change that needs more than this is no advice. */
const [MOST_LONGER_min, MOST_HOTTER_K] = [60, 60];

/** What would bring enough carbon into solution; null when it is not the limit. */
export function limitOf(plan: HardenPlan, { austenite }: HardenResult, wanted_HRC: number): MoreCarbon | null {
  const steel = plan.steel.composition_wtpct;
  const wanted_wtpct = wantedCarbon_wtpct(steel);
  const isShort = austenite.solution_wtpct.C < wanted_wtpct - SHORT_OF_wtpct;
  if (!isShort || wanted_HRC < HARD_USE_HRC || austenite.extent < 0.5) return null;
  const answer = moreCarbon({ steel, prior: plan.prior, heat_C: plan.heat_C, hold_s: plan.hold_s, wanted_wtpct });
  return {
    ...answer,
    longer_s: answer.longer_s !== null && answer.longer_s > MOST_LONGER_min * 60 ? null : answer.longer_s,
    hotter_K: answer.hotter_K !== null && answer.hotter_K > MOST_HOTTER_K ? null : answer.hotter_K,
  };
}
