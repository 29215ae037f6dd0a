/** What happens above Ac1: austenite forms, carbide dissolves, grain grows. All calibrated by hand: hardening-note. */

import { GAS_J_molK } from "../constants.js";
import { clamp } from "../numerics/interpolate.js";
import { kelvin } from "../units.js";
import { a3Carbon_wtpct, ac1_C, acmCarbon_wtpct, eutectoidCarbon_wtpct, type Composition } from "./composition.js";

export type PriorStructure = "pearlite" | "fine-spheroidised" | "coarse-spheroidised" | "as-forged";

interface Structure {
  /** Size of the carbide that has to dissolve, um. */
  readonly carbide_um: number;
  /** How far carbon has to travel, against fine spheroidite. */
  readonly spacingRatio: number;
  readonly floor: (Cr: number) => number;
  /** Grain of the new austenite before it grows, um. */
  readonly newGrain_um: number;
}

const NEW_GRAIN_um = 8;
/** Carbon of cementite, wt%. */
const CEMENTITE_CARBON_wtpct = 6.67;

/** As forged is pearlite of unknown, coarser grain: the new grain starts at twice the size (judgement, no source). */
const STRUCTURES: Readonly<Record<PriorStructure, Structure>> = {
  pearlite: { carbide_um: 0.34, spacingRatio: 0.3, floor: (Cr) => 0.95 - 0.4 * Cr, newGrain_um: NEW_GRAIN_um },
  "as-forged": { carbide_um: 0.34, spacingRatio: 0.3, floor: (Cr) => 0.95 - 0.4 * Cr, newGrain_um: 2 * NEW_GRAIN_um },
  "fine-spheroidised": { carbide_um: 0.34, spacingRatio: 1, floor: (Cr) => 0.78 - 0.25 * Cr, newGrain_um: NEW_GRAIN_um },
  "coarse-spheroidised": { carbide_um: 0.9, spacingRatio: 2, floor: () => 0.65, newGrain_um: NEW_GRAIN_um },
};

/** Austenite as it stands when the piece leaves the fire. */
export interface Austenite {
  /** Share of the steel that is austenite, 0 ... 1. */
  readonly extent: number;
  /** Composition of the austenite. */
  readonly solution_wtpct: Composition;
  /** Share of the steel that is undissolved carbide. */
  readonly undissolved: number;
  /** Carbide that helps pearlite to begin, 1/um. */
  readonly nucleation_1_um: number;
  readonly astmGrain: number;
  readonly grain_um: number;
  /** When the magnet let go, s after the start; null when it never did. */
  readonly magnetLost_s: number | null;
  readonly magnetLost_C: number | null;
}

/** ASTM grain size number of a mean intercept, um. @source astmE112 (from memory) */
export function astmGrainNumber(grain_um: number): number {
  return -6.6439 * Math.log10(grain_um / 1000) - 3.288;
}

/**
 * Growth of grain held by carbide and vanadium, D = A t^0.211, used in increments.
 * @source leeLee2008 (from memory), with a pinning factor calibrated by hand
 */
function grainFactor_um(steel: Composition, temperature_C: number, carbideShare: number): number {
  const TK = kelvin(temperature_C);
  const vanadium = 0.8 * Math.min(1, steel.V / 0.15) * clamp((1010 - temperature_C) / 80, 0, 1);
  const carbide = 0.6 * Math.min(1, (carbideShare * steel.C) / 0.3);
  const pin = 1 / ((1 + vanadium) * (1 + carbide));
  return 76671 * Math.exp(-(89098 + 3581 * steel.C + 1443 * steel.Cr) / (GAS_J_molK * TK)) * pin;
}

/** What is left in solution of an element that carbide holds `partition` times as strongly, when a share is undissolved. */
function inSolution_wtpct(element_wtpct: number, partition: number, carbideFraction: number, undissolvedShare: number): number {
  const share = (partition * carbideFraction) / (partition * carbideFraction + 1 - carbideFraction);
  return element_wtpct * (1 - share * undissolvedShare);
}

export interface AustenitiseInput {
  readonly steel: Composition;
  readonly prior: PriorStructure;
  /** Temperature of the piece, C, at a time since cold, s. */
  readonly temperature_C: (time_s: number) => number;
  readonly duration_s: number;
  /** Multiplies the speed of dissolution: 1 as calibrated; the ensemble varies it. */
  readonly dissolutionRatio?: number;
}

const STEP_s = 0.5;
/** Temperature at which iron itself stops attracting a magnet, C (Curie point of iron, from memory). */
export const CURIE_C = 770;

/**
 * Austenite after a thermal history that starts cold.
 *
 * @returns composition in wt%, fractions 0 ... 1.
 * @source hardening-note section 4 (calibrated); check values in test/kinetics/austenite.test.ts
 */
