/** What a piece's tests say in one phrase. */

import { testFound, type HardnessVerdict, type PieceState } from "@tembrak/core";
import { showHardness, showRange } from "../format/show.js";

/** What the last test after the temper came to; null when there is none. */
export function measuredSummary({ tests, piece }: PieceState): HardnessVerdict["summary"] | null {
  const last = tests.filter(({ act }) => act === "prove").at(-1);
  return last === undefined ? null : testFound(last.test, piece.section);
}

/** `56.4 HRC, 54 to 59`, of the last test after the temper; null when there is none. */
export function measured(state: PieceState): string | null {
  const summary = measuredSummary(state);
  if (summary === null) return null;
  return `${showHardness(summary.mean_HRC, 1)} HRC, ${showRange(summary.p05_HRC, summary.p95_HRC)}`;
}
