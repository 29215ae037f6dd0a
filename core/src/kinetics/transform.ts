/** Carries the structure of every node through a change of temperature: ferrite, pearlite, bainite, martensite, hardness. */

import { clamp } from "../numerics/interpolate.js";
import type { Austenite } from "./austenite.js";
import type { Composition } from "./composition.js";
import { decompositionTable, LAST_C, type DecompositionTable } from "./decomposition.js";
import { COMPLETE, extentAt, reducedTime } from "./extent.js";
import { CARBIDE_HV, martensiteHardness_HV, RETAINED_AUSTENITE_HV } from "./hardness.js";
import { martensiteRate_1_K, startDrop_K } from "./martensite.js";

export interface NodeStructure {
  readonly table: DecompositionTable;
  readonly solution_wtpct: Composition;
  readonly startFerrite: number;
  readonly undissolved: number;
  readonly martensiteRate_1_K: number;
  /** Fractions of each node, 0 ... 1; what is left of 1 is austenite. */
  readonly ferrite: Float64Array;
  readonly pearlite: Float64Array;
  readonly bainite: Float64Array;
  readonly martensite: Float64Array;
  /** Martensite start of each node, C: new ferrite enriches the austenite beside it. */
  readonly martensiteStart_C: Float64Array;
  /** Sum of fraction x hardness at formation of ferrite, pearlite and bainite, HV. */
  readonly formedHardness_HV: Float64Array;
  readonly change: { readonly ferrite: Float64Array; readonly pearlite: Float64Array; readonly bainite: Float64Array };
}

export interface StructureInput {
  readonly nodes: number;
  readonly austenite: Austenite;
  readonly barVanadium_wtpct: number;
  readonly rateRatio?: number;
  /** Added to the martensite start: 0 as published; the ensemble varies it. */
  readonly martensiteStartShift_K?: number;
}

export function startStructure({
  nodes,
  austenite,
  barVanadium_wtpct,
  rateRatio = 1,
  martensiteStartShift_K = 0,
}: StructureInput): NodeStructure {
  const { solution_wtpct, extent, undissolved, nucleation_1_um, astmGrain } = austenite;
  const table = decompositionTable({ solution_wtpct, astmGrain, nucleation_1_um, barVanadium_wtpct, rateRatio });
  const startFerrite = 1 - extent;
  const Ms = table.martensiteStart_C + martensiteStartShift_K;
  const filled = (value: number): Float64Array => new Float64Array(nodes).fill(value);
  return {
    table: { ...table, martensiteStart_C: Ms },
    solution_wtpct,
    startFerrite,
    undissolved,
    martensiteRate_1_K: martensiteRate_1_K(solution_wtpct),
    ferrite: filled(startFerrite),
    pearlite: filled(0),
    bainite: filled(0),
    martensite: filled(0),
    martensiteStart_C: filled(Ms),
    formedHardness_HV: filled(startFerrite * table.ferrite_HV),
    change: { ferrite: filled(0), pearlite: filled(0), bainite: filled(0) },
  };
}

function at(table: Float64Array, temperature_C: number): number {
  const T = temperature_C < 0 ? 0 : temperature_C > LAST_C ? LAST_C : temperature_C;
  const i = T >= LAST_C ? LAST_C - 1 : Math.floor(T);
  return table[i]! + (T - i) * (table[i + 1]! - table[i]!);
}

/** Growth of a change that stands at extent X, by a rate over a step; 0 ... 1 - X. */
function growth(X: number, rate_1_s: number, dt_s: number): number {
  const du = rate_1_s * dt_s;
  if (du < 1e-9 || X >= 1) return 0;
  const u = reducedTime(X) + du;
  return (u >= COMPLETE ? 1 : extentAt(u)) - X;
}

/**
 * Works out, without applying it, what one step changes in every node; `temperature_C` is that of the middle of the step.
 * @returns the largest fraction any node would change by.
 */
