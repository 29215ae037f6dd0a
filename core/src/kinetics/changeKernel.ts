/**
 * The quick form of transform.ts: the same equations over flat arrays, no number handed from call to call inside a step. Two
 * things differ, both for speed: the clock of reduced time is kept from step to step instead of being read off the extent
 * again, and growth is applied only once it has come to `least`. transform.ts is the form to read;
 * test/simulate/kernel.test.ts holds this one to it. What belongs to a node stands side by side in one array:
 * half the work of an array for each is to find where the array is.
 */

import { ACM_SLOPE_K_wtpct } from "./composition.js";
import { PEARLITE_STOPS_K } from "./decomposition.js";
import { BAINITE_EXTENT, EXTENT_POINTS, FELT_FROM, PEARLITE_EXTENT, type Extent } from "./extent.js";
import { LAST_C } from "./kinetics.js";
import { refresh, type Structure } from "./structure.js";
import { LEAST_ADDED } from "./transform.js";

/** Growth waits until it is this share of the matrix: 1e-5 HV. */
export const HIDDEN = 1e-8;

// A node's numbers stand side by side, 32 of them. Their places are written as plain numbers below: names looked up at run time
// cost an eighth of the whole, and no build tool writes them in reliably.
//
//   its coefficients       0 Ae1   1 bainite start   2 pearlite end   3 pearlite   4 alloy delay   5 bainite   6 A3   7 ferrite
//                          8 carbon   9 eutectoid   10 ferrite end   11 martensite start   12 pearlite shift   13 pearlite ratio
//                          14 pearlite more   15 bainite ratio   23 bainite more   31 bainite end
//   kept from step to step 16 root of pearlite, 17 its room   18, 19 of bainite   20 all ferrite, 21 pearlite, 22 bainite
//   proposed by a step     24 growth of ferrite, 25 pearlite, 26 bainite   27 root of pearlite after it, 28 its room   29, 30 of bainite
//
// A root is the cube root of an extent, in points of the table: the clock of reduced time. It belongs to a room (what the
// change may fill), 0 where there is none yet. "All" is a fraction with what was not applied yet.

/** What is kept of a structure between steps, and what is written on; made once a run. */
export interface ChangeKernel {
  readonly s: Structure;
  readonly least: number;
  readonly node: Float64Array;
  readonly martensiteRate_1_K: Float64Array;
  readonly ferrite_HV: Float64Array;
  /** Nodes that may change in this step, and how many; those that may form ferrite, and how many. */
  readonly active: Int32Array;
  activeCount: number;
  readonly ferritic: Int32Array;
  ferriticCount: number;
  /** Whether any node does not cool as fast as in a quench: only there does anything warm, dissolve or temper. */
  isAnySlow: boolean;
  /** Whether austenite may have changed since the coefficients were worked out. */
  mayBeStale: boolean;
}

export function makeChangeKernel(s: Structure, least: number): ChangeKernel {
  const kernel: ChangeKernel = {
    s,
    least,
    node: new Float64Array(32 * s.count),
    martensiteRate_1_K: new Float64Array(s.count),
    ferrite_HV: new Float64Array(s.count),
    active: new Int32Array(s.count),
    activeCount: 0,
    ferritic: new Int32Array(s.count),
    ferriticCount: 0,
    isAnySlow: true,
    mayBeStale: true,
  };
  for (let i = 0; i < s.count; i++) copyCoefficients(kernel, i);
  restart(kernel);
  return kernel;
}