export function austenitise({ steel, prior, temperature_C, duration_s, dissolutionRatio = 1 }: AustenitiseInput): Austenite {
  const { carbide_um: r0, spacingRatio, floor, newGrain_um } = STRUCTURES[prior];
  const Ac1 = ac1_C(steel);
  const Ceut = eutectoidCarbon_wtpct(steel);
  const C0 = steel.C;
  const phi = Math.max(0.6, floor(steel.Cr));
  let g = 0;
  let f = 1;
  let D = newGrain_um;
  let magnetLost_s: number | null = null;
  const steps = Math.max(1, Math.round(duration_s / STEP_s));
  for (let step = 0; step < steps; step++) {
    const time_s = (step + 1) * STEP_s;
    const T = temperature_C(time_s);
    if (magnetLost_s === null && (g > 0.9 || T >= CURIE_C)) magnetLost_s = time_s;
    if (T <= Ac1) continue;
    const CA3 = a3Carbon_wtpct(steel, T);
    const Cacm = acmCarbon_wtpct(steel, T);
    const gEq = C0 < CA3 ? clamp((C0 - 0.01) / (CA3 - 0.01), 0, 1) : 1;
    const tau_s = ((150 * spacingRatio * spacingRatio) / Math.max(T - Ac1, 1)) * (1 + steel.Cr);
    g += Math.max(0, gEq - g) * -Math.expm1(-STEP_s / tau_s);
    if (g <= 0.001) continue;
    const Cfloor = Math.min(Math.max(CA3, phi * Ceut), C0, Cacm);
    const Cnow = (C0 * (1 - f)) / Math.max(g, 0.01);
    const arrhenius = Math.exp((-320e3 / GAS_J_molK) * (1 / kelvin(T) - 1 / 1103.15));
    const chromium = (1 + 100 * 0.3025) / (1 + 100 * steel.Cr * steel.Cr);
    const rate_1_s = (5.2e-4 / (r0 * r0)) * arrhenius * chromium * dissolutionRatio;
    f -= rate_1_s * Math.cbrt(f) * Math.max(0, Cacm - Math.max(Cnow, Cfloor)) * g * STEP_s;
    f = clamp(f, 0, 1 - (g * Cfloor) / C0);
    const A = grainFactor_um(steel, T, f);
    D = Math.max(D, A * ((D / A) ** (1 / 0.211) + STEP_s) ** 0.211);
  }
  const end_C = temperature_C(duration_s);
  const C = Math.min((C0 * (1 - f)) / Math.max(g, 0.05), acmCarbon_wtpct(steel, end_C));
  const allCarbide = C0 / CEMENTITE_CARBON_wtpct;
  const undissolved = f * allCarbide;
  const solution_wtpct: Composition = {
    ...steel,
    C,
    Mn: inSolution_wtpct(steel.Mn, 3, allCarbide, f),
    Cr: inSolution_wtpct(steel.Cr, 8, allCarbide, f),
    W: inSolution_wtpct(steel.W, 8, allCarbide, f),
  };
  return {
    extent: g,
    solution_wtpct,
    undissolved,
    nucleation_1_um: undissolved / r0,
    astmGrain: astmGrainNumber(D),
    grain_um: D,
    magnetLost_s,
    magnetLost_C: magnetLost_s === null ? null : temperature_C(magnetLost_s),
  };
}

/**
 * A piece put in the fire: cold to 5 C short of heat in `rise_s`, at heat a minute later, then held.
 * @returns its temperature in time, and how long it all takes, s.
 */
export function heatingCurve({ heat_C, hold_s, rise_s = 300 }: { heat_C: number; hold_s: number; rise_s?: number }): {
  temperature_C: (time_s: number) => number;
  duration_s: number;
} {
  const cold_C = 20;
  const last_s = rise_s / 5;
  return {
    temperature_C: (time_s) => {
      if (time_s <= rise_s) return cold_C + ((heat_C - 5 - cold_C) * time_s) / rise_s;
      return Math.min(heat_C, heat_C - 5 + (5 * (time_s - rise_s)) / last_s);
    },
    duration_s: rise_s + last_s + hold_s,
  };
}

/**
 * Where the magnet lets go when a piece is heated at a steady rate, C: 734 to 770 by steel and by the structure it starts
 * from. A spheroidised steel can lose the magnet before its austenite is rich in carbon.
 */
export function magnetLost_C(steel: Composition, prior: PriorStructure, rate_C_s = 2): number {
  const { magnetLost_C: found } = austenitise({
    steel,
    prior,
    temperature_C: (time_s) => 20 + rate_C_s * time_s,
    duration_s: (CURIE_C + 30) / rate_C_s,
  });
  return Math.min(found ?? CURIE_C, CURIE_C);
}
