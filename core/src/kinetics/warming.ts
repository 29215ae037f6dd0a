/** What heat does to a node: austenite forms, carbide dissolves, grain grows; below the change carbide rounds and martensite tempers. */

import { GAS_J_molK } from "../constants.js";
import { atDegree } from "../numerics/degreeTable.js";
import { clamp } from "../numerics/interpolate.js";
import { kelvin } from "../units.js";
import { a3Carbon_wtpct, ae1_C, acmCarbon_wtpct, eutectoidCarbon_wtpct } from "./composition.js";
import type { Kinetics } from "./kinetics.js";
import { austeniteLeft, COARSE_um, FINE_um, LAMELLAR_um, NEW_GRAIN_um, type Structure } from "./structure.js";
import { addTemper_K, hollomonConstant } from "./temper.js";

/** Martensite and retained austenite brought slowly to the change: soft, full of fine carbide, HV (judgement). */
const TEMPERED_TO_THE_CHANGE_HV = 240;
/** Fraction of a new grain's size that the old one hands on, down to the finest: two or three heats refine (common practice). */
const HANDED_ON = 0.5;

/** The node begins to be austenite again: how its carbide will dissolve follows from the structure that is there. */
function enterAustenite(s: Structure, i: number): void {
  const A = austeniteLeft(s, i);
  const Cr = s.bar.Cr;
  if (s.martensite[i]! > 0) {
    const share = s.martensite[i]! + A;
    const carbon = s.bar.C - s.looseCarbon_wtpct[i]! - s.lamellarCarbon_wtpct[i]!;
    s.lamellarCarbon_wtpct[i]! += carbon;
    s.martensiteCarbon_wtpct[i] = 0;
    s.martensite[i] = 0;
    s.temper_K[i] = 0;
    s.ferrite[i]! += share;
    s.formedHardness_HV[i]! += share * TEMPERED_TO_THE_CHANGE_HV;
  }
  // What is not austenite yet counts as ferrite with its carbide; its hardness stays its own.
  s.ferrite[i]! += s.pearlite[i]! + s.bainite[i]!;
  s.pearlite[i] = 0;
  s.bainite[i] = 0;
  const loose = s.looseCarbon_wtpct[i]!;
  const lamellar = s.lamellarCarbon_wtpct[i]!;
  const w = loose + lamellar > 0 ? lamellar / (loose + lamellar) : 1;
  const r = s.carbide_um[i]!;
  const coarse = clamp((r - FINE_um) / (COARSE_um - FINE_um), -0.5, 3);
  const floorRound = 0.78 - 0.25 * Cr + clamp(coarse, 0, 1) * (0.65 - (0.78 - 0.25 * Cr));
  s.dissolving_um[i] = w * LAMELLAR_um + (1 - w) * r;
  s.spacingRatio[i] = w * 0.3 + (1 - w) * (1 + coarse);
  s.floorRatio[i] = Math.max(0.6, w * (0.95 - 0.4 * Cr) + (1 - w) * floorRound);
  s.carbide_um[i] = s.dissolving_um[i]!;
  if (A < 0.5) s.grain_um[i] = Math.max(NEW_GRAIN_um, HANDED_ON * s.grain_um[i]!);
  s.hasBeenCold[i] = 0;
}

/** Factor of grain growth at an endless heat, um / s^0.211. @source leeLee2008 (from memory) */
const GRAIN_um = 76671;
const GRAIN_EXPONENT = 0.211;

/** Grain held by vanadium and by carbide. @source hardening-note (calibrated) */
function pinning(s: Structure, T: number, boundShare: number): number {
  const vanadium = 0.8 * Math.min(1, s.bar.V / 0.15) * clamp((1010 - T) / 80, 0, 1);
  const carbide = 0.6 * Math.min(1, (boundShare * s.bar.C) / 0.3);
  return 1 / ((1 + vanadium) * (1 + carbide));
}

/** Chromium the rate is quoted at, wt%: that of the one steel whose dissolution was measured. */
const QUOTED_Cr_wtpct = 0.55;

