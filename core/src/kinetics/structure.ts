/** What every node of a section is made of, through any thermal history: phases, where the carbon sits, grain, temper. */

import { clamp, smoothstep } from "../numerics/interpolate.js";
import { celsiusFromKelvin } from "../units.js";
import { fullComposition, type Composition } from "./composition.js";
import { bainiteHardnessOf_HV, coefficientsOf, ferriteLimitOf, pearliteHardnessOf_HV, type Coefficients } from "./decomposition.js";
import { astmGrainNumber } from "./grain.js";
import {
  CARBIDE_HV,
  ferriteHardness_HV,
  martensiteHardness_HV,
  mixtureShare,
  RETAINED_AUSTENITE_HV,
  rockwellCFromVickers,
  vickersFromRockwellC,
} from "./hardness.js";
import { KINETICS, type Kinetics } from "./kinetics.js";
import { hollomonConstant, temperDrop_HRC, TEMPERED_RETAINED_HV, type TemperSteel, unlistedTemperSteel } from "./temper.js";

export type PriorStructure = "pearlite" | "fine-spheroidised" | "coarse-spheroidised" | "as-forged";

/** Carbon of cementite, wt%. */
export const CEMENTITE_CARBON_wtpct = 6.67;
/** Size of carbide that dissolves as fast as lamellae do, of fine and of coarse spheroidite, um. Calibrated: hardening-note. */
export const LAMELLAR_um = 0.34;
export const FINE_um = 0.34;
export const COARSE_um = 0.9;
/** Grain of new austenite, um; that of a forged piece before it is heated again is taken as four times it (judgement). */
export const NEW_GRAIN_um = 8;
const FORGED_GRAIN_um = 4 * NEW_GRAIN_um;
const NORMAL_GRAIN_um = 2 * NEW_GRAIN_um;
/** Pearlite of a piece nobody saw cool: as if formed at this heat, C (judgement). */
const USUAL_PEARLITE_C = 670;

/**
 * The structure of all nodes, as arrays. Fractions of the matrix sum to 1 with austenite as the rest; carbon, in wt% of the
 * node, is loose carbide + lamellar carbide + in martensite + the rest in austenite.
 */
export interface Structure {
  readonly count: number;
  readonly bar: Composition;
  readonly kinetics: Kinetics;
  readonly temperSteel: TemperSteel;
  readonly rateRatio: number;
  readonly dissolutionRatio: number;
  readonly martensiteStartShift_K: number;
  /** True while all nodes are alike, so that one may stand for all. */
  isEven: boolean;
  /** Ferrite, and what was never austenite since the steel was last above Ae1. */
  readonly ferrite: Float64Array;
  readonly pearlite: Float64Array;
  readonly bainite: Float64Array;
  readonly martensite: Float64Array;
  /** Sum of fraction x hardness of ferrite, pearlite and bainite, HV. */
  readonly formedHardness_HV: Float64Array;
  /** Part of the matrix whose carbide is round, 0 ... 1. */
  readonly spheroidite: Float64Array;
  readonly looseCarbon_wtpct: Float64Array;
  readonly lamellarCarbon_wtpct: Float64Array;
  readonly martensiteCarbon_wtpct: Float64Array;
  /** Radius of the loose carbide, um. */
  readonly carbide_um: Float64Array;
  /** How carbide dissolves in this heat: size, how far carbon travels, what is in solution at once. */
  readonly dissolving_um: Float64Array;
  readonly spacingRatio: Float64Array;
  readonly floorRatio: Float64Array;
  readonly grain_um: Float64Array;
  /** Hollomon-Jaffe parameter of the martensite, K; 0 when fresh. */
  readonly temper_K: Float64Array;
  readonly martensiteStart_C: Float64Array;
  /** 1 when the node has been below Ae1 since it last was austenite. */
  readonly hasBeenCold: Uint8Array;
  /** 1 when austenite changed since its coefficients were worked out. */
  readonly isStale: Uint8Array;
  readonly coefficients: Coefficients[];
  /** What they were worked out from, three numbers a node: carbon in solution and in loose carbide, wt%, and grain, um. */
  readonly workedOutFrom: Float64Array;
  readonly change: { readonly ferrite: Float64Array; readonly pearlite: Float64Array; readonly bainite: Float64Array };
  /** Share of the matrix that became austenite in the last step: takes heat in. */
  readonly austenitised: Float64Array;
  /** Growth of grain: its factor is GRAIN_um exp(-Q / R T), um / s^0.211, before pinning. @source leeLee2008 (from memory) */
  readonly grainActivation_J_mol: number;
}