function copyCoefficients(kernel: ChangeKernel, i: number): void {
  const to = kernel.node;
  const c = kernel.s.coefficients[i]!;
  const at = i << 5;
  to[at] = c.ae1_C;
  to[at + 1] = c.bainiteStart_C;
  to[at + 2] = c.martensiteStart_C - PEARLITE_STOPS_K;
  to[at + 3] = c.pearlite;
  to[at + 4] = c.alloyDelay;
  to[at + 5] = c.bainite;
  to[at + 6] = c.a3_C;
  to[at + 7] = c.ferrite;
  to[at + 8] = c.carbon_wtpct;
  to[at + 9] = c.eutectoid_wtpct;
  to[at + 10] = c.ferriteEnd_C;
  to[at + 11] = c.martensiteStart_C;
  kernel.martensiteRate_1_K[i] = c.martensiteRate_1_K;
  kernel.ferrite_HV[i] = c.ferrite_HV;
  to[at + 12] = c.pearliteShift_K;
  to[at + 13] = c.pearliteRatio;
  to[at + 14] = c.pearliteMore_HV;
  to[at + 15] = c.bainiteRatio;
  to[at + 31] = c.bainiteEnd;
  to[at + 23] = c.bainiteMore_HV;
}

/** Warming may have changed the structure: where it did, clocks and growth that waited start anew. */
export function restart({ s, least, node }: ChangeKernel): void {
  const { ferrite, pearlite, bainite } = s;
  for (let i = 0; i < s.count; i++) {
    const c = i << 5;
    const hiddenF = node[c + 20]! - ferrite[i]!;
    const hiddenP = node[c + 21]! - pearlite[i]!;
    const hiddenB = node[c + 22]! - bainite[i]!;
    if (!(hiddenF >= 0 && hiddenF <= least)) node[c + 20] = ferrite[i]!;
    if (!(hiddenP >= 0 && hiddenP <= least)) {
      node[c + 21] = pearlite[i]!;
      node[c + 17] = 0;
    }
    if (!(hiddenB >= 0 && hiddenB <= least)) {
      node[c + 22] = bainite[i]!;
      node[c + 19] = 0;
    }
  }
}

/** Temperatures of the last step, of the next one's middle, and how they follow from each other. */
export interface Moves {
  readonly temperature_C: Float64Array;
  readonly before: Float64Array;
  /** Written here: the last move goes on by the share `ahead`, `most_K` at most. */
  readonly middle: Float64Array;
}

/**
 * As `proposeChange`: works out what a step changes, without applying it. Nodes that moved by `slowest_K` or more are slow.
 * @returns the largest fraction a node changes by.
 */
export function proposeQuickly(kernel: ChangeKernel, moves: Moves, ahead: number, most_K: number, slowest_K: number, dt_s: number): number {
  if (kernel.mayBeStale) refreshCooling(kernel, moves, ahead);
  listActive(kernel, moves, ahead, most_K, slowest_K);
  if (kernel.ferriticCount > 0) growFerrite(kernel, moves.middle, dt_s);
  growPearlite(kernel, moves.middle, dt_s);
  growBainite(kernel, moves.middle, dt_s);
  return largestOf(kernel);
}

/** Coefficients of austenite that begins to cool. */
function refreshCooling(kernel: ChangeKernel, { temperature_C, before }: Moves, ahead: number): void {
  const { s } = kernel;
  const { isStale, ferrite, pearlite, bainite, martensite } = s;
  const count = s.isEven ? 1 : s.count;
  let stale = 0;
  for (let i = 0; i < count; i++) {
    if (isStale[i] === 0) continue;
    stale++;
    // The middle of the step is above where the step before began.
    if (temperature_C[i]! + ahead * (temperature_C[i]! - before[i]!) > before[i]! || martensite[i]! > 0.01) continue;
    if (1 - ferrite[i]! - pearlite[i]! - bainite[i]! - martensite[i]! <= 1e-9) continue;
    refresh(s, i);
    copyCoefficients(kernel, i);
  }
  kernel.mayBeStale = stale > 0;
}