export function proposeChange(s: NodeStructure, temperature_C: Float64Array, dt_s: number): number {
  const { table, ferrite, pearlite, bainite, martensite, change } = s;
  let largest = 0;
  for (let i = 0; i < temperature_C.length; i++) {
    change.ferrite[i] = 0;
    change.pearlite[i] = 0;
    change.bainite[i] = 0;
    const T = temperature_C[i]!;
    if (martensite[i]! > 0.01 || T <= s.martensiteStart_C[i]! - 1 || T >= table.a3_C) continue;
    const [F, P, B] = [ferrite[i]!, pearlite[i]!, bainite[i]!];
    const left = 1 - F - P - B - martensite[i]!;
    if (left <= 1e-9) continue;
    let dF = 0;
    const limit = at(table.ferriteLimit, T);
    if (limit > 0.005 && F < 0.999 * limit) {
      dF = (growth(F / limit, at(table.ferrite_1_s, T), dt_s) * limit * (1 - F - P - B)) / (1 - F);
    }
    const roomP = 1 - F - B;
    const roomB = 1 - F - P;
    const dP = roomP <= 0 ? 0 : growth(P / roomP, at(table.pearlite_1_s, T), dt_s) * roomP;
    const dB = roomB <= 0 ? 0 : growth(B / roomB, at(table.bainite_1_s, T), dt_s) * roomB;
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

/** Carbon of the austenite beside new ferrite, wt%. */
function enrichedCarbon_wtpct(s: NodeStructure, ferrite: number): number {
  const C = s.solution_wtpct.C;
  const fresh = (ferrite - s.startFerrite) / (1 - s.startFerrite);
  if (!(fresh > 0)) return C;
  return Math.max(C, Math.min(C / (1 - Math.min(fresh, 0.6)), 0.9));
}

/** Applies the proposed change. `temperature_C` is that at which it happened. */
export function applyChange(s: NodeStructure, temperature_C: Float64Array): void {
  const { table, change } = s;
  for (let i = 0; i < temperature_C.length; i++) {
    const [dF, dP, dB] = [change.ferrite[i]!, change.pearlite[i]!, change.bainite[i]!];
    if (dF + dP + dB === 0) continue;
    const T = temperature_C[i]!;
    s.ferrite[i]! += dF;
    s.pearlite[i]! += dP;
    s.bainite[i]! += dB;
    s.formedHardness_HV[i]! += dF * table.ferrite_HV + dP * at(table.pearlite_HV, T) + dB * at(table.bainite_HV, T);
    if (dF > 0) {
      s.martensiteStart_C[i] = table.martensiteStart_C + startDrop_K(s.solution_wtpct.C, enrichedCarbon_wtpct(s, s.ferrite[i]!));
    }
  }
}

/** Lets martensite form down to the temperatures given; it never goes back. */
export function formMartensite(s: NodeStructure, temperature_C: Float64Array): void {
  for (let i = 0; i < temperature_C.length; i++) {
    const Ms = s.martensiteStart_C[i]!;
    if (temperature_C[i]! >= Ms) continue;
    const austenite = 1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]!;
    const M = austenite * -Math.expm1(-s.martensiteRate_1_K * (Ms - temperature_C[i]!));
    if (M > s.martensite[i]!) s.martensite[i] = M;
  }
}

/** Austenite left in a node, 0 ... 1. */
export function austeniteLeft(s: NodeStructure, i: number): number {
  return clamp(1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]! - s.martensite[i]!, 0, 1);
}

/** Hardness of a node as it stands, HV: mixed linearly by fraction, undissolved carbide on top. */
export function nodeHardness_HV(s: NodeStructure, i: number): number {
  const martensite = s.martensite[i]! * martensiteHardness_HV(enrichedCarbon_wtpct(s, s.ferrite[i]!));
  const matrix = s.formedHardness_HV[i]! + martensite + RETAINED_AUSTENITE_HV * austeniteLeft(s, i);
  return matrix * (1 - s.undissolved) + CARBIDE_HV * s.undissolved;
}
