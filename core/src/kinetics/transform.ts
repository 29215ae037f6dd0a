/** What cooling does to a node: ferrite, pearlite and bainite by their rates, then martensite. */

import {
  bainiteHardnessOf_HV,
  bainiteRate_1_s,
  ferriteLimitOf,
  ferriteRate_1_s,
  pearliteHardnessOf_HV,
  pearliteRate_1_s,
} from "./decomposition.js";
import { BAINITE_EXTENT, extentAt, reducedTime, PEARLITE_EXTENT, sluggishTime, type Extent } from "./extent.js";
import { startDrop_K } from "./martensite.js";
import { austeniteCarbon_wtpct, austeniteLeft, MOST_ENRICHED_wtpct, refresh, undissolvedFraction, type Structure } from "./structure.js";

/** Less reduced time than this in a step grows nothing. */
export const LEAST_ADDED = 1e-9;

/** Growth of a change that stands at extent X, by a rate over a step; 0 ... 1 - X. `end`: how sluggish its end is. */
function growth(X: number, rate_1_s: number, dt_s: number, shape: Extent = PEARLITE_EXTENT, end = 0): number {
  if (rate_1_s * dt_s < LEAST_ADDED || X >= 1) return 0;
  const du = sluggishTime(X, rate_1_s * dt_s, end);
  return extentAt(reducedTime(X, shape) + du, shape) - X;
}

/**
 * Works out, without applying it, what one step changes in every node; `temperature_C` is that of the middle of the step,
 * `move_K` its change so far: ferrite above Ae1 forms only while the node cools.
 * @returns the largest fraction any node would change by.
 */
export function proposeChange(s: Structure, temperature_C: Float64Array, before_C: Float64Array, dt_s: number): number {
  const { ferrite, pearlite, bainite, martensite, change, kinetics } = s;
  const count = s.isEven ? 1 : s.count;
  let largest = 0;
  for (let i = 0; i < count; i++) {
    change.ferrite[i] = 0;
    change.pearlite[i] = 0;
    change.bainite[i] = 0;
    const T = temperature_C[i]!;
    const M = martensite[i]!;
    if (M > 0.01) continue;
    const F = ferrite[i]!;
    const P = pearlite[i]!;
    const B = bainite[i]!;
    const left = 1 - F - P - B - M;
    if (left <= 1e-9) continue;
    if (s.isStale[i] === 1) {
      if (T > before_C[i]!) continue;
      refresh(s, i);
    }
    const c = s.coefficients[i]!;
    if (T <= s.martensiteStart_C[i]! - 1 || T >= c.a3_C || (T >= c.ae1_C && T > before_C[i]!)) continue;
    let dF = 0;
    const limit = ferriteLimitOf(c, T);
    if (limit > 0.005 && F < 0.999 * limit) {
      dF = (growth(F / limit, ferriteRate_1_s(c, kinetics, T), dt_s) * limit * (1 - F - P - B)) / (1 - F);
    }
    const roomP = 1 - F - B;
    const roomB = 1 - F - P;
    const dP = roomP <= 0 ? 0 : growth(P / roomP, pearliteRate_1_s(c, kinetics, T), dt_s) * roomP;
    const dB = roomB <= 0 ? 0 : growth(B / roomB, bainiteRate_1_s(c, kinetics, T), dt_s, BAINITE_EXTENT, c.bainiteEnd) * roomB;
    const sum = dF + dP + dB;
    if (sum <= 0) continue;
    const scale = sum > left ? left / sum : 1;
    change.ferrite[i] = dF * scale;
    change.pearlite[i] = dP * scale;
    change.bainite[i] = dB * scale;
    if (sum * scale > largest) largest = sum * scale;
  }
  return largest;
}

/** Undercooling at which new carbide begins to stand as lamellae, and from which it all does, K; carbide needed beside it. */
export const ALL_ROUND_K = 18;
export const ALL_LAMELLAR_K = 40;
export const ENOUGH_CARBIDE = 0.02;

/**
 * Share of new pearlite whose carbide goes onto round carbide that is there: all just below Ae1, none far below.
 * @source verhoevenGibson1998 (the divorced eutectoid, from memory); the two undercoolings are a judgement
 */
