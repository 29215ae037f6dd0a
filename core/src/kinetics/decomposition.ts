/** How fast austenite becomes ferrite, pearlite and bainite at a temperature. */

import { atDegree } from "../numerics/degreeTable.js";
import { a3_C, ae1_C, ACM_SLOPE_K_wtpct, eutectoidCarbon_wtpct, ferriteEnd_C, type Composition } from "./composition.js";
import {
  bainiteAlloy_HV,
  bainiteCarbonRatio,
  BAINITE_HV,
  ferriteHardness_HV,
  pearliteAlloy_HV,
  pearliteCarbonRatio,
  PEARLITE_EUTECTOID_C,
  PEARLITE_HV,
} from "./hardness.js";
import { KINETICS, LAST_C, type Kinetics } from "./kinetics.js";
import { martensiteRate_1_K, martensiteStart_C } from "./martensite.js";

/** Grain, alloy and driving force of the three changes. */
export interface DecompositionInput {
  /** Composition in solution, wt%. */
  readonly solution_wtpct: Composition;
  readonly astmGrain: number;
  /** Undissolved carbide that helps pearlite to begin, 1/um. */
  readonly nucleation_1_um?: number;
  /** Vanadium counts as in the bar, not as in solution. */
  readonly barVanadium_wtpct?: number;
  /** Multiplies all three rates: 1 as fitted; the ensemble varies it. */
  readonly rateRatio?: number;
  readonly kinetics?: Kinetics;
}

/** From here manganese holds pearlite back less, and least here, wt% C (by rounds of 1050 to 1095 in one oil; fitted). */
const MANGANESE_FROM = 0.5;
const MANGANESE_TO = 0.9;

/** What is left of the effect of manganese on pearlite in austenite of so much carbon, 0 … 1. */
function manganeseLeft(carbon_wtpct: number, gone: number): number {
  return 1 - gone * Math.min(1, Math.max(0, (carbon_wtpct - MANGANESE_FROM) / (MANGANESE_TO - MANGANESE_FROM)));
}

/**
 * What one austenite brings to the rates, so that a rate is a few products and two table look-ups.
 * Factors in 1/s of reduced time (extent.ts) per K cubed (pearlite by its table, ferrite) or squared (bainite).
 */
export interface Coefficients {
  ae1_C: number;
  a3_C: number;
  bainiteStart_C: number;
  martensiteStart_C: number;
  martensiteRate_1_K: number;
  carbon_wtpct: number;
  eutectoid_wtpct: number;
  /** Where the A3 line meets pure iron, C. */
  ferriteEnd_C: number;
  pearlite: number;
  /** Share of the slower alloy diffusion in pearlite. */
  alloyDelay: number;
  ferrite: number;
  bainite: number;
  /** How sluggish the end of bainite is: its integral is multiplied by exp of this times the extent squared. */
  bainiteEnd: number;
  /** Hardness of pearlite: base table shifted, times a ratio, plus; of bainite: ratio, plus; of ferrite, HV. */
  pearliteShift_K: number;
  pearliteRatio: number;
  pearliteMore_HV: number;
  bainiteRatio: number;
  bainiteMore_HV: number;
  ferrite_HV: number;
}

/** @source li1998 (from memory) */
export function bainiteStart_C({ C, Mn, Ni, Cr, Mo }: Composition): number {
  return 637 - 58 * C - 35 * Mn - 15 * Ni - 34 * Cr - 41 * Mo;
}

/** Molybdenum slows the diffusion of pearlite from 0.15 % on; a trace from scrap hardly does: chosen so that steels with 0.2 % stay within a hundredth of a linear law (judgement). */
const MOLYBDENUM_BITES_wtpct = 0.15;

/** @source kirkaldy1984 (from memory) */
function bainiteEndOf({ C, Mn, Ni, Cr, Mo }: Composition): number {
  return Math.max(0, 1.9 * C + 2.5 * Mn + 0.9 * Ni + 1.7 * Cr + 4 * Mo - 2.6);
}

/**
 * @source kirkaldy1984 (form, from memory); free constants fitted: core/data/kinetics, docs/model/hardening.md
 * @error test/simulate/diagrams.test.ts
 */
