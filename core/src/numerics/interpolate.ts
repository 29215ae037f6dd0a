/** Interpolation in tables: linear, and monotone cubic. */

/** Index i with xs[i] <= x < xs[i+1], clamped to 0 ... n-2. `xs` ascends and has at least two entries. */
export function intervalOf(xs: ArrayLike<number>, x: number): number {
  let low = 0;
  let high = xs.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (xs[middle]! <= x) low = middle;
    else high = middle;
  }
  return low;
}

/** Linear in the table, constant beyond its ends. */
export function linear(xs: ArrayLike<number>, ys: ArrayLike<number>, x: number): number {
  const n = xs.length;
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[n - 1]!) return ys[n - 1]!;
  return linearExtended(xs, ys, x);
}

/** Linear in the table, and on along its end segments. */
export function linearExtended(xs: ArrayLike<number>, ys: ArrayLike<number>, x: number): number {
  const i = intervalOf(xs, x);
  const share = (x - xs[i]!) / (xs[i + 1]! - xs[i]!);
  return ys[i]! + share * (ys[i + 1]! - ys[i]!);
}

/**
 * Monotone piecewise cubic through (xs, ys): interior slopes are the weighted harmonic mean of the neighbouring secants
 * (0 where they differ in sign), end slopes the end secants. Constant below the first knot, linear above the last.
 *
 * @source fritschCarlson1980 (the weighted harmonic mean is that of Fritsch and Butland, 1984)
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  const width = Array.from({ length: n - 1 }, (_, i) => xs[i + 1]! - xs[i]!);
  const secant = width.map((w, i) => (ys[i + 1]! - ys[i]!) / w);
  const slope = xs.map((_, i) => {
    if (i === 0) return secant[0]!;
    if (i === n - 1) return secant[n - 2]!;
    const [before, after] = [secant[i - 1]!, secant[i]!];
    if (before * after <= 0) return 0;
    const w1 = 2 * width[i]! + width[i - 1]!;
    const w2 = width[i]! + 2 * width[i - 1]!;
    return (w1 + w2) / (w1 / before + w2 / after);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]! + slope[n - 1]! * (x - xs[n - 1]!);
    const i = intervalOf(xs, x);
    const h = width[i]!;
    const t = (x - xs[i]!) / h;
    const u = 1 - t;
    return ys[i]! * (1 + 2 * t) * u * u + ys[i + 1]! * t * t * (3 - 2 * t) + h * (slope[i]! * t * u * u - slope[i + 1]! * t * t * u);
  };
}

export function clamp(x: number, low: number, high: number): number {
  return x < low ? low : x > high ? high : x;
}

/** 0 at or below `low`, 1 at or above `high`, 3t2 - 2t3 between. */
export function smoothstep(x: number, low: number, high: number): number {
  const t = clamp((x - low) / (high - low), 0, 1);
  return t * t * (3 - 2 * t);
}
