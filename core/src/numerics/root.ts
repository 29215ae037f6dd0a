/** Root of a monotone function by bisection. */

export type RootOutcome = { readonly outcome: "found"; readonly x: number } | { readonly outcome: "outside" };

/** Where `f` is zero in low ... high, to `tolerance` in x. `outside` when f has the same sign at both ends. */
export function bisect(f: (x: number) => number, low: number, high: number, tolerance: number): RootOutcome {
  let [a, b] = [low, high];
  const atLow = f(a);
  const atHigh = f(b);
  if (atLow === 0) return { outcome: "found", x: a };
  if (atHigh === 0) return { outcome: "found", x: b };
  if (!(atLow * atHigh < 0)) return { outcome: "outside" };
  while (b - a > tolerance) {
    const middle = 0.5 * (a + b);
    if (atLow * f(middle) > 0) a = middle;
    else b = middle;
  }
  return { outcome: "found", x: 0.5 * (a + b) };
}
