/** Small sets of linear equations. */

/**
 * Rows of an augmented matrix brought to where its left square is one (Gauss and Jordan, without exchange of rows: for matrices that are
 * symmetric and positive definite). What stands to the right of it is the answer.
 */
export function eliminated(rows: readonly (readonly number[])[]): number[][] {
  const now = rows.map((row) => [...row]);
  for (let i = 0; i < now.length; i++) {
    const pivot = now[i]![i]!;
    now[i] = now[i]!.map((x) => x / pivot);
    for (let r = 0; r < now.length; r++) {
      const share = now[r]![i]!;
      if (r !== i && share !== 0) now[r] = now[r]!.map((x, c) => x - share * now[i]![c]!);
    }
  }
  return now;
}