export interface StructureInput {
  readonly nodes: number;
  readonly bar_wtpct: Partial<Composition>;
  readonly prior: PriorStructure;
  readonly temperSteel?: TemperSteel;
  readonly kinetics?: Kinetics;
  readonly rateRatio?: number;
  readonly dissolutionRatio?: number;
  /** Added to the martensite start: 0 as published; the ensemble varies it. */
  readonly martensiteStartShift_K?: number;
}

/** Share of all carbon held in loose carbide as a share of the steel. */
export function undissolvedFraction(s: Structure, i: number): number {
  return s.looseCarbon_wtpct[i]! / CEMENTITE_CARBON_wtpct;
}

export function austeniteLeft(s: Structure, i: number): number {
  return clamp(1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]! - s.martensite[i]!, 0, 1);
}

/** Carbon of the austenite of a node, wt%. */
export function austeniteCarbon_wtpct(s: Structure, i: number): number {
  const rest = s.bar.C - s.looseCarbon_wtpct[i]! - s.lamellarCarbon_wtpct[i]! - s.martensiteCarbon_wtpct[i]!;
  return Math.max(0, rest) / Math.max(austeniteLeft(s, i), 0.05);
}

/** What is left in solution of an element that carbide holds `partition` times as strongly, when a share is undissolved. */
function inSolution_wtpct(element_wtpct: number, partition: number, carbideFraction: number, undissolvedShare: number): number {
  const share = (partition * carbideFraction) / (partition * carbideFraction + 1 - carbideFraction);
  return element_wtpct * (1 - share * undissolvedShare);
}

/** Composition of the austenite of a node, wt%. */
export function solution_wtpct(s: Structure, i: number): Composition {
  const { bar } = s;
  const share = s.looseCarbon_wtpct[i]! / bar.C;
  const allCarbide = bar.C / CEMENTITE_CARBON_wtpct;
  return {
    ...bar,
    C: austeniteCarbon_wtpct(s, i),
    Mn: inSolution_wtpct(bar.Mn, 3, allCarbide, share),
    Cr: inSolution_wtpct(bar.Cr, 8, allCarbide, share),
    W: inSolution_wtpct(bar.W, 8, allCarbide, share),
  };
}

function isAlike(s: Structure, i: number, j: number): boolean {
  return (
    s.looseCarbon_wtpct[i] === s.looseCarbon_wtpct[j] &&
    s.lamellarCarbon_wtpct[i] === s.lamellarCarbon_wtpct[j] &&
    s.martensiteCarbon_wtpct[i] === s.martensiteCarbon_wtpct[j] &&
    s.ferrite[i] === s.ferrite[j] &&
    s.pearlite[i] === s.pearlite[j] &&
    s.bainite[i] === s.bainite[j] &&
    s.grain_um[i] === s.grain_um[j] &&
    s.carbide_um[i] === s.carbide_um[j] &&
    s.isStale[j] === 0
  );
}

/**
 * Changes too small to work the coefficients out again for: carbon, wt%, and grain, as a share. Deep in a section austenite
 * still dissolves carbide in the first hundredths of a second of a quench. 1e-6 wt% moves the martensite start by 0.0003 K.
 */
const SAME_CARBON_wtpct = 1e-6;
const SAME_GRAIN = 1e-5;

