/** A piece that is even in itself and follows a temperature in time: fire, kiln, oven, slow cooling. No heat flow inside. */

import { applyChange, formMartensite, proposeChange } from "./transform.js";
import { spreadEven, type Structure } from "./structure.js";
import { noteCold, warm } from "./warming.js";

export interface FollowInput {
  readonly structure: Structure;
  /** Temperature of the piece, C, by time since the start, s. */
  readonly temperature_C: (time_s: number) => number;
  readonly duration_s: number;
  /** Divides every limit on a step; 1 unless the error of the steps is to be measured. */
  readonly fineness?: number;
  /** Called after every step, also the first at time 0. */
  readonly onStep?: (time_s: number, temperature_C: number) => void;
}

const SHORTEST_s = 0.02;
const LONGEST_s = 20;
/** Largest change of temperature in a step near a change, and far from one, K. */
const NEAR_K = 1.5;
const FAR_K = 10;
/** From here up a change may be near, C. */
const NEAR_FROM_C = 640;
/** Largest share of the carbon that may dissolve, and of a node that may change, in a step. */
const LARGEST_DISSOLVED = 0.01;
const LARGEST_CHANGE = 0.02;

/**
 * Carries the structure along. Steps follow what is fastest: the temperature, the dissolving carbide or the change.
 * @error half the steps move carbon in solution by 0.003 wt% at most (test/kinetics/follow.test.ts)
 */
export function follow({ structure: s, temperature_C, duration_s, fineness = 1, onStep }: FollowInput): void {
  const T = new Float64Array(s.count);
  const before = new Float64Array(s.count).fill(temperature_C(0));
  const middle = new Float64Array(s.count);
  let time_s = 0;
  let dt_s = 0.5;
  onStep?.(0, before[0]!);
  while (time_s < duration_s - 1e-9) {
    let step_s = Math.min(dt_s, duration_s - time_s);
    const from_C = before[0]!;
    // Far from every change a step may be long; near one the temperature must not run past it.
    for (let attempt = 0; attempt < 40; attempt++) {
      const to_C = temperature_C(time_s + step_s);
      const allowed_K = (Math.max(from_C, to_C) >= NEAR_FROM_C ? NEAR_K : FAR_K) / fineness;
      if (Math.abs(to_C - from_C) <= allowed_K || step_s <= SHORTEST_s) break;
      step_s = Math.max(SHORTEST_s, step_s * Math.max(0.2, (0.9 * allowed_K) / Math.abs(to_C - from_C)));
    }
    for (let attempt = 0; attempt <= 3; attempt++) {
      middle.fill(temperature_C(time_s + 0.5 * step_s));
      const largest = proposeChange(s, middle, before, step_s);
      const allowed = LARGEST_CHANGE / fineness;
      if (largest <= allowed || step_s <= SHORTEST_s || attempt === 3) break;
      step_s = Math.max(SHORTEST_s, (0.8 * step_s * allowed) / largest);
    }
    applyChange(s, middle);
    time_s += step_s;
    T.fill(temperature_C(time_s));
    const speed = warm(s, T, before, step_s, step_s);
    formMartensite(s, T);
    noteCold(s, T);
    onStep?.(time_s, T[0]!);
    before.set(T);
    const longest_s = LONGEST_s / fineness;
    dt_s = Math.min(longest_s, step_s * 1.5, speed > 0 ? Math.max(0.5, LARGEST_DISSOLVED / speed) / fineness : longest_s);
  }
  if (s.isEven) spreadEven(s);
}
