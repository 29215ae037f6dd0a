/** Tridiagonal systems by elimination without pivoting (Thomas), for the diagonally dominant rows of implicit conduction. */

/**
 * Solves lower[i] x[i-1] + diagonal[i] x[i] + upper[i] x[i+1] = right[i] for i = 0 ... n-1.
 *
 * `diagonal` and `right` are scratch and are overwritten; the answer is left in `right`.
 * All arrays hold at least `n` numbers from `offset` on. lower[offset] and upper[offset+n-1] are not read.
 */
export function solveTridiagonal(n: number, lower: Float64Array, diagonal: Float64Array, upper: Float64Array, right: Float64Array): void {
  for (let i = 1; i < n; i++) {
    const w = lower[i]! / diagonal[i - 1]!;
    diagonal[i]! -= w * upper[i - 1]!;
    right[i]! -= w * right[i - 1]!;
  }
  right[n - 1]! /= diagonal[n - 1]!;
  for (let i = n - 2; i >= 0; i--) right[i] = (right[i]! - upper[i]! * right[i + 1]!) / diagonal[i]!;
}
