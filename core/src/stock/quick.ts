/**
 * A hardening worked out for one place and many steels at once: the fall of that place in the bath is worked out once, for a body that does not
 * change, and every steel is carried along it by the shares of its three changes (Scheil's rule). The core's own rates, hardness and martensite; what
 * is left out is heat from the change itself and of one place by the next.
 *
 * @error test/stock/stock.test.ts, beside `harden`
 */

import { bathBoundary, type Bath } from "../simulate/section.js";
import { coolBody } from "../simulate/cool.js";
import type { Section } from "../schema/parts.js";
import { austenitise, heatingCurve, type Austenite } from "../kinetics/austenite.js";
import type { Composition } from "../kinetics/composition.js";
import {
  bainiteHardnessOf_HV,
  bainiteRate_1_s,
  coefficientsOf,
  ferriteLimitOf,
  ferriteRate_1_s,
  pearliteHardnessOf_HV,
  pearliteRate_1_s,
} from "../kinetics/decomposition.js";
import { BAINITE_EXTENT, extentAt, PEARLITE_EXTENT } from "../kinetics/extent.js";
import { CARBIDE_HV, martensiteHardness_HV, mixtureShare, RETAINED_AUSTENITE_HV, rockwellCFromVickers } from "../kinetics/hardness.js";
import { KINETICS } from "../kinetics/kinetics.js";
import { martensiteFraction } from "../kinetics/martensite.js";
import type { PriorStructure } from "../kinetics/structure.js";

/** A fall in steps: the middle of each, C, and how long it takes, s. */
export interface Fall {
  readonly middle_C: readonly number[];
  readonly lasts_s: readonly number[];
}

const [FROM_C, TO_C] = [850, 180];
const STEP_K = 10;
/** Nobody waits longer in a bath, s; in air, s. */
const LONGEST_s = 600;
const LONGEST_IN_AIR_s = 3600;

/** Of a cooling curve the stretch in which steel changes, in even steps of temperature. */
function stepsOf(points: readonly { readonly time_s: number; readonly T: number }[]): Fall {
  const [middle_C, lasts_s]: [number[], number[]] = [[], []];
  const at = (T: number): number | null => {
    const i = points.findIndex((point) => point.T <= T);
    if (i < 0) return null;
    if (i === 0) return points[0]!.time_s;
    const [a, b] = [points[i - 1]!, points[i]!];
    return a.time_s + ((a.T - T) / Math.max(1e-9, a.T - b.T)) * (b.time_s - a.time_s);
  };
  for (let T = FROM_C; T > TO_C; T -= STEP_K) {
    const [from, to] = [at(T), at(T - STEP_K)];
    if (from === null) break;
    middle_C.push(T - 0.5 * STEP_K);
    // What does not get so cold stays there.
    lasts_s.push(to === null ? LONGEST_IN_AIR_s : Math.max(0, to - from));
    if (to === null) break;
  }
  return { middle_C, lasts_s };
}

/** How the middle and the skin of a body fall in a bath. @throws InputError bath-hotter-than-steel */
export function fallsIn(section: Section, bath: Bath, start_C: number): { readonly centre: Fall; readonly surface: Fall } {
  const isAir = bath.medium.kind === "air";
  const { curve } = coolBody({
    section,
    start_C,
    face: bathBoundary(bath),
    time_s: isAir ? LONGEST_IN_AIR_s : LONGEST_s,
    material: "steel",
  });
  const of = (read: (point: (typeof curve)[number]) => number): Fall =>
    stepsOf(curve.map((point) => ({ time_s: point.time_s, T: read(point) })));
  return { centre: of(({ centre_C }) => centre_C), surface: of(({ surface_C }) => surface_C) };
}

/** What of a grade is dissolved at a heat: the same share of every bar of it. */
export interface Dissolved {
  readonly bar: Composition;
  readonly austenite: Austenite;
}

export function dissolvedAt(bar: Composition, prior: PriorStructure, heat_C: number, hold_min: number): Dissolved {
  return { bar, austenite: austenitise({ steel: bar, prior, ...heatingCurve({ heat_C, hold_s: 60 * hold_min }) }) };
}

/** So much carbide is none. */
const NO_CARBIDE = 0.003;

/** Of a bar of that grade: carbide that is left over leaves the same austenite whatever the bar has; else it is all in. */
function solutionOf(steel: Composition, { bar, austenite }: Dissolved): Composition {
  const { solution_wtpct: x, undissolved } = austenite;
  const share = (element: keyof Composition): number => {
    const ratio = bar[element] > 0 ? Math.min(1, x[element] / bar[element]) : 1;
    return steel[element] * ratio;
  };
  const C = undissolved > NO_CARBIDE ? Math.min(steel.C, x.C) : Math.min(steel.C, 1) * Math.max(1, x.C / Math.max(bar.C, 1e-9));
  return { C, Mn: share("Mn"), Si: share("Si"), Cr: share("Cr"), Ni: share("Ni"), Mo: share("Mo"), V: share("V"), W: share("W") };
}