function isMuchAsBefore({ workedOutFrom: was, looseCarbon_wtpct, grain_um }: Structure, i: number, carbon_wtpct: number): boolean {
  return (
    Math.abs(was[3 * i]! - carbon_wtpct) < SAME_CARBON_wtpct &&
    Math.abs(was[3 * i + 1]! - looseCarbon_wtpct[i]!) < SAME_CARBON_wtpct &&
    Math.abs(was[3 * i + 2]! - grain_um[i]!) < SAME_GRAIN * grain_um[i]!
  );
}

/** Works out the coefficients of a node whose austenite has changed. */
export function refresh(s: Structure, i: number): void {
  if (s.isStale[i] === 0) return;
  s.isStale[i] = 0;
  const carbon_wtpct = austeniteCarbon_wtpct(s, i);
  if (isMuchAsBefore(s, i, carbon_wtpct)) {
    // Ferrite of an earlier cooling may have moved it.
    s.martensiteStart_C[i] = s.coefficients[i]!.martensiteStart_C;
    return;
  }
  s.workedOutFrom[3 * i] = carbon_wtpct;
  s.workedOutFrom[3 * i + 1] = s.looseCarbon_wtpct[i]!;
  s.workedOutFrom[3 * i + 2] = s.grain_um[i]!;
  if (i > 0 && isAlike(s, i, i - 1)) {
    s.coefficients[i] = s.coefficients[i - 1]!;
    s.martensiteStart_C[i] = s.martensiteStart_C[i - 1]!;
    return;
  }
  const coefficients = coefficientsOf({
    solution_wtpct: solution_wtpct(s, i),
    astmGrain: astmGrainNumber(s.grain_um[i]!),
    nucleation_1_um: undissolvedFraction(s, i) / s.carbide_um[i]!,
    barVanadium_wtpct: s.bar.V,
    rateRatio: s.rateRatio,
    kinetics: s.kinetics,
  });
  coefficients.martensiteStart_C = coefficients.martensiteStart_C + s.martensiteStartShift_K;
  s.coefficients[i] = coefficients;
  s.martensiteStart_C[i] = coefficients.martensiteStart_C;
}

/** A section as it lies on the bench. @throws nothing: the composition was checked by its schema. */
export function makeStructure({
  nodes,
  bar_wtpct,
  prior,
  temperSteel,
  kinetics = KINETICS,
  rateRatio = 1,
  dissolutionRatio = 1,
  martensiteStartShift_K = 0,
}: StructureInput): Structure {
  const bar = fullComposition(bar_wtpct);
  const isRound = prior === "fine-spheroidised" || prior === "coarse-spheroidised";
  const c = coefficientsOf({ solution_wtpct: bar, astmGrain: 8, kinetics });
  c.martensiteStart_C = c.martensiteStart_C + martensiteStartShift_K;
  const ferrite = isRound ? 1 : ferriteLimitOf(c, USUAL_PEARLITE_C);
  const filled = (value: number): Float64Array => new Float64Array(nodes).fill(value);
  return {
    count: nodes,
    bar,
    kinetics,
    temperSteel: temperSteel ?? unlistedTemperSteel(bar),
    rateRatio,
    dissolutionRatio,
    martensiteStartShift_K,
    isEven: true,
    ferrite: filled(ferrite),
    pearlite: filled(1 - ferrite),
    bainite: filled(0),
    martensite: filled(0),
    formedHardness_HV: filled(ferrite * ferriteHardness_HV(bar) + (1 - ferrite) * pearliteHardnessOf_HV(c, USUAL_PEARLITE_C)),
    spheroidite: filled(isRound ? 1 : 0),
    looseCarbon_wtpct: filled(isRound ? bar.C : 0),
    lamellarCarbon_wtpct: filled(isRound ? 0 : bar.C),
    martensiteCarbon_wtpct: filled(0),
    carbide_um: filled(prior === "coarse-spheroidised" ? COARSE_um : FINE_um),
    dissolving_um: filled(LAMELLAR_um),
    spacingRatio: filled(1),
    floorRatio: filled(1),
    grain_um: filled(prior === "as-forged" ? FORGED_GRAIN_um : NORMAL_GRAIN_um),
    temper_K: filled(0),
    martensiteStart_C: filled(c.martensiteStart_C),
    hasBeenCold: new Uint8Array(nodes).fill(1),
    isStale: new Uint8Array(nodes).fill(1),
    coefficients: Array.from({ length: nodes }, () => c),
    workedOutFrom: new Float64Array(3 * nodes),
    change: { ferrite: filled(0), pearlite: filled(0), bainite: filled(0) },
    austenitised: filled(0),
    grainActivation_J_mol: 89098 + 3581 * bar.C + 1443 * bar.Cr,
  };
}

