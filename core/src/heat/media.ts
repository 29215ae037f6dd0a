/** Heat transfer from a hot surface into a bath, air, plates or a textbook boundary. */

import { STEFAN_BOLTZMANN_W_m2K4 } from "../constants.js";
import { atDegree, degreeTable } from "../numerics/degreeTable.js";
import { kelvin } from "../units.js";
import type { Medium } from "../schema/medium.js";
import { InputError } from "../errors.js";
import { hottestBath_C, type Liquid } from "./bathKind.js";

export type Agitation = "none" | "mild" | "strong";

/** How much the bath moves past the work, 0 still ... 1 strong. Mild is a blade moved by hand. */
export const AGITATION_RATIO: Readonly<Record<Agitation, number>> = { none: 0, mild: 0.4, strong: 1 };

/** Hottest surface a boundary knows, C; beyond it, and below 0 C, the transfer stays as it is there. */
export const HOTTEST_SURFACE_C = 1400;

/** Heat transfer from a surface into surroundings at `surroundings_C`. */
export interface Boundary {
  readonly surroundings_C: number;
  /** At every degree of the surface from 0 to two beyond HOTTEST_SURFACE_C, W/(m2 K): one power or exponential a step and face would be the slowest thing in a quench. */
  readonly byDegree_W_m2K: Float64Array;
  heatTransfer_W_m2K(surface_C: number): number;
}

function makeBoundary(surroundings_C: number, heatTransfer_W_m2K: (surface_C: number) => number): Boundary {
  const byDegree_W_m2K = degreeTable(HOTTEST_SURFACE_C + 2, heatTransfer_W_m2K);
  return { surroundings_C, byDegree_W_m2K, heatTransfer_W_m2K: (surface_C) => atDegree(byDegree_W_m2K, surface_C) };
}

/** A textbook boundary: the same at every temperature. */
export function constantBoundary(heatTransfer_W_m2K: number, surroundings_C: number): Boundary {
  return makeBoundary(surroundings_C, () => heatTransfer_W_m2K);
}

/** Surface at which the jet of an end-quenched bar still boils, and below which it wets, C. */
const JET_BOILS_C = 417;
const JET_WETS_C = 247;

/** The water jet on the end of an end-quenched bar: ln h straight between boiling and wetting: chosen against the standard's rates at 704 C, from memory (judgement). */
export function jetBoundary(hot_W_m2K: number, cold_W_m2K: number, surroundings_C: number): Boundary {
  return makeBoundary(surroundings_C, (surface_C) => {
    const share = Math.min(1, Math.max(0, (JET_BOILS_C - surface_C) / (JET_BOILS_C - JET_WETS_C)));
    return hot_W_m2K * (cold_W_m2K / hot_W_m2K) ** share;
  });
}

/** Still air: radiation from scale and natural convection (calibrated so that a thin blade blackens as smiths see). */
export function airBoundary(emissivityRatio: number, convection_W_m2K: number, surroundings_C: number): Boundary {
  const Tb = kelvin(surroundings_C);
  return makeBoundary(surroundings_C, (surface_C) => {
    const Ts = kelvin(surface_C);
    const rise = Math.max(surface_C - surroundings_C, 1);
    return emissivityRatio * STEFAN_BOLTZMANN_W_m2K4 * (Ts * Ts + Tb * Tb) * (Ts + Tb) + convection_W_m2K * (rise / 500) ** 0.25;
  });
}

interface BoilingCurve {
  convectionStart_C: number;
  peak_C: number;
  leidenfrost_C: number;
  convection_W_m2K: number;
  peak_W_m2K: number;
  film_W_m2K: number;
}

/** The curve of a medium at a bath temperature: oil thins as it warms, water keeps its steam. Shape known, size assumed. */
function atBathTemperature(medium: Liquid, bath_C: number): BoilingCurve {
  const curve: BoilingCurve = {
    convectionStart_C: medium.convectionStart_C,
    peak_C: medium.peak_C,
    leidenfrost_C: medium.leidenfrost_C,
    convection_W_m2K: medium.convection_W_m2K,
    peak_W_m2K: medium.peak_W_m2K,
    film_W_m2K: medium.film_W_m2K,
  };
  const d = bath_C - medium.reference_C;
  if (medium.kind === "oil") {
    if (d < 0) {
      const q = Math.exp(0.006 * d * (medium.viscosityEffect ?? 1));
      curve.peak_W_m2K *= q;
      curve.convection_W_m2K *= q;
      curve.leidenfrost_C += 0.25 * d;
    } else {
      curve.peak_W_m2K *= 1 - 0.002 * d;
      curve.leidenfrost_C -= 0.15 * d;
      curve.convection_W_m2K *= 1 + 0.002 * d;
    }
    return curve;
  }
  if (medium.kind === "water") {
    curve.leidenfrost_C = Math.max(curve.leidenfrost_C - 4 * d, curve.convectionStart_C + 60);
    curve.peak_W_m2K *= 1 - 0.008 * d;
    curve.film_W_m2K *= 1 - 0.004 * d;
    curve.convection_W_m2K *= 1 + 0.002 * d;
  } else {
    curve.leidenfrost_C -= 1.5 * d;
    curve.peak_W_m2K *= 1 - 0.006 * d;
  }
  curve.peak_C = Math.min(curve.peak_C, curve.leidenfrost_C - 40);
  return curve;
}

