/** Whether two tests of one piece can both be right. */

import type { HardnessTest } from "../schema/book.js";
import type { Section } from "../schema/parts.js";
import type { BeliefSummary } from "./belief.js";
import { testDone } from "./storedTest.js";
import { hardnessVerdict } from "./verdict.js";

export interface Disagreement {
  readonly earlier: BeliefSummary;
  readonly later: BeliefSummary;
}

/** So many of their deviations together apart, two tests would be so one time in a hundred (normal, two-sided). */
const APART = 2.576;

/**
 * The last test against each earlier one of the same state of the piece, each taken by itself, whatever was predicted.
 * @param tests in their order, each after so many tempers
 * @returns the pair furthest apart; null where all agree
 */
export function disagreementOf(
  tests: readonly { readonly tempers: number; readonly test: HardnessTest }[],
  section: Section,
): Disagreement | null {
  const last = tests.at(-1);
  if (last === undefined) return null;
  const alone = ({ test }: { readonly test: HardnessTest }): BeliefSummary => hardnessVerdict(testDone(test, section)).summary;
  const later = alone(last);
  const apart = ({ mean_HRC, sd_HRC }: BeliefSummary): number => Math.abs(mean_HRC - later.mean_HRC) / Math.hypot(sd_HRC, later.sd_HRC);
  const earlier = tests
    .slice(0, -1)
    .filter(({ tempers }) => tempers === last.tempers)
    .map(alone)
    .sort((a, b) => apart(b) - apart(a))[0];
  return earlier !== undefined && apart(earlier) > APART ? { earlier, later } : null;
}
