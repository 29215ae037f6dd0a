/** What several alike things say of their kind: each measured with its own error, all scattered about one middle. */

export interface Measured {
  readonly value: number;
  readonly sd: number;
}

export interface Hierarchy {
  /** The middle of the kind, and how sure it is. */
  readonly mean: number;
  readonly sd: number;
  /** What the next of the kind may be off the middle, beside that. */
  readonly scatter: number;
  /** Each of them, drawn towards the middle. */
  readonly each: readonly Measured[];
}

const CUTS = 200;

/**
 * Normal means with known errors, a normal middle and a half-normal prior of the scatter (Gelman 2006, from memory: for few of a kind an
 * even one leaves it far too wide): summed over the scatter, exact otherwise.
 *
 * @param prior of the middle; an sd of Infinity where nothing is known of it
 * @param most the largest scatter thought of
 * @param usual deviation of its prior; Infinity for an even one
 */
export function hierarchy(measured: readonly Measured[], prior: Measured, most: number, usual = Infinity): Hierarchy {
  const given = Array.from({ length: CUTS }, (_, k) => (most * (k + 0.5)) / CUTS).map((scatter) => {
    let precision = prior.sd === Infinity ? 0 : 1 / prior.sd ** 2;
    let pull = precision * (prior.sd === Infinity ? 0 : prior.value);
    for (const { value, sd } of measured) {
      precision += 1 / (sd ** 2 + scatter ** 2);
      pull += value / (sd ** 2 + scatter ** 2);
    }
    const mean = precision > 0 ? pull / precision : 0;
    // Evidence of this scatter: what all of them would say of the middle, the middle summed over.
    let log = -0.5 * Math.log(Math.max(precision, 1e-300)) - 0.5 * (scatter / usual) ** 2;
    if (prior.sd !== Infinity) log -= 0.5 * ((mean - prior.value) / prior.sd) ** 2;
    for (const { value, sd } of measured) {
      const variance = sd ** 2 + scatter ** 2;
      log -= 0.5 * (Math.log(variance) + (value - mean) ** 2 / variance);
    }
    return { scatter, mean, variance: precision > 0 ? 1 / precision : Infinity, log };
  });
  const largest = Math.max(...given.map(({ log }) => log));
  const weights = given.map(({ log }) => Math.exp(log - largest));
  const sum = weights.reduce((a, b) => a + b, 0);
  const averaged = (of: (k: number) => number): number => weights.reduce((total, w, k) => total + w * of(k), 0) / sum;
  const mean = averaged((k) => given[k]!.mean);
  const variance = averaged((k) => given[k]!.variance + (given[k]!.mean - mean) ** 2);
  const each = measured.map(({ value, sd }): Measured => {
    const one = (k: number): Measured => {
      const { scatter, mean: middle, variance: unsure } = given[k]!;
      const own = scatter ** 2 / (scatter ** 2 + sd ** 2);
      return { value: own * value + (1 - own) * middle, sd: Math.sqrt(own * sd ** 2 + (1 - own) ** 2 * unsure) };
    };
    const at = averaged((k) => one(k).value);
    return { value: at, sd: Math.sqrt(averaged((k) => one(k).sd ** 2 + (one(k).value - at) ** 2)) };
  });
  return { mean, sd: Math.sqrt(variance), scatter: Math.sqrt(averaged((k) => given[k]!.scatter ** 2)), each };
}
