/** The shape of a diffusional change in time, dX/du = X^(2(1-X)/3) (1-X)^(2X/3), advanced exactly. */

/** Points of the table, even in the cube root of the extent. */
export const EXTENT_POINTS = 2000;
const HINTS = 4000;

/** A change in reduced time, as tables: S(X) at even steps of the cube root of X, straight between them. */
export interface Extent {
  /** Reduced time at each point. */
  readonly table: Float64Array;
  /** A change that has used this much reduced time is complete. */
  readonly complete: number;
  /** The table with, beside each entry, the points per unit of reduced time from there to the next. */
  readonly pairs: Float64Array;
  /** Hints per unit of reduced time, and of each the last point of the table at or below it: where to begin to look. */
  readonly hintsPerUnit: number;
  readonly hints: Int32Array;
}

/**
 * One place of a bar is not like the next: grain is of many sizes and alloy lies in bands, so that rates differ by this ln sd, those of
 * bainite, which alloy holds most, more than those of pearlite. What is seen is the mean of all. Chosen with the fit, by what is left of
 * its training rows (docs/model/hardening.md).
 */
const [PEARLITE_DIFFERS, BAINITE_DIFFERS] = [0.2, 0.6];

/** Of one place: S(X) = integral of dX / f(X), complete at about 4.194. @source kirkaldy1984 (from memory) */
export const ONE_PLACE = extentOf(sharpTable());
/** Of ferrite and pearlite, and of bainite: means of many places. Their first hundredth comes as that of one does. */
export const PEARLITE_EXTENT = extentOf(blurred(ONE_PLACE.table, PEARLITE_DIFFERS));
export const BAINITE_EXTENT = extentOf(blurred(ONE_PLACE.table, BAINITE_DIFFERS));

/** S by midpoints in s = X^(1/3). */
function sharpTable(): Float64Array {
  const table = new Float64Array(EXTENT_POINTS + 1);
  for (let i = 0; i < EXTENT_POINTS; i++) {
    const s = (i + 0.5) / EXTENT_POINTS;
    const X = s * s * s;
    const f = X ** ((2 * (1 - X)) / 3) * (1 - X) ** ((2 * X) / 3);
    table[i + 1] = table[i]! + (3 * s * s) / f / EXTENT_POINTS;
  }
  return table;
}

/** The table of the mean of changes that are each by `table`, their rates ln-normal, cut off at two and a half deviations. */
function blurred(table: Float64Array, sd: number): Float64Array {
  const [cut, draws, looks] = [2.5, 41, 2000];
  const z = Array.from({ length: draws }, (_, k) => -cut + (2 * cut * k) / (draws - 1));
  const weights = z.map((one) => Math.exp(-0.5 * one * one));
  const all = weights.reduce((sum, w) => sum + w, 0);
  const last = table[EXTENT_POINTS]! * Math.exp(cut * sd);
  /** Mean extent at even steps of reduced time. */
  const mean = new Float64Array(looks + 1);
  z.forEach((one, k) => {
    const faster = Math.exp(sd * one);
    let i = 0;
    for (let n = 0; n <= looks; n++) {
      const u = ((last * n) / looks) * faster;
      while (i < EXTENT_POINTS && table[i + 1]! <= u) i++;
      const root = i >= EXTENT_POINTS ? 1 : (i + (u - table[i]!) / (table[i + 1]! - table[i]!)) / EXTENT_POINTS;
      mean[n]! += (weights[k]! / all) * root * root * root;
    }
  });
  mean[looks] = 1;
  const out = new Float64Array(EXTENT_POINTS + 1);
  let n = 0;
  for (let i = 1; i <= EXTENT_POINTS; i++) {
    const root = i / EXTENT_POINTS;
    while (n < looks - 1 && Math.cbrt(mean[n + 1]!) < root) n++;
    const [from, to] = [Math.cbrt(mean[n]!), Math.cbrt(mean[n + 1]!)];
    out[i] = (last * (n + (root - from) / (to - from))) / looks;
  }
  const slower = timeIn(table, 0.01) / timeIn(out, 0.01);
  return out.map((u) => u * slower);
}

function extentOf(table: Float64Array): Extent {
  const complete = table[EXTENT_POINTS]!;
  const pairs = new Float64Array(2 * (EXTENT_POINTS + 1));
  for (let i = 0; i <= EXTENT_POINTS; i++) {
    pairs[2 * i] = table[i]!;
    pairs[2 * i + 1] = i < EXTENT_POINTS ? 1 / (table[i + 1]! - table[i]!) : 0;
  }
  const hintsPerUnit = HINTS / complete;
  const hints = new Int32Array(HINTS + 1);
  let i = 0;
  for (let k = 0; k <= HINTS; k++) {
    while (i < EXTENT_POINTS - 1 && table[i + 1]! <= k / hintsPerUnit) i++;
    hints[k] = i;
  }
  return { table, complete, pairs, hintsPerUnit, hints };
}

function timeIn(table: Float64Array, X: number): number {
  const s = Math.cbrt(X) * EXTENT_POINTS;
  const i = Math.min(EXTENT_POINTS - 1, Math.floor(s));
  return table[i]! + (s - i) * (table[i + 1]! - table[i]!);
}

/** Reduced time that brings a change to extent `X`, 0 ... 1. */
export function reducedTime(X: number, { table, complete }: Extent = PEARLITE_EXTENT): number {
  if (X <= 0) return 0;
  return X >= 1 ? complete : timeIn(table, X);
}

/** Below this extent a sluggish end is not felt: exp(4 X^2) is then within 2 parts in a thousand of 1. */
export const FELT_FROM = 0.02;

/**
 * Reduced time that is left of `du` when the integral of bainite is multiplied by exp(k X^2): a change that begins as without
 * it and comes to its end late. Taken at the middle of the step.
 * @source kirkaldy1984 (from memory)
 */
export function sluggishTime(X: number, du: number, k: number): number {
  if (k <= 0 || X < FELT_FROM) return du;
  const root = Math.cbrt(X);
  const i = Math.min(EXTENT_POINTS - 1, Math.floor(root * EXTENT_POINTS));
  const middle = root + (0.5 * Math.exp(-k * X * X) * du * BAINITE_EXTENT.pairs[2 * i + 1]!) / EXTENT_POINTS;
  const M = Math.min(1, middle * middle * middle);
  return du * Math.exp(-k * M * M);
}

/** Reduced time that brings bainite, whose end is sluggish by k, to extent `X`, by midpoints. */
export function sluggishReducedTime(X: number, k: number): number {
  const points = 400;
  let sum = 0;
  for (let i = 0; i < points; i++) {
    const [from, to] = [(X * i) / points, (X * (i + 1)) / points];
    const middle = 0.5 * (from + to);
    sum += (reducedTime(to, BAINITE_EXTENT) - reducedTime(from, BAINITE_EXTENT)) * (k > 0 ? Math.exp(k * middle * middle) : 1);
  }
  return sum;
}

/** Extent after reduced time `u`: the same table read backwards, so that there and back is where it began. */
export function extentAt(u: number, { table, complete, pairs, hints, hintsPerUnit }: Extent = PEARLITE_EXTENT): number {
  if (u <= 0) return 0;
  if (u >= complete) return 1;
  let i = hints[Math.floor(u * hintsPerUnit)]!;
  while (table[i + 1]! <= u) i++;
  const s = (i + (u - table[i]!) * pairs[2 * i + 1]!) / EXTENT_POINTS;
  return s * s * s;
}
