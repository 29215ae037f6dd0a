/** The normal distribution: its sum and its quantile. */

/**
 * Complementary error function, relative error below 1.2e-7 everywhere (Chebyshev fit, Press and others,
 * Numerical Recipes, 2nd ed., 1992, section 6.2, from memory). Checked in test/numerics/normal.test.ts.
 */
function erfc(x: number): number {
  const z = Math.abs(x);
  const t = 1 / (1 + 0.5 * z);
  const series =
    -1.26551223 +
    t *
      (1.00002368 +
        t *
          (0.37409196 +
            t *
              (0.09678418 +
                t * (-0.18628806 + t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277))))))));
  const value = t * Math.exp(-z * z + series);
  return x >= 0 ? value : 2 - value;
}

/** Chance that a standard normal number is below `z`. */
export function normalCdf(z: number): number {
  return 0.5 * erfc(-z / Math.SQRT2);
}

/**
 * Quantile of the standard normal distribution, absolute error below 4.5e-4 in the first step (Abramowitz and Stegun
 * 26.2.23, from memory), then one Newton step.
 */
export function normalQuantile(p: number): number {
  const tail = p < 0.5 ? p : 1 - p;
  const t = Math.sqrt(-2 * Math.log(tail));
  const numerator = 2.515517 + t * (0.802853 + t * 0.010328);
  const denominator = 1 + t * (1.432788 + t * (0.189269 + t * 0.001308));
  let z = t - numerator / denominator;
  if (p < 0.5) z = -z;
  const density = Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
  return z - (normalCdf(z) - p) / density;
}