function listActive(kernel: ChangeKernel, moves: Moves, ahead: number, most_K: number, slowest_K: number): void {
  const { s, active, ferritic, node } = kernel;
  const { temperature_C, before, middle } = moves;
  const { ferrite, pearlite, bainite, martensite, isStale, martensiteStart_C } = s;
  const count = s.isEven ? 1 : s.count;
  let n = 0;
  let f = 0;
  let slow = 0;
  for (let i = 0; i < count; i++) {
    const now = temperature_C[i]!;
    const moved = now - before[i]!;
    if (moved >= slowest_K) slow++;
    const move = ahead * moved;
    const T = now + Math.max(-most_K, Math.min(most_K, move));
    middle[i] = T;
    const M = martensite[i]!;
    const a3 = node[(i << 5) + 6]!;
    if (M > 0.01 || T >= a3 || T <= martensiteStart_C[i]! - 1 || isStale[i] === 1) continue;
    if (1 - ferrite[i]! - pearlite[i]! - bainite[i]! - M <= 1e-9) continue;
    const ac1 = node[i << 5]!;
    if (T >= ac1 && T > before[i]!) continue;
    active[n++] = i;
    node[(i << 5) + 24] = 0;
    // No ferrite in steel whose 6 is its Ae1: it has the carbon of the eutectoid or more.
    if (a3 > ac1) ferritic[f++] = i;
  }
  kernel.activeCount = n;
  kernel.ferriticCount = f;
  kernel.isAnySlow = slow > 0;
}

/** A room that moved by less than this share has its cube root by a series, good to 2e-12. */
const NEAR = 0.02;
/** Reduced time that moves further than a point or two of the table. */
const FAR = 0.004;
/** Extent of a cube of one point. */
const UNIT = EXTENT_POINTS ** -3;

function growPearlite(kernel: ChangeKernel, middle_C: Float64Array, dt_s: number): void {
  const { s, active, activeCount, node } = kernel;
  const { ferrite, bainite } = s;
  const { rates, pearliteForce: forces } = s.kinetics;
  const points = Number(EXTENT_POINTS);
  const last_C = Number(LAST_C);
  const least = Number(LEAST_ADDED);
  for (let n = 0; n < activeCount; n++) {
    const i = active[n]!;
    const c = i << 5;
    node[c + 25] = 0;
    const T = middle_C[i]!;
    const below = node[c]! - T;
    const room = 1 - ferrite[i]! - bainite[i]!;
    if (below <= 0 || T <= node[c + 2]! || room <= 0) continue;
    const t = T < 0 ? 0 : T;
    const d = t >= last_C ? last_C - 1 : t | 0;
    const w = t - d;
    const r = d << 2;
    const plain = rates[r]! + w * (rates[r + 4]! - rates[r]!);
    const alloy = rates[r + 1]! + w * (rates[r + 5]! - rates[r + 1]!);
    const b = below >= last_C ? last_C - 1 : below | 0;
    const force = forces[b]! + (below - b) * (forces[b + 1]! - forces[b]!);
    const added = ((node[c + 3]! * force) / (plain + node[c + 4]! * alloy)) * dt_s;
    let x = node[c + 16]!;
    const of = node[c + 17]!;
    if (of !== room) {
      const e = of / room - 1;
      // Mostly the room has hardly moved, and a few terms of the series are the cube root of what it moved by.
      if (e > NEAR || e < -NEAR) x = Math.cbrt(node[c + 21]! / room) * points;
      else if (e < 1e-4 && e > -1e-4) x *= 1 + e * (1 / 3 - e * (1 / 9 - e * (5 / 81)));
      else x *= 1 + e * (1 / 3 + e * (-1 / 9 + e * (5 / 81 + e * (-10 / 243 + e * (22 / 729)))));
    }
    if (added < least || x >= points) continue;
    node[c + 25] = added;
    node[c + 27] = x;
    node[c + 28] = room;
  }
  invert(kernel, PEARLITE_EXTENT, 25, 27, 28);
}

