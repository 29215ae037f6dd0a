/** What sets a hardening heat: where less carbon is dissolved than the use needs below it, and where the grain grows above it; and how far this fire errs. */

import { austenitise, heatingCurve } from "../kinetics/austenite.js";
import { ac1_C } from "../kinetics/criticalTemperatures.js";
import type { Composition } from "../kinetics/composition.js";
import { a255InitialHardness_HRC } from "../kinetics/hardness.js";
import { heatFor_C, wantedCarbon_wtpct } from "../kinetics/soak.js";
import type { Known } from "../schema/job.js";
import { HEAT_K } from "../simulate/hardenSpread.js";
import type { Domain } from "./domain.js";
import type { Tried } from "./tried.js";
import { FINE_ASTM } from "./weights.js";

/** carbon, grain: by the model. range: by the table of the steel, whose end comes first. */
export type LowBecause = "carbon";
export type HighBecause = "grain" | "range";

export interface HeatLimits {
  /** Null where no heat up to 950 C dissolves enough in this hold. */
  readonly low_C: number | null;
  readonly high_C: number;
  readonly lowBecause: LowBecause;
  readonly highBecause: HighBecause;
  /** Where nine in ten of the heats of this fire and this eye lie. */
  readonly reaches_C: readonly [number, number];
}

/** Coarser by so much than fine is what a break shows, ASTM numbers; looked for in such steps up to there, C. */
const COARSER = 1;
const STEP_K = 5;
const HOTTEST_C = 950;
/** Nine of ten of a bell lie within so many deviations. */
const NINE_IN_TEN = 1.645;

/** Fully hard it comes out this much above what its use wants, so that a temper has something to draw, HRC (judgement). */
const TO_DRAW_HRC = 2;
const STEP_wtpct = 0.01;
const LEAN_wtpct = 0.2;

/** Carbon in solution that a use needs, wt%: no more than a hardening wants at most. @source astmA255 (initial hardness by carbon, from memory) */
function neededCarbon_wtpct(composition: Composition, high_HRC: number): number {
  const all = wantedCarbon_wtpct(composition);
  let C = LEAN_wtpct;
  while (C < all && a255InitialHardness_HRC(C) < high_HRC + TO_DRAW_HRC) C += STEP_wtpct;
  return Math.min(C, all);
}

export function limitsOf({ steel, prior }: Domain, { hardened: { hardening } }: Tried, { shop }: Known, high_HRC: number): HeatLimits {
  const { heat_C, hold_min } = hardening;
  const { composition_wtpct: composition } = steel;
  const low_C = heatFor_C({
    steel: composition,
    prior,
    heat_C: STEP_K * Math.ceil(ac1_C(composition) / STEP_K),
    wanted_wtpct: neededCarbon_wtpct(composition, high_HRC),
    hold_s: 60 * hold_min,
  });
  const isCoarse = (T: number): boolean =>
    austenitise({ steel: composition, prior, ...heatingCurve({ heat_C: T, hold_s: 60 * hold_min }) }).astmGrain < FINE_ASTM - COARSER;
  let grows_C = STEP_K * Math.ceil(heat_C / STEP_K);
  while (grows_C < HOTTEST_C && !isCoarse(grows_C)) grows_C += STEP_K;
  const high_C = steel.file?.austenitise_C.range[1] ?? HOTTEST_C;
  const isByGrain = grows_C <= high_C;
  const { mean = 0, sd = HEAT_K } = shop?.heat_K ?? {};
  return {
    low_C,
    high_C: isByGrain ? grows_C : Math.max(high_C, heat_C),
    lowBecause: "carbon",
    highBecause: isByGrain ? "grain" : "range",
    reaches_C: [heat_C + mean - NINE_IN_TEN * sd, heat_C + mean + NINE_IN_TEN * sd],
  };
}