function divorcedShare(undissolved: number, undercooling_K: number): number {
  const near = (ALL_LAMELLAR_K - undercooling_K) / (ALL_LAMELLAR_K - ALL_ROUND_K);
  return Math.min(1, undissolved / ENOUGH_CARBIDE) * (near < 0 ? 0 : near > 1 ? 1 : near);
}

/** Applies the proposed change. `temperature_C` is that at which it happened. */
export function applyChange(s: Structure, temperature_C: Float64Array): void {
  const { change } = s;
  const count = s.isEven ? 1 : s.count;
  for (let i = 0; i < count; i++) {
    const dF = change.ferrite[i]!;
    const dP = change.pearlite[i]!;
    const dB = change.bainite[i]!;
    if (dF + dP + dB === 0) continue;
    const T = temperature_C[i]!;
    const c = s.coefficients[i]!;
    const carbon = austeniteCarbon_wtpct(s, i);
    const round = dP > 0 ? divorcedShare(undissolvedFraction(s, i), c.ae1_C - T) : 0;
    s.ferrite[i]! += dF;
    s.pearlite[i]! += dP;
    s.bainite[i]! += dB;
    s.lamellarCarbon_wtpct[i]! += ((1 - round) * dP + dB) * carbon;
    if (round > 0) {
      const loose = s.looseCarbon_wtpct[i]!;
      s.looseCarbon_wtpct[i] = loose + round * dP * carbon;
      s.carbide_um[i]! *= Math.cbrt(s.looseCarbon_wtpct[i]! / loose);
      s.spheroidite[i]! += round * dP;
    }
    const pearlite_HV = round * c.ferrite_HV + (1 - round) * pearliteHardnessOf_HV(c, T);
    s.formedHardness_HV[i]! += dF * c.ferrite_HV + dP * pearlite_HV + dB * bainiteHardnessOf_HV(c, T);
    if (dF > 0) {
      const rich = Math.max(c.carbon_wtpct, Math.min(austeniteCarbon_wtpct(s, i), MOST_ENRICHED_wtpct));
      s.martensiteStart_C[i] = c.martensiteStart_C + startDrop_K(c.carbon_wtpct, rich);
    }
  }
}

/** Lets martensite form down to the temperatures given; it never goes back. */
export function formMartensite(s: Structure, temperature_C: Float64Array): void {
  const count = s.isEven ? 1 : s.count;
  for (let i = 0; i < count; i++) {
    if (temperature_C[i]! >= s.martensiteStart_C[i]!) continue;
    const austenite = 1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]!;
    if (austenite <= 1e-9) continue;
    if (s.isStale[i] === 1) refresh(s, i);
    const Ms = s.martensiteStart_C[i]!;
    if (temperature_C[i]! >= Ms) continue;
    const M = austenite * -Math.expm1(-s.coefficients[i]!.martensiteRate_1_K * (Ms - temperature_C[i]!));
    const grown = M - s.martensite[i]!;
    if (grown <= 0) continue;
    s.martensiteCarbon_wtpct[i]! +=
      Math.min(1, grown / Math.max(austeniteLeft(s, i), 1e-9)) *
      (s.bar.C - s.looseCarbon_wtpct[i]! - s.lamellarCarbon_wtpct[i]! - s.martensiteCarbon_wtpct[i]!);
    s.martensite[i] = M;
  }
}

/**
 * Of a piece that cools, a magnet on a wire feels the first hundredth that has changed: so much iron in what does not pull is drawn to a
 * magnet with 3 f / (2 + 3 f), 1.5 %, of the force of whole iron, 0.15 N of 10 (spheres by Maxwell Garnett and a magnet's own image, by
 * hand; that a hand feels that is a judgement).
 */
const FIRST_PULL = 0.01;

/** True when a node that cools just begins to pull: what falling heat waits for. */
export function pullsAgain(s: Structure, i: number, temperature_C: number, curie_C: number): boolean {
  return temperature_C < curie_C && austeniteLeft(s, i) <= 1 - FIRST_PULL;
}

/** True when a magnet holds the node: below the Curie point, a tenth or more of it not austenite. */
export function isMagnetic(s: Structure, i: number, temperature_C: number, curie_C: number): boolean {
  return temperature_C < curie_C && austeniteLeft(s, i) <= 0.9;
}