function growBainite(kernel: ChangeKernel, middle_C: Float64Array, dt_s: number): void {
  const { s, active, activeCount, node } = kernel;
  const { ferrite, pearlite } = s;
  const { rates } = s.kinetics;
  const points = Number(EXTENT_POINTS);
  const last_C = Number(LAST_C);
  const least = Number(LEAST_ADDED);
  const { pairs } = BAINITE_EXTENT;
  const felt = Math.cbrt(FELT_FROM) * points;
  for (let n = 0; n < activeCount; n++) {
    const i = active[n]!;
    const c = i << 5;
    node[c + 26] = 0;
    const T = middle_C[i]!;
    const below = node[c + 1]! - T;
    const room = 1 - ferrite[i]! - pearlite[i]!;
    if (below <= 0 || room <= 0) continue;
    const t = T < 0 ? 0 : T;
    const d = t >= last_C ? last_C - 1 : t | 0;
    const r = d << 2;
    const delay = rates[r + 2]! + (t - d) * (rates[r + 6]! - rates[r + 2]!);
    let added = ((node[c + 5]! * below * below) / delay) * dt_s;
    let x = node[c + 18]!;
    const of = node[c + 19]!;
    if (of !== room) {
      const e = of / room - 1;
      // Mostly the room has hardly moved, and a few terms of the series are the cube root of what it moved by.
      if (e > NEAR || e < -NEAR) x = Math.cbrt(node[c + 22]! / room) * points;
      else if (e < 1e-4 && e > -1e-4) x *= 1 + e * (1 / 3 - e * (1 / 9 - e * (5 / 81)));
      else x *= 1 + e * (1 / 3 + e * (-1 / 9 + e * (5 / 81 + e * (-10 / 243 + e * (22 / 729)))));
    }
    if (added < least || x >= points) continue;
    const end = node[c + 31]!;
    if (x >= felt && end > 0) {
      // As `sluggishTime`: X squared is the sixth power of the root.
      let r3 = (x / points) * (x / points) * (x / points);
      const m = (x + 0.5 * Math.exp(-end * r3 * r3) * added * pairs[((x | 0) << 1) + 1]!) / points;
      r3 = m >= 1 ? 1 : m * m * m;
      added *= Math.exp(-end * r3 * r3);
    }
    node[c + 26] = added;
    node[c + 29] = x;
    node[c + 30] = room;
  }
  invert(kernel, BAINITE_EXTENT, 26, 29, 30);
}

/** Reduced time added (at `growth`) to a root (at `root`) becomes the root after it and the growth that makes of the room. */
function invert({ active, activeCount, node }: ChangeKernel, shape: Extent, growth: number, root: number, room: number): void {
  const { pairs, hints } = shape;
  const points = Number(EXTENT_POINTS);
  const complete = Number(shape.complete);
  const perUnit = Number(shape.hintsPerUnit);
  const unit = Number(UNIT);
  for (let n = 0; n < activeCount; n++) {
    const c = active[n]! << 5;
    const added = node[c + growth]!;
    if (added === 0) continue;
    const x = node[c + root]!;
    let p = (x | 0) << 1;
    const u = pairs[p]! + (x - (p >> 1)) * (pairs[p + 2]! - pairs[p]!) + added;
    let after = points;
    if (u < complete) {
      if (added > FAR) p = hints[(u * perUnit) | 0]! << 1;
      while (pairs[p + 2]! <= u) p += 2;
      after = (p >> 1) + (u - pairs[p]!) * pairs[p + 1]!;
    }
    node[c + growth] = (after * after * after - x * x * x) * unit * node[c + room]!;
    node[c + root] = after;
  }
}

/** The largest fraction a node changes by: no more than is left of its austenite. */
function largestOf({ s, active, activeCount, node }: ChangeKernel): number {
  const { ferrite, pearlite, bainite, martensite } = s;
  let largest = 0;
  for (let n = 0; n < activeCount; n++) {
    const i = active[n]!;
    const c = i << 5;
    const sum = node[c + 24]! + node[c + 25]! + node[c + 26]!;
    if (sum <= largest) continue;
    const left = 1 - ferrite[i]! - pearlite[i]! - bainite[i]! - martensite[i]!;
    largest = sum <= left ? sum : left > largest ? left : largest;
  }
  return largest;
}