/** Speed of dissolution at a size, 1/s. @source hardening-note section 4 (calibrated), constants in core/data/kinetics */
function dissolutionRate_1_s(kinetics: Kinetics, T: number, carbide_um: number, Cr: number): number {
  const k = kinetics.constants;
  const chromium = (1 + k.dissolutionChromium * QUOTED_Cr_wtpct) / (1 + k.dissolutionChromium * Cr);
  return (k.dissolutionRate_um2_s / (carbide_um * carbide_um)) * atDegree(kinetics.dissolutionSpeed, T) * chromium;
}

/**
 * A node above Ae1 that is not cooling: austenite grows towards equilibrium, carbide dissolves, grain grows.
 * @returns how fast carbon goes into solution, share of all carbon per second: it limits the step.
 * @source hardening-note section 4 (calibrated); check values in test/kinetics/austenite.test.ts
 */
function austenitiseNode(s: Structure, i: number, T: number, dt_s: number, Ae1: number): number {
  if (s.hasBeenCold[i] === 1) enterAustenite(s, i);
  const { bar } = s;
  const C0 = bar.C;
  const CA3 = a3Carbon_wtpct(bar, T);
  const Cacm = acmCarbon_wtpct(bar, T);
  let g = austeniteLeft(s, i);
  const gEq = C0 < CA3 ? clamp((C0 - 0.01) / (CA3 - 0.01), 0, 1) : 1;
  const lam = s.spacingRatio[i]!;
  const tau_s = ((150 * lam * lam) / Math.max(T - Ae1, 1)) * (1 + bar.Cr);
  const grown = gEq > g ? (gEq - g) * -Math.expm1(-dt_s / tau_s) : 0;
  if (grown > 0) {
    const share = Math.min(1, grown / (1 - g));
    const keep = 1 - share;
    const moved = s.lamellarCarbon_wtpct[i]! * share;
    s.lamellarCarbon_wtpct[i]! -= moved;
    s.looseCarbon_wtpct[i]! += moved;
    s.ferrite[i]! *= keep;
    s.pearlite[i]! *= keep;
    s.bainite[i]! *= keep;
    s.spheroidite[i]! *= keep;
    s.formedHardness_HV[i]! *= keep;
    s.austenitised[i] = grown;
    g += grown;
  }
  s.isStale[i] = 1;
  if (g <= 0.001) return 0;
  const before = (s.looseCarbon_wtpct[i]! + s.lamellarCarbon_wtpct[i]!) / C0;
  const Cfloor = Math.min(Math.max(CA3, s.floorRatio[i]! * eutectoidCarbon_wtpct(bar)), C0, Cacm);
  const Cnow = (C0 * (1 - before)) / Math.max(g, 0.01);
  const speed =
    before <= 0
      ? 0
      : dissolutionRate_1_s(s.kinetics, T, s.dissolving_um[i]!, bar.Cr) *
        s.dissolutionRatio *
        Math.cbrt(before) *
        Math.max(0, Cacm - Math.max(Cnow, Cfloor)) *
        g;
  const after = clamp(before - speed * dt_s, 0, 1 - (g * Cfloor) / C0);
  if (after < before) {
    let dissolved = (before - after) * C0;
    const fromLoose = Math.min(dissolved, s.looseCarbon_wtpct[i]!);
    s.looseCarbon_wtpct[i]! -= fromLoose;
    dissolved -= fromLoose;
    s.lamellarCarbon_wtpct[i] = Math.max(0, s.lamellarCarbon_wtpct[i]! - dissolved);
  }
  const A = GRAIN_um * Math.exp(-s.grainActivation_J_mol / (GAS_J_molK * kelvin(T))) * pinning(s, T, after);
  const D = s.grain_um[i]!;
  // D = A t^0.211, by logarithms: a power costs three times as much.
  const grown_s = Math.exp(Math.log(D / A) / GRAIN_EXPONENT) + dt_s;
  s.grain_um[i] = Math.max(D, A * Math.exp(Math.log(grown_s) * GRAIN_EXPONENT));
  return speed;
}

/** Below this nothing rounds in the time a smith has, C. */
const ROUNDS_FROM_C = 550;
/**
 * Time in which carbide rounds at 700 C: lamellae of pearlite and the fine carbide of martensite, s; growth of round
 * carbide there, um3/s; activation energy, J/mol. Orders of magnitude of published spheroidising studies, from memory.
 */
const ROUND_PEARLITE_s = 20 * 3600;
const ROUND_MARTENSITE_s = 1800;
const COARSENING_um3_s = 3e-6;
const ROUNDING_J_mol = 240e3;
const FROM_MARTENSITE_um = 0.2;

