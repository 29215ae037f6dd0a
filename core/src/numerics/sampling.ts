/** Reproducible draws: the same seed gives the same ensemble to the last digit. */

import { normalQuantile } from "./normal.js";

/** Even numbers in 0 ... 1 from a 32-bit seed (mulberry32, public domain, from memory). */
export function uniforms(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * `count` draws in `dimensions` standard normal numbers, each dimension cut into `count` equal shares with one draw in the
 * middle of each (Latin hypercube): even cover from few draws.
 */
export function normalDraws(count: number, dimensions: number, seed: number): readonly (readonly number[])[] {
  const next = uniforms(seed);
  const columns = Array.from({ length: dimensions }, () => {
    const strata = Array.from({ length: count }, (_, i) => normalQuantile((i + 0.5) / count));
    for (let i = count - 1; i > 0; i--) {
      const j = Math.floor(next() * (i + 1));
      [strata[i], strata[j]] = [strata[j]!, strata[i]!];
    }
    return strata;
  });
  return Array.from({ length: count }, (_, i) => columns.map((column) => column[i]!));
}