/** The limit of ferrite moves with the temperature, so its clock is read off anew in every step. */
function growFerrite(kernel: ChangeKernel, middle_C: Float64Array, dt_s: number): void {
  const { s, ferritic, ferriticCount, node } = kernel;
  const { ferrite, pearlite, bainite } = s;
  const { rates } = s.kinetics;
  const { pairs, hints } = PEARLITE_EXTENT;
  // Known to be numbers, they stay out of the heap where they meet numbers that are computed.
  const points = Number(EXTENT_POINTS);
  const complete = Number(PEARLITE_EXTENT.complete);
  const perUnit = Number(PEARLITE_EXTENT.hintsPerUnit);
  const unit = Number(UNIT);
  for (let n = 0; n < ferriticCount; n++) {
    const i = ferritic[n]!;
    const c = i << 5;
    const T = middle_C[i]!;
    const ac1 = node[c]!;
    const C = node[c + 8]!;
    const eutectoid = node[c + 9]!;
    let line = eutectoid + (T - ac1) / ACM_SLOPE_K_wtpct;
    let pure = 0.02;
    if (T >= ac1) {
      const end = node[c + 10]!;
      const share = (end - T) / (end - ac1);
      line = share <= 0 ? 0 : eutectoid * share * share;
      pure = 0.01;
    }
    if (line <= C) continue;
    const limit = Math.min(1, (line - C) / (line - pure));
    const F = ferrite[i]!;
    if (limit <= 0.005 || F >= 0.999 * limit) continue;
    const below = node[c + 6]! - T;
    const t = T < 0 ? 0 : T;
    const d = t >= LAST_C ? LAST_C - 1 : t | 0;
    const r = (d << 2) + 3;
    const added = node[c + 7]! * below * below * below * (rates[r]! + (t - d) * (rates[r + 4]! - rates[r]!)) * dt_s;
    const x = Math.cbrt(node[(i << 5) + 20]! / limit) * points;
    if (added < LEAST_ADDED || x >= points) continue;
    let p = (x | 0) << 1;
    const u = pairs[p]! + (x - (p >> 1)) * (pairs[p + 2]! - pairs[p]!) + added;
    let after = points;
    if (u < complete) {
      if (added > FAR) p = hints[(u * perUnit) | 0]! << 1;
      while (pairs[p + 2]! <= u) p += 2;
      after = (p >> 1) + (u - pairs[p]!) * pairs[p + 1]!;
    }
    const grown = (after * after * after - x * x * x) * unit * limit;
    node[(i << 5) + 24] = (grown * (1 - F - pearlite[i]! - bainite[i]!)) / (1 - F);
  }
}

/** As `formMartensite`. */
export function formQuickly(kernel: ChangeKernel, temperature_C: Float64Array): void {
  const { s, martensiteRate_1_K } = kernel;
  const { ferrite, pearlite, bainite, martensite, martensiteStart_C, martensiteCarbon_wtpct, isStale } = s;
  const { looseCarbon_wtpct, lamellarCarbon_wtpct } = s;
  const C0 = s.bar.C;
  const count = s.isEven ? 1 : s.count;
  if (kernel.mayBeStale) {
    for (let i = 0; i < count; i++) {
      if (isStale[i] === 0 || temperature_C[i]! >= martensiteStart_C[i]!) continue;
      if (1 - ferrite[i]! - pearlite[i]! - bainite[i]! <= 1e-9) continue;
      refresh(s, i);
      copyCoefficients(kernel, i);
    }
  }
  for (let i = 0; i < count; i++) {
    const T = temperature_C[i]!;
    const Ms = martensiteStart_C[i]!;
    if (T >= Ms) continue;
    const austenite = 1 - ferrite[i]! - pearlite[i]! - bainite[i]!;
    if (austenite <= 1e-9) continue;
    const M = austenite * (1 - Math.exp(-martensiteRate_1_K[i]! * (Ms - T)));
    const before = martensite[i]!;
    if (M <= before) continue;
    const left = austenite - before;
    const share = (M - before) / (left > 1e-9 ? left : 1e-9);
    martensiteCarbon_wtpct[i]! +=
      (share < 1 ? share : 1) * (C0 - looseCarbon_wtpct[i]! - lamellarCarbon_wtpct[i]! - martensiteCarbon_wtpct[i]!);
    martensite[i] = M;
  }
}
