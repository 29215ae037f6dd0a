/** The smith's own eye, learned from the shop's book: colours that were named beside a probe's reading. */

import type { LoggedCheck } from "./state.js";
import { glowInLight, UNKNOWN_EYE, type Eye } from "../simulate/heatBelief.js";

/** What an eye is like before anything is known of it, and how much a single guess scatters, C: colour-note section 3.3. */
const TAU_K = 40;
const SCATTER_K = 35;
const SCATTER_WEIGHT = 6;
/** Fewer pairs than this correct nothing (colour-note section 3.3). */
export const LEAST_PAIRS = 12;
/** A colour and a probe's reading belong together when so close in time, ms. */
const TOGETHER_ms = 20000;

/** Guess less truth, C, for every colour of a heat that a probe was read beside. */
export function eyeErrors_K(checks: readonly LoggedCheck[]): number[] {
  return checks.flatMap(({ reading, at_ms, act }) => {
    if (reading.check !== "glow") return [];
    const guess = glowInLight(reading.name, reading.ambient_lux);
    const beside = checks.find((c) => c.reading.check === "probe" && c.act === act && Math.abs(c.at_ms - at_ms) <= TOGETHER_ms);
    return guess === null || beside?.reading.check !== "probe" ? [] : [guess.mean_C - beside.reading.temperature_C];
  });
}

export interface LearnedEye extends Eye {
  readonly pairs: number;
}

/**
 * What the eye calls heats too hot by: its mean error drawn towards none, the more the fewer and the more scattered the guesses.
 * Of fewer than twelve pairs nothing is made.
 * @source colour-note section 3.3, simple form (judgement)
 */
export function learnEye(errors_K: readonly number[]): LearnedEye {
  const pairs = errors_K.length;
  if (pairs < LEAST_PAIRS) return { ...UNKNOWN_EYE, pairs };
  const mean = errors_K.reduce((a, b) => a + b, 0) / pairs;
  const squares = errors_K.reduce((sum, e) => sum + (e - mean) ** 2, 0);
  const scatter = Math.sqrt((SCATTER_WEIGHT * SCATTER_K ** 2 + squares) / (SCATTER_WEIGHT + pairs));
  return { ...shrunk(mean, scatter, pairs), pairs };
}

/** The note's formula by itself: bias after shrinking, and its standard error, C. */
export function shrunk(mean_C: number, scatter_K: number, pairs: number): Eye {
  const weight = pairs / (pairs + (scatter_K / TAU_K) ** 2);
  return { bias_C: weight * mean_C, sd_C: 1 / Math.sqrt(1 / TAU_K ** 2 + pairs / scatter_K ** 2) };
}