/** A section of which every node is what the one of another section is: that stays as it was. */
export function allAs(one: Structure, nodes: number): Structure {
  const all = ([value]: Float64Array): Float64Array => new Float64Array(nodes).fill(value!);
  const flags = ([value]: Uint8Array): Uint8Array => new Uint8Array(nodes).fill(value!);
  const none = (): Float64Array => new Float64Array(nodes);
  return {
    ...one,
    count: nodes,
    isEven: true,
    ferrite: all(one.ferrite),
    pearlite: all(one.pearlite),
    bainite: all(one.bainite),
    martensite: all(one.martensite),
    formedHardness_HV: all(one.formedHardness_HV),
    spheroidite: all(one.spheroidite),
    looseCarbon_wtpct: all(one.looseCarbon_wtpct),
    lamellarCarbon_wtpct: all(one.lamellarCarbon_wtpct),
    martensiteCarbon_wtpct: all(one.martensiteCarbon_wtpct),
    carbide_um: all(one.carbide_um),
    dissolving_um: all(one.dissolving_um),
    spacingRatio: all(one.spacingRatio),
    floorRatio: all(one.floorRatio),
    grain_um: all(one.grain_um),
    temper_K: all(one.temper_K),
    martensiteStart_C: all(one.martensiteStart_C),
    hasBeenCold: flags(one.hasBeenCold),
    isStale: flags(one.isStale),
    coefficients: Array.from({ length: nodes }, () => one.coefficients[0]!),
    workedOutFrom: Float64Array.from({ length: 3 * nodes }, (_, i) => one.workedOutFrom[i % 3]!),
    change: { ferrite: none(), pearlite: none(), bainite: none() },
    austenitised: none(),
  };
}

/** Copies node 0 to all others of an even section. */
export function spreadEven(s: Structure): void {
  for (const array of [
    s.ferrite,
    s.pearlite,
    s.bainite,
    s.martensite,
    s.formedHardness_HV,
    s.spheroidite,
    s.looseCarbon_wtpct,
    s.lamellarCarbon_wtpct,
    s.martensiteCarbon_wtpct,
    s.carbide_um,
    s.dissolving_um,
    s.spacingRatio,
    s.floorRatio,
    s.grain_um,
    s.temper_K,
    s.martensiteStart_C,
    s.hasBeenCold,
    s.isStale,
  ]) {
    array.fill(array[0]!);
  }
  for (let i = 1; i < s.count; i++) s.workedOutFrom.copyWithin(3 * i, 0, 3);
  s.coefficients.fill(s.coefficients[0]!);
}

/** One-hour temperature that tempered the martensite of a node as much, C; 20 when it is fresh. */
export function temperEquivalent_C(s: Structure, i: number): number {
  const P = s.temper_K[i]!;
  return P > 0 ? Math.max(20, celsiusFromKelvin(P / hollomonConstant(s.temperSteel.carbonInSolution_wtpct))) : 20;
}

/** In a soft matrix carbide counts no more than so many times the matrix: spheroidised steel is 170 to 200 HV (from memory). */
const SOFT_MATRIX = 4.5;

/** Carbon that counts for the hardness and the start of martensite: new ferrite enriches austenite to 0.9 % at most (hardening-note). */
export const MOST_ENRICHED_wtpct = 0.9;