/** A node held just below Ae1: carbide turns round and coarsens. */
function spheroidiseNode(s: Structure, i: number, T: number, dt_s: number): void {
  const speed = Math.exp((-ROUNDING_J_mol / GAS_J_molK) * (1 / kelvin(T) - 1 / kelvin(700)));
  const loose = s.looseCarbon_wtpct[i]!;
  let added = 0;
  let added_um = LAMELLAR_um;
  if (s.martensite[i]! > 0) {
    const share = -Math.expm1((-dt_s / ROUND_MARTENSITE_s) * speed);
    const M = s.martensite[i]! * share;
    added = s.martensiteCarbon_wtpct[i]! * share;
    added_um = FROM_MARTENSITE_um;
    s.martensite[i]! -= M;
    s.martensiteCarbon_wtpct[i]! -= added;
    s.ferrite[i]! += M;
    s.spheroidite[i]! += M;
    s.formedHardness_HV[i]! += M * s.coefficients[i]!.ferrite_HV;
  } else if (s.lamellarCarbon_wtpct[i]! > 0 && s.pearlite[i]! + s.bainite[i]! > 0) {
    const share = -Math.expm1((-dt_s / ROUND_PEARLITE_s) * speed);
    const P = (s.pearlite[i]! + s.bainite[i]!) * share;
    added = s.lamellarCarbon_wtpct[i]! * share;
    s.lamellarCarbon_wtpct[i]! -= added;
    s.pearlite[i]! *= 1 - share;
    s.bainite[i]! *= 1 - share;
    s.ferrite[i]! += P;
    s.spheroidite[i]! += P;
    const formed = s.formedHardness_HV[i]!;
    s.formedHardness_HV[i] = formed + share * Math.min(0, s.coefficients[i]!.ferrite_HV - formed);
  }
  if (added > 0) {
    s.looseCarbon_wtpct[i]! += added;
    s.carbide_um[i] = (s.carbide_um[i]! * loose + added_um * added) / (loose + added);
  }
  if (s.looseCarbon_wtpct[i]! > 0) {
    const r = s.carbide_um[i]!;
    s.carbide_um[i] = Math.cbrt(r * r * r + (COARSENING_um3_s * speed * dt_s) / (1 + 5 * s.bar.Cr));
  }
}

/** Cooling faster than this is a quench, not a temper: as-quenched hardness already counts what martensite loses then, K/s. */
export const STILL_TEMPERS_K_s = -0.05;
/** Below this martensite does not temper in the time a smith has, C. */
const TEMPERS_FROM_C = 60;

/**
 * What a step at these temperatures does to every node that is not cooling fast: judged by the move from `before_C` over
 * `over_s`.
 * @returns the fastest dissolution, share of all carbon per second.
 */
export function warm(s: Structure, temperature_C: Float64Array, before_C: Float64Array, dt_s: number, over_s: number): number {
  const Ae1 = ae1_C(s.bar);
  const count = s.isEven ? 1 : s.count;
  const slowest = STILL_TEMPERS_K_s * over_s;
  let fastest = 0;
  for (let i = 0; i < count; i++) {
    s.austenitised[i] = 0;
    const T = temperature_C[i]!;
    if (T - before_C[i]! < slowest) continue;
    if (T > Ae1) {
      const speed = austenitiseNode(s, i, T, dt_s, Ae1);
      if (speed > fastest) fastest = speed;
      continue;
    }
    if (s.martensite[i]! > 0 && T > TEMPERS_FROM_C) {
      s.temper_K[i] = addTemper_K(s.temper_K[i]!, kelvin(T), dt_s / 3600, hollomonConstant(s.temperSteel.carbonInSolution_wtpct));
    }
    if (T > ROUNDS_FROM_C && austeniteLeft(s, i) < 0.5) spheroidiseNode(s, i, T, dt_s);
  }
  return fastest;
}

/** Marks nodes that fell below Ae1. */
export function noteCold(s: Structure, temperature_C: Float64Array): void {
  const Ae1 = ae1_C(s.bar);
  const count = s.isEven ? 1 : s.count;
  for (let i = 0; i < count; i++) if (temperature_C[i]! < Ae1 - 1) s.hasBeenCold[i] = 1;
}
