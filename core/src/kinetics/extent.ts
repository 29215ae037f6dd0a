/** The shape of a diffusional change in time, dX/du = X^(2(1-X)/3) (1-X)^(2X/3), advanced exactly. */

/** Points of the table, even in the cube root of the extent. */
export const EXTENT_POINTS = 2000;
const HINTS = 4000;

/** S(X) = integral of dX / f(X), in s = X^(1/3) by midpoints, straight between its points. @source kirkaldy1984 (from memory) */
export const EXTENT_TABLE = makeTable();

/** S(1): a change that has used this much reduced time is complete. About 4.194. */
export const COMPLETE = EXTENT_TABLE[EXTENT_POINTS]!;

/** The table with, beside each entry, the points per unit of reduced time from there to the next. */
export const EXTENT_PAIRS = makePairs();

/** Hints per unit of reduced time: where in the table to begin to look. */
export const HINTS_PER_UNIT = HINTS / COMPLETE;
export const EXTENT_HINTS = makeHints();

function makeTable(): Float64Array {
  const table = new Float64Array(EXTENT_POINTS + 1);
  for (let i = 0; i < EXTENT_POINTS; i++) {
    const s = (i + 0.5) / EXTENT_POINTS;
    const X = s * s * s;
    const f = X ** ((2 * (1 - X)) / 3) * (1 - X) ** ((2 * X) / 3);
    table[i + 1] = table[i]! + (3 * s * s) / f / EXTENT_POINTS;
  }
  return table;
}

function makePairs(): Float64Array {
  const pairs = new Float64Array(2 * (EXTENT_POINTS + 1));
  for (let i = 0; i <= EXTENT_POINTS; i++) {
    pairs[2 * i] = EXTENT_TABLE[i]!;
    pairs[2 * i + 1] = i < EXTENT_POINTS ? 1 / (EXTENT_TABLE[i + 1]! - EXTENT_TABLE[i]!) : 0;
  }
  return pairs;
}

/** The last point of the table at or below each of HINTS + 1 even steps of S. */
function makeHints(): Int32Array {
  const hints = new Int32Array(HINTS + 1);
  let i = 0;
  for (let k = 0; k <= HINTS; k++) {
    while (i < EXTENT_POINTS - 1 && EXTENT_TABLE[i + 1]! <= k / HINTS_PER_UNIT) i++;
    hints[k] = i;
  }
  return hints;
}

/** Reduced time that brings a change to extent `X`, 0 ... 1. */
export function reducedTime(X: number): number {
  if (X <= 0) return 0;
  if (X >= 1) return COMPLETE;
  const s = Math.cbrt(X) * EXTENT_POINTS;
  const i = Math.min(EXTENT_POINTS - 1, Math.floor(s));
  return EXTENT_TABLE[i]! + (s - i) * (EXTENT_TABLE[i + 1]! - EXTENT_TABLE[i]!);
}

/** Below this extent a sluggish end is not felt: exp(4 X^2) is then within 2 parts in a thousand of 1. */
export const FELT_FROM = 0.02;

/**
 * Reduced time that is left of `du` when the integral of a change is multiplied by exp(k X^2): a change that begins as without
 * it and comes to its end late. Taken at the middle of the step.
 * @source kirkaldy1984 (bainite, from memory)
 */
export function sluggishTime(X: number, du: number, k: number): number {
  if (k <= 0 || X < FELT_FROM) return du;
  const root = Math.cbrt(X);
  const i = Math.min(EXTENT_POINTS - 1, Math.floor(root * EXTENT_POINTS));
  const middle = root + (0.5 * Math.exp(-k * X * X) * du * EXTENT_PAIRS[2 * i + 1]!) / EXTENT_POINTS;
  const M = Math.min(1, middle * middle * middle);
  return du * Math.exp(-k * M * M);
}

/** Reduced time that brings a change with a sluggish end to extent `X`, by midpoints. */
export function sluggishReducedTime(X: number, k: number): number {
  const points = 400;
  let sum = 0;
  for (let i = 0; i < points; i++) {
    const [from, to] = [(X * i) / points, (X * (i + 1)) / points];
    const middle = 0.5 * (from + to);
    sum += (reducedTime(to) - reducedTime(from)) * (k > 0 ? Math.exp(k * middle * middle) : 1);
  }
  return sum;
}

/** Extent after reduced time `u`: the same table read backwards, so that there and back is where it began. */
export function extentAt(u: number): number {
  if (u <= 0) return 0;
  if (u >= COMPLETE) return 1;
  let i = EXTENT_HINTS[Math.floor(u * HINTS_PER_UNIT)]!;
  while (EXTENT_TABLE[i + 1]! <= u) i++;
  const s = (i + (u - EXTENT_TABLE[i]!) * EXTENT_PAIRS[2 * i + 1]!) / EXTENT_POINTS;
  return s * s * s;
}