/** ln h is linear in surface temperature between these knots: 0, start of boiling, peak, Leidenfrost, 1200 C. */
function boilingBoundary(curve: BoilingCurve, surroundings_C: number): Boundary {
  const xs = [0, curve.convectionStart_C, curve.peak_C, curve.leidenfrost_C, 1200];
  const ln = [curve.convection_W_m2K, curve.convection_W_m2K, curve.peak_W_m2K, curve.film_W_m2K, 1.15 * curve.film_W_m2K].map((h) =>
    Math.log(h),
  );
  return makeBoundary(surroundings_C, (surface_C) => {
    const T = Math.min(surface_C, 1300);
    let i = 0;
    while (i < 3 && T >= xs[i + 1]!) i++;
    const share = Math.min((T - xs[i]!) / (xs[i + 1]! - xs[i]!), 1);
    return Math.exp(ln[i]! + share * (ln[i + 1]! - ln[i]!));
  });
}

/** What a brine, a thermometer and a simulated piece of many may add to the hottest a bath can be, K: the law gives a number until then. */
const SPREAD_K = 20;

/**
 * What a bath does to a surface.
 *
 * Effective film values cover the vapour blanket and its breaking (true film boiling is nearer 300 ... 500 W/(m2 K)).
 * @param speedRatio multiplies all of it: 1 as calibrated; the ensemble varies it.
 * @source hardening-note (calibrated); range of bath temperature 0 ... 200 C
 * @throws InputError out-of-range for a bath hotter than that liquid can be
 */
export function mediumBoundary(medium: Medium, bath_C: number, agitation: Agitation, speedRatio = 1): Boundary {
  if (medium.kind === "air") return airBoundary(medium.emissivityRatio, medium.convection_W_m2K * speedRatio, bath_C);
  if (medium.kind === "constant") return constantBoundary(medium.heatTransfer_W_m2K * speedRatio, bath_C);
  const most_C = hottestBath_C(medium)! + SPREAD_K;
  if (!(bath_C <= most_C)) throw new InputError({ code: "out-of-range", path: "/bath_C", got: bath_C, allowed: `at most ${most_C}` });
  const curve = atBathTemperature(medium, bath_C);
  const a = AGITATION_RATIO[agitation];
  curve.film_W_m2K *= (1 + a) * speedRatio;
  curve.leidenfrost_C += 60 * a;
  curve.peak_W_m2K *= (1 + 0.35 * a) * speedRatio;
  curve.convection_W_m2K *= (1 + 0.9 * a) * speedRatio;
  curve.peak_C += 20 * a;
  return boilingBoundary(curve, bath_C);
}

/** One part of a face, by its share of the area. */
export interface FacePart {
  readonly boundary: Boundary;
  readonly share: number;
}

/**
 * A face of which one part sees one boundary and one another, at one temperature of the steel: what leaves it is what leaves its parts.
 * @param parts two at least; their shares add up to 1
 */
export function mixedBoundary(parts: readonly FacePart[]): Boundary {
  const leaves = (T: number): number =>
    parts.reduce((sum, { boundary: b, share }) => sum + share * b.heatTransfer_W_m2K(T) * (T - b.surroundings_C), 0);
  // What it would come to by itself: between its surroundings nothing leaves on the whole.
  let [low, high] = [
    Math.min(...parts.map(({ boundary }) => boundary.surroundings_C)),
    Math.max(...parts.map(({ boundary }) => boundary.surroundings_C)),
  ];
  for (let i = 0; i < 40 && high - low > 1e-6; i++) {
    const middle = 0.5 * (low + high);
    if (leaves(middle) < 0) low = middle;
    else high = middle;
  }
  const rest_C = 0.5 * (low + high);
  return makeBoundary(rest_C, (T) => {
    // At rest nothing leaves: there its slope stands.
    const from = Math.abs(T - rest_C) < 1 ? (T >= rest_C ? rest_C + 1 : rest_C - 1) : T;
    return leaves(from) / (from - rest_C);
  });
}

/** Conductivity of a dry refractory coat, W/(m K): furnace cement and fired clay, 0.5 to 1.5 (from memory). Not calibrated. */
export const CLAY_W_mK = 0.8;

/**
 * A surface under a coat of clay: the bath sees the coat, the steel sees what the coat lets through. The coat's own heat
 * is left out; where the bath's curve allows more than one balance, the coldest coat is taken, since a coat that passes
 * little heat soon boils and then wets.
 */
export function coatedBoundary(bath: Boundary, thickness_m: number, conductivity_W_mK = CLAY_W_mK): Boundary {
  if (!(thickness_m > 0)) return bath;
  const resistance = thickness_m / conductivity_W_mK;
  const { surroundings_C } = bath;
  return makeBoundary(surroundings_C, (surface_C) => {
    const span = surface_C - surroundings_C;
    if (Math.abs(span) < 1) return 1 / (1 / bath.heatTransfer_W_m2K(surroundings_C) + resistance);
    const surplus = (share: number): number => {
      const coat_C = surroundings_C + share * span;
      return (bath.heatTransfer_W_m2K(coat_C) * share * resistance) / (1 - share) - 1;
    };
    // The first share of the way up at which the coat gives the bath what it gets from the steel.
    let high = 0;
    while (high < 0.999 && surplus(high) < 0) high += 0.005;
    let low = Math.max(0, high - 0.005);
    for (let i = 0; i < 30; i++) {
      const middle = 0.5 * (low + high);
      if (surplus(middle) < 0) low = middle;
      else high = middle;
    }
    return (1 - high) / resistance;
  });
}