/**
 * Hardness of a node as it stands, HV: its parts by fraction, less what a mixture loses, undissolved carbide on top.
 * Tempered martensite follows the temper model from its own as-quenched hardness.
 */
export function nodeHardness_HV(s: Structure, i: number, temper_C = temperEquivalent_C(s, i)): number {
  const M = s.martensite[i]!;
  const A = austeniteLeft(s, i);
  const soft = clamp(1 - M - A, 0, 1);
  const undissolved = undissolvedFraction(s, i);
  let martensite_HV = 0;
  let retained_HV = RETAINED_AUSTENITE_HV;
  let drop_HV = s.kinetics.constants.mixtureDrop_HV * mixtureShare(soft);
  if (M > 0) {
    const C = s.martensiteCarbon_wtpct[i]! / M;
    const base = s.coefficients[i]!.carbon_wtpct;
    const fresh_HV = martensiteHardness_HV(C <= base ? C : Math.max(base, Math.min(C, MOST_ENRICHED_wtpct)), s.kinetics);
    martensite_HV = fresh_HV;
    const Te = temper_C;
    if (Te > 20) {
      martensite_HV = vickersFromRockwellC(rockwellCFromVickers(fresh_HV) - temperDrop_HRC(s.temperSteel, Te));
      const changed = smoothstep(Te, 200, 300);
      retained_HV = (1 - changed) * TEMPERED_RETAINED_HV + changed * martensite_HV;
      drop_HV *= clamp((martensite_HV - 250) / Math.max(1, fresh_HV - 250), 0, 1);
    }
  }
  const matrix = s.formedHardness_HV[i]! + M * martensite_HV + A * retained_HV - drop_HV;
  return matrix * (1 - undissolved) + Math.min(CARBIDE_HV, SOFT_MATRIX * matrix) * undissolved;
}

/** What a node was drawn by before any temper, by heat that was left in the piece: as one hour at a heat, and as hard as it was before. */
export interface Drawn {
  readonly temperature_C: number;
  readonly fresh_HRC: number;
}

/** Less than this nobody sees, HRC. */
const NOT_SEEN_HRC = 0.05;

/** Null where nothing drew it. */
export function drawnOf(s: Structure, i: number): Drawn | null {
  const temperature_C = temperEquivalent_C(s, i);
  if (temperature_C <= 20 || s.martensite[i]! <= 0) return null;
  const fresh_HRC = rockwellCFromVickers(nodeHardness_HV(s, i, 20));
  return fresh_HRC - rockwellCFromVickers(nodeHardness_HV(s, i, temperature_C)) < NOT_SEEN_HRC ? null : { temperature_C, fresh_HRC };
}

/** Heats at which the soft half of a mixture usually formed: pearlite and bainite of an end-quenched bar, C (judgement). */
const HALF_PEARLITE_C = 600;
const HALF_BAINITE_C = 450;

/** Hardness of plain steel half martensite, half pearlite and bainite in equal shares, HV: to hold against the standard's line. */
export function halfMartensite_HV(carbon_wtpct: number, kinetics: Kinetics = KINETICS): number {
  const bar = fullComposition({ C: carbon_wtpct, Mn: 0.75, Si: 0.22 });
  const s = makeStructure({ nodes: 1, bar_wtpct: bar, prior: "pearlite", kinetics });
  const c = s.coefficients[0]!;
  s.ferrite[0] = 0;
  s.pearlite[0] = 0.25;
  s.bainite[0] = 0.25;
  s.martensite[0] = 0.5;
  s.martensiteCarbon_wtpct[0] = 0.5 * carbon_wtpct;
  s.lamellarCarbon_wtpct[0] = 0.5 * carbon_wtpct;
  s.formedHardness_HV[0] = 0.25 * (pearliteHardnessOf_HV(c, HALF_PEARLITE_C) + bainiteHardnessOf_HV(c, HALF_BAINITE_C));
  return nodeHardness_HV(s, 0);
}
