/** The shape of a diffusional change in time, dX/du = X^(2(1-X)/3) (1-X)^(2X/3), advanced exactly. */

const POINTS = 2000;
const INVERSE_POINTS = 4000;

/** Table of S(X) = integral of dX / f(X), in s = X^(1/3) by midpoints. @source kirkaldy1984 (from memory) */
const TABLE = makeTable();

/** S(1): a change that has used this much reduced time is complete. About 4.194. */
export const COMPLETE = TABLE[POINTS]!;

/** X at INVERSE_POINTS + 1 even steps of S from 0 to COMPLETE. */
const INVERSE = makeInverse();

function makeTable(): Float64Array {
  const table = new Float64Array(POINTS + 1);
  for (let i = 0; i < POINTS; i++) {
    const s = (i + 0.5) / POINTS;
    const X = s * s * s;
    const f = X ** ((2 * (1 - X)) / 3) * (1 - X) ** ((2 * X) / 3);
    table[i + 1] = table[i]! + (3 * s * s) / f / POINTS;
  }
  return table;
}

function makeInverse(): Float64Array {
  const inverse = new Float64Array(INVERSE_POINTS + 1);
  let i = 0;
  for (let k = 0; k <= INVERSE_POINTS; k++) {
    const u = (k / INVERSE_POINTS) * COMPLETE;
    while (i < POINTS - 1 && TABLE[i + 1]! < u) i++;
    const s = (i + (u - TABLE[i]!) / (TABLE[i + 1]! - TABLE[i]!)) / POINTS;
    inverse[k] = Math.min(1, s * s * s);
  }
  return inverse;
}

/** Reduced time that brings a change to extent `X`, 0 ... 1. */
export function reducedTime(X: number): number {
  if (X <= 0) return 0;
  if (X >= 1) return COMPLETE;
  const s = Math.cbrt(X) * POINTS;
  const i = Math.min(POINTS - 1, Math.floor(s));
  return TABLE[i]! + (s - i) * (TABLE[i + 1]! - TABLE[i]!);
}

/** Extent after reduced time `u`. */
export function extentAt(u: number): number {
  if (u <= 0) return 0;
  if (u >= COMPLETE) return 1;
  // Below the first table entries the cube root law is exact enough and keeps the digits: S is 3 X^(1/3) there.
  if (u < 0.02) return (u / 3) ** 3;
  const k = (u / COMPLETE) * INVERSE_POINTS;
  const i = Math.floor(k);
  return INVERSE[i]! + (k - i) * (INVERSE[i + 1]! - INVERSE[i]!);
}
