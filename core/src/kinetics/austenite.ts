/** Austenite as a piece leaves the fire: how much, what is dissolved in it, how coarse, and when the magnet let go. */

import type { Composition } from "./composition.js";
import { follow } from "./follow.js";
import { astmGrainNumber } from "./grain.js";
import { KINETICS, type Kinetics } from "./kinetics.js";
import { austeniteLeft, makeStructure, solution_wtpct, undissolvedFraction, type PriorStructure, type Structure } from "./structure.js";
import { isMagnetic, pullsAgain } from "./transform.js";

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

export interface AustenitiseInput {
  readonly steel: Composition;
  readonly prior: PriorStructure;
  /** Temperature of the piece, C, at a time since cold, s. */
  readonly temperature_C: (time_s: number) => number;
  readonly duration_s: number;
  /** Multiplies the speed of dissolution: 1 as calibrated; the ensemble varies it. */
  readonly dissolutionRatio?: number;
  readonly kinetics?: Kinetics;
}

/** Temperature at which iron itself stops attracting a magnet, C (Curie point of iron, from memory). */
export const CURIE_C = 770;

/** Austenite of a node as it stands. */
export function austeniteOf(s: Structure, i: number): Omit<Austenite, "magnetLost_s" | "magnetLost_C"> {
  const undissolved = undissolvedFraction(s, i);
  return {
    extent: austeniteLeft(s, i),
    solution_wtpct: solution_wtpct(s, i),
    undissolved,
    nucleation_1_um: undissolved / s.carbide_um[i]!,
    astmGrain: astmGrainNumber(s.grain_um[i]!),
    grain_um: s.grain_um[i]!,
  };
}

/**
 * Austenite after a thermal history that starts cold.
 *
 * @returns composition in wt%, fractions 0 ... 1.
 * @source hardening-note section 4 (calibrated); check values in test/kinetics/austenite.test.ts
 */
export function austenitise({
  steel,
  prior,
  temperature_C,
  duration_s,
  dissolutionRatio = 1,
  kinetics = KINETICS,
}: AustenitiseInput): Austenite {
  const structure = makeStructure({ nodes: 1, bar_wtpct: steel, prior, dissolutionRatio, kinetics });
  let magnetLost_s: number | null = null;
  follow({
    structure,
    temperature_C,
    duration_s,
    onStep: (time_s, T) => {
      if (magnetLost_s === null && !isMagnetic(structure, 0, T, CURIE_C)) magnetLost_s = time_s;
    },
  });
  return { ...austeniteOf(structure, 0), magnetLost_s, magnetLost_C: magnetLost_s === null ? null : temperature_C(magnetLost_s) };
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
export function magnetLost_C(steel: Composition, prior: PriorStructure, rate_K_s = 2): number {
  const { magnetLost_C: found } = austenitise({
    steel,
    prior,
    temperature_C: (time_s) => 20 + rate_K_s * time_s,
    duration_s: (CURIE_C + 30) / rate_K_s,
  });
  return Math.min(found ?? CURIE_C, CURIE_C);
}

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
      if (time_s > hold_s && back_C === null && pullsAgain(structure, 0, T, CURIE_C)) back_C = T;
    },
  });
  return back_C ?? 20;
}
