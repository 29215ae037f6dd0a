/** A tap that came late: gloves were on, the phone lay down. What was tapped against what the hand usually does. */

import { normalCdf } from "../numerics/normal.js";

/** One tap in so many is late, and by so much on the mean, s (judgement). */
const LATE = 1 / 15;
const LATE_s = 9;
/** One true way in so many is a long one: about so long, s, and the spread of that, a logarithm (judgement: tongs slip, a lid sticks). */
const LONG = 1 / 20;
const LONG_s = 4;
const LONG_LN = 0.45;

/** Likelier late than this a tap is asked about, where it would change what the piece is (judgement: of true ways one in forty, of late taps nearly all). */
export const ASKED_FROM = 0.4;

/** What a shop's way from fire to bath usually is: its middle, s, and its spread, a logarithm. */
export interface Habit {
  readonly usual_s: number;
  readonly sd_ln: number;
}

function lognormal(t: number, { usual_s, sd_ln }: Habit): number {
  return Math.exp(-0.5 * (Math.log(t / usual_s) / sd_ln) ** 2) / (t * sd_ln * Math.sqrt(2 * Math.PI));
}

/** Density of a habit with an exponential delay after it, 1/s: the sum of the two over what may have been the true second. */
function delayed(t: number, habit: Habit): number {
  const STEPS = 200;
  const step_s = t / STEPS;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    const s = (i + 0.5) * step_s;
    sum += lognormal(s, habit) * Math.exp(-(t - s) / LATE_s) * step_s;
  }
  return sum / LATE_s;
}

/**
 * Chance that a tap was late, by Bayes.
 *
 * @param tapped_s from the act before it to the tap
 * @returns 0 … 1; rises with the seconds
 * @error test/hand/tap.test.ts: made-up taps, and by hand
 */
export function chanceLate(tapped_s: number, habit: Habit): number {
  if (tapped_s <= habit.usual_s) return 0;
  const late = LATE * delayed(tapped_s, habit);
  const long = { usual_s: Math.max(LONG_s, habit.usual_s), sd_ln: LONG_LN };
  const really = (1 - LATE) * ((1 - LONG) * lognormal(tapped_s, habit) + LONG * lognormal(tapped_s, long));
  return late + really > 0 ? late / (late + really) : 1;
}

/** A share of cut quantiles for one of two ways: which of them a standard normal draw falls to, and where in that one it lies. */
export function splitDraw(z: number, share: number): { readonly isFirst: boolean; readonly part: number } {
  const below = normalCdf(z);
  const isFirst = below < share;
  return { isFirst, part: isFirst ? below / Math.max(1e-12, share) : (below - share) / Math.max(1e-12, 1 - share) };
}