/** What one steel comes to at one place. */
export interface Hardened {
  readonly hrc: number;
  /** Martensite and what austenite stays with it, 0 ... 1. */
  readonly hard: number;
}

/** Heat of the change, as the fall it holds back, K: about 80 kJ/kg over 0.6 kJ/(kg K) (from memory); looks by which it is found in a step. */
const LATENT_K = 130;
const LOOKS = 3;
const ROOM_C = 20;
/** What was never austenite, HV: pearlite and ferrite as it was (judgement). */
const NOT_CHANGED_HV = 230;
/** Carbon that counts for martensite beyond what is in the austenite on the average: new ferrite leaves the rest richer. */
const MOST_ENRICHED_wtpct = 0.9;

/** @param rateRatio of all changes; bathRatio: the bath takes heat out so many times as fast */
export function hardenedAlong(steel: Composition, dissolved: Dissolved, fall: Fall, rateRatio: number, bathRatio: number): Hardened {
  const { austenite } = dissolved;
  const solution_wtpct = solutionOf(steel, dissolved);
  const c = coefficientsOf({
    solution_wtpct,
    astmGrain: austenite.astmGrain,
    nucleation_1_um: austenite.nucleation_1_um,
    barVanadium_wtpct: steel.V,
    rateRatio,
  });
  let [pearlite, bainite, ferrite, pearliteHV, bainiteHV, limit] = [0, 0, 0, 0, 0, 0];
  const { middle_C, lasts_s } = fall;
  for (let i = 0; i < middle_C.length; i++) {
    const T = middle_C[i]!;
    if (T <= c.martensiteStart_C) break;
    const [pearliteRate, bainiteRate, ferriteRate] = [
      pearliteRate_1_s(c, KINETICS, T),
      bainiteRate_1_s(c, KINETICS, T),
      ferriteRate_1_s(c, KINETICS, T),
    ];
    if (ferriteRate > 0) limit = Math.max(limit, ferriteLimitOf(c, T));
    const changed = (dt: number): number =>
      limit * extentAt(ferrite + ferriteRate * dt, PEARLITE_EXTENT) +
      extentAt(pearlite + pearliteRate * dt, PEARLITE_EXTENT) +
      extentAt(bainite + bainiteRate * dt, BAINITE_EXTENT);
    // What changes gives heat, and holds the fall back while it does.
    const plain_s = lasts_s[i]! / bathRatio;
    const before = Math.min(1, changed(0));
    let dt = plain_s;
    for (let look = 0; look < LOOKS; look++) {
      const heat_K = LATENT_K * (Math.min(1, changed(dt)) - before);
      dt = 0.5 * (dt + plain_s * (1 + heat_K / STEP_K));
    }
    const [p, bn, f] = [pearliteRate * dt, bainiteRate * dt, ferriteRate * dt];
    pearlite += p;
    bainite += bn;
    ferrite += f;
    pearliteHV += p * pearliteHardnessOf_HV(c, T);
    bainiteHV += bn * bainiteHardnessOf_HV(c, T);
  }
  const F = limit <= 0 ? 0 : limit * extentAt(ferrite, PEARLITE_EXTENT);
  const P = (1 - F) * extentAt(pearlite, PEARLITE_EXTENT);
  const B = Math.max(0, 1 - F - P) * extentAt(bainite, BAINITE_EXTENT);
  const soft = Math.min(1, F + P + B);
  const left = 1 - soft;
  const enriched = Math.min(Math.max(c.carbon_wtpct, MOST_ENRICHED_wtpct), F > 0 ? c.carbon_wtpct / Math.max(0.2, 1 - F) : c.carbon_wtpct);
  const M = left * martensiteFraction({ temperature_C: ROOM_C, martensiteStart_C: c.martensiteStart_C, rate_1_K: c.martensiteRate_1_K });
  const formed = F * c.ferrite_HV + (pearlite > 0 ? (P * pearliteHV) / pearlite : 0) + (bainite > 0 ? (B * bainiteHV) / bainite : 0);
  const matrix =
    formed +
    M * martensiteHardness_HV(enriched, KINETICS) +
    (left - M) * RETAINED_AUSTENITE_HV -
    KINETICS.constants.mixtureDrop_HV * mixtureShare(soft);
  const whole = austenite.extent * matrix + (1 - austenite.extent) * NOT_CHANGED_HV;
  const { undissolved } = austenite;
  const hv = whole * (1 - undissolved) + Math.min(CARBIDE_HV, 4.5 * whole) * undissolved;
  return { hrc: rockwellCFromVickers(hv), hard: austenite.extent * left };
}