export function coefficientsOf({
  solution_wtpct: x,
  astmGrain,
  nucleation_1_um = 0,
  barVanadium_wtpct,
  rateRatio = 1,
  kinetics = KINETICS,
}: DecompositionInput): Coefficients {
  const { C, Mn, Si, Cr, Ni, Mo, W } = x;
  const k = kinetics.constants;
  const V = barVanadium_wtpct ?? x.V;
  // Two to a power, by the exponential: a third of the time, and this is worked out for every node that begins to cool.
  const grain = (exponent: number): number => Math.exp(Math.LN2 * (2.5 + exponent * (astmGrain - 6))) * rateRatio;
  const slowP =
    k.pearliteScale *
    (k.pearliteBase + k.pearliteChromium * Cr + k.pearliteMolybdenum * Mo * (1 + 4 * Ni)) *
    Math.exp(
      k.pearliteManganese * manganeseLeft(C, k.pearliteManganeseCarbon) * (Mn - 0.75) +
        k.pearliteVanadium * V +
        k.pearliteNickel * Ni +
        k.pearliteSilicon * (Si - 0.22) +
        k.pearliteTungsten * W +
        k.pearliteCarbon * (Math.min(C, 0.8) - 0.8),
    );
  const slowF =
    k.ferriteScale *
    (59.6 * Mn + 1.45 * Ni + 67.7 * Cr + 244 * Mo) *
    Math.exp(k.ferriteManganese * (Mn - 0.75) + k.ferriteVanadium * V + (Si - 0.22));
  const slowB =
    k.bainiteScale *
    (k.bainiteBase + k.bainiteCarbon * C + k.bainiteChromium * Cr + k.bainiteMolybdenum * Mo) *
    Math.exp(
      k.bainiteCarbonTogether * (C - 0.6) +
        k.bainiteManganese * Mn +
        k.bainiteSilicon * (Si - 0.22) +
        k.bainiteNickel * Ni +
        k.bainiteTungsten * W,
    );
  const Ae1 = ae1_C(x);
  return {
    ae1_C: Ae1,
    a3_C: a3_C(x),
    bainiteStart_C: bainiteStart_C(x),
    martensiteStart_C: martensiteStart_C(x),
    martensiteRate_1_K: martensiteRate_1_K(x),
    carbon_wtpct: C,
    eutectoid_wtpct: eutectoidCarbon_wtpct(x),
    ferriteEnd_C: ferriteEnd_C(x),
    pearlite: (grain(k.pearliteGrain) * (1 + k.pearliteCarbideSites_um * nucleation_1_um)) / slowP,
    alloyDelay: 0.01 * Cr + (0.52 * Mo * Mo) / (Mo + MOLYBDENUM_BITES_wtpct),
    ferrite: slowF <= 0 ? 0 : grain(k.ferriteGrain) / slowF,
    bainite: grain(k.bainiteGrain) / slowB,
    bainiteEnd: bainiteEndOf(x),
    pearliteShift_K: PEARLITE_EUTECTOID_C - Ae1,
    pearliteRatio: pearliteCarbonRatio(x, k.pearliteWithoutCarbon),
    pearliteMore_HV: k.pearliteAlloyShare * pearliteAlloy_HV(x),
    bainiteRatio: bainiteCarbonRatio(x, k.bainiteWithoutCarbon),
    bainiteMore_HV: k.bainiteAlloyShare * bainiteAlloy_HV(x),
    ferrite_HV: ferriteHardness_HV(x),
  };
}

/** Pearlite stops this far below the martensite start, K. */
export const PEARLITE_STOPS_K = 50;

/** Rates of reduced time, 1/s. */
export function pearliteRate_1_s(c: Coefficients, kinetics: Kinetics, T: number): number {
  if (T >= c.ae1_C || T <= c.martensiteStart_C - PEARLITE_STOPS_K) return 0;
  const below = c.ae1_C - T;
  const delay = atDegree(kinetics.pearliteDelay, T) + c.alloyDelay * atDegree(kinetics.alloyDelay, T);
  return (c.pearlite * atDegree(kinetics.pearliteForce, below)) / delay;
}

export function ferriteRate_1_s(c: Coefficients, kinetics: Kinetics, T: number): number {
  if (T >= c.a3_C) return 0;
  const below = c.a3_C - T;
  return c.ferrite * below * below * below * atDegree(kinetics.ferriteSpeed, T);
}

export function bainiteRate_1_s(c: Coefficients, kinetics: Kinetics, T: number): number {
  if (T >= c.bainiteStart_C) return 0;
  const below = c.bainiteStart_C - T;
  return (c.bainite * below * below) / atDegree(kinetics.bainiteDelay, T);
}

/** Greatest share of ferrite at a temperature, by the lever rule on the A3 line drawn on below Ae1. */
export function ferriteLimitOf(c: Coefficients, T: number): number {
  const C = c.carbon_wtpct;
  if (T >= c.ae1_C) {
    const share = (c.ferriteEnd_C - T) / (c.ferriteEnd_C - c.ae1_C);
    const line = share <= 0 ? 0 : c.eutectoid_wtpct * share * share;
    return line <= C ? 0 : Math.min(1, (line - C) / (line - 0.01));
  }
  const line = c.eutectoid_wtpct + (T - c.ae1_C) / ACM_SLOPE_K_wtpct;
  return line <= C ? 0 : Math.min(1, (line - C) / (line - 0.02));
}

export function pearliteHardnessOf_HV(c: Coefficients, T: number): number {
  return atDegree(PEARLITE_HV, T + c.pearliteShift_K) * c.pearliteRatio + c.pearliteMore_HV;
}

export function bainiteHardnessOf_HV(c: Coefficients, T: number): number {
  return atDegree(BAINITE_HV, T) * c.bainiteRatio + c.bainiteMore_HV;
}

/** Rates and limits at every degree from 0 to LAST_C, for diagrams and for the margin at the nose. */
export interface DecompositionTable {
  readonly ae1_C: number;
  readonly a3_C: number;
  readonly bainiteStart_C: number;
  readonly martensiteStart_C: number;
  readonly bainiteEnd: number;
  readonly pearlite_1_s: Float64Array;
  readonly ferrite_1_s: Float64Array;
  readonly bainite_1_s: Float64Array;
  readonly ferriteLimit: Float64Array;
}

export function decompositionTable(input: DecompositionInput): DecompositionTable {
  const kinetics = input.kinetics ?? KINETICS;
  const c = coefficientsOf(input);
  const each = (f: (c: Coefficients, kinetics: Kinetics, T: number) => number): Float64Array =>
    Float64Array.from({ length: LAST_C + 1 }, (_, T) => f(c, kinetics, T));
  return {
    ae1_C: c.ae1_C,
    a3_C: c.a3_C,
    bainiteStart_C: c.bainiteStart_C,
    martensiteStart_C: c.martensiteStart_C,
    bainiteEnd: c.bainiteEnd,
    pearlite_1_s: each(pearliteRate_1_s),
    ferrite_1_s: each(ferriteRate_1_s),
    bainite_1_s: each(bainiteRate_1_s),
    ferriteLimit: each((_, __, T) => ferriteLimitOf(c, T)),
  };
}
